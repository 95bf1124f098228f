using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

/// <summary>What is known of a clip: how many frames it has, when they are shown, and how fast the camera really took them.</summary>
/// <param name="Frames">Number of frames, 2 or more.</param>
/// <param name="Seconds">From the first frame to the last as the file plays, s, above 0.</param>
/// <param name="ShortestGap">Shortest time between two frames as the file plays, s.</param>
/// <param name="LongestGap">Longest, s.</param>
/// <param name="Width">Width of the picture, px, above 0.</param>
/// <param name="Height">Height of the picture, px, above 0.</param>
public sealed record FilmClip(int Frames, double Seconds, double ShortestGap, double LongestGap, int Width, int Height)
{
    /// <summary>Least and most frames a second a camera is believed to take.</summary>
    public const double LeastRate = 10;

    /// <summary>Most frames a second a camera is believed to take.</summary>
    public const double MostRate = 2000;

    // Matroska files keep whole milliseconds, so that even frames of a steady camera are told up to one apart.
    private const double Rounding = 0.0011;
    private const double Uneven = 0.1;

    // Phones state what a screen shows, up to this many a second, for films they took faster: common practice.
    private const double MostSlowed = 65;
    private const double SlowShare = 0.25;
    private const double SameRate = 1;

    /// <summary>Frames a second the camera took, where the file does not say the truth of it: slow motion is stored as if it were taken slowly. Null where the file is right.</summary>
    public double? ShotRate { get; init; }

    /// <summary>Frames a second as the file plays.</summary>
    public double Rate => (Frames - 1) / Seconds;

    /// <summary>The same to a whole number: what the file says.</summary>
    public int Stated => (int)Math.Round(Rate);

    /// <summary>True where the file says so few a second that it may be slow motion.</summary>
    public bool MaySlow => Stated <= MostSlowed;

    /// <summary>Frames a second of the world.</summary>
    public double TrueRate => ShotRate ?? Rate;

    /// <summary>Seconds of the world in one second of the file: 1, or less for slow motion.</summary>
    public double Slowed => Rate / TrueRate;

    /// <summary>How fast the file is played for the world to go at a quarter of its speed, as a share of the file's own speed.</summary>
    public double SlowPlay => SlowShare / Slowed;

    /// <summary>One frame in seconds of the world.</summary>
    public double Frame => 1 / TrueRate;

    /// <summary>True where frames come evenly, but for what the file rounds.</summary>
    public bool IsSteady => Math.Max((Seconds / (Frames - 1)) - ShortestGap, LongestGap - (Seconds / (Frames - 1))) <= Math.Max(Rounding, Uneven * Seconds / (Frames - 1));

    /// <summary>"120 frames a second, one frame = 8.3 ms".</summary>
    public string Words => $"{Figures.Number(TrueRate, TrueRate < 100 ? 1 : 0)} frames a second, one frame = {Figures.Number(Frame * 1000, 1)} ms";

    /// <summary>The clip, taken to be shot as another one was where both say the same rate.</summary>
    /// <param name="other">The other clip.</param>
    public FilmClip ShotLike(FilmClip other) => Math.Abs(Rate - other.Rate) < SameRate ? this with { ShotRate = other.ShotRate } : this;

    /// <summary>A clip by the times of its frames.</summary>
    /// <param name="times">When each frame is shown, s of the file, in order.</param>
    /// <param name="width">Width of the picture, px.</param>
    /// <param name="height">Height of the picture, px.</param>
    /// <returns>The clip, or null where there are not two frames, time does not go on, or there is no picture.</returns>
    public static FilmClip? Of(IReadOnlyList<double> times, int width, int height)
    {
        if (times.Count < 2 || width <= 0 || height <= 0)
        {
            return null;
        }

        var (shortest, longest) = (double.MaxValue, 0.0);
        for (var i = 1; i < times.Count; i++)
        {
            var gap = times[i] - times[i - 1];
            (shortest, longest) = (Math.Min(shortest, gap), Math.Max(longest, gap));
        }

        return shortest > 0 ? new(times.Count, times[^1] - times[0], shortest, longest, width, height) : null;
    }
}

/// <summary>A frame of a clip, and when it is shown.</summary>
/// <param name="Number">Its number from 0.</param>
/// <param name="Seconds">When it is shown after the first, s of the file.</param>
/// <param name="Gap">Time since the frame before as the file plays, s; what is marked on it may have happened anywhere within.</param>
public readonly record struct FilmFrame(int Number, double Seconds, double Gap)
{
    /// <summary>When it was taken, s of the world after the first frame. Where frames come evenly their number tells it better than the rounded times of the file.</summary>
    /// <param name="clip">The clip.</param>
    public double At(FilmClip clip) => clip.IsSteady ? Number * clip.Frame : Seconds * clip.Slowed;

    /// <summary>How far back what is marked on it may have happened, s of the world.</summary>
    /// <param name="clip">The clip.</param>
    public double Doubt(FilmClip clip) => clip.IsSteady ? clip.Frame : Gap * clip.Slowed;
}

/// <summary>A figure with the half width of the range that holds it in 95 of 100 cases.</summary>
/// <param name="Value">The figure, SI.</param>
/// <param name="Within">Half width, same unit, not negative.</param>
public readonly record struct FilmFigure(double Value, double Within)
{
    /// <summary>Share of the distance between the ends, at most one frame each, that holds an interval between two marks in 95 of 100 cases: 1 - sqrt 0.05 of a triangle (science: 0.776 frame).</summary>
    public static readonly double Triangle = 1 - Math.Sqrt(0.05);

    /// <summary>Standard deviations of a normal distribution that hold 95 of 100.</summary>
    public const double Normal = 1.959964;

    /// <summary>The time between two marks.</summary>
    /// <param name="from">The earlier frame.</param>
    /// <param name="to">The later one.</param>
    /// <param name="clip">The clip.</param>
    public static FilmFigure Between(FilmFrame from, FilmFrame to, FilmClip clip) =>
        new(to.At(clip) - from.At(clip), Triangle * (from.Doubt(clip) + to.Doubt(clip)) / 2);

    /// <summary>Standard deviation of the time between two marks: each lies anywhere within its frame, so it is g/sqrt 12 each (science: 1/(fps sqrt 6) together).</summary>
    /// <param name="from">The earlier frame.</param>
    /// <param name="to">The later one.</param>
    /// <param name="clip">The clip.</param>
    public static double Deviation(FilmFrame from, FilmFrame to, FilmClip clip)
    {
        var (a, b) = (from.Doubt(clip), to.Doubt(clip));
        return Math.Sqrt(((a * a) + (b * b)) / 12);
    }
}
