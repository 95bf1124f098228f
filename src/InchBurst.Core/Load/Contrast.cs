using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Load;

/// <summary>Free runs soon after loaded ones, set against the same athlete's usual.</summary>
/// <param name="Seconds">Their mean, s.</param>
/// <param name="Runs">How many there are.</param>
/// <param name="Usual">Mean of the usual free runs, s.</param>
/// <param name="UsualRuns">How many those are.</param>
/// <param name="FasterPercent">By how many percent they are faster; negative is slower.</param>
/// <param name="Within">Half of the 90% range of that, percent.</param>
public sealed record Contrast(double Seconds, int Runs, double Usual, int UsualRuns, double FasterPercent, double Within)
{
    /// <summary>A free run this long after a loaded one still stands under it, minutes (common practice: 3 to 12).</summary>
    public const double MostMinutes = 12;

    /// <summary>Fewest usual runs to compare with.</summary>
    public const int FewestUsual = 3;

    /// <summary>True when the difference is more than runs scatter.</summary>
    public bool IsReal => Math.Abs(FasterPercent) > Within;

    /// <summary>The difference in a coach's words: "1.3% faster".</summary>
    public string Difference => $"{Figures.Number(Math.Abs(FasterPercent), 1)}% {(FasterPercent >= 0 ? "faster" : "slower")}" + (IsReal ? "" : $", within the usual scatter of {Figures.Number(Within, 1)}%");

    /// <summary>In a coach's words: "2.98 s free after the load, usual 3.02: 1.3% faster".</summary>
    public string Words => $"{Figures.Exact(Seconds, 2)} s free after the load, usual {Figures.Exact(Usual, 2)}: {Difference}";

    /// <summary>True for a free run that still stands under a loaded one.</summary>
    /// <param name="loaded">When the loaded runs of the same athlete and session ended.</param>
    /// <param name="at">When the free one ended.</param>
    public static bool IsAfter(IEnumerable<DateTime> loaded, DateTime at) => loaded.Any(l => l < at && (at - l).TotalMinutes <= MostMinutes);

    /// <summary>Compares.</summary>
    /// <param name="after">Times of one session's free runs after loaded ones, s, over the same stretch of the same trial.</param>
    /// <param name="usual">The athlete's times over it without a loaded run before, s.</param>
    /// <returns>The comparison by Student's t with the scatter of the usual runs; null with none after, or too few usual ones.</returns>
    public static Contrast? Of(IReadOnlyList<double> after, IReadOnlyList<double> usual)
    {
        if (after.Count == 0 || usual.Count < FewestUsual)
        {
            return null;
        }

        var (mean, middle) = (after.Average(), usual.Average());
        var scatter = Math.Sqrt(usual.Sum(u => (u - middle) * (u - middle)) / (usual.Count - 1));
        var half = scatter * Math.Sqrt((1.0 / after.Count) + (1.0 / usual.Count)) * StudentT.InvCDF(0, 1, usual.Count - 1, 0.95);
        return new(mean, after.Count, middle, usual.Count, 100 * (middle - mean) / middle, 100 * half / middle);
    }
}
