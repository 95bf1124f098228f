namespace InchBurst.Data;

/// <summary>Remembers what the file holds of each athlete by days. What changed is asked for anew only of whom it changed, and only on the days on which it did.</summary>
/// <typeparam name="T">What is remembered.</typeparam>
/// <param name="dayOf">The day of a thing.</param>
/// <param name="enough">How many of the latest of an athlete are enough; the asker then gives rather more of them, so that some can go without all being asked for again.</param>
public sealed class DayMemory<T>(Func<T, DateOnly> dayOf, int enough = int.MaxValue)
{
    private readonly Dictionary<int, Known> known = [];

    // How often all and each athlete was forgotten: what was asked for before the last time is not remembered.
    private readonly Dictionary<int, long> forgotten = [];
    private readonly Lock gate = new();
    private long allForgotten;

    /// <summary>Asks the file for what some athletes did: since the first day, or, where days are given, on those days. More than was asked for does no harm.</summary>
    public delegate Task<ILookup<int, T>> Ask(IReadOnlyCollection<int> athletes, IReadOnlySet<DateOnly>? days);

    // What is known since a day; of some days no longer true. Where only the latest were given, those before the oldest of them are not known.
    private sealed record Known(DateOnly From, IReadOnlyList<T> Items, bool IsCut, IReadOnlySet<DateOnly> Changed);

    /// <summary>What athletes did since a day, athlete by athlete; at least as many of the latest as are enough.</summary>
    public async Task<ILookup<int, T>> GetAsync(IReadOnlyCollection<int> athletes, DateOnly from, Ask ask)
    {
        Dictionary<int, (Known? Known, (long, long) Then)> before;
        lock (gate)
        {
            before = athletes.Distinct().ToDictionary(a => a, a => (known.TryGetValue(a, out var found) && found.From <= from ? found : null, Stamp(a)));
        }

        List<int> changed = [.. before.Where(b => b.Value.Known?.Changed.Count > 0).Select(b => b.Key)];
        var days = changed.SelectMany(a => before[a].Known!.Changed).Where(d => d >= from).ToHashSet();
        var some = days.Count == 0 ? null : await ask(changed, days);
        var now = before.Where(b => b.Value.Known is not null).ToDictionary(b => b.Key, b => Anew(b.Value.Known!, from, some?[b.Key] ?? []));

        // Where too many of the latest went, older ones have to be fetched.
        List<int> unknown = [.. before.Keys.Where(a => !now.TryGetValue(a, out var of) || (of.IsCut && of.Items.Count < enough))];
        var whole = unknown.Count == 0 ? null : await ask(unknown, null);
        foreach (var athlete in unknown)
        {
            List<T> items = [.. whole![athlete]];
            now[athlete] = new(from, items, items.Count >= enough, new HashSet<DateOnly>());
        }

        lock (gate)
        {
            foreach (var (athlete, of) in now.Where(n => Stamp(n.Key) == before[n.Key].Then))
            {
                known[athlete] = of;
            }
        }

        return now.SelectMany(n => n.Value.Items.Where(i => dayOf(i) >= from), (n, item) => (n.Key, item)).ToLookup(x => x.Key, x => x.item);
    }

    /// <summary>Forgets what an athlete did on a day.</summary>
    public void Forget(int athleteId, DateOnly day)
    {
        lock (gate)
        {
            forgotten[athleteId] = forgotten.GetValueOrDefault(athleteId) + 1;
            if (known.TryGetValue(athleteId, out var old))
            {
                known[athleteId] = old with { Changed = new HashSet<DateOnly>([.. old.Changed, day]) };
            }
        }
    }

    /// <summary>Forgets everything.</summary>
    public void ForgetAll()
    {
        lock (gate)
        {
            allForgotten++;
            known.Clear();
        }
    }

    private Known Anew(Known old, DateOnly from, IEnumerable<T> found)
    {
        if (old.Changed.Count == 0)
        {
            return old;
        }

        var oldest = old.IsCut ? old.Items.Min(dayOf) : from;
        return new(from, [.. old.Items.Where(i => dayOf(i) >= from && !old.Changed.Contains(dayOf(i))), .. found.Where(i => old.Changed.Contains(dayOf(i)) && dayOf(i) >= oldest)], old.IsCut, new HashSet<DateOnly>());
    }

    private (long All, long Own) Stamp(int athleteId) => (allForgotten, forgotten.GetValueOrDefault(athleteId));
}
