using System.Globalization;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>An athlete's row of the squad's table.</summary>
public sealed record SquadTableRow(Athlete Athlete, SquadLine Line, IReadOnlyList<SquadCell?> Marks, double? Balance);

/// <summary>The squad on one distance, each athlete against their own range; what each mark says beside it.</summary>
public sealed class SquadModel(SquadBook squads, CompareBook compare, Desk desk) : PageModel
{
    /// <summary>Weeks that count as the season.</summary>
    public const int Weeks = 17;

    /// <summary>Width of the strip in px.</summary>
    public const double StripWidth = 470;

    private const int MostTrials = 8;
    private const double Slack = 0.02;

    public Squad? Squad { get; private set; }

    public IReadOnlyList<(string Key, string Words)> Trials { get; private set; } = [];

    public string Trial { get; private set; } = "";

    public IReadOnlyList<SquadStretch> Stretches { get; private set; } = [];

    public SquadStretch On { get; private set; }

    /// <summary>The other stretches, shown as figures.</summary>
    public IReadOnlyList<SquadStretch> Others { get; private set; } = [];

    public IReadOnlyList<SquadTableRow> Rows { get; private set; } = [];

    public string Group { get; private set; } = "";

    public string Sort { get; private set; } = "last";

    public int InAll { get; private set; }

    public (double Slow, double Fast) Axis { get; private set; }

    public async Task OnGetAsync(string? trial, string? on, string? group, string? sort)
    {
        Squad = await desk.SquadAsync();
        if (Squad is null)
        {
            return;
        }

        var athletes = await squads.AthletesAsync(Squad.Id);
        var times = await compare.TimesAsync([.. athletes.Select(a => a.Id)], desk.Today.AddDays(-7 * Weeks));
        var trials = SquadTimes.Trials(times).Take(MostTrials).ToList();
        if (trials.Count == 0)
        {
            return;
        }

        foreach (var key in trials)
        {
            Trials = [.. Trials, (key, await compare.WordsAsync(key) is { Length: > 0 } words ? words : "usual start")];
        }

        Trial = trials.Contains(trial ?? "") ? trial! : trials[0];
        Stretches = SquadTimes.Stretches(times, Trial);
        On = Stretches.FirstOrDefault(s => Code(s) == on, Stretches.Where(s => s.From == 0).MaxBy(s => times.Count(t => t.Key == s.Key && t.From == 0 && t.To == s.To)));
        Others = [.. Stretches.Where(s => s != On)];
        (Group, Sort) = (group is "high" or "low" ? group : "", sort is "name" or "change" ? sort : "last");
        var balance = await BalanceAsync(athletes);
        var by = times.ToLookup(t => (t.Athlete, new SquadStretch(t.Key, t.From, t.To)));
        var rows = SquadTimes.Lines(times, On).Select(l => new SquadTableRow(athletes.Single(a => a.Id == l.Athlete), l, [.. Others.Select(s => SquadTimes.Cell(by[(l.Athlete, s)]))], balance.TryGetValue(l.Athlete, out var b) ? b : null)).ToList();
        InAll = rows.Count;
        Rows = [.. Sorted(rows.Where(r => Group.Length == 0 || r.Athlete.Playing == (Group == "high" ? PlayingGroup.HighMinutes : PlayingGroup.LowMinutes)))];
        Axis = rows.Count == 0 ? (1, 0) : (rows.Max(r => r.Line.Every[^1]) + Slack, rows.Min(r => r.Line.Every[0]) - Slack);
    }

    /// <summary>Where a time lies on the strip: faster to the right.</summary>
    public double X(double seconds) => Math.Round((Axis.Slow - seconds) / (Axis.Slow - Axis.Fast) * StripWidth, 1);

    /// <summary>Every so many hundredths a line, at most nine of them.</summary>
    public IReadOnlyList<double> Ticks
    {
        get
        {
            var step = new[] { 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2 }.First(s => (Axis.Slow - Axis.Fast) / s <= 9 || s == 2);
            return [.. Enumerable.Range((int)Math.Ceiling(Axis.Fast / step), 40).Select(i => i * step).TakeWhile(t => t < Axis.Slow)];
        }
    }

    /// <summary>Dots of a row, one a run, stacked at its hundredth.</summary>
    public IReadOnlyList<(double X, double Y)> Dots(SquadLine line) =>
    [
        .. line.Every.GroupBy(s => Math.Round(s, 2)).SelectMany(g =>
        {
            var (count, pitch) = (g.Count(), Math.Min(3.4, 20.0 / g.Count()));
            return Enumerable.Range(0, count).Select(i => (X(g.Key), Math.Round(14 + ((i - ((count - 1) / 2.0)) * pitch), 1)));
        }),
    ];

    /// <summary>A stretch in words: 20 m, fly 20–30 m.</summary>
    public static string Words(SquadStretch stretch)
    {
        string In(int millimetres) => Figures.Number(millimetres / 1000.0, 1);
        return stretch.From == 0 ? $"{In(stretch.To)} m" : $"fly {In(stretch.From)}–{In(stretch.To)}";
    }

    public static string Code(SquadStretch stretch) => string.Create(CultureInfo.InvariantCulture, $"{stretch.From}-{stretch.To}");

    public string With(string? on = null, string? group = null) => $"/Athletes/Squad?trial={Uri.EscapeDataString(Trial)}&on={on ?? Code(On)}&group={group ?? Group}&sort={Sort}";

    private IEnumerable<SquadTableRow> Sorted(IEnumerable<SquadTableRow> rows) => Sort switch
    {
        "name" => rows.OrderBy(r => r.Athlete.Name, StringComparer.CurrentCulture),
        "change" => rows.OrderBy(r => r.Line.Change is null).ThenBy(r => r.Line.Change?.Change),
        _ => rows,
    };

    private async Task<IReadOnlyDictionary<int, double>> BalanceAsync(IReadOnlyList<Athlete> athletes)
    {
        var forces = new Dictionary<int, (double, double)>();
        foreach (var athlete in athletes)
        {
            if (athlete is { MassKilograms: { } mass, HeightMetres: { } height } && (await squads.CurveAsync(athlete.Id)).Fit is { } fit)
            {
                var of = SprintForces.From(fit.Curve, new BodyAndAir(mass, height));
                forces[athlete.Id] = (of.F0, of.V0);
            }
        }

        return ForceBalance.Of(forces);
    }
}
