using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>
/// What a line asks of an athlete: course, effort, speed, time, room, contacts, tissues. The only place that says so; clock, rest, checks, sums and comparison read
/// it. It follows from what the body does, never from what the line is called.
/// </summary>
public sealed class LineDemand
{
    private readonly Dictionary<double, RepPace> paces = [];
    private double? hardest;

    private LineDemand(PlanLine line, Exercise? exercise, DemandAthlete athlete)
    {
        (Line, Exercise, Athlete) = (line, exercise, athlete);
        Movement = exercise?.Does ?? line.Shape switch
        {
            RunShape => Motion.Sprint,
            TimedShape when line.Exercise is null => Motion.Jog,
            CountShape { Passes: true } => Motion.Sprint,
            CountShape { Movement: { } counted } => counted,
            _ => Motion.OnTheSpot,
        };
        Course = line.Shape is RunShape run ? Course.Of(run, Movement) : null;
        AppliedLoad = line.Load ?? exercise?.UsualLoad;
        Load = LoadEffect.Of(AppliedLoad, athlete.Loads);
        Tissues = TissueRules.Of(this);
        (ShortContacts, LongContacts) = ContactRules.Of(this);
    }

    /// <summary>The line.</summary>
    public PlanLine Line { get; }

    /// <summary>Its exercise, if known.</summary>
    public Exercise? Exercise { get; }

    /// <summary>Whom it is judged for.</summary>
    public DemandAthlete Athlete { get; }

    /// <summary>What the body does; the movement of a run's stretches that do not say another.</summary>
    public Motion Movement { get; }

    /// <summary>The way over the ground; null for work that is no run.</summary>
    public Course? Course { get; }

    /// <summary>The load it is done with: the line's, or the exercise's own; null for free work.</summary>
    public LineLoad? AppliedLoad { get; }

    /// <summary>What that load does to this athlete.</summary>
    public LoadEffect Load { get; }

    /// <summary>Tissues loaded hard at the hardest effort; none when it is easy.</summary>
    public Tissues Tissues { get; }

    /// <summary>Short ground contacts of one rep.</summary>
    public double ShortContacts { get; }

    /// <summary>Long ground contacts of one rep.</summary>
    public double LongContacts { get; }

    /// <summary>Effort in percent when the line says none: the exercise's; full for a plain run; 60 for what is not known.</summary>
    public double UsualEffort => Exercise?.Effort ?? Line.Shape switch
    {
        RunShape => Course is null || Course.Legs.Any(l => l.HasIntent) ? 100 : 40,
        TimedShape when Line.Exercise is null => 40,
        _ => 60,
    };

    /// <summary>The hardest effort of any rep in percent; a lift's share of the maximum where no effort is said.</summary>
    public double HardestEffort => hardest ??= Line.Effort is { } effort ? Enumerable.Range(0, Line.TotalReps).Max(effort.OfRep) : AppliedLoad is { Kind: LoadKind.Lift } lift ? lift.ShareOfMaximum ?? UsualEffort : EffortOfGoal() ?? UsualEffort;

    /// <summary>True when some rep is full: 90% or more over a movement of full intent, whatever the work is called.</summary>
    public bool IsFull => FullRep is not null;

    /// <summary>First full rep from 0, or null.</summary>
    public int? FullRep => IsIntent ? FirstRepFrom(Limits.FullPercent) : null;

    /// <summary>True when some rep is a full run forwards.</summary>
    public bool IsFullSprint => HasSprint && FirstRepFrom(Limits.FullPercent) is not null;

    /// <summary>True when a leg, or the whole of the work, is running forwards with intent.</summary>
    public bool HasSprint => Course?.Legs.Any(l => l is { HasIntent: true, Movement: Motion.Sprint }) ?? (Movement == Motion.Sprint);

    /// <summary>True when a run forwards at 70% or more is asked.</summary>
    public bool IsHardSprint => HasSprint && HardestEffort >= Limits.HardPercent;

