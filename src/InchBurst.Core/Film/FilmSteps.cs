using InchBurst.Core.Movement;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Film;

/// <summary>A foot on the ground, from its first frame to the first one without it; one of the two may be outside the clip.</summary>
/// <param name="Foot">Which foot.</param>
/// <param name="Down">First frame on the ground, or null.</param>
/// <param name="Off">First frame clear of it, or null.</param>
/// <param name="At">Where its tip stands, px, or null.</param>
public sealed record FilmContact(Side Foot, FilmFrame? Down, FilmFrame? Off, Spot? At)
{
    /// <summary>True on frames of it.</summary>
    /// <param name="frame">Number of the frame.</param>
    public bool Holds(int frame) => (Down is not { } down || frame >= down.Number) && (Off is not { } off || frame < off.Number) && (Down ?? Off) is not null;
}

/// <summary>One step: from a foot's landing to the other's.</summary>
/// <param name="Number">Its number from 1.</param>
/// <param name="Foot">The foot that lands first.</param>
/// <param name="Frame">Frame of that landing.</param>
/// <param name="Contact">Time on the ground, s; null where it cannot be told.</param>
/// <param name="Flight">Time in the air after it, s; null likewise.</param>
/// <param name="Frequency">Steps a second; null likewise.</param>
/// <param name="Length">Tip of the foot to tip of the other, m; null without a scale or where the camera moved.</param>
public sealed record FilmStep(int Number, Side Foot, int Frame, FilmFigure? Contact, FilmFigure? Flight, FilmFigure? Frequency, FilmFigure? Length);

/// <summary>Steps of a clip and what they come to.</summary>
public sealed record FilmSteps
{
    /// <summary>Feet on the ground, in order.</summary>
    public required IReadOnlyList<FilmContact> Contacts { get; init; }

    /// <summary>The steps.</summary>
    public required IReadOnlyList<FilmStep> Steps { get; init; }

    /// <summary>Steps between landings that were counted.</summary>
    public int Counted { get; init; }

    /// <summary>Mean time on the ground, s.</summary>
    public FilmFigure? Contact { get; init; }

    /// <summary>Mean time in the air, s.</summary>
    public FilmFigure? Flight { get; init; }

    /// <summary>Steps a second over all steps.</summary>
    public FilmFigure? Frequency { get; init; }

    /// <summary>Mean step length, m.</summary>
    public FilmFigure? Length { get; init; }

    /// <summary>Mean speed over the steps, m/s.</summary>
    public FilmFigure? Speed { get; init; }

    /// <summary>Mean contact of the left less that of the right, s; null without both.</summary>
    public FilmFigure? LeftOverRight { get; init; }

    /// <summary>What is wrong with the marks, in a coach's words.</summary>
    public IReadOnlyList<string> Problems { get; init; } = [];

    /// <summary>Everything that the marks of feet say.</summary>
    /// <param name="marks">The marks.</param>
    public static FilmSteps Of(FilmMarks marks)
    {
        var problems = new List<string>();
        var contacts = ContactsOf(marks, problems);
        var landed = contacts.Where(c => c.Down is not null).ToList();
        var areHops = landed.Select(c => c.Foot).Distinct().Count() == 1;
        var scale = FilmScale.Of(marks) is { CameraMoved: false } still ? still : null;
        bool Follows(int i) => i + 1 < landed.Count && (areHops || landed[i + 1].Foot != landed[i].Foot);
        for (var i = 0; i + 1 < landed.Count; i++)
        {
            if (!Follows(i))
            {
                problems.Add($"The {Word(landed[i].Foot)} foot lands twice in a row, on frames {landed[i].Down!.Value.Number} and {landed[i + 1].Down!.Value.Number}: a landing of the other foot is missing, or a side is wrong. What lies between is not counted.");
            }
        }

        var steps = landed.Select((c, i) => StepOf(i + 1, c, Follows(i) ? landed[i + 1] : null, marks.Clip, scale)).ToList();
        var made = new FilmSteps { Contacts = contacts, Steps = steps, Problems = problems, Contact = Mean(marks.Clip, steps.Select(s => s.Contact), contacts.Select(c => (c.Down, c.Off))) };
        var flown = Enumerable.Range(0, landed.Count).Where(Follows).Select(i => (landed[i].Off, landed[i + 1].Down)).ToList();
        return Together(made with { Flight = Mean(marks.Clip, steps.Select(s => s.Flight), flown), LeftOverRight = SidesOf(marks.Clip, landed) }, landed, Follows, marks.Clip, scale);
    }

    /// <summary>The moment of the step a frame belongs to.</summary>
    /// <param name="frame">Number of the frame.</param>
    public FilmMoment MomentOf(int frame) =>
        Contacts.Any(c => c.Down?.Number == frame) ? FilmMoment.FootDown
        : Contacts.Any(c => c.Off?.Number == frame) ? FilmMoment.FootOff
        : Contacts.Any(c => c.Holds(frame)) ? FilmMoment.MidStance : FilmMoment.Flight;

    /// <summary>The foot a frame is about: that which lands, leaves or stands on it; null in the air.</summary>
    /// <param name="frame">Number of the frame.</param>
    public Side? FootOf(int frame) => Contacts.FirstOrDefault(c => c.Down?.Number == frame || c.Off?.Number == frame || c.Holds(frame))?.Foot;

    /// <summary>"left" or "right".</summary>
    /// <param name="foot">The foot.</param>
    internal static string Word(Side foot) => foot == Side.Left ? "left" : "right";

