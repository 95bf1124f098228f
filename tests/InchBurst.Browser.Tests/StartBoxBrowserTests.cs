using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace InchBurst.Browser.Tests;

/// <summary>The start box and its stopwatch, at a desk, on a phone, without a signal and on two devices.</summary>
public sealed class StartBoxBrowserTests
{
    // The shortest lead-in and hold there are, s.
    private const double Lead = 2;
    private const double Rounding = 0.005;
    private const double HoldLeast = 0.8;
    private const double HoldMost = 1.2;

    private static void Quick(Chromium page) => page.Driver.ExecuteScript("localStorage.setItem('inch-burst-start-2.5', JSON.stringify({ lead: arguments[0], least: arguments[1], most: arguments[2] }))", Lead, HoldLeast, HoldMost);

    private static void Touch(Chromium page) => new Actions(page.Driver).MoveToElement(page.Find("#t-start [data-ts=count]")).ClickAndHold().Perform();

    private static void Step(Chromium page, string step) => page.Until(d => d.FindElement(By.Id("t-start")).GetDomAttribute("data-step") == step ? d : null);

    // The frames follow each other faster than a browser can be asked, so the page itself notes what each shows and whether it fills the device with nothing sticking out.
    private const string Note = """
        const box = document.querySelector('#t-start');
        window.steps = [];
        window.watchSteps?.disconnect();
        window.watchSteps = new MutationObserver(() => {
          const frame = box.querySelector(`[data-frame="${box.dataset.step}"]`);
          const r = frame.getBoundingClientRect();
          window.steps.push([box.dataset.step, r.width >= innerWidth - 20 && r.height >= innerHeight - 1 && frame.scrollWidth <= frame.clientWidth + 1 ? 'fills' : 'does not fill', box.innerText]);
        });
        window.watchSteps.observe(box, { attributes: true, attributeFilter: ['data-step'] });
        """;

    private static void Watch(Chromium page)
    {
        page.Find("#t-start, [data-startbox]");
        page.Driver.ExecuteScript(Note);
        page.Click("[data-startbox]");
        Step(page, "setup");
        page.Until(d => d.FindElement(By.CssSelector("#t-start [data-do=start]")).Enabled ? d : null);
        page.Click("#t-start [data-do=start]");
        Step(page, "watch");
        var steps = ((IReadOnlyCollection<object>)page.Driver.ExecuteScript("return window.steps")!).Cast<IReadOnlyCollection<object>>().Select(s => s.Cast<string>().ToList()).ToList();
        Assert.Equal(["setup", "lead", "hold", "go", "watch"], steps.Select(s => s[0]));
        Assert.All(steps, s => Assert.Equal("fills", s[1]));

        // Nothing moves during the hold, and nothing tells how long it is.
        Assert.Equal("Set\ntap to call back", steps[2][2].Replace("\n\n", "\n").Trim());
        Assert.StartsWith("GO", steps[3][2].Trim());
    }

    // The tap falls on its time, however long the driver takes to look and to press.
    private static void TapAfter(Chromium page, double seconds) => page.Driver.ExecuteAsyncScript(
        """
        const [after, done] = arguments;
        const look = () => {
          if (parseFloat(document.querySelector('#t-start [data-ts=clock]').textContent) < after) return setTimeout(look, 10);
          document.querySelector('#t-start [data-do=tap]').click();
          done();
        };
        look();
        """, seconds);

    // On a slow machine a tap may come so late that the time is asked about first.
    private static void RightIfAsked(Chromium page, string then)
    {
        var isAsked = page.Until(d => d.FindElements(By.CssSelector(then)).Any(e => e.Displayed) ? "no" : d.FindElements(By.CssSelector(".t-doubt")).Any(e => e.Displayed) ? "yes" : null) == "yes";
        if (isAsked)
        {
            page.Keys("y");
        }
    }

    [Fact]
    public void A_start_gives_hand_times_with_their_splits_also_without_a_signal_and_on_a_phone()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        page.StartSession(2, "3 x 20 m gates 10,20 rest 2:00");
        page.Core();
        Quick(page);

        Watch(page);
        TapAfter(page, 2);
        page.UntilText("#t-start .ts-card", "hand");
        page.Keys(" ");
        page.UntilText("#t-start [data-do=tap]", "Put the times in");

        // A tap too early is taken back, a mark that was missed is left empty.
        page.Keys(Keys.Backspace);
        page.UntilText("#t-start [data-do=tap]", "Tap 20 m");
        TapAfter(page, 3.6);
        page.UntilText("#t-start [data-do=tap]", "Put the times in");
        var cards = page.Driver.FindElements(By.CssSelector("#t-start .ts-card b")).Select(c => c.Text).ToList();
        page.Keys(" ");
        page.Look(() => Assert.Equal(cards, page.Driver.FindElements(By.CssSelector("#t-entry [name=mark]")).Select(b => b.GetDomProperty("value"))));
        page.Keys(Keys.Enter);
        RightIfAsked(page, "#t-last .t-fig");
        page.UntilText("#t-last", "by hand");

