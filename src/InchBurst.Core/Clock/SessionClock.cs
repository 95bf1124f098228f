using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;

namespace InchBurst.Core.Clock;

/// <summary>A stretch of work inside a line.</summary>
/// <param name="StartSeconds">From the beginning of the session, s.</param>
/// <param name="EndSeconds">From the beginning of the session, s.</param>
/// <param name="Effort">Effort in percent.</param>
public readonly record struct ClockBar(double StartSeconds, double EndSeconds, double Effort);

/// <summary>When a line is done.</summary>
/// <param name="Line">The line.</param>
/// <param name="BlockId">Number of its block.</param>
/// <param name="Round">Round of the block, from 0.</param>
/// <param name="StartSeconds">From the beginning of the session, s.</param>
/// <param name="EndSeconds">From the beginning of the session, s.</param>
/// <param name="Bars">Work in order; one bar over the whole line when it is continuous.</param>
/// <param name="Continuous">True when everybody works throughout, so there are no gaps to show.</param>
/// <param name="RestSeconds">Rest asked for between reps in s, or null when it does not apply.</param>
/// <param name="ShortestRestSeconds">Shortest rest any athlete really gets in s, or null.</param>
public sealed record ClockItem(
    PlanLine Line, int BlockId, int Round, double StartSeconds, double EndSeconds, IReadOnlyList<ClockBar> Bars, bool Continuous, double? RestSeconds, double? ShortestRestSeconds)
{
    /// <summary>Longest rest any athlete really gets in s, or null.</summary>
    public double? LongestRestSeconds { get; init; }

    /// <summary>Time in which no lane is in use, s.</summary>
    public double IdleSeconds { get; init; }

    /// <summary>How long it takes, s.</summary>
    public double Seconds => EndSeconds - StartSeconds;
}

/// <summary>The session laid out in time.</summary>
/// <param name="Items">Lines in order, once a round.</param>
/// <param name="TotalSeconds">Length of the session, s.</param>
public sealed record SessionTimeline(IReadOnlyList<ClockItem> Items, double TotalSeconds)
{
    /// <summary>Seconds a line takes over all rounds.</summary>
    /// <param name="lineId">The line's number.</param>
    public double SecondsOf(int lineId) => Items.Where(i => i.Line.Id == lineId).Sum(i => i.Seconds);

    /// <summary>Time in which at least one of several lines is on, s: what is done at the same time counts once.</summary>
    /// <param name="items">The lines, in order of start.</param>
    public static double Spanned(IEnumerable<ClockItem> items)
    {
        double sum = 0, until = 0;
        foreach (var item in items)
        {
            sum += Math.Max(0, item.EndSeconds - Math.Max(until, item.StartSeconds));
            until = Math.Max(until, item.EndSeconds);
        }

        return sum;
    }

    /// <summary>Lines that are on at the same time as one of them, itself among them.</summary>
    /// <param name="item">The line.</param>
    public IEnumerable<ClockItem> Beside(ClockItem item) => Items.Where(i => i.BlockId == item.BlockId && i.Round == item.Round && i.StartSeconds == item.StartSeconds);

    /// <summary>The first line with a full rep, or null.</summary>
    /// <param name="demandOf">What a line asks.</param>
    public ClockItem? FirstFull(Func<PlanLine, LineDemand> demandOf) => Items.FirstOrDefault(i => demandOf(i.Line).IsFull);

    /// <summary>Seconds of warming before the first full rep: lines that warm, and the easier reps of a rise that ends full.</summary>
    /// <param name="demandOf">What a line asks.</param>
    public double WarmUpSeconds(Func<PlanLine, LineDemand> demandOf)
    {
        var first = FirstFull(demandOf);
        var lines = Spanned(Items.TakeWhile(i => i != first).Where(i => demandOf(i.Line).Warms));
        var isRise = first is not null && demandOf(first.Line) is { FullRep: > 0, Load.IsHeavy: false };
        return lines + (isRise ? first!.Bars.Where(b => b.Effort >= Limits.FullPercent).Select(b => b.StartSeconds - first.StartSeconds).FirstOrDefault() : 0);
    }
}

/// <summary>Lays a session out in time for the whole group.</summary>
public static class SessionClock
{
    private const double WaveHeadwaySeconds = 3;
    private const int FewestWaveLanes = 4;

    /// <summary>The timeline of a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="setting">Who, how many lanes, how fast.</param>
    public static SessionTimeline Lay(SessionPlan plan, ClockSetting setting)
    {
        var items = new List<ClockItem>();
        var clock = 0.0;
        foreach (var block in plan.Blocks)
        {
            for (var round = 0; round < block.Rounds; round++)
            {
                if (round > 0)
                {
                    clock += block.RoundRestSeconds ?? 0;
                }

                if (block.Stations && block.Lines.Count > 1)
                {
                    clock = Stations(block, round, clock, setting, items);
                    continue;
                }

                foreach (var together in block.AtOnce(setting.Apart))
                {
                    clock = Together(together, block.Id, round, clock, setting, items);
                }
            }
        }

        return new(items, clock);
    }

