using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Loads;

/// <summary>A line of a session to come that is run with a load of some mass.</summary>
/// <param name="Session">The session.</param>
/// <param name="Line">The line.</param>
/// <param name="Number">Its place in the plan, from 1.</param>
public sealed record LoadedLine(TrainingSession Session, PlanLine Line, int Number);

/// <summary>Loads of an athlete: load line, aims, sources; and the squad's sheet for the next line with a sled.</summary>
public sealed class IndexModel(RosterBook roster, SquadBook squads, LoadBook loads, SessionBook sessions, SchoolBook schools, SheetMaker sheets, DeviceFiles device, Desk desk, ExerciseCatalogue catalogue) : PageModel
{
    private const int MostEarlier = 3;
    private const int DaysAhead = 21;

    public Athlete? Athlete { get; private set; }

    public IReadOnlyList<Athlete> Athletes { get; private set; } = [];

    public Club Club { get; private set; } = null!;

    public ClubKit Kit { get; private set; } = ClubKit.Empty;

    public Surface Surface { get; private set; }

    /// <summary>Kind of sled; empty while nobody has said it.</summary>
    public string Sled { get; private set; } = "";

    public IReadOnlyList<LoadTestOfDay> Tests { get; private set; } = [];

    public LoadTestOfDay? Test { get; private set; }

    public LoadKnown Known { get; private set; } = null!;

    public LoadDocument Document { get; private set; } = null!;

    public LoadAnswer Answer { get; private set; } = null!;

    public LoadPlot Plot { get; private set; } = null!;

    public LoadPlot PhonePlot { get; private set; } = null!;

    public CoachingSchool School { get; private set; } = null!;

    public IReadOnlyList<LoadAim> Offered { get; private set; } = [];

    public LoadedLine? Next { get; private set; }

    /// <summary>How loads go over the weeks, as the school has it.</summary>
    public LoadPath Path { get; private set; } = null!;

    /// <summary>Days of the way that is under way.</summary>
    public IReadOnlyList<LoadDay> Way { get; private set; } = [];

    /// <summary>The next load, with its reason.</summary>
    public LoadProposal Proposal { get; private set; } = null!;

    /// <summary>The day the next load is for.</summary>
    public DateOnly NextDay => Next?.Session.Day ?? desk.Today;

    /// <summary>Free runs after loaded ones against the usual, by session.</summary>
    public IReadOnlyDictionary<int, Contrast> Contrasts { get; private set; } = new Dictionary<int, Contrast>();

    public SquadSheet? Sheet { get; private set; }

    /// <summary>Why this athlete must not be pulled here; empty when nothing speaks against it.</summary>
    public IReadOnlyList<string> TowRefusals { get; private set; } = [];

    /// <summary>Speeds of helped running up to the school's ceiling: percent over free, speed, s over 10 m.</summary>
    public IReadOnlyList<(double Percent, double Speed, double Seconds)> Tows { get; private set; } = [];

    /// <summary>Where Core for the device is found, or null.</summary>
    public string? Device => device.Address;

    /// <summary>Why the latest day with a sled gave no line, or null.</summary>
    public string? Refused => Test is null ? Tests.FirstOrDefault(IsHere)?.Found.Reason : null;

    public async Task<IActionResult> OnGetAsync(int? id, Surface? surface, string? sled, string? by, int step = 0)
    {
        if (!await LoadAsync(id, surface, sled, by, step))
        {
            return id is null ? Page() : NotFound();
        }

        Contrasts = await loads.ContrastsAsync(Athlete!.Id, desk.Today);
        var squad = Athletes.Where(a => a.Availability != Availability.Out).ToList();
        if (Next is { } next)
        {
            Sheet = await sheets.MakeAsync(next.Session, next.Line);
        }
        else if (squad.Count > 0)
        {
            Sheet = await sheets.MakeAsync(squad, ShorthandLine.Read("4 x 15 m").Line! with { Load = new(LoadKind.Sled, 0, Usual.Unit) }, Surface, Sled);
        }

        return Page();
    }

    /// <summary>The answer for a slowing, for pages where Core is not on the device.</summary>
    public async Task<IActionResult> OnGetAnswerAsync(int id, Surface? surface, string? sled, string? by, string? kg, int step = 0) =>
        await LoadAsync(id, surface, sled, by, step, kg) ? Content(Answer.Write(), "application/json") : NotFound();

    /// <summary>Sets the load of the next line with a sled.</summary>
    public async Task<IActionResult> OnPostSetAsync(int id, int session, int line, string? by, Surface? surface, string? sled)
    {
        // A sled line is never turned into a pull.
        if (!await LoadAsync(id, surface, sled, by, 0) || Answer.Asked < 0)
        {
            return NotFound();
        }

        var set = await sessions.OnAsync(session, async planned =>
        {
            if (planned.Plan.Line(line) is { } old && ShorthandLine.Read($"20 m {Answer.Shorthand}").Line?.Load is { } load)
            {
                await sessions.ChangeAsync(planned, planned.Plan.Replace(line, old with { Load = load }), $"load of {Answer.Set}", desk.Who);
            }

            return planned;
        });
        return set is not null ? Redirect($"/Sessions/{session}?line={line}") : NotFound();
    }

