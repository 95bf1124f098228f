using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>No figure and no word that says what is done is lost between a line and its reading, and what can be meant two ways is asked.</summary>
public class LineAccountTests
{
    private static (string? Reads, ShorthandProblem? Problem) Read(string line) =>
        PlanText.ReadOne(line, ShorthandContext.Metric) is var (block, problem) && block is not null ? (PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn), problem) : (null, problem);

    [Theory]
    [InlineData("3 x (4 x 20 m) 2 sets", "3", "2 x 4 x 20 m")]
    [InlineData("3x(4x20m) 2 sets", "3", "2 x 4 x 20 m")]
    [InlineData("2 x 4 x 60m 2 sets @ 80%, 1 min / 3 min", "2", "2 x 4 x 60 m @80% rest 1:00/3:00")]
    public void A_figure_that_went_into_nothing_is_asked_about_with_the_line_as_it_was_read(string line, string lost, string kept)
    {
        var (reads, problem) = Read(line);

        Assert.Null(reads);
        Assert.Contains($"leaves out “{lost}”", problem!.Message);
        Assert.Equal(lost, line.Substring(problem.Start, problem.Length));
        Assert.Equal(kept, Read(problem.Choices[0].In(line)).Reads);
        Assert.Equal($"{kept} cue \"{lost}\"", Read(problem.Choices[1].In(line)).Reads);
    }

    // What a figure comes to in another unit, as a sum or a share is no loss, and neither are words that the figures say already.
    [Theory]
    [InlineData("5x20m rest 1'30", "5 x 20 m rest 1:30")]
    [InlineData("5x20m rest 1 min 30 s", "5 x 20 m rest 1:30")]
    [InlineData("4 x 60 m 3/4 pace", "4 x 60 m @75%")]
    [InlineData("sled 1/3 bodyweight 4x20m", "4 x 20 m sled 33%bm")]
    [InlineData("sled 4 x 15 m, bodyweight x 0.5", "4 x 15 m sled 50%bm")]
    [InlineData("tow 3 x 30m 105%", "3 x 30 m tow +5%v")]
    [InlineData("10 x 60 m 2:1", "10 x 60 m rest 1 to 0.5")]
    [InlineData("15:15 x 10 at 100% MAS", "10 x 15 s 100% aerobic rest 0:15")]
    [InlineData("2 x 8 min 15/15", "2 x 16 x 15 s rest 0:15")]
    [InlineData("6x150 tempo 70% walk 50", "tempo run 6 x 150 m @70% rest 0:36")]
    [InlineData("100m tempo x 10, 50m walk", "tempo run 10 x 100 m rest 0:36")]
    [InlineData("2 point start 6 x 10m", "6 x 10 m from standing")]
    [InlineData("3 x flying 30 (30m zone, 20m run up), 6 min", "3 x 20 build + 30 m fly rest 6:00")]
    [InlineData("calf raises 3 x 20, 10 each leg", "calf raise 3 x 10 reps each side")]
    [InlineData("back squat 5,5,3,3,1", "squat 2 x 5 reps; squat 2 x 3 reps; squat 1 reps")]
    [InlineData("6x30m alternating left and right foot forward", "6 x 30 m cue \"alternate legs\"")]
    [InlineData("shuttle 4 x 40 m", "repeat shuttle 4 x 20 up + 20 m back")]
    public void What_is_said_in_another_way_is_not_lost(string line, string reads) => Assert.Equal(reads, Read(line).Reads);

    // Slower than 5 m/s nobody runs them on purpose, faster than 11 m/s nobody can: between, it may be the time to run them in (common practice).
    [Theory]
    [InlineData("6 x 200m @75% 30s", "6 x 200 m @75% in 30 s", "6 x 200 m @75% rest 0:30")]
    [InlineData("100m x 5 16s", "5 x 100 m in 16 s", "5 x 100 m rest 0:16")]
    [InlineData("8 x 100m 16s", "8 x 100 m in 16 s", "8 x 100 m rest 0:16")]
    [InlineData("6 x 60 m 10 s", "6 x 60 m in 10 s", "6 x 60 m rest 0:10")]
    [InlineData("100m x 5 20s", "5 x 100 m in 20 s", "5 x 100 m rest 0:20")]
    public void Seconds_alone_behind_a_length_that_can_be_run_in_them_are_asked_about(string line, string run, string rest)
    {
        var choices = Read(line).Problem!.Choices;

        Assert.Equal([run, rest], choices.Select(c => Read(c.In(line)).Reads));
        Assert.Equal(["to run it in", "of rest"], choices.Select(c => c.Label));
    }

    [Theory]
    [InlineData("100m x 5 21s", "5 x 100 m rest 0:21")]
    [InlineData("100m x 5 9s", "5 x 100 m rest 0:09")]
    [InlineData("100m x 5 rest 16s", "5 x 100 m rest 0:16")]
    [InlineData("8 x 100m 70% 45s", "8 x 100 m @70% rest 0:45")]
    [InlineData("10 x 100 m @70%, 15 s between", "10 x 100 m @70% rest 0:15")]
    public void A_time_that_can_only_be_rest_is_rest(string line, string reads) => Assert.Equal(reads, Read(line).Reads);

    [Theory]
    [InlineData("overspeed 3x30m 5%", "3 x 30 m tow +5%v")]
    [InlineData("30+20 fly x 4", "4 x 30 build + 20 m fly")]
    [InlineData("5 x 20 m 4 s", "5 x 20 m in 4 s")]
    [InlineData("8 x 100m 16-17s", "8 x 100 m in 16-17 s")]
    [InlineData("flys: 4 x 20m, 25m build, 4 min", "4 x 25 build + 20 m fly rest 4:00")]
    [InlineData("sled pull 15m x6 @ 40% bodyweight 2min", "6 x 15 m sled 40%bm rest 2:00")]
    [InlineData("200-150-100, 6 min", "200 m rest 6:00; 150 m rest 6:00; 100 m rest 6:00")]
    [InlineData("3 x (20m + 40m) 5 min", "3 rounds: 20 m rest 5:00; 40 m rest 5:00")]
    public void Parts_mean_what_they_can_mean_in_their_place(string line, string reads) => Assert.Equal(reads, Read(line).Reads);

    [Theory]
    [InlineData("5x30m @5%", "Nobody runs at 5%")]
    [InlineData("5x30m @24%", "Nobody runs at 24%")]
    [InlineData("squat 4 x 4 + 5 @80%", "Nobody goes metres in squat")]
    [InlineData("front plank 3x20m", "Nobody goes metres in front plank")]
    public void What_nobody_does_is_not_read(string line, string message) => Assert.Contains(message, Read(line).Problem!.Message);

    [Fact]
    public void A_sled_with_a_share_alone_is_asked_of_what() =>
        Assert.Equal(["4 x 20 m sled 10%bm", "4 x 20 m sled -10%v"], Read("sled 4x20m @10%").Problem!.Choices.Select(c => Read(c.In("sled 4x20m @10%")).Reads));

    [Fact]
    public void An_easy_run_may_be_a_quarter_of_full_effort() => Assert.Equal("5 x 30 m @25%", Read("5x30m @25%").Reads);

    // Of any two whole lines put together nothing goes: both are read, or it is asked.
    [Fact]
    public void A_pasted_session_loses_no_figure_either()
    {
        var reading = PlanText.Read("4 x 20 m rest 2:00\n3x(4x20m) 2 sets\n3 rounds: squat 3; broad jump 3", ShorthandContext.Metric);

        Assert.Contains("leaves out “3”", Assert.Single(reading.Problems).Problem.Message);
        Assert.Equal(2, reading.Problems[0].LineNumber);
        Assert.Equal([1, 3], reading.Plan.Blocks.Select(b => b.Rounds));
    }
}
