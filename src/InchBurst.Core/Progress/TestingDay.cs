using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Progress;

/// <summary>What counts of several attempts.</summary>
public enum TestCounts
{
    /// <summary>The best one.</summary>
    Best,

    /// <summary>The mean of the two best.</summary>
    TwoBest,

    /// <summary>The mean of all.</summary>
    Mean,
}

/// <summary>In which order athletes go.</summary>
public enum TestOrder
{
    /// <summary>As they are listed.</summary>
    Listed,

    /// <summary>By lot: the same lot every time the session is opened.</summary>
    Lot,

    /// <summary>By own best over the first sprint, the slowest first: the quick are not kept waiting behind each other.</summary>
    SlowestFirst,
}

/// <summary>How a day of tests is run, so that its figures can be set beside those of another (common practice).</summary>
/// <param name="Counts">What counts.</param>
/// <param name="Order">The order.</param>
/// <param name="RerunPercent">When the two best attempts differ by more than this many percent, one more is taken; 0.5 to 20.</param>
public sealed record TestingDay(TestCounts Counts = TestCounts.Best, TestOrder Order = TestOrder.Listed, double RerunPercent = TestingDay.UsualRerunPercent)
{
    /// <summary>The usual rule: two good sprints over 30 m differ by a percent or two, so more than 3 says that one was none.</summary>
    public const double UsualRerunPercent = 3;

    /// <summary>Least and most of the rule, percent.</summary>
    public const double LeastPercent = 0.5, MostPercent = 20;

    /// <summary>The protocol as stored.</summary>
    public string Write() => string.Create(CultureInfo.InvariantCulture, $"{Counts}|{Order}|{RerunPercent}");

    /// <summary>A stored protocol; null where the session is no day of tests, or what is stored cannot be read.</summary>
    /// <param name="text">The text.</param>
    public static TestingDay? Read(string text) =>
        text.Split('|') is [var counts, var order, var percent] && Enum.TryParse<TestCounts>(counts, out var c) && Enum.IsDefined(c) && Enum.TryParse<TestOrder>(order, out var o) && Enum.IsDefined(o)
        && double.TryParse(percent, NumberStyles.Float, CultureInfo.InvariantCulture, out var p) && double.IsFinite(p) ? new(c, o, Math.Clamp(p, LeastPercent, MostPercent)) : null;

    /// <summary>In a coach's words.</summary>
    public string Words => $"{Counts switch { TestCounts.Best => "The best attempt counts", TestCounts.TwoBest => "The mean of the two best counts", _ => "The mean of all attempts counts" }}; one more is taken when the two best differ by more than {Figures.Number(RerunPercent, 1)}%.";

    /// <summary>What an athlete's attempts come to.</summary>
    /// <param name="attempts">The attempts in the order they were made, above 0.</param>
    /// <param name="lessIsBetter">True for times.</param>
    /// <param name="asked">How many attempts were asked for.</param>
    /// <returns>The result, or null without an attempt.</returns>
    public TestResult? Of(IReadOnlyList<double> attempts, bool lessIsBetter, int asked)
    {
        if (attempts.Count == 0)
        {
            return null;
        }

        var ranked = (lessIsBetter ? attempts.Order() : attempts.OrderDescending()).ToList();
        var apart = ranked.Count > 1 ? Math.Abs(ranked[1] - ranked[0]) / ranked[0] * 100 : 0;
        var counts = Counts switch { TestCounts.Best => ranked[0], TestCounts.TwoBest => ranked.Take(2).Average(), _ => ranked.Average() };
        return new(counts, ranked[0], attempts.Average(), apart, ranked.Count > 1 && attempts.Count <= asked && apart > RerunPercent + 1e-9, Math.Max(0, asked - attempts.Count));
    }

    /// <summary>Athletes in the order they go.</summary>
    /// <param name="listed">Their numbers as listed.</param>
    /// <param name="session">Number of the session, which the lot hangs on.</param>
    /// <param name="bests">Best of each over the first sprint, s; those without go first.</param>
    public IReadOnlyList<int> InOrder(IReadOnlyList<int> listed, int session, IReadOnlyDictionary<int, double> bests) => Order switch
    {
        TestOrder.Lot => [.. listed.OrderBy(a => Lot(a, session)).ThenBy(a => a)],
        TestOrder.SlowestFirst => [.. listed.OrderByDescending(a => bests.TryGetValue(a, out var s) ? s : double.PositiveInfinity)],
        _ => listed,
    };

    // A fixed mixing of two numbers (the finaliser of SplitMix64, Steele et al. 2014), the same on every machine.
    private static ulong Lot(int athlete, int session)
    {
        var z = (((ulong)(uint)session << 32) | (uint)athlete) + 0x9E3779B97F4A7C15;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }
}

/// <summary>A test of the day: a line that is measured, or timed at full effort.</summary>
/// <param name="Line">The line.</param>
/// <param name="Measure">What is measured; time for what is timed.</param>
public sealed record DayTest(PlanLine Line, MeasureKind Measure)
{
    /// <summary>True where less is better.</summary>
    public bool LessIsBetter => Measures.Of(Measure).LessIsBetter;

    /// <summary>The test that a line is; null for one that is neither measured nor run all out between marks.</summary>
    /// <param name="demand">What the line asks.</param>
    public static DayTest? Of(LineDemand demand) =>
        demand.Line.AskedMeasures.Count > 0 ? new(demand.Line, demand.Line.AskedMeasures[0])
        : LineMarks.Expected(demand).Count > 0 && demand.IsHardSprint && (demand.Line.Effort?.Percents.Min() ?? Limits.FullPercent) >= Limits.FullPercent ? new(demand.Line, MeasureKind.Time)
        : null;

    /// <summary>What an attempt came to; null where it has no such figure.</summary>
    /// <param name="run">The run as logged, with or without marks.</param>
    /// <param name="measured">What was measured.</param>
    public double? ValueOf(LoggedRun run, IEnumerable<Measured> measured) =>
        Measure != MeasureKind.Time ? measured.Where(m => m.Kind == Measure).Select(m => (double?)m.Value).FirstOrDefault()
        : run.Marks.Count > 0 ? Stretches.Headline(run).Seconds : null;
}

/// <summary>What an athlete's attempts at one test come to.</summary>
/// <param name="Counts">The figure that counts.</param>
/// <param name="Best">The best attempt.</param>
/// <param name="Mean">The mean of all.</param>
/// <param name="ApartPercent">How far the two best lie apart, percent of the best; 0 with one attempt.</param>
/// <param name="AsksRerun">True when the rule asks for one more attempt.</param>
/// <param name="Missing">Attempts that are still to come.</param>
public sealed record TestResult(double Counts, double Best, double Mean, double ApartPercent, bool AsksRerun, int Missing);
