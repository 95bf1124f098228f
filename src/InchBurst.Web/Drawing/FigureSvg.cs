using System.Globalization;
using System.Text;

namespace InchBurst.Web.Drawing;

/// <summary>Drawn bodies as SVG. All of it is made of numbers and the house's own colours; nothing that was typed gets into it.</summary>
public static class FigureSvg
{
    /// <summary>The bodies and what stands beside them, to be put into a picture.</summary>
    /// <param name="picture">The bodies.</param>
    /// <param name="ground">Colour of the ground, which runs around near parts so that they stand out.</param>
    public static string Group(DrillPicture picture, string ground)
    {
        var svg = new StringBuilder();
        foreach (var placed in picture.Figures)
        {
            svg.Append(CultureInfo.InvariantCulture, $"<g transform=\"translate({placed.X:0.##} {picture.GroundY:0.##})\">");
            foreach (var shape in placed.Figure.Shapes.Where(s => s.Path.Length > 0))
            {
                svg.Append(CultureInfo.InvariantCulture, $"<path d=\"{shape.Path}\" fill=\"{shape.Fill}\"");
                if (shape.Keyline > 0)
                {
                    svg.Append(CultureInfo.InvariantCulture, $" stroke=\"{ground}\" stroke-width=\"{2 * shape.Keyline:0.##}\" stroke-linejoin=\"round\" paint-order=\"stroke\"");
                }
                else if (shape.LineWidth > 0)
                {
                    svg.Append(CultureInfo.InvariantCulture, $" stroke=\"{ground}\" stroke-width=\"{shape.LineWidth:0.##}\"");
                }

                svg.Append("/>");
            }

            foreach (var line in placed.Props)
            {
                svg.Append(CultureInfo.InvariantCulture, $"<path d=\"{line.Path}\" fill=\"none\" stroke=\"{line.Colour}\" stroke-width=\"{line.Width:0.##}\" stroke-linecap=\"round\" stroke-linejoin=\"round\"/>");
            }

            svg.Append("</g>");
        }

        return svg.ToString();
    }

    /// <summary>A picture that stands by itself, on its ground line.</summary>
    /// <param name="picture">The bodies.</param>
    /// <param name="ground">Colour of the ground.</param>
    public static string Document(DrillPicture picture, string ground) => string.Create(CultureInfo.InvariantCulture,
        $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{picture.Width:0.##}\" height=\"{picture.Height:0.##}\" viewBox=\"0 0 {picture.Width:0.##} {picture.Height:0.##}\">{Group(picture, ground)}<path d=\"M0 {picture.GroundY:0.##}H{picture.Width:0.##}\" stroke=\"#14202B\" stroke-width=\"2\"/></svg>");
}
