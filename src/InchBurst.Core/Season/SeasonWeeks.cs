using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;

namespace InchBurst.Core.Season;

/// <summary>What of a session was done, as far as the log tells.</summary>
public static class DoneDose
{
    /// <summary>Sprint metres by kind of work that each of those present ran in the mean: a line with logged runs counts by how many of its runs were logged, one without any as written.</summary>
    /// <param name="plan">The plan as it was run.</param>
    /// <param name="athlete">The typical athlete.</param>
    /// <param name="catalogue">Known exercises.</param>
    /// <param name="present">Athletes present, 0 or more.</param>
    /// <param name="logged">Logged runs of a line.</param>
    public static (IReadOnlyDictionary<WorkKind, double> Metres, LineVolume Volume) Of(SessionPlan plan, DemandAthlete athlete, ExerciseCatalogue catalogue, int present, Func<int, int> logged)
    {
        var metres = new Dictionary<WorkKind, double>();
        var sum = default(LineVolume);
        foreach (var block in plan.Blocks)
        {
            foreach (var line in block.Lines)
            {
                var runs = logged(line.Id);
                var share = runs == 0 ? 1 : Math.Min(1, runs / (double)Math.Max(1, present * line.Turns * block.Rounds));
                var volume = Volume.Of(LineDemand.Of(line, catalogue, athlete), block.Rounds);
                if (present == 0)
                {
                    continue;
                }

                sum += volume * share;
                if (volume.SprintMetres > 0)
                {
                    metres[line.Kind] = metres.GetValueOrDefault(line.Kind) + (share * volume.SprintMetres);
                }
            }
        }

        return (metres, sum);
    }
}

/// <summary>Sprint metres and contacts of a time, split as a coach splits them.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Key">Number of the school that wishes it, or null for what is left.</param>
/// <param name="Amount">Metres, or contacts a week.</param>
/// <param name="SharePercent">Share of all sprint metres, percent; null for contacts.</param>
/// <param name="Wished">What the school wishes: percent, or contacts a week.</param>
public sealed record SplitPart(string Name, string? Key, double Amount, double? SharePercent, double Wished)
{
    /// <summary>Percent points that a share may differ from what is wished before it is said (own rule).</summary>
    public const double Apart = 10;

    /// <summary>True when it is far from what is wished: ten points of a share, half of the contacts.</summary>
    public bool IsApart => SharePercent is { } share ? Math.Abs(share - Wished) > Apart : Wished > 0 && (Amount > 1.5 * Wished || Amount < 0.5 * Wished);

    /// <summary>Splits a volume.</summary>
    /// <param name="volume">All of it.</param>
    /// <param name="weeks">Weeks it was done in, 1 or more.</param>
    /// <param name="school">The school.</param>
    public static IReadOnlyList<SplitPart> Of(LineVolume volume, int weeks, School.CoachingSchool school)
    {
        var all = Math.Max(1e-9, volume.SprintMetres);
        var free = volume.SprintMetres - volume.LightMetres - volume.HeavyMetres - volume.AssistedMetres - volume.TurnMetres;
        var left = 100 - school["split.light"] - school["split.heavy"] - school["split.assisted"] - school["split.turn"];
        SplitPart Part(string name, string key, double metres) => new(name, key, metres, 100 * metres / all, school[key]);
        return
        [
            new("Free", null, free, 100 * free / all, left), Part("Light", "split.light", volume.LightMetres), Part("Heavy", "split.heavy", volume.HeavyMetres), Part("Assisted", "split.assisted", volume.AssistedMetres),
            Part("Turns", "split.turn", volume.TurnMetres), new("Jump contacts a week", "split.contacts", volume.JumpContacts / Math.Max(1, weeks), null, school["split.contacts"]),
        ];
    }
}

/// <summary>What a phase asks of a week.</summary>
/// <param name="Phase">Name of the phase.</param>
/// <param name="Metres">Sprint metres, m; 0 when it says none.</param>
/// <param name="LoadPercent">How much the sled slows, percent, 0 to 80; 0 for no sled.</param>
/// <param name="StopMetres">Room to stop in, m; 0 when it is no matter.</param>
/// <param name="Drill">The drill of the week, or null.</param>
public sealed record PhaseAim(string Phase, double Metres, double LoadPercent = 0, double StopMetres = 0, string? Drill = null);

