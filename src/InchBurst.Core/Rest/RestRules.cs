using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Units;

namespace InchBurst.Core.Rest;

/// <summary>A rest and why it is that long.</summary>
/// <param name="Seconds">Rest between reps in s, not negative.</param>
/// <param name="Reason">The rule in a coach's words.</param>
public sealed record RestAdvice(double Seconds, string Reason)
{
    /// <summary>Number of the school it stands on, or null.</summary>
    public string? Key { get; init; }
}

/// <summary>Rest by the rule of a coaching school, by what is done. More effort, more metres and more load never rest less.</summary>
public static class RestRules
{
    private const double LiftSeconds = 120;
    private const double HeavyLiftSeconds = 180;
    private const double HeavyLiftPercent = 85;
    private const double HoldSeconds = 30;
    private const double BreathSeconds = 15;

    /// <summary>Metres a sharp turn at full effort counts for in a rest (own rule: it brakes and starts anew).</summary>
    public const double MetresATurn = 5;

    /// <summary>Rest the school asks for between reps of a line, whatever the line itself says: the longest after any rep but the last.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="school">The school.</param>
    public static RestAdvice ByRule(LineDemand demand, CoachingSchool school)
    {
        RestAdvice? longest = null;
        var reps = Math.Max(1, demand.Line.TotalReps - 1);
        for (var rep = 0; rep < reps; rep++)
        {
            var after = AfterRep(demand, rep, school);
            longest = longest is null || after.Seconds > longest.Seconds ? after : longest;

            // One effort for all reps is one rest.
            if (demand.Line.Effort is not { Shape: EffortShape.Each, Percents.Count: > 1 })
            {
                break;
            }
        }

        return longest!;
    }

    /// <summary>Rest the school asks for after one rep.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="rep">Rep over all sets, from 0.</param>
    /// <param name="school">The school.</param>
    public static RestAdvice AfterRep(LineDemand demand, int rep, CoachingSchool school)
    {
        var effort = demand.EffortOf(rep);
        if (demand.Course is not { } course)
        {
            return Still(demand, effort, school);
        }

        var back = new RestAdvice(course.Metres / RepPace.WalkingSpeed, "walk back");
        var jumps = demand.IsJumping ? school["rest.jumps"] : 0;
        if (!demand.HasSprint)
        {
            return jumps > back.Seconds ? new(jumps, $"{Figures.Clock(jumps)} between bounds and hops") { Key = "rest.jumps" } : back;
        }

        var key = demand.Load.IsHeavy && school["rest.heavy"] > school["rest.free"] ? "rest.heavy" : "rest.free";
        var metres = course.IntentMetres + (course.SharpTurns * MetresATurn);
        var full = Math.Max(jumps, Math.Clamp(school[key] * metres / 10, school["rest.floor"], Math.Max(school["rest.floor"], school["rest.ceiling"])));
        if (effort >= Limits.FullPercent)
        {
            return new(full, $"{Figures.Clock(school[key])} for each 10 m run hard → {Figures.Clock(full)}") { Key = key };
        }

        var submaximal = Math.Max(jumps, Math.Min(full, school["rest.submaximal"]));
        if (effort >= Limits.HardPercent)
        {
            return new(submaximal, $"{Figures.Clock(submaximal)} between runs under {Figures.Number(Limits.FullPercent)}%") { Key = "rest.submaximal" };
        }

        return back.Seconds <= submaximal ? back : new(submaximal, "easy running");
    }

    /// <summary>Rest between reps as written on the line, or by the school's rule when it says none.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="school">The school.</param>
    public static RestAdvice Between(LineDemand demand, CoachingSchool school) => demand.Line.Rest switch
    {
        { WalkBack: true, RepSeconds: var more } => new(((demand.Course?.Metres ?? 20) / RepPace.WalkingSpeed) + (more ?? 0), more is { } after ? $"walk back and {Figures.Clock(after)}" : "walk back"),
        { EverySeconds: { } every } => new(Math.Max(0, every - WorkSeconds(demand)), $"a start every {Figures.Clock(every)}"),
        { OfWork: { } share } => new(share * WorkSeconds(demand), $"{Figures.Number(share, 1)} x the work, {Figures.Clock(WorkSeconds(demand))}"),
        { Per: { } per, RepSeconds: { } seconds } => new(seconds * (demand.Course is null ? per.Metres : demand.IntentMetres) / per.Metres, $"{Figures.Clock(seconds)} for each {per}"),
        { RepSeconds: { } seconds } => new(seconds, "as written"),
        _ => ByRule(demand, school),
    };

    // What a rep takes: as it was said, or as it is expected.
    private static double WorkSeconds(LineDemand demand) => demand.Line.Goal is { Seconds: { } seconds } goal ? goal.MostSeconds ?? seconds : demand.Course is null ? demand.StillSeconds : demand.PaceAt(demand.HardestEffort).Seconds;

    private static RestAdvice Still(LineDemand demand, double effort, CoachingSchool school)
    {
        switch (demand.Movement)
        {
            case Motion.Jump or Motion.Hop or Motion.Bound or Motion.Throw:
                return new(school["rest.jumps"], $"{Figures.Clock(school["rest.jumps"])} between sets of jumps and throws") { Key = "rest.jumps" };
            case Motion.Lift:
                var lift = effort >= HeavyLiftPercent ? HeavyLiftSeconds : LiftSeconds;
                return new(lift, $"{Figures.Clock(lift)} between sets of lifts (common practice)");
            case Motion.Hold:
                return demand.Exercise is { StaticHold: true } ? new(0, "a breath") : new(HoldSeconds, "a breath between holds (common practice)");
            case Motion.Sprint:
                return new(school["rest.submaximal"], $"{Figures.Clock(school["rest.submaximal"])} between passes") { Key = "rest.submaximal" };
        }

        return demand.Line.Shape is TimedShape time
            ? effort >= Limits.HardPercent ? new(time.Seconds, "as long as the work (common practice)") : new(0, "a breath")
            : new(BreathSeconds, "a breath");
    }
}
