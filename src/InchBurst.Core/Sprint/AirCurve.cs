namespace InchBurst.Core.Sprint;

/// <summary>
/// One run from rest with air drag: dv/dt = F - a v - (k/m) v^2, whose solution is closed (own derivation; the forces are those of <see cref="SprintSimulation"/> in still air).
/// Without drag it is <see cref="SprintCurve"/> with tau = 1/a.
/// </summary>
/// <param name="TopSpeed">Speed at which push and resistance balance, m/s, above 0.</param>
/// <param name="Fall">Push lost for each m/s, a = F0/V0 per kg, 1/s, above 0.</param>
/// <param name="DragPerKilogram">k/m, 1/m, above 0.</param>
public readonly record struct AirCurve(double TopSpeed, double Fall, double DragPerKilogram)
{
    private const int MostSteps = 60;

    private double Rate => Fall + (2 * DragPerKilogram * TopSpeed);

    private double Ratio => DragPerKilogram * TopSpeed / ((DragPerKilogram * TopSpeed) + Fall);

    /// <summary>Distance in m at a time.</summary>
    /// <param name="seconds">Time since the first movement, s, not negative.</param>
    public double DistanceAt(double seconds)
    {
        var (r, e) = (Ratio, Math.Exp(-Rate * seconds));
        return TopSpeed * (seconds + ((1 + r) / (r * Rate) * Math.Log((1 + (r * e)) / (1 + r))));
    }

    /// <summary>Speed in m/s at a time.</summary>
    /// <param name="seconds">Time since the first movement, s, not negative.</param>
    public double SpeedAt(double seconds)
    {
        var e = Math.Exp(-Rate * seconds);
        return TopSpeed * (1 - e) / (1 + (Ratio * e));
    }

    /// <summary>Time in s to cover a distance from rest, by Newton's method from above, where it only falls.</summary>
    /// <param name="metres">Distance, m; 0 or less takes no time.</param>
    public double TimeTo(double metres)
    {
        if (metres <= 0)
        {
            return 0;
        }

        // Later than the time of an even rise of speed and of top speed together.
        var t = (metres / TopSpeed) + Math.Sqrt(2 * metres / (TopSpeed * Rate)) + (1 / Rate);
        for (var i = 0; i < MostSteps; i++)
        {
            var step = (DistanceAt(t) - metres) / SpeedAt(t);
            t -= step;
            if (Math.Abs(step) < 1e-12)
            {
                break;
            }
        }

        return t;
    }
}
