using System.Globalization;
using Htmx;
using InchBurst.Core.Log;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class TracksideModel(TracksideBook book, LiveMaker maker, SquadBook squads, Desk desk) : PageModel
{
    public LiveView View { get; private set; } = null!;

    public async Task<IActionResult> OnGetAsync(int id, bool who = false)
    {
        ViewData["Who"] = who;
        return await ShowAsync(id);
    }

    public async Task<IActionResult> OnPostStartAsync(int id, int[] here)
    {
        if (await book.LoadAsync(id) is not { } live || live.Plan.Blocks.Count == 0)
        {
            return NotFound();
        }

        var athletes = await squads.AthletesAsync(live.Session.SquadId);
        await book.SetAttendanceAsync(live.Session, [.. athletes.Select(a => (a.Id, here.Contains(a.Id)))]);
        await book.StartAsync(id);
        return Redirect($"/Sessions/{id}/Trackside");
    }

    public async Task<IActionResult> OnPostSaveAsync(int id, Guid client, int athlete, int line, string[] mark, bool overrule = false)
    {
        if (await book.LoadAsync(id) is not { } live || live.Plan.Line(line) is not { } planned || live.Attendance.All(a => a.AthleteId != athlete))
        {
            return NotFound();
        }

        // A whole run may be typed into one box, and a box may be left empty: both come down to one text a mark.
        var filled = mark.Select((text, i) => (Text: (text ?? "").Trim(), Index: i)).Where(t => t.Text.Length > 0).ToList();
        string[] texts = filled is [{ Index: 0 } only] && only.Text.Any(char.IsWhiteSpace) ? only.Text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries) : [.. mark.Select(m => m ?? "")];
        var row = live.Attendance.First(a => a.AthleteId == athlete);
        var best = (await squads.RowAsync(row.Athlete!, desk.Today)).BestSpeed;
        var reading = MarkEntry.Read(texts, planned.ExpectedMarks, new(planned.Kind, live.Session.StartBehindGateMetres, best));
        if (reading.IsRefused || (!reading.IsClean && !overrule))
        {
            // The athlete whose times are in doubt stays on the line.
            await book.ChangeAsync(id, l => l.Session.CalledAthleteId = athlete);

            return await ShowAsync(id, new(texts, reading.Doubts), client);
        }

        await book.LogAsync(live, new(client == Guid.Empty ? Guid.NewGuid() : client, athlete, line, RunOutcome.Timed, reading.Marks, desk.Who));
        return await ShowAsync(id);
    }

    public async Task<IActionResult> OnPostOutcomeAsync(int id, Guid client, int athlete, int line, RunOutcome what)
    {
        if (await book.LoadAsync(id) is not { } live || live.Plan.Line(line) is null || live.Attendance.All(a => a.AthleteId != athlete) || what == RunOutcome.Timed)
        {
            return NotFound();
        }

        await book.LogAsync(live, new(client == Guid.Empty ? Guid.NewGuid() : client, athlete, line, what, [], desk.Who));
        return await ShowAsync(id);
    }

    public Task<IActionResult> OnPostCallAsync(int id, int athlete) => OnSessionAsync(id, live => live.Session.CalledAthleteId = athlete);

    public Task<IActionResult> OnPostLineAsync(int id, int line) => OnSessionAsync(id, live =>
    {
        if (live.Plan.Line(line) is not null)
        {
            (live.Session.CurrentLineId, live.Session.CalledAthleteId) = (line, null);
        }
    });

    public Task<IActionResult> OnPostDoneAsync(int id, int athlete, string? reason) => OnSessionAsync(id, live =>
    {
        if (live.Attendance.FirstOrDefault(a => a.AthleteId == athlete) is { } row)
        {
            row.DoneReason = string.IsNullOrWhiteSpace(reason) ? "done for today" : reason.Trim()[..Math.Min(80, reason.Trim().Length)];
            live.Session.CalledAthleteId = null;
        }
    });

    public Task<IActionResult> OnPostReturnAsync(int id, int athlete) => OnSessionAsync(id, live =>
    {
        if (live.Attendance.FirstOrDefault(a => a.AthleteId == athlete) is { } row)
        {
            row.DoneReason = null;
        }
    });

    public Task<IActionResult> OnPostTimingAsync(int id, TimingMethod method, StartTrigger trigger, string? behind) => OnSessionAsync(id, live =>
    {
        live.Session.Method = method;
        live.Session.Trigger = trigger;
        if (double.TryParse((behind ?? "").Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var metres) && metres is >= 0 and <= 5)
        {
            live.Session.StartBehindGateMetres = metres;
            return;
        }

        toast = "The start line stands 0 to 5 m behind the first gate; that figure was not taken.";
    });

    public async Task<IActionResult> OnPostUndoAsync(int id, long run, bool back = false)
    {
        var changed = await book.SetDeletedAsync(id, run, !back);
        return changed is null
            ? NotFound()
            : await ShowAsync(id, toast: back ? null : $"Taken back: {changed.Athlete?.Name} {(changed.Marks.Count > 0 ? changed.MarksText() : "")}", undone: back ? null : run);
    }

    public async Task<IActionResult> OnPostEndAsync(int id) => await book.EndAsync(id) is null ? NotFound() : Redirect($"/Sessions/{id}/Trackside");

    public async Task<IActionResult> OnPostReopenAsync(int id) => await book.StartAsync(id) is null ? NotFound() : Redirect($"/Sessions/{id}/Trackside");

    private string? toast;

    private async Task<IActionResult> OnSessionAsync(int id, Action<LiveSession> change) =>
        await book.ChangeAsync(id, change) is null ? NotFound() : await ShowAsync(id, toast: toast);

    private async Task<IActionResult> ShowAsync(int id, TypedMarks? typed = null, Guid? client = null, string? toast = null, long? undone = null)
    {
        if (await maker.MakeAsync(id, typed, client, toast, undone) is not { } view)
        {
            return NotFound();
        }

        View = view;
        ModelState.Clear();
        return Request.IsHtmx() ? Partial("_Live", view) : Page();
    }
}
