using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>Puts the builder's picture together from queries and the core.</summary>
public sealed partial class BuilderMaker(SquadBook squads, Desk desk, ExerciseCatalogue catalogue, SchoolBook schools, SessionBook sessions, LoadBook loads, WeekBook weeks, LiftBook lifts)
{
    private const double StripWidth = 1232;
    private const double StripHeight = 156;

    public async Task<ShorthandContext> ContextAsync() => new((await desk.ClubAsync()).DistanceUnit, catalogue);

    /// <summary>A plan with exercises added where they belong, but for those everybody has already.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="drills">Exercises as lines of shorthand, with whom they are for where it is not everybody.</param>
    public async Task<SessionPlan> WithDrillsAsync(SessionPlan plan, IEnumerable<string> drills) => SeenDrills.Into(plan, drills, await ContextAsync());

    public string? FamilyOf(PlanLine line) => catalogue.Find(line.Exercise)?.Family;

    public async Task<(ClockSetting Setting, SprintCurve Pace, List<Athlete> Athletes)> SettingAsync(TrainingSession session)
    {
        var held = await HeldAsync(session, PlanJson.Read(session.RanPlanJson ?? session.PlanJson));
        return (held.Setting, held.Setting.Pace, held.Athletes);
    }

    // Who is expected is who has a line to do: a session with lines for one person is one person's.
    private async Task<(ClockSetting Setting, List<Athlete> Athletes, List<Athlete> Expected, ILookup<int, string> Own)> HeldAsync(TrainingSession session, SessionPlan plan)
    {
        var athletes = await weeks.MembersAsync(session);
        var own = await weeks.OwnGroupsAsync(session.SquadId);
        var fit = athletes.Where(a => a.Availability != Availability.Out).ToList();
        var covered = fit.Where(a => plan.Lines.Any(l => IsFor(plan, l, a, own))).ToList();
        var expected = covered.Count > 0 ? covered : fit;
        var pace = await squads.PaceAsync(expected.Select(a => a.Id));
        int For(PlanLine line) => line.For.Count == 0 ? expected.Count : Math.Max(1, expected.Count(a => IsFor(plan, line, a, own)));
        return (new(Math.Max(1, expected.Count), session.Lanes, pace, catalogue, session.StartIntervalSeconds, For, await schools.OfAsync(session))
        {
            ChangeoverSeconds = session.ChangeoverSeconds,
            Kit = SessionKit.Read(session.KitJson),
            Apart = (first, second) => !expected.Any(a => IsFor(plan, first, a, own) && IsFor(plan, second, a, own)),
        }, athletes, expected, own);
    }

    /// <summary>True when a line is for an athlete.</summary>
    /// <param name="own">Groups of the coach's own, by athlete.</param>
    public static bool IsFor(SessionPlan plan, PlanLine line, Athlete athlete, ILookup<int, string> own) => plan.Covers(line, athlete.Name, WeekBook.GroupsOf(athlete, own));

