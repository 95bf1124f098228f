using InchBurst.Core.Demand;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Progress;

/// <summary>Which of the five figures of a sprint's forces.</summary>
public enum ForceKind
{
    /// <summary>F0, N/kg.</summary>
    Push,

    /// <summary>V0, m/s.</summary>
    Speed,

    /// <summary>Pmax, W/kg.</summary>
    Power,

    /// <summary>RFmax, percent.</summary>
    Ratio,

    /// <summary>DRF, percent per m/s; negative, the nearer to 0 the better.</summary>
    Decrease,
}

/// <summary>One figure of the forces with its range.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Value">The figure, in its unit.</param>
/// <param name="Half90">Half width of its 90% range.</param>
public sealed record ForceFigure(ForceKind Kind, double Value, double Half90)
{
    /// <summary>Its sign in the field.</summary>
    public string Name => Kind switch { ForceKind.Push => "F0", ForceKind.Speed => "V0", ForceKind.Power => "Pmax", ForceKind.Ratio => "RFmax", _ => "DRF" };

    /// <summary>Its unit.</summary>
    public string Unit => Kind switch { ForceKind.Push => "N/kg", ForceKind.Speed => "m/s", ForceKind.Power => "W/kg", ForceKind.Ratio => "%", _ => "% per m/s" };

    /// <summary>What it is, in a coach's words.</summary>
    public string Words => Kind switch
    {
        ForceKind.Push => "push forwards at the first step",
        ForceKind.Speed => "speed at which no push would be left",
        ForceKind.Power => "most power forwards",
        ForceKind.Ratio => "of the push on the ground that goes forwards, 0.3 s in",
        _ => "of it that is lost with each m/s of speed",
    };
}

/// <summary>The forces of the curve that stands for an athlete, each with its range.</summary>
public static class ForceReading
{
    private const double Upper = 1.645;
    private const double Nudge = 1e-3;

    /// <summary>The five figures (Samozino et al. 2016). Ranges carry the errors of MSS and tau through, taken as independent (delta method).</summary>
    /// <param name="fit">The curve that stands.</param>
    /// <param name="body">The athlete and the air.</param>
    public static IReadOnlyList<ForceFigure> Of(StandingFit fit, BodyAndAir body)
    {
        double[] At(double mss, double tau) => SprintForces.From(new(mss, tau), body) is var f ? [f.F0, f.V0, f.PeakPower, f.RatioMax * 100, f.RatioDecrease * 100] : [];
        var (mss, tau) = (fit.Curve.Mss, fit.Curve.Tau);
        var here = At(mss, tau);

        // A percent each way: the sampling of the forces ends on a whole hundredth of a second, so smaller steps would see its corners.
        var (hm, ht) = (mss * Nudge * 10, tau * Nudge * 10);
        var (up, down, longer, shorter) = (At(mss + hm, tau), At(mss - hm, tau), At(mss, tau + ht), At(mss, tau - ht));
        return
        [
            .. Enum.GetValues<ForceKind>().Select((kind, i) =>
            {
                var (byMss, byTau) = ((up[i] - down[i]) / (2 * hm) * fit.MssError, (longer[i] - shorter[i]) / (2 * ht) * fit.TauError);
                return new ForceFigure(kind, here[i], Upper * Math.Sqrt((byMss * byMss) + (byTau * byTau)));
            }),
        ];
    }
}

/// <summary>What an athlete is short of.</summary>
public enum ShortOf
{
    /// <summary>Neither more than the other.</summary>
    Neither,

    /// <summary>Push.</summary>
    Push,

    /// <summary>Speed.</summary>
    Speed,
}

/// <summary>Something to train, with its reason.</summary>
/// <param name="What">What to do.</param>
/// <param name="Why">Why, by what figure or school.</param>
/// <param name="Caution">What has to be minded; empty when nothing more than usual.</param>
public sealed record TrainingHint(string What, string Why, string Caution = "");

/// <summary>What the simulated gains suggest to train, within the school in use.</summary>
public static class ForceAdvice
{
    /// <summary>Distance over which athletes are compared, m (own rule: half of it is spent pushing, half at speed).</summary>
    public const double CompareMetres = 20;

    /// <summary>By how much the worth of push against that of speed must differ from the squad's middle before one of them is called short (own rule).</summary>
    public const double Differs = 0.05;

    // Of two gains the greater by less than this is no reason to choose.
    private const double Clear = 1.1;

