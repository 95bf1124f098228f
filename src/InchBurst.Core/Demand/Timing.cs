namespace InchBurst.Core.Demand;

/// <summary>How a time was taken. Times of different methods are never compared without saying so.</summary>
public enum TimingMethod
{
    /// <summary>Gates, pads or another electronic clock.</summary>
    Electronic,

    /// <summary>A stopwatch in a hand.</summary>
    Hand,

    /// <summary>Frames of a film: when the chest passes each line.</summary>
    Film,
}

/// <summary>What starts the clock.</summary>
public enum StartTrigger
{
    /// <summary>The first gate.</summary>
    FirstGate,

    /// <summary>The athlete's hand or foot leaving the ground or a pad.</summary>
    FirstMove,

    /// <summary>A gun or a call, so that reaction is part of the time.</summary>
    Gun,

    /// <summary>The first mark: only the zone from there on is timed, and nothing is known of the start.</summary>
    ZoneLine,
}

/// <summary>What a clock cannot tell apart.</summary>
public static class TimingError
{
    /// <summary>Error of one time as a standard deviation in s: 10 ms for electronic clocks (gate noise) and for film (a frame, and a line that is seen askew), 0.1 s for watches (their rounding). Common practice.</summary>
    /// <param name="method">How it was timed.</param>
    public static double Seconds(TimingMethod method) => method == TimingMethod.Hand ? 0.1 : 0.01;
}

/// <summary>Ways of timing in words.</summary>
public static class TimingWords
{
    /// <summary>"gates", "by hand" or "from film".</summary>
    /// <param name="method">How it was timed.</param>
    public static string Of(TimingMethod method) => method switch { TimingMethod.Hand => "by hand", TimingMethod.Film => "from film", _ => "gates" };

    /// <summary>The same after a time or a name, and nothing for gates, which are the usual.</summary>
    /// <param name="method">How it was timed.</param>
    /// <param name="between">What stands before it: a space, or a comma and one.</param>
    public static string After(TimingMethod method, string between = " ") => method == TimingMethod.Electronic ? "" : between + Of(method);
}
