using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Tests;

/// <summary>The geometry of the drawings, without a browser: everything is to scale and inside its frame.</summary>
public class DrawingTests
{
    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line!;

    private static LineDemand Asked(string text) => LineDemand.Of(Line(text), ExerciseCatalogue.BuiltIn);

    [Fact]
    public void The_strip_is_to_scale_in_time_and_marks_the_overrun()
    {
        var plan = SessionPlan.Empty.Add(Line("raise 10 min")).Add(Line("4 x 20 m rest 2:00")).Add(Line("cool-down 5 min"));
        var timeline = SessionClock.Lay(plan, new(6, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn));
        var strip = SessionStrip.Draw(plan, timeline, 900, 1232, 156, plan.Blocks[1].Id);
        Assert.Equal(3, strip.Blocks.Count);
        Assert.Equal(600 * strip.PixelsPerSecond, strip.Blocks[0].Width, 6);
        Assert.Equal(strip.LeftX + (900 * strip.PixelsPerSecond), strip.WindowX, 6);
        Assert.Equal((timeline.TotalSeconds - 900) * strip.PixelsPerSecond, strip.OverToX!.Value - strip.OverFromX!.Value, 6);
        Assert.True(strip.Blocks[1].Selected);
        Assert.All(strip.Boxes, b => Assert.True(b.X >= strip.LeftX - 0.01 && b.X + b.Width <= strip.Width + 0.01 && b.Y >= 0 && b.Y + b.Height <= strip.AxisY + 0.01));
        // Effort is height: a full sprint stands higher than a jog.
        Assert.True(strip.Boxes.Where(b => b.Kind == WorkKind.Acceleration).Min(b => b.Y) < strip.Boxes.Where(b => b.Kind == WorkKind.Raise).Min(b => b.Y));
        Assert.Null(SessionStrip.Draw(plan, timeline, 7200, 1232, 156, null).OverFromX);
    }

    [Fact]
    public void The_lane_is_to_scale_with_gates_cone_and_wall()
    {
        var lane = LaneDrawing.Draw(Asked("3 x 20 build + 10 fly + 20 slow"), 452, 60, DistanceUnit.Metre)!;
        Assert.Equal(2, lane.Zones[0].Width / lane.Zones[1].Width, 6);
        Assert.Equal([lane.Zones[1].X, lane.Zones[2].X], lane.Gates.Select(g => g.X));
        Assert.Null(lane.WallX);
        var tight = LaneDrawing.Draw(Asked("4 x 10 m through 5 m"), 452, 15, DistanceUnit.Metre, runOutMetres: 5)!;
        Assert.True(tight.WallX > tight.ConeX && tight.ConeX > tight.Gates[0].X);
        Assert.True(LaneDrawing.Draw(Asked("4 x 20 m sled 10 kg"), 452, 60, DistanceUnit.Metre)!.HasSled);
        Assert.Null(LaneDrawing.Draw(Asked("raise 4 min"), 452, 60, DistanceUnit.Metre));
    }

    [Theory]
    [InlineData("2 x 20 up + 20 back + 40 up + 40 back", 4)]
    [InlineData("2 x 5 + turn 180 right + 10 + turn 180 left + 5 m", 3)]
    [InlineData("2 x 8 + cut 90 right + 8 m", 2)]
    [InlineData("2 x 8 + cut 45 left + 8 m", 2)]
    [InlineData("6 x 5 back + turn 180 left + 20 m", 2)]
    public void Courses_that_turn_are_drawn_from_above_to_one_scale(string text, int legs)
    {
        var course = Asked(text).Course!;
        foreach (var width in new[] { 452.0, 330 })
        {
            var drawing = CourseDrawing.Draw(Asked(text), width, 0)!;
            Assert.Equal(legs, drawing.Legs.Count);
            var scale = drawing.ScaleWidth / (drawing.ScaleText == "10 m" ? 10 : 5);
            Assert.All(drawing.Legs.Zip(course.Legs), p => Assert.Equal(p.Second.Metres * scale, Math.Sqrt(Math.Pow(p.First.X2 - p.First.X1, 2) + Math.Pow(p.First.Y2 - p.First.Y1, 2)), 6));
            Assert.All(drawing.Dots, d => Assert.True(d.X >= 0 && d.X <= width && d.Y >= 0 && d.LabelY <= drawing.Height, d.Label));
            Assert.Contains(drawing.Dots, d => d.Kind == "start");
            Assert.Contains(drawing.Dots, d => d.Kind == "gate");

            // Legs over the same ground do not lie on each other.
            Assert.DoesNotContain(drawing.Legs.SelectMany((a, i) => drawing.Legs.Skip(i + 1).Select(b => (a, b))), p => Math.Abs(p.a.Y1 - p.b.Y1) < 1 && Math.Abs(p.a.Y2 - p.b.Y2) < 1 && Math.Abs(p.a.Y1 - p.a.Y2) < 1
                && Math.Min(p.a.X1, p.a.X2) < Math.Max(p.b.X1, p.b.X2) - 1 && Math.Min(p.b.X1, p.b.X2) < Math.Max(p.a.X1, p.a.X2) - 1);
        }

        Assert.Null(CourseDrawing.Draw(Asked("4 x 20 m"), 452, 0));
    }