    /// <summary>True when it is run with help.</summary>
    public bool IsAssisted => Load.Sense == LoadSense.Assisted && HasSprint;

    /// <summary>True when a run forwards is held back.</summary>
    public bool IsResisted => Load.Sense == LoadSense.Resisted && HasSprint;

    /// <summary>True for work that jumps: jumps, hops and bounds.</summary>
    public bool IsJumping => Movement is Motion.Jump or Motion.Hop or Motion.Bound || (Course?.Legs.Any(l => l.Movement is Motion.Hop or Motion.Bound) ?? false);

    /// <summary>True when a rep is meant to reach top speed: a full free or helped run straight on with a flying or floating zone, or of 35 m and more.</summary>
    public bool IsTopSpeed => IsFullSprint && Load.Sense != LoadSense.Resisted && Course is { SharpTurns: 0 } course
        && (course.Legs.Any(l => l.Role is SegmentRole.Fly or SegmentRole.Float) || course.LongestSprintMetres >= TopSpeedFromMetres);

    /// <summary>True for a loaded run meant for top speed, whose load the bracket judges: one with a flying zone, or longer than an acceleration.</summary>
    public bool IsForTopSpeed => Line.Shape is RunShape run && (run.Fly is not null || IntentMetres > LongestAccelerationMetres);

    private const double LongestAccelerationMetres = 30;

    /// <summary>True when stopping or turning is taught: by the exercise, or by a run at 70% or more whose direction changes.</summary>
    public bool TeachesStopping => Exercise is { Stops: true } || (IsIntent && HardestEffort >= Limits.HardPercent && Course is { } course && course.Turns.Any(t => t.ChangeDegrees >= Limits.TurnDegrees));

    /// <summary>True when it warms: known easy movement, neither held still nor full nor heavy.</summary>
    public bool Warms => !IsFull && !Load.IsHeavy && Tissues == Tissues.None && Exercise is not { StaticHold: true } && Movement is not (Motion.Hold or Motion.Lift or Motion.Throw)
        && (Exercise is not null || Line.Exercise is null) && HardestEffort >= EasiestWarming || IsBuildUp;

    /// <summary>True when it is general easy movement of the whole body, which raises the pulse: moving from place to place or skipping a rope at 50% or less (common practice).</summary>
    public bool RaisesPulse => Warms && HardestEffort <= MostRaising && Movement is not (Motion.OnTheSpot or Motion.Walk or Motion.March);

    /// <summary>True for a run straight on that rises towards full speed and stays under it: 70% or more, not full, and no stop or turn to be taught.</summary>
    public bool IsBuildUp => IsHardSprint && !IsFull && Load.Sense == LoadSense.Free && Course is not { SharpTurns: > 0 } && !TeachesStopping;

    /// <summary>True when each athlete needs the lane alone, so that a queue forms.</summary>
    public bool Queues => !Line.InWaves && ((IsHardSprint && Course is not null) || IsResisted || IsAssisted || Line.Shape is CountShape { Passes: true });

    /// <summary>Kit of which there may be too little, or null.</summary>
    public LimitedKit? Kit { get; private init; }

    /// <summary>Metres of one rep travelled with intent.</summary>
    public double IntentMetres => Course?.IntentMetres ?? 0;

    /// <summary>Seconds one go takes that is no run.</summary>
    public double StillSeconds => Line.Shape switch
    {
        TimedShape time => time.Seconds,
        CountShape count => Math.Max(1, count.Count * (Exercise?.SecondsEach ?? 2)),
        _ => Course is null ? 0 : PaceOf(0).Seconds,
    };

    /// <summary>Share of own top speed reached on the hardest rep; 0 when nothing is run forwards with intent.</summary>
    public double PeakShare => Course is null ? 0 : HardestPace.PeakShare;

