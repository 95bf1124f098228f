using BenchmarkDotNet.Attributes;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Benchmarks;

/// <summary>The budgets of Core: a fit under 50 microseconds, a 40-athlete session re-judged under 5 ms.</summary>
[MemoryDiagnoser]
public class CoreBenchmarks
{
    private static readonly SprintCurve Pace = new(8.5, 1.2);
    private static readonly GateTime[] Gates = [.. new double[] { 5, 10, 20, 30, 40 }.Select((d, i) => new GateTime(d, Pace.TimeTo(d) + (i % 2 == 0 ? 0.006 : -0.005)))];
    private static readonly CheckedAthlete[] Athletes = [.. Enumerable.Range(0, 40).Select(i => new CheckedAthlete($"Athlete {i}", new SprintCurve(7.5 + (i * 0.05), 1.2), false, 20))];
    private readonly SessionPlan plan = new[]
    {
        "raise 4 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 30 m @70,80,90% rest walk-back", "4 x 10 m rest 1:00", "4 x 20 m rest 2:00",
        "4 x 20 build + 10 fly + 20 m slow rest 4:00", "4 x 20 m sled 10%bm rest 3:00", "pogos 3 x 10", "cool-down 5 min",
    }.Aggregate(SessionPlan.Empty, (p, l) => p.Add(ShorthandLine.Read(l).Line!));

    private static readonly PlateStack[] Stacks = [.. Enumerable.Range(0, 40).Select(i => new SledKit(7.5, [20, 10, 10, 5, 2.5]).For(12 + (i * 37 % 40)))];

    /// <summary>Forty athletes on two sleds: under 50 ms.</summary>
    [Benchmark]
    public int OrderFortyOnTwoSleds() => PlateOrder.Two(Stacks, Stacks) is var (one, two) ? one.Moves + two.Moves : 0;

    private static readonly DateOnly Monday = new(2026, 10, 12);

    private static readonly GroupWeek[] Weeks = [.. Enumerable.Range(0, 3).Select(g => new GroupWeek($"Group {g}", Monday, CoachingSchool.Usual)
    {
        Matches = [new(1, Monday.AddDays(-1), null, "v"), new(2, Monday.AddDays(6), null, "v")],
        Athletes = [.. Enumerable.Range(0, 14).Select(i => new SeasonAthlete(i, $"Athlete {i}", Monday.AddDays(-1 - (i % 6)), true, 22))],
        Slots = [.. Enumerable.Range(0, 6).Select(d => new OpenSlot(Monday.AddDays(d), new(18, 0), 45 + (5 * d), "Hall", 2, 60, 20))],
        PlaysLittle = g == 1,
        OpenFrom = Monday,
    })];

    private static readonly Dictionary<string, SessionOffer?> Made = [];

    /// <summary>Three groups' weeks suggested, sessions made before: under 50 ms.</summary>
    [Benchmark]
    public int SuggestThreeGroups() => Weeks.Sum(w => WeekMaker.Suggest(w, new(slot => new ClockSetting(14, slot.Lanes, Pace, ExerciseCatalogue.BuiltIn, 0, null, CoachingSchool.Usual))
    {
        Maker = wish => Made.TryGetValue($"{string.Join('+', wish.Aims)} {wish.Size} {wish.Minutes}", out var known) ? known : Made[$"{string.Join('+', wish.Aims)} {wish.Size} {wish.Minutes}"] = SessionMaker.Make(wish),
    })!.Score.Total);

    /// <summary>The same with every session made anew.</summary>
    [Benchmark]
    public int SuggestThreeGroupsFromNothing() => Weeks.Sum(w => WeekMaker.Suggest(w, new(slot => new ClockSetting(14, slot.Lanes, Pace, ExerciseCatalogue.BuiltIn, 0, null, CoachingSchool.Usual)))!.Score.Total);

    [Benchmark]
    public FitOutcome Fit() => SprintFit.Fit(Gates);

    [Benchmark]
    public ShorthandReading Read() => ShorthandLine.Read("3 x 20 build + 10 fly + 20 m slow @100% from 3-point gates 20,30 m rest 4:00");

    [Benchmark]
    public int JudgeFortyAthletes()
    {
        // With everything the builder asks for: clock, volume, all checks with their fixes, and offers for a session that overruns.
        var setting = new ClockSetting(40, 2, Pace, ExerciseCatalogue.BuiltIn, School: CoachingSchool.Usual);
        var timeline = SessionClock.Lay(plan, setting);
        _ = plan.Lines.Sum(l => Volume.Of(setting.DemandOf(l)).Metres);
        return PlanChecks.Judge(new(plan, timeline, 2400, 60, 20, [], ExerciseCatalogue.BuiltIn) { Setting = setting, Athletes = Athletes }).Count;
    }
}
