using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Progress;

/// <summary>The most that could be lifted once, from a set of several.</summary>
public static class LiftMaximum
{
    /// <summary>Most reps a set may have to say anything of one.</summary>
    public const int MostReps = 10;

    /// <summary>
    /// load × (1 + reps / 30) (Epley 1985, cited from memory): within a few percent up to ten reps by common practice. One rep is the load itself.
    /// </summary>
    /// <param name="kilograms">Load lifted, kg, above 0.</param>
    /// <param name="reps">Reps done, 1 or more; null when not said, which is taken as one.</param>
    /// <returns>kg, or null for more reps than can tell.</returns>
    public static double? Of(double kilograms, int? reps) => reps is null or <= 1 ? kilograms : reps > MostReps ? null : kilograms * (1 + (reps.Value / 30.0));

    /// <summary>The load to put on a bar for a share of the maximum: to the nearest pair of the least plates, 2.5 kg or 5 lb (common practice).</summary>
    /// <param name="maximum">The maximum, kg, above 0.</param>
    /// <param name="percent">Share of it, percent, above 0.</param>
    /// <param name="reading">What the plates are marked in.</param>
    /// <returns>kg, at least one such pair.</returns>
    public static double ToLift(double maximum, double percent, MassReading reading)
    {
        var step = Figures.KilogramsFrom(reading == MassReading.Pound ? 5 : 2.5, reading);
        return step * Math.Max(1, Math.Round(maximum * percent / 100 / step, MidpointRounding.AwayFromZero));
    }

    /// <summary>What to lift for a load in percent of body mass, to the nearest pair of the least plates.</summary>
    /// <param name="load">Load of the line.</param>
    /// <param name="body">Body mass, kg, above 0; null where it is not known.</param>
    /// <param name="reading">What the plates are marked in.</param>
    /// <returns>kg, the lighter end of a range first; null for a load that is no lift by body mass, or where that is not known.</returns>
    public static (double Least, double Most)? OfBody(LineLoad? load, double? body, MassReading reading) => load is not { Kind: LoadKind.Lift, Unit: LoadUnit.PercentBodyMass } share || body is not { } bodyKilograms ? null
        : (ToLift(bodyKilograms, share.Least ?? share.Amount, reading), ToLift(bodyKilograms, share.Amount, reading));

    /// <summary>What to lift in words: "62.5 kg", "60 to 70 kg".</summary>
    /// <param name="bar">kg, the lighter end first.</param>
    /// <param name="reading">Unit masses are read in.</param>
    public static string Words((double Least, double Most) bar, MassReading reading)
    {
        string Text(double kilograms) => Figures.Number(Figures.MassIn(kilograms, reading), 1);
        return $"{(bar.Least == bar.Most ? "" : Text(bar.Least) + " to ")}{Text(bar.Most)} {Figures.SymbolOf(reading)}";
    }

    /// <summary>
    /// The range a set gives: from 36 load / (37 − reps) (Brzycki) to load × (1 + reps / 30) (Epley), both from memory; the two meet at ten reps. One rep is the load itself.
    /// </summary>
    /// <param name="kilograms">Load lifted, kg, above 0.</param>
    /// <param name="reps">Reps done, 1 or more.</param>
    /// <returns>kg, the lower end first, or null for more reps than can tell.</returns>
    public static (double Low, double High)? Likely(double kilograms, int reps) => Of(kilograms, reps) is not { } epley ? null
        : reps <= 1 ? (kilograms, kilograms) : 36 * kilograms / (37 - reps) is var brzycki && brzycki < epley ? (brzycki, epley) : (epley, brzycki);
}

/// <summary>A set that says something of a maximum.</summary>
/// <param name="Day">Day it was lifted.</param>
/// <param name="Kilograms">Load lifted, kg, above 0.</param>
/// <param name="Reps">Reps done, 1 or more.</param>
/// <param name="IsTest">True when it was the most that could be done, and somebody says so; false for a set of training, which says no more than that it was possible.</param>
public sealed record LiftSet(DateOnly Day, double Kilograms, int Reps, bool IsTest);

