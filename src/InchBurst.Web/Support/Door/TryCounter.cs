using System.Collections.Concurrent;

namespace InchBurst.Web.Support.Door;

/// <summary>
/// Counts wrong passwords by where they come from, so that guessing is slow and nobody can shut somebody else out: tries from one place never count against another.
/// </summary>
public sealed class TryCounter(TimeProvider clock)
{
    /// <summary>Wrong tries for one name from one place before the door stays shut.</summary>
    public const int MostForName = 8;

    /// <summary>Wrong tries from one place, whatever the names.</summary>
    public const int MostFromPlace = 40;

    /// <summary>How long a try counts.</summary>
    public static readonly TimeSpan Counts = TimeSpan.FromMinutes(5);

    private const int MostKeys = 20_000;
    private readonly ConcurrentDictionary<string, ConcurrentQueue<DateTimeOffset>> tries = new();

    /// <summary>True when no more is taken from there for now.</summary>
    /// <param name="place">Where the request comes from.</param>
    /// <param name="name">Name that is typed.</param>
    public bool IsShut(string place, string name) => Count(ForName(place, name)) >= MostForName || Count(place) >= MostFromPlace;

    /// <summary>Notes a wrong try.</summary>
    /// <param name="place">Where it came from.</param>
    /// <param name="name">Name that was typed.</param>
    public void Note(string place, string name)
    {
        if (tries.Count > MostKeys)
        {
            tries.Clear();
        }

        var now = clock.GetUtcNow();
        tries.GetOrAdd(ForName(place, name), _ => new()).Enqueue(now);
        tries.GetOrAdd(place, _ => new()).Enqueue(now);
    }

    /// <summary>Forgets the tries for a name from a place, after the right password.</summary>
    /// <param name="place">Where it came from.</param>
    /// <param name="name">Name that was typed.</param>
    public void Clear(string place, string name) => tries.TryRemove(ForName(place, name), out _);

    private static string ForName(string place, string name) => place + "\n" + name.Trim().ToUpperInvariant();

    private int Count(string key)
    {
        if (!tries.TryGetValue(key, out var at))
        {
            return 0;
        }

        while (at.TryPeek(out var first) && clock.GetUtcNow() - first > Counts)
        {
            at.TryDequeue(out _);
        }

        return at.Count;
    }
}
