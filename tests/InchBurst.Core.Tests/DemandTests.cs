using CsCheck;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Load;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>What a line asks: by the movement, never by the label.</summary>
public class DemandTests
{
    private static readonly SprintCurve Pace = new(8.5, 1.2);
    private static readonly CoachingSchool School = CoachingSchool.Usual;

    private static PlanLine Line(string text) => ShorthandLine.Read(text).Line ?? throw new ArgumentException($"{text}: {ShorthandLine.Read(text).Problem!.Message}");

    private static LineDemand Asked(string text, double? mass = null, bool young = false) => LineDemand.Of(Line(text), ExerciseCatalogue.BuiltIn, new(Pace, mass, young));

    private static readonly Gen<string> Runs = Gen.Select(Gen.Int[1, 8], Gen.Int[5, 120], Gen.Int[40, 100], Gen.Int[0, 3]).Select((reps, metres, effort, kind) => kind switch
    {
        0 => $"{reps} x {metres} m @{effort}%",
        1 => $"{reps} x {metres} build + 10 fly + 20 slow @{effort}%",
        2 => $"{reps} x {metres} m + turn 180 left + {metres} m @{effort}%",
        _ => $"{reps} x {metres} m bound + 20 m @{effort}%",
    });

    [Fact]
    public void What_a_line_is_called_changes_nothing_of_what_it_asks() =>
        Gen.Select(Runs, Gen.Int[0, 11]).Sample((text, kind) =>
        {
            var plain = Asked(text);
            var called = LineDemand.Of(Line(text) with { Kind = WorkKinds.All[kind] }, ExerciseCatalogue.BuiltIn, new(Pace));
            object Of(LineDemand d) => (d.IsFull, d.IsFullSprint, d.IsTopSpeed, d.Queues, d.Warms, d.IsBuildUp, d.Tissues, d.StopMetres, d.PeakShare, d.ShortContacts, d.LongContacts, Volume.Of(d), RestRules.ByRule(d, School).Seconds,
                string.Join(",", LineMarks.Expected(d)), Trial.CourseKey(d.Course), d.Kit);
            Assert.Equal(Of(plain), Of(called));
        }, iter: 400);

    [Fact]
    public void More_effort_more_metres_and_more_load_never_rest_less_or_need_less_room() =>
        Gen.Select(Gen.Int[5, 150], Gen.Int[0, 60], Gen.Int[30, 100], Gen.Int[0, 60], Gen.Int[0, 120], Gen.Int[0, 60], Gen.Int[0, 3]).Sample((metres, longer, effort, harder, load, heavier, school) =>
        {
            var judge = CoachingSchool.BuiltIn[Math.Min(school, 2)];
            (double Pause, double Room) Of(int m, int e, int l) => Asked($"4 x {m} m @{Math.Min(e, 110)}%{(l > 0 ? $" sled {l}%bm" : "")}") is var d ? (RestRules.ByRule(d, judge).Seconds, d.StopMetres) : default;
            var less = Of(metres, effort, load);
            foreach (var more in new[] { Of(metres + longer, effort, load), Of(metres, effort + harder, load), Of(metres, effort, load + heavier) })
            {
                Assert.True(more.Pause >= less.Pause - 1e-9 && more.Room >= less.Room - 1e-9, $"{metres}+{longer} m @{effort}+{harder}% {load}+{heavier}%bm: {less} -> {more}");
            }
        }, iter: 1500);

