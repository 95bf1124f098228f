using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.School;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>How a start is set up.</summary>
/// <param name="LeadSeconds">From the press to "set", s.</param>
/// <param name="HoldLeast">Shortest hold between "set" and the go, s.</param>
/// <param name="HoldMost">Longest hold, s; not under the shortest.</param>
public sealed record StartSetting(double LeadSeconds, double HoldLeast, double HoldMost);

/// <summary>A mark that a start is timed at.</summary>
/// <param name="Label">What it is called.</param>
/// <param name="Metres">Where it lies from the start, m.</param>
/// <param name="ExpectedSeconds">What the athlete is expected to take from the first movement, s.</param>
public sealed record StartMark(string Label, double Metres, double ExpectedSeconds);

/// <summary>A start as it can be given: for whom, to where, with what is known of the athlete.</summary>
/// <param name="Setting">How it is set up unless the coach says otherwise.</param>
/// <param name="Marks">Marks in rising order; none on a line that is not timed.</param>
/// <param name="RunMetres">Length of the whole run, m.</param>
/// <param name="Places">Metres the athlete is expected to have run at every tenth of a second from the first movement, up to the last mark.</param>
/// <param name="Reactions">The athlete's latest reactions, s, newest first.</param>
public sealed record StartSight(StartSetting Setting, IReadOnlyList<StartMark> Marks, double RunMetres, IReadOnlyList<double> Places, IReadOnlyList<double> Reactions)
{
    /// <summary>The athlete's usual reactions, s; null while there are too few of them.</summary>
    public UsualRange? Usual { get; init; } = UsualRange.Of(Reactions);
}

/// <summary>What stands for one mark of a start.</summary>
/// <param name="Label">What the mark is called.</param>
/// <param name="Clock">Time from the go as tapped, s; empty where the mark was missed.</param>
/// <param name="Run">The same from the first movement; empty where that is not known.</param>
/// <param name="Hand">As the rules read a hand time: up to the next tenth.</param>
public sealed record StartFigure(string Label, string Clock, string Run, string Hand);

/// <summary>What taps and a pad come to.</summary>
/// <param name="Reaction">From the go to the first movement in s, below zero before it; null where nothing told of it.</param>
/// <param name="IsFalse">True for a false start.</param>
/// <param name="Marks">What stands for each mark.</param>
/// <param name="Boxes">Texts for the boxes of the line, as if typed; none while nothing was tapped.</param>
/// <param name="Watch">What the times are counted from.</param>
public sealed record StartWord(double? Reaction, bool IsFalse, IReadOnlyList<StartFigure> Marks, IReadOnlyList<string> Boxes, WatchFrom Watch)
{
    /// <summary>The reaction in words.</summary>
    public string Says => Reaction is not { } seconds ? "" : seconds < 0 ? $"{Figures.Exact(-seconds, 3)} s before GO" : $"{Figures.Exact(seconds, 3)} s after GO";
}

/// <summary>What a stopwatch is counted from.</summary>
public enum WatchFrom
{
    /// <summary>No stopwatch of a start.</summary>
    None,

    /// <summary>The go: the reaction is part of the time.</summary>
    Go,

    /// <summary>The first movement.</summary>
    Move,
}

/// <summary>
/// The start box. A hold is drawn evenly between its ends when "set" is said and not before, from figures nobody can foresee, so that neither
/// the lead-in nor earlier starts tell when the go comes: an athlete who guesses gains nothing.
/// </summary>
public static class StartBox
{
    /// <summary>Bounds of the lead-in, s.</summary>
    public static (double Least, double Most) Lead { get; } = (2, 60);

    /// <summary>Bounds of the hold, s.</summary>
    public static (double Least, double Most) Holding { get; } = (0.8, 6);

    /// <summary>Least spread of a hold, s: with less the go can be foreseen.</summary>
    public const double LeastSpread = 0.4;

    /// <summary>Reactions of an athlete that are looked at, the latest.</summary>
    public const int LatestReactions = 20;

    // A tenth of a second between two places of the expected way.
    private const double PlaceStep = 0.1;
    private const int MostPlaces = 1200;

    /// <summary>How a start is set up by a school.</summary>
    /// <param name="school">The school.</param>
    /// <param name="isYoung">True for an athlete under 16, who is held for less long.</param>
    public static StartSetting Usual(CoachingSchool school, bool isYoung) =>
        Within(new(school["start.lead"], school["start.hold.least"], isYoung ? Math.Min(school["start.hold.young"], school["start.hold.most"]) : school["start.hold.most"]));

    /// <summary>A setting within its bounds.</summary>
    /// <param name="asked">What was asked for; what is no number counts as the least.</param>
    public static StartSetting Within(StartSetting asked)
    {
        static double Clamp(double value, (double Least, double Most) bounds) => double.IsFinite(value) ? Math.Clamp(value, bounds.Least, bounds.Most) : bounds.Least;
        var least = Math.Min(Clamp(asked.HoldLeast, Holding), Holding.Most - LeastSpread);
        return new(Clamp(asked.LeadSeconds, Lead), least, Math.Max(Clamp(asked.HoldMost, Holding), least + LeastSpread));
    }

