using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

public class PlanTextTests
{
    private static readonly ExerciseCatalogue Catalogue = ExerciseCatalogue.BuiltIn;

    private static Gen<T> Pick<T>(IReadOnlyList<T> from) => Gen.Int[0, from.Count - 1].Select(i => from[i]);

    private static readonly Gen<DistanceUnit> Units = Pick(Enum.GetValues<DistanceUnit>());

    private static readonly Gen<Distance> Distances = Gen.Select(Gen.Int[4, 400], Units).Select((n, u) => new Distance(n / 2.0, u));

    private static readonly Gen<Side?> Sides = Pick<Side?>([null, Side.Left, Side.Right]);

    private static readonly Gen<RunSegment> Segments = Gen.Select(Gen.Select(Distances, Pick(Enum.GetValues<SegmentRole>())), Gen.Int[1, 360], Sides, Pick<Motion?>([null, null, .. Enum.GetValues<Motion>().Where(Course.IsTravel).Cast<Motion?>()])).Select((dr, angle, side, movement) =>
        dr.Item2 is SegmentRole.Turn or SegmentRole.Cut ? new RunSegment(new Distance(0, dr.Item1.Unit), dr.Item2, angle, side) : new RunSegment(dr.Item1, dr.Item2, Movement: movement));

    private static readonly Gen<RepShape> Runs = Gen.Select(Distances, Segments.Array[0, 6]).Select((first, more) =>
    {
        // A turn carries no length of its own; its unit follows its neighbours, so a run is written in one unit throughout.
        var unit = first.Unit;
        return (RepShape)new RunShape([new(first, SegmentRole.Run), .. more.Select(s => s with { Length = new Distance(s.Length.Amount, unit) })]);
    });

    private static readonly Gen<RepShape> Shapes = Gen.OneOf(
        Runs,
        Gen.Int[1, 3600].Select(s => (RepShape)new TimedShape(s)),
        Gen.Select(Gen.Int[1, 100], Gen.Bool, Pick<Motion?>([null, Motion.Jump, Motion.Hop, Motion.Bound, Motion.Throw])).Select((n, p, m) => (RepShape)new CountShape(n, p, p ? null : m)));

    private static readonly Gen<Effort?> Efforts = Gen.OneOf(
        Gen.Int[0, 120].Select(p => (Effort?)new Effort([p])),
        Gen.Int[40, 100].Array[2, 5].Select(p => (Effort?)new Effort([.. p.Select(x => (double)x)])),
        Gen.Select(Gen.Int[0, 110], Gen.Int[0, 110], Gen.Bool).Select((a, b, rise) => (Effort?)new Effort([a, b], rise ? EffortShape.Rise : EffortShape.Band)),
        Pick<Effort?>([null, new Effort([50], Word: "easy"), new Effort([100], Word: "full")]));

    private static readonly Gen<LineRest?> Rests = Gen.OneOf(
        Pick<LineRest?>([null, new LineRest(WalkBack: true), new LineRest(45, WalkBack: true)]),
        Gen.Int[0, 600].Select(s => (LineRest?)new LineRest(s)),
        Gen.Select(Gen.Int[0, 600], Gen.Int[0, 900]).Select((a, b) => (LineRest?)new LineRest(a, b)),
        Gen.Select(Gen.Int[0, 600], Gen.Int[1, 300]).Select((a, b) => (LineRest?)new LineRest(a) { MostSeconds = a + b }),
        Gen.Int[1, 600].Select(every => (LineRest?)new LineRest { EverySeconds = every }),
        Gen.Int[1, 40].Select(tenths => (LineRest?)new LineRest { OfWork = tenths / 4.0 }),
        Gen.Select(Gen.Int[1, 300], Gen.Int[1, 50], Units).Select((s, d, u) => (LineRest?)new LineRest(s, Per: new Distance(d, u))));

