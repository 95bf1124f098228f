using InchBurst.Core.Season;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Season;

/// <summary>An event in the preview, with the kind it would get and what there is of it already.</summary>
public sealed record PreviewRow(CalendarEvent Event, EntryKind? Kind, CalendarEntry? Known);

public sealed class ImportModel(CalendarBook calendar, Desk desk, TimeProvider clock) : PageModel
{
    public DateOnly From { get; private set; }

    public DateOnly To { get; private set; }

    public string? Text { get; private set; }

    public string? Problem { get; private set; }

    public IReadOnlyList<PreviewRow> Rows { get; private set; } = [];

    /// <summary>What was read before and is no longer in the file.</summary>
    public IReadOnlyList<CalendarEntry> Gone { get; private set; } = [];

    public string Zone => clock.LocalTimeZone.DisplayName;

    public async Task<IActionResult> OnGetAsync()
    {
        (From, To) = (desk.Today.AddDays(-60), desk.Today.AddDays(300));
        return await desk.SquadAsync() is null ? Redirect("/Athletes") : Page();
    }

    public async Task<IActionResult> OnPostAsync(IFormFile? file, string? text, DateOnly? from, DateOnly? to)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return NotFound();
        }

        (From, To) = (from ?? desk.Today.AddDays(-60), to ?? desk.Today.AddDays(300));
        if (file is { Length: > CalendarFile.MostCharacters })
        {
            Problem = "This file is too large for a season's calendar. Export fewer months.";
            return Page();
        }

        if (file is not null)
        {
            using var reader = new StreamReader(file.OpenReadStream(), System.Text.Encoding.UTF8);
            text = await reader.ReadToEndAsync();
        }

        if (string.IsNullOrWhiteSpace(text))
        {
            Problem = file is null ? "Choose a file first." : "The file is empty.";
            return Page();
        }

        await ReadAsync(squad, text);
        return Page();
    }

    public async Task<IActionResult> OnPostStoreAsync(string? text, DateOnly? from, DateOnly? to, int[] gone)
    {
        if (await desk.SquadAsync() is not { } squad)
        {
            return NotFound();
        }

        (From, To) = (from ?? desk.Today.AddDays(-60), to ?? desk.Today.AddDays(300));
        await ReadAsync(squad, text ?? "");
        if (Problem is not null)
        {
            return Page();
        }

        var rows = Rows.Select((r, i) => new ImportRow(r.Event, Enum.TryParse<EntryKind>(Request.Form[$"kind-{i}"], out var kind) && Enum.IsDefined(kind) ? kind : null)).ToList();
        var done = await calendar.ImportAsync(squad.Id, rows, [.. gone.Intersect(Gone.Select(g => g.Id))]);
        return Redirect("/Season/Calendar?said=" + Uri.EscapeDataString($"{done.Added} added, {done.Changed} changed, {done.Same} as they were{(done.Removed > 0 ? $", {done.Removed} removed" : "")}."));
    }

    private async Task ReadAsync(Squad squad, string text)
    {
        if (To < From || To.DayNumber - From.DayNumber > 1100)
        {
            Problem = To < From ? "The last day is before the first." : "At most three years at once.";
            return;
        }

        var read = CalendarFile.Read(text, From, To, clock.LocalTimeZone);
        if (read.Problem is { } problem)
        {
            Problem = problem;
            return;
        }

        var known = await calendar.ImportedAsync(squad.Id);
        Text = text;
        Rows = [.. read.Events.Select(e => known.GetValueOrDefault((e.Uid, e.Occurrence)) is { } there ? new PreviewRow(e, there.DeletedAt is null ? there.Kind : null, there) : new PreviewRow(e, Guess(e), null))];

        // Only what lies ahead and came from the same events as this file's can be missing from it.
        var uids = read.Events.Select(e => e.Uid).ToHashSet();
        var here = read.Events.Select(e => (e.Uid, e.Occurrence)).ToHashSet();
        Gone = [.. known.Values.Where(k => k.DeletedAt is null && k.Day >= desk.Today && k.Day >= From && k.Day <= To && !here.Contains((k.Uid, k.Occurrence)) && (uids.Contains(k.Uid) || uids.Overlaps(known.Values.Select(v => v.Uid)))).OrderBy(k => k.Day)];
    }

    // What changes nothing for a week is left out unless the coach says otherwise.
    private static EntryKind? Guess(CalendarEvent e) => e.IsCancelled ? null : CalendarWords.KindOf(e.Title) is var kind && kind == EntryKind.Other ? null : kind;
}
