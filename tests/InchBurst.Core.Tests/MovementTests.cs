using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Tests;

/// <summary>The jointed figure: angles to places and back, on the ground, within what joints do.</summary>
public class MovementTests
{
    private static SideFigure Figure(string pose) => SideFigure.Of(PoseBook.Find(pose)!);

    private static Pose Side(MovementCycle cycle, double share) => (Pose)cycle.At(share);

    private static void Near(double x, double y, Spot spot)
    {
        Assert.Equal(x, spot.X, 0.00006);
        Assert.Equal(y, spot.Y, 0.00006);
    }

    // Joints in stature with the ground at 0 and the hip at x 0: figure.md, section 3, reckoned there by a program of its own.
    [Fact]
    public void Joints_are_where_the_recipe_puts_them()
    {
        var toeOff = Figure("upright toe-off");
        Near(0, 0.4991, toeOff.Hip);
        Near(0.0351, 0.7850, toeOff.Shoulder);
        Near(0.0510, 0.9095, toeOff.Head);
        Near(-0.1102, 0.2779, toeOff.Near.Knee);
        Near(-0.2748, 0.0951, toeOff.Near.Ankle);
        Near(-0.2381, -0.0014, toeOff.Near.Toe);
        Near(0.2430, 0.4054, toeOff.Far.Knee);
        Near(0.0984, 0.2064, toeOff.Far.Ankle);
        Near(0.1857, 0.6425, toeOff.NearArm.Elbow);
        Near(0.3007, 0.7324, toeOff.NearArm.Wrist);
        Near(-0.1455, 0.6832, toeOff.FarArm.Elbow);
        Near(-0.0638, 0.5621, toeOff.FarArm.Wrist);
        var skip = Figure("A-skip up");
        Near(0, 0.6209, skip.Hip);
        Near(0.0244, 1.0335, skip.Head);
        Near(0.3301, 0.3352, skip.Near.Toe);
        Near(-0.0741, 0.1358, skip.Far.Ankle);
        Near(0.2681, 0.8489, skip.FarArm.Wrist);
        var blocks = Figure("block set");
        Near(0.2836, 0.4366, blocks.Shoulder);
        Near(0.3785, 0.3626, blocks.Head);
        Near(-0.0165, 0.0273, blocks.Near.Toe);
        Near(-0.2290, 0.1419, blocks.Far.Ankle);
        Near(0.2606, 0.0825, blocks.NearArm.Wrist);
    }

    // Heights of the hip: the tables of figure.md.
    [Theory]
    [InlineData("wall hold", 0.419)]
    [InlineData("drive step 1", 0.431)]
    [InlineData("upright mid-flight", 0.525)]
    [InlineData("prone start", 0.056)]
    [InlineData("half-kneeling start", 0.272)]
    [InlineData("three-point start", 0.428)]
    [InlineData("four-point start", 0.458)]
    [InlineData("seated arm swing", 0.066)]
    [InlineData("front plank", 0.170)]
    [InlineData("hamstring lowering", 0.232)]
    [InlineData("hurdle rebound", 0.685)]
    [InlineData("stand", 0.532)]
    public void The_hip_stands_as_high_as_what_carries_it(string pose, double height) => Assert.Equal(height, Figure(pose).Hip.Y, 0.00051);

    // Segments as Drillis and Contini 1966 (from memory): their distances are the same in every position.
    [Fact]
    public void Segments_keep_their_lengths_in_every_position() => Assert.All(PoseBook.Poses.Select(SideFigure.Of), f =>
    {
        foreach (var leg in new[] { f.Near, f.Far })
        {
            Assert.Equal(0.245, (leg.Knee - leg.Hip).Length, 1e-9);
            Assert.Equal(0.246, (leg.Ankle - leg.Knee).Length, 1e-9);
            Assert.Equal(6, leg.Sole.Count);
        }

        foreach (var arm in new[] { f.NearArm, f.FarArm })
        {
            Assert.Equal(0.186, (arm.Elbow - arm.Shoulder).Length, 1e-9);
            Assert.Equal(0.146, (arm.Wrist - arm.Elbow).Length, 1e-9);
            Assert.Equal(0.085, (arm.Hand - arm.Wrist).Length, 1e-9);
        }

        Assert.Equal(0.288, (f.Shoulder - f.Hip).Length, 1e-9);
        Assert.Equal(1, f.Along.Length, 1e-9);
        Assert.Equal(0, (f.Along.X * f.Ahead.X) + (f.Along.Y * f.Ahead.Y), 1e-9);
        Assert.Equal(Math.Abs(f.Pose.Near.Hip - f.Pose.Far.Hip), f.ThighSplit, 1e-9);
    });

