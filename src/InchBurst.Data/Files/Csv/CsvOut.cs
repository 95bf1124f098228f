using System.Globalization;
using System.Runtime.CompilerServices;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Files.Csv;

/// <summary>What of a club goes out as a sheet.</summary>
public sealed record SheetOut(string Key, string Title, IReadOnlyList<(string Name, string Guide)> Columns);

/// <summary>The club's subjects as sheets, one a subject, in a form that comes in again (docs/formats.md).</summary>
public sealed class CsvOut(ClubDb db, ExerciseCatalogue catalogue)
{
    /// <summary>Every sheet there is, with what its columns say.</summary>
    public static IReadOnlyList<SheetOut> All { get; } =
    [
        new("athletes", "Athletes", [("name", "as it is shown"), ("squad", "name of the squad"), ("sex", "female, male or empty"), ("birth year", "four digits"), ("height cm", "centimetres"), ("body mass kg", "kilograms"), ("position", "position or event"), ("group", "high minutes, low minutes or empty"), ("stance", "start stance"), ("front foot", "left, right or empty"), ("guardian", "who answers for a young athlete"), ("consent", "day, such as 2026-03-14"), ("notes", "free words"), ("retired", "yes or no")]),
        new("times", "Times", [("run", "number that keeps rows of one run together"), ("day", "such as 2026-03-14"), ("squad", "name of the squad"), ("session", "name of the session"), ("athlete", "name"), ("line", "which line of the plan, from 1"), ("work", "that line in shorthand"), ("rep", "which rep, from 1"), ("side", "left, right or empty"), ("distance", "from the first gate, with its unit: 30 m"), ("seconds", "time from the start, s"), ("method", "how it was timed"), ("trigger", "what started the clock"), ("effort", "percent asked"), ("outcome", "timed, not timed, measured, skipped or again"), ("finished", "when, by universal time"), ("surface", "what it was run on"), ("shoes", "what was worn"), ("wind", "m/s along the run, a tailwind positive"), ("altitude", "height above the sea, m"), ("reaction", "from the gun to the first movement, s")]),
        new("measures", "Measures", [("run", "number of the run"), ("day", "day"), ("squad", "squad"), ("session", "session"), ("athlete", "name"), ("line", "which line of the plan, from 1"), ("work", "that line in shorthand"), ("rep", "which rep, from 1"), ("side", "left, right or empty"), ("measure", "what was measured"), ("value", "in the unit beside it"), ("unit", "unit"), ("finished", "when, by universal time")]),
        new("lifts", "Loads lifted", [("day", "day"), ("athlete", "name"), ("squad", "squad"), ("lift", "exercise"), ("kg", "kilograms"), ("reps", "repetitions of the set; 1 for a tested maximum")]),
        new("sessions", "Sessions", [("day", "day"), ("squad", "squad"), ("name", "name"), ("start", "time of day"), ("group", "whom it is for"), ("lanes", "lanes"), ("minutes", "window"), ("straight m", "metres there are to run"), ("run-out m", "metres to slow down"), ("surface", "what is run on"), ("state", "planned, running or ended"), ("notes", "notes"), ("plan", "the plan as text"), ("shoes", "what is worn"), ("wind", "m/s, a tailwind positive"), ("altitude", "height above the sea, m")]),
        new("fixtures", "Calendar", [("day", "first day"), ("last day", "last day"), ("squad", "squad"), ("kind", "match, camp, exam and so on"), ("title", "title"), ("start", "time of day"), ("importance", "1 to 3"), ("away", "yes or no"), ("where", "place"), ("travel minutes", "minutes")]),
        new("minutes", "Minutes played", [("day", "day of the match"), ("squad", "squad"), ("match", "title of the match"), ("athlete", "name"), ("minutes", "minutes played"), ("top speed", "yes when the coach counts it as top speed")]),
        new("attendance", "Who was there", [("day", "day"), ("squad", "squad"), ("session", "session"), ("athlete", "name"), ("present", "yes or no"), ("rating", "perceived exertion, 0 to 10"), ("minutes", "minutes trained"), ("note", "words")]),
    ];

    /// <summary>Writes a sheet. False for a key that is none.</summary>
    /// <param name="key">Which sheet.</param>
    /// <param name="to">Where to.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<bool> WriteAsync(string key, Stream to, CancellationToken cancel = default)
    {
        if (All.FirstOrDefault(s => s.Key == key) is not { } sheet)
        {
            return false;
        }

        await CsvSheet.WriteAsync(to, [.. sheet.Columns.Select(c => c.Name)], RowsAsync(key, cancel), cancel);
        return true;
    }

    private IAsyncEnumerable<IReadOnlyList<string>> RowsAsync(string key, CancellationToken cancel) => key switch
    {
        "athletes" => AthletesAsync(cancel),
        "times" => TimesAsync(cancel),
        "measures" => MeasuresAsync(cancel),
        "lifts" => LiftsAsync(cancel),
        "sessions" => SessionsAsync(cancel),
        "fixtures" => FixturesAsync(cancel),
        "minutes" => MinutesAsync(cancel),
        _ => AttendanceAsync(cancel),
    };

