using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Season;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Sessions and weeks as the makers make them, whole, with their reasons: made.txt was read line by line as a coach would.</summary>
public class MadeTextTests
{
    private static readonly string[] Blocks = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files", "made.txt")).ReplaceLineEndings("\n").Split("\n\n", StringSplitOptions.RemoveEmptyEntries);

    public static TheoryData<string> Sessions => [.. Blocks.Select(b => b.Split('\n')[0]).Where(c => c.StartsWith("# session", StringComparison.Ordinal))];

    public static TheoryData<string> MadeWeeks => [.. Blocks.Select(b => b.Split('\n')[0]).Where(c => c.StartsWith("# week", StringComparison.Ordinal))];

    private static string Expected(string first) => Blocks.Single(b => b.Split('\n')[0] == first).TrimEnd();

    private static ILookup<string, string> Said(string first) => first.Split(" | ").Skip(1).Select(p => p.Split('=')).ToLookup(p => p[0], p => p[1]);

    private static double Number(ILookup<string, string> said, string name, double otherwise) => said[name].Select(v => double.Parse(v, CultureInfo.InvariantCulture)).FirstOrDefault(otherwise);

    private static CoachingSchool School(ILookup<string, string> said)
    {
        var of = said["school"].Select(n => CoachingSchool.BuiltIn.Single(s => s.Name == n)).FirstOrDefault(CoachingSchool.Usual);
        return of with { Values = of.Values.ToDictionary(v => v.Key, v => said["set"].Select(s => s.Split(':')).FirstOrDefault(s => s[0] == v.Key) is { } own ? new SchoolValue(double.Parse(own[1], CultureInfo.InvariantCulture), "Own.") : v.Value) };
    }

    private static PhaseAim? Aim(ILookup<string, string> said) => said["phase"].Select(p => p.Split('/')).Select(p => new PhaseAim(p[0], Of(p, 1), Of(p, 2), Of(p, 3), p.Length > 4 ? p[4] : null)).FirstOrDefault();

    private static double Of(string[] parts, int at) => parts.Length > at ? double.Parse(parts[at], CultureInfo.InvariantCulture) : 0;

    [Theory]
    [MemberData(nameof(Sessions))]
    public void A_session_is_made_so(string wish)
    {
        var said = Said(wish);
        var aims = wish.Split(" | ")[0]["# session ".Length..].Split('+').Select(Enum.Parse<SessionAim>).ToList();
        var setting = new ClockSetting((int)Number(said, "athletes", 8), (int)Number(said, "lanes", 2), DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, 0, null, School(said));
        var plan = SessionPlan.Empty;
        foreach (var kept in said["keep"])
        {
            plan = plan.Add(ShorthandLine.Read(kept).Line!);
        }

        var offers = SessionMaker.Offers(new(aims, (int)Number(said, "minutes", 75), Number(said, "straight", 60), Number(said, "room", 20), setting) { Size = Number(said, "size", 1), Aim = Aim(said), Pinned = plan.Blocks });
        var told = offers.Select((o, i) => $"{o.Name}, {Units.Figures.Clock(o.Seconds)}{(o.GivesUp.Length > 0 ? ": " + o.GivesUp : "")}" + (i > 0 && !said["all"].Any() ? ""
            : "\n  " + string.Join("\n  ", o.Plan.Blocks.Skip(SessionMaker.IsMain(o.Plan.Blocks[0], setting) ? 0 : 1).Select(b => $"{b.Title}{(SessionMaker.IsMain(b, setting) ? "*" : "")}: " + string.Join("; ", b.Lines.Select(l => ShorthandPrinter.Print(l)))))));
        Assert.Equal(Expected(wish), wish + "\n" + string.Join("\n", told.DefaultIfEmpty("nothing fits")));
    }

    [Theory]
    [MemberData(nameof(MadeWeeks))]
    public void A_week_is_made_so(string wish)
    {
        var said = Said(wish);
        var parts = wish.Split(" | ")[0]["# week ".Length..];
        var school = School(said);
        int[] Days(string name) => [.. said[name].SelectMany(v => v.Split(',')).Select(v => int.Parse(v, CultureInfo.InvariantCulture))];
        var monday = Weeks.Monday;
        var week = Weeks.Week(parts, school, said["before"].FirstOrDefault() ?? "-S-T-R-", Days("match")) with
        {
            PlaysLittle = said["little"].Any(),
            OpenFrom = monday.AddDays(Days("today").FirstOrDefault()),
            Slots = [.. Days("slot").Select(d => new OpenSlot(monday.AddDays(d), new(18, 0), (int)Number(said, "minutes", 60), "Hall", 4, 60, 20)), .. Days("short").Select(d => new OpenSlot(monday.AddDays(d), new(10, 0), 40, "Hall", 4, 60, 20))],
            Closed = [.. Days("off").Select(d => new ClosedDays(monday.AddDays(d), monday.AddDays(d), "Hall closed", true)), .. Days("exam").Select(d => new ClosedDays(monday.AddDays(d), monday.AddDays(d), "School exams", false))],
            Aim = Aim(said),
            Athletes = [.. Days("who").Select((d, i) => Weeks.Athlete(i + 1, d)).DefaultIfEmpty(Weeks.Athlete(1, -1))],
        };
        week = week with { Sessions = [.. week.Sessions.Select(s => s with { IsPinned = s.IsPinned || Days("pin").Any(p => s.Day == monday.AddDays(p)), IsDone = s.IsDone || Days("done").Any(p => s.Day == monday.AddDays(p)) })] };
        var shelf = said["shelf"].Select((text, i) => new ShelfPlan($"Shelf {i + 1}", PlanText.Read(text.Replace(';', '\n'), ShorthandContext.Metric).Plan)).ToList();
        var made = WeekMaker.Suggest(week, new(slot => new ClockSetting(8, slot.Lanes, DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, 0, null, school)) { Shelf = shelf });
        var told = made is null ? "no week keeps the rules" : string.Join("\n", made.Days.Select(d => $"{d.Day.ToString("ddd", CultureInfo.InvariantCulture)}{(d.Slot is { } s ? $" {s.Minutes} min" : "")}: {(d.Chosen is { } c ? c.Key.Length > 0 ? $"{c.Name} [{c.Key}] {Units.Figures.Number(c.Dose.HardMetres)} m" : "nothing" : "stays")}{(d.Session is { } o ? $", made {Units.Figures.Clock(o.Seconds)}" : "")}; {d.Why}" + string.Concat(d.WhyNot.Select(w => "\n  not " + w)))) + $"\n{made.Score}";
        Assert.Equal(Expected(wish), wish + "\n" + told);
    }

    [Fact]
    public void What_is_counted_how_often_and_by_which_numbers() => Assert.Equal(
        "topspeed Top speed week.wish.topspeed week.topspeed; starts Acceleration week.wish.starts ; resisted Resisted week.wish.resisted ; assisted Assisted  often.assisted; wall Wall drills often.wall.least often.wall.most; hurdles Mini-hurdles often.hurdles.least often.hurdles.most; bounds Bounds and hops often.bounds.least often.bounds.most; upright Upright drills  ; turns Turns and stops  ; lifts Lifts  ; trunk Holds and trunk often.trunk.least ",
        string.Join("; ", HowOften.Things.Select(t => $"{t.Key} {t.Name} {t.LeastKey} {t.MostKey}")));
}
