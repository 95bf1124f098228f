using InchBurst.Core.Live;

namespace InchBurst.Data;

/// <summary>
/// Running sessions as they stand in the file, so that a command need not read them all anew. Whoever changes the file otherwise blocks the shelf from before the change until
/// it is done; meanwhile the file alone counts, and afterwards the shelf is empty.
/// </summary>
public sealed class LiveShelf
{
    private const int Most = 20;
    private readonly Lock gate = new();
    private readonly Dictionary<int, LiveState> states = [];
    private int blocks;
    private long writes;

    /// <summary>A session as the last command left it, or null when the file has to be asked.</summary>
    /// <param name="sessionId">Number of the session.</param>
    public LiveState? Get(int sessionId)
    {
        lock (gate)
        {
            return blocks > 0 ? null : states.GetValueOrDefault(sessionId);
        }
    }

    /// <summary>Stands for what others had written when it was asked; taken while nobody else can write.</summary>
    public long Writes
    {
        get
        {
            lock (gate)
            {
                return writes;
            }
        }
    }

    /// <summary>Keeps a session as it was just stored, unless somebody else wrote or began to since.</summary>
    /// <param name="sessionId">Number of the session.</param>
    /// <param name="state">The session, without gates and commands carried out.</param>
    /// <param name="since">What <see cref="Writes"/> was when the command began.</param>
    public void Put(int sessionId, LiveState state, long since)
    {
        lock (gate)
        {
            if (blocks > 0 || writes != since)
            {
                return;
            }

            if (states.Count >= Most)
            {
                states.Clear();
            }

            states[sessionId] = state;
        }
    }

    /// <summary>Forgets a session.</summary>
    /// <param name="sessionId">Number of the session.</param>
    public void Forget(int sessionId)
    {
        lock (gate)
        {
            states.Remove(sessionId);
        }
    }

    /// <summary>Somebody begins to change the file.</summary>
    public void Block()
    {
        lock (gate)
        {
            blocks++;
            writes++;
            states.Clear();
        }
    }

    /// <summary>The change is in the file, or given up.</summary>
    public void Release()
    {
        lock (gate)
        {
            blocks--;
            states.Clear();
        }
    }

    /// <summary>Blocks until what is given is disposed.</summary>
    public IDisposable Blocked()
    {
        Block();
        return new Hold(this);
    }

    private sealed class Hold(LiveShelf of) : IDisposable
    {
        public void Dispose() => of.Release();
    }
}
