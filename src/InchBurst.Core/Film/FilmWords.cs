using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

/// <summary>Steps, flights and splits of a clip in words, each figure with what it is doubted by.</summary>
internal static class FilmWords
{
    /// <summary>A step, or their mean, as a row.</summary>
    internal static FilmRow Row(int number, string foot, int frame, FilmFigure? contact, FilmFigure? flight, FilmFigure? frequency, FilmFigure? length, int decimals) => new(
        number, foot, frame, contact is { } c ? Ms(c) : Dash, flight is { } f ? Ms(f) : Dash, frequency is { } hz ? Figures.Exact(hz.Value, decimals) : Dash, length is { } m ? Figures.Exact(m.Value, 2) : Dash);

    private const string Dash = "–";

    /// <summary>Whole milliseconds.</summary>
    internal static string Ms(FilmFigure figure) => Figures.Number(figure.Value * 1000);

    // A doubt never reads as none: its last shown place is at least 1.
    private static string Doubt(double within, int decimals) => Figures.Exact(Math.Max(within, Math.Pow(10, -decimals)), decimals);

    /// <summary>What is marked on a frame: "right foot down, step 4", or empty.</summary>
    internal static string HereOf(FilmSteps steps, int frame)
    {
        var on = steps.Contacts.FirstOrDefault(c => c.Down?.Number == frame) ?? steps.Contacts.FirstOrDefault(c => c.Off?.Number == frame);
        if (on is null)
        {
            return "";
        }

        var step = on.Down is { } down ? steps.Steps.FirstOrDefault(s => s.Frame == down.Number && s.Foot == on.Foot)?.Number : null;
        return $"{FilmSteps.Word(on.Foot)} foot {(on.Down?.Number == frame ? "down" : "off")}{(step is { } number ? $", step {number}" : "")}";
    }

    /// <summary>The foot that comes next on a frame, "left" or "right": feet take turns, so after the last landing before it the other one's is due.</summary>
    internal static string NextFootOf(FilmSteps steps, int frame)
    {
        if (steps.Contacts.FirstOrDefault(c => c.Down?.Number == frame) is { } here)
        {
            return FilmSteps.Word(here.Foot);
        }

        var before = steps.Contacts.LastOrDefault(c => (c.Down ?? c.Off)!.Value.Number < frame);
        return before is not null ? FilmSteps.Word(Turned(before.Foot))
            : steps.Contacts.FirstOrDefault(c => c.Down?.Number > frame) is { } after ? FilmSteps.Word(Turned(after.Foot)) : "right";
    }

    private static Side Turned(Side foot) => foot == Side.Left ? Side.Right : Side.Left;

    /// <summary>Flights between contacts.</summary>
    internal static IEnumerable<FilmAir> AirsOf(FilmSteps steps)
    {
        foreach (var step in steps.Steps.Where(s => s.Flight is not null))
        {
            var off = steps.Contacts.First(c => c.Down?.Number == step.Frame && c.Foot == step.Foot).Off!.Value.Number;
            yield return new(off, steps.Steps[step.Number].Frame, Ms(step.Flight!.Value));
        }
    }

    /// <summary>What every figure is doubted by.</summary>
    internal static string DoubtsOf(FilmSteps steps, FilmClip clip)
    {
        var time = steps.Steps.Select(s => s.Contact ?? s.Flight).OfType<FilmFigure>().Select(f => (double?)f.Within).Max() ?? FilmFigure.Triangle * clip.Frame;
        var length = steps.Steps.Select(s => s.Length?.Within).Max();
        return $"each time ± {Doubt(time * 1000, 0)} ms{(length is { } m ? $", each length ± {Doubt(m, 2)} m" : "")} (95 of 100)";
    }

    /// <summary>What the steps come to.</summary>
    internal static string SumOf(FilmSteps steps, FilmMarks marks)
    {
        var said = new List<string>();
        if (steps.Frequency is { } hz)
        {
            var speed = steps.Speed is { } v
                ? $", {Figures.SpeedNumber(v.Value, marks.Speed)} ± {Doubt(Figures.SpeedIn(v.Within, marks.Speed), marks.Speed == SpeedReading.MetresPerSecond ? 2 : 1)} {Figures.SymbolOf(marks.Speed)}"
                : "";
            var length = steps.Length is { } m ? $", {Figures.Exact(m.Value, 2)} ± {Doubt(m.Within, 2)} m" : "";
            said.Add($"Over {steps.Counted} step{(steps.Counted == 1 ? "" : "s")} {Figures.Exact(hz.Value, 2)} ± {Doubt(hz.Within, 2)} Hz{length}{speed}.");
        }

        if (steps.Contact is { } contact && steps.Steps.Count(s => s.Contact is not null) > 1)
        {
            said.Add($"Contact {Ms(contact)} ± {Doubt(contact.Within * 1000, 0)} ms.");
        }

        if (steps.LeftOverRight is { } gap)
        {
            said.Add($"Left contact {Figures.Number(Math.Abs(gap.Value) * 1000)} ms {(gap.Value < 0 ? "shorter" : "longer")} than right: "
                + (Math.Abs(gap.Value) <= marks.Clip.Frame ? "inside one frame, so no difference." : Math.Abs(gap.Value) <= gap.Within ? "within what these frames leave open." : $"more than these frames leave open (± {Doubt(gap.Within * 1000, 0)} ms)."));
        }

        return string.Join(' ', said);
    }

    /// <summary>Times between lines.</summary>
    internal static List<FilmSplit> SplitsOf(FilmMarks marks)
    {
        var lines = marks.Lines.OrderBy(l => l.At.Metres).ToList();
        return
        [
            .. lines.Zip(lines.Skip(1)).Where(p => p.Second.Frame.Number > p.First.Frame.Number).Select(p =>
            {
                var time = FilmFigure.Between(p.First.Frame, p.Second.Frame, marks.Clip);
                return new FilmSplit(
                    $"{Figures.Number(p.First.At.To(p.Second.At.Unit).Amount, 2)} to {Figures.Number(p.Second.At.Amount, 2)} {p.Second.At.Symbol}",
                    $"{Figures.Exact(time.Value, 3)} ± {Doubt(time.Within, 3)} s",
                    Figures.SpeedText((p.Second.At.Metres - p.First.At.Metres) / time.Value, marks.Speed));
            }),
        ];
    }
}
