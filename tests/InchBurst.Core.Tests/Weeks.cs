using InchBurst.Core.Demand;
using InchBurst.Core.School;
using InchBurst.Core.Season;

namespace InchBurst.Core.Tests;

/// <summary>Weeks for tests: days as letters, Monday first.</summary>
internal static class Weeks
{
    public static readonly DateOnly Monday = new(2026, 10, 12);

    public static DayDose Dose(double hard = 0, bool top = false, bool starts = false, bool resisted = false, bool heavy = false, bool assisted = false, double contacts = 0, params string[] things) =>
        new(new LineVolume(hard, hard, top ? 30 : 0, 4, 0, 0) { FullMetres = hard, JumpContacts = contacts })
        {
            ReachesTopSpeed = top,
            HasStarts = starts,
            HasResisted = resisted,
            HasHeavy = heavy,
            HasAssisted = assisted,
            HasFullSprint = top || starts || resisted || assisted,
            Sessions = 1,
            Things = things.ToHashSet(),
        };

    /// <summary>T top speed, S starts, R sled, P primer, E easy, - nothing.</summary>
    public static DayDose? Of(char letter) => letter switch
    {
        'T' => Dose(90, top: true, things: "topspeed"),
        'S' => Dose(100, starts: true, things: "starts"),
        'R' => Dose(80, resisted: true, things: "resisted"),
        'H' => Dose(60, resisted: true, heavy: true, things: "resisted"),
        'P' => Dose(40, starts: true, things: "starts"),
        'E' => Dose(),
        _ => null,
    };

    public static IEnumerable<SeasonSession> Sessions(string letters, DateOnly from, int id = 1) =>
        letters.Select((l, i) => (Dose: Of(l), Day: from.AddDays(i), Id: id + i, Letter: l)).Where(x => x.Dose is not null).Select(x => new SeasonSession(x.Id, x.Day, $"{x.Day.DayOfWeek} {x.Letter}", x.Dose!));

    /// <summary>A week after four weeks of <paramref name="before"/> each.</summary>
    public static GroupWeek Week(string letters, CoachingSchool? school = null, string before = "-S-T-R-", params int[] matches) => new("Everybody", Monday, school ?? CoachingSchool.Usual)
    {
        Sessions = [.. Enumerable.Range(1, 4).SelectMany(w => Sessions(before, Monday.AddDays(-7 * w), 100 * w).Select(s => s with { IsDone = true })), .. Sessions(letters, Monday)],
        Matches = [.. matches.Select((m, i) => new SeasonMatch(900 + i, Monday.AddDays(m), new(16, 0), "v Saltbridge"))],
        Athletes = [Athlete(1, -1)],
        OpenFrom = Monday,
    };

    public static SeasonAthlete Athlete(int id, int? last, int? age = 22, bool healthy = true, int? back = null) => new(id, $"Athlete {id}", last is { } l ? Monday.AddDays(l) : null, healthy, age, back is { } b ? Monday.AddDays(b) : null);

    public static CoachingSchool School(params (string Key, double Value)[] numbers) =>
        new("Test", "", CoachingSchool.Numbers.ToDictionary(n => n.Key, n => numbers.Any(x => x.Key == n.Key) ? new SchoolValue(numbers.Single(x => x.Key == n.Key).Value, "test") : CoachingSchool.Usual.Of(n.Key)));

    public static IEnumerable<WeekFinding> Found(this IWeekRule rule, GroupWeek week) => rule.Look(week);
}
