using InchBurst.Core.Plan;
using InchBurst.Core.School;

namespace InchBurst.Core.Season;

/// <summary>A session as the week sees it.</summary>
/// <param name="Id">Its number; 0 while it is only suggested.</param>
/// <param name="Day">Its day.</param>
/// <param name="Name">Its name.</param>
/// <param name="Dose">What it asks.</param>
/// <param name="IsDone">True when it was run.</param>
/// <param name="IsPinned">True when it stays where it is.</param>
public sealed record SeasonSession(int Id, DateOnly Day, string Name, DayDose Dose, bool IsDone = false, bool IsPinned = false)
{
    /// <summary>Names of those whom this session does not take to top speed though it takes others there.</summary>
    public IReadOnlyList<string> Missed { get; init; } = [];

    /// <summary>Names of those whom a line of their own takes to top speed though the session takes nobody else there.</summary>
    public IReadOnlyList<string> Only { get; init; } = [];

    /// <summary>True when the session takes an athlete to top speed.</summary>
    /// <param name="name">Name of the athlete.</param>
    public bool Covers(string name) => (Dose.ReachesTopSpeed && !Missed.Contains(name)) || Only.Contains(name);
}

/// <summary>A match.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Day">Its day.</param>
/// <param name="Start">When it starts, or null.</param>
/// <param name="Title">Against whom.</param>
/// <param name="Importance">1 friendly, 2 usual, 3 one that decides.</param>
public sealed record SeasonMatch(int Id, DateOnly Day, TimeOnly? Start, string Title, int Importance = 2);

/// <summary>Days on which the squad does not train as usual.</summary>
/// <param name="From">First day.</param>
/// <param name="To">Last day.</param>
/// <param name="Title">What is on.</param>
/// <param name="IsFree">True when nothing may be held; false when nothing hard may be.</param>
public sealed record ClosedDays(DateOnly From, DateOnly To, string Title, bool IsFree)
{
    /// <summary>True when a day is one of them.</summary>
    /// <param name="day">The day.</param>
    public bool Covers(DateOnly day) => day >= From && day <= To;
}

/// <summary>A time and a place in which the squad can train.</summary>
/// <param name="Day">Day.</param>
/// <param name="Start">When it begins.</param>
/// <param name="Minutes">How long, minutes, 5 to 240.</param>
/// <param name="Place">Where.</param>
/// <param name="Lanes">Lanes, 1 to 20.</param>
/// <param name="StraightMetres">Straight, m.</param>
/// <param name="RunOutMetres">Room to stop behind it, m.</param>
public sealed record OpenSlot(DateOnly Day, TimeOnly Start, int Minutes, string Place, int Lanes, double StraightMetres, double RunOutMetres);

/// <summary>An athlete as the week sees one.</summary>
/// <param name="Id">Number.</param>
/// <param name="Name">Name.</param>
/// <param name="LastTopSpeed">Last day at top speed, or null when none is known.</param>
/// <param name="IsHealthy">True when in full training.</param>
/// <param name="Age">Age in years, if known.</param>
/// <param name="BackSince">First day of training after an absence of ten days and more, within the last four weeks; null otherwise.</param>
public sealed record SeasonAthlete(int Id, string Name, DateOnly? LastTopSpeed, bool IsHealthy = true, int? Age = null, DateOnly? BackSince = null);

/// <summary>A group's week with what lies around it: five weeks before, two after.</summary>
/// <param name="Name">Name of the group.</param>
/// <param name="Monday">First day.</param>
/// <param name="School">The school that judges.</param>
public sealed record GroupWeek(string Name, DateOnly Monday, CoachingSchool School)
{
    /// <summary>Sessions from five weeks before to two weeks after.</summary>
    public IReadOnlyList<SeasonSession> Sessions { get; init; } = [];

    /// <summary>Matches in that time.</summary>
    public IReadOnlyList<SeasonMatch> Matches { get; init; } = [];

    /// <summary>Days that are closed.</summary>
    public IReadOnlyList<ClosedDays> Closed { get; init; } = [];

    /// <summary>Times and places of the week; empty when nobody said any.</summary>
    public IReadOnlyList<OpenSlot> Slots { get; init; } = [];

    /// <summary>Athletes of the group.</summary>
    public IReadOnlyList<SeasonAthlete> Athletes { get; init; } = [];

    /// <summary>Exercises the coach watches, with how often they are wished.</summary>
    public IReadOnlyList<OftenThing> Watched { get; init; } = [];

    /// <summary>True for those who play little, for whom the day after a match is a day to train.</summary>
    public bool PlaysLittle { get; init; }

    /// <summary>First day that can still be changed.</summary>
    public DateOnly OpenFrom { get; init; } = DateOnly.MinValue;

    /// <summary>Last day.</summary>
    public DateOnly Sunday => Monday.AddDays(6);

    /// <summary>The seven days.</summary>
    public IEnumerable<DateOnly> Days => Enumerable.Range(0, 7).Select(Monday.AddDays);

    /// <summary>What the phase of the season asks of this week, or null outside phases.</summary>
    public PhaseAim? Aim { get; init; }

