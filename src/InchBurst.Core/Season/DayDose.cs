using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Season;

/// <summary>What a day's training asks of a body, by what is done and never by what it is called.</summary>
/// <param name="Volume">Metres and contacts.</param>
public sealed record DayDose(LineVolume Volume)
{
    /// <summary>Jump contacts from which a day is hard even without a sprint (common practice: half a middling jump session).</summary>
    public const double HardContacts = 60;

    /// <summary>Most jump contacts of a primer (common practice).</summary>
    public const double PrimerContacts = 30;

    /// <summary>A day without anything.</summary>
    public static DayDose None { get; } = new(default(LineVolume));

    /// <summary>True when a free full run straight on is expected to reach the share of top speed that counts.</summary>
    public bool ReachesTopSpeed { get; init; }

    /// <summary>Numbers of those who reach it where that is not the whole group, as lines for some by name make it; null for everybody on a day that reaches it and nobody on another.</summary>
    public IReadOnlySet<int>? Reachers { get; init; }

    /// <summary>True when an athlete of the group reaches top speed.</summary>
    /// <param name="athlete">Number of the athlete.</param>
    public bool Takes(int athlete) => Reachers?.Contains(athlete) ?? ReachesTopSpeed;

    /// <summary>True when a run is full: free, held back or helped.</summary>
    public bool HasFullSprint { get; init; }

    /// <summary>True when a free full run stays below top speed: acceleration.</summary>
    public bool HasStarts { get; init; }

    /// <summary>True when a full run is held back.</summary>
    public bool HasResisted { get; init; }

    /// <summary>True when a full run is helped.</summary>
    public bool HasAssisted { get; init; }

    /// <summary>True when a load that is heavy is pulled.</summary>
    public bool HasHeavy { get; init; }

    /// <summary>Sessions of the day.</summary>
    public int Sessions { get; init; }

    /// <summary>Sprint metres by the kind of work they are written as, for people to look at.</summary>
    public IReadOnlyDictionary<WorkKind, double> Metres { get; init; } = Nothing;

    /// <summary>What is trained, as <see cref="HowOften"/> counts it.</summary>
    public IReadOnlySet<string> Things { get; init; } = NoThings;

    private static readonly Dictionary<WorkKind, double> Nothing = [];
    private static readonly HashSet<string> NoThings = [];
    private static readonly HashSet<int> NoOne = [];

    /// <summary>Metres at 90% effort and more: hard metres.</summary>
    public double HardMetres => Volume.FullMetres;

    /// <summary>True when the day takes a recovery: a full sprint, or many jumps.</summary>
    public bool IsHard => HasFullSprint || Volume.JumpContacts >= HardContacts;

    /// <summary>True when the day is hard and so little that it wakes and does not tire: short free starts, no top speed, nothing heavy, few jumps.</summary>
    /// <param name="mostMetres">Most hard metres of a primer, m.</param>
    public bool IsPrimer(double mostMetres) => HasFullSprint && !ReachesTopSpeed && !HasHeavy && !HasAssisted && HardMetres <= mostMetres && Volume.JumpContacts <= PrimerContacts;

    /// <summary>Two sessions of a day together.</summary>
    /// <param name="a">One.</param>
    /// <param name="b">The other.</param>
    public static DayDose operator +(DayDose a, DayDose b) => a == None ? b : b == None ? a : new(a.Volume + b.Volume)
    {
        ReachesTopSpeed = a.ReachesTopSpeed || b.ReachesTopSpeed,
        Reachers = (a.ReachesTopSpeed && a.Reachers is null) || (b.ReachesTopSpeed && b.Reachers is null) || (a.Reachers ?? b.Reachers) is null ? null : (a.Reachers ?? NoOne).Concat(b.Reachers ?? NoOne).ToHashSet(),
        HasFullSprint = a.HasFullSprint || b.HasFullSprint,
        HasStarts = a.HasStarts || b.HasStarts,
        HasResisted = a.HasResisted || b.HasResisted,
        HasAssisted = a.HasAssisted || b.HasAssisted,
        HasHeavy = a.HasHeavy || b.HasHeavy,
        Sessions = a.Sessions + b.Sessions,
        Metres = a.Metres.Concat(b.Metres).GroupBy(m => m.Key).ToDictionary(g => g.Key, g => g.Sum(m => m.Value)),
        Things = a.Things.Concat(b.Things).ToHashSet(),
    };

    /// <summary>What a plan asks of a typical athlete of a group.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="athlete">The typical athlete.</param>
    /// <param name="catalogue">Known exercises.</param>
    /// <param name="isFor">Whether a line is for the whole group; null takes every line.</param>
    public static DayDose Of(SessionPlan plan, DemandAthlete athlete, ExerciseCatalogue catalogue, Func<PlanLine, bool>? isFor = null)
    {
        var lines = plan.Blocks.SelectMany(b => b.Lines.Where(l => isFor?.Invoke(l) ?? true).Select(l => (Demand: LineDemand.Of(l, catalogue, athlete), b.Rounds))).Select(x => (x.Demand, Volume: Demand.Volume.Of(x.Demand, x.Rounds))).ToList();
        bool Any(Func<LineDemand, bool> what) => lines.Any(l => l.Demand.IsFullSprint && what(l.Demand));
        return new(lines.Aggregate(default(LineVolume), (sum, l) => sum + l.Volume))
        {
            ReachesTopSpeed = Any(Reaches),
            HasFullSprint = Any(_ => true),
            HasStarts = Any(d => d is { IsResisted: false, IsAssisted: false } && !Reaches(d)),
            HasResisted = Any(d => d.IsResisted),
            HasAssisted = Any(d => d.IsAssisted),
            HasHeavy = Any(d => d is { IsResisted: true, Load.IsHeavy: true }),
            Sessions = 1,
            Metres = lines.Where(l => l.Volume.SprintMetres > 0).GroupBy(l => l.Demand.Line.Kind).ToDictionary(g => g.Key, g => g.Sum(l => l.Volume.SprintMetres)),
            Things = lines.SelectMany(l => HowOften.ThingsOf(l.Demand)).ToHashSet(),
        };
    }

    /// <summary>Least metres of a run at the share that counts, for it to be planned for: the shortest flying stretch that is timed (common practice).</summary>
    public const double LeastMetres = 10;

    /// <summary>True when a line is expected to hold its athlete at the share of own top speed that counts for as long as a flying stretch: full, free and straight on.</summary>
    /// <param name="demand">What the line asks of the athlete.</param>
    public static bool Reaches(LineDemand demand) =>
        demand is { IsFullSprint: true, IsResisted: false, IsAssisted: false, Course.SharpTurns: 0 } && demand.PaceAt(demand.HardestEffort).MetresAbove(TopSpeedClock.UsualShare) >= LeastMetres;
}
