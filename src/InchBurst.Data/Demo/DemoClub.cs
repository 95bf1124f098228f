using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using MathNet.Numerics.Distributions;

namespace InchBurst.Data.Demo;

/// <summary>Makes an invented club: every person, squad and time in it is made up by a seeded generator.</summary>
public sealed partial class DemoClub(DateOnly today, int seed = 7)
{
    private readonly Random random = new(seed);

    // What an eye saw and how hard it felt come from a generator of their own, so that times do not depend on them.
    private readonly Random eye = new(seed + 1);
    private readonly Random weights = new(seed + 2);
    private readonly List<(Athlete Athlete, SprintSimulation Runner, double Drag)> people = [];

    // Name, height m, mass kg, F0 N/kg, V0 m/s, birth year, position; the first eight play much.
    private static readonly (string Name, double Height, double Mass, double F0, double V0, int Born, string Position)[] FirstTeam =
    [
        ("Noor Haddadin", 1.74, 68.4, 7.7, 9.2, 1999, "left wing"),
        ("Ingrid Vasstrand", 1.79, 72.0, 7.9, 9.6, 1998, "right wing"),
        ("Mbali Sithebe", 1.72, 66.5, 8.1, 9.5, 2001, "left wing"),
        ("Yuki Aramori", 1.66, 60.2, 7.6, 9.1, 2000, "centre back"),
        ("Tuva Rekdal", 1.81, 76.3, 7.1, 8.7, 1996, "pivot"),
        ("Lucija Perkovac", 1.77, 73.1, 7.4, 8.9, 1997, "left back"),
        ("Sanna Kivirinta", 1.70, 64.8, 7.5, 9.0, 2002, "right wing"),
        ("Oriane Teklu", 1.75, 69.7, 7.8, 9.3, 2000, "right back"),
        ("Amara Ezeokoli", 1.78, 74.5, 7.9, 9.2, 2003, "left back"),
        ("Camila Andrezzo", 1.68, 63.0, 7.2, 8.8, 2004, "centre back"),
        ("Freja Lindqvard", 1.80, 75.2, 7.0, 8.6, 1999, "goalkeeper"),
        ("Zofia Brzanek", 1.73, 67.9, 7.3, 8.9, 2003, "pivot"),
        ("Dilnoza Karimli", 1.69, 62.4, 7.4, 9.0, 2005, "right back"),
        ("Leilani Faumatu", 1.76, 78.8, 7.6, 8.7, 2001, "pivot"),
    ];

    private static readonly (string Name, double Height, double Mass, double F0, double V0, int Born, AthleteSex Sex)[] Juniors =
    [
        ("Elias Norrgaard", 1.71, 57.0, 7.2, 8.9, 2011, AthleteSex.Male),
        ("Hine Marangatua", 1.63, 52.5, 6.8, 8.3, 2011, AthleteSex.Female),
        ("Ilse Verhaegden", 1.60, 49.8, 6.6, 8.1, 2012, AthleteSex.Female),
        ("Ravi Thendral", 1.68, 55.1, 7.0, 8.7, 2011, AthleteSex.Male),
        ("Mei Longhua", 1.58, 47.3, 6.5, 8.0, 2012, AthleteSex.Female),
        ("Tomas Okwuri", 1.74, 60.6, 7.4, 9.1, 2010, AthleteSex.Male),
    ];

    private static readonly string[] Starts =
    [
        "raise 4 min easy", "activate 3 min", "mobilise 4 min", "potentiate 3 min", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back",
        "4 x 10 m from 3-point through 5 m rest 1:00", "3 x 20 m gates 5,10,20 m rest 2:00", "broad jump 3 x 3 reps", "cool-down 5 min",
    ];

