using InchBurst.Core.Movement;

namespace InchBurst.Core.Film;

/// <summary>Lengths on a clip, from two things on the ground whose distance is known.</summary>
/// <param name="Mark">The two things.</param>
/// <param name="Clip">The clip.</param>
/// <param name="Moved">Most that one of them wandered between frames, px; 0 where it was marked once.</param>
/// <param name="CheckedOn">How many frames it was marked on.</param>
/// <param name="BesideShare">Share by which every length may be wrong because the scale lies beside the runner's line: offset over the camera's distance (science).</param>
public sealed record FilmScale(ScaleMark Mark, FilmClip Clip, double Moved, int CheckedOn, double BesideShare)
{
    /// <summary>Standard deviation of a mark as a share of the picture's width: three pixels of 1920 (common practice).</summary>
    public const double MarkShare = 0.0015;

    /// <summary>Most degrees a scale may lie askew of the way the runner goes.</summary>
    public const double MostAskew = 10;

    private const double StillShare = 0.004;
    private const double ShortShare = 0.15;

    /// <summary>Pixels in a metre.</summary>
    public double PixelsPerMetre => Mark.Pixels / Mark.Metres;

    /// <summary>True where the camera went with the runner, so that places of different frames cannot be set against each other.</summary>
    public bool CameraMoved => Moved > Math.Max(3, StillShare * Clip.Width);

    /// <summary>True where the scale is so short in the picture that its ends' marks cost more than 2%.</summary>
    public bool IsShort => Mark.Pixels < ShortShare * Clip.Width;

    /// <summary>Standard deviation of a mark, px.</summary>
    /// <param name="clip">The clip.</param>
    public static double MarkPixels(FilmClip clip) => Math.Max(1, MarkShare * clip.Width);

    /// <summary>The scale of marks, or null where none is marked.</summary>
    /// <param name="marks">The marks.</param>
    public static FilmScale? Of(FilmMarks marks)
    {
        if (marks.Scales.Count == 0)
        {
            return null;
        }

        var first = marks.Scales.MinBy(s => s.Frame)!;
        var moved = marks.Scales.Max(s => Math.Max((s.From - first.From).Length, (s.To - first.To).Length));
        return new(first, marks.Clip, moved, marks.Scales.Count, marks.CameraMetres is { } far ? marks.BesideMetres / far : 0);
    }

    /// <summary>Where a place of the picture lies along the scale, m from its first end.</summary>
    /// <param name="at">The place, px.</param>
    public double Along(Spot at)
    {
        var (way, from) = (Mark.To - Mark.From, at - Mark.From);
        return ((way.X * from.X) + (way.Y * from.Y)) / (Mark.Pixels * PixelsPerMetre);
    }

    /// <summary>A distance between two places, with what the marks, the scale's own ends and its place beside the lane leave open.</summary>
    /// <param name="from">One, px.</param>
    /// <param name="to">The other, px.</param>
    public FilmFigure Distance(Spot from, Spot to)
    {
        var metres = Math.Abs(Along(to) - Along(from));
        var mark = MarkPixels(Clip) * Math.Sqrt(2);
        var (own, scale) = (mark / PixelsPerMetre, metres * mark / Mark.Pixels);
        return new(metres, (FilmFigure.Normal * Math.Sqrt((own * own) + (scale * scale))) + (metres * BesideShare));
    }

    /// <summary>Degrees between the scale and a way through the picture, 0 to 90.</summary>
    /// <param name="from">Where it begins, px.</param>
    /// <param name="to">Where it ends, px.</param>
    public double Askew(Spot from, Spot to)
    {
        var (a, b) = (Mark.To - Mark.From, to - from);
        return Math.Atan2(Math.Abs((a.X * b.Y) - (a.Y * b.X)), Math.Abs((a.X * b.X) + (a.Y * b.Y))) * 180 / Math.PI;
    }
}
