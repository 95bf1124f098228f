using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Reads one line, word by word, from left to right.</summary>
internal sealed partial class ShorthandReader
{
    private readonly List<Token> tokens;
    private readonly ShorthandContext context;
    private readonly HashSet<string> said = [];
    private int at;

    private string? exerciseName;
    private Exercise? exercise;
    private bool isUsual;
    private int sets = 1;
    private int reps = 1;
    private RepShape? shape;
    private Token? bareNumber;
    private Token lastGate;
    private Effort? effort;
    private LineStart? start;
    private LineGoal? goal;
    private LineRest? rest;
    private LineLoad? load;
    private IReadOnlyList<Distance> gates = [];
    private Distance? through;
    private bool eachSide;
    private bool inWaves;
    private IReadOnlyList<string> who = [];
    private WorkKind? kind;
    private string? cue;
    private IReadOnlyList<MeasureKind> log = [];
    private HeartBand? heart;

    private int? leastSets;
    private int? leastReps;
    private RepShape? leastShape;
    private int? usualTimes;
    private Token? massAt;
    private Token shareAt;

    public ShorthandReader(LineText text, ShorthandContext context)
    {
        this.context = context;
        tokens = ShorthandTokens.Read(text);
    }

    private Token Now => tokens[at];

    private Token Next => Later(1);

    private Token Later(int by) => tokens[Math.Min(at + by, tokens.Count - 1)];

    public PlanLine Line()
    {
        if (Now.Kind == TokenKind.End)
        {
            throw Wrong(Now, "Type a line, such as 4 x 20 m @95% rest 2:00.");
        }

        while (Now.Kind != TokenKind.End)
        {
            Part();
        }

        SettleShape();
        SettleEffort();
        if (rest is { OfWork: { } share } && shape is TimedShape work)
        {
            // The work is said in seconds, so the rest is too.
            rest = new(Within(shareAt, Math.Round(work.Seconds * share), 0, 3600, "Rest in seconds"));
        }

        if (gates.Count > 0 && shape is RunShape run && gates[^1].Metres > run.Metres + 1e-6)
        {
            throw Wrong(lastGate, $"The gate at {gates[^1]} stands beyond the end of the run.");
        }

        return new PlanLine
        {
            Kind = kind ?? PlanKinds.Derive(exercise, exerciseName, shape!, effort, load, goal),
            Exercise = exerciseName,
            Sets = sets,
            Reps = reps,
            Shape = shape!,
            Effort = effort,
            Goal = goal,
            Start = start,
            Rest = rest,
            Load = load,
            Gates = gates,
            Through = through,
            // A one-sided exercise is always done and counted left and right; travelling to raise the pulse changes sides on the way.
            EachSide = eachSide || exercise is { EachSide: true, Kind: not WorkKind.Raise },
            InWaves = inWaves,
            For = who,
            Cue = cue,
            Log = log,
            HeartRate = heart,
            Least = leastSets is null && leastReps is null && leastShape is null ? null : new(leastSets, leastReps, leastShape),
        };
    }

    private void Part()
    {
        var token = Now;
        if (token.Kind == TokenKind.Word && exerciseName is null && CatalogueMatch() is { } match)
        {
            (exercise, exerciseName) = (match.Exercise, match.Exercise.Name);
            at += match.Words;
            return;
        }

        switch (token.Kind)
        {
            case TokenKind.Name when exerciseName is null:
                (exercise, exerciseName) = (token.Exercise, token.Exercise!.Name);
                at++;
                break;
            case TokenKind.Name:
                throw Wrong(token, $"“{token.Text}” is a second piece of work; put it on a line of its own.");
            case TokenKind.Number when ReadAerobic(token) || ReadLift(token):
                break;
            case TokenKind.Number when Next.IsWord("sets", "set") && said.Contains("dose"):
                Once("sets", token);
                SetsAfter(Whole(token, 1, 20, "Sets"));
                at += 2;
                break;
            case TokenKind.Number or TokenKind.Clock:
                Once("dose", token, bareNumber is { } bare
                    ? $"Which unit has {bare.Text}? Such as {bare.Text} m, {bare.Text} s or {bare.Text} reps. A second piece of work goes on a line of its own."
                    : "That is a second piece of work; put it on a line of its own.");
                Dose();
                break;
            case TokenKind.Symbol when token.Is('@') && Next.Kind == TokenKind.Number && Later(2).IsWord("kg", "lb"):
                at++;
                break;
            case TokenKind.Symbol when (token.Is('-') || token.Is('+')) && Next.Kind == TokenKind.Number && Later(2).Is('%') && Later(3).IsWord("v"):
                throw Doubtful(token, $"{Next.Text}% {(token.Is('-') ? "slower" : "faster")} by what?", (token.Is('-') ? ["sled", "chain", "band"] : ["tow"]), word => (token.Start, 0, word + " "));
            case TokenKind.Symbol when token.Is('@'):
                Once("effort", token);
                at++;
                ReadEffort();
                break;
            case TokenKind.Symbol when token.Is(','):
                at++;
                break;
            case TokenKind.Quoted when exerciseName is null:
                exerciseName = Text(token, 80, "A name");
                exercise = context.Catalogue.Find(exerciseName);
                exerciseName = exercise?.Name ?? exerciseName;
                at++;
                break;
            case TokenKind.Word:
                ReadWord(token);
                break;
            case TokenKind.Symbol when token.Is('"'):
                throw Wrong(token, "This quotation mark has no partner.");
            default:
                throw Wrong(token, $"“{token.Text}” means nothing here.");
        }
    }

