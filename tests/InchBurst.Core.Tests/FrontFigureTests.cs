using System.Text.Json;
using InchBurst.Core.Movement;

namespace InchBurst.Core.Tests;

/// <summary>The body in space, seen from the front.</summary>
public class FrontFigureTests
{
    private static FrontPose Find(string name) => Assert.IsType<FrontPose>(PoseBook.Any(name));

    private static FrontFigure Figure(string name) => FrontFigure.Of(Find(name));

    // Joints in stature, the centre of the hips at 0: reckoned from the same angles by a program of its own (figure-front.md, check values of all its positions).
    [Fact]
    public void Joints_are_where_the_recipe_puts_them()
    {
        using var document = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files", "front-joints.json")));
        var seen = 0;
        foreach (var row in document.RootElement.EnumerateArray())
        {
            var figure = Figure(row.GetProperty("name").GetString()!);
            Assert.Equal(row.GetProperty("ground").GetDouble(), figure.Ground, 0.00006);
            foreach (var (joint, place) in new (string, Place)[]
            {
                ("head", figure.Head), ("rsh", figure.RightArm.Shoulder), ("rel", figure.RightArm.Elbow), ("rwr", figure.RightArm.Wrist), ("lsh", figure.LeftArm.Shoulder), ("lel", figure.LeftArm.Elbow), ("lwr", figure.LeftArm.Wrist),
                ("rhip", figure.Right.Hip), ("rknee", figure.Right.Knee), ("rankle", figure.Right.Ankle), ("lhip", figure.Left.Hip), ("lknee", figure.Left.Knee), ("lankle", figure.Left.Ankle),
            })
            {
                double[] should = [.. row.GetProperty(joint).EnumerateArray().Select(v => v.GetDouble())];
                Assert.Equal(should[0], place.X, 0.00006);
                Assert.Equal(should[1], place.Y, 0.00006);
                Assert.Equal(should[2], place.Z, 0.00006);
                seen++;
            }
        }

        Assert.Equal(23 * 13, seen);
    }

    [Fact]
    public void No_body_lies_under_the_ground_and_every_one_rests_on_it()
    {
        Assert.True(PoseBook.FrontPoses.Count() >= 30);
        Assert.All(PoseBook.FrontPoses, p =>
        {
            var figure = FrontFigure.Of(p);
            Assert.True(figure.Lowest >= figure.Ground - 0.012, $"{p.Name}: {figure.Lowest - figure.Ground:0.000}");

            // What carries it is at most a shoe's sole over the ground, unless it is in the air.
            var feet = Math.Min(figure.Right.Lowest, figure.Left.Lowest);
            Assert.True(p.Roll > 20 || p.Support is FrontSupport.RightKnee or FrontSupport.LeftKnee || Math.Abs(feet - p.Lift - figure.Ground) < 1e-9, p.Name);
        });
    }

    [Fact]
    public void Left_and_right_are_mirrored() => Assert.All(PoseBook.FrontPoses, p =>
    {
        var (one, other) = (FrontFigure.Of(p), FrontFigure.Of(p.Mirrored()));
        static void Same(Place a, Place b) => Assert.True(Math.Abs(a.X + b.X) + Math.Abs(a.Y - b.Y) + Math.Abs(a.Z - b.Z) < 1e-9);
        Assert.Equal(one.Ground, other.Ground, 1e-9);
        Same(one.Head, other.Head);
        Same(one.Right.Ankle, other.Left.Ankle);
        Same(one.Left.Knee, other.Right.Knee);
        Same(one.RightArm.Hand, other.LeftArm.Hand);
        Same(one.Left.Toes[4], other.Right.Toes[4]);
        var (seen, seenToo) = (one.Seen(one.LeftArm.Elbow), other.Seen(other.RightArm.Elbow));
        Same(seen, seenToo);
        Assert.Equal(p, p.Mirrored().Mirrored() with { Behind = p.Behind, Before = p.Before });
        Assert.Equal(p.Behind.Concat(p.Before), p.Mirrored().Mirrored() is var twice ? twice.Behind.Concat(twice.Before) : []);
    });

