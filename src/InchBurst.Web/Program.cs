using System.Net;
using InchBurst.Web.Support;

var options = HouseOptions.Read(args);
if (options.Problem is { } problem)
{
    Console.Error.WriteLine(problem);
    return 2;
}

if (options.Command is not null)
{
    return await HouseCommands.RunAsync(options, TimeProvider.System, Console.Out);
}

// Disposed at the end, so that the last saves are brought into the file and it is noted as closed in order.
await using var app = House.Build(args, options);
try
{
    await House.PrepareAsync(app);
    await app.StartAsync();
}
catch (HouseProblem e)
{
    Console.Error.WriteLine(e.Message);
    return 4;
}
catch (IOException e) when (e.Message.Contains("address already in use", StringComparison.OrdinalIgnoreCase))
{
    Console.Error.WriteLine(options.Network is null
        ? $"Port {options.Port} on {IPAddress.Loopback} is taken. Choose another with --port N."
        : $"Port {options.Port} or {options.NetworkPort} is taken. Choose others with --port N and --network-port N.");
    return 3;
}

Console.WriteLine($"Inch Burst is ready at http://127.0.0.1:{options.Port}  (data in {options.DataFolder})");
if (options.Network is not null)
{
    var addresses = NearbyDevices.Addresses();
    Console.WriteLine(addresses.Count == 0
        ? "This machine is on no private network now; phones find it as soon as it is."
        : $"On this network: {string.Join("  ", addresses.Select(a => $"https://{a}:{options.NetworkPort}"))}");
}

await app.WaitForShutdownAsync();
return 0;
