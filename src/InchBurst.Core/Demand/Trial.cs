using System.Globalization;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Demand;

/// <summary>
/// The conditions under which results compare: two results with different trials are never set against each other. Its key is text, so that the file compares by
/// the same definition as the program; comparing by equal keys is an equivalence.
/// </summary>
/// <param name="Course">The course as a key: <see cref="Straight"/> or its legs and turns.</param>
/// <param name="Start">Start position, if said.</param>
/// <param name="RunInMetres">Run-in of a moving start, m, if said.</param>
/// <param name="Trigger">What starts the clock.</param>
/// <param name="StartBehindGateMetres">Distance of the start line behind the first gate, m.</param>
/// <param name="Method">How it is timed.</param>
/// <param name="Load">Load as a key: kind and amount; empty when free.</param>
/// <param name="Side">Side of a one-sided start or turn, if any.</param>
public sealed record Trial(string Course, StartPosition? Start, double? RunInMetres, StartTrigger Trigger, double StartBehindGateMetres, TimingMethod Method, string Load, Side? Side)
{
    /// <summary>Course key of running straight ahead.</summary>
    public const string Straight = "straight";

    /// <summary>What is run on. While nobody has said, results compare with others of which nobody has said it.</summary>
    public Surface Surface { get; init; }

    /// <summary>What is worn, in the same way.</summary>
    public Shoes Shoes { get; init; }

    /// <summary>True when nothing helps or hinders.</summary>
    public bool IsFree => Load.Length == 0;

    /// <summary>True when it was run with help.</summary>
    public bool IsAssisted => Helps(Load);

    /// <summary>True for the key of a load that helps.</summary>
    /// <param name="load">Load as a key.</param>
    public static bool Helps(string load) => load.StartsWith("tow", StringComparison.Ordinal) || load.StartsWith("downhill", StringComparison.Ordinal)
        || (load.StartsWith("band", StringComparison.Ordinal) && load.EndsWith('v') && !load.Contains('-', StringComparison.Ordinal));

    /// <summary>True for running straight ahead.</summary>
    public bool IsStraight => Course == Straight;

    /// <summary>True when it began from rest: no moving start, and the start known.</summary>
    public bool IsFromRest => Start != StartPosition.Moving && Trigger != StartTrigger.ZoneLine;

    /// <summary>The key under which times from the start compare; null when only a zone was timed.</summary>
    public string? StartKey => Trigger == StartTrigger.ZoneLine
        ? null
        : string.Join('|', Course, Load, MethodKey, StartText, Trigger, Plain(Math.Round(StartBehindGateMetres / Limits.SameStartMetres) * Limits.SameStartMetres), SideKey) + SurfaceKey;

    /// <summary>The key under which flying times compare: they do not know what started the clock, but they know the way to the zone.</summary>
    public string FlyingKey => string.Join('|', "fly", Course, Load, MethodKey, Start == StartPosition.Moving ? StartText : "", IsStraight ? "" : SideKey) + SurfaceKey;

    // Said only where it is known, so that results from before it was asked keep their keys.
    private string SurfaceKey => (Surface == Surface.Unsaid ? "" : "|" + Surface.ToString().ToLowerInvariant()) + (Shoes == Shoes.Unsaid ? "" : "|" + Shoes.ToString().ToLowerInvariant());

    private string MethodKey => Method switch { TimingMethod.Hand => "hand", TimingMethod.Film => "film", _ => "gates" };

    private string SideKey => Side?.ToString() ?? "";

    private string StartText => (Start?.ToString() ?? "") + (RunInMetres is { } run ? Plain(run) : "");

    /// <summary>The trial of a line as it is timed.</summary>
    /// <param name="demand">What the line asks.</param>
    /// <param name="method">How it is timed.</param>
    /// <param name="trigger">What starts the clock.</param>
    /// <param name="startBehindGateMetres">Distance of the start line behind the first gate, m.</param>
    /// <param name="side">Side run to, if any.</param>
    /// <param name="surface">What is run on.</param>
    /// <param name="shoes">What is worn.</param>
    public static Trial Of(LineDemand demand, TimingMethod method, StartTrigger trigger, double startBehindGateMetres, Side? side, Surface surface = Surface.Unsaid, Shoes shoes = Shoes.Unsaid) => new(
        CourseKey(demand.Course), demand.Line.Start?.Position, demand.Line.Start?.RunIn?.Metres, trigger, startBehindGateMetres, method, LoadKey(demand.AppliedLoad), side)
    { Surface = surface, Shoes = shoes };

