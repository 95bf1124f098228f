using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>Who is to be pulled and where.</summary>
/// <param name="IsYoung">True for the young.</param>
/// <param name="IsBeginner">True for somebody who has not yet been timed at top speed.</param>
/// <param name="IsRestricted">True with a restriction in force, a sore hamstring among them.</param>
/// <param name="Restriction">What is restricted, in the coach's words; may be empty.</param>
/// <param name="RunOutMetres">Free straight behind the finish, m; null when not said.</param>
/// <param name="RunOutNeeded">Straight that this speed needs to stop, m.</param>
/// <param name="IsHard">True for asphalt or concrete, or a hard floor behind the finish.</param>
public sealed record TowSetting(bool IsYoung, bool IsBeginner, bool IsRestricted, string Restriction, double? RunOutMetres, double RunOutNeeded, bool IsHard);

/// <summary>Helped running: the speed wanted, the gate time that proves it, its ceiling and who must not.</summary>
public static class Towing
{
    /// <summary>Highest ceiling any school may set, percent over free speed: beyond it the legs cannot follow (common practice).</summary>
    public const double HighestCeiling = 10;

    // Elastic cord is stretched to at most twice its length by makers' usual advice; the first run takes a quarter of that, and each step as much (common practice).
    private const double MostStretch = 2;
    private const double Step = 0.25;

    /// <summary>Set-up steps with their cautions.</summary>
    public static IReadOnlyList<string> Steps { get; } =
    [
        "Check cord, hooks, belt and anchor before each use; a cut, a flat spot or a stiff hook ends it.",
        "Clear the line of the cord: nobody stands in line with it, in front or behind. A cord that snaps flies.",
        "Straight lane, soft landing side, run-out free of walls and people for the whole stop.",
        "Stretch a little first; one run, gates read, then the next step of stretch.",
        "The athlete lets the speed come and stays tall; the cord is slack before the zone ends.",
    ];

    /// <summary>Speed wanted, m/s.</summary>
    /// <param name="free">Free top speed, m/s.</param>
    /// <param name="percent">Percent over free, 0 to <see cref="HighestCeiling"/>.</param>
    public static double Speed(double free, double percent) => free * (1 + (percent / 100));

    /// <summary>Time over a flying zone that proves a speed, s.</summary>
    /// <param name="free">Free top speed, m/s.</param>
    /// <param name="percent">Percent over free.</param>
    /// <param name="zoneMetres">Length of the zone, m.</param>
    public static double ZoneSeconds(double free, double percent, double zoneMetres) => zoneMetres / Speed(free, percent);

    /// <summary>Lengths to stretch a cord to, step by step, m: one run each, gates read, and no further once the ceiling is reached.</summary>
    /// <param name="restMetres">Its length at rest, m, above 0.</param>
    public static IReadOnlyList<double> StretchMetres(double restMetres) => [.. Enumerable.Range(1, (int)Math.Round((MostStretch - 1) / Step)).Select(i => restMetres * (1 + (i * Step)))];

    /// <summary>Lengths of cord that are answered, m.</summary>
    public static IReadOnlyList<double> Cords { get; } = [3, 4, 5, 6, 8];

    /// <summary>Why somebody must not be pulled here, one reason each; empty when nothing speaks against it.</summary>
    /// <param name="setting">Who and where.</param>
    public static IReadOnlyList<string> Refusals(TowSetting setting)
    {
        var all = new List<string>();
        if (setting.IsYoung)
        {
            all.Add("Young athletes are not pulled: their speed comes from free running.");
        }

        if (setting.IsBeginner)
        {
            all.Add("Not before top speed has been timed free: helped running is for those who sprint well without.");
        }

        if (setting.IsRestricted)
        {
            all.Add($"{(setting.Restriction.Length > 0 ? setting.Restriction + ": h" : "H")}elped running loads hamstrings most. The clinician who treats the athlete decides.");
        }

        if (setting.RunOutMetres is { } there && there < setting.RunOutNeeded)
        {
            all.Add($"The run-out of {Figures.Number(there)} m is short: from this speed it takes {Figures.Number(Math.Ceiling(setting.RunOutNeeded))} m.");
        }

        if (setting.IsHard)
        {
            all.Add("Not on a hard floor: whoever is pulled off their feet lands on it.");
        }

        return all;
    }
}

/// <summary>Kit that changes speed without a mass that tells it: bands, chains, a partner, a parachute. What it costs is learnt from runs with and without.</summary>
/// <param name="Decrement">Percent slower than free; negative for help.</param>
/// <param name="Spread">Half of its 90% range, percent.</param>
/// <param name="Runs">Pairs it was learnt from.</param>
public sealed record KitCost(double Decrement, double Spread, int Runs)
{
    // One pair says little: a gate's error twice over and the runner's own scatter are about 3% (common practice).
    private const double OnePair = 3;

    /// <summary>Cost from measured changes.</summary>
    /// <param name="decrements">Percent slower than free of each run with it.</param>
    /// <returns>Mean with its 90% range by Student's t; null without runs.</returns>
    public static KitCost? Of(IReadOnlyList<double> decrements)
    {
        if (decrements.Count == 0)
        {
            return null;
        }

        var mean = decrements.Average();
        return new(mean, decrements.Count == 1 ? OnePair : Math.Sqrt(decrements.Sum(d => (d - mean) * (d - mean)) / (decrements.Count - 1) / decrements.Count) * MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, decrements.Count - 1, 0.95), decrements.Count);
    }
}
