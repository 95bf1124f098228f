using System.Globalization;
using System.Text;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;

namespace InchBurst.Web.Drawing;

/// <summary>A movement as frames in one picture, of which a script shows one at a time.</summary>
public static class MovingFigure
{
    /// <summary>Frames of a cycle.</summary>
    public const int Frames = 24;

    private const double Stature = 210;
    private const double Room = 12;

    /// <summary>The cycle of an exercise, or null.</summary>
    /// <param name="exercise">The exercise.</param>
    public static MovementCycle? CycleOf(Exercise exercise) => MovementCycle.Of([.. exercise.Poses.Select(PoseBook.Any).OfType<BodyPose>()], exercise.Does);

    /// <summary>The picture with all frames, the first of them shown; null where nothing moves.</summary>
    /// <param name="exercise">The exercise.</param>
    public static string? Of(Exercise exercise)
    {
        if (CycleOf(exercise) is not { } cycle)
        {
            return null;
        }

        var hue = KindLook.Of(exercise.Kind).Hue;
        var figures = Enumerable.Range(0, Frames).Select(i => DrawnBody.Of(cycle.At((double)i / Frames), Stature, hue)).ToList();
        var (left, right, top) = (figures.Min(f => f.Left), figures.Max(f => f.Right), figures.Min(f => f.Top));
        var (width, ground) = (Math.Ceiling(right - left + (2 * Room)), Math.Ceiling(Room - top));
        var svg = new StringBuilder().Append(CultureInfo.InvariantCulture, $"<svg xmlns=\"http://www.w3.org/2000/svg\" class=\"figures\" width=\"{width:0}\" height=\"{ground + Room:0}\" viewBox=\"0 0 {width:0} {ground + Room:0}\" data-seconds=\"{cycle.Seconds:0.###}\">");
        foreach (var (figure, i) in figures.Select((f, i) => (f, i)))
        {
            var frame = new DrillPicture(width, ground + Room, ground, [new(Room - left, figure, [])]);
            svg.Append(CultureInfo.InvariantCulture, $"<g data-frame=\"{i}\"{(i == 0 ? "" : " display=\"none\"")}>{FigureSvg.Group(frame, FigureDrawing.Paper)}</g>");
        }

        return svg.Append(CultureInfo.InvariantCulture, $"<path d=\"M0 {ground:0.##}H{width:0}\" stroke=\"#14202B\" stroke-width=\"2.4\"/></svg>").ToString();
    }
}