    /// <summary>Numbers of the school; a phase that pulls wishes a resisted day.</summary>
    public WeekNumbers Numbers => WeekNumbers.Of(School) is var numbers && Aim is { LoadPercent: > 0 } ? numbers with { WishResisted = Math.Max(1, numbers.WishResisted) } : numbers;

    /// <summary>What a session asks, with who reaches top speed in it where that is not everybody.</summary>
    /// <param name="session">The session.</param>
    public DayDose DoseOf(SeasonSession session) => session.Missed.Count + session.Only.Count == 0 ? session.Dose
        : session.Dose with { Reachers = Athletes.Where(a => session.Covers(a.Name)).Select(a => a.Id).ToHashSet() };

    /// <summary>Sessions of a day.</summary>
    /// <param name="day">The day.</param>
    public IEnumerable<SeasonSession> On(DateOnly day) => Sessions.Where(s => s.Day == day);

    /// <summary>Days to the next match, 0 on its day; null when none is known within two weeks.</summary>
    /// <param name="day">The day.</param>
    public int? DaysToMatch(DateOnly day) => Matches.Where(m => m.Day >= day).Select(m => (int?)(m.Day.DayNumber - day.DayNumber)).Min();

    /// <summary>Days since the last match, 0 on its day; null when none is known.</summary>
    /// <param name="day">The day.</param>
    public int? DaysSinceMatch(DateOnly day) => Matches.Where(m => m.Day <= day).Select(m => (int?)(day.DayNumber - m.Day.DayNumber)).Min();

    /// <summary>Healthy athletes who have had no top speed for longer than the school's limit on a day, given what is done and planned before it and on it.</summary>
    /// <param name="day">The day.</param>
    public IEnumerable<SeasonAthlete> OverdueOn(DateOnly day)
    {
        var every = Numbers.Every;
        return Athletes.Where(a => a.IsHealthy && LastBy(a, day) is var last && (last is null || day.DayNumber - last.Value.DayNumber > every));
    }

    /// <summary>Last day at top speed that an athlete has or will have had by a day.</summary>
    /// <param name="athlete">The athlete.</param>
    /// <param name="day">The day.</param>
    public DateOnly? LastBy(SeasonAthlete athlete, DateOnly day)
    {
        var planned = Sessions.Where(s => !s.IsDone && s.Day >= OpenFrom && s.Day <= day && s.Covers(athlete.Name)).Select(s => (DateOnly?)s.Day).Max();
        return planned is { } p && (athlete.LastTopSpeed is not { } last || p > last) ? p : athlete.LastTopSpeed;
    }

    /// <summary>The days laid out for the rules.</summary>
    public DayGrid Grid() => new(this);

    /// <summary>The week with a session moved, added (from nowhere) or taken out (to nowhere).</summary>
    /// <param name="session">The session.</param>
    /// <param name="to">Its new day, or null to take it out.</param>
    public GroupWeek With(SeasonSession session, DateOnly? to) => this with
    {
        Sessions = [.. Sessions.Where(s => s != session), .. to is { } day ? [session with { Day = day }] : Array.Empty<SeasonSession>()],
    };
}

/// <summary>The days of a week and those around it as numbers: 0 is Monday. What the day rules look at, and what the search fills in.</summary>
public sealed class DayGrid
{
    /// <summary>Days kept before Monday.</summary>
    public const int Before = 35;

    /// <summary>Days kept from Monday on.</summary>
    public const int After = 21;

    /// <summary>Stands for "no match".</summary>
    public const int Never = 999;

    private readonly DayDose[] doses = new DayDose[Before + After];
    private readonly int[] daysTo = new int[Before + After];
    private readonly int[] daysSince = new int[Before + After];
    private readonly ClosedDays?[] closed = new ClosedDays?[Before + After];

    /// <summary>Lays a week out.</summary>
    /// <param name="week">The week.</param>
    public DayGrid(GroupWeek week)
    {
        Week = week;
        Array.Fill(doses, DayDose.None);
        foreach (var session in week.Sessions)
        {
            var at = session.Day.DayNumber - week.Monday.DayNumber + Before;
            if (at >= 0 && at < doses.Length)
            {
                doses[at] += week.DoseOf(session);
            }
        }

        var matches = week.Matches.Select(m => m.Day.DayNumber - week.Monday.DayNumber).Order().ToList();
        for (var i = 0; i < doses.Length; i++)
        {
            var day = i - Before;
            daysTo[i] = matches.Where(m => m >= day).Select(m => m - day).DefaultIfEmpty(Never).Min();
            daysSince[i] = matches.Where(m => m <= day).Select(m => day - m).DefaultIfEmpty(Never).Min();
            closed[i] = week.Closed.Where(c => c.Covers(week.Monday.AddDays(day))).OrderByDescending(c => c.IsFree).FirstOrDefault();
        }

        var weeks = Enumerable.Range(1, 4).Select(w => Enumerable.Range(-7 * w, 7).Sum(d => this[d].HardMetres)).ToList();
        UsualHardMetres = weeks.Average();
        HasYoung = week.Athletes.Any(a => a.Age < Demand.Limits.YoungYears);
        OpenFrom = Math.Clamp(week.OpenFrom.DayNumber - week.Monday.DayNumber, 0, 7);
        var numbers = week.Numbers;
        var weekdays = week.Slots.Select(s => s.Day.DayOfWeek).ToHashSet();
        AheadTo = Enumerable.Range(7, 7).First(d => d == 13 || ((weekdays.Count == 0 || weekdays.Contains(week.Monday.AddDays(d).DayOfWeek)) && DaysTo(d) > numbers.Clear && (week.PlaysLittle || DaysSince(d) == 0 || DaysSince(d) > numbers.After) && Closed(d) is null));
        Healthy = [.. week.Athletes.Where(a => a.IsHealthy).Select(a => a.Id)];
        LastTopSpeed = [.. week.Athletes.Where(a => a.IsHealthy).Select(a => week.LastBy(a, week.Monday.AddDays(-1)) is { } last ? Math.Max(-Before, last.DayNumber - week.Monday.DayNumber) : -Before)];
    }

