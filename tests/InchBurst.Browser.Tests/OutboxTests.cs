using System.Text.Json;

namespace InchBurst.Browser.Tests;

/// <summary>What waits on a device is sent in order, once, and leaves only when the server says that it has it.</summary>
public sealed class OutboxTests
{
    // A server of the test's own: each answer is "status state" or a word for what goes wrong; it remembers what it was sent.
    private const string Stage = """
        const [answers, entries, times] = JSON.parse(arguments[0]);
        const done = arguments[1];
        const sent = [];
        const real = window.fetch;
        document.querySelector('meta[name="form-token"]').content = 'old';
        window.fetch = async (url, options) => {
          if (!options?.body) { sent.push('asks for a token'); return new Response('<meta name="form-token" content="fresh">', { status: 200 }); }
          const answer = answers.shift() ?? '200 stored';
          sent.push(`${options.body.get('client')} ${options.headers.RequestVerificationToken === 'fresh' ? 'fresh' : ''}`.trim());
          if (answer === 'cut') throw new TypeError('cut');
          const [status, state] = answer.split(' ');
          const back = new Response(state === 'asked' ? '<div class="t-doubt"><p>Is it right?</p></div>' : '', { status: Number(status), headers: state ? { 'Entry-State': state } : {} });
          Object.defineProperty(back, 'url', { value: state === 'signin' ? `${location.origin}/SignIn` : `${location.origin}${url}` });
          return back;
        };
        import('/js/outbox.js').then(async (outbox) => {
          for (const old of await outbox.all()) await outbox.remove(old.n);
          for (const e of entries) await outbox.put({ url: '/anywhere', fields: [['client', e.client]], by: e.by ?? 'me', held: e.held });
          const said = [];
          for (let i = 0; i < times; i += 1) {
            const flush = () => outbox.flush('me', () => 'live', async (entry, answer) => said.push(`${entry.fields[0][1]} ${answer.state}`));
            const results = await Promise.all([flush(), flush()]);
            said.push(results.map((r) => (r.signIn ? 'sign in' : r.reached ? 'reached' : 'not reached')).join(' / '));
          }
          const left = (await outbox.all()).map((e) => `${e.fields[0][1]}${e.held ? `: ${e.held}` : ''}`);
          window.fetch = real;
          done(JSON.stringify({ sent, said, left }));
        }).catch((error) => done(JSON.stringify({ sent, said: [String(error)], left: [] })));
        """;

    private sealed record Told(List<string> sent, List<string> said, List<string> left);

    [Fact]
    public void Nothing_is_lost_doubled_or_sent_out_of_order_whatever_the_server_answers()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        Told Run(string[] answers, object[] entries, int times = 1) => JsonSerializer.Deserialize<Told>((string)page.Driver.ExecuteAsyncScript(Stage, JsonSerializer.Serialize(new object[] { answers, entries, times }))!)!;
        object[] three = [new { client = "a" }, new { client = "b" }, new { client = "c" }];

        // All is well: in order and once, though two tabs send at the same time.
        var told = Run([], three);
        Assert.Equal(["a", "b", "c"], told.sent);
        Assert.Empty(told.left);

        // Cut after the first: what is left stays in order, and goes later.
        told = Run(["200 stored", "cut", "cut", "200 stored"], three, 2);
        Assert.Equal(["a", "b", "b", "b", "c"], told.sent);
        Assert.Empty(told.left);

        // A doubt holds its own entry with the question and lets the others by.
        told = Run(["200 asked"], three);
        Assert.Equal(["a", "b", "c"], told.sent);
        Assert.Equal(["a: Is it right?"], told.left);

        // A role that may not, and a session that is gone.
        told = Run(["403", "404"], three);
        Assert.Equal(["a: Your role may not do this.", "b: The session did not take it (404)."], told.left);

        // Signed out: nothing is held, dropped or passed by.
        told = Run(["200 signin", "200 signin"], three);
        Assert.Equal(["a", "a"], told.sent);
        Assert.Equal(["a", "b", "c"], told.left);
        Assert.Equal("sign in / sign in", told.said[^1]);

        // A stale token is changed for a fresh one, once.
        told = Run(["400"], three[..1]);
        Assert.Equal(["a", "asks for a token", "a fresh"], told.sent);
        Assert.Empty(told.left);

        // A server that breaks on one entry again and again does not stop the rest for ever.
        told = Run(["500", "500", "500", "500", "500"], three[..2], 3);
        Assert.Equal(["a", "a", "a", "a", "a", "b"], told.sent);
        Assert.Equal(["a: The server failed on this one again and again."], told.left);

        // What somebody else entered here waits for them; what is held waits for a person.
        told = Run([], [new { client = "a", by = "another" }, new { client = "b", held = "look" }, new { client = "c" }]);
        Assert.Equal(["c"], told.sent);
        Assert.Equal(["a", "b: look"], told.left);
    }
}
