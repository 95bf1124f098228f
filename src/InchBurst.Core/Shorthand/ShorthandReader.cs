using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Reads one line, word by word, from left to right.</summary>
internal sealed class ShorthandReader
{
    private readonly List<Token> tokens;
    private readonly ShorthandContext context;
    private readonly HashSet<string> said = [];
    private int at;

    private string? exerciseName;
    private Exercise? exercise;
    private int sets = 1;
    private int reps = 1;
    private RepShape? shape;
    private Token? bareNumber;
    private Token lastGate;
    private Effort? effort;
    private LineStart? start;
    private LineRest? rest;
    private LineLoad? load;
    private IReadOnlyList<Distance> gates = [];
    private Distance? through;
    private bool eachSide;
    private IReadOnlyList<string> who = [];
    private WorkKind? kind;
    private string? cue;
    private IReadOnlyList<MeasureKind> log = [];

    public ShorthandReader(string text, ShorthandContext context)
    {
        this.context = context;
        tokens = ShorthandTokens.Read(text);
    }

    private Token Now => tokens[at];

    private Token Next => tokens[Math.Min(at + 1, tokens.Count - 1)];

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
        if (gates.Count > 0 && shape is RunShape run && gates[^1].Metres > run.Metres + 1e-6)
        {
            throw Wrong(lastGate, $"The gate at {gates[^1]} stands beyond the end of the run.");
        }

