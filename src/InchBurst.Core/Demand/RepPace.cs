using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>A leg as it is run.</summary>
/// <param name="Leg">The leg.</param>
/// <param name="EntrySpeed">Speed at its beginning, m/s.</param>
/// <param name="PeakSpeed">Greatest speed on it, m/s.</param>
/// <param name="ExitSpeed">Speed at its end, m/s.</param>
/// <param name="Seconds">How long it takes, s.</param>
public sealed record LegPace(CourseLeg Leg, double EntrySpeed, double PeakSpeed, double ExitSpeed, double Seconds)
{
    /// <summary>Curve it is run along; null for a leg at an even or a falling speed.</summary>
    internal SprintCurve? Curve { get; init; }

    /// <summary>Distance on that curve at which the leg begins, m.</summary>
    internal double CurveFrom { get; init; }

    /// <summary>Metres into the leg after which it brakes for what comes next.</summary>
    internal double BrakeFrom { get; init; } = double.PositiveInfinity;

    /// <summary>Braking, m/s2.</summary>
    internal double Braking { get; init; }

    /// <summary>Time into the leg at a distance into it, s.</summary>
    /// <param name="metres">Metres into the leg, 0 to its length.</param>
    internal double TimeAt(double metres)
    {
        if (Curve is null)
        {
            // Evenly, or evenly slower: v falls from entry to exit over the leg.
            var (a, b) = (EntrySpeed, ExitSpeed);
            var v = Math.Sqrt(Math.Max(0, (a * a) + (((b * b) - (a * a)) * metres / Leg.Metres)));
            return a + v <= 0 ? Seconds * metres / Leg.Metres : 2 * metres / (a + v);
        }

        var run = Math.Min(metres, BrakeFrom);
        var seconds = Curve.TimeBetween(CurveFrom, CurveFrom + run);
        if (metres <= BrakeFrom)
        {
            return seconds;
        }

        var peak = Curve.SpeedAtDistance(CurveFrom + BrakeFrom);
        var speed = Math.Sqrt(Math.Max(0, (peak * peak) - (2 * Braking * (metres - BrakeFrom))));
        return seconds + ((peak - speed) / Braking);
    }

    /// <summary>Metres of the leg at or above a speed.</summary>
    /// <param name="speed">The speed in m/s, above 0.</param>
    internal double MetresAbove(double speed)
    {
        if (Curve is null || speed >= Curve.Mss || PeakSpeed < speed)
        {
            return 0;
        }

        var end = Math.Min(Leg.Metres, BrakeFrom);
        var from = Math.Clamp(Curve.DistanceAtShare(speed / Curve.Mss) - CurveFrom, 0, end);
        var braking = end < Leg.Metres ? Math.Min(Leg.Metres - end, ((PeakSpeed * PeakSpeed) - (speed * speed)) / (2 * Braking)) : 0;
        return end - from + braking;
    }
}

/// <summary>
/// A rep run along its course by physics: each leg on the athlete's curve with effort and load, braking before turns twice as hard as is believed of a stop (short, low
/// steps, nothing to be safe for; common practice), the next leg from the speed that is left. Speeds of other movements as shares of sprinting, and what a turn leaves of speed, are an own model.
/// </summary>
/// <param name="Legs">Legs in order.</param>
/// <param name="FreeTopSpeed">The athlete's own free top speed, m/s.</param>
public sealed record RepPace(IReadOnlyList<LegPace> Legs, double FreeTopSpeed)
{
    /// <summary>Walking speed in m/s (common practice).</summary>
    public const double WalkingSpeed = 1.4;

    internal const double JoggingSpeed = 2.5;
    private const double UsualSlowing = 3.0;
    private const double WholeTurnDegrees = 120;
    private const double TurnBraking = 2;

    /// <summary>From go until intent ends, s; the whole rep where nothing is done with intent.</summary>
    public double Seconds => Legs.Any(l => l.Leg.HasIntent) ? TimeAt(Legs.Last(l => l.Leg.HasIntent).Leg.ToMetres) : Legs.Sum(l => l.Seconds);

    /// <summary>From go until the runner has stopped, s.</summary>
    public double ClearSeconds => Legs.Sum(l => l.Seconds) + (Legs[^1].Leg.HasIntent ? Legs[^1].ExitSpeed / UsualSlowing : 0);

    /// <summary>Greatest speed, m/s.</summary>
    public double PeakSpeed => Legs.Max(l => l.PeakSpeed);

    /// <summary>Greatest speed of running forwards with intent as a share of own free top speed; 0 when none is asked.</summary>
    public double PeakShare => Legs.Where(IsSprint).Select(l => l.PeakSpeed / FreeTopSpeed).DefaultIfEmpty(0).Max();

    /// <summary>Speed at the end of intent, from which the runner stops, m/s.</summary>
    public double StopFromSpeed => Legs.LastOrDefault(l => l.Leg.HasIntent)?.ExitSpeed ?? 0;

    /// <summary>Metres of running forwards at or above a share of own free top speed.</summary>
    /// <param name="share">The share, above 0.</param>
    public double MetresAbove(double share) => Legs.Where(IsSprint).Sum(l => l.MetresAbove(share * FreeTopSpeed));

