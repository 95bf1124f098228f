using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Looking ahead while a session runs, and back when it is over.</summary>
public class LiveSessionTests
{
    private static readonly ClockSetting Setting = new(8, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
    private static readonly SessionPlan Plan = new[] { "raise 6 min", "mobilise 5 min", "4 x 20 m rest 2:00", "3 x 20 build + 10 fly + 20 slow rest 4:00", "cool-down 5 min" }
        .Aggregate(SessionPlan.Empty, (p, l) => p.Add(ShorthandLine.Read(l).Line!));

    private static SessionTimeline Timeline => SessionClock.Lay(Plan, Setting);

    private static int Line(int place) => Plan.Lines.ElementAt(place).Id;

    [Fact]
    public void A_session_on_its_plan_is_neither_behind_nor_ahead()
    {
        foreach (var item in Timeline.Items)
        {
            var forecast = Forecast.Of(Timeline, item.Line.Id, 0, 1, item.StartSeconds, Timeline.TotalSeconds);
            Assert.Equal(Timeline.TotalSeconds, forecast.FinishSeconds, 6);
            Assert.Equal(0, forecast.BehindSeconds, 6);
            Assert.Equal(0, forecast.OverSeconds, 6);
        }
    }

    [Fact]
    public void Half_a_line_left_and_four_minutes_late_says_so()
    {
        var item = Timeline.Items[2];
        var halfway = item.StartSeconds + (item.Seconds / 2);
        Assert.Equal(240, Forecast.Of(Timeline, item.Line.Id, 0, 0.5, halfway + 240, 3000).BehindSeconds, 6);
        Assert.Equal(-60, Forecast.Of(Timeline, item.Line.Id, 0, 0.5, halfway - 60, 3000).BehindSeconds, 6);
    }

    [Fact]
    public void Rounds_of_a_block_are_looked_at_one_by_one()
    {
        var plan = SessionPlan.Empty.Add(new PlanBlock(0, "Rounds", [ShorthandLine.Read("2 x 20 m rest 1:00").Line!, ShorthandLine.Read("broad jump 3").Line!], 3, 60));
        var timeline = SessionClock.Lay(plan, Setting);
        var second = timeline.Items.Single(i => i.Round == 1 && i.Line.Id == plan.Lines.First().Id);
        Assert.Equal(timeline.TotalSeconds, Forecast.Of(timeline, second.Line.Id, 1, 1, second.StartSeconds, 1).FinishSeconds, 6);
        Assert.True(Forecast.Of(timeline, second.Line.Id, 0, 1, second.StartSeconds, 1).FinishSeconds > timeline.TotalSeconds + 60);
    }

    [Fact]
    public void Offers_touch_only_what_is_still_to_come_and_say_when_the_session_then_ends()
    {
        var on = Timeline.Items[2];
        var forecast = Forecast.Of(Timeline, on.Line.Id, 0, 1, on.StartSeconds + 300, Timeline.TotalSeconds);
        var offers = Remaining.Offers(Plan, on.Line.Id, Setting, forecast, Timeline.TotalSeconds);
        Assert.NotEmpty(offers);
        foreach (var offer in offers)
        {
            Assert.Equal(Plan.Lines.Take(3), offer.Plan.Lines.Take(3));
            Assert.True(offer.EndSeconds < forecast.FinishSeconds);

            // What it promises is what the clock says once it is taken.
            var then = SessionClock.Lay(offer.Plan, Setting with { Lanes = offer.Lanes });
            var after = Forecast.Of(then, on.Line.Id, 0, 1, on.StartSeconds + 300, Timeline.TotalSeconds);
            var lanesDiffer = offer.Lanes != Setting.Lanes;
            Assert.True(lanesDiffer || Math.Abs(after.FinishSeconds - offer.EndSeconds) < 1, $"{offer.Label}: {after.FinishSeconds} against {offer.EndSeconds}");
        }

        Assert.Contains(offers, o => o.Label.StartsWith("Drop", StringComparison.Ordinal));
        Assert.DoesNotContain(offers, o => o.Label.Contains("warm-up", StringComparison.Ordinal));
        Assert.Empty(Remaining.Offers(Plan, on.Line.Id, Setting, forecast with { OverSeconds = -1 }, forecast.FinishSeconds + 1));
        Assert.Empty(Remaining.Offers(Plan, Line(4), Setting, forecast, 1));
    }

    [Fact]
    public void Rests_run_from_a_finish_to_the_next_start()
    {
        var at = new DateTime(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc);
        Go Ran(int who, double after) => new(who, at.AddSeconds(after), 4);
        var rests = SessionReview.Rests([Ran(1, 0), Ran(1, 124), Ran(1, 214), Ran(2, 10), Ran(2, 150), Ran(3, 60)], 120, 120, 10)!;
        // 120, 86 and 136 s; only 86 is more than a tenth under 120.
        Assert.Equal((120, 86, 1, 3), (rests.MedianSeconds, rests.ShortestSeconds, rests.Short, rests.Count));
        Assert.Equal(2, SessionReview.Rests([Ran(1, 0), Ran(1, 124), Ran(1, 214)], 120, 300, 1)!.Short);
        Assert.Null(SessionReview.Rests([Ran(1, 0), Ran(2, 10)], 120, 120, 1));
    }

    [Fact]
    public void Planned_metres_are_for_those_who_were_here_and_run_metres_are_what_was_run()
    {
        var line = Plan.Lines.ElementAt(2);
        var goes = Enumerable.Range(0, 10).Select(i => new Go(i % 4, new DateTime(2026, 3, 1).AddMinutes(i), 3)).ToList();
        var review = SessionReview.Of(line, line with { Reps = 3 }, 1, 4, goes, 120, 120);
        Assert.Equal((16, 10, 320.0, 200.0), (review.PlannedGoes, review.Goes, review.PlannedMetres, review.Metres));
        Assert.Equal((0, 0.0), (SessionReview.Of(null, line, 1, 4, goes, 120, 120).PlannedGoes, SessionReview.Of(null, line, 1, 4, goes, 120, 120).PlannedMetres));
        var both = ShorthandLine.Read("half-kneeling start 4 x 10 m each side").Line!;
        Assert.Equal(8, both.Turns);
        Assert.Equal(16, SessionReview.Of(both, both, 2, 1, goes, 60, 60).PlannedGoes);
    }

    // Foster et al. 2001: session RPE times minutes.
    [Fact]
    public void Session_load_is_rating_times_minutes()
    {
        Assert.Equal(420, SessionReview.Load(7, 60));
        Assert.Throws<ArgumentOutOfRangeException>(() => SessionReview.Load(11, 60));
        Assert.Throws<ArgumentOutOfRangeException>(() => SessionReview.Load(5, -1));
    }

    [Fact]
    public void A_message_tells_times_the_best_and_the_next_thing()
    {
        var text = AthleteMessage.Write(
            "Mbali Sithebe", "Wed 25 November", [new("Fly 10", [1.08, 1.05, 1.09], "9.52 m/s", 1.06), new("30 m", [4.5], "6.67 m/s", null)], 0.96,
            ["Clean run"], ["reached in front, so ankle dribble"], "Tall hips");
        Assert.Equal(
            """
            Mbali, Wed 25 November.
            Fly 10: 1.08, 1.05, 1.09 s (fastest 9.52 m/s); a new best, 0.01 s faster than 1.06.
            30 m: 4.50 s (fastest 6.67 m/s); your first times over this.
            You reached 96% of your top speed: that counts.
            Keep: clean run.
            Next: reached in front, so ankle dribble.
            Cue of the day: Tall hips.
            """, text);
        Assert.Contains("your best is 1.04", AthleteMessage.Write("A", "today", [new("Fly 10", [1.08], "9 m/s", 1.04)], 0.8, [], [], ""));
    }

    // Written out on purpose: a verb that is added later is nobody's until it stands here.
    [Fact]
    public void What_a_timer_may_do_is_said_verb_by_verb()
    {
        var end = new DateTime(2026, 3, 1, 18, 0, 0, DateTimeKind.Utc);
        string May(bool isCoach, DateTime? ended, DateTime made) => string.Join(' ', Enum.GetValues<LiveVerb>().Where(v => LiveRules.May(v, isCoach, ended, made)));
        Assert.Equal("Save Outcome Seen Pick NotThis Call Line Done Return Arrive Later Other Hold Timing Undo Correct", May(false, null, end));

        // An ended session is closed to them, but for what they had seen before it ended.
        Assert.Equal("Save Outcome Hold", May(false, end, end));
        Assert.Equal("", May(false, end, end.AddSeconds(1)));
        Assert.Equal(Enum.GetValues<LiveVerb>().Length, May(true, end, end.AddHours(1)).Split(' ').Length);
    }

    [Fact]
    public void A_message_says_each_thing_once_and_nothing_that_was_not()
    {
        string Write(MessageLine[] lines, double? share = null, string[]? keep = null, string[]? work = null, string cue = "", string[]? noted = null) =>
            AthleteMessage.Write("Ada Berg", "Thu 26 November", lines, share, keep ?? [], work ?? [], cue, noted);
        MessageLine Fly(double[] times, double? before, bool helped = false) => new("Fly 10 m", times, "8.9 m/s", before, helped);

        Assert.Equal("Ada, Thu 26 November.", Write([Fly([], 1.1)]));
        Assert.Equal("Ada, Thu 26 November.\nFly 10 m: 1.12 s (fastest 8.9 m/s); your first times over this.", Write([Fly([1.12], null)]));
        Assert.Equal("Ada, Thu 26 November.\nFly 10 m: 1.15, 1.12 s (fastest 8.9 m/s); a new best, 0.03 s faster than 1.15.", Write([Fly([1.15, 1.12], 1.15)]));
        Assert.EndsWith("; equal to your best.", Write([Fly([1.12], 1.12)]));
        Assert.EndsWith("; your best is 1.10.", Write([Fly([1.12], 1.10)]));
        Assert.EndsWith("Fly 10 m: 1.05 s; with help, so not your own speed.", Write([Fly([1.05], 1.10, helped: true)]));
        Assert.EndsWith("\nYou reached 90% of your top speed: that counts.", Write([], 0.9));
        Assert.EndsWith("\nYou reached 89% of your top speed; 90% counts as a top-speed day.", Write([], 0.89));
        Assert.Equal(
            "Ada, Thu 26 November.\nKeep: clean, tall.\nNext: rose early, so wall hold; head up.\nNoted: heavy legs; Good mood.\nCue of the day: Tall hips.",
            Write([], null, ["Clean", "Tall"], ["rose early, so wall hold", "head up"], "Tall hips", ["heavy legs", "Good mood"]));
    }

    // Foster et al. 2001: rating times minutes.
    [Fact]
    public void A_sessions_load_has_its_bounds()
    {
        Assert.Equal((0, 6000, 300), (SessionReview.Load(0, 0), SessionReview.Load(10, 600), SessionReview.Load(5, 60)));
        foreach (var (rating, minutes) in new[] { (-0.1, 60.0), (10.1, 60), (5, -1), (5, 601) })
        {
            Assert.Throws<ArgumentOutOfRangeException>(() => SessionReview.Load(rating, minutes));
        }
    }
}
