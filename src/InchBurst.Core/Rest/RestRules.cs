using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Units;

namespace InchBurst.Core.Rest;

/// <summary>A rest and why it is that long.</summary>
/// <param name="Seconds">Rest between reps in s, not negative.</param>
/// <param name="Reason">The rule in a coach's words.</param>
public sealed record RestAdvice(double Seconds, string Reason);

/// <summary>Rest by the rule of a coaching school, by kind and distance.</summary>
public static class RestRules
{
    /// <summary>Speed of walking back in m/s (common practice).</summary>
    public const double WalkingSpeed = 1.4;

    /// <summary>Rest the school asks for between reps of a line, whatever the line itself says.</summary>
    /// <param name="line">The line.</param>
    /// <param name="school">The school.</param>
    public static RestAdvice ByRule(PlanLine line, CoachingSchool school)
    {
        if (line.Shape is not RunShape run)
        {
            return line.Kind switch
            {
                WorkKind.Jumps => new(school["rest.jumps"], $"{Figures.Clock(school["rest.jumps"])} between sets of jumps"),
                WorkKind.Strength => new(120, "2:00 between sets of lifts (common practice)"),
                _ => new(line.Shape is CountShape ? 15 : 0, "a breath"),
            };
        }

        var back = run.Metres / WalkingSpeed;
        if (!line.Kind.IsSprint())
        {
            return new(back, "walk back");
        }

        if (line.Effort?.Percents.Count > 1)
        {
            return new(back, "walk back after build-ups");
        }

        if (line.HardestEffort < 90)
        {
            return new(school["rest.submaximal"], $"{Figures.Clock(school["rest.submaximal"])} between runs under 90%");
        }

        var per = line.Kind == WorkKind.Resisted && IsHeavy(line) ? "rest.heavy" : "rest.free";
        var seconds = Math.Max(school["rest.floor"], school[per] * run.SprintMetres / 10);
        return new(seconds, $"{Figures.Clock(school[per])} for each 10 m run hard → {Figures.Clock(seconds)}");
    }

    /// <summary>Rest between reps as written on the line, or by the school's rule when it says none.</summary>
    /// <param name="line">The line.</param>
    /// <param name="school">The school.</param>
    public static RestAdvice Between(PlanLine line, CoachingSchool school)
    {
        var run = line.Shape as RunShape;
        return line.Rest switch
        {
            { WalkBack: true } => new((run?.Metres ?? 20) / WalkingSpeed, "walk back"),
            { Per: { } per, RepSeconds: { } seconds } => new(seconds * (run?.SprintMetres ?? per.Metres) / per.Metres, $"{Figures.Clock(seconds)} for each {per}"),
            { RepSeconds: { } seconds } => new(seconds, "as written"),
            _ => ByRule(line, school),
        };
    }

    /// <summary>True when a load is heavier than the bracket in which the movement stays the same: over 10% of speed, or over about 15% of body mass.</summary>
    /// <param name="line">The line.</param>
    public static bool IsHeavy(PlanLine line) => line.Load switch
    {
        { Unit: LoadUnit.PercentSpeed } l => l.Amount < -10,
        { Unit: LoadUnit.PercentBodyMass } l => l.Amount > 15,
        { Kind: LoadKind.Sled or LoadKind.Chain, Unit: LoadUnit.Kilogram } l => l.Amount > 12,
        { Kind: LoadKind.Sled or LoadKind.Chain, Unit: LoadUnit.Pound } l => l.Amount > 26,
        { Unit: LoadUnit.Heavy } => true,
        { Kind: LoadKind.Uphill, Unit: LoadUnit.PercentGrade } l => l.Amount > 8.5,
        { Kind: LoadKind.Uphill, Unit: LoadUnit.Degree } l => l.Amount > 4.9,
        _ => false,
    };
}

/// <summary>
/// What-if estimate of repeated sprints (own model): phosphocreatine p falls by exp(-T/9.4 s) over a sprint of T s and recovers with time
/// constant 60 s; the share of full speed is 1 - 0.43 (1 - p)^2. It lands on a published trial of 15 x 40 m (Balsom et al. 1992).
/// </summary>
public static class RepeatSprint
{
    private const double Use = 9.4;
    private const double Recovery = 60;
    private const double Loss = 0.43;

    /// <summary>Share of full speed in each rep, the first being 1.</summary>
    /// <param name="reps">Reps, 1 or more.</param>
    /// <param name="sprintSeconds">Length of a sprint in s, above 0.</param>
    /// <param name="restSeconds">Rest between reps in s, not negative.</param>
    public static IReadOnlyList<double> Shares(int reps, double sprintSeconds, double restSeconds)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(reps, 1);
        var shares = new double[reps];
        var p = 1.0;
        for (var i = 0; i < reps; i++)
        {
            shares[i] = 1 - (Loss * (1 - p) * (1 - p));
            p = 1 - ((1 - (p * Math.Exp(-sprintSeconds / Use))) * Math.Exp(-restSeconds / Recovery));
        }

        return shares;
    }
}
