using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Suggested sessions fit their time and pass the checks.</summary>
public class SessionMakerTests
{
    private static ClockSetting Setting(CoachingSchool school, int athletes = 8, int lanes = 2, SprintCurve? pace = null) => new(athletes, lanes, pace ?? DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, 0, null, school);

    private static IReadOnlyList<Finding> Judge(SessionPlan plan, SessionWish wish) =>
        PlanChecks.Judge(new(plan, SessionClock.Lay(plan, wish.Setting), wish.Minutes * 60, wish.StraightMetres, wish.RunOutMetres, [], ExerciseCatalogue.BuiltIn) { School = wish.Setting.School!, Setting = wish.Setting, Cue = "tall", Athletes = wish.Athletes });

    [Fact]
    public void Whatever_is_wished_what_is_made_fits_and_passes_the_checks()
    {
        var made = 0;
        foreach (var school in CoachingSchool.BuiltIn)
        {
            var random = new Random(school.Name.Length);
            for (var i = 0; i < 30; i++)
            {
                var aims = Enum.GetValues<SessionAim>().OrderBy(_ => random.Next()).Take(1 + random.Next(2)).ToList();
                var wish = new SessionWish(aims, 25 + random.Next(70), 25 + random.Next(60), 5 + random.Next(25), Setting(school, 1 + random.Next(20), 1 + random.Next(4), new(7 + (2 * random.NextDouble()), 1 + (0.3 * random.NextDouble())))) { Size = 0.4 + (0.6 * random.NextDouble()), Seed = i };
                if (SessionMaker.Make(wish) is not { } offer)
                {
                    continue;
                }

                made++;
                Assert.True(offer.Seconds <= (wish.Minutes * 60) + Limits.WindowSeconds);
                Assert.Equal(SessionClock.Lay(offer.Plan, wish.Setting).TotalSeconds, offer.Seconds, 6);
                Assert.DoesNotContain(Judge(offer.Plan, wish), f => f.Severity != Severity.Note);
            }
        }

        // Few wishes are beyond what time and room give.
        Assert.InRange(made, 100, 180);
    }

    [Theory]
    [InlineData(SessionAim.TopSpeed, true, true)]
    [InlineData(SessionAim.Acceleration, false, true)]
    [InlineData(SessionAim.Push, false, true)]
    [InlineData(SessionAim.Primer, false, true)]
    [InlineData(SessionAim.Turns, false, false)]
    [InlineData(SessionAim.Easy, false, false)]
    [InlineData(SessionAim.Conditioning, false, false)]
    public void A_session_does_what_it_is_wished_for(SessionAim aim, bool reaches, bool sprints)
    {
        var wish = new SessionWish([aim], 75, 60, 20, Setting(CoachingSchool.Usual));
        var offer = SessionMaker.Make(wish)!;
        var main = DayDose.Of(offer.Plan with { Blocks = [.. offer.Plan.Blocks.Where(b => b.Title != "Warm-up")] }, DemandAthlete.Usual, ExerciseCatalogue.BuiltIn);
        Assert.Equal(reaches, main.ReachesTopSpeed);
        Assert.Equal(sprints, main.HasFullSprint);
        Assert.Equal(aim == SessionAim.Push, main.HasResisted);
        Assert.Equal(aim == SessionAim.Primer, main.IsPrimer(CoachingSchool.Usual["week.primer"]));
        Assert.Equal(SessionMaker.NameOf(aim), offer.Name);
        Assert.Equal("Warm-up", offer.Plan.Blocks[0].Title);
        Assert.Equal("Cool-down", offer.Plan.Blocks[^1].Title);
    }

    [Fact]
    public void What_is_fresh_comes_first_and_easy_running_last()
    {
        var wish = new SessionWish([SessionAim.Conditioning, SessionAim.TopSpeed], 90, 60, 20, Setting(CoachingSchool.Usual));
        var titles = SessionMaker.Make(wish)!.Plan.Blocks.Select(b => b.Title).ToList();
        Assert.True(titles.IndexOf("Top speed") < titles.IndexOf("Easy runs"));
        Assert.True(titles.IndexOf("Build-ups") < titles.IndexOf("Top speed"));
        Assert.Equal("Easy runs and top speed", SessionMaker.Name(wish));
    }

    [Fact]
    public void Reps_go_before_rest_does_and_it_is_said()
    {
        var roomy = SessionMaker.Make(new([SessionAim.TopSpeed], 90, 60, 20, Setting(CoachingSchool.Usual)))!;
        var tight = SessionMaker.Make(new([SessionAim.TopSpeed], 40, 60, 20, Setting(CoachingSchool.Usual, 14)))!;
        int Flies(SessionOffer o) => o.Plan.Blocks.Single(b => b.Title == "Top speed").Lines.Sum(l => l.TotalReps);
        Assert.Equal("", roomy.GivesUp);
        Assert.Equal(4, Flies(roomy));
        Assert.True(Flies(tight) < 4);
        Assert.Contains($"reps down to {Flies(tight)} of 4", tight.GivesUp, StringComparison.Ordinal);
        Assert.Equal(roomy.Plan.Blocks.Single(b => b.Title == "Top speed").Lines[0].Rest, tight.Plan.Blocks.Single(b => b.Title == "Top speed").Lines[0].Rest);
        Assert.Null(SessionMaker.Make(new([SessionAim.TopSpeed], 15, 60, 20, Setting(CoachingSchool.Usual))));
    }