    public async Task<BuilderView> MakeAsync(PlannedSession planned, BuilderState? state = null)
    {
        state ??= new();
        var session = planned.Session;
        var plan = planned.Plan;
        var club = await desk.ClubAsync();
        var (setting, athletes, expected, own) = await HeldAsync(session, plan);
        var pace = setting.Pace;
        IReadOnlyList<SquadMember> squad = [.. athletes.Select(a => new SquadMember(a.Name, WeekBook.GroupsOf(a, own)))];
        var maxima = plan.Lines.Any(LiftBook.IsShare) ? await lifts.StandingAsync([.. expected.Select(a => a.Id)], session.Day, session.Id) : LiftBoard.Empty;
        var steps = await StepsAsync(planned);
        var speeds = plan.Lines.Any(LiftBook.IsPaced) ? await lifts.SpeedsAsync([.. expected.Select(a => a.Id)], session.Day) : new Dictionary<int, StandingSpeed>();
        var timeline = SessionClock.Lay(plan, setting);
        var checkedAthletes = new List<CheckedAthlete>();
        var (kit, _) = await loads.KitAsync();
        var drags = plan.Lines.Any(l => SheetMaker.HasSled(l, catalogue));
        var curves = await squads.CurvesAsync([.. expected.Select(a => a.Id)]);
        foreach (var athlete in expected)
        {
            var fit = curves[athlete.Id].Fit;
            checkedAthletes.Add(new(athlete.Name, fit?.Curve ?? pace, fit is null, desk.Today.Year - athlete.BirthYear, athlete.MassKilograms, athlete.Availability == Availability.Modified)
            {
                Loads = drags ? (await loads.KnownAsync(athlete, session.Surface, kit, session.Day, sled: session.Sled)).Known with { Curve = fit?.Curve ?? pace } : null,
            });
        }

        int? selected = state.Line is { } id && plan.Line(id) is not null ? id : null;
        var blocks = plan.Blocks.Select((b, i) => new BuilderBlock(
            b, i + 1, [.. b.Lines.Select(l => Row(l, b, timeline, setting, [.. checkedAthletes.Where(a => plan.Covers(l, a.Name, squad.First(m => m.Name == a.Name).Groups))], club)
                with { Step = steps.GetValueOrDefault(l.Id), Lifts = LiftsOf(l, [.. expected.Where(a => IsFor(plan, l, a, own)).Select(a => maxima.Find(a.Id, l.Exercise)?.OnTheBar(l.Load, club.MassUnit) ?? LiftMaximum.OfBody(l.Load, a.MassKilograms, club.MassUnit))], club) + PacedOf(l, [.. expected.Where(a => IsFor(plan, l, a, own)).Select(a => speeds.TryGetValue(a.Id, out var s) ? s.Speed : (double?)null)], club) })],
            Figures.Clock(Math.Max(0, timeline.Items.Where(t => t.BlockId == b.Id).Select(t => t.EndSeconds).DefaultIfEmpty(0).Max() - timeline.Items.Where(t => t.BlockId == b.Id).Select(t => t.StartSeconds).DefaultIfEmpty(0).Min())))
        { Together = Together(b, setting) }).ToList();
        var selectedBlock = selected is { } s ? plan.BlockOf(s)?.Id : state.Block;
        var shown = selected is { } chosen ? plan.Line(chosen) : plan.Lines.Where(l => setting.DemandOf(l) is { IsHardSprint: true, Course: not null }).MaxBy(l => (setting.DemandOf(l).IsTopSpeed, setting.DemandOf(l).HardestEffort));
        var restrictions = athletes.Where(a => a.Availability != Availability.Full).Select(a => new Restriction(a.Name, a.Availability == Availability.Out, a.AvailabilityReason)).ToList();
        return new(
            planned, club, athletes, timeline,
            SessionStrip.Draw(plan, timeline, session.WindowMinutes * 60, StripWidth, StripHeight, selectedBlock),
            blocks,
            Sum(plan, setting),
            plan.ForOne(setting).Sum(l => l.Rounds * FullSeconds(setting.DemandOf(l.Line))),
            SessionTimeline.Spanned(timeline.Items.Where(i => setting.DemandOf(i.Line).IsFullSprint)),
            plan.Blocks.Count == 0 ? [] : PlanChecks.Judge(new(plan, timeline, session.WindowMinutes * 60, session.StraightMetres, session.RunOutMetres, restrictions, catalogue)
            {
                School = setting.School ?? CoachingSchool.Usual,
                Setting = setting,
                Athletes = checkedAthletes,
                Squad = squad,
                Cue = session.Cue,
                EarlierCues = await EarlierCuesAsync(session),
            }),
            selected,
            setting.School ?? CoachingSchool.Usual,
            shown,
            shown is null ? null : WhatIf(setting.DemandOf(shown), setting),
            await AddsUpAsync(planned, setting),
            shown is null || setting.DemandOf(shown) is not { IsHardSprint: true, Course: not null } ? [] :
                [.. checkedAthletes.Where(a => plan.Covers(shown, a.Name, squad.First(m => m.Name == a.Name).Groups)).Select(a => (Athlete: a, Demand: LineDemand.Of(shown, catalogue, a.AsDemand())))
                    .Select(x => new ReachRow(x.Athlete.Name, x.Demand.PeakShare, x.Demand.PaceAt(x.Demand.HardestEffort).MetresAbove(Limits.TopSpeedShare), x.Athlete.Estimated)).OrderByDescending(r => r.Share)],
            shown is null ? null : timeline.Items.FirstOrDefault(i => i.Line.Id == shown.Id),
            shown is null ? null : LaneDrawing.Draw(setting.DemandOf(shown), 452, session.StraightMetres, club.DistanceUnit, runOutMetres: session.RunOutMetres),
            shown is null ? null : CourseDrawing.Draw(setting.DemandOf(shown), 452, session.StartBehindGateMetres),
            setting,
            selected is { } edit && state.Fields is null ? state with { Fields = LineFields.From(plan.Line(edit)!, catalogue) } : state)
        {
            Expected = expected.Count,
            Own = own,
            Maxima = maxima,
            Speeds = speeds,
        };
    }

