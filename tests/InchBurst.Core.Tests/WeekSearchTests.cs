using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.School;
using InchBurst.Core.Season;

namespace InchBurst.Core.Tests;

/// <summary>The suggested week against trying everything, and over a season.</summary>
public class WeekSearchTests
{
    private static readonly DateOnly Monday = Weeks.Monday;

    private sealed record Case(GroupWeek Week, IReadOnlyList<SeasonSession> Movable, IReadOnlyList<IReadOnlyList<WeekOption>> Options, IReadOnlyList<string?> Planned);

    private static Case Random(int seed)
    {
        var random = new Random(seed);
        var school = random.Next(3) == 0 ? CoachingSchool.BuiltIn[random.Next(CoachingSchool.BuiltIn.Count)]
            : Weeks.School(("week.apart", 24 * random.Next(4)), ("week.backtoback", random.Next(2)), ("week.topspeed", random.Next(1, 4)), ("week.sessions", random.Next(1, 5)), ("week.clear", random.Next(3)), ("week.wish.resisted", random.Next(2)), ("week.wish.days", random.Next(4)), ("week.growth", 1 + (random.NextDouble() / 2)), ("week.every", random.Next(3, 8)), ("week.after", random.Next(3)));
        var letters = "TSRHPE---";
        string Days() => new([.. Enumerable.Range(0, 7).Select(_ => letters[random.Next(letters.Length)])]);
        var week = Weeks.Week("-------", school, before: Days(), matches: [.. Enumerable.Range(-7, 18).Where(_ => random.Next(6) == 0)]);
        var open = Enumerable.Range(0, 7).Select(_ => random.Next(5) < 3).ToList();
        var staying = Weeks.Sessions(new([.. Days().Select((l, d) => open[d] || random.Next(3) > 0 ? '-' : l)]), Monday, 40).Select(s => s with { IsPinned = true }).ToList();
        var next = Weeks.Sessions(Days()[..3], Monday.AddDays(7), 60);
        var people = 1 + random.Next(6);

        // Some sessions take some to top speed and not others.
        SeasonSession Apart(SeasonSession s) => random.Next(3) > 0 ? s : s.Dose.ReachesTopSpeed
            ? s with { Missed = [.. Enumerable.Range(1, people).Where(_ => random.Next(3) == 0).Select(i => $"Athlete {i}")] }
            : s with { Only = [.. Enumerable.Range(1, people).Where(_ => random.Next(3) == 0).Select(i => $"Athlete {i}")] };
        var sessions = Enumerable.Range(0, 7).Select(d => open[d] && random.Next(4) == 0 ? Apart(new SeasonSession(70 + d, Monday.AddDays(d), $"planned {d}", Weeks.Of("TSRP"[random.Next(4)])!)) : null).ToList();
        week = week with
        {
            // The last days of the week before may still be ahead.
            OpenFrom = Monday.AddDays(-random.Next(4)),
            Sessions = [.. week.Sessions.Select(s => s.Day >= Monday.AddDays(-3) ? Apart(s with { IsDone = random.Next(2) == 0 }) : s), .. staying.Select(Apart), .. next],
            Aim = random.Next(3) == 0 ? new("Build", random.Next(6) * 100, random.Next(2) * 20) : null,
            Athletes = [.. Enumerable.Range(1, people).Select(i => Weeks.Athlete(i, random.Next(8) == 0 ? null : -1 - random.Next(9), random.Next(7) == 0 ? 14 : 20, random.Next(6) > 0))],
            PlaysLittle = random.Next(2) == 0,
            Closed = random.Next(4) == 0 ? [new(Monday.AddDays(random.Next(7)), Monday.AddDays(6), "Exams", random.Next(2) == 0)] : [],
        };
        var planned = sessions.Select(s => s is null ? null : new WeekOption(WeekMaker.KeyOf(s), s.Name, week.DoseOf(s)) { IsOnce = true }).ToList();
        WeekOption[] make = [new("T", "T", Weeks.Of('T')!), new("t", "t", Weeks.Dose(45, top: true)), new("S", "S", Weeks.Of('S')!), new("R", "R", Weeks.Of('R')!), new("P", "P", Weeks.Of('P')!)];
        var movable = planned.OfType<WeekOption>().ToList();
        return new(week, [.. sessions.OfType<SeasonSession>()], [.. open.Select(o => o ? (IReadOnlyList<WeekOption>)[WeekOption.Off, .. movable, .. make.Take(2 + random.Next(4))] : [])], [.. open.Select((o, d) => o ? planned[d]?.Key ?? "" : null)]);
    }

