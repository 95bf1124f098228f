using InchBurst.Core.Catalogue;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What stands around the work: bare numbers, remarks, people, brackets, starts by any name. What each means is common practice.</summary>
public sealed class AroundTheWorkTests
{
    private static string Read(string row, DistanceUnit unit = DistanceUnit.Metre) => PlanText.ReadOne(row, new(unit, ExerciseCatalogue.BuiltIn)) is var (block, problem) && block is not null
        ? PlanText.PrintOne(block, ExerciseCatalogue.BuiltIn)
        : "? " + problem!.Message;

    private static ShorthandProblem Problem(string row) => PlanText.ReadOne(row, ShorthandContext.Metric).Problem!;

    // Nobody runs sixty times six metres; ten times twenty and twenty times ten are both done.
    [Theory]
    [InlineData("60 x 6", "6 x 60 m")]
    [InlineData("50 x 20", "20 x 50 m")]
    [InlineData("50 x 21", "50 x 21 m")]
    [InlineData("30 x 9, 3 min", "9 x 30 m rest 3:00")]
    [InlineData("25 x 4 @ 90%", "4 x 25 m @90%")]
    [InlineData("400 x 2", "2 x 400 m")]
    [InlineData("405 x 2", "2 x 405 m")]
    [InlineData("15 x 4", "? 4 what?")]
    [InlineData("20 x 11", "20 x 11 m")]
    [InlineData("20 x 10 m", "20 x 10 m")]
    [InlineData("timed 30 x 3", "3 x 30 m log time")]
    [InlineData("505 x 6", "ten-and-back 6 x 5 + turn 180 + 5 m")]
    public void Two_numbers_without_a_unit_are_how_far_and_how_often_where_only_that_is_run(string row, string reads) =>
        Assert.StartsWith(reads, Read(row), StringComparison.Ordinal);

    [Theory]
    [InlineData("20 x 10", "20 runs, or runs of 20 m?", "10 x 20 m", "20 x 10 m")]
    [InlineData("30 x 10 rest 1:00", "30 runs, or runs of 30 m?", "10 x 30 m rest 1:00", "30 x 10 m rest 1:00")]
    [InlineData("25 x 5", "25 runs, or runs of 25 m?", "5 x 25 m", "25 x 5 m")]
    public void Two_numbers_that_may_be_either_ask(string row, string asks, params string[] choices)
    {
        Assert.Equal("? " + asks, Read(row));
        Assert.Equal(choices, Problem(row).Choices.Select(c => Read(c.In(row))));
    }

    [Fact]
    public void In_a_squad_of_yards_two_numbers_are_yards() => Assert.Equal(("4 x 60 yd", "? 20 runs, or runs of 20 yd?"), (Read("60 x 4", DistanceUnit.Yard), Read("20 x 8", DistanceUnit.Yard)));

    // A name is offered as whom the work is for before it is anything else, in front and behind.
    [Theory]
    [InlineData("Lena: 5 x 20m", "for Lena", "5 x 20 m for \"Lena\"")]
    [InlineData("4 x 20m Amara", "for Amara", "4 x 20 m for \"Amara\"")]
    [InlineData("4x20m - Jonas and Mei", "for Jonas, Mei", "4 x 20 m for \"Jonas\", \"Mei\"")]
    [InlineData("4x20m (Amara, Kofi)", "for Amara, Kofi", "4 x 20 m for \"Amara\", \"Kofi\"")]
    public void A_name_nobody_knows_may_be_a_person(string row, string label, string reads)
    {
        var first = Problem(row).Choices[0];
        Assert.Equal((label, reads), (first.Label, Read(first.In(row))));
    }

    // Capitals are short for work, not for people.
    [Theory]
    [InlineData("SLB 2x30m")]
    [InlineData("2x30m SLB")]
    public void An_abbreviation_is_no_person(string row) => Assert.DoesNotContain(Problem(row).Choices, c => c.Label.StartsWith("for ", StringComparison.Ordinal));

