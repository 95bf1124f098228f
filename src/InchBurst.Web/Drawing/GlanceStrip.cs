using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Web.Drawing;

/// <summary>A session in time at a glance: a box a line, to scale with every other one in its list, as high as its effort.</summary>
/// <param name="Boxes">Boxes from left to right: place, width and height in px, and the kind of work.</param>
/// <param name="WindowX">Where its time ends, px.</param>
/// <param name="IsOver">True when it lasts longer than its time.</param>
public sealed record GlanceStrip(IReadOnlyList<(double X, double Width, double Height, WorkKind Kind)> Boxes, double WindowX, bool IsOver)
{
    /// <summary>Height, px.</summary>
    public const double Height = 34;

    /// <summary>A minute, px.</summary>
    public const double Minute = 5.6;

    private const double Least = 0.5;

    /// <summary>Draws it.</summary>
    /// <param name="timeline">The session in time.</param>
    /// <param name="setting">What its lines ask.</param>
    /// <param name="windowSeconds">Time there is, s.</param>
    public static GlanceStrip Draw(SessionTimeline timeline, ClockSetting setting, double windowSeconds) => new(
        [.. timeline.Items.Select(i => (i.StartSeconds / 60 * Minute, Math.Max(Least, i.Seconds / 60 * Minute), Math.Max(3, setting.DemandOf(i.Line).HardestEffort / 110 * Height), i.Line.Kind))],
        windowSeconds / 60 * Minute, timeline.TotalSeconds - windowSeconds > Limits.OverrunSeconds);
}
