using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

/// <summary>A step as a row.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Foot">"left" or "right".</param>
/// <param name="Frame">Frame of the landing.</param>
/// <param name="Contact">Contact, ms, or a dash.</param>
/// <param name="Flight">Flight, ms, or a dash.</param>
/// <param name="Frequency">Steps a second, or a dash.</param>
/// <param name="Length">Length, m, or a dash.</param>
public sealed record FilmRow(int Number, string Foot, int Frame, string Contact, string Flight, string Frequency, string Length);

/// <summary>A foot on the ground on the timeline.</summary>
/// <param name="Foot">"left" or "right".</param>
/// <param name="Down">First frame, or null where the clip began on it.</param>
/// <param name="Off">First frame clear of the ground, or null where it is not marked.</param>
/// <param name="Text">Its length in ms, or empty.</param>
public sealed record FilmBar(string Foot, int? Down, int? Off, string Text);

/// <summary>Air between two contacts on the timeline.</summary>
/// <param name="From">First frame.</param>
/// <param name="To">Frame of the landing.</param>
/// <param name="Text">Its length in ms.</param>
public sealed record FilmAir(int From, int To, string Text);

/// <summary>An angle as it is read: on the picture and on its gauge.</summary>
/// <param name="Name">"Shin ahead".</param>
/// <param name="Text">"15°".</param>
/// <param name="Degrees">The angle.</param>
/// <param name="Within">Half width of its range, degrees.</param>
/// <param name="Low">Least of the goal, or null where none is set.</param>
/// <param name="High">Most of the goal.</param>
/// <param name="Word">"in", "out", "on the edge", or empty without a goal.</param>
/// <param name="Corner">Where it is drawn, px.</param>
/// <param name="From">Where its first line goes, px.</param>
/// <param name="To">Where its second line goes, px.</param>
public sealed record FilmGauge(string Name, string Text, double Degrees, double Within, double? Low, double? High, string Word, Spot Corner, Spot From, Spot To);

/// <summary>A stretch between two lines.</summary>
/// <param name="Name">"0 to 10 m".</param>
/// <param name="Seconds">Its time with its doubt: "1.083 ± 0.006".</param>
/// <param name="Speed">Mean speed over it with its unit.</param>
public sealed record FilmSplit(string Name, string Seconds, string Speed);

/// <summary>A goal laid over the picture.</summary>
/// <param name="Pose">Name of the drawn position.</param>
/// <param name="Hip">Where its hip comes to lie, px.</param>
/// <param name="Stature">How tall it is drawn, px.</param>
/// <param name="RunsRight">True where it goes to the right.</param>
public sealed record FilmGoalOver(string Pose, Spot Hip, double Stature, bool RunsRight);

/// <summary>One thing to work on.</summary>
/// <param name="Says">"Reached in front, leg left behind".</param>
/// <param name="Codes">What was seen, as observations' codes.</param>
/// <param name="Drills">Exercises that answer it, at most three.</param>
public sealed record FilmSuggestion(string Says, IReadOnlyList<string> Codes, IReadOnlyList<string> Drills);

/// <summary>Everything said of a clip's marks, and of the body on one frame, in words and places to draw.</summary>
public sealed record FilmSight
{
    /// <summary>Most drills that are offered.</summary>
    public const int MostDrills = 3;

    /// <summary>"120 frames a second, one frame = 8.3 ms".</summary>
    public string Clip { get; init; } = "";

    /// <summary>"120 a second".</summary>
    public string Camera { get; init; } = "";

    /// <summary>"each time ± 6 ms, each length ± 0.05 m (95 of 100)".</summary>
    public string Doubts { get; init; } = "";

    /// <summary>"frame 88".</summary>
    public string Frame { get; init; } = "";

    /// <summary>"0.733 s".</summary>
    public string Time { get; init; } = "";

    /// <summary>"right foot down, step 4"; empty where nothing is marked on the frame.</summary>
    public string Here { get; init; } = "";

    /// <summary>What a landing or a leaving on this frame would be: the foot that comes next, "left" or "right".</summary>
    public string NextFoot { get; init; } = "";

    /// <summary>The foot that would leave on this frame: that which stands, else the one that comes next.</summary>
    public string LeavingFoot { get; init; } = "";

    /// <summary>Steps as rows.</summary>
    public IReadOnlyList<FilmRow> Rows { get; init; } = [];

    /// <summary>Their means as a row, or null.</summary>
    public FilmRow? Mean { get; init; }