    // What comes next within lines that are written as ranges, from when the squad did them last.
    private async Task<IReadOnlyDictionary<int, (DateOnly Day, StepUp Step)>> StepsAsync(PlannedSession planned)
    {
        var open = planned.Session.State == SessionState.Planned ? planned.Plan.Lines.Where(StepUp.IsOpen).ToList() : [];
        var steps = new Dictionary<int, (DateOnly, StepUp)>();
        if (open.Count == 0)
        {
            return steps;
        }

        var done = await sessions.DoneBeforeAsync(planned.Session);
        foreach (var line in open)
        {
            var last = done.Select(d => (d.Day, Line: d.Plan.Lines.FirstOrDefault(l => StepUp.IsOf(line, l)), d.Reps)).FirstOrDefault(d => d.Line is not null);
            if (last.Line is { } before)
            {
                var reps = last.Reps[before.Id].Order().ToList();
                steps[line.Id] = (last.Day, StepUp.Of(line, before, reps.Count == 0 ? null : reps[reps.Count / 2] / (before.EachSide ? 2 : 1)));
            }
        }

        return steps;
    }

    // Lines beside each other that different people do: which of them go with the line before.
    private static HashSet<int> Together(PlanBlock block, ClockSetting setting) => [.. block.AtOnce(setting.Apart).SelectMany(t => t.Skip(1)).Select(l => l.Id)];

    private async Task<IReadOnlyList<string>> EarlierCuesAsync(TrainingSession session) => await sessions.CuesBeforeAsync(session);

    private static LineVolume Sum(SessionPlan plan, ClockSetting setting) => plan.ForOne(setting).Select(l => l.Volume).Aggregate(default(LineVolume), (a, b) => a + b);

    // What one athlete really spends running full out, rests left out.
    private static double FullSeconds(LineDemand demand) => demand.Course is null || !demand.IsFullSprint
        ? 0
        : Enumerable.Range(0, demand.Line.TotalReps).Where(demand.IsFullRep).Sum(r => demand.PaceOf(r).Seconds) * (demand.Line.EachSide ? 2 : 1);

    private static RestPicture? WhatIf(LineDemand demand, ClockSetting setting)
    {
        if (demand is not { IsFullSprint: true, Course: not null } || demand.Line.TotalReps < 2)
        {
            return null;
        }

        var school = setting.School ?? CoachingSchool.Usual;
        return RestPicture.Draw(demand.Line.TotalReps, demand.PaceAt(demand.HardestEffort).Seconds, RestRules.Between(demand, school), RestRules.ByRule(demand, school), 452, 96);
    }

    private async Task<AddsUp> AddsUpAsync(PlannedSession planned, ClockSetting setting)
    {
        var plan = planned.Plan;
        var byKind = plan.ForOne(setting).Select(l => (l.Line.Kind, l.Volume.SprintMetres)).Where(x => x.SprintMetres > 0)
            .GroupBy(x => x.Kind).Select(g => (g.Key, g.Sum(x => x.SprintMetres))).OrderBy(x => x.Key).ToList();
        var sum = Sum(plan, setting);
        var named = new[] { ("turning", sum.TurnMetres), ("light loads", sum.LightMetres), ("heavy loads", sum.HeavyMetres), ("with help", sum.AssistedMetres), ("bounds and hops", sum.BoundMetres) }.Where(n => n.Item2 > 0).ToList();
        var demands = plan.Lines.Select(setting.DemandOf).ToList();
        var loads = demands.Select(d => d.AppliedLoad?.Kind).Where(k => k is LoadKind.Sled or LoadKind.Chain or LoadKind.Parachute or LoadKind.Band or LoadKind.Partner or LoadKind.Vest or LoadKind.Tow).Select(k => k!.Value.ToString().ToLowerInvariant());
        var gates = demands.Select(d => LineMarks.Expected(d).Count).DefaultIfEmpty(0).Max();
        var kit = demands.SelectMany(d => d.Exercise?.Kit ?? []).Concat(loads).Concat(gates > 0 ? [$"{gates} {(gates == 1 ? "gate" : "gates")} or a watch", "tape and cones"] : []).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        var before = await sessions.BeforeAsync(planned.Session, 28);
        var metres = before.Select(json => Sum(PlanJson.Read(json), setting).SprintMetres).ToList();
        return new(byKind, named, kit, metres.Count > 0 ? metres.Average() : null, metres.Count);
    }