    private static string Text(double? value) => value?.ToString("R", CultureInfo.InvariantCulture) ?? "";

    private static string Text(DateOnly? day) => day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "";

    private static string Text(TimeOnly? time) => time?.ToString("HH:mm", CultureInfo.InvariantCulture) ?? "";

    private static string Yes(bool value) => value ? "yes" : "no";

    /// <summary>A name of the program's own, in words: HighMinutes is high minutes, NotSaid is nothing.</summary>
    internal static string Words(Enum value) => value.ToString() is "NotSaid" or "None" ? "" : System.Text.RegularExpressions.Regex.Replace(value.ToString(), "(?<=[a-z])([A-Z])", " $1").ToLowerInvariant();

    private async IAsyncEnumerable<IReadOnlyList<string>> AthletesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        await foreach (var a in db.Athletes.AsNoTracking().Include(a => a.Squad).OrderBy(a => a.Squad!.Name).ThenBy(a => a.Name).ThenBy(a => a.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            yield return [a.Name, a.Squad!.Name, Words(a.Sex), a.BirthYear?.ToString(CultureInfo.InvariantCulture) ?? "", Text(a.HeightMetres is { } h ? Math.Round(h * 100, 2) : null), Text(a.MassKilograms), a.Position, Words(a.Group), Words(a.Stance), Words(a.FrontFoot), a.Guardian, Text(a.ConsentOn), a.Notes, Yes(a.RetiredAt is not null)];
        }
    }

    private async IAsyncEnumerable<IReadOnlyList<string>> TimesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var squads = await db.Squads.AsNoTracking().ToDictionaryAsync(s => s.Id, s => s.Name, cancel);
        var plans = new PlanLines(catalogue);
        await foreach (var r in db.Runs.AsNoTracking().Include(r => r.Session).Include(r => r.Athlete).Include(r => r.Marks).OrderBy(r => r.Day).ThenBy(r => r.SessionId).ThenBy(r => r.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            var (number, work) = plans.Of(r);
            string[] start = [r.Id.ToString(CultureInfo.InvariantCulture), Text(r.Day), squads.GetValueOrDefault(r.Session!.SquadId, ""), r.Session.Name, r.Athlete!.Name, number, work, r.Rep.ToString(CultureInfo.InvariantCulture), r.Side is { } side ? Words(side) : ""];
            string[] end = [Words(r.Method), Words(r.Trigger), Text(r.Effort), Words(r.Outcome), Moment(r.FinishedAt), r.Surface == Surface.Unsaid ? "" : Words(r.Surface), r.Shoes == Shoes.Unsaid ? "" : Words(r.Shoes), Text(r.Wind), Text(r.Altitude), Text(r.Reaction)];
            if (r.Marks.Count == 0)
            {
                yield return [.. start, "", "", .. end];
            }

            foreach (var mark in r.Marks.OrderBy(m => m.Millimetres))
            {
                yield return [.. start, new Distance(mark.Amount, mark.Unit).ToString(), Text(mark.Seconds), .. end];
            }
        }
    }

    // Lines of the plans that ran, as printed; those of one session are kept while its runs go by.
    private sealed class PlanLines(ExerciseCatalogue catalogue)
    {
        private Dictionary<int, (string, string)> lines = [];
        private int of;

        public (string Number, string Work) Of(Entities.Run run)
        {
            if (of != run.SessionId)
            {
                of = run.SessionId;
                var json = run.Session!.RanPlanJson ?? run.Session.PlanJson;
                lines = json.Length == 0 ? [] : PlanJson.Read(json).Lines.Select((l, i) => (l, i)).ToDictionary(l => l.l.Id, l => ((l.i + 1).ToString(CultureInfo.InvariantCulture), ShorthandPrinter.Print(l.l, catalogue)));
            }

            return lines.GetValueOrDefault(run.LineId, ("", ""));
        }
    }

    private static string Moment(DateTime utc) => DateTime.SpecifyKind(utc, DateTimeKind.Utc).ToString("yyyy-MM-dd'T'HH:mm:ss.FFFFFFF'Z'", CultureInfo.InvariantCulture);

    private async IAsyncEnumerable<IReadOnlyList<string>> MeasuresAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var squads = await db.Squads.AsNoTracking().ToDictionaryAsync(s => s.Id, s => s.Name, cancel);
        var plans = new PlanLines(catalogue);
        await foreach (var r in db.Runs.AsNoTracking().Where(r => r.Measures.Any()).Include(r => r.Session).Include(r => r.Athlete).Include(r => r.Measures).OrderBy(r => r.Day).ThenBy(r => r.SessionId).ThenBy(r => r.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            foreach (var measure in r.Measures.OrderBy(m => m.Kind))
            {
                var (number, work) = plans.Of(r);
                yield return [r.Id.ToString(CultureInfo.InvariantCulture), Text(r.Day), squads.GetValueOrDefault(r.Session!.SquadId, ""), r.Session.Name, r.Athlete!.Name, number, work, r.Rep.ToString(CultureInfo.InvariantCulture), r.Side is { } side ? Words(side) : "", Measures.Of(measure.Kind).Word, Text(measure.Value), UnitOf(measure.Kind), Moment(r.FinishedAt)];
            }
        }
    }

