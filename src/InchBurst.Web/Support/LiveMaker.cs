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

/// <summary>A row of the queue.</summary>
/// <param name="Today">Headline times of today's reps that the next one is judged beside, s.</param>
public sealed record QueueRow(Athlete Athlete, Attendance Attendance, Turn Turn, string Note, string Warning, IReadOnlyList<double> Today);

/// <summary>Which of a line's marks make its headline time, so that a device can work it out without the server.</summary>
/// <param name="Label">What the time is, such as "fly 10 m".</param>
/// <param name="Metres">Length of the stretch in m.</param>
/// <param name="FromMark">Index of the mark it is counted from; -1 for the start.</param>
/// <param name="ToMark">Index of the mark it is counted to.</param>
public sealed record HeadlineSpec(string Label, double Metres, int FromMark, int ToMark);

/// <summary>A run the gates reported and what it gives for the line that is on.</summary>
public sealed record GateOffer(GateReading Reading, GateMarks Marks);

/// <summary>A box to type into: a time at a mark or another measure.</summary>
public sealed record EntryBox(string Label, string Unit, bool IsMark, double? ExpectedSeconds, string Typed, MarkDoubt? Doubt);

/// <summary>A line to go to, with the round of its block.</summary>
public sealed record LinePlace(PlanLine Line, int Round, int Rounds);

/// <summary>The run just saved and what it says.</summary>
public sealed record SavedRun(
    Run Run, Athlete Athlete, RunMeaning? Meaning, IReadOnlyList<string> Splits, double? ChangeSeconds, DropOffReading? DropOff, string? Sides, IReadOnlyList<string> Measures, LineTiming Timing);

/// <summary>What was typed and is not stored yet, with the doubts about it.</summary>
public sealed record TypedEntry(int AthleteId, int? Rep, IReadOnlyList<string> Marks, IReadOnlyList<string> Measures, IReadOnlyList<string> Seen, Side? Side, IReadOnlyList<MarkDoubt> Doubts);

/// <summary>What a request wants shown besides the session itself.</summary>
public sealed record LiveAsk(TypedEntry? Typed = null, Guid? ClientId = null, string? Toast = null, long? Undone = null, int? UndoneReading = null, int? LineId = null, int? Round = null, int? Person = null, string? PersonError = null, long? RunId = null, bool ForWho = false, bool IsCoach = false, string? BehindTyped = null);

/// <summary>Everything the trackside screen draws.</summary>
public sealed record LiveView(
    LiveSession Live,
    Club Club,
    IReadOnlyList<Athlete> Squad,
    LinePlace? Place,
    LinePlace? Before,
    LinePlace? After,
    LineTiming Timing,
    LineTurns Turns,
    IReadOnlyList<QueueRow> Queue,
    IReadOnlyList<EntryBox> Boxes,
    LaneDrawing? LaneWide,
    LaneDrawing? LaneNarrow,
    SessionStrip Strip,
    SavedRun? Last,
    Forecast? Forecast,
    IReadOnlyList<FitOffer> Offers,
    IReadOnlyList<string> EarlierCues,
    GateOffer? Gate,
    IReadOnlyList<string> QuickDrills,
    double PlannedSeconds,
    HeadlineSpec? Headline,
    double StopShare,
    IReadOnlyList<GatesHeard> Gates,
    DateTime Now,
    string Stamp,
    LiveAsk Ask)
{
    public TrainingSession Session => Live.Session;

    public PlanLine? Line => Place?.Line;

    public TypedEntry? Typed => Ask.Typed;

    public bool Asks => Boxes.Count > 0;

    public double ElapsedSeconds => Session.StartedAt is { } started ? (Now - started).TotalSeconds : 0;

    /// <summary>When the line shown came on, or null when another one is on.</summary>
    public DateTime? LineFrom => Place is { } place && place.Line.Id == Session.CurrentLineId && place.Round == Session.CurrentRound ? Session.LineStartedAt : null;

    public QueueRow? OnLine => Queue.FirstOrDefault(q => q.Athlete.Id == Typed?.AthleteId)
        ?? (Gate is { Reading.Lane: > 0 and var lane } ? Queue.FirstOrDefault(q => q.Turn.Lane == lane) : null)
        ?? Queue.FirstOrDefault(q => RunningOrder.Goes(q.Turn.State));

    /// <summary>Rep that is typed in now: as claimed when it was in doubt, or the next of whoever is on the line.</summary>
    public int Rep => Typed?.Rep ?? OnLine?.Turn.Rep ?? 1;

    /// <summary>Side of the rep that is typed in now, or null when the line has none.</summary>
    public Side? SideNow => Line is null ? null : Typed?.Side ?? SideOf(Line, Rep);

    public IEnumerable<Run> Conflicts => Live.Runs.Where(r => r.Conflict is not null);

    public static Side? SideOf(PlanLine line, int rep) => line.EachSide ? rep % 2 == 1 ? Side.Left : Side.Right : line.Start?.Side;

    public static string ItemName(PlanLine line) => BuilderMaker.Capital(line.Exercise ?? (line.Shape is RunShape { Fly: { } fly } ? $"Fly {Figures.Number(fly.To - fly.From, 1)}" : line.Kind.Name()));

    public static string PlaceName(LinePlace place) => ItemName(place.Line) + (place.Rounds > 1 ? $", round {place.Round}" : "");
}

