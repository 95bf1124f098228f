using InchBurst.Core.Demand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Log;

/// <summary>
/// The speed a long run without flying gates ended at, estimated from its time: the curve with the athlete's own time constant that takes as long (own rule). It moves
/// the top-speed clock, marked as estimated, and is never a best.
/// </summary>
public static class EstimatedSpeed
{
    /// <summary>Shortest run that is estimated, m: from here on nearly everyone is at 90% and more.</summary>
    public const double FromMetres = 30;

    /// <summary>True for the runs that are estimated; nothing need be known of the athlete of others.</summary>
    /// <param name="run">The run.</param>
    public static bool IsFor(LoggedRun run) =>
        run.Marks.Count > 0 && run.FastestFlying is null && run.ShowsOwnCurve && run.Method != TimingMethod.Hand && run.Effort >= Limits.FullPercent && run.Marks[^1].At.Metres >= FromMetres;

    /// <summary>The speed at the end in m/s; null for runs with a flying stretch, short, easy, loaded, turning or hand-timed ones, and where the start is not from rest.</summary>
    /// <param name="run">The run.</param>
    /// <param name="tau">The athlete's time constant in s, above 0.</param>
    public static double? Of(LoggedRun run, double tau)
    {
        if (!IsFor(run))
        {
            return null;
        }

        var (at, seconds) = (run.Marks[^1].At.Metres, run.Marks[^1].Seconds);
        return SprintCurve.FromTime(at, seconds, tau, run.StartBehindGateMetres) is { } curve ? curve.SpeedAtDistance(at + run.StartBehindGateMetres) : null;
    }
}
