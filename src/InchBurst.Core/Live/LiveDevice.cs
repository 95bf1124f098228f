using System.Text.Json;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>Core on a device: few questions, in text, on a session the device took along. Order, rests, doubts and meaning are the server's own.</summary>
public sealed class LiveDevice
{
    private readonly Dictionary<(string, int, int), LiveSight> sights = [];
    private string waitingText = "[]";
    private LiveDocument document;
    private (LiveState State, IReadOnlyList<DeviceAnswer> Answers) held;
    private (LiveState? Of, DeviceLast? Last, IReadOnlyList<DeviceRun> Latest) said;
    private Guid touched;

    private LiveDevice(LiveDocument document) => (this.document, held) = (document, (document.State, []));

    /// <summary>The session with what waits to be sent.</summary>
    public LiveState State => held.State;

    /// <summary>A device with a session.</summary>
    /// <param name="json">A <see cref="LiveDocument"/> as text.</param>
    public static LiveDevice Open(string json) => new(LiveDocument.Read(json));

    /// <summary>Hears of the session as it is now.</summary>
    /// <param name="state">A <see cref="LiveState"/> as JSON.</param>
    /// <exception cref="JsonException">The text is no session.</exception>
    public void Hear(string state)
    {
        document = document with { State = JsonRead.Document(state, LiveReader.State) };
        (waitingText, held) = ("[]", (document.State, []));
        sights.Clear();
    }

    /// <summary>Hears what changed since.</summary>
    /// <param name="change">A <see cref="LiveChange"/> as JSON.</param>
    /// <exception cref="JsonException">The text is no change.</exception>
    public void Change(string change)
    {
        var read = LiveChange.Read(change);
        document = document with { State = read.On(document.State) };
        touched = read.Runs.LastOrDefault()?.Id ?? touched;
        (waitingText, held) = ("[]", (document.State, []));
        sights.Clear();
    }

    /// <summary>The session as the server last told it, as JSON.</summary>
    public string Told() => LiveDocument.Write(document.State);

    /// <summary>What stands beside the boxes of a line for an athlete.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    /// <returns><see cref="BoxTarget"/>s as a JSON list; empty for an athlete or a line that is not there.</returns>
    public string Expected(int athlete, int line)
    {
        var setting = document.Setting;
        IReadOnlyList<BoxTarget> targets = State.Person(athlete) is { } person && State.Plan.Line(line) is { } of && setting.Athlete(person) is { } known
            ? LiveEntry.Targets(State, LiveEntry.DemandFor(of, setting, known), setting, known)
            : [];
        return JsonSerializer.Serialize(targets, LiveJsonContext.Default.IReadOnlyListBoxTarget);
    }

    /// <summary>A start of an athlete on a line: how it is set up, its marks, where the athlete is expected to be.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    /// <returns>A <see cref="StartSight"/> as JSON; "null" for an athlete or a line that is not there.</returns>
    public string StartOf(int athlete, int line) =>
        JsonSerializer.Serialize(DemandOf(athlete, line) is var (demand, known) ? StartBox.See(State, demand, document.Setting, known) : null, LiveJsonContext.Default.StartSight);

    /// <summary>What taps and a pad come to on a line.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    /// <param name="fromMove">True when the clock counts from the first movement, where that is known.</param>
    /// <param name="go">Moment of the go, ms.</param>
    /// <param name="move">Moment of the first movement, ms; NaN where nothing told of it.</param>
    /// <param name="taps">Moments of the marks, ms; NaN for one that was missed.</param>
    /// <returns>A <see cref="StartWord"/> as JSON; "null" for an athlete or a line that is not there.</returns>
    public string StartRead(int athlete, int line, bool fromMove, double go, double move, double[] taps) =>
        JsonSerializer.Serialize(DemandOf(athlete, line) is var (demand, _) ? StartBox.Read(demand, State.TimingOf(line), fromMove, go, move, taps) : null, LiveJsonContext.Default.StartWord);

    private (LineDemand Demand, LiveAthlete Athlete)? DemandOf(int athlete, int line) =>
        State.Person(athlete) is { } person && State.Plan.Line(line) is { } of && document.Setting.Athlete(person) is { } known ? (LiveEntry.DemandFor(of, document.Setting, known), known) : null;

    /// <summary>What is said of an athlete's load on a line before the run.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <param name="line">Number of the line.</param>
    /// <returns>A <see cref="LoadCall"/> as JSON; "null" for a free line.</returns>
    public string Call(int athlete, int line)
    {
        var setting = document.Setting;
        var call = State.Person(athlete) is { } person && State.Plan.Line(line) is { } of && setting.Athlete(person) is { } known ? LiveLoad.Call(LiveEntry.DemandFor(of, setting, known), State.TimingOf(line), setting, known) : null;
        return JsonSerializer.Serialize(call, LiveJsonContext.Default.LoadCall);
    }