    private void ReadWord(Token token)
    {
        if (token.IsWord("from"))
        {
            Once("start", token);
            at++;
            ReadStart();
        }
        else if (token.IsWord("rest"))
        {
            Once("rest", token);
            at++;
            ReadRest();
        }
        else if (token.IsWord("gates", "gate"))
        {
            Once("gates", token);
            at++;
            gates = ReadGates();
        }
        else if (token.IsWord("through"))
        {
            Once("through", token);
            at++;
            through = ReadDistance("How far past the line?", 0.5, 60);
        }
        else if (token.IsWord("each", "per") && Next.IsWord("side", "leg"))
        {
            eachSide = true;
            at += 2;
        }
        else if (token.IsWord("in") && Next.IsWord("waves"))
        {
            inWaves = true;
            at += 2;
        }
        else if (token.IsWord("in") && Next.Kind is TokenKind.Number or TokenKind.Clock)
        {
            Once("goal", token);
            at++;
            ReadGoal();
        }
        else if (token.IsWord("for"))
        {
            Once("for", token);
            at++;
            who = ReadWho();
        }
        else if (token.IsWord("cue"))
        {
            Once("cue", token);
            at++;
            if (Now.Kind != TokenKind.Quoted)
            {
                throw Wrong(Now, "Put the cue in quotation marks: cue \"push the ground away\".");
            }

            cue = Text(Now, 120, "A cue");
            at++;
        }
        else if (token.IsWord("log"))
        {
            Once("log", token);
            at++;
            log = ReadLog();
        }
        else if (token.IsWord("as"))
        {
            Once("kind", token);
            at++;
            kind = ReadKind();
        }
        else if (EffortWords.TryGetValue(token.Text, out var percent))
        {
            Once("effort", token);
            at++;
            effort = new([percent], Word: token.Text.ToLowerInvariant());
        }
        else if (Loads.TryGetValue(token.Text, out var loadKind))
        {
            Once("load", token);
            at++;
            load = ReadLoad(loadKind, token);
        }
        else if (BandWords.TryGetValue(token.Text, out var weight) && load is null && (exercise ?? (Next.Kind == TokenKind.Name ? Next.Exercise : null))?.Does is Movement.Lift or Movement.Carry)
        {
            Once("load", token);
            at++;
            load = new(LoadKind.Lift, 0, weight);
        }
        else if (token.IsWord("tempo") && Next.Kind == TokenKind.Word && Next.Text.All(c => char.IsAsciiDigit(c) || c == '-'))
        {
            // Down, hold, up in seconds: said to the athlete.
            Once("cue", token);
            cue = $"tempo {Next.Text}";
            at += 2;
        }
        else if (token.IsWord("usual") && Next.Kind == TokenKind.Number)
        {
            // So many times the usual dose.
            Once("dose", token);
            at++;
            usualTimes = Whole(Now, 1, 100, "Reps");
            at++;
        }
        else if (token.IsWord("x"))
        {
            throw Wrong(token, "A number must stand on both sides of the x.");
        }
        else if (exerciseName is null && !said.Contains("dose"))
        {
            OwnExercise();
        }
        else
        {
            throw exerciseName is not null && CatalogueMatch() is { } second ? Wrong(token, $"“{second.Exercise.Name}” is a second piece of work; put it on a line of its own.") : Unknown(token);
        }
    }

    private void Once(string part, Token token, string? message = null)
    {
        if (!said.Add(part))
        {
            throw Wrong(token, message ?? $"The {part} is on this line already.");
        }
    }
}
