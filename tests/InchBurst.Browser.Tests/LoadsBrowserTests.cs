using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace InchBurst.Browser.Tests;

/// <summary>Loads in the browser: the handle is dragged and stepped while all else answers, and the load stands beside whoever is on the line.</summary>
public sealed class LoadsBrowserTests
{
    private static double Kg(Chromium page) => double.Parse(page.Driver.FindElement(By.CssSelector(".loads-plot.wide [data-tag=x] text")).Text.Split(' ')[0], CultureInfo.InvariantCulture);

    [Fact]
    public void The_aim_is_dragged_along_the_line_and_all_else_answers()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Loads");
        page.Core();
        var fetched = Answers(page);
        var handle = page.Find(".loads-plot.wide [data-handle]");
        var (before, aim) = (Kg(page), page.Text(".loads-two h2"));
        Assert.Equal("Strong push", aim);

        // To the left it is lighter: figures, aim, sources, what is set, all in step, and nothing is fetched.
        new Actions(page.Driver).MoveToElement(handle).ClickAndHold().MoveByOffset(-60, 0).MoveByOffset(-60, 0).MoveByOffset(-60, 0).Release().Perform();
        page.Look(() => Assert.True(Kg(page) < before - 10));
        Assert.Equal("Keep the movement", page.Text(".loads-two h2"));
        Assert.Contains($"{Kg(page).ToString("0.0", CultureInfo.InvariantCulture)} kg", page.Text(".loads-two .section-head span"), StringComparison.Ordinal);
        Assert.Equal(page.Text(".loads-set [data-a=set]"), "−" + page.Driver.FindElement(By.CssSelector("[data-by]")).GetDomProperty("value") + "%");
        Assert.StartsWith("sled 7.5", page.Text("[data-a=plates]"), StringComparison.Ordinal);
        Assert.Equal(page.Driver.FindElement(By.CssSelector("[data-sources] .source b")).Text, Kg(page).ToString("0.0", CultureInfo.InvariantCulture));
        Assert.Equal("chosen", page.Driver.FindElement(By.CssSelector(".loads-plot.wide [data-band=KeepMovement]")).GetDomAttribute("class")!.Split(' ')[^1]);

        // The keys do the same, step by step, to the next load that plates make.
        var dragged = Kg(page);
        page.Keys(Keys.ArrowRight);
        page.Look(() => Assert.Equal(dragged + 2.5, Kg(page)));
        page.Keys(Keys.ArrowRight + Keys.ArrowLeft + Keys.ArrowLeft);
        page.Look(() => Assert.Equal(dragged, Kg(page)));
        Assert.Equal($"{dragged.ToString("0.0", CultureInfo.InvariantCulture)} kg, {page.Text(".loads-plot.wide [data-tag=y] text")}", page.Driver.FindElement(By.CssSelector(".loads-plot.wide [data-handle]")).GetDomAttribute("aria-valuetext"));

        // A percent is typed; one that cannot be is told beside it and changes nothing.
        page.Find("#l-by").Clear();
        page.Type("#l-by", "50");
        page.UntilText(".loads-two h2", "Most power");
        var half = Kg(page);
        page.Find("#l-by").Clear();
        page.Type("#l-by", "500");
        page.UntilText(".loads-type .wrong", "80% slower");
        page.Look(() => Assert.Equal("500", page.Find("#l-by").GetDomProperty("value")));
        Assert.Equal(fetched, Answers(page));
        Assert.True(half > before);

