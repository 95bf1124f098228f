using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Log;

/// <summary>The best time of one trial over one stretch.</summary>
/// <param name="Trial">Conditions.</param>
/// <param name="FromMillimetres">Where the stretch begins; 0 for the start.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Seconds">The time in s, as read from the clock.</param>
/// <param name="RunId">The run it was made in.</param>
/// <param name="Day">The day.</param>
/// <param name="Runs">How many runs of this trial cover the stretch.</param>
public sealed record TrialBest(Trial Trial, int FromMillimetres, Distance To, double Seconds, long RunId, DateOnly Day, int Runs)
{
    /// <summary>The time with what may be taken out of it; null where nobody asked.</summary>
    public AdjustedTime? Adjusted { get; init; }

    /// <summary>What that run was run in.</summary>
    public RunSetting Setting { get; init; } = RunSetting.None;

    /// <summary>True for a flying zone.</summary>
    public bool IsFlying => FromMillimetres > 0;

    /// <summary>Length of the stretch.</summary>
    public Distance Length => Distance.InMetres((To.Millimetres - FromMillimetres) / 1000.0).To(To.Unit);

    /// <summary>What sets it apart from others over the same stretch, in a coach's words.</summary>
    public string Words => string.Join(", ", new[] { IsFlying ? $"after {Distance.InMetres(FromMillimetres / 1000.0).To(To.Unit)}" : "", IsFlying ? Trial.FlyingWords : Trial.Words }.Where(w => w.Length > 0));
}

/// <summary>Bests over one stretch: the trial run most often first, the others beside it under their own names.</summary>
/// <param name="Name">What is timed, such as "10 m" or "flying 10 m".</param>
/// <param name="Trials">At least one, the commonest first.</param>
public sealed record BestList(string Name, IReadOnlyList<TrialBest> Trials);

/// <summary>Orders bests into lists. Nothing is ever set beside another trial without its name.</summary>
public static class Bests
{
    /// <summary>Distances from the start that have a list of their own when they have been run.</summary>
    public static IReadOnlyList<Distance> Standard { get; } =
    [
        Distance.InMetres(5), Distance.InMetres(10), Distance.InMetres(15), Distance.InMetres(20), Distance.InMetres(30), Distance.InMetres(40), Distance.InMetres(60), Distance.InMetres(100),
        new(10, DistanceUnit.Yard), new(15, DistanceUnit.Yard), new(20, DistanceUnit.Yard), new(40, DistanceUnit.Yard), new(60, DistanceUnit.Yard),
    ];

    /// <summary>Lists with the trials on one surface or in one kind of shoes alone.</summary>
    /// <param name="lists">Lists.</param>
    /// <param name="surface">The surface; null for all.</param>
    /// <param name="shoes">The shoes; null for all.</param>
    public static IReadOnlyList<BestList> Only(IReadOnlyList<BestList> lists, Surface? surface, Shoes? shoes) =>
        [.. lists.Select(l => l with { Trials = [.. l.Trials.Where(t => (surface is null || t.Trial.Surface == surface) && (shoes is null || t.Trial.Shoes == shoes))] }).Where(l => l.Trials.Count > 0)];

    /// <summary>Lists with the trials run free, or those run with a load or help, alone.</summary>
    /// <param name="lists">Lists.</param>
    /// <param name="isFree">True for the free ones.</param>
    public static IReadOnlyList<BestList> OfLoad(IReadOnlyList<BestList> lists, bool isFree) => [.. lists.Select(l => l with { Trials = [.. l.Trials.Where(t => t.Trial.IsFree == isFree)] }).Where(l => l.Trials.Count > 0)];

    /// <summary>Lists of what has been run: distances from the start, flying zones, own courses.</summary>
    /// <param name="bests">The best of each trial and stretch.</param>
    public static IReadOnlyList<BestList> Lists(IEnumerable<TrialBest> bests)
    {
        var all = bests.ToList();
        var lists = new List<BestList>();
        void Add(string name, IEnumerable<TrialBest> of)
        {
            var trials = of.OrderByDescending(b => b.Runs).ThenByDescending(b => b.Day).ThenBy(b => b.Words, StringComparer.Ordinal).ToList();
            if (trials.Count > 0)
            {
                lists.Add(new(name, trials));
            }
        }

        foreach (var distance in Standard)
        {
            Add(distance.ToString(), all.Where(b => !b.IsFlying && b.Trial.IsStraight && b.To.Millimetres == distance.Millimetres));
        }

        foreach (var length in Stretches.FlyingLengths)
        {
            Add("flying " + length, all.Where(b => b.IsFlying && b.Trial.IsStraight && b.FromMillimetres >= Limits.FlyingFromMetres * 1000 && b.To.Millimetres - b.FromMillimetres == length.Millimetres));
        }

        foreach (var course in all.Where(b => !b.IsFlying && !b.Trial.IsStraight).GroupBy(b => (b.Trial.Course, b.To.Millimetres)).OrderByDescending(g => g.Sum(b => b.Runs)))
        {
            // Of an own course the whole counts; what was passed on the way has no list.
            if (course.Key.Millimetres == all.Where(b => !b.IsFlying && b.Trial.Course == course.Key.Course).Max(b => b.To.Millimetres))
            {
                Add(Trial.CourseWords(course.Key.Course), course);
            }
        }

        return lists;
    }
}
