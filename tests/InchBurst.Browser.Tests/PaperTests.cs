using OpenQA.Selenium;

namespace InchBurst.Browser.Tests;

/// <summary>The session on paper.</summary>
public sealed class PaperTests
{
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
}
