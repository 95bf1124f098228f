using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.School;
using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>Core as the browser runs it is Core: the same sessions with the same commands waiting look the same.</summary>
public sealed class DeviceTests(ITestOutputHelper output)
{
    // As many as a run of all tests has time for; a thousand were seen alike when INCH_BURST_HISTORIES asked for them.
    private static readonly int Histories = int.TryParse(Environment.GetEnvironmentVariable("INCH_BURST_HISTORIES"), out var asked) ? asked : 100;

    private const int Batch = 100;

    private const string Begin = """
        const [base, document_, done] = arguments;
        const began = performance.now();
        import(base + 'dotnet.js').then(({ dotnet }) => dotnet.create()).then((runtime) => runtime.getAssemblyExports('InchBurst.Device')).then(({ Device }) => {
          Device.Open(document_);
          window.core = Device;
          done(JSON.stringify({ ready: performance.now() - began }));
        }).catch((error) => done(JSON.stringify({ error: String(error) })));
        """;

    private const string Look = """
        const [fresh, cases] = arguments;
        const began = performance.now();
        const views = [];
        core.Hear(fresh);
        for (const c of JSON.parse(cases)) views.push(core.See(c.waiting, c.now, c.line, 1));
        const all = performance.now() - began;
        for (const c of JSON.parse(cases)) { core.Hear(fresh); core.Change(c.change); views.push(core.See('[]', c.now, c.line, 1) + core.Told() + core.Expected(1, c.line)); }
        return JSON.stringify({ all, views });
        """;

    [Fact]
    public async Task Hundreds_of_histories_look_the_same_on_the_device_and_here()
    {
        var document = LiveDocument.Of(
            LiveHistory.Fresh,
            new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, WindowSeconds = 2400, Athletes = [.. LiveHistory.Fresh.People.Select(p => new LiveAthlete(p.AthleteId, p.Name) { Curve = new(8.5, 1.2), BestSpeed = 8.3 })] },
            "Odalys", true).Write();
        var cases = new List<(string Waiting, double Now, int Line, string Change)>();
        for (var seed = 1; seed <= Histories; seed++)
        {
            var (state, arrived) = (LiveHistory.Fresh, new Dictionary<Guid, LiveCommand>());
            await new LiveHistory(seed).RunAsync(
                d =>
                {
                    arrived.TryAdd(d.Command.Client, d.Command);
                    var step = LiveSteps.Apply(state, d.Command, LiveHistory.World(d, ExerciseCatalogue.BuiltIn));
                    state = step.State;
                    return Task.FromResult((step, state));
                },
                state,
                6);
            var waiting = arrived.Values.Select(Form).OfType<object>().ToList();
            cases.Add((JsonSerializer.Serialize(waiting), new DateTimeOffset(LiveHistory.Start.AddSeconds(seed * 3 % 1500)).ToUnixTimeMilliseconds(), LiveHistory.Plan.Lines.ElementAt(seed % 4).Id, LiveChange.Between(LiveHistory.Fresh, state).Write()));
        }

        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromMinutes(3);
        page.Go("/Sessions/49/Trackside");
        var base_ = (string)page.Driver.ExecuteScript("return document.querySelector('[data-device]').dataset.device")!;
        var begun = JsonDocument.Parse((string)page.Driver.ExecuteAsyncScript(Begin, base_, document)!).RootElement;
        Assert.False(begun.TryGetProperty("error", out var error), error.ToString());
        var (here, fresh, spent) = (LiveDevice.Open(document), LiveDocument.Write(LiveHistory.Fresh), 0.0);
        var distinct = new HashSet<string>();
        foreach (var batch in cases.Chunk(Batch))
        {
            var told = JsonDocument.Parse((string)page.Driver.ExecuteScript(Look, fresh, JsonSerializer.Serialize(batch.Select(c => new { waiting = c.Waiting, now = c.Now, line = c.Line, change = c.Change })))!).RootElement;
            spent += told.GetProperty("all").GetDouble();
            var views = told.GetProperty("views").EnumerateArray().Select(v => v.GetString()!).ToList();
            Assert.Equal(batch.Length * 2, views.Count);
            distinct.UnionWith(views);
            here.Hear(fresh);
            Assert.All(batch.Zip(views), c => Assert.Equal(here.See(c.First.Waiting, c.First.Now, c.First.Line, 1), c.Second));

            // And told only what changed, it is the same session and looks the same.
            Assert.All(batch.Zip(views.Skip(batch.Length)), c =>
            {
                here.Hear(fresh);
                here.Change(c.First.Change);
                Assert.Equal(here.See("[]", c.First.Now, c.First.Line, 1) + here.Told() + here.Expected(1, c.First.Line), c.Second);
            });
        }

        Assert.True(distinct.Count > Histories);
        output.WriteLine($"Core on the device ready after {begun.GetProperty("ready").GetDouble():0} ms, {Histories} histories seen in {spent:0} ms (as built, not as published)");
    }

    // A command as the form that sends it would tell it; those that have no form here do not wait.
    private static object? Form(LiveCommand command)
    {
        var fields = new List<string[]> { new[] { "client", $"{command.Client}" }, new[] { "at", $"{new DateTimeOffset(command.At!.Value).ToUnixTimeMilliseconds()}" } };
        void Add(string name, object? value) => fields.Add([name, $"{value}"]);
        switch (command)
        {
            case SaveRep save:
                Add("part", save.Part);
                Add("overrule", save.Overrule);
                fields.AddRange(save.Marks.Select(m => new[] { "mark", m }).Concat(save.Measures.Select(m => new[] { "measure", m })));
                break;
            case RepOutcome outcome: Add("what", outcome.What); break;
            case CallAthlete call: Add("athlete", call.Athlete); break;
            case GoToLine go: Add("line", go.Line); Add("round", go.Round); break;
            case StopForToday stop: Add("athlete", stop.Athlete); Add("reason", stop.Reason); break;
            case GoOn on: Add("athlete", on.Athlete); break;
            case Arrive late: Add("athlete", late.Athlete); break;
            case GoLater later: Add("athlete", later.Athlete); break;
            case DoOther other: Add("athlete", other.Athlete); Add("line", other.Line); Add("work", other.Work); break;
            case HoldBack hold: Add("athlete", hold.Athlete); Add("reason", hold.Reason); break;
            case AllowFull allow: Add("athlete", allow.Athlete); Add("by", allow.Who); Add("holds", allow.Holds); break;
            case SetTiming timing: Add("line", timing.Line); Add("method", timing.Method); Add("trigger", timing.Trigger); Add("entry", timing.Entry); Add("behind", timing.Behind); break;
            case ChangeReps reps: Add("line", reps.Line); Add("by", reps.By); break;
            default: return null;
        }

        if (command is RepCommand rep)
        {
            Add("athlete", rep.Athlete);
            Add("line", rep.Line);
            Add("rep", rep.Rep);
            Add("side", rep.Side);
            fields.AddRange(rep.Seen.Select(s => new[] { "seen", s }));
        }

        return new { verb = command.Verb.ToString(), fields };
    }
}