    private static readonly Gen<LineLoad?> Loads = Pick<LineLoad?>(
    [
        null, null, new(LoadKind.Sled, 12, LoadUnit.Kilogram), new(LoadKind.Sled, 20.5, LoadUnit.PercentBodyMass), new(LoadKind.Sled, -10, LoadUnit.PercentSpeed), new(LoadKind.Chain, 30, LoadUnit.Pound),
        new(LoadKind.Uphill, 5, LoadUnit.PercentGrade), new(LoadKind.Downhill, 2, LoadUnit.Degree), new(LoadKind.Tow, 5, LoadUnit.PercentSpeed), new(LoadKind.Band, 0, LoadUnit.Light),
        new(LoadKind.Band, 0, LoadUnit.None), new(LoadKind.Parachute, 0, LoadUnit.None), new(LoadKind.Lift, 75, LoadUnit.PercentMaximum), new(LoadKind.Vest, 5, LoadUnit.Kilogram),
        new(LoadKind.Lift, 75, LoadUnit.PercentMaximum) { Least = 60 }, new(LoadKind.Lift, 100, LoadUnit.Kilogram), new(LoadKind.Lift, 225, LoadUnit.Pound) { Least = 185 }, new(LoadKind.Lift, 20, LoadUnit.Kilogram) { Pieces = 2 }, new(LoadKind.Sled, 0, LoadUnit.None), new(LoadKind.Uphill, 0, LoadUnit.None),
    ]);

    private static readonly Gen<LineStart?> Starts = Gen.Select(Pick(Enum.GetValues<StartPosition>()), Sides, Gen.Bool, Distances).Select((p, s, none, d) =>
        none ? null : (LineStart?)new LineStart(p, s, p == StartPosition.Moving ? new Distance(5, d.Unit) : null));

    private static readonly Gen<PlanLine> Lines = Gen.Select(
        Gen.Select(Pick<string?>([null, "A-skip", "pogo hops", "broad jump", "A thing of our own", "build-up"]), Gen.Int[1, 5], Gen.Int[1, 10], Shapes),
        Gen.Select(Efforts, Rests, Loads, Starts),
        Gen.Select(Gen.Bool, Pick<IReadOnlyList<string>>([[], [], ["low minutes"], ["others"], ["Ingrid Vasstrand", "Yuki"]]), Pick<string?>([null, "push the ground"]), Pick<WorkKind?>([null, WorkKind.Jumps, WorkKind.CoolDown])),
        Gen.Int[0, 3]).Select((a, b, c, gates) =>
        {
            var (exercise, sets, reps, shape) = a;
            // A flying zone is not all of a run.
            shape = shape is RunShape { Segments: [{ Role: SegmentRole.Fly } first] flying } ? new RunShape([first with { Role = SegmentRole.Run }, .. flying.Skip(1)]) : shape;
            var run = shape as RunShape;

            // Kilograms alone are lifted; on a run they are on something.
            var load = run is not null && b.Item3 is { Kind: LoadKind.Lift, Unit: not LoadUnit.PercentMaximum } ? null : b.Item3;
            var line = new PlanLine
            {
                Exercise = exercise,
                Sets = sets,
                Reps = reps,
                Shape = shape,
                InWaves = sets == 3,
                // So few percent beside a slope would be the slope's.
                Effort = load is { Kind: LoadKind.Uphill or LoadKind.Downhill, Unit: LoadUnit.None } && b.Item1 is { Percents: [<= 25] } ? null : b.Item1,
                // What is timed says its rest in seconds.
                Rest = shape is TimedShape && b.Item2 is { OfWork: not null } ? null : b.Item2,
                Load = load,
                Start = b.Item4,
                EachSide = c.Item1,
                For = c.Item2,
                Cue = c.Item3,
                Kind = WorkKind.Drill,
                Goal = ((sets + (3 * reps) + gates) % 7) switch { 0 => new LineGoal(18.5), 1 => new(17, 18), 2 => new(225, 230), 3 => new(AerobicPercent: 110), 4 => new(AerobicPercent: 110, LeastPercent: 95), _ => null },
                Gates = run is null ? [] : [.. Enumerable.Range(1, gates).Select(i => Distance.InMetres(Math.Round(run.Metres * i / 4, 1))).Where(d => d.Metres >= 0.5).DistinctBy(d => d.Millimetres)],
            };
            // Every third line is a range somewhere.
            line = (sets + reps) % 3 > 0 ? line : line with
            {
                Least = new(
                    sets > 2 ? sets - 1 : null,
                    reps > 1 ? 1 : null,
                    shape switch
                    {
                        TimedShape { Seconds: > 10 } time => new TimedShape(Math.Floor(time.Seconds / 2)),
                        CountShape { Count: > 1 } count => count with { Count = 1 },
                        RunShape { Segments: [{ IsTurn: false } only] } when only.Length.Metres > 2 => new RunShape([only with { Length = only.Length with { Amount = Math.Round(only.Length.Amount / 2, 1) } }]),
                        _ => null,
                    }),
            };
            line = line.Least == new LineLeast() ? line with { Least = null } : line;
            return line with { Kind = c.Item4 ?? PlanKinds.Derive(Catalogue.Find(exercise), exercise, shape, b.Item1, load, line.Goal) };
        });