    private static readonly string[] TopSpeed =
    [
        "raise 4 min easy", "activate 3 min", "mobilise 4 min", "ankle dribble 2 x 10 m", "A-skip 2 x 15 m", "3 x 30 m @70,80,90% rest walk-back",
        "3 x 20 build + 10 fly + 20 m slow @100% rest 4:00", "pogo hops 2 x 10 reps", "cool-down 5 min",
    ];

    private static readonly string[] Test =
    [
        "raise 5 min easy", "activate 3 min", "mobilise 4 min", "A-skip 2 x 15 m", "3 x 30 m @70,80,90% rest walk-back",
        "2 x 40 m @100% from 3-point gates 5,10,20,30,40 m rest 4:00", "cool-down 5 min",
    ];

    private const string JuniorSquad = "Junior sprint group";

    private static readonly string[] JuniorLines =
    [
        "raise 6 min easy", "mobilise 4 min", "ankle dribble 2 x 10 m", "A-skip 2 x 15 m", "3 x 20 m @70,80,90% rest walk-back",
        "4 x 30 m gates 10,20,30 m rest 3:00", "pogo hops 2 x 8 reps", "cool-down 5 min",
    ];

    /// <summary>Fills an empty database.</summary>
    public async Task FillAsync(ClubDb db, CancellationToken cancel = default)
    {
        db.Clubs.Add(new Club { Name = "Northquay Sports Club", IsDemo = true });
        var team = new Squad { Name = "Handball first team" };
        var juniors = new Squad { Name = JuniorSquad };
        db.Squads.AddRange(team, juniors);
        foreach (var p in FirstTeam)
        {
            Join(team, p.Name, p.Height, p.Mass, p.F0, p.V0, p.Born, AthleteSex.Female, p.Position);
        }

        foreach (var p in Juniors)
        {
            Join(juniors, p.Name, p.Height, p.Mass, p.F0, p.V0, p.Born, p.Sex, "");
        }

        var tuva = people.Single(p => p.Athlete.Name == "Tuva Rekdal").Athlete;
        (tuva.Availability, tuva.AvailabilityReason, tuva.AvailabilitySaidBy, tuva.AvailabilitySince) = (Availability.Modified, "tight calf, nothing above 90%", "club physiotherapist", today.AddDays(-3));
        var freja = people.Single(p => p.Athlete.Name == "Freja Lindqvard").Athlete;
        (freja.Availability, freja.AvailabilityReason, freja.AvailabilitySaidBy, freja.AvailabilitySince) = (Availability.Out, "ankle sprain", "club doctor", today.AddDays(-9));
        await db.SaveChangesAsync(cancel);

        for (var day = today.AddDays(-84); day < today; day = day.AddDays(1))
        {
            var week = (day.DayNumber - today.AddDays(-84).DayNumber) / 7;
            var hold = day.DayOfWeek switch
            {
                DayOfWeek.Tuesday => (team, "Tuesday starts", Starts, false),
                DayOfWeek.Thursday when week % 3 == 2 => (team, "Thursday test", Test, false),
                DayOfWeek.Thursday => (team, "Thursday top speed", TopSpeed, false),
                DayOfWeek.Monday => (juniors, "Junior sprint evening", JuniorLines, week % 2 == 1),
                DayOfWeek.Saturday => (juniors, "Junior Saturday", JuniorLines, false),
                _ => default,
            };
            if (hold.Item1 is { } squad)
            {
                Hold(db, squad, hold.Item2, day, hold.Item3, hold.Item4, week);
            }
        }

        var next = Session(team, today.DayOfWeek + " top speed", today, TopSpeed);
        next.Cue = "Tall hips, step down under you";
        next.WindowMinutes = 40;
        db.Sessions.Add(next);
        await db.SaveChangesAsync(cancel);
        for (var day = today.AddDays(-84); day < today; day = day.AddDays(1))
        {
            if (day.DayOfWeek == DayOfWeek.Wednesday)
            {
                Lift(db, team, day, (day.DayNumber - today.AddDays(-84).DayNumber) / 7);
            }
        }

        await db.SaveChangesAsync(cancel);
        Radar(db, people.Single(p => p.Athlete.Name == "Oriane Teklu").Athlete);
        SledSeason(db, team);
        await db.SaveChangesAsync(cancel);
        await MatchSeasonAsync(db, team, juniors, cancel);
        db.PlanRevisions.AddRange(db.Sessions.Local.Select(s => new PlanRevision { SessionId = s.Id, Number = 0, PlanJson = s.PlanJson, Lanes = s.Lanes, What = "made", By = "demo", At = s.StartedAt ?? today.ToDateTime(default, DateTimeKind.Utc) }));
        await db.SaveChangesAsync(cancel);
    }

