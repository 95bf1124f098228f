using System.Globalization;
using InchBurst.Core.Movement;

namespace InchBurst.Web.Drawing;

/// <summary>What stands, lies or is held beside a drawn body, in lines.</summary>
public static class PropDrawing
{
    private const string Ink = "#14202B";

    /// <summary>The lines of a prop, in px with the hip at x 0 and the ground at y 0.</summary>
    /// <param name="prop">What it is.</param>
    /// <param name="count">How many of it.</param>
    /// <param name="figure">The body.</param>
    /// <param name="stature">Its height in px.</param>
    /// <param name="hue">Hue of the kind of work.</param>
    public static IEnumerable<FigureLine> Of(string prop, int count, FigureDrawing figure, double stature, string hue)
    {
        var body = figure.Figure;
        var wide = stature < 90 ? 1.6 : 2.2;
        string P(params (double X, double Y)[] points) => "M" + string.Join('L', points.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.X * stature:0.##} {-p.Y * stature:0.##}")));
        string Ring(double x, double y, double r) => string.Create(CultureInfo.InvariantCulture, $"M{(x - r) * stature:0.##} {-y * stature:0.##}a{r * stature:0.##} {r * stature:0.##} 0 1 1 {2 * r * stature:0.##} 0a{r * stature:0.##} {r * stature:0.##} 0 1 1 {-2 * r * stature:0.##} 0Z");
        var (hand, back) = (body.NearArm.Hand, Math.Min(body.Near.Toe.X, body.Far.Toe.X));
        switch (prop)
        {
            case "wall":
                var wall = Math.Max(body.NearArm.Hand.X, body.FarArm.Hand.X) + 0.008;
                yield return new(P((wall, 0), (wall, 0.98)), Ink, wide * 1.4);
                for (var y = 0.06; y < 0.98; y += 0.14)
                {
                    yield return new(P((wall, y), (wall + 0.07, y + 0.07)), Ink, wide * 0.6);
                }

                break;
            case "chevron":
                for (var i = 0; i < count; i++)
                {
                    var x = body.Hip.X - 0.30 + (i * 0.075);
                    yield return new(P((x, 0.68), (x + 0.045, 0.63), (x, 0.58)), hue, wide);
                }

                break;
            case "hurdle":
                var at = (body.Near.Ankle.X + body.Far.Ankle.X) / 2;
                var top = Math.Max(0.06, Math.Min(body.Near.Lowest, body.Far.Lowest) - 0.03);
                yield return new(P((at - 0.07, 0), (at - 0.07, top), (at + 0.07, top), (at + 0.07, 0)), hue, wide);
                break;
            case "box":
                var (foot, level) = body.Near.Ball.Y >= body.Far.Ball.Y ? (body.Near.Ball.X, body.Near.Lowest) : (body.Far.Ball.X, body.Far.Lowest);
                if (level > 0.05)
                {
                    yield return new(P((foot - 0.15, 0), (foot - 0.15, level), (foot + 0.13, level), (foot + 0.13, 0)), hue, wide);
                }

                break;
            case "bar":
                yield return new(Ring(body.NearArm.Wrist.X, body.NearArm.Wrist.Y, 0.062), Ink, wide);
                yield return new(Ring(body.NearArm.Wrist.X, body.NearArm.Wrist.Y, 0.012), Ink, wide);
                break;
            case "ball":
                yield return new(Ring(hand.X, hand.Y, 0.058), hue, wide * 1.6);
                break;
            case "sled":
                yield return new(P((back - 0.42, 0.012), (back - 0.14, 0.012)), Ink, wide * 1.2);
                yield return new(P((back - 0.40, 0.05), (back - 0.20, 0.05)), hue, 0.055 * stature);
                yield return new(P((back - 0.14, 0.03), (body.Hip.X - 0.05, body.Hip.Y + 0.02)), hue, wide * 0.7);
                break;
            case "band":
                yield return new(P((back - 0.42, body.Hip.Y - 0.02), (body.Hip.X - 0.05, body.Hip.Y)), hue, wide);
                yield return new(P((back - 0.42, body.Hip.Y - 0.07), (back - 0.42, body.Hip.Y + 0.03)), Ink, wide * 1.4);
                break;
            case "slope":
                yield return new(P((-0.45, 0.004), (0.5, 0.13), (0.5, 0.004)), hue, wide * 0.7);
                break;
        }
    }
}
