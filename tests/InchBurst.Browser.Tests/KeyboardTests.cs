using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>A session written with the keys alone.</summary>
public sealed class KeyboardTests
{
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
}

/// <summary>The digits of a time find their own point, in the script that ships.</summary>
public sealed class DigitTests
{
    [Fact]
    public void The_point_stands_where_the_figure_is_nearest_to_what_is_expected()
    {
        using var app = new AppProcess(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();

        // First digit typed, seconds expected, digits before the point.
        (string First, double Expected, int Whole)[] cases =
        [
            ("2", 2.9, 1), ("3", 2.9, 1), ("9", 9.6, 1), ("1", 9.6, 2), ("1", 12.0, 2), ("9", 12.0, 1), ("2", 28.0, 2), ("3", 28.0, 2), ("6", 65.0, 2), ("1", 65.0, 3), ("0", 0.9, 1), ("1", 1.06, 1), ("5", 0, 1),
        ];
        foreach (var (first, expected, whole) in cases)
        {
            var found = page.Driver.ExecuteAsyncScript("const done = arguments[2]; import('/js/entry.js').then((m) => done(m.wholeDigits(arguments[0], arguments[1])))", first, expected);
            Assert.True(Convert.ToInt32(found, System.Globalization.CultureInfo.InvariantCulture) == whole, $"{first} where {expected} s is expected: {found}");
        }
    }
}
