using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Shorthand;
using InchBurst.Web.Support;

namespace InchBurst.Web.Tests;

/// <summary>Which marks make a line's headline time, as a device without a signal is told.</summary>
public sealed class HeadlineTests
{
    [Theory]
    [InlineData("3 x 20 build + 10 fly + 20 m slow", EntryMode.Cumulative, "fly 10 m", 10, 0, 1)]
    [InlineData("3 x 20 build + 10 fly + 20 m slow", EntryMode.ZoneOnly, "fly 10 m", 10, 0, 1)]
    [InlineData("4 x 30 m gates 10,20,30 m", EntryMode.Cumulative, "30 m", 30, -1, 2)]
    [InlineData("4 x 30 m gates 10,20,30 m", EntryMode.Segments, "30 m", 30, -1, 2)]
    [InlineData("4 x 30 m gates 10,20,30 m", EntryMode.ZoneOnly, "fly 20 m", 20, 0, 2)]
    [InlineData("4 x 20 yd", EntryMode.Cumulative, "20 yd", 18.288, -1, 0)] // 1 yd = 0.9144 m exactly
    public void A_line_says_what_its_time_is_made_of(string text, EntryMode mode, string label, double metres, int from, int to)
    {
        var spec = LiveMaker.HeadlineOf(LineDemand.Of(ShorthandLine.Read(text).Line!, ExerciseCatalogue.BuiltIn), new(TimingMethod.Electronic, StartTrigger.FirstGate, 0, mode))!;
        Assert.Equal((label, from, to), (spec.Label, spec.FromMark, spec.ToMark));
        Assert.Equal(metres, spec.Metres, 6);
    }

    [Fact]
    public void A_line_without_times_has_none() =>
        Assert.Null(LiveMaker.HeadlineOf(LineDemand.Of(ShorthandLine.Read("A-skip 2 x 15 m").Line!, ExerciseCatalogue.BuiltIn), new(TimingMethod.Hand, StartTrigger.FirstGate, 0)));
}
