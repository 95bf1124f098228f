using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Tests;

/// <summary>Positions a coach sets: by pulling joints, by keys, written and read again.</summary>
public class PoseHandTests
{
    private static readonly Pose Stand = PoseBook.Find("stand")!;
    private static readonly Pose Skip = PoseBook.Find("A-skip up")!;

    private static readonly PoseJoint[] Bending = [.. Enum.GetValues<PoseJoint>().Where(j => j > PoseJoint.Hip)];

    // Whatever a joint is pulled to, it ends on the line from the joint that carries it to that place, wherever a body reaches that far.
    [Fact]
    public void A_joint_that_is_pulled_points_to_where_it_is_pulled()
    {
        var (seen, held) = (0, 0);
        foreach (var pose in new[] { Stand, Skip, PoseBook.Find("half-kneeling start")!, PoseBook.Find("three-point start")! })
        {
            foreach (var joint in Bending)
            {
                foreach (var degrees in new[] { -150, -90, -40, -10, 15, 45, 80, 130, 170 })
                {
                    var figure = SideFigure.Of(PoseHand.Grounded(pose));
                    var carried = Carrier(figure, joint);
                    var to = carried + new Spot(0, -0.3).Turned(degrees);
                    var moved = PoseHand.Drawn(pose, joint, to);
                    Assert.Empty(JointRange.Beyond(moved));
                    var after = SideFigure.Of(moved);
                    var (from, tip) = (Carrier(after, joint), PoseHand.Place(after, joint));
                    var off = BodyAngles.Wrapped(BodyAngles.FromDown(from, tip) - degrees);
                    var range = PoseHand.Range(joint);
                    var stands = PoseHand.Stands(moved, joint);
                    seen++;
                    if (stands > range.Least + 1e-6 && stands < range.Most - 1e-6 && joint != PoseJoint.Trunk)
                    {
                        // The pelvis, the shoulders turn a little with their limb, and so the place it hangs at.
                        Assert.InRange(Math.Abs(off), 0, joint is PoseJoint.NearKnee or PoseJoint.FarKnee or PoseJoint.NearElbow or PoseJoint.FarElbow ? 12 : 1e-6);
                        held++;
                    }
                }
            }
        }

        Assert.True(held > seen / 4, $"{held} of {seen}");
    }

    // The joint that a joint hangs on.
    private static Spot Carrier(SideFigure f, PoseJoint joint) => joint switch
    {
        PoseJoint.Trunk => f.Hip,
        PoseJoint.Head => f.Neck,
        PoseJoint.NearKnee => f.Near.Hip,
        PoseJoint.NearAnkle => f.Near.Knee,
        PoseJoint.NearFoot => f.Near.Ankle,
        PoseJoint.NearToe => f.Near.Ankle + new Spot(0.066, -0.028).Turned(f.Near.SoleDegrees),
        PoseJoint.FarKnee => f.Far.Hip,
        PoseJoint.FarAnkle => f.Far.Knee,
        PoseJoint.FarFoot => f.Far.Ankle,
        PoseJoint.FarToe => f.Far.Ankle + new Spot(0.066, -0.028).Turned(f.Far.SoleDegrees),
        PoseJoint.NearElbow => f.NearArm.Shoulder,
        PoseJoint.NearWrist => f.NearArm.Elbow,
        PoseJoint.NearHand => f.NearArm.Wrist,
        PoseJoint.FarElbow => f.FarArm.Shoulder,
        PoseJoint.FarWrist => f.FarArm.Elbow,
        _ => f.FarArm.Wrist,
    };

