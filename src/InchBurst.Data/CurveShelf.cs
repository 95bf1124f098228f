using System.Collections.Concurrent;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;

namespace InchBurst.Data;

/// <summary>Remembers the curve that stands for each athlete, and the bests that the last results are read against, until a run of theirs is stored or changed: every edit of a plan and every view of today asks for the whole squad's.</summary>
public sealed class CurveShelf
{
    private readonly Dictionary<int, (DateOnly Day, StandingOutcome Curve)> curves = [];
    private readonly ConcurrentDictionary<int, ConcurrentDictionary<long, double?>> bests = new();
    private readonly ConcurrentDictionary<int, (DateOnly Day, double Tau)> taus = new();
    private readonly Dictionary<int, IReadOnlyList<TrialBest>> trials = [];
    private readonly Dictionary<int, int> counts = [];
    private readonly Lock gate = new();

    private readonly ConcurrentDictionary<int, ConcurrentDictionary<(int Session, Surface Surface, double? Mass), LoadTestOfDay>> loads = new();

    // How often all and each athlete was forgotten: what was asked for before the last time is not remembered.
    private readonly Dictionary<int, long> forgotten = [];
    private long allForgotten;

    private IReadOnlyDictionary<string, KitCost>? costs;

    /// <summary>Forgets everything, for when the whole file was changed.</summary>
    public void ForgetAll()
    {
        // First what curves are made of, so that none is made of old runs after it was forgotten.
        Times.ForgetAll();
        CurveRuns.ForgetAll();
        Traced.ForgetAll();
        bests.Clear();
        lock (gate)
        {
            allForgotten++;
            curves.Clear();
            trials.Clear();
            counts.Clear();
        }

        taus.Clear();
        loads.Clear();
        costs = null;
    }

    /// <summary>What kit costs, worked out once until a run changes.</summary>
    public async Task<IReadOnlyDictionary<string, KitCost>> CostsAsync(Func<Task<IReadOnlyDictionary<string, KitCost>>> ask) => costs ??= await ask();

    /// <summary>Load tests of an athlete by session, floor and the body mass they were worked out with; each is worked out once.</summary>
    public ConcurrentDictionary<(int Session, Surface Surface, double? Mass), LoadTestOfDay> LoadsOf(int athleteId) => loads.GetOrAdd(athleteId, _ => new());

    /// <summary>Bests of every trial of an athlete as timed, asked for once.</summary>
    public Task<IReadOnlyList<TrialBest>> TrialsAsync(int athleteId, Func<Task<IReadOnlyList<TrialBest>>> ask) => OnceAsync(trials, athleteId, ask);

    /// <summary>How many timed runs an athlete has, asked for once.</summary>
    public Task<int> CountAsync(int athleteId, Func<Task<int>> ask) => OnceAsync(counts, athleteId, ask);

    /// <summary>Times of a squad, by athlete.</summary>
    public DayMemory<SquadTime> Times { get; } = new(t => t.Day);

    /// <summary>The latest runs of an athlete that a curve is looked for in.</summary>
    public DayMemory<LoggedRun> CurveRuns { get; } = new(r => r.Day, StandingCurve.LatestRuns);

    /// <summary>Curves of an athlete's traces.</summary>
    public DayMemory<DayCurve> Traced { get; } = new(c => c.Day);

    private (long All, long Own) Forgotten(int athleteId) => (allForgotten, forgotten.GetValueOrDefault(athleteId));

    // What changed while it was asked for is asked for again the next time.
    private async Task<T> OnceAsync<T>(Dictionary<int, T> of, int athleteId, Func<Task<T>> ask)
    {
        (long, long) before;
        lock (gate)
        {
            if (of.TryGetValue(athleteId, out var known))
            {
                return known;
            }

            before = Forgotten(athleteId);
        }

        var found = await ask();
        lock (gate)
        {
            if (Forgotten(athleteId) == before)
            {
                of[athleteId] = found;
            }
        }

        return found;
    }

    /// <summary>Best before a run's day, asked for once.</summary>
    public async Task<double?> BestBeforeAsync(int athleteId, long runId, Func<Task<double?>> ask)
    {
        var own = bests.GetOrAdd(athleteId, _ => new());
        return own.TryGetValue(runId, out var known) ? known : own[runId] = await ask();
    }

    /// <summary>The curves that stand for athletes on a day, each worked out once.</summary>
    public async Task<IReadOnlyDictionary<int, StandingOutcome>> CurvesAsync(IReadOnlyCollection<int> athletes, DateOnly day, Func<IReadOnlyCollection<int>, Task<Dictionary<int, StandingOutcome>>> ask)
    {
        Dictionary<int, StandingOutcome> found;
        Dictionary<int, (long, long)> before;
        lock (gate)
        {
            found = athletes.Distinct().Where(a => curves.TryGetValue(a, out var known) && known.Day == day).ToDictionary(a => a, a => curves[a].Curve);
            before = athletes.Distinct().Where(a => !found.ContainsKey(a)).ToDictionary(a => a, Forgotten);
        }

        if (before.Count > 0)
        {
            var anew = await ask(before.Keys);
            lock (gate)
            {
                foreach (var (athlete, then) in before)
                {
                    found[athlete] = anew[athlete];
                    if (Forgotten(athlete) == then)
                    {
                        curves[athlete] = (day, anew[athlete]);
                    }
                }
            }
        }

        return found;
    }

    /// <summary>Time constant known before a day, asked for once.</summary>
    public async Task<double> TauBeforeAsync(int athleteId, DateOnly day, Func<Task<double>> ask)
    {
        if (taus.TryGetValue(athleteId, out var known) && known.Day == day)
        {
            return known.Tau;
        }

        var tau = await ask();
        taus[athleteId] = (day, tau);
        return tau;
    }

    /// <summary>Forgets an athlete of whom a run of a day changed.</summary>
    public void Forget(int athleteId, DateOnly day)
    {
        Times.Forget(athleteId, day);
        CurveRuns.Forget(athleteId, day);
        Traced.Forget(athleteId, day);
        bests.TryRemove(athleteId, out _);
        lock (gate)
        {
            forgotten[athleteId] = forgotten.GetValueOrDefault(athleteId) + 1;
            curves.Remove(athleteId);
            trials.Remove(athleteId);
            counts.Remove(athleteId);
        }

        if (loads.TryGetValue(athleteId, out var own))
        {
            // What was run on other days stands.
            foreach (var key in own.Where(o => o.Value.Day == day).Select(o => o.Key))
            {
                own.TryRemove(key, out _);
            }
        }

        costs = null;
        if (taus.TryGetValue(athleteId, out var known) && day < known.Day)
        {
            taus.TryRemove(athleteId, out _);
        }
    }
}
