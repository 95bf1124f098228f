using InchBurst.Core.Demand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>One line's times of an athlete, as a message tells them.</summary>
/// <param name="Name">What the line is called.</param>
/// <param name="Times">Times of the day in s, in the order run.</param>
/// <param name="Speed">Best speed of the day as text with its unit.</param>
/// <param name="BestBefore">Best before this day in s, or null.</param>
/// <param name="IsHelped">True when it was run with help, so that its speed is not the athlete's own.</param>
public sealed record MessageLine(string Name, IReadOnlyList<double> Times, string Speed, double? BestBefore, bool IsHelped = false);

/// <summary>Writes the few sentences an athlete gets after a session.</summary>
public static class AthleteMessage
{
    /// <summary>The message.</summary>
    /// <param name="name">Name of the athlete.</param>
    /// <param name="day">The day as text.</param>
    /// <param name="lines">What was timed.</param>
    /// <param name="shareOfBest">Best flying speed of the day as a share of the best ever, or null.</param>
    /// <param name="keep">What was seen that is good, in words.</param>
    /// <param name="work">What to work on and the drill for it, in words.</param>
    /// <param name="cue">The cue of the day, may be empty.</param>
    /// <param name="noted">What was noted in the coach's own words, as typed.</param>
    public static string Write(string name, string day, IReadOnlyList<MessageLine> lines, double? shareOfBest, IReadOnlyList<string> keep, IReadOnlyList<string> work, string cue, IReadOnlyList<string>? noted = null)
    {
        var said = new List<string> { $"{name.Split(' ')[0]}, {day}." };
        foreach (var line in lines.Where(l => l.Times.Count > 0))
        {
            var best = line.Times.Min();
            var times = $"{string.Join(", ", line.Times.Select(Figures.Split))} {Figures.SplitUnit(line.Times[^1])}".TrimEnd();
            var compared = line.BestBefore switch
            {
                null => "your first times over this",
                { } b when best < b - 1e-9 => $"a new best, {Figures.Split(b - best)} s faster than {Figures.Split(b)}",
                { } b when Math.Abs(best - b) < 1e-9 => "equal to your best",
                { } b => $"your best is {Figures.Split(b)}",
            };
            said.Add(line.IsHelped ? $"{line.Name}: {times}; with help, so not your own speed." : $"{line.Name}: {times} (fastest {line.Speed}); {compared}.");
        }

        if (shareOfBest is { } share)
        {
            said.Add(share >= Limits.TopSpeedShare
                ? $"You reached {Figures.Number(share * 100)}% of your top speed: that counts."
                : $"You reached {Figures.Number(share * 100)}% of your top speed; 90% counts as a top-speed day.");
        }

        if (keep.Count > 0)
        {
            said.Add($"Keep: {string.Join(", ", keep).ToLowerInvariant()}.");
        }

        if (work.Count > 0)
        {
            said.Add($"Next: {string.Join("; ", work)}.");
        }

        if (noted is { Count: > 0 })
        {
            said.Add($"Noted: {string.Join("; ", noted)}.");
        }

        if (cue.Length > 0)
        {
            said.Add($"Cue of the day: {cue}.");
        }

        return string.Join('\n', said);
    }
}
