using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Live;

/// <summary>Commands as a form's fields tell them: the same on the server and on the device.</summary>
public static class LiveForms
{
    /// <summary>Reads a command.</summary>
    /// <param name="verb">What kind it is.</param>
    /// <param name="fields">Names and values, in the order of the form; a name may come more than once.</param>
    /// <returns>The command, or null when the fields do not make one, or it is no matter of fields (start, end, an offer).</returns>
    public static LiveCommand? Read(LiveVerb verb, IEnumerable<KeyValuePair<string, string>> fields)
    {
        var form = fields.ToLookup(f => f.Key, f => f.Value ?? "", StringComparer.OrdinalIgnoreCase);
        int Number(string name) => int.TryParse(form[name].FirstOrDefault(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var n) ? n : 0;
        long Long(string name) => long.TryParse(form[name].FirstOrDefault(), NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0;
        string? Text(string name) => form[name].FirstOrDefault();
        bool Yes(string name) => "true".Equals(Text(name), StringComparison.OrdinalIgnoreCase);
        T? Named<T>(string name)
            where T : struct, Enum => Enum.TryParse<T>(Text(name), ignoreCase: true, out var value) && Enum.IsDefined(value) ? value : null;
        var (athlete, line, run) = (Number("athlete"), Number("line"), Long("run"));
        LiveCommand? command = verb switch
        {
            LiveVerb.Save => new SaveRep(athlete, line) { Marks = [.. form["mark"]], Measures = [.. form["measure"]], Load = Text("load") ?? "", Part = Named<PartFilled>("part") ?? PartFilled.Unsaid, Overrule = Yes("overrule"), Watch = Named<WatchFrom>("watch") ?? WatchFrom.None, Reaction = Reaction(Text("reaction")) },
            LiveVerb.Outcome => Named<RunOutcome>("what") is { } what ? new RepOutcome(athlete, line, what) : null,
            LiveVerb.Seen => new NoteSeen(run, Text("code") ?? "", Text("on") is null || Yes("on")),
            LiveVerb.Pick => new PickReading(run, Text("what") ?? ""),
            LiveVerb.NotThis => new DismissGate(Number("gate")),
            LiveVerb.Call => new CallAthlete(athlete),
            LiveVerb.Line => new GoToLine(line, Text("round") is null ? 1 : Number("round")),
            LiveVerb.Done => new StopForToday(athlete, Text("reason")),
            LiveVerb.Return => new GoOn(athlete),
            LiveVerb.Arrive => new Arrive(athlete),
            LiveVerb.Later => new GoLater(athlete),
            LiveVerb.Other => new DoOther(athlete, line, Text("work")),
            LiveVerb.Hold => new HoldBack(athlete, Text("reason")),
            LiveVerb.Allow => new AllowFull(athlete, Text("by"), Number("holds")),
            LiveVerb.Timing => new SetTiming(line, Named<TimingMethod>("method") ?? default, Named<StartTrigger>("trigger") ?? default, Named<EntryMode>("entry") ?? default, Text("behind")),
            LiveVerb.Reps => new ChangeReps(line, Number("by")),
            LiveVerb.Undo => new UndoRun(run, Yes("back"), Text("reading") is null ? null : Long("reading")),
            _ => null,
        };
        command = command is RepCommand rep
            ? rep with { Rep = Text("rep") is { Length: > 0 } ? Number("rep") : null, Side = Named<Side>("side"), Gate = Text("gate") is { Length: > 0 } ? Number("gate") : null, Seen = [.. form["seen"]] }
            : command;
        return command is null ? null : command with
        {
            Client = Guid.TryParse(Text("client"), out var client) ? client : Guid.Empty,
            At = Long("at") is > 0 and < LastMillisecond and var at ? DateTimeOffset.FromUnixTimeMilliseconds(at).UtcDateTime : null,
        };
    }

    // Of a reaction, what nobody can have is not taken.
    private static double? Reaction(string? text) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var seconds) && seconds is >= -10 and <= LongestReaction ? Math.Round(seconds, 3) : null;

    private const double LongestReaction = 5;

    // The last moment of the year 9999.
    private const long LastMillisecond = 253402300799999;
}
