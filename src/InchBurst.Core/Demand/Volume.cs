using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Demand;

/// <summary>What a line adds up to for one athlete.</summary>
/// <param name="Metres">All metres covered on foot.</param>
/// <param name="SprintMetres">Metres run forwards with intent at 70% effort or more, turning runs among them.</param>
/// <param name="TopSpeedMetres">Metres expected at or above 90% of own top speed.</param>
/// <param name="Reps">Timed or counted goes.</param>
/// <param name="ShortContacts">Short ground contacts.</param>
/// <param name="LongContacts">Long ground contacts.</param>
public readonly record struct LineVolume(double Metres, double SprintMetres, double TopSpeedMetres, int Reps, double ShortContacts, double LongContacts)
{
    /// <summary>Sprint metres on courses with turns.</summary>
    public double TurnMetres { get; init; }

    /// <summary>Sprint metres held back so little that the movement stays the same.</summary>
    public double LightMetres { get; init; }

    /// <summary>Sprint metres held back by more than that.</summary>
    public double HeavyMetres { get; init; }

    /// <summary>Sprint metres with help.</summary>
    public double AssistedMetres { get; init; }

    /// <summary>Metres of bounds and hops.</summary>
    public double BoundMetres { get; init; }

    /// <summary>Metres run forwards at 90% effort or more.</summary>
    public double FullMetres { get; init; }

    /// <summary>Contacts of jumps, hops and bounds alone.</summary>
    public double JumpContacts { get; init; }

    /// <summary>Two volumes together.</summary>
    /// <param name="a">One.</param>
    /// <param name="b">The other.</param>
    public static LineVolume operator +(LineVolume a, LineVolume b) => new(
        a.Metres + b.Metres, a.SprintMetres + b.SprintMetres, a.TopSpeedMetres + b.TopSpeedMetres, a.Reps + b.Reps, a.ShortContacts + b.ShortContacts, a.LongContacts + b.LongContacts)
    {
        TurnMetres = a.TurnMetres + b.TurnMetres,
        LightMetres = a.LightMetres + b.LightMetres,
        HeavyMetres = a.HeavyMetres + b.HeavyMetres,
        AssistedMetres = a.AssistedMetres + b.AssistedMetres,
        BoundMetres = a.BoundMetres + b.BoundMetres,
        FullMetres = a.FullMetres + b.FullMetres,
        JumpContacts = a.JumpContacts + b.JumpContacts,
    };

    /// <summary>A share of a volume; reps are rounded.</summary>
    /// <param name="a">The volume.</param>
    /// <param name="share">The share, 0 and more.</param>
    public static LineVolume operator *(LineVolume a, double share) => new(
        a.Metres * share, a.SprintMetres * share, a.TopSpeedMetres * share, (int)Math.Round(a.Reps * share), a.ShortContacts * share, a.LongContacts * share)
    {
        TurnMetres = a.TurnMetres * share,
        LightMetres = a.LightMetres * share,
        HeavyMetres = a.HeavyMetres * share,
        AssistedMetres = a.AssistedMetres * share,
        BoundMetres = a.BoundMetres * share,
        FullMetres = a.FullMetres * share,
        JumpContacts = a.JumpContacts * share,
    };
}

/// <summary>Adds up lines and plans.</summary>
public static class Volume
{
    /// <summary>What a line adds up to over the rounds of its block.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="rounds">Rounds of its block, 1 or more.</param>
    public static LineVolume Of(LineDemand demand, int rounds = 1)
    {
        var line = demand.Line;
        var times = line.TotalReps * rounds * (line.EachSide ? 2 : 1);
        var contacts = (Short: demand.ShortContacts * times, Long: demand.LongContacts * times);
        if (demand.Course is not { } course)
        {
            return new(0, 0, 0, times, contacts.Short, contacts.Long) { JumpContacts = demand.IsJumping ? contacts.Short + contacts.Long : 0 };
        }

        double sprint = 0, full = 0, top = 0;
        var forwards = course.Legs.Where(l => l is { HasIntent: true, Movement: Motion.Sprint }).Sum(l => l.Metres);
        for (var rep = 0; rep < line.TotalReps; rep++)
        {
            var effort = demand.EffortOf(rep);
            sprint += effort >= Limits.HardPercent ? forwards : 0;
            full += effort >= Limits.FullPercent ? forwards : 0;
            top += effort >= Limits.HardPercent ? demand.PaceOf(rep).MetresAbove(Limits.TopSpeedShare) : 0;
        }

        var share = times / (double)line.TotalReps;
        sprint *= share;
        var turns = course.SharpTurns > 0;
        return new(course.Metres * times, sprint, top * share, times, contacts.Short, contacts.Long)
        {
            FullMetres = full * share,
            TurnMetres = turns ? sprint : 0,
            LightMetres = demand.IsResisted && !demand.Load.IsHeavy ? sprint : 0,
            HeavyMetres = demand.IsResisted && demand.Load.IsHeavy ? sprint : 0,
            AssistedMetres = demand.IsAssisted ? sprint : 0,
            BoundMetres = course.Legs.Where(l => l.Movement is Motion.Bound or Motion.Hop).Sum(l => l.Metres) * times,
            JumpContacts = demand.IsJumping ? contacts.Short + contacts.Long : 0,
        };
    }

    /// <summary>What a line adds up to over the rounds of its block.</summary>
    /// <param name="line">The line.</param>
    /// <param name="rounds">Rounds of its block, 1 or more.</param>
    /// <param name="pace">Curve of the athlete.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static LineVolume Of(PlanLine line, int rounds, SprintCurve pace, ExerciseCatalogue catalogue) => Of(LineDemand.Of(line, catalogue, new(pace)), rounds);

    /// <summary>What a plan adds up to.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="pace">Curve of the athlete.</param>
    /// <param name="catalogue">Known exercises.</param>
    public static LineVolume Of(SessionPlan plan, SprintCurve pace, ExerciseCatalogue catalogue) =>
        plan.Blocks.SelectMany(b => b.Lines.Select(l => Of(l, b.Rounds, pace, catalogue))).Aggregate(default(LineVolume), (a, b) => a + b);
}