    [Fact]
    public void Courses_add_up_and_their_marks_lie_on_the_path() =>
        Gen.Select(Gen.Int[0, 5].Array[1, 6], Gen.Int[3, 40].Array[6], Gen.Int[1, 360].Array[6], Gen.Bool.Array[6]).Sample((kinds, lengths, angles, left) =>
        {
            var segments = kinds.Select((k, i) => k switch
            {
                0 when i > 0 => new RunSegment(Distance.InMetres(0), SegmentRole.Turn, angles[i], left[i] ? Side.Left : Side.Right),
                1 when i > 0 => new RunSegment(Distance.InMetres(lengths[i]), SegmentRole.Back),
                2 => new RunSegment(Distance.InMetres(lengths[i]), SegmentRole.Run, Movement: Motion.Backpedal),
                3 => new RunSegment(Distance.InMetres(lengths[i]), SegmentRole.Run, Movement: Motion.Shuffle),
                4 => new RunSegment(Distance.InMetres(lengths[i]), SegmentRole.Up),
                _ => new RunSegment(Distance.InMetres(lengths[i]), SegmentRole.Run),
            }).ToList();
            var course = Course.Of(new(segments));
            Assert.Equal(segments.Sum(s => s.Length.Metres), course.Metres, 9);
            Assert.Equal(0, course.Legs[0].TravelDegrees, 9);
            for (var i = 0; i < course.Legs.Count; i++)
            {
                var leg = course.Legs[i];
                Assert.Equal(leg.Metres, Math.Sqrt(Math.Pow(leg.To.X - leg.From.X, 2) + Math.Pow(leg.To.Y - leg.From.Y, 2)), 6);
                Assert.Equal(i == 0 ? new GroundPoint(0, 0) : course.Legs[i - 1].To, leg.From);
                foreach (var share in new[] { 0.1, 0.5, 1.0 })
                {
                    var point = course.PointAt(leg.FromMetres + (share * leg.Metres));
                    Assert.Equal(leg.From.X + (share * (leg.To.X - leg.From.X)), point.X, 6);
                    Assert.Equal(leg.From.Y + (share * (leg.To.Y - leg.From.Y)), point.Y, 6);
                }
            }

            Assert.All(course.Turns, t => Assert.Equal(course.PointAt(t.AtMetres).X, t.At.X, 6));
        }, iter: 1000);

    // Legs as X on the ground at their ends, and where the body faces.
    [Theory]
    [InlineData("6 x 5 back + turn 180 left + 20 m", "5 25", "180 0", "backpedal sprint")]
    [InlineData("5 m backpedal + turn 180 + 20 m", "5 25", "180 0", "backpedal sprint")]
    [InlineData("10 m + 5 m backpedal", "10 5", "0 0", "sprint backpedal")]
    [InlineData("20 m + turn 180 + 5 m backpedal", "20 25", "0 180", "sprint backpedal")]
    [InlineData("5 + turn 180 right + 10 + turn 180 left + 5 m", "5 -5 0", "0 180 0", "sprint sprint sprint")]
    [InlineData("5 m + 10 back + 5 m", "5 -5 0", "0 180 0", "sprint sprint sprint")]
    [InlineData("20 up + 20 back + 40 up + 40 back", "20 0 40 0", "0 180 0 180", "sprint sprint sprint sprint")]
    [InlineData("20 m + turn 180 left + 20 back", "20 0", "0 180", "sprint sprint")]
    [InlineData("8 m + cut 90 left + 8 m", "8 8", "0 90", "sprint sprint")]
    [InlineData("10 m shuffle + 10 m", "10 20", "0 0", "shuffle sprint")]
    [InlineData("20 m bound + 20 fast", "20 40", "0 0", "bound sprint")]
    public void Legs_go_where_a_coach_would_set_them_out(string text, string ends, string faces, string movements)
    {
        var course = Asked(text).Course!;
        Assert.Equal(ends, string.Join(' ', course.Legs.Select(l => Math.Round(l.To.X, 6))));
        Assert.Equal(faces, string.Join(' ', course.Legs.Select(l => Math.Round(l.FacingDegrees, 6) % 360)));
        Assert.Equal(movements, string.Join(' ', course.Legs.Select(l => l.Movement.ToString().ToLowerInvariant())));
    }

