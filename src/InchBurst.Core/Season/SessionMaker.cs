using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Season;

/// <summary>What a suggested session is for.</summary>
public enum SessionAim
{
    /// <summary>Flying runs.</summary>
    TopSpeed,

    /// <summary>Starts and short sprints.</summary>
    Acceleration,

    /// <summary>Sled, as heavy as the school pulls.</summary>
    Push,

    /// <summary>Jumps.</summary>
    Jumps,

    /// <summary>Stops and turns.</summary>
    Turns,

    /// <summary>Easy running after a little sprinting.</summary>
    Conditioning,

    /// <summary>A few short starts the day before a match.</summary>
    Primer,

    /// <summary>Mobility and drills, no sprint.</summary>
    Easy,
}

/// <summary>What a session is suggested for.</summary>
/// <param name="Aims">One or two aims, the first the more important.</param>
/// <param name="Minutes">Time there is, 15 to 240 minutes.</param>
/// <param name="StraightMetres">Straight, m.</param>
/// <param name="RunOutMetres">Room to stop behind it, m.</param>
/// <param name="Setting">Group, lanes, pace and school.</param>
public sealed record SessionWish(IReadOnlyList<SessionAim> Aims, int Minutes, double StraightMetres, double RunOutMetres, ClockSetting Setting)
{
    /// <summary>Share of the full number of reps to begin with: 1 for a full session, less for a smaller dose.</summary>
    public double Size { get; init; } = 1;

    /// <summary>Blocks that stay as they are, put in before the aims' own.</summary>
    public IReadOnlyList<PlanBlock> Pinned { get; init; } = [];

    /// <summary>Athletes expected, for the checks.</summary>
    public IReadOnlyList<CheckedAthlete> Athletes { get; init; } = [];

    /// <summary>What the phase of the season asks of the week, or null.</summary>
    public PhaseAim? Aim { get; init; }

    /// <summary>Number that picks among equal exercises.</summary>
    public int Seed { get; init; } = 1;
}

/// <summary>A suggested session.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Seconds">How long it takes, s.</param>
/// <param name="GivesUp">What was given up to fit, in a coach's words; empty when nothing was.</param>
public sealed record SessionOffer(string Name, SessionPlan Plan, double Seconds, string GivesUp);

/// <summary>Makes whole sessions that fit their time and pass the checks. Reps go before rest does (common practice).</summary>
public static partial class SessionMaker
{
    private const int MostSteps = 60;

    // Room to stop from which on stopping short is trained (the drill's own line).
    private const double ShortStopMetres = 8;

    /// <summary>Name of an aim.</summary>
    /// <param name="aim">The aim.</param>
    public static string NameOf(SessionAim aim) => aim switch
    {
        SessionAim.TopSpeed => "Top speed",
        SessionAim.Acceleration => "Starts",
        SessionAim.Push => "Sled push",
        SessionAim.Jumps => "Jumps",
        SessionAim.Turns => "Stops and turns",
        SessionAim.Conditioning => "Easy runs",
        SessionAim.Primer => "Primer",
        _ => "Easy day",
    };

    /// <summary>The session for a wish, or null when not even its smallest form fits or passes.</summary>
    /// <param name="wish">The wish.</param>
    public static SessionOffer? Make(SessionWish wish)
    {
        var parts = Parts.For(wish);
        var given = new List<string>();
        for (var i = 0; i < MostSteps; i++)
        {
            var plan = parts.Plan(wish);
            var seconds = SessionClock.Lay(plan, wish.Setting).TotalSeconds;
            var over = seconds - (wish.Minutes * 60);
            var grave = over > Limits.WindowSeconds ? null : Grave(wish, plan);
            if (over <= Limits.WindowSeconds && grave is null)
            {
                return new(Name(wish), plan, seconds, parts.GivenUp());
            }

            if (!parts.Less(grave))
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>True when a block is what a session is for: half of it and more neither warms, nor leads up to what follows, nor teaches stopping, nor comes down. A warm-up may end in jumps and is one all the same.</summary>
    /// <param name="block">The block.</param>
    /// <param name="setting">What its lines ask.</param>
    public static bool IsMain(PlanBlock block, ClockSetting setting) =>
        2 * block.Lines.Select(setting.DemandOf).Count(d => !d.Warms && !LeadsUp(d) && !(d.TeachesStopping && d.Course is { Turns.Count: 0 }) && d.Exercise is not { StaticHold: true } && d.HardestEffort >= Limits.HardPercent) >= block.Lines.Count;

    // Runs that get faster from one to the next and begin well under full speed.
    private static bool LeadsUp(LineDemand demand) =>
        demand.Line.Effort is { Shape: EffortShape.Each, Percents: [var first, _, ..] percents } && first < Limits.FullPercent && demand.Course is not null && percents.Zip(percents.Skip(1)).All(p => p.Second > p.First);

    /// <summary>The session for a wish and others instead, each with what it gives up against the first.</summary>
    /// <param name="wish">The wish.</param>
    public static IReadOnlyList<SessionOffer> Offers(SessionWish wish)
    {
        var offers = new List<SessionOffer>();
        void Try(SessionWish other, string givesUp)
        {
            if (Make(other) is { } made && offers.All(o => PlanJson.Write(o.Plan) != PlanJson.Write(made.Plan)))
            {
                offers.Add(made with { GivesUp = string.Join("; ", new[] { givesUp, made.GivesUp }.Where(t => t.Length > 0)) });
            }
        }

        Try(wish, "");
        if (wish.Aims.Count > 1)
        {
            Try(wish with { Aims = [wish.Aims[0]] }, $"no {NameOf(wish.Aims[1]).ToLowerInvariant()}, more of the first");
            Try(wish with { Aims = [wish.Aims[1]] }, $"no {NameOf(wish.Aims[0]).ToLowerInvariant()}");
        }

        Try(wish with { Size = wish.Size * 0.6 }, "fewer reps, nobody tired");
        return offers;
    }

    /// <summary>Name of a suggested session.</summary>
    /// <param name="wish">The wish.</param>
    public static string Name(SessionWish wish) => string.Join(" and ", wish.Aims.Select((a, i) => i == 0 ? NameOf(a) : NameOf(a).ToLowerInvariant())) is var name && wish.Size < 0.8 && wish.Aims[0] is not (SessionAim.Primer or SessionAim.Easy) ? name + ", small" : name;

    // The gravest thing the checks find, notes left out, and what they say of lines that stay: the coach wrote those and sees it in the builder.
    private static Finding? Grave(SessionWish wish, SessionPlan plan)
    {
        var pinned = wish.Pinned.SelectMany(b => b.Lines).Select(l => l with { Id = 0 }).ToHashSet();
        var school = wish.Setting.School ?? CoachingSchool.Usual;
        return PlanChecks.Judge(new(plan, SessionClock.Lay(plan, wish.Setting), wish.Minutes * 60, wish.StraightMetres, wish.RunOutMetres, [], wish.Setting.Catalogue)
        {
            School = school,
            Setting = wish.Setting,
            Athletes = wish.Athletes,
            Cue = "as rotated",
        }).FirstOrDefault(f => f.Severity != Severity.Note && !(f.LineId is { } id && plan.Line(id) is { } line && pinned.Contains(line with { Id = 0 })));
    }
}
