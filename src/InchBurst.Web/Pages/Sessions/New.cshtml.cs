using System.Globalization;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class NewModel(SessionBook sessions, BuilderMaker maker, CalendarBook calendar, Desk desk) : PageModel
{
    [BindProperty]
    public SessionInput Input { get; set; } = new();

    public string From { get; private set; } = "";

    /// <summary>Drills to add to a session made from one that was run.</summary>
    public IReadOnlyList<string> Drill { get; private set; } = [];

    public IReadOnlyList<KeptPlan> Kept { get; private set; } = [];

    public IReadOnlyList<TrainingSession> Last { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(DateOnly? day, string? from, string[] drill, string? group)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return Redirect("/Athletes");
        }

        // A squad trains in the same place more often than not, so the last session's circumstances are the first guess.
        await ListAsync(from, drill);
        var unit = (await desk.ClubAsync()).DistanceUnit;
        var on = day ?? desk.Today;
        var chosen = await ChosenAsync(From);
        var last = await sessions.LastOfAsync(squad.Id) ?? new TrainingSession();
        Input = SessionInput.From(last, unit);
        Input.Name = chosen?.Name ?? $"{on.DayOfWeek} session";
        Input.WindowMinutes = chosen?.Minutes ?? last.WindowMinutes;
        Input.Day = on;
        Input.Start = null;
        Input.Group = group ?? "";
        if ((await calendar.SlotsAsync(squad.Id)).FirstOrDefault(s => s.Weekday == on.DayOfWeek) is { } slot)
        {
            Input.Take(slot, unit);
        }

        Input.SquadId = squad.Id;
        Input.Cue = CueRotation.Next(await sessions.CuesAsync(squad.Id)).Words;
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(string? from, string[] drill)
    {
        if (!ModelState.IsValid || (await desk.SquadsAsync()).All(s => s.Id != Input.SquadId))
        {
            await ListAsync(from, drill);
            return Page();
        }

        var session = new TrainingSession();
        Input.Into(session, (await desk.ClubAsync()).DistanceUnit);

        // How far the start line is behind the first gate is asked once for a set-up and remembered.
        if (await sessions.LastOfAsync(session.SquadId) is { StartSaid: true } before)
        {
            (session.StartBehindGateMetres, session.StartSaid) = (before.StartBehindGateMetres, true);
        }

        var chosen = await ChosenAsync(from ?? "");
        session.Testing = await TestingOfAsync(from ?? "");
        var plan = chosen?.Plan ?? SessionPlan.Empty;
        await sessions.CreateAsync(session, await maker.WithDrillsAsync(plan, drill), desk.Who);
        return Redirect($"/Sessions/{session.Id}");
    }

    // A day of tests stays one: made from the shelf it has the usual protocol, made from another it has that one's, so that the two can be set beside each other.
    private async Task<string> TestingOfAsync(string from)
    {
        var parts = from.Split('-');
        return parts is ["session" or "ran", var number] && int.TryParse(number, CultureInfo.InvariantCulture, out var id) && await sessions.FindAsync(id) is { } before ? before.Session.Testing
            : parts is ["ready", var at] && int.TryParse(at, CultureInfo.InvariantCulture, out var i) && i >= 0 && i < ReadySessions.All.Count && ReadySessions.All[i].IsTesting ? new TestingDay().Write() : "";
    }

    public async Task<IActionResult> OnPostForgetAsync(int kept)
    {
        await sessions.ForgetKeptAsync(kept, true);
        return Redirect("/Sessions/New");
    }

    private async Task ListAsync(string? from, string[] drill)
    {
        (From, Drill) = (from ?? "", drill);
        Kept = await sessions.KeptAsync();
        Last = [.. (await sessions.ListAsync(desk.Today.AddDays(-60), desk.Today.AddDays(60))).Take(20)];
    }

    private async Task<(string Name, int Minutes, SessionPlan Plan)?> ChosenAsync(string from)
    {
        var dash = from.IndexOf('-', StringComparison.Ordinal);
        if (dash < 0 || !int.TryParse(from[(dash + 1)..], CultureInfo.InvariantCulture, out var number))
        {
            return null;
        }

        switch (from[..dash])
        {
            case "ready" when number >= 0 && number < ReadySessions.All.Count:
                var ready = ReadySessions.All[number];
                return (ready.Name, ready.Minutes, ready.Plan);
            case "kept" when await sessions.KeptAsync(number) is { } kept:
                return (kept.Name, kept.WindowMinutes, PlanJson.Read(kept.PlanJson));
            case "session" when await sessions.FindAsync(number) is { } before:
                return (before.Session.Name, before.Session.WindowMinutes, before.Plan);
            case "ran" when await sessions.FindAsync(number) is { } ran:
                return (ran.Session.Name, ran.Session.WindowMinutes, PlanJson.Read(ran.Session.RanPlanJson ?? ran.Session.PlanJson));
            default:
                return null;
        }
    }
}
