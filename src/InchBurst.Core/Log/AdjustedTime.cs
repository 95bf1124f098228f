using InchBurst.Core.Demand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>What a time can be freed of.</summary>
[Flags]
public enum Adjusts
{
    /// <summary>Nothing: as timed.</summary>
    None = 0,

    /// <summary>Wind and height above the sea.</summary>
    Air = 1,

    /// <summary>The reaction to a gun.</summary>
    Reaction = 2,

    /// <summary>The rounding and the reaction of a hand on a watch.</summary>
    Hand = 4,

    /// <summary>Everything that is known.</summary>
    All = Air | Reaction | Hand,
}

/// <summary>One adjustment of a time.</summary>
/// <param name="What">What is taken out.</param>
/// <param name="Seconds">Seconds to add to the time; negative makes it shorter.</param>
/// <param name="Words">In a coach's words: "wind +1.8: +0.04 s".</param>
public sealed record Adjustment(Adjusts What, double Seconds, string Words)
{
    /// <summary>True from a hundredth of a second on; less is taken out but not told.</summary>
    public bool IsTold => Math.Abs(Seconds) >= 0.005;
}

/// <summary>A time as read with what may be taken out of it, each by its name.</summary>
/// <param name="Raw">The time as read in s.</param>
/// <param name="Parts">What may be taken out.</param>
public sealed record AdjustedTime(double Raw, IReadOnlyList<Adjustment> Parts)
{
    /// <summary>The time without some of what is known, s.</summary>
    /// <param name="what">What is to be taken out; the rest stays in.</param>
    public double Without(Adjusts what) => Raw + Parts.Where(p => what.HasFlag(p.What)).Sum(p => p.Seconds);

    /// <summary>The parts that are taken out, in words; empty when none is.</summary>
    /// <param name="what">What is taken out.</param>
    public string Words(Adjusts what) => string.Join(", ", Parts.Where(p => p.IsTold && what.HasFlag(p.What)).Select(p => p.Words));

    /// <summary>A time of a run over a stretch.</summary>
    /// <param name="run">The run.</param>
    /// <param name="fromMillimetres">Where the stretch begins; 0 for the start.</param>
    /// <param name="toMillimetres">Where it ends.</param>
    /// <param name="seconds">The time in s.</param>
    public static AdjustedTime Of(LoggedRun run, int fromMillimetres, int toMillimetres, double seconds) => Of(run, StillAir.Of(run), fromMillimetres, toMillimetres, seconds);

    /// <summary>A time of a run over a stretch, with what the air did to that run known already: one run has many times.</summary>
    /// <param name="run">The run.</param>
    /// <param name="still">What the air did to it; null when nothing.</param>
    /// <param name="fromMillimetres">Where the stretch begins; 0 for the start.</param>
    /// <param name="toMillimetres">Where it ends.</param>
    /// <param name="seconds">The time in s.</param>
    public static AdjustedTime Of(LoggedRun run, StillAir? still, int fromMillimetres, int toMillimetres, double seconds)
    {
        var parts = new List<Adjustment>();
        var fromStart = fromMillimetres == 0 && run.HasStart;
        if (still?.Seconds(fromMillimetres / 1000.0, toMillimetres / 1000.0) is { } air)
        {
            var height = run.Setting.AltitudeMetres is >= RunSetting.LeastAltitude and var h ? $"{Figures.Number(h)} m above the sea" : "";
            var words = string.Join(" and ", new[] { RunSetting.WindWords(run.Setting.WindMetresPerSecond), height }.Where(w => w.Length > 0));
            parts.Add(new(Adjusts.Air, air, $"{words}: {Figures.Signed(air, 2)} s"));
        }

        if (fromStart && run.Trigger == StartTrigger.Gun && run.ReactionSeconds is { } reaction)
        {
            parts.Add(new(Adjusts.Reaction, -reaction, $"reaction: {Figures.Signed(-reaction, 2)} s"));
        }

        if (fromStart && run.Method == TimingMethod.Hand)
        {
            var hand = HandTime.AsElectronic(seconds) - seconds;
            parts.Add(new(Adjusts.Hand, hand, $"by hand, up to the tenth and 0.24: {Figures.Signed(hand, 2)} s"));
        }

        return new(seconds, parts);
    }

    /// <summary>A run with some of what is known taken out of every mark, so that curves and comparisons are of that.</summary>
    /// <param name="run">The run.</param>
    /// <param name="what">What is taken out.</param>
    public static LoggedRun Without(LoggedRun run, Adjusts what)
    {
        var parts = Adjusts.None;
        var still = StillAir.Of(run);
        LoggedMark Of(LoggedMark mark)
        {
            var adjusted = AdjustedTime.Of(run, still, 0, mark.At.Millimetres, mark.Seconds);
            parts |= adjusted.Parts.Where(p => what.HasFlag(p.What)).Aggregate(Adjusts.None, (all, p) => all | p.What);
            return mark with { Seconds = adjusted.Without(what) };
        }

        if (!run.HasStart)
        {
            return run;
        }

        List<LoggedMark> marks = [.. run.Marks.Select(Of)];
        var setting = parts.HasFlag(Adjusts.Air) ? run.Setting with { WindMetresPerSecond = 0, AltitudeMetres = null } : run.Setting;
        return run with { Marks = marks, Setting = setting, Trigger = parts.HasFlag(Adjusts.Reaction) ? StartTrigger.FirstMove : run.Trigger, ReactionSeconds = parts.HasFlag(Adjusts.Reaction) ? null : run.ReactionSeconds };
    }
}

