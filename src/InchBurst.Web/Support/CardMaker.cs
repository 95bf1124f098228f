using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Support;

/// <summary>A line as it stands on a card.</summary>
/// <param name="Line">The line.</param>
/// <param name="Rounds">How many rounds of its block.</param>
/// <param name="Exercise">What is known of its exercise, or null.</param>
/// <param name="Rest">Rest between reps, or null where there is none.</param>
/// <param name="Own">What a share of a maximum is for the athlete, or null.</param>
public sealed record CardLine(PlanLine Line, int Rounds, Exercise? Exercise, string? Rest, string? Own);

/// <summary>A session as an athlete reads it: own lines only.</summary>
/// <param name="View">The session.</param>
/// <param name="Athlete">Whose card; null for everyone's.</param>
/// <param name="Lines">The lines.</param>
public sealed record SessionCard(BuilderView View, Athlete? Athlete, IReadOnlyList<CardLine> Lines);

/// <summary>Makes cards.</summary>
public sealed class CardMaker(BuilderMaker maker, ExerciseCatalogue catalogue)
{
    // What a run without a name of its own is done for, as the plainest exercise of its kind says.
    private Exercise? Usual(WorkKind kind) => kind switch
    {
        WorkKind.Acceleration => catalogue.Find("short sprint"),
        WorkKind.MaxVelocity => catalogue.Find("fly"),
        WorkKind.Resisted => catalogue.Find("light sled"),
        WorkKind.Assisted => catalogue.Find("towed fly"),
        WorkKind.Conditioning => catalogue.Find("tempo run"),
        _ => null,
    };

    /// <summary>The card of a session.</summary>
    /// <param name="planned">The session.</param>
    /// <param name="athleteId">Whose; anybody else's number makes everyone's.</param>
    public async Task<SessionCard> MakeAsync(PlannedSession planned, int? athleteId)
    {
        var view = await maker.MakeAsync(planned);
        var athlete = view.Athletes.FirstOrDefault(a => a.Id == athleteId);
        string? Rest(PlanLine line) => line.TotalReps > 1 && view.DemandOf(line) is { Queues: true } demand && RestRules.Between(demand, view.School).Seconds is > 0 and var seconds ? Figures.Clock(seconds) : null;
        return new(view, athlete,
            [.. planned.Plan.Blocks.SelectMany(b => b.Lines.Select(l => (Line: l, b.Rounds))).Where(x => athlete is null || view.IsFor(x.Line, athlete))
                .Select(x => new CardLine(x.Line, x.Rounds, catalogue.Find(x.Line.Exercise) ?? Usual(x.Line.Kind), Rest(x.Line), athlete is null ? null : view.OwnOf(x.Line, athlete)))]);
    }
}
