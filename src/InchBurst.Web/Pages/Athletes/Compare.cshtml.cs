using System.Globalization;
using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>One thing that can be laid under or over.</summary>
public sealed record CompareChoice(string Value, string Text);

/// <summary>Two days, two runs, two athletes, or an athlete and the squad's middle over the same straight.</summary>
public sealed class CompareModel(RosterBook roster, SquadBook squads, CompareBook compare, Desk desk) : PageModel
{
    /// <summary>What can be compared, with its words.</summary>
    public static IReadOnlyList<(string Key, string Word)> Whats { get; } = [("days", "days"), ("runs", "runs"), ("athletes", "athletes"), ("squad", "squad’s middle")];

    private const double UsualMass = 70;
    private const double UsualHeight = 1.75;

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public string What { get; private set; } = "days";

    public IReadOnlyList<CompareChoice> Nows { get; private set; } = [];

    public IReadOnlyList<CompareChoice> Thens { get; private set; } = [];

    public string NowChosen { get; private set; } = "";

    public string ThenChosen { get; private set; } = "";

    /// <summary>Whom the second is of, and how many runs each stands on.</summary>
    public string ThenName { get; private set; } = "then";

    public string Stands { get; private set; } = "";

    public RunComparison? Of { get; private set; }

    public ComparePlot? Plot { get; private set; }

    public ComparePlot? PlotNarrow { get; private set; }

    public TypicalError? Typical { get; private set; }

    public GainEffect? Gain { get; private set; }

    public SprintForces? Forces { get; private set; }

    public bool IsBodyKnown => Athlete is { MassKilograms: not null, HeightMetres: not null };

    /// <summary>True when wind and height are taken out of the times.</summary>
    public bool Still { get; private set; }

    /// <summary>True when one of the two was run in air that changes times.</summary>
    public bool HasAir { get; private set; }

    /// <summary>Why there is nothing to see, in a coach's words.</summary>
    public string? Reason { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id, string? what, string? now, string? then, bool still = false)
    {
        Still = still;
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club) = (athlete, await desk.ClubAsync());
        What = Whats.Any(w => w.Key == what) ? what! : "days";
        var squad = (await squads.AthletesAsync(athlete.SquadId)).Select(a => a.Id).ToHashSet();
        squad.Add(athlete.Id);
        var (first, second) = await SidesAsync(squad, now ?? "", then ?? "");
        if (first is null || second is null)
        {
            Reason ??= "There are no two to compare yet: it takes free runs straight on, timed from the start, on two days or of two athletes.";
            return Page();
        }

        var scatter = await compare.ScatterAsync(squad, first.Sample, desk.Today);
        Of = RunComparison.Of(first, second, scatter.ErrorAt, scatter.SmallestAt);
        if (Of is null)
        {
            Reason = "The two have no mark in common.";
            return Page();
        }

        Typical = scatter.ErrorAt(Of.Marks[^1].At);
        var (fit, other) = (first.Fit.Fitted, second.Fit.Fitted);
        Plot = ComparePlot.Draw(Of, fit, other, 820, Club.SpeedUnit, Club.DistanceUnit);
        PlotNarrow = ComparePlot.Draw(Of, fit, other, 358, Club.SpeedUnit, Club.DistanceUnit);
        if (fit is not null)
        {
            var body = new BodyAndAir(Athlete.MassKilograms ?? UsualMass, Athlete.HeightMetres ?? UsualHeight);
            Forces = SprintForces.From(fit.Curve, body);
            Gain = GainEffect.Of(Forces, body.DragConstant / body.MassKilograms, GainEffect.Told);
        }

