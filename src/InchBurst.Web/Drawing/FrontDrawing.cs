using InchBurst.Core.Movement;

namespace InchBurst.Web.Drawing;

/// <summary>The body seen from the front, as shapes: one jointed body in space without perspective.</summary>
public sealed class FrontDrawing : DrawnBody
{
    // Outlines along a limb: outer and inner half breadth.
    private static readonly (double T, double Outer, double Inner)[] Thigh = [(-0.10, 0.034, 0.030), (0.02, 0.047, 0.046), (0.18, 0.0505, 0.0475), (0.40, 0.047, 0.0425), (0.62, 0.040, 0.0375), (0.82, 0.0325, 0.034), (0.93, 0.0302, 0.0310), (1, 0.0290, 0.0290)];
    private static readonly (double T, double Outer, double Inner)[] Shank = [(-0.02, 0.0288, 0.0288), (0.07, 0.0285, 0.0285), (0.20, 0.0315, 0.0325), (0.33, 0.0325, 0.0345), (0.48, 0.0275, 0.030), (0.66, 0.021, 0.0215), (0.84, 0.0175, 0.0175), (0.95, 0.019, 0.018), (1.03, 0.017, 0.016)];
    private static readonly (double T, double Outer, double Inner)[] UpperArm = [(-0.12, 0.019, 0.012), (0, 0.0295, 0.024), (0.16, 0.0315, 0.0265), (0.42, 0.0275, 0.0255), (0.72, 0.022, 0.0225), (1, 0.019, 0.018)];
    private static readonly (double T, double Outer, double Inner)[] Forearm = [(-0.02, 0.018, 0.017), (0.12, 0.0235, 0.0205), (0.28, 0.0245, 0.0215), (0.58, 0.0185, 0.0175), (0.88, 0.0145, 0.0145), (1, 0.0140, 0.0140)];
    private static readonly (double T, double Outer, double Inner)[] Hand = [(-0.06, 0.0135, 0.0135), (0.22, 0.0195, 0.0185), (0.52, 0.021, 0.019), (0.8, 0.0165, 0.0145), (0.97, 0.008, 0.008)];

    // Sections of the trunk: so far up, half breadth, half depth in front and behind.
    private static readonly (double Up, double Half, double Front, double Back)[] Shirt = [(0.030, 0.0800, 0.050, 0.056), (0.062, 0.0765, 0.049, 0.050), (0.095, 0.0750, 0.048, 0.045), (0.130, 0.0775, 0.049, 0.046), (0.168, 0.0850, 0.055, 0.052), (0.205, 0.0915, 0.061, 0.060), (0.232, 0.0930, 0.062, 0.063)];
    private static readonly (double Up, double Half, double Front, double Back)[] Shorts = [(-0.058, 0.0780, 0.036, 0.050), (-0.036, 0.0905, 0.046, 0.062), (-0.010, 0.0950, 0.051, 0.068), (0.012, 0.0915, 0.052, 0.065), (0.030, 0.0860, 0.052, 0.060), (0.046, 0.0815, 0.0515, 0.058)];
    private static readonly (double Up, double Half, double Front, double Back)[] Belt = [(0.006, 0.066, 0.03, 0.04), (0.018, 0.081, 0.046, 0.056), (0.030, 0.083, 0.050, 0.056), (0.046, 0.0812, 0.0512, 0.0575)];

    // The edge of the vest over the shoulder, its neckline before and behind, and the shoulders under it: up, half breadth, forward.
    private static readonly (double Up, double Half, double Ahead)[] Strap = [(0.257, 0.0800, 0), (0.283, 0.0735, 0), (0.3105, 0.0690, 0)];
    private static readonly (double Up, double Half, double Ahead)[] Scoop = [(0.3200, 0.0440, 0), (0.296, 0.0330, 0.030), (0.2800, 0, 0.042)];
    private static readonly (double Up, double Half, double Ahead)[] BackNeck = [(0.311, 0.0400, -0.02), (0.300, 0.0250, -0.045), (0.296, 0, -0.05)];
    private static readonly (double Up, double Half, double Ahead)[] Shoulders = [(0.225, 0.093, -0.004), (0.256, 0.097, -0.004), (0.282, 0.110, -0.004), (0.3005, 0.1045, -0.004), (0.316, 0.080, -0.004), (0.329, 0.057, -0.004), (0.343, 0.0415, -0.004)];
    private static readonly (double T, double Half)[] NeckOutline = [(0, 0.052), (0.18, 0.0465), (0.36, 0.0385), (0.55, 0.0325), (0.78, 0.0305), (1, 0.028)];

