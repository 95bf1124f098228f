using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>What an effort or a share is of: the run, what is lifted, a slope or help.</summary>
internal sealed partial class ShorthandReader
{
    // Nobody runs at so few percent, and few hills are steeper.
    private const double MostSlope = 25;

    // From here on an effort is hard, in percent.
    private const double LeastHard = 80;

    // Nobody is towed so much faster.
    private const double MostHelp = 15;

    private const double LeastEffort = 25;

    // "Fast" behind a single run is how hard it is, not a part of it; on a lift, percents are of the most that can be lifted.
    private void SettleEffort()
    {
        if (shape is RunShape { Segments: [{ Role: SegmentRole.Fly, Length: var zone }] flying })
        {
            // A zone alone: the usual build is before it, and its room to slow down behind it. What is written part by part stays as written.
            Distance As(double metres) => new(metres, zone.Unit);
            shape = new RunShape([new(As(zone.Amount <= 10 ? 20 : 30), SegmentRole.Build), .. flying, new(As(20), SegmentRole.Slow)]);
        }

        if (!asWritten && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null } before, { Role: SegmentRole.Fly }, ..] } zoned)
        {
            // What is run before a zone is its build.
            shape = new RunShape([before with { Role = SegmentRole.Build }, .. zoned.Segments.Skip(1)]);
        }

        if (!asWritten && shape is RunShape { Segments: [{ Role: SegmentRole.Run, Movement: null } loose, ..] legs } && legs.Count(s => s.Role is SegmentRole.Up or SegmentRole.Back) > 1)
        {
            throw Wrong(tokens[0], $"{loose.Length} and legs up and back: is it the whole of them? Write the legs alone, such as 20 up + 20 m back.");
        }

        if (effort is null && shape is RunShape { Segments: [{ Role: SegmentRole.Fast } only] })
        {
            shape = new RunShape([only with { Role = SegmentRole.Run }]);
            effort = new([EffortWords["fast"]], Word: "fast");
        }

        // So few percent beside a slope are the slope's.
        if (effort is { Word: null, Percents: [<= MostSlope and > 0 and var grade] } && (load ?? exercise?.UsualLoad) is { Kind: LoadKind.Uphill or LoadKind.Downhill } slope && (load is null || slope.Unit == LoadUnit.None))
        {
            (load, effort) = (slope with { Amount = grade, Unit = LoadUnit.PercentGrade }, null);
        }

        if (!asWritten && effort is { Word: null, Shape: EffortShape.Band, Percents: [> 0 and var least, <= MostSlope and var steepest] } && (load ?? exercise?.UsualLoad) is { Kind: LoadKind.Uphill or LoadKind.Downhill, Unit: LoadUnit.None })
        {
            throw Wrong(effortAt, $"A slope has one figure: {Figures.Number(least, 1)}% or {Figures.Number(steepest, 1)}%.");
        }

        if (!asWritten && effort is { } hard && hard.Percents.Max() >= LeastHard && shape is RunShape && exercise is { Counted: CountedIn.Seconds, Does: Motion.Walk or Motion.Hold } slow)
        {
            throw Wrong(effortAt, $"“{slow.Name}” is not done fast. Is another exercise meant?");
        }

        // Of what helps, so few percent are how much faster.
        if (!asWritten && effort is { Word: null, Percents: [<= MostHelp and > 0 and var faster] } && load is { Kind: LoadKind.Tow, Unit: LoadUnit.None } tow)
        {
            (load, effort) = (tow with { Amount = faster, Unit = LoadUnit.PercentSpeed }, null);
        }

        if (!asWritten && effort is { Word: null, Percents: [> 100 and var ofAerobic] } && shape is TimedShape && goal is null && exercise is null or { Does: Motion.Sprint or Motion.Jog })
        {
            // Nobody goes at more than full effort: more than all is of the speed at the aerobic limit.
            (effort, goal) = (null, new(AerobicPercent: ofAerobic));
        }

        if (!asWritten && effort is { Word: null } hardly && shape is RunShape && Lowest(hardly) < LeastEffort)
        {
            var few = Figures.Number(Lowest(hardly), 1);
            throw load is { Unit: LoadUnit.None, Kind: LoadKind.Sled or LoadKind.Chain }
                ? Doubtful(effortAt, $"{few}% of what?", ["bodyweight", "slower"], word => (effortAt.Start + effortAt.Length + 1, 0, " " + word), word => word == "slower" ? $"{few}% slower" : $"{few}% of body mass")
                : Wrong(effortAt, $"{few}% of what? Nobody runs at {few}% of full effort. A slope is uphill {few}%, help is tow +{few}%v, and a sled has {few}% bodyweight or {few}% slower.");
        }

        // Kilograms on a run are on what is pulled or worn; which, only the exercise can say.
        if (load is { Kind: LoadKind.Lift, Unit: LoadUnit.Kilogram or LoadUnit.Pound } mass && shape is RunShape)
        {
            load = exercise?.UsualLoad?.Kind is { } carried and (LoadKind.Sled or LoadKind.Chain or LoadKind.Vest) ? mass with { Kind = carried }
                : exercise?.Does is Motion.Sprint or null && massAt is { } at ? throw Doubtful(at, $"{at.Text} {(mass.Unit == LoadUnit.Pound ? "lb" : "kg")} on what?", ["sled", "vest", "chain"], word => (at.Start, 0, word + " ")) : load;
        }

        if (!asWritten && load is null && effort is { Word: null, Shape: EffortShape.Each, Percents.Count: > 1 } && exercise is { Does: Motion.Lift })
        {
            throw Wrong(effortAt, "A share of the maximum for each set? So many sets, so many shares: squat 3 x 3 @70,75,80%.");
        }

        if (load is null && effort is { Word: null, Percents: [var first, ..] } said && exercise is { } lifted && (lifted.Does == Motion.Lift || (lifted.Does == Motion.Jump && lifted.Kit.Any(k => k.Contains("bar", StringComparison.Ordinal)))) && said.Percents.Min() >= 1 && said.Percents.Count == (said.Shape == EffortShape.Each ? 1 : 2))
        {
            load = new(LoadKind.Lift, said.Percents.Max(), LoadUnit.PercentMaximum) { Least = said.Shape == EffortShape.Each ? null : said.Percents.Min() };
            effort = null;
        }
    }

    // Of steps each is run; what rises may begin at nothing.
    private static double Lowest(Effort effort) => effort.Shape == EffortShape.Each ? effort.Percents.Min() : effort.Percents.Max();
}
