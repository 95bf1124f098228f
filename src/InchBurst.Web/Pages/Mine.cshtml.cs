using InchBurst.Core.Log;
using InchBurst.Core.Progress;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Support;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace InchBurst.Web.Pages;

/// <summary>What an athlete reads of their own at a private address: today's card, curve, bests. Nobody else is in it.</summary>
public sealed class MineModel(LinkBook links, SessionBook sessions, SquadBook squads, CardMaker cards, FilmBook films, Desk desk) : PageModel
{
    /// <summary>How many days ahead the next session is looked for.</summary>
    private const int DaysAhead = 7;

    private const int Width = 358;
    private const int Height = 300;
    private const int Looked = 40;

    public Athlete Athlete { get; private set; } = null!;

    public AthleteLink Link { get; private set; } = null!;

    public Club Club { get; private set; } = null!;

    /// <summary>Cards of today, or of the next day with a session.</summary>
    public IReadOnlyList<SessionCard> Cards { get; private set; } = [];

    public StandingOutcome Standing { get; private set; } = new(null, null);

    public LoggedRun? Run { get; private set; }

    public BurstCurve? Curve { get; private set; }

    /// <summary>Own bests, run free.</summary>
    public IReadOnlyList<BestList> Lists { get; private set; } = [];

    /// <summary>Figures of film with a picture that the coach keeps for them too, or null.</summary>
    public FilmReading? Film { get; private set; }

    public async Task<IActionResult> OnGetAsync(string key)
    {
        // The address is a key: it is kept from search engines and from the pages that are gone to.
        Response.Headers["X-Robots-Tag"] = "noindex, nofollow";
        Response.Headers["Referrer-Policy"] = "no-referrer";
        if (await links.OfKeyAsync(key) is not { } found)
        {
            return NotFound();
        }

        (Athlete, Link) = found;
        Club = await desk.ClubAsync();
        var ahead = (await sessions.ListAsync(desk.Today, desk.Today.AddDays(DaysAhead))).Where(s => s.SquadId == Athlete.SquadId).OrderBy(s => s.Day).ThenBy(s => s.Start).ToList();
        var made = new List<SessionCard>();
        foreach (var session in ahead.Where(s => s.Day == ahead[0].Day))
        {
            if (await sessions.FindAsync(session.Id) is { } planned && await cards.MakeAsync(planned, Athlete.Id) is { Athlete: not null, Lines.Count: > 0 } card)
            {
                made.Add(card);
            }
        }

        Film = await films.ShownToAsync(Athlete.Id);
        Cards = made;
        Standing = await squads.CurveAsync(Athlete.Id);
        Lists = Bests.OfLoad(Bests.Lists(await squads.BestsAsync(Athlete.Id)), isFree: true);
        Run = (await squads.RunsAsync(Athlete.Id, Looked)).FirstOrDefault(r => r.ShowsOwnCurve && r.Marks.Count >= 3 && r.Fit().Fitted is not null);
        Curve = Run is { } run ? BurstCurve.Draw(run.Gates, run.Fit().Fitted, Width, Height, Club.SpeedUnit, Club.DistanceUnit) : null;
        return Page();
    }
}
