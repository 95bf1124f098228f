using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Film;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Bodies marked on film: angles, goals, what follows from them, and what is said.</summary>
public class FilmBodyTests
{
    private static readonly FilmClip Clip = new(121, 1, 1 / 120.0, 1 / 120.0, 1280, 720);

    private static FilmFrame At(int number) => new(number, number / 120.0, 1 / 120.0);

    // A drawn body put into the picture, 500 px tall in its middle, running right or left; the hip is where both thighs meet.
    private static Dictionary<FilmJoint, Spot> Joints(Pose pose, bool right = true, double middle = 640)
    {
        var f = SideFigure.Of(pose);
        Spot Px(Spot s) => new(middle + ((right ? 1 : -1) * s.X * 500), 650 - (s.Y * 500));
        return new()
        {
            [FilmJoint.Head] = Px(f.Head),
            [FilmJoint.Shoulder] = Px(f.Shoulder),
            [FilmJoint.Hip] = Px(f.Hip),
            [FilmJoint.NearKnee] = Px(f.Near.Knee),
            [FilmJoint.NearAnkle] = Px(f.Near.Ankle),
            [FilmJoint.NearToe] = Px(f.Near.Toe),
            [FilmJoint.FarKnee] = Px(f.Far.Knee),
            [FilmJoint.FarAnkle] = Px(f.Far.Ankle),
            [FilmJoint.FarToe] = Px(f.Far.Toe),
            [FilmJoint.NearElbow] = Px(f.NearArm.Elbow),
            [FilmJoint.NearHand] = Px(f.NearArm.Hand),
            [FilmJoint.FarElbow] = Px(f.FarArm.Elbow),
            [FilmJoint.FarHand] = Px(f.FarArm.Hand),
        };
    }

    private static FilmMarks Marks(FilmPhase phase, FilmMoment moment, Dictionary<FilmJoint, Spot> joints, Side? foot = Side.Right) => new()
    {
        Clip = Clip,
        Feet = foot is { } side ? [new(At(moment == FilmMoment.FootOff ? 40 : moment == FilmMoment.MidStance ? 45 : 50), side, true), new(At(moment == FilmMoment.FootOff ? 50 : 60), side, false)] : [],
        Bodies = [new(50, phase, moment, joints)],
    };

    private static FilmSight See(string pose, FilmPhase phase = FilmPhase.Upright, FilmMoment moment = FilmMoment.FootDown, bool right = true) =>
        FilmSight.Of(Marks(phase, moment, Joints(PoseBook.Find(pose)!, right), phase == FilmPhase.Start || moment == FilmMoment.Flight ? null : right ? Side.Right : Side.Left), At(50), phase);

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Every_goal_holds_its_own_drawn_position_whichever_way_it_runs(bool right) => Assert.All(FilmGoal.All, g =>
    {
        var sight = See(g.Pose, g.Phase, g.Moment, right);
        Assert.Equal(g.Angles.Select(a => FilmSight.NameOf(a.Kind)), sight.Angles.Select(a => a.Name));
        Assert.All(sight.Angles, a => Assert.Equal(("in", a.Name), (a.Word, a.Name)));
        Assert.Null(sight.Suggestion);
        Assert.Equal((g.Pose, right), (sight.Goal!.Pose, sight.Goal.RunsRight));
        Assert.InRange(sight.Goal.Stature, 480, 520);
        Assert.All(g.Angles, a => Assert.True(a.Low < a.High));
    });

    [Fact]
    public void Every_code_a_goal_can_give_is_an_observation_with_drills() =>
        Assert.All(FilmGoal.All.SelectMany(g => g.Angles).SelectMany(a => new[] { a.Under, a.Over }).OfType<string>(), c => Assert.NotEmpty(Observations.Find(c)!.Drills));

