using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Season;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Data.Demo;

/// <summary>The season of the demo club: matches with minutes, a congested fortnight ahead, times and places, an athlete coming back, phases.</summary>
public sealed partial class DemoClub
{
    private readonly Random court = new(seed + 3);

    private static readonly string[] Opponents = ["Tidemoor", "Saltbridge", "Fjordhaven", "Kestrel Bay", "Aldermark", "Port Ellery", "Brackwater", "Stonelight"];

    private static readonly string[] TopUp = ["A-skip 2 x 15 m", "3 x 30 m @70,80,90% rest walk-back", "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00", "4 x 60 m @65% rest walk-back in waves", "cool-down 5 min"];

    private static readonly string[] Primer = ["A-skip 2 x 15 m", "3 x 20 m @70,80,85% rest walk-back", "4 x 10 m from falling through 5 m rest 1:00", "cool-down 5 min"];

    // Day of the match in a week: Sunday, unless that would put today's session into its last two days or on the day after.
    private DateOnly MatchOf(DateOnly monday)
    {
        var sunday = monday.AddDays(6);
        return sunday.DayNumber - today.DayNumber is >= 0 and <= 2 ? monday.AddDays(9) : sunday == today.AddDays(-1) ? sunday.AddDays(-1) : sunday;
    }

    private async Task MatchSeasonAsync(ClubDb db, Squad team, Squad juniors, CancellationToken cancel)
    {
        var hall = new Place { Name = "Harbour hall", Lanes = 2, StraightMetres = 60, RunOutMetres = 20, Surface = Surface.Hall };
        var track = new Place { Name = "Quayside track", Lanes = 4, StraightMetres = 100, RunOutMetres = 30, Surface = Surface.Track };
        db.Places.AddRange(hall, track);
        await db.SaveChangesAsync(cancel);
        db.Slots.AddRange(
            Slot(team, hall, DayOfWeek.Monday, 18, 45), Slot(team, hall, DayOfWeek.Tuesday, 18, 60), Slot(team, track, DayOfWeek.Thursday, 17, 60), Slot(team, hall, DayOfWeek.Friday, 18, 45), Slot(team, hall, DayOfWeek.Saturday, 10, 40),
            Slot(juniors, track, DayOfWeek.Monday, 17, 60), Slot(juniors, track, DayOfWeek.Wednesday, 17, 60), Slot(juniors, track, DayOfWeek.Saturday, 11, 75));

        var monday = WeekBook.MondayOf(today);
        var days = Enumerable.Range(-11, 21).Select(w => MatchOf(monday.AddDays(7 * w))).ToList();
        days.AddRange([monday.AddDays(16), monday.AddDays(23)]);
        var matches = days.Distinct().Order().Select((day, i) => new CalendarEntry
        {
            SquadId = team.Id,
            Kind = EntryKind.Match,
            Title = $"{(i % 2 == 0 ? "v" : "at")} {Opponents[i % Opponents.Length]}",
            Day = day,
            LastDay = day,
            Start = day.DayOfWeek == DayOfWeek.Sunday ? new(16, 0) : new(19, 30),
            IsAway = i % 2 == 1,
            TravelMinutes = i % 2 == 1 ? 40 + (10 * (i % 5)) : null,
            Where = i % 2 == 0 ? "Harbour hall" : $"{Opponents[i % Opponents.Length]} sports hall",
            Importance = i % 7 == 6 ? 3 : 2,
        }).ToList();
        db.CalendarEntries.AddRange(matches);
        db.CalendarEntries.AddRange(
            Days(team, EntryKind.Off, "Midwinter break", monday.AddDays(49), monday.AddDays(55)),
            Days(juniors, EntryKind.Exam, "School exams", monday.AddDays(14), monday.AddDays(18)),
            Days(juniors, EntryKind.Match, "Club sprint cup", monday.AddDays(33), monday.AddDays(33)));
        await db.SaveChangesAsync(cancel);

        foreach (var match in matches.Where(m => m.Day < today))
        {
            foreach (var (athlete, index) in people.Where(p => p.Athlete.SquadId == team.Id).Select((p, i) => (p.Athlete, i)))
            {
                var hurt = athlete.Availability == Availability.Out && match.Day >= athlete.AvailabilitySince;
                var minutes = index < 8 ? 38 + court.Next(23) : court.Next(3) == 0 ? 0 : 2 + court.Next(18);
                if (!hurt && !(Away(athlete, match.Day)))
                {
                    db.PlayedMinutes.Add(new PlayedMinutes { EntryId = match.Id, AthleteId = athlete.Id, Minutes = minutes, CountsAsTopSpeed = index < 2 && court.Next(6) == 0 });
                }
            }
        }

        await db.SaveChangesAsync(cancel);
        await ComeBackAsync(db, cancel);
        await new CalendarBook(db, new SchoolBook(db), TimeProvider.System).SettleGroupsAsync(team.Id, cancel);
        db.OwnGroups.Add(new OwnGroup { SquadId = team.Id, Name = "travel to Saltbridge" });
        db.OwnGroups.Local.Single().Athletes.AddRange(people.Where(p => p.Athlete.SquadId == team.Id && p.Athlete.Availability != Availability.Out).Take(11).Select(p => p.Athlete));
        db.SeasonPhases.AddRange(
            Phase(team, "Matches 1", "lose nothing, strong push", monday.AddDays(-84), monday.AddDays(-43), 420, 480, 30, 25),
            Phase(team, "Matches 2", "light sled to free runs", monday.AddDays(-42), monday.AddDays(6), 480, 520, 20, 10, "A-march\nA-skip\nA-run"),
            Phase(team, "Two a week", "keep speed, fewer metres", monday.AddDays(7), monday.AddDays(27), 300, 300, 0, 0),
            Phase(team, "To the break", "build again", monday.AddDays(28), monday.AddDays(48), 360, 480, 10, 0));

        // What is planned ahead.
        for (var day = today.AddDays(1); day <= today.AddDays(11); day = day.AddDays(1))
        {
            var next = days.Where(d => d >= day).Select(d => d.DayNumber - day.DayNumber).DefaultIfEmpty(99).Min();
            var since = days.Where(d => d <= day).Select(d => day.DayNumber - d.DayNumber).DefaultIfEmpty(99).Min();
            var (name, lines, group, squad) = day.DayOfWeek switch
            {
                DayOfWeek.Thursday when next > 2 => ("Thursday top speed", TopSpeed, "", team),
                DayOfWeek.Monday when since == 1 && next > 2 => ("Monday top-up", TopUp, LineAudience.LowMinutes, team),
                DayOfWeek.Saturday when next == 1 => ("Saturday primer", Primer, LineAudience.HighMinutes, team),
                DayOfWeek.Wednesday => ("Junior midweek", JuniorLines, "", juniors),
                _ => default,
            };
            if (squad is not null)
            {
                var session = Session(squad, name!, day, lines!);
                (session.Group, session.WindowMinutes) = (group!, lines == Primer ? 40 : lines == TopUp ? 45 : 60);
                session.Start = squad == team ? new(day.DayOfWeek == DayOfWeek.Saturday ? 10 : 18, 0) : new(17, 0);
                db.Sessions.Add(session);
            }
        }

        await db.SaveChangesAsync(cancel);
    }

