using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>A body passing a gate, by the gates' own clock.</summary>
/// <param name="Gate">Number of the gate along the lane, from 0 at the start; rising.</param>
/// <param name="Milliseconds">Clock of the gates in ms; its zero does not matter.</param>
/// <param name="Lane">Lane of the beam, from 1; 0 where the report says it, or nobody does.</param>
/// <param name="Clock">Which clock told it, where gates have clocks of their own; 0 for the report's.</param>
public readonly record struct GatePass(int Gate, double Milliseconds, int Lane = 0, int Clock = 0);

/// <summary>A clock of one gate beside the report's.</summary>
/// <param name="Clock">Which clock.</param>
/// <param name="AheadMilliseconds">How far it is ahead of the report's, ms.</param>
/// <param name="WithinMilliseconds">How well that is known, ms.</param>
public readonly record struct GateClock(int Clock, double AheadMilliseconds, double WithinMilliseconds);

/// <summary>What a run through the gates gives for the marks of a line.</summary>
/// <param name="Seconds">Clock time at each mark in s; null where no gate saw the runner.</param>
/// <param name="ZoneOnly">True when the first mark started the clock.</param>
/// <param name="Problem">Why nothing can be made of it, in a coach's words; null when it can.</param>
public sealed record GateMarks(IReadOnlyList<double?> Seconds, bool ZoneOnly, string? Problem)
{
    /// <summary>What was left out and why, in a coach's words; null when nothing was.</summary>
    public string? Note { get; init; }

    /// <summary>How far a time may be off beyond the noise of gates, s, mark by mark: where two passes of a gate were taken for an arm and the trunk.</summary>
    public IReadOnlyList<double> Within { get; init; } = [];

    /// <summary>What it may have been where the gates cannot tell: the coach says which.</summary>
    public IReadOnlyList<GateMarks> Choices { get; init; } = [];
}

/// <summary>
/// The open gate feed: passes in, times at marks out (docs/formats.md). What gates see is not always one runner once: an arm comes before the
/// trunk, a gate misses, a dog or a ball crosses, somebody walks back, two run side by side. What can only be one run is taken; what a gate
/// missed is left empty; what may be several is asked. Nothing is guessed.
/// </summary>
public static class GateFeed
{
    /// <summary>Most passes of one report that are taken.</summary>
    public const int MostPasses = 40;

    /// <summary>An arm and the trunk behind it pass a gate within this, ms: half a metre of body at 2 m/s, the slowest that a start gate sees (common practice). The trunk counts, as in the rules.</summary>
    public const double OneBody = 250;

    /// <summary>Slower than this from gate to gate nobody runs, m/s: it is a walk.</summary>
    public const double SlowestRun = 1.6;

    /// <summary>A flying zone is run faster than this, m/s; what is slower may be a start whose last gate saw nothing.</summary>
    public const double SlowestFly = 6.5;

    /// <summary>A clock of a gate is good enough where it is known to this, ms: the noise of gates (common practice).</summary>
    public const double BestClock = 10;

    // From stretch to stretch a run does not lose more of its mean speed than this, nor gain more: 0 to 10 m against 10 to 20 m is the steepest.
    private const double MostLoss = 0.85;
    private const double MostGain = 1.75;
    private const double MostGainFromStart = 2.4;

    // An arm reaches so far ahead of the trunk at most, m (half of a body's height, less the bend of the arm; own rule).
    private const double ArmAhead = 0.45;

    // Two who run one behind the other are so close, ms (own rule).
    private const double Close = 1500;

    private const int MostWays = 5000;
    private const int MostChoices = 4;

    /// <summary>The passes of each lane, where a report holds several lanes; else all of them.</summary>
    /// <param name="passes">Passes in any order.</param>
    /// <param name="lane">Lane of the report; 0 when it does not say.</param>
    public static IReadOnlyList<(int Lane, IReadOnlyList<GatePass> Passes)> Lanes(IReadOnlyList<GatePass> passes, int lane) =>
        [.. passes.GroupBy(p => p.Lane > 0 ? p.Lane : lane).OrderBy(g => g.Key).Select(g => (g.Key, (IReadOnlyList<GatePass>)[.. g]))];

