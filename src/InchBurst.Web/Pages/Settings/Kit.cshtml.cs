using System.Globalization;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

/// <summary>Sleds, plates, pull tests; rope and hill worked out.</summary>
public sealed class KitModel(LoadBook loads, SquadBook squads, Desk desk) : PageModel
{
    public ClubKit Kit { get; private set; } = ClubKit.Empty;

    public int Version { get; private set; }

    public IReadOnlyDictionary<string, string> Wrong { get; private set; } = new Dictionary<string, string>();

    public string Told { get; private set; } = "";

    public string LevelText { get; private set; } = "";

    public string RiseText { get; private set; } = "";

    public string LengthText { get; private set; } = "";

    public double? Grade { get; private set; }

    /// <summary>Percent slower on that grade for a typical athlete; negative is faster.</summary>
    public double Slower { get; private set; }

    /// <summary>What kit without a mass costs, by name, measured.</summary>
    public IReadOnlyList<(string Name, KitCost Cost)> Costs { get; private set; } = [];

    /// <summary>Grades that serve the aims, for a typical athlete.</summary>
    public IReadOnlyList<(string Name, double Slower, double? Grade)> Hills { get; private set; } = [];

    /// <summary>What was typed into a field of the form that was sent, so that nothing is lost.</summary>
    public string Typed(string field) => Wrong.Count > 0 && Request.HasFormContentType ? Request.Form[field].ToString() : "";

    public async Task OnGetAsync(string? level, string? rise, string? length)
    {
        (LevelText, RiseText, LengthText) = (level ?? "", rise ?? "", length ?? "");
        await LoadAsync();
        var wrong = new Dictionary<string, string>();
        if (level is not null || rise is not null)
        {
            if (Number(level) is { } degrees && Math.Abs(degrees) <= 30)
            {
                Grade = Slope.GradeOf(degrees);
            }
            else if (Number(rise) is { } up && Number(length) is { } along && along > 0 && Math.Abs(up) <= along / 2)
            {
                Grade = Slope.GradeOfRise(up, along);
            }
            else
            {
                wrong["hill"] = "Type what the level reads, −30 to 30°, or the rise and the length it takes, such as 1.5 m over 20 m.";
            }
        }

        var typical = Typical();
        Slower = Grade is { } grade ? Slope.DecrementOf(typical, grade) : 0;
        Wrong = wrong;
    }

    public Task<IActionResult> OnPostSledAsync(string? name, string? kilograms, string? kind, int version) => ChangeAsync(version, "sled", kit =>
    {
        var sled = new ClubSled((name ?? "").Trim(), Number(kilograms) ?? 0, (kind ?? "").Trim());
        return ClubKit.Problem(sled) is { } problem ? (null, problem)
            : kit.Sleds.Count >= ClubKit.MostSleds ? (null, $"A club may have {ClubKit.MostSleds} sleds here.")
            : kit.Sleds.Any(s => s.Name.Equals(sled.Name, StringComparison.OrdinalIgnoreCase)) ? (null, $"There is a sled called “{sled.Name}” already.")
            : (kit with { Sleds = [.. kit.Sleds, sled] }, $"{sled.Name} added.");
    });

    public Task<IActionResult> OnPostPlateAsync(string? plate, string? count, int version) => ChangeAsync(version, "plate", kit =>
    {
        var plates = new ClubPlate(Number(plate) ?? 0, Number(count) is { } n && n == Math.Floor(n) && Math.Abs(n) < 1000 ? (int)n : 0);
        return ClubKit.Problem(plates) is { } problem ? (null, problem)
            : (kit with { Plates = [.. kit.Plates.Where(p => Math.Abs(p.Kilograms - plates.Kilograms) > 1e-9).Append(plates).OrderByDescending(p => p.Kilograms)] }, $"{plates.Count} plates of {Figures.Number(plates.Kilograms, 2)} kg.");
    });

