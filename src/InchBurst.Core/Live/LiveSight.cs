using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Make;

namespace InchBurst.Core.Live;

/// <summary>A line that is done at the same time by others.</summary>
/// <param name="Place">The line.</param>
/// <param name="Next">Who goes next on it; null when everyone has.</param>
/// <param name="Going">How many have reps left on it.</param>
public sealed record LiveBeside(LinePlace Place, LivePerson? Next, int Going);

/// <summary>A session as it stands now on one of its lines: who goes, who rests, what is typed, when it ends.</summary>
/// <param name="Places">Every line to go to.</param>
/// <param name="At">Index of the line shown among them; -1 when there is none.</param>
/// <param name="Demand">What the line asks of the typical athlete; null without a line.</param>
/// <param name="Timing">How it is timed.</param>
/// <param name="Turns">What it asks of its runners.</param>
/// <param name="Order">The running order.</param>
/// <param name="Timeline">The session as planned, for those who are here.</param>
/// <param name="Forecast">When it will end; null while it does not run.</param>
public sealed record LiveSight(
    IReadOnlyList<LinePlace> Places, int At, LineDemand? Demand, LineTiming Timing, LineTurns Turns, IReadOnlyList<LiveTurn> Order, SessionTimeline Timeline, Forecast? Forecast)
{
    /// <summary>The line shown, or null.</summary>
    public LinePlace? Place => Places.ElementAtOrDefault(At);

    /// <summary>Seconds the line is planned to take.</summary>
    public double PlannedSeconds => Item?.Seconds ?? 0;

    /// <summary>Lines that others do at the same time, in the plan's order.</summary>
    public IReadOnlyList<LiveBeside> Beside { get; init; } = [];

    /// <summary>The line to go back to: the last before those that are on together; null at the first.</summary>
    public LinePlace? Before => Places.Take(At).LastOrDefault(p => !IsBeside(p));

    /// <summary>The line to go on to: the first after those that are on together; null at the last.</summary>
    public LinePlace? After => At < 0 ? null : Places.Skip(At + 1).FirstOrDefault(p => !IsBeside(p));

    private bool IsBeside(LinePlace place) => Beside.Any(b => b.Place.Line.Id == place.Line.Id && b.Place.Round == place.Round);

    private ClockItem? Item => Place is { } place ? Timeline.Items.FirstOrDefault(i => i.Line.Id == place.Line.Id && i.Round == place.Round - 1) : null;

    /// <summary>Looks at a session.</summary>
    /// <param name="state">The session.</param>
    /// <param name="setting">What it is held in.</param>
    /// <param name="now">The time, UTC.</param>
    /// <param name="line">Line to look at; null for the one that is on.</param>
    /// <param name="round">Round of its block; null for the one that is on, or the first.</param>
    public static LiveSight Of(LiveState state, LiveSetting setting, DateTime now, int? line = null, int? round = null)
    {
        var places = LiveOrder.Places(state.Plan);
        var (id, turn) = (line ?? state.LineId, line is null ? state.Round : round ?? 1);
        var at = places.ToList().FindIndex(p => p.Line.Id == id && p.Round == turn);
        at = at >= 0 ? at : places.ToList().FindIndex(p => p.Line.Id == id);
        at = at >= 0 ? at : places.Count > 0 ? 0 : -1;
        var demand = at < 0 ? null : LineDemand.Of(places[at].Line, setting.Catalogue);
        var turns = demand is null ? new(1, 1, 0, 0) : LiveOrder.Turns(state, demand, places[at].Round, setting);
        return new LiveSight(places, at, demand, state.TimingOf(at < 0 ? 0 : places[at].Line.Id), turns, [], SessionClock.Lay(state.Plan, setting.Clock(state)), null).Later(state, setting, now);
    }

    /// <summary>The same session at another time: who goes and when it ends is looked at anew, while the plan stays laid out.</summary>
    /// <param name="state">The session.</param>
    /// <param name="setting">What it is held in.</param>
    /// <param name="now">The time, UTC.</param>
    public LiveSight Later(LiveState state, LiveSetting setting, DateTime now)
    {
        if (Demand is null || Place is not { } place)
        {
            return this;
        }

        var orders = new Dictionary<int, (LineDemand Demand, LineTurns Turns, IReadOnlyList<LiveTurn> Order)> { [place.Line.Id] = (Demand, Turns, LiveOrder.Of(state, Demand, Turns, setting, now)) };
        foreach (var line in (Item is { } item ? Timeline.Beside(item) : []).Select(i => i.Line).Where(l => l.Id != place.Line.Id))
        {
            var demand = LineDemand.Of(line, setting.Catalogue);
            var turns = LiveOrder.Turns(state, demand, place.Round, setting);
            orders[line.Id] = (demand, turns, LiveOrder.Of(state, demand, turns, setting, now));
        }

        var sight = this with
        {
            Order = orders[place.Line.Id].Order,
            Beside = [.. orders.Where(o => o.Key != place.Line.Id).Select(o => new LiveBeside(
                Places.First(p => p.Line.Id == o.Key && p.Round == place.Round), o.Value.Order.FirstOrDefault(t => RunningOrder.Goes(t.Turn.State))?.Person, o.Value.Order.Count(t => RunningOrder.Goes(t.Turn.State))))],
        };
        return state is { State: SessionState.Running, StartedAt: { } started }
            ? sight with { Forecast = Forecast.Of(Timeline, place.Line.Id, place.Round - 1, l => Item is not null && orders.TryGetValue(l.Id, out var of) ? Left(state, of, Timeline.Items.First(i => i.Line.Id == l.Id && i.Round == Item.Round), now) : 1, (now - started).TotalSeconds, setting.WindowSeconds) }
            : sight;
    }

    /// <summary>Ways to make up time on what is left; none while it fits.</summary>
    /// <param name="state">The session.</param>
    /// <param name="setting">What it is held in.</param>
    public IReadOnlyList<FitOffer> Offers(LiveState state, LiveSetting setting) =>
        Forecast?.OverSeconds > Limits.OverrunSeconds ? Remaining.Offers(state.Plan, Place!.Line.Id, setting.Clock(state), Forecast, setting.WindowSeconds) : [];

    // A line that is timed is as far as its reps; one that is not, as far as its time.
    private static double Left(LiveState state, (LineDemand Demand, LineTurns Turns, IReadOnlyList<LiveTurn> Order) of, ClockItem item, DateTime now)
    {
        var line = of.Demand.Line;
        if (LineMarks.Expected(of.Demand).Count + line.AskedMeasures.Count == 0)
        {
            return state.LineFrom is not { } began ? 0 : Math.Max(0, 1 - ((now - began).TotalSeconds / Math.Max(1, item.Seconds)));
        }

        var going = of.Order.Where(q => q.Turn.State is TurnState.Ready or TurnState.Resting or TurnState.Finished).ToList();
        return going.Count == 0 ? 0 : going.Sum(q => Math.Max(0, of.Turns.Reps - (q.Turn.Rep - 1))) / (double)(going.Count * line.Turns);
    }
}
