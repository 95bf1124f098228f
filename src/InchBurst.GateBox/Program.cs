using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using InchBurst.Core.Log;
using InchBurst.GateBox;

// Stands in for timing gates, those that work and those that fail: simulates runners and reports what gates see of them to a running session over
// the open gate feed (docs/formats.md). What really happened it prints, so that what was stored can be held against it.
const string Usage = """
    gatebox --to http://127.0.0.1:5080 (--session N | --find) (--token KEY | --key-file FILE) [--gates 0,20,30] [--runs 5] [--every 10] [--speed 1] [--seed 1] [--linger SECONDS]
            [--faults all] [--arm SHARE] [--miss SHARE] [--stray SHARE] [--lanes SHARE] [--drift SHARE] [--late SHARE] [--repeat SHARE] [--drop SHARE] [--pad SHARE] [--truth FILE]
    gatebox --check CLUB.json --session N --truth FILE [--gates 0,20,30]
    --check holds the runs in a club's file against what really happened; --with PID ends when that process does; --find waits, before each run, for a session whose clock runs and takes its gates; --speed 1 to 50 lets the time between runs pass quicker; shares lie from 0 to 1.
    """;
string? Option(string name) => Array.IndexOf(args, "--" + name) is >= 0 and var i && i + 1 < args.Length ? args[i + 1] : null;
double Number(string name, double usual) => double.TryParse(Option(name), NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value) ? value : usual;
double Share(string name, double usual) => Math.Clamp(Number(name, usual), 0, 1);

if (Option("check") is { } club)
{
    return await CheckAsync(club);
}

var isFinding = args.Contains("--find");
if (Option("to") is not { } to || (Option("session") is null && !isFinding) || (Option("token") ?? Option("key-file")) is null || !Uri.TryCreate(to, UriKind.Absolute, out var address))
{
    Console.Error.WriteLine(Usage);
    return 2;
}

var speed = Math.Clamp(Number("speed", 1), 1, 50);
var usual = Option("faults") == "all" ? Faults.All : new Faults();
var faults = new Faults
{
    Arm = Share("arm", usual.Arm),
    Missed = Share("miss", usual.Missed),
    Stray = Share("stray", usual.Stray),
    TwoLanes = Share("lanes", usual.TwoLanes),
    Drift = Share("drift", usual.Drift),
    Late = Share("late", usual.Late),
    Repeated = Share("repeat", usual.Repeated),
    Dropped = Share("drop", usual.Dropped),
    Pad = Share("pad", usual.Pad),
};
using var http = new HttpClient { BaseAddress = address, Timeout = TimeSpan.FromSeconds(5) };
http.DefaultRequestHeaders.Add("Gate-Token", Option("token") ?? await KeyAsync(Option("key-file")!));
if (int.TryParse(Option("with"), out var with))
{
    // Gates that were started with a server go with it.
    _ = Task.Run(async () =>
    {
        try
        {
            using var other = System.Diagnostics.Process.GetProcessById(with);
            await other.WaitForExitAsync();
        }
        catch (ArgumentException)
        {
            // It has ended already.
        }

        Environment.Exit(0);
    });
}

await using var truth = Option("truth") is { } file ? new StreamWriter(file) : null;
var session = Option("session") ?? "";
var (every, many, seed) = (Number("every", 10), (int)Number("runs", 5), (int)Number("seed", 1));
var (sent, again) = (new HashSet<Guid>(), 0);
if (!isFinding)
{
    await SignAsync();
    if (!await RunAsync(seed, many))
    {
        return 3;
    }
}
else
{
    for (var run = 0; run < many; run++)
    {
        await RestAsync(TimeSpan.FromSeconds((run == 0 ? Math.Min(every, 5) : every) / speed));
        var gates = await FindAsync();
        if (!await RunAsync(seed + run, 1, gates))
        {
            run--;
        }
    }
}

Console.WriteLine($"{sent.Count} runs sent, {again} reports again.");
await RestAsync(TimeSpan.FromSeconds(Number("linger", 0)));
return 0;

// What a club's file holds of the runs that were reported to a session.
async Task<int> CheckAsync(string file)
{
    using var tables = JsonDocument.Parse(await File.ReadAllTextAsync(file));
    double? Moment(JsonElement row, string name) => row.GetProperty(name) is { ValueKind: JsonValueKind.Number } number ? number.GetDouble() : null;
    var stored = tables.RootElement.GetProperty("tables").GetProperty("GateReadings").EnumerateArray().Where(r => r.GetProperty("SessionId").GetInt32().ToString(CultureInfo.InvariantCulture) == Option("session"))
        .Select(r => new Stored(r.GetProperty("ClientId").GetGuid(), r.GetProperty("Lane").GetInt32(), r.GetProperty("Gates").GetInt32(), JsonSerializer.Deserialize<List<GatePass>>(r.GetProperty("PassesJson").GetString()!)!, new(Moment(r, "GoMilliseconds"), Moment(r, "MovedMilliseconds"))));
    var truths = (await File.ReadAllLinesAsync(Option("truth") ?? "")).Select(l => JsonSerializer.Deserialize<Truth>(l, JsonSerializerOptions.Web)!);
    var verdict = Verdict.Of(truths, stored, [.. Places().Skip(1).Select(InchBurst.Core.Units.Distance.InMetres)]);
    Console.WriteLine(verdict);
    foreach (var wrong in verdict.Wrong.Take(20))
    {
        Console.WriteLine(wrong);
    }

    return verdict.IsGood ? 0 : 1;
}

