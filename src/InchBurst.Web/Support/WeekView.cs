using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>A session on the board.</summary>
public sealed record WeekCard(TrainingSession Session, DayDose Dose, string Print, IReadOnlyList<WorkKind> Kinds, bool IsDone)
{
    /// <summary>True when it can be moved.</summary>
    public bool IsOpen => Session.State == SessionState.Planned;
}

/// <summary>A day of a group.</summary>
public sealed record WeekCell(DateOnly Day, IReadOnlyList<WeekCard> Cards, Slot? Slot, CalendarEntry? Match, CalendarEntry? Closed);

/// <summary>A group's row of the board.</summary>
public sealed record WeekRow(GroupBoard Group, IReadOnlyList<WeekCell> Cells, double SprintMetres, IReadOnlyList<WeekFinding> Findings, IReadOnlyList<OftenCount> Often, IReadOnlyList<ExposureRow> Exposures);

/// <summary>The board as the page shows it.</summary>
public sealed record WeekView(WeekBoard Board, IReadOnlyList<WeekRow> Rows, WeekStep? Last, string? Toast, DateOnly Selected, string Group)
{
    public DateOnly Monday => Board.Monday;

    public DateOnly Today => Board.Today;

    public IEnumerable<DateOnly> Days => Enumerable.Range(0, 7).Select(Monday.AddDays);

    /// <summary>Group shown on a phone.</summary>
    public WeekRow Shown => Rows.FirstOrDefault(r => r.Group.Key == Group) ?? Rows[0];

    /// <summary>Everything the rules find, what groups share once.</summary>
    public IReadOnlyList<(WeekRow Row, WeekFinding Finding, string For)> Findings =>
    [
        .. Rows.SelectMany(r => r.Findings.Select(f => (Row: r, Finding: f))).GroupBy(x => (x.Finding.Rule, x.Finding.Said))
            .Select(g => (g.First().Row, g.First().Finding, For: g.Count() == Rows.Count || Rows.Count == 1 ? "" : string.Join(", ", g.Select(x => x.Row.Group.Week.Name))))
            .OrderBy(x => x.Finding.Severity).ThenBy(x => x.Finding.Day),
    ];

    /// <summary>Days to or from a match in words; empty when none is near.</summary>
    public string ToMatch(DateOnly day)
    {
        var week = Rows[0].Group.Week;
        return week.DaysToMatch(day) switch
        {
            0 => "",
            1 when week.DaysSinceMatch(day) == 1 => "between two matches",
            { } to when week.DaysSinceMatch(day) is not { } since || since > 1 || to <= 3 => to == 1 ? "1 day to match" : $"{to} days to match",
            _ => week.DaysSinceMatch(day) is { } s and <= 7 ? s == 1 ? "1 day after" : $"{s} days after" : "",
        };
    }

    public string Title => Monday.Month == Monday.AddDays(6).Month
        ? $"{Monday.Day}–{Monday.AddDays(6).Day} {Monday.ToString("MMMM", System.Globalization.CultureInfo.InvariantCulture)}"
        : $"{Monday.ToString("d MMM", System.Globalization.CultureInfo.InvariantCulture)} – {Monday.AddDays(6).ToString("d MMM", System.Globalization.CultureInfo.InvariantCulture)}";
}

/// <summary>Puts the board together.</summary>
public sealed class WeekViewMaker(WeekBook weeks, ExerciseCatalogue catalogue, Desk desk)
{
    public async Task<WeekView> MakeAsync(Squad squad, DateOnly monday, DateOnly? selected = null, string? group = null, string? toast = null)
    {
        var board = await weeks.BoardAsync(squad, monday, desk.Today);
        var rows = board.Groups.Select(g => Row(board, g)).ToList();
        var day = selected is { } s && s >= monday && s <= monday.AddDays(6) ? s : desk.Today >= monday && desk.Today <= monday.AddDays(6) ? desk.Today : monday;
        return new(board, rows, await weeks.LastAsync(squad.Id), toast, day, group ?? rows[0].Group.Key);
    }

    private WeekRow Row(WeekBoard board, GroupBoard group)
    {
        var week = group.Week;
        var cards = week.Sessions.Where(s => s.Day >= week.Monday && s.Day <= week.Sunday).ToLookup(s => s.Day);
        return new(
            group,
            [.. week.Days.Select(d => new WeekCell(
                d, [.. cards[d].Select(s => Card(board.Sessions.Single(x => x.Id == s.Id), s))], board.Slots.FirstOrDefault(s => s.Weekday == d.DayOfWeek),
                board.Entries.FirstOrDefault(e => e.Kind == EntryKind.Match && e.Day == d), board.Entries.FirstOrDefault(e => e.Kind is not (EntryKind.Match or EntryKind.Other) && e.Day <= d && e.LastDay >= d)))],
            cards.SelectMany(c => c).Sum(s => s.Dose.Volume.SprintMetres), WeekRules.Judge(week), HowOften.Count(week),
            [.. group.Members.Select(a => ExposureRow.Draw(week, week.Athletes.Single(x => x.Id == a.Id), a.Availability, board.Reached[a.Id], board.Today))]);
    }

    // What a glance should find first.
    private static readonly WorkKind[] Shown = [WorkKind.MaxVelocity, WorkKind.Resisted, WorkKind.Assisted, WorkKind.Acceleration, WorkKind.Turn, WorkKind.Strength, WorkKind.Jumps, WorkKind.Conditioning, WorkKind.Drill];

    private WeekCard Card(TrainingSession session, SeasonSession season)
    {
        var plan = PlanJson.Read(session.RanPlanJson ?? session.PlanJson);
        return new(session, season.Dose, Print(plan), [.. plan.Lines.Select(l => l.Kind).Distinct().Where(Shown.Contains).OrderBy(k => Array.IndexOf(Shown, k)).Take(3)], season.IsDone);
    }

    /// <summary>The runs that make a session, in a few words.</summary>
    public string Print(SessionPlan plan)
    {
        var demands = plan.Lines.Select(l => LineDemand.Of(l, catalogue)).ToList();
        var hard = demands.Where(d => d.IsFullSprint && !d.IsBuildUp).OrderByDescending(d => d.IsTopSpeed).ThenByDescending(d => d.IntentMetres * d.Line.TotalReps).Take(2).ToList();
        var shown = hard.Count > 0 ? hard : demands.Where(d => d.IsHardSprint).Take(1).ToList();
        return shown.Count == 0 ? plan.Lines.Any() ? "no sprint" : "no lines yet" : string.Join(", ", shown.Select(d => $"{d.Line.TotalReps} × {Short(d)}"));
    }

    private static string Short(LineDemand demand) => demand.Line.Shape is RunShape { Fly: { } fly }
        ? $"fly {Core.Units.Figures.Number(fly.To - fly.From, 1)}"
        : $"{Core.Units.Figures.Number(demand.IntentMetres, 1)} m{(demand.IsResisted ? " loaded" : demand.IsAssisted ? " helped" : "")}";
}