    [Fact]
    public void The_burst_curve_hangs_its_marks_where_the_shares_are_reached()
    {
        var curve = new SprintCurve(8.5, 1.2);
        GateTime[] gates = [.. new double[] { 5, 10, 20, 30, 40 }.Select((d, i) => new GateTime(d, curve.TimeTo(d) + (i % 2 * 0.004)))];
        var fit = SprintFit.Fit(gates).Fitted!;
        foreach (var width in new[] { 772.0, 358 })
        {
            var drawing = BurstCurve.Draw(gates, fit, width, 392, SpeedReading.MetresPerSecond, DistanceUnit.Metre);
            Assert.Equal(5, drawing.Steps.Count);
            Assert.Equal((drawing.PlotRight - drawing.PlotLeft) / 8, drawing.Steps[0].Width, 6);
            Assert.Equal(["90% reached", "95% reached"], drawing.Marks.Select(m => m.Label));
            Assert.Equal(drawing.PlotLeft + ((drawing.PlotRight - drawing.PlotLeft) * fit.Curve.DistanceAtShare(0.9) / 40), drawing.Marks[0].X, 6);
            Assert.All(drawing.Marks, m => Assert.True(m.TagX + 94 <= drawing.PlotRight + 1));
            Assert.NotNull(drawing.BandPath);
        }

        Assert.Null(BurstCurve.Draw(gates[..2], null, 772, 392, SpeedReading.KilometresPerHour, DistanceUnit.Yard).CurvePath);
    }

    [Fact]
    public void Every_kind_has_a_look_of_its_own_in_hue_and_pattern()
    {
        Assert.Equal(WorkKinds.All, KindLook.All.Select(k => k.Kind));
        Assert.Equal(WorkKinds.All.Count, KindLook.All.Select(k => k.Look.Hue).Distinct().Count());
        Assert.Equal(WorkKinds.All.Count, KindLook.All.Select(k => KindLook.Marks(k.Kind)).Distinct().Count());
    }

    [Fact]
    public void The_gauge_runs_from_92_to_101_percent_with_the_stop_line_at_its_share()
    {
        var gauge = GaugeDrawing.Draw(DropOff.Read([1.06, 1.04, 1.06])!, 330);
        double X(double share) => gauge.Left + ((gauge.Right - gauge.Left) * (share - 0.92) / 0.09);
        Assert.Equal(X(0.95), gauge.StopX, 6);
        Assert.Equal(X(1.04 / 1.06), gauge.NowX, 6);
        Assert.Equal("98.1", gauge.NowText);
        Assert.Equal([X(1.04 / 1.06), X(1)], gauge.Earlier.Select(e => e.X), (a, b) => Math.Abs(a - b) < 1e-6);
        Assert.False(gauge.Below);
        Assert.Equal("95", gauge.Ticks.Single(t => t.Strong).Text);
        Assert.Equal("100%", gauge.Ticks[^1].Text);
        Assert.True(gauge.Ticks.Zip(gauge.Ticks.Skip(1)).All(t => t.Second.X - t.First.X > 20), "labels do not touch");
    }

