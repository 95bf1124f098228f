using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>Something of an athlete that has a trend: a stretch of a trial, or what was measured.</summary>
/// <param name="Code">How an address names it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="How">What sets it apart from others of that name; empty when nothing does.</param>
/// <param name="Kind">Time, or what was measured.</param>
public sealed record TrendSubject(string Code, string Name, string How, MeasureKind Kind)
{
    public string Words => How.Length == 0 ? Name : $"{Name}, {How}";

    /// <summary>True for a height worked out from a time in the air.</summary>
    public bool IsFromAir { get; init; }

    public bool IsTime => Kind == MeasureKind.Time;

    /// <summary>A stretch of a trial.</summary>
    /// <param name="stretch">The stretch.</param>
    public static string CodeOf(SquadStretch stretch) => $"t:{stretch.From}:{stretch.To}:{stretch.Key}";

    /// <summary>Something measured.</summary>
    /// <param name="key">What it is.</param>
    public static string CodeOf(MeasureKey key) => $"m:{key.Kind}:{(key.FromAir ? "air" : "")}:{key.Load}:{key.Name}";

    /// <summary>The stretch of a best.</summary>
    /// <param name="best">The best.</param>
    public static SquadStretch StretchOf(TrialBest best) => new((best.IsFlying ? best.Trial.FlyingKey : best.Trial.StartKey) ?? "", best.FromMillimetres, best.To.Millimetres);

    /// <summary>The address of the trend of something.</summary>
    /// <param name="athlete">The athlete.</param>
    /// <param name="code">The code.</param>
    public static string Link(int athlete, string code) => $"/Athletes/{athlete}/Trend?of={Uri.EscapeDataString(code)}";
}

/// <summary>The trend of something with what its figures are read in.</summary>
/// <param name="Of">What it is.</param>
/// <param name="Whole">Attempts of both sides.</param>
/// <param name="Left">Attempts of the left, where there are two sides.</param>
/// <param name="Right">Attempts of the right.</param>
/// <param name="Gap">Left against right.</param>
/// <param name="Scale">What one unit as read is in the unit kept.</param>
/// <param name="Unit">The unit as read.</param>
/// <param name="Known">What can be taken out of its times.</param>
public sealed record TrendView(TrendSubject Of, Trend Whole, Trend? Left, Trend? Right, SideGap? Gap, double Scale, string Unit, Adjusts Known)
{
    /// <summary>The one or two lines that are drawn: the whole, or a line for each side.</summary>
    public IReadOnlyList<(Side? Side, Trend Of)> Lines => Left is not null && Right is not null ? [(Side.Left, Left), (Side.Right, Right)] : [(null, Whole)];
}

/// <summary>Finds what an athlete has trends of, and the trend of one of them.</summary>
public sealed class TrendMaker(SquadBook squads, CompareBook compare, SeasonOfOne season, Desk desk)
{
    /// <summary>Everything there is a trend of: measured first, then times.</summary>
    /// <param name="athlete">The athlete.</param>
    /// <param name="from">First day.</param>
    public async Task<IReadOnlyList<TrendSubject>> SubjectsAsync(int athlete, DateOnly from)
    {
        var measured = (await season.MeasuredAsync(athlete, from)).Select(m => Subject(m.Key));
        var times = Bests.Lists(await squads.BestsAsync(athlete)).SelectMany(l => l.Trials.Select(t => new TrendSubject(TrendSubject.CodeOf(TrendSubject.StretchOf(t)), l.Name, t.Words, MeasureKind.Time)));
        return [.. measured, .. times];
    }

    private static TrendSubject Subject(MeasureKey key) =>
        new(TrendSubject.CodeOf(key), BuilderMaker.Capital(key.Words), key.How, key.Kind) { IsFromAir = key.FromAir };

    /// <summary>A trend, or null when there is no such thing.</summary>
    /// <param name="athlete">The athlete.</param>
    /// <param name="of">What it is of.</param>
    /// <param name="from">First day.</param>
    /// <param name="without">What is taken out of times.</param>
    public async Task<TrendView?> MakeAsync(Athlete athlete, TrendSubject of, DateOnly from, Adjusts without)
    {
        var squad = (await squads.AthletesAsync(athlete.SquadId)).Select(a => a.Id).Append(athlete.Id).Distinct().ToList();
        return of.IsTime ? await TimesAsync(athlete.Id, squad, of, from, without) : await MeasuredAsync(athlete.Id, squad, of, from);
    }