    [Fact]
    public void What_hangs_on_a_part_goes_along_and_all_else_stays()
    {
        var lifted = PoseHand.Set(Stand, PoseJoint.NearKnee, 90);
        Assert.Equal(Stand with { Near = Stand.Near with { Hip = 90 } }, lifted);
        Assert.Equal(Stand.Near.Knee, lifted.Near.Knee);
        Assert.Equal((0.245, 0.246), (Math.Round((SideFigure.Of(lifted).Near.Knee - SideFigure.Of(lifted).Near.Hip).Length, 9), Math.Round((SideFigure.Of(lifted).Near.Ankle - SideFigure.Of(lifted).Near.Knee).Length, 9)));

        // One joint at a time, on the side it is on.
        Assert.Equal(Skip with { Far = Skip.Far with { Knee = 33 } }, PoseHand.Set(Skip, PoseJoint.FarAnkle, 33));
        Assert.Equal(Skip with { Near = Skip.Near with { Ankle = -20 } }, PoseHand.Set(Skip, PoseJoint.NearFoot, -20));
        Assert.Equal(Skip with { Far = Skip.Far with { Toe = 12 } }, PoseHand.Set(Skip, PoseJoint.FarToe, 12));
        Assert.Equal(Skip with { NearArm = Skip.NearArm with { Shoulder = 44 } }, PoseHand.Set(Skip, PoseJoint.NearElbow, 44));
        Assert.Equal(Skip with { FarArm = Skip.FarArm with { Elbow = 100 } }, PoseHand.Set(Skip, PoseJoint.FarWrist, 100));
        Assert.Equal(Skip with { FarArm = Skip.FarArm with { Wrist = -9 } }, PoseHand.Set(Skip, PoseJoint.FarHand, -9));
        Assert.Equal(Skip with { Neck = 21 }, PoseHand.Set(Skip, PoseJoint.Head, 21));
        Assert.All(Enum.GetValues<PoseJoint>(), j => Assert.Equal(PoseHand.Stands(Skip, j), PoseHand.Stands(PoseHand.Set(Skip, j, PoseHand.Stands(Skip, j)), j), 1e-9));
    }

    [Fact]
    public void The_legs_stay_where_they_are_while_the_trunk_leans()
    {
        var leaned = PoseHand.Set(Stand, PoseJoint.Trunk, 40);
        Assert.Equal(40, leaned.Trunk);
        Assert.Equal((SideFigure.Of(Stand).Near.ThighDegrees, SideFigure.Of(Stand).Far.ShankDegrees), (SideFigure.Of(leaned).Near.ThighDegrees, SideFigure.Of(leaned).Far.ShankDegrees));

        // As far as the hips bend, forward and back, and no part of the way further.
        var folded = PoseHand.Set(Stand, PoseJoint.Trunk, 175);
        Assert.Equal(140, Math.Max(folded.Near.Hip, folded.Far.Hip), 1e-9);
        Assert.Equal(SideFigure.Of(Stand).Near.ThighDegrees, SideFigure.Of(folded).Near.ThighDegrees, 1e-9);
        Assert.Equal(-35, PoseHand.Set(Skip, PoseJoint.Trunk, -90) is var back ? Math.Min(back.Near.Hip, back.Far.Hip) : 0, 1e-9);

        // The short way round.
        var under = Stand with { Trunk = 170, Near = Stand.Near with { Hip = 60 }, Far = Stand.Far with { Hip = 60 } };
        Assert.Equal((-170, 80, 80), PoseHand.Set(under, PoseJoint.Trunk, 190) is var over ? (over.Trunk, over.Near.Hip, over.Far.Hip) : default);
    }

    [Theory]
    [InlineData(PoseJoint.NearKnee, 200, 140)]
    [InlineData(PoseJoint.NearKnee, -90, -35)]
    [InlineData(PoseJoint.FarAnkle, -30, 0)]
    [InlineData(PoseJoint.FarAnkle, 170, 145)]
    [InlineData(PoseJoint.NearElbow, -150, 180)]
    [InlineData(PoseJoint.NearElbow, -100, -70)]
    [InlineData(PoseJoint.NearFoot, 60, 38)]
    [InlineData(PoseJoint.NearToe, -10, 0)]
    [InlineData(PoseJoint.NearHand, 100, 80)]
    [InlineData(PoseJoint.Head, -100, -60)]
    [InlineData(PoseJoint.NearWrist, 360, 0)]
    public void No_joint_goes_further_than_a_body_does(PoseJoint joint, double to, double stands) => Assert.Equal(stands, PoseHand.Stands(PoseHand.Set(Stand, joint, to), joint), 1e-9);