    private static readonly Gen<SessionPlan> Plans = Gen.Select(Pick(["Warm-up", "Complex", "Main part", "Pair"]), Lines.Array[1, 4], Gen.Int[1, 5], Gen.Int[0, 300]).Array[1, 5].Select(blocks =>
        blocks.Aggregate(SessionPlan.Empty, (plan, b) => plan.Add(new PlanBlock(0, b.Item1, b.Item2, b.Item3, b.Item4 % 3 == 0 ? null : b.Item4))));

    [Fact]
    public void A_thousand_plans_survive_text_and_JSON() => Plans.Sample(plan =>
    {
        var json = PlanJson.Write(plan);
        Assert.Equal(json, PlanJson.Write(PlanJson.Read(json)));
        var text = PlanText.Print(plan, Catalogue);
        var back = PlanText.Read(text, ShorthandContext.Metric);
        Assert.True(back.Problems.Count == 0, text + back.Problems.FirstOrDefault()?.Problem.Message);
        Assert.Equal(json, PlanJson.Write(back.Plan));
    }, iter: 1000);

    [Fact]
    public void The_fields_of_a_line_write_the_same_line() => Lines.Sample(line =>
    {
        var (text, places) = LineFields.From(line, Catalogue).ToShorthand(Catalogue);
        var reading = ShorthandLine.ReadOwn(text, ShorthandContext.Metric);
        Assert.True(reading.Line is not null, $"{text}: {reading.Problem?.Message}");
        Assert.Equal(ShorthandPrinter.Print(line), ShorthandPrinter.Print(reading.Line));
        Assert.All(places, p => Assert.InRange(p.End, p.Start, text.Length));
    }, iter: 1000);

    [Fact]
    public void Three_hundred_damaged_lines_point_at_the_damage()
    {
        var random = new Random(5);
        string[] good = ["4 x 20 m @95% rest 2:00", "A-skip 2 x 15 m", "3 x 20 build + 10 fly + 20 m slow from standing", "4 x 20 m sled 12 kg gates 10,20 m", "raise 4 min easy", "mini-hurdle run 4 passes rest walk-back"];
        string[] junk = ["qqwx", "zzyv", "§", "&&", "%%", "!!", "xqzz"];
        for (var i = 0; i < 300; i++)
        {
            var words = good[i % good.Length].Split(' ').ToList();
            var bad = junk[random.Next(junk.Length)];
            words.Insert(random.Next(1, words.Count + 1), bad);
            var text = string.Join(' ', words);
            var problem = ShorthandLine.Read(text).Problem;
            Assert.True(problem is not null, text);
            var at = text.IndexOf(bad, StringComparison.Ordinal);
            // The finger points at the damage, or at the word beside it that the damage made unreadable.
            Assert.True(problem.Start <= at + bad.Length + 12 && problem.Start + Math.Max(problem.Length, 1) >= at - 12, $"{text}: {problem.Start}+{problem.Length} {problem.Message}");
        }
    }

