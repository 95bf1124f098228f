using System.Globalization;
using System.Text.Json;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Film;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>A clip of an athlete, opened in the browser and marked there; what is kept are figures, never the picture.</summary>
public sealed class FilmModel(RosterBook roster, SquadBook squads, FilmBook films, TracksideBook trackside, SessionBook sessions, BuilderMaker maker, ExerciseCatalogue catalogue, DeviceFiles device, Desk desk) : PageModel
{
    private const int MostRuns = 60;
    private const int DaysAhead = 21;
    private const double GoalStature = 1000;
    private const double KeptStature = 120;

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public IReadOnlyList<LoggedRun> Runs { get; private set; } = [];

    /// <summary>The run that is filmed; null for the day alone.</summary>
    public LoggedRun? Run { get; private set; }

    public IReadOnlyList<FilmReading> Kept { get; private set; } = [];

    /// <summary>The kept figures that are shown or gone on with; null for new ones.</summary>
    public FilmReading? Chosen { get; private set; }

    /// <summary>The figures whose picture is shown: the chosen, or the newest.</summary>
    public FilmReading? Shown => Chosen ?? Kept.FirstOrDefault();

    /// <summary>The chosen figures, or the newest, against those before them; null where there are none before.</summary>
    public (FilmReading Then, FilmReading Now, IReadOnlyList<FilmChange> Changes)? Change { get; private set; }

    /// <summary>Marks the page begins with: of the chosen figures, or what could not be saved.</summary>
    public string Marks { get; private set; } = "";

    public DateOnly Day { get; private set; }

    public Dictionary<string, string> Wrong { get; } = [];

    public string? Device => device.Address;

    /// <summary>The next session a drill would go into, or null.</summary>
    public TrainingSession? Next { get; private set; }

    /// <summary>What the last step did, for its word and its undo.</summary>
    public (int Id, bool Removed)? Done { get; private set; }

    /// <summary>The session drills were put into just now, or null.</summary>
    public TrainingSession? Added { get; private set; }

    /// <summary>Joints in the order they are asked in, with what is asked.</summary>
    public static string Joints { get; } = JsonSerializer.Serialize(Enum.GetValues<FilmJoint>().Select(j => new JointAsked(j.ToString(), $"Tap the {JointWords(j)}")), JsonSerializerOptions.Web);

    /// <summary>Goal positions, drawn to be laid over the picture.</summary>
    public static IReadOnlyList<FigureDrawing> Goals { get; } = [.. FilmGoal.All.Select(g => g.Position()).DistinctBy(p => p.Name).Select(p => FigureDrawing.Of(p, GoalStature, FigureDrawing.Paper))];

    /// <summary>Drills that answer what film can show.</summary>
    public IReadOnlyList<Exercise> Drills =>
        [.. FilmGoal.All.SelectMany(g => g.Angles).SelectMany(a => new[] { a.Under, a.Over }).OfType<string>().Distinct().SelectMany(c => Observations.Of(c).Drills).Distinct().Select(d => catalogue.Find(d)).OfType<Exercise>()];

    public static double StatureOfGoals => GoalStature;

    /// <summary>Bodies marked in a reading, drawn as figures.</summary>
    public static IReadOnlyList<(FilmMoment Moment, DrillPicture Picture, IReadOnlyList<FilmGauge> Angles)> Figures(FilmReading reading)
    {
        var marks = FilmMarks.Read(reading.Marks);
        var steps = FilmSteps.Of(marks);
        return
        [
            .. marks.Bodies.OrderBy(b => b.Frame).Select(b => (Mark: b, Pose: FilmBody.Of(marks, b, steps).Figure(b.Moment.ToString()))).Where(b => b.Pose is not null)
                .Select(b => (b.Mark.Moment, DrillPicture.Of([b.Pose!], [], WorkKind.MaxVelocity, KeptStature), FilmSight.Of(marks, new(b.Mark.Frame, 0, 0), b.Mark.Phase).Angles)),
        ];
    }

    public async Task<IActionResult> OnGetAsync(int id, int? film, long? run, int? done, int? added, bool removed = false)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        Done = done is { } step ? (step, removed) : null;
        Added = added is { } session ? (await sessions.FindAsync(session))?.Session : null;
        Chosen = Kept.FirstOrDefault(f => f.Id == film);
        Marks = Chosen?.Marks ?? "";
        if (Shown is { } now && Kept.SkipWhile(f => f.Id != now.Id).Skip(1).FirstOrDefault() is { } then)
        {
            Change = (then, now, FilmChange.Between(FilmSteps.Of(FilmMarks.Read(then.Marks)), FilmSteps.Of(FilmMarks.Read(now.Marks)), Club.SpeedUnit));
        }

