using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;

namespace InchBurst.Web.Drawing;

/// <summary>A drawn body at its place in a picture.</summary>
/// <param name="X">Where its hip stands, in px from the left.</param>
/// <param name="Figure">The body.</param>
/// <param name="Props">What is drawn beside it.</param>
public sealed record PlacedFigure(double X, DrawnBody Figure, IReadOnlyList<FigureLine> Props);

/// <summary>Bodies on one ground line, left to right.</summary>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
/// <param name="GroundY">Where the ground is, in px from the top.</param>
/// <param name="Figures">The bodies.</param>
public sealed record DrillPicture(double Width, double Height, double GroundY, IReadOnlyList<PlacedFigure> Figures)
{
    /// <summary>Height of a body in the library in px: the least at which arms and feet are still read.</summary>
    public const double KnownStature = 64;

    private const double Under = 6;

    /// <summary>The picture a drill is known by: its first position; null where none shows it.</summary>
    /// <param name="exercise">The exercise.</param>
    public static DrillPicture? Known(Exercise exercise) => exercise.Poses.Select(PoseBook.Any).OfType<BodyPose>().Take(1).ToList() is { Count: 1 } first ? Of(first, exercise.Props, exercise.Kind, KnownStature) : null;

    /// <summary>Its positions in a row on one ground; null where none shows it.</summary>
    /// <param name="exercise">The exercise.</param>
    /// <param name="stature">Height of the body in px.</param>
    /// <param name="most">Positions at most.</param>
    public static DrillPicture? Row(Exercise exercise, double stature, int most) => exercise.Poses.Select(PoseBook.Any).OfType<BodyPose>().Take(most).ToList() is { Count: > 0 } poses ? Of(poses, exercise.Props, exercise.Kind, stature) : null;

    /// <summary>Positions in a row on one ground.</summary>
    /// <param name="poses">The positions, at least one.</param>
    /// <param name="props">What is drawn beside each body.</param>
    /// <param name="kind">Kind of work, whose hue the shirt has.</param>
    /// <param name="stature">Height of the body in px.</param>
    public static DrillPicture Of(IReadOnlyList<BodyPose> poses, IReadOnlyList<string> props, WorkKind kind, double stature)
    {
        var hue = KindLook.Of(kind).Hue;
        var figures = poses.Select(p => DrawnBody.Of(p, stature, hue)).ToList();

        // As high and as wide as what is drawn, so that nothing is cut off and no air is left over it.
        var ground = Math.Ceiling(Math.Max(stature * 0.5, figures.Max(f => -f.Top)) + Under);
        var widest = Math.Ceiling(Math.Max(stature * Narrowest, figures.Max(f => f.Right - f.Left) + (2 * Under)) + (props.Count > 0 ? stature * PropRoom : 0));
        return new(
            widest * figures.Count, ground + Under, ground,
            [.. figures.Select((f, i) => new PlacedFigure(Math.Round((widest * (i + 0.5)) - ((f.Left + f.Right) / 2), 2), f, f is FigureDrawing side ? [.. props.Distinct().SelectMany(p => PropDrawing.Of(p, props.Count(x => x == p), side, stature, hue))] : []))]);
    }

    private const double Narrowest = 0.7;
    private const double PropRoom = 0.3;

    /// <summary>A fault and what is right, side by side.</summary>
    /// <param name="fault">The fault.</param>
    /// <param name="hue">Hue of the kind of work.</param>
    /// <param name="stature">Height of the bodies in px.</param>
    /// <param name="pitch">Room for each in px.</param>
    public static DrillPicture Pair(DrawnFault fault, string hue, double stature, double pitch)
    {
        DrawnBody[] both = [DrawnBody.Of(fault.Wrong, stature, hue, FigureTone.Fault), DrawnBody.Of(fault.Right, stature, hue)];
        var ground = Math.Ceiling(Math.Max(stature * 1.12, both.Max(f => -f.Top) + Under));
        return new(pitch * 2, ground + Under, ground, [.. both.Select((f, i) => new PlacedFigure(Math.Round((pitch * (i + 0.5)) - ((f.Left + f.Right) / 2), 2), f, []))]);
    }

    /// <summary>A fault alone, as a tile shows it.</summary>
    /// <param name="fault">The fault.</param>
    /// <param name="stature">Height of the body in px.</param>
    public static DrillPicture Alone(DrawnFault fault, double stature)
    {
        var body = DrawnBody.Of(fault.Wrong, stature, "", FigureTone.Fault);
        var ground = Math.Ceiling(Math.Max(stature, -body.Top) + Under);
        var width = Math.Ceiling(Math.Max(stature, body.Right - body.Left + (2 * Under)));
        return new(width, ground + 2, ground, [new(Math.Round((width / 2) - ((body.Left + body.Right) / 2), 2), body, [])]);
    }
}