    /// <summary>
    /// Room in m needed behind the end of intent: what is usual from such a speed (common practice) or what is written, but never less than v²/(2a) by the hardest
    /// braking believed. A load that holds back takes nothing off. 0 for work that is no run with intent.
    /// </summary>
    public double StopMetres
    {
        get
        {
            if (Course is null || IntentMetres <= 0)
            {
                return 0;
            }

            var pace = Load.Sense == LoadSense.Resisted ? RepPace.Run(Course, Athlete.Curve, Athlete.Curve, HardestEffort, Athlete.Braking, EntrySpeed) : HardestPace;
            var physics = pace.StopFromSpeed * pace.StopFromSpeed / (2 * Athlete.Braking);
            var written = Course.Legs.Where(l => l.FromMetres >= Course.IntentEnd - 1e-9 && !l.HasIntent).Sum(l => l.Metres);
            var usual = !HasSprint || HardestEffort < Limits.HardPercent ? 0 : pace.PeakShare >= Limits.TopSpeedShare ? Limits.StopFromTopSpeedMetres : Limits.StopAfterStartMetres;
            return Math.Max(physics, written > 0 ? written : usual);
        }
    }

    // A time says how hard: against the own full rep; the aerobic speed is a little over half of top speed (own rule).
    private double? EffortOfGoal() => Line.Goal switch
    {
        { AerobicPercent: { } percent } => Math.Clamp(Math.Round(percent * AerobicPace.ShareOfTopSpeed), LeastEffortOfGoal, MostEffortOfGoal),
        { Seconds: { } seconds } when Course is { IntentMetres: > 0 } => Math.Clamp(Math.Round(100 * PaceAt(100).Seconds / seconds), LeastEffortOfGoal, MostEffortOfGoal),
        _ => null,
    };

    private const double LeastEffortOfGoal = 30;
    private const double MostEffortOfGoal = 100;
    private const double EasiestWarming = 25;
    private const double MostRaising = 50;
    private const double TopSpeedFromMetres = 35;

    private bool IsIntent => Course?.Legs.Any(l => l.HasIntent && IsFullIntent(l.Movement)) ?? IsFullIntent(Movement);

    private RepPace HardestPace => PaceAt(HardestEffort);

    private double EntrySpeed => Line.Start is { Position: StartPosition.Moving } start
        ? start.RunIn is { } runIn ? Athlete.Curve.AtEffort(RollingShare).SpeedAtDistance(runIn.Metres) : UnsaidRollingSpeed
        : 0;

    // A rolling start comes in at about 70% of a sprint; unsaid, at a jog (common practice).
    private const double RollingShare = 0.7;
    private const double UnsaidRollingSpeed = 2.5;

    /// <summary>What a line asks of an athlete.</summary>
    /// <param name="line">The line.</param>
    /// <param name="exercise">Its exercise, or null for a plain run or a name that is not known.</param>
    /// <param name="athlete">Whom it is judged for; null takes <see cref="DemandAthlete.Usual"/>.</param>
    public static LineDemand Of(PlanLine line, Exercise? exercise, DemandAthlete? athlete = null) => new(line, exercise, athlete ?? DemandAthlete.Usual) { Kit = KitOf(line, exercise) };

    /// <summary>What a line asks of an athlete.</summary>
    /// <param name="line">The line.</param>
    /// <param name="catalogue">Known exercises.</param>
    /// <param name="athlete">Whom it is judged for; null takes <see cref="DemandAthlete.Usual"/>.</param>
    public static LineDemand Of(PlanLine line, ExerciseCatalogue catalogue, DemandAthlete? athlete = null) => Of(line, catalogue.Find(line.Exercise), athlete);

    /// <summary>Effort of a rep in percent.</summary>
    /// <param name="rep">Rep over all sets, from 0.</param>
    public double EffortOf(int rep) => Line.Effort?.OfRep(rep) ?? HardestEffort;

    /// <summary>Effort asked of one turn in percent. Rounds begin anew, and both sides of a rep share its effort.</summary>
    /// <param name="turn">Turn of the athlete, from 1; what lies below counts as the first.</param>
    public double EffortOfTurn(int turn) => EffortOf(Math.Max(0, (turn - 1) / (Line.EachSide ? 2 : 1) % Line.TotalReps));

