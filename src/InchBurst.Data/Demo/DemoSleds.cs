using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using MathNet.Numerics.Distributions;

namespace InchBurst.Data.Demo;

/// <summary>The demo club's season on the sled: load tests, a hill, a tow, contrast, from the same simulated runners, by a generator of its own.</summary>
public sealed partial class DemoClub
{
    // What the floor truly is; the code that works loads out sees times and the pull test only.
    private const double TrueFriction = 0.56;

    // Sled days go by a school of their own: heavy to light to free.
    private static readonly string SledSchool = CoachingSchool.BuiltIn[1].Name;

    private readonly Random sledge = new(seed + 3);

    private static readonly ClubKit Kit = new(
        [new("Sled 1", 7.5), new("Sled 2", 7.5)],
        [new(20, 2), new(10, 4), new(5, 2), new(2.5, 2)], []);

    private static readonly string[] LoadTest =
    [
        "raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back", "2 x 20 m gates 5,10,15,20 m rest 3:00",
        .. LoadTestDay.BodyPercents.Select(p => $"2 x 20 m sled {p}%bm gates 5,10,15,20 m rest 3:00"), "cool-down 5 min",
    ];

    private static readonly string[] Hill = ["raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back", "2 x 20 m gates 10,20 m rest 2:00", "5 x 20 m uphill 8% gates 10,20 m rest 3:00", "cool-down 5 min"];

    private static readonly string[] Towed = ["raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 30 m @70,80,90% rest walk-back", "2 x 20 build + 10 fly + 20 m slow rest 4:00", "3 x 20 build + 10 fly + 20 m slow tow +4%v rest 5:00", "cool-down 5 min"];

    private static readonly string[] Contrast = ["raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back", "3 x 15 m sled strong push gates 5,10,15 m rest 2:30", "3 x 20 m gates 5,10,15,20 m rest 3:00", "cool-down 5 min"];

    private static readonly string[] Push = ["raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back", "4 x 15 m sled strong push gates 5,10,15 m rest 2:30", "3 x 20 m gates 5,10,20 m rest 2:00", "cool-down 5 min"];

    private void SledSeason(ClubDb db, Squad team)
    {
        var fridays = Enumerable.Range(0, 84).Select(i => today.AddDays(i - 84)).Where(d => d.DayOfWeek == DayOfWeek.Friday).ToList();
        string[][] weeks = [LoadTest, Contrast, Hill, LoadTest, Push, Contrast, Towed, LoadTest, Push, Contrast, LoadTest];
        string[] names = ["Friday load test", "Friday contrast", "Friday hill", "Friday load test", "Friday push", "Friday contrast", "Friday tow", "Friday load test", "Friday push", "Friday contrast", "Friday load test"];
        var pulls = new List<PullTest>();
        foreach (var (day, week) in fridays.Take(weeks.Length).Select((d, i) => (d, i)))
        {
            Pull(db, team, names[week], day, weeks[week], week);
            if (ReferenceEquals(weeks[week], LoadTest))
            {
                pulls.Add(new(day, "Sled 1", Surface.Track, 17.5, [.. Enumerable.Range(0, 3).Select(_ => Math.Round(TrueFriction * 9.81 * 17.5 * Normal.Sample(sledge, 1, 0.03)))]));
            }
        }

        db.Clubs.Local.Single().LoadKitJson = (Kit with { Pulls = pulls }).Write();
        var next = today.AddDays(1 + ((DayOfWeek.Tuesday - today.AddDays(1).DayOfWeek + 7) % 7));
        var planned = Session(team, "Tuesday push", next, Push);
        (planned.Surface, planned.School) = (Surface.Track, SledSchool);
        db.Sessions.Add(planned);
    }

    private void Pull(ClubDb db, Squad squad, string name, DateOnly day, string[] lines, int week)
    {
        var session = Session(squad, name, day, lines);
        (session.RanPlanJson, session.State, session.Surface, session.StartSaid, session.StartBehindGateMetres, session.School) = (session.PlanJson, SessionState.Ended, Surface.Track, true, 0.3, SledSchool);
        session.StartedAt = day.ToDateTime(new TimeOnly(16, 30), DateTimeKind.Utc);
        session.EndedAt = session.StartedAt.Value.AddMinutes(60);
        db.Sessions.Add(session);
        var sled = Kit.Shared(2)[0];
        var order = 0;
        foreach (var (athlete, runner, drag) in people.Where(p => p.Athlete.SquadId == squad.Id))
        {
            var present = !(athlete.Availability == Availability.Out && day >= athlete.AvailabilitySince) && sledge.NextDouble() > 0.1;
            session.Attendance.Add(new Attendance { AthleteId = athlete.Id, Present = present, Order = ++order, Rating = present ? 5 + sledge.Next(4) : null, Minutes = present ? 60 : null });
            if (!present)
            {
                continue;
            }

            var form = (1 + (0.0012 * week)) * Normal.Sample(sledge, 1, 0.005);
            var at = session.StartedAt.Value.AddMinutes(22).AddSeconds(order * 15);
            var mass = athlete.MassKilograms ?? 60;
            foreach (var demand in PlanJson.Read(session.PlanJson).Lines.Select(l => LineDemand.Of(l, ExerciseCatalogue.BuiltIn)).Where(d => LineMarks.Expected(d).Count > 0 && d.HardestEffort >= 95))
            {
                for (var rep = 0; rep < demand.Line.TotalReps; rep++)
                {
                    at = at.AddMinutes(3);
                    var (tired, now) = (1 - (0.003 * rep), new SprintSimulation(runner.F0 * form, runner.V0 * form));
                    var kilograms = demand.Line.Load is { Kind: LoadKind.Sled } load ? sled.For(LoadEffect.Kilograms(load, mass) ?? 0.32 * runner.F0 * mass / (TrueFriction * 9.81)).Kilograms : (double?)null;
                    var conditions = new RunConditions(drag, ResistancePerKilogram: kilograms is { } kg ? TrueFriction * 9.81 * kg / mass : demand.Line.Load is { Kind: LoadKind.Tow } ? -0.04 * runner.F0 * Normal.Sample(sledge, 1, 0.2) : 0,
                        SlopeRadians: demand.Line.Load is { Kind: LoadKind.Uphill } hill ? Math.Atan(hill.Amount / 100) : 0);
                    var run = Simulate(session, athlete, demand, new(now.F0 * tired, now.V0 * tired), conditions, at, sledge);
                    (run.Rep, run.Surface) = (rep + 1, Surface.Track);
                    if (kilograms is { } pulled)
                    {
                        run.Measures.Add(new RunMeasure { Kind = MeasureKind.Load, Value = pulled });
                    }

                    run.Settle();
                    db.Runs.Add(run);
                }
            }
        }
    }
}
