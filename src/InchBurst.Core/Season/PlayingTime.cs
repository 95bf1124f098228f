namespace InchBurst.Core.Season;

/// <summary>Minutes of an athlete in a match.</summary>
/// <param name="Day">Day of the match.</param>
/// <param name="Minutes">Minutes played, 0 to 240.</param>
public readonly record struct PlayedMatch(DateOnly Day, int Minutes);

/// <summary>Who plays much and who plays little: follows the minutes of the last matches.</summary>
public static class PlayingTime
{
    /// <summary>Mean minutes over the last matches of the squad for which minutes were entered; an athlete without an entry in one of them did not play. Null when there are none.</summary>
    /// <param name="matches">Days of the squad's matches with minutes, any order.</param>
    /// <param name="played">The athlete's minutes.</param>
    /// <param name="day">Matches before this day count.</param>
    /// <param name="most">Matches looked at, 1 or more.</param>
    public static double? Mean(IEnumerable<DateOnly> matches, IEnumerable<PlayedMatch> played, DateOnly day, int most)
    {
        var last = matches.Where(m => m < day).OrderDescending().Take(most).ToList();
        var own = played.GroupBy(p => p.Day).ToDictionary(g => g.Key, g => g.Sum(p => p.Minutes));
        return last.Count == 0 ? null : last.Average(m => own.GetValueOrDefault(m));
    }

    /// <summary>True when so many minutes are many.</summary>
    /// <param name="mean">Mean minutes a match.</param>
    /// <param name="from">Least mean that is many, min.</param>
    public static bool PlaysMuch(double mean, double from) => mean >= from;
}