    /// <summary>True when a rep is full.</summary>
    /// <param name="rep">Rep over all sets, from 0.</param>
    public bool IsFullRep(int rep) => IsIntent && EffortOf(rep) >= Limits.FullPercent;

    /// <summary>A rep as this athlete runs it.</summary>
    /// <param name="rep">Rep over all sets, from 0.</param>
    /// <exception cref="InvalidOperationException">The line is no run.</exception>
    public RepPace PaceOf(int rep) => PaceAt(EffortOf(rep));

    /// <summary>The way over the ground from a start line behind the first gate: the way to the gate belongs to the first leg and not to the clock. Null for work that is no run.</summary>
    /// <param name="startBehindGateMetres">Distance of the start line behind the first gate, m, not negative.</param>
    public Course? CourseFrom(double startBehindGateMetres)
    {
        if (Line.Shape is not RunShape run)
        {
            return null;
        }

        var first = run.Segments[0] with { Length = Distance.InMetres(run.Segments[0].Length.Metres + startBehindGateMetres) };
        return Course.Of(new([first, .. run.Segments.Skip(1)]), Movement);
    }

    /// <summary>Time in s the clock should show at a mark.</summary>
    /// <param name="metres">Distance of the mark along the path from the first gate, m.</param>
    /// <param name="startBehindGateMetres">Distance of the start line behind the first gate, m, not negative.</param>
    /// <param name="rep">Rep over all sets, from 0.</param>
    /// <exception cref="InvalidOperationException">The line is no run.</exception>
    public double ExpectedSeconds(double metres, double startBehindGateMetres = 0, int rep = 0)
    {
        if (startBehindGateMetres <= 0 || CourseFrom(startBehindGateMetres) is not { } course)
        {
            return PaceOf(rep).TimeAt(metres);
        }

        var pace = RepPace.Run(course, Athlete.Curve, Load.On(Athlete.Curve), EffortOf(rep), Athlete.Braking, EntrySpeed);
        return pace.TimeAt(metres + startBehindGateMetres) - pace.TimeAt(startBehindGateMetres);
    }

    /// <summary>True for movements done with full intent: running, bounding, hopping and jumping.</summary>
    /// <param name="movement">The movement.</param>
    public static bool IsFullIntent(Motion movement) => movement is Motion.Sprint or Motion.Bound or Motion.Hop or Motion.Jump;

    private int? FirstRepFrom(double percent)
    {
        for (var rep = 0; rep < Line.TotalReps; rep++)
        {
            if (EffortOf(rep) >= percent)
            {
                return rep;
            }
        }

        return null;
    }

    /// <summary>A rep at an effort as this athlete runs it.</summary>
    /// <param name="effort">Effort in percent.</param>
    /// <exception cref="InvalidOperationException">The line is no run.</exception>
    public RepPace PaceAt(double effort)
    {
        if (!paces.TryGetValue(effort, out var pace))
        {
            paces[effort] = pace = RepPace.Run(Course ?? throw new InvalidOperationException("The line is no run."), Athlete.Curve, Load.On(Athlete.Curve), effort, Athlete.Braking, EntrySpeed);
        }

        return pace;
    }

    private static LimitedKit? KitOf(PlanLine line, Exercise? exercise)
    {
        if ((line.Load ?? exercise?.UsualLoad)?.Kind == LoadKind.Sled)
        {
            return LimitedKit.Sled;
        }

        foreach (var (word, kit) in new[] { ("rack", LimitedKit.Rack), ("wall", LimitedKit.Wall), ("hurdle", LimitedKit.Hurdles), ("box", LimitedKit.Box) })
        {
            // "Wall or partner" is no shortage.
            if (exercise?.Kit.Any(k => k.Contains(word, StringComparison.OrdinalIgnoreCase) && !k.Contains(" or ", StringComparison.Ordinal)) == true)
            {
                return kit;
            }
        }

        return null;
    }
}
