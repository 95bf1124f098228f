using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>The squad's load sheet of a line.</summary>
/// <param name="Line">The line.</param>
/// <param name="Names">Names by number.</param>
/// <param name="Sheet">The sheet; null where no sled is known or the load has no mass.</param>
/// <param name="Asked">Loads asked for, for where there is no kit: athlete, kg, source.</param>
/// <param name="Decrement">Percent slower that the line asks of a typical athlete.</param>
public sealed record SquadSheet(PlanLine Line, IReadOnlyDictionary<int, string> Names, LoadSheet? Sheet, IReadOnlyList<(int Athlete, double Kilograms, LoadSourceKind? Source)> Asked, double Decrement)
{
    /// <summary>Young athletes for whom this load is too heavy.</summary>
    public IReadOnlyList<string> TooHeavyFor { get; init; } = [];

    /// <summary>Athletes without a load line of their own.</summary>
    public int WithoutLine => Asked.Count(a => a.Source is not (null or LoadSourceKind.Line));
}

/// <summary>Makes load sheets.</summary>
public sealed class SheetMaker(LoadBook loads, WeekBook weeks, Desk desk, ExerciseCatalogue catalogue)
{
    /// <summary>True for a line that drags something of some mass.</summary>
    public static bool HasSled(PlanLine line, ExerciseCatalogue catalogue) => LineDemand.Of(line, catalogue) is { AppliedLoad.Kind: LoadKind.Sled or LoadKind.Chain, IsResisted: true };

    /// <summary>The sheet of a session's line: of those expected and for whom it is.</summary>
    public async Task<SquadSheet> MakeAsync(TrainingSession session, PlanLine line)
    {
        var plan = PlanJson.Read(session.RanPlanJson ?? session.PlanJson);
        var own = await weeks.OwnGroupsAsync(session.SquadId);
        var athletes = (await weeks.MembersAsync(session)).Where(a => a.Availability != Availability.Out && BuilderMaker.IsFor(plan, line, a, own)).ToList();
        return await MakeAsync(athletes, line, session.Surface, session.Sled);
    }

    /// <summary>The sheet of athletes.</summary>
    public async Task<SquadSheet> MakeAsync(IReadOnlyList<Athlete> athletes, PlanLine line, Surface surface, string sled)
    {
        var (kit, _) = await loads.KitAsync();
        var load = line.Load ?? catalogue.Find(line.Exercise)?.UsualLoad ?? new(LoadKind.Sled, 0, LoadUnit.None);
        var known = new List<(int Athlete, LoadKnown Known)>();
        foreach (var athlete in athletes)
        {
            known.Add((athlete.Id, (await loads.KnownAsync(athlete, surface, kit, desk.Today, sled: sled)).Known));
        }

        var demand = LineDemand.Of(line, catalogue);
        return new(line, athletes.ToDictionary(a => a.Id, a => a.Name), LoadSheet.Of(known, load, kit.Shared(2, sled)),
            [.. known.Select(k => (k.Athlete, Of: k.Known.MassOf(load))).Where(k => k.Of is not null).Select(k => (k.Athlete, k.Of!.Value.Kilograms, k.Of.Value.Source))],
            known.Count == 0 ? demand.Load.DecrementPercent : known.Average(k => LoadEffect.Of(load, k.Known).DecrementPercent))
        {
            TooHeavyFor = [.. known.Zip(athletes).Where(x => desk.Today.Year - x.Second.BirthYear < Limits.YoungYears && LoadEffect.Of(load, x.First.Known).IsHeavy).Select(x => x.Second.Name)],
        };
    }
}
