using InchBurst.Core.Catalogue;
using InchBurst.Data;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Settings;

/// <summary>What the club's coaches tap on a run besides what ships.</summary>
public sealed class ChipsModel(CatalogueBook book, ResultsBook results, ExerciseCatalogue catalogue, Desk desk) : PageModel
{
    private const int OftenDays = 84;
    private const int MostOften = 8;

    public IReadOnlyList<Observation> Own { get; private set; } = [];

    /// <summary>Own words written at least twice, the most frequent first.</summary>
    public IReadOnlyList<(string Words, int Times)> Often { get; private set; } = [];

    public IReadOnlyList<string> Names => [.. catalogue.All.Select(e => e.Name)];

    public string Typed { get; private set; } = "";

    public RunPhase Phase { get; private set; } = RunPhase.Upright;

    public IReadOnlyList<string> Drills { get; private set; } = [];

    /// <summary>What the form showed when it was opened.</summary>
    public string Opened { get; private set; } = "";

    public IReadOnlyDictionary<string, string> Wrong { get; private set; } = new Dictionary<string, string>();

    /// <summary>What a phase is called.</summary>
    public static string Words(RunPhase phase) => phase switch
    {
        RunPhase.Start => "the start",
        RunPhase.Drive => "the first pushes",
        RunPhase.Rise => "coming up",
        RunPhase.Upright => "upright running",
        RunPhase.Arms => "arms",
        RunPhase.Contact => "foot contact",
        RunPhase.SlowDown => "slowing down and turning",
        RunPhase.Landing => "landing from a jump",
        RunPhase.Bound => "bounds",
        RunPhase.Bar => "lifts",
        _ => "holds",
    };

    public async Task OnGetAsync(string? words)
    {
        Typed = words?.Trim() ?? "";
        if (book.Chips().FirstOrDefault(c => c.Code.Equals(Typed, StringComparison.OrdinalIgnoreCase)) is { } chip)
        {
            (Typed, Phase, Drills) = (chip.Code, chip.Phase, chip.Drills);
        }

        Opened = StaleForm.Opened(Fields(Phase, Drills));
        await ListAsync();
    }

    private static Dictionary<string, string> Fields(RunPhase phase, IEnumerable<string> drills) => new() { ["phase"] = Words(phase), ["drills"] = string.Join(", ", drills) };

    public async Task<IActionResult> OnPostSaveAsync(string? words, RunPhase phase, string[] drills, string? opened)
    {
        (Typed, Phase, Drills) = ((words ?? "").Trim(), phase, [.. drills.Select(d => (d ?? "").Trim()).Where(d => d.Length > 0)]);
        if (book.Chips().FirstOrDefault(c => c.Code.Equals(Typed, StringComparison.OrdinalIgnoreCase)) is { } stored)
        {
            // Somebody may have changed it, or made it, since the form was opened.
            var (mine, now) = (Fields(Phase, Drills), Fields(stored.Phase, stored.Drills));
            var both = StaleForm.Merge(mine, opened, now);
            (Phase, Drills) = (mine["phase"] == now["phase"] ? stored.Phase : Phase, mine["drills"] == now["drills"] ? stored.Drills : Drills);
            Opened = StaleForm.Opened(now);
            if (both.Count > 0)
            {
                Wrong = both;
                await ListAsync();
                return Page();
            }
        }

        Opened = opened ?? "";
        Wrong = await book.SaveChipAsync(Typed, Phase, Drills);
        if (Wrong.Count == 0)
        {
            return Redirect("/Settings/Chips");
        }

        await ListAsync();
        return Page();
    }

    public async Task<IActionResult> OnPostRemoveAsync(string words)
    {
        await book.RemoveChipAsync(words);
        return Redirect("/Settings/Chips");
    }

    private async Task ListAsync()
    {
        Own = book.Chips();
        Often = [.. (await results.WordsAsync(desk.Today.AddDays(-OftenDays))).Where(w => w.Times > 1 && catalogue.Seen(w.Words).Phase == RunPhase.Own).Take(MostOften)];
    }
}
