using System.Globalization;
using InchBurst.Core.Units;
using Microsoft.Data.Sqlite;
using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>A session run live: by keyboard, by touch, without a signal, by two people.</summary>
public sealed class LiveSessionTests
{
    private static readonly string[] ThreeLines = ["20 m", "20 build + 10 fly + 20 m slow", "30 m gates 10,20,30 m"];

    // One run of each line for eight athletes, in hundredths: the digits as they are typed, without points.
    private static string Digits(int line, int athlete) => line switch
    {
        0 => $"{331 + athlete}",
        1 => $"{333 + athlete}{450 + (2 * athlete)}",
        _ => $"{208 + athlete}{335 + athlete}{455 + (2 * athlete)}",
    };

    internal static List<(string Name, int Line, int Rep, string Marks)> Stored(TestApp app)
    {
        using var file = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = Path.Combine(app.Folder, "club.db"), Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
        file.Open();
        using var ask = file.CreateCommand();
        ask.CommandText = """
            SELECT a.Name, r.LineId, r.Rep, (SELECT group_concat(printf('%.2f', m.Seconds), ' ') FROM (SELECT Seconds FROM Marks WHERE RunId = r.Id ORDER BY Millimetres) m)
            FROM Runs r JOIN Athletes a ON a.Id = r.AthleteId WHERE r.DeletedAt IS NULL ORDER BY r.FinishedAt, r.Id
            """;
        using var rows = ask.ExecuteReader();
        var found = new List<(string, int, int, string)>();
        while (rows.Read())
        {
            found.Add((rows.GetString(0), rows.GetInt32(1), rows.GetInt32(2), rows.IsDBNull(3) ? "" : rows.GetString(3)));
        }

        return found;
    }

    private static string WithPoints(string digits) => string.Join(' ', digits.Chunk(3).Select(c => $"{c[0]}.{c[1]}{c[2]}"));

    private static void Say(string text) => TestContext.Current.TestOutputHelper?.WriteLine(text);

    [Fact]
    public void Eight_athletes_and_three_lines_are_run_by_keyboard_with_the_digits_and_one_key_more_a_rep()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        page.StartSession(8, ThreeLines);

        // A question mark shows the keys, from a box too, which stays empty.
        page.Find("[data-mark]");
        page.Keys("?");
        Assert.Contains("runs again", page.Text("#keys[open]"));
        page.Keys("?");
        page.Until(d => d.FindElements(By.CssSelector("#keys[open]")).Count == 0 ? d : null);
        Assert.Equal("", page.Driver.FindElement(By.CssSelector("[data-mark]")).GetDomProperty("value"));
        int keys = 0, digits = 0, reps = 0;
        var expected = new List<(string, string)>();
        for (var line = 0; line < 3; line++)
        {
            for (var i = 0; i < 8; i++)
            {
                var name = page.Until(d => d.FindElements(By.CssSelector(".t-who")).FirstOrDefault(e => e.Displayed)?.Text is { } on && on == Chromium.Names[i] ? on : null)!;
                var typed = Digits(line, i);
                page.Keys(typed + Keys.Enter);
                (keys, digits, reps) = (keys + typed.Length + 1, digits + typed.Length, reps + 1);
                expected.Add((name, WithPoints(typed)));
            }

            // When everyone is through, the next line has the focus: Enter goes there.
            page.UntilText(".t-plain", "Everyone has run this line");
            page.Quiet();
            if (line < 2)
            {
                page.Until(d => d.SwitchTo().ActiveElement().GetDomAttribute("class")?.Contains("t-next", StringComparison.Ordinal) == true ? d : null);
                page.Keys(Keys.Enter);
            }
        }

        Say($"{reps} reps by keyboard: {digits} digits and {keys - digits} other keys, {(keys / (double)reps).ToString("0.0", CultureInfo.InvariantCulture)} keys a rep");
        Assert.Equal(reps, keys - digits);
        Assert.Equal(expected, Stored(app).Select(r => (r.Name, r.Marks)));

