using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>Every screen at its two widths.</summary>
public sealed class ScreenTests
{
    // What is touched on a phone, but for links within a sentence.
    private static string Small(Chromium page) => (string)page.Driver.ExecuteScript(
        """
        return [...document.querySelectorAll('button, a, input:not([type=hidden]):not([type=radio]):not([type=checkbox]), select, textarea, summary, label.w-check, label.chip, label.t-pick')]
          .filter(e => e.checkVisibility({ visibilityProperty: true }) && !e.closest('svg, .visually-hidden, .skip-link, p, .sheet, .toast-bar') && !e.classList.contains('visually-hidden') && e.getBoundingClientRect().width > 0)
          .filter(e => e.getBoundingClientRect().height < 43.5 || e.getBoundingClientRect().width < 24).map(e => e.outerHTML.slice(0, 90)).slice(0, 6).join('; ')
        """)!;

    [Fact]
    public void Every_screen_fits_its_width_and_passes_the_accessibility_rules()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        var axe = File.ReadAllText(Path.Combine(Repository.Root, "node_modules/axe-core/axe.min.js"));
        var wrong = new List<string>();
        string[] paths = ["/", "/Season", "/Season?week=2020-01-06", "/Season/Year", "/Season/Year?weeks=4&phase=2", "/Season/Calendar?edit=3", "/Season/Import", "/Season/Suggest", "/Season/Suggest/Session", "/Season/Compare", "/Season/Print", "/Season/Print?card=true", "/Season/Minutes?match=1", "/Sessions", "/Sessions/New", "/Sessions/49", "/Sessions/49?line=1", "/Sessions/48/Review", "/Athletes", "/Athletes/1", "/Athletes/1/Season", "/Athletes/16?without=1&time=true", "/Athletes/8/Link", "OWN", "/Athletes/8/Compare", "/Athletes/16/Compare?still=true", "/Athletes/8/WhatIf", "/Athletes/8/Forces", "/Athletes/8/Traces", "/Athletes/8/Film", "/Athletes/8/Trend", "/Athletes/8/Trend?of=m%3AJumpLength%3A%3A%3Asingle-leg%20hop%20for%20distance", "/Athletes/Squad", "/Athletes/Squad?trial=measured", "/Sessions/48/Testing", "/Sessions/48?settings=true", "RUN", "/Athletes/Edit?id=1", "/Settings", "/Settings/Chips", "/Settings/Kit", "/Loads", "/Loads/15", "/Sessions/73/Loads/9", "/Drills", "/Drills/A-skip", "/Drills/Edit", "/Sessions/49/Versions", "/Sessions/49?block=2", "/Sessions/49/Sheet", "/Sessions/49/Card", "/Settings/Schools", "/Sessions/49/Trackside", "LIVE", "/Sessions/49/Trackside?line=1", "/Sessions/49/Trackside"];
        foreach (var path in paths)
        {
            if (path == "LIVE")
            {
                page.Resize(1280, 800);
                page.Click(".t-save");
                while (page.Driver.FindElements(By.CssSelector("#t-entry [data-mark]")).Count < 2)
                {
                    // One line after the other: a second press before the first is answered is the same press.
                    var line = page.Text(".t-item h1");
                    page.Click(".t-next");
                    page.Until(d => page.Text(".t-item h1") != line ? d : null);
                }

                page.Keys("3.28 4.40" + Keys.Enter);
                page.UntilText(".t-undo", "Saved");
            }
            else if (path == "OWN")
            {
                page.Click("main form .btn-primary");
                page.Go(new Uri(page.Find("#address").GetDomProperty("value")!).AbsolutePath);
            }
            else if (path == "RUN")
            {
                // Whichever run of that day is in the table: their numbers are the demo's affair.
                page.Go("/Sessions/48/Review");
                page.Go(new Uri(page.Find("td a[href*='/Runs/']").GetDomProperty("href")!).AbsolutePath);
            }
            else
            {
                page.Go(path);
            }

            foreach (var width in new[] { 1280, 820, 390 })
            {
                page.Resize(width, width switch { 390 => 844, 820 => 1180, _ => 800 }, touch: width < 1000);
                page.Quiet();
                if (width == 390 && Small(page) is { Length: > 0 } small)
                {
                    wrong.Add($"{path}, under 44 px: {small}");
                }

                var text = (string)page.Driver.ExecuteScript(
                    "return [...document.querySelectorAll('svg text')].filter(t => t.getBoundingClientRect().width > 0).map(t => { const m = t.getScreenCTM(); return [parseFloat(getComputedStyle(t).fontSize) * Math.sqrt(Math.abs(m.a * m.d - m.b * m.c)), t.textContent]; }).filter(([px]) => px < 11.95).map(([px, says]) => `${px.toFixed(1)} ${says}`).join('; ')")!;
                if (text.Length > 0)
                {
                    wrong.Add($"{path} at {width}, drawn under 12 px: {text}");
                }

                var wide = (long)page.Driver.ExecuteScript("return document.documentElement.scrollWidth")!;
                if (wide > width)
                {
                    wrong.Add($"{path} is {wide} wide on {width}");
                }

                // Between the two nothing is laid out that neither of them has.
                if (width == 820)
                {
                    continue;
                }

                if (page.Driver.ExecuteScript("return !window.axe") is true)
                {
                    page.Driver.ExecuteScript(axe);
                }

                var found = (string)page.Driver.ExecuteAsyncScript(
                    "const done = arguments[0]; axe.run({ resultTypes: ['violations'], selectors: false, ancestry: false, xpath: false, runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] }).then(r => done(r.violations.map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160)).slice(0, 3).join(' | ')).join('\\n')))")!;
                if (found.Length > 0)
                {
                    wrong.Add($"{path} at {width}: {found}");
                }
            }
        }

        Assert.True(wrong.Count == 0, string.Join('\n', wrong));

        // The running screen on what coaches hold: a phone, one with its browser's bars in view, one on its side, a tablet either way. One-handed: every
        // target is 44 px high or more, figures can be entered without the device's keyboard, and Save is never covered.
        foreach (var (width, height) in new[] { (390, 844), (390, 664), (844, 390), (820, 1180), (1180, 740) })
        {
            page.Resize(width, height, touch: true);
            page.Driver.Navigate().Refresh();
            page.Quiet();
            page.Find("[data-mark]");
            var small = (string)page.Driver.ExecuteScript(
                "return [...document.querySelectorAll('#live button:not(.visually-hidden), #live a, #live input:not([type=hidden]):not([type=radio]):not([type=checkbox]), #live label.chip, #live summary')].filter(e => e.offsetParent && e.getBoundingClientRect().height < 44).map(e => e.outerHTML.slice(0, 90)).join('; ')")!;
            Assert.True(small.Length == 0, $"{width} x {height}: {small}");
            var covered = (string)page.Driver.ExecuteScript(
                "return [...document.querySelectorAll('#t-entry .t-save, #t-entry .pad, #t-entry [data-mark]')].filter(e => { const r = e.getBoundingClientRect(); const at = document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2); return !at || !(e === at || e.contains(at)); }).map(e => e.outerHTML.slice(0, 90)).join('; ')")!;
            Assert.True(covered.Length == 0, $"{width} x {height}, covered or out of sight: {covered}");
            Assert.Equal("none", page.Find("[data-mark]").GetDomProperty("inputMode"));
            Assert.True((long)page.Driver.ExecuteScript("return document.documentElement.scrollWidth")! <= width, $"{width} x {height} is too wide");
        }

        Assert.Empty(page.Complaints());
    }
}