    /// <summary>
    /// What an athlete is short of beside the squad: 3% more push and 3% more speed are simulated for everybody; whoever would win more by push, against speed, than the middle of the squad is short of it.
    /// </summary>
    /// <param name="own">Gains of the athlete.</param>
    /// <param name="squad">Gains of everybody of the squad.</param>
    /// <returns>What is short, or null with too few others.</returns>
    public static ShortOf? Short(GainEffect own, IReadOnlyCollection<GainEffect> squad)
    {
        static double Worth(GainEffect of) => of.At.Single(g => Math.Abs(g.Metres - CompareMetres) < 1e-9) is var at ? at.Push / at.Speed : 0;
        if (squad.Count < ForceBalance.FewestAthletes)
        {
            return null;
        }

        var beside = Worth(own) / MathNet.Numerics.Statistics.Statistics.Median(squad.Select(Worth));
        return beside > 1 + Differs ? ShortOf.Push : beside < 1 - Differs ? ShortOf.Speed : ShortOf.Neither;
    }

    /// <summary>Hints for an athlete: what wins most over short and over long distances by simulation, as the school trains it.</summary>
    /// <param name="gain">Simulated gains.</param>
    /// <param name="school">The school in use.</param>
    /// <param name="isYoung">True under 16.</param>
    /// <param name="isHeld">True when the athlete is not in full training.</param>
    public static IReadOnlyList<TrainingHint> Of(GainEffect gain, CoachingSchool school, bool isYoung, bool isHeld)
    {
        var hints = new List<TrainingHint>();
        var care = isHeld ? "Not in full training: whoever treats the athlete decides first." : "";
        var (push, speed) = (Where(gain, (p, s) => p > s * Clear), Where(gain, (p, s) => s > p * Clear));
        string Won(IReadOnlyList<GainAt> at, Func<GainAt, double> of, Func<GainAt, double> other) =>
            $"3% more wins {Figures.Exact(of(at[0]) * 100, 1)} hundredths over {Figures.Number(at[0].Metres)} m against {Figures.Exact(other(at[0]) * 100, 1)}";
        if (push.Count > 0)
        {
            var won = "Push: " + Won(push, g => g.Push, g => g.Speed);
            var heaviest = school["load.heaviest"];
            hints.Add(new("Starts and accelerations of 10 to 20 m, fresh each time", $"{won}. “{school.Name}”: {Figures.Clock(school["rest.free"])} of rest for each 10 m, up to {Figures.Number(school["volume.acceleration"])} m a session.", care));
            hints.Add(isYoung ? new("Hills and jumps instead of loads", $"{won}. Under {Limits.YoungYears}: no heavy loads.", care)
                : heaviest > school["load.bracket"] ? new($"Sleds that slow by up to {Figures.Number(heaviest)}%, 10 to 20 m", $"{won}. “{school.Name}” goes from heavy to free over {Figures.Number(school["load.weeks"])} weeks; up to {Figures.Number(school["volume.resisted"])} m a session.", Both(care, "Lane clear, harness and rope checked."))
                : new($"Light sleds, at most {Figures.Number(heaviest)}% slower", $"{won}. “{school.Name}” keeps loads so light that the movement stays the same; another school would pull heavier.", Both(care, "Lane clear, harness and rope checked.")));
        }

        if (speed.Count > 0)
        {
            var last = speed[^1];
            var won = $"Speed: 3% more wins {Figures.Exact(last.Speed * 100, 1)} hundredths over {Figures.Number(last.Metres)} m against {Figures.Exact(last.Push * 100, 1)}";
            hints.Add(new($"Flying 10 m after 20 to 40 m, at most {Figures.Number(school["reps.flies"])}", $"{won}. “{school.Name}”: top speed at least every {Figures.Number(school["week.every"])} days.", Both(care, "The run-out is clear; a sore hamstring is a stop.")));
            if (!isYoung && !isHeld)
            {
                hints.Add(new($"Help of at most {Figures.Number(school["assisted.ceiling"])}%, seldom", $"{won}. Only for those who run well at full speed.", "Never for beginners or with a sore hamstring; bands and anchors checked, nobody in line with them."));
            }
        }

        if (hints.Count == 0)
        {
            hints.Add(new("Keep both: starts one day, flies another", "3% more of either wins about the same over all of 10 to 40 m.", care));
        }

        return hints;
    }

    private static string Both(string first, string second) => first.Length == 0 ? second : first + " " + second;

    private static List<GainAt> Where(GainEffect gain, Func<double, double, bool> which) => [.. gain.At.Where(g => which(g.Push, g.Speed))];
}
