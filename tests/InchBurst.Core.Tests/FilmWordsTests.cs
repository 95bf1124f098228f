using InchBurst.Core.Film;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What is said of marks on film, at every bound and one step to either side of it.</summary>
public class FilmWordsTests
{
    private static readonly FilmClip Clip = new(121, 1, 1 / 120.0, 1 / 120.0, 1280, 720);

    private static FilmFrame At(int number) => new(number, number / 120.0, 1 / 120.0);

    private static FootMark Foot(int frame, Side side, bool down = true) => new(At(frame), side, down);

    private static FilmSight See(FilmMarks marks, int frame = 0, FilmPhase phase = FilmPhase.Upright) => FilmSight.Of(marks, At(frame), phase);

    // A place so far from another, so many degrees from straight up (or down), ahead positive.
    private static Spot Out(Spot from, double degrees, double px, bool down = false) => from + new Spot(px * Math.Sin(degrees * Math.PI / 180), (down ? 1 : -1) * px * Math.Cos(degrees * Math.PI / 180));

    private static readonly Spot Hip = new(640, 300);

    // Segments of 250 px, whose marks leave 1.22 degrees open.
    private static FilmMarks Body(double trunk = 5, double thigh = 20, double shin = 0, double far = 10, FilmMoment moment = FilmMoment.FootDown, FilmPhase phase = FilmPhase.Upright)
    {
        var knee = Out(Hip, thigh, 200, true);
        return new()
        {
            Clip = Clip,
            Feet = [Foot(50, Side.Right)],
            Bodies = [new(50, phase, moment, new Dictionary<FilmJoint, Spot> { [FilmJoint.Hip] = Hip, [FilmJoint.Shoulder] = Out(Hip, trunk, 250), [FilmJoint.NearKnee] = knee, [FilmJoint.NearAnkle] = Out(knee, shin, 200, true), [FilmJoint.FarKnee] = Out(Hip, far, 200, true) })],
        };
    }

    [Theory]
    [InlineData(0.01, "in")]
    [InlineData(9.99, "in")]
    [InlineData(10.1, "on the edge")]
    [InlineData(11.1, "on the edge")]
    [InlineData(11.3, "out")]
    [InlineData(-0.1, "on the edge")]
    [InlineData(-1.1, "on the edge")]
    [InlineData(-1.3, "out")]
    public void An_angle_is_out_only_beyond_what_its_marks_leave_open(double trunk, string word)
    {
        var gauge = See(Body(trunk), 50).Angles[0];
        Assert.Equal(("Trunk lean", word, 0.0, 10.0), (gauge.Name, gauge.Word, gauge.Low!.Value, gauge.High!.Value));
        Assert.Equal(1.22, gauge.Within, 2);
        Assert.Equal($"{Figures.Number(trunk)}°", gauge.Text);
    }

    [Theory]
    [InlineData(9, "")]
    [InlineData(10.4, "")]
    [InlineData(10.8, "reached")]
    public void A_fault_is_named_only_where_its_angle_is_out(double shin, string codes) =>
        Assert.Equal(codes, string.Join(' ', See(Body(thigh: shin + 20, shin: shin, far: shin + 10), 50).Suggestion?.Codes ?? []));

    [Theory]
    [InlineData(32, "")]
    [InlineData(34, "")]
    [InlineData(34.4, "sat")]
    public void A_knee_is_too_bent_only_beyond_what_its_marks_leave_open(double bent, string codes) =>
        Assert.Equal(codes, string.Join(' ', See(Body(thigh: 30, shin: 30 - bent, far: 15), 50).Suggestion?.Codes ?? []));

