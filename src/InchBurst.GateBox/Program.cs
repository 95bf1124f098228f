using System.Globalization;
using System.Net.Http.Json;
using InchBurst.Core.Log;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

// Stands in for timing gates: simulates runners and reports each one's passes to a running session over the open gate feed (docs/formats.md).
const string Usage = "gatebox --to http://127.0.0.1:5080 --session N --token TOKEN [--gates 0,20,30] [--lane N] [--runs 5] [--every 10] [--seed 1] [--linger SECONDS]";
string? Option(string name) => Array.IndexOf(args, "--" + name) is >= 0 and var i && i + 1 < args.Length ? args[i + 1] : null;
double Number(string name, double usual) => double.TryParse(Option(name), NumberStyles.Float, CultureInfo.InvariantCulture, out var value) ? value : usual;

if (Option("to") is not { } to || Option("session") is not { } session || Option("token") is not { } token || !Uri.TryCreate(to, UriKind.Absolute, out var address))
{
    Console.Error.WriteLine(Usage);
    return 2;
}

var gates = (Option("gates") ?? "0,20,30").Split(',').Select(g => double.Parse(g, CultureInfo.InvariantCulture)).ToArray();
var random = new Random((int)Number("seed", 1));
using var http = new HttpClient { BaseAddress = address, Timeout = TimeSpan.FromSeconds(5) };
http.DefaultRequestHeaders.Add("Gate-Token", token);
await SignAsync();
for (var run = 0; run < Number("runs", 5); run++)
{
    if (run > 0)
    {
        await RestAsync(TimeSpan.FromSeconds(Number("every", 10)));
    }

    // A runner of a team's usual range; each gate adds its own few milliseconds.
    var runner = new SprintCurve(8 + random.NextDouble(), 1.05 + (0.2 * random.NextDouble()));
    var start = Environment.TickCount64;
    var passes = gates.Select((metres, gate) => new GatePass(gate, start + Math.Round((runner.TimeTo(metres) * 1000) + (metres > 0 ? 6 * (random.NextDouble() - 0.5) : 0), 1))).ToList();
    var report = new { Run = Guid.NewGuid(), Lane = (int)Number("lane", 0), Passes = passes };

    // Sent until it is taken: the same run id makes a second arrival harmless.
    for (var tries = 1; ; tries++)
    {
        try
        {
            using var answer = await http.PostAsJsonAsync($"gates/{session}", report);
            if (answer.IsSuccessStatusCode)
            {
                Console.WriteLine($"run {run + 1}: {string.Join("  ", passes.Skip(1).Select((p, i) => $"{gates[i + 1]:0.##} m {(p.Milliseconds - passes[0].Milliseconds) / 1000:0.000}"))}");
                break;
            }

            Console.Error.WriteLine(await answer.Content.ReadAsStringAsync());
            if (answer.StatusCode != System.Net.HttpStatusCode.TooManyRequests)
            {
                return 3;
            }

            await Task.Delay(answer.Headers.RetryAfter?.Delta ?? TimeSpan.FromSeconds(2));
        }
        catch (Exception e) when (e is HttpRequestException or TaskCanceledException && tries < 20)
        {
            Console.Error.WriteLine("The server cannot be reached; trying again.");
            await Task.Delay(TimeSpan.FromSeconds(Math.Min(tries, 5)));
        }
    }
}

await RestAsync(TimeSpan.FromSeconds(Number("linger", 0)));
return 0;

// Between runs gates say that they are there. A sign that is lost does no harm: the next one follows.
async Task SignAsync()
{
    try
    {
        using var answer = await http.PostAsJsonAsync($"gates/{session}/alive", new { Name = "Simulated gates" });
    }
    catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
    {
        Console.Error.WriteLine("The server cannot be reached for a sign of life.");
    }
}

async Task RestAsync(TimeSpan time)
{
    for (var left = time; left > TimeSpan.Zero; left -= TimeSpan.FromSeconds(10))
    {
        await Task.Delay(left < TimeSpan.FromSeconds(10) ? left : TimeSpan.FromSeconds(10));
        await SignAsync();
    }
}