/// <summary>Puts the trackside picture together.</summary>
public sealed class LiveMaker(TracksideBook book, SquadBook squads, ResultsBook results, SessionBook sessions, BuilderMaker builder, SchoolBook schools, LiveWire wire, Desk desk)
{
    private const double LeastOverSeconds = 30;

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
        var turns = line is null ? new LineTurns(1, 1, 0, 0) : Turns(live, line, place!.Round, school);
        var queue = line is null ? [] : Queue(live, line, turns, now);
        // What is being typed goes before what the gates say; their report waits.
        var reported = line is { ExpectedMarks.Count: > 0 } && ask.Typed is null && session.State == SessionState.Running ? await book.NextGateAsync(sessionId) : null;
        var gate = reported is null ? null : new GateOffer(reported, GateFeed.Read(System.Text.Json.JsonSerializer.Deserialize<List<GatePass>>(reported.PassesJson)!, line!.ExpectedMarks));
        var (setting, pace, _) = await builder.SettingAsync(session);
        var present = live.Attendance.Count(a => a.Present);
        setting = present > 0 ? setting with { Athletes = present } : setting;
        var timeline = SessionClock.Lay(live.Plan, setting);
        Forecast? forecast = null;
        IReadOnlyList<FitOffer> offers = [];
        if (session.StartedAt is { } started && session.State == SessionState.Running && line is not null)
        {
            forecast = Forecast.Of(timeline, line.Id, place!.Round - 1, LeftOf(session, line, place.Round, timeline, turns, queue, now), (now - started).TotalSeconds, session.WindowMinutes * 60);
            offers = forecast.OverSeconds > LeastOverSeconds ? Remaining.Offers(live.Plan, line.Id, setting, forecast, session.WindowMinutes * 60) : [];
        }

