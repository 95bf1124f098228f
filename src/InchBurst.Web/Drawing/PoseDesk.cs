using System.Globalization;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Web.Support;
using Carrier = InchBurst.Core.Movement.Support;

namespace InchBurst.Web.Drawing;

/// <summary>A place of the drawn body to take hold of.</summary>
/// <param name="Joint">The joint.</param>
/// <param name="Name">What it is called.</param>
/// <param name="X">Px from the left of the picture.</param>
/// <param name="Y">Px from its top.</param>
/// <param name="Stands">What it stands at, for keys.</param>
/// <param name="Least">Least of it.</param>
/// <param name="Most">Greatest of it.</param>
/// <param name="Step">What one press of a key changes it by.</param>
/// <param name="Says">The same in words.</param>
/// <param name="IsFar">True on the side away from the viewer.</param>
public sealed record PoseHandle(PoseJoint Joint, string Name, double X, double Y, double Stands, double Least, double Most, double Step, string Says, bool IsFar);

/// <summary>A position on the desk where it is posed: drawn, with what it can be taken hold of by.</summary>
/// <param name="Pose">The position as a row.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Drawn">The body, as SVG.</param>
/// <param name="Handles">Where it is taken hold of; what lies nearer to the viewer comes last.</param>
/// <param name="On">What carries it.</param>
/// <param name="IsRounded">True with a rounded back.</param>
/// <param name="Thumb">Address of its picture.</param>
public sealed record PoseDesk(string Pose, string Name, string Drawn, IReadOnlyList<PoseHandle> Handles, string On, bool IsRounded, string Thumb)
{
    /// <summary>Width of the picture in px.</summary>
    public const double Width = 560;

    /// <summary>Height of the picture in px.</summary>
    public const double Height = 480;

    /// <summary>Where the ground is, in px from the top.</summary>
    public const double Ground = 466;

    private const double Stature = 290;

    // The toes' own handle stands off the foot's, so that both can be taken.
    private const double ToesOut = 1.1;
    private const double Rounded = -0.055;
    private const double TurnStep = 2;
    private const double LiftStep = 0.01;

    /// <summary>A change to a position.</summary>
    /// <param name="Joint">The joint that is moved; null where none is.</param>
    /// <param name="X">Where it is drawn to, in px; null where keys turn it.</param>
    /// <param name="Y">The same from the top.</param>
    /// <param name="To">What it is set to by keys.</param>
    /// <param name="On">What carries the body; null leaves it.</param>
    /// <param name="IsRounded">Whether the back is rounded; null leaves it.</param>
    /// <param name="IsMirrored">True to change the sides.</param>
    /// <param name="Name">What it is called; null leaves it.</param>
    public sealed record Change(PoseJoint? Joint, double? X, double? Y, double? To, Carrier? On, bool? IsRounded, bool IsMirrored, string? Name)
    {
        /// <summary>True when it can be done: of joints and supports there are, to places there are.</summary>
        public bool IsSound => (Joint is not { } joint || Enum.IsDefined(joint)) && (On is not { } on || Enum.IsDefined(on)) && new[] { X, Y, To }.All(n => n is null || double.IsFinite(n.Value));
    }

    /// <summary>The supports a coach chooses from, in a coach's words.</summary>
    public static IReadOnlyList<(Carrier On, string Words)> Supports { get; } =
    [
        (Carrier.Either, "the lower foot"), (Carrier.Near, "the right foot"), (Carrier.Far, "the left foot"), (Carrier.NearKnee, "the right knee"), (Carrier.FarKnee, "the left knee"), (Carrier.Hands, "both hands"), (Carrier.NearHand, "the right hand"),
        (Carrier.FarHand, "the left hand"), (Carrier.Seat, "the seat"), (Carrier.Prone, "the front of the body"), (Carrier.HipHeight, "hips held at a height"),
    ];

    /// <summary>A position after a change.</summary>
    /// <param name="pose">The position.</param>
    /// <param name="change">The change.</param>
    /// <param name="hue">Hue of the shirt.</param>
    public static PoseDesk Of(Pose pose, Change change, string hue)
    {
        var changed = change switch
        {
            { Joint: { } joint, X: { } x, Y: { } y } => PoseHand.Drawn(pose, joint, new((x - (Width / 2)) / Stature, (Ground - y) / Stature)),
            { Joint: { } joint, To: { } to } => PoseHand.Set(pose, joint, to),
            _ => pose,
        };
        changed = change.On is { } on ? PoseHand.Carried(changed, on) : changed;
        changed = change.IsRounded is { } rounded ? changed with { Bow = rounded ? Rounded : 0 } : changed;
        changed = change.IsMirrored ? changed.Mirrored() : changed;
        return Of(change.Name is { } name ? changed with { Name = name } : changed, hue);
    }

    private static PoseDesk Of(Pose changed, string hue)
    {
        // As it is written, so that what is shown is what is kept.
        var row = OwnPose.Write(changed);
        var pose = OwnPose.Read(row) ?? changed;
        var stood = PoseHand.Grounded(pose);
        var body = FigureDrawing.Of(stood, Stature, hue);
        var joints = Enum.GetValues<PoseJoint>().Select(j => Handle(pose, body, j)).OrderByDescending(h => h.IsFar).ToList();
        return new(row, pose.Name, FigureSvg.Group(new(Width, Height, Ground, [new(Width / 2, body, [])]), FigureDrawing.White), joints, $"{pose.Support}", pose.Bow != 0, Pages.Drills.IndexModel.PoseOf(OwnPose.Write(stood)));
    }

    private static PoseHandle Handle(Pose pose, FigureDrawing body, PoseJoint joint)
    {
        var place = PoseHand.Place(body.Figure, joint);
        place = joint switch
        {
            PoseJoint.NearToe => place + ((place - body.Figure.Near.Ball) * ToesOut),
            PoseJoint.FarToe => place + ((place - body.Figure.Far.Ball) * ToesOut),
            _ => place,
        };
        var ((x, y), range, stands) = (body.At(place), PoseHand.Range(joint), PoseHand.Stands(pose, joint));
        return new(joint, PoseWords.Name(joint), Math.Round((Width / 2) + x, 1), Math.Round(Ground + y, 1), Math.Round(stands, 3), range.Least, range.Most, joint == PoseJoint.Hip ? LiftStep : TurnStep, PoseWords.Says(joint, stands), $"{joint}".StartsWith("Far", StringComparison.Ordinal));
    }
}