    private const double HalfBreadth = 0.0505;
    private const double HalfHeight = 0.0635;
    private const double HalfLength = 0.058;
    private const double JawNarrower = 0.16;
    private const int HeadPoints = 24;
    private const double ShortestDrawn = 0.03;
    private const double PointsAtViewer = 0.16;
    private const double FistUnder = 0.055;

    // How soon the front outline of a limb fades into a round one as it turns.
    private const double Fades = 1.4;

    private readonly double ground;

    private FrontDrawing(FrontPose pose, double stature, string hue, FigureTone tone)
        : base(stature, hue, tone)
    {
        Figure = FrontFigure.Of(pose);
        ground = Figure.Seen(new(0, Figure.Ground, 0)).Y;
        var head = See(Figure.Head);
        Draw(
            [
                .. new[] { Figure.Right, Figure.Left }.SelectMany(l => new[] { l.Knee, l.Hip }.Concat(l.Foot).Concat(l.Toes)).Select(See), .. new[] { Figure.RightArm, Figure.LeftArm }.SelectMany(a => new[] { a.Hand, a.Elbow, a.Shoulder }).Select(See),
                head + new Spot(HalfHeight, 0), head - new Spot(HalfHeight, 0), head + new Spot(0, HalfHeight), .. Section(Shorts, Figure.Pelvis),
            ],
            Parts());
    }

    /// <summary>The joints.</summary>
    public FrontFigure Figure { get; }

    /// <inheritdoc />
    public override BodyPose Position => Figure.Pose;

    /// <summary>A body in a position.</summary>
    public static FrontDrawing Of(FrontPose pose, double stature, string hue, FigureTone tone = FigureTone.Right) => new(pose, stature, hue, tone);

    /// <inheritdoc />
    public override (double X, double Y)? PartNamed(string text)
    {
        var (lifted, standing) = Figure.Right.Lowest >= Figure.Left.Lowest - 1e-9 ? (Figure.Right, Figure.Left) : (Figure.Left, Figure.Right);
        Place Between(Place a, Place b, double share) => a + ((b - a) * share);
        Place? place = BodyPart.Group(text) switch
        {
            BodyGroup.Thigh => Between(lifted.Hip, lifted.Knee, 0.6),
            BodyGroup.Knee => lifted.Knee,
            BodyGroup.Shin => Between(lifted.Knee, lifted.Ankle, 0.5),
            BodyGroup.Toe => lifted.Toes[^1],
            BodyGroup.Heel => lifted.Foot[^1],
            BodyGroup.Ankle => standing.Ankle,
            BodyGroup.Foot => standing.Toes[0],
            BodyGroup.Leg => Between(standing.Hip, standing.Knee, 0.8),
            BodyGroup.Hip => Figure.Up(0),
            BodyGroup.Arm => Figure.RightArm.Hand.Y > Figure.LeftArm.Hand.Y ? Figure.RightArm.Wrist : Figure.LeftArm.Wrist,
            BodyGroup.Shoulder => Figure.LeftArm.Shoulder,
            BodyGroup.Head => Figure.Head,
            BodyGroup.Trunk => Figure.Up(Segments.Trunk * 0.55),
            _ => null,
        };
        return place is { } found ? At(See(found)) : null;
    }