        return new(
            live, club, await squads.AthletesAsync(session.SquadId), place,
            at > 0 ? places[at - 1] : null, at >= 0 && at + 1 < places.Count ? places[at + 1] : null,
            timing, turns, queue,
            line is null ? [] : Boxes(line, timing, pace, club, ask.Typed, gate?.Marks),
            line is null ? null : LaneDrawing.Draw(line, 840, session.StraightMetres, club.DistanceUnit),
            line is null ? null : LaneDrawing.Draw(line, 358, session.StraightMetres, club.DistanceUnit, 6),
            SessionStrip.Draw(live.Plan, timeline, session.WindowMinutes * 60, 560, 92, null),
            await LastAsync(live, ask.RunId, club, school), forecast, offers, [.. (await sessions.CuesBeforeAsync(session)).Where(c => c.Length > 0).Distinct().Take(2)], gate,
            line is null ? [] : [.. Observations.For(line.Kind).SelectMany(o => o.Drills.Take(1)).Distinct().Take(3)],
            line is null ? 0 : timeline.Items.FirstOrDefault(i => i.Line.Id == line.Id && i.Round == place!.Round - 1)?.Seconds ?? 0,
            line is null ? null : HeadlineOf(line, timing), school["stop.share"] / 100,
            wire.Gates(sessionId, now), now, stamp, ask);
    }

    /// <summary>Every line to go to, in order, once a round of its block.</summary>
    public static List<LinePlace> Places(SessionPlan plan) =>
        [.. plan.Blocks.SelectMany(b => Enumerable.Range(1, b.Rounds).SelectMany(round => b.Lines.Select(l => new LinePlace(l, round, b.Rounds))))];

    /// <summary>What a line asks of its runners up to the end of a round.</summary>
    public static LineTurns Turns(LiveSession live, PlanLine line, int round, CoachingSchool school)
    {
        var rest = RestRules.Between(line, school).Seconds;
        return new(line.Turns * round, Math.Max(1, line.Turns / line.Sets), rest, line.Rest?.SetSeconds ?? rest, live.Session.Lanes, live.Runs.Count(r => r.LineId == line.Id && r.Outcome is not RunOutcome.Skipped));
    }

    /// <summary>The running order of a line for those who are here and whom the line is for.</summary>
    public static IReadOnlyList<QueueRow> Queue(LiveSession live, PlanLine line, LineTurns turns, DateTime now)
    {
        var here = live.Attendance.Where(a => a.Present && BuilderMaker.IsFor(live.Plan, line, a.Athlete!)).ToDictionary(a => a.AthleteId);
        var runners = here.Values.Select(a => new Runner(
            a.AthleteId, a.Order, live.Counted(a.AthleteId, line.Id).Count(),
            live.Runs.LastOrDefault(r => r.AthleteId == a.AthleteId && r.Outcome != RunOutcome.Skipped)?.FinishedAt, KeptOutOf(a, line)));
        var timing = live.Session.TimingOf(line.Id);
        return
        [
            .. RunningOrder.Now(runners, turns, now, live.Session.CalledAthleteId)
                .Select(t => (Turn: t with { Rep = t.State == TurnState.Finished ? t.Rep : live.NextRep(t.AthleteId, line.Id) }, Row: here[t.AthleteId]))
                .Select(x => new QueueRow(x.Row.Athlete!, x.Row, x.Turn, NoteOf(x.Row, x.Turn), Warning(x.Row, line), TodayOf(live, line, timing, x.Turn))),
        ];
    }

    /// <summary>What keeps an athlete out of a line. Being out, or pain noted today, stops full efforts until somebody says who allowed them.</summary>
    public static KeptOut KeptOutOf(Attendance row, PlanLine line) =>
        row.DoneReason is not null ? KeptOut.DoneForToday
        : FullEffort.Is(line) && row.AllowedBy.Length == 0 && (row.HeldReason is not null || row.Athlete?.Availability == Availability.Out) ? KeptOut.Held
        : row.OtherWork is not null && row.OtherWorkLineId == line.Id ? KeptOut.OtherWork
        : KeptOut.No;

    /// <summary>A run of the line as it will be logged, with marks that only say where they lie; null when the line expects none.</summary>
    private static LoggedRun? Expected(PlanLine line, LineTiming timing, Side? side = null)
    {
        var zone = timing.Entry == EntryMode.ZoneOnly && line.ExpectedMarks.Count > 1;
        return line.ExpectedMarks.Count == 0 ? null : new()
        {
            Day = default,
            Kind = line.Kind,
            Method = timing.Method,
            Trigger = zone ? StartTrigger.ZoneLine : timing.Trigger,
            StartBehindGateMetres = timing.StartBehindGateMetres,
            Side = side,
            Marks = [.. line.ExpectedMarks.Select((at, i) => new LoggedMark(at, zone ? i : i + 1))],
        };
    }

    /// <summary>What the headline time of a line is made of; null when it expects no times.</summary>
    public static HeadlineSpec? HeadlineOf(PlanLine line, LineTiming timing)
    {
        if (Expected(line, timing) is not { } run)
        {
            return null;
        }

        var (from, to) = RunMeaning.Headline(run);
        int Index(LoggedMark mark) => mark.At.Millimetres == 0 ? -1 : line.ExpectedMarks.ToList().FindIndex(m => m.Millimetres == mark.At.Millimetres);
        return new(RunMeaning.Against(run, null).Label, to.At.Metres - from.At.Metres, Index(from), Index(to));
    }

    private static IReadOnlyList<double> TodayOf(LiveSession live, PlanLine line, LineTiming timing, Turn turn) =>
        Expected(line, timing, LiveView.SideOf(line, turn.Rep)) is { } next ? TodayOf(live, turn.AthleteId, line.Id, next, line.EffortOfTurn(turn.Rep), DateTime.MaxValue) : [];

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

    private static string Warning(Attendance row, PlanLine line) => row switch
    {
        { AllowedBy.Length: > 0 } => FullEffort.Is(line) ? $"Pain noted; full efforts allowed by {row.AllowedBy}." : "",
        { HeldReason: { } pain } => $"{pain}: easy work only.",
        { Athlete: { Availability: not Availability.Full } a } => $"{(a.Availability == Availability.Out ? "Out" : "Modified")}: {a.AvailabilityReason}. Full efforts are for {(a.AvailabilitySaidBy.Length > 0 ? a.AvailabilitySaidBy : "the clinician")} to allow.",
        _ => "",
    };

    // A line that is timed is as far as its reps; one that is not, as far as its time.
    private static double LeftOf(TrainingSession session, PlanLine line, int round, SessionTimeline timeline, LineTurns turns, IReadOnlyList<QueueRow> queue, DateTime now)
    {
        var item = timeline.Items.FirstOrDefault(i => i.Line.Id == line.Id && i.Round == round - 1);
        if (line.ExpectedMarks.Count + line.AskedMeasures.Count == 0)
        {
            return item is null || session.LineStartedAt is not { } began ? 0 : Math.Max(0, 1 - ((now - began).TotalSeconds / Math.Max(1, item.Seconds)));
        }

        var going = queue.Where(q => q.Turn.State is TurnState.Ready or TurnState.Resting or TurnState.Finished).ToList();
        return going.Count == 0 ? 0 : going.Sum(q => Math.Max(0, turns.Reps - (q.Turn.Rep - 1))) / (double)(going.Count * line.Turns);
    }

    private static List<EntryBox> Boxes(PlanLine line, LineTiming timing, SprintCurve pace, Club club, TypedEntry? typed, GateMarks? gate)
    {
        var marks = line.ExpectedMarks;
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

        var curve = pace.AtEffort(Math.Max(0.3, line.HardestEffort / 100));
        double Clock(double metres) => line.Kind.IsSprint() ? curve.TimeTo(metres) : SessionClock.RunSeconds((RunShape)line.Shape, line.HardestEffort, pace);
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
        var timing = new LineTiming(run.Method, run.Trigger, run.StartBehindGateMetres);
        if (run.Marks.Count == 0)
        {
            return new(run, athlete, null, [], null, null, null, measures, timing);
        }

        var logged = run.ToLogged();
        var meaning = RunMeaning.Against(logged, await results.BestBeforeAsync(run));
        var splits = logged.Segments.Count < 2 ? [] : logged.Segments.Select(s => $"{Figures.Number(s.FromMetres, 1)}–{Figures.Number(s.ToMetres, 1)} m  {Figures.Split(s.Seconds)}  {Figures.SpeedNumber(s.MeanSpeed, club.SpeedUnit)}").ToList();
        var today = TodayOf(live, run.AthleteId, run.LineId, logged, run.Effort, run.FinishedAt);
        var sides = live.Runs.Where(r => r.AthleteId == run.AthleteId && r.LineId == run.LineId && r.Marks.Count > 0 && r.Side is not null).ToLookup(r => r.Side!.Value, r => RunMeaning.Against(r.ToLogged(), null).Seconds);
        return new(
            run, athlete, meaning, splits, today.Count > 1 ? today[^1] - today[^2] : null,
            DropOff.Read(today, school["stop.share"] / 100),
            LiveWords.Sides([.. sides[Side.Left]], [.. sides[Side.Right]], run.Method), measures, timing);
    }
}
