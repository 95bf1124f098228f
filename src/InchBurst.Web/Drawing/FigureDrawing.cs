using System.Globalization;
using InchBurst.Core.Movement;

namespace InchBurst.Web.Drawing;

/// <summary>The body seen from its right side, as shapes.</summary>
public sealed class FigureDrawing : DrawnBody
{
    /// <summary>The ground bodies stand on.</summary>
    public const string Paper = "#F5F1E6";

    /// <summary>Where what is chosen stands.</summary>
    public const string White = "#FFFFFF";

    // Outlines by Drillis and Contini's lengths, drawn: along the segment, to its front, to its back.
    private static readonly (double T, double Front, double Back)[] Thigh = [(-0.06, 0.040, 0.046), (0.06, 0.050, 0.056), (0.22, 0.054, 0.056), (0.45, 0.052, 0.046), (0.68, 0.043, 0.036), (0.86, 0.0365, 0.0325), (1.0, 0.024, 0.024)];
    private static readonly (double T, double Front, double Back)[] Shank = [(-0.02, 0.022, 0.022), (0.10, 0.0305, 0.0335), (0.22, 0.029, 0.040), (0.36, 0.027, 0.040), (0.55, 0.023, 0.029), (0.75, 0.0195, 0.020), (0.9, 0.0185, 0.0175), (1.02, 0.016, 0.015)];
    private static readonly (double T, double Front, double Back)[] UpperArm = [(-0.13, 0.018, 0.020), (-0.02, 0.032, 0.032), (0.17, 0.0365, 0.034), (0.45, 0.030, 0.030), (0.75, 0.0235, 0.0245), (1.0, 0.016, 0.016)];
    private static readonly (double T, double Front, double Back)[] Forearm = [(-0.02, 0.015, 0.015), (0.12, 0.0235, 0.0215), (0.28, 0.0255, 0.023), (0.6, 0.019, 0.018), (0.9, 0.0148, 0.0142), (1.0, 0.0125, 0.012)];
    private static readonly (double T, double Front, double Back)[] Hand = [(-0.05, 0.0125, 0.0125), (0.25, 0.0185, 0.016), (0.55, 0.0205, 0.015), (0.8, 0.016, 0.012), (0.97, 0.007, 0.007)];
    private static readonly (double T, double Front, double Back)[] NeckOutline = [(0, 0.048, 0.046), (0.22, 0.036, 0.037), (0.45, 0.0295, 0.031), (0.75, 0.029, 0.029), (1, 0.026, 0.026)];

    // Up the trunk in stature, in front of and behind its line.
    private static readonly (double T, double Front, double Back)[] Shirt = [(0.030, 0.052, 0.060), (0.075, 0.050, 0.049), (0.12, 0.0485, 0.0435), (0.165, 0.055, 0.050), (0.205, 0.065, 0.059), (0.245, 0.065, 0.063), (0.28, 0.051, 0.060), (0.303, 0.028, 0.048), (0.316, 0.004, 0.028)];
    private static readonly (double T, double Front, double Back)[] Shorts = [(-0.055, 0.018, 0.030), (-0.035, 0.040, 0.056), (-0.005, 0.052, 0.068), (0.025, 0.054, 0.066), (0.046, 0.0525, 0.058)];

    private FigureDrawing(SideFigure figure, double stature, string hue, FigureTone tone)
        : base(stature, hue, tone)
    {
        Figure = figure;
        Draw([.. Everything()], Parts());
    }

    /// <summary>The joints.</summary>
    public SideFigure Figure { get; }

    /// <inheritdoc />
    public override BodyPose Position => Figure.Pose;

    /// <summary>A body in a position.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="stature">Its height in px, at least 60.</param>
    /// <param name="hue">Hue of its shirt.</param>
    /// <param name="tone">How it is coloured.</param>
    public static FigureDrawing Of(Pose pose, double stature, string hue, FigureTone tone = FigureTone.Right) => new(SideFigure.Of(pose), stature, hue, tone);

    /// <inheritdoc />
    public override (double X, double Y)? PartNamed(string text) => BodyPart.Named(text, Figure) is { } spot ? At(spot) : null;

    private IEnumerable<Spot> Everything() =>
    [
        .. Figure.Near.Foot, .. Figure.Near.Toes, .. Figure.Far.Foot, .. Figure.Far.Toes, Figure.NearArm.Hand, Figure.FarArm.Hand, Figure.NearArm.Elbow, Figure.FarArm.Elbow, Figure.Near.Knee, Figure.Far.Knee,
        .. new[] { new Spot(-1, 0), new(1, 0), new(0, 1) }.Select(d => Figure.Head + (d * Segments.Head)), .. TrunkOutline(Shirt), .. TrunkOutline(Shorts),
    ];

