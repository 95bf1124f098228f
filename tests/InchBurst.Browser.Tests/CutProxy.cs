using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;

namespace InchBurst.Browser.Tests;

/// <summary>A network that can be cut: what reaches its port goes on to the application, until it is told to drop everything or to swallow answers.</summary>
public sealed class CutProxy : IDisposable
{
    private readonly TcpListener listener = new(IPAddress.Loopback, 0);
    private readonly ConcurrentDictionary<Socket, byte> open = new();
    private readonly int target;
    private volatile bool isCut;
    private volatile bool swallowsAnswers;

    public CutProxy(int target)
    {
        this.target = target;
        listener.Start();
        Port = ((IPEndPoint)listener.LocalEndpoint).Port;
        _ = AcceptAsync();
    }

    public int Port { get; }

    public string Address => $"http://127.0.0.1:{Port}";

    /// <summary>Requests that were let through while their answers were swallowed.</summary>
    public int Swallowed { get; private set; }

    /// <summary>Drops every connection and refuses new ones.</summary>
    public void Cut()
    {
        isCut = true;
        CloseAll();
    }

    /// <summary>Lets requests reach the server and drops the connection instead of the answer: the worst moment to lose a signal.</summary>
    public void SwallowAnswers()
    {
        swallowsAnswers = true;
        CloseAll();
    }

    public void Mend() => (isCut, swallowsAnswers) = (false, false);

    public void Dispose()
    {
        Cut();
        listener.Stop();
    }

    private void CloseAll()
    {
        foreach (var socket in open.Keys)
        {
            socket.Dispose();
        }
    }

    private async Task AcceptAsync()
    {
        try
        {
            while (true)
            {
                var client = await listener.AcceptSocketAsync();
                if (isCut)
                {
                    client.Dispose();
                    continue;
                }

                _ = CarryAsync(client);
            }
        }
        catch (Exception e) when (e is SocketException or ObjectDisposedException)
        {
            // The test is over.
        }
    }

    private async Task CarryAsync(Socket client)
    {
        var server = new Socket(SocketType.Stream, ProtocolType.Tcp);
        open[client] = open[server] = 0;
        try
        {
            await server.ConnectAsync(IPAddress.Loopback, target);
            await Task.WhenAny(PumpAsync(client, server, answers: false), PumpAsync(server, client, answers: true));
        }
        catch (Exception e) when (e is SocketException or ObjectDisposedException)
        {
            // One side is gone; the other follows.
        }
        finally
        {
            open.TryRemove(client, out _);
            open.TryRemove(server, out _);
            client.Dispose();
            server.Dispose();
        }
    }

    private async Task PumpAsync(Socket from, Socket to, bool answers)
    {
        var buffer = new byte[16384];
        try
        {
            int read;
            while ((read = await from.ReceiveAsync(buffer)) > 0)
            {
                if (answers && swallowsAnswers)
                {
                    Swallowed++;
                    return;
                }

                await to.SendAsync(buffer.AsMemory(0, read));
            }
        }
        catch (Exception e) when (e is SocketException or ObjectDisposedException)
        {
            // Cut.
        }
    }
}
