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
            sets = Whole(numbers[0].Most, 1, 20, "Sets");
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
            at++;
            shape = new TimedShape(Within(amount, amount.Value * seconds, 1, 7200, "A time in seconds"));
            leastShape = leastAmount is { } l ? new TimedShape(Within(l, l.Value * seconds, 1, 7200, "A time in seconds")) : null;
        }
        else if (Now.IsWord(CountWords) || Now.IsWord(PassWords))
        {
            var passes = Now.IsWord(PassWords);
            if (exerciseName is null && !CountMovements.ContainsKey(Now.Text) && CatalogueMatch() is not null)
            {
                (bareNumber, bareLeast) = (amount, leastAmount);
                return;
            }

            Movement? counted = CountMovements.TryGetValue(Now.Text, out var does) ? does : null;
            at++;
            shape = new CountShape(Whole(amount, 1, 500, "The count"), passes, counted);
            leastShape = leastAmount is { } l ? new CountShape(Whole(l, 1, 500, "The count"), passes, counted) : null;
        }
        else if (Now.Is('+') || (Now.Kind == TokenKind.Word && (DistanceUnits.ContainsKey(Now.Text) || IsRole(at) || IsMovement(at))))
        {
            var run = Segments(amount);
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

    private bool isCounted;
    private Token? bareLeast;

    // Sets said behind the dose: of runs and of counts alike they are what is repeated.
    private void SetsAfter(int count)
    {
        if (isCounted)
        {
            sets = count;
        }
        else
        {
            reps = count;
        }
    }

    // "Fast" behind a single run is how hard it is, not a part of it; on a lift, percents are of the most that can be lifted.
    private void SettleEffort()
    {
        if (effort is null && shape is RunShape { Segments: [{ Role: SegmentRole.Fast } only] })
        {
            shape = new RunShape([only with { Role = SegmentRole.Run }]);
            effort = new([EffortWords["fast"]], Word: "fast");
        }

        if (load is null && effort is { Word: null, Percents: [var first, ..] } said && exercise?.Does == Movement.Lift && said.Percents.Min() >= 1 && said.Percents.Count == (said.Shape == EffortShape.Each ? 1 : 2))
        {
            load = new(LoadKind.Lift, said.Percents.Max(), LoadUnit.PercentMaximum) { Least = said.Shape == EffortShape.Each ? null : said.Percents.Min() };
            effort = null;
        }
    }

    private bool IsRole(int index) => tokens[index].Kind == TokenKind.Word && Roles.ContainsKey(tokens[index].Text);

    private bool IsMovement(int index) => tokens[index].Kind == TokenKind.Word && Movements.ContainsKey(tokens[index].Text);

    private void SettleShape()
    {
        var usual = exercise is null ? null : Usual(exercise);
        if (usual?.shape is RunShape shuttle && shuttle.Segments.Any(s => s.Role == SegmentRole.Back) && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null, Length: var both }] })
        {
            // A shuttle said by one length goes out half of it and comes back.
            var half = both with { Amount = both.Amount / 2 };
            shape = new RunShape([new(half, SegmentRole.Up), new(half, SegmentRole.Back)]);
        }
        else if (usual?.shape is RunShape flying && flying.Fly is not null && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null, Length: var zone }] })
        {
            // Of a flying run the length said is the zone's.
            shape = new RunShape([.. flying.Segments.Select(s => s.Role == SegmentRole.Fly ? s with { Length = zone } : s with { Length = new(s.Length.Amount, zone.Unit) })]);
        }
        else if (usual?.shape is RunShape own && own.Segments.Any(s => s.IsTurn) && own.Segments.Count(s => !s.IsTurn) <= MostScaledLegs)
        {
            // An exercise that turns has a way of its own: a bare number counts its reps, and a length alone is the whole way with its turns where they were.
            if (shape is null && bareNumber is { } times)
            {
                (sets, reps, shape, bareNumber) = (reps, Whole(times, 1, 100, "Reps"), own, null);
            }
            else if (shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null, Length: var length }] })
            {
                var share = length.Metres / own.Metres;
                shape = new RunShape([.. own.Segments.Select(s => s.IsTurn ? s : s with { Length = new(Math.Round(Distance.InMetres(s.Length.Metres * share).To(length.Unit).Amount, 2), length.Unit) })]);
            }
        }

        if (usualTimes is { } wanted && usual is not null)
        {
            // So many times the usual dose: of runs, holds and passes that many of one; of what is counted, that count.
            usual.SettleShape();
            (shape, eachSide) = (usual.shape, eachSide || usual.eachSide);
            if (shape is CountShape count)
            {
                shape = count with { Count = wanted };
            }
            else
            {
                reps = wanted;
            }
        }

        if (shape is null && bareNumber is { } bare)
        {
            RepShape Shape(Token number) => exercise?.Counted switch
            {
                CountedIn.Reps => new CountShape(Whole(number, 1, 500, "The count")),
                CountedIn.Passes => new CountShape(Whole(number, 1, 500, "The count"), true),
                CountedIn.Seconds => throw Unitless(number),
                null when exerciseName is not null => new CountShape(Whole(number, 1, 500, "The count")),
                _ => new RunShape([new(Metres(number, context.DefaultUnit), SegmentRole.Run)]),
            };
            shape = Shape(bare);
            leastShape = bareLeast is { } least ? Shape(least) : null;
            if (shape is RunShape && bare.Value < LeastBareMetres)
            {
                throw Doubtful(bare, $"{bare.Text} what?", usual is null ? ["m", "s"] : ["m", "reps of the usual length"], w => w[0] == 'r' ? (bare.Start + bare.Length, 0, " x " + LengthOf(usual!)) : (bare.Start + bare.Length, 0, " " + w), w => $"{bare.Text} {w}");
            }
        }

        if (shape is null && usual is not null)
        {
            // The name alone stands for the usual dose.
            usual.SettleShape();
            (sets, reps, shape) = (usual.sets, usual.reps, usual.shape);
            eachSide |= usual.eachSide;
        }

        if (shape is null)
        {
            throw Wrong(tokens[^1], exerciseName is null ? "How far, or how long? Such as 4 x 20 m." : $"How much of “{exerciseName}”? Such as 2 x 10 m, 3 x 5 or 2 min.");
        }
    }

    // A length without a unit below this is more likely a count.
    private const double LeastBareMetres = 5;

    private static string LengthOf(ShorthandReader usual)
    {
        usual.SettleShape();
        return ShorthandPrinter.ShapeText(usual.shape!);
    }

    // The parts of an exercise's usual dose; its shape stands where the dose says a unit.
    private ShorthandReader? Usual(Exercise of)
    {
        if (isUsual)
        {
            return null;
        }

        var usual = new ShorthandReader(LineText.Of(of.Dose), context) { exercise = of, exerciseName = of.Name, isUsual = true };
        while (usual.Now.Kind != TokenKind.End)
        {
            usual.Part();
        }

        return usual;
    }

    // Longer ways are sums of shuttles, whose length alone says nothing.
    private const int MostScaledLegs = 3;

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
                Movement? movement = null;
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
                    (role, movement) = (null, Movement.Backpedal);
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

    private sealed record Piece(Token? Amount, DistanceUnit? Unit, SegmentRole Role, double? Angle, Side? Side, Movement? Movement = null);

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