    [Theory]
    [InlineData("overstride", FilmPhase.Upright, FilmMoment.FootDown, "reached", "ankle dribble")]
    [InlineData("left behind", FilmPhase.Upright, FilmMoment.FootDown, "late-recovery", "leg circle walk")]
    [InlineData("popping up", FilmPhase.Drive, FilmMoment.FootOff, "popped-up", "wall switch one")]
    [InlineData("short push", FilmPhase.Drive, FilmMoment.FootOff, "short-push", "heavy sled")]
    public void A_drawn_fault_is_seen_and_answered(string pose, FilmPhase phase, FilmMoment moment, string code, string drill)
    {
        var suggestion = See(pose, phase, moment).Suggestion!;
        Assert.Contains(code, suggestion.Codes);
        Assert.Contains(drill, suggestion.Drills);
        Assert.InRange(suggestion.Drills.Count, 1, FilmSight.MostDrills);
        Assert.Equal(suggestion.Codes, See(pose, phase, moment, false).Suggestion!.Codes);
    }

    [Fact]
    public void Two_faults_at_once_give_the_first_drill_of_each_first()
    {
        var suggestion = See("overstride").Suggestion!;
        Assert.Equal("Reached in front, leg left behind", suggestion.Says);
        Assert.Equal(["reached", "late-recovery"], suggestion.Codes);
        Assert.Equal(["ankle dribble", "leg circle walk", "calf dribble"], suggestion.Drills);
    }

    [Fact]
    public void Angles_of_the_drawn_runner_are_those_it_was_drawn_with()
    {
        using var truth = JsonDocument.Parse(File.ReadAllText(Path.Combine(Repository.Root, "tests/InchBurst.Browser.Tests/Clips/runner.json")));
        var body = truth.RootElement.GetProperty("body");
        var joints = body.GetProperty("joints").EnumerateObject().ToDictionary(j => Enum.Parse<FilmJoint>(j.Name), j => new Spot(j.Value.GetProperty("x").GetDouble(), j.Value.GetProperty("y").GetDouble()));
        var marks = Marks(FilmPhase.Upright, FilmMoment.FootDown, joints);
        var angles = FilmBody.Of(marks, marks.Bodies[0], FilmSteps.Of(marks)).Angles().ToDictionary(a => a.Kind, a => a.Degrees);
        foreach (var (kind, name) in new[] { (FilmAngleKind.Trunk, "trunk"), (FilmAngleKind.ShinAhead, "shin"), (FilmAngleKind.Split, "split"), (FilmAngleKind.Knee, "knee") })
        {
            Assert.Equal(body.GetProperty(name).GetDouble(), angles[kind], 0.05);
        }

        Assert.Equal(-angles[FilmAngleKind.ShinAhead], angles[FilmAngleKind.ShinLean], 9);
    }

    [Fact]
    public void An_angle_errs_as_science_says_and_is_drawn_where_it_is()
    {
        // science.md 11: 1 px on 100 px is 0.81 degrees; twice that in 95 of 100.
        var clip = Clip with { Width = 640 };
        var marks = Marks(FilmPhase.Upright, FilmMoment.FootDown, new() { [FilmJoint.Hip] = new(300, 300), [FilmJoint.Shoulder] = new(300, 200), [FilmJoint.NearKnee] = new(350, 300), [FilmJoint.NearAnkle] = new(350, 350), [FilmJoint.FarKnee] = new(300, 340) }) with { Clip = clip };
        var all = FilmBody.Of(marks, marks.Bodies[0], FilmSteps.Of(marks)).Angles().ToDictionary(a => a.Kind);
        Assert.Equal((0, 1.588), (all[FilmAngleKind.Trunk].Degrees, Math.Round(all[FilmAngleKind.Trunk].Within, 3)));
        Assert.Equal((90, 90), (all[FilmAngleKind.Split].Degrees, all[FilmAngleKind.Knee].Degrees));
        double Of(double px) => 1.959964 * Math.Sqrt(2) / px * 180 / Math.PI;
        Assert.Equal(Math.Sqrt(Math.Pow(Of(50), 2) + Math.Pow(Of(40), 2)), all[FilmAngleKind.Split].Within, 6);
        var (trunk, shin) = (all[FilmAngleKind.Trunk], all[FilmAngleKind.ShinAhead]);
        Assert.Equal((new Spot(300, 300), new Spot(300, 200), new Spot(300, 200)), (trunk.Corner, trunk.From, trunk.To));
        Assert.Equal((new Spot(350, 300), new Spot(350, 350)), (shin.Corner, shin.From));
        Assert.Equal((new Spot(300, 300), new Spot(350, 300), new Spot(300, 340)), (all[FilmAngleKind.Split].Corner, all[FilmAngleKind.Split].From, all[FilmAngleKind.Split].To));
        Assert.Equal(0, all[FilmAngleKind.FrontThigh].Degrees, 9);
        Assert.Equal(45, all[FilmAngleKind.Reach].Degrees, 9);
    }