    /// <summary>A course as a key: its legs with intent and its turns.</summary>
    /// <param name="course">The course; null for work that is no run.</param>
    public static string CourseKey(Course? course)
    {
        if (course is null || course.IsStraightSprint)
        {
            return Straight;
        }

        var parts = new List<string>();
        foreach (var leg in course.Legs.Where(l => l.FromMetres < course.IntentEnd - 1e-9))
        {
            parts.AddRange(course.Turns.Where(t => Math.Abs(t.AtMetres - leg.FromMetres) < 1e-9).Select(t => "t" + Plain(t.Degrees) + (t.Side is { } side ? side.ToString()[..1] : "")));
            parts.Add(Plain(leg.Metres) + leg.Movement switch
            {
                Motion.Sprint => leg.Role switch { SegmentRole.Float => "float", SegmentRole.Slow => "slow", _ => "m" },
                var other => other.ToString().ToLowerInvariant(),
            });
        }

        return string.Join('+', parts);
    }

    /// <summary>A load as a key: kind and amount, a mass always in kg; empty when there is none.</summary>
    /// <param name="load">The load.</param>
    public static string LoadKey(LineLoad? load)
    {
        if (load is null or { Kind: LoadKind.Lift })
        {
            return "";
        }

        var kind = load.Kind.ToString().ToLowerInvariant();
        return load.Unit switch
        {
            LoadUnit.None => kind,
            LoadUnit.Kilogram or LoadUnit.Pound => kind + Plain(Math.Round(LoadEffect.Kilograms(load, 1)!.Value * 2) / 2) + "kg",
            LoadUnit.PercentBodyMass => kind + Plain(load.Amount) + "bm",
            LoadUnit.PercentSpeed => kind + Plain(load.Amount) + "v",
            LoadUnit.PercentGrade => kind + Plain(load.Amount) + "grade",
            LoadUnit.Degree => kind + Plain(load.Amount) + "deg",
            _ => kind + load.Unit.ToString().ToLowerInvariant(),
        };
    }

    /// <summary>What is held in the hands or on the shoulders as a key, such as a ball thrown: a mass in kg; empty where none is said.</summary>
    /// <param name="load">The load.</param>
    public static string HeldKey(LineLoad? load) =>
        load is { Kind: LoadKind.Lift, Unit: LoadUnit.Kilogram or LoadUnit.Pound } && LoadEffect.Kilograms(load, 1) is { } kilograms ? $"with{Plain(Math.Round(kilograms * 2) / 2)}kg" : "";

    /// <summary>The mass in kg that a key of a dragged load says; null where it says none.</summary>
    /// <param name="key">A key made by <see cref="LoadKey"/>.</param>
    /// <param name="bodyKilograms">Body mass in kg.</param>
    public static double? KilogramsOf(string key, double bodyKilograms)
    {
        var digits = key.SkipWhile(char.IsAsciiLetter).TakeWhile(c => char.IsAsciiDigit(c) || c == '.').ToArray();
        return !double.TryParse(digits, CultureInfo.InvariantCulture, out var amount) ? null : key.EndsWith("kg", StringComparison.Ordinal) ? amount : key.EndsWith("bm", StringComparison.Ordinal) ? amount / 100 * bodyKilograms : null;
    }

    /// <summary>What sets this trial apart from the plainest one of its course, in a coach's words: "from 3-point, start 0.5 m back, sled 10 kg"; empty for the plainest.</summary>
    public string Words => string.Join(", ", Said(true));

    /// <summary>What sets its flying times apart; they do not know what started the clock.</summary>
    public string FlyingWords => string.Join(", ", Said(false));

