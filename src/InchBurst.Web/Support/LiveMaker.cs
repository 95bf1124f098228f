using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>Puts the trackside picture together.</summary>
public sealed class LiveMaker(TracksideBook book, SquadBook squads, ResultsBook results, SessionBook sessions, BuilderMaker builder, SchoolBook schools, ExerciseCatalogue catalogue, LiveWire wire, Desk desk)
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
        var places = Places(live.Plan);
        var place = places.FirstOrDefault(p => p.Line.Id == (ask.LineId ?? session.CurrentLineId) && p.Round == (ask.LineId is null ? session.CurrentRound : ask.Round ?? 1))
            ?? places.FirstOrDefault(p => p.Line.Id == (ask.LineId ?? session.CurrentLineId)) ?? places.FirstOrDefault();
        var at = place is null ? -1 : places.IndexOf(place);
        var line = place?.Line;
        var school = await schools.OfAsync(session);
        var timing = session.TimingOf(line?.Id ?? 0);
        var demand = line is null ? null : LineDemand.Of(line, catalogue);
        var marks = demand is null ? [] : LineMarks.Expected(demand);
        var turns = demand is null ? new LineTurns(1, 1, 0, 0) : Turns(live, demand, place!.Round, school);
        var queue = demand is null ? [] : Queue(live, demand, turns, now);
        // What is being typed goes before what the gates say; their report waits.
        var reported = marks.Count > 0 && ask.Typed is null && session.State == SessionState.Running ? await book.NextGateAsync(sessionId) : null;
        var gate = reported is null ? null : new GateOffer(reported, GateFeed.Read(System.Text.Json.JsonSerializer.Deserialize<List<GatePass>>(reported.PassesJson)!, marks));
        var (setting, pace, _) = await builder.SettingAsync(session);
        var present = live.Attendance.Count(a => a.Present);
        setting = present > 0 ? setting with { Athletes = present } : setting;
        var timeline = SessionClock.Lay(live.Plan, setting);
        Forecast? forecast = null;
        IReadOnlyList<FitOffer> offers = [];
        if (session.StartedAt is { } started && session.State == SessionState.Running && line is not null)
        {
            forecast = Forecast.Of(timeline, line.Id, place!.Round - 1, LeftOf(session, line, marks, place.Round, timeline, turns, queue, now), (now - started).TotalSeconds, session.WindowMinutes * 60);
            offers = forecast.OverSeconds > Limits.OverrunSeconds ? Remaining.Offers(live.Plan, line.Id, setting, forecast, session.WindowMinutes * 60) : [];
        }

        return new(
            live, club, await squads.AthletesAsync(session.SquadId), place,
            at > 0 ? places[at - 1] : null, at >= 0 && at + 1 < places.Count ? places[at + 1] : null,
            demand, timing, turns, queue,
            demand is null ? [] : Boxes(await ForAsync(demand, ask.Typed?.AthleteId ?? OnLine(queue), pace, live), timing, club, ask.Typed, gate?.Marks),
            demand is null ? null : LaneDrawing.Draw(demand, 840, session.StraightMetres, club.DistanceUnit),
            demand is null ? null : LaneDrawing.Draw(demand, 358, session.StraightMetres, club.DistanceUnit, 6),
            SessionStrip.Draw(live.Plan, timeline, session.WindowMinutes * 60, 560, 92, null),
            await LastAsync(live, ask.RunId, club, school), forecast, offers, [.. (await sessions.CuesBeforeAsync(session)).Where(c => c.Length > 0).Distinct().Take(2)], gate,
            demand is null ? [] : [.. Chips.For(demand).SelectMany(o => o.Drills.Take(1)).Distinct().Take(3)],
            line is null ? 0 : timeline.Items.FirstOrDefault(i => i.Line.Id == line.Id && i.Round == place!.Round - 1)?.Seconds ?? 0,
            demand is null ? null : HeadlineOf(demand, timing), school["stop.share"] / 100,
            wire.Gates(sessionId, now), now, stamp, ask);
    }

    /// <summary>Every line to go to, in order, once a round of its block.</summary>
    public static List<LinePlace> Places(SessionPlan plan) =>
        [.. plan.Blocks.SelectMany(b => Enumerable.Range(1, b.Rounds).SelectMany(round => b.Lines.Select(l => new LinePlace(l, round, b.Rounds))))];

    /// <summary>What a line asks of its runners up to the end of a round.</summary>
    public static LineTurns Turns(LiveSession live, LineDemand demand, int round, CoachingSchool school)
    {
        var line = demand.Line;
        var rest = RestRules.Between(demand, school).Seconds;
        return new(line.Turns * round, Math.Max(1, line.Turns / line.Sets), rest, line.Rest?.SetSeconds ?? rest, live.Session.Lanes, live.Runs.Count(r => r.LineId == line.Id && r.Outcome is not RunOutcome.Skipped));
    }

    /// <summary>The running order of a line for those who are here and whom the line is for.</summary>
    public static IReadOnlyList<QueueRow> Queue(LiveSession live, LineDemand demand, LineTurns turns, DateTime now)
    {
        var line = demand.Line;
        var here = live.Attendance.Where(a => a.Present && BuilderMaker.IsFor(live.Plan, line, a.Athlete!)).ToDictionary(a => a.AthleteId);
        var runners = here.Values.Select(a => new Runner(
            a.AthleteId, a.Order, live.Counted(a.AthleteId, line.Id).Count(),
            live.Runs.LastOrDefault(r => r.AthleteId == a.AthleteId && r.Outcome != RunOutcome.Skipped)?.FinishedAt, KeptOutOf(a, demand)));
        var timing = live.Session.TimingOf(line.Id);
        return
        [
            .. RunningOrder.Now(runners, turns, now, live.Session.CalledAthleteId)
                .Select(t => (Turn: t with { Rep = t.State == TurnState.Finished ? t.Rep : live.NextRep(t.AthleteId, line.Id) }, Row: here[t.AthleteId]))
                .Select(x => new QueueRow(x.Row.Athlete!, x.Row, x.Turn, NoteOf(x.Row, x.Turn), Warning(x.Row, demand), TodayOf(live, demand, timing, x.Turn))),
        ];
    }

    /// <summary>What keeps an athlete out of a line. Being out, or pain noted today, stops full efforts until somebody says who allowed them.</summary>
    public static KeptOut KeptOutOf(Attendance row, LineDemand demand) =>
        row.DoneReason is not null ? KeptOut.DoneForToday
        : demand.Tissues != Tissues.None && row.AllowedBy.Length == 0 && (row.HeldReason is not null || row.Athlete?.Availability == Availability.Out) ? KeptOut.Held
        : row.OtherWork is not null && row.OtherWorkLineId == demand.Line.Id ? KeptOut.OtherWork
        : KeptOut.No;

    // The line as it is for whoever is on it: expected times are that athlete's own.
    private async Task<LineDemand> ForAsync(LineDemand typical, int? athleteId, SprintCurve pace, LiveSession live)
    {
        var athlete = live.Attendance.FirstOrDefault(a => a.AthleteId == athleteId)?.Athlete;
        var own = athlete is null ? null : (await squads.CurveAsync(athlete.Id)).Fit?.Curve;
        return LineDemand.Of(typical.Line, typical.Exercise, new(own ?? pace, athlete?.MassKilograms));
    }

    private static int? OnLine(IReadOnlyList<QueueRow> queue) => queue.FirstOrDefault(q => RunningOrder.Goes(q.Turn.State))?.Athlete.Id;

    /// <summary>A run of the line as it will be logged, with marks that only say where they lie; null when the line expects none.</summary>
    private static LoggedRun? Expected(LineDemand demand, LineTiming timing, Side? side = null)
    {
        var marks = LineMarks.Expected(demand);
        var zone = timing.Entry == EntryMode.ZoneOnly && marks.Count > 1;
        var own = LineMarks.Zone(demand);
        return marks.Count == 0 ? null : new()
        {
            Day = default,
            Kind = demand.Line.Kind,
            Method = timing.Method,
            Trigger = zone ? StartTrigger.ZoneLine : timing.Trigger,
            Start = demand.Line.Start?.Position,
            RunInMetres = demand.Line.Start?.RunIn?.Metres,
            StartBehindGateMetres = timing.StartBehindGateMetres,
            Course = Trial.CourseKey(demand.Course),
            Load = Trial.LoadKey(demand.AppliedLoad),
            Surface = timing.Surface,
            Zone = own is var (from, to) ? (from.Millimetres, to.Millimetres) : null,
            Side = side,
            Marks = [.. marks.Select((at, i) => new LoggedMark(at, zone ? i : i + 1))],
        };
    }

    /// <summary>What the headline time of a line is made of; null when it expects no times.</summary>
    public static HeadlineSpec? HeadlineOf(LineDemand demand, LineTiming timing)
    {
        if (Expected(demand, timing) is not { } run)
        {
            return null;
        }

        var (from, to) = RunMeaning.Headline(run);
        int Index(LoggedMark mark) => mark.At.Millimetres == 0 ? -1 : run.Marks.ToList().FindIndex(m => m.At.Millimetres == mark.At.Millimetres);
        return new(RunMeaning.Against(run, null).Label, to.At.Metres - from.At.Metres, Index(from), Index(to));
    }

    private static IReadOnlyList<double> TodayOf(LiveSession live, LineDemand demand, LineTiming timing, Turn turn) =>
        Expected(demand, timing, demand.Line.SideOfTurn(turn.Rep)) is { } next ? TodayOf(live, turn.AthleteId, demand.Line.Id, next, demand.EffortOfTurn(turn.Rep), DateTime.MaxValue) : [];

    // Headline times of an athlete's reps of a line that may be set beside a run: same timing, side and stretch, effort within 2%.
    private static List<double> TodayOf(LiveSession live, int athleteId, int lineId, LoggedRun like, double effort, DateTime until)
    {
        var label = RunMeaning.Against(like, null).Label;
        return
        [
            .. live.Counted(athleteId, lineId).Where(r => r.Marks.Count > 0 && r.FinishedAt <= until && Math.Abs(r.Effort - effort) <= 2).Select(r => r.ToLogged())
                .Where(r => RunMeaning.Comparable(r, like, label.StartsWith("fly", StringComparison.Ordinal))).Select(r => RunMeaning.Against(r, null)).Where(m => m.Label == label).Select(m => m.Seconds),
        ];
    }

    private static string NoteOf(Attendance row, Turn turn) => turn.State switch
    {
        TurnState.DoneForToday => row.DoneReason ?? "",
        TurnState.Held => row.HeldReason ?? row.Athlete?.AvailabilityReason ?? "out",
        TurnState.OtherWork => row.OtherWork ?? "",
        _ => "",
    };

    private static string Warning(Attendance row, LineDemand demand) => row switch
    {
        { AllowedBy.Length: > 0 } => demand.Tissues != Tissues.None ? $"Pain noted; full efforts allowed by {row.AllowedBy}." : "",
        { HeldReason: { } pain } => $"{pain}: easy work only.",
        { Athlete: { Availability: not Availability.Full } a } => $"{(a.Availability == Availability.Out ? "Out" : "Modified")}: {a.AvailabilityReason}. Full efforts are for {(a.AvailabilitySaidBy.Length > 0 ? a.AvailabilitySaidBy : "the clinician")} to allow.",
        _ => "",
    };

    // A line that is timed is as far as its reps; one that is not, as far as its time.
    private static double LeftOf(TrainingSession session, PlanLine line, IReadOnlyList<Distance> marks, int round, SessionTimeline timeline, LineTurns turns, IReadOnlyList<QueueRow> queue, DateTime now)
    {
        var item = timeline.Items.FirstOrDefault(i => i.Line.Id == line.Id && i.Round == round - 1);
        if (marks.Count + line.AskedMeasures.Count == 0)
        {
            return item is null || session.LineStartedAt is not { } began ? 0 : Math.Max(0, 1 - ((now - began).TotalSeconds / Math.Max(1, item.Seconds)));
        }

        var going = queue.Where(q => q.Turn.State is TurnState.Ready or TurnState.Resting or TurnState.Finished).ToList();
        return going.Count == 0 ? 0 : going.Sum(q => Math.Max(0, turns.Reps - (q.Turn.Rep - 1))) / (double)(going.Count * line.Turns);
    }

    private static List<EntryBox> Boxes(LineDemand demand, LineTiming timing, Club club, TypedEntry? typed, GateMarks? gate)
    {
        var line = demand.Line;
        var marks = LineMarks.Expected(demand);
        var zone = timing.Entry == EntryMode.ZoneOnly && marks.Count > 1;
        string Seen(int mark)
        {
            // What the gates saw, in the way this line's times are typed.
            if (gate is not { Problem: null } || gate.Seconds[mark] is not { } at || (gate.ZoneOnly && mark == 0))
            {
                return "";
            }

            var before = timing.Entry == EntryMode.Cumulative || mark == 0 ? gate.ZoneOnly && timing.Entry == EntryMode.Cumulative ? null : 0 : gate.Seconds[zone ? 0 : mark - 1];
            return before is { } b ? (at - b).ToString("0.000", System.Globalization.CultureInfo.InvariantCulture) : "";
        }

        var rep = Enumerable.Range(0, line.TotalReps).MaxBy(demand.EffortOf);
        double Clock(double metres) => demand.Course is null ? 0 : demand.ExpectedSeconds(metres, timing.StartBehindGateMetres, rep);
        var boxes = new List<EntryBox>();
        for (var i = zone ? 1 : 0; i < marks.Count; i++)
        {
            var from = i > 0 && timing.Entry != EntryMode.Cumulative ? Clock(marks[zone ? 0 : i - 1].Metres) : 0;
            var label = timing.Entry == EntryMode.Cumulative || i == 0 ? marks[i].ToString() : $"{Figures.Number(marks[zone ? 0 : i - 1].Amount, 2)}–{marks[i]}";
            var index = boxes.Count;
            boxes.Add(new(label, "s", true, Clock(marks[i].Metres) - from, typed?.Marks.ElementAtOrDefault(index) ?? Seen(i), typed?.Doubts.FirstOrDefault(d => d.Index == index)));
        }

        foreach (var kind in line.AskedMeasures)
        {
            var index = boxes.Count;
            boxes.Add(new(Measures.Of(kind).Label, Measures.Unit(kind, club.DistanceUnit, club.MassUnit), false, null, typed?.Measures.ElementAtOrDefault(index - boxes.Count(b => b.IsMark)) ?? "", typed?.Doubts.FirstOrDefault(d => d.Index == index)));
        }

        return boxes;
    }

    private async Task<SavedRun?> LastAsync(LiveSession live, long? runId, Club club, CoachingSchool school)
    {
        if ((live.Runs.FirstOrDefault(r => r.Id == runId) ?? live.Runs.MaxBy(r => r.Id)) is not { } run || live.Attendance.FirstOrDefault(a => a.AthleteId == run.AthleteId)?.Athlete is not { } athlete)
        {
            return null;
        }

        var measures = run.Measures.OrderBy(m => m.Kind).Select(m => $"{Measures.Of(m.Kind).Label} {Measures.Text(new(m.Kind, m.Value), club.DistanceUnit, club.MassUnit)}").ToList();
        var timing = new LineTiming(run.Method, run.Trigger, run.StartBehindGateMetres, StartSaid: run.StartSaid) { Surface = run.Surface };
        if (run.Marks.Count == 0)
        {
            return new(run, athlete, null, [], null, null, null, measures, timing);
        }

        var logged = run.ToLogged();
        var meaning = RunMeaning.Against(logged, await results.BestBeforeAsync(run));
        var splits = logged.Segments.Count < 2 ? [] : logged.Segments.Select(s => $"{Figures.Number(s.FromMetres, 1)}–{Figures.Number(s.ToMetres, 1)} m  {Figures.Split(s.Seconds)}  {Figures.SpeedNumber(s.MeanSpeed, club.SpeedUnit)}").ToList();
        var today = TodayOf(live, run.AthleteId, run.LineId, logged, run.Effort, run.FinishedAt);
        var sides = live.Runs.Where(r => r.AthleteId == run.AthleteId && r.LineId == run.LineId && r.Marks.Count > 0 && r.Side is not null).Select(r => r.ToLogged()).Where(r => RunMeaning.SameButSide(r, logged))
            .ToLookup(r => r.Side!.Value, r => RunMeaning.Against(r, null).Seconds);
        return new(
            run, athlete, meaning, splits, today.Count > 1 ? today[^1] - today[^2] : null,
            DropOff.Read(today, school["stop.share"] / 100, run.Method),
            LiveWords.Sides([.. sides[Side.Left]], [.. sides[Side.Right]], run.Method), measures, timing);
    }
}
