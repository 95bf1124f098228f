using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace InchBurst.Browser.Tests;

/// <summary>Drawn bodies in the browser: set in motion, and posed by pulling joints or by keys.</summary>
public sealed class FigureBrowserTests
{
    // Degrees a joint stands at, as it says to whoever cannot see it.
    private static double Stands(Chromium page, string joint) => double.Parse(page.Driver.FindElement(By.CssSelector($".pose-dot[aria-label='{joint}']")).GetDomAttribute("aria-valuenow")!, CultureInfo.InvariantCulture);

    private static void Until(Chromium page, string joint, Func<double, bool> stands) => page.Until(d => stands(Stands(page, joint)) ? d : null);

    [Fact]
    public void A_body_is_posed_by_pointer_and_keys_and_kept_and_moves_when_it_is_asked_to()
    {
        using var app = new TestApp(demo: true, hasCore: false);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Drills/Edit");
        page.Type("#Input_Name", "harbour step");
        page.Type("#Input_Dose", "2 x 10 m");
        page.Type("#Input_For", "Steps over the rail.");
        page.Driver.ExecuteScript("document.querySelector('details.poses').open = true");
        page.Click("[data-act=add]");
        page.Find(".pose-dot");
        Assert.Equal("as you posed it", page.Find("[name='Input.Pose']:checked").GetDomAttribute("value"));

        // The knee is pulled forward and up; what hangs on it goes along.
        var knee = page.Find(".pose-dot[aria-label='right thigh']");
        page.Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center', behavior: 'instant' })", knee);
        var shin = Stands(page, "right shin");
        new Actions(page.Driver).MoveToElement(knee).ClickAndHold().MoveByOffset(30, -10).MoveByOffset(40, -30).MoveByOffset(30, -40).Release().Perform();
        Until(page, "right thigh", at => at is > 60 and < 120);
        Assert.Equal(shin, Stands(page, "right shin"));
        page.UntilText("[data-says]", "right thigh: ");

        // Keys, as fast as they come, all count; the next joint is a Tab away.
        page.Driver.ExecuteAsyncScript("const done = arguments[0]; (function look() { document.querySelector('[data-pose-desk]').hasAttribute('data-asking') ? setTimeout(look, 20) : done(); })()");
        var before = Stands(page, "right thigh");
        page.Keys(Keys.ArrowDown + Keys.ArrowDown + Keys.ArrowDown + Keys.ArrowUp);
        Until(page, "right thigh", at => Math.Abs(at - (before - 4)) < 0.11);
        page.Keys(Keys.Tab);
        page.UntilText("[data-says]", "right shin: ");
        page.Keys(string.Concat(Enumerable.Repeat(Keys.ArrowRight, 20)));
        Until(page, "right shin", at => Math.Abs(at - (shin + 40)) < 0.11);

        // Step by step back: the shin's turn, then the thigh's.
        page.Click("[data-act=undo]");
        Until(page, "right shin", at => at == shin);
        page.Click("[data-act=undo]");
        Until(page, "right thigh", at => at == before);

        // A second one, the sides changed, and called something; then both are kept.
        page.Click("[data-act=add]");
        page.Until(d => d.FindElements(By.CssSelector(".pose-pick")).Count == 2 ? d : null);
        page.Click("[data-act=mirror]");
        Until(page, "left thigh", at => at > 50);

        // By thumb on a phone: the left hand is pulled up over the head.
        page.Resize(390, 844, touch: true);
        var elbow = page.Find(".pose-dot[aria-label='left upper arm']");
        page.Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center', behavior: 'instant' })", elbow);
        var thumb = new PointerInputDevice(PointerKind.Touch);
        page.Driver.PerformActions([new ActionSequence(thumb).AddAction(thumb.CreatePointerMove(elbow, 0, 0, TimeSpan.Zero)).AddAction(thumb.CreatePointerDown(MouseButton.Left))
            .AddAction(thumb.CreatePointerMove(CoordinateOrigin.Pointer, 30, -20, TimeSpan.Zero)).AddAction(thumb.CreatePointerMove(CoordinateOrigin.Pointer, 10, -90, TimeSpan.Zero)).AddAction(thumb.CreatePointerUp(MouseButton.Left))]);
        Until(page, "left upper arm", at => at > 100);
        page.Resize(1280, 800);
        page.Find("#pose-name").Clear();
        page.Type("#pose-name", "other side" + Keys.Enter);
        page.UntilText(".pose-pick[aria-pressed=true]", "other side");
        page.Click("form.form-narrow > button.btn-primary");
        page.UntilText("h1", "Harbour step");
        Assert.Equal(2, page.Driver.FindElements(By.CssSelector("section svg.figures[role=img] g[transform]")).Count);

        // It moves when it is asked to, one step a press too, and stops.
        string Frame() => (string)page.Driver.ExecuteScript("return document.querySelector('[data-stage] [data-frame]:not([display])')?.dataset.frame ?? ''")!;
        page.Click("[data-speed=step]");
        page.Until(d => Frame() == "1" ? d : null);
        page.Click("[data-speed=step]");
        page.Until(d => Frame() == "2" ? d : null);
        page.Click("[data-speed='1']");
        page.Until(d => Frame() is not ("" or "2") ? d : null);
        page.Click("[data-speed=stop]");
        Assert.Equal("false", page.Find("[data-speed='1']").GetDomAttribute("aria-pressed"));
        var stopped = Frame();
        page.Driver.ExecuteAsyncScript("requestAnimationFrame(() => requestAnimationFrame(() => requestAnimationFrame(arguments[0])))");
        Assert.Equal(stopped, Frame());

        // Where a person prefers no movement, a press is one step.
        page.Driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new() { ["features"] = new object[] { new Dictionary<string, object> { ["name"] = "prefers-reduced-motion", ["value"] = "reduce" } } });
        var next = $"{(int.Parse(stopped, CultureInfo.InvariantCulture) + 1) % 24}";
        page.Click("[data-speed='1']");
        page.Until(d => Frame() == next ? d : null);
        page.Driver.ExecuteAsyncScript("requestAnimationFrame(() => requestAnimationFrame(() => requestAnimationFrame(arguments[0])))");
        Assert.Equal((next, "false"), (Frame(), page.Find("[data-speed='1']").GetDomAttribute("aria-pressed")));
        Assert.Empty(page.Complaints());
    }
}