    [Fact]
    public void Every_angle_has_its_name_and_every_moment_its_note()
    {
        Assert.Equal(["Trunk lean", "Shin ahead", "Shin lean", "Foot ahead of hip", "Thigh split", "Knee inside", "Front thigh"], Enum.GetValues<FilmAngleKind>().Select(FilmSight.NameOf));
        Assert.StartsWith("Goal ranges: common practice.", See(Body(), 50).AnglesNote, StringComparison.Ordinal);
        var free = See(Body(moment: FilmMoment.Flight, phase: FilmPhase.Slowing), 50);
        Assert.Equal("No goal is set for this moment of this phase.", free.AnglesNote);
        Assert.Equal(["Trunk lean", "Shin ahead", "Thigh split", "Knee inside"], free.Angles.Select(a => a.Name));
        Assert.All(free.Angles, a => Assert.Equal(("", null, null), (a.Word, a.Low, a.High)));
        Assert.Null(free.Suggestion);
        Assert.Null(free.Goal);
        Assert.Equal("Mark hip, shoulder, knee and ankle to read angles.", See(new() { Clip = Clip, Bodies = [new(50, FilmPhase.Upright, FilmMoment.FootDown, new Dictionary<FilmJoint, Spot> { [FilmJoint.Head] = new(640, 90) })] }, 50).AnglesNote);

        // A phase with one moment is judged at it, another by the marks of feet.
        Assert.Equal([FilmMoment.Flight, FilmMoment.MidStance, FilmMoment.FootOff, FilmMoment.FootOff, FilmMoment.FootDown], Enum.GetValues<FilmPhase>().Select(p => See(new() { Clip = Clip }, 3, p).Moment));
        Assert.Equal(FilmMoment.FootDown, See(Body(), 50).Moment);
        Assert.Equal([FilmMoment.FootDown, FilmMoment.MidStance, FilmMoment.FootOff, FilmMoment.Flight], FilmGoal.Moments(FilmPhase.Upright));
        Assert.Null(FilmGoal.For(FilmPhase.Rise, FilmMoment.Flight));

        // A set position is judged by the leg in front.
        FilmMarks Set(double near, double far) => new() { Clip = Clip, Bodies = [new(9, FilmPhase.Start, FilmMoment.MidStance, new Dictionary<FilmJoint, Spot> { [FilmJoint.NearKnee] = new(near + 30, 500), [FilmJoint.NearAnkle] = new(near, 600), [FilmJoint.FarKnee] = new(far + 60, 500), [FilmJoint.FarAnkle] = new(far, 600), [FilmJoint.NearToe] = new(near + 9, 605) })] };
        Assert.Equal("17°", See(Set(640, 560), 9, FilmPhase.Start).Angles.Single().Text);
        Assert.Equal("31°", See(Set(560, 640), 9, FilmPhase.Start).Angles.Single().Text);
    }

    [Fact]
    public void The_sum_says_what_there_is_and_no_more()
    {
        FilmMarks Feet(params FootMark[] feet) => new() { Clip = Clip, Feet = feet };
        Assert.Equal(("", "", "each time ± 6 ms (95 of 100)"), (See(Feet()).Sum, See(Feet()).Speed, See(Feet()).Doubts));
        Assert.Null(See(Feet(Foot(0, Side.Right))).Mean);
        Assert.Equal("Over 1 step 4.44 ± 0.13 Hz.", See(Feet(Foot(0, Side.Right), Foot(27, Side.Left))).Sum);

        // One contact a side is one figure each: 12 and 14 frames, then 12 and 15, then 13 and 13.
        FilmMarks Sides(int left, int right) => Feet(Foot(0, Side.Right), Foot(right, Side.Right, false), Foot(30, Side.Left), Foot(30 + left, Side.Left, false));
        Assert.EndsWith("Left contact 8 ms longer than right: inside one frame, so no difference.", See(Sides(13, 12)).Sum, StringComparison.Ordinal);
        Assert.EndsWith("Left contact 0 ms longer than right: inside one frame, so no difference.", See(Sides(13, 13)).Sum, StringComparison.Ordinal);
        Assert.EndsWith("Left contact 17 ms shorter than right: more than these frames leave open (± 9 ms).", See(Sides(12, 14)).Sum, StringComparison.Ordinal);

        // At a variable rate the doubt is larger than a frame of the mean.
        var uneven = new FilmClip(121, 1, 1 / 240.0, 1 / 30.0, 1280, 720);
        FootMark On(double seconds, Side side, bool down) => new(new((int)(seconds * 120), seconds, 1 / 30.0), side, down);
        var between = See(new() { Clip = uneven, Feet = [On(0, Side.Right, true), On(0.1, Side.Right, false), On(0.25, Side.Left, true), On(0.37, Side.Left, false)] });
        Assert.Contains("Left contact 20 ms longer than right: within what these frames leave open.", between.Sum);
        Assert.Equal("each time ± 26 ms (95 of 100)", between.Doubts);

        var far = Feet(Foot(0, Side.Right) with { At = new(100, 600) }, Foot(30, Side.Left) with { At = new(300, 600) }) with { Scales = [new(0, new(100, 620), new(1100, 620), 10)] };
        Assert.Equal("8.00 m/s", See(far).Speed);
        Assert.Contains(", 2.00 ± 0.05 m, 8.00 ± 0.30 m/s.", See(far).Sum);
        Assert.Contains(", 28.8 ± 1.1 km/h.", See(far with { Speed = SpeedReading.KilometresPerHour }).Sum);
    }

    [Fact]
    public void A_frame_is_named_by_the_mark_on_it_and_the_next_foot_follows()
    {
        // A clip that begins on the left foot.
        var marks = new FilmMarks { Clip = Clip, Feet = [Foot(6, Side.Left, false), Foot(20, Side.Right), Foot(32, Side.Right, false), Foot(50, Side.Left)] };
        Assert.Equal(["left foot off", "right foot down, step 1", "right foot off, step 1", "left foot down, step 2", ""], new[] { 6, 20, 32, 50, 51 }.Select(f => See(marks, f).Here));
        Assert.Equal(["left", "left", "right", "right", "left", "left", "right"], new[] { 0, 6, 7, 20, 21, 40, 51 }.Select(f => See(marks, f).NextFoot));
        // What leaves is what stands: the right foot from 20 until it is marked off, the left from 50 on.
        var unmarked = marks with { Feet = [.. marks.Feet.Where(m => m.Frame.Number != 32)] };
        Assert.Equal(["left", "right", "right", "left", "left"], new[] { 0, 20, 40, 50, 90 }.Select(f => See(unmarked, f).LeavingFoot));
        Assert.Equal(["left", "left", "left"], new[] { 0, 40, 60 }.Select(f => See(marks, f).LeavingFoot));
        Assert.Equal([new FilmBar("left", null, 6, ""), new("right", 20, 32, "100"), new("left", 50, null, "")], See(marks).Bars);
        Assert.Equal([new FilmAir(32, 50, "150")], See(marks).Airs);
    }

