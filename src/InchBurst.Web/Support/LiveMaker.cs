using InchBurst.Core.Catalogue;
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
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>Puts the trackside picture together.</summary>
public sealed class LiveMaker(TracksideBook book, SquadBook squads, ResultsBook results, SessionBook sessions, SchoolBook schools, SeasonOfOne season, LoadBook loads, ExerciseCatalogue catalogue, LiveWire wire, Desk desk, WeekBook weeks, LiftBook lifts)
{
    public async Task<LiveView?> MakeAsync(int sessionId, LiveAsk? ask = null)
    {
        ask ??= new();

        // Taken before the file is read: what changes after it gives another stamp.
        var stamp = wire.Stamp(sessionId);
        if (await book.LoadAsync(sessionId) is not { } live)
        {
            return null;
        }

        var session = live.Session;
        var club = await desk.ClubAsync();
        var now = desk.UtcNow;
        var state = live.State;
        var setting = await SettingAsync(session, club);
        var sight = LiveSight.Of(state, setting, now, ask.LineId, ask.Round);
        var demand = sight.Demand;
        var maxima = demand is not null && LiftBook.IsShare(demand.Line) ? await MaximaAsync(live, setting.Athletes) : LiftBoard.Empty;
        var speeds = demand is not null && LiftBook.IsPaced(demand.Line) ? await lifts.SpeedsAsync([.. setting.Athletes.Select(a => a.Id)], session.Day) : new Dictionary<int, StandingSpeed>();
        var marks = demand is null ? [] : LineMarks.Expected(demand);
        var rows = live.Attendance.ToDictionary(a => a.AthleteId);
        IReadOnlyList<QueueRow> queue = [.. sight.Order.Select(t => new QueueRow(rows[t.Person.AthleteId].Athlete!, rows[t.Person.AthleteId], t.Turn, t.Note, t.Warning))];

        // What is being typed goes before what the gates say; their report waits.
        var reported = marks.Count > 0 && ask.Typed is null && session.State == SessionState.Running ? await book.NextGateAsync(sessionId) : null;
        var gate = reported is null ? null : new GateOffer(reported, GateStart.Read(reported.Start, sight.Timing.Trigger, System.Text.Json.JsonSerializer.Deserialize<List<GatePass>>(reported.PassesJson)!, marks, reported.Gates, IsSteady(demand!)));
        var onLine = ask.Typed?.AthleteId ?? OnLine(queue);
        return new(
            live, club, await squads.AthletesAsync(session.SquadId), sight.Place,
            sight.Before, sight.After,
            demand, sight.Timing, sight.Turns, queue,
            demand is null ? [] : Boxes(await ForAsync(demand, onLine, setting, live), sight.Timing, club, ask.Typed, gate?.Marks),
            demand is null ? null : LaneDrawing.Draw(demand, 840, session.StraightMetres, club.DistanceUnit),
            demand is null ? null : LaneDrawing.Draw(demand, 358, session.StraightMetres, club.DistanceUnit, 6),
            SessionStrip.Draw(live.Plan, sight.Timeline, session.WindowMinutes * 60, 560, 92, null),
            await LastAsync(live, ask.RunId, club, setting), sight.Forecast, sight.Offers(state, setting), [.. (await sessions.CuesBeforeAsync(session)).Where(c => c.Length > 0).Distinct().Take(2)], gate,
            demand is null ? [] : [.. Chips.For(demand, catalogue).SelectMany(o => o.Drills.Take(1)).Distinct().Take(3)],
            sight.PlannedSeconds, wire.Gates(sessionId, now), now, stamp, ask)
        {
            Used = setting.Used,
            Beside = sight.Beside,
            Bars = demand is null ? [] : LiftBook.IsShare(demand.Line) ? [.. queue.Select(q => (q.Athlete, maxima.Find(q.Athlete.Id, demand.Line.Exercise)?.BarWords(demand.Line.Load, club.MassUnit) ?? "by feel: no maximum"))]
                : LiftBook.IsOfBody(demand.Line) ? [.. queue.Select(q => (q.Athlete, LiftMaximum.OfBody(demand.Line.Load, q.Athlete.MassKilograms, club.MassUnit) is { } bar ? LiftMaximum.Words(bar, club.MassUnit) : "by feel: no body mass"))]
                : LiftBook.IsPaced(demand.Line) ? [.. queue.Select(q => (q.Athlete, speeds.TryGetValue(q.Athlete.Id, out var speed) ? AerobicPace.Words(demand.Line, speed.Speed, club.DistanceUnit) ?? "" : "by feel: no test"))] : [],
            Clocks = ask.ForWho || session.State == SessionState.Planned || (demand is not null && Core.Season.DayDose.Reaches(demand)) ? (await squads.RowsAsync(session.SquadId, desk.Today)).ToDictionary(r => r.Athlete.Id, r => r.Clock) : new Dictionary<int, Core.Season.TopSpeedClock>(),
            Expected = ask.ForWho || session.State == SessionState.Planned ? (await weeks.MembersAsync(session)).Select(a => a.Id).ToHashSet() : [],
            Load = demand is not ({ IsResisted: true } or { IsAssisted: true }) || onLine is not { } who ? null : LiveLoad.Call(await ForAsync(demand, who, setting, live), sight.Timing, setting, await LoadedAsync(setting, session, who)),
            Rhythm = demand is null ? [] : LiveRhythm.Of(demand, sight.Turns, sight.Place!, live.Plan.BlockOf(demand.Line.Id)),
            Noted = demand is null ? new Dictionary<int, Noted>() : rows.Keys.ToDictionary(a => a, a => LiveEntry.NotedOn(state, a, demand.Line.Id, catalogue)),
        };
    }

