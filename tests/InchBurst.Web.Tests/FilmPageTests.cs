using System.Net;
using System.Text.Json;
using InchBurst.Core.Film;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Figures of film: kept with athlete, run and day, changed by one person at a time, taken out and put back, and answered by drills.</summary>
public sealed class FilmPageTests
{
    private static FilmFrame At(int number) => new(number, number / 120.0, 1 / 120.0);

    private static FilmMarks Marks(double rate = 120)
    {
        var f = SideFigure.Of(PoseBook.Find("upright touch-down")!);
        Spot Px(Spot s) => new(640 + (s.X * 400), 650 - (s.Y * 400));
        return new()
        {
            Clip = new(121, 120 / rate, 1 / rate, 1 / rate, 1280, 720),
            Feet = [new(At(4), Side.Right, true, new(150, 640)), new(At(17), Side.Right, false), new(At(33), Side.Left, true, new(340, 640)), new(At(45), Side.Left, false), new(At(62), Side.Right, true, new(530, 640))],
            Scales = [new(0, new(100, 650), new(1100, 650), 10)],
            Bodies = [new(62, FilmPhase.Upright, FilmMoment.FootDown, new Dictionary<FilmJoint, Spot>
            {
                [FilmJoint.Shoulder] = Px(f.Shoulder), [FilmJoint.Hip] = Px(f.Hip), [FilmJoint.NearKnee] = Px(f.Near.Knee), [FilmJoint.NearAnkle] = Px(f.Near.Ankle), [FilmJoint.FarKnee] = Px(f.Far.Knee), [FilmJoint.FarAnkle] = Px(f.Far.Ankle),
            })],
        };
    }

    private static async Task<(TestHouse House, Visitor Coach)> OpenAsync()
    {
        var house = await TestHouse.OpenAsync();
        var coach = await house.CoachAsync();
        await house.InDbAsync(db => { db.Athletes.AddRange(new Athlete { Name = "Ada Berg", SquadId = 1 }, new Athlete { Name = "Noor Haddad", SquadId = 1 }); return db.SaveChangesAsync(); });
        return (house, coach);
    }

