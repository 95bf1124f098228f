using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>A gate in the picture of what the curve misses.</summary>
/// <param name="X">Where it stands.</param>
/// <param name="Y">Where its miss lies.</param>
/// <param name="Text">The miss in ms, with its sign.</param>
/// <param name="Mark">The gate.</param>
/// <param name="IsFar">True when it is missed by more than a gate errs.</param>
public sealed record ResidualDot(double X, double Y, string Text, string Mark, bool IsFar);

/// <summary>How far each gate is from the curve, in thousandths of a second: above, the runner was later than the curve.</summary>
public sealed record ResidualStrip(double Width, double Middle, double Band, IReadOnlyList<ResidualDot> Dots, string Unit)
{
    /// <summary>Height of the picture.</summary>
    public const double Height = 96;

    /// <summary>What one gate errs, s (common practice): the band that is shaded.</summary>
    public const double GateSeconds = 0.010;

    private const double Left = 62;
    private const double Room = 30;
    private const double LeastScale = 0.020;

    /// <summary>Draws the misses of a fit under its curve.</summary>
    /// <param name="fit">The fit.</param>
    /// <param name="width">Width of the picture.</param>
    /// <param name="unit">Unit of the gates' names.</param>
    public static ResidualStrip Draw(SprintFitted fit, double width, DistanceUnit unit)
    {
        var (left, right, middle) = (width < 500 ? 34.0 : Left, width - 42, (Height - 18) / 2);
        var far = fit.Used[^1].Metres;
        var scale = Math.Max(LeastScale, fit.Residuals.Max(Math.Abs));
        return new(width, middle, Room * GateSeconds / scale,
            [.. fit.Used.Zip(fit.Residuals, (gate, miss) => new ResidualDot(left + ((right - left) * gate.Metres / far), middle - (Room * miss / scale), Figures.Signed(miss * 1000, 0), Figures.Number(Distance.InMetres(gate.Metres).To(unit).Amount, 1), Math.Abs(miss) > 2 * GateSeconds))],
            Distance.SymbolOf(unit));
    }
}
