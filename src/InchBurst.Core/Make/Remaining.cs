using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Make;

/// <summary>What is left of a plan while it is run, so that it can be made to fit.</summary>
public static class Remaining
{
    /// <summary>The lines after the one that is on, with the rounds of its block still to come.</summary>
    /// <param name="plan">The plan as it is run.</param>
    /// <param name="lineId">Number of the line that is on.</param>
    public static SessionPlan After(SessionPlan plan, int lineId)
    {
        var block = plan.BlockOf(lineId);
        return block is null ? plan : plan with { Blocks = [.. plan.Blocks.Select(b => b.Id == block.Id ? b with { Lines = [.. b.AtOnce().SkipWhile(t => t.All(l => l.Id != lineId)).Skip(1).SelectMany(t => t)] } : b).SkipWhile(b => b.Id != block.Id).Where(b => b.Lines.Count > 0)] };
    }

    /// <summary>Ways to make up time on what is left; rest is never cut, and what has been run stays as it was.</summary>
    /// <param name="plan">The plan as it is run.</param>
    /// <param name="lineId">Number of the line that is on.</param>
    /// <param name="setting">Group, lanes, pace and school.</param>
    /// <param name="forecast">Where the session is.</param>
    /// <param name="windowSeconds">Time available, s.</param>
    /// <returns>Offers whose end is counted from the start of the session; empty when it fits or nothing can be left out.</returns>
    public static IReadOnlyList<FitOffer> Offers(SessionPlan plan, int lineId, ClockSetting setting, Forecast forecast, double windowSeconds)
    {
        var left = After(plan, lineId);
        if (forecast.OverSeconds <= Limits.WindowSeconds || left.Blocks.Count == 0)
        {
            return [];
        }

        var leftSeconds = SessionClock.Lay(left, setting).TotalSeconds;
        var before = forecast.FinishSeconds - leftSeconds;
        return
        [
            .. FitOffers.For(left, setting, windowSeconds - before)
                .Where(o => o.Plan.Lines.Select(l => l.Id).SequenceEqual(left.Lines.Select(l => l.Id)) && o.Plan.Blocks.Count == left.Blocks.Count)
                .Select(o => o with { EndSeconds = o.EndSeconds + before, Plan = Put(plan, o.Plan) })
                .Concat(Without(plan, left, setting, before)).Take(4),
        ];
    }

    // When there is nothing to thin out, the last block before the cool-down can go as a whole.
    private static IEnumerable<FitOffer> Without(SessionPlan plan, SessionPlan left, ClockSetting setting, double before)
    {
        if (left.Blocks.LastOrDefault(b => b.Lines.All(l => setting.DemandOf(l) is { Warms: false, Exercise: not { StaticHold: true } })) is { } block)
        {
            var ids = block.Lines.Select(l => l.Id).ToList();
            var shorter = left.Remove(ids);
            yield return new($"Leave out {block.Title}", "keep it for another day", before + SessionClock.Lay(shorter, setting).TotalSeconds, plan.Remove(ids), setting.Lanes);
        }
    }

    private static SessionPlan Put(SessionPlan plan, SessionPlan changed) => plan with
    {
        Blocks =
        [
            .. plan.Blocks.Select(b => changed.Blocks.FirstOrDefault(c => c.Id == b.Id) is { } other
                ? b with { Rounds = other.Rounds, Lines = [.. b.Lines.Select(l => other.Lines.FirstOrDefault(o => o.Id == l.Id) ?? l)] }
                : b),
        ],
    };
}
