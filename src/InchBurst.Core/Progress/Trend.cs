using InchBurst.Core.Plan;
using MathNet.Numerics.Distributions;

namespace InchBurst.Core.Progress;

/// <summary>One attempt at something that is timed or measured.</summary>
/// <param name="Day">The day.</param>
/// <param name="Value">The figure, above 0.</param>
/// <param name="Side">Side it was done on, if any.</param>
public readonly record struct Attempt(DateOnly Day, double Value, Side? Side = null);

/// <summary>Chances that what changed from the first days to the last is more than is worth having.</summary>
/// <param name="Gain">By how much the last days are better; negative when worse.</param>
/// <param name="Smallest">Smallest change worth having, above 0.</param>
/// <param name="Better">Chance that it is truly better by more than that, 0 to 1.</param>
/// <param name="Worse">Chance that it is truly worse by more than that.</param>
public sealed record TrendVerdict(double Gain, double Smallest, double Better, double Worse)
{
    /// <summary>Chance that the change is too small to matter.</summary>
    public double Trivial => Math.Max(0, 1 - Better - Worse);

    /// <summary>How sure it is that the change seen is a true one and large enough.</summary>
    public string Sure => Certainty.Word(Gain >= 0 ? Better : Worse);
}

/// <summary>What is lost from attempt to attempt within a session.</summary>
/// <param name="Share">Share of the figure lost with each attempt; negative where it is gained.</param>
/// <param name="Half90">Half width of its 90% range.</param>
/// <param name="Attempts">Attempts it stands on.</param>
/// <param name="Days">Days of them.</param>
public sealed record SessionDrop(double Share, double Half90, int Attempts, int Days)
{
    /// <summary>Fewest attempts in a day that say anything.</summary>
    public const int FewestAttempts = 3;

    /// <summary>True when it is beyond error: one who loses nothing is told so in at most 10% of cases.</summary>
    public bool IsReal => Math.Abs(Share) > Half90;

    /// <summary>
    /// One slope through the attempts of all days, each day with a level of its own, by least squares on logarithms: the best of a day is not taken for where it began, which would
    /// find a loss in pure noise.
    /// </summary>
    /// <param name="days">Figures of each day in the order they were done, each above 0.</param>
    /// <param name="lessIsBetter">True for times.</param>
    /// <returns>The drop, or null with no day of <see cref="FewestAttempts"/>.</returns>
    public static SessionDrop? Of(IEnumerable<IReadOnlyList<double>> days, bool lessIsBetter)
    {
        var told = days.Where(d => d.Count >= FewestAttempts).ToList();
        if (told.Count == 0)
        {
            return null;
        }

        var points = told.SelectMany(d => d.Select((v, i) => (X: i - ((d.Count - 1) / 2.0), Y: Math.Log(v) - d.Average(Math.Log)))).ToList();
        var spread = points.Sum(p => p.X * p.X);
        var slope = points.Sum(p => p.X * p.Y) / spread;
        var free = points.Count - told.Count - 1;
        var error = Math.Sqrt(points.Sum(p => (p.Y - (slope * p.X)) * (p.Y - (slope * p.X))) / free / spread);
        return new(lessIsBetter ? slope : -slope, StudentT.InvCDF(0, 1, free, 0.95) * error, points.Count, told.Count);
    }
}

/// <summary>A straight line through the bests of days, with the range it may lie in.</summary>
/// <param name="Middle">Mean day, as a day number.</param>
/// <param name="Level">Its height on that day.</param>
/// <param name="PerDay">By how much it rises a day.</param>
public sealed record TrendBand(double Middle, double Level, double PerDay)
{
    /// <summary>Fewest days through which a line is laid.</summary>
    public const int FewestDays = SeasonChange.FewestDays;

    private double Scatter { get; init; }

    private double Spread { get; init; }

    private int Days { get; init; }

    /// <summary>Where the line stands on a day.</summary>
    /// <param name="day">The day.</param>
    public double At(DateOnly day) => Level + (PerDay * (day.DayNumber - Middle));

    /// <summary>Half width of the 90% range of the line on a day, by Student's t.</summary>
    /// <param name="day">The day.</param>
    public double Half90(DateOnly day) =>
        StudentT.InvCDF(0, 1, Days - 2, 0.95) * Scatter * Math.Sqrt((1.0 / Days) + ((day.DayNumber - Middle) * (day.DayNumber - Middle) / Spread));

