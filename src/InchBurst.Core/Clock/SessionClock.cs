using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Clock;

/// <summary>What the session is held with.</summary>
/// <param name="Athletes">Athletes expected, 1 to 200.</param>
/// <param name="Lanes">Lanes, 1 to 20.</param>
/// <param name="Pace">Curve of a typical athlete of the squad.</param>
/// <param name="Catalogue">Known exercises.</param>
/// <param name="StartIntervalSeconds">Least time between two goes in s; 0 sends all free lanes together.</param>
/// <param name="AthletesFor">How many of the athletes a line's "for" covers; null means all.</param>
/// <param name="School">Coaching school whose rest holds where a line says none; null means the usual one.</param>
public sealed record ClockSetting(
    int Athletes, int Lanes, SprintCurve Pace, ExerciseCatalogue Catalogue, double StartIntervalSeconds = 0, Func<PlanLine, int>? AthletesFor = null, CoachingSchool? School = null)
{
    /// <summary>Curve used when a squad has no times yet: 8.0 m/s and 1.15 s (common practice).</summary>
    public static SprintCurve UsualPace { get; } = new(8.0, 1.15);
}

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
}

/// <summary>Lays a session out in time for the whole group.</summary>
public static class SessionClock
{
    private const double StepAsideSeconds = 3;
    private const double DrillHeadwaySeconds = 3;
    private const double HardestBraking = 3.0;

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

                foreach (var line in block.Lines)
                {
                    var item = Item(line, block.Id, round, clock, setting);
                    items.Add(item);
                    clock = item.EndSeconds;
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

    /// <summary>Seconds one rep of a run occupies its lane: running, slowing down and stepping aside.</summary>
    /// <param name="run">The run.</param>
    /// <param name="effort">Effort in percent, above 0.</param>
    /// <param name="pace">Curve at full effort.</param>
    public static double RunSeconds(RunShape run, double effort, SprintCurve pace)
    {
        var curve = pace.AtEffort(Math.Max(effort, 10) / 100);
        double seconds = 0, leg = 0, slow = 0;
        foreach (var segment in run.Segments)
        {
            if (segment.Role is SegmentRole.Turn or SegmentRole.Cut or SegmentRole.Back or SegmentRole.Up)
            {
                // Each leg of a shuttle begins from a stop.
                seconds += curve.TimeTo(leg);
                leg = 0;
            }

            switch (segment.Role)
            {
                case SegmentRole.Slow:
                    slow += segment.Length.Metres;
                    break;
                case SegmentRole.Walk:
                    seconds += segment.Length.Metres / RestRules.WalkingSpeed;
                    break;
                case SegmentRole.Jog:
                    seconds += segment.Length.Metres / 2.5;
                    break;
                default:
                    leg += segment.Length.Metres;
                    break;
            }
        }

        seconds += curve.TimeTo(leg);
        var speed = curve.SpeedAtDistance(Math.Max(leg, 1));
        var slowing = slow > 0 ? slow / (speed / 2) : speed / HardestBraking;
        return seconds + slowing;
    }

    private static ClockItem Item(PlanLine line, int blockId, int round, double start, ClockSetting setting) => line.Shape switch
    {
        RunShape run => Running(line, run, blockId, round, start, setting),
        TimedShape time => Together(line, time.Seconds * (line.EachSide ? 2 : 1), blockId, round, start, setting),
        CountShape count => Together(line, Math.Max(1, count.Count * (line.EachSide ? 2 : 1) * (setting.Catalogue.Find(line.Exercise)?.SecondsEach ?? 2)), blockId, round, start, setting),
        _ => throw new ArgumentOutOfRangeException(nameof(line)),
    };

    private static ClockItem Running(PlanLine line, RunShape run, int blockId, int round, double start, ClockSetting setting)
    {
        var athletes = Math.Max(1, Math.Min(setting.Athletes, setting.AthletesFor?.Invoke(line) ?? setting.Athletes));
        var queues = line.Kind.Queues();
        var rest = RestRules.Between(line, setting.School ?? CoachingSchool.Usual).Seconds;
        var longest = Enumerable.Range(0, line.TotalReps).Max(i => RunSeconds(run, EffortOf(line, i), setting.Pace));
        var sides = line.EachSide ? 2 : 1;
        var flow = GroupFlow.Simulate(new(
            athletes,
            queues ? setting.Lanes : Math.Max(setting.Lanes, 4),
            line.Sets,
            line.Reps * sides,
            longest + (queues ? StepAsideSeconds : 0),
            rest,
            line.Rest?.SetSeconds ?? rest,
            setting.StartIntervalSeconds,
            queues ? null : DrillHeadwaySeconds));

        // Lanes that go together are one bar; a narrower bar a group is what the strip can show.
        var bars = new List<ClockBar>();
        foreach (var go in flow.Goes)
        {
            var from = start + go.StartSeconds;
            if (bars.Count == 0 || from - bars[^1].StartSeconds > 0.5)
            {
                bars.Add(new(from, from + longest, EffortOf(line, go.Rep / sides)));
            }
        }

        return new(line, blockId, round, start, start + flow.FinishSeconds, bars, false, rest, flow.ShortestRest) { LongestRestSeconds = flow.LongestRest, IdleSeconds = flow.IdleSeconds };
    }

    private static ClockItem Together(PlanLine line, double repSeconds, int blockId, int round, double start, ClockSetting setting)
    {
        var rest = line.TotalReps > 1 ? RestRules.Between(line, setting.School ?? CoachingSchool.Usual).Seconds : 0;
        var setRest = line.Rest?.SetSeconds ?? rest;
        var bars = new List<ClockBar>();
        var clock = start;
        for (var i = 0; i < line.TotalReps; i++)
        {
            if (i > 0)
            {
                clock += i % line.Reps == 0 ? setRest : rest;
            }

            bars.Add(new(clock, clock + repSeconds, EffortOf(line, i)));
            clock += repSeconds;
        }

        return new(line, blockId, round, start, clock, bars, rest == 0, line.TotalReps > 1 ? rest : null, line.TotalReps > 1 ? rest : null);
    }

    private static double EffortOf(PlanLine line, int rep) => line.Effort?.OfRep(rep) ?? line.Kind.UsualEffort();
}
