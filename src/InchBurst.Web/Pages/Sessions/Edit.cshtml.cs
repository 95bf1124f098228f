using Htmx;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

public sealed class EditModel(SessionBook sessions, BuilderMaker maker, Desk desk, ExerciseCatalogue catalogue, CatalogueBook exercises) : PageModel
{
    public ExerciseCatalogue Catalogue => catalogue;

    public BuilderView View { get; private set; } = null!;

    public bool SettingsOpen { get; private set; }

    /// <summary>What the settings form showed when it was opened.</summary>
    public string Opened { get; private set; } = "";

    [BindProperty]
    public SessionInput Input { get; set; } = new();

    public async Task<IActionResult> OnGetAsync(int id, int? line, int? block, bool settings = false)
    {
        SettingsOpen = settings;
        return await sessions.FindAsync(id) is { } planned ? await WholeAsync(planned, await maker.MakeAsync(planned, new(line, block))) : NotFound();
    }

    public Task<IActionResult> OnGetBuilderAsync(int id, int? line, int? block) => OnPlanAsync(id, p => maker.MakeAsync(p, new(line, block)));

    public async Task<IActionResult> OnGetReadsAsync(int id, string? text) =>
        await sessions.FindAsync(id) is { } planned ? Content(ReadingDevice.Write(await maker.ReadAsync(text ?? "", planned)), "application/json") : NotFound();

    /// <summary>What Core on the device reads lines with.</summary>
    public async Task<IActionResult> OnGetReaderAsync(int id) =>
        await sessions.FindAsync(id) is { } planned ? Content((await maker.ReaderAsync(planned)).Write(), "application/json") : NotFound();

    /// <summary>Adds a typed line. A page that sends lines by itself gives each a number, so that one sent twice is stored once, and is told in few words what is wrong.</summary>
    public async Task<IActionResult> OnPostAddAsync(int id, string? text, string? client)
    {
        if (await sessions.FindAsync(id) is not { } there)
        {
            return NotFound();
        }

        if (client is { Length: > 0 and <= 40 } && await sessions.HasAsync(id, client))
        {
            return Partial("_Builder", await maker.MakeAsync(there));
        }

        var (block, problem) = PlanText.ReadOne(text ?? "", await maker.ContextAsync());
        if (block is not null && there.Plan.Lines.Count() + block.Lines.Count > PlanEdits.MostLines)
        {
            problem = new(0, 0, $"A session holds {PlanEdits.MostLines} lines.");
        }

        if (block is null || problem is not null)
        {
            var typed = new TypedLine(text ?? "", problem);
            if (client is null)
            {
                return await OnPlanAsync(id, planned => maker.MakeAsync(planned, new(Typed: typed)));
            }

            Response.Headers[LineState] = "refused";
            return Partial("_Problem", (typed.Text, problem!));
        }

        // A new name of which its kind was said becomes an exercise of the club's own, together with its line or not at all.
        var own = OwnExercise.IsKindSaid(text!) ? block.Lines.Where(l => l.Exercise is not null && catalogue.Find(l.Exercise) is null).ToList() : [];
        if (own.Count == 0)
        {
            return await OnPlanAsync(id, AddedAsync);
        }

        // What this request knows of exercises is from before: whoever asked draws the session anew.
        Response.Headers[LineState] = "again";
        var added = await exercises.TogetherAsync(async () =>
        {
            foreach (var line in own)
            {
                await exercises.SaveAsync(OwnExercise.From(line), null);
            }

            return await OnPlanAsync(id, AddedAsync);
        });
        return client is null ? Redirect($"/Sessions/{id}") : added;

        async Task<BuilderView> AddedAsync(PlannedSession planned)
        {
            var plan = block.Lines.Count == 1 && block.Rounds == 1 ? planned.Plan.Add(block.Lines[0], maker.FamilyOf(block.Lines[0])) : planned.Plan.Add(block);
            return await maker.MakeAsync(await sessions.ChangeAsync(planned, plan, "added " + text, desk.Who, client));
        }
    }

    /// <summary>Header that says what became of a line: refused, or stored with an exercise that is new.</summary>
    private const string LineState = "Line-State";

