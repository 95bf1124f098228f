using CsCheck;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

public class LogTests
{
    private static readonly Distance[] Gates = [Distance.InMetres(5), Distance.InMetres(10), Distance.InMetres(20)];
    private static readonly string[] Pieces = ["1.05", "1,81", "3.12", "-", "0", "999", "abc", "1.2.3", ".", "1e5", "−", "٣", "🙂", "9999999999", "  ", "+1"];
    private static readonly MarkContext Sprint = new();

    private static MarkReading Read(string text, MarkContext? context = null) => MarkEntry.Read(text, Gates, context ?? Sprint);

    private static LoggedRun Run(string marks, TimingMethod method = TimingMethod.Electronic, double behind = 0, int day = 1) => new()
    {
        Day = new(2026, 3, day),
        Kind = WorkKind.Acceleration,
        Method = method,
        StartBehindGateMetres = behind,
        Marks = [.. marks.Split(' ').Select(p => p.Split(':')).Select(p => new LoggedMark(Distance.InMetres(double.Parse(p[0])), double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture)))],
    };

    [Theory]
    [InlineData("1.35 2.08 3.32")]
    [InlineData("1,35 2,08 3,32")]
    [InlineData(" 1.35\n2.08\t3.32 ")]
    public void Marks_are_read_with_point_or_comma(string text)
    {
        var reading = Read(text);
        Assert.True(reading.IsClean);
        Assert.Equal([1.35, 2.08, 3.32], reading.Marks.Select(m => m.Seconds));
    }

    [Fact]
    public void A_missing_mark_is_left_out()
    {
        Assert.Equal([5.0, 20.0], Read("1.35 - 3.32").Marks.Select(m => m.At.Metres));
        Assert.Equal([10.0, 20.0], MarkEntry.Read(["", "2.08", "3.32"], Gates, Sprint).Marks.Select(m => m.At.Metres));
    }

    [Theory]
    [InlineData("1.35 1.30 3.32", 1, "rise")]
    [InlineData("1.35 2.08 abc", 2, "not a time")]
    [InlineData("1.35 2.08 3.32 4.5", 2, "one too many")]
    [InlineData("1.35 1.60 3.32", 1, "faster than anyone")]
    [InlineData("0.60 2.08 3.32", 0, "faster than anyone")]
    [InlineData("0", 0, "above 0")]
    [InlineData("", 0, "Type a time")]
    public void What_cannot_be_is_refused_at_its_mark(string text, int index, string words)
    {
        var reading = Read(text);
        Assert.True(reading.IsRefused);
        Assert.Empty(reading.Marks);
        Assert.Equal(index, reading.Doubts[0].Index);
        Assert.Contains(words, reading.Doubts[0].Message);
    }

    [Fact]
    public void What_is_unlikely_is_asked_about_and_kept()
    {
        var quick = Read("0.90 2.08 3.32");
        Assert.False(quick.IsRefused);
        Assert.Equal(DoubtKind.Unlikely, quick.Doubts.Single().Kind);
        Assert.Equal(3, quick.Marks.Count);
        var aboveOwn = Read("1.35 2.08 3.12", new(BestSpeed: 8.5));
        Assert.Contains("over this athlete's best", aboveOwn.Doubts.Single().Message);
        // A start half a metre behind the gate makes a first mark of 0.90 s believable.
        Assert.True(Read("0.90 1.62 2.86", new(StartBehindGateMetres: 0.5)).IsClean);
        // A sled is slow by design.
        Assert.True(Read("1.9 3.5 8.1", new(IsHard: false)).IsClean);
        Assert.False(Read("1.9 3.5 8.1").IsClean);
    }

    [Fact]
    public void Nothing_typed_as_marks_ever_throws_or_half_stores()
    {
        var pieces = Gen.Int[0, 99999].Select(i => Pieces[i % Pieces.Length]);
        pieces.Array[0, 6].Sample(p =>
        {
            var reading = MarkEntry.Read(string.Join(' ', p), Gates, Sprint);
            Assert.Equal(reading.IsRefused, reading.Marks.Count == 0);
            Assert.All(reading.Marks.Zip(reading.Marks.Skip(1)), m => Assert.True(m.Second.Seconds > m.First.Seconds && m.Second.At.Metres > m.First.At.Metres));
        }, iter: 2000);
    }

    [Fact]
    public void A_run_is_read_against_comparable_runs_only()
    {
        var meaning = RunMeaning.Of(Run("20:2.87 30:3.93") with { Zone = (20000, 30000) }, [Run("20:2.9 30:3.94"), Run("20:2.8 30:3.7", TimingMethod.Hand), Run("10:2 20:3 30:4.2")]);
        Assert.Equal("fly 10 m", meaning.Label);
        Assert.Equal(1.06, meaning.Seconds, 6);
        Assert.Equal(9.43, meaning.Speed, 2);
        Assert.Equal(1.04, meaning.BestSeconds!.Value, 6);
        Assert.Equal(0.981, meaning.ShareOfBest!.Value, 3);
        Assert.False(meaning.IsNewBest);
        Assert.True(RunMeaning.Of(Run("10:2.0 20:3.2"), [Run("10:2.1 20:3.3")]).IsNewBest);
        Assert.Null(RunMeaning.Against(Run("10:2.0 20:3.2"), null).BestSeconds);
    }

    [Fact]
    public void The_fastest_flying_stretch_is_electronic_and_never_from_rest()
    {
        Assert.Equal(8.55, Run("10:2.08 20:3.32 30:4.49").FastestFlying!.Value.MeanSpeed, 2);
        Assert.Null(Run("10:2.08").FastestFlying);
        Assert.Null(Run("10:2.08 20:3.3", TimingMethod.Hand).FastestFlying);
    }

    // Rules of athletics, from memory.
    [Fact]
    public void Hand_times_round_up_to_the_tenth()
    {
        Assert.Equal(5.7, HandTime.RoundedUp(5.61), 9);
        Assert.Equal(5.6, HandTime.RoundedUp(5.6), 9);
        Assert.Equal(5.94, HandTime.AsElectronic(5.61), 9);
        Assert.True(HandTime.IsFalseStart(0.099));
        Assert.False(HandTime.IsFalseStart(0.1));
    }

    [Fact]
    public void The_top_speed_clock_is_due_on_the_sixth_day()
    {
        var today = new DateOnly(2026, 3, 10);
        Assert.True(TopSpeedClock.On(null, today).IsDue);
        Assert.False(TopSpeedClock.On(today.AddDays(-5), today).IsDue);
        var six = TopSpeedClock.On(today.AddDays(-6), today);
        Assert.True(six.IsDue);
        Assert.Equal(today, six.DueOn);
    }
}