    /// <summary>Passes by one clock. A pass whose clock nobody knows well enough is left out, and it is said why.</summary>
    /// <param name="passes">Passes as the gates' clocks told them.</param>
    /// <param name="clocks">How far each clock is ahead.</param>
    public static (IReadOnlyList<GatePass> Passes, string? Note) Together(IReadOnlyList<GatePass> passes, IReadOnlyList<GateClock> clocks)
    {
        var known = clocks.Where(c => double.IsFinite(c.AheadMilliseconds) && c.WithinMilliseconds is >= 0 and <= BestClock).GroupBy(c => c.Clock).ToDictionary(g => g.Key, g => g.Last());
        var loose = passes.Where(p => p.Clock != 0 && !known.ContainsKey(p.Clock)).Select(p => p.Gate).Distinct().Order().ToList();
        return (
            [.. passes.Where(p => p.Clock == 0 || known.ContainsKey(p.Clock)).Select(p => p.Clock == 0 ? p : p with { Milliseconds = p.Milliseconds - known[p.Clock].AheadMilliseconds, Clock = 0 })],
            loose.Count == 0 ? null : $"The {(loose.Count == 1 ? "clock of gate" : "clocks of gates")} {string.Join(", ", loose.Select(g => g + 1))} cannot be trusted to {BestClock:0} ms, so {(loose.Count == 1 ? "its time is" : "their times are")} left out.");
    }