    private bool Away(Athlete athlete, DateOnly day) => athlete.Name == "Leilani Faumatu" && day >= today.AddDays(-26) && day <= today.AddDays(-10);

    // An illness: nothing was run for more than two weeks, and the sessions since are the first steps back.
    private async Task ComeBackAsync(ClubDb db, CancellationToken cancel)
    {
        var leilani = people.Single(p => p.Athlete.Name == "Leilani Faumatu").Athlete;
        var (from, to) = (today.AddDays(-26), today.AddDays(-10));
        db.Runs.RemoveRange(await db.Runs.Where(r => r.AthleteId == leilani.Id && r.Day >= from && r.Day <= to).ToListAsync(cancel));
        var held = await db.Sessions.Where(s => s.SquadId == leilani.SquadId && s.Day >= from && s.Day <= to).Select(s => s.Id).ToListAsync(cancel);
        foreach (var row in await db.Attendance.Where(a => a.AthleteId == leilani.Id && held.Contains(a.SessionId)).ToListAsync(cancel))
        {
            (row.Present, row.Rating, row.Minutes) = (false, null, null);
        }

        await db.SaveChangesAsync(cancel);
    }

    private static Slot Slot(Squad squad, Place place, DayOfWeek day, int hour, int minutes) => new() { SquadId = squad.Id, PlaceId = place.Id, Weekday = day, Start = new(hour, 0), Minutes = minutes };

    private static CalendarEntry Days(Squad squad, EntryKind kind, string title, DateOnly from, DateOnly to) => new() { SquadId = squad.Id, Kind = kind, Title = title, Day = from, LastDay = to };

    private static SeasonPhase Phase(Squad squad, string name, string aim, DateOnly from, DateOnly to, double first, double last, double loadFirst, double loadLast, string drills = "") =>
        new() { SquadId = squad.Id, Name = name, Aim = aim, From = from, To = to, MetresFirst = first, MetresLast = last, LoadFirst = loadFirst, LoadLast = loadLast, Drills = drills };

    // The three boxes of minutes become a warm-up of real exercises; lines after them keep their numbers.
    private static SessionPlan WarmedUp(SessionPlan plan, int seed)
    {
        var stages = plan.Lines.Where(l => ExerciseCatalogue.BuiltIn.Find(l.Exercise) is { Kind: not WorkKind.CoolDown } e && WarmUpMaker.IsStage(e)).ToList();
        if (stages.Count < 2)
        {
            return plan;
        }

        var minutes = Math.Clamp((int)(stages.Sum(l => l.Shape is TimedShape d ? d.Seconds : 0) / 60), WarmUpMaker.LeastMinutes, WarmUpMaker.MostMinutes);
        var demands = plan.Lines.Select(l => LineDemand.Of(l, ExerciseCatalogue.BuiltIn)).ToList();
        var day = demands.Any(d => d.IsTopSpeed) ? DayKind.TopSpeed : demands.Any(d => d.IsFullSprint) ? DayKind.Acceleration : DayKind.Mixed;
        var block = WarmUpMaker.Make(new(minutes, day, false, minutes < 14, new ClockSetting(12, 2, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn), seed));
        var bare = plan.Remove([.. stages.Select(l => l.Id)]);
        var first = bare.PutBlock(null, block);
        return first with { Blocks = [.. first.Blocks.Where(b => b.Lines.Count > 0)] };
    }
}