        // On a phone the aims are steps, and + and − go from load to load.
        page.Resize(390, 844, touch: true);
        page.Click(".aims [data-aim=StrongPush]");
        page.UntilText(".loads-figure .big", "kg");
        var phone = page.Text(".loads-figure .big");
        page.Click("[data-step='1']");
        page.Look(() => Assert.NotEqual(phone, page.Text(".loads-figure .big")));
        page.Click("[data-step='-1']");
        page.UntilText(".loads-figure .big", phone);
        Assert.Empty(page.Complaints());
    }

    private static long Answers(Chromium page) => (long)page.Driver.ExecuteScript("return performance.getEntriesByType('resource').filter((r) => r.name.includes('handler=Answer')).length")!;

    [Fact]
    public void The_plates_stand_beside_whoever_is_on_the_line_and_the_time_says_what_to_change()
    {
        using var app = new TestApp(demo: true);
        using var proxy = new CutProxy(app.Port);
        using var page = new Chromium(app, address: proxy.Address);
        page.EnterDemo();
        page.Go("/Sessions");
        page.Go(page.Driver.FindElements(By.CssSelector("a")).First(a => a.Text.Contains("Tuesday push", StringComparison.Ordinal)).GetDomAttribute("href") + "/Trackside");
        page.Click(".t-save");
        page.Find(".t-next");
        page.Core();
        page.Quiet();
        page.Driver.ExecuteScript("[...document.querySelectorAll('.t-jump button')].find((b) => b.textContent.includes('Resisted')).form.requestSubmit()");
        page.UntilText(".t-load", "inside");
        page.Quiet();
        var (first, plates) = (page.Text(".t-who"), page.Text("[data-load=plates]"));
        Assert.StartsWith("sled + ", plates, StringComparison.Ordinal);

        // A slow run: what it was pulled with, how much slower, what to take off; and the next one's own load at once.
        page.Find("[data-mark]").Click();
        page.Keys("178" + "277" + "374" + Keys.Enter);
        page.UntilText(".t-loadsaid", "too heavy: take");
        page.Look(() => Assert.NotEqual(first, page.Text(".t-who")));
        page.UntilText("[data-load=plates]", "sled + ");

        // Without a signal it goes on, with another load than the one asked for.
        page.Quiet();
        proxy.Cut();
        var kilograms = page.Text("[data-load=load]");
        page.Find(".t-really").Clear();
        page.Type(".t-really", "15");
        page.Find("[data-mark]").Click();
        page.Keys(string.Concat(page.Driver.FindElements(By.CssSelector("#t-entry [data-mark]")).Select(b => b.GetDomProperty("placeholder")!.Replace("expect ", "", StringComparison.Ordinal).Replace(".", "", StringComparison.Ordinal))) + Keys.Enter);
        page.UntilText(".t-loadsaid", "15 kg: 30% slower, inside");
        Assert.NotEqual("15 kg", kilograms);
        Assert.Equal("", page.Find(".t-really").GetDomProperty("value"));
        Assert.Empty(page.Complaints(wasCut: true));
    }

    [Fact]
    public void A_test_day_is_planned_in_one_step_pulled_and_gives_a_line_and_a_sheet()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go("/Loads/1?surface=Turf");
        Assert.Contains("none yet", page.Text(".loads-head"), StringComparison.Ordinal);
        page.Click(".loads-head form[action*=Test] button");
        page.UntilText("h1", "Load test");
        var session = new Uri(page.Driver.Url).AbsolutePath;
        page.Go(session + "/Trackside");
        page.Driver.ExecuteScript("for (const here of document.querySelectorAll('[name=here]')) here.checked = here.value === '1'");
        page.Click(".t-save");
        page.Find(".t-next");
        page.Core();
        for (var line = 0; line < 5; line++)
        {
            page.Quiet();
            page.Driver.ExecuteScript($"[...document.querySelectorAll('.t-jump button')].filter((b) => /2 × 20 m/.test(b.textContent))[{line}].form.requestSubmit()");
            for (var rep = 1; rep <= 2; rep++)
            {
                page.Quiet();
                page.Find("[data-mark]").Click();
                page.Keys(string.Concat(page.Driver.FindElements(By.CssSelector("#t-entry [data-mark]")).Select(b => b.GetDomProperty("placeholder")!.Replace("expect ", "", StringComparison.Ordinal).Replace(".", "", StringComparison.Ordinal))) + Keys.Enter);
            }
        }

        page.Quiet();
        page.Go("/Loads/1");
        Assert.Contains("artificial turf, 10 runs", page.Text(".loads-line"), StringComparison.Ordinal);
        Assert.Contains("m/s for each kg", page.Text(".loads-head"), StringComparison.Ordinal);

        // What its first line with a sled asks of everybody, as a sheet to print.
        page.Click(".loads-head a[href*='/Loads/'][href^='/Sessions/']");
        page.UntilText("h1", "Load test: ");
        Assert.True(page.Driver.FindElements(By.CssSelector(".sleds .turn")).Count >= 10);
        Assert.Empty(page.Complaints());
    }
}
