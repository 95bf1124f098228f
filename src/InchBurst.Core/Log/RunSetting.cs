using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>What a run was run in, beside how it was timed.</summary>
/// <param name="Shoes">What was worn.</param>
/// <param name="WindMetresPerSecond">Wind along the run in m/s, -10 to 10, a tailwind positive; null when nobody measured it.</param>
/// <param name="AltitudeMetres">Height of the ground above the sea in m, 0 to 4,000; null when nobody has said.</param>
public sealed record RunSetting(Shoes Shoes = Shoes.Unsaid, double? WindMetresPerSecond = null, double? AltitudeMetres = null)
{
    /// <summary>Most tailwind in m/s with which a time counts in rankings (rules of athletics, from memory).</summary>
    public const double MostTailwind = 2.0;

    /// <summary>Below this height in m the air is taken for that at the sea: it makes less than a hundredth of a second over 60 m.</summary>
    public const double LeastAltitude = 100;

    /// <summary>Nothing said.</summary>
    public static RunSetting None { get; } = new();

    /// <summary>True when air moved or was thin enough to change a time.</summary>
    public bool ChangesAir => WindMetresPerSecond is > 0.005 or < -0.005 || AltitudeMetres >= LeastAltitude;

    /// <summary>True with more wind behind than rankings allow.</summary>
    public bool IsWindAided => WindMetresPerSecond > MostTailwind + 1e-9;

    /// <summary>Wind as said of a run: "wind +1.8"; empty while nobody measured it.</summary>
    /// <param name="wind">Wind in m/s.</param>
    public static string WindWords(double? wind) => wind is { } w ? $"wind {(Math.Abs(w) < 0.05 ? "0.0" : Figures.Signed(w, 1))}" : "";
}