        // Commands in an empty box: an extra rep called by keyboard, no time, undo.
        page.Look(() => page.Driver.FindElements(By.CssSelector("[data-queue] button")).First(b => b.Displayed && b.Enabled).SendKeys(Keys.Enter));
        page.UntilText(".t-rep", "rep 2 of 1");
        page.Find("[data-mark]");
        page.Keys("n");
        page.UntilText(".t-undo", "No time");
        page.Look(() => page.Driver.FindElements(By.CssSelector("[data-queue] button")).First(b => b.Displayed && b.Enabled).SendKeys(Keys.Enter));
        page.UntilText(".t-rep", "of 1");
        page.Quiet();
        page.Keys("u");
        page.UntilText(".t-undo", "Taken back");
        Assert.Equal(24, Stored(app).Count);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_same_is_run_by_touch_on_a_phone_with_the_digits_and_one_tap_more_a_rep()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app, 1280);
        page.StartSession(8, ThreeLines);
        page.Resize(390, 844);
        page.Driver.Navigate().Refresh();
        int taps = 0, digits = 0, reps = 0;
        var expected = new List<(string, string)>();
        for (var line = 0; line < 3; line++)
        {
            for (var i = 0; i < 8; i++)
            {
                page.UntilText(".t-who", Chromium.Names[i]);
                var typed = Digits(line, i);
                page.Tap([.. typed.Select(d => $"[data-pad] [data-key='{d}']")]);
                taps += typed.Length;
                if (line == 1 && i == 2)
                {
                    // A slip: one key takes it back, over the edge of the box too.
                    var before = page.Driver.FindElements(By.CssSelector("[data-mark]")).Select(b => b.GetDomProperty("value")).ToList();
                    page.Tap("[data-key='back']", $"[data-pad] [data-key='{typed[^1]}']");
                    Assert.Equal(before, page.Driver.FindElements(By.CssSelector("[data-mark]")).Select(b => b.GetDomProperty("value")));
                    Assert.True(page.Driver.FindElement(By.CssSelector(".t-save")).Location.Y < 844 - 100, "Save lies within the screen");
                }

                page.Tap(".t-save");
                taps++;
                (digits, reps) = (digits + typed.Length, reps + 1);
                expected.Add((Chromium.Names[i], WithPoints(typed)));
            }

            page.UntilText(".t-plain", "Everyone has run this line");
            page.Quiet();
            if (line < 2)
            {
                page.Find(".t-next").Click();
            }
        }

        Say($"{reps} reps by touch: {digits} digits and {taps - digits} other taps, {(taps / (double)reps).ToString("0.0", CultureInfo.InvariantCulture)} taps a rep");
        Assert.Equal(reps, taps - digits);
        Assert.Equal(expected, Stored(app).Select(r => (r.Name, r.Marks)));
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Thirty_saves_with_the_network_cut_a_reload_and_a_server_restart_are_stored_once_and_in_order()
    {
        using var app = new TestApp(demo: false, isKilled: true);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        var path = page.StartSession(6, "5 x 20 m rest 0:20", "A-skip 2 x 15 m");
        page.Core();
        page.Until(d => (bool)((IJavaScriptExecutor)d).ExecuteScript("return document.documentElement.dataset.offline === 'ready' && Boolean(navigator.serviceWorker.controller)")! ? d : null);

        // The page and its files are kept once the worker has them; the second line is kept too.
        page.Until(d => (bool)((IJavaScriptExecutor)d).ExecuteAsyncScript(
            "const done = arguments[0]; Promise.all([caches.open('inch-burst-pages').then(c => c.keys()), caches.open('inch-burst-live').then(c => c.keys())]).then(([p, l]) => done(p.length > 0 && l.length >= 3))")! ? d : null);
        var expected = new List<(string Name, string Marks)>();
        void Save()
        {
            var name = page.Text(".t-who");
            var typed = $"{320 + expected.Count}";
            page.Keys(typed + Keys.Enter);
            page.Until(d => d.FindElements(By.CssSelector("[data-mark]")).All(b => b.GetDomProperty("value") == "") ? d : null);
            expected.Add((name, WithPoints(typed)));
        }

        page.Find("[data-mark]");
        for (var i = 0; i < 8; i++)
        {
            Save();
        }

        // Requests arrive, answers do not: the server has what the device believes unsent.
        page.Quiet();
        proxy.SwallowAnswers();
        Save();
        page.UntilText("[data-waiting-text]", "1 waiting to send");
        page.Until(_ => Stored(app).Count == 9 ? this : null);
        Assert.True(proxy.Swallowed > 0);

        proxy.Cut();
        for (var i = 0; i < 5; i++)
        {
            Save();
        }

        page.UntilText("[data-waiting-text]", "No signal, 6 waiting to send");
        Assert.Equal(9, Stored(app).Count);

        // The page opens again without a network, and goes on where it was.
        var next = page.Text(".t-who");
        page.Go(path);
        page.UntilText("[data-waiting-text]", "6 waiting to send");
        Assert.Equal(next, page.Text(".t-who"));
        for (var i = 0; i < 5; i++)
        {
            Save();
        }

        page.UntilText("[data-waiting-text]", "11 waiting to send");

        // The other line opens from what is kept, and back again; both are told to the server later.
        page.Press(".t-lines .t-next", b => b.Displayed);
        page.UntilText("h1", "A-skip");
        page.Press(".t-lines button", b => b.Text.StartsWith("Back", StringComparison.Ordinal));
        page.UntilText("h1", "Acceleration");
        page.Find("[data-mark]");
        Save();

        app.Kill();
        app.Start();
        Assert.Equal(9, Stored(app).Count);
        proxy.Mend();
        page.Until(d => d.FindElement(By.CssSelector("[data-waiting]")).Displayed ? null : d);
        for (var i = expected.Count; i < 30; i++)
        {
            Save();
        }

        page.Quiet();
        page.Until(_ => Stored(app).Count >= 30 ? this : null);
        Assert.Equal(expected, Stored(app).Select(r => (r.Name, r.Marks)));
        Assert.All(Stored(app).GroupBy(r => r.Name), g => Assert.Equal([1, 2, 3, 4, 5], g.Select(r => r.Rep)));
        Assert.Equal(30, expected.Count);
    }

    [Fact]
    public void Two_people_on_one_session_see_the_same_and_nothing_is_lost_or_doubled()
    {
        using var app = new TestApp(demo: false);
        using var coach = new Chromium(app);
        var path = coach.StartSession(4, "3 x 20 m rest 0:20");
        coach.Go("/Settings/People");
        coach.Type("#name", "Ilse at the gate" + Keys.Enter);
        coach.UntilText("table.rows", "Ilse at the gate");
        var given = coach.Find("code.token").Text;
        coach.Go(path);
        using var timer = new Chromium(app, 390, 844);
        timer.Go("/SignIn");
        timer.Type("#Input_Name", "Ilse at the gate");
        timer.Type("#Input_Password", given + Keys.Enter);

        // A password from somebody else is used once.
        timer.Type("#old", given);
        timer.Type("#fresh", "four odd words here");
        timer.Type("#again", "four odd words here" + Keys.Enter);
        timer.UntilText(".toast-bar", "changed");
        timer.Go("/");
        timer.UntilText("h2", "is running");
        timer.Click(".empty .btn-primary");
        timer.Find("[data-mark]");
        coach.Find("[data-mark]");

        // Different reps in turn: each device moves on by itself.
        coach.Keys("331" + Keys.Enter);
        timer.UntilText(".t-who", "Bo Tranquist");
        timer.UntilText(".t-undo", "by Odalys Brandvold");
        timer.Keys("332" + Keys.Enter);
        coach.UntilText(".t-who", "Chiamaka Roe");
        coach.UntilText(".t-undo", "3.32 for Bo Tranquist");

        // The same rep on both, typed before either is saved: one rep, two readings, and what is half typed stays.
        coach.Keys("333");
        timer.Keys("335");
        coach.Keys(Keys.Enter);
        timer.UntilText(".t-note", "second reading");
        Assert.Equal("3.35", timer.Find("[data-mark]").GetDomProperty("value"));
        timer.Find("[data-mark]").SendKeys(Keys.Enter);
        coach.UntilText(".t-seen", "2 readings of this rep, the mean stands");
        timer.UntilText(".t-who", "Dov Maris");

        // Far apart, it is a conflict that both see until one of them picks.
        coach.UntilText(".t-who", "Dov Maris");
        coach.Keys("340");
        timer.Keys("304");
        timer.Find("[data-mark]").SendKeys(Keys.Enter);
        coach.UntilText(".t-note", "second reading");
        coach.Find("[data-mark]").SendKeys(Keys.Enter);
        coach.UntilText(".t-conflict", "differ by 0.36 s");
        timer.UntilText(".t-conflict", "differ by 0.36 s");
        coach.Press(".t-conflict button", b => b.Text.StartsWith("3.40", StringComparison.Ordinal));
        timer.Until(d => d.FindElements(By.CssSelector(".t-conflict")).Count == 0 ? d : null);

        // Both at once, many times: counts are right on both.
        for (var rep = 2; rep <= 3; rep++)
        {
            for (var i = 0; i < 4; i += 2)
            {
                // Whoever types first moves both screens on; the next name is the other one's.
                foreach (var (mine, theirs) in new[] { (coach, timer), (timer, coach) })
                {
                    mine.UntilText(".t-rep", $"rep {rep}");
                    mine.Quiet();
                    var before = mine.Text(".t-undo");
                    mine.Find("[data-mark]");
                    mine.Keys($"33{rep}" + Keys.Enter);
                    theirs.Until(d => d.FindElement(By.CssSelector(".t-undo")).Text is { Length: > 0 } now && now.Contains($"rep {rep}", StringComparison.Ordinal) && now != before ? d : null);
                    theirs.Quiet();
                    mine.Quiet();
                }
            }
        }

        coach.UntilText(".t-plain", "Everyone has run this line");
        timer.UntilText(".t-plain", "Everyone has run this line");
        var stored = Stored(app);
        Assert.Equal(12, stored.Count);
        Assert.All(stored.GroupBy(r => r.Name), g => Assert.Equal([1, 2, 3], g.Select(r => r.Rep).Order()));
        Assert.Contains(("Chiamaka Roe", 1, "3.34"), stored.Select(r => (r.Name, r.Rep, r.Marks)));
        Assert.Contains(("Dov Maris", 1, "3.40"), stored.Select(r => (r.Name, r.Rep, r.Marks)));
        Assert.Empty(coach.Complaints());
        Assert.Empty(timer.Complaints());
    }

    [Fact]
    public void Lanes_are_taken_in_turn_with_and_without_the_server_and_what_cannot_be_is_asked_at_once()
    {
        using var app = new TestApp(demo: false);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        page.StartSession(4, 2, ["2 x 20 m rest 0:20"]);
        page.Core();
        IReadOnlyList<string> Lanes()
        {
            page.Quiet();
            return page.Until<string[]>(_ => [page.Text(".t-onit")[^1..], .. page.Driver.FindElements(By.CssSelector("[data-queue] > li.ready [data-small]")).Where(e => e.Displayed).Select(e => e.Text.Split("lane ")[1][..1])]);
        }

        // Whoever is on the line and those behind, each in the lane after the one before; nobody ready has lane 1 twice running.
        var seen = new List<string>();
        void Save(string typed)
        {
            var lanes = Lanes();
            Assert.Equal(lanes, lanes.Select((_, i) => i % 2 == 0 ? lanes[0] : lanes[0] == "1" ? "2" : "1"));
            seen.Add(lanes[0]);
            page.Keys(typed + Keys.Enter);
            page.Until(d => d.FindElements(By.CssSelector("[data-mark]")).All(b => b.GetDomProperty("value") == "") ? d : null);
        }

        Save("331");
        page.UntilText(".t-undo", "3.31");
        proxy.Cut();
        Save("332");

        // 20 m in 1.33 s is impossible, with and without a signal: nothing is kept, and the figure is put right where it stands.
        page.Keys("133" + Keys.Enter);
        page.UntilText(".t-doubt", "Nothing was stored");
        Assert.Contains("Chiamaka Roe", page.Text(".t-who"));
        page.UntilText("[data-waiting-text]", "1 waiting to send");
        Save("333");
        Save("334");
        Assert.Equal(["1", "2", "1", "2"], seen);
        page.UntilText("[data-waiting-text]", "3 waiting to send");
        proxy.Mend();
        page.Until(_ => Stored(app).Count == 4 ? this : null);
        Assert.Equal(
            [("Ada Quillfeather", "3.31"), ("Bo Tranquist", "3.32"), ("Chiamaka Roe", "3.33"), ("Dov Maris", "3.34")],
            Stored(app).Select(r => (r.Name, r.Marks)).Order());
        Assert.Empty(page.Complaints(wasCut: true));
    }

    [Fact]
    public void Without_Core_on_the_device_nothing_is_typed_for_the_wrong_athlete_and_a_late_doubt_is_changed_in_place()
    {
        using var app = new TestApp(demo: false, hasCore: false);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        page.StartSession(4, 2, ["2 x 20 m rest 0:20"]);
        proxy.Cut();
        foreach (var (typed, name) in new[] { ("331", "Ada Quillfeather"), ("332", "Bo Tranquist"), ("133", "Chiamaka Roe"), ("334", "Dov Maris") })
        {
            Assert.Equal(name, page.Text(".t-who"));
            page.Keys(typed + Keys.Enter);
            page.Until(d => d.FindElements(By.CssSelector("[data-mark]")).All(b => b.GetDomProperty("value") == "") ? d : null);
        }

        // Pain said without a signal keeps an athlete from the line, and "again" is not at once.
        Assert.Equal("Ada Quillfeather", page.Text(".t-who"));
        page.Driver.ExecuteScript("document.querySelector('#t-entry [data-person]').click()");
        page.Driver.ExecuteScript("document.querySelector('#t-person form[action*=Hold]').requestSubmit()");
        page.UntilText(".t-who", "Bo Tranquist");
        Assert.Contains("held", page.Driver.FindElement(By.CssSelector("[data-queue] > li[data-name='Ada Quillfeather']")).GetAttribute("class"));
        page.Keys("r");
        page.UntilText(".t-who", "Chiamaka Roe");
        page.UntilText("[data-waiting-text]", "6 waiting to send");
        proxy.Mend();
        page.UntilText("[data-waiting-text]", "1 time to check");
        page.Until(_ => Stored(app).Count == 4 ? this : null);
        page.Click("[data-waiting]");
        page.UntilText(".t-heldrow", "Chiamaka Roe 1.33, rep 1");
        var box = page.Find(".t-heldrow input");
        box.Clear();
        box.SendKeys("3,33");
        page.Press(".t-heldrow button", b => b.Text == "Save again");
        page.Until(d => d.FindElement(By.CssSelector("[data-waiting]")).Displayed ? null : d);
        page.Until(_ => Stored(app).Count == 5 ? this : null);
        Assert.Equal(
            [("Ada Quillfeather", "3.31"), ("Bo Tranquist", "3.32"), ("Chiamaka Roe", "3.33"), ("Dov Maris", "3.34")],
            Stored(app).Where(r => r.Marks.Length > 0).Select(r => (r.Name, r.Marks)).Order());
        Assert.Empty(page.Complaints(wasCut: true));
    }

    [Fact]
    public void The_arithmetic_goes_on_without_a_signal_and_the_server_says_the_same()
    {
        using var app = new TestApp(demo: false);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        page.StartSession(1, "4 x 20 build + 10 fly + 20 m slow rest 0:20");
        page.Core();
        void Save(string typed)
        {
            page.Find("[data-mark]");
            page.Keys(typed + Keys.Enter);
            page.Until(d => d.FindElements(By.CssSelector("[data-mark]")).All(b => b.GetDomProperty("value") == "") ? d : null);
        }

        // 4.41 - 3.31 = 1.10 s over 10 m = 9.09 m/s; 1.10 / 1.13 = 97.3%; 1.10 / 1.21 = 90.9%, under the usual line of 95%.
        Save("331441");
        page.UntilText(".t-result", "1.10");
        page.Quiet();
        proxy.Cut();
        Save("332445");
        page.UntilText(".t-seen", "Kept on this device");
        Assert.Contains("fly 10 m", page.Text(".t-result .t-label"));
        Assert.Equal("1.13", page.Text(".t-result b"));
        string[] Figures() => page.Until(d => d.FindElements(By.CssSelector(".t-last .t-fig b")).Where(e => e.Displayed).Select(e => e.Text.ReplaceLineEndings("")).ToArray());
        Assert.Equal(["8.85", "97.3%"], Figures());
        Save("331452");
        page.UntilText(".t-seen.late", "Stop here: 90.9%, under the 95% line");
        Assert.Equal(["8.26", "90.9%"], Figures());
        Assert.Contains("Done for today: Ada", page.Driver.FindElement(By.Id("t-last")).Text);

        proxy.Mend();
        page.UntilText(".t-gauge .stop", "Stop here: 90.9%, under the 95% line");
        Assert.Equal("1.21", page.Text(".t-result b"));
        Assert.Equal("8.26", Figures()[0]);
        Assert.Equal(3, Stored(app).Count);
    }
}