    [Fact]
    public void Other_offers_say_what_they_give_up_and_differ()
    {
        var offers = SessionMaker.Offers(new([SessionAim.Acceleration, SessionAim.TopSpeed], 75, 60, 20, Setting(CoachingSchool.Usual)));
        Assert.True(offers.Count >= 3);
        Assert.Equal(offers.Count, offers.Select(o => PlanJson.Write(o.Plan)).Distinct().Count());
        Assert.Contains("no top speed, more of the first", offers[1].GivesUp, StringComparison.Ordinal);
        Assert.Contains("no starts", offers[2].GivesUp, StringComparison.Ordinal);
        Assert.All(offers.Skip(1), o => Assert.NotEqual("", o.GivesUp));
        Assert.EndsWith("small", offers[^1].Name, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_pinned_stays()
    {
        var pinned = SessionPlan.Empty.Add(Shorthand.ShorthandLine.Read("3 x 10 m from prone through 5 m").Line!).Blocks[0];
        var offer = SessionMaker.Make(new([SessionAim.Primer], 60, 60, 20, Setting(CoachingSchool.Usual)) { Pinned = [pinned] })!;
        Assert.Contains(offer.Plan.Lines, l => l with { Id = 0 } is var line && line.Start == pinned.Lines[0].Start && line.Reps == 3);

        // A line the school minds stays all the same: it was written by the coach, and its check stands in the builder.
        var heavy = SessionPlan.Empty.Add(Shorthand.ShorthandLine.Read("4 x 15 m sled heavy start rest 3:00").Line!).Blocks[0];
        var around = SessionMaker.Make(new([SessionAim.Primer], 75, 60, 20, Setting(CoachingSchool.Usual)) { Pinned = [heavy] })!;
        Assert.Contains(around.Plan.Lines, l => l.Load?.Unit == LoadUnit.HeavyStart);
        Assert.All(Judge(around.Plan, new([SessionAim.Primer], 75, 60, 20, Setting(CoachingSchool.Usual))).Where(f => f.Severity != Severity.Note), f => Assert.Equal(LoadUnit.HeavyStart, around.Plan.Line(f.LineId!.Value)!.Load?.Unit));
    }

    [Fact]
    public void A_school_of_light_loads_pulls_light_and_a_heavy_one_heavy()
    {
        string Push(string school) => string.Join(";", SessionMaker.Make(new([SessionAim.Push], 75, 60, 20, Setting(CoachingSchool.BuiltIn.Single(s => s.Name == school))))!.Plan.Lines.Where(l => l.Load is not null).Select(l => l.Load!.Unit));
        Assert.Equal(nameof(LoadUnit.KeepMovement), Push("Full rest, light loads"));
        Assert.Equal(nameof(LoadUnit.StrongPush), Push("Heavy to light sled"));
    }

    [Theory]
    [InlineData(20, "20 m", -20.0)]
    [InlineData(25, "15 m", -25.0)]
    [InlineData(90, "15 m", null)]
    public void A_phase_says_how_the_sled_slows_as_far_as_the_school_allows(double load, string metres, double? amount)
    {
        var school = CoachingSchool.BuiltIn.Single(s => s.Name == "Heavy to light sled");
        var plan = SessionMaker.Make(new([SessionAim.Push], 75, 60, 20, Setting(school)) { Aim = new("Push", 0, load) })!.Plan;
        var pull = plan.Lines.Single(l => l.Load is not null);
        Assert.Equal((LoadUnit.PercentSpeed, amount ?? -school["load.heaviest"]), (pull.Load!.Unit, pull.Load.Amount));
        Assert.Contains(metres, Shorthand.ShorthandPrinter.Print(pull), StringComparison.Ordinal);
    }

    [Fact]
    public void The_drill_of_the_week_comes_first_and_once_and_stops_are_as_short_as_the_phase_asks()
    {
        IReadOnlyList<string> Names(PhaseAim? aim, SessionAim of = SessionAim.Acceleration) => [.. SessionMaker.Make(new([of], 90, 60, 20, Setting(CoachingSchool.Usual)) { Aim = aim })!.Plan.Blocks.Where(b => b.Title is "Drills" or "Slow down").SelectMany(b => b.Lines).Select(l => l.Exercise!)];
        Assert.Equal(["wall switch one", "A-skip", "stick the stop"], Names(null));
        Assert.Equal(["A-skip", "wall switch one", "stick the stop"], Names(new("", 0, 0, 9, "a-skip")));
        Assert.Equal(["A-march", "wall switch one", "A-skip", "stop in eight"], Names(new("", 0, 0, 8, "A-march")));
        Assert.Equal(["wall switch one", "A-skip", "stick the stop"], Names(new("", 0, 0, 0, "no such drill")));
        Assert.Equal(["A-march", "ankle dribble", "dead bug", "side plank"], Names(new("", 0, 0, 8, "A-run"), SessionAim.Easy));
    }
}
