using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace InchBurst.Browser.Tests;

/// <summary>Lines typed into the builder: nothing that is typed is lost, whatever the line does.</summary>
public sealed class TypingTests
{
    private static void Line(Chromium page, double latency, bool offline = false) =>
        page.Driver.ExecuteCdpCommand("Network.emulateNetworkConditions", new() { ["offline"] = offline, ["latency"] = latency, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1 });

    // A key every 150 ms, by the driver's own clock: 40 words a minute and more.
    private static void TypeSlowly(Chromium page, string text)
    {
        var keys = new Actions(page.Driver);
        foreach (var key in text)
        {
            keys = keys.SendKeys($"{key}").Pause(TimeSpan.FromMilliseconds(150));
        }

        keys.Perform();
    }

    private static IReadOnlyList<string> Said(Chromium page) => [.. page.Driver.FindElements(By.CssSelector("[data-line] .line-row")).Select(l => string.Join(' ', l.FindElement(By.CssSelector(".name")).Text, l.FindElement(By.CssSelector(".said")).Text))];

    [Fact]
    public void Five_lines_typed_over_a_slow_line_that_is_cut_once_are_stored_once_and_in_order()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Sessions/New");
        page.Click(".btn-primary");
        page.Find("#type-text");
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        Line(page, 2000);
        TypeSlowly(page, "raise 4 min" + Keys.Enter + "a skip" + Keys.Enter);
        Line(page, 2000, offline: true);
        TypeSlowly(page, "blorps 3x10" + Keys.Enter + "4x10 r2'" + Keys.Enter);

        // Nothing comes through; everything stands beside the field, and the field is empty for the next line.
        page.UntilText(".waiting-lines", "waits for a signal");
        Line(page, 2000);
        TypeSlowly(page, "3 flys" + Keys.Enter + "pogos" + Keys.Enter + "2 x 1");

