using InchBurst.Core.Live;

namespace InchBurst.Core.Clock;

/// <summary>A group sharing lanes on one straight.</summary>
/// <param name="Athletes">Athletes taking turns, 1 to 200.</param>
/// <param name="Lanes">Lanes, 1 to 20.</param>
/// <param name="Sets">Sets, 1 to 20.</param>
/// <param name="Reps">Reps a set, 1 to 100.</param>
/// <param name="OccupiedSeconds">From go until the runner has slowed down and cleared the lane, s, above 0.</param>
/// <param name="RestSeconds">Rest each athlete needs between reps, counted from clearing the lane, s, not negative.</param>
/// <param name="SetRestSeconds">Rest each athlete needs between sets, s, not negative.</param>
/// <param name="StartIntervalSeconds">Least time between two goes of the one starter, s, not negative; 0 sends all free lanes together.</param>
/// <param name="HeadwaySeconds">How long after a go the next may follow in the same lane; null means when the lane is clear. For drills, where athletes follow one another.</param>
public sealed record FlowRequest(
    int Athletes, int Lanes, int Sets, int Reps, double OccupiedSeconds, double RestSeconds, double SetRestSeconds, double StartIntervalSeconds, double? HeadwaySeconds = null);

/// <summary>One go.</summary>
/// <param name="Athlete">Place in the order, from 0.</param>
/// <param name="Lane">Lane, from 0.</param>
/// <param name="Rep">Rep over all sets, from 0.</param>
/// <param name="StartSeconds">Go, s from the beginning of the line.</param>
/// <param name="ClearSeconds">Lane clear, s from the beginning of the line.</param>
/// <param name="RestBeforeSeconds">Real rest before this go; null for the first.</param>
public readonly record struct FlowGo(int Athlete, int Lane, int Rep, double StartSeconds, double ClearSeconds, double? RestBeforeSeconds);

/// <summary>How the group runs the line.</summary>
/// <param name="Goes">Every go in order of start.</param>
/// <param name="FinishSeconds">When the last lane is clear.</param>
/// <param name="IdleSeconds">Time in which no lane was in use.</param>
public sealed record FlowResult(IReadOnlyList<FlowGo> Goes, double FinishSeconds, double IdleSeconds)
{
    /// <summary>Shortest real rest in s, or null when nobody runs twice.</summary>
    public double? ShortestRest => Goes.Any(g => g.RestBeforeSeconds is not null) ? Goes.Min(g => g.RestBeforeSeconds ?? double.MaxValue) : null;

    /// <summary>Longest real rest in s, or null when nobody runs twice.</summary>
    public double? LongestRest => Goes.Max(g => g.RestBeforeSeconds);
}

/// <summary>Athletes take turns in order on the lanes; the queue can lengthen a rest but never shorten it (own model).</summary>
public static class GroupFlow
{
    /// <summary>Runs the group through the line.</summary>
    /// <param name="request">The group.</param>
    /// <exception cref="ArgumentOutOfRangeException">A count is below 1 or a time negative.</exception>
    public static FlowResult Simulate(FlowRequest request)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(request.Athletes, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(request.Lanes, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(request.Sets, 1);
        ArgumentOutOfRangeException.ThrowIfLessThan(request.Reps, 1);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(request.OccupiedSeconds);
        ArgumentOutOfRangeException.ThrowIfNegative(request.RestSeconds);
        ArgumentOutOfRangeException.ThrowIfNegative(request.SetRestSeconds);
        ArgumentOutOfRangeException.ThrowIfNegative(request.StartIntervalSeconds);

        var laneFree = new double[request.Lanes];
        var cleared = new double?[request.Athletes];
        var starterFree = 0.0;
        var total = request.Sets * request.Reps;
        var goes = new List<FlowGo>(request.Athletes * total);
        for (var rep = 0; rep < total; rep++)
        {
            var rest = rep % request.Reps == 0 ? request.SetRestSeconds : request.RestSeconds;
            for (var athlete = 0; athlete < request.Athletes; athlete++)
            {
                var lane = 0;
                for (var i = 1; i < laneFree.Length; i++)
                {
                    if (laneFree[i] < laneFree[lane])
                    {
                        lane = i;
                    }
                }

                var ready = cleared[athlete] is { } since ? since + rest : 0;
                var start = Math.Max(Math.Max(laneFree[lane], starterFree), ready);
                var clear = start + request.OccupiedSeconds;
                goes.Add(new(athlete, lane, rep, start, clear, start - cleared[athlete]));
                laneFree[lane] = request.HeadwaySeconds is { } headway ? start + headway : clear;
                cleared[athlete] = clear;
                starterFree = start + request.StartIntervalSeconds;
            }
        }

        return new(goes, goes.Max(g => g.ClearSeconds), Idle(goes));
    }

    private static double Idle(List<FlowGo> goes)
    {
        double idle = 0, busyUntil = 0;
        foreach (var go in goes)
        {
            idle += Math.Max(0, go.StartSeconds - busyUntil);
            busyUntil = Math.Max(busyUntil, go.ClearSeconds);
        }

        return idle;
    }
}