    [Fact]
    public void The_side_towards_the_camera_is_told_by_the_way_of_the_runner()
    {
        FilmMarks Way(double from, double to) => new() { Clip = Clip, Feet = [new(At(30), Side.Left, true, new(to, 600)), new(At(3), Side.Right, true, new(from, 600))] };
        Assert.Equal((Side.Right, Side.Left), (FilmBody.NearSide(Way(100, 300)), FilmBody.NearSide(Way(300, 100))));
        FilmMarks Feet(double ankle, double toe) => new() { Clip = Clip, Bodies = [new(5, FilmPhase.Start, FilmMoment.MidStance, new Dictionary<FilmJoint, Spot> { [FilmJoint.FarAnkle] = new(ankle, 600), [FilmJoint.FarToe] = new(toe, 610) })] };
        Assert.Equal((Side.Right, Side.Left), (FilmBody.NearSide(Feet(100, 120)), FilmBody.NearSide(Feet(120, 100))));
        Assert.Equal(Side.Right, FilmBody.NearSide(new() { Clip = Clip }));

        // The leg that is judged is the one that stands: here the far one, so its shin.
        var marks = Marks(FilmPhase.Upright, FilmMoment.FootDown, Joints(PoseBook.Find("upright touch-down")!.Mirrored()), Side.Left);
        var body = FilmBody.Of(marks, marks.Bodies[0], FilmSteps.Of(marks));
        Assert.True(body.StandsFar);
        Assert.All(FilmSight.Of(marks, At(50), FilmPhase.Upright).Angles, a => Assert.Equal("in", a.Word));

        // The tip of the foot that lands is its toe where the body is marked, so that lengths need no second tap.
        Assert.Equal(marks.Bodies[0].Joints[FilmJoint.FarToe], FilmSteps.Of(marks).Contacts[0].At);
    }

    [Fact]
    public void Marks_become_a_figure_with_the_same_angles() => Assert.All(FilmGoal.All, g =>
    {
        var pose = g.Position();
        var marks = Marks(g.Phase, g.Moment, Joints(pose));
        var figure = FilmBody.Of(marks, marks.Bodies[0], FilmSteps.Of(marks)).Figure("film")!;
        Assert.Equal(pose.Trunk, figure.Trunk, 0.01);

        // The hips turn with the legs, and only their middle is marked: a few degrees at the thigh.
        foreach (var (was, now) in new[] { (pose.Near, figure.Near), (pose.Far, figure.Far) })
        {
            Assert.InRange(now.Hip, was.Hip - 5, was.Hip + 5);
            Assert.InRange(now.Knee, was.Knee - 6, was.Knee + 6);
        }

        Assert.InRange(figure.NearArm.Shoulder, pose.NearArm.Shoulder - 10, pose.NearArm.Shoulder + 10);
        Assert.InRange(figure.FarArm.Elbow, pose.FarArm.Elbow - 12, pose.FarArm.Elbow + 12);
        Assert.Empty(JointRange.Beyond(figure));
        Assert.True(SideFigure.Of(figure).Lowest > -0.02);
        Assert.Equal(g.Moment == FilmMoment.Flight, figure.Lift > 0);
    });

    [Fact]
    public void A_body_that_cannot_be_is_told_and_not_measured()
    {
        var joints = Joints(PoseBook.Find("upright touch-down")!);
        joints[FilmJoint.NearAnkle] = new(joints[FilmJoint.NearKnee].X + 90, joints[FilmJoint.NearKnee].Y + 60);
        joints[FilmJoint.NearToe] = joints[FilmJoint.NearAnkle] + new Spot(40, 10);
        var sight = FilmSight.Of(Marks(FilmPhase.Upright, FilmMoment.FootDown, joints), At(50), FilmPhase.Upright);
        Assert.Contains("the near knee bends forwards", sight.AnglesNote);
        Assert.Empty(sight.Angles);
        Assert.Null(FilmBody.Of(Marks(FilmPhase.Upright, FilmMoment.FootDown, new() { [FilmJoint.Hip] = new(1, 1) }), new(50, FilmPhase.Upright, FilmMoment.Flight, new Dictionary<FilmJoint, Spot> { [FilmJoint.Hip] = new(1, 1) }), FilmSteps.Of(new() { Clip = Clip })).Figure("x"));
    }

