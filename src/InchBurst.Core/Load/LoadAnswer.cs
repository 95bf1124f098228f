using System.Text.Json;
using InchBurst.Core.Plan;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Load;

/// <summary>What a page takes along to answer for one athlete while a handle is dragged.</summary>
/// <param name="TopSpeed">Free top speed, m/s.</param>
/// <param name="Tau">Time constant, s.</param>
/// <param name="BodyKilograms">Body mass, kg.</param>
/// <param name="Friction">Friction of sled and floor.</param>
/// <param name="Line">Load line on that floor, or null.</param>
/// <param name="Kit">Sled with its plates, or null where the club has said none.</param>
/// <param name="Bracket">Bracket of the school, percent.</param>
/// <param name="Heaviest">Most percent slower that the school pulls.</param>
/// <param name="Mass">What masses are read in.</param>
/// <param name="IsYoung">True for the young, who pull light loads only.</param>
public sealed record LoadDocument(double TopSpeed, double Tau, double BodyKilograms, Friction Friction, LoadLine? Line, SledKit? Kit, double Bracket, double Heaviest, MassReading Mass, bool IsYoung = false)
{
    /// <summary>What is known.</summary>
    public LoadKnown Known() => new(new SprintCurve(TopSpeed, Tau), BodyKilograms, Friction, Line);

    /// <summary>The load nearest to one wanted that plates can make, kg; without a kit, and for a pull, half kilograms.</summary>
    /// <param name="kilograms">Load wanted, kg.</param>
    public double Made(double kilograms) => Made(kilograms, out _);

    /// <summary>The same with its plates, where there is a kit and the load is no pull.</summary>
    internal double Made(double kilograms, out PlateStack? stack)
    {
        stack = Kit is null || kilograms < Kit.SledKilograms / 2 ? null : Kit.For(kilograms);
        return stack?.Kilograms ?? Math.Round(kilograms / LoadAnswer.Step) * LoadAnswer.Step;
    }

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, LoadJsonContext.Default.LoadDocument);

    /// <summary>From text.</summary>
    /// <param name="json">Text made by <see cref="Write"/>.</param>
    /// <exception cref="JsonException">The text is no such document.</exception>
    public static LoadDocument Read(string json) => JsonSerializer.Deserialize(json, LoadJsonContext.Default.LoadDocument) ?? throw new JsonException("There is no athlete.");
}

/// <summary>One source on its row.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Note">What it rests on.</param>
/// <param name="Kilograms">Its load, kg.</param>
/// <param name="Low">Lower end of its range, kg; the load itself for a rule of thumb, whose spread nobody knows.</param>
/// <param name="High">Upper end, kg.</param>
/// <param name="IsRule">True for a rule of thumb.</param>
/// <param name="Text">The figure.</param>
/// <param name="Apart">How far it is from the best source, with its sign; empty for that one.</param>
public sealed record LoadAnswerSource(string Name, string Note, double Kilograms, double Low, double High, bool IsRule, string Text, string Apart);

/// <summary>Everything the page says of one slowing.</summary>
public sealed record LoadAnswer
{
    /// <summary>Percent slower than free with this load; negative for a pull.</summary>
    public double Decrement { get; init; }

    /// <summary>Percent slower that was asked for, to a whole percent: what a line for the squad would say, since each athlete's plates differ.</summary>
    public double Asked { get; init; }

    /// <summary>That in words: "-30%".</summary>
    public string Set { get; init; } = "";

    /// <summary>The load as it can be made, kg.</summary>
    public double Kilograms { get; init; }

    /// <summary>Lower end of the likely range of what is asked, kg.</summary>
    public double Low { get; init; }

    /// <summary>Upper end, kg.</summary>
    public double High { get; init; }

    /// <summary>"-30%".</summary>
    public string Percent { get; init; } = "";

    /// <summary>"27.5 kg".</summary>
    public string Load { get; init; } = "";

    /// <summary>"40% of body mass".</summary>
    public string Body { get; init; } = "";

    /// <summary>"27.5 kg, likely 26.5 to 28.6 (90%)".</summary>
    public string Likely { get; init; } = "";

    /// <summary>What plates make it, or why not exactly: "sled 7.5 + 10 + 10".</summary>
    public string Plates { get; init; } = "";

    /// <summary>Unit of the aim, as a word.</summary>
    public string Aim { get; init; } = "";

    /// <summary>"Strong push".</summary>
    public string Name { get; init; } = "";

    /// <summary>True when the aim holds this slowing.</summary>
    public bool IsInAim { get; init; }

    /// <summary>What is to be minded: outside every aim, outside what was tested, heavier than the school pulls; may be empty.</summary>
    public string Mind { get; init; } = "";

    /// <summary>"10-20 m".</summary>
    public string Distance { get; init; } = "";