    /// <summary>A plan from shorthand lines.</summary>
    public static SessionPlan PlanOf(IEnumerable<string> lines) => lines.Aggregate(SessionPlan.Empty, (plan, text) =>
    {
        var line = ShorthandLine.Read(text).Line ?? throw new InvalidOperationException($"Not shorthand: {text}");
        return plan.Add(line, ExerciseCatalogue.BuiltIn.Find(line.Exercise)?.Family);
    });

    private void Join(Squad squad, string name, double height, double mass, double f0, double v0, int born, AthleteSex sex, string position)
    {
        var athlete = new Athlete
        {
            Name = name,
            Sex = sex,
            BirthYear = born,
            HeightMetres = height,
            MassKilograms = mass,
            Position = position,
            Stance = StartStance.ThreePoint,
            FrontFoot = random.Next(4) == 0 ? FrontFoot.Right : FrontFoot.Left,
        };
        squad.Athletes.Add(athlete);
        people.Add((athlete, new SprintSimulation(f0, v0), new BodyAndAir(mass, height).DragConstant / mass));
    }

    private static TrainingSession Session(Squad squad, string name, DateOnly day, IEnumerable<string> lines) => new()
    {
        Name = name,
        Day = day,
        SquadId = squad.Id,
        Lanes = 2,
        WindowMinutes = 60,
        StraightMetres = 60,
        RunOutMetres = 20,
        PlanJson = PlanJson.Write(WarmedUp(PlanOf(lines), (int)day.DayOfWeek)),
    };

    private void Hold(ClubDb db, Squad squad, string name, DateOnly day, string[] lines, bool byHand, int week)
    {
        var session = Session(squad, name, day, lines);
        session.RanPlanJson = session.PlanJson;
        session.State = SessionState.Ended;
        session.StartedAt = day.ToDateTime(new TimeOnly(16, 30), DateTimeKind.Utc);
        session.EndedAt = session.StartedAt.Value.AddMinutes(58);
        session.Method = byHand ? TimingMethod.Hand : TimingMethod.Electronic;
        session.StartBehindGateMetres = !byHand && week % 4 == 3 ? 0.5 : 0;
        session.StartSaid = true;
        if (squad.Name == JuniorSquad && week >= 6)
        {
            // Outside there is a wind gauge since some weeks.
            (session.Wind, session.Altitude) = (Math.Round(2.4 * Math.Sin(week * 2.1), 1), 12);
        }

        db.Sessions.Add(session);

        var plan = PlanJson.Read(session.PlanJson);
        var order = 0;
        foreach (var (athlete, runner, drag) in people.Where(p => p.Athlete.SquadId == squad.Id))
        {
            var hurt = athlete.Availability == Availability.Out && day >= athlete.AvailabilitySince;
            var present = !hurt && random.NextDouble() > 0.12;
            session.Attendance.Add(new Attendance { AthleteId = athlete.Id, Present = present, Order = ++order, Rating = present ? 4 + eye.Next(5) : null, Minutes = present ? 58 : null });
            if (!present)
            {
                continue;
            }

            // Form of the day, and a little faster over the season.
            var form = (1 + (0.0015 * week)) * Normal.Sample(random, 1, 0.006);
            var today = new SprintSimulation(runner.F0 * form, runner.V0 * form);
            var at = session.StartedAt.Value.AddMinutes(22).AddSeconds(order * 15);
            foreach (var demand in plan.Lines.Select(l => LineDemand.Of(l, ExerciseCatalogue.BuiltIn)).Where(d => LineMarks.Expected(d).Count > 0 && d.HardestEffort >= 95))
            {
                var line = demand.Line;
                for (var rep = 0; rep < line.TotalReps; rep++)
                {
                    at = at.AddMinutes(4);
                    var tired = 1 - (0.004 * rep);
                    var run = Simulate(session, athlete, demand, new(today.F0 * tired, today.V0 * tired), new RunConditions(drag, session.Wind ?? 0), at);
                    run.Rep = rep + 1;
                    if (eye.Next(5) == 0)
                    {
                        var likely = Chips.For(LineDemand.Of(line, ExerciseCatalogue.BuiltIn)).Where(o => o.Phase != RunPhase.Body).Take(5).ToList();
                        run.Seen.Add(new RunSeen { Code = likely[eye.Next(likely.Count)].Code });
                    }

                    db.Runs.Add(run);
                }
            }
        }
    }

