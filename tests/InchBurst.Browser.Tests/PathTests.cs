using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>The coach's path through the real interface, with the server stopped hard in the middle.</summary>
public sealed class PathTests
{
    [Fact]
    public void A_coach_goes_from_an_empty_club_to_an_athletes_curve_and_a_restart_loses_nothing()
    {
        using var app = new AppProcess(demo: false);
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
        page.UntilText(".problem", "form");
        Assert.Equal("2 x 40 m form 3-point", page.Find("#type-text").GetDomProperty("value"));
        page.Find("#type-text").Clear();
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
        Assert.Contains("8.91 m/s", page.Text(".mech"));
        Assert.Contains("5.62", page.Text(".splits") + page.Text("table.rows"));
        page.Go("/");
        page.UntilText(".today-session", "running now");
        page.UntilText("table.rows", "5.62");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_whole_session_is_written_by_keyboard_alone_in_under_two_minutes_of_typing()
    {
        using var app = new AppProcess(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Sessions/New");
        page.Find("#Input_Name").SendKeys(Keys.Enter);
        page.Find("#type-text");
        var keys = 0;

        // The order of a session: warm-up, drills, build-ups, accelerations, flies, jumps, slowing down, cool-down.
        string[] lines =
        [
            "raise 4 min easy", "hip bridge 10", "leg swing forwards 10 each side", "straight-leg kick walk 15 m", "snap-down landing 5",
            "ankle d\t 2 x 10 m", "A-skip", "build-up @75,85,90", "4 x 10 m from 3-point through 5 m rest 1:00", "3 x 20 build + 10 fly + 20 slow rest 4:00",
            "3 rounds: broad jump 3; pogos 10", "stick the s\t 2 x 15 m", "cool-down 5 min",
        ];
        var count = 0;
        foreach (var line in lines)
        {
            var parts = line.Split('\t');
            page.Keys(parts[0]);
            if (parts.Length > 1)
            {
                // Tab takes what is offered; its usual dose comes with it and is typed over.
                page.Find("#type-reads .offer");
                page.Keys(Keys.Tab);
                page.Until(d => d.FindElement(By.CssSelector("#type-text")).GetDomProperty("value")!.Contains(" x ", StringComparison.Ordinal) ? d : null);
                keys++;
            }

            page.Keys(Keys.Enter);
            keys += parts[0].Length + 1;
            count += line.Contains(';', StringComparison.Ordinal) ? 2 : 1;
            page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == count && d.FindElement(By.CssSelector("#type-text")).GetDomProperty("value") == "" ? d : null);
        }

        TestContext.Current.TestOutputHelper?.WriteLine($"{count} lines with {keys} keys");
        // Two minutes at three keys a second.
        Assert.InRange(keys, 1, 360);
        Assert.Empty(page.Driver.FindElements(By.CssSelector(".sev.stop")));

        // A field rewrites its line and the focus stays with the coach.
        page.Driver.FindElements(By.CssSelector("[data-line] .select"))[9].SendKeys(Keys.Enter);
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

    [Fact]
    public void The_sheet_of_a_usual_session_prints_on_one_page_of_A4()
    {
        using var app = new AppProcess(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Sessions/49/Sheet");
        var printed = (Dictionary<string, object>)page.Driver.ExecuteCdpCommand("Page.printToPDF", new() { ["preferCSSPageSize"] = true, ["printBackground"] = true })!;
        var pdf = System.Text.Encoding.Latin1.GetString(Convert.FromBase64String((string)printed["data"]));
        Assert.Single(System.Text.RegularExpressions.Regex.Matches(pdf, @"/Type\s*/Page\b"));
    }

    [Fact]
    public void Every_screen_fits_its_width_and_passes_the_accessibility_rules()
    {
        using var app = new AppProcess(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        var axe = File.ReadAllText(Path.Combine(AppProcess.Root, "node_modules/axe-core/axe.min.js"));
        string[] paths = ["/", "/Sessions", "/Sessions/New", "/Sessions/49", "/Sessions/49?line=1", "/Sessions/48/Trackside", "/Athletes", "/Athletes/1", "/Athletes/Edit?id=1", "/Settings", "/Drills", "/Drills/A-skip", "/Drills/Edit", "/Sessions/49/Versions", "/Sessions/49?block=2", "/Sessions/49/Sheet", "/Sessions/49/Card", "/Settings/Schools", "/Sessions/49/Trackside", "LIVE"];
        foreach (var path in paths)
        {
            if (path == "LIVE")
            {
                page.Resize(1280, 800);
                page.Click(".t-save");
                for (var i = 0; i < 6; i++)
                {
                    page.Click(".t-next");
                }

                page.Keys("2.90 4.02" + Keys.Enter);
                page.UntilText(".t-undo", "Saved");
            }
            else
            {
                page.Go(path);
            }

            foreach (var width in new[] { 1280, 390 })
            {
                page.Resize(width, width == 390 ? 844 : 800);
                page.Quiet();
                var wide = (long)page.Driver.ExecuteScript("return document.documentElement.scrollWidth")!;
                Assert.True(wide <= width, $"{path} is {wide} wide on {width}");
                page.Driver.ExecuteScript(axe);
                var found = (string)page.Driver.ExecuteAsyncScript(
                    "const done = arguments[0]; axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] }).then(r => done(r.violations.map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160)).slice(0, 3).join(' | ')).join('\\n')))")!;
                Assert.True(found.Length == 0, $"{path} at {width}: {found}");
            }
        }

        // One-handed on a phone: every target on the running screen is at least 44 px high.
        var small = (string)page.Driver.ExecuteScript(
            "return [...document.querySelectorAll('#live button, #live a, #live input:not([type=hidden]):not([type=radio]), #live summary')].filter(e => e.offsetParent && e.getBoundingClientRect().height < 44).map(e => e.outerHTML.slice(0, 90)).join('\\n')")!;
        Assert.Equal("", small);
        Assert.Empty(page.Complaints());
    }
}