    [Fact]
    public void A_cut_to_the_right_goes_right_and_a_turning_course_is_set_out_on_the_ground()
    {
        Assert.Equal(-8, Asked("8 m + cut 90 right + 8 m").Course!.Legs[1].To.Y, 6);
        string Set(string text) => string.Join(" | ", SettingOut.Of(Asked(text)).Select(p => $"{p.Metres:0.##},{p.SideMetres:0.##} {p.What}"));
        Assert.Equal("0,0 start line | 5,0 turn 180° left | 25,0 gate 25 m | 25,0 end of the run", Set("6 x 5 back + turn 180 left + 20 m"));
        Assert.Equal("0,0 start line | 5,0 turn 180° right | -5,0 turn 180° left | 0,0 gate 20 m | 0,0 end of the run", Set("five-ten-five"));
        Assert.Equal("0,0 start line | 8,0 cut 90° left | 8,8 gate 16 m | 8,8 end of the run", Set("8 m + cut 90 left + 8 m"));
        Assert.Equal("0,0 start line | 20,0 cone: sprint begins | 40,0 gate 40 m | 40,0 end of the run".Replace("sprint", "fast"), Set("20 m bound + 20 fast"));
    }

    // One row a class: is it full, full sprint, queueing, warming, topping speed; what it loads.
    [Theory]
    [InlineData("2 x 40 m @90-95%", "full sprint top queue")]
    [InlineData("2 x 40 m @85-89%", "queue warm")]
    [InlineData("2 x 300 ft @0-100%", "full sprint top queue")]
    [InlineData("3 x 30 m @70,80,90%", "full sprint queue")]
    [InlineData("3 x 30 m @70,80,89%", "queue warm")]
    [InlineData("2 x 100 m from blocks", "full sprint top queue")]
    [InlineData("build-up 3 x 40 m", "queue warm")]
    [InlineData("repeat sprints 6 x 20 m", "full sprint queue")]
    [InlineData("cut ninety", "queue turn")]
    [InlineData("five-ten-five", "full sprint queue turn")]
    [InlineData("alternate bound 3 x 20 m", "full jump")]
    [InlineData("20 m hop", "full jump")]
    [InlineData("broad jump 3 x 3", "full jump")]
    [InlineData("pogo hops 2 x 10", "jump warm")]
    [InlineData("A-skip 2 x 15 m @100%", "warm")]
    [InlineData("backward run 3 x 10 m band light @100%", "")]
    [InlineData("10 m backpedal", "")]
    [InlineData("alternate bound 3 x 20 m downhill 3deg", "full jump")]
    [InlineData("40 m downhill 3deg", "full sprint top queue help")]
    [InlineData("20 m sled 150%bm", "full sprint queue load heavy")]
    [InlineData("20 m sled 5%bm", "full sprint queue load")]
    [InlineData("\"sled march\" 3 reps", "")]
    [InlineData("band march 2 x 10 m", "heavy")]
    [InlineData("heavy sled 4 x 15 m", "full sprint queue load heavy")]
    [InlineData("towed fly", "full sprint top queue help")]
    [InlineData("\"our game\" 10 min", "")]
    [InlineData("\"our relay\" 4 x 30 m", "full sprint queue")]
    [InlineData("\"tuck things\" 3 x 5 jumps", "jump")]
    [InlineData("raise 5 min", "warm")]
    [InlineData("10 min easy", "warm")]
    [InlineData("cool-down 5 min", "")]
    [InlineData("hamstring stretch 2 x 30 s", "")]
    [InlineData("squat 3 x 3", "")]
    [InlineData("mini-hurdle run 4 passes", "queue warm")]
    [InlineData("3 x 30 m @75% in waves", "warm")]
    [InlineData("20 build + 10 fly + 20 slow @80%", "queue warm")]
    [InlineData("20 m walk", "warm")]
    [InlineData("stick the stop 2 x 15 m", "queue turn")]
    public void Lines_are_judged_by_what_is_done(string text, string expected)
    {
        var d = Asked(text);
        string[] found =
        [
            d.IsFull ? "full" : "", d.IsFullSprint ? "sprint" : "", d.IsTopSpeed ? "top" : "", d.IsJumping ? "jump" : "", d.Queues ? "queue" : "", d.Warms ? "warm" : "", d.TeachesStopping ? "turn" : "", d.IsResisted ? "load" : "", d.IsAssisted ? "help" : "",
            d.Load.IsHeavy ? "heavy" : "",
        ];
        Assert.Equal(expected.Split(' ', StringSplitOptions.RemoveEmptyEntries).Order(), found.Where(f => f.Length > 0).Order());
    }