    private IEnumerable<string> Said(bool fromStart)
    {
        if (Start is { } start && (fromStart || start == StartPosition.Moving))
        {
            yield return "from " + StartWords(start) + (RunInMetres is { } run ? $" {Figures.Number(run, 1)} m" : "");
        }

        if (Side is { } side && (fromStart || !IsStraight))
        {
            yield return side.ToString().ToLowerInvariant();
        }

        if (Load.Length > 0)
        {
            yield return LoadWords(Load);
        }

        if (fromStart && Trigger is StartTrigger.FirstMove or StartTrigger.Gun)
        {
            yield return Trigger == StartTrigger.Gun ? "from the gun" : "from the first movement";
        }

        if (fromStart && StartBehindGateMetres > Limits.SameStartMetres / 2)
        {
            yield return $"start {Figures.Number(StartBehindGateMetres, 2)} m back";
        }

        if (Method != TimingMethod.Electronic)
        {
            yield return TimingWords.Of(Method);
        }

        if (Surface != Surface.Unsaid)
        {
            yield return SurfaceWords(Surface);
        }

        if (Shoes != Shoes.Unsaid)
        {
            yield return ShoeWords(Shoes);
        }
    }

    /// <summary>A surface as said of a run: "on grass"; empty while nobody has said it.</summary>
    /// <param name="surface">The surface.</param>
    public static string SurfaceWords(Surface surface) => surface switch
    {
        Surface.Unsaid => "",
        Surface.Track => "on the track",
        Surface.Turf => "on artificial turf",
        Surface.Hall => "in the hall",
        var other => "on " + other.ToString().ToLowerInvariant(),
    };

    /// <summary>Shoes as said of a run: "in spikes"; empty while nobody has said.</summary>
    /// <param name="shoes">The shoes.</param>
    public static string ShoeWords(Shoes shoes) => shoes switch
    {
        Shoes.Unsaid => "",
        Shoes.Flats => "in flat shoes",
        Shoes.Studs => "in studs",
        Shoes.Court => "in court shoes",
        Shoes.Barefoot => "barefoot",
        _ => "in " + shoes.ToString().ToLowerInvariant(),
    };

    /// <summary>A start position in words.</summary>
    /// <param name="start">The position.</param>
    public static string StartWords(StartPosition start) => start switch
    {
        StartPosition.ThreePoint => "3-point",
        StartPosition.FourPoint => "4-point",
        StartPosition.HalfKneeling => "half-kneeling",
        _ => start.ToString().ToLowerInvariant(),
    };

    /// <summary>A course key in words: "5 m, turn, 10 m, turn, 5 m"; the three legs of the 5-10-5 are called by that name.</summary>
    /// <param name="key">Key made by <see cref="CourseKey"/>.</param>
    public static string CourseWords(string key)
    {
        if (key == Straight)
        {
            return "straight";
        }

        var parts = key.Split('+');
        if (parts.Where(p => p[0] != 't').SequenceEqual(["5m", "10m", "5m"]) && parts.Count(p => p.StartsWith("t180", StringComparison.Ordinal)) == 2)
        {
            return "5-10-5";
        }

        return string.Join(", ", parts.Select(p => p[0] == 't'
            ? $"turn {p.Trim('t').TrimEnd('L', 'R')}°{(p.EndsWith('L') ? " left" : p.EndsWith('R') ? " right" : "")}"
            : p.EndsWith('m') && char.IsDigit(p[^2]) ? p[..^1] + " m" : string.Concat(p.TakeWhile(c => char.IsDigit(c) || c == '.')) + " m " + string.Concat(p.SkipWhile(c => char.IsDigit(c) || c == '.'))));
    }

    /// <summary>A load key in words: "sled 27.5 kg", "band light".</summary>
    /// <param name="key">Key made by <see cref="LoadKey"/>.</param>
    public static string LoadWords(string key)
    {
        var at = key.TakeWhile(char.IsLetter).Count();
        if (at == key.Length)
        {
            // An amount in words behind what it is: "sledstrongpush".
            var kind = Enum.GetNames<LoadKind>().Select(k => k.ToLowerInvariant()).FirstOrDefault(k => key.StartsWith(k, StringComparison.Ordinal) && key.Length > k.Length);
            var aim = kind is null ? null : LoadAim.All.FirstOrDefault(a => key[kind.Length..] == a.Unit.ToString().ToLowerInvariant());
            return kind is null ? key : $"{kind} {aim?.Name.ToLowerInvariant() ?? key[kind.Length..]}";
        }

        return $"{key[..at]} {key[at..].Replace("kg", " kg").Replace("bm", "% of body mass").Replace("grade", "%").Replace("deg", "°").Replace("v", "% of speed").Replace("-", Figures.Minus)}";
    }

    private static string Plain(double value) => Math.Round(value, 3).ToString("0.###", CultureInfo.InvariantCulture);
}
