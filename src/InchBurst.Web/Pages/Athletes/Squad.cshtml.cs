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
public sealed class SquadModel(SquadBook squads, CompareBook compare, SeasonOfOne season, Desk desk) : PageModel
{
    /// <summary>Weeks that count as the season.</summary>
    public const int Weeks = 17;

    /// <summary>Width of the strip in px.</summary>
    public const double StripWidth = 470;

    private const int MostTrials = 8;
    private const int MostMeasures = 5;
    private const int FewestAthletes = 2;

    /// <summary>The first word of the choice that shows what is measured.</summary>
    public const string MeasuredChoice = "measured";

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

        Club = await desk.ClubAsync();
        var athletes = await squads.AthletesAsync(Squad.Id);
        List<int> ids = [.. athletes.Select(a => a.Id)];
        var from = desk.Today.AddDays(-7 * Weeks);
        var times = await compare.TimesAsync(ids, from);
        var measured = await season.SquadAsync(ids, from);
        var kinds = measured.GroupBy(v => v.Key).Where(g => g.Select(v => v.AthleteId).Distinct().Count() >= FewestAthletes).OrderByDescending(g => g.Count()).ThenBy(g => g.Key.Words, StringComparer.Ordinal).Select(g => g.Key).ToList();
        var trials = SquadTimes.Trials(times).Take(MostTrials).ToList();
        foreach (var key in trials)
        {
            Trials = [.. Trials, (key, await compare.WordsAsync(key) is { Length: > 0 } words ? words : "usual start")];
        }

        if (kinds.Count > 0)
        {
            Trials = [.. Trials, (MeasuredChoice, "what is measured")];
        }

        if (Trials.Count == 0)
        {
            return;
        }

        Trial = Trials.Any(t => t.Key == trial) ? trial! : Trials[0].Key;
        Measure = Trial == MeasuredChoice ? kinds.Find(k => TrendSubject.CodeOf(k) == on) is { Name: not null } asked ? asked : kinds[0] : null;
        if (Measure is { } measure)
        {
            // The chosen one and those measured most often stand beside each other.
            List<MeasureKey> shown = [.. kinds.Take(MostMeasures).Append(measure).Distinct()];
            measures = shown.ToDictionary(k => TrendSubject.CodeOf(k));
            Stretches = [.. shown.Select(k => new SquadStretch(TrendSubject.CodeOf(k), 0, 0))];
            On = new(TrendSubject.CodeOf(measure), 0, 0);
            times = [.. measured.Where(v => shown.Contains(v.Key)).Select(v => new SquadTime(v.AthleteId, TrendSubject.CodeOf(v.Key), 0, 0, v.Day, v.Value))];
        }
        else
        {
            Stretches = SquadTimes.Stretches(times, Trial);
            On = Stretches.FirstOrDefault(s => Code(s) == on, Stretches.Where(s => s.From == 0).MaxBy(s => times.Where(t => t.Key == s.Key && t.From == 0 && t.To == s.To).Select(t => (t.Athlete, t.Day)).Distinct().Count()));
        }