    [Theory]
    [InlineData("4 x 20 m @80%", "hamstrings, calves")]
    [InlineData("4 x 20 m @79%", "")]
    [InlineData("4 x 20 m @79-80%", "hamstrings, calves")]
    [InlineData("five-ten-five", "hamstrings, calves, groins, knees")]
    [InlineData("broad jump 3 x 3", "calves, knees")]
    [InlineData("broad jump 3 x 3 @79%", "")]
    [InlineData("alternate bound 3 x 20 m", "hamstrings, calves, knees")]
    [InlineData("20 m shuffle", "groins")]
    [InlineData("20 m crossover @79%", "")]
    [InlineData("20 m backpedal", "calves, knees")]
    [InlineData("overhead back throw 3 x 3", "back, shoulders")]
    [InlineData("squat 3 x 3", "hamstrings, knees, back")]
    [InlineData("squat 3 x 3 60% max", "")]
    [InlineData("squat 3 x 3 80% max", "hamstrings, knees, back")]
    [InlineData("3 x 20 build + 10 fly @70% tow +3%v", "hamstrings, calves")]
    [InlineData("20 m sled 60%bm @60%", "calves, knees")]
    [InlineData("bike intervals 6 x 15 s", "knees")]
    [InlineData("A-skip 2 x 15 m", "")]
    [InlineData("cool-down 5 min", "")]
    public void Held_athletes_are_kept_from_what_loads_a_tissue(string text, string tissues) => Assert.Equal(tissues, TissueRules.Text(Asked(text).Tissues));

    // Short and long contacts of a whole line. Common practice: a bound every 2 m, a hop every 1.25 m.
    [Theory]
    [InlineData("speed bound 1 x 110 m", 66, 0)]
    [InlineData("alternate bound 3 x 20 m", 0, 30)]
    [InlineData("alternate bound 3 x 10 reps", 0, 30)]
    [InlineData("2 x 20 m bound", 0, 20)]
    [InlineData("20 m hop", 16, 0)]
    [InlineData("pogo hops 2 x 10", 20, 0)]
    [InlineData("single-leg pogo 2 x 8", 32, 0)]
    [InlineData("\"tuck things\" 3 x 5 jumps", 0, 15)]
    [InlineData("\"tuck things\" 3 x 5 hops", 0, 15)]
    [InlineData("\"tuck things\" 3 x 5", 0, 0)]
    [InlineData("triple broad jump 3 x 2", 0, 18)]
    [InlineData("4 x 20 m", 0, 0)]
    [InlineData("A-skip 2 x 15 m", 30, 0)]
    public void Contacts_go_by_movement_and_distance(string text, double shorts, double longs)
    {
        var volume = Volume.Of(Asked(text));
        Assert.Equal((shorts, longs), (volume.ShortContacts, volume.LongContacts));
    }

    [Fact]
    public void A_clubs_own_jumps_and_bounds_count_whatever_they_were_counted_in()
    {
        var own = new Exercise { Name = "wall bound", Kind = WorkKind.Jumps, Family = "own", Counted = CountedIn.Reps, Dose = "3 x 5", Effort = 90, For = "x", Contacts = 1 };
        var catalogue = new ExerciseCatalogue([own, own with { Name = "deep jump", Contacts = 0 }]);
        LineVolume Of(string text) => Volume.Of(LineDemand.Of(ShorthandLine.Read(text, new(DistanceUnit.Metre, catalogue)).Line!, catalogue));
        Assert.Equal(15, Of("wall bound 3 x 5").LongContacts);
        Assert.Equal(15, Of("deep jump 3 x 5").LongContacts);

        // Written in metres, one contact a repetition says nothing: the movement does. It was stored before movements were, so its kind hints at it.
        var travelling = new ExerciseCatalogue([own with { Movement = Motion.Bound }]);
        Assert.Equal(55, Volume.Of(LineDemand.Of(ShorthandLine.Read("wall bound 110 m", new(DistanceUnit.Metre, travelling)).Line!, travelling)).LongContacts);
    }