    /// <summary>Turns passes into clock times at the marks a line expects. One gate more than marks means that the first one is the start; as many gates as marks, that the first mark starts the clock.</summary>
    /// <param name="passes">Passes of one lane by one clock, in any order.</param>
    /// <param name="marks">Where times are expected, rising, at least one.</param>
    /// <param name="gates">How many gates stand; 0 when the report does not say.</param>
    /// <param name="isSteady">False where the line itself changes its speed: turns, floats, slowing down.</param>
    public static GateMarks Read(IReadOnlyList<GatePass> passes, IReadOnlyList<Distance> marks, int gates = 0, bool isSteady = true)
    {
        if (marks.Count == 0)
        {
            return None("This line expects no times.");
        }

        var seen = passes.GroupBy(p => p.Gate).OrderBy(g => g.Key).Select(g => (Gate: g.Key, Times: g.Select(p => p.Milliseconds).Distinct().Order().ToList())).ToList();
        if (seen.Count < 2)
        {
            return None("Only one gate saw the runner, so there is no time.");
        }

        var most = Math.Max(gates, seen[^1].Gate + 1);
        if (most != marks.Count + 1 && most != marks.Count)
        {
            return None(seen[0].Gate > 0 && gates == 0 ? "The first gate missed the start of this run." : $"{most} gates reported, and this line expects {marks.Count} {(marks.Count == 1 ? "mark" : "marks")} after the start.");
        }

        if (seen[0].Gate > 0)
        {
            return None("The first gate missed the start of this run.");
        }

        var zone = most == marks.Count;
        var field = new Field(seen, zone ? [.. marks.Select(m => m.Metres)] : [0, .. marks.Select(m => m.Metres)], zone, isSteady);
        var longest = field.Longest();
        if (longest.Count == 0)
        {
            return None(seen.Zip(seen.Skip(1)).Any(p => p.Second.Times[0] <= p.First.Times[0]) ? "The gates saw the runner in another order than they stand." : "Nobody runs as these gates say: too fast or at a walk.");
        }

        GateMarks Made(IReadOnlyList<GatePass> way, string? note = null)
        {
            double Around(int gate) => way.FirstOrDefault(b => b.Gate == gate, new(-1, 0)) is { Gate: >= 0 } body ? field.ArmOf(way, body) / 1000 : 0;
            var shift = zone ? 0 : 1;
            return new([.. marks.Select((_, m) => At(way, m + shift))], zone, null) { Note = note, Within = [.. marks.Select((_, m) => Math.Round(Around(0) + Around(m + shift), 3))] };
        }

        // A gate that saw something, but not this runner, is named.
        string? Left(IReadOnlyList<GatePass> way)
        {
            var left = seen.Select(s => s.Gate).Where(g => (zone || g > 0) && way.All(b => b.Gate != g)).Select(g => marks[zone ? g : g - 1].ToString()).ToList();
            return left.Count == 0 ? null : $"What the {(left.Count == 1 ? "gate" : "gates")} at {string.Join(" and ", left)} saw does not fit the run, so {(left.Count == 1 ? "its time is" : "their times are")} left out.";
        }

        GateMarks Settled(IReadOnlyList<GatePass> way) =>
            way[0].Gate > 0 ? Asked("What the first gate saw does not fit this run, so its start is not known.", [])
            : field.IsCrowded(way) ? Asked("More than one body passed a gate at once.", [Made(way)])
            : field.Other(way) is { } other ? Asked(TwoBodies, [Made(way), .. other.Count > 1 && other[0].Gate == 0 ? [Made(other)] : Array.Empty<GateMarks>()])
            : zone && gates == 0 && isSteady && field.IsSlow(way) ? Asked("This is slow for a flying zone: if the last gate saw nothing, these are times from the start.", [Made(way), new([.. marks.Select((_, m) => At(way, m + 1))], false, null)])
            : Made(way, Left(way));

        var fitting = longest.Where(field.Fits).ToList();
        if (fitting.Count == 1)
        {
            return Settled(fitting[0]);
        }

        if (fitting.Count > 1)
        {
            return Asked(TwoBodies, [.. fitting.Where(w => w[0].Gate == 0).Select(w => Made(w))]);
        }

        // One gate that does not fit the others saw something else: its mark stays empty. Where it may be the start, or one of several, it is asked.
        var without = longest.SelectMany(w => w.Select(b => (IReadOnlyList<GatePass>)[.. w.Where(o => o != b)])).Where(w => w.Count > 2 && field.Fits(w)).DistinctBy(w => string.Join(' ', w.Select(b => b.Milliseconds))).ToList();
        return without is [[{ Gate: 0 }, ..] only]
            ? Settled(only)
            : Asked("These times do not fit one run.", [.. longest.Where(w => w[0].Gate == 0).Select(w => Made(w))]);
    }

    private const string TwoBodies = "The gates saw more than one body, and cannot tell which was the runner.";

    private static GateMarks None(string why) => new([], false, why);

    private static GateMarks Asked(string why, IReadOnlyList<GateMarks> choices) =>
        new([], false, why) { Choices = [.. choices.Where(c => c.Seconds.Any(s => s > 0)).DistinctBy(c => (c.ZoneOnly, string.Join(' ', c.Seconds))).Take(MostChoices)] };

    private static double? At(IReadOnlyList<GatePass> way, int gate) => way.FirstOrDefault(b => b.Gate == gate, new(-1, 0)) is { Gate: >= 0 } body ? Math.Round((body.Milliseconds - way[0].Milliseconds) / 1000, 3) : null;

    // What the gates of one lane saw, and the ways somebody can have run through it.
    private sealed class Field(List<(int Gate, List<double> Times)> seen, double[] places, bool zone, bool isSteady)
    {
        /// <summary>The ways through most gates, in which a body counts by its trunk; none where nobody can have run so.</summary>
        public List<IReadOnlyList<GatePass>> Longest()
        {
            var ways = Ways(seen);
            var trunks = ways.Where(w => w.All(b => !IsArm(w, b))).ToList();
            return trunks.Count == 0 ? [] : [.. trunks.Where(w => w.Count == trunks.Max(t => t.Count))];
        }

        /// <summary>How long before the trunk an arm passed, ms; 0 where none did.</summary>
        public double ArmOf(IReadOnlyList<GatePass> way, GatePass body) => Before(way, body) is [.., var arm] ? body.Milliseconds - arm : 0;

