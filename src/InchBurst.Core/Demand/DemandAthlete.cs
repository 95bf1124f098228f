using InchBurst.Core.Load;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>Whom a line is judged for.</summary>
/// <param name="Curve">The athlete's free curve.</param>
/// <param name="MassKilograms">Body mass in kg, 25 to 200, if known.</param>
/// <param name="IsYoung">True for the young and the returning, who brake less hard.</param>
public sealed record DemandAthlete(SprintCurve Curve, double? MassKilograms = null, bool IsYoung = false)
{
    /// <summary>Curve used when a squad has no times yet: 8.0 m/s and 1.15 s (common practice).</summary>
    public static SprintCurve UsualCurve { get; } = new(8.0, 1.15);

    /// <summary>An athlete with <see cref="UsualCurve"/>.</summary>
    public static DemandAthlete Usual { get; } = new(UsualCurve);

    /// <summary>What is known to work a load out: the athlete's load line, the floor's friction, what kit costs.</summary>
    public LoadKnown Loads { get; init; } = new(Curve, MassKilograms ?? LoadEffect.UsualMassKilograms, Friction.Of(Surface.Unsaid));

    /// <summary>Hardest braking, m/s2.</summary>
    public double Braking => IsYoung ? Limits.YoungBraking : Limits.Braking;
}
