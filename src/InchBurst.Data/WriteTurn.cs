namespace InchBurst.Data;

/// <summary>Who writes next. A file takes one writer at a time; waiting here costs nothing, while being turned away by the file costs 150 ms a try.</summary>
public sealed class WriteTurn : IDisposable
{
    private readonly SemaphoreSlim one = new(1, 1);

    /// <summary>Waits for the turn; disposing what is given hands it on.</summary>
    /// <param name="cancel">Gives up waiting.</param>
    public async Task<IDisposable> TakeAsync(CancellationToken cancel)
    {
        await one.WaitAsync(cancel);
        return new Held(one);
    }

    /// <inheritdoc/>
    public void Dispose() => one.Dispose();

    private sealed class Held(SemaphoreSlim of) : IDisposable
    {
        public void Dispose() => of.Release();
    }
}