    [Theory]
    [InlineData(2.0, 0.95)]
    [InlineData(1.2, 0.88)]
    [InlineData(1.05, 0.97)]
    public void A_rep_far_below_the_line_stands_at_the_left_end_and_inside_the_drawing(double last, double stop)
    {
        foreach (var width in new[] { 290.0, 330, 358 })
        {
            var gauge = GaugeDrawing.Draw(DropOff.Read([1.0, last], stop)!, width);
            Assert.InRange(gauge.NowX, gauge.Left, gauge.Right);
            Assert.InRange(gauge.StopX, gauge.Left + 1, gauge.Right - 1);
            Assert.All(gauge.Ticks, t => Assert.InRange(t.X, gauge.Left, width));
            Assert.Equal(1 / last < stop, gauge.Below);
        }
    }

    [Fact]
    public void Every_rep_stands_at_its_share_of_own_best_on_a_scale_all_share()
    {
        RepsOfOne Line(double? before, params double[] seconds) => new(3, 3, before, seconds, [.. seconds.Select((_, i) => i == 0 ? new[] { 1, 0 } : Array.Empty<int>())], TimingMethod.Electronic);
        var ada = EveryRep.Draw([Line(2.00, 2.00, 1.98, 2.08), Line(null, 3.00, 3.30)], 0.95, 127);
        var bo = EveryRep.Draw([Line(1.80, 1.80, 1.80, 1.80), new(3, 0, null, [], [], default)], 0.95, 127);

        // Six places and a gap between the lines, the same for everybody: 113 px in six steps.
        Assert.Equal(new double[] { 7, 7 + (113 / 6.0), 7 + (226 / 6.0) }, ada.Lines[0].Select(d => d.X), (a, b) => Math.Abs(a - b) < 1e-9);
        Assert.Equal([ada.Lines[0][0].X, ada.Lines[0][1].X, ada.Lines[0][2].X], bo.Lines[0].Select(d => d.X));
        Assert.Equal(7 + (113 * 4 / 6.0), ada.Lines[1][0].X, 9);
        Assert.Equal(7 + (113 * 3 / 6.0), Assert.Single(ada.Gaps), 9);

        // Own best lies on its line whoever it is of; the stop line is 50 px below it, and what is faster lies above.
        Assert.Equal([EveryRep.BestY, EveryRep.BestY], new[] { ada.Lines[0][0].Y, bo.Lines[0][0].Y });
        Assert.Equal(EveryRep.BestY + ((1 - (2.00 / 2.08)) / 0.05 * 50), ada.Lines[0][2].Y, 9);
        Assert.Equal(EveryRep.BestY - (0.02 / 1.98 / 0.05 * 50), ada.Lines[0][1].Y, 9);
        Assert.Equal([false, true, false], ada.Lines[0].Select(d => d.IsBest));
        Assert.Equal([false, false], ada.Lines[1].Select(d => d.IsBest));

        // A drop of nine percent lies at the foot and says stop; what was not run is an open place beside it, none where nothing was asked.
        Assert.Equal((EveryRep.FootY - 1, true), (ada.Lines[1][1].Y, ada.Lines[1][1].SaysStop));
        Assert.Equal((7 + 113.0, EveryRep.FootY - 1), Assert.Single(ada.NotRun));
        Assert.Empty(bo.NotRun);
        Assert.Equal([("95.2%", false), ("90.9%", true)], ada.Ends.Select(e => (e.Share, e.SaysStop)));
        Assert.Equal([(ada.Lines[0][2].X, ada.Lines[0][2].Y), (ada.Lines[1][1].X, ada.Lines[1][1].Y)], ada.Ends.Select(e => (e.X, e.Y)));

        // Signs stand under their rep, one below the other.
        Assert.Equal([(7.0, 84.0, 1), (7.0, 91.0, 0)], ada.Signs.Take(2));
        Assert.Equal("7,16 25.8,5.9", EveryRep.Points([.. ada.Lines[0].Take(2)]));
        Assert.Equal(41, EveryRep.Draw([new(2, 2, 2, [], [], default)], 0.95, 127).NotRun[0].Y);
    }

    [Fact]
    public void A_best_is_shown_as_it_came_about_day_by_day_faster_up()
    {
        var from = new DateOnly(2026, 8, 1);
        var trend = TrendLine.Draw([(from, 3.10), (from.AddDays(31), 3.00), (from.AddDays(62), 3.05)], from, from.AddDays(62))!;
        Assert.Equal([(4, 20), (35, 4), (66, 12)], trend.Dots.Select(d => (Math.Round(d.X, 6), Math.Round(d.Y, 6))));
        Assert.Equal((1, "4,20 35,4 66,12"), (trend.Best, trend.Points));
        Assert.Null(TrendLine.Draw([(from, 3.10)], from, from.AddDays(62)));
        Assert.Equal([12, 12], TrendLine.Draw([(from, 3.10), (from, 3.10)], from, from)!.Dots.Select(d => d.Y));
    }

