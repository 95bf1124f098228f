namespace InchBurst.Core.Demand;

/// <summary>The thresholds by which everything is judged, each in this one place.</summary>
public static class Limits
{
    /// <summary>Least effort in percent that is full over a movement of full intent (common practice: 90 to 95% keeps shape, 100% tests).</summary>
    public const double FullPercent = 90;

    /// <summary>Least effort in percent from which a run counts as sprinting (common practice).</summary>
    public const double HardPercent = 70;

    /// <summary>Least effort in percent that a held athlete is kept from: early returns run at 80%, so that is already too much without leave (common practice).</summary>
    public const double HeldPercent = 80;

    /// <summary>Share of own top speed from which metres and runs count as top-speed work (common practice).</summary>
    public const double TopSpeedShare = 0.9;

    /// <summary>A session is over its window from this many seconds on.</summary>
    public const double WindowSeconds = 0.5;

    /// <summary>An overrun under this many seconds is worth no finding and no offer.</summary>
    public const double OverrunSeconds = 30;

    /// <summary>Turns of this many degrees and more are turns; smaller ones are bends (own rule).</summary>
    public const double TurnDegrees = 30;

    /// <summary>Room to stop from top speed, m (common practice).</summary>
    public const double StopFromTopSpeedMetres = 20;

    /// <summary>Room to stop after a short start, m (common practice).</summary>
    public const double StopAfterStartMetres = 10;

    /// <summary>Hardest braking believed of a trained athlete, m/s2 (common practice).</summary>
    public const double Braking = 4.5;

    /// <summary>Hardest braking believed of a young or returning athlete, m/s2 (common practice).</summary>
    public const double YoungBraking = 3.0;

    /// <summary>Younger than this many years counts as young.</summary>
    public const int YoungYears = 16;

    /// <summary>Start distances within this many metres of each other count as the same start.</summary>
    public const double SameStartMetres = 0.05;

    /// <summary>A zone that begins this far from the start and beyond is a flying one, m (common practice).</summary>
    public const double FlyingFromMetres = 10;
}
