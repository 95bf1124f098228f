using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Progress;

/// <summary>One of the two that are compared: the mean of some runs at each of their marks.</summary>
/// <param name="Marks">Marks in rising order with mean time in s and how many runs it stands on; 0 runs is a figure without an error of its own, such as the squad's middle.</param>
/// <param name="Sample">A run that stands for how they were run.</param>
public sealed record CompareSide(IReadOnlyList<(Distance At, double Seconds, int Runs)> Marks, LoggedRun Sample)
{
    /// <summary>Efforts this far apart in percent are still alike.</summary>
    public const double AlikeEffort = 3;

    /// <summary>The side of some runs of one trial, those asked as hard as the hardest of them; null without any.</summary>
    /// <param name="runs">Runs timed from the start.</param>
    public static CompareSide? Of(IReadOnlyCollection<LoggedRun> runs)
    {
        var hard = runs.Where(r => r.Effort >= runs.Max(x => x.Effort) - AlikeEffort).ToList();
        return hard.Count == 0 ? null : new(
            [.. hard.SelectMany(r => r.Marks).GroupBy(m => m.At.Millimetres).OrderBy(g => g.Key).Select(g => (g.First().At, g.Average(m => m.Seconds), g.Count()))], hard.OrderByDescending(r => r.Marks.Count).First());
    }

    /// <summary>The runs as one: the mean at each mark that all of them passed, as run by the one with most marks; null where fewer than two were run.</summary>
    public LoggedRun? Pooled => Marks.Max(m => m.Runs) is var runs && runs < 2 ? null
        : Sample with { Marks = [.. Marks.Where(m => m.Runs == runs).Select(m => new LoggedMark(m.At, m.Seconds))] };

    /// <summary>The curve of the means, or why there is none.</summary>
    public FitOutcome Fit => SprintFit.Fit([.. Marks.Select(m => new GateTime(m.At.Metres, m.Seconds))], Sample.FitAssumptions);
}

/// <summary>The two at one mark.</summary>
/// <param name="At">The mark.</param>
/// <param name="Now">Mean time of the first in s.</param>
/// <param name="Then">Mean time of the second in s.</param>
/// <param name="Error">Standard error of the difference in s.</param>
/// <param name="Freedom">Degrees of freedom of it.</param>
public sealed record ComparedMark(Distance At, double Now, double Then, double Error, int Freedom)
{
    /// <summary>Seconds by which the first is ahead; negative when behind.</summary>
    public double Gain => Then - Now;

    /// <summary>The gain as the times show it that are read to a hundredth, s.</summary>
    public double Shown => Math.Round(Math.Round(Then, 2) - Math.Round(Now, 2), 2);

    /// <summary>Half width of the 90% range of the gain in s.</summary>
    public double Range90 => StudentT.InvCDF(0, 1, Freedom, 0.95) * Error;
}

/// <summary>How the two were run, and whether that keeps them from being compared.</summary>
/// <param name="What">What is looked at.</param>
/// <param name="Words">In words: one when they are alike, both when they are not.</param>
/// <param name="IsAlike">True when they are alike; null when nobody said.</param>
/// <param name="Forbids">True when the difference forbids a verdict.</param>
public sealed record Comparability(string What, string Words, bool? IsAlike, bool Forbids);

/// <summary>How sure something is, in words.</summary>
public static class Certainty
{
    /// <summary>"likely" from 75 in 100, "very likely" from 95, "almost certainly" from 99.5 (Hopkins 2000); else empty.</summary>
    /// <param name="chance">Chance, 0 to 1.</param>
    public static string Word(double chance) => chance switch { >= 0.995 => "almost certainly", >= 0.95 => "very likely", >= 0.75 => "likely", _ => "" };
}

/// <summary>What is to be thought of the difference at the mark that counts.</summary>
/// <param name="At">The mark.</param>
/// <param name="Smallest">Smallest gain that matters, s.</param>
/// <param name="Faster">Chance that the first is truly faster by more than that, 0 to 1.</param>
/// <param name="Slower">Chance that it is truly slower by more than that.</param>
public sealed record CompareVerdict(ComparedMark At, double Smallest, double Faster, double Slower)
{
    /// <summary>Chance that the difference is too small to matter.</summary>
    public double Trivial => Math.Max(0, 1 - Faster - Slower);

    /// <summary>How sure it is that the difference seen is a true one.</summary>
    public string Sure => Certainty.Word(At.Gain >= 0 ? Faster : Slower);
}

/// <summary>Two sides of runs laid over each other.</summary>
/// <param name="Marks">Marks both have.</param>
/// <param name="List">What was looked at to see whether they can be compared.</param>
/// <param name="Verdict">The verdict; null when something forbids one.</param>
/// <param name="MostWon">Stretch over which most of the difference came about: from, to in m and seconds gained; null without a difference.</param>
public sealed record RunComparison(IReadOnlyList<ComparedMark> Marks, IReadOnlyList<Comparability> List, CompareVerdict? Verdict, (double From, double To, double Seconds)? MostWon)
{
    /// <summary>Share of the scatter between athletes that is the smallest change worth having (Hopkins 2000).</summary>
    public const double SmallestShare = 0.2;