    [Theory]
    [InlineData(1.74, 1.75, TimingMethod.Electronic, 10, 14.142136, true)]
    [InlineData(1.70, 1.75, TimingMethod.Electronic, 50, 14.142136, false)]
    [InlineData(1.50, 1.75, TimingMethod.Electronic, 100, 14.142136, false)]
    [InlineData(1.70, 1.80, TimingMethod.Hand, 100, 100, true)]
    public void A_gain_lies_over_what_the_clock_cannot_tell_apart(double now, double before, TimingMethod method, double gain, double band, bool luck)
    {
        var bar = GainBar.Draw(now, before, method);
        Assert.Equal((gain, band, luck), (Math.Round(bar.Gain, 6), Math.Round(bar.Band, 6), bar.MayBeLuck));
    }

    [Fact]
    public void A_clock_row_puts_days_to_scale_and_what_is_past_on_its_edge()
    {
        var today = new DateOnly(2026, 11, 26);
        var row = ClockRow.Draw(TopSpeedClock.On(today.AddDays(-2), today), [today.AddDays(-2), today.AddDays(-5), today.AddDays(-30)], today);
        Assert.Equal([(ClockRow.X(today.AddDays(-5), today), false), (ClockRow.X(today.AddDays(-2), today), true)], row.Dots);
        Assert.Equal(9, ClockRow.X(today, today) - ClockRow.X(today.AddDays(-1), today), 6);
        Assert.Equal((ClockRow.X(today.AddDays(-2), today), ClockRow.X(today.AddDays(4), today), false), (row.LineFrom, row.DueX, row.IsDue));

        // Long ago: the line comes in from the edge, and what was due is due today.
        row = ClockRow.Draw(TopSpeedClock.On(today.AddDays(-20), today), [], today);
        Assert.Equal((ClockRow.X(today.AddDays(-ClockRow.Back), today), ClockRow.X(today, today), true), (row.LineFrom, row.DueX, row.IsDue));
        Assert.Empty(row.Dots);
        row = ClockRow.Draw(TopSpeedClock.On(null, today), [], today);
        Assert.Equal((null, null, true), (row.LineFrom, row.DueX, row.IsDue));
        Assert.All(new[] { -ClockRow.Back, 0, ClockRow.On }, d => Assert.InRange(ClockRow.X(today.AddDays(d), today), 0, ClockRow.Width));
    }

    [Fact]
    public void A_days_times_stand_as_hundredths_against_own_best_faster_up()
    {
        static DayOfOne Of(double seconds, double? best) => new(seconds, best, [], null);
        var day = DayColumns.Draw([Of(1.10, 1.12), Of(3.05, 3.05), Of(3.10, 3.05), Of(3.40, 3.05), Of(2.80, 3.05), Of(5.0, null)], 796);
        Assert.Equal([2, 0, -5, -35, 25, null], day.Columns.Select(c => c.Hundredths));
        Assert.Equal([false, false, false, true, true, false], day.Columns.Select(c => c.IsBeyond));
        Assert.Equal(day.Zero, day.Columns[1].Y);
        Assert.Equal(11.4 * 5, day.Columns[2].Y!.Value - day.Zero, 6);
        Assert.True(day.Columns[0].Y < day.Zero && day.Columns[4].Y == day.Columns[0].Y);
        Assert.Null(day.Columns[5].Y);
        Assert.All(day.Columns.Where(c => c.Y is not null), c => Assert.InRange(c.Y!.Value, 0, DayColumns.Height));
        Assert.Equal(53, day.Columns[1].X - day.Columns[0].X, 6);

        // Forty columns share the width.
        var many = DayColumns.Draw([.. Enumerable.Repeat(Of(3.0, 3.0), 40)], 796);
        Assert.True(many.Columns[^1].X < 796);
        Assert.Contains("own best", many.Lines.Select(l => l.Text));

        // Other runs as far as they lie on the scale and beside the best, each height once; the band of what is usual from its faster end down.
        var own = DayColumns.Draw([new(3.03, 3.05, [3.05, 3.051, 3.08, 3.20, 3.03], new(3.04, 3.09)), new(3.03, 3.05, [], new(3.14, 3.30))], 796).Columns;
        Assert.Equal([0, 3], own[0].Others.Select(y => Math.Round((y - day.Zero) / 11.4)));
        Assert.Equal((-1, 4), (Math.Round((own[0].Band!.Value.Top - day.Zero) / 11.4, 6), Math.Round((own[0].Band!.Value.Foot - day.Zero) / 11.4, 6)));
        Assert.Null(own[1].Band);
    }