    public Task<IActionResult> OnPostPullAsync(string? sled, Surface surface, string? total, string? newtons, int version) => ChangeAsync(version, "pull", kit =>
    {
        var readings = (newtons ?? "").Split([' ', ';', '/'], StringSplitOptions.RemoveEmptyEntries).Select(Number).ToList();
        if (readings.Any(r => r is null))
        {
            return (null, "Type the readings in newtons with spaces between them, such as 54 56 58.");
        }

        var pull = new PullTest(desk.Today, (sled ?? "Sled").Trim(), surface, Number(total) ?? 0, [.. readings.Select(r => r!.Value)], kit.Sleds.FirstOrDefault(s => s.Name == (sled ?? "").Trim())?.Kind ?? "");
        return Friction.OfPulls(pull.Newtons, pull.Kilograms) is { Problem: { } problem } ? (null, problem)
            : pull.Kilograms > 400 ? (null, "A sled with plates weighs 400 kg at most.")
            : (kit with { Pulls = [.. kit.Pulls, pull] }, $"Friction {Figures.Exact(pull.Friction!.Mu, 2)} {Trial.SurfaceWords(surface)}.");
    });

    public Task<IActionResult> OnPostHarnessAsync(HarnessAt at, string? rope, string? hook, int version) => ChangeAsync(version, "rope", kit =>
    {
        var harness = new Harness(Enum.IsDefined(at) ? at : HarnessAt.Waist, Number(rope) ?? double.NaN, Number(hook) ?? double.NaN);
        return harness.Problem is { } problem ? (null, problem) : (kit with { Harness = harness }, $"Rope of {Figures.Number(harness.RopeMetres, 2)} m at the {(harness.At == HarnessAt.Waist ? "waist" : "chest")}: {Figures.Number(harness.Rope.Degrees)}°.");
    });

    public Task<IActionResult> OnPostRemoveHarnessAsync(int version) => ChangeAsync(version, "rope", kit => (kit with { Harness = null }, "Rope and harness removed: loads are worked out for a flat rope."));

    public Task<IActionResult> OnPostRemoveSledAsync(int at, int version) => ChangeAsync(version, "sled", kit => (kit with { Sleds = Without(kit.Sleds, at) }, "Sled removed."));

    public Task<IActionResult> OnPostRemovePlateAsync(int at, int version) => ChangeAsync(version, "plate", kit => (kit with { Plates = Without(kit.Plates, at) }, "Plates removed."));

    public Task<IActionResult> OnPostRemovePullAsync(int at, int version) => ChangeAsync(version, "pull", kit => (kit with { Pulls = Without(kit.Pulls, at) }, "Pull test removed."));

    private static List<T> Without<T>(IReadOnlyList<T> all, int at) => [.. all.Where((_, i) => i != at)];

    private async Task<IActionResult> ChangeAsync(int version, string part, Func<ClubKit, (ClubKit? Kit, string Word)> change)
    {
        await LoadAsync();
        var (kit, word) = change(Kit);
        if (kit is null)
        {
            Wrong = new Dictionary<string, string> { [part] = word };
            return Page();
        }

        if (version != Version || !await loads.KeepKitAsync(kit, version))
        {
            await LoadAsync();
            Wrong = new Dictionary<string, string> { [part] = "Somebody changed the kit meanwhile; it stands here as it is now. Look, and send again." };
            return Page();
        }

        await LoadAsync();
        Told = word;
        return Page();
    }

    private async Task LoadAsync()
    {
        (Kit, Version) = await loads.KitAsync();
        Costs = [.. (await loads.CostsAsync()).OrderBy(c => c.Key, StringComparer.Ordinal).Select(c => (Trial.LoadWords(c.Key), c.Value))];
        pace = await desk.SquadAsync() is { } squad ? await squads.PaceAsync((await squads.AthletesAsync(squad.Id)).Select(a => a.Id)) : DemandAthlete.UsualCurve;
        Hills = [.. LoadAim.All.Select(a => (a.Name, a.Usual, Slope.GradeFor(Typical(), a.Usual)))];
    }

    private InchBurst.Core.Sprint.SprintCurve pace = DemandAthlete.UsualCurve;

    private LoadKnown Typical() => new(pace, LoadEffect.UsualMassKilograms, Friction.Of(Surface.Unsaid));

    private static double? Number(string? text) => double.TryParse((text ?? "").Trim().Replace(Figures.Minus, "-").Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;
}