    // Every way to fill the open days, judged as a whole by rules and score alone.
    private static int? Best(Case of)
    {
        var (grid, numbers) = (of.Week.Grid(), of.Week.Numbers);
        var open = Enumerable.Range(0, 7).Where(d => of.Options[d].Count > 0).ToList();
        foreach (var day in open)
        {
            grid[day] = DayDose.None;
        }

        // What is broken with nothing chosen is not the suggestion's fault.
        var staying = Enumerable.Range(0, 6 + Math.Max(2, numbers.ApartDays)).Where(d => !open.Contains(d) && grid[d].Sessions > 0 && WeekRules.Broken(grid, numbers, d) is null).ToList();
        var keys = new string?[7];
        int? best = null;
        void Fill(int at)
        {
            if (at < open.Count)
            {
                foreach (var option in of.Options[open[at]])
                {
                    (grid[open[at]], keys[open[at]]) = (option.Dose, option.Key);
                    Fill(at + 1);
                }

                return;
            }

            var once = keys.Where(k => k is not null && k.StartsWith("keep:", StringComparison.Ordinal)).ToList();
            if (once.Distinct().Count() == once.Count && open.Concat(staying).All(d => WeekRules.Broken(grid, numbers, d) is null))
            {
                var total = WeekScore.Of(grid, numbers, of.Planned, keys).Total;
                best = best is null ? total : Math.Min(best.Value, total);
            }
        }

        Fill(0);
        return best;
    }

    [Fact]
    public void No_better_week_exists_among_all_there_are()
    {
        var (found, empty) = (0, 0);
        for (var seed = 0; seed < 500; seed++)
        {
            var of = Random(seed);
            if (of.Options.Where(o => o.Count > 0).Aggregate(1.0, (n, o) => n * o.Count) > 60_000)
            {
                of = of with { Options = [.. of.Options.Select((o, d) => d > 3 && o.Count > 2 ? [.. o.Take(2)] : o)] };
            }

            var week = WeekSearch.Find(of.Week, of.Options, of.Planned);
            Assert.Equal(Best(of), week?.Score.Total);
            if (week is null)
            {
                empty++;
                continue;
            }

            // What was found is what it is said to cost, and keeps every rule on every day that was chosen.
            found++;
            var grid = of.Week.Grid();
            for (var d = 0; d < 7; d++)
            {
                Assert.Equal(of.Options[d].Count > 0, week.Chosen[d] is not null);
                grid[d] = week.Chosen[d]?.Dose ?? grid[d];
            }

            Assert.All(Enumerable.Range(0, 7).Where(d => week.Chosen[d] is not null), d => Assert.Null(WeekRules.Broken(grid, of.Week.Numbers, d)));
            // Days over the limit as the athletes' own lines tell them.
            var filled = of.Week with
            {
                Sessions = [.. of.Week.Sessions, .. week.Chosen.Select((c, d) => c is null || c == WeekOption.Off ? null : (of.Movable.FirstOrDefault(s => WeekMaker.KeyOf(s) == c.Key) ?? new(0, default, c.Name, c.Dose)) with { Day = Monday.AddDays(d) }).OfType<SeasonSession>()],
            };
            Assert.Equal(Enumerable.Range(0, grid.AheadTo).Sum(d => filled.OverdueOn(Monday.AddDays(d)).Count()) * WeekScore.OverdueDay, week.Score.Overdue);
            Assert.Equal(week.Score, WeekScore.Of(grid, of.Week.Numbers, of.Planned, [.. week.Chosen.Select(c => c?.Key)]));
        }

        Assert.True(found > 450, $"{found} found, {empty} without");
    }