/// <summary>A part of a season with an aim: few numbers, from its first week to its last.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Aim">What it is for.</param>
/// <param name="From">First day.</param>
/// <param name="To">Last day.</param>
/// <param name="MetresFirst">Sprint metres a week in its first week, m.</param>
/// <param name="MetresLast">Sprint metres a week in its last week, m.</param>
/// <param name="LoadFirst">Slowing by the sled in its first week, percent; 0 for free.</param>
/// <param name="LoadLast">Slowing by the sled in its last week, percent.</param>
/// <param name="StopFirst">Room to stop in its first week, m; 0 when it is no matter.</param>
/// <param name="StopLast">Room to stop in its last week, m.</param>
public sealed record Phase(string Name, string Aim, DateOnly From, DateOnly To, double MetresFirst, double MetresLast, double LoadFirst = 0, double LoadLast = 0, double StopFirst = 0, double StopLast = 0)
{
    /// <summary>Names of drills in the order of their progression, spread evenly over its weeks; may be empty.</summary>
    public IReadOnlyList<string> Drills { get; init; } = [];

    /// <summary>The drill of the week a day lies in; null outside the phase and without drills.</summary>
    /// <param name="day">The day.</param>
    public string? DrillAt(DateOnly day) => Drills.Count == 0 || day < From || day > To ? null : Drills[Math.Min(Drills.Count - 1, (day.DayNumber - From.DayNumber) / 7 * Drills.Count / Weeks)];

    /// <summary>What the phase asks of the week a day lies in; null outside it.</summary>
    /// <param name="day">The day.</param>
    public PhaseAim? AimAt(DateOnly day) => At(day) is { } numbers ? new(Name, numbers.Metres, numbers.Load, numbers.Stop, DrillAt(day)) : null;

    /// <summary>Weeks of the phase, 1 or more.</summary>
    public int Weeks => Math.Max(1, (To.DayNumber - From.DayNumber + 7) / 7);

    /// <summary>Numbers of the week a day lies in: evenly from the first week to the last; null outside the phase.</summary>
    /// <param name="day">The day.</param>
    public (double Metres, double Load, double Stop)? At(DateOnly day)
    {
        if (day < From || day > To)
        {
            return null;
        }

        var share = Weeks == 1 ? 0 : Math.Min(1, ((day.DayNumber - From.DayNumber) / 7) / (double)(Weeks - 1));
        double Between(double first, double last) => first + (share * (last - first));
        return (Between(MetresFirst, MetresLast), Between(LoadFirst, LoadLast), Between(StopFirst, StopLast));
    }
}

/// <summary>What phases show when they are read by the rules.</summary>
public static class PhaseChecks
{
    /// <summary>Most that metres may grow from one week to the next, as a factor (common practice).</summary>
    public const double MostGrowth = 1.3;