    // As stored: lengths in metres, times in seconds, masses in kilograms.
    internal static string UnitOf(MeasureKind kind) => kind switch { MeasureKind.Reps => "", MeasureKind.HeartRate => "1/min", MeasureKind.Load => "kg", MeasureKind.Time or MeasureKind.AirTime => "s", _ => "m" };

    private async IAsyncEnumerable<IReadOnlyList<string>> LiftsAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        await foreach (var t in db.LiftTests.AsNoTracking().Include(t => t.Athlete).ThenInclude(a => a!.Squad).OrderBy(t => t.Day).ThenBy(t => t.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            yield return [Text(t.Day), t.Athlete!.Name, t.Athlete.Squad!.Name, t.Exercise, Text(t.Kilograms), t.Reps.ToString(CultureInfo.InvariantCulture)];
        }
    }

    private string PlanOf(string json) => json.Length == 0 ? "" : PlanText.Print(PlanJson.Read(json), catalogue);

    private async IAsyncEnumerable<IReadOnlyList<string>> SessionsAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        await foreach (var s in db.Sessions.AsNoTracking().Include(s => s.Squad).OrderBy(s => s.Day).ThenBy(s => s.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            yield return [Text(s.Day), s.Squad!.Name, s.Name, Text(s.Start), s.Group, s.Lanes.ToString(CultureInfo.InvariantCulture), s.WindowMinutes.ToString(CultureInfo.InvariantCulture), Text(s.StraightMetres), Text(s.RunOutMetres), s.Surface == Surface.Unsaid ? "" : Words(s.Surface), Words(s.State), s.Notes, PlanOf(s.RanPlanJson ?? s.PlanJson), s.Shoes == Shoes.Unsaid ? "" : Words(s.Shoes), Text(s.Wind), Text(s.Altitude)];
        }
    }

    private async IAsyncEnumerable<IReadOnlyList<string>> FixturesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var squads = await db.Squads.AsNoTracking().ToDictionaryAsync(s => s.Id, s => s.Name, cancel);
        await foreach (var e in db.CalendarEntries.AsNoTracking().OrderBy(e => e.Day).ThenBy(e => e.Id).AsAsyncEnumerable().WithCancellation(cancel))
        {
            yield return [Text(e.Day), Text(e.LastDay), squads.GetValueOrDefault(e.SquadId, ""), Words(e.Kind), e.Title, Text(e.Start), e.Importance.ToString(CultureInfo.InvariantCulture), Yes(e.IsAway), e.Where, e.TravelMinutes?.ToString(CultureInfo.InvariantCulture) ?? ""];
        }
    }

    private async IAsyncEnumerable<IReadOnlyList<string>> MinutesAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var names = await db.Athletes.AsNoTracking().Include(a => a.Squad).ToDictionaryAsync(a => a.Id, a => (a.Name, Squad: a.Squad!.Name), cancel);
        await foreach (var m in db.PlayedMinutes.AsNoTracking().Where(m => m.Entry != null).Include(m => m.Entry).OrderBy(m => m.Entry!.Day).ThenBy(m => m.EntryId).ThenBy(m => m.AthleteId).AsAsyncEnumerable().WithCancellation(cancel))
        {
            var (name, squad) = names.GetValueOrDefault(m.AthleteId, ("", ""));
            yield return [Text(m.Entry!.Day), squad, m.Entry.Title, name, m.Minutes.ToString(CultureInfo.InvariantCulture), Yes(m.CountsAsTopSpeed)];
        }
    }

    private async IAsyncEnumerable<IReadOnlyList<string>> AttendanceAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var sessions = await db.Sessions.AsNoTracking().Include(s => s.Squad).ToDictionaryAsync(s => s.Id, s => (s.Day, s.Name, Squad: s.Squad!.Name), cancel);
        await foreach (var a in db.Attendance.AsNoTracking().Include(a => a.Athlete).OrderBy(a => a.SessionId).ThenBy(a => a.Order).ThenBy(a => a.AthleteId).AsAsyncEnumerable().WithCancellation(cancel))
        {
            if (sessions.TryGetValue(a.SessionId, out var session))
            {
                yield return [Text(session.Day), session.Squad, session.Name, a.Athlete!.Name, Yes(a.Present), Text(a.Rating), a.Minutes?.ToString(CultureInfo.InvariantCulture) ?? "", a.Note];
            }
        }
    }
}
