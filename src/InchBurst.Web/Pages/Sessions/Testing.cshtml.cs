using System.ComponentModel.DataAnnotations;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Progress;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Sessions;

/// <summary>An athlete at a test.</summary>
/// <param name="Values">What the attempts were, in order.</param>
/// <param name="Result">What they come to; null without an attempt.</param>
public sealed record TestCell(IReadOnlyList<double> Values, TestResult? Result);

/// <summary>How a day of tests is run, as typed.</summary>
public sealed class TestingInput
{
    public TestCounts Counts { get; set; }

    public TestOrder Order { get; set; }

    [Required(ErrorMessage = "By how much may two attempts differ?"), Range(TestingDay.LeastPercent, TestingDay.MostPercent, ErrorMessage = "From 0.5 to 20%.")]
    public double? Rerun { get; set; }

    public static TestingInput From(TestingDay day) => new() { Counts = day.Counts, Order = day.Order, Rerun = day.RerunPercent };
}

/// <summary>A day of tests on one page: the protocol, the order, every attempt, what counts, and who goes once more.</summary>
public sealed class TestingModel(TracksideBook book, SessionBook sessions, SquadBook squads, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    private const int MostColumns = 6;

    public TrainingSession Session { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public TestingDay Day { get; private set; } = new();

    /// <summary>True when somebody said how its tests are run.</summary>
    public bool IsDay { get; private set; }

    public IReadOnlyList<DayTest> Tests { get; private set; } = [];

    public IReadOnlyList<(Athlete Athlete, IReadOnlyList<TestCell> Cells)> Rows { get; private set; } = [];

    public TestingInput Input { get; private set; } = new();

    public string Opened { get; private set; } = "";

    public bool Saved { get; private set; }

    /// <summary>Who is to go once more, with the test.</summary>
    public IEnumerable<(string Name, DayTest Test, TestResult Result)> Reruns => Rows.SelectMany(r => r.Cells.Select((c, i) => (r.Athlete.Name, Tests[i], c.Result))).Where(x => x.Result is { AsksRerun: true }).Select(x => (x.Name, x.Item2, x.Result!));

    /// <summary>How many columns a test takes: the attempts asked for, or as many as somebody made.</summary>
    public int Columns(DayTest test) => Math.Clamp(Math.Max(test.Line.TotalReps, Rows.Max(r => (int?)r.Cells[Tests.ToList().IndexOf(test)].Values.Count) ?? 0), 1, MostColumns);

    /// <summary>A value with as many places as it is read.</summary>
    public string Text(DayTest test, double value) => test.Measure == MeasureKind.Time ? Figures.Split(value) : Measures.Text(new(test.Measure, value), Club.DistanceUnit, Club.MassUnit).Split(' ')[0];

    public string UnitOf(DayTest test) => test.Measure == MeasureKind.Time ? "s" : Measures.Unit(test.Measure, Club.DistanceUnit, Club.MassUnit);

    public async Task<IActionResult> OnGetAsync(int id, bool saved = false)
    {
        Saved = saved;
        return await FindAsync(id) ? Page() : NotFound();
    }

    public async Task<IActionResult> OnPostAsync(int id, [Bind(Prefix = nameof(Input))] TestingInput input, string? opened)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        if (!ModelState.IsValid)
        {
            Input = input;
            return Page();
        }

        return await sessions.OnAsync<IActionResult>(id, async planned =>
        {
            if (!StaleForm.Merge(input, opened, TestingInput.From(TestingDay.Read(planned.Session.Testing) ?? new()), ModelState, nameof(Input)))
            {
                Input = input;
                return Page();
            }

            planned.Session.Testing = new TestingDay(input.Counts, input.Order, input.Rerun!.Value).Write();
            await sessions.SaveAsync(planned.Session);
            return Redirect($"/Sessions/{id}/Testing?saved=true");
        }) ?? NotFound();
    }

    private async Task<bool> FindAsync(int id)
    {
        if (await book.LoadAsync(id) is not { } live)
        {
            return false;
        }

        (Session, Club) = (live.Session, await desk.ClubAsync());
        (IsDay, Day) = (TestingDay.Read(Session.Testing) is not null, TestingDay.Read(Session.Testing) ?? new());
        Input = TestingInput.From(Day);
        Opened = StaleForm.Opened(Input);
        var runs = live.Runs.Where(r => r.DeletedAt is null).ToLookup(r => r.LineId);
        Tests = [.. live.Plan.Lines.Select(l => DayTest.Of(LineDemand.Of(l, catalogue))).OfType<DayTest>()];
        var people = live.Attendance.Where(a => a.Present).Select(a => a.Athlete!).ToList();
        people = people.Count > 0 ? people : [.. (await squads.AthletesAsync(Session.SquadId)).Where(a => a.Availability != Availability.Out)];
        var bests = await FirstBestsAsync(people);
        var byId = people.ToDictionary(a => a.Id);
        Rows = [.. Day.InOrder([.. people.Select(a => a.Id)], id, bests).Select(a => (byId[a], (IReadOnlyList<TestCell>)[.. Tests.Select(t => CellOf(t, runs[t.Line.Id].Where(r => r.AthleteId == a)))]))];
        return true;
    }

    private TestCell CellOf(DayTest test, IEnumerable<Run> runs)
    {
        var values = runs.OrderBy(r => r.Rep == 0 ? int.MaxValue : r.Rep).ThenBy(r => r.FinishedAt).Select(r => test.ValueOf(r.ToLogged(), r.Measures.Select(m => new Measured(m.Kind, m.Value)))).OfType<double>().Take(MostColumns).ToList();
        return new(values, Day.Of(values, test.LessIsBetter, test.Line.TotalReps));
    }

    // Best of each over the way of the first timed test.
    private async Task<IReadOnlyDictionary<int, double>> FirstBestsAsync(IReadOnlyList<Athlete> people)
    {
        var last = new Dictionary<int, double>();
        if (Day.Order != TestOrder.SlowestFirst || Tests.FirstOrDefault(t => t.Measure == MeasureKind.Time) is not { } first)
        {
            return last;
        }

        var end = LineMarks.Expected(LineDemand.Of(first.Line, catalogue))[^1].Millimetres;
        foreach (var athlete in people)
        {
            if ((await squads.BestsAsync(athlete.Id)).Where(b => b.FromMillimetres == 0 && b.To.Millimetres == end && b.Trial is { IsFree: true, IsStraight: true }).Select(b => (double?)b.Seconds).Min() is { } best)
            {
                last[athlete.Id] = best;
            }
        }

        return last;
    }
}