double[] Places() => [.. (Option("gates") ?? "0,20,30").Split(',').Select(g => double.Parse(g, CultureInfo.InvariantCulture))];

// Runs one after another; what is late or was kept while the connection was gone is sent in between, at its time.
async Task<bool> RunAsync(int own, int count, double[]? found = null)
{
    var gates = found ?? Places();
    var box = new Adversary(own, faults, gates);
    var runs = Enumerable.Range(0, count).Select(i => (Of: box.Next(), RanAt: i * every)).ToList();
    foreach (var really in truth is null ? [] : runs.SelectMany(r => r.Of.Truths))
    {
        truth!.WriteLine(JsonSerializer.Serialize(really, JsonSerializerOptions.Web));
    }

    var began = TimeProvider.System.GetTimestamp();
    double Elapsed() => TimeProvider.System.GetElapsedTime(began).TotalSeconds * speed;
    foreach (var (report, ranAt, sentAt) in box.Deliveries([.. runs.Select(r => (r.Of.Report, r.RanAt))]))
    {
        await RestAsync(TimeSpan.FromSeconds(Math.Max(0, sentAt - Elapsed()) / speed));
        if (!await SendAsync(report, Math.Max(0, Elapsed() - ranAt)))
        {
            return false;
        }

        var of = runs.First(r => ReferenceEquals(r.Of.Report.Passes, report.Passes)).Of;
        again += sent.Add(of.Report.Run) ? 0 : 1;
        Console.WriteLine(string.Join(" | ", of.Truths.Select(t => string.Join("  ", t.Seconds.Skip(1).Select((s, i) => $"{gates[i + 1]:0.##} m {s:0.000}")))) + (of.Truths[0].Faults.Count > 0 ? $"   ({string.Join(", ", of.Truths[0].Faults)})" : ""));
    }

    return true;
}

// Sent until it is taken: the same run id makes a second arrival harmless.
async Task<bool> SendAsync(Report report, double ago)
{
    for (var tries = 1; ; tries++)
    {
        try
        {
            using var answer = await http.PostAsJsonAsync($"gates/{session}", new { report.Run, report.Lane, report.Passes, report.Gates, report.Clocks, report.Starts, Ago = Math.Round(ago * 1000) });
            if (answer.IsSuccessStatusCode)
            {
                return true;
            }

            // A report of which no clock can be trusted is refused with a reason; that is the end of it.
            var why = await answer.Content.ReadAsStringAsync();
            Console.Error.WriteLine(why);
            if (answer.StatusCode == HttpStatusCode.BadRequest && why.Contains("clock", StringComparison.Ordinal))
            {
                return true;
            }

            if (answer.StatusCode != HttpStatusCode.TooManyRequests)
            {
                return false;
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

// A key that somebody writes into a file, as soon as it is there.
async Task<string> KeyAsync(string path)
{
    while (!File.Exists(path) || new FileInfo(path).Length == 0)
    {
        await Task.Delay(500);
    }

    return (await File.ReadAllTextAsync(path)).Trim();
}

// The first session that runs and is timed on the line that is on, and where its gates are expected.
async Task<double[]> FindAsync()
{
    for (var isSaid = false; ; await Task.Delay(1000))
    {
        try
        {
            foreach (var running in await http.GetFromJsonAsync<JsonElement[]>("gates") ?? [])
            {
                if (running.GetProperty("gates").EnumerateArray().Select(g => g.GetDouble()).ToArray() is { Length: > 1 } at)
                {
                    session = $"{running.GetProperty("session").GetInt32()}";
                    await SignAsync();
                    return at;
                }
            }

            if (!isSaid)
            {
                Console.WriteLine("Simulated gates wait for a session whose clock runs and whose line is timed.");
                isSaid = true;
            }
        }
        catch (Exception e) when (e is HttpRequestException or TaskCanceledException or JsonException)
        {
            // The server is not there yet.
        }
    }
}

// Between runs gates say that they are there. A sign that is lost does no harm: the next one follows.
async Task SignAsync()
{
    if (session.Length == 0)
    {
        return;
    }

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
