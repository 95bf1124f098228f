using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>A box to type into: a time at a mark or another measure.</summary>
/// <param name="Label">What it is, such as "20 m" or "10–20 m".</param>
/// <param name="Unit">Its unit.</param>
/// <param name="IsMark">True for a time.</param>
/// <param name="ExpectedSeconds">What the athlete is expected to take, s; null for other measures.</param>
public sealed record LiveBox(string Label, string Unit, bool IsMark, double? ExpectedSeconds);

/// <summary>What a run says once it is known: the time that matters, how it compares, whether to stop.</summary>
/// <param name="Meaning">Headline time and best.</param>
/// <param name="ChangeSeconds">Against the rep before, s; null for the first.</param>
/// <param name="DropOff">Against today's best; null with nothing to compare.</param>
/// <param name="Left">Times of the left side when the line has sides, s.</param>
/// <param name="Right">Times of the right side, s.</param>
public sealed record LiveMeaning(RunMeaning Meaning, double? ChangeSeconds, DropOffReading? DropOff, IReadOnlyList<double> Left, IReadOnlyList<double> Right);

/// <summary>What stands beside a box.</summary>
/// <param name="ExpectedSeconds">What the athlete is expected to take, s; null where nothing is.</param>
/// <param name="BestSeconds">Own best of the same trial, s; null where there is none.</param>
public readonly record struct BoxTarget(double? ExpectedSeconds, double? BestSeconds)
{
    /// <summary>What stands in the box while it is empty: the time expected, the load to lift, the heart rates to stay within.</summary>
    public string Aim { get; init; } = "";

    /// <summary>What there is to beat; may be empty.</summary>
    public string Best { get; init; } = "";

    /// <summary>Where digits have their point (<see cref="DigitEntry.Points"/>).</summary>
    public string Points { get; init; } = "";

    /// <summary>The target of a time.</summary>
    /// <param name="expectedSeconds">What the athlete is expected to take, s; null where nothing is.</param>
    /// <param name="bestSeconds">Own best, s, or null.</param>
    public static BoxTarget Of(double? expectedSeconds, double? bestSeconds) => new(expectedSeconds > 0 ? expectedSeconds : null, bestSeconds)
    {
        Aim = expectedSeconds > 0 ? $"expect {Figures.Split(expectedSeconds.Value)}" : "",
        Best = bestSeconds is { } best ? $"best {Figures.Split(best)}" : "",
        Points = DigitEntry.Points(expectedSeconds ?? 0),
    };
}

/// <summary>What was noted of somebody.</summary>
/// <param name="Times">How often something to mend.</param>
/// <param name="IsGood">True when something good was.</param>
public readonly record struct Noted(int Times, bool IsGood);

/// <summary>What is typed for a rep: its boxes, and what the figures say.</summary>
public static partial class LiveEntry
{
    /// <summary>The boxes of a line as it is timed.</summary>
    /// <param name="demand">What the line asks of whoever is on it.</param>
    /// <param name="timing">How it is timed.</param>
    /// <param name="distance">Unit of lengths.</param>
    /// <param name="mass">Unit of masses.</param>
    public static IReadOnlyList<LiveBox> Boxes(LineDemand demand, LineTiming timing, DistanceUnit distance, MassReading mass)
    {
        var line = demand.Line;
        var marks = LineMarks.Expected(demand);
        var zone = timing.Entry == EntryMode.ZoneOnly && marks.Count > 1;
        var rep = Enumerable.Range(0, line.TotalReps).MaxBy(demand.EffortOf);
        double Clock(double metres) => demand.Course is null ? 0 : demand.ExpectedSeconds(metres, timing.StartBehindGateMetres, rep);
        var boxes = new List<LiveBox>();
        for (var i = zone ? 1 : 0; i < marks.Count; i++)
        {
            var before = timing.Entry == EntryMode.Cumulative || i == 0 ? (Distance?)null : marks[zone ? 0 : i - 1];
            boxes.Add(new(before is { } from ? $"{Figures.Number(from.Amount, 2)}–{marks[i]}" : marks[i].ToString(), "s", true, Clock(marks[i].Metres) - (before is { } f ? Clock(f.Metres) : 0)));
        }

        return [.. boxes, .. line.AskedMeasures.Select(kind => new LiveBox(Measures.Of(kind).Label, Measures.Unit(kind, distance, mass), false, null))];
    }

    /// <summary>What was noted of an athlete on a line today.</summary>
    /// <param name="state">The session.</param>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    /// <param name="catalogue">Known chips.</param>
    public static Noted NotedOn(LiveState state, int athlete, int line, Catalogue.ExerciseCatalogue catalogue)
    {
        var seen = state.Runs.Where(r => r.AthleteId == athlete && r.LineId == line && !r.IsTakenBack).SelectMany(r => r.Seen).Select(catalogue.Seen).ToList();
        return new(seen.Count(s => !s.IsGood), seen.Any(s => s.IsGood));
    }

