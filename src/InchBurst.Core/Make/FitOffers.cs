using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Make;

/// <summary>A way to fit the window.</summary>
/// <param name="Label">What is done, such as "Drop 1 fly rep".</param>
/// <param name="Cost">What it costs.</param>
/// <param name="EndSeconds">When the session then ends, s.</param>
/// <param name="Plan">The plan with it done.</param>
/// <param name="Lanes">Lanes it needs.</param>
public sealed record FitOffer(string Label, string Cost, double EndSeconds, SessionPlan Plan, int Lanes);

/// <summary>Ways to fit a session into its window, ranked: those that fit first, the smaller change before the greater. Rest is never cut.</summary>
public static class FitOffers
{
    /// <summary>Offers for a plan that overruns; empty when it fits.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="setting">Group, lanes, pace and school.</param>
    /// <param name="windowSeconds">Time available, s.</param>
    public static IReadOnlyList<FitOffer> For(SessionPlan plan, ClockSetting setting, double windowSeconds)
    {
        double End(SessionPlan p, int lanes) => SessionClock.Lay(p, setting with { Lanes = lanes }).TotalSeconds;
        var now = End(plan, setting.Lanes);
        if (now <= windowSeconds + 0.5)
        {
            return [];
        }

        var offers = new List<(int Price, FitOffer Offer)>();
        void Add(int price, string label, string cost, SessionPlan changed, int lanes)
        {
            var end = End(changed, lanes);
            if (end < now - 5)
            {
                offers.Add((price, new(label, cost, end, changed, lanes)));
            }
        }

        Add(1, "Open another lane", $"needs {setting.Lanes + 1} lanes", plan, setting.Lanes + 1);
        foreach (var line in plan.Lines.Where(l => l.Kind.Queues() && l.Reps > 1))
        {
            for (var drop = 1; drop <= Math.Min(3, line.Reps - 1); drop++)
            {
                var changed = plan.Replace(line.Id, line with { Reps = line.Reps - drop });
                var metres = line.Shape is RunShape run ? run.SprintMetres * drop * line.Sets : 0;
                Add(1 + drop, $"Drop {drop} {(drop == 1 ? "rep" : "reps")} of {ShorthandPrinter.ShapeText(line.Shape)}", $"{Figures.Number(metres)} m less for each athlete", changed, setting.Lanes);
                if (End(changed, setting.Lanes) <= windowSeconds)
                {
                    break;
                }
            }
        }

        foreach (var block in plan.Blocks.Where(b => b.Rounds > 1))
        {
            Add(3, $"One round of {block.Title} less", $"{block.Rounds - 1} rounds instead of {block.Rounds}", plan.SetBlock(block.Id, block.Title, block.Rounds - 1, block.RoundRestSeconds), setting.Lanes);
        }

        if (Shorter(plan, setting, now - windowSeconds) is { } shorter)
        {
            Add(3, "Shorten the warm-up", $"never under {WarmUpMaker.LeastMinutes} minutes", shorter, setting.Lanes);
        }

        if (setting.Athletes >= 4 && TwoStations(plan) is { } stations)
        {
            Add(4, "Two groups: sprint and drill in turn", "a helper at the drill station", stations, setting.Lanes);
        }

        return [.. offers.OrderBy(o => o.Offer.EndSeconds > windowSeconds + 0.5 ? 1 : 0).ThenBy(o => o.Price).ThenBy(o => o.Offer.EndSeconds).Select(o => o.Offer).Take(4)];
    }

    private static SessionPlan? Shorter(SessionPlan plan, ClockSetting setting, double over)
    {
        var timeline = SessionClock.Lay(plan, setting);
        var before = timeline.Items.TakeWhile(i => !PlanChecks.IsFullSprint(i.Line)).Sum(i => i.Seconds);
        var line = plan.Lines.Where(l => l.Kind is WorkKind.Raise && l.Shape is TimedShape).MaxBy(l => ((TimedShape)l.Shape).Seconds);
        if (line is null)
        {
            return null;
        }

        var seconds = ((TimedShape)line.Shape).Seconds;
        var cut = Math.Floor(Math.Min(Math.Min(over + 15, seconds - 60), before - (WarmUpMaker.LeastMinutes * 60)) / 15) * 15;
        return cut >= 15 ? plan.Replace(line.Id, line with { Shape = new TimedShape(seconds - cut) }) : null;
    }

    private static SessionPlan? TwoStations(SessionPlan plan)
    {
        var sprint = plan.Blocks.FirstOrDefault(b => b is { Stations: false, Lines.Count: 1 } && PlanChecks.IsFullSprint(b.Lines[0]));
        var other = plan.Blocks.FirstOrDefault(b => b is { Stations: false, Lines.Count: 1, Rounds: 1 } && b.Lines[0].Kind is WorkKind.Jumps or WorkKind.Strength or WorkKind.Drill or WorkKind.Turn);
        if (sprint is null || other is null)
        {
            return null;
        }

        var joined = sprint with { Title = "Stations", Lines = [.. sprint.Lines, .. other.Lines], Stations = true };
        return plan with { Blocks = [.. plan.Blocks.Where(b => b.Id != other.Id).Select(b => b.Id == sprint.Id ? joined : b)] };
    }
}
