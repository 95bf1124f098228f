using System.Text.RegularExpressions;
using Markdig;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;

namespace InchBurst.Web.Support;

/// <summary>One page of the guide.</summary>
/// <param name="Key">Last part of its address.</param>
/// <param name="Title">Its title.</param>
/// <param name="Html">Its text.</param>
public sealed record GuidePage(string Key, string Title, string Html);

/// <summary>The coach's guide (docs/guide.md) as pages, read once.</summary>
public sealed partial class GuideBook(IWebHostEnvironment environment)
{
    // Raw HTML in the text is shown as text.
    private static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder().DisableHtml().UsePipeTables().Build();

    private readonly Lazy<IReadOnlyList<GuidePage>> pages = new(() => Read(File.ReadAllText(Path.Combine(environment.ContentRootPath, "Files", "guide.md"))));

    /// <summary>The pages in their order.</summary>
    public IReadOnlyList<GuidePage> Pages => pages.Value;

    /// <summary>The guide's text as pages: one for each second heading with a key.</summary>
    /// <param name="text">The text.</param>
    public static IReadOnlyList<GuidePage> Read(string text)
    {
        var heads = Head().Matches(text);
        return [.. heads.Select((h, i) => new GuidePage(h.Groups[2].Value, h.Groups[1].Value.Trim(), Html(text[(h.Index + h.Length)..(i + 1 < heads.Count ? heads[i + 1].Index : text.Length)])))];
    }

    private static string Html(string text)
    {
        var document = Markdown.Parse(text, Pipeline);
        foreach (var picture in document.Descendants<LinkInline>().Where(l => l.IsImage))
        {
            picture.Url = "/lib/guide/" + Path.GetFileName(picture.Url);
        }

        return document.ToHtml(Pipeline);
    }

    /// <summary>The page of the guide for a screen.</summary>
    /// <param name="page">The screen's page, such as /Sessions/Edit.</param>
    public static string KeyFor(string page) => page switch
    {
        "/Index" or "/Athletes/Index" or "/Athletes/Edit" => "first-hour",
        "/Sessions/Trackside" or "/Sessions/Correct" or "/Sessions/Review" => "trackside",
        "/Athletes/Film" => "film",
        "/Athletes/Compare" or "/Athletes/Trend" or "/Athletes/Traces" or "/Athletes/Forces" or "/Athletes/Link" or "/Sessions/Testing" or "/Athletes/WhatIf" or "/Athletes/Squad" or "/Athletes/View" => "times",
        "/Athletes/Data" or "/Account/You" or "/Settings/Backup" or "/Settings/People" or "/Settings/Log" or "/Settings/Files" or "/Settings/Index" => "safe",
        _ when page.StartsWith("/Loads", StringComparison.Ordinal) || page is "/Athletes/Lifts" or "/Sessions/Loads" or "/Settings/Kit" => "loads",
        _ when page.StartsWith("/Season", StringComparison.Ordinal) || page == "/Athletes/Season" => "season",
        _ when page.StartsWith("/Sessions", StringComparison.Ordinal) || page.StartsWith("/Drills", StringComparison.Ordinal) => "writing",
        _ => "first-hour",
    };

    [GeneratedRegex(@"^## (.+?) \{#([a-z-]+)\}\s*$", RegexOptions.Multiline)]
    private static partial Regex Head();
}