    [Fact]
    public void A_day_for_some_counts_for_those_and_together_with_another_for_all_of_both()
    {
        var week = Weeks.Week("-------") with { Athletes = [Weeks.Athlete(1, -9), Weeks.Athlete(2, -9), Weeks.Athlete(3, -9)] };
        var mixed = week.DoseOf(new(1, Monday, "Starts", Weeks.Of('S')!) { Only = ["Athlete 2"] });
        Assert.Equal([2], mixed.Reachers!);
        Assert.Equal([false, true, false], new[] { 1, 2, 3 }.Select(mixed.Takes));
        var most = week.DoseOf(new(2, Monday, "Flies", Weeks.Of('T')!) { Missed = ["Athlete 2"] });
        Assert.Equal([1, 3], most.Reachers!.Order());
        Assert.Equal([1, 2, 3], (mixed + most).Reachers!.Order());
        Assert.Equal([2], (mixed + Weeks.Of('R')!).Reachers!);
        Assert.Null((mixed + Weeks.Of('T')!).Reachers);
        Assert.Null((Weeks.Of('T')! + most).Reachers);
        Assert.Null((Weeks.Of('S')! + Weeks.Of('R')!).Reachers);

        // Two of three wait on; the days after that too.
        var planned = week with { Sessions = [.. week.Sessions, new(1, Monday, "Starts", Weeks.Of('S')!) { Only = ["Athlete 2"] }] };
        Assert.Equal([1, 3], planned.OverdueOn(Monday).Select(a => a.Id));
        var score = WeekScore.Of(planned.Grid(), planned.Numbers, new string?[7], new string?[7]);
        Assert.Equal(WeekScore.OverdueDay * Enumerable.Range(0, planned.Grid().AheadTo).Sum(d => planned.OverdueOn(Monday.AddDays(d)).Count()), score.Overdue);
        Assert.True(score.Overdue < WeekScore.Of(week.Grid(), week.Numbers, new string?[7], new string?[7]).Overdue);
    }

    [Fact]
    public void A_phase_says_the_metres_of_a_week_and_how_its_sled_slows()
    {
        var week = Weeks.Week("-------", before: "-S-T-R-") with { Slots = [.. new[] { 0, 1, 3, 4 }.Select(d => Slot(Monday.AddDays(d), 75))] };
        double Metres(WeekSuggestion of) => of.Days.Sum(d => d.Chosen?.Dose.Volume.SprintMetres ?? 0);
        var little = WeekMaker.Suggest(week with { Aim = new("Two a week", 150) }, Wish(CoachingSchool.Usual))!;
        var much = WeekMaker.Suggest(week with { Aim = new("Build", 700) }, Wish(CoachingSchool.Usual))!;
        Assert.True(Metres(little) < Metres(much), $"{Metres(little)} against {Metres(much)}");
        Assert.Equal((int)(Math.Abs(Metres(much) - 700) / WeekScore.MetresForOne), much.Score.Metres);
        Assert.Equal((int)(Math.Abs(Metres(little) - 150) / WeekScore.MetresForOne), little.Score.Metres);
        Assert.Contains(little.Days.SelectMany(d => d.WhyNot.Append(d.Why)), w => w.EndsWith("what Two a week asks", StringComparison.Ordinal));

        // A phase that pulls wishes a day of pulling, at its load, with its drill and its room to stop.
        week = week with { School = Weeks.School(("week.wish.resisted", 0)) };
        Assert.Equal((0, 1), (week.Numbers.WishResisted, (week with { Aim = new("Push", 0, 30) }).Numbers.WishResisted));
        Assert.DoesNotContain(WeekMaker.Suggest(week, Wish(week.School))!.Days, d => d.Chosen is { Dose.HasResisted: true });
        var pulls = WeekMaker.Suggest(week with { Aim = new("Push", 400, 30, 8, "A-march") }, Wish(week.School))!;
        var day = pulls.Days.First(d => d.Chosen is { Dose.HasResisted: true });
        Assert.Contains(day.Session!.Plan.Lines, l => l.Load is { Kind: Plan.LoadKind.Sled, Unit: Plan.LoadUnit.PercentSpeed, Amount: < 0 });
        Assert.Contains(day.Session.Plan.Lines, l => l.Exercise == "A-march");
    }

    private static OpenSlot Slot(DateOnly day, int minutes = 60, int lanes = 4) => new(day, new(18, 0), minutes, "Hall", lanes, 60, 20);

    private static WeekWish Wish(CoachingSchool school, int athletes = 8) => new(slot => new ClockSetting(athletes, slot.Lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, 0, null, school));

    [Fact]
    public void A_week_is_filled_and_says_why()
    {
        var week = Weeks.Week("-------", before: "-S-T-R-", matches: [-1, 6]) with { Slots = [Slot(Monday), Slot(Monday.AddDays(1)), Slot(Monday.AddDays(3)), Slot(Monday.AddDays(5), 40)] };
        var made = WeekMaker.Suggest(week, Wish(CoachingSchool.Usual))!;
        var day = made.Days.ToDictionary(d => d.Day.DayNumber - Monday.DayNumber);

        // Monday is the day after, Saturday the day before; Tuesday and Thursday take what the school wishes.
        Assert.Equal(WeekOption.Off, day[0].Chosen);
        Assert.Contains(day[0].WhyNot, w => w.Contains("1 day after the match", StringComparison.Ordinal));
        Assert.Equal("Primer", day[5].Chosen!.Name);
        Assert.StartsWith("1 day to the match, the day asks for it", day[5].Why, StringComparison.Ordinal);
        Assert.Contains(day[5].WhyNot, w => w.StartsWith("Top speed: 1 day before the match", StringComparison.Ordinal));
        Assert.True(day[1].Chosen!.Dose.IsHard && day[3].Chosen!.Dose.IsHard, string.Join(", ", made.Days.Select(d => d.Chosen?.Name)) + made.Score);
        Assert.Contains(made.Days, d => d.Chosen is { Dose.ReachesTopSpeed: true });
        Assert.Null(day[2].Chosen);
        Assert.Equal("no time and place; 4 days to the match", day[2].Why);
        Assert.Equal(0, made.Score.Overdue);
        Assert.All(made.Days.Where(d => d.Session is not null), d => Assert.True(d.Session!.Seconds <= d.Slot!.Minutes * 60));
        Assert.Equal(0, made.Score.Match);
    }