    // By: how many percent slower, as typed; nothing takes the aim of the next line, or a strong push.
    private async Task<bool> LoadAsync(int? id, Surface? surface, string? sled, string? by, int step, string? kg = null)
    {
        Club = await desk.ClubAsync();
        (Kit, _) = await loads.KitAsync();
        if (await desk.SquadAsync() is not { } squad)
        {
            return false;
        }

        var chosen = id is { } number ? await roster.FindAsync(number) : null;
        Athletes = await squads.AthletesAsync(chosen?.SquadId ?? squad.Id);
        Athlete = id is null ? Athletes.Count > 0 ? await FirstAsync() : null : chosen;
        if (Athlete is null)
        {
            return false;
        }

        Next = await NextAsync(Athlete.SquadId);
        School = Next is { } next ? await schools.OfAsync(next.Session) : (await schools.AllAsync()).FirstOrDefault(s => s.Name == (Athlete.Squad ?? squad).School) ?? CoachingSchool.Usual;
        Offered = LoadAim.Offered(School["load.heaviest"]);
        Tests = await loads.TestsAsync(Athlete.Id, Athlete.MassKilograms);
        Surface = surface ?? Tests.FirstOrDefault(t => t.Found.Line is not null)?.Surface ?? Surface.Unsaid;
        // The sled of the newest line on the floor, where no other is asked for.
        var isAsked = Request.Query.ContainsKey(nameof(sled)) || (Request.HasFormContentType && Request.Form.ContainsKey(nameof(sled)));
        Sled = sled ?? (isAsked ? "" : Tests.FirstOrDefault(t => t.Surface == Surface && t.Found.Line is not null)?.Sled ?? "");
        (Known, Test) = await loads.KnownAsync(Athlete, Surface, Kit, desk.Today, sled: Sled);
        Document = new(Known.Curve.Mss, Known.Curve.Tau, Known.BodyKilograms, Known.Friction, Known.Line, Kit.Shared(2, Sled).FirstOrDefault(), School["load.bracket"], School["load.heaviest"], Club.MassUnit, desk.Today.Year - Athlete.BirthYear < Limits.YoungYears);
        Answer = Number(kg) is { } mass ? LoadAnswer.OfMass(Document, mass)
            : LoadAnswer.Of(Document, Number(by) ?? Planned() ?? Usual.Taken(School["load.heaviest"], School["load.bracket"]), Math.Clamp(step, -20, 20));
        Path = LoadPath.Of(School["load.heaviest"], School["load.bracket"], School["load.weeks"], Document.IsYoung);
        var days = Tests.Where(IsHere).Select(t => t.Heaviest).OfType<LoadDay>().ToList();
        (Way, Proposal) = (Path.Since(days, NextDay), Path.Next(Known, days, NextDay, Club.MassUnit));
        var ceiling = Math.Min(School["assisted.ceiling"], Towing.HighestCeiling);
        var free = Known.Line?.Free ?? Known.Curve.Mss;
        Tows = [.. new[] { 2.0, 3, 4, 5, 8, 10 }.Where(p => p < ceiling).Append(ceiling).Select(p => (p, Towing.Speed(free, p), Towing.ZoneSeconds(free, p, 10)))];
        var isYoung = desk.Today.Year - Athlete.BirthYear < Limits.YoungYears;
        TowRefusals = Towing.Refusals(new(isYoung, await squads.BestSpeedAsync(Athlete.Id) is null, Athlete.Availability != Availability.Full, Athlete.AvailabilityReason, Next?.Session.RunOutMetres, free * free * 1.1 / (2 * (isYoung ? Limits.YoungBraking : Limits.Braking)), Surface == Surface.Road));
        var earlier = Tests.Where(t => IsHere(t) && t.Day < Test?.Day).Select(t => t.Found.Line).OfType<LoadLine>().Take(MostEarlier).ToList();
        Plot = LoadPlot.Draw(Known, Test?.Points ?? [], earlier);
        PhonePlot = LoadPlot.Draw(Known, Test?.Points ?? [], earlier, LoadPlot.PhoneWidth);
        return true;
    }

    private bool IsHere(LoadTestOfDay test) => test.Surface == Surface && test.Sled.Equals(Sled, StringComparison.OrdinalIgnoreCase);

    // A strong push where the school pulls so much, else the heaviest of what it offers below.
    private LoadAim Usual => Offered.Last(a => a.Usual <= LoadAim.All[1].Usual);

    // What the next line with a sled asks of this athlete.
    private double? Planned() => Next is { } next ? LoadEffect.Of(next.Line.Load ?? catalogue.Find(next.Line.Exercise)?.UsualLoad, Known).DecrementPercent : null;

    private static double? Number(string? text) => double.TryParse((text ?? "").Replace(Figures.Minus, "-").Replace(',', '.').TrimEnd('%', ' '), System.Globalization.CultureInfo.InvariantCulture, out var number) ? number : null;

    private async Task<Athlete> FirstAsync()
    {
        foreach (var athlete in Athletes)
        {
            if ((await loads.TestsAsync(athlete.Id, athlete.MassKilograms)).Any(t => t.Found.Line is not null))
            {
                return (await roster.FindAsync(athlete.Id))!;
            }
        }

        return (await roster.FindAsync(Athletes[0].Id))!;
    }

    private async Task<LoadedLine?> NextAsync(int squadId)
    {
        foreach (var session in (await sessions.ListAsync(desk.Today, desk.Today.AddDays(DaysAhead))).Where(s => s.SquadId == squadId && s.State != Core.Live.SessionState.Ended).OrderBy(s => s.Day).ThenBy(s => s.Id))
        {
            var lines = PlanJson.Read(session.PlanJson).Lines.ToList();
            if (lines.FindIndex(l => SheetMaker.HasSled(l, catalogue)) is >= 0 and var at)
            {
                return new(session, lines[at], at + 1);
            }
        }

        return null;
    }
}
