using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using InchBurst.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Keys of devices: one each, shown once, seen, withdrawn; and what a device is told that sends what cannot be taken.</summary>
public class DeviceKeyTests
{
    private static async Task<(HttpStatusCode Code, string Problem, HttpResponseMessage Answer)> SendAsync(HttpClient http, string? key, string to, HttpContent? body, HttpMethod? method = null)
    {
        using var request = new HttpRequestMessage(method ?? HttpMethod.Post, to) { Content = body };
        if (key is not null)
        {
            request.Headers.TryAddWithoutValidation("Gate-Token", key);
        }

        var answer = await http.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        return (answer.StatusCode, text.Length > 0 ? JsonDocument.Parse(text).RootElement.GetProperty("problem").GetString()! : "", answer);
    }

    private static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");

    private static async Task<string> MakeAsync(Visitor coach, string name) => (await coach.PostAsync("/Settings", "/Settings?handler=Device", ("name", name))).Page.QuerySelector("#device-key")!.GetAttribute("value")!;

    [Fact]
    public async Task Each_device_has_a_key_of_its_own_that_is_seen_and_withdrawn()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        const string live = "/Sessions/49/Trackside";
        await coach.PostAsync(live, live + "?handler=Start", [.. (await coach.PageAsync(live)).QuerySelectorAll("[name=here][checked]").Select(h => ("here", h.GetAttribute("value")!))]);
        using var http = new HttpClient { BaseAddress = house.Address };
        StringContent Sign() => Json("{\"name\":\"x\"}");
        Assert.Contains("No device is let in.", (await coach.PageAsync("/Settings")).QuerySelector("#gates")!.TextContent);

        var (home, back) = (await MakeAsync(coach, "  Home   straight "), await MakeAsync(coach, "Back straight"));
        Assert.NotEqual(home, back);
        Assert.Matches("^[A-Za-z0-9_-]{32}$", home);
        Assert.Equal(HttpStatusCode.Accepted, (await SendAsync(http, home, "/gates/49/alive", Sign())).Code);

        // Only what proves a key is kept, and the page shows it no second time.
        var page = await coach.PageAsync("/Settings");
        Assert.Null(page.QuerySelector("#device-key"));
        Assert.DoesNotContain(home, page.DocumentElement.OuterHtml, StringComparison.Ordinal);
        Assert.Equal(["Back straight", "Home straight"], page.QuerySelectorAll("#gates tbody td:first-child").Select(c => c.TextContent));
        Assert.Equal(["never", "today"], page.QuerySelectorAll("#gates tbody td:nth-child(2)").Select(c => c.TextContent == "never" ? "never" : "today"));
        Assert.False(await house.InDbAsync(db => db.DeviceKeys.AnyAsync(k => k.KeyHash == home)));

        // One is withdrawn: it is shut out at once, the other goes on.
        var row = page.QuerySelectorAll("#gates tbody tr").Single(r => r.TextContent.Contains("Home straight", StringComparison.Ordinal)).QuerySelector("[name=device]")!.GetAttribute("value")!;
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Settings", "/Settings?handler=Withdraw", ("device", row))).Code);
        var (code, problem, _) = await SendAsync(http, home, "/gates/49/alive", Sign());
        Assert.Equal((HttpStatusCode.Unauthorized, "This key lets nobody in. Make one for this device in Settings."), (code, problem));
        Assert.Equal(HttpStatusCode.Accepted, (await SendAsync(http, back, "/gates/49/alive", Sign())).Code);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Settings", "/Settings?handler=Withdraw", ("device", row))).Code);
        foreach (var wrong in new[] { null, "", "x", back + "x", back[..^1], SecretKey.HashOf(back) })
        {
            Assert.Equal(HttpStatusCode.Unauthorized, (await SendAsync(http, wrong, "/gates/49/alive", Sign())).Code);
        }


        // A name is asked for, once each; what was typed stays. A withdrawn name is free again.
        foreach (var (name, words) in new[] { (" ", "What is the device called"), ("back STRAIGHT", "“back STRAIGHT” has a key already."), (new string('x', 41), "At most 40 characters.") })
        {
            var told = (await coach.PostAsync("/Settings", "/Settings?handler=Device", ("name", name))).Page;
            Assert.Contains(words, told.QuerySelector("#gates .wrong")!.TextContent, StringComparison.Ordinal);
            Assert.Equal(name.Trim(), told.QuerySelector("#device-name")!.GetAttribute("value"));
        }

