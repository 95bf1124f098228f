using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>Trackside at its fullest: forty athletes of long names, thirty blocks, and every message that can stand there, on what coaches hold.</summary>
public sealed class CrowdedTests
{
    private static readonly (int Width, int Height)[] Sizes = [(1280, 800), (1280, 720), (820, 1180), (390, 844), (390, 667)];

    // What cannot be pressed where it stands, what is cut off to the side, and texts of the session that lie over each other.
    private const string Faults = """
        const said = (e) => (e.textContent.trim() || e.className || e.tagName).slice(0, 40);
        const seen = (e) => e.checkVisibility({ visibilityProperty: true }) && e.getBoundingClientRect().width > 0;
        const hit = (e) => { const r = e.getBoundingClientRect(); const at = document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2); return at && (at === e || e.contains(at)); };
        const covered = [...document.querySelectorAll('#t-entry .t-save, #t-entry [data-mark], #t-entry .pad, #t-entry .t-doubt .btn, #t-entry .t-part .btn, #t-last .t-gauge .btn')].filter(seen).filter((e) => !hit(e)).map((e) => `covered: ${said(e)}`);
        const wide = document.documentElement.scrollWidth > innerWidth ? [`wide: ${document.documentElement.scrollWidth}`] : [];
        const blocks = [...document.querySelectorAll('.t-clock, .t-of, .t-item h1, .t-item .t-said, .t-cue, .t-who, .t-how, .t-gate > span, .t-gate input, .t-doubt, .t-part, .t-last .t-fig, .t-gauge, .t-save, #t-word')].filter(seen);
        const over = [];
        blocks.forEach((a, i) => blocks.slice(i + 1).forEach((b) => {
          if (a.contains(b) || b.contains(a)) return;
          const [p, q] = [a, b].map((e) => e.getBoundingClientRect());
          const [x, y] = [Math.min(p.right, q.right) - Math.max(p.left, q.left), Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top)];
          if (x > 2 && y > 2) over.push(`over each other: ${said(a)} | ${said(b)}`);
        }));
        const rows = [...document.querySelectorAll('[data-queue] > li')].filter(seen).flatMap((li) => {
          const [name, left] = [li.querySelector('b, .q-name') ?? li.querySelector('button'), li.querySelector('[data-left]')].map((e) => e?.getBoundingClientRect());
          return name && left && left.width > 0 && li.querySelector('[data-left]') && name.right > left.right + 1 ? [`row: ${said(li)}`] : [];
        });
        return [...wide, ...covered, ...over, ...rows].slice(0, 6).join('; ');
        """;

    [Fact]
    public void Whatever_is_said_Save_is_never_covered_and_nothing_lies_over_anything()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        page.StartClub();
        page.Go("/Athletes");
        page.Driver.ExecuteScript("document.querySelector('#names').value = arguments[0]", string.Join('\n', Enumerable.Range(0, 40).Select(i => $"{(i % 4 == 0 ? "Aleksandra-Wilhelmina" : "Ngozi")} {(char)('A' + (i / 2))}{"brandvold-okonkwo-thendral"[..(3 + (i % 20))]}")));
        page.Click("form[action*=AddMany] .btn");
        page.UntilText("table.rows", "Aleksandra");
        page.Go("/Sessions/New");
        page.Click(".btn-primary");
        page.Find("#type-text");
        page.Driver.ExecuteScript("document.querySelector('details:has(#paste-text)').open = true; document.querySelector('#paste-text').value = arguments[0]", string.Join('\n', Enumerable.Range(1, 30).Select(i => i == 1 ? "Acceleration from the line and out:\n6 x 20 build + 10 fly + 20 slow gates 20,30 rest 0:01" : $"Block {i} of the longest session there is:\n2 x 20 m rest 2:00")));
        page.Click("form[action*=Paste] .btn-dark");
        page.Until(d => d.FindElements(By.CssSelector("[data-line]")).Count == 30 ? d : null);
        page.Go(new Uri(page.Driver.Url).AbsolutePath + "/Trackside");
        page.Find(".t-save").SendKeys(Keys.Enter);
        page.Find("[data-clock-from]");
        page.Core();

        var wrong = new List<string>();
        void Look(string state)
        {
            foreach (var (width, height) in Sizes)
            {
                page.Resize(width, height, touch: width < 1000);
                page.Quiet();
                var found = (string)page.Driver.ExecuteScript($"scrollTo(0, 0); {Faults}")!;
                if (found.Length > 0)
                {
                    wrong.Add($"{state} at {width} x {height}: {found}");
                }
            }

            page.Resize(1280, 800);
            page.Quiet();
            page.Driver.ExecuteScript("document.querySelector('#t-entry [data-mark]')?.focus()");
        }

        Look("plain");
        var name = page.Text(".t-who");

        // Part of a rep: asked why.
        page.Keys("3.35" + Keys.Tab);
        page.Driver.ExecuteScript("document.querySelector('#t-entry .t-save').click()");
        page.Find(".t-part");
        Look("asked why a figure is missing");
        page.Keys(Keys.Escape);

        // A figure nobody runs: a doubt.
        page.Driver.ExecuteScript("document.querySelector('#t-entry [data-mark]').focus()");
        page.Keys(Keys.Escape + "3.35 3.95 ");
        page.Keys(Keys.Enter);
        page.Find(".t-doubt");
        Look("a doubt");
        page.Driver.ExecuteScript("document.querySelector('#t-entry [data-mark]').focus()");
        page.Keys(Keys.Escape);