        // On a phone and without a signal: it is kept here, and sent when there is one again.
        page.Resize(390, 844, touch: true);
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        void Signal(bool isThere) => page.Driver.ExecuteCdpCommand("Network.emulateNetworkConditions", new() { ["offline"] = !isThere, ["latency"] = 0, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1 });
        Signal(false);
        Watch(page);
        TapAfter(page, 2);
        page.UntilText("#t-start [data-do=tap]", "Tap 20 m");
        page.Click("#t-start [data-do=missed]");
        page.UntilText("#t-start [data-do=tap]", "Put the times in");
        page.Click("#t-start [data-do=tap]");
        page.Look(() => Assert.NotEqual("", page.Driver.FindElement(By.CssSelector("#t-entry [name=mark]")).GetDomProperty("value")));
        page.Click("#t-entry .t-save");
        RightIfAsked(page, "#t-entry [data-part-key=m]");
        page.Click("#t-entry [data-part-key=m]");
        page.UntilText("[data-waiting]", "waiting to send");
        Signal(true);
        page.Driver.ExecuteScript("window.dispatchEvent(new Event('online'))");
        page.Until(d => d.FindElement(By.CssSelector("[data-waiting]")).Displayed ? null : d);
        Assert.Empty(page.Complaints(wasCut: true));
    }

    [Fact]
    public void A_hand_that_leaves_the_pad_before_the_go_is_a_false_start_and_a_helper_taps_along()
    {
        using var app = new TestApp(demo: false);
        using var page = new Chromium(app);
        var address = page.StartSession(2, "3 x 20 m gates 10,20 rest 2:00");
        page.Core();
        Quick(page);
        page.Click("[data-startbox]");
        page.Until(d => d.FindElement(By.CssSelector("#t-start [data-do=start]")).Enabled ? d : null);
        page.Click("#t-start [data-ts=pad]");

        // Lead-in and hold pass when this test says so: on a slow machine they would be over before a hand is on the pad.
        page.HoldClock();
        page.Click("#t-start [data-do=start]");
        Step(page, "lead");
        Touch(page);
        page.UntilText("#t-start [data-ts=padsays]", "Be still");
        page.PassTime(Lead);
        Step(page, "hold");
        new Actions(page.Driver).Release().Perform();
        Step(page, "false");
        Assert.Contains("before GO", page.Text("#t-start .ts-reaction"), StringComparison.Ordinal);
        page.Click("#t-start [data-frame=false] [data-do=back]");
        Step(page, "setup");

        // Nobody on the pad at "set": called back by itself, and it says why.
        page.Click("#t-start [data-do=start]");
        Step(page, "lead");
        page.PassTime(Lead);
        Step(page, "setup");
        page.UntilText("#t-start [data-ts=waits]", "Nobody was on the pad");

        // Gates time the run: the reaction alone is kept for it, though the form is drawn anew meanwhile.
        page.Click("#t-start [data-do=start]");
        Step(page, "lead");
        Touch(page);
        page.PassTime(Lead);
        Step(page, "hold");
        page.PassTime(HoldMost + 0.2);
        Step(page, "watch");
        new Actions(page.Driver).Release().Perform();
        page.Look(() => Assert.InRange(double.Parse(page.Text("#t-start [data-ts=reaction]"), CultureInfo.InvariantCulture), 0.2 - Rounding, 0.2 + HoldMost - HoldLeast + Rounding));
        page.Click("#t-start [data-do=stop]");
        page.Driver.ExecuteScript("document.querySelectorAll('#t-entry [name=watch], #t-entry [name=reaction]').forEach((i) => i.remove()); document.addEventListener('submit', (e) => { window.sent = new FormData(e.target).get('reaction'); })");
        page.Find("[data-mark]").SendKeys("185");
        page.Keys("305" + Keys.Enter);
        page.Look(() => Assert.Matches(@"^[01]\.\d+$", (string?)page.Driver.ExecuteScript("return window.sent") ?? ""));
        page.UntilText("#t-last", "1.20");
        page.Click("[data-startbox]");
        page.Until(d => d.FindElement(By.CssSelector("#t-start [data-do=start]")).Enabled ? d : null);
        page.Click("#t-start [data-ts=pad]");

        using var helper = new Chromium(app, 390, 844);
        helper.Go("/SignIn");
        helper.Type("[name='Input.Name'], #Input_Name", "Odalys Brandvold");
        helper.Type("#Input_Password", "long enough" + Keys.Enter);
        helper.Find(".site-nav");
        helper.Go(address);
        helper.Core();
        page.Click("#t-start [data-do=start]");
        Step(page, "lead");
        page.PassTime(Lead);
        Step(page, "hold");
        page.PassTime(HoldMost);
        Step(page, "watch");
        helper.UntilText("#t-heard", "GO on another device");
        helper.Click("[data-tapalong]");
        Step(helper, "watch");
        helper.Keys(" ");
        helper.UntilText("#t-start [data-do=tap]", "Tap 20 m");
        Assert.True(double.Parse(helper.Text("#t-start .ts-card b"), CultureInfo.InvariantCulture) > 0);
        Assert.Empty(page.Complaints());
        Assert.Empty(helper.Complaints());
    }
}
