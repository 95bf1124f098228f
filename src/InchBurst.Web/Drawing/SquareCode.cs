using System.Text;
using QRCoder;

namespace InchBurst.Web.Drawing;

/// <summary>An address as a square code for a phone's camera: one path of unit squares.</summary>
/// <param name="Size">Modules along a side, with the quiet zone.</param>
/// <param name="Path">SVG path of the dark modules.</param>
public sealed record SquareCode(int Size, string Path)
{
    public static SquareCode Of(string address)
    {
        using var code = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        var rows = code.ModuleMatrix;
        var path = new StringBuilder();
        for (var y = 0; y < rows.Count; y++)
        {
            for (var x = 0; x < rows.Count; x++)
            {
                var from = x;
                while (x < rows.Count && rows[y][x])
                {
                    x++;
                }

                if (x > from)
                {
                    path.Append(System.Globalization.CultureInfo.InvariantCulture, $"M{from} {y}h{x - from}v1h-{x - from}z");
                }
            }
        }

        return new(rows.Count, path.ToString());
    }
}