        /// <summary>True where more passed a gate at once than an arm and a trunk.</summary>
        public bool IsCrowded(IReadOnlyList<GatePass> way) => way.Any(b => Before(way, b).Count > 1);

        /// <summary>Somebody else who ran through two gates or more, or crossed one close to the runner; null where there is nobody.</summary>
        public IReadOnlyList<GatePass>? Other(IReadOnlyList<GatePass> way)
        {
            var left = seen.Select(s => (s.Gate, Times: s.Times.Where(t => way.All(b => b.Gate != s.Gate || (t != b.Milliseconds && !Before(way, b).Contains(t)))).ToList())).Where(s => s.Times.Count > 0).ToList();
            return Ways(left).Where(w => w.Count > 1).MaxBy(w => w.Count)
                ?? left.Where(l => l.Times.Exists(t => way.Any(b => b.Gate == l.Gate && Math.Abs(b.Milliseconds - t) <= Close))).Select(l => (IReadOnlyList<GatePass>)[new GatePass(l.Gate, l.Times[0])]).FirstOrDefault();
        }

        // Mean speeds from stretch to stretch change as they do in a run.
        public bool Fits(IReadOnlyList<GatePass> way)
        {
            for (var i = 2; i < way.Count && isSteady; i++)
            {
                var change = Speed(way[i - 1], way[i]) / Speed(way[i - 2], way[i - 1]);
                if (change < MostLoss || change > (i == 2 && !zone ? MostGainFromStart : MostGain))
                {
                    return false;
                }
            }

            return true;
        }

        public bool IsSlow(IReadOnlyList<GatePass> way) => way.Zip(way.Skip(1)).Any(p => Speed(p.First, p.Second) < SlowestFly);

        private double Speed(GatePass from, GatePass to) => (places[to.Gate] - places[from.Gate]) / ((to.Milliseconds - from.Milliseconds) / 1000);

        // An arm is at most so far ahead of the trunk; at the start gate, where nobody is fast yet, the time says it.
        private double LongestArm(IReadOnlyList<GatePass> way, GatePass body)
        {
            var place = 0;
            while (way[place] != body)
            {
                place++;
            }

            return place == 0 ? OneBody : Math.Min(OneBody, 1000 * ArmAhead / Speed(way[place - 1], body));
        }

        private List<double> Before(IReadOnlyList<GatePass> way, GatePass body)
        {
            var longest = LongestArm(way, body);
            return [.. seen.Single(s => s.Gate == body.Gate).Times.Where(t => t < body.Milliseconds && body.Milliseconds - t <= longest)];
        }

        private bool IsArm(IReadOnlyList<GatePass> way, GatePass body)
        {
            var longest = LongestArm(way, body);
            return seen.Single(s => s.Gate == body.Gate).Times.Any(t => t > body.Milliseconds && t - body.Milliseconds <= longest);
        }

        private bool CanFollow(GatePass before, GatePass next) =>
            next.Gate < places.Length && next.Milliseconds > before.Milliseconds && Speed(before, next) is >= SlowestRun and <= MarkEntry.FastestPossible;

        // Every way from gate to gate that somebody can have run, each gate passed once or not at all.
        private List<IReadOnlyList<GatePass>> Ways(List<(int Gate, List<double> Times)> bodies)
        {
            var ways = new List<IReadOnlyList<GatePass>>();
            void Go(int from, List<GatePass> way)
            {
                if (ways.Count >= MostWays)
                {
                    return;
                }

                if (from == bodies.Count)
                {
                    if (way.Count > 1)
                    {
                        ways.Add([.. way]);
                    }

                    return;
                }

                foreach (var next in bodies[from].Times.Select(t => new GatePass(bodies[from].Gate, t)).Where(n => way.Count == 0 || CanFollow(way[^1], n)))
                {
                    Go(from + 1, [.. way, next]);
                }

                Go(from + 1, way);
            }

            Go(0, []);
            return ways;
        }
    }
}