    private BuilderRow Row(PlanLine line, PlanBlock block, SessionTimeline timeline, ClockSetting setting, List<CheckedAthlete> athletes, Club club)
    {
        var demand = setting.DemandOf(line);
        var volume = Volume.Of(demand, block.Rounds);
        var print = ShorthandPrinter.Print(line, catalogue);
        var name = line.Exercise ?? line.Kind.Name();
        var said = line.Exercise is null ? print : print[(print.StartsWith('"') ? line.Exercise.Length + 2 : line.Exercise.Length)..].TrimStart();
        var reaches = athletes.Count == 0 || demand is not { IsHardSprint: true, Course: not null } ? [] : athletes.Select(a => LineDemand.Of(line, demand.Exercise, a.AsDemand()).PeakShare).ToList();
        return new(
            line, Capital(name), said.Replace(" x ", " × ", StringComparison.Ordinal), print,
            volume.Metres > 0 ? Figures.Number(volume.Metres) : "–",
            Figures.Clock(timeline.SecondsOf(line.Id)),
            reaches.Count == 0 ? "–" : Range(reaches.Min() * 100, reaches.Max() * 100),
            catalogue.Find(line.Exercise) is not null)
        {
            Loads = LoadsOf(demand, [.. athletes.Where(a => a.Loads is not null)], club),
        };
    }

    // "25 to 32.5 kg, 2 without a load line": what a sled weighs for a group.
    private static string LoadsOf(LineDemand demand, IReadOnlyList<CheckedAthlete> athletes, Club club)
    {
        var masses = athletes.Select(a => a.Loads!.MassOf(demand.AppliedLoad)).OfType<(double Kilograms, LoadSourceKind? Source)>().ToList();
        if (masses.Count == 0 || !demand.IsResisted)
        {
            return "";
        }

        string Kg(double kilograms) => Figures.Number(Figures.MassIn(kilograms, club.MassUnit), 1);
        var (least, most) = (Kg(masses.Min(m => m.Kilograms)), Kg(masses.Max(m => m.Kilograms)));
        var without = masses.Count(m => m.Source is not (null or LoadSourceKind.Line));
        return $"{(least == most ? least : $"{least} to {most}")} {Figures.SymbolOf(club.MassUnit)}{(without == 0 ? "" : without == masses.Count ? ", no load lines" : $", {without} without a load line")}";
    }

    // "60 to 85 kg, 3 without a maximum": what goes on the bar for a group.
    private static string LiftsOf(PlanLine line, IReadOnlyList<(double Least, double Most)?> own, Club club)
    {
        if (!(LiftBook.IsShare(line) || LiftBook.IsOfBody(line)) || own.Count == 0)
        {
            return "";
        }

        var (bars, isOfBody) = (own.OfType<(double Least, double Most)>().ToList(), LiftBook.IsOfBody(line));
        if (bars.Count == 0)
        {
            return isOfBody ? "no body masses yet" : "no maxima yet";
        }

        var without = own.Count - bars.Count;
        return LiftMaximum.Words((bars.Min(b => b.Least), bars.Max(b => b.Most)), club.MassUnit) + (without > 0 ? $", {without} without a {(isOfBody ? "body mass" : "maximum")}" : "");
    }

    // "58 m in 0:15 to 66 m in 0:15, 2 without a test": what a share of the aerobic speed is for a group.
    private static string PacedOf(PlanLine line, IReadOnlyList<double?> speeds, Club club)
    {
        if (!LiftBook.IsPaced(line) || speeds.Count == 0)
        {
            return "";
        }

        var known = speeds.OfType<double>().ToList();
        var ends = known.Count == 0 ? [] : new[] { known.Min(), known.Max() }.Select(v => AerobicPace.Words(line, v, club.DistanceUnit)).OfType<string>().Distinct().ToList();
        var without = speeds.Count - known.Count;
        return ends.Count == 0 ? "no tests yet" : string.Join(" to ", ends) + (without > 0 ? $", {without} without a test" : "");
    }

    private static string Range(double low, double high) => Math.Round(low) == Math.Round(high) ? $"{low:0}%" : $"{low:0}–{high:0}%";

    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
