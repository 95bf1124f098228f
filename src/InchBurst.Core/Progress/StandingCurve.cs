using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Sprint;
using MathNet.Numerics.Statistics;

namespace InchBurst.Core.Progress;

/// <summary>The curve that stands for an athlete.</summary>
/// <param name="Curve">Weighted mean of the curves of the runs that carry one.</param>
/// <param name="MssError">Standard error of MSS in m/s.</param>
/// <param name="TauError">Standard error of tau in s.</param>
/// <param name="Runs">How many runs it stands on.</param>
/// <param name="Latest">Day of the latest of them.</param>
/// <param name="LeastEffort">Least effort asked of them, percent.</param>
public sealed record StandingFit(SprintCurve Curve, double MssError, double TauError, int Runs, DateOnly Latest, double LeastEffort);

/// <summary>A curve of one run or trace, to be laid together with others.</summary>
/// <param name="Day">The day.</param>
/// <param name="Effort">Effort asked, percent.</param>
/// <param name="Curve">The curve.</param>
/// <param name="MssError">Standard error of MSS in m/s; null where it is not known.</param>
/// <param name="TauError">Standard error of tau in s; null where it is not known.</param>
public sealed record DayCurve(DateOnly Day, double Effort, SprintCurve Curve, double? MssError, double? TauError);

/// <summary>Either the curve that stands for an athlete or why there is none.</summary>
/// <param name="Fit">The curve, or null.</param>
/// <param name="Reason">Why not, in a coach's words, or null.</param>
public sealed record StandingOutcome(StandingFit? Fit, string? Reason);

/// <summary>
/// Finds the curve that stands for an athlete: from free runs straight on, from rest, at the fullest effort there is, each weighted by how lately it was run and how
/// well its gates carry a curve (own rule). Runs that lie far from the others are left out.
/// </summary>
public static class StandingCurve
{
    /// <summary>Runs older than this many days are not looked at.</summary>
    public const int OldestDays = 400;

    /// <summary>Of the runs so many of the latest are looked at.</summary>
    public const int LatestRuns = 120;

    /// <summary>Days in which a run loses half its weight (own rule).</summary>
    public const double HalfLifeDays = 45;

    /// <summary>A day's form as a standard deviation, share of MSS and of tau (common practice: about 1%; starts vary more).</summary>
    public const double FormOfMss = 0.01;

    private const double FormOfTau = 0.04;
    private const int MostRuns = 40;
    private const double Far = 3;
    private const double LeastMssError = 0.02;

    // The fullest efforts first: a run asked at 95% says little of top speed when there are runs at 100%.
    private static readonly double[] Classes = [99, 95, Limits.FullPercent];

    /// <summary>The curve that stands for an athlete on a day.</summary>
    /// <param name="runs">The athlete's runs.</param>
    /// <param name="today">The day.</param>
    /// <param name="traces">Curves of the athlete's radar and laser traces, free and at full effort.</param>
    public static StandingOutcome Of(IEnumerable<LoggedRun> runs, DateOnly today, IEnumerable<DayCurve>? traces = null)
    {
        var traced = (traces ?? []).Where(t => t.Day <= today && today.DayNumber - t.Day.DayNumber <= OldestDays).ToList();
        var timed = OfRuns(runs, today, traced);
        return timed.Fit is null && traced.Count > 0 ? new(Mean(traced, today), null) : timed;
    }

    private static StandingOutcome OfRuns(IEnumerable<LoggedRun> runs, DateOnly today, List<DayCurve> traced)
    {
        var recent = runs.Where(r => r.Day <= today && today.DayNumber - r.Day.DayNumber <= OldestDays).OrderByDescending(r => r.Day).ThenByDescending(r => r.Id).Take(LatestRuns).ToList();
        if (recent.Count == 0)
        {
            return new(null, "No run of the last year is timed.");
        }

        var own = recent.Where(r => r.ShowsOwnCurve && r.Method == TimingMethod.Electronic).ToList();
        if (own.Count == 0)
        {
            return new(null, "A curve needs free runs straight on and from rest, timed from the start by gates.");
        }

        var full = own.Where(r => r.Effort >= Limits.FullPercent).ToList();
        if (full.Count == 0)
        {
            return new(null, $"A curve needs runs at {Limits.FullPercent:0}% or more.");
        }

        string? reason = null;
        foreach (var least in Classes)
        {
            var carried = new List<DayCurve>();
            foreach (var run in full.Where(r => r.Effort >= least).OrderByDescending(r => r.Day).ThenByDescending(r => r.Marks.Count).Take(MostRuns))
            {
                var outcome = run.Fit();
                if (outcome.Fitted is { } fit)
                {
                    carried.Add(new(run.Day, run.Effort, fit.Curve, fit.MssError, fit.TauError));
                }
                else
                {
                    reason ??= outcome.Reason;
                }
            }

            if (carried.Count > 0)
            {
                return new(Mean([.. carried, .. traced.Where(t => t.Effort >= least)], today), null);
            }
        }

        return new(null, reason);
    }

    private static StandingFit Mean(List<DayCurve> carried, DateOnly today)
    {
        // A mistyped run lies far from the rest of them.
        var middle = carried.Select(c => c.Curve.Mss).Median();
        var spread = Math.Max(FormOfMss * middle, 1.4826 * carried.Select(c => Math.Abs(c.Curve.Mss - middle)).Median());
        var kept = carried.Count < 3 ? carried : [.. carried.Where(c => Math.Abs(c.Curve.Mss - middle) <= Far * spread)];
        double mss = 0, tau = 0, mssWeights = 0, tauWeights = 0, mssSquares = 0, tauSquares = 0;
        foreach (var fit in kept)
        {
            var recency = Math.Pow(0.5, (today.DayNumber - fit.Day.DayNumber) / HalfLifeDays);
            var mssError = Error(fit.MssError ?? UnknownMssError * fit.Curve.Mss, FormOfMss * fit.Curve.Mss);
            var tauError = Error(fit.TauError ?? UnknownTauError * fit.Curve.Tau, FormOfTau * fit.Curve.Tau);
            var (m, t) = (recency / (mssError * mssError), recency / (tauError * tauError));
            (mss, mssWeights, mssSquares) = (mss + (m * fit.Curve.Mss), mssWeights + m, mssSquares + (m * m * mssError * mssError));
            (tau, tauWeights, tauSquares) = (tau + (t * fit.Curve.Tau), tauWeights + t, tauSquares + (t * t * tauError * tauError));
        }

        return new(
            new(mss / mssWeights, tau / tauWeights), Math.Sqrt(mssSquares) / mssWeights, Math.Sqrt(tauSquares) / tauWeights, kept.Count, kept.Max(k => k.Day), kept.Min(k => k.Effort));
    }

    // Three gates leave no freedom to judge their own error: about what 10 ms does to them.
    private const double UnknownMssError = 0.02;
    private const double UnknownTauError = 0.06;

    private static double Error(double ofFit, double ofDay) => Math.Sqrt(Math.Max(ofFit * ofFit, LeastMssError * LeastMssError * 0.01) + (ofDay * ofDay));
}