    [Theory]
    [InlineData(true, Side.Left)]
    [InlineData(false, Side.Right)]
    public void A_foot_given_to_the_wrong_side_is_told_and_not_judged(bool right, Side wrong)
    {
        var sight = FilmSight.Of(Marks(FilmPhase.Upright, FilmMoment.FootDown, Joints(PoseBook.Find("upright touch-down")!, right), wrong), At(50), FilmPhase.Upright);
        Assert.Empty(sight.Angles);
        Assert.Contains($"the near leg is the {(right ? "right" : "left")} one", sight.AnglesNote);
    }

    [Fact]
    public void Angles_are_read_in_the_middle_third_only()
    {
        FilmSight Stands(double x) => FilmSight.Of(Marks(FilmPhase.Upright, FilmMoment.FootDown, Joints(PoseBook.Find("upright touch-down")!, true, x)), At(50), FilmPhase.Upright);
        Assert.NotEmpty(Stands(1280 / 3.0 + 0.1).Angles);
        Assert.NotEmpty(Stands(1280 * 2 / 3.0 - 0.1).Angles);
        Assert.Empty(Stands(1280 / 3.0 - 0.1).Angles);
        Assert.Contains("middle third", Stands(1280 * 2 / 3.0 + 0.1).AnglesNote);
    }

    [Fact]
    public void What_is_said_follows_the_frame()
    {
        FootMark Foot(int frame, Side side, bool down, double? x = null) => new(At(frame), side, down, x is { } at ? new(at, 600) : null);
        var marks = new FilmMarks
        {
            Clip = Clip,
            Scales = [new(0, new(100, 620), new(1100, 620), 10), new(110, new(101, 620), new(1100, 621), 10)],
            Feet = [Foot(4, Side.Right, true, 150), Foot(17, Side.Right, false), Foot(33, Side.Left, true, 340), Foot(45, Side.Left, false), Foot(62, Side.Right, true, 530), Foot(74, Side.Right, false)],
            Lines = [new(At(95), new(10, DistanceUnit.Metre)), new(At(12), new(0, DistanceUnit.Metre))],
        };
        var sight = FilmSight.Of(marks, At(33), FilmPhase.Upright);
        Assert.Equal(("frame 33", "0.275 s", "left foot down, step 2", "left", "120 a second"), (sight.Frame, sight.Time, sight.Here, sight.NextFoot, sight.Camera));
        Assert.Equal("right foot off, step 1", FilmSight.Of(marks, At(17), FilmPhase.Upright).Here);
        Assert.Equal(("", "left", "right", "left"), (FilmSight.Of(marks, At(20), FilmPhase.Upright).Here, FilmSight.Of(marks, At(20), FilmPhase.Upright).NextFoot, FilmSight.Of(marks, At(50), FilmPhase.Upright).NextFoot, FilmSight.Of(marks, At(1), FilmPhase.Upright).NextFoot));
        Assert.Equal("right", FilmSight.Of(new() { Clip = Clip }, At(1), FilmPhase.Upright).NextFoot);
        Assert.Equal([new FilmRow(1, "right", 4, "108", "133", "4.1", "1.90"), new(2, "left", 33, "100", "142", "4.1", "1.90"), new(3, "right", 62, "100", "–", "–", "–")], sight.Rows);
        Assert.Equal(new FilmRow(0, "mean", 0, "103", "138", "4.14", "1.90"), sight.Mean);
        Assert.Equal("7.86 m/s", sight.Speed);
        Assert.Equal("Over 2 steps 4.14 ± 0.06 Hz, 1.90 ± 0.03 m, 7.86 ± 0.16 m/s. Contact 103 ± 4 ms. Left contact 4 ms shorter than right: inside one frame, so no difference.", sight.Sum);
        Assert.Equal("each time ± 6 ms, each length ± 0.05 m (95 of 100)", sight.Doubts);
        Assert.Equal([new FilmBar("right", 4, 17, "108"), new("left", 33, 45, "100"), new("right", 62, 74, "100")], sight.Bars);
        Assert.Equal([new FilmAir(17, 33, "133"), new(45, 62, "142")], sight.Airs);
        Assert.Equal([new FilmSplit("0 to 10 m", "0.692 ± 0.006 s", "14.46 m/s")], sight.Splits);
        Assert.Equal("10.00 m = 1000 px", sight.Scale);
        Assert.Empty(sight.Problems);
        Assert.Equal("Mark joints on this frame to read angles.", sight.AnglesNote);
        Assert.Contains("17.6 mph", FilmSight.Of(marks with { Speed = SpeedReading.MilesPerHour }, At(33), FilmPhase.Upright).Speed);
        Assert.Equal(sight.Write(), FilmSight.Read(marks.Write(), """{"number":33,"seconds":0.275,"gap":0.00833}""", "Upright"));
        Assert.Throws<JsonException>(() => FilmSight.Read(marks.Write(), "{}", "Sideways"));
        Assert.Contains("\"frames\":3", FilmSight.ClipOf([0, 0.1, 0.2], 4, 3));
        Assert.Null(FilmSight.ClipOf([0], 4, 3));
    }