    public Task<IActionResult> OnPostReplaceAsync(int id, int line, string? text) => OnPlanAsync(id, async planned =>
    {
        var reading = ShorthandLine.Read(text ?? "", await maker.ContextAsync());
        return reading.Line is { } read
            ? await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Replace(line, read, maker.FamilyOf(read)), "changed to " + text))
            : await maker.MakeAsync(planned, new(line, Edited: new(text ?? "", reading.Problem)));
    });

    public Task<IActionResult> OnPostFieldsAsync(int id, int line) => OnPlanAsync(id, async planned =>
    {
        var context = await maker.ContextAsync();
        var fields = FieldsForm.Read(Request.Form);
        var (text, places) = fields.ToShorthand(context.Catalogue);
        var reading = ShorthandLine.ReadOwn(text, context);
        if (reading.Line is { } read)
        {
            var kept = planned.Plan.Replace(line, read, maker.FamilyOf(read));
            var same = FieldsForm.SameInputs(fields, LineFields.From(read, context.Catalogue));
            return await maker.MakeAsync(await KeepAsync(planned, kept, "changed to " + ShorthandPrinter.Print(read, context.Catalogue)), new(line, KeepFields: same));
        }

        // The problem's place in the text tells which field it came from.
        var problem = reading.Problem!;
        var field = places.LastOrDefault(p => problem.Start >= p.Start && problem.Start <= p.End).Field ?? nameof(LineFields.Segments);
        return await maker.MakeAsync(planned, new(line, Fields: fields, FieldErrors: new Dictionary<string, string> { [field] = problem.Message }));
    });

    public Task<IActionResult> OnPostMoveAsync(int id, int line, int steps) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Move(line, Math.Sign(steps)), "moved a line"), new(line)));

    public Task<IActionResult> OnPostPlaceAsync(int id, int block, int place) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.MoveBlock(block, place), "moved a block")));

    public Task<IActionResult> OnPostCopyAsync(int id, int line) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Copy(line), "copied a line"), new(line)));

    public Task<IActionResult> OnPostRemoveAsync(int id, int line) => OnPlanAsync(id, async planned =>
    {
        var gone = planned.Plan.Line(line);
        return gone is null
            ? await maker.MakeAsync(planned)
            : await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Remove(line), "removed " + ShorthandPrinter.Print(gone)), new(Toast: $"Removed “{ShorthandPrinter.Print(gone)}”."));
    });

    public Task<IActionResult> OnPostSeveralAsync(int id, int[] lines, string what) => OnPlanAsync(id, async planned =>
    {
        var plan = planned.Plan;
        var chosen = lines.Where(l => plan.Line(l) is not null).ToArray();
        if (chosen.Length == 0)
        {
            return await maker.MakeAsync(planned);
        }

        var (changed, said) = what switch
        {
            "up" => (plan.MoveTogether(chosen, -1), "moved up"),
            "down" => (plan.MoveTogether(chosen, 1), "moved down"),
            "copy" => (plan.Copy(chosen), "copied"),
            _ => (plan.Remove(chosen), "removed"),
        };
        var count = chosen.Length == 1 ? "1 line" : $"{chosen.Length} lines";
        return await maker.MakeAsync(await KeepAsync(planned, changed, $"{said} {count}"), new(Toast: $"{count} {said}."));
    });

    public Task<IActionResult> OnPostBlockAsync(int id, int block, string? title, string? rounds, string? rest) => OnPlanAsync(id, async planned =>
    {
        var context = await maker.ContextAsync();
        var header = PlanText.ReadOne($"{rounds} rounds{(string.IsNullOrWhiteSpace(rest) ? "" : " rest " + rest.Trim())}: 10 m", context);
        if (header.Block is not { } read)
        {
            return await maker.MakeAsync(planned, new(Block: block, BlockError: "From 1 to 20 rounds, and a rest such as 3:00."));
        }

        return await maker.MakeAsync(await KeepAsync(planned, planned.Plan.SetBlock(block, PlanText.CleanTitle(title ?? ""), read.Rounds, read.RoundRestSeconds), "changed a block"));
    });

    public Task<IActionResult> OnPostJoinAsync(int id, int block) => OnPlanAsync(id, async planned =>
    {
        var joined = planned.Plan.JoinAbove(block);
        var now = joined.Blocks.FirstOrDefault(b => !planned.Plan.Blocks.Contains(b))?.Id;
        return await maker.MakeAsync(await KeepAsync(planned, joined, "joined two blocks"), new(Block: now));
    });

    public Task<IActionResult> OnPostSplitAsync(int id, int block) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Split(block), "took a block apart")));

    public Task<IActionResult> OnPostWarmUpAsync(int id, int minutes, DayKind day, bool court, bool flow) => OnPlanAsync(id, async planned =>
    {
        var (setting, _, _) = await maker.SettingAsync(planned.Session);
        var length = Math.Clamp(minutes, WarmUpMaker.LeastMinutes, WarmUpMaker.MostMinutes);
        var made = WarmUpMaker.Make(new(length, day, court, flow, setting, Seed: planned.Session.Revision + (id * 31)));
        var before = planned.Plan.Blocks.FirstOrDefault(b => b.Title == made.Title)?.Id;
        return await maker.MakeAsync(
            await KeepAsync(planned, planned.Plan.PutBlock(before, made), "made a warm-up"),
            new(Toast: length == minutes ? "The warm-up is in place; change any line." : $"A warm-up has {WarmUpMaker.LeastMinutes} to {WarmUpMaker.MostMinutes} minutes; this one has {length}.", Panel: "warm-up"));
    });

    public Task<IActionResult> OnPostLoadTestAsync(int id) => OnPlanAsync(id, async planned =>
        await maker.MakeAsync(await KeepAsync(planned, LoadTestLines.Into(planned.Plan), "added a load test"), new(Toast: "The load test is in place; its runs make each athlete's load line.")));

    public Task<IActionResult> OnPostRerollAsync(int id, int line) => OnPlanAsync(id, async planned =>
    {
        var context = await maker.ContextAsync();
        var now = planned.Plan.Line(line);
        var block = planned.Plan.BlockOf(line);
        var other = now is null || block is null ? null : WarmUpMaker.Reroll(now, [.. block.Lines.Select(l => l.Exercise ?? "")], context.Catalogue, planned.Session.Revision);
        return other is null
            ? await maker.MakeAsync(planned, new(line, Toast: "The catalogue has no other exercise like this one."))
            : await maker.MakeAsync(await KeepAsync(planned, planned.Plan.Replace(line, other, maker.FamilyOf(other)), "another exercise"), new(line));
    });

    public Task<IActionResult> OnPostPasteAsync(int id, string? text) => OnPlanAsync(id, async planned =>
    {
        var reading = PlanText.Read((text ?? "").ReplaceLineEndings("\n"), await maker.ContextAsync(), planned.Plan);
        return reading.Problems.Count > 0 || reading.Plan == planned.Plan
            ? await maker.MakeAsync(planned, new(Panel: "paste", Pasted: text, PasteProblems: reading.Problems))
            : await maker.MakeAsync(await KeepAsync(planned, reading.Plan, "pasted lines"), new(Toast: $"{reading.Plan.Lines.Count() - planned.Plan.Lines.Count()} lines added."));
    });

    public Task<IActionResult> OnPostFixAsync(int id, string rule, int? line, int fix) => OnPlanAsync(id, async planned =>
    {
        // The findings are made anew, so that a fix always starts from the plan as it is now.
        var now = await maker.MakeAsync(planned);
        var chosen = now.Findings.FirstOrDefault(f => f.Rule == rule && f.LineId == line)?.Fixes.ElementAtOrDefault(fix);
        if (chosen is null)
        {
            return now;
        }

        if (chosen.Lanes is { } lanes)
        {
            planned.Session.Lanes = lanes;
        }

        return await maker.MakeAsync(await KeepAsync(planned, chosen.Plan, chosen.Label), new(Toast: chosen.Lanes is { } l ? $"Now on {l} lanes. {chosen.Label}." : chosen.Label + "."));
    });

    public Task<IActionResult> OnPostUndoAsync(int id) => OnPlanAsync(id, async planned => await maker.MakeAsync(await sessions.StepAsync(planned, -1)));

    public Task<IActionResult> OnPostRedoAsync(int id) => OnPlanAsync(id, async planned => await maker.MakeAsync(await sessions.StepAsync(planned, 1)));

    public async Task<IActionResult> OnPostKeepAsync(int id, string? name)
    {
        if (await sessions.FindAsync(id) is not { } planned)
        {
            return NotFound();
        }

        var kept = string.IsNullOrWhiteSpace(name) ? planned.Session.Name : name.Trim();
        await sessions.KeepAsync(kept[..Math.Min(80, kept.Length)], planned, desk.Who);
        return await WholeAsync(planned, await maker.MakeAsync(planned, new(Toast: $"“{kept}” is on the shelf; find it under New session.")));
    }

    public async Task<IActionResult> OnPostSettingsAsync(int id, string? opened)
    {
        var unit = (await desk.ClubAsync()).DistanceUnit;
        return await sessions.OnAsync<IActionResult>(id, async planned =>
        {
            var valid = ModelState.IsValid && (await desk.SquadsAsync()).Any(s => s.Id == Input.SquadId);
            var now = SessionInput.From(planned.Session, unit);
            if (!valid || !StaleForm.Merge(Input, opened, now, ModelState, nameof(Input)))
            {
                Opened = valid ? StaleForm.Opened(now) : opened ?? "";
                SettingsOpen = true;
                View = await maker.MakeAsync(planned);
                return Page();
            }

            Input.Into(planned.Session, unit);
            await sessions.SaveSettingsAsync(planned.Session);
            return Redirect($"/Sessions/{id}");
        }) ?? NotFound();
    }

    public async Task<IActionResult> OnPostDeleteAsync(int id)
    {
        return await sessions.OnAsync<IActionResult>(id, async planned =>
        {
            await sessions.DeleteAsync(planned.Session);
            return Redirect($"/Sessions?removed={id}");
        }) ?? NotFound();
    }

    private Task<PlannedSession> KeepAsync(PlannedSession planned, SessionPlan plan, string what) => sessions.ChangeAsync(planned, plan, what, desk.Who);

    private async Task<IActionResult> OnPlanAsync(int id, Func<PlannedSession, Task<BuilderView>> act)
    {
        if (await sessions.OnAsync(id, act) is not { } view)
        {
            return NotFound();
        }

        return Request.IsHtmx() ? Partial("_Builder", view) : await WholeAsync(view.Planned, view);
    }

    private async Task<IActionResult> WholeAsync(PlannedSession planned, BuilderView view)
    {
        View = view;
        Input = SessionInput.From(planned.Session, (await desk.ClubAsync()).DistanceUnit);
        Opened = StaleForm.Opened(Input);
        ModelState.Clear();
        return Page();
    }
}
