using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>What the parts of a line come to once all are there.</summary>
internal sealed partial class ShorthandReader
{
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

    // Gates every so many metres of the run, the finish among them.
    private void SettleGates()
    {
        if (gatesEvery is not { } step)
        {
            return;
        }

        if (shape is not RunShape run)
        {
            throw Wrong(lastGate, "Gates stand along a run, such as 4 x 30 m gates every 10 m.");
        }

        var count = (int)Math.Floor((run.Metres / step.Metres) + 1e-6);
        gates = count is > 0 and <= MostGates
            ? [.. Enumerable.Range(1, count).Select(i => step with { Amount = step.Amount * i })]
            : throw Wrong(lastGate, count == 0 ? $"The gate at {step} stands beyond the end of the run." : $"At most {MostGates} gates.");
    }

    private void SettleShape()
    {
        var usual = exercise is null ? null : Usual(exercise);
        if (shape is CountShape { Passes: false, Movement: null, Count: <= 20 } goes && sets == 1 && reps == 1 && leastShape is null && usual?.shape is RunShape course && course.Segments.Any(s => s.IsTurn))
        {
            // So many reps of a course with turns are so many times the course.
            (shape, reps) = (course, goes.Count);
        }

        if (shape is null && bareNumber is { Value: <= 20 } ways && ways.Value == Math.Floor(ways.Value) && eachSide && sets == 1 && reps == 1 && usual?.shape is RunShape onWay && onWay.Segments.Any(s => s.IsTurn))
        {
            // A count on each side is of the course too.
            (shape, reps, bareNumber) = (onWay, (int)ways.Value, null);
        }

        if (!asWritten && shape is TimedShape { Seconds: >= LongestLift and var long_ } && exercise is { Does: Motion.Lift, Counted: CountedIn.Reps } lifted)
        {
            throw Wrong(tokens[^1], $"Nobody does {lifted.Name} for {Figures.Clock(long_)}. Is another exercise meant?");
        }

        if (!asWritten && shape is RunShape && exercise is { Counted: not CountedIn.Metres } still && (still.Does is Motion.Lift or Motion.Hold || still.Kit.Contains("box")))
        {
            throw Wrong(runAt ?? tokens[^1], $"Nobody goes metres in {exercise.Name}. How many reps, or how long? Such as {exercise.Name} {exercise.Dose}.");
        }

        if (shape is CountShape { Passes: false, Movement: null } counted && exercise?.Counted == CountedIn.Passes)
        {
            // Reps of what is passed through are passes.
            shape = counted with { Passes = true };
            leastShape = leastShape is CountShape least ? least with { Passes = true } : leastShape;
        }

        if (shape is TimedShape { Seconds: var pause } && reps > 1 && rest is null && leastShape is null && usual?.shape is RunShape turning && turning.Segments.Any(s => s.IsTurn))
        {
            // A time beside so many times a course with turns is the rest: nobody runs a course for a time.
            (shape, rest) = (turning, new(Within(tokens[^1], pause, 0, 3600, "Rest in seconds")));
        }

        if (shape is null && bareNumber is { Value: >= LeastBareMetres } metres && usual?.shape is RunShape way && !way.Segments.Any(s => s.IsTurn) && (way.Fly is not null || way.Segments.Any(s => s.Role == SegmentRole.Back)))
        {
            (shape, bareNumber) = (new RunShape([new(Metres(metres, context.DefaultUnit), SegmentRole.Run)]), null);
        }

        if (usual?.shape is RunShape shuttle && shuttle.Segments.Any(s => s.Role == SegmentRole.Back) && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null, Length: var both }] })
        {
            // A shuttle said by one length goes out half of it and comes back; a long one is made of legs that nobody said.
            if (both.Metres > LongestThereAndBack && runAt is { } whole)
            {
                throw Legs(both) is not { Count: > 0 } legs ? Wrong(whole, $"{both} in legs of what length? Such as 10 x 20 up + 20 m back.") : Doubtful(whole, $"{both} in legs of what length?", legs, leg => (whole.Start, whole.Length, ThereAndBack(both, leg)), leg => $"legs of {leg}");
            }

            if (!asWritten && both.Metres < LeastThereAndBack && runAt is { } legs_)
            {
                // Nobody turns after so little: the length is a leg.
                throw Doubtful(legs_, $"{both} there and back, or legs of {both}?", ["of each leg"], _ => (legs_.Start, legs_.Length, $"{both.Amount.ToString(System.Globalization.CultureInfo.InvariantCulture)} up + {both} back"), _ => $"{both} up and {both} back");
            }

            var half = both with { Amount = both.Amount / 2 };
            shape = new RunShape([new(half, SegmentRole.Up), new(half, SegmentRole.Back)]);
        }
        else if (!asWritten && usual?.shape is RunShape legged && legged.Segments.Any(s => s.Role == SegmentRole.Back) && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null } there, { Role: SegmentRole.Run, Movement: null } again] } && there.Length.Metres == again.Length.Metres)
        {
            // Of a shuttle the same length twice is there and back.
            shape = new RunShape([there with { Role = SegmentRole.Up }, again with { Role = SegmentRole.Back }]);
        }
        else if (usual?.shape is RunShape flying && flying.Fly is not null && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null, Length: var zone }] })
        {
            // Of a flying run the length said is the zone's.
            shape = new RunShape([.. flying.Segments.Select(s => s.Role == SegmentRole.Fly ? s with { Length = zone } : s with { Length = new(s.Length.Amount, zone.Unit) })]);
        }
        else if (!asWritten && usual?.shape is RunShape { Fly: not null } && shape is RunShape { Fly: null } parts && parts.Segments.Count(s => s.Role == SegmentRole.Run) == 1 && parts.Segments.All(s => s.Role is SegmentRole.Run or SegmentRole.Build or SegmentRole.Slow))
        {
            // The same said with its build or its slowing, in whichever order.
            shape = new RunShape([.. parts.Segments.OrderBy(s => s.Role is SegmentRole.Build ? 0 : s.Role is SegmentRole.Run ? 1 : 2).Select(s => s.Role == SegmentRole.Run ? s with { Role = SegmentRole.Fly } : s)]);
        }
        else if (usual?.shape is RunShape own && own.Segments.Any(s => s.IsTurn) && own.Segments.Count(s => !s.IsTurn) <= MostScaledLegs)
        {
            // An exercise that turns has a way of its own: a bare number counts its reps, and a length alone is the whole way with its turns where they were.
            if (shape is null && bareNumber is { } times)
            {
                (sets, reps, shape, bareNumber) = (reps <= MostSets ? reps : throw Wrong(times, $"Sets must be from 1 to {MostSets}."), Whole(times, 1, 100, "Reps"), own, null);
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
            var saidEachSide = eachSide;
            (shape, eachSide) = (usual.shape, eachSide || usual.eachSide);
            if (shape is CountShape count)
            {
                shape = count with { Count = wanted };
            }
            else if (shape is RunShape && exercise!.Does == Motion.Walk && (wanted > MostWays || saidEachSide))
            {
                // Nobody walks a way so often, nor a way for each side: they are steps.
                shape = new CountShape(wanted);
            }
            else if (!asWritten && shape is RunShape && ((exercise!.Does is Motion.Bound or Motion.Hop or Motion.Jump && wanted > MostWaysBounded) || (exercise.Does is Motion.Skip or Motion.March && wanted > MostWaysOfADrill)))
            {
                // Nobody bounds or skips a way so often: they are contacts and steps.
                shape = new CountShape(wanted);
            }
            else
            {
                reps = wanted;
            }
        }

        if (usualTimes is { } ofNothingKnown && usual is null)
        {
            shape = new CountShape(ofNothingKnown);
        }

        if (shape is null && bareNumber is { } bare)
        {
            RepShape Shape(Token number) => exercise?.Counted switch
            {
                CountedIn.Reps => new CountShape(Whole(number, 1, 500, "The count")),
                CountedIn.Passes => new CountShape(Whole(number, 1, 500, "The count"), true),
                // A walk on each leg is counted in steps of that leg.
                CountedIn.Metres when (eachSide || load is { Kind: LoadKind.Lift }) && exercise.Does == Motion.Walk && number.Value <= MostBareReps => new CountShape(Whole(number, 1, 500, "The count")),

                // So short a way is none for bounds and hops: they are contacts.
                CountedIn.Metres when exercise.Does is Motion.Jump or Motion.Bound or Motion.Hop && number.Value <= MostBareContacts => new CountShape(Whole(number, 1, 500, "The count")),
                // What is done once and for minutes is not done for so few seconds, nor so many times.
                CountedIn.Seconds when !asWritten && sets * reps == 1 && !eachSide && usual?.shape is TimedShape { Seconds: >= LeastInMinutes } && number.Value is >= LeastBareMinutes and <= MostMinutesAlone => new TimedShape(number.Value * 60),
                CountedIn.Seconds => throw Unitless(number, number.Value == Math.Floor(number.Value), usual?.shape is TimedShape { Seconds: >= 60 }),
                null when exerciseName is not null => new CountShape(Whole(number, 1, 500, "The count")),
                _ => new RunShape([new(Metres(number, context.DefaultUnit), SegmentRole.Run)]),
            };
            shape = Shape(bare);
            leastShape = bareLeast is { } least ? Shape(least) : null;
            if (shape is RunShape && (eachSide || exercise?.Does == Motion.Walk) && exercise is { EachSide: false } && bare.Value <= MostBareReps)
            {
                throw Doubtful(bare, $"{bare.Text} what?", ["reps", "m"], w => (bare.Start + bare.Length, 0, " " + w), w => $"{bare.Text} {w}");
            }

            if (shape is RunShape && (bare.Value < LeastBareMetres || (!asWritten && exercise is { Does: Motion.Sprint } && usual?.shape is RunShape often && IsMoreLikelyCounted(bare.Value, often.Metres))))
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
            if (!asWritten && shape is TimedShape && sets * reps == 1 && rest is { RepSeconds: >= 1 and var seconds, SetSeconds: null, Per: null, WalkBack: false })
            {
                // What is done once and for a time has no rest: the time is its own.
                (shape, leastShape, rest) = (new TimedShape(rest.MostSeconds ?? seconds), rest.MostSeconds is null ? null : new TimedShape(seconds), null);
            }
        }

        if (shape is null)
        {
            throw Wrong(tokens[^1], exerciseName is null ? "How far, or how long? Such as 4 x 20 m." : $"How much of “{exerciseName}”? Such as 2 x 10 m, 3 x 5 or 2 min.");
        }
    }

    // No set of a lift goes on for so many seconds.
    private const double LongestLift = 120;

    // A length without a unit below this is more likely a count.
    private const double LeastBareMetres = 5;

    // A run of a few metres is one of 5, and of an exercise that is run over much more it is none: a bare number is then as likely how many.
    private static bool IsMoreLikelyCounted(double bare, double usual) => bare is > LeastBareMetres and < 2 * LeastBareMetres || bare <= usual / 4;

    // On each side, as many as this are more likely counted than measured.
    private const double MostBareReps = 20;
    private const double MostBareContacts = 12;

    private const double LeastInMinutes = 120;
    private const double LeastBareMinutes = 5;
    private const double MostMinutesAlone = 20;

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

    // Further than this nobody runs there and back at once.
    private const double LongestThereAndBack = 100;

    private const double LeastThereAndBack = 8;
    private const double MostLegs = 15;
    private static readonly double[] LegLengths = [25, 20, 50, 30];

    private static List<string> Legs(Distance whole) =>
        [.. LegLengths.Where(l => Math.Abs((whole.Amount / l) - Math.Round(whole.Amount / l)) < 1e-9 && whole.Amount / l <= MostLegs).Select(l => new Distance(l, whole.Unit).ToString()).Take(3)];

    private static string ThereAndBack(Distance whole, string leg)
    {
        var length = leg[..leg.IndexOf(' ', StringComparison.Ordinal)];
        var count = (int)Math.Round(whole.Amount / double.Parse(length, System.Globalization.CultureInfo.InvariantCulture));
        return string.Join(" + ", Enumerable.Range(0, count).Select(i => $"{(i == count - 1 ? leg : length)} {(i % 2 == 0 ? "up" : "back")}"));
    }

    private const int MostWays = 4;
    private const int MostWaysBounded = 8;
    private const int MostWaysOfADrill = 10;

    // Longer ways are sums of shuttles, whose length alone says nothing.
    private const int MostScaledLegs = 3;
}