    // Without anything out of the plane the body in space is the one seen from the side: its forward is z.
    [Fact]
    public void In_the_plane_both_bodies_are_one()
    {
        var side = SideFigure.Of(PoseBook.Find("A-skip up")!);
        var p = side.Pose;
        FrontLeg Leg(LegAngles l) => new(l.Hip, 0, 0, l.Knee, l.Ankle, l.Toe, null);
        FrontArm Arm(ArmAngles a) => new(a.Shoulder, 0, 0, a.Elbow);
        var flat = FrontFigure.Of(new("flat", new(0, p.Trunk, 0), default, new(-p.Neck + 3, 0, 0), Leg(p.Near), Leg(p.Far), Arm(p.NearArm), Arm(p.FarArm), FrontSupport.Left, 0));
        void Same(Spot a, Place b, double from = 0)
        {
            Assert.Equal(a.Y - side.Hip.Y, b.Y, 0.02);
            Assert.Equal(a.X - from, b.Z, 0.02);
        }

        // The pelvis and the shoulders of the side view turn a little with their limbs.
        Same(side.Near.Knee, flat.Right.Knee, side.Near.Hip.X);
        Same(side.Near.Ankle, flat.Right.Ankle, side.Near.Hip.X);
        Same(side.Far.Ankle, flat.Left.Ankle, side.Far.Hip.X);
        Same(side.Head, flat.Head);
        Assert.Equal(0.245, Length(flat.Right.Knee - flat.Right.Hip), 1e-9);
        Assert.Equal(0.246, Length(flat.Left.Ankle - flat.Left.Knee), 1e-9);
        Assert.Equal(0.100, Length(flat.Right.Hip - flat.Left.Hip), 1e-9);
    }

    private static double Length(Place p) => Math.Sqrt((p.X * p.X) + (p.Y * p.Y) + (p.Z * p.Z));

    // Ranges of joints in degrees: Kendall and others 2005 and the American Academy of Orthopaedic Surgeons 1965, from memory; an athlete's split and a fault may go a little past them.
    [Fact]
    public void Joints_stay_within_what_they_do() => Assert.All(PoseBook.FrontPoses, p =>
    {
        foreach (var leg in new[] { p.Right, p.Left })
        {
            Assert.InRange(leg.Hip, -25, 125);
            Assert.InRange(leg.Abduction, -30, 50);
            Assert.InRange(leg.Outward, -40, 50);
            Assert.InRange(leg.Knee, 0, 140);
            Assert.InRange(leg.Ankle, -50, 25);
        }

        foreach (var arm in new[] { p.RightArm, p.LeftArm })
        {
            Assert.InRange(arm.Shoulder, -60, 180);
            Assert.InRange(arm.Abduction, -45, 180);
            Assert.InRange(arm.Elbow, 0, 150);
        }
    });

    [Theory]
    [InlineData("knees falling in", "landing, knees in", FaultMark.Valgus)]
    [InlineData("Knee caving in", "landing, knees in", FaultMark.Valgus)]
    [InlineData("Arms crossing the chest", "run, arms across", FaultMark.Midline)]
    [InlineData("hip drops", "single-leg stand, hip drops", FaultMark.Pelvis)]
    [InlineData("trunk falls outside", "cut, trunk falls outside", FaultMark.SideLean)]
    public void Faults_seen_from_the_front_are_found_by_what_coaches_call_them(string called, string drawn, FaultMark mark)
    {
        var fault = PoseBook.Fault(called)!;
        Assert.Equal((drawn, mark), (fault.Wrong.Name, fault.Mark));
        Assert.NotEqual(fault.Right, fault.Wrong);
    }