    [Fact]
    public void A_whole_session_is_pasted_with_headers_rounds_and_bullets()
    {
        var reading = PlanText.Read("Warm-up:\n- raise 4 min\n- activate 3 min\n\n3 rounds rest 2:00: squat 3 reps; broad jump 3\n\nMain part, 2 rounds, rest 4:00:\n1) 4 x 20 m\n2) pogos 10\n\n4 x 10 m", ShorthandContext.Metric);
        Assert.Empty(reading.Problems);
        Assert.Equal(["Warm-up", "Pair", "Main part", "Acceleration"], reading.Plan.Blocks.Select(b => b.Title));
        Assert.Equal([1, 3, 2, 1], reading.Plan.Blocks.Select(b => b.Rounds));
        Assert.Equal([null, 120.0, 240.0, null], reading.Plan.Blocks.Select(b => b.RoundRestSeconds));
        Assert.Equal([2, 2, 2, 1], reading.Plan.Blocks.Select(b => b.Lines.Count));
    }

    [Fact]
    public void A_bad_line_of_a_text_is_named_by_its_number_and_place()
    {
        var reading = PlanText.Read("raise 4 min\n4 x 20 m rset 2:00\n3 rounds: squat 3; pogo xx", ShorthandContext.Metric);
        Assert.Equal([2, 3], reading.Problems.Select(p => p.LineNumber));
        Assert.Equal("rset", reading.Problems[0].Text.Substring(reading.Problems[0].Problem.Start, 4));
        Assert.Equal("xx", reading.Problems[1].Text.Substring(reading.Problems[1].Problem.Start, 2));
    }

    [Fact]
    public void No_text_ever_throws() => Gen.OneOf(Gen.String, Gen.OneOf(Gen.String[0, 12], Pick(["3 rounds:", "Warm-up:", "4 x 20 m", ";", "rest 2:00", ":"])).Array[0, 8].Select(p => string.Join('\n', p))).Sample(text =>
    {
        var reading = PlanText.Read(text, ShorthandContext.Metric);
        Assert.All(reading.Plan.Blocks, b => Assert.NotEmpty(b.Lines));
    });

    [Fact]
    public void The_shelf_reads_whole_fits_its_window_and_raises_no_stop()
    {
        Assert.True(ReadySessions.All.Count >= 6);
        foreach (var ready in ReadySessions.All)
        {
            Assert.Empty(PlanText.Read(ready.Text, ShorthandContext.Metric).Problems);
            var timeline = SessionClock.Lay(ready.Plan, new(10, 2, DemandAthlete.UsualCurve, Catalogue));
            var findings = PlanChecks.Judge(new(ready.Plan, timeline, ready.Minutes * 60, 60, 20, [], Catalogue));
            Assert.True(findings.All(f => f.Severity != Severity.Stop), $"{ready.Name}: {findings.FirstOrDefault()?.Said} {Figures.Clock(timeline.TotalSeconds)}");
            Assert.Equal(WorkKind.CoolDown, ready.Plan.Lines.Last().Kind);
        }
    }

    [Fact]
    public void Completion_offers_what_the_words_begin_and_keeps_the_dose()
    {
        Assert.Equal("pogo hops", ShorthandCompletion.Offer("pog", Catalogue)[0].Name);
        Assert.Equal("ankle dribble 2 x 10 m", ShorthandCompletion.Offer("ank", Catalogue)[0].Whole);
        Assert.Equal("2 x 10 m ankle dribble", ShorthandCompletion.Offer("2 x 10 m ank", Catalogue)[0].Whole);
        Assert.Contains(ShorthandCompletion.Offer("dribble", Catalogue), c => c.Name == "calf dribble");
        Assert.Empty(ShorthandCompletion.Offer("a", Catalogue));
        Assert.Empty(ShorthandCompletion.Offer("raise 4 min", Catalogue));
        Assert.Empty(ShorthandCompletion.Offer("4 x 20 m cue \"ank", Catalogue));
    }