    [Theory]
    [InlineData("4 x 60m cruise", "4 x 60 m cue \"cruise\"")]
    [InlineData("3 x 40 m @90% smooth and powerful", "3 x 40 m @90% cue \"smooth and powerful\"")]
    [InlineData("4 x 60m patiently", "4 x 60 m cue \"patiently\"")]
    [InlineData("5x30m - relax face and hands", "5 x 30 m cue \"relax face and hands\"")]
    public void In_what_manner_needs_nothing_to_set_it_off(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("5 x 20m blorp")]
    [InlineData("4 x 20m wieghted")]
    [InlineData("4 x 60m early")]
    [InlineData("4 x 60m smooth sled-ish")]
    public void A_word_that_may_mean_anything_is_asked(string row) => Assert.StartsWith("?", Read(row), StringComparison.Ordinal);

    [Theory]
    [InlineData("4 x 20m lateral starts (L/R)", "lateral start 4 x 20 m each side")]
    [InlineData("high knees 2x15m (fast)", "high knees 2 x 15 m fast")]
    [InlineData("3 x 40m timed (10/20/30/40 splits)", "3 x 40 m gates 10,20,30,40 m log time")]
    [InlineData("30 m sprint test (3 trials)", "3 x 30 m log time")]
    [InlineData("4 x 3 depth jumps (40 cm box)", "depth jump 4 x 3 reps cue \"40 cm\"")]
    [InlineData("4 x 20m (after training)", "4 x 20 m cue \"after training\"")]
    [InlineData("A-march 2x20m (wall)", "A-march 2 x 20 m cue \"wall\"")]
    [InlineData("4 x 20m (2 left)", "4 x 20 m cue \"2 left\"")]
    public void What_stands_in_brackets_is_a_part_or_a_remark(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("4 x 20 m (30 m zone)")]
    [InlineData("4 x 20m (squat)")]
    [InlineData("4 x 20m (wlak)")]
    [InlineData("4 x 20m (two of them)")]
    [InlineData("3 x (squat 3, glorp) 4 min")]
    public void What_may_be_work_in_brackets_is_no_remark(string row) => Assert.StartsWith("?", Read(row), StringComparison.Ordinal);

    [Theory]
    [InlineData("bear start 4 x 10m", "4 x 10 m cue \"bear start\"")]
    [InlineData("4 crawl starts 10m", "4 x 10 m cue \"crawl start\"")]
    [InlineData("tennis ball starts 5 x 10m, 60s", "5 x 10 m rest 1:00 cue \"tennis ball start\"")]
    [InlineData("drop step into 10m sprint 4 each side", "4 x 10 m each side cue \"drop step into it\"")]
    [InlineData("assisted starts 4x10m", "4 x 10 m tow")]
    [InlineData("resisted starts 4x10m", "4 x 10 m sled")]
    public void A_start_by_any_name_is_a_sprint_from_it(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("blok start 4x20m")]
    [InlineData("loaded starts 4x10m")]
    [InlineData("one two three four start 4x10m")]
    public void A_slip_or_a_load_is_no_start(string row) => Assert.StartsWith("?", Read(row), StringComparison.Ordinal);

    // What is done once and for a time has no rest.
    [Theory]
    [InlineData("Pool recovery 15 min", "pool recovery 15 min")]
    [InlineData("Dynamic warm-up (10 min)", "raise 10 min")]
    [InlineData("Foam rolling (5-10 min)", "foam rolling 5-10 min")]
    [InlineData("plank rest 40 s", "front plank 2 x 30 s rest 0:40")]
    public void A_time_alone_is_how_long_what_is_done_once_is_done(string row, string reads) => Assert.Equal(reads, Read(row));

    [Theory]
    [InlineData("downhill 3x30m 2-3%", "A slope has one figure: 2% or 3%.")]
    [InlineData("water break 5x40m fast", "not done fast")]
    [InlineData("bent over row 3 x 4 min", "Nobody does bent-over row for 4:00")]
    [InlineData("110s x 8, 45 s rest", "110s: metres or seconds?")]
    [InlineData("60+5 up+5 back+10 up+10 m back", "is it the whole of them")]
    public void What_nobody_does_is_refused_with_the_reason(string row, string says) => Assert.Contains(says, Read(row) is ['?', ..] problem ? problem : "", StringComparison.Ordinal);

