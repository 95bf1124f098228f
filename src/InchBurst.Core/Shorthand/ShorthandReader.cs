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
    private readonly bool asWritten;
    private readonly HashSet<string> said = [];
    private int at;

    private string? exerciseName;
    private Exercise? exercise;
    private bool isUsual;
    private const int MostSets = 20;

    private int sets = 1;
    private int reps = 1;
    private RepShape? shape;
    private Token? bareNumber;
    private Token lastGate;
    private Effort? effort;
    private Token effortAt;
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

    /// <param name="text">The line.</param>
    /// <param name="context">Default unit and known exercises.</param>
    /// <param name="asWritten">True for what the program wrote: it means what it says, however odd.</param>
    public ShorthandReader(LineText text, ShorthandContext context, bool asWritten = false)
    {
        this.context = context;
        this.asWritten = asWritten;
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
        SettleGates();
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
            case TokenKind.Said:
                SayAlso(token.Text, token);
                at++;
                break;
            case TokenKind.Name:
                throw Wrong(token, $"“{token.Text}” is a second piece of work; put it on a line of its own.");
            case TokenKind.Number when Next.IsWord("cm"):
                // How high the box or the hurdle is: said to the athlete.
                SayAlso($"{token.Text} cm", token);
                at += 2;
                break;
            case TokenKind.Number when Next.IsWord("inches"):
                SayAlso($"{token.Text} in", token);
                at += 2;
                break;
            case TokenKind.Number when ReadAerobic(token) || ReadLift(token):
                break;
            case TokenKind.Number when Next.IsWord("sets", "set") && said.Contains("dose"):
                Once("sets", token);
                SetsAfter(Whole(token, 1, 20, "Sets"));
                at += 2;
                break;
            case TokenKind.Number or TokenKind.Clock when said.Contains("dose") && rest is null && IsRestBehind(token):
                said.Add("rest");
                rest = new(Within(token, TimeAt(token), 0, 3600, "Rest in seconds"));
                at += token.Kind == TokenKind.Clock ? 1 : 2;
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
            case TokenKind.Symbol when (token.Is('-') || token.Is('+')) && Next.Kind == TokenKind.Number && Later(2).Is('%') && Later(3).IsWord("v") && load is { Unit: LoadUnit.None, Kind: LoadKind.Sled or LoadKind.Chain or LoadKind.Tow or LoadKind.Band } open:
                load = ReadLoad(open.Kind, token);
                break;
            case TokenKind.Symbol when token.Is('-') && load is null && exercise?.UsualLoad is { Kind: LoadKind.Sled or LoadKind.Chain or LoadKind.Band } usualLoad && Next.Kind == TokenKind.Number && Later(2).Is('%') && Later(3).IsWord("v"):
                said.Add("load");
                load = ReadLoad(usualLoad.Kind, token);
                break;
            case TokenKind.Symbol when (token.Is('-') || token.Is('+')) && Next.Kind == TokenKind.Number && Later(2).Is('%') && Later(3).IsWord("v"):
                throw Doubtful(token, $"{Next.Text}% {(token.Is('-') ? "slower" : "faster")} by what?", (token.Is('-') ? ["sled", "chain", "band"] : ["tow"]), word => (token.Start, 0, word + " "));
            case TokenKind.Symbol when token.Is('@'):
                var word = effort is { Word: not null } inWords ? inWords : null;
                if (word is null)
                {
                    Once("effort", token);
                }

                at++;
                ReadEffort();
                AgreeWith(word, token);
                break;
            case TokenKind.Symbol when token.Is(','):
                at++;
                break;
            case TokenKind.Quoted when !asWritten && exerciseName is null && said.Contains("dose") && context.Catalogue.Find(token.Text) is null && token.Text.Trim().Contains(' ', StringComparison.Ordinal):
                // The work has been said: what is quoted behind it is said to the athlete.
                SayAlso(Text(token, LongestCue, "A cue"), token);
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

    private void Once(string part, Token token, string? message = null)
    {
        if (!said.Add(part))
        {
            throw Wrong(token, message ?? $"The {part} is on this line already.");
        }
    }
}