    [Fact]
    public void Cues_rotate_through_all_before_one_comes_again()
    {
        var used = new List<string>();
        for (var i = 0; i < CueRotation.All.Count; i++)
        {
            used.Insert(0, CueRotation.Next(used).Words);
        }

        Assert.Equal(CueRotation.All.Count, used.Distinct().Count());
        Assert.Equal(used[^1], CueRotation.Next(used).Words);
        Assert.Equal(CueRotation.All[0], CueRotation.Next(["something of our own"]));
    }

    [Fact]
    public void Blocks_join_split_and_move_together()
    {
        var plan = PlanText.Read("squat 3 x 3\nbroad jump 3 x 3\n4 x 20 m\npogos 10", ShorthandContext.Metric).Plan;
        var joined = plan.JoinAbove(plan.Blocks[1].Id);
        Assert.Equal("Pair", joined.Blocks[0].Title);
        Assert.Equal(2, joined.Blocks[0].Lines.Count);
        Assert.Equal(plan.Blocks.Count, joined.Split(joined.Blocks[0].Id).Blocks.Count);
        Assert.Same(plan, plan.JoinAbove(plan.Blocks[0].Id));
        var ids = plan.Lines.Select(l => l.Id).ToList();
        Assert.Equal([ids[0], ids[2], ids[3], ids[1]], plan.MoveTogether([ids[2], ids[3]], -1).Lines.Select(l => l.Id));
        Assert.Equal(ids, plan.MoveTogether([ids[0], ids[1]], -1).Lines.Select(l => l.Id));
        Assert.Equal([ids[2], ids[0], ids[1], ids[3]], plan.MoveTogether([ids[0], ids[1]], 1).Lines.Select(l => l.Id));
    }
}

public class WarmUpTests
{
    private static LineDemand Asked(PlanLine line) => LineDemand.Of(line, ExerciseCatalogue.BuiltIn);

    private static readonly ExerciseCatalogue Catalogue = ExerciseCatalogue.BuiltIn;

    private static readonly Gen<WarmUpRequest> Requests = Gen.Select(Gen.Int[10, 30], Gen.Int[0, 3], Gen.Bool, Gen.Bool, Gen.Int[1, 30], Gen.Int[1, 6], Gen.Int[0, 9999]).Select((minutes, day, court, flow, athletes, lanes, seed) =>
        new WarmUpRequest(minutes, (DayKind)day, court, flow, new(athletes, lanes, DemandAthlete.UsualCurve, Catalogue), seed));

    [Fact]
    public void Every_warm_up_keeps_its_time_its_order_and_its_cover() => Requests.Sample(request =>
    {
        var block = WarmUpMaker.Make(request);
        var told = $"{request.Minutes} min, {request.Day}, {request.Setting.Athletes} on {request.Setting.Lanes}, {string.Join(" | ", block.Lines.Select(l => ShorthandPrinter.Print(l)))}";
        var seconds = SessionClock.Lay(SessionPlan.Empty.Add(block), request.Setting).TotalSeconds;
        Assert.True(seconds >= 600 - 1, $"{seconds} s: {told}");
        Assert.True(Math.Abs(seconds - (request.Minutes * 60)) <= 60, $"{seconds} s: {told}");
        for (var i = 1; i < block.Lines.Count; i++)
        {
            Assert.True(Asked(block.Lines[i]).HardestEffort >= Asked(block.Lines[i - 1]).HardestEffort - WarmUpMaker.MostStepDown, told);
        }

        var exercises = block.Lines.Select(l => Catalogue.Find(l.Exercise)!).ToList();
        Assert.Contains("hips", exercises.SelectMany(e => e.Covers));
        Assert.Contains("hamstrings", exercises.SelectMany(e => e.Covers));
        Assert.DoesNotContain(exercises, e => e.StaticHold);
        Assert.Equal(WorkKind.Raise, block.Lines[0].Kind);
        Assert.Equal(request.Day switch { DayKind.Acceleration => "falling start", DayKind.ChangeOfDirection => "stick the stop", _ => "build-up" }, exercises[^1].Name);
        Assert.Contains(exercises, e => e.Kind == WorkKind.Jumps);
        Assert.All(block.Lines, l => Assert.Equal(ShorthandPrinter.Print(l), ShorthandPrinter.Print(ShorthandLine.Read(ShorthandPrinter.Print(l)).Line!)));
    }, iter: 600);

