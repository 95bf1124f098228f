using System.Text.Json;
using System.Text.Json.Serialization;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>A command as a device keeps it: the verb and the fields of its form.</summary>
/// <param name="Verb">The verb.</param>
/// <param name="Fields">Names and values.</param>
public sealed record DeviceCommand([property: JsonConverter(typeof(JsonStringEnumConverter<LiveVerb>))] LiveVerb Verb, string[][] Fields)
{
    /// <summary>As Core carries it out, or null.</summary>
    internal LiveCommand? Command => LiveForms.Read(Verb, Fields.Where(f => f.Length == 2).Select(f => new KeyValuePair<string, string>(f[0], f[1])));
}

/// <summary>Somebody in the running order, for drawing.</summary>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Rep">Rep to run next.</param>
/// <param name="Ready">When the rest is over, ms since 1970; null with nothing to rest from.</param>
/// <param name="State">State now, in small letters.</param>
/// <param name="Lane">Lane of the next go; 0 for none.</param>
/// <param name="Note">Why out.</param>
/// <param name="Warning">What to mind.</param>
/// <param name="Side">Side of the next rep, or null.</param>
public sealed record DeviceRow(int Athlete, int Rep, double? Ready, string State, int Lane, string Note, string Warning, string? Side);

/// <summary>What a time says, for drawing.</summary>
public sealed record DevicePanel(string Name, string Label, string Seconds, string Speed, string SpeedUnit)
{
    /// <summary>Percent of the best, as text; null the first time.</summary>
    public string? Share { get; init; }

    /// <summary>The best it is compared with, as text.</summary>
    public string? Best { get; init; }

    /// <summary>True for a new best.</summary>
    public bool IsBest { get; init; }

    /// <summary>Against the rep before, as text.</summary>
    public string? Change { get; init; }

    /// <summary>What the drop-off says; null with nothing to compare.</summary>
    public string? DropOff { get; init; }

    /// <summary>Why to stop; null while there is no reason.</summary>
    public string? Stop { get; init; }
}

/// <summary>What became of a waiting command on the device.</summary>
/// <param name="Answer">What became of it.</param>
/// <param name="Said">In words, or null.</param>
/// <param name="Panel">What its time says, or null.</param>
public sealed record DeviceAnswer([property: JsonConverter(typeof(JsonStringEnumConverter<LiveAnswer>))] LiveAnswer Answer, string? Said, DevicePanel? Panel);

/// <summary>A session on a device: as the server last told it, with what the device has done since.</summary>
/// <param name="Line">Line shown; 0 for none.</param>
/// <param name="Round">Round of its block.</param>
/// <param name="Reps">Reps of the line.</param>
/// <param name="LineFrom">When it came on, ms since 1970.</param>
/// <param name="Rows">The running order.</param>
/// <param name="Answers">What became of the waiting commands, in their order.</param>
/// <param name="Behind">Seconds behind the plan; null while the session does not run.</param>
/// <param name="Finish">Predicted end from the start, s.</param>
/// <param name="Over">Seconds past the window.</param>
public sealed record DeviceView(int Line, int Round, int Reps, double? LineFrom, IReadOnlyList<DeviceRow> Rows, IReadOnlyList<DeviceAnswer> Answers, double? Behind, double? Finish, double? Over);

/// <summary>A doubt about a figure, for drawing.</summary>
public sealed record DeviceDoubt(int Index, string Message, bool IsImpossible, bool IsMissing);

/// <summary>What is to be said of figures while they are typed.</summary>
/// <param name="Doubts">What is odd about them.</param>
/// <param name="Panel">What they say so far; null while they say nothing.</param>
public sealed record DeviceWord(IReadOnlyList<DeviceDoubt> Doubts, DevicePanel? Panel);

/// <summary>Core on a device: few questions, in text, on a session the device took along. Order, rests, doubts and meaning are the server's own.</summary>
public sealed class LiveDevice
{
    private readonly Dictionary<(string, int, int), LiveSight> sights = [];
    private string waitingText = "[]";
    private LiveDocument document;
    private (LiveState State, IReadOnlyList<DeviceAnswer> Answers) held;

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
        document = document with { State = JsonSerializer.Deserialize(state, LiveJsonContext.Default.LiveState) ?? throw new JsonException("There is no session.") };
        (waitingText, held) = ("[]", (document.State, []));
        sights.Clear();
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
            t.Person.AthleteId, t.Turn.Rep, t.Turn.ReadyAt is { } ready ? Milliseconds(ready) : null, t.Turn.State.ToString().ToLowerInvariant(), t.Turn.Lane, t.Note, t.Warning, sight.Place!.Line.SideOfTurn(t.Turn.Rep)?.ToString()));
        var view = new DeviceView(
            sight.Place?.Line.Id ?? 0, sight.Place?.Round ?? 1, sight.Turns.Reps, State.LineFrom is { } from ? Milliseconds(from) : null, [.. rows], held.Answers, sight.Forecast?.BehindSeconds, sight.Forecast?.FinishSeconds, sight.Forecast?.OverSeconds);
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
            Facts = athlete is null ? EntryFacts.None : new(athlete.BestSpeed, athlete.Ranges.FirstOrDefault(r => r.Line == ((RepCommand)command).Line && r.Side == ((RepCommand)command).Side)?.Ranges ?? []),
        };
    }

    private DevicePanel? Panel(LiveStep step)
    {
        if (step.Answer != LiveAnswer.Stored || step.Run is not { } id || step.State.Runs.FirstOrDefault(r => r.Id == id) is not { What.Marks.Count: > 0 } run || step.State.Person(run.AthleteId) is not { } person)
        {
            return null;
        }

        var setting = document.Setting;
        var said = LiveEntry.Meaning(step.State, run, LiveEntry.BestBefore(step.State, run, setting.Athlete(person)), setting.School["stop.share"] / 100);
        return new(
            person.Name, said.Meaning.Label + (run.What.Side is { } side ? " " + side.ToString().ToLowerInvariant() : "") + (run.What.Method == TimingMethod.Hand ? " by hand" : ""),
            Figures.Split(said.Meaning.Seconds), Figures.SpeedNumber(said.Meaning.Speed, setting.SpeedUnit), Figures.SymbolOf(setting.SpeedUnit))
        {
            Share = said.Meaning.ShareOfBest is { } share ? Figures.Exact(share * 100, 1) : null,
            Best = said.Meaning.BestSeconds is { } best ? Figures.Split(best) : null,
            IsBest = said.Meaning.IsNewBest,
            Change = said.ChangeSeconds is { } change ? $"{Figures.Signed(change)} s on last" : null,
            DropOff = said.DropOff?.Advice,
            Stop = said.DropOff is { SaysStop: true } stop ? $"{Figures.Exact(stop.Share * 100, 1)}%, under the line" : null,
        };
    }

    private static DateTime Time(double milliseconds) => DateTimeOffset.FromUnixTimeMilliseconds((long)milliseconds).UtcDateTime;

    private static double Milliseconds(DateTime at) => new DateTimeOffset(DateTime.SpecifyKind(at, DateTimeKind.Utc)).ToUnixTimeMilliseconds();
}
