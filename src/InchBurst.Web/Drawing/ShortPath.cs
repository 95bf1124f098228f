using System.Globalization;
using System.Text;

namespace InchBurst.Web.Drawing;

/// <summary>Path data in few characters: places relative to the one before, without what a reader of paths does not need.</summary>
/// <param name="decimals">Decimals that are kept.</param>
public sealed class ShortPath(int decimals)
{
    private readonly StringBuilder text = new();
    private (double X, double Y) at;

    /// <summary>Begins at a place.</summary>
    public void Move((double X, double Y) to)
    {
        at = (Math.Round(to.X, decimals), Math.Round(to.Y, decimals));
        text.Append('M');
        Write(at.X, true);
        Write(at.Y, false);
    }

    /// <summary>A cubic curve to a place by two control points.</summary>
    public void Curve((double X, double Y) first, (double X, double Y) second, (double X, double Y) to)
    {
        text.Append('c');
        var begin = true;
        foreach (var (x, y) in new[] { first, second, to })
        {
            Write(x - at.X, begin);
            Write(y - at.Y, false);
            begin = false;
        }

        // What was rounded away is made good by the next.
        at = (Math.Round(at.X + Math.Round(to.X - at.X, decimals), decimals), Math.Round(at.Y + Math.Round(to.Y - at.Y, decimals), decimals));
    }

    private void Write(double value, bool first)
    {
        var number = Math.Round(value, decimals).ToString("0.###", CultureInfo.InvariantCulture);
        number = number == "-0" ? "0" : number.StartsWith("0.", StringComparison.Ordinal) ? number[1..] : number.StartsWith("-0.", StringComparison.Ordinal) ? "-" + number[2..] : number;
        if (!first && number[0] != '-')
        {
            text.Append(' ');
        }

        text.Append(number);
    }

    /// <inheritdoc />
    public override string ToString() => text.ToString();
}