    /// <summary>"3:00".</summary>
    public string Rest { get; init; } = "";

    /// <summary>What the rest stands on.</summary>
    public string RestNote { get; init; } = "";

    /// <summary>"4-6 runs".</summary>
    public string Runs { get; init; } = "";

    /// <summary>"60 to 100 m in all".</summary>
    public string RunsNote { get; init; } = "";

    /// <summary>What should be seen.</summary>
    public string See { get; init; } = "";

    /// <summary>When to take load off.</summary>
    public string Lighten { get; init; } = "";

    /// <summary>What is run next to it.</summary>
    public string Next { get; init; } = "";

    /// <summary>The hill that slows as much: "about 9% uphill (5.1°)".</summary>
    public string Hill { get; init; } = "";

    /// <summary>The sources, the best first.</summary>
    public IReadOnlyList<LoadAnswerSource> Sources { get; init; } = [];

    /// <summary>Lower end of the axis that the sources share, kg.</summary>
    public double AxisLow { get; init; }

    /// <summary>Upper end, kg.</summary>
    public double AxisHigh { get; init; }

    /// <summary>That lower end in the club's unit.</summary>
    public string AxisLowText => AxisText(AxisLow);

    /// <summary>That upper end in the club's unit.</summary>
    public string AxisHighText => AxisText(AxisHigh);

    /// <summary>What masses are read in.</summary>
    public MassReading Mass { get; init; }

    private string AxisText(double kilograms) => Figures.Number(Figures.MassIn(kilograms, Mass));

    /// <summary>By how much they differ, in one sentence.</summary>
    public string Disagreement { get; init; } = "";

    /// <summary>Shorthand of the load for a line: "sled -30%v".</summary>
    public string Shorthand { get; init; } = "";

    /// <summary>Heaviest and lightest slowing that is answered, percent.</summary>
    public const double MostDecrement = 80;

    /// <summary>Most help that is answered, percent, and by pull only.</summary>
    public const double MostHelp = 10;

    /// <summary>Step of loads without plates, kg.</summary>
    internal const double Step = 0.5;
    private const double AxisStep = 5;

    /// <summary>The answer for a slowing.</summary>
    /// <param name="document">The athlete.</param>
    /// <param name="decrement">Percent slower than free, kept within -10 and 80.</param>
    /// <param name="steps">Steps of load to go from there, each the next that plates can make, half a kilogram without plates; negative is lighter.</param>
    public static LoadAnswer Of(LoadDocument document, double decrement, int steps = 0)
    {
        var known = document.Known();
        var asked = Math.Clamp(double.IsFinite(decrement) ? decrement : 0, -MostHelp, MostDecrement);
        var kilograms = document.Made(known.Best(asked).Load.Kilograms, out var stack);
        for (var i = 0; i < Math.Abs(steps); i++)
        {
            var (from, by) = (kilograms, Math.Sign(steps) * Step);
            for (var wanted = from + by; wanted is > -60 and < 400 && Math.Abs(kilograms - from) < 1e-9; wanted += by)
            {
                kilograms = document.Made(wanted, out stack);
            }
        }

        var slower = Math.Clamp(known.DecrementAt(kilograms), -MostHelp, MostDecrement + 5);
        var meant = Math.Round(steps == 0 ? asked : slower);
        var aim = LoadAim.At(slower);
        var sources = known.For(slower);
        var best = sources[0];
        string Mass(double kg, int decimals = 1) => Figures.Exact(Figures.MassIn(kg, document.Mass), decimals);
        var unit = Figures.SymbolOf(document.Mass);
        string Range(double a, double b, string of) => $"{Figures.Number(a)}\u2013{Figures.Number(b)} {of}";
        return new()
        {
            Decrement = slower,
            Asked = meant,
            Set = Words(meant),
            Kilograms = kilograms,
            Low = best.Load.Low,
            High = best.Load.High,
            Percent = Words(slower),
            Load = $"{Mass(kilograms)} {unit}",
            Body = kilograms < 0 ? "pulled from the front" : $"{Figures.Number(kilograms / document.BodyKilograms * 100)}% of body mass",
            Likely = $"likely {Mass(best.Load.Low)} to {Mass(best.Load.High)} {unit} (90%)",
            Plates = document.Kit is null ? "to the nearest half kilogram: your plates are not known" : kilograms <= 0 ? "no sled" : $"sled {Plain(stack!.SledKilograms)}{string.Concat(stack.Plates.Select(p => $" + {Plain(p)}"))}",
            Aim = aim.Unit.ToString(),
            Name = aim.Name,
            IsInAim = aim.Holds(slower),
            Mind = Minded(document, known, slower, kilograms, aim),
            Distance = Range(aim.LeastMetres, aim.MostMetres, "m"),
            Rest = Figures.Clock(aim.Rest(aim.MostMetres)),
            RestNote = $"{Figures.Number(aim.RestFor10)} s for each 10 m",
            Runs = Range(aim.LeastRuns, aim.MostRuns, "runs"),
            RunsNote = $"{Figures.Number(aim.LeastRuns * aim.LeastMetres)} to {Figures.Number(aim.MostRuns * aim.MostMetres)} m in all",
            See = aim.See,
            Lighten = aim.Lighten,
            Next = aim.Next,
            Hill = Slope.GradeFor(known, slower) is { } grade ? $"about {Figures.Number(Math.Abs(grade))}% {(grade < 0 ? "downhill" : "uphill")} ({Figures.Number(Math.Abs(Slope.DegreesOf(grade)), 1)}°), approximate" : "no hill is that steep",
            Sources = [.. sources.Select(s => new LoadAnswerSource(NameOf(s.Kind), Note(document, s), s.Load.Kilograms, s.KnowsAthlete ? s.Load.Low : s.Load.Kilograms, s.KnowsAthlete ? s.Load.High : s.Load.Kilograms, !s.KnowsAthlete, Mass(s.Load.Kilograms),
                s == best ? "" : (s.Load.Kilograms < best.Load.Kilograms ? "\u2212" : "+") + Mass(Math.Abs(s.Load.Kilograms - best.Load.Kilograms))))],
            AxisLow = Math.Floor((Math.Min(kilograms, sources.Min(s => Math.Min(s.Load.Kilograms, s.KnowsAthlete ? s.Load.Low : double.PositiveInfinity))) - 1) / AxisStep) * AxisStep,
            AxisHigh = Math.Ceiling((Math.Max(kilograms, sources.Max(s => Math.Max(s.Load.Kilograms, s.KnowsAthlete ? s.Load.High : double.NegativeInfinity))) + 1) / AxisStep) * AxisStep,
            Mass = document.Mass,
            Disagreement = known.Disagreement(sources, document.Mass),
            Shorthand = meant < 0 ? $"tow +{Figures.Number(-meant)}%v" : $"sled -{Figures.Number(meant)}%v",
        };
    }

