using System.Text.Json.Serialization;
using InchBurst.Core.Live;
using InchBurst.Core.Units;

namespace InchBurst.Core.Plan;

/// <summary>What a stretch of a run is for.</summary>
public enum SegmentRole
{
    /// <summary>A plain run.</summary>
    Run,

    /// <summary>Building speed towards a zone.</summary>
    Build,

    /// <summary>A flying zone at top speed.</summary>
    Fly,

    /// <summary>Fast part of a fast-float-fast run.</summary>
    Fast,

    /// <summary>Relaxed part of a fast-float-fast run.</summary>
    Float,

    /// <summary>Slowing down.</summary>
    Slow,

    /// <summary>Shuttle leg outwards.</summary>
    Up,

    /// <summary>Shuttle leg back, run forwards towards where it came from.</summary>
    Back,

    /// <summary>A turn on the spot; its angle is kept, its length is 0.</summary>
    Turn,

    /// <summary>A cut at an angle; its length is 0.</summary>
    Cut,
}

/// <summary>How a body travels or works: what it does, whatever the work is called.</summary>
public enum Motion
{
    /// <summary>Running forwards; how hard is a matter of effort.</summary>
    Sprint,

    /// <summary>Bounding from leg to leg.</summary>
    Bound,

    /// <summary>Hopping on one leg or two.</summary>
    Hop,

    /// <summary>Skips, dribbles and other drill steps.</summary>
    Skip,

    /// <summary>Marching.</summary>
    March,

    /// <summary>Shuffling sideways.</summary>
    Shuffle,

    /// <summary>Crossing over sideways.</summary>
    Crossover,

    /// <summary>Running backwards.</summary>
    Backpedal,

    /// <summary>Jogging.</summary>
    Jog,

    /// <summary>Walking, lunges on the way among it.</summary>
    Walk,

    /// <summary>Carrying or pushing something heavy at a walk.</summary>
    Carry,

    /// <summary>Jumping on the spot or once.</summary>
    Jump,

    /// <summary>Throwing.</summary>
    Throw,

    /// <summary>Lifting.</summary>
    Lift,

    /// <summary>Holding still.</summary>
    Hold,

    /// <summary>Moving on the spot: activation, mobility, switches.</summary>
    OnTheSpot,
}

/// <summary>Left or right.</summary>
public enum Side
{
    /// <summary>Left.</summary>
    Left,

    /// <summary>Right.</summary>
    Right,
}

/// <summary>One stretch of a run.</summary>
/// <param name="Length">How long; 0 for a turn or a cut, otherwise 0.5 to 10000 m.</param>
/// <param name="Role">What it is for.</param>
/// <param name="AngleDegrees">Angle of a turn or cut, 1 to 360; null otherwise.</param>
/// <param name="Side">Side of a turn or cut, if said.</param>
/// <param name="Movement">How it is travelled; null means as the exercise is, or running.</param>
public sealed record RunSegment(Distance Length, SegmentRole Role, double? AngleDegrees = null, Side? Side = null, Motion? Movement = null)
{
    /// <summary>True for a turn or a cut, which has an angle and no length.</summary>
    [JsonIgnore]
    public bool IsTurn => Role is SegmentRole.Turn or SegmentRole.Cut;

    /// <summary>True when it is travelled with intent: not slowing down, walking, jogging, marching or carrying.</summary>
    [JsonIgnore]
    public bool HasIntent => !IsTurn && Role != SegmentRole.Slow && Movement is not (Motion.Walk or Motion.Jog or Motion.March or Motion.Carry);
}

/// <summary>The shape of one rep: a run made of segments, a time, or a count.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "is")]
[JsonDerivedType(typeof(RunShape), "run")]
[JsonDerivedType(typeof(TimedShape), "time")]
[JsonDerivedType(typeof(CountShape), "count")]
public abstract record RepShape;

/// <summary>A run of one or more segments.</summary>
/// <param name="Segments">At least one.</param>
public sealed record RunShape(IReadOnlyList<RunSegment> Segments) : RepShape
{
    /// <summary>All metres covered.</summary>
    [JsonIgnore]
    public double Metres => Segments.Sum(s => s.Length.Metres);

    /// <summary>Metres travelled with intent: without slowing down, walking and jogging.</summary>
    [JsonIgnore]
    public double IntentMetres => Segments.Where(s => s.HasIntent).Sum(s => s.Length.Metres);

    /// <summary>Where the flying zone lies in metres from the start; null when there is none.</summary>
    [JsonIgnore]
    public (double From, double To)? Fly
    {
        get
        {
            var at = 0.0;
            foreach (var s in Segments)
            {
                if (s.Role == SegmentRole.Fly)
                {
                    return (at, at + s.Length.Metres);
                }

                at += s.Length.Metres;
            }

            return null;
        }
    }
}

/// <summary>Work for a time.</summary>
/// <param name="Seconds">1 to 7200 s.</param>
public sealed record TimedShape(double Seconds) : RepShape;

/// <summary>Work counted in repetitions or passes.</summary>
/// <param name="Count">1 to 500.</param>
/// <param name="Passes">True when the count is passes of a course (mini-hurdles, a ladder).</param>
/// <param name="Movement">What is counted where the word says it (jumps, hops, bounds, throws); null for plain repetitions.</param>
public sealed record CountShape(int Count, bool Passes = false, Motion? Movement = null) : RepShape;
