using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>What one device does reaches another as what changed: nothing is fetched, what is typed stays, and a reload without a signal knows it too.</summary>
public sealed class ChangeTests
{
    // Pictures of the line shown, fetched since the page was opened; lines kept for later have a question mark.
    private static long Pictures(Chromium page) => (long)page.Driver.ExecuteScript("return performance.getEntriesByType('resource').filter((r) => /\\/Trackside$/.test(r.name)).length")!;

    private static string Order(Chromium page) => string.Join(", ", page.Driver.FindElements(By.CssSelector("[data-queue] > li")).Select(li => $"{li.GetDomAttribute("data-name")![..2].TrimEnd()} {li.GetDomAttribute("data-rep")}"));

    [Fact]
    public void Saves_undo_pain_and_corrections_of_one_device_show_on_another_without_a_picture_being_fetched()
    {
        using var app = new TestApp(demo: false);
        using var proxy = new CutProxy(app.Port);
        using var coach = new Chromium(app);
        var path = coach.StartSession(4, "3 x 20 m build + 10 m fly rest 3:00", "A-skip 2 x 15 m");
        using var other = new Chromium(app, address: proxy.Address);
        other.Go("/SignIn");
        other.Type("#Input_Name", "Odalys Brandvold");
        other.Type("#Input_Password", "long enough" + Keys.Enter);
        other.UntilText(".when", "Running now");
        other.Go(path);
        other.Core();
        coach.Core();
        other.Quiet();
        coach.Quiet();
        var (mine, theirs) = (Pictures(coach), Pictures(other));

        coach.Find("[data-mark]");
        coach.Keys("330" + "440" + Keys.Enter);
        other.UntilText(".t-who", "Bo Tranquist");
        other.UntilText("#t-last .t-result", "Ada Quillfeather");
        other.UntilText("#t-word", "Saved 1.10 for Ada Quillfeather, rep 1");
        Assert.Contains("9.09", other.Text("#t-last .t-splits"), StringComparison.Ordinal);
        Assert.Equal(coach.Text("#t-last"), other.Text("#t-last"));

        // Expected times are the next athlete's own, and what is typed there meanwhile stays.
        other.Find("[data-mark]");
        other.Keys("33");
        coach.Keys("332" + "443" + Keys.Enter);
        other.UntilText(".t-note", "second reading");
        Assert.Equal(("Bo Tranquist", "3.3"), (other.Text(".t-who"), other.Find("[data-mark]").GetDomProperty("value")));
        other.Keys(Keys.Escape);

        // Taken back on one it is open again on both, with a way to put it back where it was taken.
        coach.UntilText(".t-who", "Chiamaka Roe");
        coach.Quiet();
        coach.Keys("u");
        coach.UntilText("#t-word [data-toast]", "Bo Tranquist");
        coach.UntilText("#t-word .btn", "Put it back");
        other.UntilText(".t-who", "Bo Tranquist");
        other.UntilText("#t-word", "Saved 1.10 for Ada Quillfeather");
        coach.Click("#t-word .btn");
        other.UntilText(".t-who", "Chiamaka Roe");

        // Pain said on the other keeps her from the line here too.
        other.Quiet();
        other.Click("[data-f='more']");
        other.Type("#p-pain", "calf" + Keys.Enter);
        coach.UntilText(".t-who", "Dov Maris");
        coach.Look(() => Assert.Equal("held", coach.Driver.FindElement(By.CssSelector("li[data-name='Chiamaka Roe']")).GetDomAttribute("data-state")));
        coach.Quiet();
        other.Quiet();
        Assert.Equal(Order(coach), Order(other));
        Assert.Equal((mine, theirs), (Pictures(coach), Pictures(other)));

        // The list of the latest runs is as far, on both.
        Assert.Equal(2, other.Driver.FindElements(By.CssSelector("[data-latest] > li")).Count);

        // Without a signal the page opens anew with all of it, the moment it was said.
        proxy.Cut();
        other.Go(path);
        other.UntilText(".t-who", "Dov Maris");
        other.Core();
        other.Look(() => Assert.Equal("held", other.Driver.FindElement(By.CssSelector("li[data-name='Chiamaka Roe']")).GetDomAttribute("data-state")));
        Assert.Equal("Dov Maris", other.Text(".t-who"));
        Assert.Empty(coach.Complaints());
    }

