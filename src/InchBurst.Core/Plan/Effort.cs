using System.Text.Json.Serialization;

namespace InchBurst.Core.Plan;

/// <summary>How hard: one figure, a rising one within the rep, or one a rep.</summary>
/// <param name="Percents">One figure, two when <paramref name="Rising"/>, or one a rep; each 0 to 120% of full effort.</param>
/// <param name="Rising">True when effort rises within the rep from the first figure to the second.</param>
/// <param name="Word">The word it was written as (easy, steady, full), if any.</param>
public sealed record Effort(IReadOnlyList<double> Percents, bool Rising = false, string? Word = null)
{
    /// <summary>Effort of a rep in percent at its hardest.</summary>
    /// <param name="rep">Rep number from 0.</param>
    public double OfRep(int rep) => Rising ? Percents.Max() : Percents[Math.Min(rep, Percents.Count - 1)];

    /// <summary>The hardest effort of the line in percent.</summary>
    [JsonIgnore]
    public double Hardest => Percents.Max();
}
