using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>What a measured time with a load or with help says.</summary>
public enum LoadVerdictKind
{
    /// <summary>Inside what the aim allows.</summary>
    Inside,

    /// <summary>Slower than the aim allows.</summary>
    TooSlow,

    /// <summary>Not as slow as the aim wants.</summary>
    TooLight,

    /// <summary>Faster than the ceiling of helped running allows.</summary>
    TooFast,
}

/// <summary>A verdict on a run, with the load to take next.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Decrement">Percent slower than free; negative is faster.</param>
/// <param name="NextKilograms">Load to take next, kg; null where the load has no mass or stays.</param>
/// <param name="Words">In a coach's words: "10% slower, inside".</param>
public sealed record LoadVerdict(LoadVerdictKind Kind, double Decrement, double? NextKilograms, string Words);

/// <summary>The slowing that is allowed, percent slower than free; negative is faster.</summary>
/// <param name="Least">Least.</param>
/// <param name="Most">Most.</param>
/// <param name="Aimed">What is aimed at.</param>
public sealed record LoadWindow(double Least, double Most, double Aimed)
{
    // Around a slowing that was written by itself: gates and runners scatter by about so much (common practice).
    private const double Around = 5;

    /// <summary>The window of a load on a line: its aim's band; else around what is asked; within the bracket for top-speed work; helped runs between free and the ceiling.</summary>
    /// <param name="aim">Aim written on the line, or null.</param>
    /// <param name="decrement">Slowing that the line's load means for this athlete, percent.</param>
    /// <param name="isTopSpeed">True where the run is meant for top speed.</param>
    /// <param name="bracket">Bracket of the school, percent.</param>
    /// <param name="ceiling">Ceiling of help of the school, percent.</param>
    public static LoadWindow Of(LoadAim? aim, double decrement, bool isTopSpeed, double bracket, double ceiling)
    {
        if (decrement < 0)
        {
            return new(-ceiling, 0, Math.Max(-ceiling, decrement));
        }

        if (isTopSpeed || aim?.Unit == Plan.LoadUnit.KeepMovement)
        {
            return new(0, bracket, Math.Min(decrement, bracket));
        }

        return aim is null ? new(Math.Max(0, decrement - Around), decrement + Around, decrement) : new(aim.Least, aim.Most, Math.Clamp(decrement, aim.Least, aim.Most));
    }
}

/// <summary>Times with a load against the free ones: the same curve, its speeds scaled, as in <see cref="LoadEffect.On"/>.</summary>
public static class LoadedTime
{
    /// <summary>Most that a load may change from one session to the next, as a share (common practice).</summary>
    public const double MostStep = 0.15;

    private const int Halvings = 50;

    /// <summary>Time of a stretch when speed is lower by a share, s.</summary>
    /// <param name="free">Free curve.</param>
    /// <param name="fromMetres">Beginning of the stretch, m from the start line.</param>
    /// <param name="toMetres">Its end, m.</param>
    /// <param name="decrement">Percent slower than free, under 95.</param>
    public static double Of(SprintCurve free, double fromMetres, double toMetres, double decrement) => free.AtEffort(1 - (decrement / 100)).TimeBetween(fromMetres, toMetres);

    /// <summary>The window in seconds at the gate: the fastest and the slowest time that an aim allows.</summary>
    /// <param name="free">Free curve.</param>
    /// <param name="fromMetres">Beginning of the stretch, m from the start line.</param>
    /// <param name="toMetres">Its end, m.</param>
    /// <param name="window">Slowing that is allowed.</param>
    public static (double Fastest, double Slowest) Window(SprintCurve free, double fromMetres, double toMetres, LoadWindow window) => (Of(free, fromMetres, toMetres, window.Least), Of(free, fromMetres, toMetres, window.Most));

    /// <summary>Percent slower than free that a time means; negative is faster.</summary>
    /// <param name="free">Free curve.</param>
    /// <param name="fromMetres">Beginning of the stretch, m from the start line.</param>
    /// <param name="toMetres">Its end, m.</param>
    /// <param name="seconds">Time over it, s, above 0.</param>
    public static double DecrementOf(SprintCurve free, double fromMetres, double toMetres, double seconds)
    {
        // Slower always takes longer.
        double low = -40, high = 95;
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Of(free, fromMetres, toMetres, middle) < seconds ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }

    /// <summary>What a measured slowing means and what to take next.</summary>
    /// <param name="decrement">Percent slower than free, measured.</param>
    /// <param name="window">What is allowed.</param>
    /// <param name="kilograms">Load of the run, kg, of a sled; the pull of a cord; null where it has no mass.</param>
    /// <param name="mass">What masses are read in.</param>
    public static LoadVerdict Judge(double decrement, LoadWindow window, double? kilograms, MassReading mass)
    {
        var isHelp = window.Least < 0;
        var much = decrement < 0 ? $"{Figures.Number(-decrement)}% faster" : $"{Figures.Number(decrement)}% slower";
        var kind = decrement > window.Most + 0.5 ? LoadVerdictKind.TooSlow : decrement < window.Least - 0.5 ? isHelp ? LoadVerdictKind.TooFast : LoadVerdictKind.TooLight : LoadVerdictKind.Inside;
        if (kind == LoadVerdictKind.Inside)
        {
            return new(kind, decrement, null, $"{much}, inside");
        }

        var next = kilograms is { } was ? Next(was, decrement, window.Aimed) : (double?)null;
        string Step(double to) => Measures.Text(new(MeasureKind.Load, Math.Abs(to - kilograms!.Value)), DistanceUnit.Metre, mass);
        return (kind, isHelp, next) switch
        {
            (LoadVerdictKind.TooFast, _, { } to) when kilograms - to >= 0.25 => new(kind, decrement, to, $"{much}, too much: take {Step(to)} off the cord"),
            (LoadVerdictKind.TooFast, _, _) => new(kind, decrement, null, $"{much}, too much: reduce the help, or stop"),
            (LoadVerdictKind.TooSlow, true, _) => new(kind, decrement, null, $"{much}: no help at all; look at cord and athlete before the next"),
            (LoadVerdictKind.TooSlow, _, { } to) when kilograms - to >= 0.25 => new(kind, decrement, to, $"{much}, too heavy: take {Step(to)} off"),
            (LoadVerdictKind.TooSlow, _, _) => new(kind, decrement, null, $"{much}, too heavy: lighten it"),
            (_, _, { } to) when to - kilograms >= 0.25 => new(kind, decrement, to, $"{much}, too light: add {Step(to)}"),
            _ => new(kind, decrement, null, $"{much}, too light"),
        };
    }

    /// <summary>The next load from what was measured: slowing grows in proportion to load (see <see cref="LoadLine"/>), the step held to <see cref="MostStep"/>; a load that helped too much is cut in full.</summary>
    /// <param name="kilograms">Load of the run, kg.</param>
    /// <param name="decrement">Percent slower than free, measured.</param>
    /// <param name="aimed">Percent slower that is aimed at, of the same sign.</param>
    public static double Next(double kilograms, double decrement, double aimed)
    {
        if (decrement * aimed <= 0)
        {
            return kilograms;
        }

        var wanted = kilograms * aimed / decrement;
        return decrement < 0 && Math.Abs(aimed) < Math.Abs(decrement) ? wanted : Math.Clamp(wanted, kilograms * (1 - MostStep), kilograms * (1 + MostStep));
    }
}