    [Fact]
    public void Sums_name_turning_light_and_heavy_helped_and_bounding_metres()
    {
        Assert.Equal((60, 60, 0), (Volume.Of(Asked("3 x five-ten-five".Replace("3 x five-ten-five", "five-ten-five"))) is var t ? t.SprintMetres : 0, t.TurnMetres, t.FullMetres - 60));
        var light = Volume.Of(Asked("3 x 20 m sled -10%v"));
        Assert.Equal((60, 60, 0, 0), (light.SprintMetres, light.LightMetres, light.HeavyMetres, light.AssistedMetres));
        var heavy = Volume.Of(Asked("3 x 20 m sled -10.1%v"));
        Assert.Equal((0, 60), (heavy.LightMetres, heavy.HeavyMetres));
        Assert.Equal(90, Volume.Of(Asked("3 x 20 build + 10 fly + 20 slow tow +3%v")).AssistedMetres);
        var bounds = Volume.Of(Asked("2 x 20 m bound + 10 m"));
        Assert.Equal((40, 20, 60), (bounds.BoundMetres, bounds.SprintMetres, bounds.Metres));
        Assert.Equal(20, bounds.JumpContacts);
        var sum = light + heavy + bounds;
        Assert.Equal((140, 60, 60, 40, 20), (sum.SprintMetres, sum.LightMetres, sum.HeavyMetres, sum.BoundMetres, sum.JumpContacts));
        Assert.Equal(20, Volume.Of(Asked("3 x 20 m @80,89,90%")).FullMetres);
        Assert.Equal(40, Volume.Of(Asked("3 x 20 m @69,70,90%")).SprintMetres);
        Assert.Equal(240, Volume.Of(Asked("3 x 20 m each side"), 2).Metres);
    }

    // From 8.5 m/s and 1.2 s: values of science.md section 2 and v²/(2a) of section 11.
    [Fact]
    public void A_straight_full_run_is_the_curve_itself()
    {
        var pace = Asked("40 m").PaceOf(0);
        Assert.Equal(Pace.TimeTo(40), pace.Seconds, 9);
        Assert.Equal(2.0602, Asked("10 yd").PaceOf(0).Seconds, 4);
        Assert.Equal(15.69, Asked("30 m").PaceOf(0).MetresAbove(0.9), 2);
        Assert.Equal(Pace.SpeedAtDistance(40), pace.StopFromSpeed, 9);
        Assert.Equal(1.2183, Asked("3 x 20 build + 10 fly + 20 slow").PaceOf(0) is var fly ? fly.TimeAt(30) - fly.TimeAt(20) : 0, 4);

        // At 90% every speed is nine tenths, so 40 m take as long as 40/0.9 m in full.
        Assert.Equal(Pace.TimeTo(40 / 0.9), Asked("40 m @90%").PaceOf(0).Seconds, 9);
        Assert.Equal(0, Asked("40 m @89%").PaceOf(0).MetresAbove(0.9));
    }

    [Fact]
    public void A_turn_is_braked_for_and_begun_anew()
    {
        var turn = Asked("10 m + turn 180 left + 10 m").PaceOf(0);
        Assert.Equal(0, turn.Legs[0].ExitSpeed, 6);
        var peak = turn.Legs[0].PeakSpeed;

        // Braking at 9 m/s² from the peak to rest takes v²/(2a), and where it begins the curve has just that speed.
        Assert.Equal(peak, Pace.SpeedAtDistance(10 - (peak * peak / 18)), 3);
        Assert.Equal(Pace.TimeTo(10), turn.Legs[1].Seconds, 6);
        Assert.True(turn.Seconds > 2 * Pace.TimeTo(10));
        var gentle = Asked("10 m + cut 45 left + 10 m").PaceOf(0);
        Assert.Equal(8.5 * (1 - (45 / 120.0)), gentle.Legs[0].ExitSpeed, 3);
        Assert.Equal(gentle.Legs[0].ExitSpeed, gentle.Legs[1].EntrySpeed, 6);
        Assert.True(gentle.Seconds < turn.Seconds && gentle.Seconds > Pace.TimeTo(20));
        Assert.True(Asked("10 m + turn 180 left + 10 m", young: true).PaceOf(0).Seconds > turn.Seconds);

        // A turn of the body alone, as from backwards to forwards, changes no direction of travel.
        var through = Asked("5 m backpedal + turn 180 + 20 m").PaceOf(0);
        Assert.Equal(through.Legs[0].ExitSpeed, through.Legs[1].EntrySpeed, 6);
        Assert.True(through.Legs[0].ExitSpeed > 0);

        // 5-10-5: players take about 4.5 to 6 s (common practice).
        Assert.InRange(Asked("five-ten-five @100%").PaceOf(0).Seconds, 4.5, 6.0);
    }