    private async Task<TrendView?> TimesAsync(int athlete, List<int> squad, TrendSubject of, DateOnly from, Adjusts without)
    {
        var bests = await squads.BestsAsync(athlete);
        if (bests.FirstOrDefault(b => TrendSubject.CodeOf(TrendSubject.StretchOf(b)) == of.Code) is not { } best)
        {
            return null;
        }

        var stretch = TrendSubject.StretchOf(best);
        var scatter = await compare.ScatterAsync(squad, stretch, desk.Today);
        var own = await compare.AttemptsAsync(athlete, stretch, from, without);
        if (own.Count == 0)
        {
            return null;
        }

        var error = TypicalError.Of(scatter.Repeats, best.Trial.Method, best.Seconds);
        Trend Make(IEnumerable<(DateOnly Day, double Seconds, Adjusts Known)> times, Side? side) => new([.. times.Select(t => new Attempt(t.Day, t.Seconds, side))], true, error, HundredthSeconds, scatter.Smallest);
        var whole = Make(own, best.Trial.Side);
        var known = own.Aggregate(Adjusts.None, (all, a) => all | a.Known);

        // The other side of a one-sided start or turn is another trial.
        if (best.Trial.Side is { } side)
        {
            var opposite = best.Trial with { Side = side == Side.Left ? Side.Right : Side.Left };
            var there = await compare.AttemptsAsync(athlete, stretch with { Key = (best.IsFlying ? opposite.FlyingKey : opposite.StartKey) ?? "" }, from, without);
            if (there.Count > 0)
            {
                var other = Make(there, opposite.Side);
                var (left, right) = side == Side.Left ? (whole, other) : (other, whole);
                return new(of, whole, left, right, Trend.Sides(left.Attempts, right.Attempts, TimingError.Seconds(best.Trial.Method), true), 1, "s", known);
            }
        }

        return new(of, whole, null, null, null, 1, "s", known);
    }

    private const double HundredthSeconds = 0.01;

    private async Task<TrendView?> MeasuredAsync(int athlete, List<int> squad, TrendSubject of, DateOnly from)
    {
        var all = await season.SquadAsync(squad, from < desk.Today.AddDays(-CompareBook.Days) ? from : desk.Today.AddDays(-CompareBook.Days));
        var like = all.Where(v => TrendSubject.CodeOf(v.Key) == of.Code).ToList();
        var own = like.Where(v => v.AthleteId == athlete && v.Day >= from).ToList();
        if (own.Count == 0)
        {
            return null;
        }

        var rule = Measures.Of(of.Kind);
        var club = await desk.ClubAsync();
        var scatter = SquadScatter.Of(like.Where(v => v.Day >= desk.Today.AddDays(-CompareBook.Days)).Select(v => (v.AthleteId, v.Day, v.Value)));

        // A set of a lift is rarely the most there was, so sets of a day are no repeats of each other; nor are the two sides.
        var repeats = of.Kind == MeasureKind.Load ? [] : like.GroupBy(v => (v.AthleteId, v.Day, v.Side)).Select(g => (IReadOnlyList<double>)[.. g.Select(v => v.Value)]);
        var error = TypicalError.Of(repeats, rule, own.Average(v => v.Value));
        Trend Make(IEnumerable<MeasuredValue> values) => new([.. values.Select(v => new Attempt(v.Day, v.Value, v.Side))], rule.LessIsBetter, error, rule.Step, scatter.Smallest);
        var whole = Make(own);
        var (l, r) = (own.Where(v => v.Side == Side.Left).ToList(), own.Where(v => v.Side == Side.Right).ToList());
        var (left, right) = l.Count > 0 && r.Count > 0 ? (Make(l), Make(r)) : (null, null);
        return new(of, whole, left, right, left is null ? null : Trend.Sides(left.Attempts, right!.Attempts, TypicalError.Rounding(rule.Step), rule.LessIsBetter), Measures.Scale(of.Kind, club.DistanceUnit, club.MassUnit), Measures.Unit(of.Kind, club.DistanceUnit, club.MassUnit), Adjusts.None);
    }
}
