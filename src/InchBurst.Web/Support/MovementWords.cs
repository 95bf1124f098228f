using InchBurst.Core.Plan;

namespace InchBurst.Web.Support;

/// <summary>What the body does, in a coach's words.</summary>
public static class MovementWords
{
    public static string Of(Movement movement) => movement switch
    {
        Movement.Sprint => "runs forwards",
        Movement.Bound => "bounds",
        Movement.Hop => "hops",
        Movement.Skip => "skips, dribbles, drill steps",
        Movement.March => "marches",
        Movement.Shuffle => "shuffles sideways",
        Movement.Crossover => "crosses over sideways",
        Movement.Backpedal => "runs backwards",
        Movement.Jog => "jogs",
        Movement.Walk => "walks",
        Movement.Carry => "carries or pushes",
        Movement.Jump => "jumps",
        Movement.Throw => "throws",
        Movement.Lift => "lifts",
        Movement.Hold => "holds still",
        _ => "moves on the spot",
    };
}