    [Fact]
    public void The_body_is_lifted_by_its_hips_and_never_goes_under_the_ground()
    {
        Assert.Equal(0.1, PoseHand.Set(Stand, PoseJoint.Hip, 0.1).Lift);
        Assert.Equal((0, 0.5), (PoseHand.Set(Stand, PoseJoint.Hip, -1).Lift, PoseHand.Set(Stand, PoseJoint.Hip, 3).Lift));
        var hip = SideFigure.Of(Stand).Hip;
        Assert.Equal(0.07, PoseHand.Drawn(Stand, PoseJoint.Hip, hip + new Spot(0.4, 0.07)).Lift, 1e-9);
        var plank = PoseBook.Find("front plank")!;
        Assert.Equal((0.25, 0), PoseHand.Set(plank, PoseJoint.Hip, 0.25) is var p ? (p.HipHeight, p.Lift) : default);

        // Stretched down beside a short standing leg, the other one lifts the body; drawn back up, the body is down again.
        var squat = Stand with { Support = Support.Near, Near = Stand.Near with { Hip = 100, Knee = 120 } };
        var raised = PoseHand.Grounded(squat);
        Assert.Equal(0, SideFigure.Of(raised).Lowest, 1e-9);
        Assert.True(raised.Lift > 0.05);
        Assert.Equal(Stand, PoseHand.Grounded(Stand));
        Assert.Equal(0, SideFigure.Of(PoseHand.Grounded(plank with { HipHeight = 0.01 })).Lowest, 1e-9);
        Assert.Equal(squat.Lift, PoseHand.Drawn(squat, PoseJoint.FarKnee, new(0.3, 0.5)).Lift);

        // What is pulled is what is seen: the lifted body's joints.
        var seen = SideFigure.Of(raised);
        var to = seen.Far.Knee + new Spot(-0.2, -0.15);
        Assert.Equal(BodyAngles.FromDown(seen.Far.Knee, to), SideFigure.Of(PoseHand.Drawn(squat, PoseJoint.FarAnkle, to)).Far.ShankDegrees, 1e-6);
    }

    [Fact]
    public void Something_else_may_carry_the_body()
    {
        var jump = Stand with { Lift = 0.2 };
        Assert.Same(jump, PoseHand.Carried(jump, Stand.Support));
        Assert.Equal(jump with { Support = Support.Seat, Lift = 0 }, PoseHand.Carried(jump, Support.Seat));
        var held = PoseHand.Carried(jump, Support.HipHeight);
        Assert.Equal((Support.HipHeight, 0.0), (held.Support, held.Lift));
        Assert.Equal(SideFigure.Of(jump).Hip.Y, SideFigure.Of(held).Hip.Y, 1e-9);
        Assert.Equal(0, PoseHand.Carried(held, Support.Near).HipHeight);
    }

    [Fact]
    public void A_position_is_written_as_a_row_and_read_again() => Assert.All(PoseBook.Poses, p =>
    {
        var back = OwnPose.Read(OwnPose.Write(p));
        Assert.Equal(p, back);
        Assert.Equal(p, PoseBook.Any(OwnPose.Write(p)));
    });

    [Fact]
    public void A_row_says_every_joint()
    {
        Assert.Equal("own: 5 4.3 / 90 100 8 0 / -2.5 4 0 31 / -30 90 8 / 30 80 -12 / 0.012 0 -0.055 / Far / knee up", OwnPose.Write(new Pose("knee up", 5, 4.26, new(90, 100, 8, 0), new(-2.5, 4, 0, 31), new(-30, 90, 8), new(30, 80, -12), Support.Far, 0.0119) { Bow = -0.055 }));
        Assert.Equal("left right", OwnPose.Read(OwnPose.Write(Stand with { Name = " left /\n right " }))!.Name);
        Assert.Equal("own position", OwnPose.Read(OwnPose.Write(Stand with { Name = " / " }))!.Name);
        Assert.Equal(40, OwnPose.Read(OwnPose.Write(Stand with { Name = new string('x', 99) }))!.Name.Length);
    }

