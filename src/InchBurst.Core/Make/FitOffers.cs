using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Make;

/// <summary>A way to fit the window.</summary>
/// <param name="Label">What is done, such as "Drop 1 rep of 30 m"; no two offers of a plan share one.</param>
/// <param name="Cost">What it costs.</param>
/// <param name="EndSeconds">When the session then ends, s.</param>
/// <param name="Plan">The plan with it done.</param>
/// <param name="Lanes">Lanes it needs.</param>
public sealed record FitOffer(string Label, string Cost, double EndSeconds, SessionPlan Plan, int Lanes);

/// <summary>
/// Ways to fit a session into its window, the smaller change before the greater. Those that fit are offered; when no single one does, several together, and only when
/// even those do not, what comes nearest. Rest is never cut.
/// </summary>
public static class FitOffers
{
    /// <summary>Most offers at once.</summary>
    public const int Most = 4;

    private const double WorthSeconds = 5;
    private const int MostTogether = 6;

    private sealed record Move(int Price, string Label, string Cost, SessionPlan Plan, int Lanes);

    /// <summary>Offers for a plan that overruns; empty when it fits.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="setting">Group, lanes, pace and school.</param>
    /// <param name="windowSeconds">Time available, s.</param>
    public static IReadOnlyList<FitOffer> For(SessionPlan plan, ClockSetting setting, double windowSeconds)
    {
        double End(SessionPlan p, int lanes) => SessionClock.Lay(p, setting with { Lanes = lanes }).TotalSeconds;
        var now = End(plan, setting.Lanes);
        if (now <= windowSeconds + Limits.WindowSeconds)
        {
            return [];
        }

        bool Fits(double end) => end <= windowSeconds + Limits.WindowSeconds;
        var singles = Moves(plan, setting.Lanes, setting, now - windowSeconds).Select(m => (m.Price, Offer: new FitOffer(m.Label, m.Cost, End(m.Plan, m.Lanes), m.Plan, m.Lanes)))
            .Where(o => o.Offer.EndSeconds < now - WorthSeconds).ToList();

        // Of a change that comes in sizes, the smallest that fits is enough.
        var fitting = singles.Where(o => Fits(o.Offer.EndSeconds)).OrderBy(o => o.Price).ThenBy(o => o.Offer.EndSeconds).DistinctBy(o => Base(o.Offer.Label)).Select(o => o.Offer).ToList();
        if (fitting.Count == 0 && Together(plan, setting, windowSeconds, End) is { } both)
        {
            fitting.Add(both);
        }

        var offers = fitting.Count > 0
            ? fitting
            : singles.OrderBy(o => o.Offer.EndSeconds).Select(o => o.Offer with { Cost = $"{o.Offer.Cost}; still {Figures.Clock(o.Offer.EndSeconds - windowSeconds)} over" }).DistinctBy(o => Base(o.Label)).ToList();
        return [.. offers.Take(Most)];
    }

    // "Drop 2 reps of 30 m" and "Drop 1 rep of 30 m" are one change in two sizes.
    private static string Base(string label) => label.StartsWith("Drop ", StringComparison.Ordinal) ? label[(label.IndexOf(" of ", StringComparison.Ordinal) + 1)..] : label;

    // The cheapest change that saves most for its price, again and again, until it fits.
    private static FitOffer? Together(SessionPlan plan, ClockSetting setting, double windowSeconds, Func<SessionPlan, int, double> end)
    {
        var (now, lanes, at) = (plan, setting.Lanes, end(plan, setting.Lanes));
        var labels = new List<string>();
        var costs = new List<string>();
        for (var i = 0; i < MostTogether; i++)
        {
            var best = Moves(now, lanes, setting, at - windowSeconds).Where(m => !labels.Contains(m.Label)).Select(m => (Move: m, End: end(m.Plan, m.Lanes)))
                .Where(m => m.End < at - WorthSeconds).OrderByDescending(m => m.End <= windowSeconds + Limits.WindowSeconds).ThenByDescending(m => (at - m.End) / m.Move.Price).FirstOrDefault();
            if (best.Move is null)
            {
                return null;
            }

            (now, lanes, at) = (best.Move.Plan, best.Move.Lanes, best.End);
            labels.Add(best.Move.Label);
            costs.Add(best.Move.Cost);
            if (at <= windowSeconds + Limits.WindowSeconds)
            {
                var joined = string.Join(", ", labels.Select((l, n) => n == 0 ? l : char.ToLowerInvariant(l[0]) + l[1..]));
                return new(joined, string.Join(", ", costs.Distinct()), at, now, lanes);
            }
        }

        return null;
    }

