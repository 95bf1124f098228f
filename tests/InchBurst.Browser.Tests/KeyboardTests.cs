using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>A session written with the keys alone.</summary>
public sealed class KeyboardTests
{
    [Fact]
    public void A_whole_session_is_written_by_keyboard_alone_with_at_most_150_keys()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Sessions/New");
        page.Find("#Input_WindowMinutes").Clear();
        page.Type("#Input_WindowMinutes", "75" + Keys.Enter);
        page.Find("#type-text");
        var keys = 0;

        // The order of a session: warm-up, drills, build-ups, accelerations, flies, loads, jumps, slowing down, cool-down, as a coach writes it.
        string[] lines = ["warm up 12 min", "clams", "leg swings", "a skip", "wickets", "3 strides", "4x10 3pt r1'", "3 fly 10 r4'", "3x15 sled r2'", "broad jump", "decel", "cool down"];
        var count = 0;
        foreach (var line in lines)
        {
            page.Keys(line + Keys.Enter);
            keys += line.Length + 1;
            count++;
            page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == count ? d : null);
        }

        // What is offered is reached with the arrows and taken with Enter; its usual dose comes with it. Tab leaves the field.
        page.Keys("ankle d");
        page.Find("#type-reads .offer");
        page.Keys(Keys.ArrowDown);
        page.Until(d => d.SwitchTo().ActiveElement().GetDomAttribute("data-offer") is not null ? d : null);
        page.Keys(Keys.Enter);
        Assert.Equal("ankle dribble 2 x 10 m", page.Find("#type-text").GetDomProperty("value"));
        page.Find("#type-text").Clear();
        page.Type("#type-text", "ankle d");
        page.Find("#type-reads .offer");
        page.Keys(Keys.Tab);
        Assert.NotEqual("type-text", page.Driver.SwitchTo().ActiveElement().GetDomAttribute("id"));
        page.Find("#type-text").Clear();

        TestContext.Current.TestOutputHelper?.WriteLine($"{count} lines with {keys} keys");
        Assert.InRange(keys, 1, 150);
        Assert.Empty(page.Driver.FindElements(By.CssSelector(".sev.stop")));

        // A field rewrites its line and the focus stays with the coach.
        page.Driver.FindElements(By.CssSelector("[data-line] .select"))[7].SendKeys(Keys.Enter);
        page.Find("#x-reps").Clear();
        page.Type("#x-reps", "5" + Keys.Tab);
        page.Until(d => d.FindElement(By.CssSelector("#edit-text")).GetDomProperty("value")!.StartsWith("5 x 20 build", StringComparison.Ordinal) ? d : null);
        page.Quiet();
        Assert.StartsWith("x-part", page.Driver.SwitchTo().ActiveElement().GetDomAttribute("id"));
        page.Find("#x-rest").Clear();
        page.Type("#x-rest", "soon" + Keys.Tab);
        page.UntilText(".fields .wrong", "soon");
        Assert.Equal("soon", page.Find("#x-rest").GetDomProperty("value"));
        Assert.Empty(page.Complaints());
    }
}

/// <summary>The digits of a time find their own point, in the script that ships.</summary>
public sealed class DigitTests
{
    [Fact]
    public void The_point_stands_where_the_figure_is_nearest_to_what_is_expected()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();

        var random = new Random(7);
        (string Digits, double Expected)[] cases = [.. Enumerable.Range(0, 400).Select(_ => (random.Next(1, 100_000).ToString(System.Globalization.CultureInfo.InvariantCulture), Math.Round(0.3 + (random.NextDouble() * random.NextDouble() * 900), 2))), ("0", 0.9), ("098", 1.05), ("92", 0.9)];
        var found = (IReadOnlyCollection<object>)page.Driver.ExecuteAsyncScript(
            "const done = arguments[2]; import('/js/entry.js').then((m) => done(arguments[0].map((digits, i) => m.place(digits, arguments[1][i]).join(' '))))",
            cases.Select(c => c.Digits).ToArray(), cases.Select(c => InchBurst.Core.Log.DigitEntry.Points(c.Expected)).ToArray())!;
        Assert.Equal(cases.Select(c => InchBurst.Core.Log.DigitEntry.Place(c.Digits, c.Expected)).Select(p => $"{p.Text} {(p.IsWhole ? "true" : "false")}"), found.Cast<string>());
    }
}

