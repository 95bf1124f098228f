using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>A line as a row of the builder.</summary>
public sealed record BuilderRow(PlanLine Line, string Name, string Said, string Print, string Metres, string Time, string Reaches, bool Known);

/// <summary>A block as the builder shows it.</summary>
public sealed record BuilderBlock(PlanBlock Block, int Number, IReadOnlyList<BuilderRow> Rows, string Time);

/// <summary>A typed text with its problem, kept in its field.</summary>
public sealed record TypedLine(string Text, ShorthandProblem? Problem);

/// <summary>How a typed line reads, in words.</summary>
public sealed record LineReading(PlanLine? Line, string Text, ShorthandProblem? Problem, IReadOnlyList<string> Words, string Adds, bool OwnName, IReadOnlyList<Completion> Offers);

/// <summary>What a plan adds up to: sprint metres by kind, kit, and the squad's last four weeks beside it.</summary>
public sealed record AddsUp(IReadOnlyList<(WorkKind Kind, double Metres)> ByKind, IReadOnlyList<string> Kit, double? UsualSprintMetres, int SessionsBefore);

/// <summary>How near an athlete comes to own top speed on a line, and the metres of a rep above 90%.</summary>
public sealed record ReachRow(string Name, double Share, double MetresAbove90, bool Estimated);

/// <summary>What is chosen and what was typed but not kept: the part of the builder that is not stored.</summary>
public sealed record BuilderState(
    int? Line = null,
    int? Block = null,
    TypedLine? Typed = null,
    TypedLine? Edited = null,
    string? Toast = null,
    LineFields? Fields = null,
    IReadOnlyDictionary<string, string>? FieldErrors = null,
    bool KeepFields = false,
    string? Panel = null,
    string? Pasted = null,
    IReadOnlyList<TextProblem>? PasteProblems = null,
    string? BlockError = null);

/// <summary>Everything the builder draws.</summary>
public sealed record BuilderView(
    PlannedSession Planned,
    Club Club,
    IReadOnlyList<Athlete> Athletes,
    SessionTimeline Timeline,
    SessionStrip Strip,
    IReadOnlyList<BuilderBlock> Blocks,
    LineVolume Total,
    double HardSeconds,
    IReadOnlyList<Finding> Findings,
    int? SelectedLine,
    CoachingSchool School,
    PlanLine? ShownLine,
    RestPicture? Rest,
    AddsUp Adds,
    IReadOnlyList<ReachRow> Reaches,
    ClockItem? ShownItem,
    LaneDrawing? Lane,
    BuilderState State)
{
    public TypedLine Typed => State.Typed ?? new("", null);

    public TypedLine? Edited => State.Edited;

    public string? Toast => State.Toast;

    public PlanBlock? SelectedBlock => State.Block is { } id ? Planned.Plan.Blocks.FirstOrDefault(b => b.Id == id) : null;

    public TrainingSession Session => Planned.Session;

    public double WindowSeconds => Session.WindowMinutes * 60;

    public bool IsOver => Timeline.TotalSeconds > WindowSeconds + 0.5;

    public int Expected => Athletes.Count(a => a.Availability != Availability.Out);
}

/// <summary>Puts the builder's picture together from queries and the core.</summary>
public sealed class BuilderMaker(SquadBook squads, Desk desk, ExerciseCatalogue catalogue, SchoolBook schools, SessionBook sessions)
{
    private const double StripWidth = 1232;
    private const double StripHeight = 156;

    public async Task<ShorthandContext> ContextAsync() => new((await desk.ClubAsync()).DistanceUnit, catalogue);

    /// <summary>A plan with exercises of the catalogue added, in their usual dose, before the first full sprint; those it has already are left out.</summary>
    public async Task<SessionPlan> WithDrillsAsync(SessionPlan plan, IEnumerable<string> names)
    {
        var context = await ContextAsync();
        var lines = names.Select(catalogue.Find).OfType<Exercise>().Where(e => plan.Lines.All(l => !e.Name.Equals(l.Exercise, StringComparison.OrdinalIgnoreCase))).DistinctBy(e => e.Name)
            .Select(e => PlanText.ReadOne(e.Name, context).Block?.Lines[0]).OfType<PlanLine>().ToList();
        if (lines.Count == 0)
        {
            return plan;
        }

        var first = plan.Blocks.ToList().FindIndex(b => b.Lines.Any(l => l.Kind.IsSprint()));
        var added = plan.Add(new PlanBlock(0, "Drills for what was seen", lines));
        return first < 0 ? added : added.MoveBlock(added.Blocks[^1].Id, first);
    }