    [Fact]
    public void Angles_come_back_from_the_joints_they_made() => Assert.All(PoseBook.Poses, pose =>
    {
        var back = BodyAngles.Of(SideFigure.Of(pose));
        double[] All(Pose p) =>
        [
            p.Trunk, p.Neck, p.Near.Hip, p.Near.Knee, p.Near.Ankle, p.Near.Toe, p.Far.Hip, p.Far.Knee, p.Far.Ankle, p.Far.Toe, p.NearArm.Shoulder, p.NearArm.Elbow, p.NearArm.Wrist, p.FarArm.Shoulder, p.FarArm.Elbow, p.FarArm.Wrist,
        ];
        Assert.All(All(pose).Zip(All(back)), a => Assert.Equal(0, BodyAngles.Wrapped(a.First - a.Second), 1e-6));
        Assert.Equal((pose.Name, pose.Support, pose.Lift, pose.HipHeight, pose.Bow), (back.Name, back.Support, back.Lift, back.HipHeight, back.Bow));
    });

    [Fact]
    public void Nothing_that_is_drawn_goes_under_the_ground()
    {
        var under = PoseBook.Poses.Select(SideFigure.Of).Where(f => f.Lowest < -0.012).Select(f => $"{f.Pose.Name} {f.Lowest:0.000}: near {f.Near.Lowest:0.000} far {f.Far.Lowest:0.000} hands {f.NearArm.Hand.Y:0.000} {f.FarArm.Hand.Y:0.000} knees {f.Near.Knee.Y:0.000} {f.Far.Knee.Y:0.000} head {f.Head.Y:0.000}").ToList();
        Assert.True(under.Count == 0, string.Join('\n', under));
    }

    // Ranges of joints: see the table for their sources.
    [Fact]
    public void Every_joint_stays_within_what_a_body_does()
    {
        var beyond = PoseBook.Poses.Select(p => (p.Name, Beyond: JointRange.Beyond(p))).Where(p => p.Beyond.Count > 0).Select(p => $"{p.Name}: {string.Join(", ", p.Beyond)}").ToList();
        Assert.True(beyond.Count == 0, string.Join('\n', beyond));
        var stand = PoseBook.Find("stand")!;
        Assert.Equal(["near knee", "far hip", "far elbow"], JointRange.Beyond(stand with { Near = stand.Near with { Knee = -1 }, Far = stand.Far with { Hip = -36 }, FarArm = stand.FarArm with { Elbow = 151 } }));
        Assert.Equal(["near ankle", "near toes", "near shoulder"], JointRange.Beyond(stand with { Near = stand.Near with { Ankle = 39, Toe = 71 }, NearArm = stand.NearArm with { Shoulder = -71 } }));
        Assert.True(JointRange.Shoulder.Holds(-190));
        Assert.All(new[] { JointRange.Hip, JointRange.Knee, JointRange.Ankle, JointRange.Toe, JointRange.Shoulder, JointRange.Elbow }, r => Assert.True(r.Holds(r.Least) && r.Holds(r.Most) && !r.Holds(r.Most + 1) && !r.Holds(r.Least - 1) && r.Source.Length > 10 && r.Name.Length > 2, r.Name));
    }

    [Fact]
    public void The_other_side_does_what_this_one_did()
    {
        var skip = PoseBook.Find("A-skip up")!;
        var other = SideFigure.Of(skip.Mirrored());
        Assert.Equal(SideFigure.Of(skip).Near.Toe, other.Far.Toe);
        Assert.Equal(SideFigure.Of(skip).FarArm.Wrist, other.NearArm.Wrist);
        Assert.Equal(SideFigure.Of(skip).Hip, other.Hip);
        Assert.All(PoseBook.Poses, p => Assert.Equal(p, p.Mirrored().Mirrored()));
        Assert.Equal((Support.FarKnee, Support.NearHand, Support.Seat), (PoseBook.Find("hamstring lowering")!.Mirrored().Support, PoseBook.Find("three-point start")!.Mirrored().Support, PoseBook.Find("dead bug")!.Mirrored().Support));
    }

