using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

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

    /// <summary>Seconds of the world in one second of the file.</summary>
    public double Slowed { get; init; }

    /// <summary>How fast the file is played for the world to go at a quarter of its speed, as a share of the file's own speed.</summary>
    public double SlowPlay { get; init; }

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, FilmJsonContext.Default.FilmSight);

    /// <summary>A clip by the times of its frames, as text; null where there is none.</summary>
    /// <param name="times">When each frame is shown, s of the file, in order.</param>
    /// <param name="width">Width of the picture, px.</param>
    /// <param name="height">Height of the picture, px.</param>
    public static string? ClipOf(double[] times, int width, int height) => FilmClip.Of(times, width, height) is { } clip ? JsonSerializer.Serialize(FilmOpened.Of(clip), FilmJsonContext.Default.FilmOpened) : null;

    /// <summary>A clip that stands beside another one, as text; null where there is none. Where both say the same rate it is taken to be shot as that one was.</summary>
    /// <param name="beside">Text of the clip it stands beside.</param>
    /// <param name="times">When each frame is shown, s of the file, in order.</param>
    /// <param name="width">Width of the picture, px.</param>
    /// <param name="height">Height of the picture, px.</param>
    /// <exception cref="JsonException">The first text is no clip.</exception>
    public static string? BesideOf(string beside, double[] times, int width, int height) =>
        FilmClip.Of(times, width, height) is { } clip ? JsonSerializer.Serialize(FilmOpened.Of(clip.ShotLike(JsonSerializer.Deserialize(beside, FilmJsonContext.Default.FilmClip) ?? throw new JsonException("There is no clip."))), FilmJsonContext.Default.FilmOpened) : null;

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
            Slowed = clip.Slowed,
            SlowPlay = clip.SlowPlay,
            Camera = $"{Figures.Number(clip.TrueRate, clip.TrueRate < 100 ? 1 : 0)} a second",
            Doubts = FilmWords.DoubtsOf(steps, clip),
            Frame = $"frame {frame.Number}",
            Time = $"{Figures.Exact(frame.At(clip), 3)} s",
            Here = FilmWords.HereOf(steps, frame.Number),
            NextFoot = FilmWords.NextFootOf(steps, frame.Number),
            LeavingFoot = steps.Contacts.LastOrDefault(c => c.Down?.Number <= frame.Number && c.Off is null) is { } stands ? FilmSteps.Word(stands.Foot) : FilmWords.NextFootOf(steps, frame.Number),
            Rows = [.. steps.Steps.Select(s => FilmWords.Row(s.Number, FilmSteps.Word(s.Foot), s.Frame, s.Contact, s.Flight, s.Frequency, s.Length, 1))],
            Mean = steps.Steps.Count > 1 ? FilmWords.Row(0, "mean", 0, steps.Contact, steps.Flight, steps.Frequency, steps.Length, 2) : null,
            Speed = steps.Speed is { } v ? Figures.SpeedText(v.Value, marks.Speed) : "",
            Sum = FilmWords.SumOf(steps, marks),
            Bars = [.. steps.Contacts.Select(c => new FilmBar(FilmSteps.Word(c.Foot), c.Down?.Number, c.Off?.Number, c is { Down: { } d, Off: { } o } ? FilmWords.Ms(FilmFigure.Between(d, o, clip)) : ""))],
            Airs = [.. FilmWords.AirsOf(steps)],
            Moment = moment,
            Splits = FilmWords.SplitsOf(marks),
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
}
