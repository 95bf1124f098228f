using System.Globalization;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>The what-if estimate: expected speed of the last rep against rest.</summary>
public sealed record RestPicture(double Width, double Height, double Left, double Right, double Bottom, string Path, double NowX, double NowY, string NowText, double RuleX, IReadOnlyList<(double X, string Text)> Ticks, IReadOnlyList<(double Y, string Text)> Shares, string Reason)
{
    public static RestPicture Draw(int reps, double sprintSeconds, RestAdvice now, RestAdvice rule, double width, double height)
    {
        var most = Math.Max(300, Math.Ceiling(Math.Max(now.Seconds, rule.Seconds) / 60) * 60);
        double left = 40, right = width - 10, top = 8, bottom = height - 22;
        double Share(double rest) => RepeatSprint.Shares(reps, sprintSeconds, rest)[^1];
        var low = Math.Floor(Share(15) * 20) / 20;
        double X(double rest) => left + ((right - left) * rest / most);
        double Y(double share) => bottom - ((bottom - top) * (Math.Max(share, low) - low) / (1 - low));
        var path = string.Join(' ', Enumerable.Range(0, 61).Select(i => Math.Max(15, most * i / 60)).Select((r, i) => string.Create(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{X(r):0.#} {Y(Share(r)):0.#}")));
        var share = Share(Math.Max(now.Seconds, 1));
        return new(
            width, height, left, right, bottom, path, X(now.Seconds), Y(share), $"rest {Figures.Clock(now.Seconds)}: last rep about {share * 100:0}%", X(rule.Seconds),
            [.. Enumerable.Range(0, (int)(most / 60) + 1).Select(m => (X(m * 60), m == 0 ? "0" : $"{m}:00"))],
            [(Y(low), $"{low * 100:0}%"), (Y(1), "100%")],
            rule.Reason + (now.Reason == "as written" ? $"; written: {Figures.Clock(now.Seconds)}" : ""));
    }
}