    /// <summary>How often each thing was noted of an athlete, before and in this session.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    /// <returns>Times by code, as a JSON object.</returns>
    public string Seen(int athlete)
    {
        var counts = State.Person(athlete) is { } person ? document.Setting.Athlete(person).Seen.ToDictionary() : [];
        foreach (var code in State.Runs.Where(r => r.AthleteId == athlete && !r.IsTakenBack).SelectMany(r => r.Seen))
        {
            counts[code] = counts.GetValueOrDefault(code) + 1;
        }

        return JsonSerializer.Serialize(counts, LiveJsonContext.Default.DictionaryStringInt32);
    }

    /// <summary>The session now, with what waits to be sent counted as done.</summary>
    /// <param name="waiting">Commands in the order made, as JSON: verb and fields.</param>
    /// <param name="now">The time, ms since 1970.</param>
    /// <param name="line">Line to look at; 0 for the one that is on.</param>
    /// <param name="round">Round of its block.</param>
    /// <returns>A <see cref="DeviceView"/> as JSON.</returns>
    public string See(string waiting, double now, int line, int round)
    {
        Hold(waiting);
        var at = Time(now);
        var key = (waiting, line, round);
        if (!sights.TryGetValue(key, out var sight))
        {
            sights.Clear();
            sights[key] = sight = LiveSight.Of(State, document.Setting, at, line == 0 ? null : line, line == 0 ? null : round);
        }
        else
        {
            sight = sight.Later(State, document.Setting, at);
        }

        var rows = sight.Order.Select(t => new DeviceRow(
            t.Person.AthleteId, t.Turn.Rep, t.Turn.ReadyAt is { } ready ? Milliseconds(ready) : null, t.Turn.State.ToString().ToLowerInvariant(), t.Turn.Lane, t.Note, t.Warning, sight.Place!.Line.SideOfTurn(t.Turn.Rep)?.ToString(), t.Person.Holds, LiveEntry.NotedOn(State, t.Person.AthleteId, sight.Place.Line.Id, document.Setting.Catalogue)));
        var view = new DeviceView(
            sight.Place?.Line.Id ?? 0, sight.Place?.Round ?? 1, sight.Turns.Reps, State.LineFrom is { } from ? Milliseconds(from) : null, [.. rows], held.Answers, sight.Forecast?.BehindSeconds, sight.Forecast?.FinishSeconds, sight.Forecast?.OverSeconds)
        {
            Last = Said().Last,
            Latest = Said().Latest,
        };
        return JsonSerializer.Serialize(view, LiveJsonContext.Default.DeviceView);
    }

    /// <summary>What is to be said of a rep while it is typed, before it is saved.</summary>
    /// <param name="fields">The fields of the form, as JSON: one command that saves.</param>
    /// <param name="now">The time, ms since 1970.</param>
    /// <returns>A <see cref="DeviceWord"/> as JSON.</returns>
    public string Judge(string fields, double now)
    {
        if (JsonSerializer.Deserialize(fields, LiveJsonContext.Default.DeviceCommandArray) is not [{ Command: SaveRep save }])
        {
            return JsonSerializer.Serialize(new DeviceWord([], null), LiveJsonContext.Default.DeviceWord);
        }

        var step = LiveSteps.Apply(State, save, World(save, Time(now)));

        // What is there already is read although figures are missing: it is not stored, only said.
        var whole = step.Doubts.All(d => d.IsMissing) && step.Doubts.Count > 0 && save.Part == PartFilled.Unsaid ? LiveSteps.Apply(State, save with { Part = PartFilled.Stopped, Overrule = true }, World(save, Time(now))) : step;
        return JsonSerializer.Serialize(new DeviceWord([.. step.Doubts.Select(d => new DeviceDoubt(d.Index, d.Message, d.Kind == DoubtKind.Impossible, d.IsMissing))], Panel(whole)), LiveJsonContext.Default.DeviceWord);
    }

    private void Hold(string waiting)
    {
        if (waiting == waitingText)
        {
            return;
        }

        var (state, answers) = (document.State, new List<DeviceAnswer>());
        foreach (var command in JsonSerializer.Deserialize(waiting, LiveJsonContext.Default.DeviceCommandArray) ?? [])
        {
            if (command.Command is not { } read)
            {
                answers.Add(new(LiveAnswer.Missing, null, null));
                continue;
            }

            var step = LiveSteps.Apply(state, read, World(read, read.At ?? document.State.StartedAt ?? default));
            state = step.State;
            answers.Add(new(step.Answer, step.Said, Panel(step)));
        }

        (waitingText, held) = (waiting, (state, answers));
    }

    private LiveWorld World(LiveCommand command, DateTime now)
    {
        var athlete = (command as RepCommand) is { } rep ? document.Setting.Athletes.FirstOrDefault(a => a.Id == rep.Athlete) : null;
        return new(now, document.By, document.IsCoach, document.Setting.Catalogue)
        {
            DistanceUnit = document.Setting.DistanceUnit,
            MassUnit = document.Setting.MassUnit,
            Facts = athlete is null ? EntryFacts.None : new(athlete.BestSpeed, athlete.Ranges.FirstOrDefault(r => r.Line == ((RepCommand)command).Line && r.Side == ((RepCommand)command).Side)?.Ranges ?? []) { LoadKilograms = LoadOf((RepCommand)command, athlete) },
        };
    }