    [Fact]
    public void What_is_pinned_or_done_stays_and_a_moved_match_changes_little()
    {
        var slots = Enumerable.Range(0, 6).Select(d => Slot(Monday.AddDays(d))).ToList();
        var week = Weeks.Week("-S-T-P-", before: "-S-T---", matches: 6) with { Slots = slots };
        var same = WeekMaker.Suggest(week, Wish(CoachingSchool.Usual))!;
        Assert.Equal(0, same.Score.Changes);

        // The match moves to Saturday: Thursday's top speed is in its last two days, and the primer on match day.
        var moved = WeekMaker.Suggest(week with { Matches = [week.Matches[0] with { Day = Monday.AddDays(5) }] }, Wish(CoachingSchool.Usual))!;
        Assert.Equal(3 * WeekScore.Moved, moved.Score.Changes);
        Assert.Equal(["keep:2", "keep:4", "keep:6"], new[] { 0, 2, 4 }.Select(d => moved.Days[d].Chosen!.Key));
        Assert.DoesNotContain(moved.Days.Where(d => d.Day >= Monday.AddDays(3)), d => d.Chosen is { } c && c.Dose.IsHard && !c.Dose.IsPrimer(60));

        var pinned = WeekMaker.Suggest(week with { Sessions = [.. week.Sessions.Select(s => s.Day == Monday.AddDays(3) ? s with { IsPinned = true } : s)] }, Wish(CoachingSchool.Usual))!;
        Assert.Null(pinned.Days[3].Chosen);
        Assert.Equal("pinned: it stays", pinned.Days[3].Why);
        var late = WeekMaker.Suggest(week with { OpenFrom = Monday.AddDays(2), Sessions = [.. week.Sessions.Select(s => s.Day == Monday.AddDays(1) ? s with { IsDone = true } : s)] }, Wish(CoachingSchool.Usual))!;
        Assert.Equal(["past", "done"], late.Days.Take(2).Select(d => d.Why));
    }

    [Fact]
    public void The_shelf_is_among_the_choices_scaled_to_the_time()
    {
        var plan = Shorthand.PlanText.Read("raise 15 min @45%\nbuild-up 3 x 20 m @70,80,85% rest walk-back\n6 x 20 m from standing rest 2:00\n3 x 20 build + 10 fly + 20 m slow @100% rest 4:00\n4 x 15 m sled keep movement rest 2:00\nstick the stop 2 x 15 m @80% rest walk-back\ncool-down 5 min", Shorthand.ShorthandContext.Metric).Plan;
        var school = Weeks.School(("week.sessions", 1), ("week.wish.days", 1), ("warmup.least", 10), ("week.growth", 3));
        var week = Weeks.Week("-------", school, before: "-SRT-S-") with { Slots = [Slot(Monday.AddDays(2), 75)] };
        var made = WeekMaker.Suggest(week, Wish(school) with { Shelf = [new("All in one", plan)] })!;
        Assert.Equal("All in one", made.Days[2].Chosen!.Name);
        var tight = WeekMaker.Suggest(week with { Slots = [Slot(Monday.AddDays(2), 45)] }, Wish(school) with { Shelf = [new("All in one", plan)] })!;
        Assert.True(tight.Days[2].Session is not { Name: "All in one" } s || (s.Seconds <= 45 * 60.0 + 1 && s.GivesUp.Length > 0));
    }

