using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;

namespace InchBurst.Core.Season;

/// <summary>Something of which a coach watches how often it is done.</summary>
/// <param name="Key">Short name; an exercise has its own name.</param>
/// <param name="Name">What a coach calls it.</param>
/// <param name="LeastKey">Number of the school with the least times a week, or null.</param>
/// <param name="MostKey">Number of the school with the most times a week, or null.</param>
public sealed record OftenThing(string Key, string Name, string? LeastKey = null, string? MostKey = null)
{
    /// <summary>Fewest days wished where no school says it, 0 to 7, or null.</summary>
    public double? Least { get; init; }

    /// <summary>Most days wished where no school says it, 0 to 7, or null.</summary>
    public double? Most { get; init; }
}

/// <summary>How often a thing is wished, planned and done in a week, in days.</summary>
/// <param name="Thing">The thing.</param>
/// <param name="Least">Fewest days wished, or null.</param>
/// <param name="Most">Most days wished, or null.</param>
/// <param name="Planned">Days planned, done ones among them.</param>
/// <param name="Done">Days done.</param>
public sealed record OftenCount(OftenThing Thing, double? Least, double? Most, int Planned, int Done)
{
    /// <summary>True when fewer days are planned than wished.</summary>
    public bool IsTooFew => Planned < Least;

    /// <summary>True when more days are planned than wished.</summary>
    public bool IsTooMany => Planned > Most;
}

/// <summary>Counts on how many days of a week each thing is trained: by what the body does, and the drill families by their exercises.</summary>
public static class HowOften
{
    /// <summary>The things that are watched.</summary>
    public static IReadOnlyList<OftenThing> Things { get; } =
    [
        new("topspeed", "Top speed", "week.wish.topspeed", "week.topspeed"),
        new("starts", "Acceleration", "week.wish.starts"),
        new("resisted", "Resisted", "week.wish.resisted"),
        new("assisted", "Assisted", null, "often.assisted"),
        new("wall", "Wall drills", "often.wall.least", "often.wall.most"),
        new("hurdles", "Mini-hurdles", "often.hurdles.least", "often.hurdles.most"),
        new("bounds", "Bounds and hops", "often.bounds.least", "often.bounds.most"),
        new("upright", "Upright drills"),
        new("turns", "Turns and stops"),
        new("lifts", "Lifts"),
        new("trunk", "Holds and trunk", "often.trunk.least"),
    ];

    /// <summary>What a line counts as.</summary>
    /// <param name="demand">What it asks.</param>
    public static IEnumerable<string> ThingsOf(LineDemand demand)
    {
        if (demand.Exercise is { } exercise)
        {
            yield return Of(exercise.Name);
        }

        if (demand.IsFullSprint)
        {
            yield return demand.IsAssisted ? "assisted" : demand.IsResisted ? "resisted" : DayDose.Reaches(demand) ? "topspeed" : "starts";
        }

        if (demand.Movement is Motion.Bound or Motion.Hop || (demand.IsJumping && demand.Course is not null))
        {
            yield return "bounds";
        }

        if (demand.TeachesStopping)
        {
            yield return "turns";
        }

        if (demand.Movement == Motion.Lift)
        {
            yield return "lifts";
        }

        if (demand.Movement == Motion.Hold || (demand.Exercise?.Covers.Contains("trunk") ?? false))
        {
            yield return "trunk";
        }

        if (demand.Exercise is { } drill)
        {
            if (drill.Kit.Any(k => k.Contains("hurdle", StringComparison.OrdinalIgnoreCase)) && demand.HasSprint)
            {
                yield return "hurdles";
            }
            else if (drill.Kit.Any(k => k.Contains("wall", StringComparison.OrdinalIgnoreCase)))
            {
                yield return "wall";
            }
            else if (drill.Family == "upright running")
            {
                yield return "upright";
            }
        }
    }

    /// <summary>Key under which an exercise counts.</summary>
    /// <param name="exercise">Its name.</param>
    public static string Of(string exercise) => "exercise:" + exercise;

    /// <summary>Counts of a week: the things that are watched, and the exercises the coach watches besides.</summary>
    /// <param name="week">The week.</param>
    public static IReadOnlyList<OftenCount> Count(GroupWeek week) => Count(week, _ => true);

    /// <summary>Counts of a week for one athlete: what was done without them does not count.</summary>
    /// <param name="week">The week.</param>
    /// <param name="isThere">Whether the athlete was, or is to be, at a session.</param>
    public static IReadOnlyList<OftenCount> Count(GroupWeek week, Func<SeasonSession, bool> isThere)
    {
        var own = week.Sessions.Where(s => s.Day >= week.Monday && s.Day <= week.Sunday && isThere(s)).ToList();
        int Days(string key, bool isDone) => own.Where(s => (s.IsDone || !isDone) && s.Dose.Things.Contains(key)).Select(s => s.Day).Distinct().Count();
        double? Number(string? key) => key is null ? null : week.School[key];
        return [.. Things.Concat(week.Watched).Select(t => new OftenCount(t, t.Least ?? Number(t.LeastKey), t.Most ?? Number(t.MostKey), Days(t.Key, false), Days(t.Key, true)))];
    }
}