    /// <summary>The week that was laid out.</summary>
    public GroupWeek Week { get; }

    /// <summary>Mean hard metres of the four weeks before, m.</summary>
    public double UsualHardMetres { get; }

    /// <summary>True when somebody of the group is young.</summary>
    public bool HasYoung { get; }

    /// <summary>First day that can still be changed, 0 to 7.</summary>
    public int OpenFrom { get; }

    /// <summary>First day of the next week on which top speed can be trained by matches, places and closed days, 7 to 13: what the week leaves undone is felt until then.</summary>
    public int AheadTo { get; }

    /// <summary>Last day at top speed that each healthy athlete has or will have had before the week, 0 for Monday; five weeks back where none is known.</summary>
    public IReadOnlyList<int> LastTopSpeed { get; }

    /// <summary>Numbers of the healthy athletes, in the same order.</summary>
    public IReadOnlyList<int> Healthy { get; }

    /// <summary>What a day asks.</summary>
    /// <param name="day">Day, 0 for Monday, -35 to 20.</param>
    public DayDose this[int day]
    {
        get => doses[day + Before];
        set => doses[day + Before] = value;
    }

    /// <summary>Days from a day to the next match, or <see cref="Never"/>.</summary>
    /// <param name="day">Day, 0 for Monday.</param>
    public int DaysTo(int day) => daysTo[day + Before];

    /// <summary>Days from the last match to a day, or <see cref="Never"/>.</summary>
    /// <param name="day">Day, 0 for Monday.</param>
    public int DaysSince(int day) => daysSince[day + Before];

    /// <summary>What closes a day, or null.</summary>
    /// <param name="day">Day, 0 for Monday.</param>
    public ClosedDays? Closed(int day) => closed[day + Before];
}

/// <summary>The numbers of a school that judge weeks.</summary>
/// <param name="Every">Days from one top-speed exposure to the next, at most.</param>
/// <param name="MostTopSpeed">Most top-speed days a week.</param>
/// <param name="WishTopSpeed">Top-speed days wished a week.</param>
/// <param name="WishStarts">Acceleration days wished a week.</param>
/// <param name="WishResisted">Resisted days wished a week.</param>
/// <param name="WishDays">Sprint days wished a week, primers not counted; one more for those who play little.</param>
/// <param name="ApartDays">Days from one hard day to the next, at least: 1 is the next day, 2 leaves one between.</param>
/// <param name="BackToBack">True when acceleration may follow acceleration.</param>
/// <param name="Clear">Days before a match without anything hard.</param>
/// <param name="Primer">Most hard metres of a primer, m.</param>
/// <param name="After">Days after a match without anything hard for those who play.</param>
/// <param name="Growth">Most hard metres against the mean of four weeks, as a factor.</param>
/// <param name="MostSessions">Most sprint days a week.</param>
/// <param name="MostYoung">Most hard days a week for the young.</param>
/// <param name="ReturnShare">Share of the usual hard metres in the first week back, 0 to 1.</param>
public sealed record WeekNumbers(
    int Every, int MostTopSpeed, int WishTopSpeed, int WishStarts, int WishResisted, int WishDays, int ApartDays, bool BackToBack, int Clear, double Primer, int After, double Growth, int MostSessions, int MostYoung, double ReturnShare)
{
    /// <summary>Hard metres that no growth rule looks at: two flies with their build-ups, and a few starts (own rule).</summary>
    public const double FreeMetres = 200;

    /// <summary>Reads them.</summary>
    /// <param name="school">The school.</param>
    public static WeekNumbers Of(CoachingSchool school) => new(
        (int)school["week.every"], (int)school["week.topspeed"], (int)school["week.wish.topspeed"], (int)school["week.wish.starts"], (int)school["week.wish.resisted"], (int)school["week.wish.days"],
        (int)Math.Ceiling(school["week.apart"] / 24), school["week.backtoback"] >= 1, (int)school["week.clear"], school["week.primer"], (int)school["week.after"],
        school["week.growth"], (int)school["week.sessions"], (int)school["week.young"], school["week.return"] / 100);
}
