using System.Globalization;

namespace InchBurst.Core.Units;

/// <summary>How much a doubt about something typed weighs.</summary>
public enum DoubtKind
{
    /// <summary>Cannot be; it is refused.</summary>
    Impossible,

    /// <summary>Unlikely; the coach is asked and may overrule.</summary>
    Unlikely,
}

/// <summary>What else than gate times is written down for a go.</summary>
public enum MeasureKind
{
    /// <summary>Time over a run that is not timed by itself, such as a shuttle; it is logged as a mark, not as a measure.</summary>
    Time,

    /// <summary>Height of a jump, kept in m.</summary>
    JumpHeight,

    /// <summary>Length of a jump or bound, kept in m.</summary>
    JumpLength,

    /// <summary>Distance of a throw, kept in m.</summary>
    ThrowDistance,

    /// <summary>Time in the air of a throw or jump, kept in s.</summary>
    AirTime,

    /// <summary>Heart rate at the end, in beats a minute.</summary>
    HeartRate,

    /// <summary>Load lifted or pulled, kept in kg.</summary>
    Load,

    /// <summary>Repetitions done.</summary>
    Reps,

    /// <summary>Height the hand touches, kept in m.</summary>
    TouchHeight,

    /// <summary>Height of a box jumped on, kept in m.</summary>
    BoxHeight,
}

/// <summary>A measured value.</summary>
/// <param name="Kind">What was measured.</param>
/// <param name="Value">Value in the unit it is kept in.</param>
public readonly record struct Measured(MeasureKind Kind, double Value);

/// <summary>How a measure is called, typed and bounded.</summary>
/// <param name="Kind">The measure.</param>
/// <param name="Word">Its word in shorthand after "log".</param>
/// <param name="Label">Its name on screen.</param>
/// <param name="Least">Least value taken, in the unit it is kept in.</param>
/// <param name="Most">Greatest value taken, in the unit it is kept in.</param>
/// <param name="Likely">Greatest value taken without asking (common practice).</param>
/// <param name="ErrorShare">Typical error of one attempt as a share of the value, where repeats are too few to tell (common practice).</param>
/// <param name="Step">What it is read to, in the unit it is kept in.</param>
public sealed record MeasureRule(MeasureKind Kind, string Word, string Label, double Least, double Most, double Likely, double ErrorShare, double Step)
{
    /// <summary>True where less is more: times and heart rates.</summary>
    public bool LessIsBetter => Kind is MeasureKind.Time or MeasureKind.HeartRate;
}

/// <summary>Reads measures as they are typed in the club's units, and writes them.</summary>
public static class Measures
{
    /// <summary>Every measure. Bounds are common practice: wide enough for any athlete, narrow enough to catch a slip of the finger.</summary>
    public static IReadOnlyList<MeasureRule> All { get; } =
    [
        new(MeasureKind.Time, "time", "Time", 0.5, 7200, 7200, 0.01, 0.01),
        new(MeasureKind.JumpHeight, "height", "Height", 0.02, 1.5, 1.0, 0.04, 0.005),
        new(MeasureKind.JumpLength, "length", "Length", 0.1, 25, 12, 0.03, 0.01),
        new(MeasureKind.ThrowDistance, "distance", "Distance", 0.2, 40, 25, 0.04, 0.05),
        new(MeasureKind.AirTime, "air time", "Air time", 0.05, 6, 3, 0.02, 0.01),
        new(MeasureKind.HeartRate, "heart rate", "Heart rate", 30, 250, 215, 0.02, 1),
        new(MeasureKind.Load, "load", "Load", 0.5, 500, 250, 0.03, 2.5),
        new(MeasureKind.Reps, "reps", "Reps", 0, 200, 60, 0.1, 1),
        new(MeasureKind.TouchHeight, "touch height", "Touch", 1, 4.5, 3.7, 0.01, 0.01),
        new(MeasureKind.BoxHeight, "box height", "Box", 0.1, 2, 1.3, 0.05, 0.05),
    ];

    /// <summary>The rule of a measure.</summary>
    /// <param name="kind">The measure.</param>
    public static MeasureRule Of(MeasureKind kind) => All.First(m => m.Kind == kind);

    /// <summary>Unit a measure is typed and read in.</summary>
    /// <param name="kind">The measure.</param>
    /// <param name="distance">Unit the club writes distances in: metres mean cm for heights, feet and yards mean inches and feet.</param>
    /// <param name="mass">Unit the club writes masses in.</param>
    public static string Unit(MeasureKind kind, DistanceUnit distance, MassReading mass) => kind switch
    {
        MeasureKind.JumpHeight or MeasureKind.TouchHeight or MeasureKind.BoxHeight => distance == DistanceUnit.Metre ? "cm" : "in",
        MeasureKind.JumpLength or MeasureKind.ThrowDistance => distance == DistanceUnit.Metre ? "m" : "ft",
        MeasureKind.AirTime or MeasureKind.Time => "s",
        MeasureKind.HeartRate => "bpm",
        MeasureKind.Load => Figures.SymbolOf(mass),
        _ => "",
    };