    // As many groups as stations, each at another station, all moving on together when the slowest is done.
    private static double Stations(PlanBlock block, int round, double start, ClockSetting setting, List<ClockItem> items)
    {
        var groups = block.Lines.Count;
        var part = setting with { Athletes = (int)Math.Ceiling(setting.Athletes / (double)groups), AthletesFor = null };
        for (var turn = 0; turn < groups; turn++)
        {
            var at = block.Lines.Select(l => Item(l, block.Id, round, start, part)).ToList();
            start = at.Max(i => i.EndSeconds);
            items.Add(at[turn] with { EndSeconds = start });
        }

        return start;
    }

    // Lines for different people go at the same time and share the lanes; where there are fewer lanes than lines, one lane carries the goes of all.
    private static double Together(IReadOnlyList<PlanLine> lines, int block, int round, double start, ClockSetting setting, List<ClockItem> items)
    {
        var running = lines.Where(l => setting.DemandOf(l).Course is not null).ToList();
        var part = running.Count > 1 ? setting with { Lanes = Math.Max(1, setting.Lanes / running.Count) } : setting;
        var at = lines.Select(l => Item(l, block, round, start, part)).ToList();
        items.AddRange(at);
        var oneLane = running.Count > setting.Lanes ? at.Where(i => running.Contains(i.Line)).Sum(i => i.Bars.Sum(b => b.EndSeconds - b.StartSeconds + setting.ChangeoverSeconds)) : 0;
        return Math.Max(at.Max(i => i.EndSeconds), start + oneLane);
    }

    private static ClockItem Item(PlanLine line, int blockId, int round, double start, ClockSetting setting)
    {
        var demand = setting.DemandOf(line);
        return demand.Course is not null || demand.Queues || setting.UnitsOf(demand) is not null
            ? InTurns(demand, blockId, round, start, setting)
            : AllAtOnce(demand, blockId, round, start, setting);
    }

    private static ClockItem InTurns(LineDemand demand, int blockId, int round, double start, ClockSetting setting)
    {
        var line = demand.Line;
        var sides = line.EachSide ? 2 : 1;
        var athletes = Math.Max(1, Math.Min(setting.Athletes, setting.AthletesFor?.Invoke(line) ?? setting.Athletes));
        var rest = RestRules.Between(demand, setting.School ?? CoachingSchool.Usual).Seconds;
        var busy = demand.Course is null
            ? demand.StillSeconds
            : Enumerable.Range(0, line.TotalReps).Select(demand.EffortOf).Distinct().Max(effort => demand.PaceAt(effort).ClearSeconds);
        var units = setting.UnitsOf(demand);
        var passing = demand.Course is null && demand.Line.Shape is CountShape { Passes: true };
        var waves = demand.Course is not null && !demand.Queues;
        var lanes = waves && units is null ? Math.Max(setting.Lanes, FewestWaveLanes) : demand.Course is null ? units ?? setting.Lanes : Math.Min(units ?? setting.Lanes, setting.Lanes);
        var flow = setting.FlowOf(new(
            athletes,
            lanes,
            line.Sets,
            line.Reps * sides,
            busy + (waves || passing ? 0 : setting.ChangeoverSeconds),
            rest,
            line.Rest?.SetSeconds ?? rest,
            setting.StartIntervalSeconds,
            waves || passing ? Math.Min(busy, WaveHeadwaySeconds) : null));

        // Lanes that go together are one bar; a narrower bar a group is what the strip can show.
        var bars = new List<ClockBar>();
        foreach (var go in flow.Goes)
        {
            var from = start + go.StartSeconds;
            if (bars.Count == 0 || from - bars[^1].StartSeconds > 0.5)
            {
                bars.Add(new(from, from + busy, demand.EffortOf(go.Rep / sides)));
            }
        }

        return new(line, blockId, round, start, start + flow.FinishSeconds, bars, false, rest, flow.ShortestRest) { LongestRestSeconds = flow.LongestRest, IdleSeconds = flow.IdleSeconds };
    }

    private static ClockItem AllAtOnce(LineDemand demand, int blockId, int round, double start, ClockSetting setting)
    {
        var line = demand.Line;
        var repSeconds = demand.StillSeconds * (line.EachSide ? 2 : 1);
        var rest = line.TotalReps > 1 ? RestRules.Between(demand, setting.School ?? CoachingSchool.Usual).Seconds : 0;
        var setRest = line.Rest?.SetSeconds ?? rest;
        var bars = new List<ClockBar>();
        var clock = start;
        for (var i = 0; i < line.TotalReps; i++)
        {
            if (i > 0)
            {
                clock += i % line.Reps == 0 ? setRest : rest;
            }

            bars.Add(new(clock, clock + repSeconds, demand.EffortOf(i)));
            clock += repSeconds;
        }

        return new(line, blockId, round, start, clock, bars, rest == 0, line.TotalReps > 1 ? rest : null, line.TotalReps > 1 ? rest : null);
    }
}