    [Fact]
    public void On_the_way_from_one_position_to_another_every_joint_moves_its_share()
    {
        var (up, land) = (PoseBook.Find("A-skip up")!, PoseBook.Find("A-skip land")!);
        Near(SideFigure.Of(up).Near.Toe.X, SideFigure.Of(up).Near.Toe.Y, SideFigure.Of(up.Towards(land, 0)).Near.Toe);
        Near(SideFigure.Of(land).Far.Ball.X, SideFigure.Of(land).Far.Ball.Y, SideFigure.Of(up.Towards(land, 1)).Far.Ball);
        var half = up.Towards(land, 0.5);
        Assert.Equal(((91 + 61) / 2.0, (98 + 84) / 2.0), (half.Near.Hip, half.Near.Knee));
        Assert.Equal((-33, 91), (half.NearArm.Shoulder, half.NearArm.Elbow));
        Assert.Equal((SideFigure.Of(up).Hip.Y + SideFigure.Of(land).Hip.Y) / 2, SideFigure.Of(half).Hip.Y, 1e-9);
        Assert.Equal(("A-skip up", "A-skip land"), (up.Towards(land, 0.49).Name, half.Name));
        Assert.Equal(-0.0275, PoseBook.Find("hinge")!.Towards(PoseBook.Find("rounded back")!, 0.5).Bow, 1e-9);
    }

    [Theory]
    [InlineData(190, -170)]
    [InlineData(-180, 180)]
    [InlineData(-194, 166)]
    [InlineData(540, 180)]
    [InlineData(45, 45)]
    public void An_angle_has_one_name(double degrees, double wrapped) => Assert.Equal(wrapped, BodyAngles.Wrapped(degrees), 1e-9);

    [Fact]
    public void Angles_are_read_off_places()
    {
        Assert.Equal(45, BodyAngles.Trunk(new(0, 0), new(1, 1)), 1e-9);
        Assert.Equal(-90, BodyAngles.Trunk(new(0, 0), new(-1, 0)), 1e-9);
        Assert.Equal(30, BodyAngles.FromDown(new(0, 0), new(0.5, -Math.Sqrt(0.75))), 1e-9);
        Assert.Equal(0, BodyAngles.Sole(new(-0.040, -0.036), new(0.068, -0.039)), 1e-9);
        Assert.Equal(5, new Spot(3, 4).Length, 1e-9);
        Near(-1, 2, new Spot(2, 1).Turned(90));
    }

    [Fact]
    public void A_point_is_anchored_to_the_part_it_names()
    {
        var skip = Figure("A-skip up");
        Spot At(string text) => BodyPart.Named(text, skip)!.Value;
        Assert.Equal(skip.Near.Knee, At("Knee drives up"));
        Assert.Equal(skip.Near.Toe, At("Toe up, then the foot"));
        Assert.Equal(skip.Far.Ball, At("Crisp sound on the ball of the foot"));
        Assert.Equal(skip.Far.Ankle, At("Stiff ankles"));
        Assert.Equal(skip.Head, At("Tall"));
        Assert.Equal(skip.FarArm.Wrist, At("Hands from hip to cheek"));
        Assert.Equal(skip.Shoulder, At("Shoulders low"));
        Assert.Equal(skip.Hip, At("Hips high"));
        Assert.Equal(skip.Near.Heel, At("Heel under the seat"));
        Near((skip.Near.Hip.X + skip.Near.Knee.X * 1.5) / 2.5, (skip.Near.Hip.Y + skip.Near.Knee.Y * 1.5) / 2.5, At("Thigh to hip height"));
        Near((skip.Hip.X * 0.45) + (skip.Shoulder.X * 0.55), (skip.Hip.Y * 0.45) + (skip.Shoulder.Y * 0.55), At("Trunk still"));
        Near((skip.Near.Knee.X + skip.Near.Ankle.X) / 2, (skip.Near.Knee.Y + skip.Near.Ankle.Y) / 2, At("Shin upright"));
        Near((skip.Far.Hip.X * 0.2) + (skip.Far.Knee.X * 0.8), (skip.Far.Hip.Y * 0.2) + (skip.Far.Knee.Y * 0.8), At("Long leg"));
        Assert.Null(BodyPart.Named("Breathe out", skip));

        // On the other side the other leg is the lifted one.
        var other = Figure("A-skip up far");
        Assert.Equal(other.Far.Knee, BodyPart.Named("Knee drives up", other));
    }