    public string? FamilyOf(PlanLine line) => catalogue.Find(line.Exercise)?.Family;

    public async Task<(ClockSetting Setting, SprintCurve Pace, List<Athlete> Athletes)> SettingAsync(TrainingSession session)
    {
        var athletes = await squads.AthletesAsync(session.SquadId);
        var expected = athletes.Where(a => a.Availability != Availability.Out).ToList();
        var pace = await squads.PaceAsync(expected.Select(a => a.Id));
        var plan = PlanJson.Read(session.RanPlanJson ?? session.PlanJson);
        int For(PlanLine line) => line.For.Count == 0 ? expected.Count : Math.Max(1, expected.Count(a => IsFor(plan, line, a)));
        return (new(Math.Max(1, expected.Count), session.Lanes, pace, catalogue, AthletesFor: For, School: await schools.OfAsync(session)), pace, athletes);
    }

    /// <summary>True when a line is for an athlete: by group, by name, for everyone, or for the others of the line before it.</summary>
    public static bool IsFor(SessionPlan plan, PlanLine line, Athlete athlete) => line.For.Count == 0 || line.For.Any(f =>
        (f == "others" && plan.Lines.TakeWhile(l => l.Id != line.Id).LastOrDefault() is { } before && before.For.Count > 0 && !IsFor(plan, before, athlete))
        || (f == "high minutes" && athlete.Group == PlayingGroup.HighMinutes)
        || (f == "low minutes" && athlete.Group == PlayingGroup.LowMinutes)
        || athlete.Name.Equals(f, StringComparison.OrdinalIgnoreCase)
        || athlete.Name.StartsWith(f + " ", StringComparison.OrdinalIgnoreCase));

    public async Task<BuilderView> MakeAsync(PlannedSession planned, BuilderState? state = null)
    {
        state ??= new();
        var session = planned.Session;
        var plan = planned.Plan;
        var club = await desk.ClubAsync();
        var (setting, pace, athletes) = await SettingAsync(session);
        var timeline = SessionClock.Lay(plan, setting);
        var checkedAthletes = new List<CheckedAthlete>();
        foreach (var athlete in athletes.Where(a => a.Availability != Availability.Out))
        {
            var own = await squads.CurveAsync(athlete.Id);
            checkedAthletes.Add(new(athlete.Name, own?.Fit.Curve ?? pace, own is null, desk.Today.Year - athlete.BirthYear));
        }

        var curves = checkedAthletes.Select(a => a.Curve).ToList();

        int? selected = state.Line is { } id && plan.Line(id) is not null ? id : null;
        var blocks = plan.Blocks.Select((b, i) => new BuilderBlock(
            b, i + 1, [.. b.Lines.Select(l => Row(l, b, timeline, pace, curves))],
            Figures.Clock(timeline.Items.Where(t => t.BlockId == b.Id).Sum(t => t.Seconds) + ((b.Rounds - 1) * (b.RoundRestSeconds ?? 0))))).ToList();
        var selectedBlock = selected is { } s ? plan.BlockOf(s)?.Id : state.Block;
        var shown = selected is { } chosen ? plan.Line(chosen) : plan.Lines.Where(l => l.Shape is RunShape && l.Kind.IsSprint()).MaxBy(l => (l.Kind == WorkKind.MaxVelocity, l.HardestEffort));
        var restrictions = athletes.Where(a => a.Availability != Availability.Full).Select(a => new Restriction(a.Name, a.Availability == Availability.Out, a.AvailabilityReason)).ToList();
        return new(
            planned, club, athletes, timeline,
            SessionStrip.Draw(plan, timeline, session.WindowMinutes * 60, StripWidth, StripHeight, selectedBlock),
            blocks,
            Volume.Of(plan, pace, catalogue),
            timeline.Items.Where(i => i.Line.Kind.Queues() && i.Line.HardestEffort >= 90).Sum(i => i.Seconds),
            plan.Blocks.Count == 0 ? [] : PlanChecks.Judge(new(plan, timeline, session.WindowMinutes * 60, session.StraightMetres, session.RunOutMetres, restrictions, catalogue)
            {
                School = setting.School ?? CoachingSchool.Usual,
                Setting = setting,
                Athletes = checkedAthletes,
                Cue = session.Cue,
                EarlierCues = await EarlierCuesAsync(session),
            }),
            selected,
            setting.School ?? CoachingSchool.Usual,
            shown,
            shown is null ? null : WhatIf(shown, pace, setting),
            await AddsUpAsync(planned, pace),
            shown?.Shape is RunShape { } toReach ? [.. checkedAthletes.Select(a => (a, Share: Volume.Reaches(shown, a.Curve))).Where(x => x.Share is not null)
                .Select(x => new ReachRow(x.a.Name, x.Share!.Value, Volume.Of(shown, 1, x.a.Curve, catalogue).TopSpeedMetres / Math.Max(1, shown.TotalReps), x.a.Estimated)).OrderByDescending(r => r.Share)] : [],
            shown is null ? null : timeline.Items.FirstOrDefault(i => i.Line.Id == shown.Id),
            shown is null ? null : LaneDrawing.Draw(shown, 452, session.StraightMetres, club.DistanceUnit, runOutMetres: session.RunOutMetres),
            selected is { } edit && state.Fields is null ? state with { Fields = LineFields.From(plan.Line(edit)!, catalogue) } : state);
    }