    /// <summary>Mean speed with its unit; empty where it cannot be told.</summary>
    public string Speed { get; init; } = "";

    /// <summary>What the steps come to, in a sentence or two.</summary>
    public string Sum { get; init; } = "";

    /// <summary>Contacts on the timeline.</summary>
    public IReadOnlyList<FilmBar> Bars { get; init; } = [];

    /// <summary>Flights on the timeline.</summary>
    public IReadOnlyList<FilmAir> Airs { get; init; } = [];

    /// <summary>Angles of the body on this frame.</summary>
    public IReadOnlyList<FilmGauge> Angles { get; init; } = [];

    /// <summary>Why no angle is read here, or what they stand on.</summary>
    public string AnglesNote { get; init; } = "";

    /// <summary>The moment this frame belongs to.</summary>
    public FilmMoment Moment { get; init; }

    /// <summary>Goal to lay over, or null.</summary>
    public FilmGoalOver? Goal { get; init; }

    /// <summary>Times between lines.</summary>
    public IReadOnlyList<FilmSplit> Splits { get; init; } = [];

    /// <summary>What to mind, in a coach's words.</summary>
    public IReadOnlyList<string> Problems { get; init; } = [];

    /// <summary>What to work on, or null.</summary>
    public FilmSuggestion? Suggestion { get; init; }

