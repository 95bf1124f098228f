using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Weeks added up: what was done, how it splits, phases, an athlete's season at top speed.</summary>
public class SeasonSumTests
{
    private static readonly DateOnly Monday = Weeks.Monday;

    [Fact]
    public void A_line_with_logged_runs_counts_by_their_share_and_one_without_as_written()
    {
        var plan = PlanText.Read("Build-ups:\nbuild-up 3 x 20 m @75,80,85% rest walk-back\n\nSprints, 2 rounds, rest 2:00:\n4 x 30 m from standing rest 2:00\n\nCool-down:\ncool-down 5 min", ShorthandContext.Metric).Plan;
        var sprint = plan.Lines.Single(l => l.TotalReps == 4).Id;
        (double Sprint, double Hard) Of(int present, int runs)
        {
            var (metres, volume) = DoneDose.Of(plan, DemandAthlete.Usual, ExerciseCatalogue.BuiltIn, present, l => l == sprint ? runs : 0);
            Assert.Equal(metres.Values.Sum(), volume.SprintMetres, 6);
            return (volume.SprintMetres, volume.FullMetres);
        }

        // 60 m of build-ups as written; 2 rounds of 4 runs of 30 m are 240 m for each of ten.
        Assert.Equal((300, 240), Of(10, 80));
        Assert.Equal((180, 120), Of(10, 40));
        Assert.Equal((300, 240), Of(10, 200));
        Assert.Equal((300, 240), Of(10, 0));
        Assert.Equal((0, 0), Of(0, 0));
    }

    [Fact]
    public void Metres_split_as_the_school_splits_them()
    {
        var volume = new LineVolume(1000, 1000, 0, 0, 0, 0) { LightMetres = 160, HeavyMetres = 20, AssistedMetres = 10, TurnMetres = 210, JumpContacts = 190 };
        var parts = SplitPart.Of(volume, 1, CoachingSchool.Usual).ToDictionary(p => p.Name);
        Assert.Equal([60.0, 16, 2, 1, 21], new[] { "Free", "Light", "Heavy", "Assisted", "Turns" }.Select(n => Math.Round(parts[n].SharePercent!.Value, 6)));
        Assert.Equal(72, parts["Free"].Wished);
        Assert.Equal(["Free", "Jump contacts a week", "Turns"], parts.Values.Where(p => p.IsApart).Select(p => p.Name).Order());

        // Ten points are not apart, more are; contacts from half to half as many again are not.
        Assert.False((parts["Turns"] with { SharePercent = 20 }).IsApart);
        Assert.True((parts["Turns"] with { SharePercent = 20.1 }).IsApart);
        Assert.False(SplitPart.Of(volume with { JumpContacts = 360 }, 2, CoachingSchool.Usual)[^1].IsApart);
        Assert.True(SplitPart.Of(volume with { JumpContacts = 362 }, 2, CoachingSchool.Usual)[^1].IsApart);
        Assert.False(SplitPart.Of(volume with { JumpContacts = 120 }, 2, CoachingSchool.Usual)[^1].IsApart);
        Assert.True(SplitPart.Of(volume with { JumpContacts = 118 }, 2, CoachingSchool.Usual)[^1].IsApart);
        Assert.All(SplitPart.Of(default, 0, CoachingSchool.Usual), p => Assert.True(double.IsFinite(p.Amount) && p.SharePercent is null or >= 0));
    }

    [Fact]
    public void A_share_of_a_volume_takes_everything_along()
    {
        var volume = new LineVolume(100, 80, 30, 7, 40, 20) { TurnMetres = 10, LightMetres = 20, HeavyMetres = 4, AssistedMetres = 6, BoundMetres = 12, FullMetres = 50, JumpContacts = 60 };
        Assert.Equal(new LineVolume(50, 40, 15, 4, 20, 10) { TurnMetres = 5, LightMetres = 10, HeavyMetres = 2, AssistedMetres = 3, BoundMetres = 6, FullMetres = 25, JumpContacts = 30 }, volume * 0.5);
        Assert.Equal(volume, volume * 1);
        Assert.Equal(volume, (volume * 0) + volume);
    }

    [Theory]
    [InlineData(-1, null, 0.0, 0.0)]
    [InlineData(0, 300.0, 30.0, 20.0)]
    [InlineData(6, 300.0, 30.0, 20.0)]
    [InlineData(7, 400.0, 20.0, 15.0)]
    [InlineData(14, 500.0, 10.0, 10.0)]
    [InlineData(20, 500.0, 10.0, 10.0)]
    [InlineData(21, null, 0.0, 0.0)]
    public void A_phase_goes_evenly_from_its_first_week_to_its_last(int day, double? metres, double load, double stop)
    {
        var phase = new Phase("Build", "", Monday, Monday.AddDays(20), 300, 500, 30, 10, 20, 10);
        Assert.Equal(3, phase.Weeks);
        Assert.Equal(metres is { } m ? (m, load, stop) : null, phase.At(Monday.AddDays(day)));
        Assert.Equal((300, 30, 20), (phase with { To = Monday.AddDays(3) }).At(Monday.AddDays(2)));
        Assert.Equal(1, (phase with { To = Monday }).Weeks);
    }

    [Theory]
    [InlineData(390, 300, "")]
    [InlineData(391, 300, "1.3 times")]
    [InlineData(300, 0, "")]
    public void Phases_follow_one_another_without_a_jump(double first, double before, string word)
    {
        var found = PhaseChecks.Judge([new("Next", "", Monday.AddDays(14), Monday.AddDays(27), first, first), new("Before", "", Monday, Monday.AddDays(13), before, before)]);
        Assert.Equal(word.Length > 0 ? 1 : 0, found.Count);
        Assert.All(found, f => Assert.Contains(word, f, StringComparison.Ordinal));
    }

