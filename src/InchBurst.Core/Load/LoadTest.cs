using InchBurst.Core.Sprint;

namespace InchBurst.Core.Load;

/// <summary>A full run from rest with a load and its gate times.</summary>
/// <param name="Kilograms">Load in kg: 0 free, negative for a pull.</param>
/// <param name="Marks">Gates in rising order: metres from the start line, seconds on the clock.</param>
/// <param name="ClockFromMetres">Metres from the start line at which the clock starts: 0 with the first movement.</param>
public sealed record LoadRun(double Kilograms, IReadOnlyList<GateTime> Marks, double ClockFromMetres = 0);

/// <summary>
/// Top speeds of a test day. A runner's push falls with speed by the same line whatever is dragged (dv/dt = F0 (1 - v/V0) - (k/m) v^2 - R/m), so one fall of push is found for
/// all runs together and a top speed for each.
/// </summary>
public static class LoadTest
{
    // Bounds of the fall of push, 1/s (1/tau without air), wider than any sprint from rest, and of top speeds, m/s.
    private const double LeastFall = 0.35;
    private const double MostFall = 2.5;
    private const double MinSpeed = 0.5;
    private const double MaxSpeed = 16;
    private const int MostSteps = 24;
    private const int MostSpeedSteps = 12;
    private const double Little = 1e-4;
    private const double Golden = 0.6180339887498949;

    /// <summary>The top speed of every run.</summary>
    /// <param name="runs">Runs of one athlete and day, each with a mark at least.</param>
    /// <param name="tau">Time constant to take where no run has two marks, s, above 0.</param>
    /// <param name="bodyKilograms">Body mass, kg, for the drag of the air.</param>
    /// <returns>Points in order; none for a run whose times no human could run.</returns>
    public static LoadTestPoints Points(IReadOnlyList<LoadRun> runs, double tau, double bodyKilograms)
    {
        var drag = new BodyAndAir(bodyKilograms, LoadKnown.UsualHeightMetres).DragConstant / bodyKilograms;
        var fall = runs.Any(r => r.Marks.Count > 1) ? Least(LeastFall, MostFall, f => runs.Sum(r => Fit(r, f, drag).Squares)) : 1 / tau;
        return new([.. runs.Select(r => new LoadPoint(r.Kilograms, Fit(r, fall, drag).TopSpeed)).Where(p => p.TopSpeed is > MinSpeed + 0.01 and < MaxSpeed - 0.01)], fall, drag);
    }

    // Golden section: the place of the one valley of a function.
    private static double Least(double low, double high, Func<double, double> of)
    {
        var (a, b) = (high - (Golden * (high - low)), low + (Golden * (high - low)));
        var (fa, fb) = (of(a), of(b));
        for (var i = 0; i < MostSteps; i++)
        {
            if (fa < fb)
            {
                (high, b, fb) = (b, a, fa);
                a = high - (Golden * (high - low));
                fa = of(a);
            }
            else
            {
                (low, a, fa) = (a, b, fb);
                b = low + (Golden * (high - low));
                fb = of(b);
            }
        }

        return (low + high) / 2;
    }

    // The top speed whose curve comes nearest to the marks, by Gauss-Newton on its logarithm: times go nearly with one over speed, so few steps do.
    private static (double TopSpeed, double Squares) Fit(LoadRun run, double fall, double drag)
    {
        double[] Late(double speed)
        {
            var curve = new AirCurve(speed, fall, drag);
            var lead = curve.TimeTo(run.ClockFromMetres);
            return [.. run.Marks.Select(m => m.Seconds - curve.TimeTo(m.Metres) + lead)];
        }

        var log = Math.Log(Math.Clamp((run.Marks[^1].Metres - run.ClockFromMetres) / run.Marks[^1].Seconds * 1.3, MinSpeed, MaxSpeed));
        for (var i = 0; i < MostSpeedSteps; i++)
        {
            var (here, above, below) = (Late(Math.Exp(log)), Late(Math.Exp(log + Little)), Late(Math.Exp(log - Little)));
            double up = 0, down = 0;
            for (var k = 0; k < here.Length; k++)
            {
                var by = (above[k] - below[k]) / (2 * Little);
                up += by * here[k];
                down += by * by;
            }

            var next = Math.Clamp(log - (up / down), Math.Log(MinSpeed), Math.Log(MaxSpeed));
            var moved = Math.Abs(next - log);
            log = next;
            if (moved < 1e-9)
            {
                break;
            }
        }

        return (Math.Exp(log), Late(Math.Exp(log)).Sum(r => r * r));
    }
}

/// <summary>Top speeds of a test day.</summary>
/// <param name="Points">Top speed of each run.</param>
/// <param name="Fall">Push lost for each m/s, 1/s.</param>
/// <param name="DragPerKilogram">k/m, 1/m.</param>
public sealed record LoadTestPoints(IReadOnlyList<LoadPoint> Points, double Fall, double DragPerKilogram)
{
    /// <summary>How much each load slowed against the free runs of the same day, percent, light to heavy; none without a free run.</summary>
    public IReadOnlyList<(double Kilograms, double Decrement)> Slowings => Points.Any(p => p.Kilograms == 0) && Points.Where(p => p.Kilograms == 0).Average(p => p.TopSpeed) is var free
        ? [.. Points.Where(p => p.Kilograms != 0).GroupBy(p => p.Kilograms).OrderBy(g => g.Key).Select(g => (g.Key, 100 * (1 - (g.Average(p => p.TopSpeed) / free))))]
        : [];

    /// <summary>These with the runs of later days, each taken as a share of its own day's free speed, so that a good or a heavy day does not bend the line; days without a free run say nothing.</summary>
    /// <param name="later">Later days on the same floor.</param>
    public LoadTestPoints With(IEnumerable<LoadTestPoints> later)
    {
        var free = Points.Where(p => p.Kilograms == 0).Average(p => p.TopSpeed);
        return this with { Points = [.. Points, .. later.SelectMany(d => d.Shares.Select(s => new LoadPoint(s.Kilograms, s.Share * free)))] };
    }

    private IEnumerable<(double Kilograms, double Share)> Shares => Points.Any(p => p.Kilograms == 0) && Points.Where(p => p.Kilograms == 0).Average(p => p.TopSpeed) is var free
        ? Points.Where(p => p.Kilograms != 0).Select(p => (p.Kilograms, p.TopSpeed / free)) : [];

    /// <summary>The load line through them.</summary>
    public LoadLineOutcome Line() => LoadLine.Of(Points, DragPerKilogram / Fall);
}
