using System.Globalization;

namespace InchBurst.Web.Support;

/// <summary>How the application was started.</summary>
public sealed record HouseOptions(string DataFolder, int Port, bool Demo, bool Reset, string? Problem = null, string? ContentRoot = null)
{
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
                case "--data" or "--port":
                    return options with { Problem = $"{args[i]} needs {(args[i] == "--data" ? "a folder" : "a port number from 1 to 65535")} after it." };
                case "--demo" or "--reset":
                    break;
                case "--content" when i + 1 < args.Length:
                    options = options with { ContentRoot = Path.GetFullPath(args[++i]) };
                    break;
                default:
                    return options with { Problem = $"Unknown option {args[i]}. Known: --data DIR, --port N, --demo, --reset." };
            }
        }

        return options.Reset && !options.Demo
            ? options with { Problem = "--reset only works with --demo: real data is never thrown away by a start option." }
            : options;
    }
}