    private static IEnumerable<Move> Moves(SessionPlan plan, int lanes, ClockSetting setting, double over)
    {
        var moves = new List<Move>();
        if (plan.Lines.Any(l => setting.DemandOf(l).Queues))
        {
            moves.Add(new(1, lanes == setting.Lanes ? "Open another lane" : $"Open lane {lanes + 1}", $"needs {lanes + 1} lanes", plan, lanes + 1));
        }

        var named = plan.Lines.Select(l => (Line: l, Name: ShorthandPrinter.ShapeText(l.Shape))).ToList();
        foreach (var (line, shape) in named.Where(l => setting.DemandOf(l.Line) is { Warms: false } && l.Line.TotalReps > 1))
        {
            // Where two lines look alike, the number of the line tells them apart.
            var name = named.Count(n => n.Name == shape) > 1 ? $"{shape} (line {named.FindIndex(n => n.Line.Id == line.Id) + 1})" : shape;
            for (var drop = 1; drop <= Math.Min(3, Math.Max(line.Reps, line.Sets) - 1); drop++)
            {
                var changed = line.Reps > drop ? line with { Reps = line.Reps - drop } : line with { Sets = line.Sets - drop };
                var what = line.Reps > drop ? drop == 1 ? "rep" : "reps" : drop == 1 ? "set" : "sets";
                if (changed.Sets >= 1 && changed.TotalReps < line.TotalReps)
                {
                    var metres = setting.DemandOf(line).IntentMetres * (line.TotalReps - changed.TotalReps) * (line.EachSide ? 2 : 1);
                    moves.Add(new(1 + drop, $"Drop {drop} {what} of {name}", metres > 0 ? $"{Figures.Number(metres)} m less for each athlete" : "less work for each athlete", plan.Replace(line.Id, changed), lanes));
                }
            }
        }

        foreach (var block in plan.Blocks.Where(b => b.Rounds > 1))
        {
            var title = plan.Blocks.Count(b => b.Title == block.Title) > 1 ? $"{block.Title} (block {plan.Blocks.ToList().IndexOf(block) + 1})" : block.Title;
            moves.Add(new(3, $"One round of {title} less", $"{block.Rounds - 1} rounds instead of {block.Rounds}", plan.SetBlock(block.Id, block.Title, block.Rounds - 1, block.RoundRestSeconds), lanes));
        }

        if (Shorter(plan, setting with { Lanes = lanes }, over) is { } shorter)
        {
            moves.Add(new(3, "Shorten the warm-up", $"never under {WarmUpMaker.LeastMinutes} minutes", shorter, lanes));
        }

        if (setting.Athletes >= 4 && TwoStations(plan, setting) is { } stations)
        {
            moves.Add(new(4, "Two groups: sprint and drill in turn", "a helper at the drill station", stations, lanes));
        }

        return moves;
    }

    private static SessionPlan? Shorter(SessionPlan plan, ClockSetting setting, double over)
    {
        var before = SessionClock.Lay(plan, setting).WarmUpSeconds(setting.DemandOf);
        var line = plan.Lines.Where(l => l.Shape is TimedShape && setting.DemandOf(l) is { Warms: true, Movement: Motion.Jog }).MaxBy(l => ((TimedShape)l.Shape).Seconds);
        if (line is null)
        {
            return null;
        }

        var seconds = ((TimedShape)line.Shape).Seconds;
        var cut = Math.Floor(Math.Min(Math.Min(over + 15, seconds - 60), before - (WarmUpMaker.LeastMinutes * 60)) / 15) * 15;
        return cut >= 15 ? plan.Replace(line.Id, line with { Shape = new TimedShape(seconds - cut) }) : null;
    }

    private static SessionPlan? TwoStations(SessionPlan plan, ClockSetting setting)
    {
        var sprint = plan.Blocks.FirstOrDefault(b => b is { Stations: false, Lines.Count: 1 } && setting.DemandOf(b.Lines[0]).IsFullSprint);
        var other = plan.Blocks.FirstOrDefault(b => b is { Stations: false, Lines.Count: 1, Rounds: 1 } && CanBeside(setting.DemandOf(b.Lines[0])));
        if (sprint is null || other is null)
        {
            return null;
        }

        var joined = sprint with { Title = "Stations", Lines = [.. sprint.Lines, .. other.Lines], Stations = true };
        return plan with { Blocks = [.. plan.Blocks.Where(b => b.Id != other.Id).Select(b => b.Id == sprint.Id ? joined : b)] };
    }

    // Work that needs no lane of its own and no calm: jumps, lifts, throws and drills.
    private static bool CanBeside(LineDemand demand) => !demand.Queues && demand.Exercise is not { StaticHold: true }
        && (demand.IsJumping || demand.Movement is Motion.Lift or Motion.Throw or Motion.Skip or Motion.March or Motion.OnTheSpot) && demand.Line.Shape is not TimedShape;
}
