using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Make;

/// <summary>What the main part of the day is.</summary>
public enum DayKind
{
    /// <summary>Acceleration.</summary>
    Acceleration,

    /// <summary>Top speed.</summary>
    TopSpeed,

    /// <summary>Change of direction.</summary>
    ChangeOfDirection,

    /// <summary>A mix.</summary>
    Mixed,
}

/// <summary>What a warm-up is made for.</summary>
/// <param name="Minutes">Length in minutes, 10 to 30.</param>
/// <param name="Day">The day's kind.</param>
/// <param name="OnCourt">True on a court, where runs stay within 20 m; false on a straight.</param>
/// <param name="Flowing">True for ten minutes of flow without four named stages; false for four stages.</param>
/// <param name="Setting">Group, lanes and pace, by which its time is counted.</param>
/// <param name="Seed">Number that picks among equal exercises.</param>
public sealed record WarmUpRequest(int Minutes, DayKind Day, bool OnCourt, bool Flowing, ClockSetting Setting, int Seed);

/// <summary>
/// Makes a warm-up from the catalogue: raise, activate, mobilise, potentiate, then what the main part needs (common practice). General to
/// specific, slow to fast, down one way and back another, hips and hamstrings always, no long holds.
/// </summary>
public static class WarmUpMaker
{
    /// <summary>Shortest warm-up, minutes (common practice).</summary>
    public const int LeastMinutes = 10;

    /// <summary>Longest warm-up, minutes.</summary>
    public const int MostMinutes = 30;

    /// <summary>Most that effort may step down from one line to the next, in percent points.</summary>
    public const double MostStepDown = 20;

    private const double EnoughRaiseSeconds = 270;
    private const double HardestRaise = 46;

    private static readonly string[] TravelBack = ["side shuffle", "carioca", "backward run", "easy skip"];

    /// <summary>Makes the warm-up.</summary>
    /// <param name="request">What it is for.</param>
    /// <exception cref="ArgumentOutOfRangeException">Minutes outside 10 to 30.</exception>
    public static PlanBlock Make(WarmUpRequest request)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(request.Minutes, LeastMinutes);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(request.Minutes, MostMinutes);
        var random = new Random(request.Seed);
        var target = request.Minutes * 60.0;
        var pick = Pick(request, random);
        var lines = new List<PlanLine>();

