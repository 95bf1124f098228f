using InchBurst.Core.Plan;

namespace InchBurst.Core.Load;

/// <summary>What a resisted run is for, and the slowing that serves it.</summary>
/// <param name="Unit">How it is written on a line.</param>
/// <param name="Name">What a coach calls it.</param>
/// <param name="Least">Least percent slower than free.</param>
/// <param name="Most">Most percent slower than free.</param>
/// <param name="Usual">Percent slower that is taken where nothing else is said.</param>
/// <param name="LeastMetres">Shortest distance, m.</param>
/// <param name="MostMetres">Longest distance, m.</param>
/// <param name="RestFor10">Rest for each 10 m, s.</param>
/// <param name="LeastRuns">Fewest runs a session.</param>
/// <param name="MostRuns">Most runs a session.</param>
/// <param name="See">What should be seen.</param>
/// <param name="Lighten">When to take load off.</param>
/// <param name="Next">What is run next to it.</param>
public sealed record LoadAim(LoadUnit Unit, string Name, double Least, double Most, double Usual, double LeastMetres, double MostMetres, double RestFor10, int LeastRuns, int MostRuns, string See, string Lighten, string Next)
{
    /// <summary>The aims, light to heavy. Bands: within 10% the movement stays (common practice); power is highest near half of free speed (Cross et al. 2017, from memory); the others between and beyond (common practice).</summary>
    public static IReadOnlyList<LoadAim> All { get; } =
    [
        new(LoadUnit.KeepMovement, "Keep the movement", -10, 10, 8, 20, 40, 60, 3, 6,
            "the same posture, rhythm and contacts as free; only a little slower", "a run is more than 10% slower than free, or posture changes", "a free run after every one or two"),
        new(LoadUnit.StrongPush, "Strong push", 25, 35, 30, 10, 20, 90, 4, 6,
            "longer contacts, shorter steps, the trunk rising late, still running", "speed is under 65% of free, upright by the third step, or steps turn to marching", "as many free runs of the same length"),
        new(LoadUnit.MostPower, "Most power", 45, 55, 50, 10, 20, 90, 3, 5,
            "a long push behind the body at every step, speed still rising at 10 m", "speed is under 45% of free or stops rising before the end", "free starts of 5 to 10 m"),
        new(LoadUnit.HeavyStart, "Heavy start", 55, 75, 60, 5, 15, 90, 2, 4,
            "whole-foot pushes at a low angle, every step forward", "it stops moving forward, the hips lift, or the back rounds", "free starts of 5 m, full rest"),
    ];

    /// <summary>The aim written on a load, or null where it says another thing.</summary>
    /// <param name="load">The load.</param>
    public static LoadAim? Of(LineLoad? load) => All.FirstOrDefault(a => a.Unit == load?.Unit);

    /// <summary>The aim whose band holds a slowing; between two bands the nearer one.</summary>
    /// <param name="decrement">Percent slower than free.</param>
    public static LoadAim At(double decrement) => All.MinBy(a => Math.Max(0, Math.Max(a.Least - decrement, decrement - a.Most)))!;

    /// <summary>Aims that a school offers: those whose lightest load is not heavier than it pulls. Keeping the movement is always among them.</summary>
    /// <param name="heaviest">Most percent slower that the school pulls.</param>
    public static IReadOnlyList<LoadAim> Offered(double heaviest) => [.. All.Where(a => a.Unit == LoadUnit.KeepMovement || a.Least <= heaviest + 1e-9)];

    /// <summary>Slowing to take with a school: the usual one, or what the school pulls at most; within the bracket where the movement is kept.</summary>
    /// <param name="heaviest">Most percent slower that the school pulls.</param>
    /// <param name="bracket">Most percent that a load for top-speed work may change speed.</param>
    public double Taken(double heaviest, double bracket) => Unit == LoadUnit.KeepMovement ? Math.Min(Usual, bracket) : Math.Max(Least, Math.Min(Usual, heaviest));

    /// <summary>True when a slowing serves this aim.</summary>
    /// <param name="decrement">Percent slower than free.</param>
    public bool Holds(double decrement) => decrement >= Least - 1e-9 && decrement <= Most + 1e-9;

    /// <summary>Rest after a run, s.</summary>
    /// <param name="metres">Its length, m.</param>
    public double Rest(double metres) => RestFor10 * metres / 10;
}