    [Fact]
    public async Task Figures_are_kept_shown_changed_and_taken_out()
    {
        var (house, coach) = await OpenAsync();
        await using var _ = house;
        var day = (await coach.PageAsync("/Athletes/1/Film")).QuerySelector("#film-day")!.GetAttribute("value")!;

        // Nothing marked, nothing readable, no such day: said, and nothing is kept.
        foreach (var (marks, on, says) in new[] { ("", day, "nothing marked"), ("{}", day, "nothing marked"), (Marks().Write(), "2031-01-01", "up to today"), ((Marks() with { Feet = [], Bodies = [] }).Write(), day, "nothing marked") })
        {
            var wrong = (await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", marks), ("day", on))).Page;
            Assert.Contains(says, wrong.QuerySelector("main")!.TextContent);
            Assert.Equal(marks, wrong.QuerySelector(".film")!.GetAttribute("data-marks"));
        }

        Assert.Equal(0, await house.InDbAsync(db => db.FilmReadings.CountAsync()));
        await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", Marks().Write()), ("day", day));
        var kept = await house.InDbAsync(db => db.FilmReadings.SingleAsync());
        Assert.Equal((null, day, 1, "Odalys Brandvold"), (kept.RunId, kept.Day.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture), kept.Version, kept.By));
        Assert.Equal((0.1041667, 0.1375, 4.137931, 1.9, 7.862069), (Math.Round(kept.Contact!.Value, 7), Math.Round(kept.Flight!.Value, 7), Math.Round(kept.Frequency!.Value, 6), kept.Length!.Value, Math.Round(kept.Speed!.Value, 6)));
        var page = await coach.PageAsync("/Athletes/1/Film?film=1");
        Assert.Equal(["104", "138", "4.14", "1.90", "7.86"], page.QuerySelectorAll(".film-kept tr.chosen td.num").Take(5).Select(c => c.TextContent));
        Assert.Equal(Marks().Write(), page.QuerySelector(".film")!.GetAttribute("data-marks"));
        Assert.Contains("foot down", page.QuerySelector(".film-figures figcaption")!.TextContent);
        Assert.Contains("trunk lean 4°", page.QuerySelector(".film-figures figcaption")!.TextContent);
        Assert.NotEmpty(page.QuerySelectorAll(".film-figures svg path"));

        // Going on with it changes it; who began with an older one is told, and what they marked is still there.
        await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", Marks(240).Write()), ("day", day), ("film", "1"), ("version", "1"));
        Assert.Equal((2, 2), await house.InDbAsync(async db => (await db.FilmReadings.MaxAsync(f => f.Version), (int)Math.Round((await db.FilmReadings.SingleAsync()).Frequency!.Value / 4.137931))));
        var late = (await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", Marks().Write()), ("day", day), ("film", "1"), ("version", "1"))).Page;
        Assert.Contains("Odalys Brandvold changed these figures meanwhile", late.QuerySelector(".finding-bar")!.TextContent);
        Assert.Equal(Marks().Write(), late.QuerySelector(".film")!.GetAttribute("data-marks"));

        Assert.Equal(("", "0"), (late.QuerySelector("#film-form [name=film]")!.GetAttribute("value") ?? "", late.QuerySelector("#film-form [name=version]")!.GetAttribute("value")));

        // Another athlete's is not found; taken out it is gone, and undone it is there again.
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Athletes/2/Film", "/Athletes/2/Film?handler=Remove", ("film", "1"), ("removed", "true"))).Code);
        Assert.Contains("taken out meanwhile", (await coach.PostAsync("/Athletes/2/Film", "/Athletes/2/Film", ("marks", Marks().Write()), ("day", day), ("film", "1"), ("version", "2"))).Page.QuerySelector(".finding-bar")!.TextContent);
        await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film?handler=Remove", ("film", "1"), ("removed", "true"));
        Assert.Null((await coach.PageAsync("/Athletes/1/Film")).QuerySelector(".film-kept"));
        await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film?handler=Remove", ("film", "1"), ("removed", "false"));
        Assert.NotNull((await coach.PageAsync("/Athletes/1/Film")).QuerySelector(".film-kept"));
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Athletes/99/Film")).Code);
    }

    [Fact]
    public async Task A_run_that_was_filmed_takes_what_was_seen_once_and_its_own_day()
    {
        var (house, coach) = await OpenAsync();
        await using var _ = house;
        var run = await house.InDbAsync(async db =>
        {
            var session = new TrainingSession { Name = "Speed", SquadId = 1, Day = new(2026, 3, 4), PlanJson = PlanJson.Write(SessionPlan.Empty) };
            db.Sessions.Add(session);
            var row = new Run { Session = session, AthleteId = 1, LineId = 1, Day = session.Day, Outcome = Core.Log.RunOutcome.Timed, ClientId = Guid.NewGuid(), Course = "x" };
            row.Marks.Add(new() { Millimetres = 20000, Amount = 20, Seconds = 3.1 });
            db.Runs.Add(row);
            await db.SaveChangesAsync();
            return row.Id;
        });
        Assert.Contains("20 m 3.10 s", (await coach.PageAsync($"/Athletes/1/Film?run={run}")).QuerySelector("#film-run option[selected]")!.TextContent);
        for (var i = 0; i < 2; i++)
        {
            await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", Marks().Write()), ("run", $"{run}"), ("codes", "reached\nlate-recovery\nno-such-thing"), ("note", i == 0 ? "true" : "false"));
        }

        Assert.Equal(["late-recovery", "reached"], await house.InDbAsync(db => db.RunSeen.Where(s => s.RunId == run).Select(s => s.Code).OrderBy(c => c).ToListAsync()));
        Assert.All(await house.InDbAsync(db => db.FilmReadings.ToListAsync()), f => Assert.Equal((run, new DateOnly(2026, 3, 4)), (f.RunId, f.Day)));
        // Times from film are one more reading: beside gates they wait, before a watch they stand, each in its own list of bests.
        var timed = Marks() with { Lines = [new(At(12), Core.Units.Distance.InMetres(0)), new(At(108), Core.Units.Distance.InMetres(20))] };
        Assert.Equal(Core.Demand.TimingMethod.Electronic, await FilmedAsync());
        await house.InDbAsync(async db => { (await db.Runs.SingleAsync()).Method = Core.Demand.TimingMethod.Hand; (await db.RunReadings.ToListAsync()).ForEach(r => r.Method = r.Method == Core.Demand.TimingMethod.Film ? r.Method : Core.Demand.TimingMethod.Hand); return await db.SaveChangesAsync(); });
        Assert.Equal(Core.Demand.TimingMethod.Film, await FilmedAsync());
        Assert.Equal(0.8, await house.InDbAsync(async db => (await db.Marks.SingleAsync(m => m.RunId == run)).Seconds), 6);
        Assert.Contains("from film", (await coach.PageAsync("/Athletes/1")).QuerySelector("#bests ~ *")!.ParentElement!.TextContent);

        Assert.Equal(["Contact", "Flight", "Step frequency", "Step length", "Speed"], (await coach.PageAsync("/Athletes/1/Film")).QuerySelectorAll(".film-change td:first-child").Select(c => c.TextContent));

        async Task<Core.Demand.TimingMethod> FilmedAsync()
        {
            await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", timed.Write()), ("run", $"{run}"), ("times", "true"));
            return await house.InDbAsync(async db => (await db.Runs.SingleAsync()).Method);
        }

        var others = (await coach.PostAsync("/Athletes/2/Film", "/Athletes/2/Film", ("marks", Marks().Write()), ("run", $"{run}"), ("day", "2026-03-04"))).Page;
        Assert.Contains("That run is no longer there", others.QuerySelector(".finding-bar")!.TextContent);
    }

    [Fact]
    public async Task The_picture_is_kept_only_where_it_was_said_and_seen_only_by_whom()
    {
        var (house, coach) = await OpenAsync();
        await using var _ = house;
        var day = (await coach.PageAsync("/Athletes/1/Film")).QuerySelector("#film-day")!.GetAttribute("value")!;
        var jpeg = Convert.ToBase64String([0xFF, 0xD8, 0xFF, 0xE0, 1, 2, 3]);
        var own = new Uri((await coach.PostAsync("/Athletes/1/Link", "/Athletes/1/Link?handler=Make", ("days", "30"))).Page.QuerySelector("#address")!.GetAttribute("value")!).AbsolutePath;
        async Task<string?> OwnAsync() => (await house.Visitor().GetAsync(own)).Page.QuerySelector(".mine-film img")?.GetAttribute("src");
        async Task<(string Still, StillFor For)> SaveAsync(string still, StillFor on, int? film = null)
        {
            await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", [("marks", Marks().Write()), ("day", day), ("still", still), ("stillFor", on.ToString()), .. film is null ? Array.Empty<(string, string)>() : [("film", $"{film}"), ("version", $"{await house.InDbAsync(db => db.FilmReadings.Where(f => f.Id == film).Select(f => f.Version).SingleAsync())}")]]);
            return await house.InDbAsync(async db => await db.FilmReadings.OrderBy(f => f.Id).LastOrDefaultAsync() is { } row ? (row.Still, row.StillFor) : ("none", default));
        }

        // Sent without being asked for it is not kept; what is no picture is refused.
        Assert.Equal(("", StillFor.Nobody), await SaveAsync(jpeg, StillFor.Nobody));
        Assert.Empty((await coach.PageAsync("/Athletes/1/Film")).QuerySelectorAll(".film-still"));
        foreach (var wrong in new[] { "", "<svg onload=x>", "iVBORw0KGgo=", "/9j/####", "/9j/" + new string('A', FilmBook.MostStill) })
        {
            Assert.Contains("picture could not be taken", (await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film", ("marks", Marks().Write()), ("day", day), ("still", wrong), ("stillFor", "Coaches"))).Page.QuerySelector(".finding-bar")!.TextContent);
        }

        Assert.Equal((jpeg, StillFor.Coaches), await SaveAsync(jpeg, StillFor.Coaches));
        Assert.Null(await OwnAsync());
        Assert.EndsWith(jpeg, (await coach.PageAsync("/Athletes/1/Film")).QuerySelector(".film-still img")!.GetAttribute("src"), StringComparison.Ordinal);

        // Later without the clip: the picture stays, for others, or goes.
        Assert.Equal((jpeg, StillFor.Athlete), await SaveAsync("", StillFor.Athlete, 2));
        Assert.Equal("data:image/jpeg;base64," + jpeg, await OwnAsync());
        Assert.Equal(("", StillFor.Nobody), await SaveAsync("", StillFor.Nobody, 2));
        Assert.Null(await OwnAsync());
    }

    [Fact]
    public async Task Drills_go_into_the_next_session_for_this_athlete()
    {
        var (house, coach) = await OpenAsync();
        await using var _ = house;
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film?handler=Drills", ("drills", "ankle dribble"))).Code);
        var today = DateOnly.Parse((await coach.PageAsync("/Athletes/1/Film")).QuerySelector("#film-day")!.GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture);
        await house.InDbAsync(db =>
        {
            foreach (var (day, ended) in new[] { (5, false), (2, false), (1, true) })
            {
                db.Sessions.Add(new() { Name = $"In {day}", SquadId = 1, Day = today.AddDays(day), PlanJson = PlanJson.Write(SessionPlan.Empty), EndedAt = ended ? DateTime.UnixEpoch : null });
            }

            return db.SaveChangesAsync();
        });
        Assert.Contains("into In 2", (await coach.PageAsync("/Athletes/1/Film")).QuerySelector(".film-drill-do")!.TextContent);
        await coach.PostAsync("/Athletes/1/Film", "/Athletes/1/Film?handler=Drills", ("drills", "ankle dribble\nno such drill\nleg circle walk\ncalf dribble\nmini-hurdle run"));
        var plan = PlanJson.Read(await house.InDbAsync(db => db.Sessions.Where(s => s.Name == "In 2").Select(s => s.PlanJson).SingleAsync()));
        Assert.Equal(["ankle dribble", "leg circle walk", "calf dribble"], plan.Lines.Select(l => l.Exercise));
        Assert.All(plan.Lines, l => Assert.Equal(["Ada Berg"], l.For));
        Assert.Contains("Drills for Ada Berg are in In 2", (await coach.PageAsync("/Athletes/1/Film?added=2")).QuerySelector(".toast-bar")!.TextContent);
    }
}