    [Fact]
    public void Over_forty_weeks_nobody_healthy_waits_longer_than_six_days_and_nothing_is_hard_before_a_match()
    {
        // The demo's squad and places: 8 who play, 6 who do not, a match most Sundays, a congested fortnight, a break.
        var random = new Random(5);
        var lines = new List<string> { "week  matches  high minutes         low minutes          longest gap of those healthy" };
        var history = Enumerable.Range(0, 2).Select(_ => Enumerable.Range(1, 4).SelectMany(w => Weeks.Sessions("-S-T-R-", Monday.AddDays(-7 * w)).Select(x => x with { IsDone = true })).ToList()).ToArray();
        var last = Enumerable.Range(0, 14).Select(i => (DateOnly?)Monday.AddDays(-3)).ToArray();
        var matches = Enumerable.Range(0, 41).SelectMany(w => w is 12 or 13 or 25 ? new[] { (7 * w) + 2, (7 * w) + 6 } : w is 20 ? [] : [(7 * w) + 6]).Select((d, i) => new SeasonMatch(i, Monday.AddDays(d), null, "v")).ToList();
        var crowded = new HashSet<DateOnly>();
        var worst = 0;
        for (var w = 0; w < 40; w++)
        {
            var monday = Monday.AddDays(7 * w);
            var names = new List<string>();
            var gap = 0;
            for (var g = 0; g < 2; g++)
            {
                var people = Enumerable.Range(g == 0 ? 0 : 8, g == 0 ? 8 : 6).ToList();
                var week = new GroupWeek(g == 0 ? "High" : "Low", monday, CoachingSchool.Usual)
                {
                    Sessions = [.. history[g].Where(s => s.Day >= monday.AddDays(-35))],
                    Matches = [.. matches.Where(m => m.Day >= monday.AddDays(-35) && m.Day <= monday.AddDays(20))],
                    Athletes = [.. people.Select(p => new SeasonAthlete(p, $"A{p}", last[p], (p + w) % 11 != 0, 22))],
                    Slots = [Slot(monday, 45, 2), Slot(monday.AddDays(1), 60, 2), Slot(monday.AddDays(3), 60), Slot(monday.AddDays(4), 45, 2), Slot(monday.AddDays(5), 40, 2)],
                    PlaysLittle = g == 1,
                    OpenFrom = monday,
                };
                var made = WeekMaker.Suggest(week, Wish(CoachingSchool.Usual, people.Count))!;
                foreach (var day in made.Days.Where(d => d.Chosen is { Dose.Sessions: > 0 }))
                {
                    history[g].Add(new SeasonSession(0, day.Day, day.Chosen!.Name, day.Chosen.Dose, true));
                    var to = week.DaysToMatch(day.Day) ?? 99;
                    Assert.False(to <= 2 && day.Chosen.Dose.IsHard && !day.Chosen.Dose.IsPrimer(60), $"week {w}: {day.Chosen.Name} {to} days before");
                }

                for (var d = monday; d <= monday.AddDays(6); d = d.AddDays(1))
                {
                    foreach (var p in people.Where(p => week.Athletes.Single(a => a.Id == p).IsHealthy))
                    {
                        last[p] = history[g].Any(s => s.Day == d && s.Dose.ReachesTopSpeed) ? d : last[p];
                        var since = d.DayNumber - last[p]!.Value.DayNumber;

                        // Who was hurt starts anew when the clinician says so.
                        var wasHurt = Enumerable.Range(0, 3).Any(back => (p + w - back) % 11 == 0);
                        gap = wasHurt ? gap : Math.Max(gap, since);
                        var isCrowded = g == 0 && (CrowdedWeek.IsCrowded(week) || matches.Any(m => m.Day >= monday.AddDays(-7) && m.Day < monday && m.Day.DayOfWeek == DayOfWeek.Wednesday));
                        Assert.True(since <= 6 || wasHurt || isCrowded, $"week {w}, {d.DayOfWeek}: A{p} of {week.Name} waits {since} days: {string.Join(", ", made.Days.Select(x => x.Chosen?.Name ?? "-"))}");
                        worst = wasHurt || isCrowded ? worst : Math.Max(worst, since);
                    }
                }

                names.Add(string.Join(" ", made.Days.Select(x => x.Chosen is { Dose.Sessions: > 0 } c ? (c.Key.StartsWith("Push", StringComparison.Ordinal) ? "R" : c.Name[..1]) + (c.Name.Contains("and", StringComparison.Ordinal) ? "+" : "") + (c.Name.Contains("small", StringComparison.Ordinal) ? "'" : "") : "-")));
            }

            lines.Add($"{w + 1,4}  {matches.Count(m => m.Day >= monday && m.Day <= monday.AddDays(6)),7}  {names[0],-20} {names[1],-20} {gap,11}");
        }

        TestContext.Current.TestOutputHelper?.WriteLine(string.Join('\n', lines));
        Assert.Equal(6, worst);
    }
}