/// <summary>
/// What moving or thin air did to a run: the times of a runner of usual build who runs as fast as this one did, simulated with the air there was
/// and in still air at sea level (forces of <see cref="SprintSimulation"/>). Over 100 m from the start Mureika's formula is used (2001).
/// </summary>
public sealed class StillAir
{
    // A runner of 75 kg and 1.80 m, whose drag is close to everybody's: k/m differs by some 10% between people, and so does the adjustment.
    private static readonly double Drag = new BodyAndAir(75, 1.80).DragConstant / 75;

    // How soon a runner's push falls with speed; the speed is what is looked for.
    private const double Fall = 0.78;
    private const double LeastSpeed = 3;
    private const double MostSpeed = 16;
    private const double FormulaMetres = 100;

    private readonly LoggedRun run;
    private readonly double[] metres;
    private readonly IReadOnlyList<double> still;
    private readonly IReadOnlyList<double> moved;

    // Both runs are simulated once, to every mark.
    private StillAir(LoggedRun run, SprintSimulation runner, RunConditions there)
    {
        this.run = run;
        metres = [.. run.Marks.Select(m => m.At.Metres)];
        (still, moved) = (runner.TimesTo(metres, new(Drag)), runner.TimesTo(metres, there));
    }

    /// <summary>What the air did to a run; null when nobody said what it was, it did nothing, or the run is not straight on.</summary>
    /// <param name="run">The run.</param>
    public static StillAir? Of(LoggedRun run)
    {
        if (!run.Setting.ChangesAir || !run.Trial.IsStraight || run.Marks.Count == 0)
        {
            return null;
        }

        var there = new RunConditions(Drag, run.Setting.WindMetresPerSecond ?? 0, AltitudeMetres: run.Setting.AltitudeMetres ?? 0);
        var (from, to) = (run.HasStart ? 0 : run.Marks[0].At.Metres, run.Marks[^1].At.Metres);
        var seconds = run.Marks[^1].Seconds - (run.HasStart ? 0 : run.Marks[0].Seconds);

        // The time goes almost as one over the speed, so a few rounds of correcting in that proportion settle it.
        var speed = Math.Clamp((to - from) / seconds, LeastSpeed, MostSpeed);
        for (var i = 0; i < MostRounds; i++)
        {
            var off = Between(Runner(speed), there, from, to) / seconds;
            if (!double.IsFinite(off) || speed * off is < LeastSpeed or > MostSpeed)
            {
                return null;
            }

            speed *= off;
            if (Math.Abs(off - 1) < Settled)
            {
                break;
            }
        }

        return new(run, Runner(speed), there);
    }

    private const int MostRounds = 12;
    private const double Settled = 1e-5;

    /// <summary>Seconds to add to a time between marks, or from the start to one, to have it in still air at sea level; null where the run has no such mark or the runner does not get.</summary>
    /// <param name="from">Where the stretch begins, m from the start; 0 for the start.</param>
    /// <param name="to">Where it ends, m.</param>
    public double? Seconds(double from, double to)
    {
        if (from <= 0 && Math.Abs(to - FormulaMetres) < 0.01 && run.HasStart && run.Marks.FirstOrDefault(m => Math.Abs(m.At.Metres - to) < 0.01) is { Seconds: > 0 } mark)
        {
            return Mureika(mark.Seconds, run.Setting.WindMetresPerSecond ?? 0, run.Setting.AltitudeMetres ?? 0) - mark.Seconds;
        }

        return Change(to) - (from > 0 ? Change(from) : 0);
    }

    // Of a mark; null elsewhere, and where the runner does not get.
    private double? Change(double at)
    {
        var i = Array.FindIndex(metres, m => Math.Abs(m - at) < 0.0005);
        return i >= 0 && still[i] - moved[i] is var change && double.IsFinite(change) ? change : null;
    }

    /// <summary>A time over 100 m in still air at sea level. Source: Mureika 2001 (from memory, science of the 100 m).</summary>
    /// <param name="seconds">The time in s.</param>
    /// <param name="wind">Wind in m/s, a tailwind positive.</param>
    /// <param name="altitude">Height above the sea in m.</param>
    public static double Mureika(double seconds, double wind, double altitude) =>
        seconds * (1.03 - (0.03 * Math.Exp(-0.000125 * altitude) * Math.Pow(1 - (wind * seconds / 100), 2)));

    private static SprintSimulation Runner(double speed) => new(speed * Fall, speed);

    private static double Between(SprintSimulation runner, RunConditions air, double from, double to)
    {
        var times = runner.TimesTo(from > 0 ? [from, to] : [to], air);
        return from > 0 ? times[1] - times[0] : times[0];
    }
}