        Assert.Equal(32, (await MakeAsync(coach, "Home straight")).Length);

        // A key made by an older program for the whole club still lets in until it is withdrawn.
        await house.InDbAsync(db => db.Clubs.ExecuteUpdateAsync(u => u.SetProperty(c => c.GateToken, "of the whole club")));
        Assert.Equal(HttpStatusCode.Accepted, (await SendAsync(http, "of the whole club", "/gates/49/alive", Sign())).Code);
        Assert.Contains("Any device", (await coach.PageAsync("/Settings")).QuerySelector("#gates")!.TextContent);
        await coach.PostAsync("/Settings", "/Settings?handler=WithdrawClub");
        Assert.Equal(HttpStatusCode.Unauthorized, (await SendAsync(http, "of the whole club", "/gates/49/alive", Sign())).Code);

        // Who times does not make keys.
        var timer = await house.PersonAsync("Ravi at the gate", Data.Entities.Roles.Timer);
        Assert.NotEqual(HttpStatusCode.OK, (await timer.GetAsync("/Settings")).Code);
    }

    [Fact]
    public async Task When_a_device_was_seen_is_noted_once_a_minute_and_there_are_never_too_many()
    {
        await using var house = await TestHouse.OpenAsync();
        await using var scope = house.Services.CreateAsyncScope();
        var clock = new StillClock { Now = new(2026, 11, 28, 9, 0, 0, TimeSpan.Zero) };
        var db = scope.ServiceProvider.GetRequiredService<ClubDb>();
        var book = new KeyBook(db, clock);
        var (key, _) = await book.MakeAsync("Gates", "Odalys");
        DateTime? Seen() => db.DeviceKeys.AsNoTracking().Single(k => k.Name == "Gates").SeenAt;
        Assert.Null(Seen());
        foreach (var (after, seen) in new[] { (0, 0), (59, 0), (60, 60), (119, 60), (121, 121) })
        {
            clock.Now = new DateTimeOffset(2026, 11, 28, 9, 0, 0, TimeSpan.Zero).AddSeconds(after);
            Assert.True(await book.LetsInAsync(key!));
            Assert.Equal(new DateTime(2026, 11, 28, 9, 0, 0).AddSeconds(seen), Seen());
        }

        for (var i = 1; i < KeyBook.Most; i++)
        {
            Assert.NotNull((await book.MakeAsync($"Gates {i}", "Odalys")).Key);
        }

        Assert.Contains("Withdraw one first", (await book.MakeAsync("One more", "Odalys")).Wrong, StringComparison.Ordinal);
        Assert.True(await book.WithdrawAsync(db.DeviceKeys.AsNoTracking().Single(k => k.Name == "Gates 3").Id));
        Assert.NotNull((await book.MakeAsync("One more", "Odalys")).Key);
    }

    private sealed class StillClock : TimeProvider
    {
        public DateTimeOffset Now { get; set; }

        public override DateTimeOffset GetUtcNow() => Now;
    }

    [Fact]
    public async Task Whatever_a_device_sends_it_is_told_why_it_cannot_be_taken()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var key = await MakeAsync(coach, "Gates");
        using var http = new HttpClient { BaseAddress = house.Address };
        ByteArrayContent Bytes(byte[] bytes, string type = "application/json")
        {
            var body = new ByteArrayContent(bytes);
            body.Headers.ContentType = MediaTypeHeaderValue.Parse(type);
            return body;
        }

        var big = Encoding.UTF8.GetBytes("[" + new string(' ', 70_000) + "]");
        var run = Guid.NewGuid();
        (HttpContent? Body, HttpStatusCode Code)[] wrong =
        [
            (null, HttpStatusCode.UnsupportedMediaType), (new StringContent("{}", Encoding.UTF8, "text/plain"), HttpStatusCode.UnsupportedMediaType), (Json(""), HttpStatusCode.BadRequest), (Json("null"), HttpStatusCode.BadRequest),
            (Json("{\"run\":"), HttpStatusCode.BadRequest), (Json("[]"), HttpStatusCode.BadRequest), (Json("\"run\""), HttpStatusCode.BadRequest), (Json("{\"run\":\"7\",\"lane\":0,\"passes\":[]}"), HttpStatusCode.BadRequest),
            (Json($$"""{"run":"{{run}}","lane":0,"passes":[null]}"""), HttpStatusCode.BadRequest), (Json($$"""{"run":"{{run}}","lane":0,"passes":null}"""), HttpStatusCode.BadRequest), (Json($$"""{"run":"{{run}}","lane":0,"passes":[{"gate":-1,"milliseconds":1}]}"""), HttpStatusCode.BadRequest),
            (Json($$"""{"run":"{{run}}","lane":21,"passes":[{"gate":0,"milliseconds":1}]}"""), HttpStatusCode.BadRequest), (Json($$"""{"run":"{{run}}","lane":0,"passes":[{"gate":0,"milliseconds":1e999}]}"""), HttpStatusCode.BadRequest),
            (Json($$"""{"run":"{{run}}","lane":0,"passes":[{"gate":0,"milliseconds":"late"}]}"""), HttpStatusCode.BadRequest), (Json(new string('[', 5000)), HttpStatusCode.BadRequest), (Bytes([0xFF, 0xFE, 0x00, 0x80]), HttpStatusCode.BadRequest),
            (Bytes("{}"u8.ToArray(), "application/json; charset=klingon"), HttpStatusCode.BadRequest), (Bytes(big), HttpStatusCode.RequestEntityTooLarge),
        ];
        foreach (var to in new[] { "/gates/49", "/gates/49/alive" })
        {
            foreach (var (body, code) in wrong.Take(to.EndsWith("alive", StringComparison.Ordinal) ? 6 : wrong.Length))
            {
                var text = body is null ? "" : Encoding.Latin1.GetString(await body.ReadAsByteArrayAsync());
                var (is_, problem, _) = await SendAsync(http, key, to, body is null ? null : Bytes(await body.ReadAsByteArrayAsync(), body.Headers.ContentType!.ToString()));
                Assert.True(is_ == code && problem.Length > 10, $"{to} {text[..Math.Min(80, text.Length)]}: {is_} {problem}");
            }

            // One that does not say how long it is is cut off all the same, where nothing else is wrong with it before.
            using var unsaid = new StreamContent(new MemoryStream(Encoding.UTF8.GetBytes("{" + new string(' ', 70_000) + "}")));
            unsaid.Headers.ContentType = new("application/json");
            unsaid.Headers.ContentLength = null;
            using var request = new HttpRequestMessage(HttpMethod.Post, to) { Content = unsaid };
            request.Headers.TransferEncodingChunked = true;
            request.Headers.Add("Gate-Token", key);
            using var cut = await http.SendAsync(request);
            Assert.Equal(HttpStatusCode.RequestEntityTooLarge, cut.StatusCode);
        }

        // Nor is there anything elsewhere, or in another way.
        foreach (var (to, method, code) in new[] { ("/gates/quay", HttpMethod.Post, HttpStatusCode.NotFound), ("/gates/99999999999", HttpMethod.Post, HttpStatusCode.NotFound), ("/gates/49/sleep", HttpMethod.Post, HttpStatusCode.NotFound), ("/gates", HttpMethod.Post, HttpStatusCode.NotFound), ("/gates/49", HttpMethod.Get, HttpStatusCode.MethodNotAllowed) })
        {
            var (is_, problem, _) = await SendAsync(http, key, to, method == HttpMethod.Get ? null : Json("{}"), method);
            Assert.True(is_ == code && problem.Length > 10, $"{method} {to}: {is_} {problem}");
        }

        Assert.Equal("That session is not running.", (await SendAsync(http, key, "/gates/999", Json($$"""{"run":"{{run}}","lane":0,"passes":[{"gate":0,"milliseconds":1}]}"""))).Problem);

        // A flood is told to wait, in so many words, and nothing falls over.
        var answers = await Task.WhenAll(Enumerable.Range(0, 900).Select(_ => SendAsync(http, key, "/gates/48/alive", Json("{}"))));
        Assert.DoesNotContain(answers, a => (int)a.Code >= 500);
        var waits = answers.Where(a => a.Code == HttpStatusCode.TooManyRequests).ToList();
        Assert.NotEmpty(waits);
        Assert.All(waits, w => Assert.Equal(("Too many reports at once. Send this one again in 2 seconds.", "2"), (w.Problem, w.Answer.Headers.RetryAfter!.ToString())));
    }
}