    // Every number that decides is tried just past where it may be.
    [Theory]
    [InlineData("stand")]
    [InlineData("")]
    [InlineData("own:")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far")]
    [InlineData("own: 5 4 / 90 100 8 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: 5 4 9 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: 5 NaN / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: five 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: 5 4 / 141 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: 5 71 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 81 / 30 80 8 / 0 0 0 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / -0.01 0 0 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 2.01 0 0 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 -0.01 0 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 2.01 0 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0.11 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 -0.11 / Far / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Wings / x")]
    [InlineData("own: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / 3 / x")]
    [InlineData("OWN: 5 4 / 90 100 8 0 / 0 4 0 31 / -30 90 8 / 30 80 8 / 0 0 0 / Far / x")]
    public void What_is_no_position_is_not_read(string row) => Assert.Null(OwnPose.Read(row));

    [Fact]
    public void At_its_bounds_a_row_is_read() =>
        Assert.Equal(new Pose("x", 5, 70, new(140, 145, 38, 70), new(-35, 0, -55, 0), new(180, 150, 80), new(-70, 0, -70), Support.HipHeight, 2) { HipHeight = 2, Bow = -0.1 }, OwnPose.Read("own: 5 70 / 140 145 38 70 / -35 0 -55 0 / 180 150 80 / -70 0 -70 / 2 2 -0.1 / HipHeight / x"));

    [Fact]
    public void What_goes_sideways_moves_in_the_view_from_the_front()
    {
        MovementCycle Cycle(string exercise) => ExerciseCatalogue.BuiltIn.Find(exercise) is { } e && MovementCycle.Of([.. e.Poses.Select(p => PoseBook.Any(p)!)], e.Does) is { } cycle ? cycle : throw new InvalidOperationException(exercise);
        var carioca = Cycle("carioca");
        Assert.Equal(["carioca, across in front", "carioca, feet apart", "carioca, across behind", "carioca, feet apart"], carioca.Keys.Select(k => k.Name));
        Assert.Equal(4 * 0.37, carioca.Seconds, 1e-9);
        Assert.Equal(2 * 0.37, Cycle("side shuffle").Seconds, 1e-9);
        Assert.Equal(1.8, Cycle("clamshell").Seconds, 1e-9);

        // Every angle its share of the way; nothing under the ground on any frame; the hips go evenly.
        var (from, to) = ((FrontPose)carioca.Keys[0], (FrontPose)carioca.Keys[1]);
        var half = (FrontPose)carioca.At(0.125);
        Assert.Equal((from.Pelvis.First + to.Pelvis.First) / 2, half.Pelvis.First, 1e-9);
        Assert.Equal((from.Right.Abduction + to.Right.Abduction) / 2, half.Right.Abduction, 1e-9);
        Assert.Equal((from.LeftArm.Elbow + to.LeftArm.Elbow) / 2, half.LeftArm.Elbow, 1e-9);
        Assert.Equal((from.Trunk.Third + to.Trunk.Third) / 2, half.Trunk.Third, 1e-9);
        Assert.Equal((from.Right.Flat!.Value.HeelRaise + to.Right.Flat!.Value.HeelRaise) / 2, half.Right.Flat!.Value.HeelRaise, 1e-9);
        string[] moving = ["carioca", "side shuffle", "clamshell", "leg swing sideways", "lateral jump", "rotational throw", "side lunge shift", "band side walk", "pallof press", "hip circles"];
        Assert.All(moving.Select(Cycle), c => Assert.All(Enumerable.Range(0, 24), i =>
        {
            var figure = FrontFigure.Of((FrontPose)c.At(i / 24.0));
            Assert.True(figure.Lowest >= figure.Ground - 1e-9, figure.Pose.Name);
        }));
        var (air, land) = ((FrontPose)PoseBook.Any("jump sideways, in the air")!, (FrontPose)PoseBook.Any("jump sideways, landing")!);
        Assert.Equal((-FrontFigure.Of(air).Ground - FrontFigure.Of(land).Ground) / 2, -FrontFigure.Of(air.Towards(land, 0.5)).Ground, 1e-9);

        // A sole that is flat in one position only lies so from halfway on.
        Assert.Equal((null, land.Left.Flat), (air.Towards(land, 0.49).Left.Flat, air.Towards(land, 0.5).Left.Flat));
        Assert.Equal(("jump sideways, in the air", land.Support), (air.Towards(land, 0.49).Name, air.Towards(land, 0.5).Support));

        // One moment of a run is no movement; a view that differs from the first is left out.
        Assert.Null(MovementCycle.Of([PoseBook.Any("cut, planted outside")!, PoseBook.Any("run, leaning into the bend")!], Motion.Sprint));
        Assert.Equal(["stand", "squat"], MovementCycle.Of([Stand, air, PoseBook.Find("squat")!], Motion.Jump)!.Keys.Select(k => k.Name));
        Assert.Null(MovementCycle.Of([Stand, air], Motion.Jump));
    }
}