/// <summary>The maximum that stands for an athlete on a lift.</summary>
/// <param name="From">The set it is reckoned from.</param>
/// <param name="Kilograms">The lower end of what the set gives, kg: percentages are taken of this.</param>
/// <param name="High">The upper end, kg.</param>
/// <param name="IsOld">True when the set is older than <see cref="GoodForDays"/>: test again before loading by it.</param>
public sealed record StandingMaximum(LiftSet From, double Kilograms, double High, bool IsOld)
{
    /// <summary>Half a year: strength is another one after that (common practice).</summary>
    public const int GoodForDays = 182;

    /// <summary>True when it was lifted once and said to be the most.</summary>
    public bool IsTested => From is { IsTest: true, Reps: 1 };

    /// <summary>
    /// The latest test stands; a set that shows more since, in training or before the half year is over without any test, stands in its place.
    /// What is older than half a year only stands while there is nothing newer.
    /// </summary>
    /// <param name="sets">Tests and sets of training in any order; those of too many reps are passed over.</param>
    /// <param name="on">The day it is asked for; later sets are passed over.</param>
    public static StandingMaximum? Of(IEnumerable<LiftSet> sets, DateOnly on)
    {
        var known = sets.Where(s => s.Day <= on).Select(s => (Set: s, Range: LiftMaximum.Likely(s.Kilograms, s.Reps))).Where(s => s.Range is not null)
            .Select(s => new StandingMaximum(s.Set, s.Range!.Value.Low, s.Range.Value.High, s.Set.Day < on.AddDays(-GoodForDays))).ToList();
        var recent = known.Where(k => !k.IsOld).ToList();
        if (recent.Count == 0)
        {
            return known.OrderByDescending(k => k.From.Day).ThenByDescending(k => k.Kilograms).FirstOrDefault();
        }

        var test = recent.Where(k => k.From.IsTest).OrderByDescending(k => k.From.Day).ThenByDescending(k => k.Kilograms).FirstOrDefault();
        return recent.Where(k => test is null || k == test || (k.From.Day >= test.From.Day && k.Kilograms > test.Kilograms)).MaxBy(k => k.Kilograms);
    }

    /// <summary>The maximum in words: "100 kg tested", "112.5 to 117 kg from 100 kg x 5".</summary>
    /// <param name="mass">Unit masses are read in.</param>
    public string Words(MassReading mass)
    {
        string Text(double kilograms) => Figures.Number(Figures.MassIn(kilograms, mass), 1);
        var unit = Figures.SymbolOf(mass);
        return From.Reps <= 1 ? $"{Text(Kilograms)} {unit} {(From.IsTest ? "tested" : "lifted")}" : $"{Text(Kilograms)} to {Text(High)} {unit} from {Text(From.Kilograms)} {unit} x {From.Reps}";
    }

    /// <summary>What to put on the bar for a line in percent of the maximum.</summary>
    /// <param name="load">Load of the line.</param>
    /// <param name="mass">What the plates are marked in.</param>
    /// <returns>kg, the lighter end of a range first; null for a load that is no share of a maximum.</returns>
    public (double Least, double Most)? OnTheBar(LineLoad? load, MassReading mass) => load is not { Kind: LoadKind.Lift, Unit: LoadUnit.PercentMaximum, Amount: > 0 } share ? null
        : (LiftMaximum.ToLift(Kilograms, share.Least ?? share.Amount, mass), LiftMaximum.ToLift(Kilograms, share.Amount, mass));

    /// <summary>What to put on the bar in words: "62.5 kg", "60 to 70 kg"; null for a load that is no share of a maximum.</summary>
    /// <param name="load">Load of the line.</param>
    /// <param name="mass">What the plates are marked in.</param>
    public string? BarWords(LineLoad? load, MassReading mass) => OnTheBar(load, mass) is { } bar ? LiftMaximum.Words(bar, mass) : null;
}