    [Fact]
    public void Every_exercise_is_drawn_by_positions_there_are()
    {
        Assert.All(ExerciseCatalogue.BuiltIn.All.SelectMany(e => e.Poses), p => Assert.NotNull(PoseBook.Any(p)));
        string[] props = ["wall", "hurdle", "box", "bar", "ball", "sled", "band", "slope", "chevron"];
        Assert.All(ExerciseCatalogue.BuiltIn.All.SelectMany(e => e.Props), p => Assert.Contains(p, props));

        // A pause has no movement of its own; all else is drawn.
        Assert.Equal(["water break"], ExerciseCatalogue.BuiltIn.All.Where(e => e.Poses.Count == 0).Select(e => e.Name));
        Assert.Equal([1, 2, 3], new[] { "wall switch one", "wall switch two", "wall switch three" }.Select(n => ExerciseCatalogue.BuiltIn.Find(n)!.Props.Count(p => p == "chevron")));
        Assert.Equal(PoseBook.Poses.Count(), PoseBook.Poses.Select(p => p.Name.ToUpperInvariant()).Distinct().Count());
    }

    [Fact]
    public void A_fault_is_found_by_what_it_is_called()
    {
        Assert.Equal(("leaning back", FaultMark.Lean, false), PoseBook.Fault("Leaning back") is { } f ? (f.Name, f.Mark, f.OnFar) : default);
        Assert.Equal("A-skip up", PoseBook.Fault("Leaning away")!.Right.Name);
        Assert.Equal(("left behind", true), PoseBook.Fault("leg left behind") is { } l ? (l.Wrong.Name, l.OnFar) : default);
        Assert.Equal("shoulders behind hips", PoseBook.Fault("leaning back")!.Seen);
        Assert.Null(PoseBook.Fault("laughing"));
        Assert.Null(PoseBook.Find("flying"));
        Assert.Equal(18, PoseBook.Faults.Count);
        Assert.Equal(14, PoseBook.Faults.Count(x => x is { Right: Pose, Wrong: Pose }));

        // Each fault differs from what is right, and both are bodies.
        Assert.All(PoseBook.Faults, x => Assert.NotEqual(x.Right with { Name = "" }, x.Wrong with { Name = "" }));
        Assert.Contains(ExerciseCatalogue.BuiltIn.All.SelectMany(e => e.Faults), x => PoseBook.Fault(x)?.Mark == FaultMark.Reach);
    }

    [Fact]
    public void A_movement_goes_on_from_its_last_position_to_its_first()
    {
        Pose[] skip = [PoseBook.Find("A-skip up")!, PoseBook.Find("A-skip land")!];

        // Leg after leg: the other side does the same in its turn.
        var cycle = MovementCycle.Of(skip, Motion.Skip)!;
        Assert.Equal<BodyPose>([skip[0], skip[1], skip[0].Mirrored(), skip[1].Mirrored()], cycle.Keys);
        Assert.Equal(0.8, cycle.Seconds, 1e-9);
        Near(SideFigure.Of(skip[1]).Near.Toe.X, SideFigure.Of(skip[1]).Near.Toe.Y, SideFigure.Of(Side(cycle, 0.25)).Near.Toe);
        Near(SideFigure.Of(skip[0]).Near.Toe.X, SideFigure.Of(skip[0]).Near.Toe.Y, SideFigure.Of(Side(cycle, 0.5)).Far.Toe);
        Assert.Equal(Side(cycle, 0.1).Near.Knee, Side(cycle, 1.1).Near.Knee, 1e-9);
        Assert.Equal((skip[1].Near.Hip + skip[0].Far.Hip) / 2, Side(cycle, 0.375).Near.Hip, 1e-9);

        // There and back.
        Pose[] squat = [PoseBook.Find("squat")!, PoseBook.Find("stand")!, PoseBook.Find("jump up")!];
        Assert.Equal<BodyPose>([squat[0], squat[1], squat[2], squat[1]], MovementCycle.Of(squat, Motion.Jump)!.Keys);
        Assert.Equal<BodyPose>([skip[0], skip[0].Mirrored()], MovementCycle.Of(skip[..1], Motion.March)!.Keys);
        Assert.Null(MovementCycle.Of(squat[..1], Motion.Lift));
        Assert.Null(MovementCycle.Of([], Motion.Sprint));

        // Step rates from memory, slower the calmer the movement.
        Assert.Equal([0.23, 0.33, 0.36, 0.37, 0.40, 0.53, 0.60], new[] { Motion.Sprint, Motion.Backpedal, Motion.Bound, Motion.Jog, Motion.Skip, Motion.Walk, Motion.March }.Select(m => MovementCycle.StepSeconds(m)!.Value));
        Assert.All(new[] { Motion.Lift, Motion.Jump, Motion.Throw, Motion.Hop, Motion.Shuffle }, m => Assert.Null(MovementCycle.StepSeconds(m)));
    }

