using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace InchBurst.Data;

/// <summary>Tells every device that watches a session that something in it changed. What changed is read from the file: the wire carries no data.</summary>
public sealed class LiveWire
{
    // Two runs of the program never give the same stamp, so a device that outlived a restart asks again.
    private readonly string run = Guid.NewGuid().ToString("N")[..8];
    private readonly ConcurrentDictionary<int, Line> lines = new();

    private sealed class Line
    {
        public long Changes;

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
