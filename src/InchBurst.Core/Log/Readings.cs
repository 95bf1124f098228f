using InchBurst.Core.Demand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>One person's reading of a rep.</summary>
/// <param name="By">Who read it.</param>
/// <param name="Method">How it was timed.</param>
/// <param name="Trigger">What started the clock.</param>
/// <param name="Marks">Marks in rising order, at least one.</param>
/// <param name="At">When the run ended, as that device had it.</param>
public sealed record Reading(string By, TimingMethod Method, StartTrigger Trigger, IReadOnlyList<LoggedMark> Marks, DateTime At);

/// <summary>What several readings of one rep come down to.</summary>
/// <param name="Marks">Marks that stand for the rep.</param>
/// <param name="Method">Method of those marks.</param>
/// <param name="Trigger">Trigger of those marks.</param>
/// <param name="IsMean">True when they are means.</param>
/// <param name="Conflict">Why a person must choose, or null when the readings agree.</param>
public sealed record RepMarks(IReadOnlyList<LoggedMark> Marks, TimingMethod Method, StartTrigger Trigger, bool IsMean, string? Conflict);

/// <summary>
/// One rep read by more than one person. Readings of one method that agree are averaged; electronic ones go before hand ones; readings that
/// differ by more than the method's own error, or that ended far apart in time, are kept side by side until somebody picks (common practice).
/// </summary>
public static class Readings
{
    /// <summary>Electronic readings of the same gates differ by no more than a slip of the finger would: 0.03 s (common practice).</summary>
    public const double ElectronicAgreeSeconds = 0.03;

    /// <summary>Two trained watches agree within 0.2 s (common practice).</summary>
    public const double HandAgreeSeconds = 0.2;

    /// <summary>Two people type the same run within this time; later than that it may have been the next one (common practice).</summary>
    public const double SameRunSeconds = 90;

    // Gates go before film, and film before a watch.
    private static int RankOf(TimingMethod method) => method switch { TimingMethod.Electronic => 0, TimingMethod.Film => 1, _ => 2 };

    /// <summary>What the readings of a rep come down to while nobody has picked.</summary>
    /// <param name="readings">At least one, in the order they came.</param>
    /// <exception cref="ArgumentException">There is no reading.</exception>
    public static RepMarks Combine(IReadOnlyList<Reading> readings)
    {
        if (readings.Count == 0)
        {
            throw new ArgumentException("A rep has at least one reading.", nameof(readings));
        }

        var first = readings[0];
        var best = readings.Min(r => RankOf(r.Method));
        var used = readings.Where(r => RankOf(r.Method) == best).ToList();
        var lead = used[0];
        if (readings.Any(r => Math.Abs((r.At - first.At).TotalSeconds) > SameRunSeconds))
        {
            return new(lead.Marks, lead.Method, lead.Trigger, false, "These were entered far apart in time. The same run, or two runs?");
        }

        if (used.Count == 1)
        {
            return new(lead.Marks, lead.Method, lead.Trigger, false, null);
        }

        var allowed = lead.Method == TimingMethod.Hand ? HandAgreeSeconds : ElectronicAgreeSeconds;
        if (used.Any(r => r.Trigger != lead.Trigger))
        {
            return new(lead.Marks, lead.Method, lead.Trigger, false, "The clocks were started by different triggers. Pick one.");
        }

        var marks = new List<LoggedMark>();
        foreach (var at in used.SelectMany(r => r.Marks).Select(m => m.At).DistinctBy(d => d.Millimetres).OrderBy(d => d.Millimetres))
        {
            var times = used.SelectMany(r => r.Marks).Where(m => m.At.Millimetres == at.Millimetres).Select(m => m.Seconds).ToList();
            if (times.Max() - times.Min() > allowed + 1e-9)
            {
                return new(lead.Marks, lead.Method, lead.Trigger, false, $"At {at} the readings differ by {Figures.Split(times.Max() - times.Min())} s. Pick one.");
            }

            marks.Add(new(at, Math.Round(times.Average(), 4)));
        }

        // Means over different people's marks need not rise; then no mean is made.
        return marks.Zip(marks.Skip(1)).All(p => p.Second.Seconds > p.First.Seconds)
            ? new(marks, lead.Method, lead.Trigger, true, null)
            : new(lead.Marks, lead.Method, lead.Trigger, false, "The means would not rise from mark to mark. Pick one.");
    }

    /// <summary>Readings of one rep taken apart into the runs they were of: what was entered at about the same time is one run; when all were, each is a run of its own.</summary>
    /// <param name="readings">Readings in any order.</param>
    /// <param name="at">When a reading was entered.</param>
    /// <returns>Runs in the order run, each with its readings in the order they came.</returns>
    public static IReadOnlyList<IReadOnlyList<T>> Runs<T>(IEnumerable<T> readings, Func<T, DateTime> at)
    {
        var runs = new List<List<T>>();
        foreach (var reading in readings.OrderBy(at))
        {
            if (runs.Count > 0 && (at(reading) - at(runs[^1][0])).TotalSeconds <= SameRunSeconds)
            {
                runs[^1].Add(reading);
            }
            else
            {
                runs.Add([reading]);
            }
        }

        return runs is [var only] ? [.. only.Select(r => new[] { r })] : runs;
    }

    /// <summary>Means of readings that somebody chose to average although they differ; the first reading when the means would not rise.</summary>
    /// <param name="readings">At least one.</param>
    public static RepMarks Mean(IReadOnlyList<Reading> readings)
    {
        var lead = readings[0];
        var marks = readings.SelectMany(r => r.Marks).GroupBy(m => m.At.Millimetres).OrderBy(g => g.Key)
            .Select(g => new LoggedMark(g.First().At, Math.Round(g.Average(m => m.Seconds), 4))).ToList();
        return marks.Zip(marks.Skip(1)).All(p => p.Second.Seconds > p.First.Seconds)
            ? new(marks, lead.Method, lead.Trigger, true, null)
            : new(lead.Marks, lead.Method, lead.Trigger, false, null);
    }
}