    [Fact]
    public void Walks_and_jogs_end_a_leg_and_go_at_their_own_speed()
    {
        var walked = Asked("20 m + 28 walk + 20 m").PaceOf(0);
        Assert.Equal(20, walked.Legs[1].Seconds, 6);
        Assert.Equal(1.4, walked.Legs[2].EntrySpeed, 6);
        Assert.True(walked.Legs[2].Seconds < Pace.TimeTo(20));
        Assert.Equal(40, Asked("20 m + 28 walk + 20 m").IntentMetres);
        Assert.Equal(10, Asked("25 m jog").PaceOf(0).ClearSeconds, 6);
        Assert.Equal(0, Asked("25 m jog").StopMetres);

        // Slowing down is at half the speed on the way.
        var slowed = Asked("20 build + 10 fly + 20 slow").PaceOf(0);
        Assert.Equal(20 / (slowed.Legs[1].ExitSpeed / 2), slowed.Legs[2].Seconds, 6);
        Assert.Equal(slowed.Seconds + slowed.Legs[2].Seconds, slowed.ClearSeconds, 6);
        Assert.Equal(Pace.TimeTo(40) + (Pace.SpeedAtDistance(40) / 3), Asked("40 m").PaceOf(0).ClearSeconds, 6);
    }

    [Fact]
    public void Marks_are_passed_in_order_and_the_clock_knows_where_it_was_started()
    {
        Gen.Select(Runs, Gen.Double[0, 1], Gen.Double[0, 1]).Sample((text, a, b) =>
        {
            var demand = Asked(text);
            var (near, far) = (Math.Min(a, b) * demand.Course!.Metres, Math.Max(a, b) * demand.Course.Metres);
            Assert.True(demand.PaceOf(0).TimeAt(near) <= demand.PaceOf(0).TimeAt(far) + 1e-9);
        }, iter: 300);
        Assert.Equal(Pace.TimeTo(10.5) - Pace.TimeTo(0.5), Asked("30 m").ExpectedSeconds(10, 0.5), 9);
        Assert.Equal(Pace.TimeTo(10), Asked("30 m").ExpectedSeconds(10), 9);

        // A rolling start comes in with the speed of its run-in at 70%; unsaid, at a jog.
        Assert.Equal(Pace.AtEffort(0.7).SpeedAtDistance(10), Asked("20 m from moving 10 m").PaceOf(0).Legs[0].EntrySpeed, 6);
        Assert.Equal(2.5, Asked("20 m from moving").PaceOf(0).Legs[0].EntrySpeed, 6);
        Assert.True(Asked("20 m from moving").PaceOf(0).Seconds < Pace.TimeTo(20));
    }

    // science.md 11: 20 m from top speed, 10 m after a short start (common practice), never less than v²/(2 x 4.5), 3 for the young.
    [Theory]
    [InlineData("40 m", 20, 20)]
    [InlineData("10 m", 10, 10)]
    [InlineData("20 build + 10 fly + 20 slow", 20, 20)]
    [InlineData("20 build + 10 fly + 5 slow", 7.71, 11.57)]
    [InlineData("20 build + 10 fly + 30 slow", 30, 30)]
    [InlineData("40 m @60%", 2.89, 4.33)]
    [InlineData("40 m sled 60%bm", 20, 20)]
    [InlineData("raise 5 min", 0, 0)]
    [InlineData("20 m walk", 0, 0)]
    public void Room_to_stop_is_never_believed_below_physics(string text, double trained, double young)
    {
        Assert.Equal(trained, Asked(text).StopMetres, 2);
        Assert.Equal(young, Asked(text, young: true).StopMetres, 2);
    }

