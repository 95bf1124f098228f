namespace InchBurst.Core.Live;

/// <summary>Where an athlete stands in the running order of a line.</summary>
public enum TurnState
{
    /// <summary>Rested and waiting to go.</summary>
    Ready,

    /// <summary>Still resting.</summary>
    Resting,

    /// <summary>All reps of this line done.</summary>
    Finished,

    /// <summary>Doing another drill while this line is on.</summary>
    OtherWork,

    /// <summary>Kept from full efforts by pain; easier lines are open.</summary>
    Held,

    /// <summary>Done for today.</summary>
    DoneForToday,
}

/// <summary>What keeps an athlete out of a line.</summary>
public enum KeptOut
{
    /// <summary>Nothing.</summary>
    No,

    /// <summary>Another drill.</summary>
    OtherWork,

    /// <summary>Pain: no full efforts.</summary>
    Held,

    /// <summary>Done for today.</summary>
    DoneForToday,
}

/// <summary>An athlete as the running order needs to know them.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="Order">Place in the day's order.</param>
/// <param name="RepsDone">Reps of this line done or skipped.</param>
/// <param name="LastFinished">When the athlete last finished a run of any line, or null.</param>
/// <param name="KeptOut">What keeps the athlete out of this line.</param>
public sealed record Runner(int AthleteId, int Order, int RepsDone, DateTime? LastFinished, KeptOut KeptOut = KeptOut.No);

/// <summary>An athlete's turn.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="Rep">Rep to run next, from 1; one past the reps of the line when finished, which would be an extra one.</param>
/// <param name="ReadyAt">When the rest is over; null when there is nothing to rest from.</param>
/// <param name="State">State now.</param>
/// <param name="Lane">Lane of the next go, from 1; 0 when there is none.</param>
public sealed record Turn(int AthleteId, int Rep, DateTime? ReadyAt, TurnState State, int Lane = 0)
{
    /// <summary>Seconds waited beyond the planned rest; 0 while resting or out.</summary>
    /// <param name="now">The time.</param>
    public double WaitedOver(DateTime now) => State == TurnState.Ready && ReadyAt is { } ready ? Math.Max(0, (now - ready).TotalSeconds) : 0;
}

/// <summary>What a line asks of its runners.</summary>
/// <param name="Reps">Turns of one athlete until the line, or this round of it, is done; 1 or more.</param>
/// <param name="RepsASet">Turns in a set, 1 or more; after each set the longer rest holds.</param>
/// <param name="RestSeconds">Rest between reps in s, counted from the finish of the run, not negative.</param>
/// <param name="SetRestSeconds">Rest between sets in s, not negative.</param>
/// <param name="Lanes">Lanes in use, 1 or more.</param>
/// <param name="GoesSoFar">Goes of the line already run by anyone, which tells the lane that is free next.</param>
public sealed record LineTurns(int Reps, int RepsASet, double RestSeconds, double SetRestSeconds, int Lanes = 1, int GoesSoFar = 0);

/// <summary>Who runs next: the rested first, those with fewer reps before those with more, then the day's order. Lanes are taken in turn.</summary>
public static class RunningOrder
{
    /// <summary>The order now.</summary>
    /// <param name="runners">Athletes on this line.</param>
    /// <param name="line">What the line asks.</param>
    /// <param name="now">The time.</param>
    /// <param name="called">Number of the athlete called to the line, who goes first when able to; null when nobody is.</param>
    public static IReadOnlyList<Turn> Now(IEnumerable<Runner> runners, LineTurns line, DateTime now, int? called = null)
    {
        var turns = new List<(Turn Turn, Runner Runner)>();
        foreach (var r in runners)
        {
            var rest = r.RepsDone > 0 && r.RepsDone % line.RepsASet == 0 ? line.SetRestSeconds : line.RestSeconds;
            var ready = r.LastFinished?.AddSeconds(rest);
            var state = r.KeptOut switch
            {
                KeptOut.DoneForToday => TurnState.DoneForToday,
                KeptOut.Held => TurnState.Held,
                KeptOut.OtherWork => TurnState.OtherWork,
                _ => r.RepsDone >= line.Reps && r.AthleteId != called ? TurnState.Finished : ready > now ? TurnState.Resting : TurnState.Ready,
            };
            turns.Add((new(r.AthleteId, r.RepsDone + 1, ready, state), r));
        }

        var ordered = turns.OrderBy(t => Goes(t.Turn.State) && t.Turn.AthleteId == called ? 0 : 1)
            .ThenBy(t => t.Turn.State)
            .ThenBy(t => t.Turn.State == TurnState.Resting ? t.Turn.ReadyAt!.Value : DateTime.MinValue)
            .ThenBy(t => t.Runner.RepsDone).ThenBy(t => t.Runner.Order).Select(t => t.Turn);
        return [.. ordered.Select((t, place) => Goes(t.State) ? t with { Lane = ((line.GoesSoFar + place) % line.Lanes) + 1 } : t)];
    }

    /// <summary>True for states from which an athlete goes to the line without being called.</summary>
    /// <param name="state">The state.</param>
    public static bool Goes(TurnState state) => state is TurnState.Ready or TurnState.Resting;
}