    /// <summary>The session as a device takes it along.</summary>
    public async Task<LiveDocument?> DocumentAsync(int sessionId, bool isCoach)
    {
        if (await book.LoadAsync(sessionId) is not { } live)
        {
            return null;
        }

        var setting = await SettingAsync(live.Session, await desk.ClubAsync());
        var maxima = await MaximaAsync(live, setting.Athletes);
        var known = await results.KnownAsync(live, catalogue);
        var speeds = live.Plan.Lines.Any(LiftBook.IsPaced) ? await lifts.SpeedsAsync([.. setting.Athletes.Select(a => a.Id)], live.Session.Day) : new Dictionary<int, StandingSpeed>();
        var measured = await season.BestsAsync([.. setting.Athletes.Select(a => a.Id)], sessionId, [.. live.Plan.Lines]);
        var athletes = new List<LiveAthlete>();
        var hasSled = live.Plan.Lines.Any(l => SheetMaker.HasSled(l, catalogue));
        var curves = await squads.CurvesAsync([.. setting.Athletes.Select(a => a.Id)]);
        var reactions = await results.ReactionsAsync([.. setting.Athletes.Select(a => a.Id)], sessionId, StartBox.LatestReactions);
        foreach (var athlete in setting.Athletes)
        {
            var curve = curves[athlete.Id].Fit?.Curve;
            var of = known.GetValueOrDefault(athlete.Id);
            var line = hasSled ? (await LoadedAsync(setting, live.Session, athlete.Id)).Line : null;
            athletes.Add(athlete with { AerobicSpeed = speeds.TryGetValue(athlete.Id, out var speed) ? speed.Speed : null, Curve = curve, Line = line, BestSpeed = await squads.BestSpeedAsync(athlete.Id), Reactions = [.. reactions[athlete.Id]], Bests = of?.Bests ?? [], Ranges = of?.Ranges ?? [], Measured = WithMaxima(athlete.Id, measured.GetValueOrDefault(athlete.Id) ?? [], live, maxima) });
        }

        return LiveDocument.Of(live.State, setting with { Athletes = athletes }, desk.Who, isCoach);
    }

