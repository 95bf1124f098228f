using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Builder;

namespace InchBurst.Browser.Tests;

/// <summary>
/// The application on a folder of its own: within the tests' own process, since translating its code anew for every test takes longer than most tests do, or as a process of its own where it
/// is to be killed and started again on the same data.
/// </summary>
public sealed class TestApp : IDisposable
{
    private static readonly string Configuration = AppContext.BaseDirectory.Contains("/Release/", StringComparison.Ordinal) ? "Release" : "Debug";
    private static readonly string Web = Path.Combine(Repository.Root, "src/InchBurst.Web");
    private static readonly string Device = Path.Combine(Repository.Root, "src/InchBurst.Device/bin", Configuration, "net10.0/wwwroot/_framework");

    private readonly bool demo;
    private readonly bool hasCore;
    private readonly bool isKilled;
    private WebApplication? here;
    private Process? process;

    // Tests wait on threads of the pool that the application answers on.
    static TestApp() => ThreadPool.SetMinThreads(24, 24);

    /// <param name="demo">True for the demo's club, false for none.</param>
    /// <param name="hasCore">True where Core can be brought to the browser.</param>
    /// <param name="isKilled">True where the test kills it.</param>
    public TestApp(bool demo, bool hasCore = true, bool isKilled = false)
    {
        (this.demo, this.hasCore, this.isKilled) = (demo, hasCore, isKilled);
        Folder = Path.Combine(Path.GetTempPath(), "inch-burst-browser-" + Guid.NewGuid().ToString("N"));
        if (demo)
        {
            DemoFolder.CopyAsync(Folder).GetAwaiter().GetResult();
        }

        if (isKilled)
        {
            // Sought last, as making and copying the demo takes seconds in which another process could be given the same port.
            using var probe = new TcpListener(IPAddress.Loopback, 0);
            probe.Start();
            Port = ((IPEndPoint)probe.LocalEndpoint).Port;
            probe.Stop();
        }

        Start();
    }

    public string Folder { get; }

    public int Port { get; private set; }

    public string Address => $"http://127.0.0.1:{Port}";

    /// <summary>Starts it; again, after <see cref="Kill"/>, on the same data and port.</summary>
    public void Start()
    {
        if (isKilled)
        {
            StartProcess();
            return;
        }

        here = House.Build([], new HouseOptions(Folder, 0, demo, false, ContentRoot: Web) { Device = hasCore ? Device : null });
        House.PrepareAsync(here).GetAwaiter().GetResult();
        here.StartAsync().GetAwaiter().GetResult();
        Port = new Uri(here.Urls.First()).Port;
    }

    private void StartProcess()
    {
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            ArgumentList = { Path.Combine(Web, "bin", Configuration, "net10.0/InchBurst.Web.dll"), "--content", Web, "--data", Folder, "--port", $"{Port}" },
        };
        if (hasCore)
        {
            start.ArgumentList.Add("--device");
            start.ArgumentList.Add(Device);
        }

        if (demo)
        {
            start.ArgumentList.Add("--demo");
        }

        var ready = new TaskCompletionSource<bool>(TaskCreationOptions.RunContinuationsAsynchronously);
        process = new Process { StartInfo = start, EnableRaisingEvents = true };
        process.OutputDataReceived += (_, e) => _ = e.Data?.Contains("is ready at", StringComparison.Ordinal) == true && ready.TrySetResult(true);
        var told = new System.Text.StringBuilder();
        process.ErrorDataReceived += (_, e) => told.AppendLine(e.Data);
        process.Exited += (_, _) => ready.TrySetResult(false);
        process.Start();
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        if (!ready.Task.WaitAsync(TimeSpan.FromSeconds(60)).GetAwaiter().GetResult())
        {
            throw new InvalidOperationException($"The application ended before it was ready. {told}");
        }
    }

    /// <summary>Ends the process at once, as a power cut would (SIGKILL).</summary>
    public void Kill()
    {
        process!.Kill(entireProcessTree: true);
        process.WaitForExit();
        process.Dispose();
    }

    private void Stop()
    {
        if (here is null)
        {
            Kill();
            return;
        }

        // Whoever still listens is not waited for.
        using var atOnce = new CancellationTokenSource(TimeSpan.FromSeconds(1));
        here.StopAsync(atOnce.Token).ContinueWith(_ => { }, TaskScheduler.Default).GetAwaiter().GetResult();
        here.DisposeAsync().AsTask().GetAwaiter().GetResult();
    }

    public void Dispose()
    {
        Stop();
        Directory.Delete(Folder, true);
    }
}