    [Fact]
    public void Phases_grow_slowly_get_lighter_and_stop_shorter()
    {
        static IReadOnlyList<string> One(Phase p) => PhaseChecks.Judge([p]);
        Phase Of(double first, double last, int weeks = 3) => new("Build", "", Monday, Monday.AddDays((7 * weeks) - 1), first, last);
        Assert.Empty(One(Of(300, 480)));
        Assert.Contains("grows 31% a week", One(Of(300, 486)).Single(), StringComparison.Ordinal);
        Assert.Empty(One(Of(300, 900, 1)));
        Assert.Empty(One(Of(0, 900)));
        Assert.Empty(One(Of(500, 300)));
        Assert.Contains("from light to heavy", One(Of(1, 1) with { LoadFirst = 10, LoadLast = 11 }).Single(), StringComparison.Ordinal);
        Assert.Empty(One(Of(1, 1) with { LoadFirst = 10, LoadLast = 10, StopFirst = 20, StopLast = 20 }));
        Assert.Contains("more room to stop", One(Of(1, 1) with { StopFirst = 10, StopLast = 15 }).Single(), StringComparison.Ordinal);
        Assert.Equal("Second begins before First ends", PhaseChecks.Judge([new("First", "", Monday, Monday.AddDays(7), 1, 1), new("Second", "", Monday.AddDays(7), Monday.AddDays(9), 1, 1)]).Single());
        Assert.Empty(PhaseChecks.Judge([new("First", "", Monday, Monday.AddDays(6), 1, 1), new("Second", "", Monday.AddDays(7), Monday.AddDays(9), 1, 1)]));
    }

    [Fact]
    public void Drills_of_a_phase_come_in_their_order_and_never_go_back_to_an_easier_one()
    {
        var phase = new Phase("Build", "", Monday, Monday.AddDays(41), 1, 1) { Drills = ["A-march", "A-skip", "A-run"] };
        Assert.Equal(["A-march", "A-march", "A-skip", "A-skip", "A-run", "A-run"], Enumerable.Range(0, 6).Select(w => phase.DrillAt(Monday.AddDays((7 * w) + 3))));
        Assert.Null(phase.DrillAt(Monday.AddDays(-1)));
        Assert.Null(phase.DrillAt(Monday.AddDays(42)));
        Assert.Null((phase with { Drills = [] }).DrillAt(Monday));
        Assert.Equal("A-run", (phase with { To = Monday.AddDays(6), Drills = ["A-run"] }).DrillAt(Monday.AddDays(6)));
        Assert.Empty(PhaseChecks.Judge([phase], ExerciseCatalogue.BuiltIn));
        var easier = ExerciseCatalogue.BuiltIn.All.First(e => e.Harder is not null);
        Assert.Contains($"from {easier.Harder} back to {easier.Name}", PhaseChecks.Judge([phase with { Drills = [easier.Harder!, easier.Name] }], ExerciseCatalogue.BuiltIn).Single(), StringComparison.Ordinal);
        Assert.Equal("“Moon walk” of Build is not among your drills", PhaseChecks.Judge([phase with { Drills = ["Moon walk"] }], ExerciseCatalogue.BuiltIn).Single());
        Assert.Empty(PhaseChecks.Judge([phase with { Drills = ["Moon walk"] }]));
    }

    [Fact]
    public void A_week_stands_against_the_mean_of_the_month_before_it_if_there_was_one()
    {
        var means = MonthMean.Of([200, 300, 100, 200, 260, 0, 400, 500, 500, 500]);
        Assert.All(means.Take(4), m => Assert.Null(m.Usual));
        Assert.Equal((200, 1.3), (means[4].Usual!.Value, means[4].Share!.Value));
        Assert.False(means[4].IsOver);
        Assert.Equal((double?)0, means[5].Share);

        // A month with a week of nothing is none.
        Assert.All(means.Skip(6), m => Assert.Equal(default, m));
        Assert.True(MonthMean.Of([100, 100, 100, 100, 131])[4].IsOver);
    }

    [Fact]
    public void A_phase_asks_of_a_week_what_lies_between_its_ends()
    {
        var phase = new Phase("Build", "", Monday, Monday.AddDays(20), 300, 500, 30, 10, 20, 10) { Drills = ["A-march", "A-skip", "A-run"] };
        Assert.Equal(new PhaseAim("Build", 400, 20, 15, "A-skip"), phase.AimAt(Monday.AddDays(9)));
        Assert.Null(phase.AimAt(Monday.AddDays(21)));
        Assert.Null(phase.AimAt(Monday.AddDays(-1)));
    }

    [Fact]
    public void An_athlete_s_season_counts_times_cover_and_the_longest_wait()
    {
        // Day 0, 4, 14; today is day 20: gaps of 4, 10 and 6, of which 4 + 6 + 6 of 20 days are covered.
        var e = SeasonExposure.Of([Monday.AddDays(14), Monday, Monday.AddDays(4), Monday.AddDays(4), Monday.AddDays(30)], Monday.AddDays(20), 6);
        Assert.Equal((3, 80.0, 10), (e.Times, e.CoveredPercent, e.LongestDays));
        Assert.Equal((0, 0.0, 0), SeasonExposure.Of([], Monday, 6) is var none ? (none.Times, none.CoveredPercent, none.LongestDays) : default);
        Assert.Equal((1, 0), SeasonExposure.Of([Monday], Monday, 6) is var one ? (one.Times, one.LongestDays) : default);
    }
}