    // Maxima of the lifts that the session asks a share of.
    private async Task<LiftBoard> MaximaAsync(LiveSession live, IReadOnlyList<LiveAthlete> athletes) =>
        live.Plan.Lines.Any(LiftBook.IsShare) ? await lifts.StandingAsync([.. athletes.Select(a => a.Id)], live.Session.Day, live.Session.Id) : LiftBoard.Empty;

    // What stands as the maximum goes before the greatest that was ever estimated.
    private static IReadOnlyList<KnownMeasure> WithMaxima(int athlete, IReadOnlyList<KnownMeasure> measured, LiveSession live, LiftBoard maxima)
    {
        var of = live.Plan.Lines.Where(LiftBook.IsShare).Select(l => l.Exercise).OfType<string>().Distinct(StringComparer.OrdinalIgnoreCase)
            .Select(e => (Name: e, Of: maxima.Find(athlete, e))).Where(x => x.Of is not null).Select(x => new KnownMeasure(x.Name, MeasureKind.Load, x.Of!.Kilograms)).ToList();
        return of.Count == 0 ? measured : [.. of, .. measured.Where(m => m.Kind != MeasureKind.Load || of.TrueForAll(o => !o.Exercise.Equals(m.Exercise, StringComparison.OrdinalIgnoreCase)))];
    }

    // What was noted longer ago says little of today.
    private const int SeenDays = 84;

    /// <summary>What a session is held in and with.</summary>
    public async Task<LiveSetting> SettingAsync(TrainingSession session, Club club)
    {
        var athletes = await squads.AthletesAsync(session.SquadId);
        var own = await weeks.OwnGroupsAsync(session.SquadId);
        var (kit, _) = await loads.KitAsync();
        var seen = await results.SeenByAsync([.. athletes.Select(a => a.Id)], session.Id, session.Day.AddDays(-SeenDays));
        return new()
        {
            Athletes = [.. athletes.Select(a => new LiveAthlete(a.Id, a.Name) { Seen = seen.GetValueOrDefault(a.Id) ?? new Dictionary<string, int>(), Group = WeekBook.GroupOf(a), OwnGroups = [.. own[a.Id]], IsYoung = session.Day.Year - a.BirthYear < Core.Demand.Limits.YoungYears, Availability = a.Availability, AvailabilityReason = a.AvailabilityReason, AvailabilitySaidBy = a.AvailabilitySaidBy, MassKilograms = a.MassKilograms })],
            Pace = await squads.PaceAsync(athletes.Where(a => a.Availability != Availability.Out).Select(a => a.Id)),
            School = await schools.OfAsync(session),
            Catalogue = catalogue,
            WindowSeconds = session.WindowMinutes * 60,
            StartIntervalSeconds = session.StartIntervalSeconds,
            ChangeoverSeconds = session.ChangeoverSeconds,
            Kit = SessionKit.Read(session.KitJson),
            Friction = kit.On(session.Surface, session.Sled),
            Sled = kit.Shared(2, session.Sled).FirstOrDefault(),
            DistanceUnit = club.DistanceUnit,
            MassUnit = club.MassUnit,
            SpeedUnit = club.SpeedUnit,
        };
    }

    // A straight run whose line does not change its speed itself.
    private static bool IsSteady(LineDemand demand) => demand.Line.Shape is Core.Plan.RunShape run && run.Segments.All(s => s.Role is Core.Plan.SegmentRole.Run or Core.Plan.SegmentRole.Build or Core.Plan.SegmentRole.Fly or Core.Plan.SegmentRole.Fast or Core.Plan.SegmentRole.Slow);

    // The line as it is for whoever is on it: expected times are that athlete's own.
    private async Task<LineDemand> ForAsync(LineDemand typical, int? athleteId, LiveSetting setting, LiveSession live) =>
        athleteId is { } id ? LiveEntry.DemandFor(typical.Line, setting, await LoadedAsync(setting, live.Session, id)) : typical;

