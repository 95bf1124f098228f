using System.Text.Json.Serialization;

namespace InchBurst.Core.Plan;

/// <summary>How the figures of an effort are meant.</summary>
public enum EffortShape
{
    /// <summary>One figure, or one a rep.</summary>
    Each,

    /// <summary>Anywhere between two figures; judged at the harder one.</summary>
    Band,

    /// <summary>Rising within the rep from the first figure to the second; it counts at its top.</summary>
    Rise,
}

/// <summary>How hard.</summary>
/// <param name="Percents">One figure, one a rep, or the two ends of a band or a rise; each 0 to 120% of full effort.</param>
/// <param name="Shape">How the figures are meant.</param>
/// <param name="Word">The word it was written as (easy, steady, full), if any.</param>
public sealed record Effort(IReadOnlyList<double> Percents, EffortShape Shape = EffortShape.Each, string? Word = null)
{
    /// <summary>Widest band that is taken for a band when two figures are written with a dash between; a wider span is a rise (own rule).</summary>
    public const double WidestBand = 25;

    /// <summary>How two figures with a dash between them are meant when nothing else is said.</summary>
    /// <param name="from">First figure in percent.</param>
    /// <param name="to">Second figure in percent.</param>
    public static EffortShape ShapeOf(double from, double to) => Math.Abs(to - from) > WidestBand ? EffortShape.Rise : EffortShape.Band;

    /// <summary>Effort of a rep in percent at its hardest.</summary>
    /// <param name="rep">Rep number from 0.</param>
    public double OfRep(int rep) => Shape == EffortShape.Each ? Percents[Math.Min(rep, Percents.Count - 1)] : Percents.Max();

    /// <summary>The hardest effort of the line in percent.</summary>
    [JsonIgnore]
    public double Hardest => Percents.Max();
}