    /// <summary>A line as it is for one athlete: what is expected of them is their own.</summary>
    /// <param name="line">The line.</param>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete as the book knows them.</param>
    public static LineDemand DemandFor(PlanLine line, LiveSetting setting, LiveAthlete athlete) =>
        LineDemand.Of(line, setting.Catalogue.Find(line.Exercise), new(athlete.Curve ?? setting.Pace, athlete.MassKilograms) { Loads = LiveLoad.Known(setting, athlete) });

    /// <summary>True when a line is of jumps.</summary>
    /// <param name="line">The line; null for one that is gone.</param>
    /// <param name="catalogue">The exercises.</param>
    public static bool IsJump(PlanLine? line, ExerciseCatalogue catalogue) => line is not null && LineDemand.Of(line, catalogue).IsJumping;

    /// <summary>Each split of a run with its speed, as text; none for a run of one stretch.</summary>
    /// <param name="run">The run.</param>
    /// <param name="unit">Unit of speeds.</param>
    public static IReadOnlyList<string> Splits(LoggedRun run, SpeedReading unit) => run.Segments.Count < 2 ? [] :
        [.. run.Segments.Select(s => $"{run.Says(s)}  {Figures.Split(s.Seconds)}  {Figures.SpeedNumber(s.MeanSpeed, unit)}")];

    /// <summary>Left against right in words, or null while a side is missing.</summary>
    /// <param name="left">Times to the left, s.</param>
    /// <param name="right">Times to the right, s.</param>
    /// <param name="method">How they were timed.</param>
    public static string? Sides(IReadOnlyList<double> left, IReadOnlyList<double> right, TimingMethod method) => SideGap.Of(left, right, method) is { } gap
        ? $"left {Figures.Split(left.Average())}, right {Figures.Split(right.Average())}: "
            + (gap.IsBeyondError ? $"{(gap.IsLeftBetter ? "right" : "left")} {Figures.Exact(gap.Share * 100, 1)}% slower" : gap.ErrorShare >= 1 ? "one rep a side cannot tell them apart" : "no difference beyond error")
        : null;

    /// <summary>The figures of a run in a list of runs, or what became of it.</summary>
    /// <param name="run">The run.</param>
    public static string FiguresOf(LiveRun run) => run.Outcome == RunOutcome.Skipped ? "skipped" : run.What.Marks.Count > 0 ? run.MarksText : run.Measures.Count > 0 ? "measured" : run.Seen.Count > 0 ? "noted" : "no time";

    // Least time of an athlete over a stretch of a trial: known from before the session, or run earlier in it than another run.
    private static double? Best(LiveState state, LiveAthlete athlete, string key, int from, int to, LiveRun? before)
    {
        var times = athlete.Bests.Where(b => b.Key == key && b.From == from && b.To == to).Select(b => b.Seconds)
            .Concat(state.Runs.Where(r => r.Id != before?.Id && r.AthleteId == athlete.Id && !r.IsTakenBack && r.Outcome == RunOutcome.Timed && !(r.FinishedAt > before?.FinishedAt)).SelectMany(r => Stretches.Of(r.What))
                .Where(s => s.Key == key && s.FromMillimetres == from && s.ToMillimetres == to).Select(s => s.Seconds)).ToList();
        return times.Count == 0 ? null : times.Min();
    }

    /// <summary>What the gates saw, as it would be typed into the boxes of a line; empty texts where they saw nothing.</summary>
    /// <param name="gate">What the gates saw.</param>
    /// <param name="timing">How the line is timed.</param>
    public static IReadOnlyList<string> Typed(GateMarks gate, LineTiming timing)
    {
        if (gate.Problem is not null)
        {
            return [];
        }

        var zone = timing.Entry == EntryMode.ZoneOnly && gate.Seconds.Count > 1;
        string At(int mark)
        {
            if (gate.Seconds[mark] is not { } at || (gate.ZoneOnly && mark == 0))
            {
                return "";
            }

            var before = timing.Entry == EntryMode.Cumulative || mark == 0 ? gate.ZoneOnly && timing.Entry == EntryMode.Cumulative ? null : 0 : gate.Seconds[zone ? 0 : mark - 1];
            return before is { } b ? (at - b).ToString("0.000", System.Globalization.CultureInfo.InvariantCulture) : "";
        }

        return [.. Enumerable.Range(zone ? 1 : 0, gate.Seconds.Count - (zone ? 1 : 0)).Select(At)];
    }