    /// <summary>The answer for a load.</summary>
    /// <param name="document">The athlete.</param>
    /// <param name="kilograms">Load in kg, negative for a pull.</param>
    public static LoadAnswer OfMass(LoadDocument document, double kilograms) => Of(document, document.Known().DecrementAt(double.IsFinite(kilograms) ? kilograms : 0));

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, LoadJsonContext.Default.LoadAnswer);

    private static string Words(double percent) => Math.Round(percent) < 0 ? $"+{Figures.Number(-percent)}%" : $"\u2212{Figures.Number(Math.Abs(percent))}%";

    private static string Plain(double kilograms) => Figures.Number(kilograms, 2);

    private static string Minded(LoadDocument document, LoadKnown known, double slower, double kilograms, LoadAim aim)
    {
        var all = new List<string>();
        if (!aim.Holds(slower))
        {
            all.Add($"between two aims: {aim.Name.ToLowerInvariant()} is {Figures.Number(aim.Least)} to {Figures.Number(aim.Most)}% slower");
        }

        if (document.IsYoung && slower > document.Bracket + 0.5)
        {
            all.Add("too heavy for a young athlete: light loads only");
        }
        else if (document.IsYoung && slower < 0)
        {
            all.Add("young athletes are not pulled");
        }

        if (slower > document.Heaviest + 0.5)
        {
            all.Add($"heavier than the school pulls ({Figures.Number(document.Heaviest)}%)");
        }

        if (known.Line is { } line && (kilograms < line.Least - 1e-9 || kilograms > line.Most + 1e-9))
        {
            all.Add("beyond what was tested");
        }

        if (kilograms < 0)
        {
            all.Add("pulled running: check cord and anchor, nobody in line with it");
        }

        return string.Join("; ", all);
    }

    private static string NameOf(LoadSourceKind kind) => kind switch
    {
        LoadSourceKind.Line => "Measured line",
        LoadSourceKind.Sprint => "One sprint + friction",
        LoadSourceKind.AccelerationRule => "Rule: acceleration, 15 m",
        _ => "Rule: top speed",
    };

    private static string Note(LoadDocument document, LoadSource source) => source.Kind switch
    {
        LoadSourceKind.Line => $"{document.Line!.Runs} runs, {(source.Load.IsTested ? "within" : "beyond")} what was tested",
        LoadSourceKind.Sprint => $"\u03bc {Figures.Exact(document.Friction.Mu, 2)} \u00b1 {Figures.Exact(document.Friction.Spread, 2)}, {(document.Friction.IsMeasured ? "your pull test" : "from the table")}",
        _ => $"{Figures.Exact(source.BodyPercent, 1)}% of body mass",
    };
}