    /// <summary>"cones 2.00 m apart = 424 px"; empty without a scale.</summary>
    public string Scale { get; init; } = "";

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, FilmJsonContext.Default.FilmSight);

    /// <summary>A clip by the times of its frames, as text; null where there is none.</summary>
    /// <param name="times">When each frame is shown, s of the file, in order.</param>
    /// <param name="width">Width of the picture, px.</param>
    /// <param name="height">Height of the picture, px.</param>
    public static string? ClipOf(double[] times, int width, int height) => FilmClip.Of(times, width, height) is { } clip ? JsonSerializer.Serialize(clip, FilmJsonContext.Default.FilmClip) : null;

    /// <summary>Everything said of marks, from text and as text.</summary>
    /// <param name="marks">Text of <see cref="FilmMarks"/>.</param>
    /// <param name="frame">Text of the frame that is looked at.</param>
    /// <param name="phase">Name of the phase.</param>
    /// <exception cref="JsonException">One of them is none.</exception>
    public static string Read(string marks, string frame, string phase) =>
        Of(FilmMarks.Read(marks), JsonSerializer.Deserialize(frame, FilmJsonContext.Default.FilmFrame), Enum.TryParse<FilmPhase>(phase, out var known) ? known : throw new JsonException("There is no such phase.")).Write();

    /// <summary>Everything said of marks, looked at on a frame.</summary>
    /// <param name="marks">The marks.</param>
    /// <param name="frame">The frame that is looked at.</param>
    /// <param name="phase">Part of the run it is judged as.</param>
    public static FilmSight Of(FilmMarks marks, FilmFrame frame, FilmPhase phase)
    {
        var (clip, steps, scale) = (marks.Clip, FilmSteps.Of(marks), FilmScale.Of(marks));
        var mark = marks.Bodies.FirstOrDefault(b => b.Frame == frame.Number);
        var moment = mark?.Moment ?? (FilmGoal.Moments(phase) is [var only] ? only : steps.MomentOf(frame.Number));
        var sight = new FilmSight
        {
            Clip = clip.Words,
            Camera = $"{Figures.Number(clip.TrueRate, clip.TrueRate < 100 ? 1 : 0)} a second",
            Doubts = DoubtsOf(steps, clip),
            Frame = $"frame {frame.Number}",
            Time = $"{Figures.Exact(frame.At(clip), 3)} s",
            Here = HereOf(steps, frame.Number),
            NextFoot = NextFootOf(steps, frame.Number),
            LeavingFoot = steps.Contacts.LastOrDefault(c => c.Down?.Number <= frame.Number && c.Off is null) is { } stands ? FilmSteps.Word(stands.Foot) : NextFootOf(steps, frame.Number),
            Rows = [.. steps.Steps.Select(s => Row(s.Number, FilmSteps.Word(s.Foot), s.Frame, s.Contact, s.Flight, s.Frequency, s.Length, 1))],
            Mean = steps.Steps.Count > 1 ? Row(0, "mean", 0, steps.Contact, steps.Flight, steps.Frequency, steps.Length, 2) : null,
            Speed = steps.Speed is { } v ? Figures.SpeedText(v.Value, marks.Speed) : "",
            Sum = SumOf(steps, marks),
            Bars = [.. steps.Contacts.Select(c => new FilmBar(FilmSteps.Word(c.Foot), c.Down?.Number, c.Off?.Number, c is { Down: { } d, Off: { } o } ? Ms(FilmFigure.Between(d, o, clip)) : ""))],
            Airs = [.. AirsOf(steps)],
            Moment = moment,
            Splits = SplitsOf(marks),
            Problems = [.. FilmChecks.Of(marks, steps, scale)],
            Scale = scale is null ? "" : $"{Figures.Exact(scale.Mark.Metres, 2)} m = {Figures.Number(scale.Mark.Pixels)} px",
        };
        return mark is null ? sight with { AnglesNote = "Mark joints on this frame to read angles." } : WithBody(sight, FilmBody.Of(marks, mark, steps), mark with { Moment = moment });
    }

    private static FilmSight WithBody(FilmSight sight, FilmBody body, BodyMark mark)
    {
        var goal = FilmGoal.For(mark.Phase, mark.Moment);
        var beyond = body.Beyond();
        var over = goal is not null && mark.Joints.TryGetValue(FilmJoint.Hip, out var hip) && body.StaturePixels() is { } stature ? new FilmGoalOver(goal.Pose, hip, stature, body.RunsRight) : null;
        if (!body.IsInMiddle)
        {
            return sight with { Goal = over, AnglesNote = "The runner is outside the middle third of the picture, where the camera looks from the side: no angle is read here. Take a frame nearer the middle." };
        }

        if (beyond.Count > 0)
        {
            return sight with { Goal = over, AnglesNote = $"No body does this: {string.Join(" and ", beyond)}. Are near and far leg mixed up?" };
        }

        if (body.StandsHigher)
        {
            return sight with { Goal = over, AnglesNote = $"The foot that is said to stand is the higher one. The runner goes to the {(body.RunsRight ? "right" : "left")}, so the near leg is the {(body.RunsRight ? "right" : "left")} one: give the mark to the other foot (O), or change near and far." };
        }

        // With a goal its own angles, in its order; without one what everybody reads.
        var all = body.Angles();
        var shown = goal is null ? all.Where(a => a.Kind is FilmAngleKind.Trunk or FilmAngleKind.ShinAhead or FilmAngleKind.Split or FilmAngleKind.Knee) : goal.Angles.Select(g => all.FirstOrDefault(a => a.Kind == g.Kind)).OfType<FilmAngle>();
        var gauges = shown.Select(a => Gauge(a, goal?.Angles.FirstOrDefault(g => g.Kind == a.Kind))).ToList();
        return sight with
        {
            Angles = gauges,
            Goal = over,
            AnglesNote = gauges.Count == 0 ? "Mark hip, shoulder, knee and ankle to read angles." : goal is null ? "No goal is set for this moment of this phase." : "Goal ranges: common practice. Bar on the dot: what marking leaves open.",
            Suggestion = goal is null ? null : SuggestionOf(all, goal),
        };
    }

    private static FilmSuggestion? SuggestionOf(IReadOnlyList<FilmAngle> angles, FilmGoal goal)
    {
        var codes = goal.Angles.Select(g => (Goal: g, Is: angles.FirstOrDefault(a => a.Kind == g.Kind))).Where(x => x.Is is not null)
            .Select(x => x.Is!.Degrees + x.Is.Within < x.Goal.Low ? x.Goal.Under : x.Is.Degrees - x.Is.Within > x.Goal.High ? x.Goal.Over : null)
            .OfType<string>().Distinct().ToList();
        if (codes.Count == 0)
        {
            return null;
        }

        var seen = codes.Select(Observations.Of).ToList();
        var words = string.Join(", ", seen.Select((o, i) => i == 0 ? o.Says : char.ToLowerInvariant(o.Says[0]) + o.Says[1..]));

        // The first choice of each before the second of any.
        var drills = Enumerable.Range(0, seen.Max(o => o.Drills.Count)).SelectMany(i => seen.Where(o => i < o.Drills.Count).Select(o => o.Drills[i])).Distinct().Take(MostDrills);
        return new(words, codes, [.. drills]);
    }

    private static FilmGauge Gauge(FilmAngle angle, GoalAngle? goal)
    {
        var word = goal is null ? "" : angle.Degrees >= goal.Low && angle.Degrees <= goal.High ? "in"
            : angle.Degrees + angle.Within < goal.Low || angle.Degrees - angle.Within > goal.High ? "out" : "on the edge";
        return new(NameOf(angle.Kind), $"{Figures.Number(angle.Degrees)}°", angle.Degrees, angle.Within, goal?.Low, goal?.High, word, angle.Corner, angle.From, angle.To);
    }

    /// <summary>What an angle is called.</summary>
    /// <param name="kind">The angle.</param>
    public static string NameOf(FilmAngleKind kind) => kind switch
    {
        FilmAngleKind.Trunk => "Trunk lean",
        FilmAngleKind.ShinAhead => "Shin ahead",
        FilmAngleKind.ShinLean => "Shin lean",
        FilmAngleKind.Reach => "Foot ahead of hip",
        FilmAngleKind.Split => "Thigh split",
        FilmAngleKind.Knee => "Knee inside",
        _ => "Front thigh",
    };

    private static FilmRow Row(int number, string foot, int frame, FilmFigure? contact, FilmFigure? flight, FilmFigure? frequency, FilmFigure? length, int decimals) => new(
        number, foot, frame, contact is { } c ? Ms(c) : Dash, flight is { } f ? Ms(f) : Dash, frequency is { } hz ? Figures.Exact(hz.Value, decimals) : Dash, length is { } m ? Figures.Exact(m.Value, 2) : Dash);

    private const string Dash = "–";

    private static string Ms(FilmFigure figure) => Figures.Number(figure.Value * 1000);

    // A doubt never reads as none: its last shown place is at least 1.
    private static string Doubt(double within, int decimals) => Figures.Exact(Math.Max(within, Math.Pow(10, -decimals)), decimals);

    private static string HereOf(FilmSteps steps, int frame)
    {
        var on = steps.Contacts.FirstOrDefault(c => c.Down?.Number == frame) ?? steps.Contacts.FirstOrDefault(c => c.Off?.Number == frame);
        if (on is null)
        {
            return "";
        }

        var step = on.Down is { } down ? steps.Steps.FirstOrDefault(s => s.Frame == down.Number && s.Foot == on.Foot)?.Number : null;
        return $"{FilmSteps.Word(on.Foot)} foot {(on.Down?.Number == frame ? "down" : "off")}{(step is { } number ? $", step {number}" : "")}";
    }

    // Feet take turns: after the last landing before a frame the other one's is due.
    private static string NextFootOf(FilmSteps steps, int frame)
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

    private static IEnumerable<FilmAir> AirsOf(FilmSteps steps)
    {
        foreach (var step in steps.Steps.Where(s => s.Flight is not null))
        {
            var off = steps.Contacts.First(c => c.Down?.Number == step.Frame && c.Foot == step.Foot).Off!.Value.Number;
            yield return new(off, steps.Steps[step.Number].Frame, Ms(step.Flight!.Value));
        }
    }

    private static string DoubtsOf(FilmSteps steps, FilmClip clip)
    {
        var time = steps.Steps.Select(s => s.Contact ?? s.Flight).OfType<FilmFigure>().Select(f => (double?)f.Within).Max() ?? FilmFigure.Triangle * clip.Frame;
        var length = steps.Steps.Select(s => s.Length?.Within).Max();
        return $"each time ± {Doubt(time * 1000, 0)} ms{(length is { } m ? $", each length ± {Doubt(m, 2)} m" : "")} (95 of 100)";
    }

    private static string SumOf(FilmSteps steps, FilmMarks marks)
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

    /// <summary>
    /// Times at lines as a run has them, s from the first line; that one is among them, with 0, where it does not lie at 0 m, as nothing is then known of the start. Empty without two lines, or where a
    /// later one is passed no later.
    /// </summary>
    /// <param name="marks">The marks.</param>
    public static IReadOnlyList<(Distance At, double Seconds)> TimesOf(FilmMarks marks)
    {
        var lines = marks.Lines.OrderBy(l => l.At.Metres).ToList();
        if (lines.Count < 2 || lines.Zip(lines.Skip(1)).Any(p => p.Second.Frame.Number <= p.First.Frame.Number || p.Second.At.Millimetres == p.First.At.Millimetres))
        {
            return [];
        }

        var first = lines[0].Frame.At(marks.Clip);
        return [.. lines.Skip(lines[0].At.Millimetres == 0 ? 1 : 0).Select(l => (l.At, Math.Round(l.Frame.At(marks.Clip) - first, 4)))];
    }

    private static List<FilmSplit> SplitsOf(FilmMarks marks)
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
