using System.Globalization;
using InchBurst.Core.Movement;

namespace InchBurst.Web.Drawing;

/// <summary>How a drawn body is coloured.</summary>
public enum FigureTone
{
    /// <summary>As it should be: ink, with the shirt in the hue of the kind of work.</summary>
    Right,

    /// <summary>With a fault: greyed.</summary>
    Fault,
}

/// <summary>A shape of the drawn body: its path, its fill, and how wide a line in the colour of the ground runs around it; a line of its own where there is no fill.</summary>
public sealed record FigureShape(string Path, string Fill, double Keyline, double LineWidth = 0);

/// <summary>A mark beside the drawn body: a line, dashed or not.</summary>
public sealed record FigureLine(string Path, string Colour, double Width, string? Dashes = null);

/// <summary>A body in a position as shapes in the order they are drawn, on a ground at y 0 of its own picture.</summary>
/// <param name="stature">Its height in px, at least 60.</param>
/// <param name="hue">Hue of its shirt.</param>
/// <param name="tone">How it is coloured.</param>
public abstract class DrawnBody(double stature, string hue, FigureTone tone)
{
    /// <summary>Colour of a body that is as it should be, and of marks.</summary>
    protected const string Ink = "#14202B";

    /// <summary>Colour of a limb that is behind.</summary>
    protected const string Step = "#857C68";

    /// <summary>Height in cm of the athlete for whom lengths of a drawn body are told.</summary>
    public const double CentimetresTall = 174;

    private const string Ink2 = "#4A565F";
    private const string GreyShirt = "#B9B19D";
    private const double ShoeLinesFrom = 90;

    /// <summary>The position.</summary>
    public abstract BodyPose Position { get; }

    /// <summary>Least x of the body, the hip being 0, in px.</summary>
    public double Left { get; private set; }

    /// <summary>Greatest x, in px.</summary>
    public double Right { get; private set; }

    /// <summary>Least y, the ground being 0, in px.</summary>
    public double Top { get; private set; }

    /// <summary>The shapes in their order.</summary>
    public IReadOnlyList<FigureShape> Shapes { get; private set; } = [];

    /// <summary>A body in a position, from the side or from the front.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="stature">Its height in px, at least 60.</param>
    /// <param name="hue">Hue of its shirt.</param>
    /// <param name="tone">How it is coloured.</param>
    public static DrawnBody Of(BodyPose pose, double stature, string hue, FigureTone tone = FigureTone.Right) =>
        pose is FrontPose front ? FrontDrawing.Of(front, stature, hue, tone) : FigureDrawing.Of((Pose)pose, stature, hue, tone);

    /// <summary>The line that shows a fault, with its figure in words; null where the drawing alone shows it.</summary>
    /// <param name="fault">The fault this body has.</param>
    public abstract (FigureLine Line, string Words, (double X, double Y) At)? MarkOf(DrawnFault fault);

    /// <summary>The place of the body, in px of the picture, that the first part named in a text stands for; null where none is named.</summary>
    /// <param name="text">A coaching point.</param>
    public abstract (double X, double Y)? PartNamed(string text);

    /// <summary>A place of the picture in px, y downwards.</summary>
    public (double X, double Y) At(Spot spot) => (Math.Round(spot.X * stature, 2), Math.Round(-spot.Y * stature, 2));

    /// <summary>Colour of body and limbs.</summary>
    protected string BodyColour => tone == FigureTone.Right ? Ink : Ink2;

    /// <summary>Colour of the shirt.</summary>
    protected string ShirtColour => tone == FigureTone.Right ? hue : GreyShirt;

    /// <summary>Width of the line around near parts in px.</summary>
    protected double Keyline => Math.Max(stature < ShoeLinesFrom ? 1.15 : 1.3, 0.0075 * stature);

    /// <summary>Width of the line over a sole in px; 0 where the body is too small for it.</summary>
    protected double SoleLine => stature < ShoeLinesFrom ? 0 : Math.Max(0.9, 0.0045 * stature);

    /// <summary>Takes the shapes and what they reach to.</summary>
    protected void Draw(IReadOnlyCollection<Spot> outermost, IEnumerable<FigureShape> shapes)
    {
        (Left, Right, Top) = (outermost.Min(s => s.X) * stature, outermost.Max(s => s.X) * stature, -outermost.Max(s => s.Y) * stature);
        Shapes = [.. shapes];
    }

    /// <summary>A disc about a place.</summary>
    protected string Disc(Spot at, double radius)
    {
        var ((x, y), r) = (At(at), radius * stature);
        return string.Create(CultureInfo.InvariantCulture, $"M{x - r:0.##} {y:0.##}a{r:0.##} {r:0.##} 0 1 1 {2 * r:0.##} 0a{r:0.##} {r:0.##} 0 1 1 {-2 * r:0.##} 0Z");
    }

    /// <summary>A smooth outline.</summary>
    /// <param name="spots">Its points.</param>
    /// <param name="round">1 is a full curve, less is nearer to straight sides.</param>
    protected string Closed(IReadOnlyList<Spot> spots, double round = 1) => Curve(spots, true, round);

    /// <summary>A smooth curve through points (Catmull and Rom), all outlines turning the same way round so that none makes a hole in another.</summary>
    protected string Curve(IReadOnlyList<Spot> spots, bool closed, double round = 1)
    {
        var at = spots.Select(At).ToList();
        if (closed && at.Select((p, i) => (p.X * at[(i + 1) % at.Count].Y) - (at[(i + 1) % at.Count].X * p.Y)).Sum() < 0)
        {
            at.Reverse();
        }

        (double X, double Y) Get(int i) => closed ? at[(i + at.Count) % at.Count] : at[Math.Clamp(i, 0, at.Count - 1)];
        var pen = new ShortPath(stature < ShoeLinesFrom ? 1 : 2);
        pen.Move(at[0]);
        for (var i = 0; i < (closed ? at.Count : at.Count - 1); i++)
        {
            var (before, from, to, after) = (Get(i - 1), Get(i), Get(i + 1), Get(i + 2));
            pen.Curve((from.X + ((to.X - before.X) * round / 6), from.Y + ((to.Y - before.Y) * round / 6)), (to.X - ((after.X - from.X) * round / 6), to.Y - ((after.Y - from.Y) * round / 6)), to);
        }

        return pen + (closed ? "z" : "");
    }

    /// <summary>A straight line.</summary>
    protected string Straight(Spot from, Spot to)
    {
        var (a, b) = (At(from), At(to));
        return string.Create(CultureInfo.InvariantCulture, $"M{a.X:0.##} {a.Y:0.##}L{b.X:0.##} {b.Y:0.##}");
    }

    /// <summary>A dashed mark with its words.</summary>
    protected (FigureLine Line, string Words, (double X, double Y) At) Mark(Spot from, Spot to, string words, Spot at) => (new(Straight(from, to), Ink, 1.5, "4 3"), words, At(at));
}
