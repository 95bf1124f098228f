using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

/// <summary>A figure of two clips set against each other.</summary>
/// <param name="Name">"Contact".</param>
/// <param name="Then">The earlier figure with its unit.</param>
/// <param name="Now">The later one.</param>
/// <param name="Text">By how much it differs, with its doubt.</param>
/// <param name="IsBeyond">True where the difference is more than frames and marks leave open.</param>
public sealed record FilmChange(string Name, string Then, string Now, string Text, bool IsBeyond)
{
    /// <summary>What two clips have in common, set against each other. The doubt is that of frames and marks alone: how a runner differs from run to run is not in it.</summary>
    /// <param name="then">Steps of the earlier clip.</param>
    /// <param name="now">Steps of the later clip.</param>
    /// <param name="speed">Unit of speed the club reads.</param>
    public static IReadOnlyList<FilmChange> Between(FilmSteps then, FilmSteps now, SpeedReading speed) =>
    [
        .. new[]
        {
            Of("Contact", then.Contact, now.Contact, 1000, 0, "ms"),
            Of("Flight", then.Flight, now.Flight, 1000, 0, "ms"),
            Of("Step frequency", then.Frequency, now.Frequency, 1, 2, "Hz"),
            Of("Step length", then.Length, now.Length, 1, 2, "m"),
            Of("Speed", then.Speed, now.Speed, Figures.SpeedIn(1, speed), speed == SpeedReading.MetresPerSecond ? 2 : 1, Figures.SymbolOf(speed)),
        }.OfType<FilmChange>(),
    ];

    private static FilmChange? Of(string name, FilmFigure? then, FilmFigure? now, double scale, int decimals, string unit)
    {
        if (then is not { } a || now is not { } b)
        {
            return null;
        }

        var (change, within) = ((b.Value - a.Value) * scale, Math.Sqrt((a.Within * a.Within) + (b.Within * b.Within)) * scale);
        string Says(double value) => $"{Figures.Exact(value * scale, decimals)} {unit}";
        return new(name, Says(a.Value), Says(b.Value), $"{(Math.Round(change, decimals) == 0 ? "0" : Figures.Signed(change, decimals))} ± {Figures.Exact(Math.Max(within, Math.Pow(10, -decimals)), decimals)} {unit}", Math.Abs(change) > within);
    }
}