        // The same athlete again and again, until the gauge asks to stop.
        foreach (var marks in new[] { "3.35 4.45", "3.35 4.47", "3.40 4.75" })
        {
            page.Driver.ExecuteScript("[...document.querySelectorAll('[data-queue] > li')].find(li => li.dataset.name === arguments[0] && !li.dataset.on)?.querySelector('form').requestSubmit()", name);
            page.UntilText(".t-who", name);
            page.Quiet();
            page.Driver.ExecuteScript("document.querySelector('#t-entry [data-mark]').focus()");
            page.Keys(marks + Keys.Enter);
            page.UntilText("#t-last", marks.Split(' ')[1] is "4.45" ? "1.10" : marks.EndsWith("7", StringComparison.Ordinal) ? "1.12" : "1.35");
            page.Quiet();
        }

        page.UntilText("#t-last", "Stop here");
        Look("the gauge asks to stop");
        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void On_a_phone_a_fly_takes_four_taps_is_read_while_it_is_typed_and_is_mended_from_the_screen()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        var path = page.StartSession(4, "3 x 20 build + 10 fly + 20 slow rest 0:01", "20 m");
        page.Resize(390, 844, touch: true);
        page.Go(path);
        page.Core();

        // Said once for the line: the clock runs over the zone alone. What was half said of another athlete goes with a key.
        page.Driver.ExecuteScript("document.querySelector('.t-timing').open = true; document.querySelector('.t-timing [name=entry][value=ZoneOnly]').click(); document.querySelector('.t-timing form').requestSubmit()");
        page.Until(d => d.FindElements(By.CssSelector("#t-entry [data-mark]")).Count == 1 ? d : null);
        page.Quiet();
        var taps = 0;
        void Tap(params string[] keys)
        {
            page.Tap(keys);
            taps += keys.Length;
        }

        string Key(char digit) => $"[data-pad] [data-key='{digit}']";
        foreach (var (name, digits) in new[] { ("Ada Quillfeather", "110"), ("Bo Tranquist", "115"), ("Chiamaka Roe", "121") })
        {
            page.UntilText(".t-who", name);
            page.Quiet();
            taps = 0;
            Tap([.. digits.Select(Key)]);

            // Before it is saved it stands there big, under the name it will be saved for.
            page.UntilText("#t-last .t-typing", $"{digits[0]}.{digits[1..]}");
            Assert.Contains(name.Split(' ')[0], page.Text("#t-last .t-typing"), StringComparison.Ordinal);
            Tap(".t-save");
            page.UntilText("#t-word", $"{digits[0]}.{digits[1..]} for {name}");
            Assert.Equal(4, taps);
        }

        // Phone rows stand in the order in which they go: whoever is ready first.
        Assert.Equal(["Dov M", "Ada Q", "Bo T", "Chiamaka R"], page.Until(d => d.FindElements(By.CssSelector("[data-mini] button span")).Select(b => b.Text).ToList() is var all && d.FindElement(By.CssSelector(".t-who")).Text == "Dov Maris" ? all.Prepend("Dov M") : null));

        // An older run is opened from the screen and swapped with another's.
        void Open(string name)
        {
            page.Driver.ExecuteScript("document.querySelector('.t-latest').open = true");
            page.Look(() => page.Driver.FindElements(By.CssSelector("[data-latest] a")).First(a => a.Text.Contains(name, StringComparison.Ordinal)).SendKeys(Keys.Enter));
            page.UntilText("h1", name);
        }

        Open("Ada");
        page.Type("#with-run", "Bo");
        page.Press("form[action*=Swap] .btn");
        page.UntilText("h1", "Bo Tranquist");
        page.Go(path);
        page.Core();
        Assert.Equal([("Ada Quillfeather", "0.00 1.15"), ("Bo Tranquist", "0.00 1.10"), ("Chiamaka Roe", "0.00 1.21")], LiveSessionTests.Stored(app).Select(r => (r.Name, r.Marks)).Order());

        // Given to the one who ran it, and its time put right.
        Open("Chiamaka");
        page.Type("#to-athlete", "Dov");
        page.Press("form[action*=Move] .btn");
        page.UntilText("h1", "Dov Maris");
        page.Go(path);
        page.Core();
        Open("Dov");
        var last = page.Driver.FindElements(By.CssSelector("input[name=mark]")).Count - 1;
        page.Until(d => d.FindElement(By.Id($"mark-{last}"))).Clear();
        page.Type($"#mark-{last}", "1.12" + Keys.Enter);
        page.Until(d => d.Url.EndsWith("/Trackside", StringComparison.Ordinal) ? d : null);
        Assert.Equal([("Ada Quillfeather", "0.00 1.15"), ("Bo Tranquist", "0.00 1.10"), ("Dov Maris", "0.00 1.12")], LiveSessionTests.Stored(app).Select(r => (r.Name, r.Marks)).Order());

        // On a tablet the strip of the session is there.
        page.Resize(820, 1180, touch: true);
        page.Quiet();
        page.Look(() => Assert.Contains(page.Driver.FindElements(By.CssSelector(".t-top svg, .t-strip-narrow svg")), e => e.Displayed && e.Size.Width > 200));
        Assert.Empty(page.Complaints());
    }
}