    private static readonly string[] Power =
    [
        "raise 5 min easy", "countermovement jump 3 x 1 reps rest 1:00 log height", "single-leg hop for distance 2 x 1 reps each side rest 1:00 log length", "overhead med-ball throw 3 x 1 reps rest 1:00 log distance",
        "squat 2 x 4 reps 80% max rest 3:00 log load, reps", "1 x 800 m @60% log heart rate", "five-ten-five 2 x 5 + turn 180 right + 10 + turn 180 left + 5 m each side rest 2:00", "6 x 25 m gates 25 m rest 0:20", "cool-down 5 min",
    ];

    // Jumps, lifts and a pulse, from a generator of their own.
    private void Lift(ClubDb db, Squad squad, DateOnly day, int week)
    {
        var session = Session(squad, "Wednesday power", day, Power);
        (session.RanPlanJson, session.State) = (session.PlanJson, SessionState.Ended);
        session.StartedAt = day.ToDateTime(new TimeOnly(16, 30), DateTimeKind.Utc);
        session.EndedAt = session.StartedAt.Value.AddMinutes(50);
        db.Sessions.Add(session);
        var plan = PlanJson.Read(session.PlanJson);
        PlanLine Line(string begins) => plan.Lines.First(l => (l.Exercise ?? ShorthandPrinter.Dose(l)).Contains(begins, StringComparison.Ordinal));
        var order = 0;
        foreach (var (athlete, runner, _) in people.Where(p => p.Athlete.SquadId == squad.Id))
        {
            var present = !(athlete.Availability == Availability.Out && day >= athlete.AvailabilitySince) && weights.NextDouble() > 0.15;
            session.Attendance.Add(new Attendance { AthleteId = athlete.Id, Present = present, Order = ++order, Rating = present ? 5 + weights.Next(4) : null, Minutes = present ? 50 : null });
            if (!present)
            {
                continue;
            }

            var at = session.StartedAt.Value.AddMinutes(10).AddSeconds(order * 20);
            void Log(PlanLine line, int rep, params (MeasureKind Kind, double Value)[] measures)
            {
                at = at.AddMinutes(2);
                var run = new Run { ClientId = new Guid(Enumerable.Range(0, 16).Select(_ => (byte)weights.Next(256)).ToArray()), Session = session, AthleteId = athlete.Id, LineId = line.Id, Rep = rep, Day = day, Kind = line.Kind, Outcome = RunOutcome.Measured, FinishedAt = at, LoggedBy = "Demo coach" };
                run.Measures.AddRange(measures.Select(m => new RunMeasure { Kind = m.Kind, Value = m.Value }));
                db.Runs.Add(run);
            }

            for (var rep = 1; rep <= 3; rep++)
            {
                Log(Line("counter"), rep, (MeasureKind.JumpHeight, Math.Round(((runner.F0 - 4.4) * 0.1) + (0.0022 * week) + Normal.Sample(weights, 0, 0.009), 3)));
            }

            for (var set = 1; set <= 2; set++)
            {
                Log(Line("squat"), set, (MeasureKind.Load, Math.Round(((athlete.MassKilograms ?? 60) * (1.02 + (0.012 * week))) / 2.5) * 2.5), (MeasureKind.Reps, 3 + weights.Next(3)));
            }

            Log(Line("800"), 1, (MeasureKind.HeartRate, Math.Round(166 - (0.6 * week) + Normal.Sample(weights, 0, 3))));
            Turn(session, plan, athlete, runner, at, week).ForEach(r => db.Runs.Add(r));
        }
    }

