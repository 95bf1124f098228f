using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>Maxima of a squad on one lift, or its shuttle test: what stands, and a line each to type a test into.</summary>
public sealed class LiftsModel(LiftBook lifts, SquadBook squads, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    public Club Club { get; private set; } = new();

    public Squad? Squad { get; private set; }

    public string Exercise { get; private set; } = "";

    public DateOnly Day { get; private set; }

    /// <summary>Session to go back to, or null.</summary>
    public int? Session { get; private set; }

    public IReadOnlyList<Athlete> Athletes { get; private set; } = [];

    public LiftBoard Board { get; private set; } = LiftBoard.Empty;

    public ILookup<int, LiftTest> Tests { get; private set; } = Array.Empty<LiftTest>().ToLookup(t => t.AthleteId);

    /// <summary>Aerobic speeds that stand; asked for where the shuttle test is shown.</summary>
    public IReadOnlyDictionary<int, StandingSpeed> Speeds { get; private set; } = new Dictionary<int, StandingSpeed>();

    /// <summary>What the shuttle test is called among the lifts.</summary>
    public const string Shuttles = "1,200 m shuttle test";

    public bool IsShuttles => Exercise == Shuttles;

    public Dictionary<string, string> Wrong { get; } = [];

    public string? Toast { get; private set; }

    /// <summary>Tests that the last step stored or took out, for its undo.</summary>
    public IReadOnlyList<int> Last { get; private set; } = [];

    public bool LastRemoved { get; private set; }

    /// <summary>Lifts to choose from.</summary>
    public IReadOnlyList<string> Choices { get; private set; } = [];

    public string Typed(string field) => Request.HasFormContentType && Wrong.Count > 0 ? (string?)Request.Form[field] ?? "" : "";

    public async Task<IActionResult> OnGetAsync(string? exercise, int? session, int[]? last, bool removed = false)
    {
        if (!await LoadAsync(exercise, session))
        {
            return Page();
        }

        (Last, LastRemoved) = (last ?? [], removed);
        Toast = Last.Count == 0 ? null : removed ? "Taken out." : Last.Count == 1 ? "One test stored." : $"{Last.Count} tests stored.";
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(string? exercise, int? session, string? day)
    {
        if (!await LoadAsync(exercise, session))
        {
            return Page();
        }

        var name = lifts.NameOf(exercise ?? "");
        if (name.Length is 0 or > 80)
        {
            Wrong["exercise"] = "Which lift? Such as squat.";
        }

        if (!DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var on) || on > desk.Today || on < desk.Today.AddYears(-5))
        {
            Wrong["day"] = "A day up to today, of the last five years.";
        }
        else
        {
            Day = on;
        }

        var tests = new Dictionary<int, (double, int)>();
        var shuttles = new Dictionary<int, double>();
        foreach (var athlete in Athletes)
        {
            var (kg, reps) = (((string?)Request.Form[$"kg-{athlete.Id}"] ?? "").Trim(), ((string?)Request.Form[$"reps-{athlete.Id}"] ?? "").Trim());
            if (IsShuttles)
            {
                var isTime = Figures.TrySplit(kg, out var seconds) && AerobicPace.OfShuttles(seconds) is not null;
                if (kg.Length > 0 && !isTime)
                {
                    Wrong[$"kg-{athlete.Id}"] = "A time such as 5:22, from 3:12 to 10:20.";
                }
                else if (kg.Length > 0)
                {
                    shuttles[athlete.Id] = seconds;
                }

                continue;
            }

            if (kg.Length == 0)
            {
                if (reps.Length > 0)
                {
                    Wrong[$"kg-{athlete.Id}"] = "How much was lifted?";
                }

                continue;
            }

            var read = Measures.Read(kg, MeasureKind.Load, Club.DistanceUnit, Club.MassUnit);
            var count = reps.Length == 0 ? 1 : int.TryParse(reps, NumberStyles.None, CultureInfo.InvariantCulture, out var typed) ? typed : 0;
            if (read.Value is not { } measured)
            {
                Wrong[$"kg-{athlete.Id}"] = read.Message;
            }
            else if (count is < 1 or > LiftMaximum.MostReps)
            {
                Wrong[$"reps-{athlete.Id}"] = $"1 to {LiftMaximum.MostReps} reps; more say nothing of one.";
            }
            else
            {
                tests[athlete.Id] = (measured.Value, count);
            }
        }

        if (Wrong.Count == 0 && tests.Count + shuttles.Count == 0)
        {
            Wrong["all"] = "Nothing was typed yet.";
        }

        if (Wrong.Count > 0)
        {
            Exercise = exercise ?? "";
            return Page();
        }

        return Back(name, session, IsShuttles ? await lifts.AddShuttlesAsync(on, shuttles, desk.Who) : await lifts.AddAsync(name, on, tests, desk.Who), false);
    }

    public async Task<IActionResult> OnPostRemoveAsync(string? exercise, int? session, int[] tests, bool removed)
    {
        if (await desk.SquadAsync() is { } squad)
        {
            await (exercise == Shuttles ? lifts.RemoveShuttlesAsync(squad.Id, tests, removed) : lifts.RemoveAsync(squad.Id, tests, removed));
        }

        return Back(exercise ?? "", session, removed ? tests : [], removed);
    }

    private RedirectResult Back(string exercise, int? session, IReadOnlyList<int> last, bool removed) =>
        Redirect($"/Athletes/Lifts?exercise={Uri.EscapeDataString(exercise)}{(session is { } s ? $"&session={s}" : "")}{string.Concat(last.Select(l => $"&last={l}"))}{(removed ? "&removed=true" : "")}");

    private async Task<bool> LoadAsync(string? exercise, int? session)
    {
        (Club, Squad, Day, Session) = (await desk.ClubAsync(), await desk.SquadAsync(), desk.Today, session);
        if (Squad is null)
        {
            return false;
        }

        Athletes = await squads.AthletesAsync(Squad.Id);
        var ids = Athletes.Select(a => a.Id).ToList();
        Board = await lifts.StandingAsync(ids, desk.Today);
        Choices = [Shuttles, .. catalogue.All.Where(e => e.Does == Motion.Lift).Select(e => e.Name).Concat(Board.Lifts).Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.CurrentCulture)];
        Exercise = string.IsNullOrWhiteSpace(exercise) ? Board.Lifts.FirstOrDefault() ?? "squat" : lifts.NameOf(exercise);
        if (IsShuttles)
        {
            Speeds = await lifts.SpeedsAsync(ids, desk.Today);
            return true;
        }

        Tests = (await lifts.TestsAsync(ids, Exercise)).ToLookup(t => t.AthleteId);
        return true;
    }
}
