using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Demand;

/// <summary>What a line adds up to for one athlete.</summary>
/// <param name="Metres">All metres covered on foot.</param>
/// <param name="SprintMetres">Metres of sprint at 70% effort or more.</param>
/// <param name="TopSpeedMetres">Metres expected at or above 90% of top speed.</param>
/// <param name="Reps">Timed or counted goes.</param>
/// <param name="ShortContacts">Short ground contacts of jumps and drills.</param>
/// <param name="LongContacts">Long ground contacts of jumps.</param>
public readonly record struct LineVolume(double Metres, double SprintMetres, double TopSpeedMetres, int Reps, double ShortContacts, double LongContacts)
{
    /// <summary>Two volumes together.</summary>
    /// <param name="a">One.</param>
    /// <param name="b">The other.</param>
    public static LineVolume operator +(LineVolume a, LineVolume b) => new(
        a.Metres + b.Metres, a.SprintMetres + b.SprintMetres, a.TopSpeedMetres + b.TopSpeedMetres, a.Reps + b.Reps, a.ShortContacts + b.ShortContacts, a.LongContacts + b.LongContacts);
}

/// <summary>Adds up lines and plans.</summary>
public static class Volume
{
    /// <summary>Least effort in percent that counts as sprinting.</summary>
    public const double SprintEffort = 70;

    /// <summary>Share of top speed that counts as top-speed work.</summary>
    public const double TopSpeedShare = 0.9;

    /// <summary>What a line adds up to over the rounds of its block.</summary>
    /// <param name="line">The line.</param>
    /// <param name="rounds">Rounds of its block, 1 or more.</param>
    /// <param name="pace">Curve of the athlete.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static LineVolume Of(PlanLine line, int rounds, SprintCurve pace, ExerciseCatalogue catalogue)
    {
        var times = line.TotalReps * rounds * (line.EachSide ? 2 : 1);
        var exercise = catalogue.Find(line.Exercise);
        double metres = 0, sprint = 0, top = 0, contacts = 0;
        switch (line.Shape)
        {
            case RunShape run:
                metres = run.Metres * times;
                for (var rep = 0; rep < line.TotalReps; rep++)
                {
                    var effort = line.Effort?.OfRep(rep) ?? line.Kind.UsualEffort();
                    if (line.Kind.IsSprint() && effort >= SprintEffort)
                    {
                        sprint += run.SprintMetres;
                        top += TopSpeedMetres(line, run, effort, pace);
                    }
                }

                sprint *= times / (double)line.TotalReps;
                top *= times / (double)line.TotalReps;
                contacts = (exercise?.Contacts ?? 0) * metres / 10;
                break;
            case CountShape count:
                contacts = (exercise?.Contacts ?? (line.Kind == WorkKind.Jumps ? 1 : 0)) * count.Count * times;
                break;
        }

        var isShort = exercise?.ShortContact ?? false;
        return new(metres, sprint, top, times, isShort ? contacts : 0, isShort ? 0 : contacts);
    }

    /// <summary>What a plan adds up to.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="pace">Curve of the athlete.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static LineVolume Of(SessionPlan plan, SprintCurve pace, ExerciseCatalogue catalogue) =>
        plan.Blocks.SelectMany(b => b.Lines.Select(l => Of(l, b.Rounds, pace, catalogue))).Aggregate(default(LineVolume), (a, b) => a + b);

    /// <summary>Share of own top speed reached at the end of the fast part of a free run, 0 to 1.2; null for loaded runs and work that is no run.</summary>
    /// <param name="line">The line.</param>
    /// <param name="pace">Curve of the athlete.</param>
    public static double? Reaches(PlanLine line, SprintCurve pace)
    {
        if (line.Shape is not RunShape run || !line.Kind.IsSprint() || line.Kind is WorkKind.Resisted or WorkKind.Assisted)
        {
            return null;
        }

        return pace.SpeedAtDistance(run.SprintMetres) / pace.Mss * line.HardestEffort / 100;
    }

    private static double TopSpeedMetres(PlanLine line, RunShape run, double effort, SprintCurve pace)
    {
        var share = TopSpeedShare * 100 / effort;
        return line.Kind == WorkKind.Resisted || share >= 1 ? 0 : pace.MetresAbove(share, run.SprintMetres);
    }
}