    // A radar's reading of one run, fifty times a second: standing, the sprint, and the slowing down behind it.
    private void Radar(ClubDb db, Athlete athlete)
    {
        var noise = new Random(50);
        var (curve, away, top) = (new SprintCurve(7.9, 1.18), 1.2, 6.4);
        List<SpeedSample> rows =
        [
            .. Enumerable.Range(0, 420).Select(i => i * 0.02).Select(t => new SpeedSample(t, Math.Max(0, Math.Round((t < away + top ? curve.SpeedAt(t - away) : curve.SpeedAt(top) - (2.6 * (t - away - top))) + Normal.Sample(noise, 0, 0.14), 2)))),
        ];
        var fit = TraceFit.Fit(rows).Fitted!;
        db.FilmReadings.AddRange(DemoFilm.Of(athlete, today));
        db.SpeedTraces.Add(new() { AthleteId = athlete.Id, Day = today.AddDays(-8), Device = TraceDevice.Radar, Rows = TraceBook.Write(rows), Mss = fit.Curve.Mss, Tau = fit.Curve.Tau, MssError = fit.MssError, TauError = fit.TauError, By = "demo", At = today.AddDays(-8).ToDateTime(new(18, 0), DateTimeKind.Utc) });
    }

    private readonly Random strides = new(77);