    // An athlete with the curve and the load line that a load is worked out from.
    private async Task<LiveAthlete> LoadedAsync(LiveSetting setting, TrainingSession session, int id)
    {
        var athlete = setting.Athletes.FirstOrDefault(a => a.Id == id) ?? new LiveAthlete(id, "");
        var test = await loads.StandingAsync(id, athlete.MassKilograms, session.Surface, session.Day, but: session.Id, sled: session.Sled);
        return athlete with { Curve = (await squads.CurveAsync(id)).Fit?.Curve, Line = test?.Found.Line };
    }

    private static int? OnLine(IReadOnlyList<QueueRow> queue) => queue.FirstOrDefault(q => RunningOrder.Goes(q.Turn.State))?.Athlete.Id;

    private static List<EntryBox> Boxes(LineDemand demand, LineTiming timing, Club club, TypedEntry? typed, GateMarks? gate)
    {
        var boxes = LiveEntry.Boxes(demand, timing, club.DistanceUnit, club.MassUnit);
        var seen = gate is null ? [] : LiveEntry.Typed(gate, timing);
        var marks = boxes.Count(b => b.IsMark);
        return
        [
            .. boxes.Select((b, i) => new EntryBox(
                b.Label, b.Unit, b.IsMark, b.ExpectedSeconds,
                b.IsMark ? typed?.Marks.ElementAtOrDefault(i) ?? seen.ElementAtOrDefault(i) ?? "" : typed?.Measures.ElementAtOrDefault(i - marks) ?? "",
                typed?.Doubts.FirstOrDefault(d => d.Index == i))),
        ];
    }

    private async Task<SavedRun?> LastAsync(LiveSession live, long? runId, Club club, LiveSetting setting)
    {
        if ((live.Runs.FirstOrDefault(r => r.Id == runId) ?? live.Runs.MaxBy(r => r.Id)) is not { } run || live.Attendance.FirstOrDefault(a => a.AthleteId == run.AthleteId)?.Athlete is not { } athlete)
        {
            return null;
        }

        // A load that a verdict names is not said twice.
        List<string> Told(MeasureKind? but) => [.. run.Measures.Where(m => m.Kind != but).OrderBy(m => m.Kind).Select(m => $"{Measures.Of(m.Kind).Label} {Measures.Words(new(m.Kind, m.Value), LiveEntry.IsJump(live.Plan.Line(run.LineId), catalogue), club.DistanceUnit, club.MassUnit)}")];
        var measures = Told(null);
        var timing = new LineTiming(run.Method, run.Trigger, run.StartBehindGateMetres, StartSaid: run.StartSaid) { Surface = run.Surface, Setting = new(run.Shoes, run.Wind, run.Altitude) };
        if (run.Marks.Count == 0)
        {
            return new(run, athlete, null, [], null, null, null, measures, timing);
        }

        var value = live.State.Run(run.Id)!;
        var said = LiveEntry.Meaning(live.State, value, await results.BestBeforeAsync(run), setting.School["stop.share"] / 100);
        string? load = null;
        if (live.Plan.Line(run.LineId) is { } line && LineDemand.Of(line, catalogue) is { IsResisted: true } or { IsAssisted: true })
        {
            var loaded = await LoadedAsync(setting, live.Session, athlete.Id);
            load = LiveLoad.Words(value, LiveEntry.DemandFor(line, setting, loaded), setting, loaded);
        }

        load ??= live.Plan.Line(run.LineId) is { } of ? LiveEntry.GoalWords(value, of) : null;

        return new(run, athlete, said.Meaning, LiveEntry.Splits(value.What, club.SpeedUnit), said.ChangeSeconds, said.DropOff, LiveEntry.Sides(said.Left, said.Right, run.Method), load is null ? measures : Told(MeasureKind.Load), timing) { Load = load };
    }
}