    private async Task<IReadOnlyList<string>> EarlierCuesAsync(TrainingSession session) => await sessions.CuesBeforeAsync(session);

    private RestPicture? WhatIf(PlanLine line, SprintCurve pace, ClockSetting setting)
    {
        if (line.Shape is not RunShape run || !PlanChecks.IsFullSprint(line) || line.TotalReps < 2)
        {
            return null;
        }

        var school = setting.School ?? CoachingSchool.Usual;
        var between = RestRules.Between(line, school);
        return RestPicture.Draw(line.TotalReps, pace.TimeTo(run.SprintMetres), between, RestRules.ByRule(line, school), 452, 96);
    }

    private async Task<AddsUp> AddsUpAsync(PlannedSession planned, SprintCurve pace)
    {
        var byKind = planned.Plan.Blocks.SelectMany(b => b.Lines.Select(l => (l.Kind, Volume.Of(l, b.Rounds, pace, catalogue).SprintMetres))).Where(x => x.SprintMetres > 0)
            .GroupBy(x => x.Kind).Select(g => (g.Key, g.Sum(x => x.SprintMetres))).OrderBy(x => x.Key).ToList();
        var loads = planned.Plan.Lines.Select(l => l.Load?.Kind).Where(k => k is LoadKind.Sled or LoadKind.Chain or LoadKind.Parachute or LoadKind.Band or LoadKind.Vest or LoadKind.Tow).Select(k => k!.Value.ToString().ToLowerInvariant());
        var gates = planned.Plan.Lines.Where(l => l.Kind.IsSprint()).Select(l => l.ExpectedMarks.Count).DefaultIfEmpty(0).Max();
        var kit = planned.Plan.Lines.SelectMany(l => catalogue.Find(l.Exercise)?.Kit ?? []).Concat(loads).Concat(gates > 0 ? [$"{gates} {(gates == 1 ? "gate" : "gates")} or a watch", "tape and cones"] : []).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        var before = await sessions.BeforeAsync(planned.Session, 28);
        var metres = before.Select(json => Volume.Of(PlanJson.Read(json), pace, catalogue).SprintMetres).ToList();
        return new(byKind, kit, metres.Count > 0 ? metres.Average() : null, metres.Count);
    }

