namespace InchBurst.Core.Sprint;

/// <summary>What a little more push and a little more speed would each give over a distance.</summary>
/// <param name="Metres">The distance in m.</param>
/// <param name="Push">Seconds won by more F0.</param>
/// <param name="Speed">Seconds won by more V0.</param>
public readonly record struct GainAt(double Metres, double Push, double Speed);

/// <summary>What a gain in force or in speed would give, by simulation (the model of <see cref="SprintSimulation"/>), never by a label.</summary>
/// <param name="At">The gains, the shortest distance first.</param>
/// <param name="CrossesAt">Distance in m up to which push pays more; null when one of them pays more all the way.</param>
public sealed record GainEffect(IReadOnlyList<GainAt> At, double? CrossesAt)
{
    /// <summary>Distances that gains are told for, m.</summary>
    public static IReadOnlyList<double> Told { get; } = [10, 20, 30, 40];

    /// <summary>Share by which each is raised.</summary>
    public const double Share = 0.03;

    /// <summary>Farthest distance that is looked at, m.</summary>
    public const double Farthest = 60;

    /// <summary>The gains of an athlete.</summary>
    /// <param name="forces">F0 in N/kg and V0 in m/s, both above 0.</param>
    /// <param name="dragPerKilogram">k/m in 1/m, not negative.</param>
    /// <param name="distances">Distances in m in rising order, above 0.</param>
    public static GainEffect Of(SprintForces forces, double dragPerKilogram, IReadOnlyList<double> distances)
    {
        var conditions = new RunConditions(dragPerKilogram);
        var every = Enumerable.Range(1, (int)(Farthest * 2)).Select(i => i / 2.0).ToList();
        IReadOnlyList<double> all = [.. every.Concat(distances).Distinct().Order()];
        var times = new SprintSimulation(forces.F0, forces.V0).TimesTo(all, conditions);
        var push = new SprintSimulation(forces.F0 * (1 + Share), forces.V0).TimesTo(all, conditions);
        var speed = new SprintSimulation(forces.F0, forces.V0 * (1 + Share)).TimesTo(all, conditions);
        var gains = all.Select((m, i) => new GainAt(m, times[i] - push[i], times[i] - speed[i])).ToList();
        var crosses = gains.FindIndex(g => g.Speed > g.Push);
        return new([.. gains.Where(g => distances.Contains(g.Metres))], crosses <= 0 ? null : gains[crosses].Metres);
    }
}
