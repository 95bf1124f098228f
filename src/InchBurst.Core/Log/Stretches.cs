using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A time of a run over one stretch, with the key of the trial under which it compares.</summary>
/// <param name="Key">Key of its trial: equal keys compare, others never.</param>
/// <param name="FromMillimetres">Where it begins; 0 for the start.</param>
/// <param name="ToMillimetres">Where it ends.</param>
/// <param name="Seconds">Time over it, s.</param>
public readonly record struct StretchTime(string Key, int FromMillimetres, int ToMillimetres, double Seconds);

/// <summary>The stretches of a run that are kept to be compared: the one definition for the program and for the file.</summary>
public static class Stretches
{
    /// <summary>Lengths of flying zones that are looked for in every run.</summary>
    public static IReadOnlyList<Distance> FlyingLengths { get; } = [Distance.InMetres(10), Distance.InMetres(20), new(10, DistanceUnit.Yard), new(20, DistanceUnit.Yard)];

    /// <summary>From the start to each mark, from each mark to the next, flying zones of the usual lengths, and the run's own zone.</summary>
    /// <param name="run">The run.</param>
    public static IReadOnlyList<StretchTime> Of(LoggedRun run)
    {
        var found = new List<StretchTime>();
        var trial = run.Trial;
        if (trial.StartKey is { } key)
        {
            found.AddRange(run.Marks.Select(m => new StretchTime(key, 0, m.At.Millimetres, m.Seconds)));
        }

        var flying = trial.FlyingKey;
        for (var i = 0; i < run.Marks.Count; i++)
        {
            for (var j = i + 1; j < run.Marks.Count; j++)
            {
                var (from, to) = (run.Marks[i], run.Marks[j]);
                if (j == i + 1 || IsZone(run, from.At.Millimetres, to.At.Millimetres))
                {
                    found.Add(new(flying, from.At.Millimetres, to.At.Millimetres, to.Seconds - from.Seconds));
                }
            }
        }

        return found;
    }

    /// <summary>The stretch of a run's headline time.</summary>
    /// <param name="run">The run, with at least one mark.</param>
    public static StretchTime Headline(LoggedRun run)
    {
        var (from, to) = RunMeaning.Headline(run);
        return new(from.At.Millimetres == 0 && run.HasStart ? run.Trial.StartKey! : run.Trial.FlyingKey, from.At.Millimetres, to.At.Millimetres, to.Seconds - from.Seconds);
    }

    private static bool IsZone(LoggedRun run, int from, int to) =>
        run.Zone == (from, to) || (!run.HasStart && from == run.Marks[0].At.Millimetres) || FlyingLengths.Any(l => l.Millimetres == to - from);
}
