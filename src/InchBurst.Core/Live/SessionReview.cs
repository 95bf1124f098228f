using InchBurst.Core.Plan;

namespace InchBurst.Core.Live;

/// <summary>A go of an athlete on a line.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="FinishedAt">When it was finished.</param>
/// <param name="Seconds">How long it took in s; 0 when it was not timed.</param>
public readonly record struct Go(int AthleteId, DateTime FinishedAt, double Seconds);

/// <summary>Rests as they were against the plan.</summary>
/// <param name="PlannedSeconds">Rest asked for between reps, s.</param>
/// <param name="MedianSeconds">Median of the real ones, s.</param>
/// <param name="ShortestSeconds">Shortest real one, s.</param>
/// <param name="Short">How many were more than a tenth under the plan.</param>
/// <param name="Count">How many rests there were.</param>
public sealed record RealRests(double PlannedSeconds, double MedianSeconds, double ShortestSeconds, int Short, int Count);

/// <summary>What was planned against what was run on a line.</summary>
/// <param name="Line">The line as planned, or as run when it was not planned.</param>
/// <param name="PlannedGoes">Goes planned for those who were here.</param>
/// <param name="Goes">Goes run.</param>
/// <param name="PlannedMetres">Metres of sprint planned for those who were here, m.</param>
/// <param name="Metres">Metres of sprint run, m.</param>
/// <param name="Rests">Rests, or null with fewer than one.</param>
public sealed record LineReview(PlanLine Line, int PlannedGoes, int Goes, double PlannedMetres, double Metres, RealRests? Rests);

/// <summary>Looks back on a session.</summary>
public static class SessionReview
{
    /// <summary>Compares a line with its goes.</summary>
    /// <param name="planned">The line as planned, or null when it was added on the day.</param>
    /// <param name="line">The line as run.</param>
    /// <param name="rounds">Rounds of its block.</param>
    /// <param name="athletes">Athletes here whom the line was for.</param>
    /// <param name="goes">Goes that counted, in the order run.</param>
    /// <param name="restSeconds">Rest asked for between reps, s.</param>
    /// <param name="setRestSeconds">Rest asked for between sets, s.</param>
    public static LineReview Of(PlanLine? planned, PlanLine line, int rounds, int athletes, IReadOnlyList<Go> goes, double restSeconds, double setRestSeconds)
    {
        double Metres(PlanLine l) => l.Shape is RunShape run ? run.IntentMetres : 0;
        var plannedGoes = planned is null ? 0 : planned.Turns * rounds * athletes;
        return new(
            planned ?? line, plannedGoes, goes.Count, planned is null ? 0 : plannedGoes * Metres(planned), goes.Count * Metres(line),
            Rests(goes, restSeconds, setRestSeconds, Math.Max(1, line.Turns / line.Sets)));
    }

    /// <summary>Rests between an athlete's goes: from one finish to the next start, which is its finish less its time.</summary>
    /// <param name="goes">Goes in any order.</param>
    /// <param name="restSeconds">Rest asked for between reps, s.</param>
    /// <param name="setRestSeconds">Rest asked for between sets, s.</param>
    /// <param name="repsASet">Goes in a set, 1 or more.</param>
    /// <returns>The rests, or null when nobody ran twice.</returns>
    public static RealRests? Rests(IEnumerable<Go> goes, double restSeconds, double setRestSeconds, int repsASet)
    {
        var all = Each(goes, restSeconds, setRestSeconds, repsASet).ToList();
        var real = all.Select(r => r.Real).ToList();
        return real.Count == 0 ? null : new(restSeconds, MathNet.Numerics.Statistics.Statistics.Median(real), real.Min(), all.Count(r => r.Real < r.Asked * 0.9), real.Count);
    }

    /// <summary>Each rest between an athlete's goes with what was asked for.</summary>
    /// <param name="goes">Goes in any order.</param>
    /// <param name="restSeconds">Rest asked for between reps, s.</param>
    /// <param name="setRestSeconds">Rest asked for between sets, s.</param>
    /// <param name="repsASet">Goes in a set, 1 or more.</param>
    public static IEnumerable<(double Real, double Asked)> Each(IEnumerable<Go> goes, double restSeconds, double setRestSeconds, int repsASet)
    {
        foreach (var own in goes.GroupBy(g => g.AthleteId).Select(g => g.OrderBy(x => x.FinishedAt).ToList()))
        {
            for (var i = 1; i < own.Count; i++)
            {
                yield return (Math.Max(0, (own[i].FinishedAt - own[i - 1].FinishedAt).TotalSeconds - own[i].Seconds), i % repsASet == 0 ? setRestSeconds : restSeconds);
            }
        }
    }

    /// <summary>Load of a session: rating of perceived exertion times minutes, in arbitrary units (Foster et al. 2001).</summary>
    /// <param name="rating">Rating on the 0 to 10 scale.</param>
    /// <param name="minutes">Length of the session, 1 to 600 min.</param>
    /// <exception cref="ArgumentOutOfRangeException">A value is outside its range.</exception>
    public static double Load(double rating, double minutes)
    {
        if (rating is < 0 or > 10 || minutes is < 0 or > 600)
        {
            throw new ArgumentOutOfRangeException(nameof(rating), "A rating is 0 to 10 and a session 0 to 600 minutes.");
        }

        return rating * minutes;
    }
}