        await ChooseAsync(Chosen?.RunId ?? run, Chosen?.Day ?? desk.Today);
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(int id, int? film, int version, string? marks, long? run, string? day, string? codes, bool note, bool times, string? still, StillFor stillFor)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        Chosen = Kept.FirstOrDefault(f => f.Id == film);
        Marks = marks ?? "";
        var isDay = DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var on) && on <= desk.Today && on >= desk.Today.AddYears(-OldestYears);
        await ChooseAsync(run, isDay ? on : desk.Today);
        if (!isDay && run is null)
        {
            Wrong["day"] = "A day up to today, of the last five years.";
        }

        var read = Read(Marks);
        if (read is null || read.Feet.Count + read.Bodies.Count + read.Lines.Count == 0)
        {
            Wrong["save"] = "There is nothing marked yet: mark feet, joints or lines first.";
        }

        if (stillFor != StillFor.Nobody && !FilmBook.IsStill(still ?? "") && Chosen?.Still is not { Length: > 0 })
        {
            Wrong["save"] = "The picture could not be taken from the clip. Save without it, or open the clip again.";
        }

        if (Wrong.Count > 0)
        {
            return Page();
        }

        var seen = note ? (codes ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Where(c => Observations.Find(c) is not null).ToList() : [];
        var told = times ? FilmSight.TimesOf(read!) : [];

        // What is kept, noted on the run and read as its time is one step.
        var (kept, wrong) = await trackside.StepAsync(async () =>
        {
            var done = await films.SaveAsync(id, film, version, read!, run, Day, Enum.IsDefined(stillFor) ? (FilmBook.IsStill(still ?? "") ? still! : Chosen?.Still ?? "", stillFor) : null, desk.Who);
            if (done.Kept is not null && Run is { } filmed)
            {
                foreach (var command in Commands(filmed, seen, told))
                {
                    await trackside.DoAsync(await trackside.SessionOfAsync(filmed.Id), command, new(desk.Who, true));
                }
            }

            return done;
        });
        if (kept is null)
        {
            Wrong["save"] = wrong;

            // Who was overtaken saves as new from here on: nobody's figures are lost.
            Chosen = run is not null && Run is null ? Chosen : null;
            return Page();
        }

        return Redirect($"/Athletes/{id}/Film?film={kept.Id}&done={kept.Id}");
    }

    private static IEnumerable<LiveCommand> Commands(LoggedRun run, IEnumerable<string> seen, IReadOnlyList<(Distance At, double Seconds)> times)
    {
        foreach (var code in seen)
        {
            yield return new NoteSeen(run.Id, code);
        }

        if (times.Count > 0)
        {
            yield return new ReadFilm(run.Id, [.. times.Select(t => new LoggedMark(t.At, t.Seconds))], times[0].Seconds == 0 ? StartTrigger.ZoneLine : StartTrigger.FirstGate) { Client = Guid.NewGuid() };
        }
    }

    public async Task<IActionResult> OnPostRemoveAsync(int id, int film, bool removed) =>
        await films.RemoveAsync(id, film, removed) ? Redirect($"/Athletes/{id}/Film?done={film}&removed={(removed ? "true" : "false")}{(removed ? "" : $"&film={film}")}") : NotFound();

    /// <summary>Puts drills into the squad's next session, for this athlete.</summary>
    public async Task<IActionResult> OnPostDrillsAsync(int id, int? film, string? drills)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        var lines = (drills ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Where(d => catalogue.Find(d) is not null).Take(FilmSight.MostDrills).Select(d => $"{d} for \"{Athlete.Name}\"").ToList();
        if (Next is not { } next || lines.Count == 0)
        {
            return NotFound();
        }

        await sessions.OnAsync(next.Id, async planned => await sessions.ChangeAsync(planned, await maker.WithDrillsAsync(planned.Plan, lines), "drills for what film showed", desk.Who));
        return Redirect($"/Athletes/{id}/Film?added={next.Id}{(film is { } chosen ? $"&film={chosen}" : "")}");
    }

    private const int OldestYears = 5;

    private static FilmMarks? Read(string marks)
    {
        try
        {
            return marks.Length is 0 or > FilmBook.MostMarks ? null : FilmMarks.Read(marks);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private async Task<bool> FindAsync(int id)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return false;
        }

        (Athlete, Club, Kept, Runs) = (athlete, await desk.ClubAsync(), await films.OfAsync(id), await squads.RunsAsync(id, MostRuns));
        Next = (await sessions.ListAsync(desk.Today, desk.Today.AddDays(DaysAhead))).Where(s => s.SquadId == athlete.SquadId && s.EndedAt is null).MinBy(s => (s.Day, s.Id));
        return true;
    }

    private async Task ChooseAsync(long? run, DateOnly day)
    {
        Run = run is { } wanted ? Runs.FirstOrDefault(r => r.Id == wanted) ?? await squads.RunAsync(Athlete.Id, wanted) : null;
        Day = Run?.Day ?? day;
        if (Run is not null && Runs.All(r => r.Id != Run.Id))
        {
            Runs = [.. Runs, Run];
        }
    }

    /// <summary>A run in few words: "Fly 20 of 30 m, 2.31 s".</summary>
    public string RunWords(LoggedRun run) => $"{Desk.ShortDay(run.Day)}, {run.Kind.Name().ToLowerInvariant()}, {run.Marks[^1].At} {InchBurst.Core.Units.Figures.Split(run.Marks[^1].Seconds)} s";

    private static string JointWords(FilmJoint joint) => joint switch
    {
        FilmJoint.Head => "middle of the head",
        FilmJoint.Shoulder => "middle of the shoulders",
        FilmJoint.Hip => "middle of the hips",
        FilmJoint.NearToe => "tip of the near foot",
        FilmJoint.FarToe => "tip of the far foot",
        _ => joint.ToString() is var name && name.StartsWith("Near", StringComparison.Ordinal) ? $"near {name[4..].ToLowerInvariant()}" : $"far {joint.ToString()[3..].ToLowerInvariant()}",
    };

    private sealed record JointAsked(string Name, string Says);
}
