using InchBurst.Core.Sprint;

namespace InchBurst.Core.Load;

/// <summary>What is thought to be other than it was.</summary>
public sealed record WhatIfChange
{
    /// <summary>Body mass gained in kg, -20 to 20; the push in newtons stays, so each kilogram gets less of it.</summary>
    public double MassKilograms { get; init; }

    /// <summary>Wind along the run in m/s, -10 to 10; a tailwind is positive.</summary>
    public double WindMetresPerSecond { get; init; }

    /// <summary>Height above the sea in m, 0 to 4,000.</summary>
    public double AltitudeMetres { get; init; }

    /// <summary>Slope as a grade in percent, -15 to 15; uphill positive.</summary>
    public double GradePercent { get; init; }

    /// <summary>Mass of a sled in kg, 0 to 200.</summary>
    public double SledKilograms { get; init; }

    /// <summary>Change of F0 in percent, -20 to 20.</summary>
    public double PushPercent { get; init; }

    /// <summary>Change of V0 in percent, -20 to 20.</summary>
    public double SpeedPercent { get; init; }

    /// <summary>True when nothing is other.</summary>
    public bool IsNone => this == new WhatIfChange();
}

/// <summary>A time as it is and as it would be.</summary>
/// <param name="Metres">The distance in m.</param>
/// <param name="Now">Time in still air at sea level, free and on the flat, s.</param>
/// <param name="Then">Time with what was changed, s; infinity when the runner does not get there.</param>
public readonly record struct WhatIfTime(double Metres, double Now, double Then);

/// <summary>Times under other conditions, by forward simulation (science of the forces of one sprint: Samozino et al. 2016; air: Arsac and Locatelli 2002). A what-if, not a promise.</summary>
public static class WhatIf
{
    /// <summary>The times.</summary>
    /// <param name="forces">F0 and V0 of the athlete.</param>
    /// <param name="body">The athlete.</param>
    /// <param name="change">What is other.</param>
    /// <param name="friction">What a sled has on the ground that is run on.</param>
    /// <param name="distances">Distances in m in rising order.</param>
    public static IReadOnlyList<WhatIfTime> Of(SprintForces forces, BodyAndAir body, WhatIfChange change, Friction friction, IReadOnlyList<double> distances)
    {
        var drag = body.DragConstant;
        var now = new SprintSimulation(forces.F0, forces.V0).TimesTo(distances, new(drag / body.MassKilograms));
        var mass = body.MassKilograms + change.MassKilograms;
        var conditions = new RunConditions(
            drag / mass, change.WindMetresPerSecond, Slope.DegreesOf(change.GradePercent) * Math.PI / 180, change.SledKilograms > 0 ? friction.Resistance(change.SledKilograms, mass) : 0, change.AltitudeMetres);
        var then = new SprintSimulation(forces.F0 * body.MassKilograms / mass * (1 + (change.PushPercent / 100)), forces.V0 * (1 + (change.SpeedPercent / 100))).TimesTo(distances, conditions);
        return [.. distances.Select((m, i) => new WhatIfTime(m, now[i], then[i]))];
    }

    /// <summary>Half width of the 90% range of a curve's time to a distance, s: what the errors of MSS and of tau each make of it, taken as independent, which errs on the wide side.</summary>
    /// <param name="curve">The curve.</param>
    /// <param name="mssError">Standard error of MSS in m/s.</param>
    /// <param name="tauError">Standard error of tau in s.</param>
    /// <param name="metres">The distance in m.</param>
    public static double Range90(SprintCurve curve, double mssError, double tauError, double metres)
    {
        const double Small = 1e-4;
        var bySpeed = (new SprintCurve(curve.Mss + Small, curve.Tau).TimeTo(metres) - new SprintCurve(curve.Mss - Small, curve.Tau).TimeTo(metres)) / (2 * Small);
        var byTau = (new SprintCurve(curve.Mss, curve.Tau + Small).TimeTo(metres) - new SprintCurve(curve.Mss, curve.Tau - Small).TimeTo(metres)) / (2 * Small);
        return 1.645 * Math.Sqrt((bySpeed * mssError * bySpeed * mssError) + (byTau * tauError * byTau * tauError));
    }
}
