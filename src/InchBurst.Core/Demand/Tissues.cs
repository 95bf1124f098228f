using InchBurst.Core.Plan;

namespace InchBurst.Core.Demand;

/// <summary>Tissues that hard work loads and that a strain or a sore place is found in (common practice).</summary>
[Flags]
public enum Tissues
{
    /// <summary>Nothing is loaded hard.</summary>
    None = 0,

    /// <summary>Hamstrings.</summary>
    Hamstrings = 1,

    /// <summary>Calves and Achilles tendons.</summary>
    Calves = 2,

    /// <summary>Groins.</summary>
    Groins = 4,

    /// <summary>Knees and thighs.</summary>
    Knees = 8,

    /// <summary>Back.</summary>
    Back = 16,

    /// <summary>Shoulders.</summary>
    Shoulders = 32,
}

/// <summary>Which tissues a line loads hard, by what the body does (common practice). A held athlete is kept from these until the clinician allows them.</summary>
public static class TissueRules
{
    /// <summary>Words for tissues.</summary>
    /// <param name="tissues">The tissues.</param>
    public static string Text(Tissues tissues) => string.Join(", ", Enum.GetValues<Tissues>().Where(t => t != Tissues.None && tissues.HasFlag(t)).Select(t => t.ToString().ToLowerInvariant()));

    internal static Tissues Of(LineDemand demand)
    {
        var hard = demand.HardestEffort >= Limits.HeldPercent;
        var found = demand.IsAssisted ? Tissues.Hamstrings | Tissues.Calves : Tissues.None;
        if (!hard)
        {
            // A load as heavy as that is no easy work at any effort.
            return demand.Load.IsHeavy && demand.HasSprint ? found | Tissues.Calves | Tissues.Knees : found;
        }

        IEnumerable<Motion> movements = demand.Course?.Legs.Where(l => l.HasIntent).Select(l => l.Movement) ?? [demand.Movement];
        foreach (var movement in movements)
        {
            found |= movement switch
            {
                Motion.Sprint => Tissues.Hamstrings | Tissues.Calves,
                Motion.Bound => Tissues.Hamstrings | Tissues.Calves | Tissues.Knees,
                Motion.Hop => Tissues.Calves | Tissues.Knees,
                Motion.Jump => Tissues.Calves | Tissues.Knees,
                Motion.Shuffle or Motion.Crossover => Tissues.Groins,
                Motion.Backpedal => Tissues.Calves | Tissues.Knees,
                Motion.Throw => Tissues.Back | Tissues.Shoulders,
                Motion.Lift => Tissues.Back | Tissues.Knees | Tissues.Hamstrings,
                Motion.OnTheSpot when demand.Line.Shape is TimedShape => Tissues.Knees,
                _ => Tissues.None,
            };
        }

        return demand.Course is { SharpTurns: > 0 } || demand.Exercise is { Stops: true } ? found | Tissues.Groins | Tissues.Knees : found;
    }
}

/// <summary>Ground contacts by movement and distance (common practice).</summary>
public static class ContactRules
{
    /// <summary>Contacts for each 10 m of a movement where the exercise does not say.</summary>
    /// <param name="movement">The movement.</param>
    public static double ForTenMetres(Motion movement) => movement switch
    {
        Motion.Bound => 5,
        Motion.Hop => 8,
        _ => 0,
    };

    internal static (double Short, double Long) Of(LineDemand demand)
    {
        var exercise = demand.Exercise;
        double contacts = 0, quick = 0;
        switch (demand.Line.Shape)
        {
            case RunShape:
                foreach (var leg in demand.Course!.Legs.Where(l => l.HasIntent || exercise is not null))
                {
                    // The exercise's own figure counts metres only when metres are what it counts.
                    var own = exercise is { Counted: Catalogue.CountedIn.Metres, Contacts: > 0 } && leg.Movement == exercise.Does ? exercise.Contacts : ForTenMetres(leg.Movement);
                    contacts += own * leg.Metres / 10;
                    quick += leg.Movement == Motion.Hop && exercise is null ? own * leg.Metres / 10 : 0;
                }

                break;
            case CountShape count:
                var each = exercise is { Counted: Catalogue.CountedIn.Reps or Catalogue.CountedIn.Passes, Contacts: > 0 } ? exercise.Contacts
                    : demand.Movement is Motion.Jump or Motion.Hop or Motion.Bound ? 1 : 0;
                contacts = each * count.Count;
                break;
        }

        return exercise is null ? (quick, contacts - quick) : exercise.ShortContact ? (contacts, 0) : (0, contacts);
    }
}