    /// <summary>A run of the line as it will be logged, with marks that only say where they lie; null when the line expects none.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="timing">How it is timed.</param>
    /// <param name="side">Side run to, if any.</param>
    public static LoggedRun? Expected(LineDemand demand, LineTiming timing, Side? side = null)
    {
        var marks = LineMarks.Expected(demand);
        var zone = timing.Entry == EntryMode.ZoneOnly && marks.Count > 1;
        return marks.Count == 0 ? null : Run(demand, timing with { Trigger = zone ? StartTrigger.ZoneLine : timing.Trigger }, side, default, 100, [.. marks.Select((at, i) => new LoggedMark(at, zone ? i : i + 1))]);
    }

    /// <summary>A run of a line.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="timing">How it was timed.</param>
    /// <param name="side">Side run to, if any.</param>
    /// <param name="day">The day.</param>
    /// <param name="effort">Effort asked for, percent.</param>
    /// <param name="marks">Its marks.</param>
    internal static LoggedRun Run(LineDemand demand, LineTiming timing, Side? side, DateOnly day, double effort, IReadOnlyList<LoggedMark> marks)
    {
        var zone = LineMarks.Zone(demand);
        return new()
        {
            Day = day,
            Kind = demand.Line.Kind,
            Effort = effort,
            Method = timing.Method,
            Trigger = timing.Trigger,
            StartBehindGateMetres = timing.StartBehindGateMetres,
            StartSaid = timing.StartSaid,
            Surface = timing.Surface,
            Setting = timing.Setting,
            Start = demand.Line.Start?.Position,
            RunInMetres = demand.Line.Start?.RunIn?.Metres,
            Course = Trial.CourseKey(demand.Course),
            Load = Trial.LoadKey(demand.AppliedLoad),
            Zone = zone is var (from, to) ? (from.Millimetres, to.Millimetres) : null,
            Side = side,
            Marks = marks,
        };
    }

    /// <summary>Headline times of today's reps that an athlete's next one is judged beside, s.</summary>
    /// <param name="state">The session.</param>
    /// <param name="demand">What the line asks.</param>
    /// <param name="turn">The athlete's turn.</param>
    public static IReadOnlyList<double> TodayOf(LiveState state, LineDemand demand, Turn turn) =>
        Expected(demand, state.TimingOf(demand.Line.Id), demand.Line.SideOfTurn(turn.Rep)) is { } next ? TodayOf(state, turn.AthleteId, demand.Line.Id, next, demand.EffortOfTurn(turn.Rep), null) : [];

    /// <summary>What a run of the session says.</summary>
    /// <param name="state">The session.</param>
    /// <param name="run">The run, with at least one mark.</param>
    /// <param name="best">Best comparable time before it, s; null when there is none.</param>
    /// <param name="stopShare">Share of the day's best below which a rep says stop.</param>
    public static LiveMeaning Meaning(LiveState state, LiveRun run, double? best, double stopShare)
    {
        var today = TodayOf(state, run.AthleteId, run.LineId, run.What, run.What.Effort, run.FinishedAt);
        var sides = state.Runs.Where(r => !r.IsTakenBack && r.AthleteId == run.AthleteId && r.LineId == run.LineId && r.What is { Marks.Count: > 0, Side: not null } && RunMeaning.SameButSide(r.What, run.What))
            .ToLookup(r => r.What.Side!.Value, r => RunMeaning.Against(r.What, null).Seconds);
        return new(
            RunMeaning.Against(run.What, best), today.Count > 1 ? today[^1] - today[^2] : null, DropOff.Read(today, stopShare, run.What.Method), [.. sides[Side.Left]], [.. sides[Side.Right]]);
    }

    /// <summary>Best time before a run over its headline stretch: known from before the session, or run earlier in it.</summary>
    /// <param name="state">The session.</param>
    /// <param name="run">The run, with at least one mark.</param>
    /// <param name="athlete">What was known of the athlete before.</param>
    public static double? BestBefore(LiveState state, LiveRun run, LiveAthlete athlete)
    {
        var headline = Stretches.Headline(run.What);
        return Best(state, athlete, headline.Key, headline.FromMillimetres, headline.ToMillimetres, run);
    }

    // Reps of a line that may be set beside a run: same timing, side and stretch, effort within 2%.
    private static List<double> TodayOf(LiveState state, int athlete, int line, LoggedRun like, double effort, DateTime? until)
    {
        var label = RunMeaning.Against(like, null).Label;
        return
        [
            .. state.Counted(athlete, line).Where(r => r.What.Marks.Count > 0 && !(r.FinishedAt > until) && Math.Abs(r.What.Effort - effort) <= SameEffort).OrderBy(r => r.FinishedAt).Select(r => r.What)
                .Where(r => RunMeaning.Comparable(r, like, label.StartsWith("fly", StringComparison.Ordinal))).Select(r => RunMeaning.Against(r, null)).Where(m => m.Label == label).Select(m => m.Seconds),
        ];
    }

    private const double SameEffort = 2;
}