    [Fact]
    public void Evenness_is_told_at_its_bound()
    {
        // Ten frames a tenth of a second apart may be a hundredth off; fast ones as much as whole milliseconds round.
        FilmClip Of(double shortest, double longest, double seconds = 1) => new(11, seconds, shortest, longest, 640, 360);
        Assert.Equal([true, false, true, false], new[] { Of(0.0901, 0.1), Of(0.0899, 0.1), Of(0.1, 0.1099), Of(0.1, 0.1101) }.Select(c => c.IsSteady));
        Assert.Equal([true, false, true, false], new[] { Of(0.0041, 0.005, 0.05), Of(0.0038, 0.005, 0.05), Of(0.005, 0.0060, 0.05), Of(0.005, 0.0062, 0.05) }.Select(c => c.IsSteady));
        Assert.Equal(["99.9 frames a second, one frame = 10 ms", "100 frames a second, one frame = 10 ms", "24 frames a second, one frame = 41.7 ms"], new[] { 99.9, 100.4, 24 }.Select(rate => new FilmClip(11, 10 / rate, 10, 10, 4, 3).Words));
        Assert.NotNull(FilmClip.Of([0, 0.1], 1, 1));
        Assert.Equal(0.776393, FilmFigure.Triangle, 6);
        Assert.Equal(0.02, new FilmFrame(3, 0.5, 0.16).Doubt(new FilmClip(11, 1, 0.05, 0.2, 4, 3) with { ShotRate = 80 }), 9);
    }

    [Fact]
    public void A_knee_bends_one_way_and_so_far()
    {
        // The marks of both segments, 200 px each, leave 3 degrees open together.
        string Notes(double shin) => See(Body(thigh: 20, shin: shin, far: 15), 50).AnglesNote;
        Assert.DoesNotContain("bends", Notes(22.9));
        Assert.Contains("No body does this: the near knee bends forwards.", Notes(23.2));
        Assert.DoesNotContain("bends", See(Body(thigh: 70, shin: -77.9, far: 15), 50).AnglesNote);
        Assert.Contains("the near knee bends too far", See(Body(thigh: 70, shin: -78.3, far: 15), 50).AnglesNote);
    }

    [Fact]
    public void A_figure_stands_on_the_foot_that_stood()
    {
        FilmBody Of(FilmMarks marks) => FilmBody.Of(marks, marks.Bodies[0], FilmSteps.Of(marks));
        FilmMarks With(FilmMoment moment, Side foot)
        {
            var marks = Body(moment: moment);
            var joints = new Dictionary<FilmJoint, Spot>(marks.Bodies[0].Joints) { [FilmJoint.FarAnkle] = Out(marks.Bodies[0].Joints[FilmJoint.FarKnee], -60, 200, true), [FilmJoint.NearToe] = marks.Bodies[0].Joints[FilmJoint.NearAnkle] + new Spot(60, 20) };
            return marks with { Feet = moment == FilmMoment.Flight ? [] : [Foot(50, foot)], Bodies = [marks.Bodies[0] with { Joints = joints }] };
        }

        Assert.Equal([Support.Near, Support.Far, Support.Either], new[] { Of(With(FilmMoment.FootDown, Side.Right)), Of(With(FilmMoment.FootDown, Side.Left)), Of(With(FilmMoment.Flight, Side.Left)) }.Select(b => b.Figure("x")!.Support));
        Assert.Null(Of(Body()).Figure("x"));

        // The sole as it was marked: its tip 18.4 degrees below the ankle, of which the foot's own shape is 16.9.
        Assert.Equal(-1.55, Of(With(FilmMoment.FootDown, Side.Right)).Figure("x")!.Near.Ankle, 0.01);
        Assert.Equal(5, Of(With(FilmMoment.FootDown, Side.Right)).Figure("x")!.Trunk, 6);

        // How tall it is: what is marked over what that is of a body.
        Assert.Equal((250 + 600) / (Segments.Trunk + (2 * Segments.Thigh) + Segments.Shank), Of(Body()).StaturePixels()!.Value, 6);
        Assert.Null(Of(new() { Clip = Clip, Bodies = [new(1, FilmPhase.Upright, FilmMoment.Flight, new Dictionary<FilmJoint, Spot> { [FilmJoint.Hip] = Hip, [FilmJoint.Head] = Hip })] }).StaturePixels());
    }
}
