using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace InchBurst.Browser.Tests;

/// <summary>A week is planned in the browser: by keyboard alone, by drag, and on a phone.</summary>
public sealed class WeekBrowserTests
{
    private static DateOnly Today => DateOnly.FromDateTime(DateTime.Now);

    // Far enough ahead that the demo has planned nothing there.
    private static DateOnly Monday => Today.AddDays(-(((int)Today.DayOfWeek + 6) % 7)).AddDays(35);

    private static string Iso(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static void Wait(Chromium page, Func<bool> until) => page.Until(d =>
    {
        try
        {
            return until() ? d : null;
        }
        catch (StaleElementReferenceException)
        {
            return null;
        }
    });

    private static string? DayNow(Chromium page, string name) => page.Driver.FindElements(By.CssSelector("tr[data-group='high minutes'] td[data-day]")).FirstOrDefault(c => c.Text.Contains(name, StringComparison.Ordinal))?.GetDomAttribute("data-day");

    private static void TabTo(Chromium page, string css)
    {
        for (var i = 0; i < 120; i++)
        {
            page.Keys(Keys.Tab);
            if ((bool)page.Driver.ExecuteScript("return document.activeElement.matches(arguments[0])", css)!)
            {
                return;
            }
        }

        Assert.Fail($"Tab never comes to {css}");
    }

    [Fact]
    public void A_week_is_planned_by_keyboard_alone()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go($"/Season?week={Iso(Monday)}");

        // From the first free day by arrows to Wednesday, a session for it, the first of the offers.
        page.Find("[data-board][data-sorted]");
        TabTo(page, "[data-board] .add");
        page.Keys(Keys.ArrowRight + Keys.ArrowRight);
        Wait(page, () => (string?)page.Driver.ExecuteScript("return document.activeElement.closest('td')?.dataset.day") == Iso(Monday.AddDays(2)));
        page.Keys(Keys.Enter);
        page.UntilText("h1", "A session for Wed");
        var name = page.Text(".season-offer h2");
        TabTo(page, ".season-offer button[name=offer]");
        page.Keys(Keys.Enter);
        page.UntilText("#week h1", Monday.Day.ToString(CultureInfo.InvariantCulture));
        Wait(page, () => DayNow(page, name) == Iso(Monday.AddDays(2)));

        // A day earlier and back again, pinned, taken out, and all of it taken back.
        page.Find("[data-board][data-sorted]");
        TabTo(page, "[data-session] [data-card]");
        new Actions(page.Driver).KeyDown(Keys.Alt).SendKeys(Keys.ArrowLeft).KeyUp(Keys.Alt).Perform();
        Wait(page, () => DayNow(page, name) == Iso(Monday.AddDays(1)));
        void OnCard() => Wait(page, () => (bool)page.Driver.ExecuteScript("return document.activeElement.matches('[data-session] [data-card]') && !document.body.classList.contains('is-busy')")!);
        OnCard();
        page.Keys("p");
        page.Find(".card-day.pinned");
        OnCard();
        page.Keys(Keys.Delete);
        Wait(page, () => DayNow(page, name) is null);
        page.Quiet();
        page.Chord(Keys.Control, "z");
        Wait(page, () => DayNow(page, name) == Iso(Monday.AddDays(1)));

        // The keys are told.
        page.Keys("?");
        page.UntilText("#keys", "moves the session a day");
        page.Keys(Keys.Escape);

        // The rest of the week is suggested and put in place.
        TabTo(page, ".week-suggest");
        page.Keys(Keys.Enter);
        page.Find(".suggest-days");
        TabTo(page, ".btn-primary");
        page.Keys(Keys.Enter);
        page.UntilText("#week h1", Monday.Day.ToString(CultureInfo.InvariantCulture));
        page.Find("[data-key=undo][title*='Suggested week']");
        Assert.DoesNotContain(page.Driver.FindElements(By.CssSelector(".week-finding.stop")), f => f.Text.Contains("before the match", StringComparison.Ordinal));
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_session_is_dragged_to_another_day_and_a_number_beside_it_answers()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Go($"/Season/Suggest/Session?day={Iso(Monday.AddDays(2))}&group=high%20minutes&aim=TopSpeed");
        var name = page.Text(".season-offer h2");
        page.Press(".season-offer button[name=offer]");
        page.UntilText("#week h1", Monday.Day.ToString(CultureInfo.InvariantCulture));
        var card = page.Find("tr[data-group='high minutes'] .card-day .print");
        var target = page.Find($"tr[data-group='high minutes'] td[data-day='{Iso(Monday.AddDays(3))}']");
        new Actions(page.Driver).MoveToElement(card).ClickAndHold().MoveByOffset(12, 4).MoveByOffset(20, 4).MoveToElement(target).MoveByOffset(4, 10).Release().Perform();
        Wait(page, () => DayNow(page, name) == Iso(Monday.AddDays(3)));
        page.UntilText(".toast-bar", "moved to");
        page.Click(".toast-bar form button");
        Wait(page, () => DayNow(page, name) == Iso(Monday.AddDays(2)));
        page.Quiet();
        page.Click(".stepper button[aria-label='Top speed every: more']");
        page.UntilText(".toast-bar", "A school of your own was made");
        page.UntilText(".exposure .legend", "7 days are up");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void On_a_phone_a_week_is_planned_a_day_at_a_time()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app, 390, 844);
        page.Resize(390, 844, touch: true);
        page.EnterDemo();
        page.Go($"/Season?week={Iso(Monday)}&group=low%20minutes");
        Assert.StartsWith("Low minutes", page.Text(".week-groups [aria-current]"), StringComparison.Ordinal);
        page.Click($".week-days a[href*='day={Iso(Monday.AddDays(3))}']");
        page.UntilText(".week-day h2", "Thursday");
        page.Click(".week-day > .btn");
        page.Press(".season-offer button[name=offer]");
        page.UntilText(".week-day h2", "Thursday");
        page.Click($".week-groups a[href*='low']");
        page.UntilText(".week-day article", "m near top speed");
        page.Press(".phone-tools button", e => e.Text == "A day earlier");
        page.UntilText(".week-day h2", "Wednesday");
        page.UntilText(".week-day article", "m near top speed");
        page.Press(".phone-tools button", e => e.Text == "Take out");
        page.UntilText(".toast-bar", "taken out");
        page.Click(".toast-bar form button");
        page.Click($".week-days a[href*='day={Iso(Monday.AddDays(2))}']");
        page.UntilText(".week-day article", "m near top speed");
        Assert.True((bool)page.Driver.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth + 1")!);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_calendar_file_is_chosen_looked_at_and_stored_and_minutes_go_from_box_to_box()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        var file = Path.Combine(app.Folder, "league.ics");
        File.WriteAllText(file, $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//league//EN\r\nBEGIN:VEVENT\r\nUID:g1\r\nDTSTAMP:20260801T000000Z\r\nDTSTART:{Today.AddDays(-1):yyyyMMdd}T150000Z\r\nSUMMARY:v Greyhaven\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
        page.EnterDemo();
        page.Go("/Season/Import");
        page.Driver.FindElement(By.Id("file")).SendKeys(file);
        page.Press(".import button");
        page.UntilText(".import-rows", "v Greyhaven");
        Assert.Equal("match", page.Driver.FindElement(By.CssSelector(".import-rows option:checked")).Text);
        page.Press("form.section .btn-primary");
        page.UntilText(".toast-bar", "1 added");
        page.Press(".calendar td a", e => e.Text == "enter");
        page.UntilText("h1", "v Greyhaven");
        page.Keys("12" + Keys.Enter + "34" + Keys.Enter + "0" + Keys.Enter);
        var boxes = page.Driver.FindElements(By.CssSelector(".minutes input[inputmode=numeric]"));
        Assert.Equal(["12", "34", "0", ""], boxes.Take(4).Select(b => b.GetDomProperty("value")));
        boxes[^1].SendKeys("60" + Keys.Enter);
        page.UntilText(".toast-bar", "Minutes of v Greyhaven stored");
        Assert.Empty(page.Complaints());
    }
}