    [Theory]
    [InlineData("5 x 20m @ 2 min", "5 x 20 m rest 2:00", "5 x 20 m rest every 2:00")]
    [InlineData("5 x 20 yd @ 1:30", "5 x 20 yd rest 1:30", "5 x 20 yd rest every 1:30")]
    public void A_time_behind_an_at_sign_asks_which(string row, params string[] choices) => Assert.Equal(choices, Problem(row).Choices.Select(c => Read(c.In(row))));

    // No hint is the word that was typed, nor one that begins with another letter in so short a word.
    [Theory]
    [InlineData("hop 3x5 glorp")]
    [InlineData("stag 3 x 5 x")]
    [InlineData("A march wall 2x10 e/s")]
    [InlineData("4 x 20m, two timed")]
    [InlineData("4 x 20m, two of them")]
    public void A_hint_is_another_word(string row) => Assert.DoesNotContain(Problem(row).Choices, c => c.In(row) == row || c.Label is "ohp" or "walk" or "tow");

    [Theory]
    [InlineData("squat + box jump 4 rounds", "4 rounds: squat 3 reps; box jump 3 reps")]
    [InlineData("3 rounds: A-skip; 20 m", "3 rounds: A-skip 15 m; 20 m")]
    [InlineData("3x: A skip 20m, high knees 20m", "3 rounds: A-skip 20 m; high knees 20 m")]
    [InlineData("Contrast x 4: 15m sled, 15m free", "4 rounds: 15 m sled; 15 m")]
    [InlineData("2 x 20m A-skips, B-skips, high knees", "A-skip 2 x 20 m; B-skip 2 x 20 m; high knees 2 x 20 m")]
    [InlineData("3 x (10m + 20m + 30m), walk back, 4 min between sets", "3 rounds rest 4:00: 10 m rest walk-back; 20 m rest walk-back; 30 m")]
    [InlineData("2 rounds: 10 m rest 1:00/4:00; 20 m rest 1:00/4:00", "2 rounds rest 4:00: 10 m rest 1:00; 20 m rest 1:00")]
    [InlineData("2 rounds: 10 m rest 1:00/4:00; 20 m rest 1:00/5:00", "2 rounds: 10 m rest 1:00/4:00; 20 m rest 1:00/5:00")]
    [InlineData("2 rounds: 2 x 10 m rest 1:00/4:00; 20 m rest 1:00/4:00", "2 rounds: 2 x 10 m rest 1:00/4:00; 20 m rest 1:00/4:00")]
    [InlineData("150+150 x 2", "2 rounds: 150 m; 150 m")]
    [InlineData("quick feet 5 s + 10m sprint x 5", "5 rounds: quick feet 5 s; 10 m")]
    [InlineData("wickets + 20m sprint x 4", "4 rounds: mini-hurdle run 1 passes; 20 m")]
    [InlineData("push up + 20m sprint x 4", "4 rounds: push-up 1 reps; 20 m")]
    public void In_rounds_each_is_done_once_a_round(string row, string reads) => Assert.Equal(reads, Read(row));

    // A problem inside rounds is pointed at where it stands, whatever parts them, and its answers go there.
    [Theory]
    [InlineData("3 rounds: 20m sprint + glorp + 30s plank", "glorp")]
    [InlineData("3 rounds: squat 3; blorp 4 x 5; 20 m", "blorp")]
    [InlineData("2 rounds: 20 m, 10 push-ups, zorp 3", "zorp")]
    public void In_rounds_a_problem_stands_where_it_was_typed(string row, string word)
    {
        var problem = Problem(row);
        Assert.Equal(word, row.Substring(problem.Start, problem.Length));
        Assert.Contains($"\"{word}\"", problem.Choices[0].In(row), StringComparison.Ordinal);
    }

