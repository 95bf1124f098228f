using InchBurst.Core.Demand;

namespace InchBurst.Web.Drawing;

/// <summary>What a new best gained, over what the clock cannot tell apart.</summary>
/// <param name="Gain">Width of the gain, px.</param>
/// <param name="Band">Width of the clock's error, px.</param>
/// <param name="MayBeLuck">True when the gain lies within it.</param>
public sealed record GainBar(double Gain, double Band, bool MayBeLuck)
{
    /// <summary>Width in px.</summary>
    public const double Width = 100;

    private const double PixelsASecond = 1000;

    /// <summary>Draws a gain, 10 px a hundredth of a second.</summary>
    /// <param name="seconds">The new best, s.</param>
    /// <param name="before">The best before, s, above the new one.</param>
    /// <param name="method">How both were timed.</param>
    public static GainBar Draw(double seconds, double before, TimingMethod method)
    {
        // Both times carry the clock's error.
        var error = Math.Sqrt(2) * TimingError.Seconds(method);
        return new(Math.Min(Width, (before - seconds) * PixelsASecond), Math.Min(Width, error * PixelsASecond), before - seconds <= error);
    }
}