    private static List<FilmContact> ContactsOf(FilmMarks marks, List<string> problems)
    {
        var contacts = new List<FilmContact>();
        foreach (var mark in marks.Feet.OrderBy(f => f.Frame.Number).ThenBy(f => f.IsDown))
        {
            var open = contacts.FindLastIndex(c => c.Foot == mark.Foot && c.Off is null);
            var at = mark.At ?? ToeOf(marks, mark);
            if (mark.IsDown)
            {
                if (contacts.FindLast(c => c.Foot != mark.Foot && c.Off is null) is { } other && marks.Feet.Any(f => f.Foot == other.Foot && !f.IsDown && f.Frame.Number > mark.Frame.Number && !LandsBetween(marks, other, f)))
                {
                    problems.Add($"Both feet are down on frame {mark.Frame.Number}. In running one leaves before the other lands: a mark or a side is wrong, or this is a walk.");
                }

                contacts.Add(new(mark.Foot, mark.Frame, null, at));
            }
            else if (open >= 0)
            {
                contacts[open] = contacts[open] with { Off = mark.Frame };
            }
            else
            {
                contacts.Add(new(mark.Foot, null, mark.Frame, at));
            }
        }

        return contacts;
    }

    // A landing of the same foot before it leaves: what leaves is a later contact.
    private static bool LandsBetween(FilmMarks marks, FilmContact contact, FootMark off) =>
        marks.Feet.Any(f => f.Foot == contact.Foot && f.IsDown && f.Frame.Number > contact.Down!.Value.Number && f.Frame.Number < off.Frame.Number);

    // The foot's tip where it is marked with the body on that frame.
    private static Spot? ToeOf(FilmMarks marks, FootMark mark) =>
        mark.IsDown && marks.Bodies.FirstOrDefault(b => b.Frame == mark.Frame.Number) is { } body
            && body.Joints.TryGetValue(mark.Foot == FilmBody.NearSide(marks) ? FilmJoint.NearToe : FilmJoint.FarToe, out var toe) ? toe : null;

    private static FilmStep StepOf(int number, FilmContact contact, FilmContact? next, FilmClip clip, FilmScale? scale)
    {
        var down = contact.Down!.Value;
        FilmFigure? whole = next is null ? null : FilmFigure.Between(down, next.Down!.Value, clip);
        return new(
            number, contact.Foot, down.Number,
            contact.Off is { } off ? FilmFigure.Between(down, off, clip) : null,
            contact.Off is { } left && next is not null && next.Down!.Value.Number > left.Number ? FilmFigure.Between(left, next.Down!.Value, clip) : null,
            whole is { } t ? new(1 / t.Value, t.Within / (t.Value * t.Value)) : null,
            scale is not null && contact.At is { } at && next?.At is { } to ? scale.Distance(at, to) : null);
    }

    // Of one figure its own doubt; of several that of their mean.
    private static FilmFigure? Mean(FilmClip clip, IEnumerable<FilmFigure?> figures, IEnumerable<(FilmFrame? From, FilmFrame? To)> ends)
    {
        var all = figures.OfType<FilmFigure>().ToList();
        if (all.Count < 2)
        {
            return all.Count == 0 ? null : all[0];
        }

        var squares = ends.Where(e => e is { From: not null, To: not null }).Select(e => FilmFigure.Deviation(e.From!.Value, e.To!.Value, clip)).Sum(d => d * d);
        return new(all.Average(f => f.Value), FilmFigure.Normal * Math.Sqrt(squares) / all.Count);
    }

    private static FilmFigure? SidesOf(FilmClip clip, List<FilmContact> landed)
    {
        FilmFigure? Of(Side side)
        {
            var own = landed.Where(c => c.Foot == side && c.Off is not null).ToList();
            return Mean(clip, own.Select(c => (FilmFigure?)FilmFigure.Between(c.Down!.Value, c.Off!.Value, clip)), own.Select(c => (c.Down, c.Off)));
        }

        return Of(Side.Left) is { } left && Of(Side.Right) is { } right ? new(left.Value - right.Value, Math.Sqrt((left.Within * left.Within) + (right.Within * right.Within))) : null;
    }

    // Landings that follow on each other are one stretch of time: only its two ends are in doubt.
    private static FilmSteps Together(FilmSteps made, List<FilmContact> landed, Func<int, bool> follows, FilmClip clip, FilmScale? scale)
    {
        var (steps, seconds, doubt) = (0, 0.0, 0.0);
        var (lengths, metres, span, askance, late) = (0, 0.0, 0.0, 0.0, 0.0);
        for (var i = 0; i < landed.Count; i++)
        {
            var from = i;
            while (follows(i))
            {
                i++;
            }

            if (i == from)
            {
                continue;
            }

            var time = FilmFigure.Between(landed[from].Down!.Value, landed[i].Down!.Value, clip);
            (steps, seconds, doubt) = (steps + i - from, seconds + time.Value, doubt + time.Within);
            if (scale is not null && landed[from].At is { } a && landed[i].At is { } b)
            {
                var way = scale.Distance(a, b);
                (lengths, metres, span) = (lengths + i - from, metres + way.Value, span + time.Value);
                (askance, late) = (askance + way.Within, late + time.Within);
            }
        }

        return steps == 0 ? made : made with
        {
            Counted = steps,
            Frequency = new(steps / seconds, steps * doubt / (seconds * seconds)),
            Length = lengths == 0 ? null : new(metres / lengths, askance / lengths),
            Speed = lengths == 0 ? null : new(metres / span, metres / span * Math.Sqrt(Math.Pow(askance / metres, 2) + Math.Pow(late / span, 2))),
        };
    }
}
