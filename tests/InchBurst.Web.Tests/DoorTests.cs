using System.Net;
using System.Security.Cryptography;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using InchBurst.Web.Support.Door;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace InchBurst.Web.Tests;

/// <summary>Passwords, second factor, roles, blocks and visits: what is taken away is gone at once.</summary>
public sealed class DoorTests
{
    private const string Owner = "Odalys Brandvold";

    private static async Task<string> IdAsync(TestHouse house, string name) => await house.InDbAsync(db => db.Users.Where(u => u.UserName == name).Select(u => u.Id).SingleAsync());

    private static async Task<(HttpStatusCode Code, string Words)> SignInAsync(Visitor visitor, string name, string password)
    {
        var (code, page, _) = await visitor.PostAsync("/SignIn", "/SignIn", ("Input.Name", name), ("Input.Password", password));
        return (code, page.Body!.TextContent);
    }

    [Fact]
    public async Task A_role_a_block_and_a_removal_count_from_the_next_request_on()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var coach = await house.PersonAsync("Ravi Anand", Roles.Coach);
        Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/Athletes")).Code);
        var id = await IdAsync(house, "Ravi Anand");

        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Role", ("id", id), ("role", Roles.Timer));
        Assert.Equal("/Denied", (await coach.GetAsync("/Athletes")).Response.Headers.Location!.AbsolutePath);
        Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/")).Code);
        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Role", ("id", id), ("role", Roles.Coach));
        Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/Athletes")).Code);

        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Shut", ("id", id), ("shut", "true"));
        Assert.Equal("/SignIn", (await coach.GetAsync("/")).Response.Headers.Location!.AbsolutePath);
        Assert.Contains("blocked", (await SignInAsync(house.Visitor(), "Ravi Anand", "four odd words here")).Words);
        Assert.Contains("do not go together", (await SignInAsync(house.Visitor(), "Ravi Anand", "not that one")).Words);
        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Shut", ("id", id), ("shut", "false"));
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(coach, "Ravi Anand", "four odd words here")).Code);
        Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/Athletes")).Code);

        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Delete", ("id", id));
        Assert.Equal("/SignIn", (await coach.GetAsync("/")).Response.Headers.Location!.AbsolutePath);
        Assert.Contains("do not go together", (await SignInAsync(house.Visitor(), "Ravi Anand", "four odd words here")).Words);
    }

    [Fact]
    public async Task The_last_owner_stays_one_until_there_is_another()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var id = await IdAsync(house, Owner);
        foreach (var (handler, field, value) in new[] { ("Role", "role", Roles.Coach), ("Shut", "shut", "true"), ("Delete", "none", "") })
        {
            var answer = await owner.PostAsync("/Settings/People", $"/Settings/People?handler={handler}", ("id", id), (field, value));
            Assert.Contains("must be an owner", answer.Page.QuerySelector(".people .wrong")!.TextContent);
        }

        await house.PersonAsync("Ravi Anand", Roles.Coach);
        var other = await IdAsync(house, "Ravi Anand");
        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Role", ("id", other), ("role", Roles.Owner));

        // A blocked owner cannot come in, so the other one is the last again.
        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Shut", ("id", other), ("shut", "true"));
        Assert.Contains("must be an owner", (await owner.PostAsync("/Settings/People", "/Settings/People?handler=Role", ("id", id), ("role", Roles.Coach))).Page.Body!.TextContent);
        await owner.PostAsync("/Settings/People", "/Settings/People?handler=Shut", ("id", other), ("shut", "false"));
        Assert.Equal(HttpStatusCode.Redirect, (await owner.PostAsync("/Settings/People", "/Settings/People?handler=Role", ("id", id), ("role", Roles.Coach))).Code);
        Assert.Equal("/Denied", (await owner.GetAsync("/Settings/People")).Response.Headers.Location!.AbsolutePath);
    }

    [Fact]
    public async Task A_new_person_gets_a_password_once_and_must_choose_another()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var added = await owner.PostAsync("/Settings/People", "/Settings/People?handler=Add", ("name", "Ilse Vantongeren"), ("role", Roles.Viewer));
        var given = added.Page.QuerySelector("code.token")!.TextContent;
        Assert.Empty((await owner.PageAsync("/Settings/People")).QuerySelectorAll("code.token"));
        var viewer = house.Visitor();
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(viewer, "Ilse Vantongeren", given)).Code);
        Assert.Equal("/You", (await viewer.GetAsync("/")).Response.Headers.Location!.ToString());
        foreach (var (fresh, again, words) in new[] { ("short", "short", "at least 10"), ("password12", "password12", "first that are tried"), ("1111111111", "1111111111", "first that are tried"), ("abcabcabcabc", "abcabcabcabc", "first that are tried"), ("Ilse2026!!", "Ilse2026!!", "more than a name"), ("four odd words here", "four odd word here", "not the same"), (given, given, "another one") })
        {
            Assert.Contains(words, (await viewer.PostAsync("/You", "/You?handler=Password", ("old", given), ("fresh", fresh), ("again", again))).Page.Body!.TextContent);
        }

        Assert.Contains("not your password now", (await viewer.PostAsync("/You", "/You?handler=Password", ("old", "a guess of it"), ("fresh", "four odd words here"), ("again", "four odd words here"))).Page.Body!.TextContent);
        Assert.Equal(HttpStatusCode.Redirect, (await viewer.PostAsync("/You", "/You?handler=Password", ("old", given), ("fresh", "four odd words here"), ("again", "four odd words here"))).Code);
        Assert.Equal(HttpStatusCode.OK, (await viewer.GetAsync("/")).Code);
        Assert.Contains("do not go together", (await SignInAsync(house.Visitor(), "Ilse Vantongeren", given)).Words);
    }

    [Fact]
    public async Task A_copied_cookie_is_worth_nothing_after_signing_out_and_other_devices_can_be_ended()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var phone = house.Visitor();
        await SignInAsync(phone, Owner, "long enough");
        var copy = phone.Copy();
        Assert.Equal(HttpStatusCode.OK, (await copy.GetAsync("/")).Code);
        await phone.PostAsync("/", "/SignIn?handler=Out");
        Assert.Equal("/SignIn", (await copy.GetAsync("/")).Response.Headers.Location!.AbsolutePath);

        var tablet = house.Visitor();
        await SignInAsync(tablet, Owner, "long enough");
        var list = await owner.PageAsync("/You");
        Assert.Equal(2, list.QuerySelectorAll("#devices tbody tr").Length);
        await owner.PostAsync("/You", "/You?handler=End", ("visit", list.QuerySelector("#devices input[name=visit]")!.GetAttribute("value")!));
        Assert.Equal("/SignIn", (await tablet.GetAsync("/")).Response.Headers.Location!.AbsolutePath);
        Assert.Equal(HttpStatusCode.OK, (await owner.GetAsync("/")).Code);
    }

    // RFC 6238: time steps of 30 s, HMAC-SHA-1, six digits.
    private static string Code(string key, DateTimeOffset at)
    {
        const string Letters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";
        var bits = string.Concat(key.Select(c => Convert.ToString(Letters.IndexOf(c, StringComparison.Ordinal), 2).PadLeft(5, '0')));
        var secret = Enumerable.Range(0, bits.Length / 8).Select(i => Convert.ToByte(bits.Substring(i * 8, 8), 2)).ToArray();
        var counter = BitConverter.GetBytes(at.ToUnixTimeSeconds() / 30);
        Array.Reverse(counter);
#pragma warning disable CA5350 // The standard says SHA-1.
        var hash = HMACSHA1.HashData(secret, counter);
#pragma warning restore CA5350
        var offset = hash[^1] & 15;
        var number = ((hash[offset] & 0x7F) << 24) | (hash[offset + 1] << 16) | (hash[offset + 2] << 8) | hash[offset + 3];
        return (number % 1_000_000).ToString("000000", System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task The_second_factor_is_asked_for_and_a_spare_code_works_once()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var setUp = await owner.PostAsync("/You", "/You?handler=Begin");
        var key = setUp.Page.QuerySelector("#second code.token")!.TextContent.Replace(" ", "", StringComparison.Ordinal);
        Assert.NotNull(setUp.Page.QuerySelector("#second svg.square-code"));
        Assert.Contains("not the code", (await owner.PostAsync("/You", "/You?handler=Confirm", ("code", "000000"))).Page.Body!.TextContent);
        var on = await owner.PostAsync("/You", "/You?handler=Confirm", ("code", Code(key, DateTimeOffset.UtcNow)));
        var spare = on.Page.QuerySelectorAll("#spare code").Select(c => c.TextContent).ToList();
        Assert.Equal(8, spare.Count);

        async Task<(Visitor Visitor, string Ticket)> FirstStepAsync()
        {
            var visitor = house.Visitor();
            var (code, page, _) = await visitor.PostAsync("/SignIn", "/SignIn", ("Input.Name", Owner), ("Input.Password", "long enough"));
            Assert.Equal(HttpStatusCode.OK, code);
            Assert.Equal("/SignIn", (await visitor.GetAsync("/")).Response.Headers.Location!.AbsolutePath);
            return (visitor, page.QuerySelector("input[name=ticket]")!.GetAttribute("value")!);
        }

        var (phone, ticket) = await FirstStepAsync();
        Assert.Contains("not the code", (await phone.PostAsync("/SignIn", "/SignIn?handler=Code", ("ticket", ticket), ("code", "123456"))).Page.Body!.TextContent);
        Assert.Contains("took too long", (await phone.PostAsync("/SignIn", "/SignIn?handler=Code", ("ticket", "made up"), ("code", Code(key, DateTimeOffset.UtcNow)))).Page.Body!.TextContent);
        Assert.Equal(HttpStatusCode.Redirect, (await phone.PostAsync("/SignIn", "/SignIn?handler=Code", ("ticket", ticket), ("code", Code(key, DateTimeOffset.UtcNow)))).Code);
        Assert.Equal(HttpStatusCode.OK, (await phone.GetAsync("/")).Code);

        var (lost, second) = await FirstStepAsync();
        Assert.Equal(HttpStatusCode.Redirect, (await lost.PostAsync("/SignIn", "/SignIn?handler=Code", ("ticket", second), ("code", spare[0]))).Code);
        var (again, third) = await FirstStepAsync();
        Assert.Contains("not the code", (await again.PostAsync("/SignIn", "/SignIn?handler=Code", ("ticket", third), ("code", spare[0]))).Page.Body!.TextContent);

        Assert.Contains("not your password", (await owner.PostAsync("/You", "/You?handler=Off", ("password", "a guess of it"))).Page.Body!.TextContent);
        Assert.Equal(HttpStatusCode.Redirect, (await owner.PostAsync("/You", "/You?handler=Off", ("password", "long enough"))).Code);
        Assert.Equal(HttpStatusCode.Redirect, (await SignInAsync(house.Visitor(), Owner, "long enough")).Code);
    }

    [Fact]
    public void Guessing_from_one_place_shuts_that_place_and_nobody_else_out()
    {
        var clock = new SetClock();
        var counter = new TryCounter(clock);
        for (var i = 0; i < TryCounter.MostForName; i++)
        {
            Assert.False(counter.IsShut("10.0.0.9", Owner));
            counter.Note("10.0.0.9", i % 2 == 0 ? Owner : Owner.ToUpperInvariant());
        }

        Assert.True(counter.IsShut("10.0.0.9", Owner));
        Assert.False(counter.IsShut("10.0.0.9", "Somebody else"));
        Assert.False(counter.IsShut("10.0.0.7", Owner));
        clock.Now += TryCounter.Counts + TimeSpan.FromSeconds(1);
        Assert.False(counter.IsShut("10.0.0.9", Owner));
        for (var i = 0; i < TryCounter.MostFromPlace; i++)
        {
            Assert.False(counter.IsShut("10.0.0.9", "Somebody else"));
            counter.Note("10.0.0.9", $"Name {i}");
        }

        Assert.True(counter.IsShut("10.0.0.9", "Somebody else"));
        counter.Note("10.0.0.7", Owner);
        counter.Clear("10.0.0.7", Owner);
        Assert.False(counter.IsShut("10.0.0.7", Owner));
    }

    private sealed class SetClock : TimeProvider
    {
        public DateTimeOffset Now { get; set; } = new(2026, 3, 1, 9, 0, 0, TimeSpan.Zero);

        public override DateTimeOffset GetUtcNow() => Now;
    }

    [Fact]
    public async Task Wrong_tries_end_in_a_wait_and_the_right_password_is_then_refused_too()
    {
        await using var house = await TestHouse.OpenAsync();
        await house.CoachAsync();
        for (var i = 0; i < TryCounter.MostForName; i++)
        {
            Assert.Contains("do not go together", (await SignInAsync(house.Visitor(), Owner, $"guess number {i}")).Words);
        }

        Assert.Contains("Too many tries", (await SignInAsync(house.Visitor(), Owner, "long enough")).Words);
    }

    [Theory]
    [InlineData("localhost", false, true)]
    [InlineData("127.0.0.1", false, true)]
    [InlineData("[::1]", false, true)]
    [InlineData("192.168.1.4", false, false)]
    [InlineData("192.168.1.4", true, true)]
    [InlineData("8.8.8.8", true, false)]
    [InlineData("club.local", true, true)]
    [InlineData("club.local", false, false)]
    [InlineData("evil.example", true, false)]
    [InlineData("localhost.evil.example", true, false)]
    [InlineData("speed.club.example", false, false)]
    public void Only_names_of_this_machine_and_its_network_are_answered(string host, bool network, bool mine) =>
        Assert.Equal(mine, Doorstep.IsOwnName(host, new HouseOptions("", 5080, false, false) { Network = network ? IPAddress.Any : null }));

    [Fact]
    public void Behind_a_proxy_its_name_is_answered_too() =>
        Assert.True(Doorstep.IsOwnName("speed.club.example", new HouseOptions("", 5080, false, false) { ProxiedAs = "Speed.club.example" }));

    [Fact]
    public async Task A_strange_host_a_strange_method_and_a_watcher_get_their_answers()
    {
        await using var house = await TestHouse.OpenAsync();
        using var http = new HttpClient();
        async Task<HttpResponseMessage> Ask(HttpMethod method, string path, string? host)
        {
            using var request = new HttpRequestMessage(method, new Uri(house.Address, path));
            request.Headers.Host = host;
            return await http.SendAsync(request);
        }

        Assert.Equal(HttpStatusCode.BadRequest, (await Ask(HttpMethod.Get, "/FirstRun", "rebound.example")).StatusCode);
        Assert.Equal(HttpStatusCode.MethodNotAllowed, (await Ask(HttpMethod.Trace, "/", null)).StatusCode);
        Assert.Equal(HttpStatusCode.MethodNotAllowed, (await Ask(HttpMethod.Put, "/", null)).StatusCode);
        var health = await Ask(HttpMethod.Get, "/health", null);
        Assert.Equal("ok", await health.Content.ReadAsStringAsync());
        Assert.Equal("no-store", health.Headers.CacheControl!.ToString());
    }

    [Fact]
    public async Task The_question_mark_of_every_screen_leads_to_a_page_of_the_guide_with_its_pictures()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var seen = new HashSet<string>();
        foreach (var path in new[] { "/", "/Athletes", "/Sessions/49", "/Sessions/48/Review", "/Loads", "/Season", "/Settings/Backup", "/Drills/A-skip", "/Athletes/8/Compare" })
        {
            var to = (await coach.PageAsync(path)).QuerySelector(".help")!.GetAttribute("href")!;
            if (seen.Add(to))
            {
                var page = await coach.PageAsync(to);
                Assert.NotEmpty(page.QuerySelectorAll(".guide p"));
                foreach (var picture in page.QuerySelectorAll(".guide img"))
                {
                    Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync(picture.GetAttribute("src")!)).Code);
                }
            }
        }

        Assert.Equal(7, seen.Count);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Guide/nowhere")).Code);
        Assert.Equal("&lt;b&gt;", GuideBook.Read("## A {#a}\n<b>").Single().Html[3..12]);
    }

    [Fact]
    public async Task What_people_change_is_noted_with_who_and_when_and_read_by_the_owner_alone()
    {
        await using var house = await TestHouse.OpenAsync();
        var owner = await house.CoachAsync();
        var coach = await house.PersonAsync("Ravi Anand", Roles.Coach);
        for (var i = 0; i < 3; i++)
        {
            await coach.PostAsync("/Settings", "/Settings", ("Input.Name", $"Harbour {i}"), ("Input.DistanceUnit", "Metre"), ("Input.SpeedUnit", "MetresPerSecond"), ("Input.MassUnit", "Kilogram"));
        }

        await coach.PostAsync("/Settings", "/Settings", ("Input.Name", ""), ("Input.DistanceUnit", "Metre"), ("Input.SpeedUnit", "MetresPerSecond"), ("Input.MassUnit", "Kilogram"));
        await owner.PostAsync("/Settings/Backup", "/Settings/Backup?handler=Make");
        var deeds = await house.InDbAsync(db => db.Deeds.AsNoTracking().OrderBy(d => d.Id).ToListAsync());
        Assert.Equal([("Ravi Anand", "settings: saved (club: name)", 3), (Owner, "settings, backup: make", 1)], deeds.Select(d => (d.By, d.What, d.Times)));
        Assert.Equal("/Denied", (await coach.GetAsync("/Settings/Log")).Response.Headers.Location!.AbsolutePath);
        var page = await owner.PageAsync("/Settings/Log?by=Ravi%20Anand");
        Assert.Contains("3 times", page.QuerySelector("table.log tbody tr")!.TextContent);
        Assert.Single(page.QuerySelectorAll("table.log tbody tr"));

        // What was changed is said, what it was and is now is not.
        await coach.PostAsync("/Athletes", "/Athletes?handler=AddMany", ("squad", "1"), ("names", "Ada Berg"));
        var form = (await coach.PageAsync("/Athletes/Edit?id=1")).QuerySelector("main form[method=post]")!;
        var fields = form.QuerySelectorAll("input[name], textarea[name], select[name]").Where(f => f.GetAttribute("type") is not ("checkbox" or "radio" or "submit") && f.GetAttribute("name") is not ("__RequestVerificationToken"))
            .Select(f => (f.GetAttribute("name")!, f.GetAttribute("name") switch { "Input.Notes" => "left hamstring", "Input.BodyMass" => "61", _ => f is AngleSharp.Html.Dom.IHtmlSelectElement select ? select.Value ?? "" : f is AngleSharp.Html.Dom.IHtmlTextAreaElement area ? area.Value ?? "" : f.GetAttribute("value") ?? "" })).ToArray();
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Athletes/Edit?id=1", "/Athletes/Edit?id=1", fields)).Code);
        var last = await house.InDbAsync(db => db.Deeds.AsNoTracking().OrderBy(d => d.Id).Select(d => d.What).LastAsync());
        Assert.Equal("athletes, edit: saved (athlete: body mass, notes)", last);
        Assert.Equal("athletes: add many (new athlete)", await house.InDbAsync(db => db.Deeds.AsNoTracking().OrderBy(d => d.Id).Select(d => d.What).Skip(2).FirstAsync()));
    }
}