    /// <summary>Time in s at a distance along the path.</summary>
    /// <param name="metres">Distance along the path in m; kept within it.</param>
    public double TimeAt(double metres)
    {
        var seconds = 0.0;
        foreach (var leg in Legs)
        {
            if (metres <= leg.Leg.ToMetres + 1e-9)
            {
                return seconds + leg.TimeAt(Math.Clamp(metres - leg.Leg.FromMetres, 0, leg.Leg.Metres));
            }

            seconds += leg.Seconds;
        }

        return seconds;
    }

    /// <summary>Top speed of a movement as a share of sprinting (common practice; backwards about two thirds).</summary>
    /// <param name="movement">The movement.</param>
    public static double ShareOf(Motion movement) => movement switch
    {
        Motion.Bound => 0.75,
        Motion.Hop => 0.55,
        Motion.Shuffle => 0.5,
        Motion.Crossover => 0.6,
        Motion.Backpedal => 0.65,
        _ => 1,
    };

    /// <summary>Runs a course.</summary>
    /// <param name="course">The course.</param>
    /// <param name="free">The athlete's free curve.</param>
    /// <param name="loaded">The curve under the load; the same when there is none.</param>
    /// <param name="effort">Effort in percent, above 0.</param>
    /// <param name="braking">Hardest braking believed of a stop in m/s2, above 0.</param>
    /// <param name="entrySpeed">Speed at the start line, m/s: 0 from rest.</param>
    public static RepPace Run(Course course, SprintCurve free, SprintCurve loaded, double effort, double braking, double entrySpeed = 0)
    {
        var share = Math.Max(effort, 10) / 100;
        var legs = new List<LegPace>(course.Legs.Count);
        var speed = entrySpeed;
        for (var i = 0; i < course.Legs.Count; i++)
        {
            var leg = course.Legs[i];
            var next = i + 1 < course.Legs.Count ? course.Legs[i + 1] : null;
            if (leg.Role == SegmentRole.Slow)
            {
                // To a stop, or to a jog when more follows.
                var end = next is null ? 0 : Math.Min(speed, JoggingSpeed);
                legs.Add(new(leg, speed, speed, end, speed + end <= 0 ? leg.Metres / WalkingSpeed : 2 * leg.Metres / (speed + end)));
                speed = end;
                continue;
            }

            if (EvenSpeed(leg.Movement) is { } even)
            {
                legs.Add(new(leg, even, even, even, leg.Metres / even));
                speed = even;
                continue;
            }

            var curve = loaded.AtEffort(share * ShareOf(leg.Movement));
            var change = next is null ? 0 : course.Turns.Where(t => Math.Abs(t.AtMetres - leg.ToMetres) < 1e-9).Select(t => t.ChangeDegrees).DefaultIfEmpty(Between(leg, next)).Max();
            var allowed = next is null || change < Limits.TurnDegrees ? double.PositiveInfinity : curve.Mss * Math.Max(0, 1 - (change / WholeTurnDegrees));
            var pace = OnCurve(leg, curve, speed, allowed, braking * TurnBraking);
            legs.Add(pace);
            speed = pace.ExitSpeed;
        }

        return new(legs, free.Mss);
    }

    private static LegPace OnCurve(CourseLeg leg, SprintCurve curve, double entry, double allowed, double braking)
    {
        var begin = Math.Min(entry, curve.Mss * 0.999);
        var from = begin <= 0 ? 0 : curve.DistanceAtShare(begin / curve.Mss);
        var end = curve.SpeedAtDistance(from + leg.Metres);
        if (end <= allowed)
        {
            return new(leg, begin, end, end, curve.TimeBetween(from, from + leg.Metres)) { Curve = curve, CurveFrom = from };
        }

        // The farthest point from which braking still comes down to what the turn allows.
        double low = 0, high = leg.Metres;
        for (var i = 0; i < 40; i++)
        {
            var middle = (low + high) / 2;
            var v = curve.SpeedAtDistance(from + middle);
            if ((v * v) - (allowed * allowed) > 2 * braking * (leg.Metres - middle))
            {
                high = middle;
            }
            else
            {
                low = middle;
            }
        }

        var peak = curve.SpeedAtDistance(from + low);
        var exit = Math.Sqrt(Math.Max(allowed * allowed, (peak * peak) - (2 * braking * (leg.Metres - low))));
        var pace = new LegPace(leg, begin, peak, exit, 0) { Curve = curve, CurveFrom = from, BrakeFrom = low, Braking = braking };
        return pace with { Seconds = pace.TimeAt(leg.Metres) };
    }

    private static bool IsSprint(LegPace pace) => pace.Leg is { HasIntent: true, Movement: Motion.Sprint };

    private static double Between(CourseLeg a, CourseLeg b)
    {
        var apart = Math.Abs(a.TravelDegrees - b.TravelDegrees) % 360;
        return Math.Min(apart, 360 - apart);
    }

    // Movements whose speed is their own and no matter of effort, m/s (common practice).
    private static double? EvenSpeed(Motion movement) => movement switch
    {
        Motion.Walk => WalkingSpeed,
        Motion.Jog => JoggingSpeed,
        Motion.March => 1.3,
        Motion.Skip => 2.6,
        Motion.Carry => 1.2,
        _ => null,
    };
}
