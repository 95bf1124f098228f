using System.Globalization;
using InchBurst.Core.Load;
using InchBurst.Core.Progress;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>A field of what is other, with its bounds.</summary>
public sealed record WhatIfField(string Key, string Label, string Unit, double Least, double Most, double Step, Func<WhatIfChange, double> Of, Func<WhatIfChange, double, WhatIfChange> With);

/// <summary>Times of an athlete under other conditions, and with another body, push or speed.</summary>
public sealed class WhatIfModel(RosterBook roster, SquadBook squads, Desk desk) : PageModel
{
    public static IReadOnlyList<WhatIfField> Fields { get; } =
    [
        new("wind", "Wind", "m/s", -10, 10, 0.1, c => c.WindMetresPerSecond, (c, v) => c with { WindMetresPerSecond = v }),
        new("height", "Height above the sea", "m", 0, 4000, 50, c => c.AltitudeMetres, (c, v) => c with { AltitudeMetres = v }),
        new("grade", "Slope", "%", -15, 15, 0.5, c => c.GradePercent, (c, v) => c with { GradePercent = v }),
        new("sled", "Sled", "kg", 0, 200, 0.5, c => c.SledKilograms, (c, v) => c with { SledKilograms = v }),
        new("mass", "Body mass gained", "kg", -20, 20, 0.5, c => c.MassKilograms, (c, v) => c with { MassKilograms = v }),
        new("push", "More push, F0", "%", -20, 20, 0.5, c => c.PushPercent, (c, v) => c with { PushPercent = v }),
        new("speed", "More speed, V0", "%", -20, 20, 0.5, c => c.SpeedPercent, (c, v) => c with { SpeedPercent = v }),
    ];

    /// <summary>Distances that are told.</summary>
    public static IReadOnlyList<Distance> Told { get; } = [new(5, DistanceUnit.Metre), new(10, DistanceUnit.Metre), new(20, DistanceUnit.Metre), new(30, DistanceUnit.Metre), new(40, DistanceUnit.Yard), new(40, DistanceUnit.Metre), new(60, DistanceUnit.Yard), new(60, DistanceUnit.Metre)];

    public Athlete Athlete { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    public WhatIfChange Change { get; private set; } = new();

    public Surface Ground { get; private set; } = Surface.Track;

    public StandingFit? Fit { get; private set; }

    public string? Reason { get; private set; }

    public IReadOnlyList<(Distance At, WhatIfTime Time, double Range)> Times { get; private set; } = [];

    public Dictionary<string, string> Wrong { get; } = [];

    public Dictionary<string, string> Typed { get; } = [];

    public async Task<IActionResult> OnGetAsync(int id, Surface? ground)
    {
        if (await roster.FindAsync(id) is not { } athlete)
        {
            return NotFound();
        }

        (Athlete, Club) = (athlete, await desk.ClubAsync());
        Ground = ground is { } said && Enum.IsDefined(said) && said != Surface.Unsaid ? said : Surface.Track;
        foreach (var field in Fields)
        {
            var text = Request.Query[field.Key].ToString().Trim();
            Typed[field.Key] = text;
            if (text.Length == 0)
            {
                continue;
            }

            if (!double.TryParse(text.Replace(',', '.').Replace('−', '-'), NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value) || value < field.Least || value > field.Most)
            {
                Wrong[field.Key] = $"From {Figures.Number(field.Least, 1)} to {Figures.Number(field.Most, 1)} {field.Unit}.";
                continue;
            }

            Change = field.With(Change, value);
        }

        var standing = await squads.CurveAsync(id);
        (Fit, Reason) = (standing.Fit, standing.Reason);
        if (Fit is not null && athlete is { MassKilograms: { } mass, HeightMetres: { } height })
        {
            var body = new BodyAndAir(mass, height);
            var times = WhatIf.Of(SprintForces.From(Fit.Curve, body), body, Change, Friction.Of(Ground), [.. Told.Select(d => d.Metres)]);
            Times = [.. Told.Zip(times, (d, t) => (d, t, WhatIf.Range90(Fit.Curve, Fit.MssError, Fit.TauError, d.Metres)))];
        }

        return Page();
    }
}
