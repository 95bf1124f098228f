namespace InchBurst.Core.Load;

/// <summary>A sled with its plates.</summary>
/// <param name="SledKilograms">Mass of the sled alone, kg, 0.5 to 100.</param>
/// <param name="Plates">Plates that it can carry at once, kg each, in any order.</param>
public sealed record SledKit(double SledKilograms, IReadOnlyList<double> Plates)
{
    /// <summary>Lightest and heaviest plate, kg.</summary>
    public const double LeastPlate = 0.25;

    /// <summary>Heaviest plate, kg.</summary>
    public const double MostPlate = 50;

    /// <summary>Most plates a sled carries.</summary>
    public const int MostPlates = 14;

    /// <summary>Shares plates out between sleds of a club: so many each, what is left over to the first.</summary>
    /// <param name="sleds">Masses of the sleds, kg.</param>
    /// <param name="plates">Mass of a plate, kg, and how many there are.</param>
    public static IReadOnlyList<SledKit> Share(IReadOnlyList<double> sleds, IReadOnlyList<(double Kilograms, int Count)> plates) =>
        [.. sleds.Select((sled, i) => new SledKit(sled, [.. plates.OrderByDescending(p => p.Kilograms).SelectMany(p => Enumerable.Repeat(p.Kilograms, (p.Count / sleds.Count) + (i < p.Count % sleds.Count ? 1 : 0))).Take(MostPlates)]))];

    /// <summary>The plates that come nearest to a load, biggest first; of equals the fewest plates, then the lighter load.</summary>
    /// <param name="kilograms">Load wanted, sled included, kg.</param>
    public PlateStack For(double kilograms)
    {
        var best = new PlateStack(SledKilograms, []);
        void Try(int from, PlateStack stack)
        {
            var (was, now) = (Math.Abs(best.Kilograms - kilograms), Math.Abs(stack.Kilograms - kilograms));
            if (now < was - 1e-9 || (now < was + 1e-9 && (stack.Plates.Count < best.Plates.Count || (stack.Plates.Count == best.Plates.Count && stack.Kilograms < best.Kilograms - 1e-9))))
            {
                best = stack;
            }

            for (var i = from; i < sorted.Length; i++)
            {
                // Equal plates are taken from the first on, and none goes on a stack that is heavy enough.
                if ((i == from || Math.Abs(sorted[i] - sorted[i - 1]) > 1e-9) && stack.Kilograms < kilograms)
                {
                    Try(i + 1, new(SledKilograms, [.. stack.Plates, sorted[i]]));
                }
            }
        }

        Try(0, best);
        return best;
    }

    private readonly double[] sorted = [.. Plates.OrderDescending()];
}

/// <summary>Plates on a sled, the biggest at the bottom.</summary>
/// <param name="SledKilograms">Mass of the sled, kg.</param>
/// <param name="Plates">Plates from the bottom up, kg.</param>
public sealed record PlateStack(double SledKilograms, IReadOnlyList<double> Plates)
{
    /// <summary>Sled and plates together, kg.</summary>
    public double Kilograms { get; } = SledKilograms + Plates.Sum();

    /// <summary>Plates that stay when this stack follows another: those at the bottom that both have.</summary>
    /// <param name="before">Stack before.</param>
    public int Stays(PlateStack before)
    {
        var n = 0;
        while (n < Plates.Count && n < before.Plates.Count && Math.Abs(Plates[n] - before.Plates[n]) < 1e-9)
        {
            n++;
        }

        return n;
    }

    /// <summary>Plates taken off and put on to make this stack of another.</summary>
    /// <param name="before">Stack before.</param>
    public int Moves(PlateStack before) => before.Plates.Count + Plates.Count - (2 * Stays(before));
}

/// <summary>Who runs when on a sled, and the plates.</summary>
/// <param name="Order">Places in the list that was given, in running order.</param>
/// <param name="Moves">Plates moved between its runs, the first load not counted.</param>
public sealed record SledOrder(IReadOnlyList<int> Order, int Moves);

/// <summary>
/// Orders stacks so that the fewest plates move. Stacks are ways down a tree (bottom plate first) and moves are the steps between them in it, so the shortest order walks
/// the tree once and ends where it would have to come back farthest: twice its branches less the longest way between two stacks (own derivation).
/// </summary>
public static class PlateOrder
{
    private const int TryAllUpTo = 10;
    private const int MostSwaps = 200;

