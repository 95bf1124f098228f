using InchBurst.Core.Plan;

namespace InchBurst.Web.Support;

/// <summary>What the body does, in a coach's words.</summary>
public static class MovementWords
{
    public static string Of(Motion movement) => movement switch
    {
        Motion.Sprint => "runs forwards",
        Motion.Bound => "bounds",
        Motion.Hop => "hops",
        Motion.Skip => "skips, dribbles, drill steps",
        Motion.March => "marches",
        Motion.Shuffle => "shuffles sideways",
        Motion.Crossover => "crosses over sideways",
        Motion.Backpedal => "runs backwards",
        Motion.Jog => "jogs",
        Motion.Walk => "walks",
        Motion.Carry => "carries or pushes",
        Motion.Jump => "jumps",
        Motion.Throw => "throws",
        Motion.Lift => "lifts",
        Motion.Hold => "holds still",
        _ => "moves on the spot",
    };
}