    // Hops of both sides, throws, turns of both sides and short rests, from a generator of their own. One side of most is a little the stronger; who rests how well differs.
    private List<Run> Turn(TrainingSession session, SessionPlan plan, Athlete athlete, SprintSimulation runner, DateTime at, int week)
    {
        var runs = new List<Run>();
        var lean = ((athlete.Id * 37 % 11) - 5) / 100.0;
        Run New(PlanLine line, int rep, Side? side)
        {
            var demand = LineDemand.Of(line, ExerciseCatalogue.BuiltIn);
            var run = new Run { ClientId = NewGuid(strides), Session = session, AthleteId = athlete.Id, LineId = line.Id, Rep = rep, Side = side, Day = session.Day, Kind = line.Kind, Outcome = RunOutcome.Measured, FinishedAt = at, Effort = demand.HardestEffort, Method = session.Method, Trigger = session.Trigger, StartSaid = true, LoggedBy = "demo" };
            run.SetDemand(demand);
            runs.Add(run);
            return run;
        }

        void Time(PlanLine line, int rep, Side? side, double seconds)
        {
            var run = New(line, rep, side);
            run.Outcome = RunOutcome.Timed;
            run.Marks.Add(new LoggedMark(LineMarks.Expected(LineDemand.Of(line, ExerciseCatalogue.BuiltIn))[^1], Math.Round(seconds + Normal.Sample(strides, 0, 0.008), 2)).ToMark());
            run.Settle();
        }

        PlanLine Of(string begins) => plan.Lines.First(l => (l.Exercise ?? ShorthandPrinter.Dose(l)).Contains(begins, StringComparison.Ordinal));
        double Half(Side side) => 1 + (side == Side.Left ? lean / 2 : -lean / 2);
        for (var rep = 1; rep <= 2; rep++)
        {
            foreach (var side in new[] { Side.Left, Side.Right })
            {
                at = at.AddMinutes(1);
                New(Of("single-leg hop"), (2 * rep) - (side == Side.Left ? 1 : 0), side).Measures.Add(new() { Kind = MeasureKind.JumpLength, Value = Math.Round((((runner.F0 - 4) * 0.42) + (0.006 * week)) * Half(side) * Normal.Sample(strides, 1, 0.02), 2) });
            }
        }

        for (var rep = 1; rep <= 3; rep++)
        {
            at = at.AddMinutes(1);
            New(Of("overhead"), rep, null).Measures.Add(new() { Kind = MeasureKind.ThrowDistance, Value = Math.Round((runner.F0 * 1.05 * Normal.Sample(strides, 1, 0.03)) + (0.02 * week), 2) });
        }

        for (var rep = 1; rep <= 2; rep++)
        {
            foreach (var side in new[] { Side.Left, Side.Right })
            {
                at = at.AddMinutes(2);
                Time(Of("five-ten-five"), (2 * rep) - (side == Side.Left ? 1 : 0), side, (7.15 - (0.2 * runner.V0) - (0.07 * runner.F0) - (0.008 * week)) / Half(side));
            }
        }

        at = at.AddMinutes(5);
        var shortRests = plan.Lines.Last(l => l.Exercise is null && l.TotalReps == 6);
        var clean = runner.TimesTo([25], new(0.0037))[0];
        foreach (var (share, rep) in RepeatSprint.Shares(shortRests.TotalReps, clean, 20, 42 + (athlete.Id * 13 % 45)).Select((s, i) => (s, i + 1)))
        {
            at = at.AddSeconds(20 + clean);
            Time(shortRests, rep, null, clean / share);
        }

        return runs;
    }

    private Run Simulate(TrainingSession session, Athlete athlete, LineDemand demand, SprintSimulation runner, RunConditions conditions, DateTime at, Random? own = null)
    {
        var noise = own ?? random;
        var line = demand.Line;
        var behind = session.StartBehindGateMetres;
        var expected = LineMarks.Expected(demand);
        double[] distances = behind > 0 ? [behind, .. expected.Select(d => d.Metres + behind)] : [.. expected.Select(d => d.Metres)];
        var times = runner.TimesTo(distances, conditions);
        var first = behind > 0 ? times[0] : 0;
        var run = new Run
        {
            ClientId = NewGuid(noise),
            Session = session,
            AthleteId = athlete.Id,
            LineId = line.Id,
            Day = session.Day,
            FinishedAt = at,
            Outcome = RunOutcome.Timed,
            Kind = line.Kind,
            Effort = demand.HardestEffort,
            Method = session.Method,
            Trigger = session.Trigger,
            StartBehindGateMetres = behind,
            StartSaid = session.StartSaid,
            Wind = session.Wind,
            Altitude = session.Altitude,
            LoggedBy = "demo",
        };
        run.SetDemand(demand);
        var last = 0.0;
        for (var i = 0; i < expected.Count; i++)
        {
            var clean = times[behind > 0 ? i + 1 : i] - first;
            var read = session.Method == TimingMethod.Hand
                ? HandTime.RoundedUp(Math.Max(0.1, clean + Normal.Sample(noise, -0.1, 0.07)))
                : Math.Round(clean + Normal.Sample(noise, 0, 0.008), 2);
            var missing = expected.Count > 2 && i < expected.Count - 1 && noise.NextDouble() < 0.03;
            if (missing || read <= last)
            {
                continue;
            }

            run.Marks.Add(new LoggedMark(expected[i], read).ToMark());
            last = read;
        }

        run.Settle();
        return run;
    }

    private static Guid NewGuid(Random from)
    {
        var bytes = new byte[16];
        from.NextBytes(bytes);
        return new Guid(bytes);
    }
}