    /// <summary>The line by least squares.</summary>
    /// <param name="days">Best of each day.</param>
    /// <returns>The line, or null with fewer than <see cref="FewestDays"/> days.</returns>
    public static TrendBand? Of(IReadOnlyList<(DateOnly Day, double Value)> days)
    {
        if (days.Count < FewestDays)
        {
            return null;
        }

        var (middle, level) = (days.Average(d => d.Day.DayNumber), days.Average(d => d.Value));
        var spread = days.Sum(d => (d.Day.DayNumber - middle) * (d.Day.DayNumber - middle));
        var slope = days.Sum(d => (d.Day.DayNumber - middle) * (d.Value - level)) / spread;
        var line = new TrendBand(middle, level, slope) { Days = days.Count, Spread = spread };
        return line with { Scatter = Math.Sqrt(days.Sum(d => (d.Value - line.At(d.Day)) * (d.Value - line.At(d.Day))) / (days.Count - 2)) };
    }
}

/// <summary>How something that is timed or measured came along: bests, change, line, left and right, and what is lost within a session. One way for sprints, jumps, turns, throws and lifts.</summary>
/// <param name="Attempts">Every attempt in the order it was done, at least one.</param>
/// <param name="LessIsBetter">True for times and heart rates.</param>
/// <param name="Error">Typical error of one attempt.</param>
/// <param name="Step">What it is read to, in its unit.</param>
/// <param name="SquadSmallest">Smallest change worth having by the squad's scatter; null where that is not known.</param>
public sealed record Trend(IReadOnlyList<Attempt> Attempts, bool LessIsBetter, TypicalError Error, double Step, double? SquadSmallest)
{
    /// <summary>Best of each day, in order.</summary>
    public IReadOnlyList<(DateOnly Day, double Value)> Days { get; } = [.. Attempts.GroupBy(a => a.Day).OrderBy(g => g.Key).Select(g => (g.Key, LessIsBetter ? g.Min(a => a.Value) : g.Max(a => a.Value)))];

    /// <summary>The best of all; of equal ones the first.</summary>
    public (DateOnly Day, double Value) Best => LessIsBetter ? Days.MinBy(d => d.Value) : Days.MaxBy(d => d.Value);

    /// <summary>The latest day.</summary>
    public (DateOnly Day, double Value) Last => Days[^1];

    /// <summary>What the bests of the days before lay between, of the last <see cref="UsualRange.Days"/> days; null with too few.</summary>
    public UsualRange? Usual => UsualRange.Of([.. Days.SkipLast(1).Where(d => d.Day >= Last.Day.AddDays(-UsualRange.Days)).Select(d => d.Value)]);

    /// <summary>Smallest change worth having: the squad's, or half the typical error (own rule).</summary>
    public double Smallest => SquadSmallest ?? Error.Size / 2;

    /// <summary>What changed from the first days to the last.</summary>
    public SeasonChange? Change => SeasonChange.Of([.. Days.Select(d => d.Value)]);

    /// <summary>The line through the bests of days; null with too few.</summary>
    public TrendBand? Band => TrendBand.Of(Days);

    /// <summary>What is to be thought of the change; null with too few days.</summary>
    public TrendVerdict? Verdict
    {
        get
        {
            if (Change is not { } change)
            {
                return null;
            }

            // Days that are all alike still have the error of reading.
            var error = Math.Max(change.Error, TypicalError.Rounding(Step) * Math.Sqrt(2.0 / change.Days));
            var gain = LessIsBetter ? -change.Change : change.Change;
            double Beyond(double of) => 1 - StudentT.CDF(0, 1, change.Freedom, (Smallest - of) / error);
            return new(gain, Smallest, Beyond(gain), Beyond(-gain));
        }
    }

    /// <summary>What is lost within a session; null with no day of enough attempts.</summary>
    public SessionDrop? Drop => SessionDrop.Of(Attempts.GroupBy(a => a.Day).Select(g => (IReadOnlyList<double>)[.. g.Select(a => a.Value)]), LessIsBetter);

    /// <summary>Days back from the latest over which the two sides are compared.</summary>
    public const int SideDays = UsualRange.Days;

    /// <summary>Left against right over the last days; null while a side is missing.</summary>
    /// <param name="left">Attempts of the left.</param>
    /// <param name="right">Attempts of the right.</param>
    /// <param name="error">Error of measuring one attempt as a standard deviation.</param>
    /// <param name="lessIsBetter">True for times.</param>
    public static SideGap? Sides(IEnumerable<Attempt> left, IEnumerable<Attempt> right, double error, bool lessIsBetter)
    {
        var (l, r) = (left.ToLookup(a => a.Day, a => a.Value), right.ToLookup(a => a.Day, a => a.Value));
        var both = l.Select(g => g.Key).Where(r.Contains).Order().ToList();
        return both.Count == 0 ? null : SideGap.Of([.. both.Where(d => d >= both[^1].AddDays(-SideDays)).Select(d => ((IReadOnlyList<double>)[.. l[d]], (IReadOnlyList<double>)[.. r[d]]))], error, lessIsBetter);
    }
}
