using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>A point on the ground.</summary>
/// <param name="X">Along the straight from the start line, m.</param>
/// <param name="Y">To the left of it, m.</param>
public readonly record struct GroundPoint(double X, double Y);

/// <summary>A leg of a course.</summary>
/// <param name="Movement">How it is travelled.</param>
/// <param name="Role">What it is for.</param>
/// <param name="FromMetres">Where it begins along the path, m.</param>
/// <param name="Metres">How long it is, m.</param>
/// <param name="From">Where it begins on the ground.</param>
/// <param name="To">Where it ends on the ground.</param>
/// <param name="TravelDegrees">Direction of travel: 0 along the straight, 90 to the left.</param>
/// <param name="FacingDegrees">Where the body faces.</param>
public sealed record CourseLeg(Motion Movement, SegmentRole Role, double FromMetres, double Metres, GroundPoint From, GroundPoint To, double TravelDegrees, double FacingDegrees)
{
    /// <summary>Where it ends along the path, m.</summary>
    public double ToMetres => FromMetres + Metres;

    /// <summary>True when it is travelled with intent: not slowing down, walking, jogging, marching or carrying.</summary>
    public bool HasIntent => Role != SegmentRole.Slow && Movement is not (Motion.Walk or Motion.Jog or Motion.March or Motion.Carry);
}

/// <summary>A turn or cut of a course.</summary>
/// <param name="AtMetres">Where it is along the path, m.</param>
/// <param name="At">Where it is on the ground.</param>
/// <param name="Degrees">How far the body turns, 1 to 360.</param>
/// <param name="Side">To which side, if said.</param>
/// <param name="IsCut">True for a cut, false for a turn.</param>
/// <param name="ChangeDegrees">How much the direction of travel changes, 0 to 180.</param>
public sealed record CourseTurn(double AtMetres, GroundPoint At, double Degrees, Side? Side, bool IsCut, double ChangeDegrees);

/// <summary>The way a rep goes over the ground: legs in order with their movement and direction, turns between them.</summary>
/// <param name="Legs">At least one.</param>
/// <param name="Turns">Turns in order; a shuttle's own among them.</param>
public sealed record Course(IReadOnlyList<CourseLeg> Legs, IReadOnlyList<CourseTurn> Turns)
{
    private const double Same = 0.5;

    /// <summary>Length of the path in m: the sum of its legs.</summary>
    public double Metres => Legs[^1].ToMetres;

    /// <summary>Metres travelled with intent.</summary>
    public double IntentMetres => Legs.Where(l => l.HasIntent).Sum(l => l.Metres);

    /// <summary>Length in m of the longest stretch run forwards with intent and without a break or another movement.</summary>
    public double LongestSprintMetres
    {
        get
        {
            double longest = 0, now = 0;
            foreach (var leg in Legs)
            {
                now = leg is { HasIntent: true, Movement: Motion.Sprint } ? now + leg.Metres : 0;
                longest = Math.Max(longest, now);
            }

            return longest;
        }
    }

    /// <summary>Where intent ends along the path, m; 0 when there is none.</summary>
    public double IntentEnd => Legs.LastOrDefault(l => l.HasIntent)?.ToMetres ?? 0;

    /// <summary>True when nothing but running forwards along one line is asked, slowing down at the end apart.</summary>
    public bool IsStraightSprint => Turns.Count == 0 && Legs.All(l => l.Movement == Motion.Sprint && l.Role != SegmentRole.Float) && Legs.SkipLast(1).All(l => l.Role != SegmentRole.Slow);

    /// <summary>Turns that change the direction of travel or the way the body faces by <see cref="Limits.TurnDegrees"/> or more.</summary>
    public int SharpTurns => Turns.Count(t => t.Degrees >= Limits.TurnDegrees);

    /// <summary>How far it reaches along the straight: the farthest point in front of the start line, m.</summary>
    public double FarMetres => Math.Max(0, Legs.Max(l => Math.Max(l.From.X, l.To.X)));