    /// <summary>Plates moved when stacks follow each other as given.</summary>
    /// <param name="stacks">Stacks in running order.</param>
    public static int MovesOf(IReadOnlyList<PlateStack> stacks) => Enumerable.Range(1, Math.Max(0, stacks.Count - 1)).Sum(i => stacks[i].Moves(stacks[i - 1]));

    /// <summary>The order of fewest moves on one sled.</summary>
    /// <param name="stacks">One stack an athlete.</param>
    public static SledOrder One(IReadOnlyList<PlateStack> stacks)
    {
        if (stacks.Count == 0)
        {
            return new([], 0);
        }

        // The two stacks farthest apart: in a tree the farthest from any is an end of the longest way.
        var all = Enumerable.Range(0, stacks.Count).ToList();
        var first = all.MaxBy(i => stacks[i].Moves(stacks[0]));
        var last = all.MaxBy(i => stacks[i].Moves(stacks[first]));

        // From the first on, every branch off the way to the last is walked and left before going on along it: by how far along the way a stack leaves it, then branch by branch.
        var order = all.OrderBy(i => i == first ? 0 : i == last ? 2 : 1).ThenBy(i => Along(stacks[first], stacks[i], stacks[last])).ThenBy(i => Key(stacks[i]), StringComparer.Ordinal).ThenBy(i => i).ToList();
        var best = new SledOrder(order, MovesOf([.. order.Select(i => stacks[i])]));
        var given = MovesOf(stacks);
        return given < best.Moves ? new(all, given) : best;
    }

    /// <summary>Athletes shared between two sleds, as many on each, and the order of fewest moves on both. Up to ten athletes every way of sharing is tried; beyond, swaps from a good one.</summary>
    /// <param name="one">Stacks on the first sled.</param>
    /// <param name="two">Stacks of the same athletes on the second.</param>
    public static (SledOrder One, SledOrder Two) Two(IReadOnlyList<PlateStack> one, IReadOnlyList<PlateStack> two)
    {
        var n = one.Count;
        var half = (n + 1) / 2;
        SledOrder On(IReadOnlyList<PlateStack> stacks, List<int> who)
        {
            var found = One([.. who.Select(i => stacks[i])]);
            return new([.. found.Order.Select(i => who[i])], found.Moves);
        }

        (SledOrder One, SledOrder Two) Shared(bool[] first) => (On(one, [.. Enumerable.Range(0, n).Where(i => first[i])]), On(two, [.. Enumerable.Range(0, n).Where(i => !first[i])]));
        static int Total((SledOrder One, SledOrder Two) of) => of.One.Moves + of.Two.Moves;
        if (n <= TryAllUpTo)
        {
            return Enumerable.Range(0, 1 << n).Where(mask => System.Numerics.BitOperations.PopCount((uint)mask) == half)
                .Select(mask => Shared([.. Enumerable.Range(0, n).Select(i => (mask & (1 << i)) != 0)])).DefaultIfEmpty((new([], 0), new([], 0))).MinBy(Total);
        }

        // As the list gives them, turn about, or the light half and the heavy half; whichever is better is then mended swap by swap.
        var along = One(one).Order;
        bool[][] starts = [[.. Enumerable.Range(0, n).Select(i => i % 2 == 0)], [.. Enumerable.Range(0, n).Select(i => along.Take(half).Contains(i))]];
        var share = starts.MinBy(s => Total(Shared(s)))!;
        var best = Shared(share);
        var swaps = 0;
        for (var better = true; better && swaps < MostSwaps;)
        {
            better = false;
            for (var a = 0; a < n && swaps < MostSwaps; a++)
            {
                for (var b = a + 1; b < n && swaps < MostSwaps; b++)
                {
                    if (share[a] == share[b])
                    {
                        continue;
                    }

                    (share[a], share[b]) = (share[b], share[a]);
                    swaps++;
                    var found = Shared(share);
                    if (Total(found) < Total(best))
                    {
                        (best, better) = (found, true);
                    }
                    else
                    {
                        (share[a], share[b]) = (share[b], share[a]);
                    }
                }
            }
        }

        return best;
    }

    // Where the way to a stack leaves the way from first to last: going up from first to the fork, then down to last.
    private static int Along(PlateStack first, PlateStack stack, PlateStack last)
    {
        var fork = last.Stays(first);
        var (withFirst, withLast) = (stack.Stays(first), stack.Stays(last));
        return withFirst > fork ? first.Plates.Count - withFirst : first.Plates.Count - fork + Math.Max(0, withLast - fork);
    }

    // Stacks of one branch stand together in the order of their plates from the bottom up.
    private static string Key(PlateStack stack) => string.Concat(stack.Plates.Select(p => $"{p:0000.00}/"));
}
