using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace InchBurst.Data;

/// <summary>A sign of life of a set of timing gates.</summary>
/// <param name="Name">What the set calls itself.</param>
/// <param name="At">When, UTC.</param>
public sealed record GatesHeard(string Name, DateTime At);

/// <summary>What devices are told of a session.</summary>
/// <param name="Stamp">Stands for the session as it is then.</param>
/// <param name="News">What changed, as JSON: the stamps before and after, and a <see cref="Core.Live.LiveChange"/>; null when it has to be fetched.</param>
public sealed record LiveNews(string Stamp, string? News = null)
{
    /// <summary>A start that was given on one of the devices, as JSON; null for a change of the session.</summary>
    public string? Go { get; init; }
}

/// <summary>Tells every device that watches a session what changed in it, or, where that is more than a device can draw by itself, that something did.</summary>
public sealed class LiveWire
{
    // Two runs of the program never give the same stamp, so a device that outlived a restart asks again.
    private readonly string run = Guid.NewGuid().ToString("N")[..8];
    private readonly ConcurrentDictionary<int, Line> lines = new();

    private sealed class Line
    {
        public long Changes;

        public ConcurrentDictionary<string, DateTime> Gates { get; } = new(StringComparer.Ordinal);

        public ConcurrentDictionary<Channel<LiveNews>, byte> Watchers { get; } = new();
    }

    /// <summary>Stands for the session as it is now; another one means that something changed.</summary>
    public string Stamp(int sessionId) => Text(Interlocked.Read(ref Of(sessionId).Changes));

    /// <summary>Tells of a change.</summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="change">What changed, as JSON, or null when it has to be fetched.</param>
    public LiveNews Tell(int sessionId, string? change = null)
    {
        var line = Of(sessionId);
        var to = Interlocked.Increment(ref line.Changes);
        var stamp = Text(to);
        var news = new LiveNews(stamp, change is null ? null : $$"""{"from":"{{Text(to - 1)}}","to":"{{stamp}}","change":{{change}}}""");
        Write(line, news);
        return news;
    }

    /// <summary>Tells every device of a start that was given on one of them; nothing of the session changes.</summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="go">Who went and when, as JSON.</param>
    public void TellGo(int sessionId, string go) => Write(Of(sessionId), new(Stamp(sessionId)) { Go = go });

    private static void Write(Line line, LiveNews news)
    {
        foreach (var watcher in line.Watchers.Keys)
        {
            watcher.Writer.TryWrite(news);
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

    // A device that has so much unread fetches the whole: what it missed shows in the stamps.
    private const int MostUnread = 50;

    private static readonly TimeSpan TakenAway = TimeSpan.FromMinutes(10);

    /// <summary>Devices watching a session.</summary>
    public int Watching(int sessionId) => Of(sessionId).Watchers.Count;

    /// <summary>The stamp at once, and what changes; null as a sign of life when nothing has changed for a while.</summary>
    public async IAsyncEnumerable<LiveNews?> WatchAsync(int sessionId, TimeSpan signOfLife, [EnumeratorCancellation] CancellationToken cancel = default)
    {
        var own = Channel.CreateBounded<LiveNews>(new BoundedChannelOptions(MostUnread) { FullMode = BoundedChannelFullMode.DropOldest });
        var line = Of(sessionId);
        line.Watchers[own] = 0;
        try
        {
            yield return new(Text(Interlocked.Read(ref line.Changes)));
            while (!cancel.IsCancellationRequested)
            {
                using var wait = CancellationTokenSource.CreateLinkedTokenSource(cancel);
                wait.CancelAfter(signOfLife);
                LiveNews? news = null;
                try
                {
                    news = await own.Reader.ReadAsync(wait.Token);
                }
                catch (OperationCanceledException)
                {
                    if (cancel.IsCancellationRequested)
                    {
                        yield break;
                    }
                }

                yield return news;
            }
        }
        finally
        {
            line.Watchers.TryRemove(own, out _);
        }
    }

    private Line Of(int sessionId) => lines.GetOrAdd(sessionId, _ => new());

    private string Text(long change) => $"{run}-{change.ToString(CultureInfo.InvariantCulture)}";
}
