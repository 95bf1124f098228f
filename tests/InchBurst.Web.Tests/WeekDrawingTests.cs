using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Data;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Tests;

/// <summary>Geometry of the week and the season: shapes as numbers.</summary>
public class WeekDrawingTests
{
    private static readonly DateOnly Monday = new(2026, 10, 12);

    private static ExposureRow Row(int[] reached, int today, int[]? planned = null, Availability availability = Availability.Full)
    {
        var athlete = new SeasonAthlete(1, "Ingrid Vasstrand", reached.Where(r => r <= today).Select(r => (DateOnly?)Monday.AddDays(r)).LastOrDefault(), availability == Availability.Full);
        var week = new GroupWeek("Everybody", Monday, CoachingSchool.Usual)
        {
            Athletes = [athlete],
            OpenFrom = Monday.AddDays(today),
            Sessions = [.. (planned ?? []).Select(p => new SeasonSession(p + 10, Monday.AddDays(p), "Flies", DayDose.None with { ReachesTopSpeed = true, HasFullSprint = true }))],
        };
        return ExposureRow.Draw(week, athlete, availability, reached.Select(r => Monday.AddDays(r)), Monday.AddDays(today));
    }

    [Fact]
    public void Covered_until_today_is_solid_what_is_planned_covers_dashed_and_the_ring_stands_where_the_days_are_up()
    {
        // Last on Sunday before (day -1), today Thursday (3): up on Saturday (5).
        var due = Row([-1], 3);
        Assert.Equal((4, 5.5, "due", false), (due.DaysSince, due.Up, due.Word, due.IsOver));
        Assert.Equal([(0.0, 3.5)], due.Solid);
        Assert.Equal([(3.5, 5.5)], due.Dashed);
        Assert.Equal([(5.5, 7.0)], due.Bare);

        // Planned on Friday: covered to the end, no ring.
        var planned = Row([-1], 3, [4]);
        Assert.Equal((null, ""), (planned.Up, planned.Word));
        Assert.Equal([4.5], planned.Planned);
        Assert.Equal([(3.5, 7.0)], planned.Dashed);

        // Eight days: up on Tuesday (1), overdue two days on Thursday; planned too late the ring stays.
        var over = Row([-5], 3, [5]);
        Assert.Equal((8, 1.5, "overdue 2 d", true), (over.DaysSince, over.Up, over.Word, over.IsOver));
        Assert.Equal([(0.0, 1.5)], over.Solid);
        Assert.Equal([(1.5, 5.5)], over.Bare);

        // A gap that was made good rings no more; a day in the week is a dot.
        var good = Row([-5, 3], 4);
        Assert.Equal((1, null, false), (good.DaysSince, good.Up, good.IsOver));
        Assert.Equal([3.5], good.Reached);
        Assert.Equal([(1.5, 3.5)], good.Bare);

        // Seen from the week before, what is planned until Monday covers its beginning.
        var ahead = Row([-11], -3, [-3]);
        Assert.Equal((null, false), (ahead.Up == 0 ? ahead.Up : null, ahead.IsOver));
        Assert.Equal([(0.0, 3.5)], ahead.Dashed);

        // Long ago: the ring stands at the week's beginning.
        var long_ = Row([-20], 3);
        Assert.Equal((0.0, "overdue 17 d", true), (long_.Up, long_.Word, long_.IsOver));
        Assert.Equal([(0.0, 7.0)], long_.Bare);
    }

    [Fact]
    public void A_held_athlete_never_rings_and_one_who_is_out_waits()
    {
        var held = Row([-5], 3, [4], Availability.Modified);
        Assert.Equal((null, "held"), (held.Up, held.Held));
        Assert.Empty(held.Planned);
        var gone = Row([-5], 3, [4], Availability.Out);
        Assert.Equal((null, "out, the clock waits"), (gone.Up, gone.Held));
        Assert.Equal([(0.0, 7.0)], gone.Bare);
        Assert.Equal("nothing at top speed yet", Row([], 3).Held);
    }

    [Fact]
    public void A_season_lies_on_one_scale_and_its_gaps_are_boxes()
    {
        SeasonWeek Week(int at, double planned, double acceleration, double top, double hard) => new(Monday.AddDays(7 * at), planned, new Dictionary<WorkKind, double> { [WorkKind.MaxVelocity] = top, [WorkKind.Acceleration] = acceleration }, hard, hard) { PlannedKinds = new Dictionary<WorkKind, double>() };
        var season = new SquadSeason([Week(0, 500, 300, 100, 90), Week(1, 640, 700, 80, 150)], [], [], [], Array.Empty<DateOnly>().ToLookup(_ => 0));
        var chart = SeasonChart.Lay(season, Monday, Monday.AddDays(20));
        Assert.Equal((800, 200, SeasonChart.Width / 2), (chart.Top, chart.HardTop, chart.Week));
        Assert.Equal(SeasonChart.Gutter + (chart.Week / 7 * 3), chart.X(Monday.AddDays(3)), 6);
        Assert.Equal((SeasonChart.Bars / 2, SeasonChart.Bars, SeasonChart.Hard / 2), (chart.Y(400), chart.Y(5000), chart.HardY(100)));
        Assert.Equal([(WorkKind.Acceleration, 0.0, 700.0), (WorkKind.MaxVelocity, 700.0, 780.0)], SeasonChart.Stack(season.Weeks[1]));

        // Four days: a line. Seven: a line and a break. Nine: a line of six and a box of the rest. The last to today.
        var days = new[] { 0, 4, 11 }.Select(d => Monday.AddDays(d)).ToList();
        Assert.Equal([(0, 4, 4, false), (4, 10, 7, false), (11, 17, 9, false), (17, 20, 9, true)], chart.Row(days, 6).Select(r => (r.From.DayNumber - Monday.DayNumber, r.To.DayNumber - Monday.DayNumber, r.Days, r.IsGap)));
        Assert.Empty(chart.Row([], 6));
    }

    [Fact]
    public void A_strip_at_a_glance_is_to_scale_and_says_when_it_runs_over()
    {
        var plan = PlanText.Read("raise 10 min @45%\n2 x 20 m from standing rest 5:00\ncool-down 5 min", ShorthandContext.Metric).Plan;
        var setting = new ClockSetting(1, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn);
        var timeline = SessionClock.Lay(plan, setting);
        var strip = GlanceStrip.Draw(timeline, setting, 1200);
        Assert.Equal((0.0, 10 * GlanceStrip.Minute), (strip.Boxes[0].X, strip.Boxes[0].Width));
        Assert.Equal(timeline.TotalSeconds / 60 * GlanceStrip.Minute, strip.Boxes[^1].X + strip.Boxes[^1].Width, 6);
        Assert.True(strip.Boxes[1].Height > strip.Boxes[0].Height && strip.Boxes[1].Height < GlanceStrip.Height);
        Assert.Equal((20 * GlanceStrip.Minute, timeline.TotalSeconds - 1200 > 30), (strip.WindowX, strip.IsOver));
        Assert.True(GlanceStrip.Draw(timeline, setting, timeline.TotalSeconds - 31).IsOver);
        Assert.False(GlanceStrip.Draw(timeline, setting, timeline.TotalSeconds - 30).IsOver);
    }
}