    /// <summary>Everything found, in order of the season.</summary>
    /// <param name="phases">The phases.</param>
    /// <param name="catalogue">Known exercises, by which drills are judged; null leaves them out.</param>
    public static IReadOnlyList<string> Judge(IReadOnlyList<Phase> phases, ExerciseCatalogue? catalogue = null)
    {
        var found = new List<string>();
        var order = phases.OrderBy(p => p.From).ToList();
        foreach (var phase in order)
        {
            var step = phase.Weeks > 1 && phase.MetresFirst > 0 ? phase.MetresFirst == phase.MetresLast ? 1 : (phase.MetresFirst + ((phase.MetresLast - phase.MetresFirst) / (phase.Weeks - 1))) / phase.MetresFirst : 1;
            if (step > MostGrowth)
            {
                found.Add($"{phase.Name} grows {Units.Figures.Number((step - 1) * 100)}% a week; at most {Units.Figures.Number((MostGrowth - 1) * 100)}% (common practice)");
            }

            if (phase.LoadLast > phase.LoadFirst)
            {
                found.Add($"{phase.Name} goes from light to heavy; resisted running goes heavy to light to free (common practice)");
            }

            if (catalogue is not null)
            {
                found.AddRange(phase.Drills.Where(d => catalogue.Find(d) is null).Select(d => $"“{d}” of {phase.Name} is not among your drills"));
                found.AddRange(phase.Drills.Zip(phase.Drills.Skip(1)).Where(p => LeadsTo(catalogue, p.Second, p.First)).Select(p => $"{phase.Name} goes from {p.First} back to {p.Second}, which is easier; drills speed up (common practice)"));
            }

            if (phase.StopLast > phase.StopFirst)
            {
                found.Add($"{phase.Name} gives more room to stop at its end; stopping distance shortens (common practice)");
            }
        }

        foreach (var (before, next) in order.Zip(order.Skip(1)))
        {
            if (next.From <= before.To)
            {
                found.Add($"{next.Name} begins before {before.Name} ends");
            }
            else if (before.MetresLast > 0 && next.MetresFirst > MostGrowth * before.MetresLast)
            {
                found.Add($"{next.Name} begins with {Units.Figures.Number(next.MetresFirst / before.MetresLast, 1)} times the metres that {before.Name} ends with");
            }
        }

        return found;
    }

    private const int LongestLadder = 12;

    // True when a drill leads to another along the catalogue's next harder ones.
    private static bool LeadsTo(ExerciseCatalogue catalogue, string from, string to)
    {
        var at = catalogue.Find(from);
        for (var i = 0; i < LongestLadder && at is not null; i++)
        {
            at = catalogue.Find(at.Harder);
            if (at is not null && at == catalogue.Find(to))
            {
                return true;
            }
        }

        return false;
    }
}

/// <summary>Hard metres of a week against those of the four weeks before it.</summary>
/// <param name="Usual">Their mean, m; null where fewer than four weeks or one without anything hard lies before it: that is no measure of what is usual.</param>
/// <param name="Share">How many times the mean the week has; null without a mean.</param>
public readonly record struct MonthMean(double? Usual, double? Share)
{
    /// <summary>True when the week has more than may be added to a month's mean (<see cref="PhaseChecks.MostGrowth"/>).</summary>
    public bool IsOver => Share > PhaseChecks.MostGrowth;

    /// <summary>The mean before each of a row of weeks.</summary>
    /// <param name="hard">Hard metres of the weeks, oldest first, m.</param>
    public static IReadOnlyList<MonthMean> Of(IReadOnlyList<double> hard) => [.. hard.Select((metres, i) =>
        i < 4 || hard.Skip(i - 4).Take(4).Any(m => m <= 0) ? default : hard.Skip(i - 4).Take(4).Average() is var mean ? new MonthMean(mean, metres / mean) : default)];
}

/// <summary>An athlete's season at top speed.</summary>
/// <param name="Times">Days it was reached.</param>
/// <param name="CoveredPercent">Share of the days since the first that lie no more than the limit after one, percent.</param>
/// <param name="LongestDays">Longest time between two, or since the last, days.</param>
public sealed record SeasonExposure(int Times, double CoveredPercent, int LongestDays)
{
    /// <summary>Adds up an athlete's days from the first one on.</summary>
    /// <param name="days">Days reached, any order.</param>
    /// <param name="today">Today.</param>
    /// <param name="every">Days that one lasts.</param>
    public static SeasonExposure Of(IEnumerable<DateOnly> days, DateOnly today, int every)
    {
        var own = days.Where(d => d <= today).Distinct().Order().ToList();
        if (own.Count == 0)
        {
            return new(0, 0, 0);
        }

        var gaps = own.Zip(own.Skip(1).Append(today)).Select(p => p.Second.DayNumber - p.First.DayNumber).ToList();
        var all = Math.Max(1, today.DayNumber - own[0].DayNumber);
        return new(own.Count, 100.0 * gaps.Sum(g => Math.Min(g, every)) / all, gaps.Max());
    }
}