    /// <inheritdoc />
    public override (FigureLine Line, string Words, (double X, double Y) At)? MarkOf(DrawnFault fault)
    {
        var hip = See(default);
        switch (fault.Mark)
        {
            case FaultMark.Midline:
                // Along the breastbone; the hand that is past it.
                var (low, high) = (See(Figure.Up(0.05)), See(Figure.Up(0.27)));
                var middle = (low.X + high.X) / 2;
                var past = Math.Max(See(Figure.RightArm.Hand).X - middle, middle - See(Figure.LeftArm.Hand).X);
                return Mark(low, high, $"{Math.Round(past * CentimetresTall)} cm", high + new Spot(0.14, -0.1));
            case FaultMark.Pelvis:
                var across = See(Figure.Left.Hip) - See(Figure.Right.Hip);
                var way = across * (1 / across.Length);
                var tilt = Math.Atan2(Math.Abs(across.Y), Math.Abs(across.X)) * 180 / Math.PI;
                return Mark(hip - (way * 0.2), hip + (way * 0.22), $"{Math.Round(tilt)}°", hip + new Spot(0.235, -0.07));
            case FaultMark.Valgus:
                var (knee, ankle) = (See(Figure.Left.Knee), See(Figure.Left.Ankle));
                return Mark(ankle - new Spot(0, 0.02), new(ankle.X, knee.Y + 0.06), $"{Math.Round((ankle.X - knee.X) * CentimetresTall)} cm", new(ankle.X + 0.02, knee.Y + 0.02));
            case FaultMark.SideLean:
                var neck = See(Figure.Neck) - hip;
                return Mark(hip, hip + new Spot(0, 0.5), $"{Math.Round(Math.Abs(Math.Atan2(neck.X, neck.Y)) * 180 / Math.PI)}°", hip + new Spot(neck.X < 0 ? 0.03 : -0.13, 0.48));
            default:
                return null;
        }
    }

    private Spot See(Place place) => Figure.Seen(place) is var seen ? new(seen.X, seen.Y - ground) : default;

    private Spot Way(Place direction) => Figure.Seen(direction) is var seen ? new(seen.X, seen.Y) : default;

    private IEnumerable<FigureShape> Parts()
    {
        var pose = Figure.Pose;
        (FrontLegPlaces Leg, int Side, string Name)[] legs = [(Figure.Right, -1, "rl"), (Figure.Left, 1, "ll")];
        (FrontArmPlaces Arm, int Side, string Name)[] arms = [(Figure.RightArm, -1, "ra"), (Figure.LeftArm, 1, "la")];
        foreach (var a in arms.Where(a => pose.Behind.Contains(a.Name)))
        {
            yield return new(Arm(a.Arm, a.Side), Step, 0);
        }

        foreach (var l in legs.Where(l => pose.Behind.Contains(l.Name)))
        {
            yield return new(Leg(l.Leg, l.Side), Step, 0);
        }

        yield return new(Skin() + HeadOutline(), BodyColour, 0);
        yield return new(Vest(), ShirtColour, Keyline);
        yield return new(string.Concat(legs.Where(l => !pose.Behind.Contains(l.Name) && !pose.Before.Contains(l.Name)).Select(l => Leg(l.Leg, l.Side))) + Closed(Section(Shorts, Figure.Pelvis), 0.9), BodyColour, Keyline);
        foreach (var l in legs.Where(l => pose.Before.Contains(l.Name)))
        {
            // The waist once more, so that the hip does not look like a doll's.
            yield return new(Leg(l.Leg, l.Side), BodyColour, Keyline);
            yield return new(Closed(Section(Belt, Figure.Pelvis), 0.9), BodyColour, 0);
        }

        foreach (var l in legs.Where(l => !pose.Behind.Contains(l.Name) && SoleLine > 0 && LooksAtViewer(l.Leg)))
        {
            Place On(double x, double z) => l.Leg.Ankle + l.Leg.Sole.Of(new(l.Side * x, -0.0285, z));
            yield return new(Curve([.. new[] { On(-0.0265, 0.066), On(-0.020, 0.09), On(0, 0.106), On(0.020, 0.088), On(0.0285, 0.066) }.Select(See)], false), "none", 0, SoleLine);
        }

        foreach (var a in arms.Where(a => !pose.Behind.Contains(a.Name)))
        {
            yield return new(Arm(a.Arm, a.Side), BodyColour, Keyline);
        }
    }