    [Fact]
    public void The_same_seed_makes_the_same_warm_up_and_another_an_other()
    {
        var request = new WarmUpRequest(16, DayKind.TopSpeed, false, false, new(14, 2, DemandAthlete.UsualCurve, Catalogue), 1);
        string Text(WarmUpRequest r) => string.Join('\n', WarmUpMaker.Make(r).Lines.Select(l => ShorthandPrinter.Print(l)));
        Assert.Equal(Text(request), Text(request));
        Assert.True(Enumerable.Range(2, 6).Select(s => Text(request with { Seed = s })).Distinct().Count() > 3);
        Assert.Throws<ArgumentOutOfRangeException>(() => WarmUpMaker.Make(request with { Minutes = 9 }));
    }

    [Fact]
    public void One_line_is_rolled_again_within_its_family()
    {
        var block = WarmUpMaker.Make(new(20, DayKind.Mixed, false, false, new(6, 2, DemandAthlete.UsualCurve, Catalogue), 3));
        var names = block.Lines.Select(l => l.Exercise!).ToList();
        var line = block.Lines.First(l => Catalogue.Find(l.Exercise)!.Family == "mobilise");
        var other = WarmUpMaker.Reroll(line, names, Catalogue, 7)!;
        Assert.DoesNotContain(other.Exercise!, names);
        Assert.Equal("mobilise", Catalogue.Find(other.Exercise)!.Family);
        Assert.Equal(line.Id, other.Id);
        Assert.Null(WarmUpMaker.Reroll(ShorthandLine.Read("\"our own\" 3 x 5").Line!, [], Catalogue, 1));
    }

    [Theory]
    [InlineData("20, 30, 40 m, walk back", "20 m rest walk-back|30 m rest walk-back|40 m rest walk-back", 1)]
    [InlineData("30-40-50m, 3 min rest", "30 m rest 3:00|40 m rest 3:00|50 m rest 3:00", 1)]
    [InlineData("2 x (200m, 150m, 100m)", "200 m|150 m|100 m", 2)]
    [InlineData("3 sets of (30, 40, 50 yd) rest 3 min", "30 m rest 3:00|40 m rest 3:00|50 yd rest 3:00", 3)]
    public void Lengths_after_one_another_are_lines_in_a_pasted_session_as_they_are_alone(string typed, string lines, int rounds)
    {
        var pasted = PlanText.Read(typed, ShorthandContext.Metric);
        Assert.Empty(pasted.Problems);
        Assert.Equal(lines, string.Join('|', pasted.Plan.Lines.Select(l => ShorthandPrinter.Print(l, ExerciseCatalogue.BuiltIn))));
        Assert.All(pasted.Plan.Blocks, b => Assert.Equal(rounds, b.Rounds));
        Assert.Equal(lines, string.Join('|', PlanText.ReadOne(typed, ShorthandContext.Metric).Block!.Lines.Select(l => ShorthandPrinter.Print(l, ExerciseCatalogue.BuiltIn))));
    }
}