    // One way down the lane and another back: rounds of both, and an easy way back is the rest.
    [Theory]
    [InlineData("down with A-skip, back with B-skip 20m x 2", "2 rounds: A-skip 20 m; B-skip 20 m")]
    [InlineData("20m: A-skip down, B-skip back x 3", "3 rounds: A-skip 20 m; B-skip 20 m")]
    [InlineData("side shuffle down, carioca back 15 yd x 2", "2 rounds: side shuffle 15 yd; carioca 15 yd")]
    [InlineData("high knees out and butt kicks back", "high knees 15 m; butt kicks 15 m")]
    [InlineData("skip down, backpedal back 20m", "easy skip 20 m; backward run 20 m")]
    [InlineData("20 m down with A skip, back with jog x 3", "A-skip 3 x 20 m rest 0:08 cue \"jog back\"")]
    [InlineData("down with lunges, back with a walk 10m x 2", "walking lunge 2 x 10 m rest walk-back")]
    [InlineData("2 x 20 m down with skip, back with jog", "2 x 20 up skip + 20 m back jog")]
    [InlineData("carioca down and back 20 m x 2", "carioca 2 x 20 up + 20 m back")]
    [InlineData("3 x A-skip down, B-skip back 20m x 2", "?")]
    [InlineData("squat down, B-skip back 20m", "?")]
    public void Down_one_way_and_back_another(string row, string reads) => Assert.Equal(reads, reads == "?" ? Read(row)[..1] : Read(row));

    [Theory]
    [InlineData("Warm-up: 800m jog, dynamic stretches, drills (A-skip, B-skip, high knees) 2 x 20m each")]
    [InlineData("carioca 10m into sprint 20m x 2 each")]
    public void So_much_of_each_that_nothing_takes_is_asked(string row) => Assert.StartsWith("?", Read(row), StringComparison.Ordinal);

    [Theory]
    [InlineData("wall drill: 3 x 10 sec", "wall switch one 3 x 10 s")]
    [InlineData("core: 3 x 30 s", "3 x 30 s")]
    [InlineData("shuttle 6 x 20+20", "repeat shuttle 6 x 20 up + 20 m back")]
    [InlineData("shuttle 6 x 20+25", "repeat shuttle 6 x 20 + 25 m")]
    [InlineData("5 x 30m stop if slower th»an 4.3", "5 x 30 m cue \"stop if slower than 4.3\"")]
    [InlineData("1v1 chase x 6 (15m)", "reaction start 6 x 15 m")]
    [InlineData("3 x 505 per leg", "ten-and-back 3 x 5 + turn 180 + 5 m each side")]
    [InlineData("Sprint 20m / walk 20m x 8", "8 x 20 m rest walk-back")]
    [InlineData("Recovery: 10 min easy bike", "steady bike 10 min")]
    [InlineData("6 x 60 m @ 90% (7.5 s)", "6 x 60 m @90% in 7.5 s")]
    [InlineData("4 x 100m (12 s)", "4 x 100 m rest 0:12")]
    [InlineData("WU: 10 min", "raise 10 min")]
    [InlineData("6 hills", "hill sprint 6 x 20 m")]
    [InlineData("4 x pro agility (2 each direction)", "five-ten-five 2 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side")]
    [InlineData("4 x pro agility (3 each direction)", "five-ten-five 4 x 5 + turn 180 right + 10 + turn 180 left + 5 m cue \"3 each direction\"")]
    [InlineData("\"a thing of our own\" 5 bounds each side as jumps", "\"a thing of our own\" 5 bounds each side as jumps")]
    [InlineData("5 bounds x 3", "alternate bound 3 x 5 reps")]
    [InlineData("World's greatest stretch x 4 each", "lunge with reach 4 reps each side")]
    [InlineData("walking lunge x 3", "walking lunge 3 x 15 m")]
    [InlineData("3 x A-skip, 3 x B-skip, 20m", "A-skip 3 x 20 m; B-skip 3 x 20 m")]
    [InlineData("Deceleration 5 x 15m, stick", "stick the stop 5 x 15 m cue \"stick it\"")]
    [InlineData("Sprint 20m to stop x 4", "stick the stop 4 x 20 m")]
    [InlineData("squat hold 3 x 60s", "squat 3 x 1 min")]
    [InlineData("boxjump 3x3", "box jump 3 x 3 reps")]
    [InlineData("Askip 2x20m", "A-skip 2 x 20 m")]
    [InlineData("barbell jump squats 4x3 @ 30%", "loaded jump 4 x 3 reps 30% max cue \"barbell\"")]
    [InlineData("standing broad jump x 3", "broad jump 3 reps")]
    public void Names_keep_what_is_theirs(string row, string reads) => Assert.Equal(reads, Read(row));
}
