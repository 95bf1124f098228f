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
    private const int Histories = 1000;

    private const string Script = """
        const [base, document_, cases, done] = arguments;
        const began = performance.now();
        import(base + 'dotnet.js').then(({ dotnet }) => dotnet.create()).then((runtime) => runtime.getAssemblyExports('InchBurst.Device')).then(({ Device }) => {
          Device.Open(document_);
          const ready = performance.now() - began;
          const views = JSON.parse(cases).map((c) => Device.See(c.waiting, c.now, c.line, 1));
          done(JSON.stringify({ ready, all: performance.now() - began - ready, views }));
        }).catch((error) => done(JSON.stringify({ error: String(error) })));
        """;

    [Fact]
    public async Task A_thousand_histories_look_the_same_on_the_device_and_here()
    {
        var document = new LiveDocument(
            LiveHistory.Fresh,
            new() { Pace = DemandAthlete.UsualCurve, School = CoachingSchool.Usual, WindowSeconds = 2400, Athletes = [.. LiveHistory.Fresh.People.Select(p => new LiveAthlete(p.AthleteId, p.Name) { Curve = new(8.5, 1.2), BestSpeed = 8.3 })] },
            [], [], "Odalys", true).Write();
        var cases = new List<(string Waiting, double Now, int Line)>();
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
            cases.Add((JsonSerializer.Serialize(waiting), new DateTimeOffset(LiveHistory.Start.AddSeconds(seed * 3 % 1500)).ToUnixTimeMilliseconds(), LiveHistory.Plan.Lines.ElementAt(seed % 4).Id));
        }

        using var app = new AppProcess(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromMinutes(3);
        page.Go("/Sessions/49/Trackside");
        var base_ = (string)page.Driver.ExecuteScript("return document.querySelector('[data-device]').dataset.device")!;
        var told = JsonDocument.Parse((string)page.Driver.ExecuteAsyncScript(Script, base_, document, JsonSerializer.Serialize(cases.Select(c => new { waiting = c.Waiting, now = c.Now, line = c.Line })))!).RootElement;
        Assert.False(told.TryGetProperty("error", out var error), error.ToString());
        output.WriteLine($"Core on the device ready after {told.GetProperty("ready").GetDouble():0} ms, {Histories} histories seen in {told.GetProperty("all").GetDouble():0} ms (as built, not as published)");
        var here = LiveDevice.Open(document);
        var views = told.GetProperty("views").EnumerateArray().Select(v => v.GetString()!).ToList();
        Assert.Equal(Histories, views.Count);
        Assert.True(views.Distinct().Count() > Histories / 2);
        Assert.All(cases.Zip(views), c => Assert.Equal(here.See(c.First.Waiting, c.First.Now, c.First.Line, 1), c.Second));
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
