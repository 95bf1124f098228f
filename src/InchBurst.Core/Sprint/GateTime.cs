using InchBurst.Core.Units;

namespace InchBurst.Core.Sprint;

/// <summary>A cumulative time at a mark.</summary>
/// <param name="Metres">Distance from the first gate (or the start line when the clock starts there) in m, above 0.</param>
/// <param name="Seconds">Time on the clock in s, above 0.</param>
public readonly record struct GateTime(double Metres, double Seconds);

/// <summary>The stretch between two marks. Its mean speed belongs to the whole stretch, so it is drawn as a step.</summary>
/// <param name="FromMetres">Where it begins, m.</param>
/// <param name="ToMetres">Where it ends, m; beyond the beginning.</param>
/// <param name="Seconds">Time it took, s, above 0.</param>
public readonly record struct SplitSegment(double FromMetres, double ToMetres, double Seconds)
{
    /// <summary>Length in m.</summary>
    public double Metres => ToMetres - FromMetres;

    /// <summary>Mean speed in m/s.</summary>
    public double MeanSpeed => Metres / Seconds;

    /// <summary>True when the stretch does not begin at the start, so that it is a flying time.</summary>
    public bool IsFlying => FromMetres > 0;
}

/// <summary>Cumulative times to segments and back.</summary>
public static class Splits
{
    /// <summary>Segments between marks that rise in distance and time; the first begins at 0.</summary>
    /// <param name="marks">Marks in rising order; empty gives no segments.</param>
    /// <exception cref="ArgumentException">Distances or times do not rise.</exception>
    public static IReadOnlyList<SplitSegment> Segments(IReadOnlyList<GateTime> marks)
    {
        var segments = new SplitSegment[marks.Count];
        var last = new GateTime(0, 0);
        for (var i = 0; i < marks.Count; i++)
        {
            if (!(marks[i].Metres > last.Metres && marks[i].Seconds > last.Seconds))
            {
                throw new ArgumentException("Marks must rise in distance and in time.", nameof(marks));
            }

            segments[i] = new(last.Metres, marks[i].Metres, marks[i].Seconds - last.Seconds);
            last = marks[i];
        }

        return segments;
    }

    /// <summary>Cumulative marks from segments laid end to end.</summary>
    /// <param name="segments">Segments in order.</param>
    public static IReadOnlyList<GateTime> Cumulative(IReadOnlyList<SplitSegment> segments)
    {
        var marks = new GateTime[segments.Count];
        var clock = 0.0;
        for (var i = 0; i < segments.Count; i++)
        {
            clock += segments[i].Seconds;
            marks[i] = new(segments[i].ToMetres, clock);
        }

        return marks;
    }
}
