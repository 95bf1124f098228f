using System.Collections.Concurrent;
using InchBurst.Core.Load;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;

namespace InchBurst.Data;

/// <summary>Remembers the curve that stands for each athlete, and the bests that the last results are read against, until a run of theirs is stored or changed: every edit of a plan and every view of today asks for the whole squad's.</summary>
public sealed class CurveShelf
{
    private readonly ConcurrentDictionary<int, (DateOnly Day, StandingOutcome Curve)> curves = new();
    private readonly ConcurrentDictionary<int, ConcurrentDictionary<long, double?>> bests = new();
    private readonly ConcurrentDictionary<int, (DateOnly Day, double Tau)> taus = new();
    private readonly Dictionary<int, IReadOnlyList<TrialBest>> trials = [];
    private readonly Dictionary<int, int> counts = [];
    private readonly Dictionary<(string Athletes, DateOnly From), IReadOnlyList<SquadTime>> times = [];
    private readonly Lock gate = new();

    private readonly ConcurrentDictionary<int, ConcurrentDictionary<(int Session, Surface Surface, double? Mass), LoadTestOfDay>> loads = new();

    // How often something was forgotten: what was asked for before the last time is not remembered.
    private long forgotten;

    private IReadOnlyDictionary<string, KitCost>? costs;

    /// <summary>Forgets everything, for when the whole file was changed.</summary>
    public void ForgetAll()
    {
        curves.Clear();
        bests.Clear();
        lock (gate)
        {
            forgotten++;
            trials.Clear();
            counts.Clear();
            times.Clear();
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

    /// <summary>Times of athletes since a day, asked for once until a run of anyone changes.</summary>
    public Task<IReadOnlyList<SquadTime>> TimesAsync(IEnumerable<int> athletes, DateOnly from, Func<Task<IReadOnlyList<SquadTime>>> ask) => OnceAsync(times, (string.Join(',', athletes.Order()), from), ask);

    // What changed while it was asked for is asked for again the next time.
    private async Task<T> OnceAsync<TKey, T>(Dictionary<TKey, T> of, TKey key, Func<Task<T>> ask)
        where TKey : notnull
    {
        long before;
        lock (gate)
        {
            if (of.TryGetValue(key, out var known))
            {
                return known;
            }

            before = forgotten;
        }

        var found = await ask();
        lock (gate)
        {
            if (forgotten == before)
            {
                of[key] = found;
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

    public StandingOutcome? Find(int athleteId, DateOnly day) => curves.TryGetValue(athleteId, out var known) && known.Day == day ? known.Curve : null;

    public void Put(int athleteId, DateOnly day, StandingOutcome curve) => curves[athleteId] = (day, curve);

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
        curves.TryRemove(athleteId, out _);
        bests.TryRemove(athleteId, out _);
        lock (gate)
        {
            forgotten++;
            trials.Remove(athleteId);
            counts.Remove(athleteId);
            times.Clear();
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