        // All that are understood arrive once and in order; the one that is not waits with its question; what is half typed stands untouched.
        page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == 5 && d.FindElements(By.CssSelector(".waiting-lines .sent")).Count == 0 ? d : null);
        string[] expected = ["Raise 4 min", "A-skip 2 × 15 m", "Acceleration 4 × 10 m rest 2:00", "Max velocity 3 × 20 build + 10 fly + 20 m slow", "Pogo hops 2 × 10 reps"];
        page.Until(d => Said(page).SequenceEqual(expected) ? d : null);
        Assert.Equal("2 x 1", page.Find("#type-text").GetDomProperty("value"));
        Assert.Equal("type-text", page.Driver.SwitchTo().ActiveElement().GetDomAttribute("id"));
        Line(page, 0);

        // A reload loses neither the lines nor the question.
        page.Driver.Navigate().Refresh();
        page.UntilText(".waiting-lines .refused", "blorps");
        Assert.Equal(5, page.Driver.FindElements(By.CssSelector("[data-line]")).Count);
    }

    [Fact]
    public void A_name_that_is_new_is_asked_about_once_and_answered_with_one_key()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Sessions/New");
        page.Click(".btn-primary");
        page.Find("#type-text");
        page.Keys("blorps 3 x 10" + Keys.Enter);
        page.UntilText(".waiting-lines .problem", "“blorps” is new");
        page.Until(d => d.SwitchTo().ActiveElement().GetDomAttribute("data-choice") is not null ? d : null);
        page.Keys("2");
        page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == 1 ? d : null);
        page.Until(d => Said(page) is ["Blorps 3 × 10 reps"] ? d : null);
        Assert.Equal("type-text", page.Driver.SwitchTo().ActiveElement().GetDomAttribute("id"));

        // From then on it is an exercise of the club's own, found by its plural too.
        page.Keys("blorp 2 x 5" + Keys.Enter);
        page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == 2 ? d : null);
        page.Go("/Drills/blorps");
        page.UntilText("h1", "Blorps");

        // A slip is mended with one key as well; a line that is not wanted is left out.
        page.Driver.Navigate().Back();
        page.Find("#type-text");
        page.Keys("4 x 20 m form standing" + Keys.Enter);
        page.UntilText(".waiting-lines .problem", "Did you mean from?");
        page.Keys("1");
        page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == 3 ? d : null);
        page.Keys("4 x 20 m zzzz" + Keys.Enter);
        page.UntilText(".waiting-lines .problem", "zzzz");
        page.Click(".waiting-lines [data-act=edit]");
        Assert.Equal("4 x 20 m zzzz", page.Find("#type-text").GetDomProperty("value"));
        Assert.Empty(page.Driver.FindElements(By.CssSelector(".waiting-lines li")));

        // A pasted session asks the same way: the answer takes its row's place and the rest stays as it was.
        page.Find("#type-text").Clear();
        ((IJavaScriptExecutor)page.Driver).ExecuteScript("document.getElementById('paste-text').closest('details').open = true");
        page.Type("#paste-text", "4 x 20 m form standing\nA-skip 2 x 10 m");
        ((IJavaScriptExecutor)page.Driver).ExecuteScript("document.getElementById('paste-text').form.requestSubmit()");
        page.Until(d => d.FindElement(By.CssSelector("[data-row] [data-choice]")));
        ((IJavaScriptExecutor)page.Driver).ExecuteScript("document.querySelector('[data-row] [data-choice]').focus()");
        page.Keys("1");
        Assert.Equal("4 x 20 m from standing\nA-skip 2 x 10 m", page.Find("#paste-text").GetDomProperty("value"));
        page.Keys(Keys.Enter);
        page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == 5 ? d : null);

        // Whoever types on is not brought to a question that comes meanwhile: the next key would answer it.
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        Line(page, 1000);
        page.Find("#type-text").SendKeys("zorbs 3 x 10" + Keys.Enter + "4" + Keys.Backspace);
        page.UntilText(".waiting-lines .problem", "“zorbs” is new");
        Assert.Equal("type-text", page.Driver.SwitchTo().ActiveElement().GetDomAttribute("id"));
        Line(page, 0);

        // Pages were left while Core was still on its way to them.
        var said = string.Join("\n", page.Complaints(wasCut: true));
        Assert.True(said.Length == 0, said);
    }

    [Fact]
    public void A_line_is_read_and_drawn_on_the_device_at_every_key_without_a_signal()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Sessions/49");
        page.Until(d => (bool)((IJavaScriptExecutor)d).ExecuteScript("return performance.getEntriesByName('reader-ready').length > 0")! ? d : null);
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        Line(page, 0, offline: true);
        page.Keys("2-3 x 20 build + 10 fly + 20 m slow gates 20,30 m for Zuleika");
        page.UntilText("#type-reads", "nobody here answers to “Zuleika”");
        page.UntilText("#type-reads", "2 to 3 reps");
        Assert.Equal(["20 m build", "10 m fly", "20 m slow"], page.Driver.FindElements(By.CssSelector("#type-reads .sketch text")).Select(t => t.GetDomProperty("textContent")));
        Assert.Equal(2, page.Driver.FindElements(By.CssSelector("#type-reads .sketch .gate")).Count);
        Assert.Equal((3, 1), (page.Driver.FindElements(By.CssSelector("#type-reads .sketch .rep")).Count, page.Driver.FindElements(By.CssSelector("#type-reads .sketch .rep.open")).Count));

        // What is sent now waits for the signal.
        page.Keys(Keys.Enter);
        page.UntilText(".waiting-lines", "waits for a signal");
        Line(page, 0);
        page.Until(d => d.FindElements(By.CssSelector(".waiting-lines li")).Count == 0 ? d : null);
        Assert.Contains(page.Driver.FindElements(By.CssSelector("[data-line]")), l => l.Text.Contains("Zuleika", StringComparison.Ordinal));
    }
}