    /// <summary>How a typed line reads, with what it would add to the session.</summary>
    public async Task<LineReading> ReadAsync(string text, TrainingSession session)
    {
        var context = await ContextAsync();
        var offers = ShorthandCompletion.Offer(text, catalogue);
        var (block, problem) = PlanText.ReadOne(text, context);
        if (block is null)
        {
            return new(null, text, problem, [], "", false, offers);
        }

        var line = block.Lines[0];

        var (setting, pace, _) = await SettingAsync(session);
        var alone = SessionPlan.Empty.Add(block);
        var seconds = SessionClock.Lay(alone, setting).TotalSeconds;
        var volume = Volume.Of(alone, pace, catalogue);
        var adds = (volume.Metres > 0 ? $"{Figures.Number(volume.Metres)} m, " : "") + Figures.Clock(seconds);
        IReadOnlyList<string> words = block.Lines.Count == 1 ? Words(line) : [$"{block.Rounds} rounds of {block.Lines.Count} lines", .. block.Lines.Select(l => l.Exercise ?? l.Kind.Name())];
        return new(line, text, null, words, "adds " + adds, line.Exercise is not null && catalogue.Find(line.Exercise) is null, []);
    }

    /// <summary>A line in words, piece by piece.</summary>
    public static IReadOnlyList<string> Words(PlanLine line, CoachingSchool? school = null)
    {
        var words = new List<string>();
        if (line.Sets > 1)
        {
            words.Add($"{line.Sets} sets");
        }

        words.Add(line.Reps == 1 ? "once" : $"{line.Reps} reps");
        words.AddRange(line.Shape switch
        {
            RunShape run => run.Segments.Select(s => s.Role is SegmentRole.Turn or SegmentRole.Cut
                ? $"{s.Role.ToString().ToLowerInvariant()} {Figures.Number(s.AngleDegrees ?? 180)}°{(s.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "")}"
                : (s.Role == SegmentRole.Run ? "" : s.Role.ToString().ToLowerInvariant() + " ") + s.Length),
            TimedShape time => [Figures.Clock(time.Seconds)],
            CountShape count => [count.Passes ? $"{count.Count} passes" : $"{count.Count} each go"],
            _ => [],
        });
        if (line.EachSide)
        {
            words.Add("each side");
        }

        if (line.Effort is { } effort)
        {
            words.Add(effort.Rising ? $"rising to {Figures.Number(effort.Hardest)}%" : string.Join(", ", effort.Percents.Select(p => Figures.Number(p, 1))) + "%");
        }

        if (line.Start is not null)
        {
            words.Add("from " + ShorthandPrinter.StartText(line.Start));
        }

        if (line.Load is not null)
        {
            words.Add(ShorthandPrinter.LoadText(line.Load));
        }

        if (line.Gates.Count > 0)
        {
            words.Add("gates at " + ShorthandPrinter.List(line.Gates));
        }

        if (line.Through is not null)
        {
            words.Add($"run {line.Through} past the line");
        }

        if (line.Rest is not null)
        {
            words.Add("rest " + ShorthandPrinter.RestText(line.Rest));
        }
        else if (line.TotalReps > 1 && RestRules.ByRule(line, school ?? CoachingSchool.Usual) is { Seconds: > 0 } rule)
        {
            words.Add($"rest {Figures.Clock(rule.Seconds)} by rule");
        }

        if (line.For.Count > 0)
        {
            words.Add("for " + string.Join(", ", line.For));
        }

        if (line.Cue is not null)
        {
            words.Add($"cue “{line.Cue}”");
        }

        return words;
    }

    private BuilderRow Row(PlanLine line, PlanBlock block, SessionTimeline timeline, SprintCurve pace, List<SprintCurve> curves)
    {
        var volume = Volume.Of(line, block.Rounds, pace, catalogue);
        var print = ShorthandPrinter.Print(line, catalogue);
        var name = line.Exercise ?? line.Kind.Name();
        var said = line.Exercise is null ? print : print[(print.StartsWith('"') ? line.Exercise.Length + 2 : line.Exercise.Length)..].TrimStart();
        var reaches = curves.Count == 0 ? [] : curves.Select(c => Volume.Reaches(line, c)).OfType<double>().ToList();
        return new(
            line, Capital(name), said.Replace(" x ", " × ", StringComparison.Ordinal), print,
            volume.Metres > 0 ? Figures.Number(volume.Metres) : "–",
            Figures.Clock(timeline.SecondsOf(line.Id)),
            reaches.Count == 0 ? "–" : Range(reaches.Min() * 100, reaches.Max() * 100),
            catalogue.Find(line.Exercise) is not null);
    }

    private static string Range(double low, double high) => Math.Round(low) == Math.Round(high) ? $"{low:0}%" : $"{low:0}–{high:0}%";

    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