    [Fact]
    public void Limited_kit_is_seen_and_wall_or_partner_is_none()
    {
        Assert.Equal([LimitedKit.Rack, LimitedKit.Wall, LimitedKit.Sled, LimitedKit.Hurdles, LimitedKit.Box], new[] { "squat 3 x 3", "wall hold 15 s", "4 x 20 m sled 10 kg", "hurdle rebound 3 x 5", "drop landing 5" }.Select(t => Asked(t).Kit!.Value));
        Assert.Null(Asked("leg swing forwards 10").Kit);
        Assert.Null(Asked("4 x 20 m").Kit);
    }
}

/// <summary>What a load does, against the model of science.md sections 4 and 5.</summary>
public class LoadEffectTests
{
    private static readonly SprintCurve Pace = new(9.0, 1.15);

    private static LoadEffect Of(LoadKind kind, double amount, LoadUnit unit, double? mass = 75) => LoadEffect.Of(new(kind, amount, unit), Known(mass));

    private static LoadKnown Known(double? mass = 75) => new(Pace, mass ?? LoadEffect.UsualMassKilograms, Friction.Of(Surface.Unsaid));

    [Fact]
    public void A_said_change_of_speed_is_taken_as_said()
    {
        Assert.Equal(0.9, Of(LoadKind.Sled, -10, LoadUnit.PercentSpeed).SpeedShare, 9);
        Assert.False(Of(LoadKind.Sled, -10, LoadUnit.PercentSpeed).IsHeavy);
        Assert.True(Of(LoadKind.Sled, -10.5, LoadUnit.PercentSpeed).IsHeavy);
        Assert.Equal((LoadSense.Assisted, 1.05), (Of(LoadKind.Tow, 5, LoadUnit.PercentSpeed).Sense, Math.Round(Of(LoadKind.Tow, 5, LoadUnit.PercentSpeed).SpeedShare, 9)));
        Assert.Equal(LoadSense.Assisted, Of(LoadKind.Band, 5, LoadUnit.PercentSpeed).Sense);
        Assert.Equal(LoadSense.Resisted, Of(LoadKind.Band, -5, LoadUnit.PercentSpeed).Sense);
        Assert.Equal(LoadEffect.None, LoadEffect.Of(null, Known()));
        Assert.Equal(LoadEffect.None, Of(LoadKind.Lift, 80, LoadUnit.PercentMaximum));
        Assert.Same(Pace, LoadEffect.None.On(Pace));
        Assert.Equal((9.0 * 0.9, 1.15), (Of(LoadKind.Sled, -10, LoadUnit.PercentSpeed).On(Pace).Mss, Of(LoadKind.Sled, -10, LoadUnit.PercentSpeed).On(Pace).Tau));
    }

    // The simulation of science.md section 4 solved by stepping, against the closed form used here.
    [Theory]
    [InlineData(5)]
    [InlineData(20)]
    [InlineData(52)]
    [InlineData(110)]
    public void A_dragged_mass_slows_as_the_simulation_says(double percent)
    {
        var drag = new BodyAndAir(75, 1.75).DragConstant / 75;
        var f0 = Pace.InitialAcceleration;
        var v0 = Pace.Mss / (1 - (drag * Pace.Mss * Pace.Mss / f0));
        var runner = new SprintSimulation(f0, v0);
        Assert.Equal(Pace.Mss, runner.TopSpeed(new(drag)), 6);
        var expected = runner.TopSpeed(new(drag, ResistancePerKilogram: 0.45 * 9.81 * percent / 100)) / Pace.Mss;
        Assert.Equal(expected, Of(LoadKind.Sled, percent, LoadUnit.PercentBodyMass).SpeedShare, 6);
        Assert.Equal(expected, Of(LoadKind.Sled, percent * 0.75, LoadUnit.Kilogram).SpeedShare, 6);
        Assert.Equal(expected, Of(LoadKind.Chain, percent * 0.75 / 0.45359237, LoadUnit.Pound).SpeedShare, 6);
        Assert.True(Of(LoadKind.Sled, percent * 0.75, LoadUnit.Kilogram, 60).SpeedShare < expected);
    }

