using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Sets, reps and the shape of a rep.</summary>
internal sealed partial class ShorthandReader
{
    private void Dose()
    {
        var numbers = new List<(Token Most, Token? Least)>();
        while (true)
        {
            if (Now.Kind is not (TokenKind.Number or TokenKind.Clock))
            {
                throw Wrong(Now, "A number must follow the x.");
            }

            var number = Now;
            at++;
            if (number.Kind == TokenKind.Number && Now.Is('-') && Next.Kind == TokenKind.Number)
            {
                if (Next.Value <= number.Value)
                {
                    throw Wrong(number, $"A range rises, such as {Next.Text}-{number.Text}.");
                }

                numbers.Add((Next, number));
                at += 2;
            }
            else
            {
                numbers.Add((number, null));
            }

            if (Now.Kind != TokenKind.Times)
            {
                break;
            }

            at++;
        }

        if (numbers.Count > 3)
        {
            throw Wrong(numbers[3].Most, "A dose has at most sets x reps x one rep.");
        }

        var (amount, leastAmount) = numbers[^1];
        if (numbers.Count == 3)
        {
            sets = Whole(numbers[0].Most, 1, MostSets, "Sets");
            leastSets = numbers[0].Least is { } s ? Whole(s, 1, 20, "Sets") : null;
            reps = Whole(numbers[1].Most, 1, 100, "Reps");
            leastReps = numbers[1].Least is { } r ? Whole(r, 1, 100, "Reps") : null;
        }
        else if (numbers.Count == 2)
        {
            reps = Whole(numbers[0].Most, 1, 100, "Reps");
            leastReps = numbers[0].Least is { } r ? Whole(r, 1, 100, "Reps") : null;
        }

        isCounted = numbers.Count > 1;
        if (amount.Kind == TokenKind.Clock)
        {
            shape = new TimedShape(Within(amount, amount.Value, 1, 7200, "A time in seconds"));
        }
        else if (Now.Kind == TokenKind.Word && TimeUnits.TryGetValue(Now.Text, out var seconds))
        {
            if (Now.IsWord("s") && exercise is null or { Counted: CountedIn.Metres } && (exerciseName is null || exercise is not null) && leastAmount is null && amount.Value >= LeastTrackMetres && amount.Value % 10 == 0 && Now.Start == amount.Start + amount.Length)
            {
                // 200s are as often runs of 200 m as 200 seconds.
                throw Doubtful(amount with { Length = amount.Length + 1 }, $"{amount.Text}s: metres or seconds?", ["m", "seconds"], w => (amount.Start + amount.Length, 1, " " + w), w => $"{amount.Text} {w}");
            }

            at++;
            shape = new TimedShape(Within(amount, amount.Value * seconds, 1, 7200, "A time in seconds"));
            leastShape = leastAmount is { } l ? new TimedShape(Within(l, l.Value * seconds, 1, 7200, "A time in seconds")) : null;
        }
        else if (Now.IsWord("laps", "lap"))
        {
            throw Doubtful(amount, "How long is a lap?", [.. LapMetres.Where(m => amount.Value * m <= LongestRunMetres).Select(m => m.ToString(System.Globalization.CultureInfo.InvariantCulture))], m => (amount.Start, Now.Start + Now.Length - amount.Start, $"{Figures.Number(amount.Value * int.Parse(m, System.Globalization.CultureInfo.InvariantCulture), 0)} m"), m => $"{m} m");
        }
        else if (Now.IsWord(CountWords) || Now.IsWord(PassWords))
        {
            var passes = Now.IsWord(PassWords);
            if (exerciseName is null && !CountMovements.ContainsKey(Now.Text) && CatalogueMatch() is not null)
            {
                (bareNumber, bareLeast) = (amount, leastAmount);
                return;
            }

            Motion? counted = CountMovements.TryGetValue(Now.Text, out var does) ? does : null;
            at++;
            shape = new CountShape(Whole(amount, 1, 500, "The count"), passes, counted);
            leastShape = leastAmount is { } l ? new CountShape(Whole(l, 1, 500, "The count"), passes, counted) : null;
        }
        else if (Now.IsWord("slow") && exercise is { Counted: CountedIn.Reps })
        {
            (bareNumber, bareLeast) = (amount, leastAmount);
        }
        else if (Now.Is('+') || (Now.Kind == TokenKind.Word && (DistanceUnits.ContainsKey(Now.Text) || IsRole(at) || IsMovement(at))))
        {
            var run = Segments(amount);
            runAt = amount with { Length = tokens[at - 1].Start + tokens[at - 1].Length - amount.Start };
            shape = run;
            leastShape = leastAmount is not { } l ? null
                : run.Segments.Count == 1 ? new RunShape([run.Segments[0] with { Length = Metres(l, run.Segments[0].Length.Unit) }])
                : throw Wrong(l, "A range stands for a whole run, such as 10-20 m; the parts of a run have one length each.");
        }
        else
        {
            (bareNumber, bareLeast) = (amount, leastAmount);
        }
    }

    // Tracks outside and inside, and half of the first round a pitch.
    private static readonly int[] LapMetres = [400, 300, 200, 100];

    // The shortest way of the track that is called by its length in the plural.
    private const double LeastTrackMetres = 100;

    private bool isCounted;
    private Token? runAt;
    private Token? bareLeast;

    private bool IsRole(int index) => tokens[index].Kind == TokenKind.Word && Roles.ContainsKey(tokens[index].Text);

    private bool IsMovement(int index) => tokens[index].Kind == TokenKind.Word && Movements.ContainsKey(tokens[index].Text);

    private RunShape Segments(Token first)
    {
        var rough = new List<Piece>();
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

                SegmentRole? role = null;
                Motion? movement = null;
                while (role is null && IsRole(at) || movement is null && IsMovement(at))
                {
                    if (role is null && IsRole(at))
                    {
                        role = Roles[Now.Text];
                    }
                    else
                    {
                        movement = Movements[Now.Text];
                    }

                    at++;
                }

                // "Back" with nothing to come back from is running backwards.
                if (role == SegmentRole.Back && movement is null && rough.TrueForAll(r => r.Amount is null))
                {
                    (role, movement) = (null, Motion.Backpedal);
                }

                rough.Add(new(number, unit, role ?? SegmentRole.Run, null, null, movement));
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
        var unitAhead = rough.LastOrDefault(r => r.Unit is not null)?.Unit ?? context.DefaultUnit;
        var segments = new RunSegment[rough.Count];
        for (var i = rough.Count - 1; i >= 0; i--)
        {
            var part = rough[i];
            unitAhead = part.Unit ?? unitAhead;
            segments[i] = part.Amount is { } number
                ? new(Metres(number, unitAhead), part.Role, Movement: part.Movement)
                : new(new Distance(0, unitAhead), part.Role, part.Angle, part.Side);
        }

        return new RunShape(segments);
    }

    private sealed record Piece(Token? Amount, DistanceUnit? Unit, SegmentRole Role, double? Angle, Side? Side, Motion? Movement = null);

    private Piece TurnOrCut()
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

        return new(null, null, role, angle, ReadSide());
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
}