    /// <summary>True when some point lies beside the straight or behind the start line.</summary>
    public bool LeavesTheLine => Legs.Any(l => Math.Abs(l.To.Y) > 0.01 || l.To.X < -0.01);

    /// <summary>The point on the ground at a distance along the path.</summary>
    /// <param name="metres">Distance along the path in m; kept within it, but beyond its end the last leg goes on.</param>
    public GroundPoint PointAt(double metres)
    {
        var leg = Legs.FirstOrDefault(l => metres <= l.ToMetres + 1e-9) ?? Legs[^1];
        var along = Math.Max(0, metres - leg.FromMetres);
        var (sin, cos) = Math.SinCos(leg.TravelDegrees * Math.PI / 180);
        return new(leg.From.X + (along * cos), leg.From.Y + (along * sin));
    }

    /// <summary>
    /// Lays a run out on the ground. Running backwards travels away from where the body faces; a shuttle's leg back returns along the way it came; a turn turns
    /// the body, and the next leg forwards goes where it faces. The first leg always travels along the straight.
    /// </summary>
    /// <param name="run">The run.</param>
    /// <param name="usual">How stretches are travelled that do not say.</param>
    public static Course Of(RunShape run, Motion usual = Motion.Sprint)
    {
        var legs = new List<CourseLeg>();
        var turns = new List<CourseTurn>();
        double x = 0, y = 0, at = 0, outward = 0, travel = 0;
        var waiting = new List<(double Degrees, Side? Side, bool IsCut)>();
        double? facing = null;
        foreach (var segment in run.Segments)
        {
            if (segment.IsTurn)
            {
                var degrees = segment.AngleDegrees ?? (segment.Role == SegmentRole.Turn ? 180 : 45);
                facing = (facing ?? 0) + (segment.Side == Side.Right ? -degrees : degrees);
                waiting.Add((degrees, segment.Side, segment.Role == SegmentRole.Cut));
                continue;
            }

            var movement = segment.Movement ?? (IsTravel(usual) ? usual : Motion.Sprint);
            var backwards = movement == Motion.Backpedal;
            facing ??= backwards ? 180 : 0;
            var back = segment.Role == SegmentRole.Back;
            var returns = back || segment.Role == SegmentRole.Up || (legs.Count > 0 && legs[^1].Role == SegmentRole.Back && waiting.Count == 0);
            var wanted = returns ? outward + (back ? 180 : 0) : facing.Value + (backwards ? 180 : 0);
            var faces = wanted + (backwards ? 180 : 0);
            if (returns && Between(facing.Value, faces) > Same)
            {
                // The shuttle's own turn, which nobody writes.
                waiting.Add((Between(facing.Value, faces), null, false));
            }

            var change = legs.Count == 0 ? 0 : Between(travel, wanted);
            turns.AddRange(waiting.Select((t, i) => new CourseTurn(at, new(x, y), t.Degrees, t.Side, t.IsCut, i == waiting.Count - 1 ? change : 0)));
            waiting.Clear();
            var (sin, cos) = Math.SinCos(wanted * Math.PI / 180);
            var length = segment.Length.Metres;
            var from = new GroundPoint(x, y);
            (x, y) = (x + (length * cos), y + (length * sin));
            legs.Add(new(movement, segment.Role, at, length, from, new(x, y), Turned(wanted), Turned(faces)));
            at += length;
            travel = wanted;
            facing = faces;
            outward = back ? outward : wanted;
        }

        turns.AddRange(waiting.Select(t => new CourseTurn(at, new(x, y), t.Degrees, t.Side, t.IsCut, 0)));
        return new(legs, turns);
    }

    /// <summary>True for movements that get somewhere.</summary>
    /// <param name="movement">The movement.</param>
    public static bool IsTravel(Motion movement) => movement <= Motion.Carry;

    private static double Turned(double degrees) => ((degrees % 360) + 360) % 360;

    private static double Between(double a, double b)
    {
        var apart = Turned(a - b);
        return Math.Min(apart, 360 - apart);
    }
}
