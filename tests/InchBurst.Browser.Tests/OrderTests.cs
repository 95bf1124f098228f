using System.Globalization;
using System.Text.Json;
using InchBurst.Core.Live;

namespace InchBurst.Browser.Tests;

/// <summary>The running order is written twice, in Core and for a device without a signal; both are held to the same answers.</summary>
public sealed class OrderTests
{
    private static readonly DateTime Now = new(2026, 11, 25, 17, 0, 0, DateTimeKind.Utc);

    // Draws the queue of each case, saves the next run of whoever is on the line, and lets time pass; gives the order before and after.
    private const string Script = """
        const done = arguments[1];
        import('/js/queue.js').then((queue) => {
          const main = document.querySelector('main');
          const answers = JSON.parse(arguments[0]).map((c) => {
            main.innerHTML = `<div id="live" data-live="1" data-url="" data-line="7" data-reps="${c.reps}" data-set="${c.set}" data-rest="${c.rest}" data-set-rest="${c.setRest}" data-lanes="${c.lanes}" data-gone="${c.gone}">
              <form data-marks><input data-f="athlete" type="hidden"><input data-f="rep" type="hidden"><b data-f="name"></b><i data-f="onit"></i><i data-f="warning"></i><i data-f="note"></i><a data-f="more"></a><i data-f="wait"><b></b></i></form>
              <span data-counts></span><ol data-queue>${c.rows.map((r) => `<li data-athlete="${r.id}" data-name="Runner ${r.id}" data-rep="${r.rep}" data-order="${r.order}" data-state="${r.state}" data-ready="${r.ready ?? ''}" data-warning="" ${r.on ? 'data-on="yes"' : ''}><form><button></button></form><small data-small></small><span data-left></span><progress></progress></li>`).join('')}</ol></div>`;
            const read = () => [...document.querySelectorAll('[data-queue] > li')].map((li) => `${li.dataset.athlete} ${li.className.replace('q ', '').replace(' on', '')} ${li.dataset.on ? document.querySelector('[data-f=onit]').textContent.split('lane ')[1] ?? '' : li.textContent.match(/lane (\d)/)?.[1] ?? ''}`.trim());
            const on = c.rows.find((r) => r.on);
            if (on) queue.putOnLine(document.querySelector('[data-on=yes]'), false);
            queue.draw(c.now);
            const before = read();
            if (on) queue.apply({ does: 'save', athlete: on.id, line: '7', rep: on.rep, at: c.now }, c.now);
            queue.draw(c.later);
            return { before, after: read(), on: document.querySelector('[data-on=yes]')?.dataset.athlete ?? '' };
          });
          done(JSON.stringify(answers));
        }, (error) => done(String(error)));
        """;

    private sealed record Answer(List<string> before, List<string> after, string on);

    private static long Ms(DateTime at) => new DateTimeOffset(at).ToUnixTimeMilliseconds();

    // "athlete state lane" in order, the lane where the screen says one: for whoever is on the line and for the ready behind.
    private static List<string> Says(IReadOnlyList<Turn> order, int lanes) =>
        [.. order.Select((t, i) => $"{t.AthleteId} {t.State.ToString().ToLowerInvariant()} {(lanes > 1 && (t.State == TurnState.Ready || (i == 0 && RunningOrder.Goes(t.State))) ? t.Lane.ToString(CultureInfo.InvariantCulture) : "")}".Trim())];

    [Fact]
    public void A_device_on_its_own_orders_everybody_as_the_server_would()
    {
        var random = new Random(20261125);
        var cases = Enumerable.Range(0, 400).Select(_ =>
        {
            var line = new LineTurns(random.Next(1, 7), random.Next(1, 4), 30 * random.Next(1, 8), 300, random.Next(1, 4), random.Next(0, 30));
            var runners = Enumerable.Range(1, random.Next(1, 15)).Select(i =>
            {
                var reps = random.Next(0, line.Reps + 1);
                return new Runner(i, random.Next(100) * 100 + i, reps, reps == 0 ? null : Now.AddSeconds(-random.Next(0, 500)), random.Next(8) == 0 ? (KeptOut)random.Next(1, 4) : KeptOut.No);
            }).ToList();
            var order = RunningOrder.Now(runners, line, Now);
            var on = order.FirstOrDefault(t => RunningOrder.Goes(t.State));
            var later = Now.AddSeconds(random.Next(1, 200));
            var after = on is null ? runners : [.. runners.Select(r => r.AthleteId == on.AthleteId ? r with { RepsDone = r.RepsDone + 1, LastFinished = Now } : r)];
            return (Line: line, Runners: runners, Order: order, On: on, Later: later, After: after);
        }).ToList();
        Assert.Contains(cases, c => c.On is null);
        Assert.Contains(cases, c => c.On?.State == TurnState.Resting);

        using var app = new AppProcess(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        var told = (string)page.Driver.ExecuteAsyncScript(Script, JsonSerializer.Serialize(cases.Select(c => new
        {
            reps = c.Line.Reps,
            set = c.Line.RepsASet,
            rest = c.Line.RestSeconds,
            setRest = c.Line.SetRestSeconds,
            lanes = c.Line.Lanes,
            gone = c.Line.GoesSoFar,
            now = Ms(Now),
            later = Ms(c.Later),
            rows = c.Order.Select(t => new
            {
                id = t.AthleteId,
                rep = t.Rep,
                order = c.Runners.Single(r => r.AthleteId == t.AthleteId).Order,
                state = t.State.ToString().ToLowerInvariant(),
                ready = t.ReadyAt is { } at ? Ms(at) : (long?)null,
                on = t == c.On,
            }).OrderBy(r => r.id),
        })))!;
        var answers = JsonSerializer.Deserialize<List<Answer>>(told)!;
        Assert.Equal(cases.Count, answers.Count);
        foreach (var (c, answer) in cases.Zip(answers))
        {
            Assert.Equal(Says(c.Order, c.Line.Lanes), answer.before);
            if (c.On is null)
            {
                continue;
            }

            // Who is on the line is settled at the save; then the rests run on.
            var next = RunningOrder.Now(c.After, c.Line with { GoesSoFar = c.Line.GoesSoFar + 1 }, Now).FirstOrDefault(t => RunningOrder.Goes(t.State));
            Assert.Equal(next?.AthleteId.ToString(CultureInfo.InvariantCulture) ?? "", answer.on);
            var order = RunningOrder.Now(c.After, c.Line with { GoesSoFar = c.Line.GoesSoFar + 1 }, c.Later);
            Assert.Equal(order.Select(t => $"{t.AthleteId} {t.State}".ToLowerInvariant()), answer.after.Select(a => string.Join(' ', a.Split(' ')[..2])));
        }
    }
}
