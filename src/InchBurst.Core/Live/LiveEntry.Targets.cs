using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>What a rep is to be: expected times, goals, loads, and what there is to beat.</summary>
public static partial class LiveEntry
{
    /// <summary>What stands beside each box of a line: what is expected of an athlete, and the best to beat.</summary>
    /// <param name="state">The session.</param>
    /// <param name="demand">What the line asks of the athlete.</param>
    /// <param name="setting">What the session is held in.</param>
    /// <param name="athlete">The athlete as the book knows them.</param>
    public static IReadOnlyList<BoxTarget> Targets(LiveState state, LineDemand demand, LiveSetting setting, LiveAthlete athlete)
    {
        var timing = state.TimingOf(demand.Line.Id);
        var boxes = Boxes(demand, timing, setting.DistanceUnit, setting.MassUnit);
        var run = Expected(demand, timing, demand.Line.SideOfTurn(state.NextRep(athlete.Id, demand.Line.Id)));
        var stretches = run is null ? [] : Stretches.Of(run);
        var marks = LineMarks.Expected(demand);
        var skip = marks.Count - boxes.Count(b => b.IsMark);
        return
        [
            .. boxes.Select((box, i) =>
            {
                if (!box.IsMark)
                {
                    return OfMeasure(demand, demand.Line.AskedMeasures[i - boxes.Count(b => b.IsMark)], setting, athlete);
                }

                var at = i + skip;
                var from = timing.Entry == EntryMode.Cumulative || at == 0 ? 0 : marks[skip > 0 ? 0 : at - 1].Millimetres;
                var best = stretches.Where(s => s.FromMillimetres == from && s.ToMillimetres == marks[at].Millimetres).Select(s => Best(state, athlete, s.Key, from, s.ToMillimetres, null)).FirstOrDefault(b => b is not null);
                var target = BoxTarget.Of(OfOwn(demand, athlete, state, from, marks[at].Millimetres) ?? box.ExpectedSeconds, best);
                return at == marks.Count - 1 && from == 0 && GoalOf(demand.Line, athlete) is { } goal ? target with { Aim = goal } : target;
            }),
        ];
    }

    // A curve foretells a sprint; shuttles and long runs are foretold by the athlete's own latest ones where there are enough.
    private static double? OfOwn(LineDemand demand, LiveAthlete athlete, LiveState state, int from, int to) => demand.Course is null or { IsStraightSprint: true, IntentMetres: <= LongestByCurve } ? null
        : athlete.Ranges.Where(r => r.Line == demand.Line.Id && r.Side == demand.Line.SideOfTurn(state.NextRep(athlete.Id, demand.Line.Id))).SelectMany(r => r.Ranges)
            .Where(r => r.FromMillimetres == from && r.ToMillimetres == to && r.Runs >= MarkEntry.RangeRuns).Select(r => (double?)((r.Fastest + r.Slowest) / 2)).FirstOrDefault();

    private const double LongestByCurve = 80;

    // What the whole rep is to be done in, in words; null where nothing is said or known.
    private static string? GoalOf(PlanLine line, LiveAthlete athlete) => line.Goal switch
    {
        { Seconds: not null } goal => ShorthandPrinter.GoalText(goal),
        { AerobicPercent: { } percent } when athlete.AerobicSpeed is { } speed && line.Shape is RunShape run => $"in {Figures.Split(AerobicPace.SecondsOf(run, speed, percent))}",
        _ => null,
    };

    /// <summary>What the time of a rep says of what it was to be done in: "0.4 s over 18 s"; null where that was not said, or was not timed whole.</summary>
    /// <param name="run">The run.</param>
    /// <param name="line">Its line.</param>
    public static string? GoalWords(LiveRun run, PlanLine line)
    {
        if (line.Goal is not { Seconds: { } seconds } goal || line.Shape is not RunShape shape || run.What.Trigger == StartTrigger.ZoneLine
            || run.What.Marks.Where(m => Math.Abs(m.At.Metres - shape.IntentMetres) < 0.01).Select(m => (double?)m.Seconds).FirstOrDefault() is not { } time)
        {
            return null;
        }

        var (over, said) = (time - (goal.MostSeconds ?? seconds), ShorthandPrinter.GoalText(goal)["in ".Length..]);
        return over > 0.005 ? $"{Figures.Exact(over, 2)} s over {said}" : time < seconds - 0.005 ? $"{Figures.Exact(seconds - time, 2)} s inside {said}" : $"on {said}";
    }

    // A heart rate has no best, and more dragged is no better; of a lift the maximum it is reckoned from is told.
    private static BoxTarget OfMeasure(LineDemand demand, MeasureKind kind, LiveSetting setting, LiveAthlete athlete)
    {
        string Text(double value) => Measures.Text(new(kind, value), setting.DistanceUnit, setting.MassUnit);
        var name = demand.Line.Exercise ?? ShorthandPrinter.Dose(demand.Line);
        var best = athlete.Measured.Where(m => m.Kind == kind && m.Exercise.Equals(name, StringComparison.OrdinalIgnoreCase)).Select(m => (double?)m.Value).FirstOrDefault();
        return new(null, null)
        {
            Aim = (kind, demand.Line.Load) switch
            {
                (MeasureKind.HeartRate, _) => demand.Line.HeartRate is { } band ? $"{band} bpm" : "",
                (MeasureKind.Load, { Unit: LoadUnit.PercentMaximum } lift) => best is { } most ? Text(LiftMaximum.ToLift(most, lift.Amount, setting.MassUnit)) : $"{Figures.Number(lift.Amount, 1)}% of max",
                (MeasureKind.Load, { Pieces: > 1 } pair) => ShorthandPrinter.LoadText(pair),
                (MeasureKind.Load, { Kind: LoadKind.Lift, Unit: LoadUnit.Light or LoadUnit.Medium or LoadUnit.Heavy } word) => ShorthandPrinter.LoadText(word),
                (MeasureKind.Load, { Kind: LoadKind.Lift, Unit: LoadUnit.PercentBodyMass } share) => LiftMaximum.OfBody(share, athlete.MassKilograms, setting.MassUnit) is { } bar ? Text(bar.Most) : $"{Figures.Number(share.Amount, 1)}% of body mass",
                (MeasureKind.Load, { Unit: not LoadUnit.PercentBodyMass } load) when LoadEffect.Kilograms(load, 0) is { } kilograms => Text(kilograms),
                (MeasureKind.Load, { Unit: LoadUnit.PercentBodyMass } load) when athlete.MassKilograms is { } mass => Text(LoadEffect.Kilograms(load, mass)!.Value),
                (MeasureKind.Reps, _) when demand.Line.Shape is CountShape { Count: > 1 } count => $"{count.Count}",
                _ => "",
            },
            Best = best is null || kind is MeasureKind.HeartRate or MeasureKind.Reps || (kind == MeasureKind.Load && !demand.Line.IsLift) ? "" : $"{(kind == MeasureKind.Load ? "max" : "best")} {Text(best.Value)}",
        };
    }
}
