using System.Globalization;
using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class TracksideModel(TracksideBook book, LiveMaker maker, SquadBook squads, Desk desk) : PageModel
{
    /// <summary>Header that tells a device what became of what it sent: stored, asked or refused.</summary>
    public const string StateHeader = "Entry-State";

    public LiveView View { get; private set; } = null!;

    private int? person;
    private string? personError;
    private string? behindTyped;

    public bool IsCoach => User.IsInRole(Roles.Owner) || User.IsInRole(Roles.Coach);

    /// <summary>Every command is looked up in Core's rules before it is carried out; one that has no verb there is nobody's.</summary>
    public override async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (HttpMethods.IsPost(Request.Method) && !await MayAsync(context))
        {
            context.Result = Forbid();
            return;
        }

        await next();
    }

    private async Task<bool> MayAsync(PageHandlerExecutingContext context) =>
        Enum.TryParse<LiveVerb>(context.HandlerMethod?.Name, ignoreCase: true, out var verb)
        && int.TryParse(RouteData.Values["id"] as string, CultureInfo.InvariantCulture, out var id)
        && LiveRules.May(verb, IsCoach, await book.EndedAtAsync(id), Sent(verb)?.At ?? desk.UtcNow);

    /// <summary>The command as its form tells it; a rep is given a number here where the form has none.</summary>
    private LiveCommand? Sent(LiveVerb verb)
    {
        var fields = Request.Query.Concat(Request.HasFormContentType ? Request.Form : []).SelectMany(f => f.Value.Select(v => new KeyValuePair<string, string>(f.Key, v ?? "")));
        return LiveForms.Read(verb, fields) is { } command ? command is RepCommand && command.Client == Guid.Empty ? command with { Client = Guid.NewGuid() } : command : null;
    }

    public async Task<IActionResult> OnGetAsync(int id, bool who = false, int? line = null, int? round = null, int? person = null)
    {
        return await ShowAsync(id, new(LineId: line, Round: round, Person: person, ForWho: who));
    }

    /// <summary>The session for Core on the device, with what is known of everybody in it.</summary>
    public async Task<IActionResult> OnGetDeviceAsync(int id) => await maker.DocumentAsync(id, IsCoach) is { } document ? Content(document.Write(), "application/json") : NotFound();

    public async Task<IActionResult> OnPostStartAsync(int id, int[] here)
    {
        if (await book.LoadAsync(id) is not { } live)
        {
            return NotFound();
        }

        var athletes = await squads.AthletesAsync(live.Session.SquadId);
        return await DoAsync(id, new StartSession([.. athletes.Select(a => (a.Id, a.Name, here.Contains(a.Id)))])) is { Step.Answer: LiveAnswer.Stored } ? Redirect($"/Sessions/{id}/Trackside") : NotFound();
    }

    public Task<IActionResult> OnPostSaveAsync(int id) => RepAsync(id, LiveVerb.Save);

    public Task<IActionResult> OnPostOutcomeAsync(int id) => RepAsync(id, LiveVerb.Outcome);

    // A rep is stored, or comes back with what is asked of it and all that was typed.
    private async Task<IActionResult> RepAsync(int id, LiveVerb verb)
    {
        if (Sent(verb) is not RepCommand rep || await DoAsync(id, rep) is not { Step: { Answer: not LiveAnswer.Missing } step } done)
        {
            return NotFound();
        }

        if (Short(done) is { } news)
        {
            return news;
        }

        Response.Headers[StateHeader] = step.Answer switch { LiveAnswer.Refused => "refused", LiveAnswer.Asked => "asked", _ => "stored" };
        return step.Answer is LiveAnswer.Refused or LiveAnswer.Asked
            ? await ShowAsync(id, new(new(rep.Athlete, rep.Rep, step.Texts, (rep as SaveRep)?.Measures ?? [], rep.Seen, rep.Side, step.Doubts, (rep as SaveRep)?.Part ?? default), rep.Client, LineId: rep.Line, Round: step.State.Plan.RoundOf(rep.Line, rep.Rep ?? 1)))
            : await ShowAsync(id, new(RunId: done.Run, Toast: step.Said));
    }

    public Task<IActionResult> OnPostSeenAsync(int id) => ThenAsync(id, LiveVerb.Seen);

    public Task<IActionResult> OnPostPickAsync(int id) => ThenAsync(id, LiveVerb.Pick);

    public Task<IActionResult> OnPostHoldAsync(int id) => ThenAsync(id, LiveVerb.Hold);

    public Task<IActionResult> OnPostNotThisAsync(int id) => ThenAsync(id, LiveVerb.NotThis, evenIfMissing: true);

    public Task<IActionResult> OnPostCallAsync(int id) => ThenAsync(id, LiveVerb.Call, evenIfMissing: true);

    public Task<IActionResult> OnPostLineAsync(int id) => ThenAsync(id, LiveVerb.Line, evenIfMissing: true);

    public Task<IActionResult> OnPostDoneAsync(int id) => ThenAsync(id, LiveVerb.Done, evenIfMissing: true);

    public Task<IActionResult> OnPostReturnAsync(int id) => ThenAsync(id, LiveVerb.Return, evenIfMissing: true);

    public Task<IActionResult> OnPostArriveAsync(int id) => ThenAsync(id, LiveVerb.Arrive, evenIfMissing: true);

    public Task<IActionResult> OnPostLaterAsync(int id) => ThenAsync(id, LiveVerb.Later, evenIfMissing: true);

    public Task<IActionResult> OnPostOtherAsync(int id) => ThenAsync(id, LiveVerb.Other, evenIfMissing: true);

    public async Task<IActionResult> OnPostAllowAsync(int id)
    {
        if (Sent(LiveVerb.Allow) is not AllowFull allow || await DoAsync(id, allow) is not { Step: var step })
        {
            return NotFound();
        }

        (person, personError) = step.Answer == LiveAnswer.Refused ? (allow.Athlete, step.Said) : (person, personError);
        return await ShowAsync(id, new());
    }

    public async Task<IActionResult> OnPostTimingAsync(int id)
    {
        if (Sent(LiveVerb.Timing) is not { } timing || await DoAsync(id, timing) is not { Step: var step })
        {
            return NotFound();
        }

        // What could not be read as a distance is shown again.
        behindTyped = step.Said;
        return await ShowAsync(id, new());
    }

    public async Task<IActionResult> OnPostRepsAsync(int id) =>
        Sent(LiveVerb.Reps) is not ChangeReps reps || await DoAsync(id, reps) is not { Step: var step } ? NotFound()
        : await ShowAsync(id, new(Toast: step.Said is { } said && step.State.Plan.Line(reps.Line) is { } changed ? $"{LiveView.ItemName(changed)}: {said}" : null));

    public async Task<IActionResult> OnPostOfferAsync(int id, string? label) =>
        await maker.MakeAsync(id) is { } view && view.Offers.FirstOrDefault(o => o.Label == label) is { } offer
            ? await DoAsync(id, new TakeOffer(offer.Plan, offer.Lanes, $"{offer.Label}: ends at {Figures.Clock(offer.EndSeconds)}. The plan itself is unchanged.")) is { } done ? await ShowAsync(id, new(Toast: done.Step.Said)) : NotFound()
            : await ShowAsync(id, new(Toast: "That offer no longer holds; the figures have moved on."));

    public async Task<IActionResult> OnPostUndoAsync(int id) => Sent(LiveVerb.Undo) is not UndoRun undo ? NotFound() : await DoAsync(id, undo) switch
    {
        { Step.Answer: LiveAnswer.Forbidden } => Forbid(),
        null or { Step.Answer: LiveAnswer.Missing } => NotFound(),
        { Step: var step } done => Short(done, undo) ?? await ShowAsync(id, new(Toast: step.Said, Undone: undo.Back ? null : undo.Run, UndoneReading: (int?)step.Reading, RunId: undo.Back || step.Reading is not null ? undo.Run : null)),
    };

    public async Task<IActionResult> OnPostEndAsync(int id) => await DoAsync(id, new EndSession()) is null ? NotFound() : Redirect($"/Sessions/{id}/Review");

    public async Task<IActionResult> OnPostReopenAsync(int id) => await DoAsync(id, new ReopenSession()) is null ? NotFound() : Redirect($"/Sessions/{id}/Trackside");

    private Task<LiveDone?> DoAsync(int id, LiveCommand command) => book.DoAsync(id, command, new(desk.Who, IsCoach));

    private async Task<IActionResult> ThenAsync(int id, LiveVerb verb, bool evenIfMissing = false) =>
        Sent(verb) is { } command && await DoAsync(id, command) is { } done && (evenIfMissing || done.Step.Answer != LiveAnswer.Missing) ? Short(done) ?? await ShowAsync(id, new(RunId: done.Run, Toast: done.Step.Said)) : NotFound();

    // A device with Core of its own draws what changed; it is answered with that alone, as the others are told it.
    private ContentResult? Short(LiveDone done, UndoRun? undo = null)
    {
        if (Request.Headers["Part"] != "change" || done.News?.News is not { } news)
        {
            return null;
        }

        Response.Headers[StateHeader] = "stored";
        var back = undo is { Back: false } ? JsonSerializer.Serialize(new { run = undo.Run, reading = (int?)done.Step.Reading }) : "null";
        return Content($$"""{"news":{{news}},"said":{{JsonSerializer.Serialize(done.Step.Said)}},"back":{{back}}}""", "application/json");
    }

    private async Task<IActionResult> ShowAsync(int id, LiveAsk ask)
    {
        if (await maker.MakeAsync(id, ask with { Person = person ?? ask.Person, PersonError = personError, BehindTyped = behindTyped, IsCoach = IsCoach }) is not { } view)
        {
            return NotFound();
        }

        var part = Request.Headers.ContainsKey("Part");
        if (view.Session.State == SessionState.Ended && !part)
        {
            return IsCoach ? Redirect($"/Sessions/{id}/Review") : Redirect("/");
        }

        View = view;
        ModelState.Clear();
        return part ? Partial("_Live", view) : Page();
    }
}