        return Page();
    }

    private async Task<(CompareSide? Now, CompareSide? Then)> SidesAsync(IReadOnlyCollection<int> squad, string now, string then)
    {
        if (What == "runs")
        {
            return await RunsAsync(now, then);
        }

        var trials = await compare.TrialsAsync(Athlete.Id, desk.Today);
        var days = trials.Select(t => t.Day).Distinct().OrderDescending().ToList();
        Nows = [.. days.Select(d => new CompareChoice(Key(d), Desk.DayText(d)))];
        if (ComparePick.Of(trials, Day(now), What == "days" ? Day(then) : null) is not { } pick || CompareSide.Of(await RunsOfAsync(Athlete.Id, pick.Now)) is not { } first)
        {
            return (null, null);
        }

        NowChosen = Key(pick.Now.Day);
        var runs = first.Marks.Max(m => m.Runs);
        var key = first.Sample.Trial.StartKey!;
        switch (What)
        {
            case "athletes":
                return (first, await OtherAsync(first, key, runs, then));
            case "squad":
                var scatter = await compare.ScatterAsync(squad, first.Sample, desk.Today);
                var middle = scatter.Middle(first.Marks.Select(m => m.At), Athlete.Id);
                (ThenName, Stands) = ("squad", $"mean of {Runs(runs)} against the median of the others’ latest");
                Reason = middle.Count == 0 ? "Too few of the squad have run this start over these marks in the last half year." : null;
                return (first, middle.Count == 0 ? null : new(middle, first.Sample));
            default:
                Thens = [.. days.Where(d => d != pick.Now.Day).Select(d => new CompareChoice(Key(d), Desk.DayText(d)))];
                if (pick.Then is not { } earlier)
                {
                    return (first, null);
                }

                var second = CompareSide.Of(await RunsOfAsync(Athlete.Id, earlier));
                (ThenChosen, Stands) = (Key(earlier.Day), $"mean of {Runs(runs)} against {second?.Marks.Max(m => m.Runs)}");
                return (first, second);
        }
    }

    private async Task<IReadOnlyList<LoggedRun>> RunsOfAsync(int athlete, CompareTrial trial) => [.. (await compare.OfDayAsync(athlete, trial.Day)).Where(r => r.Trial.StartKey == trial.Key).Select(Seen)];

    // In still air where that is asked for.
    private LoggedRun Seen(LoggedRun run)
    {
        HasAir |= run.Setting.ChangesAir;
        return Still ? AdjustedTime.Without(run, Adjusts.Air) : run;
    }

    private async Task<CompareSide?> OtherAsync(CompareSide first, string key, int runs, string then)
    {
        var marks = first.Marks.Select(m => m.At.Millimetres).ToHashSet();
        var people = (await squads.AthletesAsync(Athlete.SquadId)).Where(a => a.Id != Athlete.Id).ToList();
        Thens = [.. people.Select(a => new CompareChoice(a.Id.ToString(CultureInfo.InvariantCulture), a.Name))];
        var asked = people.FirstOrDefault(a => a.Id.ToString(CultureInfo.InvariantCulture) == then);
        foreach (var person in asked is null ? people : [asked])
        {
            // Of the other's days of this trial the latest of those with most marks in common.
            var trial = (await compare.TrialsAsync(person.Id, desk.Today)).Where(t => t.Key == key).OrderByDescending(t => t.Marks.Count(marks.Contains)).ThenByDescending(t => t.Day).FirstOrDefault();
            if (trial is not null && await RunsOfAsync(person.Id, trial) is { Count: > 0 } theirs)
            {
                (ThenChosen, ThenName, Stands) = (person.Id.ToString(CultureInfo.InvariantCulture), person.Name.Split(' ')[0], $"mean of {Runs(runs)} against {theirs.Count} of {Desk.ShortDay(theirs[0].Day)}");
                return CompareSide.Of(theirs);
            }
        }

        ThenChosen = then;
        Reason = asked is null ? "Nobody else of the squad has run this start." : $"{asked.Name} has not run this start ({first.Sample.Trial.Words}).";
        return null;
    }

    private async Task<(CompareSide? Now, CompareSide? Then)> RunsAsync(string now, string then)
    {
        var runs = await compare.LatestAsync(Athlete.Id);
        Nows = Thens = [.. runs.Select(r => new CompareChoice(r.Id.ToString(CultureInfo.InvariantCulture), $"{Desk.ShortDay(r.Day)}: {string.Join(" ", r.Marks.Select(m => Figures.Split(m.Seconds)))}"))];
        async Task<LoggedRun?> Run(string text, Func<LoggedRun, bool> usual) =>
            long.TryParse(text, CultureInfo.InvariantCulture, out var number) ? runs.FirstOrDefault(r => r.Id == number) ?? (await squads.RunAsync(Athlete.Id, number) is { HasStart: true } found ? found : null) : runs.FirstOrDefault(usual);
        var first = await Run(now, _ => true);
        var second = first is null ? null : await Run(then, r => r.Id != first.Id && r.Trial.StartKey == first.Trial.StartKey);
        (NowChosen, ThenChosen) = (first?.Id.ToString(CultureInfo.InvariantCulture) ?? "", second?.Id.ToString(CultureInfo.InvariantCulture) ?? "");
        Stands = "one run against one";
        return (first is null ? null : CompareSide.Of([Seen(first)]), second is null ? null : CompareSide.Of([Seen(second)]));
    }

    private static DateOnly? Day(string text) => DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : null;

    private static string Key(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Runs(int count) => count == 1 ? "one run" : $"{count} runs";
}
