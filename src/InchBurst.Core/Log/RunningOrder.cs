namespace InchBurst.Core.Log;

/// <summary>Where an athlete stands in the running order of a line.</summary>
public enum TurnState
{
    /// <summary>Rested and waiting to go.</summary>
    Ready,

    /// <summary>Still resting.</summary>
    Resting,

    /// <summary>All reps of this line done.</summary>
    Finished,

    /// <summary>Done for today.</summary>
    DoneForToday,
}

/// <summary>An athlete as the running order needs to know them.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="Order">Place in the day's order.</param>
/// <param name="RepsDone">Reps of this line done or skipped.</param>
/// <param name="LastFinished">When the athlete last finished a run of any line, or null.</param>
/// <param name="DoneForToday">True when taken out for today.</param>
public sealed record Runner(int AthleteId, int Order, int RepsDone, DateTime? LastFinished, bool DoneForToday = false);

/// <summary>An athlete's turn.</summary>
/// <param name="AthleteId">Number of the athlete.</param>
/// <param name="Rep">Rep to run next, from 1; the number of reps when finished.</param>
/// <param name="ReadyAt">When the rest is over; null when there is nothing to rest from.</param>
/// <param name="State">State now.</param>
public sealed record Turn(int AthleteId, int Rep, DateTime? ReadyAt, TurnState State);

/// <summary>Who runs next: the rested first, those with fewer reps before those with more, then the day's order.</summary>
public static class RunningOrder
{
    /// <summary>The order now.</summary>
    /// <param name="runners">Athletes on this line.</param>
    /// <param name="reps">Reps of the line, 1 or more.</param>
    /// <param name="repsASet">Reps of a set, 1 or more; after each set the longer rest holds.</param>
    /// <param name="restSeconds">Rest between reps in s, counted from the finish of the run, not negative.</param>
    /// <param name="setRestSeconds">Rest between sets in s, not negative.</param>
    /// <param name="now">The time.</param>
    public static IReadOnlyList<Turn> Now(IEnumerable<Runner> runners, int reps, int repsASet, double restSeconds, double setRestSeconds, DateTime now)
    {
        var turns = new List<(Turn Turn, Runner Runner)>();
        foreach (var r in runners)
        {
            var rest = r.RepsDone > 0 && r.RepsDone % repsASet == 0 ? setRestSeconds : restSeconds;
            var ready = r.LastFinished?.AddSeconds(rest);
            var state = r.DoneForToday ? TurnState.DoneForToday
                : r.RepsDone >= reps ? TurnState.Finished
                : ready > now ? TurnState.Resting
                : TurnState.Ready;
            turns.Add((new(r.AthleteId, Math.Min(r.RepsDone + 1, reps), ready, state), r));
        }

        return
        [
            .. turns.OrderBy(t => t.Turn.State)
                .ThenBy(t => t.Turn.State == TurnState.Resting ? t.Turn.ReadyAt!.Value : DateTime.MinValue)
                .ThenBy(t => t.Runner.RepsDone).ThenBy(t => t.Runner.Order).Select(t => t.Turn),
        ];
    }
}
