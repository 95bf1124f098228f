using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>A figure of the forces beside the squad's.</summary>
/// <param name="Of">The figure.</param>
/// <param name="Squad">What everybody of the squad has, the athlete among them, in order.</param>
/// <param name="Place">Place of the athlete, 1 the best.</param>
public sealed record ForceRow(ForceFigure Of, IReadOnlyList<double> Squad, int Place);

/// <summary>The forces of an athlete: what they are, where they stand in the squad, whether push or speed is short, and what that suggests to train.</summary>
public sealed class ForcesModel(RosterBook roster, SquadBook squads, SchoolBook schools, Desk desk) : PageModel
{
    /// <summary>Width of a strip.</summary>
    public const double StripWidth = 420;

    private const double Side = 10;

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public StandingFit? Fit { get; private set; }

    public string? Reason { get; private set; }

    public IReadOnlyList<ForceRow> Rows { get; private set; } = [];

    public GainEffect? Gain { get; private set; }

    public ShortOf? Short { get; private set; }

    public CoachingSchool School { get; private set; } = CoachingSchool.Usual;

    public IReadOnlyList<TrainingHint> Hints { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club) = (athlete, await desk.ClubAsync());
        var standing = await squads.CurveAsync(id);
        (Fit, Reason) = (standing.Fit, standing.Reason);
        if (Fit is null || Of(athlete) is not { } body)
        {
            return Page();
        }

        var everybody = new Dictionary<int, (IReadOnlyList<ForceFigure> Figures, GainEffect Gain)>();
        List<Athlete> others = [.. (await squads.AthletesAsync(athlete.SquadId)).Where(a => a.Id != id)];
        var curves = await squads.CurvesAsync([.. others.Select(a => a.Id)]);
        foreach (var other in others)
        {
            if (Of(other) is { } theirs && curves[other.Id].Fit is { } fit)
            {
                everybody[other.Id] = (ForceReading.Of(fit, theirs), GainOf(fit, theirs));
            }
        }

        var own = ForceReading.Of(Fit, body);
        Gain = GainOf(Fit, body);
        everybody[id] = (own, Gain);
        Rows = [.. own.Select((f, i) => new ForceRow(f, [.. everybody.Values.Select(e => e.Figures[i].Value).Order()], 1 + everybody.Values.Count(e => e.Figures[i].Value > f.Value + 1e-12)))];
        Short = ForceAdvice.Short(Gain, [.. everybody.Values.Select(e => e.Gain)]);
        School = await schools.OfSquadAsync(athlete.SquadId);
        Hints = ForceAdvice.Of(Gain, School, athlete.BirthYear is { } born && desk.Today.Year - born < Limits.YoungYears, athlete.Availability != Availability.Full);
        return Page();
    }

    private static GainEffect GainOf(StandingFit fit, BodyAndAir body) => GainEffect.Of(SprintForces.From(fit.Curve, body), body.DragConstant / body.MassKilograms, GainEffect.Told);

    private static BodyAndAir? Of(Athlete athlete) => athlete is { MassKilograms: { } mass, HeightMetres: { } height } ? new(mass, height) : null;

    /// <summary>Where a figure lies on its strip.</summary>
    public static double X(ForceRow row, double value)
    {
        var (least, most) = (Math.Min(row.Squad[0], row.Of.Value - row.Of.Half90), Math.Max(row.Squad[^1], row.Of.Value + row.Of.Half90));
        return most - least < 1e-9 ? StripWidth / 2 : Side + ((StripWidth - (2 * Side)) * (value - least) / (most - least));
    }

    /// <summary>A figure as it is read.</summary>
    public static string Text(ForceKind kind, double value) => Figures.Exact(value, kind is ForceKind.Push or ForceKind.Power or ForceKind.Ratio ? 1 : 2);
}
