using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace InchBurst.Data;

/// <summary>A sign of life of a set of timing gates.</summary>
/// <param name="Name">What the set calls itself.</param>
/// <param name="At">When, UTC.</param>
public sealed record GatesHeard(string Name, DateTime At);

/// <summary>Tells every device that watches a session that something in it changed. What changed is read from the file: the wire carries no data.</summary>
public sealed class LiveWire
{
    // Two runs of the program never give the same stamp, so a device that outlived a restart asks again.
    private readonly string run = Guid.NewGuid().ToString("N")[..8];
    private readonly ConcurrentDictionary<int, Line> lines = new();

    private sealed class Line
    {
        public long Changes;

        public ConcurrentDictionary<string, DateTime> Gates { get; } = new(StringComparer.Ordinal);

        public ConcurrentDictionary<Channel<bool>, byte> Watchers { get; } = new();
    }

    /// <summary>Stands for the session as it is now; another one means that something changed.</summary>
    public string Stamp(int sessionId) => Text(Of(sessionId));

    public void Tell(int sessionId)
    {
        var line = Of(sessionId);
        Interlocked.Increment(ref line.Changes);
        foreach (var watcher in line.Watchers.Keys)
        {
            // A device that has not read the last word yet needs no second one.
            watcher.Writer.TryWrite(true);
        }
    }

    /// <summary>The sets of gates of a session with their last sign of life, by name; a set that has been silent for ten minutes was taken away.</summary>
    public IReadOnlyList<GatesHeard> Gates(int sessionId, DateTime now) =>
        [.. Of(sessionId).Gates.Where(g => now - g.Value < TakenAway).Select(g => new GatesHeard(g.Key, g.Value)).OrderBy(g => g.Name, StringComparer.Ordinal)];

    /// <summary>Notes a sign of life of a set of gates. Devices are told at once of a new set; later signs travel with the wire's own sign of life.</summary>
    public void Hear(int sessionId, GatesHeard heard)
    {
        var sets = Of(sessionId).Gates;
        var isNew = sets.Count < MostSets && (!sets.TryGetValue(heard.Name, out var before) || heard.At - before >= TakenAway);
        if (isNew || sets.ContainsKey(heard.Name))
        {
            sets[heard.Name] = heard.At;
        }

        if (isNew)
        {
            Tell(sessionId);
        }
    }

    private const int MostSets = 12;

    private static readonly TimeSpan TakenAway = TimeSpan.FromMinutes(10);

    /// <summary>Devices watching a session.</summary>
    public int Watching(int sessionId) => Of(sessionId).Watchers.Count;

    /// <summary>The stamp at once and after every change; null as a sign of life when nothing has changed for a while.</summary>
    public async IAsyncEnumerable<string?> WatchAsync(int sessionId, TimeSpan signOfLife, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        var own = Channel.CreateBounded<bool>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite });
        var line = Of(sessionId);
        line.Watchers[own] = 0;
        try
        {
            yield return Text(line);
            while (!cancel.IsCancellationRequested)
            {
                using var wait = CancellationTokenSource.CreateLinkedTokenSource(cancel);
                wait.CancelAfter(signOfLife);
                var changed = false;
                try
                {
                    changed = await own.Reader.ReadAsync(wait.Token);
                }
                catch (OperationCanceledException)
                {
                    if (cancel.IsCancellationRequested)
                    {
                        yield break;
                    }
                }

                yield return changed ? Text(line) : null;
            }
        }
        finally
        {
            line.Watchers.TryRemove(own, out _);
        }
    }

    private Line Of(int sessionId) => lines.GetOrAdd(sessionId, _ => new());

    private string Text(Line line) => $"{run}-{Interlocked.Read(ref line.Changes).ToString(CultureInfo.InvariantCulture)}";
}
