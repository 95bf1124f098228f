using InchBurst.Core.Clock;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;

namespace InchBurst.Web.Drawing;

/// <summary>A line as planned: its outline in time.</summary>
public sealed record PlannedBar(double X, double Width, double Y, string Text);

/// <summary>A go as it was run.</summary>
public sealed record RunBar(double X, double Width, WorkKind Kind);

/// <summary>How late a line ended.</summary>
public sealed record LateArrow(double From, double To, string Text);

/// <summary>A session as planned, as outlines, over the runs at their real minutes; under the axis how late each line with runs ended, to scale.</summary>
public sealed record ReviewStrip(
    double Width, IReadOnlyList<PlannedBar> Planned, IReadOnlyList<RunBar> Runs, IReadOnlyList<LateArrow> Late, IReadOnlyList<(double X, string Text)> Minutes, double WindowX, string WindowText)
{
    public const double AxisY = 108;
    public const double Height = 168;

    private const double Left = 40;
    private const double Top = 24;
    private const double MostPerMinute = 22.4;
    private const double LateAfter = 15;

    // Px a letter takes: what would run into the next outline is left out.
    private const double Letter = 6.6;

    /// <summary>Draws a session looked back on.</summary>
    /// <param name="timeline">As planned for those who were here.</param>
    /// <param name="goes">Goes by line, with the moment each ended.</param>
    /// <param name="started">When the clock began.</param>
    /// <param name="windowSeconds">Time there was, s.</param>
    /// <param name="names">What a line may be called, the most telling first; the first that fits is written.</param>
    /// <param name="width">Width, px.</param>
    public static ReviewStrip Draw(SessionTimeline timeline, IReadOnlyList<(PlanLine Line, IReadOnlyList<Go> Goes)> goes, DateTime started, double windowSeconds, Func<PlanLine, IReadOnlyList<string>> names, double width)
    {
        double At(DateTime moment) => (moment - started).TotalSeconds;
        var end = Math.Max(Math.Max(timeline.TotalSeconds, windowSeconds), goes.SelectMany(g => g.Goes).Select(g => At(g.FinishedAt)).DefaultIfEmpty(0).Max());
        var scale = Math.Min(MostPerMinute, (width - Left - 20) / Math.Max(1, end / 60)) / 60;
        double X(double seconds) => Left + (Math.Max(0, seconds) * scale);
        var step = scale * 60 < 8 ? 10 : 5;
        var late = goes.Where(g => g.Goes.Count > 0).Select(g => (Planned: timeline.Items.Where(i => i.Line.Id == g.Line.Id).Select(i => (double?)i.EndSeconds).Max(), Real: g.Goes.Max(x => At(x.FinishedAt))))
            .Where(l => l.Planned is { } planned && Math.Abs(l.Real - planned) > LateAfter).Select(l => new LateArrow(X(l.Planned!.Value), X(l.Real), (l.Real > l.Planned ? "+" : "−") + Core.Units.Figures.Clock(Math.Abs(l.Real - l.Planned!.Value))));
        return new(
            width,
            [.. timeline.Items.Select(i => new PlannedBar(X(i.StartSeconds), Math.Max(2, (i.EndSeconds - i.StartSeconds) * scale), Top + ((AxisY - Top) * (1 - (i.Bars.Select(b => b.Effort).DefaultIfEmpty(40).Max() / 100 * 0.9))), names(i.Line).FirstOrDefault(n => n.Length * Letter <= (i.EndSeconds - i.StartSeconds) * scale) ?? ""))],
            [.. goes.SelectMany(g => g.Goes.Select(x => new RunBar(X(At(x.FinishedAt) - x.Seconds), Math.Max(2, x.Seconds * scale), g.Line.Kind)))],
            [.. late],
            [.. Enumerable.Range(0, (int)(end / 60 / step) + 1).Select(m => (X(m * step * 60), m == 0 ? "0 min" : $"{m * step}"))],
            X(windowSeconds), $"{Core.Units.Figures.Clock(windowSeconds)} window");
    }
}

/// <summary>Real rests of a line as dots in bins of five seconds, beside the rest asked for and the middle of them.</summary>
public sealed record RestDots(double AskedX, IReadOnlyList<(double X, double Y)> Dots, double MiddleX, IReadOnlyList<(double X, string Text)> Ticks)
{
    public const double Width = 320;
    public const double Height = 76;

    private const double AxisY = 56;
    private const double Bin = 5;
    private const double Radius = 2.6;

    /// <summary>Draws rests.</summary>
    /// <param name="rests">Real ones, s.</param>
    /// <param name="asked">What was asked for, s.</param>
    /// <param name="middle">Their median, s.</param>
    public static RestDots Draw(IReadOnlyList<double> rests, double asked, double middle)
    {
        var minutes = Math.Clamp(Math.Ceiling(Math.Max(asked * 1.2, rests.DefaultIfEmpty(0).Max()) / 60), 2, 15);
        double X(double seconds) => (Width - 24) * Math.Min(seconds, minutes * 60) / (minutes * 60);
        var bins = rests.GroupBy(r => Math.Floor(Math.Min(r, minutes * 60) / Bin)).ToList();

        // A high stack is pressed together rather than cut off.
        var rise = Math.Min(Radius * 2, (AxisY - 12) / Math.Max(1, bins.Select(b => b.Count()).DefaultIfEmpty(1).Max()));
        return new(
            X(asked), [.. bins.SelectMany(b => Enumerable.Range(0, b.Count()).Select(i => (X((b.Key + 0.5) * Bin), AxisY - Radius - (i * rise))))], X(middle),
            [.. Enumerable.Range(0, (int)minutes + 1).Where(m => minutes <= 8 || m % 2 == 0).Select(m => (X(m * 60), m == 0 ? "0" : m == (int)minutes ? $"{m} min" : $"{m}"))]);
    }
}
