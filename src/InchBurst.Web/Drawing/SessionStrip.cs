using System.Globalization;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Web.Drawing;

/// <summary>A filled box on the strip.</summary>
public sealed record StripBox(double X, double Y, double Width, double Height, WorkKind Kind, bool Solid);

/// <summary>A text on the strip.</summary>
public sealed record StripText(double X, double Y, string Text, string Strong, string Anchor, WorkKind? Kind = null);

/// <summary>A block's place on the strip.</summary>
public sealed record StripBlock(int Id, int Number, double X, double Width, string Title, string Duration, bool Selected);

/// <summary>The session to scale in time: plain shapes, no markup.</summary>
public sealed record SessionStrip(
    double Width,
    double Height,
    double AxisY,
    double LeftX,
    IReadOnlyList<StripBlock> Blocks,
    IReadOnlyList<StripBox> Boxes,
    IReadOnlyList<StripText> Labels,
    IReadOnlyList<double> Minutes,
    IReadOnlyList<(double X, string Text)> Figures,
    double WindowX,
    string WindowText,
    double? OverFromX,
    double? OverToX,
    string OverText,
    double EffortY100,
    double EffortY90,
    double EffortY50,
    double PixelsPerSecond)
{
    private const double Gutter = 36;
    private const double TopRoom = 32;
    private const double AxisRoom = 26;

    /// <summary>Lays a timeline out on a strip.</summary>
    public static SessionStrip Draw(SessionPlan plan, SessionTimeline timeline, double windowSeconds, double width, double height, int? selectedBlock)
    {
        var axis = height - AxisRoom;
        var full = axis - TopRoom;
        double Y(double effort) => axis - (full * Math.Clamp(effort, 4, 104) / 104);

        var longest = Math.Max(Math.Max(timeline.TotalSeconds, windowSeconds), 300);
        var scaleMinutes = Math.Ceiling((longest + 60) / 300) * 5;
        var perSecond = (width - Gutter - 8) / (scaleMinutes * 60);
        double X(double seconds) => Gutter + (seconds * perSecond);

        var boxes = new List<StripBox>();
        var labels = new List<StripText>();
        foreach (var item in timeline.Items)
        {
            var x = X(item.StartSeconds);
            var w = Math.Max(1, item.Seconds * perSecond);

            // What is done at the same time stands one above the other, each with its share of the height.
            var beside = timeline.Beside(item).ToList();
            var high = full / beside.Count;
            var floor = axis - (high * beside.IndexOf(item));
            double Top(double effort) => beside.Count == 1 ? Y(effort) : floor - (high * Math.Clamp(effort, 4, 104) / 112);
            if (item.Continuous)
            {
                var y = Top(item.Bars.Max(b => b.Effort));
                boxes.Add(new(x, y, w, floor - y, item.Line.Kind, false));
                boxes.Add(new(x, y, w, 3, item.Line.Kind, true));
                var name = item.Line.Exercise ?? item.Line.Kind.Name();
                var room = (int)(w / 6.2);
                if (room >= 4)
                {
                    labels.Add(new(x + 2, y - 5, room >= name.Length + 6 ? name + " " : "", room >= name.Length + 6 || room >= 5 ? Core.Units.Figures.Clock(item.Seconds) : "", "start"));
                }

                continue;
            }

            var top = item.Bars.Max(b => b.Effort);
            boxes.Add(new(x, Top(top), w, floor - Top(top), item.Line.Kind, false));
            foreach (var bar in item.Bars)
            {
                var y = Top(bar.Effort);
                var bw = Math.Max((bar.EndSeconds - bar.StartSeconds) * perSecond, 1.6);
                boxes.Add(new(X(bar.StartSeconds), y, Math.Min(bw, 5), floor - y, item.Line.Kind, true));
            }

            AddRestLabel(labels, item, X, floor, high);
        }

        var blocks = new List<StripBlock>();
        var number = 0;
        foreach (var block in plan.Blocks)
        {
            number++;
            var items = timeline.Items.Where(i => i.BlockId == block.Id).ToList();
            if (items.Count > 0)
            {
                var x = X(items[0].StartSeconds);
                var end = items.Max(i => i.EndSeconds);
                blocks.Add(new(block.Id, number, x, X(end) - x, block.Title, Core.Units.Figures.Clock(end - items[0].StartSeconds), block.Id == selectedBlock));
            }
        }

        var step = scaleMinutes > 120 ? 15 : scaleMinutes > 70 ? 10 : 5;
        var over = timeline.TotalSeconds - windowSeconds;
        return new(
            width, height, axis, Gutter, blocks, boxes, labels,
            [.. Enumerable.Range(0, (int)scaleMinutes + 1).Select(m => X(m * 60))],
            [.. Enumerable.Range(0, ((int)scaleMinutes / step) + 1).Select(i => i * step).Where(m => Math.Abs((m * 60) - windowSeconds) > 100).Select(m => (X(m * 60), m == 0 ? "0 min" : m.ToString(CultureInfo.InvariantCulture)))],
            X(windowSeconds),
            Core.Units.Figures.Clock(windowSeconds) + " window",
            over > Limits.WindowSeconds ? X(windowSeconds) : null,
            over > Limits.WindowSeconds ? X(timeline.TotalSeconds) : null,
            over > Limits.WindowSeconds ? "+" + Core.Units.Figures.Clock(over) : "",
            Y(100), Y(90), Y(50), perSecond);
    }

    private static void AddRestLabel(List<StripText> labels, ClockItem item, Func<double, double> x, double axis, double full)
    {
        // Written once, in the widest gap that holds it.
        (double From, double To) widest = default;
        for (var i = 1; i < item.Bars.Count; i++)
        {
            var gap = (x(item.Bars[i - 1].EndSeconds), x(item.Bars[i].StartSeconds));
            if (gap.Item2 - gap.Item1 > widest.To - widest.From)
            {
                widest = gap;
            }
        }

        if (item.RestSeconds is { } rest && widest.To - widest.From >= 56)
        {
            labels.Add(new((widest.From + widest.To) / 2, axis - (full * 0.4), "", "rest " + Core.Units.Figures.Clock(rest), "middle", item.Line.Kind));
        }
    }
}
