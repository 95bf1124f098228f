using System.Globalization;
using System.Text;
using InchBurst.Core.Sprint;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>Traces of radars and lasers of an athlete: pasted or chosen, fitted, kept.</summary>
public sealed class TracesModel(RosterBook roster, TraceBook traces, Desk desk) : PageModel
{
    private const int OldestYears = 5;

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public IReadOnlyList<SpeedTrace> Kept { get; private set; } = [];

    /// <summary>The trace that is shown; null without any.</summary>
    public SpeedTrace? Chosen { get; private set; }

    public TraceFitted? Fit { get; private set; }

    public SprintForces? Forces { get; private set; }

    public TracePlot? Plot { get; private set; }

    public TracePlot? PlotNarrow { get; private set; }

    public DateOnly Day { get; private set; }

    public TraceDevice Device { get; private set; }

    public string Typed { get; private set; } = "";

    public Dictionary<string, string> Wrong { get; } = [];

    /// <summary>What the last step did, for its word and its undo.</summary>
    public (int Id, bool Removed)? Done { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id, int? trace, int? done, bool removed = false)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        Done = done is { } step ? (step, removed) : null;
        Show(trace);
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(int id, string? day, TraceDevice device, string? rows, IFormFile? file)
    {
        if (!await FindAsync(id))
        {
            return NotFound();
        }

        (Device, Typed) = (Enum.IsDefined(device) ? device : TraceDevice.Radar, rows ?? "");
        if (!DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var on) || on > desk.Today || on < desk.Today.AddYears(-OldestYears))
        {
            Wrong["day"] = "A day up to today, of the last five years.";
        }
        else
        {
            Day = on;
        }

        var bytes = file is { Length: > 0 } ? file.Length > TraceBook.MostBytes ? new byte[TraceBook.MostBytes + 1] : await BytesAsync(file) : Encoding.UTF8.GetBytes(Typed);
        var read = bytes.Length == 0 ? new TraceReading([], "Choose the file of the device, or paste its rows.") : TraceBook.Sheet(bytes);
        var outcome = read.Wrong.Length > 0 ? new TraceOutcome(null, read.Wrong) : TraceFit.Fit(read.Rows);
        if (outcome.Reason is { } reason)
        {
            Wrong["rows"] = reason;
        }

        if (Wrong.Count > 0)
        {
            Show(null);
            return Page();
        }

        var kept = await traces.AddAsync(id, Day, Device, read.Rows, outcome.Fitted!, desk.Who);
        return Redirect($"/Athletes/{id}/Traces?trace={kept}&done={kept}");
    }

    public async Task<IActionResult> OnPostRemoveAsync(int id, int trace, bool removed) =>
        await traces.RemoveAsync(id, trace, removed) ? Redirect($"/Athletes/{id}/Traces?done={trace}&removed={(removed ? "true" : "false")}{(removed ? "" : $"&trace={trace}")}") : NotFound();

    private static async Task<byte[]> BytesAsync(IFormFile file)
    {
        using var memory = new MemoryStream();
        await file.CopyToAsync(memory);
        return memory.ToArray();
    }

    private async Task<bool> FindAsync(int id)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return false;
        }

        (Athlete, Club, Kept, Day) = (athlete, await desk.ClubAsync(), await traces.OfAsync(id), desk.Today);
        return true;
    }

    private void Show(int? trace)
    {
        Chosen = Kept.FirstOrDefault(t => t.Id == trace) ?? Kept.FirstOrDefault();
        if (Chosen is null)
        {
            return;
        }

        var rows = TraceBook.Read(Chosen.Rows);
        Fit = TraceFit.Fit(rows).Fitted;
        if (Fit is null)
        {
            return;
        }

        Plot = TracePlot.Draw(rows, Fit, Club.SpeedUnit, 772, 360);
        PlotNarrow = TracePlot.Draw(rows, Fit, Club.SpeedUnit, 358, 300);
        if (Athlete is { MassKilograms: { } mass, HeightMetres: { } height })
        {
            Forces = SprintForces.From(Fit.Curve, new BodyAndAir(mass, height));
        }
    }
}
