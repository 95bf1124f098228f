using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Tests;

public class CheckTests
{
    private static IReadOnlyList<Finding> Judge(string[] lines, double windowMinutes = 90, double straight = 60, double runOut = 20, params Restriction[] restrictions)
    {
        var plan = lines.Aggregate(SessionPlan.Empty, (p, l) => p.Add(Shorthand.Read(l).Line!));
        var timeline = SessionClock.Lay(plan, new(1, 1, ClockSetting.UsualPace, ExerciseCatalogue.BuiltIn));
        return PlanChecks.Judge(new(plan, timeline, windowMinutes * 60, straight, runOut, restrictions, ExerciseCatalogue.BuiltIn));
    }

    private static string? Weight(IReadOnlyList<Finding> findings, string rule) => findings.FirstOrDefault(f => f.Rule == rule)?.Severity.ToString();

    [Theory]
    [InlineData(new[] { "4 x 20 m" }, "Stop")]
    [InlineData(new[] { "raise 5 min", "4 x 20 m" }, "Mind")]
    [InlineData(new[] { "raise 6 min", "mobilise 4 min", "4 x 20 m" }, null)]
    [InlineData(new[] { "4 x 20 m @80%" }, null)]
    [InlineData(new[] { "4 x 20 m", "raise 20 min" }, "Stop")]
    public void A_full_sprint_needs_its_warm_up(string[] lines, string? severity) => Assert.Equal(severity, Weight(Judge(lines), "warm-up"));

    [Theory]
    [InlineData("40 m", 30, 20, "Stop")]
    [InlineData("40 m", 40, 15, "Stop")]
    [InlineData("40 m", 40, 20, null)]
    [InlineData("20 build + 10 fly + 20 slow", 40, 10, null)]
    [InlineData("20 build + 10 fly + 20 slow", 40, 9, "Stop")]
    [InlineData("10 m", 15, 5, null)]
    public void A_run_needs_room_to_stop(string line, double straight, double runOut, string? severity) => Assert.Equal(severity, Weight(Judge([line], straight: straight, runOut: runOut), "room"));

    [Fact]
    public void The_window_is_a_stop_only_beyond_half_a_minute()
    {
        Assert.Equal("Stop", Weight(Judge(["raise 11 min"], 10), "window"));
        Assert.Null(Weight(Judge(["raise 10 min"], 10), "window"));
    }

    [Fact]
    public void Someone_out_is_named_when_there_are_full_efforts()
    {
        var tight = new Restriction("Someone", false, "tight calf");
        Assert.Contains("tight calf", Judge(["4 x 20 m"], restrictions: tight).Single(f => f.Rule == "restriction").Why);
        Assert.Null(Weight(Judge(["4 x 20 m @80%"], restrictions: tight), "restriction"));
    }

    [Fact]
    public void Loads_carry_their_cautions_and_the_gravest_come_first()
    {
        var found = Judge(["4 x 20 m sled 10 kg", "3 x 20 build + 10 fly tow +5%v"]);
        Assert.Equal(["Stop", "Mind", "Note", "Note"], found.Select(f => f.Severity.ToString()));
    }
}
