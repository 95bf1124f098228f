using System.Text.RegularExpressions;

namespace InchBurst.Core.Season;

/// <summary>What an entry of a calendar is.</summary>
public enum EntryKind
{
    /// <summary>A match.</summary>
    Match,

    /// <summary>A camp or tournament away from usual training.</summary>
    Camp,

    /// <summary>Exams: training goes on, nothing is hard.</summary>
    Exam,

    /// <summary>Days without training.</summary>
    Off,

    /// <summary>Something that changes nothing for the week.</summary>
    Other,
}

/// <summary>Reads what a calendar's title is likely to mean; the coach decides in the preview.</summary>
public static partial class CalendarWords
{
    /// <summary>Likely kind of an entry: by its words, else something that changes nothing.</summary>
    /// <param name="title">Its title.</param>
    public static EntryKind KindOf(string title) =>
        Training().IsMatch(title) ? EntryKind.Other
        : Exams().IsMatch(title) ? EntryKind.Exam
        : Matches().IsMatch(title) ? EntryKind.Match
        : Camps().IsMatch(title) ? EntryKind.Camp
        : Free().IsMatch(title) ? EntryKind.Off
        : EntryKind.Other;

    /// <summary>True when the title says that the match is somewhere else.</summary>
    /// <param name="title">Its title.</param>
    public static bool IsAway(string title) => Away().IsMatch(title);

    /// <summary>Importance by the title: 1 for a friendly, 3 for a final or a cup, 2 otherwise.</summary>
    /// <param name="title">Its title.</param>
    public static int ImportanceOf(string title) => Friendly().IsMatch(title) ? 1 : Deciding().IsMatch(title) ? 3 : 2;

    /// <summary>Name of a kind.</summary>
    /// <param name="kind">The kind.</param>
    public static string NameOf(EntryKind kind) => kind switch
    {
        EntryKind.Match => "match",
        EntryKind.Camp => "camp",
        EntryKind.Exam => "exams",
        EntryKind.Off => "off",
        _ => "other",
    };

    [GeneratedRegex(@"\b(training|practice|session|meeting|video|physio|gym)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Training();

    [GeneratedRegex(@"\b(exams?|finals week|tests? week)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Exams();

    [GeneratedRegex(@"\b(match|game|vs?|against|fixture|league|cup|derby|friendly|play-?off|final|semi-?final|quarter-?final|round \d+)\b|^@ ?\w", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Matches();

    [GeneratedRegex(@"\b(camp|tournament|tour)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Camps();

    [GeneratedRegex(@"\b(off|free|holidays?|vacation|break|closed|rest)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Free();

    [GeneratedRegex(@"\baway\b|\(a\)|^(@|at ) ?\w", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Away();

    [GeneratedRegex(@"\b(friendly|test match)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Friendly();

    [GeneratedRegex(@"\b(cup|final|play-?off|derby)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Deciding();
}
