using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>What is said of a load before the run.</summary>
/// <param name="Kilograms">Load to take, sled included, kg; null where it has no mass.</param>
/// <param name="Load">The load in words: "27.5 kg"; what it is where it has no mass.</param>
/// <param name="Plates">Plates that make it: "sled + 20"; may be empty.</param>
/// <param name="Window">What the aim allows at the gate: "free 2.98, inside 3.61 to 3.98 s"; may be empty.</param>
public sealed record LoadCall(double? Kilograms, string Load, string Plates, string Window);

/// <summary>The answer at the line: the load of whoever is on it, the times that its aim allows, and what a measured time says of it. Every load is judged by the slowing it means for that athlete.</summary>
public static class LiveLoad
{
    // At less the time says something of the effort, not of the load.
    private const double FullEffort = 95;

    /// <summary>What is known of an athlete to work a load out.</summary>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete.</param>
    public static LoadKnown Known(LiveSetting setting, LiveAthlete athlete) =>
        new(athlete.Curve ?? setting.Pace, athlete.MassKilograms ?? LoadEffect.UsualMassKilograms, setting.Friction ?? Friction.Of(Surface.Unsaid), athlete.Line);

    /// <summary>The load an athlete takes on a line, as plates make it, kg; null where it has no mass.</summary>
    /// <param name="load">Load of the line.</param>
    /// <param name="known">What is known of the athlete.</param>
    /// <param name="sled">Sled with its plates, or null.</param>
    public static double? Kilograms(LineLoad? load, LoadKnown known, SledKit? sled) =>
        known.MassOf(load) is not { } mass ? null : sled?.For(mass.Kilograms).Kilograms ?? Math.Round(mass.Kilograms * 2) / 2;

    /// <summary>What is said before the run; null for a free line.</summary>
    /// <param name="demand">What the line asks of the athlete.</param>
    /// <param name="timing">How it is timed.</param>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete.</param>
    public static LoadCall? Call(LineDemand demand, LineTiming timing, LiveSetting setting, LiveAthlete athlete)
    {
        if (demand is { IsResisted: false, IsAssisted: false } || demand.AppliedLoad is not { } load)
        {
            return null;
        }

        var known = Known(setting, athlete);
        var kilograms = Kilograms(load, known, setting.Sled);
        var stack = kilograms is null ? null : setting.Sled?.For(kilograms.Value);
        var words = kilograms is { } kg ? Measures.Text(new(MeasureKind.Load, kg), setting.DistanceUnit, setting.MassUnit) : Shorthand.ShorthandPrinter.LoadText(load);
        return new(kilograms, words, stack is null ? "" : string.Join(" + ", stack.Plates.Select(p => Figures.Number(p, 2)).Prepend("sled")), WindowText(demand, timing, setting, known));
    }

    private static string WindowText(LineDemand demand, LineTiming timing, LiveSetting setting, LoadKnown known)
    {
        if (demand.HardestEffort < FullEffort || Stretch(demand, timing) is not var (from, to))
        {
            return "";
        }

        var (fastest, slowest) = LoadedTime.Window(known.Curve, from, to, Window(demand, setting));
        return $"free {Figures.Split(LoadedTime.Of(known.Curve, from, to, 0))}, inside {Figures.Split(fastest)} to {Figures.Split(slowest)} s";
    }

    /// <summary>What the time of a run says of its load: "10% slower, inside"; null for a free run, one with less than full effort, or without a time over the stretch that tells it.</summary>
    /// <param name="run">The run.</param>
    /// <param name="demand">What its line asks of the athlete.</param>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete.</param>
    public static LoadVerdict? Verdict(LiveRun run, LineDemand demand, LiveSetting setting, LiveAthlete athlete)
    {
        var what = run.What;
        if (demand is { IsResisted: false, IsAssisted: false } || run.Outcome != RunOutcome.Timed || what.Effort < FullEffort || what.Method == TimingMethod.Hand
            || Stretch(demand, new(what.Method, what.Trigger, what.StartBehindGateMetres)) is not var (from, to))
        {
            return null;
        }

        var behind = what.Trigger == StartTrigger.ZoneLine ? 0 : what.StartBehindGateMetres;
        double? At(double metres) => metres <= behind + 1e-9 ? 0 : what.Marks.Where(m => Math.Abs(m.At.Metres + behind - metres) < 0.01).Select(m => (double?)m.Seconds).FirstOrDefault();
        if (At(from) is not { } first || At(to) is not { } last || last <= first)
        {
            return null;
        }

        var decrement = LoadedTime.DecrementOf(Known(setting, athlete).Curve, from, to, last - first);
        return LoadedTime.Judge(decrement, Window(demand, setting), Taken(run), setting.MassUnit);
    }

    /// <summary>The verdict in words, with the load it is about: "27.5 kg: 30% slower, inside"; null as above.</summary>
    /// <param name="run">The run.</param>
    /// <param name="demand">What its line asks of the athlete.</param>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete.</param>
    public static string? Words(LiveRun run, LineDemand demand, LiveSetting setting, LiveAthlete athlete) => Verdict(run, demand, setting, athlete) is not { } verdict ? null
        : Taken(run) is { } kilograms ? $"{Measures.Text(new(MeasureKind.Load, kilograms), setting.DistanceUnit, setting.MassUnit)}: {verdict.Words}" : verdict.Words;

    private static double? Taken(LiveRun run) => run.Measures.Where(m => m.Kind == MeasureKind.Load).Select(m => (double?)m.Value).FirstOrDefault();

    private static LoadWindow Window(LineDemand demand, LiveSetting setting) =>
        LoadWindow.Of(LoadAim.Of(demand.AppliedLoad), demand.Load.DecrementPercent, demand.IsForTopSpeed, setting.School["load.bracket"], setting.School["assisted.ceiling"]);

    // The stretch that tells the speed, m from the start line: the zone, or from where the clock starts to the last gate.
    private static (double From, double To)? Stretch(LineDemand demand, LineTiming timing)
    {
        var marks = LineMarks.Expected(demand);
        if (marks.Count == 0 || demand.Course is not { IsStraightSprint: true })
        {
            return null;
        }

        var behind = timing.Trigger == StartTrigger.ZoneLine ? 0 : timing.StartBehindGateMetres;
        return LineMarks.Zone(demand) is var (from, to) ? (from.Metres + behind, to.Metres + behind) : timing.Trigger is StartTrigger.Gun or StartTrigger.ZoneLine ? null : (timing.Trigger == StartTrigger.FirstGate ? behind : 0, marks[^1].Metres + behind);
    }
}
