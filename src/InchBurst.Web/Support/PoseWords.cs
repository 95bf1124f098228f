using System.Globalization;
using InchBurst.Core.Movement;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>Joints and what they stand at, in a coach's words.</summary>
public static class PoseWords
{
    /// <summary>What a joint is called.</summary>
    public static string Name(PoseJoint joint) => joint switch
    {
        PoseJoint.Hip => "hips",
        PoseJoint.Trunk => "trunk",
        PoseJoint.Head => "head",
        PoseJoint.NearKnee => "right thigh",
        PoseJoint.NearAnkle => "right shin",
        PoseJoint.NearFoot => "right foot",
        PoseJoint.NearToe => "right toes",
        PoseJoint.FarKnee => "left thigh",
        PoseJoint.FarAnkle => "left shin",
        PoseJoint.FarFoot => "left foot",
        PoseJoint.FarToe => "left toes",
        PoseJoint.NearElbow => "right upper arm",
        PoseJoint.NearWrist => "right forearm",
        PoseJoint.NearHand => "right hand",
        PoseJoint.FarElbow => "left upper arm",
        PoseJoint.FarWrist => "left forearm",
        _ => "left hand",
    };

    /// <summary>What it stands at.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="at">Degrees, or of the hips a share of stature.</param>
    public static string Says(PoseJoint joint, double at)
    {
        var degrees = Math.Abs(Math.Round(at)).ToString("0", CultureInfo.InvariantCulture) + "°";
        string Either(string more, string less, string none) => Math.Round(at) switch { 0 => none, > 0 => $"{degrees} {more}", _ => $"{degrees} {less}" };
        return joint switch
        {
            PoseJoint.Hip => string.Create(CultureInfo.InvariantCulture, $"{at * DrawnBody.CentimetresTall:0} cm up"),
            PoseJoint.Trunk => Either("forward", "back", "upright"),
            PoseJoint.Head => Either("back", "forward", "in line"),
            PoseJoint.NearKnee or PoseJoint.FarKnee => Either("bent at the hip", "behind the trunk", "in line with the trunk"),
            PoseJoint.NearAnkle or PoseJoint.FarAnkle => Either("bent at the knee", "", "straight"),
            PoseJoint.NearFoot or PoseJoint.FarFoot => Either("toe up", "toe down", "square to the shin"),
            PoseJoint.NearToe or PoseJoint.FarToe => Either("bent up", "", "flat"),
            PoseJoint.NearElbow or PoseJoint.FarElbow => Either("ahead of the trunk", "behind the trunk", "along the trunk"),
            PoseJoint.NearWrist or PoseJoint.FarWrist => Either("bent at the elbow", "", "straight"),
            _ => Either("bent in", "bent out", "straight"),
        };
    }
}