    private bool LooksAtViewer(FrontLegPlaces leg) => Figure.Seen(leg.Sole.Z).Z >= 0.35 && Math.Abs(Figure.Seen(leg.Sole.Y).Y) >= 0.3;

    private string Leg(FrontLegPlaces leg, int side) =>
        Limb(leg.Hip, leg.Knee, Thigh, leg.Thigh.X * side) + Limb(leg.Knee, leg.Ankle, Shank, leg.Shank.X * side) + Disc(See(leg.Hip), 0.0445) + Disc(See(leg.Knee), 0.0290) + Disc(See(leg.Ankle), 0.0185)
        + Closed(Hull(leg.Foot.Select(See)), 0.55) + Closed(Hull(leg.Toes.Select(See)), 0.55) + Filled(leg.Hip, leg.Knee, 0.0465, 0.0315);

    private string Arm(FrontArmPlaces arm, int side) =>
        Limb(arm.Shoulder, arm.Elbow, UpperArm, arm.Upper.X * side) + Limb(arm.Elbow, arm.Wrist, Forearm, arm.Fore.X * side) + Disc(See(arm.Shoulder), 0.0285) + Disc(See(arm.Elbow), 0.0205) + Disc(See(arm.Wrist), 0.0145)
        + Limb(arm.Wrist, arm.Hand, Hand, arm.Fore.X * side) + Filled(arm.Elbow, arm.Wrist, 0.0205, 0.0165) + Filled(arm.Shoulder, arm.Elbow, 0.027, 0.021)
        + ((See(arm.Hand) - See(arm.Wrist)).Length < FistUnder ? Disc((See(arm.Hand) + See(arm.Wrist)) * 0.5, 0.0205) : "");

    private string Limb(Place from, Place to, (double T, double Outer, double Inner)[] outline, Place outer)
    {
        var (a, b) = (See(from), See(to));
        var along = b - a;
        var length = along.Length;
        if (length < ShortestDrawn)
        {
            return "";
        }

        var normal = new Spot(-along.Y / length, along.X / length);
        var way = Way(outer);
        var turned = Math.Clamp(((way.X * normal.X) + (way.Y * normal.Y)) * Fades, -1, 1);
        List<Spot> one = [], other = [];
        foreach (var (t, o, i) in outline)
        {
            var (middle, more) = ((o + i) / 2, (o - i) / 2 * turned);
            var at = a + (along * (t < 0 ? Math.Max(-0.01225 / Math.Max(length, 0.05), t) : t));
            one.Add(at + (normal * (middle + more)));
            other.Add(at - (normal * (middle - more)));
        }

        other.Reverse();
        return Closed([.. one, .. other]);
    }

    // A limb that points at the viewer keeps its thickness.
    private string Filled(Place from, Place to, double first, double last)
    {
        var (a, b) = (See(from), See(to));
        return (b - a).Length > PointsAtViewer ? "" : string.Concat(new[] { 0.25, 0.5, 0.75 }.Select(t => Disc(a + ((b - a) * t), first + ((last - first) * t))));
    }

    // The two edges of sections of the trunk, as they are seen.
    private List<Spot> Section((double Up, double Half, double Front, double Back)[] sections, Rotation frame)
    {
        List<Spot> right = [], left = [];
        foreach (var s in sections)
        {
            var turned = s.Up < 0.05 ? Figure.Pelvis : frame;
            var axis = Way(turned.Y);
            var length = axis.Length is > 0 and var l ? l : 1;
            var normal = new Spot(axis.Y / length, -axis.X / length);
            double On(Place direction) => Way(direction) is var w ? (w.X * normal.X) + (w.Y * normal.Y) : 0;
            var (wide, deep) = (s.Half * On(turned.X), On(turned.Z));
            var at = See(Figure.Up(s.Up));
            right.Add(at + (normal * Math.Sqrt((wide * wide) + Math.Pow((deep > 0 ? s.Front : s.Back) * deep, 2))));
            left.Add(at - (normal * Math.Sqrt((wide * wide) + Math.Pow((deep > 0 ? s.Back : s.Front) * deep, 2))));
        }

        left.Reverse();
        return [.. right, .. left];
    }

    private Spot OnTrunk(double up, double x, double z) => See(Figure.Up(up) + Figure.Trunk.Of(new(x, 0, z)));