    [Fact]
    public void More_load_is_never_quicker_and_some_cannot_be_moved()
    {
        Gen.Select(Gen.Double[0, 200], Gen.Double[0, 100]).Sample((percent, more) =>
            Assert.True(Of(LoadKind.Sled, percent + more, LoadUnit.PercentBodyMass).SpeedShare <= Of(LoadKind.Sled, percent, LoadUnit.PercentBodyMass).SpeedShare + 1e-12));
        Assert.True(Of(LoadKind.Sled, 200, LoadUnit.PercentBodyMass).CannotMove);
        Assert.True(Of(LoadKind.Sled, 200, LoadUnit.PercentBodyMass).On(Pace).Mss > 0);
        Assert.False(Of(LoadKind.Sled, 100, LoadUnit.PercentBodyMass).CannotMove);
    }

    // science.md section 4: F0 8, V0 10, m 75, h 1.8: +3 degrees -6.17%, -3 degrees +6.14%; nearly the same for this athlete.
    [Fact]
    public void Slopes_act_both_ways_in_degrees_and_percent()
    {
        Assert.InRange(Of(LoadKind.Uphill, 3, LoadUnit.Degree).DecrementPercent, 5.5, 7.2);
        Assert.InRange(Of(LoadKind.Downhill, 3, LoadUnit.Degree).DecrementPercent, -7.2, -5.5);
        Assert.Equal(Of(LoadKind.Uphill, 3, LoadUnit.Degree).SpeedShare, Of(LoadKind.Uphill, Math.Tan(3 * Math.PI / 180) * 100, LoadUnit.PercentGrade).SpeedShare, 9);
        Assert.Equal(LoadSense.Assisted, Of(LoadKind.Downhill, 3, LoadUnit.Degree).Sense);
    }

    [Theory]
    [InlineData(LoadKind.Sled, LoadUnit.Light, 8)]
    [InlineData(LoadKind.Sled, LoadUnit.Heavy, 40)]
    [InlineData(LoadKind.Sled, LoadUnit.None, 15)]
    [InlineData(LoadKind.Band, LoadUnit.Light, 5)]
    [InlineData(LoadKind.Band, LoadUnit.Medium, 12)]
    [InlineData(LoadKind.Band, LoadUnit.Heavy, 25)]
    [InlineData(LoadKind.Band, LoadUnit.None, 12)]
    [InlineData(LoadKind.Uphill, LoadUnit.None, 9)]
    [InlineData(LoadKind.Downhill, LoadUnit.None, -4)]
    [InlineData(LoadKind.Tow, LoadUnit.None, -4)]
    [InlineData(LoadKind.Parachute, LoadUnit.None, 5)]
    [InlineData(LoadKind.Vest, LoadUnit.None, 3)]
    public void What_is_not_said_takes_what_is_usual_and_says_so(LoadKind kind, LoadUnit unit, double decrement)
    {
        var effect = Of(kind, 0, unit);
        Assert.Equal(decrement, effect.DecrementPercent, 9);
        Assert.False(effect.Measured);
    }

    [Fact]
    public void A_vest_takes_half_its_share_of_the_whole_and_an_unknown_mass_the_usual_one()
    {
        Assert.Equal(0.5 * 7.5 / 82.5 * 100, Of(LoadKind.Vest, 7.5, LoadUnit.Kilogram).DecrementPercent, 9);
        Assert.Equal(Of(LoadKind.Sled, 10, LoadUnit.Kilogram, 70).SpeedShare, Of(LoadKind.Sled, 10, LoadUnit.Kilogram, null).SpeedShare);
        Assert.Null(LoadEffect.Kilograms(new(LoadKind.Sled, -10, LoadUnit.PercentSpeed), 70));
    }
}