        // The longest warm-up first; what does not fit goes, the least needed first, and raising fills what is left.
        while (true)
        {
            lines = Compose(pick, request);
            var rest = target - Seconds(lines, request.Setting);
            if (rest >= LeastRaiseSeconds(request) || !pick.Drop())
            {
                rest = Twice(lines, rest, request);
                var raise = Math.Max(60, Math.Ceiling(Math.Max(rest, 60) / 15) * 15);
                return new PlanBlock(0, "Warm-up", [.. RaiseLines(request, pick, raise), .. lines]);
            }
        }
    }

    /// <summary>Another exercise of the same family for one line of a warm-up, or null when there is no other.</summary>
    /// <param name="line">The line.</param>
    /// <param name="others">Names already in the warm-up.</param>
    /// <param name="catalogue">Known exercises.</param>
    /// <param name="seed">Number that picks.</param>
    public static PlanLine? Reroll(PlanLine line, IReadOnlyCollection<string> others, ExerciseCatalogue catalogue, int seed)
    {
        if (catalogue.Find(line.Exercise) is not { } now)
        {
            return null;
        }

        var choices = catalogue.All.Where(e => e.Family == now.Family && e.Kind == now.Kind && !e.StaticHold && !IsStage(e) && e.Name != now.Name && !others.Contains(e.Name) && Math.Abs(e.Effort - now.Effort) <= 15).ToList();
        if (choices.Count == 0)
        {
            return null;
        }

        var chosen = choices[new Random(seed).Next(choices.Count)];
        return ShorthandLine.ReadOwn($"{chosen.Name} {chosen.Dose}{(chosen.EachSide ? " each side" : "")}", new(DistanceUnit.Metre, catalogue)).Line! with { Id = line.Id };
    }

    /// <summary>True for the four exercises that stand for a whole stage.</summary>
    /// <param name="exercise">The exercise.</param>
    public static bool IsStage(Exercise exercise) => exercise.Name == exercise.Family;

    private static double LeastRaiseSeconds(WarmUpRequest request) => request.Minutes <= 12 ? 75 : 120;

    // Time to spare goes into a second turn of the same movements before it goes into more jogging.
    private static double Twice(List<PlanLine> lines, double rest, WarmUpRequest request)
    {
        for (var i = lines.Count - 2; i >= 0 && rest > EnoughRaiseSeconds; i--)
        {
            var again = lines.ToList();
            again[i] = lines[i] with { Reps = 2 };
            var left = (request.Minutes * 60.0) - Seconds(again, request.Setting);
            if (left >= LeastRaiseSeconds(request))
            {
                (lines[i], rest) = (again[i], left);
            }
        }

        return rest;
    }

    private static double Seconds(IReadOnlyList<PlanLine> lines, ClockSetting setting) =>
        SessionClock.Lay(SessionPlan.Empty.Add(new PlanBlock(0, "Warm-up", lines)), setting).TotalSeconds;

    private static Choice Pick(WarmUpRequest request, Random random)
    {
        var all = request.Setting.Catalogue.All.Where(e => !e.StaticHold && !IsStage(e)).ToList();
        List<Exercise> Shuffled(string family) => [.. all.Where(e => e.Family == family).OrderBy(_ => random.Next())];
        var activate = Shuffled("activate").Where(e => e.Effort >= 28).ToList();
        var mobilise = Shuffled("mobilise");
        var bandless = activate.OrderBy(e => e.Kit.Count > 0 && request.Setting.Athletes > 10 ? 1 : 0).ToList();
        var many = request.Minutes >= 20 ? 4 : request.Minutes >= 14 ? 3 : 2;
        var chosenActivate = First(bandless, "hips").Concat(bandless).Distinct().Take(many).OrderBy(e => e.Effort).ToList();
        var chosenMobilise = First(mobilise, "hamstrings").Concat(First(mobilise, "hips")).Concat(request.Day == DayKind.ChangeOfDirection ? First(mobilise, "adductors") : []).Concat(mobilise)
            .Distinct().Take(many + 1).OrderBy(e => e.Effort).ToList();
        var jump = Shuffled("potentiate").Where(e => e.Kit.Count == 0).OrderBy(e => e.Effort).ToList();
        var pogo = request.Setting.Catalogue.Find("pogo hops");
        var potentiate = request.Day == DayKind.TopSpeed && pogo is not null ? [jump[0], pogo] : jump.Take(2).ToList();
        var travel = all.Where(e => TravelBack.Contains(e.Name)).OrderBy(_ => random.Next()).ToList();
        return new Choice(chosenActivate, chosenMobilise, potentiate, travel);

        static IEnumerable<Exercise> First(List<Exercise> from, string region) => from.Where(e => e.Covers.Contains(region)).Take(1);
    }

    private static List<PlanLine> Compose(Choice pick, WarmUpRequest request)
    {
        var context = new ShorthandContext(DistanceUnit.Metre, request.Setting.Catalogue);
        var lines = new List<PlanLine>();
        foreach (var e in pick.Activate)
        {
            lines.Add(Line(e, context));
        }

        var back = 0;
        foreach (var e in pick.Mobilise)
        {
            var line = Line(e, context);
            if (e.Counted == CountedIn.Metres && pick.Travel.Count > 0)
            {
                line = line with { Cue = $"come back with {pick.Travel[back++ % pick.Travel.Count].Name}" };
            }

            lines.Add(line);
        }

        foreach (var e in pick.Potentiate)
        {
            lines.Add(Line(e, context) with { Sets = 1, Reps = 1 });
        }

        var last = Last(request, context);
        last = last with { Reps = Math.Min(last.Reps, pick.LastReps), Effort = last.Effort! with { Percents = [.. last.Effort.Percents.TakeLast(Math.Min(last.Reps, pick.LastReps))] } };
        lines.Add(last with { InWaves = pick.LastInWaves });
        return lines;
    }

    private static IEnumerable<PlanLine> RaiseLines(WarmUpRequest request, Choice pick, double seconds)
    {
        // In stages it is one line; flowing, the same minutes are shared by movements that rise.
        var whole = request.Setting.Catalogue.Find("raise")!;
        if (!request.Flowing || seconds < 150)
        {
            return [new PlanLine { Kind = WorkKind.Raise, Exercise = whole.Name, Shape = new TimedShape(seconds), Effort = new([45]), Cue = pick.Travel.Count > 0 ? $"down jogging, back with {pick.Travel[0].Name}" : null }];
        }

        var moves = pick.Travel.OrderBy(e => e.Effort).Take(seconds >= 240 ? 3 : 2).ToList();
        var each = Math.Floor(seconds / (moves.Count + 1) / 15) * 15;
        return
        [
            new PlanLine { Kind = WorkKind.Raise, Exercise = "easy jog", Shape = new TimedShape(seconds - (each * moves.Count)), Effort = new([40]) },
            .. moves.Select(m => new PlanLine { Kind = WorkKind.Raise, Exercise = m.Name, Shape = new TimedShape(each), Effort = new([Math.Min(m.Effort, HardestRaise)]), Cue = "down this way, jog back" }),
        ];
    }

    private static PlanLine Last(WarmUpRequest request, ShorthandContext context) => ShorthandLine.ReadOwn(
        request.Day switch
        {
            DayKind.Acceleration => request.OnCourt ? "falling start 2 x 10 m @85,90% rest walk-back" : "falling start 3 x 10 m @80,85,90% rest walk-back",
            DayKind.ChangeOfDirection => "stick the stop 3 x 15 m @75,80,85% rest walk-back",
            DayKind.TopSpeed => request.OnCourt ? "build-up 2 x 20 m @75,85% rest walk-back" : "build-up 3 x 30 m @75,85,90% rest walk-back",
            _ => "build-up 2 x 20 m @75,85% rest walk-back",
        },
        context).Line!;

    private static PlanLine Line(Exercise exercise, ShorthandContext context) =>
        ShorthandLine.ReadOwn($"{exercise.Name} {exercise.Dose}{(exercise.EachSide ? " each side" : "")} @{exercise.Effort}%", context).Line!;

    private sealed record Choice(List<Exercise> Activate, List<Exercise> Mobilise, List<Exercise> Potentiate, List<Exercise> Travel)
    {
        /// <summary>Most reps of the last exercise.</summary>
        public int LastReps { get; private set; } = 3;

        /// <summary>True when a large group runs the last exercise in waves, not lane by lane.</summary>
        public bool LastInWaves { get; private set; }

        /// <summary>Takes out the least needed exercise; false when only what must stay is left.</summary>
        public bool Drop()
        {
            if (Mobilise.Count > 2 && Mobilise.Count > Activate.Count)
            {
                return Without(Mobilise);
            }

            if (Activate.Count > 1)
            {
                return Without(Activate);
            }

            if (Potentiate.Count > 1)
            {
                Potentiate.RemoveAt(0);
                return true;
            }

            if (LastReps > 2)
            {
                LastReps--;
                return true;
            }

            if (!LastInWaves)
            {
                LastInWaves = true;
                return true;
            }

            if (LastReps > 1)
            {
                LastReps--;
                return true;
            }

            return Mobilise.Count > 1 && Without(Mobilise);
        }

        // What goes must not leave hips or hamstrings uncovered.
        private bool Without(List<Exercise> from)
        {
            var all = Activate.Concat(Mobilise).ToList();
            for (var i = from.Count - 1; i >= 0; i--)
            {
                var left = all.Where(e => e != from[i]).SelectMany(e => e.Covers).ToHashSet();
                if (left.Contains("hips") && left.Contains("hamstrings"))
                {
                    from.RemoveAt(i);
                    return true;
                }
            }

            return false;
        }
    }
}
