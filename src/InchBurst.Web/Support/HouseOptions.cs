using System.Globalization;
using System.Net;

namespace InchBurst.Web.Support;

/// <summary>How the application was started.</summary>
public sealed record HouseOptions(string DataFolder, int Port, bool Demo, bool Reset, string? Problem = null, string? ContentRoot = null)
{
    /// <summary>Where other devices are listened for, encrypted; null when only this machine may come in.</summary>
    public IPAddress? Network { get; init; }

    /// <summary>Port for other devices.</summary>
    public int NetworkPort { get; init; } = 5443;

    /// <summary>What is to be done instead of serving, and with what; null to serve.</summary>
    public (string Verb, string With)? Command { get; init; }

    /// <summary>True to open what there is although saves may be missing.</summary>
    public bool GoOn { get; init; }

    /// <summary>Name under which a reverse proxy on this machine passes requests on; null for none.</summary>
    public string? ProxiedAs { get; init; }

    /// <summary>File for the key of the simulated gates of the demo; null without them.</summary>
    public string? GateKey { get; init; }

    /// <summary>Folder in which Core for the device is published; null when there is none.</summary>
    public string? Device { get; init; }

    public static HouseOptions Read(string[] args)
    {
        var home = Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.DoNotVerify);
        var options = new HouseOptions("", 5080, args.Contains("--demo"), args.Contains("--reset"));
        options = options with { DataFolder = Path.Combine(home, "inch-burst", options.Demo ? "demo" : "club") };
        for (var i = 0; i < args.Length; i++)
        {
            switch (args[i])
            {
                case "--data" when i + 1 < args.Length:
                    options = options with { DataFolder = Path.GetFullPath(args[++i]) };
                    break;
                case "--port" when i + 1 < args.Length && int.TryParse(args[i + 1], CultureInfo.InvariantCulture, out var port) && port is > 0 and < 65536:
                    options = options with { Port = port };
                    i++;
                    break;
                case "--network-port" when i + 1 < args.Length && int.TryParse(args[i + 1], CultureInfo.InvariantCulture, out var port) && port is > 0 and < 65536:
                    options = options with { NetworkPort = port };
                    i++;
                    break;
                case "--data" or "--port" or "--network-port":
                    return options with { Problem = $"{args[i]} needs {(args[i] == "--data" ? "a folder" : "a port number from 1 to 65535")} after it." };
                case "--network":
                    options = options with { Network = IPAddress.Any };
                    break;
                case "--demo" or "--reset":
                    break;
                case "--go-on":
                    options = options with { GoOn = true };
                    break;
                case "--check":
                    options = options with { Command = ("check", i + 1 < args.Length && !args[i + 1].StartsWith('-') ? Path.GetFullPath(args[++i]) : "") };
                    break;
                case "--backup" or "--restore" when i + 1 < args.Length:
                    options = options with { Command = (args[i].TrimStart('-'), Path.GetFullPath(args[++i])) };
                    break;
                case "--new-password" when i + 1 < args.Length:
                    options = options with { Command = ("new-password", args[++i]) };
                    break;
                case "--backup" or "--restore" or "--new-password" or "--proxy" when i + 1 == args.Length:
                    return options with { Problem = $"{args[i]} needs {(args[i] == "--new-password" ? "a person's name" : args[i] == "--proxy" ? "the name under which it is reached" : "a file")} after it." };
                case "--proxy" when i + 1 < args.Length:
                    options = options with { ProxiedAs = args[++i] };
                    break;
                case "--device" when i + 1 < args.Length:
                    options = options with { Device = Path.GetFullPath(args[++i]) };
                    break;
                case "--gate-key" when i + 1 < args.Length:
                    options = options with { GateKey = Path.GetFullPath(args[++i]) };
                    break;
                case "--content" when i + 1 < args.Length:
                    options = options with { ContentRoot = Path.GetFullPath(args[++i]) };
                    break;
                default:
                    return options with { Problem = $"Unknown option {args[i]}. Known: --data DIR, --port N, --network, --network-port N, --proxy NAME, --go-on, --demo, --reset; and instead of serving: --check [FILE], --backup FILE, --restore FILE, --new-password NAME." };
            }
        }

        if (options.Network is not null && options.Demo)
        {
            return options with { Problem = "--network is for your own club: anybody may enter the demo, so it stays on this machine." };
        }

        if (options.Network is not null && options.NetworkPort == options.Port)
        {
            return options with { Problem = "--port and --network-port must differ." };
        }

        if (options.GateKey is not null && !options.Demo)
        {
            return options with { Problem = "--gate-key is for the demo: a key for your own gates is made in Settings." };
        }

        return options.Reset && !options.Demo
            ? options with { Problem = "--reset only works with --demo: real data is never thrown away by a start option." }
            : options;
    }
}
