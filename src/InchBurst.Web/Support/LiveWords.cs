using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>Words of the trackside screen.</summary>
public static class LiveWords
{
    /// <summary>Shoes by their name.</summary>
    public static string Of(Shoes shoes) => shoes switch
    {
        Shoes.Unsaid => "not said",
        Shoes.Flats => "flat running shoes",
        Shoes.Studs => "boots with studs",
        Shoes.Court => "court shoes",
        Shoes.Barefoot => "bare feet",
        _ => shoes.ToString().ToLowerInvariant(),
    };

    /// <summary>A surface by its name.</summary>
    public static string Of(Surface surface) => surface switch
    {
        Surface.Unsaid => "not said",
        Surface.Track => "synthetic track",
        Surface.Grass => "natural grass",
        Surface.Turf => "artificial turf",
        Surface.Hall => "hall floor",
        Surface.Road => "road or concrete",
        _ => surface.ToString().ToLowerInvariant(),
    };

    public static string Of(StartTrigger trigger) => trigger switch
    {
        StartTrigger.FirstGate => "first gate",
        StartTrigger.FirstMove => "first movement",
        StartTrigger.Gun => "gun or call",
        _ => "the zone's first line",
    };

    public static string State(TurnState state, bool asks) => state switch
    {
        TurnState.DoneForToday => "Done",
        TurnState.Held => "Held",
        TurnState.OtherWork => "Other drill",
        TurnState.Finished when asks => "Through",
        TurnState.Ready when asks => "Ready",
        _ => "",
    };

    /// <summary>How a line is timed, in a few words.</summary>
    public static string Timing(LineTiming timing, int marks)
    {
        if (marks == 0)
        {
            return "";
        }

        var zone = timing.Entry == EntryMode.ZoneOnly && marks > 1;
        var how = timing.Method == TimingMethod.Electronic ? "by gates" : TimingWords.Of(timing.Method);
        var from = zone ? "zone only" : "clock from " + Of(timing.Trigger);
        var behind = timing.StartBehindGateMetres > 0 && !zone ? $", start {Figures.Number(timing.StartBehindGateMetres, 2)} m behind it" : "";
        var unsaid = timing.AsksForStart ? ", start distance not measured" : "";
        var on = timing.Surface == Surface.Unsaid ? "" : ", " + Trial.SurfaceWords(timing.Surface);
        on += timing.Setting.Shoes == Shoes.Unsaid ? "" : ", " + Trial.ShoeWords(timing.Setting.Shoes);
        return $"{how}, {from}{behind}{unsaid}{on}{(timing.Entry == EntryMode.Segments ? ", split times" : "")}";
    }

    /// <summary>Headline time of one reading of a run, s.</summary>
    public static double Headline(Run run, RunReading reading)
    {
        var own = reading.ToReading();
        return RunMeaning.Against(run.ToLogged() with { Marks = own.Marks, Method = own.Method, Trigger = own.Trigger }, null).Seconds;
    }
}