    /// <summary>A value from the unit it is kept in to the one it is read in.</summary>
    /// <param name="measured">The measure.</param>
    /// <param name="distance">The club's unit of distance.</param>
    /// <param name="mass">The club's unit of mass.</param>
    public static string Text(Measured measured, DistanceUnit distance, MassReading mass)
    {
        var value = measured.Value / Scale(measured.Kind, distance, mass);
        var decimals = measured.Kind switch
        {
            MeasureKind.HeartRate or MeasureKind.Reps => 0,
            MeasureKind.JumpHeight or MeasureKind.TouchHeight or MeasureKind.BoxHeight or MeasureKind.Load => 1,
            _ => 2,
        };
        var unit = Unit(measured.Kind, distance, mass);
        var number = measured.Kind is MeasureKind.Load or MeasureKind.Reps or MeasureKind.TouchHeight or MeasureKind.BoxHeight ? Figures.Number(value, decimals) : Figures.Exact(value, decimals);
        return unit.Length == 0 ? $"{number} reps" : $"{number} {unit}";
    }

    /// <summary>The same, and of a jump's time in the air the height it means.</summary>
    /// <param name="measured">The measure.</param>
    /// <param name="isJump">True when it was a jump.</param>
    /// <param name="distance">The club's unit of distance.</param>
    /// <param name="mass">The club's unit of mass.</param>
    public static string Words(Measured measured, bool isJump, DistanceUnit distance, MassReading mass) =>
        Text(measured, distance, mass) + (isJump && measured.Kind == MeasureKind.AirTime ? $" = {Text(new(MeasureKind.JumpHeight, AirTime.Height(measured.Value)), distance, mass)}" : "");

    /// <summary>Reads a typed value; comma or point.</summary>
    /// <param name="text">What was typed, in the club's unit.</param>
    /// <param name="kind">The measure.</param>
    /// <param name="distance">The club's unit of distance.</param>
    /// <param name="mass">The club's unit of mass.</param>
    /// <returns>The value, or a doubt: impossible ones have no value, unlikely ones have.</returns>
    public static (Measured? Value, DoubtKind? Doubt, string Message) Read(string text, MeasureKind kind, DistanceUnit distance, MassReading mass)
    {
        var rule = Of(kind);
        var unit = Unit(kind, distance, mass);
        if (!double.TryParse(text.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var typed))
        {
            return (null, DoubtKind.Impossible, $"“{(text.Length <= 12 ? text : text[..12] + "…")}” is not a number.");
        }

        var scale = Scale(kind, distance, mass);
        var value = typed * scale;
        if (kind is MeasureKind.HeartRate or MeasureKind.Reps && typed != Math.Floor(typed))
        {
            return (null, DoubtKind.Impossible, $"{rule.Label} is a whole number.");
        }

        if (value < rule.Least || value > rule.Most)
        {
            return (null, DoubtKind.Impossible, $"{rule.Label} must be {Figures.Number(rule.Least / scale, 1)} to {Figures.Number(rule.Most / scale, 1)}{(unit.Length > 0 ? " " + unit : "")}.");
        }

        return value > rule.Likely
            ? (new(kind, value), DoubtKind.Unlikely, $"{rule.Label} {Figures.Number(typed, 2)}{(unit.Length > 0 ? " " + unit : "")} is more than is usual. Is it right?")
            : (new(kind, value), null, "");
    }

    /// <summary>An amount in a named unit, in the unit the measure is kept in; null when that unit does not measure it.</summary>
    /// <param name="amount">The amount.</param>
    /// <param name="unit">m, cm, mm, in, ft, s, ms, kg, lb, bpm or 1/min, reps; empty means the unit it is kept in.</param>
    /// <param name="kind">The measure.</param>
    public static double? Kept(double amount, string unit, MeasureKind kind) => (kind, unit.Trim().TrimEnd('.').ToLowerInvariant()) switch
    {
        (_, "") => amount,
        (MeasureKind.AirTime or MeasureKind.Time, "s" or "sec") => amount,
        (MeasureKind.AirTime or MeasureKind.Time, "ms") => amount / 1000,
        (MeasureKind.Load, "kg") => amount,
        (MeasureKind.Load, "lb" or "lbs") => Figures.KilogramsFrom(amount, MassReading.Pound),
        (MeasureKind.HeartRate, "bpm" or "1/min") or (MeasureKind.Reps, "reps") => amount,
        (MeasureKind.AirTime or MeasureKind.Time or MeasureKind.Load or MeasureKind.HeartRate or MeasureKind.Reps, _) => null,
        (_, "m") => amount,
        (_, "cm") => amount / 100,
        (_, "mm") => amount / 1000,
        (_, "in" or "inch" or "\"") => amount * 0.0254,
        (_, "ft" or "'") => amount * 0.3048,
        _ => null,
    };

    /// <summary>What one typed unit is in the unit kept: 1 cm = 0.01 m; 1 in = 0.0254 m, 1 ft = 0.3048 m and 1 lb = 0.45359237 kg exactly.</summary>
    /// <param name="kind">The measure.</param>
    /// <param name="distance">The club's unit of distance.</param>
    /// <param name="mass">The club's unit of mass.</param>
    public static double Scale(MeasureKind kind, DistanceUnit distance, MassReading mass) => kind switch
    {
        MeasureKind.JumpHeight or MeasureKind.TouchHeight or MeasureKind.BoxHeight => distance == DistanceUnit.Metre ? 0.01 : 0.0254,
        MeasureKind.JumpLength or MeasureKind.ThrowDistance => distance == DistanceUnit.Metre ? 1 : 0.3048,
        MeasureKind.Load => Figures.KilogramsFrom(1, mass),
        _ => 1,
    };
}