    [Fact]
    public void On_the_way_nothing_goes_under_the_ground() => Assert.All(
        ExerciseCatalogue.BuiltIn.All.Select(e => MovementCycle.Of([.. e.Poses.Select(PoseBook.Find).OfType<Pose>()], e.Does)).OfType<MovementCycle>(),
        cycle => Assert.All(Enumerable.Range(0, 24), i => Assert.InRange(SideFigure.Of(Side(cycle, i / 24.0)).Lowest, -1e-9, 1)));

    [Theory]
    [InlineData(BodyGroup.Thigh, "thigh thighs")]
    [InlineData(BodyGroup.Knee, "knee Knees")]
    [InlineData(BodyGroup.Shin, "shin shins")]
    [InlineData(BodyGroup.Toe, "toe toes")]
    [InlineData(BodyGroup.Heel, "heel heels")]
    [InlineData(BodyGroup.Ankle, "ankle ankles")]
    [InlineData(BodyGroup.Foot, "foot feet ground ball contact contacts land")]
    [InlineData(BodyGroup.Leg, "leg legs")]
    [InlineData(BodyGroup.Hip, "hip hips seat pelvis")]
    [InlineData(BodyGroup.Arm, "arm arms hand hands elbow elbows fist fists")]
    [InlineData(BodyGroup.Shoulder, "shoulder shoulders")]
    [InlineData(BodyGroup.Head, "head eye eyes chin face tall posture")]
    [InlineData(BodyGroup.Trunk, "trunk back chest ribs belly lean body line")]
    public void Each_word_names_its_part(BodyGroup part, string words) => Assert.All(words.Split(' '), w => Assert.Equal(part, BodyPart.Group($"Keep the {w} still")));

    [Fact]
    public void The_higher_arm_and_the_lifted_leg_are_meant()
    {
        var skip = PoseBook.Find("A-skip up")!;
        var other = SideFigure.Of(skip.Mirrored());
        Assert.Equal(other.NearArm.Wrist, BodyPart.Named("hands", other));
        Assert.Equal(other.Far.Toe, BodyPart.Named("toe up", other));

        // Both feet on the ground: the one towards the viewer counts as lifted.
        var stand = SideFigure.Of(PoseBook.Find("stand")! with { Support = Support.Either } is var p ? p with { Far = p.Near } : null!);
        Assert.Equal((stand.Near.Knee, stand.Far.Ball), (BodyPart.Named("knee", stand), BodyPart.Named("foot", stand)));
    }

    // Area in shares of stature squared of the outlines of figure.md, worked out from their points by hand of another program; whatever way the foot lies.
    [Theory]
    [InlineData("stand")]
    [InlineData("upright toe-off")]
    [InlineData("prone start")]
    public void Foot_and_toes_have_the_outlines_of_the_recipe(string pose)
    {
        static double Area(IReadOnlyList<Spot> p) => p.Select((a, i) => p[(i + 1) % p.Count] is var b ? (a.X * b.Y) - (b.X * a.Y) : 0).Sum() / 2;
        Assert.All(new[] { Figure(pose).Near, Figure(pose).Far }, leg =>
        {
            Assert.Equal(0.00562, Area(leg.Foot), 1e-7);
            Assert.Equal(0.001281, Area(leg.Toes), 1e-7);
            var middle = leg.Foot.Aggregate((a, b) => a + b) * (1.0 / leg.Foot.Count);
            Assert.Equal(Math.Sqrt((0.0136923 * 0.0136923) + (0.0129615 * 0.0129615)), (middle - leg.Ankle).Length, 1e-6);
            Assert.Equal(0.108, (leg.Heel - leg.Ball).Length, 0.0005);

            // The line of the sole stays inside the outline, heel first.
            Assert.All(leg.Sole.Take(4), at => Assert.InRange((at - leg.Ankle).Length, 0.028, 0.07));
        });
    }
}