        return new PlanLine
        {
            Kind = kind ?? PlanKinds.Derive(exercise, exerciseName, shape!, effort, load),
            Exercise = exerciseName,
            Sets = sets,
            Reps = reps,
            Shape = shape!,
            Effort = effort,
            Start = start,
            Rest = rest,
            Load = load,
            Gates = gates,
            Through = through,
            // A one-sided exercise is always done and counted left and right; travelling to raise the pulse changes sides on the way.
            EachSide = eachSide || exercise is { EachSide: true, Kind: not WorkKind.Raise },
            For = who,
            Cue = cue,
            Log = log,
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
            case TokenKind.Number when Next.Is('%') && tokens[Math.Min(at + 2, tokens.Count - 1)].IsWord("max"):
                Once("load", token);
                load = new(LoadKind.Lift, Amount(1, 120, "A share of the maximum"), LoadUnit.PercentMaximum);
                at += 2;
                break;
            case TokenKind.Number or TokenKind.Clock:
                Once("dose", token, "A line has one dose; put a second one on a line of its own.");
                Dose();
                break;
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
            throw Unknown(token);
        }
    }

    private void OwnExercise()
    {
        var first = at;
        while (Now.Kind == TokenKind.Word && (at == first || (!IsKeyword(Now) && CatalogueMatch() is null)))
        {
            at++;
        }

        var last = tokens[at - 1];
        var name = string.Join(' ', tokens.Skip(first).Take(at - first).Select(t => t.Text));
        if (tokens.FindIndex(first, at - first, t => t.IsWord("x")) is > 0 and var x && x > first)
        {
            throw Wrong(tokens[x - 1], $"“{tokens[x - 1].Text}” is not a number.");
        }

        // Known words with a strange one among them are a slip far more often than a new name.
        if (at - first > 1 && tokens.Skip(first).Take(at - first).FirstOrDefault(t => !context.Catalogue.Words.Contains(t.Text)) is { Length: > 0 } strange
            && tokens.Skip(first).Take(at - first).Any(t => context.Catalogue.Words.Contains(t.Text)))
        {
            throw new ShorthandException(new(strange.Start, strange.Length, $"“{strange.Text}” is not known in “{name}”. A name of your own goes in quotation marks.", Nearest(strange.Text, context.Catalogue.Words)));
        }

        var near = Nearest(name, context.Catalogue.Names.Concat(Keywords));
        if (near is null && Now.Kind == TokenKind.End)
        {
            near = Nearest(tokens[first].Text, Keywords);
        }

        if (near is not null || name.Length < 3 || name.Length > 80)
        {
            throw new ShorthandException(new(
                tokens[first].Start,
                last.Start + last.Length - tokens[first].Start,
                near is null ? $"“{name}” is not a known exercise. To use a name of your own, put it in quotation marks." : $"“{name}” is not known. Did you mean {near}? A name of your own goes in quotation marks.",
                near));
        }

        exerciseName = name;
    }

    private static bool IsKeyword(Token token) =>
        token.IsWord("from", "rest", "gates", "gate", "through", "each", "for", "cue", "as", "log")
        || Loads.ContainsKey(token.Text) || EffortWords.ContainsKey(token.Text);

    private (Exercise Exercise, int Words)? CatalogueMatch()
    {
        var name = "";
        (Exercise, int)? found = null;
        for (var i = 0; i < context.Catalogue.LongestName && tokens[at + i].Kind == TokenKind.Word; i++)
        {
            name = i == 0 ? tokens[at].Text : name + " " + tokens[at + i].Text;
            if (context.Catalogue.Find(name) is { } known)
            {
                found = (known, i + 1);
            }
        }

        return found;
    }

    private void Dose()
    {
        var numbers = new List<Token>();
        while (true)
        {
            if (Now.Kind is not (TokenKind.Number or TokenKind.Clock))
            {
                throw Wrong(Now, "A number must follow the x.");
            }

            numbers.Add(Now);
            at++;
            if (Now.Kind != TokenKind.Times)
            {
                break;
            }

            at++;
        }

        if (numbers.Count > 3)
        {
            throw Wrong(numbers[3], "A dose has at most sets x reps x one rep.");
        }

        var amount = numbers[^1];
        if (numbers.Count == 3)
        {
            sets = Whole(numbers[0], 1, 20, "Sets");
            reps = Whole(numbers[1], 1, 100, "Reps");
        }
        else if (numbers.Count == 2)
        {
            reps = Whole(numbers[0], 1, 100, "Reps");
        }

        if (amount.Kind == TokenKind.Clock)
        {
            shape = new TimedShape(Within(amount, amount.Value, 1, 7200, "A time in seconds"));
        }
        else if (Now.Kind == TokenKind.Word && TimeUnits.TryGetValue(Now.Text, out var seconds))
        {
            at++;
            shape = new TimedShape(Within(amount, amount.Value * seconds, 1, 7200, "A time in seconds"));
        }
        else if (Now.IsWord(CountWords) || Now.IsWord(PassWords))
        {
            var passes = Now.IsWord(PassWords);
            if (exerciseName is null && CatalogueMatch() is not null)
            {
                bareNumber = amount;
                return;
            }

            at++;
            shape = new CountShape(Whole(amount, 1, 500, "The count"), passes);
        }
        else if (Now.Is('+') || (Now.Kind == TokenKind.Word && (DistanceUnits.ContainsKey(Now.Text) || IsRole(at))))
        {
            shape = Segments(amount);
        }
        else
        {
            bareNumber = amount;
        }
    }

    private bool IsRole(int index) => tokens[index].Kind == TokenKind.Word && Roles.ContainsKey(tokens[index].Text) && CatalogueMatch() is null or { Words: 1 };

    private void SettleShape()
    {
        if (shape is null && bareNumber is { } bare)
        {
            shape = exercise?.Counted switch
            {
                CountedIn.Reps => new CountShape(Whole(bare, 1, 500, "The count")),
                CountedIn.Passes => new CountShape(Whole(bare, 1, 500, "The count"), true),
                CountedIn.Seconds => throw Wrong(bare, $"{bare.Text} what? Say {bare.Text} s or {bare.Text} min."),
                null when exerciseName is not null => new CountShape(Whole(bare, 1, 500, "The count")),
                _ => new RunShape([new(Metres(bare, context.DefaultUnit), SegmentRole.Run)]),
            };
        }

        if (shape is null && exercise is not null)
        {
            // The name alone stands for the usual dose; a dose in the catalogue is a dose, so this goes one deep.
            var usual = new ShorthandReader(exercise.Dose, context) { exercise = exercise, exerciseName = exercise.Name };
            while (usual.Now.Kind != TokenKind.End)
            {
                usual.Part();
            }

            usual.SettleShape();
            (sets, reps, shape) = (usual.sets, usual.reps, usual.shape);
            eachSide |= usual.eachSide;
        }

        if (shape is null)
        {
            throw Wrong(tokens[^1], exerciseName is null ? "How far, or how long? Such as 4 x 20 m." : $"How much of “{exerciseName}”? Such as 2 x 10 m, 3 x 5 or 2 min.");
        }
    }

    private RunShape Segments(Token first)
    {
        var rough = new List<(Token? Amount, DistanceUnit? Unit, SegmentRole Role, double? Angle, Side? Side)>();
        var amount = (Token?)first;
        while (true)
        {
            if (amount is { } number)
            {
                DistanceUnit? unit = null;
                if (Now.Kind == TokenKind.Word && DistanceUnits.TryGetValue(Now.Text, out var written))
                {
                    unit = written;
                    at++;
                }

                var role = SegmentRole.Run;
                if (IsRole(at))
                {
                    role = Roles[Now.Text];
                    at++;
                }

                rough.Add((number, unit, role, null, null));
            }

            if (!Now.Is('+'))
            {
                break;
            }

            at++;
            if (Now.IsWord("turn", "cut"))
            {
                rough.Add(TurnOrCut());
                amount = null;
            }
            else if (Now.Kind == TokenKind.Number)
            {
                amount = Now;
                at++;
            }
            else
            {
                throw Now.Kind == TokenKind.Word ? Unknown(Now) : Wrong(Now, "A distance, a turn or a cut must follow the +.");
            }
        }

        if (rough.Count > 24)
        {
            throw Wrong(first, "A rep has at most 24 parts.");
        }

        // A unit said later holds for the parts before it: 20 build + 10 fly + 20 m slow.
        var unitAhead = rough.LastOrDefault(r => r.Unit is not null).Unit ?? context.DefaultUnit;
        var segments = new RunSegment[rough.Count];
        for (var i = rough.Count - 1; i >= 0; i--)
        {
            var part = rough[i];
            unitAhead = part.Unit ?? unitAhead;
            segments[i] = part.Amount is { } number
                ? new(Metres(number, unitAhead), part.Role)
                : new(new Distance(0, unitAhead), part.Role, part.Angle, part.Side);
        }

        return new RunShape(segments);
    }

    private (Token?, DistanceUnit?, SegmentRole, double?, Side?) TurnOrCut()
    {
        var role = Now.IsWord("turn") ? SegmentRole.Turn : SegmentRole.Cut;
        at++;
        double angle = role == SegmentRole.Turn ? 180 : 45;
        if (Now.Kind == TokenKind.Number)
        {
            angle = Within(Now, Now.Value, 1, 360, "An angle in degrees");
            at++;
            if (Now.IsWord("deg", "degree", "degrees") || Now.Is('°'))
            {
                at++;
            }
        }

        return (null, null, role, angle, ReadSide());
    }

    private Side? ReadSide()
    {
        if (!Now.IsWord("left", "right"))
        {
            return null;
        }

        var side = Now.IsWord("left") ? Side.Left : Side.Right;
        at++;
        return side;
    }

    private void ReadEffort()
    {
        var percents = new List<double> { Percent() };
        var rising = false;
        if (Now.Is('-') || Now.IsWord("to"))
        {
            at++;
            percents.Add(Percent());
            rising = true;
        }
        else
        {
            while (Now.Is(',') && Next.Kind == TokenKind.Number)
            {
                at++;
                percents.Add(Percent());
            }
        }

        if (Now.IsWord("rising"))
        {
            at++;
        }

        if (percents.Count > 20)
        {
            throw Wrong(Now, "At most 20 efforts on a line.");
        }

        effort = new(percents, rising);
    }

    private double Percent()
    {
        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now, "How hard, in percent? Such as @95%.");
        }

        var value = Within(Now, Now.Value, 0, 120, "Effort in percent");
        at++;
        if (Now.Is('%'))
        {
            at++;
        }

        return value;
    }

    private void ReadStart()
    {
        var token = Now;
        if (token.Kind != TokenKind.Word || !Starts.TryGetValue(token.Text, out var position))
        {
            // "half kneeling" and "3 point" are typed as often as their hyphened forms.
            var joined = $"{token.Text}-{Next.Text}";
            if (token.Kind is not (TokenKind.Word or TokenKind.Number) || !Starts.TryGetValue(joined, out position))
            {
                throw token.Kind == TokenKind.Word
                    ? Unknown(token, Starts.Keys, "start")
                    : Wrong(token, "From which start? Such as from standing, 3-point, blocks or falling.");
            }

            at++;
        }

        at++;
        var side = ReadSide();
        Distance? runIn = null;
        if (position == StartPosition.Moving && Now.Kind == TokenKind.Number)
        {
            runIn = ReadDistance("How long is the run-in?", 0.5, 60);
        }

        start = new(position, side, runIn);
    }

    private void ReadRest()
    {
        if (Now.IsWord("walk-back") || (Now.IsWord("walk") && Next.IsWord("back")))
        {
            at += Now.IsWord("walk-back") ? 1 : 2;
            rest = new(WalkBack: true);
            return;
        }

        var seconds = Duration("How long is the rest?");
        if (!Now.Is('/'))
        {
            rest = new(seconds);
            return;
        }

        at++;
        if (Now.Kind == TokenKind.Number && Next.Kind == TokenKind.Word && DistanceUnits.ContainsKey(Next.Text))
        {
            rest = new(seconds, Per: ReadDistance("For each how many metres?", 1, 100));
            if (Now.Is('/'))
            {
                at++;
                rest = rest with { SetSeconds = Duration("How long is the rest between sets?") };
            }

            return;
        }

        rest = new(seconds, Duration("How long is the rest between sets?"));
    }

    private double Duration(string question)
    {
        var token = Now;
        if (token.Kind == TokenKind.Clock)
        {
            at++;
            return Within(token, token.Value, 0, 3600, "Rest in seconds");
        }

        if (token.Kind != TokenKind.Number)
        {
            throw token.Kind == TokenKind.Word ? Unknown(token, ["walk-back"], "rest") : Wrong(token, question + " Such as 2:00, 90 s or walk-back.");
        }

        at++;
        if (Now.Kind == TokenKind.Word && TimeUnits.TryGetValue(Now.Text, out var seconds))
        {
            at++;
            return Within(token, token.Value * seconds, 0, 3600, "Rest in seconds");
        }

        throw Wrong(token, $"{token.Text} what? Say {token.Text}:00, {token.Text} min or {token.Text} s.");
    }

    private LineLoad ReadLoad(LoadKind loadKind, Token word)
    {
        if (loadKind == LoadKind.Band && Now.Kind == TokenKind.Word && BandWords.TryGetValue(Now.Text, out var band))
        {
            at++;
            return new(loadKind, 0, band);
        }

        if (loadKind is LoadKind.Parachute or LoadKind.Band && !Now.Is('-') && !Now.Is('+'))
        {
            return new(loadKind, 0, LoadUnit.None);
        }

        var sign = Now.Is('-') ? -1 : 1;
        if (Now.Is('-') || Now.Is('+'))
        {
            at++;
        }

        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now.Kind == TokenKind.End ? Now : word, LoadQuestion(loadKind));
        }

        var token = Now;
        var value = token.Value * sign;
        at++;
        if (Now.IsWord("kg", "kilos"))
        {
            at++;
            return new(loadKind, Within(token, value, 0.5, 400, "A load in kg"), LoadUnit.Kilogram);
        }

        if (Now.IsWord("lb", "lbs"))
        {
            at++;
            return new(loadKind, Within(token, value, 1, 900, "A load in lb"), LoadUnit.Pound);
        }

        if (Now.IsWord("deg", "degree", "degrees") || Now.Is('°'))
        {
            at++;
            return new(loadKind, Within(token, Math.Abs(value), 0.1, 30, "A slope in degrees"), LoadUnit.Degree);
        }

        if (Now.Is('%'))
        {
            at++;
            if (Now.IsWord("bm", "bw"))
            {
                at++;
                return new(loadKind, Within(token, value, 1, 200, "A load in percent of body mass"), LoadUnit.PercentBodyMass);
            }

            if (Now.IsWord("v"))
            {
                at++;
                return new(loadKind, Within(token, value, -90, 30, "A change of speed in percent"), LoadUnit.PercentSpeed);
            }

            if (loadKind is LoadKind.Uphill or LoadKind.Downhill)
            {
                return new(loadKind, Within(token, Math.Abs(value), 0.1, 60, "A slope in percent"), LoadUnit.PercentGrade);
            }
        }

        throw Wrong(token, LoadQuestion(loadKind));
    }

    private static string LoadQuestion(LoadKind kind) => kind switch
    {
        LoadKind.Uphill or LoadKind.Downhill => "How steep? Such as uphill 5% or downhill 2deg.",
        LoadKind.Tow => "How much faster? Such as tow +5%v.",
        _ => "How heavy? Such as sled 12 kg, sled 20%bm or sled -10%v.",
    };

    private List<Distance> ReadGates()
    {
        var numbers = new List<(Token Number, DistanceUnit? Unit)>();
        while (Now.Kind == TokenKind.Number)
        {
            var number = Now;
            at++;
            DistanceUnit? unit = null;
            if (Now.Kind == TokenKind.Word && DistanceUnits.TryGetValue(Now.Text, out var written))
            {
                unit = written;
                at++;
            }

            numbers.Add((number, unit));
            if (Now.Is(',') && Next.Kind == TokenKind.Number)
            {
                at++;
            }
        }

        if (numbers.Count == 0)
        {
            throw Wrong(Now, "Where do the gates stand? Such as gates 10,20,30.");
        }

        if (numbers.Count > 16)
        {
            throw Wrong(numbers[16].Number, "At most 16 gates.");
        }

        lastGate = numbers[^1].Number;
        var unitAhead = numbers[^1].Unit ?? ShapeUnit();
        var found = new Distance[numbers.Count];
        for (var i = numbers.Count - 1; i >= 0; i--)
        {
            unitAhead = numbers[i].Unit ?? unitAhead;
            found[i] = Metres(numbers[i].Number, unitAhead);
        }

        for (var i = 1; i < found.Length; i++)
        {
            if (found[i].Metres <= found[i - 1].Metres)
            {
                throw Wrong(numbers[i].Number, "Name the gates from the start outwards.");
            }
        }

        return [.. found];
    }

    private DistanceUnit ShapeUnit() => shape is RunShape run ? run.Segments[0].Length.Unit : context.DefaultUnit;

    private Distance ReadDistance(string question, double least, double most)
    {
        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now, question);
        }

        var token = Now;
        at++;
        var unit = ShapeUnit();
        if (Now.Kind == TokenKind.Word && DistanceUnits.TryGetValue(Now.Text, out var written))
        {
            unit = written;
            at++;
        }

        Within(token, token.Value, least, most, "This distance");
        return new(token.Value, unit);
    }

    private List<string> ReadWho()
    {
        var names = new List<string>();
        while (true)
        {
            var words = new List<Token>();
            if (Now.Kind == TokenKind.Quoted)
            {
                names.Add(Text(Now, 80, "A name"));
                at++;
            }
            else
            {
                while (Now.Kind == TokenKind.Word && !IsKeyword(Now))
                {
                    words.Add(Now);
                    at++;
                }

                if (words.Count == 0)
                {
                    throw Wrong(Now, "For whom? Such as for low minutes, or names with commas between.");
                }

                var name = string.Join(' ', words.Select(w => w.Text));
                names.Add(Groups.FirstOrDefault(g => g.Equals(name, StringComparison.OrdinalIgnoreCase)) ?? name);
            }

            if (!Now.Is(',') || Next.Kind is not (TokenKind.Word or TokenKind.Quoted))
            {
                return names;
            }

            at++;
        }
    }

    private List<MeasureKind> ReadLog()
    {
        var asked = new List<MeasureKind>();
        while (true)
        {
            var token = Now;
            var rule = Measures.All.FirstOrDefault(m => m.Word.Split(' ') is [var first, .. var more] && token.IsWord(first) && (more.Length == 0 || Next.IsWord(more[0])));
            if (rule is null)
            {
                throw token.Kind == TokenKind.Word
                    ? Unknown(token, Measures.All.Select(m => m.Word), "measure")
                    : Wrong(token, $"Log what? {string.Join(", ", Measures.All.Select(m => m.Word))}.");
            }

            at += rule.Word.Contains(' ') ? 2 : 1;
            if (!asked.Contains(rule.Kind))
            {
                asked.Add(rule.Kind);
            }

            if (!(Now.Is(',') || Now.Is('+')) || Next.Kind != TokenKind.Word || !Measures.All.Any(m => Next.IsWord(m.Word.Split(' ')[0])))
            {
                return asked;
            }

            at++;
        }
    }

    private WorkKind ReadKind()
    {
        var token = Now;
        foreach (var candidate in WorkKinds.All)
        {
            if (token.IsWord(candidate.Word()))
            {
                at++;
                return candidate;
            }

            if (candidate.Word().Split('-') is [var first, var second] && token.IsWord(first) && Next.IsWord(second))
            {
                at += 2;
                return candidate;
            }
        }

        throw token.Kind == TokenKind.Word
            ? Unknown(token, WorkKinds.All.Select(k => k.Word()), "kind of work")
            : Wrong(token, "As what? Such as as acceleration, as jumps or as conditioning.");
    }

    private void Once(string part, Token token, string? message = null)
    {
        if (!said.Add(part))
        {
            throw Wrong(token, message ?? $"The {part} is on this line already.");
        }
    }

    private double Amount(double least, double most, string what)
    {
        var value = Within(Now, Now.Value, least, most, what);
        at++;
        return value;
    }

    private static int Whole(Token token, int least, int most, string what)
    {
        var value = Within(token, token.Value, least, most, what);
        return value == Math.Floor(value) ? (int)value : throw Wrong(token, $"{what} must be a whole number.");
    }

    private static double Within(Token token, double value, double least, double most, string what) =>
        value >= least && value <= most ? value : throw Wrong(token, $"{what} must be from {Figures.Number(least, 1)} to {Figures.Number(most, 1)}.");

    private static Distance Metres(Token token, DistanceUnit unit)
    {
        var distance = new Distance(token.Value, unit);
        return distance.Metres is >= 0.5 and <= 1000 ? distance : throw Wrong(token, "A distance must be from 0.5 to 1000 m.");
    }

    private static string Text(Token token, int longest, string what)
    {
        var text = token.Text.Trim();
        return text.Length is > 0 && text.Length <= longest && !text.Any(char.IsControl) ? text : throw Wrong(token, $"{what} has 1 to {longest} characters.");
    }

    private ShorthandException Unknown(Token token, IEnumerable<string>? among = null, string what = "word")
    {
        var near = Nearest(token.Text, among ?? Keywords.Concat(EffortWords.Keys).Concat(Roles.Keys).Concat(DistanceUnits.Keys).Concat(TimeUnits.Keys).Concat(exerciseName is null ? context.Catalogue.Names : []));
        return new(new(token.Start, token.Length, near is null ? $"“{token.Text}” is not a {what} known here." : $"“{token.Text}” is not known. Did you mean {near}?", near));
    }

    private static ShorthandException Wrong(Token token, string message) => new(new(token.Start, token.Length, message));
}
