using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>Distances and times from the speed that an endurance test gave.</summary>
public static class AerobicPace
{
    /// <summary>Length of the shuttle test, m: five times 20, 40 and 60 out and back.</summary>
    public const double TestMetres = 1200;

    /// <summary>Turns of the shuttle test.</summary>
    public const int TestTurns = 29;

    /// <summary>What a turn costs, s (Baker and Heaney 2015, from memory).</summary>
    public const double TurnSeconds = 0.7;

    /// <summary>Aerobic speed as a share of top speed, for judging how hard a share of it is: 4.4 of 8 m/s (own rule).</summary>
    public const double ShareOfTopSpeed = 0.55;

    /// <summary>Slowest and fastest speed a test is believed to give, m/s.</summary>
    public static (double Least, double Most) Believed => (2, 7);

    /// <summary>Mean aerobic speed of the shuttle test: 1200 / (T − 29 × 0.7 s) (Baker and Heaney 2015, from memory).</summary>
    /// <param name="seconds">Time of the test, s.</param>
    /// <returns>m/s, or null for a time nobody takes.</returns>
    public static double? OfShuttles(double seconds) => seconds - (TestTurns * TurnSeconds) is > 0 and var running && TestMetres / running is var speed && speed >= Believed.Least && speed <= Believed.Most ? speed : null;

    /// <summary>What a rep is for an athlete, in words: "66 m in 15 s", "200 m in 45.5 s"; null for a line that asks no share of the aerobic speed.</summary>
    /// <param name="line">The line.</param>
    /// <param name="speed">The athlete's aerobic speed, m/s, above 0.</param>
    /// <param name="unit">Unit of lengths.</param>
    public static string? Words(PlanLine line, double speed, DistanceUnit unit)
    {
        if (line.Goal is not { AerobicPercent: { } percent } goal)
        {
            return null;
        }

        var least = goal.LeastPercent ?? percent;
        if (line.Shape is TimedShape time)
        {
            string Metres(double share) => Figures.Number(Math.Round(Distance.InMetres(speed * share / 100 * time.Seconds).To(unit).Amount));
            return $"{(least < percent ? Metres(least) + " to " : "")}{Metres(percent)} {Distance.SymbolOf(unit)} in {Figures.Clock(time.Seconds)}";
        }

        if (line.Shape is not RunShape { Metres: > 0 } run)
        {
            return null;
        }

        var slow = SecondsOf(run, speed, least);
        string Seconds(double share) => slow >= 60 ? Figures.Clock(SecondsOf(run, speed, share)) : Figures.Number(SecondsOf(run, speed, share), 1);
        var way = Distance.InMetres(run.Metres).To(run.Segments.First(s => !s.IsTurn).Length.Unit);
        return $"{way with { Amount = Math.Round(way.Amount, 1) }} in {Seconds(percent)}{(least < percent ? " to " + Seconds(least) : "")}{(slow >= 60 ? "" : " s")}";
    }

    /// <summary>Time of a run at a share of the aerobic speed, s: each turning back costs <see cref="TurnSeconds"/>.</summary>
    /// <param name="run">The run.</param>
    /// <param name="speed">The athlete's aerobic speed, m/s, above 0.</param>
    /// <param name="percent">Share of it, percent, above 0.</param>
    public static double SecondsOf(RunShape run, double speed, double percent) => (run.Metres / (speed * percent / 100)) + (TurnSeconds * TurnsOf(run));

    // Out and back: between a leg out and one back, and the other way round, the direction changes.
    private static int TurnsOf(RunShape run) =>
        run.Segments.Count(s => s.IsTurn) + run.Segments.Zip(run.Segments.Skip(1)).Count(p => (p.First.Role, p.Second.Role) is (SegmentRole.Up, SegmentRole.Back) or (SegmentRole.Back, SegmentRole.Up));
}
