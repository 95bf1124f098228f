using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>A group's suggested week; no week when none keeps the rules.</summary>
public sealed record GroupSuggestion(GroupBoard Group, WeekSuggestion? Week);

/// <summary>Remembers sessions that were made, by everything they were made from: the same week is suggested again and again while one looks at it.</summary>
public sealed class OfferShelf
{
    private const int Most = 2000;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<string, SessionOffer?> made = new();

    /// <summary>The session for a wish.</summary>
    public SessionOffer? Make(SessionWish wish)
    {
        if (made.Count > Most)
        {
            made.Clear();
        }

        return made.GetOrAdd(KeyOf(wish), _ => SessionMaker.Make(wish));
    }

    // Wishes with pinned blocks are made for once.
    private static string KeyOf(SessionWish w) => string.Join('|',
        string.Join('+', w.Aims), w.Minutes, w.StraightMetres, w.RunOutMetres, w.Size, w.Seed, w.Aim, w.Setting.Athletes, w.Setting.Lanes, w.Setting.Pace, System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(w.Setting.Catalogue),
        (w.Setting.School ?? CoachingSchool.Usual).ToJson(), string.Join(';', w.Athletes.Select(a => $"{a.Curve},{a.Age},{a.MassKilograms},{a.IsReturning}")));
}

/// <summary>Brings what a club has to the makers of weeks and sessions.</summary>
public sealed class SuggestMaker(WeekBook weeks, SessionBook sessions, OfferShelf offers, ExerciseCatalogue catalogue, Desk desk)
{
    /// <summary>Suggested weeks for every group of a squad.</summary>
    public async Task<(WeekBoard Board, IReadOnlyList<GroupSuggestion> Groups)> WeekAsync(Squad squad, DateOnly monday, CoachingSchool? school = null)
    {
        var board = await weeks.BoardAsync(squad, monday, desk.Today, school);
        var shelf = (await sessions.KeptAsync()).Select(k => new ShelfPlan(k.Name, PlanJson.Read(k.PlanJson))).ToList();
        return (board, [.. board.Groups.Where(g => g.Key.Length == 0 || g.Key is LineAudience.HighMinutes or LineAudience.LowMinutes)
            .Select(g => new GroupSuggestion(g, WeekMaker.Suggest(Own(board, g), new(slot => Setting(board, g, slot)) { Shelf = shelf, Athletes = People(board, g), Maker = offers.Make })))]);
    }

    // Sessions of the whole squad are every group's; with groups they stay, since moving them would move them for the other group too.
    private static GroupWeek Own(WeekBoard board, GroupBoard group) => group.Key.Length == 0 ? group.Week : group.Week with
    {
        Sessions = [.. group.Week.Sessions.Select(s => board.Sessions.Single(x => x.Id == s.Id).Group.Length == 0 ? s with { IsPinned = true } : s)],
    };

    /// <summary>Group, lanes, pace and school in a slot.</summary>
    public ClockSetting Setting(WeekBoard board, GroupBoard group, OpenSlot slot) =>
        new(Math.Max(1, group.Members.Count(a => a.Availability != Availability.Out)), slot.Lanes, board.Pace, catalogue, 0, null, board.School);

    /// <summary>Athletes of a group as the checks see them.</summary>
    public IReadOnlyList<CheckedAthlete> People(WeekBoard board, GroupBoard group) =>
        [.. group.Members.Where(a => a.Availability != Availability.Out).Select(a => new CheckedAthlete(a.Name, board.Curves.GetValueOrDefault(a.Id, board.Pace), !board.Curves.ContainsKey(a.Id), desk.Today.Year - a.BirthYear, a.MassKilograms, a.Availability == Availability.Modified))];

    /// <summary>A session as it is stored for a slot.</summary>
    public async Task<TrainingSession> SessionAsync(Squad squad, string group, DateOnly day, OpenSlot slot, string name)
    {
        var last = await sessions.LastOfAsync(squad.Id);
        return new()
        {
            Name = name.Length > 80 ? name[..80] : name,
            Day = day,
            Start = slot.Start,
            SquadId = squad.Id,
            Group = group,
            Lanes = slot.Lanes,
            WindowMinutes = slot.Minutes,
            StraightMetres = slot.StraightMetres,
            RunOutMetres = slot.RunOutMetres,
            Cue = CueRotation.Next(await sessions.CuesAsync(squad.Id)).Words,
            StartBehindGateMetres = last is { StartSaid: true } ? last.StartBehindGateMetres : 0,
            StartSaid = last is { StartSaid: true },
        };
    }

    /// <summary>True when a block is what a session is for.</summary>
    public bool IsMain(PlanBlock block) => SessionMaker.IsMain(block, new ClockSetting(1, 1, Core.Demand.DemandAthlete.UsualCurve, catalogue));

    /// <summary>What a plan asks of the typical athlete.</summary>
    public DayDose DoseOf(SessionPlan plan, Core.Sprint.SprintCurve pace) => DayDose.Of(plan, new(pace), catalogue);
}