    [Fact]
    public void Each_fault_of_a_clip_is_said_and_a_clean_one_says_nothing()
    {
        FootMark Foot(int frame, Side side, bool down, double y = 600) => new(new(frame, frame / 120.0, 1 / 120.0), side, down, down ? new(100 + (frame * 6), y + (frame * 0.1)) : null);
        FilmMarks Of(FilmClip clip) => new() { Clip = clip, Feet = [Foot(4, Side.Right, true), Foot(17, Side.Right, false), Foot(33, Side.Left, true), Foot(45, Side.Left, false)], Scales = [new(0, new(100, 620), new(1100, 620), 10), new(110, new(100, 620), new(1100, 620), 10)] };
        IReadOnlyList<string> Say(FilmMarks m) => FilmSight.Of(m, At(0), FilmPhase.Upright).Problems;
        var clean = Of(Clip);
        Assert.Empty(Say(clean));
        void Says(string part, FilmMarks m) => Assert.Contains(part, string.Join(" | ", Say(m)));
        var stored = Clip with { Seconds = 4, ShortestGap = 1 / 30.0, LongestGap = 1 / 30.0 };
        Says("1.0 steps a second is no running: is this slow motion?", clean with { Clip = stored });
        Assert.DoesNotContain(Say(clean with { Clip = stored with { ShotRate = 120 } }), s => s.Contains("slow motion", StringComparison.Ordinal));
        Says("The clip is 0.25 s long", new FilmMarks { Clip = Clip with { Frames = 31, Seconds = 0.25 } });
        Assert.Empty(Say(new FilmMarks { Clip = Clip with { Frames = 37, Seconds = 0.3 } }));
        Says("Frames come 8.3 to 33.3 ms apart (variable frame rate)", clean with { Clip = Clip with { LongestGap = 1 / 30.0 } });
        Says("At 60 frames a second one frame is 17 ms", clean with { Clip = Clip with { Seconds = 2, ShortestGap = 1 / 60.0, LongestGap = 1 / 60.0 } });
        Says("The camera moved: the same mark lies 40 px off", clean with { Scales = [.. clean.Scales, new(90, new(140, 620), new(1140, 620), 10)] });
        Says("mark the scale once more", clean with { Scales = [clean.Scales[0]] });
        Says("The scale is only 100 px long in the picture: its own two marks cost 5.3%", clean with { Scales = [new(0, new(100, 620), new(200, 620), 1)] });
        Says("The scale lies 23° askew", clean with { Scales = [new(0, new(100, 620), new(600, 420), 5)] });
        Says("both feet are down".Replace("both", "Both"), clean with { Feet = [.. clean.Feet.Take(1), Foot(10, Side.Left, true), .. clean.Feet.Skip(1).Take(1), Foot(20, Side.Left, false)] });
        var lines = clean with { Lines = [new(At(50), new(10, DistanceUnit.Metre)), new(At(50), new(20, DistanceUnit.Yard))] };
        Says("The line at 20 yd is passed no later than the one at 10 m", lines);
        Assert.Empty(FilmSight.Of(lines, At(0), FilmPhase.Upright).Splits);
    }
}
