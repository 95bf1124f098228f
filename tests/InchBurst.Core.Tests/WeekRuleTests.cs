using InchBurst.Core.Check;
using InchBurst.Core.School;
using InchBurst.Core.Season;

namespace InchBurst.Core.Tests;

/// <summary>Each rule about a week: a week that triggers it, one just inside that does not. Thresholds are the schools' (common practice).</summary>
public class WeekRuleTests
{
    private static readonly DateOnly Monday = Weeks.Monday;

    // Match on Sunday: day 6. Two days clear: Friday and Saturday.
    [Theory]
    [InlineData("----T--", "Friday", Severity.Mind)]
    [InlineData("-----S-", "Saturday", Severity.Stop)]
    [InlineData("------S", "Sunday", Severity.Stop)]
    [InlineData("---T---", null, null)]
    [InlineData("-----P-", null, null)]
    [InlineData("-----E-", null, null)]
    public void Nothing_hard_in_the_last_two_days(string letters, string? day, Severity? severity)
    {
        var found = new NothingHardBeforeAMatch().Look(Weeks.Week(letters, matches: 6)).ToList();
        Assert.Equal(day is null ? [] : [(Enum.Parse<DayOfWeek>(day), severity!.Value)], found.Select(f => (f.Day!.Value.DayOfWeek, f.Severity)));
        Assert.All(found, f => Assert.Contains("last 2 days", f.Why, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(60, 0, false, false, true)]
    [InlineData(61, 0, false, false, false)]
    [InlineData(60, 30, false, false, true)]
    [InlineData(60, 31, false, false, false)]
    [InlineData(40, 0, true, false, false)]
    [InlineData(40, 0, false, true, false)]
    public void A_primer_is_short_free_and_light(double metres, double contacts, bool heavy, bool assisted, bool isPrimer) =>
        Assert.Equal(isPrimer, Weeks.Dose(metres, starts: true, resisted: heavy, heavy: heavy, assisted: assisted, contacts: contacts).IsPrimer(60));

    [Fact]
    public void Many_jumps_are_hard_without_a_sprint()
    {
        Assert.False(Weeks.Dose(contacts: 59).IsHard);
        Assert.True(Weeks.Dose(contacts: 60).IsHard);
        Assert.False(DayDose.None.IsHard);
        Assert.False(Weeks.Dose(contacts: 60).IsPrimer(60));
    }

    [Theory]
    [InlineData("S------", -1, false, true)]
    [InlineData("-S-----", -1, false, false)]
    [InlineData("S------", -1, true, false)]
    [InlineData("E------", -1, false, false)]
    public void Who_played_recovers_the_day_after(string letters, int match, bool playsLittle, bool broken) =>
        Assert.Equal(broken, new RecoveryAfterAMatch().Look(Weeks.Week(letters, matches: match) with { PlaysLittle = playsLittle }).Any());

    [Theory]
    [InlineData("ST-----", 48, 0, true)]
    [InlineData("S-T----", 48, 0, false)]
    [InlineData("S-T----", 72, 0, true)]
    [InlineData("S--T---", 72, 0, false)]
    [InlineData("SR-----", 48, 1, false)]
    [InlineData("SR-----", 48, 0, true)]
    [InlineData("ST-----", 48, 1, true)]
    [InlineData("TT-----", 24, 1, true)]
    [InlineData("TS-----", 24, 0, false)]
    [InlineData("TT-----", 0, 1, true)]
    [InlineData("PT-----", 48, 0, false)]
    [InlineData("TP-----", 48, 0, false)]
    [InlineData("SE-----", 48, 0, false)]
    public void Hard_days_lie_apart_as_the_school_has_it(string letters, double hours, double backToBack, bool broken)
    {
        var week = Weeks.Week(letters, Weeks.School(("week.apart", hours), ("week.backtoback", backToBack)), before: "-------");
        Assert.Equal(broken, new HardDaysApart().Look(week).Any());
    }

    [Fact]
    public void The_week_before_is_looked_at_too()
    {
        Assert.True(new HardDaysApart().Look(Weeks.Week("T------", before: "------S")).Single().Said.Contains("comes 1 day after", StringComparison.Ordinal));
        Assert.Empty(new HardDaysApart().Look(Weeks.Week("-T-----", before: "------S")));
        Assert.Contains("Top speed on Sunday and again on Monday", new HardDaysApart().Look(Weeks.Week("T------", before: "------T")).Single().Said, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("T-T-T--", 2, "Friday")]
    [InlineData("T-T----", 2, null)]
    [InlineData("T-T----", 1, "Wednesday")]
    [InlineData("-------", 0, null)]
    public void Top_speed_so_often_and_no_more(string letters, double most, string? day) =>
        Assert.Equal(day, new TopSpeedNotTooOften().Look(Weeks.Week(letters, Weeks.School(("week.topspeed", most)))).SingleOrDefault()?.Day?.DayOfWeek.ToString());

    [Theory]
    [InlineData("S-S-S--", 2, "Friday")]
    [InlineData("S-S-P--", 2, null)]
    [InlineData("S-S-E--", 2, null)]
    [InlineData("S-S-S--", 3, null)]
    public void So_many_sprint_days_and_no_more(string letters, double most, string? day) =>
        Assert.Equal(day, new NotTooManySessions().Look(Weeks.Week(letters, Weeks.School(("week.sessions", most)))).SingleOrDefault()?.Day?.DayOfWeek.ToString());

    [Theory]
    [InlineData(15, "S-S-S-S", true)]
    [InlineData(16, "S-S-S-S", false)]
    [InlineData(15, "S-S-S--", false)]
    [InlineData(15, "S-S-S-E", false)]
    public void The_young_have_fewer_hard_days(int age, string letters, bool broken)
    {
        var found = new YoungNotTooOften().Look(Weeks.Week(letters) with { Athletes = [Weeks.Athlete(1, -1), Weeks.Athlete(2, -1, age)] }).ToList();
        Assert.Equal(broken, found.Count == 1);
        Assert.All(found, f => Assert.Contains("Athlete 2 is under 16", f.Said, StringComparison.Ordinal));
    }

    // Four weeks of 270 hard metres; 1.3 times that is 351.
    [Theory]
    [InlineData(351, false)]
    [InlineData(352, true)]
    public void Hard_metres_grow_slowly(double metres, bool broken)
    {
        var week = Weeks.Week("-------");
        week = week with { Sessions = [.. week.Sessions, new(1, Monday, "Starts", Weeks.Dose(metres, starts: true))] };
        Assert.Equal(270, week.Grid().UsualHardMetres);
        Assert.Equal(broken, new HardMetresGrowSlowly().Look(week).Any());
    }

    [Theory]
    [InlineData(200, false)]
    [InlineData(201, true)]
    public void Little_is_free_after_a_month_without(double metres, bool broken)
    {
        var week = new GroupWeek("Everybody", Monday, CoachingSchool.Usual) { Sessions = [new(1, Monday, "Starts", Weeks.Dose(metres, starts: true))] };
        var found = new HardMetresGrowSlowly().Look(week).ToList();
        Assert.Equal(broken, found.Count == 1);
        Assert.All(found, f => Assert.Contains("after a month with none", f.Said, StringComparison.Ordinal));
    }

    [Fact]
    public void A_week_s_sums_begin_on_its_monday()
    {
        // Next Monday's sprint counts for next week.
        var week = Weeks.Week("T-T----") with { OpenFrom = Monday };
        week = week with { Sessions = [.. week.Sessions, new(50, Monday.AddDays(7), "Next", Weeks.Of('T')!)] };
        var (grid, numbers) = (week.Grid(), week.Numbers);
        Assert.False(new TopSpeedNotTooOften().Breaks(grid, numbers, 7));
        grid[5] = grid[6] = DayDose.None;
        Assert.Null(WeekRules.Broken(grid, numbers, 7));
    }

    [Theory]
    [InlineData(true, 'E', true)]
    [InlineData(false, 'E', false)]
    [InlineData(false, 'S', true)]
    public void Closed_days_hold_nothing_and_exams_nothing_hard(bool isFree, char letter, bool broken)
    {
        ClosedDays[] closed = [new(Monday.AddDays(2), Monday.AddDays(3), "Break", isFree)];
        foreach (var (day, hit) in new[] { (1, false), (2, true), (3, true), (4, false) })
        {
            var week = Weeks.Week(new string('-', day) + letter + new string('-', 6 - day)) with { Closed = closed };
            Assert.Equal(broken && hit, new ClosedDaysStayFree().Look(week).Any());
        }
    }

    [Fact]
    public void Nobody_healthy_goes_longer_than_six_days()
    {
        IEnumerable<(Severity, DateOnly?)> Look(GroupWeek week) => new TopSpeedInTime().Look(week).Select(f => (f.Severity, f.Day));
        var none = Weeks.Week("-------");

        // Last on Tuesday before: six days are up on Monday, over on Tuesday.
        Assert.Equal([(Severity.Mind, (DateOnly?)Monday.AddDays(1))], Look(none with { Athletes = [Weeks.Athlete(1, -6)] }));
        Assert.Equal([(Severity.Stop, (DateOnly?)Monday)], Look(none with { Athletes = [Weeks.Athlete(1, -7)] }));
        Assert.Equal([(Severity.Stop, (DateOnly?)Monday)], Look(none with { Athletes = [Weeks.Athlete(1, null)] }));
        Assert.Empty(Look(none with { Athletes = [Weeks.Athlete(1, -7, healthy: false)] }));

        // Planned in time, planned late, planned but past what it is for.
        Assert.Empty(Look(Weeks.Week("T-----T") with { Athletes = [Weeks.Athlete(1, -6)] }));
        Assert.Equal([(Severity.Mind, (DateOnly?)Monday.AddDays(1))], Look(Weeks.Week("--T----") with { Athletes = [Weeks.Athlete(1, -6)] }));
        Assert.Contains("Wednesday comes late", new TopSpeedInTime().Look(Weeks.Week("--T----") with { Athletes = [Weeks.Athlete(1, -6)] }).Single().Said, StringComparison.Ordinal);
        var missed = Weeks.Week("T------");
        missed = missed with { Athletes = [Weeks.Athlete(1, -6)], Sessions = [.. missed.Sessions.Select(s => s with { Missed = ["Athlete 1"] })] };
        Assert.Equal([(Severity.Mind, (DateOnly?)Monday.AddDays(1))], Look(missed));

        // A school of ten days waits ten days; a week that is over says nothing.
        Assert.Empty(Look(Weeks.Week("-------", Weeks.School(("week.every", 14))) with { Athletes = [Weeks.Athlete(1, -6)] }));
        Assert.Empty(Look(none with { Athletes = [Weeks.Athlete(1, -30)], OpenFrom = Monday.AddDays(7) }));

        // Those who fall due on one day are said together.
        Assert.StartsWith("Athlete 1 and Athlete 2 are over 6 days", new TopSpeedInTime().Look(none with { Athletes = [Weeks.Athlete(1, -9), Weeks.Athlete(2, -8)] }).Single().Said, StringComparison.Ordinal);
        Assert.Equal("Athlete 1 has gone 9 days without top speed; none is planned", new TopSpeedInTime().Look(none with { Athletes = [Weeks.Athlete(1, -9)] }).Single().Said);
    }

    [Fact]
    public void One_line_covers_who_would_be_over()
    {
        // Thursday's starts can take a fly (Sunday's match is three days off); Saturday's primer cannot.
        var week = Weeks.Week("---S-P-", matches: 6) with { Athletes = [Weeks.Athlete(1, -4), Weeks.Athlete(2, -1)] };
        var finding = new TopSpeedInTime().Look(week).First();
        Assert.Equal([1], finding.Athletes);
        var move = finding.Moves[0];
        Assert.Equal(("One fly on Thursday", week.Sessions.Single(s => s.Day == Monday.AddDays(3)).Id), (move.Label, move.SessionId!.Value));
        Assert.Equal(TopSpeedInTime.OneFly + " for Athlete 1", move.AddLine);
        Assert.True(DayDose.Reaches(Demand.LineDemand.Of(Shorthand.ShorthandLine.Read(TopSpeedInTime.OneFly).Line!, Catalogue.ExerciseCatalogue.BuiltIn)));
        Assert.Contains(finding.Moves, m => m is { MatchId: 900, Label: "Let Sunday’s match count" });
        Assert.DoesNotContain(new TopSpeedInTime().Look(week with { PlaysLittle = true }).First().Moves, m => m.MatchId is not null);
        Assert.DoesNotContain(finding.Moves, m => m.Label.Contains("Saturday", StringComparison.Ordinal));

        // Nothing planned: a day with a slot that keeps the rules.
        var free = Weeks.Week("-------", matches: 6) with { Athletes = [Weeks.Athlete(1, -4)], Slots = [Slot(5), Slot(3)] };
        Assert.Equal(Monday.AddDays(3), new TopSpeedInTime().Look(free).First().Moves.Single(m => m.SuggestOn is not null).SuggestOn);
    }

    [Fact]
    public void A_line_for_one_covers_that_one_and_is_no_work_of_the_group()
    {
        var plan = Shorthand.PlanText.Read("4 x 10 m from standing\n" + TopSpeedInTime.OneFly + " for Noor Haddadin\n2 x 40 m @100% for low minutes", Shorthand.ShorthandContext.Metric).Plan;
        DayDose Of(string? group) => DayDose.Of(plan, Demand.DemandAthlete.Usual, Catalogue.ExerciseCatalogue.BuiltIn, l => Plan.LineAudience.Covers(plan, l, "", group is null ? [] : [group]));
        Assert.Equal((40, false), (Of(Plan.LineAudience.HighMinutes).HardMetres, Of(Plan.LineAudience.HighMinutes).ReachesTopSpeed));
        Assert.Equal((120, true), (Of(Plan.LineAudience.LowMinutes).HardMetres, Of(Plan.LineAudience.LowMinutes).ReachesTopSpeed));
        Assert.Equal(40, Of(null).HardMetres);
        var week = Weeks.Week("S------");
        week = week with { Athletes = [Weeks.Athlete(1, -6), Weeks.Athlete(2, -6)], Sessions = [.. week.Sessions.Select(s => s.Day == Monday ? s with { Only = ["Athlete 1"] } : s)] };
        Assert.Equal([2], new TopSpeedInTime().Look(week).Single().Athletes);
        Assert.True(week.Sessions.Single(s => s.Day == Monday).Covers("Athlete 1"));
    }

    private static OpenSlot Slot(int day, int minutes = 60) => new(Monday.AddDays(day), new(18, 0), minutes, "Hall", 2, 60, 20);

    [Fact]
    public void Who_is_missed_by_a_top_speed_session_gets_a_longer_run()
    {
        var week = Weeks.Week("T------");
        week = week with { Athletes = [Weeks.Athlete(1, -1), Weeks.Athlete(2, -1, healthy: false)], Sessions = [.. week.Sessions.Select(s => s with { Missed = ["Athlete 1", "Athlete 2"] })] };
        var finding = new NobodyMissed().Look(week).Single();
        Assert.Equal([1], finding.Athletes);
        Assert.Equal(NobodyMissed.LongerFly + " for Athlete 1", finding.Moves.Single().AddLine);
        Assert.Empty(new NobodyMissed().Look(week with { OpenFrom = Monday.AddDays(1) }));
        Assert.Empty(new NobodyMissed().Look(Weeks.Week("T------")));
        var longer = Demand.LineDemand.Of(Shorthand.ShorthandLine.Read(NobodyMissed.LongerFly).Line!, Catalogue.ExerciseCatalogue.BuiltIn);
        var usual = Demand.LineDemand.Of(Shorthand.ShorthandLine.Read(TopSpeedInTime.OneFly).Line!, Catalogue.ExerciseCatalogue.BuiltIn);
        Assert.True(longer.PeakShare > usual.PeakShare);
    }

    [Theory]
    [InlineData(0, 135.0)]
    [InlineData(-6, 135.0)]
    [InlineData(-7, 202.5)]
    [InlineData(-13, 202.5)]
    [InlineData(-14, null)]
    public void Who_was_away_comes_back_in_steps(int back, double? most)
    {
        // 270 hard metres are usual; half of it in the first week, three quarters in the second.
        Assert.Equal(most, BackInSteps.Most(-back, 270, WeekNumbers.Of(CoachingSchool.Usual)));
        var week = Weeks.Week("-S-T-R-") with { Athletes = [Weeks.Athlete(1, -1, back: back)] };
        Assert.Equal(most is not null, new BackInSteps().Look(week).Any());
        Assert.Empty(new BackInSteps().Look(Weeks.Week("-S-----") with { Athletes = [Weeks.Athlete(1, -1, back: back)] }));
    }

    [Fact]
    public void The_day_before_a_match_asks_for_a_primer()
    {
        OpenSlot[] slots = [Slot(5)];
        var week = Weeks.Week("-------", matches: 6) with { Slots = slots };
        Assert.Equal(Monday.AddDays(5), new PrimerBeforeAMatch().Look(week).Single().Moves.Single().SuggestOn);
        Assert.Empty(new PrimerBeforeAMatch().Look(Weeks.Week("-----P-", matches: 6) with { Slots = slots }));
        Assert.Empty(new PrimerBeforeAMatch().Look(week with { PlaysLittle = true }));
        Assert.Empty(new PrimerBeforeAMatch().Look(week with { Slots = [Slot(4)] }));
        Assert.Empty(new PrimerBeforeAMatch().Look(week with { OpenFrom = Monday.AddDays(6) }));
        Assert.Empty(new PrimerBeforeAMatch().Look(Weeks.Week("-------", Weeks.School(("week.primer", 0)), matches: 6) with { Slots = slots }));

        // The day between two matches is for recovery.
        Assert.Empty(new PrimerBeforeAMatch().Look(Weeks.Week("-------", matches: [4, 6]) with { Slots = slots }));
        Assert.Single(new PrimerBeforeAMatch().Look(Weeks.Week("-------", matches: [3, 6]) with { Slots = slots }));
    }

    [Fact]
    public void The_day_after_a_match_is_theirs_who_did_not_play()
    {
        OpenSlot[] slots = [Slot(0)];
        var week = Weeks.Week("-------", matches: -1) with { Slots = slots, PlaysLittle = true };
        Assert.Equal(Monday, new TopUpAfterAMatch().Look(week).Single().Day);
        Assert.Empty(new TopUpAfterAMatch().Look(week with { PlaysLittle = false }));
        Assert.Empty(new TopUpAfterAMatch().Look(Weeks.Week("T------", matches: -1) with { Slots = slots, PlaysLittle = true }));
        Assert.Single(new TopUpAfterAMatch().Look(Weeks.Week("E------", matches: -1) with { Slots = slots, PlaysLittle = true }));
        Assert.Empty(new TopUpAfterAMatch().Look(Weeks.Week("-------", matches: [-1, 2]) with { Slots = slots, PlaysLittle = true }));
        Assert.Single(new TopUpAfterAMatch().Look(Weeks.Week("-------", matches: [-1, 3]) with { Slots = slots, PlaysLittle = true }));
        Assert.Empty(new TopUpAfterAMatch().Look(week with { Slots = [] }));
    }

    // After a match one day, before the next two: from four days on nothing hard fits between.
    [Theory]
    [InlineData(3, true)]
    [InlineData(4, true)]
    [InlineData(5, false)]
    public void Matches_close_together_are_said(int apart, bool crowded)
    {
        var week = Weeks.Week("-------", matches: [1, 1 + apart]);
        Assert.Equal(crowded, CrowdedWeek.IsCrowded(week));
        Assert.Equal(crowded, new CrowdedWeek().Look(week).Any());
        Assert.Empty(new CrowdedWeek().Look(week with { PlaysLittle = true }));
        Assert.False(CrowdedWeek.IsCrowded(week with { Matches = [.. week.Matches.Select(m => m with { Day = m.Day.AddDays(14) })] }));

        // It is as it is said: what breaks no rule on some day between exists from five days on.
        var numbers = week.Numbers;
        var fits = Enumerable.Range(2, apart - 1).Any(d => Weeks.Week(new string('-', d) + "S" + new string('-', Math.Max(0, 6 - d)), before: "-------", matches: [1, 1 + apart]) is var with && d < 7 && WeekRules.Broken(with.Grid(), numbers, d) is null);
        Assert.Equal(!crowded, fits);
    }

    [Fact]
    public void Each_thing_is_counted_in_days_and_set_against_the_school()
    {
        var week = Weeks.Week("-------");
        SeasonSession On(int day, bool done, params string[] things) => new(day + 1, Monday.AddDays(day), "x", Weeks.Dose(things: things), done);
        week = week with { Sessions = [On(0, true, "wall", "trunk", "bounds"), On(0, true, "wall"), On(2, false, "wall", "bounds"), On(4, false, "bounds", "assisted"), On(5, false, "assisted"), On(8, false, "wall")] };
        week = week with { Watched = [new(HowOften.Of("A-skip"), "A-skip") { Least = 2 }, new(HowOften.Of("wall hold"), "wall hold") { Most = 0 }] };
        var counts = HowOften.Count(week).ToDictionary(c => c.Thing.Key);
        Assert.Equal((2, 1, true, false), (counts["wall"].Planned, counts["wall"].Done, counts["wall"].IsTooFew, counts["wall"].IsTooMany));
        Assert.Equal((3, 1, false, true), (counts["bounds"].Planned, counts["bounds"].Done, counts["bounds"].IsTooFew, counts["bounds"].IsTooMany));
        Assert.Equal((0, 2.0, null, true), (counts[HowOften.Of("A-skip")].Planned, counts[HowOften.Of("A-skip")].Least, counts[HowOften.Of("A-skip")].Most, counts[HowOften.Of("A-skip")].IsTooFew));
        Assert.Equal((null, 0.0, false), (counts[HowOften.Of("wall hold")].Least, counts[HowOften.Of("wall hold")].Most, counts[HowOften.Of("wall hold")].IsTooMany));

        // Who was not there on Monday has done it a day less, and is planned for the rest.
        var absent = HowOften.Count(week, x => !x.IsDone).ToDictionary(c => c.Thing.Key);
        Assert.Equal((1, 0), (absent["wall"].Planned, absent["wall"].Done));
        Assert.Equal((2, 0), (absent["bounds"].Planned, absent["bounds"].Done));
        var findings = new OftenEnough().Look(week).Select(f => f.Said).ToList();
        Assert.Contains(findings, f => f.StartsWith("Less often than wished: acceleration 0 of 1", StringComparison.Ordinal) && f.Contains("wall drills 2 of 3", StringComparison.Ordinal) && f.Contains("trunk", StringComparison.Ordinal));
        Assert.Contains("Bounds and hops on 3 days, at most 2 wished", findings);
        Assert.Contains("Assisted running", string.Join('|', CoachingSchool.Numbers.Select(n => n.Label)), StringComparison.Ordinal);
        Assert.Contains("Assisted on 2 days, at most 1 wished", findings);
        Assert.Empty(new OftenEnough().Look(Weeks.Week("-------")));
    }

    [Theory]
    [InlineData("wall switch one 2 x 5 reps", "wall")]
    [InlineData("mini-hurdle run 2 x 1 pass", "hurdles")]
    [InlineData("A-skip 2 x 15 m", "upright")]
    [InlineData("speed bound 3 x 20 m", "bounds")]
    [InlineData("front plank 3 x 30 s", "trunk")]
    [InlineData("dead bug 2 x 8 reps each side", "trunk")]
    [InlineData("squat 3 x 5 reps 80% max", "lifts")]
    [InlineData("cut forty-five 2 x 8 + cut 45 + 8 m @80% each side", "turns")]
    [InlineData("4 x 10 m from standing", "starts")]
    [InlineData("4 x 20 m from standing", "starts")]
    [InlineData("4 x 40 m from standing", "topspeed")]
    [InlineData("4 x 30 build + 10 fly + 20 m slow @100%", "topspeed")]
    [InlineData("4 x 15 m sled strong push", "resisted")]
    [InlineData("4 x 20 m @75%", "")]
    public void What_is_done_decides_what_it_counts_as(string text, string thing)
    {
        var line = Shorthand.ShorthandLine.Read(text).Line!;
        var things = HowOften.ThingsOf(Demand.LineDemand.Of(line, Catalogue.ExerciseCatalogue.BuiltIn)).Where(t => !t.StartsWith("exercise:", StringComparison.Ordinal)).ToList();
        Assert.Equal(thing.Length == 0 ? [] : [thing], things);
    }

    [Fact]
    public void A_session_that_breaks_a_rule_is_offered_days_that_break_none()
    {
        // Friday's top speed, two days before Sunday's match: Tuesday and Wednesday are free of clashes, Thursday would be its neighbour... nothing else is planned.
        var week = Weeks.Week("----T--", before: "-------", matches: 6) with { Slots = [Slot(1), Slot(3), Slot(4)] };
        var moves = new NothingHardBeforeAMatch().Look(week).Single().Moves;
        Assert.Equal([("Move Friday T to Thursday", (DateOnly?)Monday.AddDays(3)), ("Move Friday T to Tuesday", Monday.AddDays(1))], moves.Select(m => (m.Label, m.To)));
        Assert.All(moves, m => Assert.Empty(new NothingHardBeforeAMatch().Look(week.With(week.Sessions.Single(), m.To))));

        // Pinned, done and past sessions are not moved; where no day is free it can go.
        Assert.Empty(new NothingHardBeforeAMatch().Look(week with { Sessions = [.. week.Sessions.Select(s => s with { IsPinned = true })] }).Single().Moves);
        Assert.Empty(new NothingHardBeforeAMatch().Look(week with { OpenFrom = Monday.AddDays(5) }).Single().Moves);
        var full = week with { Closed = [new(Monday, Monday.AddDays(3), "Camp", true)] };
        Assert.Equal(("Take Friday T out", true), new NothingHardBeforeAMatch().Look(full).Single().Moves.Select(m => (m.Label, m.TakesOut)).Single());

        // A day that would make a later one break a rule is not offered.
        var later = Weeks.Week("--S-T--", before: "-S-T---", matches: 6);
        Assert.Equal([Monday], new NothingHardBeforeAMatch().Look(later).Single().Moves.Select(m => m.To ?? default));
    }

    [Fact]
    public void Everything_is_judged_the_gravest_first()
    {
        var found = WeekRules.Judge(Weeks.Week("----TS-", matches: 6) with { Athletes = [Weeks.Athlete(1, -9)] });
        Assert.Equal(found.OrderBy(f => f.Severity).Select(f => f.Severity), found.Select(f => f.Severity));
        Assert.Contains(found, f => f.Rule == "clear");
        Assert.Contains(found, f => f.Rule == "apart");
        Assert.Contains(found, f => f.Rule == "due");
        Assert.Contains(found, f => f.Rule == "few");
        Assert.Equal(WeekRules.Days.Count, WeekRules.Days.Select(d => d.Key).Distinct().Count());
    }

    [Fact]
    public void Two_sessions_of_a_day_ask_together()
    {
        var both = Weeks.Of('S')! + Weeks.Of('R')!;
        Assert.Equal((180, true, true, false, 2), (both.HardMetres, both.HasStarts, both.HasResisted, both.ReachesTopSpeed, both.Sessions));
        Assert.Equal(["resisted", "starts"], both.Things.Order());
        Assert.Same(both, both + DayDose.None);
        Assert.Same(both, DayDose.None + both);
        Assert.True((Weeks.Of('E')! + Weeks.Of('H')!).HasHeavy);
        Assert.True((Weeks.Dose(10, assisted: true) + Weeks.Of('T')!).HasAssisted);
    }

    [Theory]
    [InlineData(new[] { -7, -14, -21, -28 }, new[] { 40, 20, 0, 60 }, 4, 30.0)]
    [InlineData(new[] { -7, -14, -21, -28 }, new[] { 40, 20, 0, 60 }, 2, 30.0)]
    [InlineData(new[] { -7, -14 }, new[] { 40, -1 }, 4, 20.0)]
    [InlineData(new int[0], new int[0], 4, null)]
    public void Playing_groups_follow_the_mean_of_the_last_matches(int[] days, int[] minutes, int most, double? mean)
    {
        var played = days.Zip(minutes).Where(p => p.Second >= 0).Select(p => new PlayedMatch(Monday.AddDays(p.First), p.Second));
        Assert.Equal(mean, PlayingTime.Mean(days.Select(d => Monday.AddDays(d)), played, Monday, most));
        Assert.Null(PlayingTime.Mean(days.Select(d => Monday.AddDays(d)), played, Monday.AddDays(-28), most));
        Assert.True(PlayingTime.PlaysMuch(30, 30));
        Assert.False(PlayingTime.PlaysMuch(29.9, 30));
    }

    [Theory]
    [InlineData("v Saltbridge", EntryKind.Match)]
    [InlineData("Northquay vs. Tidemoor", EntryKind.Match)]
    [InlineData("Cup final", EntryKind.Match)]
    [InlineData("@ Brackwater", EntryKind.Match)]
    [InlineData("Game 3", EntryKind.Match)]
    [InlineData("Match training", EntryKind.Other)]
    [InlineData("Team meeting", EntryKind.Other)]
    [InlineData("School exams", EntryKind.Exam)]
    [InlineData("Summer camp", EntryKind.Camp)]
    [InlineData("Winter holidays", EntryKind.Off)]
    [InlineData("Hall closed", EntryKind.Off)]
    [InlineData("Birthday of the president", EntryKind.Other)]
    [InlineData("", EntryKind.Other)]
    public void A_title_tells_what_it_likely_is(string title, EntryKind kind) => Assert.Equal(kind, CalendarWords.KindOf(title));

    [Theory]
    [InlineData("Tidemoor (A)", true, 2)]
    [InlineData("at Saltbridge", true, 2)]
    [InlineData("Cup v Saltbridge", false, 3)]
    [InlineData("Friendly v Saltbridge", false, 1)]
    [InlineData("That match", false, 2)]
    public void A_title_tells_where_and_how_much_it_weighs(string title, bool away, int importance)
    {
        Assert.Equal(away, CalendarWords.IsAway(title));
        Assert.Equal(importance, CalendarWords.ImportanceOf(title));
    }

    [Fact]
    public void The_clock_follows_the_coach_s_word_on_a_match_and_the_school_s_days()
    {
        var today = Monday;
        Assert.True(TopSpeedClock.On(today.AddDays(-7), today.AddDays(-8), today.AddDays(-3), today) is { IsByWord: true, IsEstimated: false, DaysSince: 3, IsDue: false, DaysOver: 0 });
        Assert.True(TopSpeedClock.On(today.AddDays(-7), null, today.AddDays(-9), today) is { IsByWord: false, IsDue: true, DaysOver: 1 });
        Assert.True(TopSpeedClock.On(null, today.AddDays(-2), today.AddDays(-2), today) is { IsByWord: false, IsEstimated: true });
        Assert.True(TopSpeedClock.On(today.AddDays(-7), null, null, today, 8) is { IsDue: false });
        Assert.True(TopSpeedClock.On(today.AddDays(-8), null, null, today, 8) is { IsDue: true, DaysOver: 0 });
    }
}
