using System.Net;
using InchBurst.Web.Support;

var options = HouseOptions.Read(args);
if (options.Problem is { } problem)
{
    Console.Error.WriteLine(problem);
    return 2;
}

var app = House.Build(args, options);
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
    Console.Error.WriteLine($"Port {options.Port} on {IPAddress.Loopback} is taken. Choose another with --port N.");
    return 3;
}

Console.WriteLine($"Inch Burst is ready at http://127.0.0.1:{options.Port}  (data in {options.DataFolder})");
await app.WaitForShutdownAsync();
return 0;
