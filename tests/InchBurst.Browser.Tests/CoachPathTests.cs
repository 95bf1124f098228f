using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>The coach's path through the real interface, with the server stopped hard in the middle.</summary>
public sealed class CoachPathTests
{
    [Fact]
    public void A_coach_goes_from_an_empty_club_to_an_athletes_curve_and_a_restart_loses_nothing()
    {
        using var app = new TestApp(demo: false, isKilled: true);
        using var page = new Chromium(app);

        // An empty club shows its first page.
        page.Go("/");
        page.Type("#Input_Club", "Harbour Runners");
        page.Type("#Input_Squad", "Sprinters");
        page.Type("#Input_Name", "Odalys Brandvold");
        page.Type("#Input_Password", "long enough" + Keys.Enter);
        page.UntilText("h2", "Nothing planned for Sprinters today");

        foreach (var name in new[] { "Ada Quillfeather", "Bo Tranquist-Oyelaran of the very long name" })
        {
            page.Go("/Athletes");
            page.Click(".head .btn-primary");
            page.Type("#Input_Name", name + Keys.Enter);
            page.UntilText("table.rows", name);
        }

        // A session written by keyboard alone.
        page.Go("/Sessions/New");
        page.Click(".btn-primary");
        page.Find("#type-text");
        page.Keys("raise 6 min easy");
        page.UntilText("#type-reads", "adds 6:00");
        page.Keys(Keys.Enter);
        page.UntilText(".blocks", "6 min easy");
        page.Keys("mobilise 5 min" + Keys.Enter);
        page.UntilText(".blocks", "5 min");
        page.Keys("2 x 40 m form 3-point");
        page.UntilText("#type-reads", "Did you mean from?");
        page.Keys(Keys.Enter);
        page.UntilText(".waiting-lines .refused", "2 x 40 m form 3-point");
        page.Click(".waiting-lines [data-act=drop]");
        page.Type("#type-text", "2 x 40 m from 3-point gates 5,10,20,30,40 rest 4:00" + Keys.Enter);
        page.UntilText(".blocks", "gates 5,10,20,30,40 m");
        var total = page.Text("#total-time");
        page.Keys("cool-down 5 min" + Keys.Enter);
        page.Until(d => d.FindElement(By.CssSelector("#total-time")).Text != total ? d : null);
        Assert.Empty(page.Driver.FindElements(By.CssSelector(".sev.stop")));

        // Up by keyboard, back by undo.
        page.Find("[data-line] .select").SendKeys(Keys.Enter);
        page.Find("#edit-text");
        page.Chord(Keys.Alt, Keys.ArrowDown);
        page.Until(d => d.FindElements(By.CssSelector(".line .name")).FirstOrDefault()?.Text == "Mobilise" ? d : null);
        page.Chord(Keys.Control, "z");
        page.Until(d => d.FindElements(By.CssSelector(".line .name")).FirstOrDefault()?.Text == "Raise" ? d : null);

        // Trackside: who is here, the first lines, then times.
        page.Click(".head .btn-primary");
        page.Click(".t-save");
        page.Click(".t-next");
        page.Click(".t-next");
        var session = new Uri(page.Driver.Url).AbsolutePath;
        Assert.Equal("Ada Quillfeather", page.Text(".t-who"));
        page.Find("[data-mark]");
        page.Keys("1.36" + Keys.Enter + "2.07" + Keys.Enter + "3.32 4.48 5.62" + Keys.Enter);
        page.UntilText(".t-undo", "Saved 5.62 for Ada Quillfeather, rep 1");
        Assert.Contains("30–40 m", page.Text(".t-splits"));

        // The server dies straight after the saved rep is shown, and comes back on the same data.
        app.Kill();
        app.Start();
        page.Go(session);
        page.UntilText(".t-undo", "Saved 5.62 for Ada Quillfeather, rep 1");
        Assert.StartsWith("Bo Tranquist", page.Text(".t-who"));

        // Wrong, then undone and put back.
        page.Keys("1.40 2.10 2.05 4.6 5.8" + Keys.Enter);
        page.UntilText(".t-doubt", "times must rise");
        page.Click("[data-mark]");
        foreach (var box in page.Driver.FindElements(By.CssSelector("[data-mark]")))
        {
            box.Clear();
        }

        page.Find("[data-mark]").SendKeys("1.40 2.13 3.40 4.60 5.78 ");
        page.Keys(Keys.Enter);
        page.UntilText(".t-undo", "Saved 5.78");
        page.Click(".t-undo button");
        page.UntilText(".t-undo", "Taken back");
        page.Click(".t-undo button");
        page.UntilText(".t-undo", "Saved 5.78");
        page.Driver.Navigate().Refresh();
        page.UntilText(".t-undo", "Saved 5.78");

        // The athlete's picture and today's page.
        page.Go("/Athletes/1");
        page.UntilText(".mech", "Top speed MSS");
        Assert.Contains("m/s", page.Text(".mech"));
        Assert.Contains("found by the fit, since nobody has said it", page.Text("main"));
        Assert.Contains("5.62", page.Text(".splits") + page.Text("table.rows"));
        page.Go("/");
        page.UntilText(".today-session", "Running now");
        page.Until(d => d.FindElement(By.CssSelector(".day-names")).GetDomProperty("textContent")!.Contains("5.62", StringComparison.Ordinal) ? d : null);
        Assert.Empty(page.Complaints(wasCut: true));
    }
}
