using System.Globalization;
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

/// <summary>What is typed for a rep, as the form sends it.</summary>
public sealed class EntryInput
{
    /// <summary>Made by the device, so that sending twice stores once.</summary>
    public Guid Client { get; set; }

    public int Athlete { get; set; }

    public int Line { get; set; }

    public int? Rep { get; set; }

    public Side? Side { get; set; }

    /// <summary>When the run ended by the device's clock, in ms since 1970.</summary>
    public long? At { get; set; }

    public bool Overrule { get; set; }

    /// <summary>Why figures are missing.</summary>
    public PartFilled Part { get; set; }

    /// <summary>Number of the gates' report it was filled from.</summary>
    public int? Gate { get; set; }

    public string[] Mark { get; set; } = [];

    public string[] Measure { get; set; } = [];

    public string[] Seen { get; set; } = [];

    public DateTime? FinishedAt => At is > 0 and < 253402300799999 ? DateTimeOffset.FromUnixTimeMilliseconds(At.Value).UtcDateTime : null;
}

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
        && LiveRules.May(verb, IsCoach, await book.EndedAtAsync(id), new EntryInput { At = long.TryParse(Request.Form["at"], CultureInfo.InvariantCulture, out var at) ? at : null }.FinishedAt ?? desk.UtcNow);

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

    public async Task<IActionResult> OnPostSaveAsync(int id, EntryInput input)
    {
        if (await DoAsync(id, Rep(new SaveRep(input.Athlete, input.Line) { Marks = input.Mark, Measures = input.Measure, Part = input.Part, Overrule = input.Overrule }, input)) is not { Step: { Answer: not LiveAnswer.Missing } step } done)
        {
            return NotFound();
        }

        Response.Headers[StateHeader] = step.Answer switch { LiveAnswer.Refused => "refused", LiveAnswer.Asked => "asked", _ => "stored" };
        return step.Answer is LiveAnswer.Refused or LiveAnswer.Asked
            ? await ShowAsync(id, new(new(input.Athlete, input.Rep, step.Texts, input.Measure, input.Seen, input.Side, step.Doubts, input.Part), input.Client, LineId: input.Line, Round: step.State.Plan.RoundOf(input.Line, input.Rep ?? 1)))
            : await ShowAsync(id, new(RunId: done.Run, Toast: step.Said));
    }

    public async Task<IActionResult> OnPostOutcomeAsync(int id, EntryInput input, RunOutcome what)
    {
        if (await DoAsync(id, Rep(new RepOutcome(input.Athlete, input.Line, what), input)) is not { Step: { Answer: not LiveAnswer.Missing } step } done)
        {
            return NotFound();
        }

        Response.Headers[StateHeader] = "stored";
        return await ShowAsync(id, new(RunId: done.Run, Toast: step.Said));
    }

    public Task<IActionResult> OnPostSeenAsync(int id, long run, string? code, bool on = true) => ThenAsync(id, new NoteSeen(run, code ?? "", on));

    public Task<IActionResult> OnPostPickAsync(int id, long run, string? what) => ThenAsync(id, new PickReading(run, what ?? ""));

    public Task<IActionResult> OnPostNotThisAsync(int id, int gate) => ThenAsync(id, new DismissGate(gate), evenIfMissing: true);

    public Task<IActionResult> OnPostCallAsync(int id, int athlete) => ThenAsync(id, new CallAthlete(athlete), evenIfMissing: true);

    public Task<IActionResult> OnPostLineAsync(int id, int line, int round = 1) => ThenAsync(id, new GoToLine(line, round), evenIfMissing: true);

    public Task<IActionResult> OnPostDoneAsync(int id, int athlete, string? reason) => ThenAsync(id, new StopForToday(athlete, reason), evenIfMissing: true);

    public Task<IActionResult> OnPostReturnAsync(int id, int athlete) => ThenAsync(id, new GoOn(athlete), evenIfMissing: true);

    public Task<IActionResult> OnPostArriveAsync(int id, int athlete) => ThenAsync(id, new Arrive(athlete), evenIfMissing: true);

    public Task<IActionResult> OnPostLaterAsync(int id, int athlete) => ThenAsync(id, new GoLater(athlete), evenIfMissing: true);

    public Task<IActionResult> OnPostOtherAsync(int id, int athlete, int line, string? work) => ThenAsync(id, new DoOther(athlete, line, work), evenIfMissing: true);

    public Task<IActionResult> OnPostHoldAsync(int id, int athlete, string? reason) => ThenAsync(id, new HoldBack(athlete, reason));

    public async Task<IActionResult> OnPostAllowAsync(int id, int athlete, string? by, int holds)
    {
        var done = await DoAsync(id, new AllowFull(athlete, by, holds));
        (person, personError) = done?.Step.Answer == LiveAnswer.Refused ? (athlete, done.Step.Said) : (person, personError);
        return done is null ? NotFound() : await ShowAsync(id, new());
    }

    public async Task<IActionResult> OnPostTimingAsync(int id, int line, TimingMethod method, StartTrigger trigger, EntryMode entry, string? behind)
    {
        // What could not be read as a distance is shown again.
        var done = await DoAsync(id, new SetTiming(line, method, trigger, entry, behind));
        behindTyped = done?.Step.Said;
        return done is null ? NotFound() : await ShowAsync(id, new());
    }

    public async Task<IActionResult> OnPostRepsAsync(int id, int line, int by) =>
        await DoAsync(id, new ChangeReps(line, by)) is not { } done ? NotFound()
        : await ShowAsync(id, new(Toast: done.Step.Said is { } said && done.Step.State.Plan.Line(line) is { } changed ? $"{LiveView.ItemName(changed)}: {said}" : null));

    public async Task<IActionResult> OnPostOfferAsync(int id, string? label) =>
        await maker.MakeAsync(id) is { } view && view.Offers.FirstOrDefault(o => o.Label == label) is { } offer
            ? await ThenAsync(id, new TakeOffer(offer.Plan, offer.Lanes, $"{offer.Label}: ends at {Figures.Clock(offer.EndSeconds)}. The plan itself is unchanged."))
            : await ShowAsync(id, new(Toast: "That offer no longer holds; the figures have moved on."));

    public async Task<IActionResult> OnPostUndoAsync(int id, long run, bool back = false, int? reading = null) => await DoAsync(id, new UndoRun(run, back, reading)) switch
    {
        { Step.Answer: LiveAnswer.Forbidden } => Forbid(),
        null or { Step.Answer: LiveAnswer.Missing } => NotFound(),
        { Step: var step } => await ShowAsync(id, new(Toast: step.Said, Undone: back ? null : run, UndoneReading: (int?)step.Reading, RunId: back || step.Reading is not null ? run : null)),
    };

    public async Task<IActionResult> OnPostEndAsync(int id) => await DoAsync(id, new EndSession()) is null ? NotFound() : Redirect($"/Sessions/{id}/Review");

    public async Task<IActionResult> OnPostReopenAsync(int id) => await DoAsync(id, new ReopenSession()) is null ? NotFound() : Redirect($"/Sessions/{id}/Trackside");

    private static T Rep<T>(T command, EntryInput input)
        where T : RepCommand => command with { Rep = input.Rep, Side = input.Side, Gate = input.Gate, Seen = [.. input.Seen.Select(s => s ?? "")], Client = input.Client == Guid.Empty ? Guid.NewGuid() : input.Client, At = input.FinishedAt };

    /// <summary>Number the device gave what it sent, so that sending it twice does it once.</summary>
    private Guid Client => Request.HasFormContentType && Guid.TryParse(Request.Form["client"], out var made) ? made : Guid.Empty;

    private Task<LiveDone?> DoAsync(int id, LiveCommand command) => book.DoAsync(id, command.Client == Guid.Empty ? command with { Client = Client } : command, new(desk.Who, IsCoach));

    private async Task<IActionResult> ThenAsync(int id, LiveCommand command, bool evenIfMissing = false) =>
        await DoAsync(id, command) is { } done && (evenIfMissing || done.Step.Answer != LiveAnswer.Missing) ? await ShowAsync(id, new(RunId: done.Run, Toast: done.Step.Said)) : NotFound();

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
