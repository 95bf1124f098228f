using System.ComponentModel.DataAnnotations;
using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>What a run was run in.</summary>
public sealed class RunSettingInput
{
    [EnumDataType(typeof(Shoes), ErrorMessage = "Choose one of these.")]
    public Shoes Shoes { get; set; }

    [Range(-10, 10, ErrorMessage = "From −10 to 10 m/s; a tailwind is positive.")]
    public double? Wind { get; set; }

    [Range(0, 2, ErrorMessage = "From 0 to 2 s.")]
    public double? Reaction { get; set; }

    public static RunSettingInput From(Run run) => new() { Shoes = run.Shoes, Wind = run.Wind, Reaction = run.Reaction };
}

public sealed class CorrectModel(TracksideBook book, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    public Run Run { get; private set; } = null!;

    public IReadOnlyList<Distance> Marks { get; private set; } = [];

    public IReadOnlyList<string> Texts { get; private set; } = [];

    public IReadOnlyList<MarkDoubt> Doubts { get; private set; } = [];

    public IReadOnlyList<RunCorrection> History { get; private set; } = [];

    public int SessionId { get; private set; }

    /// <summary>Who else was here and may have run it.</summary>
    public IReadOnlyList<Athlete> Others { get; private set; } = [];

    /// <summary>The latest runs of the same line by others.</summary>
    public IReadOnlyList<(long Id, string Text)> Latest { get; private set; } = [];

    /// <summary>What it was run in, as typed or as it stands.</summary>
    public RunSettingInput Setting { get; private set; } = new();

    public string Opened { get; private set; } = "";

    public bool SettingSaved { get; private set; }

    public TrainingSession Session { get; private set; } = null!;

    /// <summary>The time from the start, with what may be taken out of it.</summary>
    public AdjustedTime? Adjusted { get; private set; }

    private Distance zoneFrom;

    private MarkContext Context { get; set; } = new();

    /// <summary>Corrections are closed to those who may not make them, as on trackside.</summary>
    public override async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        var id = int.TryParse(RouteData.Values["id"] as string, CultureInfo.InvariantCulture, out var known) ? known : 0;
        var isCoach = User.IsInRole(Roles.Owner) || User.IsInRole(Roles.Coach);
        if (HttpMethods.IsPost(Request.Method) && !LiveRules.May(LiveVerb.Correct, isCoach, await book.EndedAtAsync(id), desk.UtcNow))
        {
            context.Result = Forbid();
            return;
        }

        await next();
    }

    public async Task<IActionResult> OnGetAsync(int id, long run, bool setting = false)
    {
        SettingSaved = setting;
        return await FindAsync(id, run) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostAsync(int id, long run, string[] mark, bool overrule = false)
    {
        if (!await FindAsync(id, run))
        {
            return NotFound();
        }

        Texts = [.. Marks.Select((_, i) => i < mark.Length ? mark[i] ?? "" : "")];
        var zone = Run.Trigger == StartTrigger.ZoneLine;
        var reading = MarkEntry.Read(Texts, zone ? [zoneFrom, .. Marks] : Marks, Context with { Mode = zone ? EntryMode.ZoneOnly : EntryMode.Cumulative });
        if (reading.IsRefused || (!reading.IsClean && !overrule))
        {
            Doubts = reading.Doubts;
            return Page();
        }

        await DoAsync(id, new CorrectRun(run, reading.Marks));
        return Redirect($"/Sessions/{id}/Trackside");
    }

    public async Task<IActionResult> OnPostSettingAsync(int id, long run, [Bind(Prefix = nameof(Setting))] RunSettingInput setting, string? opened)
    {
        if (!await FindAsync(id, run))
        {
            return NotFound();
        }

        var now = RunSettingInput.From(Run);
        if (!ModelState.IsValid || !StaleForm.Merge(setting, opened, now, ModelState, nameof(Setting)))
        {
            Setting = setting;
            return Page();
        }

        var session = Session;
        var isOwn = setting.Shoes != session.Shoes || setting.Wind != session.Wind;
        await book.SetSettingAsync(id, run, isOwn ? new(setting.Shoes, setting.Wind) : null, Run.Trigger == StartTrigger.Gun ? setting.Reaction : Run.Reaction);
        return Redirect($"/Sessions/{id}/Runs/{run}?setting=true#setting");
    }

    public async Task<IActionResult> OnPostAsSessionAsync(int id, long run)
    {
        if (!await FindAsync(id, run))
        {
            return NotFound();
        }

        await book.SetSettingAsync(id, run, null, Run.Reaction);
        return Redirect($"/Sessions/{id}/Runs/{run}?setting=true#setting");
    }

    public async Task<IActionResult> OnPostMoveAsync(int id, long run, int athlete) =>
        await DoAsync(id, new MoveRun(run, athlete)) ? Redirect($"/Sessions/{id}/Runs/{run}") : NotFound();

    public async Task<IActionResult> OnPostSwapAsync(int id, long run, long other) =>
        await DoAsync(id, new SwapRuns(run, other)) ? Redirect($"/Sessions/{id}/Runs/{run}") : NotFound();

    private async Task<bool> DoAsync(int id, LiveCommand command) => await book.DoAsync(id, command, new(desk.Who, User.IsInRole(Roles.Owner) || User.IsInRole(Roles.Coach))) is { Step.Answer: LiveAnswer.Stored };

    private async Task<bool> FindAsync(int id, long runId)
    {
        if (await book.LoadAsync(id) is not { } live || live.Runs.FirstOrDefault(r => r.Id == runId) is not { } run)
        {
            return false;
        }

        Run = run;
        (SessionId, Session) = (id, live.Session);
        Setting = RunSettingInput.From(run);
        Opened = StaleForm.Opened(Setting);
        if (run.Marks.Count > 0)
        {
            var logged = run.ToLogged();
            var headline = Stretches.Headline(logged);
            Adjusted = AdjustedTime.Of(logged, headline.FromMillimetres, headline.ToMillimetres, headline.Seconds);
        }

        Others = [.. live.Attendance.Where(a => a.Present && a.AthleteId != run.AthleteId).Select(a => a.Athlete!)];
        var names = live.Attendance.ToDictionary(a => a.AthleteId, a => a.Athlete!.Name);
        Latest = [.. live.Runs.Where(r => r.AthleteId != run.AthleteId && r.LineId == run.LineId && names.ContainsKey(r.AthleteId)).OrderByDescending(r => r.FinishedAt).Take(10).Select(r => (r.Id, $"{names[r.AthleteId]}, rep {r.Rep}{(r.Marks.Count > 0 ? ", " + r.MarksText() : "")}"))];
        run.Athlete = live.Attendance.First(a => a.AthleteId == run.AthleteId).Athlete;
        var demand = live.Plan.Line(run.LineId) is { } line ? LineDemand.Of(line, catalogue) : null;
        var planned = demand is null ? [] : LineMarks.Expected(demand);
        Context = demand is null ? new(FromRest: false, IsHard: false) : MarkContext.Of(demand, run.StartBehindGateMetres, null);
        var known = run.Marks.Select(m => new Distance(m.Amount, m.Unit));
        Marks = [.. planned.Concat(known).DistinctBy(d => d.Millimetres).OrderBy(d => d.Millimetres)];
        if (run.Trigger == StartTrigger.ZoneLine && run.Marks.MinBy(m => m.Millimetres) is { } first)
        {
            // The clock was started at the first mark: there is nothing to correct there.
            zoneFrom = new(first.Amount, first.Unit);
            Marks = [.. Marks.Where(m => m.Millimetres > first.Millimetres)];
        }

        Texts = [.. Marks.Select(m => run.Marks.FirstOrDefault(k => k.Millimetres == m.Millimetres) is { } mark ? mark.Seconds.ToString("0.00##", CultureInfo.InvariantCulture) : "")];
        History = await book.CorrectionsAsync(runId);
        return true;
    }
}