    /// <summary>Lays two sides over each other at the marks both have.</summary>
    /// <param name="now">The first.</param>
    /// <param name="then">The second.</param>
    /// <param name="errorAt">Typical error of one run at a mark.</param>
    /// <param name="smallestAt">Smallest gain that matters at a mark, s; null where it is not known: half the typical error then (own rule).</param>
    /// <returns>The comparison, or null when they have no mark in common.</returns>
    public static RunComparison? Of(CompareSide now, CompareSide then, Func<Distance, TypicalError> errorAt, Func<Distance, double?> smallestAt)
    {
        var thens = then.Marks.ToDictionary(m => m.At.Millimetres);
        var marks = now.Marks.Where(m => thens.ContainsKey(m.At.Millimetres)).Select(m =>
        {
            var (other, error) = (thens[m.At.Millimetres], errorAt(m.At));
            return new ComparedMark(m.At, m.Seconds, other.Seconds, error.Size * Math.Sqrt(Part(m.Runs) + Part(other.Runs)), error.Freedom);
        }).ToList();
        if (marks.Count == 0)
        {
            return null;
        }

        var list = Alike(now, then);
        var last = marks[^1];
        var smallest = smallestAt(last.At) ?? errorAt(last.At).Size / 2;
        var verdict = list.Any(c => c.Forbids) || last.Error <= 0 ? null : new CompareVerdict(
            last, smallest, 1 - StudentT.CDF(0, 1, last.Freedom, (smallest - last.Gain) / last.Error), StudentT.CDF(0, 1, last.Freedom, (-smallest - last.Gain) / last.Error));
        return new(marks, list, verdict, Most(marks));
    }

    private static double Part(int runs) => runs == 0 ? 0 : 1.0 / runs;

    private static (double, double, double)? Most(List<ComparedMark> marks)
    {
        var ahead = Math.Sign(marks[^1].Shown);
        var (from, before) = (0.0, 0.0);
        (double, double, double)? most = null;
        foreach (var mark in marks)
        {
            var gained = mark.Gain - before;
            if (ahead != 0 && gained * ahead > (most is { } m ? m.Item3 * ahead : 0))
            {
                most = (from, mark.At.Metres, gained);
            }

            (from, before) = (mark.At.Metres, mark.Gain);
        }

        return most;
    }

    private static List<Comparability> Alike(CompareSide now, CompareSide then)
    {
        var (a, b) = (now.Sample, then.Sample);
        static string Both(string first, string second) => first == second ? first : $"{first}, then {second}";
        var (start, startThen) = (StartOf(a), StartOf(b));
        var (clock, clockThen) = (ClockOf(a), ClockOf(b));
        var (method, methodThen) = (TimingWords.Of(a.Method), TimingWords.Of(b.Method));
        var (course, courseThen) = (CourseOf(a), CourseOf(b));
        var surfaces = (a.Surface, b.Surface);
        var shoes = (a.Setting.Shoes, b.Setting.Shoes);
        var effort = Math.Abs(a.Effort - b.Effort) <= CompareSide.AlikeEffort;
        return
        [
            new("Start", Both(start, startThen), start == startThen, start != startThen),
            new("Clock", Both(clock, clockThen), clock == clockThen, clock != clockThen),
            new("Timing", Both(method, methodThen), method == methodThen, method != methodThen),
            new("Course", Both(course, courseThen), course == courseThen, course != courseThen),
            new("Effort", effort ? $"{Figures.Number(a.Effort)}% asked" : $"{Figures.Number(a.Effort)}%, then {Figures.Number(b.Effort)}% asked", effort, !effort),
            surfaces is (Surface.Unsaid, _) or (_, Surface.Unsaid) ? new("Surface", "not said for both", null, false) : new("Surface", Both(Words(a.Surface), Words(b.Surface)), a.Surface == b.Surface, false),
            shoes is (Shoes.Unsaid, _) or (_, Shoes.Unsaid) ? new("Shoes", "not said for both", null, false) : new("Shoes", Both(Words(shoes.Item1), Words(shoes.Item2)), shoes.Item1 == shoes.Item2, false),
            Air(a.Setting, b.Setting),
        ];
    }

    // Half a metre a second of wind is worth a hundredth or two over a sprint, and a wind gauge tells no less.
    private const double AlikeWind = 0.5;
    private const double AlikeHeight = 300;

    private static Comparability Air(RunSetting now, RunSetting then)
    {
        static string Of(RunSetting s) => s.AltitudeMetres is > AlikeHeight and var h ? $"{RunSetting.WindWords(s.WindMetresPerSecond)[5..]} m/s, {Figures.Number(h)} m up" : RunSetting.WindWords(s.WindMetresPerSecond)[5..] + " m/s";
        if (now.WindMetresPerSecond is not { } w || then.WindMetresPerSecond is not { } v)
        {
            return new("Wind", now.WindMetresPerSecond is null && then.WindMetresPerSecond is null ? "not measured" : "not measured for both", null, false);
        }

        var alike = Math.Abs(w - v) <= AlikeWind + 1e-9 && Math.Abs((now.AltitudeMetres ?? 0) - (then.AltitudeMetres ?? 0)) <= AlikeHeight;
        return new("Wind", alike && Of(now) == Of(then) ? Of(now) : $"{Of(now)}, then {Of(then)}", alike, false);
    }

    private static string Words(Shoes shoes) => Trial.ShoeWords(shoes);

    private static string Words(Surface surface) => surface.ToString().ToLowerInvariant();

    private static string StartOf(LoggedRun run) => run.Start?.ToString() is { } said ? System.Text.RegularExpressions.Regex.Replace(said, "(?<=[a-z])([A-Z])", " $1").ToLowerInvariant() : "usual start";

    private static string ClockOf(LoggedRun run) => (run.Trigger switch { StartTrigger.Gun => "from the gun", StartTrigger.FirstMove => "from first movement", _ => "from the first gate" })
        + (run.StartBehindGateMetres > 0 ? $", start {Figures.Number(run.StartBehindGateMetres, 2)} m behind" : "");

    private static string CourseOf(LoggedRun run) => string.Join(", ", new[] { run.Trial.IsStraight ? "straight" : Trial.CourseWords(run.Course), run.IsFree ? "free" : run.Load }.Where(w => w.Length > 0));
}