/// <summary>Enter, missing figures and what is half typed, on the line that is run most.</summary>
public sealed class EntryKeysTests
{
    private static string[] Boxes(Chromium page) => [.. page.Driver.FindElements(By.CssSelector("#t-entry [data-mark]")).Select(b => b.GetDomProperty("value") ?? "")];

    [Fact]
    public void Enter_goes_on_to_the_next_box_saves_at_the_last_and_never_stores_half_a_rep_unasked()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        page.StartSession(4, "3 x 20 build + 10 fly + 20 m slow rest 2:00");
        page.Find("#t-entry [data-mark]");
        string Who() => page.Text(".t-who");

        // Digits leave their box by themselves; the Enter of habit that follows does nothing more, and the last one saves.
        var first = Who();
        page.Keys("335" + Keys.Enter + "439" + Keys.Enter);
        page.Until(d => Who() != first ? d : null);
        page.UntilText("#t-word", "Saved");
        Assert.Equal(["", ""], Boxes(page));

        // Half a rep is asked about, once, and one key answers.
        var second = Who();
        page.Keys("336" + Keys.Enter + Keys.Enter);
        page.UntilText("[data-part-ask]", "No time at 30 m.");
        Assert.Equal(second, Who());
        Assert.Equal(["3.36", ""], Boxes(page));
        page.Keys("4");
        Assert.Equal(["3.36", "4"], Boxes(page));
        page.Keys(Keys.Backspace + Keys.Enter);
        page.UntilText("[data-part-ask]", "No time at 30 m.");

        // What is half typed is there after a reload.
        page.Driver.Navigate().Refresh();
        page.Until(d => Boxes(page)[0] == "3.36" ? d : null);
        page.Find("#t-entry [data-mark]").SendKeys(Keys.Tab);
        page.Keys(Keys.Enter);
        page.UntilText("[data-part-ask]", "No time at 30 m.");
        page.Keys("m");
        page.Until(d => Who() != second ? d : null);
        page.UntilText("#t-word", "Saved");

        // After a doubt Enter is no answer: it asks again; y is.
        var third = Who();
        page.Keys("230" + "330" + Keys.Enter);
        page.UntilText(".t-doubt", "Is the first mark right?");
        page.Find("#t-entry [data-mark]").SendKeys(Keys.Enter);
        page.Until(d => Who() == third && d.FindElements(By.CssSelector(".t-doubt")).Count == 1 && Boxes(page)[0] == "2.30" ? d : null);
        page.Keys("y");
        page.Until(d => Who() != third ? d : null);
        page.UntilText("#t-word", "Saved");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_browser_that_keeps_nothing_runs_the_clock_saves_all_the_same_and_waits_on_the_page_without_a_signal()
    {
        using var app = new TestApp(demo: false);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        var path = page.StartSession(2, "3 x 20 build + 10 fly + 20 m slow rest 2:00");
        page.Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = """
            for (const kind of ['localStorage', 'sessionStorage', 'indexedDB', 'caches']) Object.defineProperty(window, kind, { get() { throw new DOMException('Nothing is kept here', 'SecurityError'); } });
            """ });
        page.Go(path);
        page.Find("#t-entry [data-mark]");
        page.Quiet();
        var clock = page.Text("[data-clock-from]");
        page.Until(d => page.Text("[data-clock-from]") != clock ? d : null);
        page.Core();
        var first = page.Text(".t-who");
        page.Keys("335439" + Keys.Enter);
        page.Until(d => page.Text(".t-who") != first ? d : null);
        page.UntilText("#t-word", "Saved");
        Assert.Equal(["", ""], Boxes(page));
        Assert.Empty(page.Complaints());

        proxy.Cut();
        var second = page.Text(".t-who");
        page.Keys("340445" + Keys.Enter);
        page.Until(d => page.Text(".t-who") != second ? d : null);
        page.UntilText("[data-waiting-text]", "1 waiting to send, leave this page open");
        proxy.Mend();
        page.Until(d => d.FindElement(By.CssSelector("[data-waiting]")).Displayed ? null : d);
        page.UntilText("#t-last .t-result", "1.05");
    }
}