    [Fact]
    public void On_a_drill_a_name_and_a_tap_note_it_and_a_hold_is_counted_down_side_by_side()
    {
        using var app = new TestApp(demo: false);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        page.StartSession(4, "A-skip 2 x 15 m", "side plank 2 x 3 s each side rest 0:04", "20 m");
        page.Core();
        page.Resize(390, 844, touch: true);
        page.Quiet();

        // Nothing is noted of nobody.
        page.Click(".t-tiles .t-tile");
        Assert.Equal("Nothing saved yet", page.Text("#t-word"));
        page.Press("#t-note input[name=athlete]", 1);
        page.Click(".t-tiles .t-tile");
        page.UntilText("#t-word", "Bo Tranquist: Reached in front");
        Assert.Equal("1 before", page.Text("[data-before='reached']"));
        page.Click(".t-good");
        page.UntilText("#t-word", "Bo Tranquist: Clean");

        // After something good it is the next one's turn.
        page.Look(() =>
        {
            Assert.Equal("Chiamaka R", page.Driver.FindElement(By.CssSelector("#t-note input[name=athlete]:checked + span b")).Text);
            Assert.Equal("", page.Driver.FindElement(By.CssSelector("[data-before='reached']")).Text);
        });
        page.Keys("u");
        page.UntilText("#t-word", "Put it back");
        page.Until(d => d.FindElement(By.CssSelector("#t-note [data-noted='2']")).Text == "" && d.FindElements(By.CssSelector("#t-note [data-noted='2'] u")).Count == 1 ? d : null);

        // Without a signal it is noted too, and can be taken back before anybody has it.
        proxy.Cut();
        page.Press("#t-note input[name=athlete]", 3);
        page.Press(".t-tiles .t-tile");
        page.UntilText("#t-word", "Kept here: Dov Maris Reached in front");
        Assert.DoesNotContain("undefined", page.Text("#t-word"), StringComparison.Ordinal);
        page.Until(d => d.FindElements(By.CssSelector("#t-note [data-noted='4'] u")).Count == 1 ? d : null);
        page.Press("#t-word button");
        page.Until(d => d.FindElements(By.CssSelector("#t-note [data-noted='4'] u")).Count == 0 ? d : null);
        proxy.Mend();
        page.Until(d => d.FindElement(By.CssSelector("[data-waiting]")).Displayed ? null : d);

        // Next stands where the thumb is, whatever is above it, and every key is large enough.
        page.Look(() =>
        {
            var (next, foot) = (page.Find(".t-next"), page.Find("#t-foot"));
            Assert.True(next.Location.Y + next.Size.Height <= foot.Location.Y + 1);
            Assert.All(page.Driver.FindElements(By.CssSelector(".t-tile, .t-pick, .t-good, .t-next")).Where(e => e.Displayed), e => Assert.True(e.Size.Height >= 44 && e.Size.Width >= 44));
        });
        page.Press(".t-next", e => e.Displayed);
        page.UntilText("h1", "Side plank");
        Assert.Equal("1 of 2, left", page.Text("[data-r-says]"), ignoreCase: true);
        page.Click("[data-r-go]");
        foreach (var step in new[] { "1 of 2, right", "Rest", "2 of 2, left", "2 of 2, right", "All done" })
        {
            page.UntilText("[data-r-says]", step);
        }

        Assert.Contains("signal", page.Driver.FindElement(By.TagName("body")).GetDomAttribute("class")!, StringComparison.Ordinal);
        page.Click("[data-r-again]");
        Assert.Equal("Start", page.Text("[data-r-go]"));
        Assert.Empty(page.Complaints(wasCut: true));
    }

    [Fact]
    public void A_test_of_minutes_is_typed_as_minutes_with_its_pulse_and_told_to_whoever_ran_it()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        var path = page.StartSession(2, "1200 m @40% rest 0:10 log time, heart rate 150-165", "countermovement jump 3 log touch height");
        page.Core();
        IWebElement Box(int n) => page.Until(d => d.FindElements(By.CssSelector("#t-entry [data-mark]")).ElementAtOrDefault(n));
        page.Until(d => Box(1).GetDomAttribute("placeholder") == "150–165 bpm" ? d : null);
        Assert.StartsWith("expect ", Box(0).GetDomAttribute("placeholder"), StringComparison.Ordinal);

        // Digits are minutes and seconds there, and the next box has the focus when they are whole.
        page.Keys("522171");
        page.Until(d => Box(0).GetDomProperty("value") == "5:22" && Box(1).GetDomProperty("value") == "171" ? d : null);
        page.Keys(Keys.Enter);
        page.UntilText("#t-last", "5:22");
        page.UntilText(".t-who", "Bo Tranquist");
        page.Keys("4:58.5");
        page.Until(d => Box(0).GetDomProperty("value") == "4:58.5" ? d : null);
        page.Keys(Keys.Enter + "160" + Keys.Enter);
        page.UntilText("#t-last", "298.50");

        // A touch is asked about where nobody reaches.
        page.Press(".t-next", e => e.Displayed);
        page.UntilText("h1", "Countermovement jump");
        page.Keys("400" + Keys.Enter);
        page.UntilText(".t-doubt", "more than is usual");
        page.Keys(Keys.Escape);
        var review = path.Replace("Trackside", "Review", StringComparison.Ordinal);
        page.Go(review);

        // The message holds it; own words end every message, are there after a reload, and no message has them twice.
        string Message(string name)
        {
            page.Type("#message-who", name);
            return page.Find(".sheet [data-own]").GetDomProperty("value")!;
        }

        Assert.Contains("5:22", Message("Ada Quillfeather"), StringComparison.Ordinal);
        page.Type("#message-own", "Bring spikes.");
        Assert.EndsWith("\nBring spikes.", Message("Bo Tranquist"), StringComparison.Ordinal);
        page.Go(review);
        Assert.Equal(2, Message("Ada Quillfeather").Split("Bring").Length);
        page.Find("#message-own").Clear();
        page.Type("#message-own", "x");
        Assert.DoesNotContain("spikes", Message("Bo Tranquist"), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_a_page_offers_to_take_back_is_taken_back_by_key_but_not_from_a_field()
    {
        using var app = new TestApp(demo: true, hasCore: false);
        using var page = new Chromium(app);
        void Open() => page.Driver.ExecuteScript("document.querySelector('details:has(#names)').open = true");
        page.EnterDemo();
        page.Go("/Athletes");
        Open();
        page.Type("#names", "Mei Linquist");
        page.Find("form[action*=AddMany] .btn").SendKeys(Keys.Enter);
        page.UntilText(".toast-bar", "added");

        // In a field the key is the field's own.
        Open();
        page.Find("#names").SendKeys(Keys.Control + "z");
        page.UntilText(".toast-bar", "added");
        page.Driver.ExecuteScript("document.activeElement.blur()");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Control + "z");
        page.Until(d => d.FindElements(By.CssSelector(".toast-bar")).Any(t => t.Text.Contains("added", StringComparison.Ordinal)) ? null : d);
        Assert.DoesNotContain("Mei Linquist", page.Text("table.rows"), StringComparison.Ordinal);
    }
}