    private string Vest()
    {
        var edges = Section(Shirt, Figure.Trunk);
        var axis = Way(Figure.Trunk.Y);
        var across = Way(Figure.Trunk.X);

        // Which side of the body is on the picture's right.
        var side = (across.X * axis.Y) - (across.Y * axis.X) >= 0 ? 1 : -1;
        var neck = Figure.Seen(Figure.Trunk.Z).Z > -0.05 ? Scoop : BackNeck;
        return Closed(
            [
                .. edges.Take(Shirt.Length), .. Strap.Select(s => OnTrunk(s.Up, side * s.Half, s.Ahead)), .. neck.Select(s => OnTrunk(s.Up, side * s.Half, s.Ahead)),
                .. neck.SkipLast(1).Reverse().Select(s => OnTrunk(s.Up, -side * s.Half, s.Ahead)), .. Strap.Reverse().Select(s => OnTrunk(s.Up, -side * s.Half, s.Ahead)), .. edges.Skip(Shirt.Length),
            ],
            0.85);
    }

    private string Skin()
    {
        var shoulders = Closed([.. Shoulders.Select(s => OnTrunk(s.Up, s.Half, s.Ahead)), .. Shoulders.Reverse().Select(s => OnTrunk(s.Up, -s.Half, s.Ahead))], 0.8);
        var (a, b) = (See(Figure.Neck - (Figure.Trunk.Y * 0.02)), See(Figure.Head));
        var along = b - a;
        if (along.Length <= 0.02)
        {
            return shoulders;
        }

        var normal = new Spot(-along.Y / along.Length, along.X / along.Length);
        return shoulders + Closed([.. NeckOutline.Select(n => a + (along * n.T) + (normal * n.Half)), .. NeckOutline.Reverse().Select(n => a + (along * n.T) - (normal * n.Half))]);
    }

    // The outline of an ellipsoid: the points of it that lie farthest in each direction; the jaw is narrower than the skull.
    private string HeadOutline()
    {
        var centre = See(Figure.Head);
        (Spot Axis, double Half)[] axes = [(Way(Figure.HeadFrame.X), HalfBreadth), (Way(Figure.HeadFrame.Y), HalfHeight), (Way(Figure.HeadFrame.Z), HalfLength)];
        var up = axes[1].Axis;
        List<Spot> outline = [];
        for (var i = 0; i < HeadPoints; i++)
        {
            var (sin, cos) = Math.SinCos(2 * Math.PI * i / HeadPoints);
            double[] share = [.. axes.Select(x => x.Half * ((x.Axis.X * cos) + (x.Axis.Y * sin)))];
            var whole = Math.Sqrt(share.Sum(s => s * s));
            var from = axes.Select((x, n) => x.Axis * (x.Half * share[n] / whole)).Aggregate((p, q) => p + q);
            var height = (from.X * up.X) + (from.Y * up.Y);
            var onAxis = up * height;
            outline.Add(centre + onAxis + ((from - onAxis) * (1 - (JawNarrower * Math.Pow(Math.Max(0, -height / HalfHeight), 1.5)))));
        }

        return Closed(outline);
    }

    // The convex hull (Andrew's monotone chain).
    private static List<Spot> Hull(IEnumerable<Spot> spots)
    {
        var sorted = spots.Select(s => new Spot(Math.Round(s.X, 6), Math.Round(s.Y, 6))).Distinct().OrderBy(s => s.X).ThenBy(s => s.Y).ToList();
        static List<Spot> Half(IEnumerable<Spot> along)
        {
            List<Spot> half = [];
            foreach (var p in along)
            {
                while (half.Count > 1 && ((half[^1].X - half[^2].X) * (p.Y - half[^2].Y)) - ((half[^1].Y - half[^2].Y) * (p.X - half[^2].X)) <= 0)
                {
                    half.RemoveAt(half.Count - 1);
                }

                half.Add(p);
            }

            half.RemoveAt(half.Count - 1);
            return half;
        }

        return [.. Half(sorted), .. Half(Enumerable.Reverse(sorted))];
    }
}