    [Fact]
    public void What_was_run_stands_at_its_minute_over_what_was_planned_with_how_late_it_ended()
    {
        var plan = SessionPlan.Empty.Add(Line("2 x 20 m rest 1:00")).Add(Line("A-skip 2 x 15 m"));
        var timeline = SessionClock.Lay(plan, new(2, 1, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, 0, _ => 2, null));
        var start = new DateTime(2026, 11, 26, 17, 0, 0, DateTimeKind.Utc);
        var line = plan.Lines.First();
        var planned = timeline.Items[0].EndSeconds;
        var strip = ReviewStrip.Draw(timeline, [(line, [new(1, start.AddSeconds(60), 3.2), new(2, start.AddSeconds(planned + 100), 3.3)])], start, 600, l => ["a name far too long for its outline", "x"], 1232);
        Assert.Equal(22.4, (strip.Minutes[1].X - strip.Minutes[0].X) / 5, 6);
        Assert.Equal(new[] { 60 - 3.2, planned + 100 - 3.3 }.Select(s => Math.Round(s, 4)), strip.Runs.Select(r => Math.Round((r.X - strip.Minutes[0].X) * 60 / 22.4, 4)));
        Assert.Equal("+1:40", Assert.Single(strip.Late).Text);
        Assert.Equal(100 * 22.4 / 60, strip.Late[0].To - strip.Late[0].From, 6);
        Assert.Equal(timeline.Items.Select(i => (i.EndSeconds - i.StartSeconds) * 22.4 / 60), strip.Planned.Select(p => p.Width));
        Assert.All(strip.Planned, p => Assert.True(p.Text is "x" or ""));
        Assert.Equal((strip.Minutes[0].X + (10 * 22.4), "10:00 window"), (strip.WindowX, strip.WindowText));

        // Within a quarter of a minute nothing is called late; early is said too; three hours still fit.
        Assert.Empty(ReviewStrip.Draw(timeline, [(line, [new(1, start.AddSeconds(planned + 15), 3.2)])], start, 600, _ => [], 1232).Late);
        Assert.Equal("−0:30", Assert.Single(ReviewStrip.Draw(timeline, [(line, [new(1, start.AddSeconds(planned - 30), 3.2)])], start, 600, _ => [], 1232).Late).Text);
        var wide = ReviewStrip.Draw(timeline, [(line, [new(1, start.AddHours(3), 3.2)])], start, 600, _ => [], 1232);
        Assert.All(wide.Runs, r => Assert.InRange(r.X + r.Width, 0, 1232));
        Assert.All(wide.Minutes.Zip(wide.Minutes.Skip(1)), m => Assert.True(m.Second.X - m.First.X > 30));
    }

    [Fact]
    public void Rests_stand_as_dots_in_bins_beside_what_was_asked_and_never_leave_the_picture()
    {
        var dots = RestDots.Draw([60, 61, 63, 180], 60, 62);
        Assert.Equal(3, dots.Dots.GroupBy(d => Math.Round(d.X, 3)).Max(g => g.Count()));
        Assert.Equal(296 * 60 / 180.0, dots.AskedX, 6);
        Assert.Equal(296 * 62 / 180.0, dots.MiddleX, 6);
        Assert.Equal(["0", "1", "2", "3 min"], dots.Ticks.Select(t => t.Text));
        Assert.True(dots.Dots[1].Y < dots.Dots[0].Y);

        // A hundred of one length are pressed together, an hour stands at the end.
        var many = RestDots.Draw([.. Enumerable.Repeat(90.0, 100), 3600], 60, 90);
        Assert.All(many.Dots, d => Assert.True(d is { X: >= 0 and <= RestDots.Width, Y: >= 0 and <= RestDots.Height }));
        Assert.Equal(2, RestDots.Draw([], 30, 0).Ticks.Count - 1);
    }
}