        Others = [.. Stretches.Where(s => s != On)];
        (Group, Sort) = (group is "high" or "low" ? group : "", sort is "name" or "change" ? sort : "last");
        var balance = await BalanceAsync(athletes);
        var by = times.ToLookup(t => (t.Athlete, new SquadStretch(t.Key, t.From, t.To)));
        var rows = SquadTimes.Lines(times, On, LessIsBetter(On)).Select(l => new SquadTableRow(athletes.Single(a => a.Id == l.Athlete), l, [.. Others.Select(s => SquadTimes.Cell(by[(l.Athlete, s)], LessIsBetter(s)))], balance.TryGetValue(l.Athlete, out var b) ? b : null)).ToList();
        InAll = rows.Count;
        Rows = [.. Sorted(rows.Where(r => Group.Length == 0 || r.Athlete.Playing == (Group == "high" ? PlayingGroup.HighMinutes : PlayingGroup.LowMinutes)))];
        if (rows.Count > 0)
        {
            var (worst, best) = LessIsBetter(On) ? (rows.Max(r => r.Line.Every[^1]), rows.Min(r => r.Line.Every[0])) : (rows.Min(r => r.Line.Every[^1]), rows.Max(r => r.Line.Every[0]));
            var slack = Math.Max(Grain / 2, Math.Abs(best - worst) * SlackShare);
            Axis = best < worst || (best == worst && LessIsBetter(On)) ? (worst + slack, best - slack) : (worst - slack, best + slack);
        }
    }

    private const double SlackShare = 0.04;

    // What a figure is read to, in the unit it is kept in.
    private double Grain => Measure is { } measure ? Measures.Of(measure.Kind).Step : 0.01;

    private double Scale => Measure is { } measure ? Measures.Scale(measure.Kind, Club.DistanceUnit, Club.MassUnit) : 1;

    private Dictionary<string, MeasureKey> measures = [];

    /// <summary>What is measured, where the squad is shown on that; null on a stretch.</summary>
    public MeasureKey? Measure { get; private set; }

    public Club Club { get; private set; } = new();

    /// <summary>True for times and heart rates.</summary>
    public bool LessIsBetter(SquadStretch stretch) => !measures.TryGetValue(stretch.Key, out var key) || Measures.Of(key.Kind).LessIsBetter;

    /// <summary>A figure as it is read.</summary>
    public string Text(SquadStretch stretch, double value) => measures.TryGetValue(stretch.Key, out var key) ? Measures.Text(new(key.Kind, value), Club.DistanceUnit, Club.MassUnit).Split(' ')[0] : Figures.Split(value);

    /// <summary>The unit of the figures that are drawn.</summary>
    public string Unit => Measure is { } measure ? Measures.Unit(measure.Kind, Club.DistanceUnit, Club.MassUnit) : "seconds";

    /// <summary>Where a figure lies on the strip: better to the right.</summary>
    public double X(double value) => Math.Round((Axis.Slow - value) / (Axis.Slow - Axis.Fast) * StripWidth, 1);

    /// <summary>Lines at round figures, at most nine of them.</summary>
    public IReadOnlyList<double> Ticks
    {
        get
        {
            var (low, high) = (Math.Min(Axis.Slow, Axis.Fast) / Scale, Math.Max(Axis.Slow, Axis.Fast) / Scale);
            var step = new[] { 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100 }.First(s => (high - low) / s <= 9 || s == 100);
            return [.. Enumerable.Range((int)Math.Ceiling(low / step), 40).Select(i => i * step).TakeWhile(t => t < high).Select(t => t * Scale)];
        }
    }

    /// <summary>A tick in words.</summary>
    public string Tick(double at) => Measure is null ? at.ToString("0.00", CultureInfo.InvariantCulture) : Figures.Number(at / Scale, 2);

    /// <summary>Dots of a row, one a run, stacked at its hundredth.</summary>
    public IReadOnlyList<(double X, double Y)> Dots(SquadLine line) =>
    [
        .. line.Every.GroupBy(s => Math.Round(s / Grain) * Grain).SelectMany(g =>
        {
            var (count, pitch) = (g.Count(), Math.Min(3.4, 20.0 / g.Count()));
            return Enumerable.Range(0, count).Select(i => (X(g.Key), Math.Round(14 + ((i - ((count - 1) / 2.0)) * pitch), 1)));
        }),
    ];

    /// <summary>A stretch in words: 20 m, fly 20–30 m; or what is measured.</summary>
    public string Words(SquadStretch stretch)
    {
        if (measures.TryGetValue(stretch.Key, out var key))
        {
            return key.Words + (key.FromAir ? ", from air" : key.Kind == MeasureKind.AirTime ? ", air time" : "");
        }

        string In(int millimetres) => Figures.Number(millimetres / 1000.0, 1);
        return stretch.From == 0 ? $"{In(stretch.To)} m" : $"fly {In(stretch.From)}–{In(stretch.To)}";
    }

    public static string Code(SquadStretch stretch) => stretch.To == 0 ? stretch.Key : string.Create(CultureInfo.InvariantCulture, $"{stretch.From}-{stretch.To}");

    public string With(string? on = null, string? group = null) => $"/Athletes/Squad?trial={Uri.EscapeDataString(Trial)}&on={Uri.EscapeDataString(on ?? Code(On))}&group={group ?? Group}&sort={Sort}";

    private IEnumerable<SquadTableRow> Sorted(IEnumerable<SquadTableRow> rows) => Sort switch
    {
        "name" => rows.OrderBy(r => r.Athlete.Name, StringComparer.CurrentCulture),
        "change" => rows.OrderByDescending(r => r.Line.Gain is not null).ThenByDescending(r => r.Line.Gain),
        _ => rows,
    };

    private async Task<IReadOnlyDictionary<int, double>> BalanceAsync(IReadOnlyList<Athlete> athletes)
    {
        var forces = new Dictionary<int, (double, double)>();
        var curves = await squads.CurvesAsync([.. athletes.Select(a => a.Id)]);
        foreach (var athlete in athletes)
        {
            if (athlete is { MassKilograms: { } mass, HeightMetres: { } height } && curves[athlete.Id].Fit is { } fit)
            {
                var of = SprintForces.From(fit.Curve, new BodyAndAir(mass, height));
                forces[athlete.Id] = (of.F0, of.V0);
            }
        }

        return ForceBalance.Of(forces);
    }
}
