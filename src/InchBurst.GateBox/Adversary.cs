using InchBurst.Core.Log;
using InchBurst.Core.Sprint;

namespace InchBurst.GateBox;

/// <summary>How often each thing goes wrong, as a share from 0 to 1.</summary>
public sealed record Faults
{
    /// <summary>An arm passes a gate before the trunk, of gates.</summary>
    public double Arm { get; init; }

    /// <summary>A gate misses the runner, of gates.</summary>
    public double Missed { get; init; }

    /// <summary>A dog, a ball or somebody walking back crosses, of runs.</summary>
    public double Stray { get; init; }

    /// <summary>Two run side by side, of runs; half of the reports say no lane.</summary>
    public double TwoLanes { get; init; }

    /// <summary>Gates have clocks of their own that drift, of runs; one in five is not known well enough.</summary>
    public double Drift { get; init; }

    /// <summary>A report is held up and comes after later ones, of reports.</summary>
    public double Late { get; init; }

    /// <summary>A report is sent again, at times under another number, of reports.</summary>
    public double Repeated { get; init; }

    /// <summary>The connection drops: what comes meanwhile is kept and sent when it is back, of reports.</summary>
    public double Dropped { get; init; }

    /// <summary>The athlete starts from a pad beside a signal, which tell of the go and the first movement, of runs. Nothing goes wrong by it, but for one start in twenty that is false.</summary>
    public double Pad { get; init; }

    /// <summary>Everything that can go wrong, often.</summary>
    public static Faults All { get; } = new() { Arm = 0.3, Missed = 0.04, Stray = 0.15, TwoLanes = 0.1, Drift = 0.3, Late = 0.15, Repeated = 0.15, Dropped = 0.05, Pad = 0.3 };
}

/// <summary>A report as it is sent.</summary>
public sealed record Report(Guid Run, int Lane, IReadOnlyList<GatePass> Passes, int Gates, IReadOnlyList<GateClock> Clocks)
{
    /// <summary>What pads and the signal told of the starts.</summary>
    public IReadOnlyList<Start> Starts { get; init; } = [];
}

/// <summary>A start as a pad and a signal tell of it, ms by the report's clock.</summary>
public sealed record Start(int Lane, double Go, double Moved);

/// <summary>What really happened: when the trunk passed each gate, s from gate 0.</summary>
/// <param name="Run">The report's number.</param>
/// <param name="Lane">Lane, from 1; 0 where the report does not say it.</param>
/// <param name="Seconds">At each gate.</param>
/// <param name="Faults">What went wrong, in words.</param>
public sealed record Truth(Guid Run, int Lane, IReadOnlyList<double> Seconds, IReadOnlyList<string> Faults)
{
    /// <summary>From the go to the first movement, s; null where there was no pad.</summary>
    public double? Reaction { get; init; }

    /// <summary>Passes of this lane by clocks that can be trusted: where there are none, nothing can be stored.</summary>
    public int Passes { get; init; }
}

/// <summary>Runners through gates that fail the way gates fail; the same seed gives the same runs.</summary>
public sealed class Adversary(int seed, Faults faults, IReadOnlyList<double> gates)
{
    /// <summary>Noise of one gate, s either way.</summary>
    public const double Noise = 0.003;

    private const double GoodClock = 4;
    private const double BadClock = 60;
    private readonly Random random = new(seed);
    // Starts are drawn apart, so that runs stay the same with and without pads.
    private readonly Random starts = new(unchecked(seed * 31) ^ 0x5EED);
    private double now = 1_000_000;

