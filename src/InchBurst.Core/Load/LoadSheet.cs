using InchBurst.Core.Plan;

namespace InchBurst.Core.Load;

/// <summary>An athlete's turn on a sled.</summary>
/// <param name="Athlete">Number of the athlete.</param>
/// <param name="Stack">Plates to have on the sled.</param>
/// <param name="Asked">Load asked for, kg.</param>
/// <param name="Source">Where that comes from; null where the line says the mass itself.</param>
/// <param name="Off">Plates to take off first, kg.</param>
/// <param name="On">Plates to put on, kg.</param>
/// <param name="IsFirst">True for the first on its sled.</param>
public sealed record LoadTurn(int Athlete, PlateStack Stack, double Asked, LoadSourceKind? Source, IReadOnlyList<double> Off, IReadOnlyList<double> On, bool IsFirst)
{
    /// <summary>The change to make, in a coach's words: "-5 -2.5 +10"; "no change"; "goes first".</summary>
    public string Change => IsFirst ? "goes first" : Off.Count + On.Count == 0 ? "no change"
        : string.Join(' ', Off.Select(p => "\u2212" + Units.Figures.Number(p, 2)).Concat(On.Select(p => "+" + Units.Figures.Number(p, 2))));

    /// <summary>"10 + 5 + 2.5"; "sled alone".</summary>
    public string Plates => Stack.Plates.Count == 0 ? "sled alone" : string.Join(" + ", Stack.Plates.Select(p => Units.Figures.Number(p, 2)));
}

/// <summary>One sled with its athletes in running order.</summary>
/// <param name="Kit">The sled.</param>
/// <param name="Turns">Turns.</param>
/// <param name="Moves">Plates moved between them.</param>
public sealed record LoadSheetSled(SledKit Kit, IReadOnlyList<LoadTurn> Turns, int Moves);

/// <summary>Every athlete's plates for a line, ordered so that the fewest move; every round runs in the same order, so that whoever ran first has rested longest.</summary>
/// <param name="Sleds">One or two sleds.</param>
/// <param name="ListMoves">Plates that would move in the order of the list.</param>
public sealed record LoadSheet(IReadOnlyList<LoadSheetSled> Sleds, int ListMoves)
{
    /// <summary>Plates moved in a round.</summary>
    public int Moves => Sleds.Sum(s => s.Moves);

    /// <summary>Greatest difference between what is asked and what plates make, kg.</summary>
    public double Furthest => Sleds.SelectMany(s => s.Turns).Select(t => Math.Abs(t.Stack.Kilograms - t.Asked)).DefaultIfEmpty(0).Max();

    /// <summary>The sheet of a squad.</summary>
    /// <param name="squad">Athletes with what is known of them.</param>
    /// <param name="load">Load of the line.</param>
    /// <param name="kits">Sleds with their plates, 1 or 2.</param>
    /// <returns>The sheet; null for a load that has no mass.</returns>
    public static LoadSheet? Of(IReadOnlyList<(int Athlete, LoadKnown Known)> squad, LineLoad load, IReadOnlyList<SledKit> kits)
    {
        var asked = squad.Select(a => a.Known.MassOf(load)).ToList();
        if (kits.Count == 0 || asked.Any(a => a is null))
        {
            return null;
        }

        PlateStack[] On(SledKit kit) => [.. asked.Select(a => kit.For(a!.Value.Kilograms))];
        LoadSheetSled Sled(SledKit kit, PlateStack[] stacks, SledOrder order)
        {
            var turns = order.Order.Select((i, n) =>
            {
                var before = n == 0 ? null : stacks[order.Order[n - 1]];
                var stays = before is null ? 0 : stacks[i].Stays(before);
                return new LoadTurn(squad[i].Athlete, stacks[i], asked[i]!.Value.Kilograms, asked[i]!.Value.Source, before is null ? [] : [.. before.Plates.Skip(stays).Reverse()], [.. stacks[i].Plates.Skip(stays)], n == 0);
            }).ToList();
            return new(kit, turns, order.Moves);
        }

        var one = On(kits[0]);
        if (kits.Count == 1)
        {
            return new([Sled(kits[0], one, PlateOrder.One(one))], PlateOrder.MovesOf(one));
        }

        var two = On(kits[1]);
        var (first, second) = PlateOrder.Two(one, two);
        return new([Sled(kits[0], one, first), Sled(kits[1], two, second)], PlateOrder.MovesOf([.. one.Where((_, i) => i % 2 == 0)]) + PlateOrder.MovesOf([.. two.Where((_, i) => i % 2 == 1)]));
    }
}