    [Fact]
    public void The_knee_lies_inside_the_foot_only_where_it_is_the_fault()
    {
        double Inside(string pose) => Figure(pose).Left is var leg ? leg.Ankle.X - leg.Knee.X : 0;
        Assert.InRange(Inside("landing, knees over feet"), -0.05, 0.02);
        Assert.InRange(Inside("landing, knees in"), 0.06, 0.12);
        double Drop(string pose) => Figure(pose) is var f ? f.Right.Hip.Y - f.Left.Hip.Y : 0;
        Assert.Equal(0, Drop("single-leg stand, hips level"), 1e-9);
        Assert.True(Drop("single-leg stand, hip drops") > 0.02);
    }

    // The middle of the points of figure-front.md, worked out by another program; whatever way the foot lies.
    [Fact]
    public void The_foot_has_the_shape_of_the_recipe() => Assert.All(PoseBook.FrontPoses.Select(FrontFigure.Of).SelectMany(f => new[] { f.Right, f.Left }), leg =>
    {
        static Place Middle(IReadOnlyList<Place> points) => points.Aggregate((a, b) => a + b) * (1.0 / points.Count);
        Assert.Equal(Math.Sqrt((0.000316 * 0.000316) + (0.022211 * 0.022211) + (0.016211 * 0.016211)), Length(Middle(leg.Foot) - leg.Ankle), 1e-5);

        // Flat toes lie as they were drawn; bent ones as far from their own joint.
        var joint = leg.Ankle + leg.Sole.Of(new(0, -0.030, 0.066));
        Assert.Equal(Math.Sqrt((0.0006 * 0.0006) + (0.0029 * 0.0029) + (0.0205 * 0.0205)), Length(Middle(leg.Toes) - joint), 1e-5);
    });

    // As figure-front.md lists them.
    [Fact]
    public void Limbs_behind_and_before_are_read_with_their_position()
    {
        Assert.Equal(["rl"], Find("carioca, across behind").Behind);
        Assert.Equal(["rl"], Find("carioca, across in front").Before);
        Assert.Empty(Find("stand, from the front").Behind.Concat(Find("stand, from the front").Before));
        Assert.Equal((-26, 0), Find("half-kneeling side start, from the front").Camera);
        Assert.Equal((90, 74), (Find("clamshell, open").Roll, Find("side plank").Roll));
    }

    [Fact]
    public void Every_part_that_is_low_counts_as_lowest()
    {
        var stand = Find("stand, from the front");
        Assert.Equal(FrontFigure.Of(stand).Ground, FrontFigure.Of(stand).Lowest, 1e-9);
        var kneeling = FrontFigure.Of(stand with { Right = new(0, 0, 0, 130, -40, 0, null), Left = new(0, 0, 0, 130, -40, 0, null) });
        Assert.Equal(Math.Min(kneeling.Right.Knee.Y - 0.034, kneeling.Right.Lowest), kneeling.Lowest, 1e-9);
        var upside = FrontFigure.Of(stand with { Trunk = new(170, 0, 0) });
        Assert.Equal(new[] { upside.Head.Y - 0.061, upside.RightArm.Hand.Y, upside.Right.Lowest }.Min(), upside.Lowest, 1e-9);

        // The hand goes on from the forearm, a little bent in; the trunk's line bends at the waist.
        var arm = FrontFigure.Of(stand).RightArm;
        Assert.Equal(0.085, Length(arm.Hand - arm.Wrist), 1e-9);
        Assert.True(Length(arm.Hand - arm.Elbow) > 0.225);
        var bent = FrontFigure.Of(stand with { Trunk = new(60, 0, 0) });
        Assert.Equal(0, (bent.Up(0.05) - (bent.Pelvis.Y * 0.05)) is var off ? Length(off) : 1, 1e-9);
        Assert.True(bent.Up(0.2).Z > 0.1);

        // Looked at from the athlete's left, what is ahead comes to lie to the right of the picture.
        var round = FrontFigure.Of(stand with { Camera = (90, 0) });
        Assert.Equal(-1, round.Seen(new(0, 0, 1)).X, 1e-9);
        Assert.Equal(1, round.Seen(new(1, 0, 0)).Z, 1e-9);
    }
}