    private IEnumerable<FigureShape> Parts()
    {
        yield return new(Arm(Figure.FarArm), Step, 0);
        yield return new(Leg(Figure.Far), Step, 0);
        yield return Shoe(Figure.Far);
        yield return new(Limb(Figure.Neck - (Figure.Along * 0.02), Figure.Head, NeckOutline) + Disc(Figure.Head, Segments.Head), BodyColour, 0);
        yield return new(Closed(TrunkOutline(Shirt)), ShirtColour, Keyline);
        yield return new(Leg(Figure.Near) + Closed(TrunkOutline(Shorts)), BodyColour, Keyline);
        yield return Shoe(Figure.Near);
        yield return new(Arm(Figure.NearArm), BodyColour, Keyline);
    }

    // A line over the sole, in the colour of the ground, from a size at which it is seen.
    private FigureShape Shoe(LegSpots leg) => SoleLine == 0 ? new("", "none", 0) : new(Curve(leg.Sole, false), "none", 0, SoleLine);

    private string Leg(LegSpots leg) => Limb(leg.Hip, leg.Knee, Thigh) + Limb(leg.Knee, leg.Ankle, Shank) + Disc(leg.Knee, 0.0335) + Disc(leg.Ankle, 0.0195) + Closed(leg.Foot) + Closed(leg.Toes);

    private string Arm(ArmSpots arm) => Limb(arm.Shoulder, arm.Elbow, UpperArm) + Limb(arm.Elbow, arm.Wrist, Forearm) + Disc(arm.Elbow, 0.0215) + Disc(arm.Wrist, 0.0145) + Limb(arm.Wrist, arm.Hand, Hand);

    private string Limb(Spot from, Spot to, (double T, double Front, double Back)[] outline)
    {
        var along = to - from;
        var length = along.Length;
        var unit = along * (1 / length);
        var normal = new Spot(-unit.Y, unit.X);
        return Closed([.. outline.Select(o => from + (along * o.T) + (normal * o.Front)), .. outline.Reverse().Select(o => from + (along * o.T) - (normal * o.Back))]);
    }

    // Where the back is rounded, its line moves as a half wave along the trunk and the front by two fifths of that.
    private Spot[] TrunkOutline((double T, double Front, double Back)[] outline)
    {
        const double FrontShare = 0.4;
        double Bow(double up) => Figure.Pose.Bow * Math.Sin(Math.PI * Math.Clamp(up / Segments.Trunk, 0, 1));
        Spot At(double up, double ahead) => Figure.Hip + (Figure.Along * up) + (Figure.Ahead * ahead);
        return [.. outline.Select(o => At(o.T, o.Front + (FrontShare * Bow(o.T)))), .. outline.Reverse().Select(o => At(o.T, Bow(o.T) - o.Back))];
    }

    /// <inheritdoc />
    public override (FigureLine Line, string Words, (double X, double Y) At)? MarkOf(DrawnFault fault)
    {
        if (fault.Right is not Pose should)
        {
            return null;
        }

        var right = SideFigure.Of(should);
        var (leg, ought) = fault.OnFar ? (Figure.Far, right.Far) : (Figure.Near, right.Near);
        (FigureLine, string, (double X, double Y))? Line(Spot from, Spot to, double degrees, Spot at) => Mark(from, to, $"{Math.Abs(Math.Round(degrees))}°", at);
        return fault.Mark switch
        {
            FaultMark.Lean => Line(Figure.Hip, Figure.Hip + new Spot(0, 0.42), Figure.Pose.Trunk - (Math.Abs(should.Trunk) > 10 ? should.Trunk : 0), Figure.Hip + new Spot(Figure.Pose.Trunk > 0 ? -0.06 : 0.03, 0.40)),
            FaultMark.Sole => Line(leg.Heel, leg.Heel + new Spot(0.26, 0), leg.SoleDegrees, leg.Heel + new Spot(0.17, 0.04)),
            FaultMark.Thigh => Line(leg.Hip, leg.Hip + new Spot(ought.Knee.X - ought.Hip.X, ought.Knee.Y - ought.Hip.Y), leg.ThighDegrees - ought.ThighDegrees, leg.Hip + new Spot(0.30, 0.02)),
            FaultMark.Reach => Line(Figure.Hip, new(Figure.Hip.X, 0), BodyAngles.FromDown(Figure.Hip, leg.Ankle), new(-0.13, 0.10)),
            FaultMark.Knee or FaultMark.Dull => Line(leg.Hip, leg.Hip + ((leg.Knee - leg.Hip) * 1.9), BodyAngles.FromDown(leg.Hip, leg.Knee) - leg.ShankDegrees, leg.Knee + new Spot(0.07, 0.02)),
            FaultMark.Low => Line(new(-0.22, right.Hip.Y), new(0.22, right.Hip.Y), 0, new(0.16, right.Hip.Y + 0.02)) is var (line, _, at) ? (line, $"{Math.Round((right.Hip.Y - Figure.Hip.Y) * CentimetresTall)} cm", at) : null,
            FaultMark.Heel => Line(Figure.Hip, new(Figure.Hip.X, Figure.Hip.Y - 0.42), 0, leg.Heel + new Spot(-0.10, 0.06)) is var (line, _, at) ? (line, $"{Math.Round((Figure.Hip.X - leg.Heel.X) * CentimetresTall)} cm", at) : null,
            _ => null,
        };
    }
}