    /// <summary>How long this hold is: every length between its ends is as likely as another.</summary>
    /// <param name="setting">The setting; brought within its bounds.</param>
    /// <param name="draw">32 random bits from a source that cannot be foreseen.</param>
    /// <returns>Seconds from "set" to the go.</returns>
    public static double HoldSeconds(StartSetting setting, uint draw)
    {
        var within = Within(setting);
        return within.HoldLeast + ((within.HoldMost - within.HoldLeast) * (draw / (double)uint.MaxValue));
    }

    /// <summary>A start of an athlete on a line.</summary>
    /// <param name="state">The session.</param>
    /// <param name="demand">What the line asks of the athlete.</param>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete.</param>
    public static StartSight See(LiveState state, LineDemand demand, LiveSetting setting, LiveAthlete athlete)
    {
        var marks = LineMarks.Expected(demand).Select(m => new StartMark(m.ToString(), m.Metres, demand.Course is null ? 0 : demand.ExpectedSeconds(m.Metres))).ToList();
        var run = demand.Course?.Metres ?? marks.LastOrDefault()?.Metres ?? 0;
        var own = state.Runs.Where(r => r.AthleteId == athlete.Id && !r.IsTakenBack && r.What.ReactionSeconds is not null).OrderByDescending(r => r.FinishedAt).Select(r => r.What.ReactionSeconds!.Value);
        return new(Usual(setting.School, athlete.IsYoung), marks, run, Places(demand, marks), [.. own.Concat(athlete.Reactions).Where(r => !HandTime.IsFalseStart(r)).Take(LatestReactions)]);
    }

    /// <summary>What taps come to.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="timing">How the line is timed: its boxes take clock times or splits.</param>
    /// <param name="fromMove">True when the clock is to be counted from the first movement, where that is known.</param>
    /// <param name="go">Moment of the go, ms of the device.</param>
    /// <param name="move">Moment of the first movement; NaN where nothing told of it.</param>
    /// <param name="taps">Moment of each mark in order; NaN where it was missed, none where it is still to come.</param>
    public static StartWord Read(LineDemand demand, LineTiming timing, bool fromMove, double go, double move, IReadOnlyList<double> taps)
    {
        var marks = LineMarks.Expected(demand);
        double? reaction = double.IsNaN(move) ? null : Math.Round((move - go) / 1000, 3);
        var watch = fromMove && reaction is not null ? WatchFrom.Move : WatchFrom.Go;
        double? Clock(int i) => i < taps.Count && !double.IsNaN(taps[i]) && taps[i] > go ? Math.Round((taps[i] - go) / 1000, 2) : null;
        double? Run(int i) => reaction is { } first && Clock(i) is { } at && at > first ? Math.Round(at - first, 2) : null;
        var seconds = marks.Select((_, i) => watch == WatchFrom.Move ? Run(i) : Clock(i)).ToList();
        string Text(double? value) => value is { } v ? Figures.Split(v) : "";
        return new(
            reaction, reaction is { } r && HandTime.IsFalseStart(r),
            [.. marks.Select((m, i) => new StartFigure(m.ToString(), Text(Clock(i)), Text(Run(i)), Clock(i) is { } at ? Figures.Exact(HandTime.RoundedUp(at), 1) : ""))],
            seconds.TrueForAll(s => s is null) ? [] : [.. LiveEntry.Typed(new(seconds, false, null), timing).Select(t => t.EndsWith('0') && t.Contains('.', StringComparison.Ordinal) ? t[..^1] : t)], watch);
    }

    // Where the athlete is expected to be: the expected times turned around.
    private static List<double> Places(LineDemand demand, List<StartMark> marks)
    {
        if (marks.Count == 0 || demand.Course is null || !(marks[^1].ExpectedSeconds < MostPlaces * PlaceStep))
        {
            return [];
        }

        var way = Enumerable.Range(0, (int)Math.Ceiling(marks[^1].Metres / 0.5) + 1).Select(i => Math.Min(marks[^1].Metres, i * 0.5)).Select(m => (Metres: m, Seconds: m <= 0 ? 0 : demand.ExpectedSeconds(m))).ToList();
        var places = new List<double>();
        var next = 1;
        for (var t = 0.0; t < marks[^1].ExpectedSeconds; t += PlaceStep)
        {
            while (next < way.Count - 1 && way[next].Seconds < t)
            {
                next++;
            }

            var (from, to) = (way[next - 1], way[next]);
            places.Add(Math.Round(from.Metres + ((to.Metres - from.Metres) * Math.Clamp((t - from.Seconds) / Math.Max(1e-9, to.Seconds - from.Seconds), 0, 1)), 2));
        }

        return [.. places, Math.Round(marks[^1].Metres, 2)];
    }
}