    /// <summary>One report, with what really happened in it.</summary>
    public (Report Report, IReadOnlyList<Truth> Truths) Next()
    {
        now += 20_000 + (40_000 * random.NextDouble());
        var run = Guid(random);
        var two = Is(faults.TwoLanes);
        var said = two && random.Next(2) == 0;
        var words = new List<string>();
        var (passes, truths, begun) = (new List<GatePass>(), new List<Truth>(), new List<Start>());
        var onPads = starts.NextDouble() < faults.Pad;
        for (var runner = 0; runner < (two ? 2 : 1); runner++)
        {
            // Side by side they start together on lanes that are told apart, and one behind the other where they are not.
            var start = now + (runner == 0 ? 0 : said ? 400 * (random.NextDouble() - 0.5) : 500 + (2500 * random.NextDouble()));
            var curve = new SprintCurve(7 + (2.5 * random.NextDouble()), 1.0 + (0.4 * random.NextDouble()));
            var lane = said ? runner + 1 : 0;
            var seconds = gates.Select(curve.TimeTo).ToList();
            double? reaction = onPads && (said || !two) ? Math.Round(starts.Next(20) == 0 ? (0.18 * starts.NextDouble()) - 0.09 : 0.11 + (0.12 * starts.NextDouble()), 3) : null;
            truths.Add(new(run, lane, seconds, words) { Reaction = reaction });
            if (reaction is { } after)
            {
                begun.Add(new(lane, Math.Round(start - (after * 1000), 1), Math.Round(start, 1)));
            }

            for (var gate = 0; gate < gates.Count; gate++)
            {
                if (Is(faults.Missed))
                {
                    words.Add($"gate {gate} missed");
                    continue;
                }

                var at = start + (seconds[gate] * 1000) + (2000 * Noise * (random.NextDouble() - 0.5));
                passes.Add(new(gate, Math.Round(at, 1), lane));
                if (Is(faults.Arm))
                {
                    // An arm is a third of a metre ahead of the trunk.
                    words.Add($"arm at gate {gate}");
                    passes.Add(new(gate, Math.Round(at - Math.Min(220, 1000 * (0.25 + (0.15 * random.NextDouble())) / Math.Max(1.5, curve.SpeedAt(seconds[gate]))), 1), lane));
                }
            }
        }

        if (two)
        {
            words.Add(said ? "two lanes" : "two runners, lanes not told apart");
        }

        if (Is(faults.Stray))
        {
            var lane = said ? 1 + random.Next(2) : 0;
            if (random.Next(3) == 0)
            {
                // Somebody walks back, past every gate.
                var from = now + 7000 + (6000 * random.NextDouble());
                passes.AddRange(Enumerable.Range(0, gates.Count).Select(g => new GatePass(g, Math.Round(from + ((gates[^1] - gates[g]) / 1.4 * 1000), 1), lane)));
                words.Add("walked back");
            }
            else
            {
                var gate = random.Next(gates.Count);
                passes.Add(new(gate, Math.Round(now + (30_000 * (random.NextDouble() - 0.5)), 1), lane));
                words.Add($"a dog or a ball at gate {gate}");
            }
        }

        IReadOnlyList<GateClock> clocks = [];
        if (Is(faults.Drift))
        {
            // Each gate has a clock of its own, wrong by up to some seconds; how far is known, well or badly.
            clocks = [.. gates.Select((_, g) => new GateClock(g + 1, Math.Round(4000 * (random.NextDouble() - 0.5), 2), random.Next(5 * gates.Count) == 0 ? BadClock : GoodClock))];
            var off = clocks.Select(c => (random.NextDouble() - 0.5) * (c.WithinMilliseconds > GoodClock ? c.WithinMilliseconds : 2)).ToList();
            passes = passes.ConvertAll(p => p with { Clock = p.Gate + 1, Milliseconds = p.Milliseconds + clocks[p.Gate].AheadMilliseconds + off[p.Gate] });
            words.Add("clocks drift");
        }

        var report = new Report(run, 0, [.. passes.OrderBy(_ => random.Next()).Take(GateFeed.MostPasses)], gates.Count, clocks) { Starts = begun };
        var lanes = GateFeed.Lanes(GateFeed.Together(report.Passes, clocks).Passes, report.Lane);
        return (report, truths.ConvertAll(t => t with { Passes = lanes.Where(l => l.Lane == t.Lane).Sum(l => l.Passes.Count) }));
    }

    /// <summary>Reports in the order in which they arrive, each as often as it does: some late, some again, some in a heap when the connection is back.</summary>
    /// <param name="reports">In the order run, with when, s.</param>
    public IReadOnlyList<(Report Report, double RanAt, double SentAt)> Deliveries(IReadOnlyList<(Report Report, double RanAt)> reports)
    {
        var sent = new List<(Report, double, double)>();
        var back = 0.0;
        foreach (var (report, ran) in reports)
        {
            back = Is(faults.Dropped) ? Math.Max(back, ran + 120 + (240 * random.NextDouble())) : back;
            var at = Math.Max(back, ran + 0.2) + (Is(faults.Late) ? 30 + (90 * random.NextDouble()) : 0);
            sent.Add((report, ran, at));
            for (var again = Is(faults.Repeated) ? 1 + random.Next(2) : 0; again > 0; again--)
            {
                sent.Add((random.Next(3) == 0 ? report with { Run = Guid(random) } : report, ran, at + (60 * random.NextDouble())));
            }
        }

        return [.. sent.OrderBy(s => s.Item3)];
    }

    private bool Is(double share) => random.NextDouble() < share;

    private static Guid Guid(Random random)
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        return new(bytes);
    }
}
