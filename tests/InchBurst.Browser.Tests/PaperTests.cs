using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>The session on paper.</summary>
public sealed class PaperTests
{
    [Fact]
    public void The_sheet_and_the_tests_of_a_usual_session_print_on_one_page_of_A4_each()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        var (sheet, isUpright) = Printed(page, "/Sessions/49/Sheet");
        var (tests, testsUpright) = Printed(page, "/Sessions/48/Testing");

        Assert.Empty(page.Complaints());

        // A page of tests is as wide as its attempts, so it lies on its side; nothing else does.
        Assert.Equal((1, true), (sheet, isUpright));
        Assert.Equal((1, false), (tests, testsUpright));
    }

    private static (int Pages, bool IsUpright) Printed(Chromium page, string path)
    {
        page.Go(path);
        page.Quiet();
        var printed = (Dictionary<string, object>)page.Driver.ExecuteCdpCommand("Page.printToPDF", new() { ["preferCSSPageSize"] = true, ["printBackground"] = true })!;
        var pdf = System.Text.Encoding.Latin1.GetString(Convert.FromBase64String((string)printed["data"]));
        var box = System.Text.RegularExpressions.Regex.Match(pdf, @"/MediaBox\s*\[\s*0\s+0\s+([\d.]+)\s+([\d.]+)");
        return (System.Text.RegularExpressions.Regex.Count(pdf, @"/Type\s*/Page\b"), double.Parse(box.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture) < double.Parse(box.Groups[2].Value, System.Globalization.CultureInfo.InvariantCulture));
    }
}