    private double? LoadOf(RepCommand rep, LiveAthlete athlete) => State.Plan.Line(rep.Line) is not { } line ? null
        : LiveLoad.Kilograms(line.Load ?? document.Setting.Catalogue.Find(line.Exercise)?.UsualLoad, LiveLoad.Known(document.Setting, athlete), document.Setting.Sled);

    private DevicePanel? Panel(LiveStep step) =>
        step.Answer == LiveAnswer.Stored && step.Run is { } id && step.State.Runs.FirstOrDefault(r => r.Id == id) is { } run ? Panel(step.State, run) : null;

    // What was logged or changed last, and the latest runs; worked out once for a session as it stands.
    private (LiveState? Of, DeviceLast? Last, IReadOnlyList<DeviceRun> Latest) Said()
    {
        if (ReferenceEquals(said.Of, State))
        {
            return said;
        }

        var standing = State.Runs.Where(r => !r.IsTakenBack && r.Number > 0).ToList();
        var last = standing.FirstOrDefault(r => r.Id == touched) ?? standing.MaxBy(r => r.Number);
        return said = (
            State, last is null || State.Person(last.AthleteId) is not { } person ? null : Last(last, person),
            [.. standing.OrderByDescending(r => r.FinishedAt).ThenByDescending(r => r.Number).Take(LatestRuns).Select(r => new DeviceRun(r.Number, State.Person(r.AthleteId)?.Name ?? "", r.LineId, r.Rep, LiveEntry.FiguresOf(r)))]);
    }

    private const int LatestRuns = 10;

    private DeviceLast Last(LiveRun run, LivePerson person) => Last(run, person, Panel(State, run));

    // A load that a verdict names is not said twice.
    private DeviceLast Last(LiveRun run, LivePerson person, DevicePanel? panel) => new(
        run.Number, person.AthleteId, person.Name, run.Rep, run.What.Side?.ToString().ToLowerInvariant(), run.Outcome.ToString().ToLowerInvariant(), run.By, panel,
        [.. run.Measures.Where(m => m.Kind != MeasureKind.Load || panel?.Load is null).Select(m => $"{Measures.Of(m.Kind).Label} {Measures.Words(m, LiveEntry.IsJump(State.Plan.Line(run.LineId), document.Setting.Catalogue), document.Setting.DistanceUnit, document.Setting.MassUnit)}")],
        [.. run.Seen.Select(s => document.Setting.Catalogue.Seen(s).Says)], run.Told.Count,
        run.Told.Count > 1 ? run.Picked.Length == 0 && run.Told.Select(r => r.Method).Distinct().Count() == 1 ? ", the mean stands" : "" : null,
        person.DoneReason is not null);

    private DevicePanel? Panel(LiveState state, LiveRun run)
    {
        if (run.What.Marks.Count == 0 || state.Person(run.AthleteId) is not { } person)
        {
            return null;
        }

        var setting = document.Setting;
        var said = LiveEntry.Meaning(state, run, LiveEntry.BestBefore(state, run, setting.Athlete(person)), setting.School["stop.share"] / 100);
        return new(
            person.Name, said.Meaning.Label + (run.What.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "") + (TimingWords.After(run.What.Method)),
            Figures.Split(said.Meaning.Seconds), Figures.SpeedNumber(said.Meaning.Speed, setting.SpeedUnit), Figures.SymbolOf(setting.SpeedUnit))
        {
            Share = said.Meaning.ShareOfBest is { } share ? Figures.Exact(share * 100, 1) : null,
            Best = said.Meaning.BestSeconds is { } best ? Figures.Split(best) : null,
            IsBest = said.Meaning.IsNewBest,
            Change = said.ChangeSeconds is { } change ? $"{Figures.Signed(change)} s on last" : null,
            DropOff = said.DropOff?.Advice,
            Stop = said.DropOff is { SaysStop: true } stop ? $"{Figures.Exact(stop.Share * 100, 1)}%, under the line" : null,
            Gauge = said.DropOff is { } drop ? new(drop.Share, drop.StopShare, drop.Earlier) : null,
            Splits = LiveEntry.Splits(run.What, setting.SpeedUnit),
            Sides = LiveEntry.Sides(said.Left, said.Right, run.What.Method),
            Load = state.Plan.Line(run.LineId) is { } line ? LiveLoad.Words(run, LiveEntry.DemandFor(line, setting, setting.Athlete(person)), setting, setting.Athlete(person)) ?? LiveEntry.GoalWords(run, line) : null,
        };
    }

    private static DateTime Time(double milliseconds) => DateTimeOffset.FromUnixTimeMilliseconds((long)milliseconds).UtcDateTime;

    private static double Milliseconds(DateTime at) => new DateTimeOffset(DateTime.SpecifyKind(at, DateTimeKind.Utc)).ToUnixTimeMilliseconds();
}
