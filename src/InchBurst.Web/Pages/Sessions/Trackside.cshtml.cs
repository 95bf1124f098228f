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

public sealed class TracksideModel(TracksideBook book, LiveMaker maker, SquadBook squads, ResultsBook results, RosterBook roster, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    /// <summary>Header that tells a device what became of what it sent: stored, asked or refused.</summary>
    public const string StateHeader = "Entry-State";

    public LiveView View { get; private set; } = null!;

    private string? toast;
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

    public async Task<IActionResult> OnPostStartAsync(int id, int[] here)
    {
        if (await book.LoadAsync(id) is not { } live || live.Plan.Blocks.Count == 0)
        {
            return NotFound();
        }

        var athletes = await squads.AthletesAsync(live.Session.SquadId);
        await book.StepAsync(async () =>
        {
            await book.SetAttendanceAsync(id, [.. athletes.Select(a => (a.Id, here.Contains(a.Id)))]);
            return await book.StartAsync(id);
        });
        return Redirect($"/Sessions/{id}/Trackside");
    }

    public async Task<IActionResult> OnPostSaveAsync(int id, EntryInput input)
    {
        if (await FindAsync(id, input) is not var (live, line, row))
        {
            return NotFound();
        }

        var timing = live.Session.TimingOf(line.Id);
        string[] texts = Spread(input.Mark);
        var demand = LineDemand.Of(line, catalogue);
        var expected = LineMarks.Expected(demand);
        var marks = expected.Count == 0 ? new MarkReading([], []) : MarkEntry.Read(texts, expected, MarkContext.Of(demand, timing.StartBehindGateMetres, (await squads.RowAsync(row.Athlete!, desk.Today)).BestSpeed) with
        {
            Mode = timing.Entry,
            Part = input.Part,
            Ranges = await results.RangesAsync(input.Athlete, demand, timing, input.Side),
        });
        var club = await desk.ClubAsync();
        var measured = new List<Measured>();
        var doubts = marks.Doubts.ToList();
        var markBoxes = expected.Count - (timing.Entry == EntryMode.ZoneOnly && expected.Count > 1 ? 1 : 0);
        var asked = line.AskedMeasures;
        for (var i = 0; i < asked.Count && i < input.Measure.Length; i++)
        {
            if (string.IsNullOrWhiteSpace(input.Measure[i]))
            {
                continue;
            }

            var (value, doubt, message) = Measures.Read(input.Measure[i], asked[i], club.DistanceUnit, club.MassUnit);
            if (doubt is { } kind)
            {
                doubts.Add(new(kind, markBoxes + i, message));
            }

            if (value is { } known)
            {
                measured.Add(known);
            }
        }

        // A line that asks for a time and a heart rate may be given either alone.
        if (measured.Count > 0 && input.Mark.All(string.IsNullOrWhiteSpace))
        {
            (marks, doubts) = (new([], []), [.. doubts.Where(d => d.Index >= markBoxes)]);
        }
        else if (expected.Count == 0 && measured.Count == 0 && doubts.Count == 0)
        {
            doubts.Add(new(DoubtKind.Impossible, 0, "Type a figure first."));
        }

        if (doubts.Any(d => d.Kind == DoubtKind.Impossible) || (doubts.Count > 0 && !input.Overrule))
        {
            return await AskAsync([.. doubts.OrderBy(d => d.Kind)]);
        }

        Task<IActionResult> AskAsync(params IReadOnlyList<MarkDoubt> about)
        {
            Response.Headers[StateHeader] = about.Any(d => d.Kind == DoubtKind.Impossible) ? "refused" : "asked";
            return ShowAsync(id, new(new(input.Athlete, input.Rep, texts, input.Measure, input.Seen, input.Side, about, input.Part), input.Client, LineId: line.Id, Round: RoundOf(live, line, input.Rep)));
        }

        var entry = Entry(input, marks.Marks.Count > 0 ? RunOutcome.Timed : RunOutcome.Measured) with { Marks = marks.Marks, Measures = measured, ZoneOnly = marks.ZoneOnly };
        if (await LogAsync(id, entry, row, input.Overrule) is not { } run)
        {
            return await AskAsync(new MarkDoubt(DoubtKind.Unlikely, 0, "What the gates reported is in the book for somebody else already. Save it here too?"));
        }

        Response.Headers[StateHeader] = "stored";
        return await ShowAsync(id, new(RunId: run.Id, Toast: toast));
    }

    public async Task<IActionResult> OnPostOutcomeAsync(int id, EntryInput input, RunOutcome what)
    {
        if (await FindAsync(id, input) is not var (live, _, row) || what is RunOutcome.Timed or RunOutcome.Measured || !Enum.IsDefined(what))
        {
            return NotFound();
        }

        var run = await LogAsync(id, Entry(input, what), row, evenIfUsed: true);
        Response.Headers[StateHeader] = "stored";
        return await ShowAsync(id, new(RunId: run!.Id, Toast: toast));
    }

    public async Task<IActionResult> OnPostSeenAsync(int id, long run, string? code, bool on = true)
    {
        var noted = !string.IsNullOrWhiteSpace(code) && await book.StepAsync(async () =>
        {
            if (!await book.SeenAsync(id, run, code, on))
            {
                return false;
            }

            if (on && await book.LoadAsync(id) is { } live && live.Runs.FirstOrDefault(r => r.Id == run) is { } seen && live.Attendance.FirstOrDefault(a => a.AthleteId == seen.AthleteId) is { } row)
            {
                await HoldIfSeenAsync(id, row, [code]);
            }

            return true;
        });
        return noted ? await ShowAsync(id, new(RunId: run, Toast: toast)) : NotFound();
    }

    public async Task<IActionResult> OnPostPickAsync(int id, long run, string? what) =>
        await book.PickAsync(id, run, what ?? "", desk.Who) ? await ShowAsync(id, new(RunId: run)) : NotFound();

    public async Task<IActionResult> OnPostNotThisAsync(int id, int gate)
    {
        await book.UseGateAsync(id, gate, 0);
        return await ShowAsync(id, new());
    }

    public Task<IActionResult> OnPostCallAsync(int id, int athlete) => OnSessionAsync(id, live => live.Session.CalledAthleteId = athlete);

    public Task<IActionResult> OnPostLineAsync(int id, int line, int round = 1) => OnSessionAsync(id, live =>
    {
        if (live.Plan.BlockOf(line) is { } block)
        {
            (live.Session.CurrentLineId, live.Session.CurrentRound, live.Session.CalledAthleteId, live.Session.LineStartedAt) = (line, Math.Clamp(round, 1, block.Rounds), null, desk.UtcNow);
        }
    });

    public Task<IActionResult> OnPostDoneAsync(int id, int athlete, string? reason) => OnRowAsync(id, athlete, (live, row) =>
    {
        row.DoneReason = Words(reason) ?? "done for today";
        ClearCall(live, athlete);
    });

    public Task<IActionResult> OnPostReturnAsync(int id, int athlete) => OnRowAsync(id, athlete, (_, row) => row.DoneReason = null);

    public Task<IActionResult> OnPostArriveAsync(int id, int athlete) => OnSessionAsync(id, live =>
    {
        if (live.Attendance.FirstOrDefault(a => a.AthleteId == athlete) is { } row)
        {
            // Who comes late joins at the end.
            (row.Present, row.Order) = (true, live.Attendance.Max(a => a.Order) + 1);
        }
    });

    public Task<IActionResult> OnPostLaterAsync(int id, int athlete) => OnRowAsync(id, athlete, (live, row) =>
    {
        row.Order = live.Attendance.Max(a => a.Order) + 1;
        ClearCall(live, athlete);
    });

    public Task<IActionResult> OnPostOtherAsync(int id, int athlete, int line, string? work) => OnRowAsync(id, athlete, (live, row) =>
    {
        row.OtherWork = Words(work);
        row.OtherWorkLineId = row.OtherWork is null ? null : line;
        ClearCall(live, athlete);
    });

    /// <summary>Pain stops full efforts, today and until the clinician says otherwise.</summary>
    public async Task<IActionResult> OnPostHoldAsync(int id, int athlete, string? reason)
    {
        if (await book.LoadAsync(id) is not { } live || live.Attendance.FirstOrDefault(a => a.AthleteId == athlete) is not { } row)
        {
            return NotFound();
        }

        await HoldAsync(id, row, Words(reason) ?? "tight or sore");
        return await ShowAsync(id, new(Toast: toast));
    }

    /// <summary>Full efforts allowed again, for what was noted when the form was opened and nothing since.</summary>
    public async Task<IActionResult> OnPostAllowAsync(int id, int athlete, string? by, int holds)
    {
        if (Words(by) is not { } said)
        {
            (person, personError) = (athlete, "Say who allowed full efforts: the clinician who treats the athlete.");
            return await ShowAsync(id, new());
        }

        return await OnRowAsync(id, athlete, (_, row) =>
        {
            if (row.Holds == holds)
            {
                row.AllowedBy = said;
            }
            else
            {
                (person, personError) = (athlete, $"Pain was noted meanwhile: {row.HeldReason}. Does {said} know of it? Then say so again.");
            }
        });
    }

    public async Task<IActionResult> OnPostTimingAsync(int id, int line, TimingMethod method, StartTrigger trigger, EntryMode entry, string? behind)
    {
        // An empty field says that nobody has measured it.
        var unsaid = string.IsNullOrWhiteSpace(behind);
        double? metres = double.TryParse((behind ?? "").Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var typed) && typed is >= 0 and <= 5 ? typed : null;
        behindTyped = metres is null && !unsaid ? behind : null;
        return await OnSessionAsync(id, live =>
        {
            if (live.Plan.Line(line) is { } planned)
            {
                var zone = entry == EntryMode.ZoneOnly && LineMarks.Expected(LineDemand.Of(planned, catalogue)).Count < 2 ? EntryMode.Cumulative : entry;
                var before = live.Session.TimingOf(line);
                live.Session.SetTiming(line, new(
                    method, trigger == StartTrigger.ZoneLine ? StartTrigger.FirstGate : trigger, unsaid ? 0 : metres ?? before.StartBehindGateMetres, zone, unsaid ? false : metres is not null || before.StartSaid));
            }
        });
    }

    public Task<IActionResult> OnPostRepsAsync(int id, int line, int by) => OnSessionAsync(id, live =>
    {
        if (live.Plan.Line(line) is { } planned && planned.Reps + Math.Sign(by) is >= 1 and <= 100 and var reps)
        {
            live.Session.RanPlanJson = PlanJson.Write(live.Plan.Replace(line, planned with { Reps = reps }));
            toast = $"{LiveView.ItemName(planned)}: {reps} {(reps == 1 ? "rep" : "reps")} for everyone now. The plan itself is unchanged.";
        }
    });

    public async Task<IActionResult> OnPostOfferAsync(int id, string? label)
    {
        if (await maker.MakeAsync(id) is not { } view || view.Offers.FirstOrDefault(o => o.Label == label) is not { } offer)
        {
            toast = "That offer no longer holds; the figures have moved on.";
            return await ShowAsync(id, new(Toast: toast));
        }

        return await OnSessionAsync(id, live =>
        {
            (live.Session.RanPlanJson, live.Session.Lanes) = (PlanJson.Write(offer.Plan), offer.Lanes);
            toast = $"{offer.Label}: ends at {Figures.Clock(offer.EndSeconds)}. The plan itself is unchanged.";
        });
    }

    public async Task<IActionResult> OnPostUndoAsync(int id, long run, bool back = false, int? reading = null)
    {
        if (back && reading is { } own)
        {
            return await book.PutBackAsync(id, run, own, desk.Who) ? await ShowAsync(id, new(RunId: run)) : NotFound();
        }

        // A rep that others have read too stays in the book with what they read.
        if (!back && await book.TakeBackAsync(id, run, desk.Who) is var (kept, taken))
        {
            var others = kept.Told.Select(r => r.By).Distinct().ToList();
            var stands = others is [var only] && only == desk.Who ? "your other reading stands" : $"what {string.Join(" and ", others)} read stands";
            return await ShowAsync(id, new(Toast: $"Your {Figures.Split(LiveWords.Headline(kept, taken))} for {kept.Athlete?.Name} taken back; {stands}.", Undone: run, UndoneReading: taken.Id, RunId: run));
        }

        var changed = await book.SetDeletedAsync(id, run, !back);
        return changed is null
            ? NotFound()
            : await ShowAsync(id, new(Toast: back ? null : $"Taken back: {changed.Athlete?.Name} {(changed.Marks.Count > 0 ? changed.MarksText() : "")}", Undone: back ? null : run, RunId: back ? run : null));
    }

    public async Task<IActionResult> OnPostEndAsync(int id) => await book.EndAsync(id) is null ? NotFound() : Redirect($"/Sessions/{id}/Review");

    public async Task<IActionResult> OnPostReopenAsync(int id) => await book.StartAsync(id) is null ? NotFound() : Redirect($"/Sessions/{id}/Trackside");

    // A whole run may be typed into one box, and a box may be left empty: both come down to one text a mark.
    private static string[] Spread(string[] marks)
    {
        var filled = marks.Select((text, i) => (Text: (text ?? "").Trim(), Index: i)).Where(t => t.Text.Length > 0).ToList();
        return filled is [{ Index: 0 } only] && only.Text.Any(char.IsWhiteSpace) ? only.Text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries) : [.. marks.Select(m => m ?? "")];
    }

    private static string? Words(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim()[..Math.Min(80, text.Trim().Length)];

    private static int RoundOf(LiveSession live, PlanLine line, int? rep) =>
        Math.Clamp((((rep ?? 1) - 1) / Math.Max(1, line.Turns)) + 1, 1, live.Plan.BlockOf(line.Id)?.Rounds ?? 1);

    private static void ClearCall(LiveSession live, int athlete) =>
        live.Session.CalledAthleteId = live.Session.CalledAthleteId == athlete ? null : live.Session.CalledAthleteId;

    private NewRun Entry(EntryInput input, RunOutcome outcome) => new(input.Client == Guid.Empty ? Guid.NewGuid() : input.Client, input.Athlete, input.Line, outcome, [], desk.Who)
    {
        Rep = input.Rep is > 0 and <= 1000 ? input.Rep : null,
        Side = input.Side,
        Gate = outcome == RunOutcome.Skipped ? null : input.Gate,
        FinishedAt = input.FinishedAt,
        Seen = [.. input.Seen.Select(s => s ?? ""), .. input.Part == PartFilled.Stopped ? new[] { "stopped early" } : []],
    };

    private async Task<(LiveSession Live, PlanLine Line, Attendance Row)?> FindAsync(int id, EntryInput input) =>
        await book.LoadAsync(id) is { } live && live.Plan.Line(input.Line) is { } line && live.Attendance.FirstOrDefault(a => a.AthleteId == input.Athlete) is { } row ? (live, line, row) : null;

    // What is stored of a run, and the pain seen on it, are one.
    private Task<Run?> LogAsync(int id, NewRun entry, Attendance row, bool evenIfUsed) => book.StepAsync(async () =>
    {
        var run = await book.LogAsync(id, entry) ?? (evenIfUsed ? await book.LogAsync(id, entry with { Gate = null }) : null);
        if (run is not null)
        {
            await HoldIfSeenAsync(id, row, entry.Seen);
        }

        return run;
    });

    private async Task HoldIfSeenAsync(int id, Attendance row, IReadOnlyList<string> seen)
    {
        if (row.HeldReason is null && seen.Select(Observations.Find).FirstOrDefault(o => o is { StopsFullEfforts: true }) is { } sign)
        {
            await HoldAsync(id, row, sign.Says.ToLowerInvariant());
        }
    }

    private async Task HoldAsync(int id, Attendance row, string reason)
    {
        await book.StepAsync(async () =>
        {
            var isNew = false;
            await book.ChangeAsync(
                id,
                live =>
                {
                    var own = live.Attendance.First(a => a.AthleteId == row.AthleteId);
                    (own.HeldReason, own.AllowedBy, isNew) = (reason, "", true);
                    own.Holds++;
                    ClearCall(live, row.AthleteId);
                },
                Client);
            if (isNew)
            {
                await roster.NotePainAsync(row.AthleteId, reason, desk.Who, desk.Today);
            }

            return isNew;
        });
        toast = $"{row.Athlete!.Name}: {reason}. No full efforts until the clinician who treats the athlete allows them; easy work stays open.";
    }

    /// <summary>Number the device gave what it sent, so that sending it twice does it once.</summary>
    private Guid? Client => Request.HasFormContentType && Guid.TryParse(Request.Form["client"], out var made) && made != Guid.Empty ? made : null;

    private Task<IActionResult> OnRowAsync(int id, int athlete, Action<LiveSession, Attendance> change) => OnSessionAsync(id, live =>
    {
        if (live.Attendance.FirstOrDefault(a => a.AthleteId == athlete) is { } row)
        {
            change(live, row);
        }
    });

    private async Task<IActionResult> OnSessionAsync(int id, Action<LiveSession> change) =>
        await book.ChangeAsync(id, change, Client) is null ? NotFound() : await ShowAsync(id, new(Toast: toast));

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
