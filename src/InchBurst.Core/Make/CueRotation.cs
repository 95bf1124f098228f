using InchBurst.Core.Plan;

namespace InchBurst.Core.Make;

/// <summary>An emphasis and the words it is given in.</summary>
/// <param name="Emphasis">The emphasis.</param>
/// <param name="Words">What the athletes are told.</param>
public sealed record DayCue(string Emphasis, string Words);

/// <summary>One emphasis a session, rotating, so that none is forgotten (common practice).</summary>
public static class CueRotation
{
    /// <summary>The emphases in the order they are rotated.</summary>
    public static IReadOnlyList<DayCue> All { get; } =
    [
        new("foot contact", "Ball of the foot, crisp sound"),
        new("posture", "Tall hips, step down under you"),
        new("arms", "Cheek to hip, nothing across"),
        new("turnover", "Step over the knee, quick and light"),
        new("drive", "Push the ground away"),
        new("rise", "Come up slowly, one step at a time"),
        new("slowing down", "Hips low, short steps, then stop"),
    ];

    /// <summary>The cue used longest ago; those never used come first.</summary>
    /// <param name="latestFirst">Cues of earlier sessions, the latest first; words of the coach's own are passed over.</param>
    public static DayCue Next(IReadOnlyList<string> latestFirst) => All
        .Select((cue, i) => (Cue: cue, Place: i, Ago: IndexOf(latestFirst, cue.Words)))
        .OrderByDescending(c => c.Ago).ThenBy(c => c.Place).First().Cue;

    private static int IndexOf(IReadOnlyList<string> list, string words)
    {
        for (var i = 0; i < list.Count; i++)
        {
            if (list[i].Equals(words, StringComparison.OrdinalIgnoreCase))
            {
                return i;
            }
        }

        return int.MaxValue;
    }
}
