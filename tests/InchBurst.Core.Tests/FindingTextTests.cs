using InchBurst.Core.Catalogue;
using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>Every finding as the coach reads it: what is said, why, and what each one-tap fix makes of the plan; at the bound of each rule and a step either side.</summary>
public class FindingTextTests
{
    private const string Warm = "raise 6 min; mobilise 5 min; build-up 3 x 20 m @75,85,90% rest walk-back";
    private static readonly string[] Blocks = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files", "findings.txt")).ReplaceLineEndings("\n").Split("\n\n", StringSplitOptions.RemoveEmptyEntries);

    // Ages, curves and names are invented; the curves are quick and slow ends of field athletes (Samozino et al. 2016 give 7 to 10 m/s, 0.9 to 1.6 s).
    private static readonly Dictionary<string, CheckedAthlete> People = new()
    {
        ["quick"] = new("Quick", new SprintCurve(8, 0.9), false),
        ["slow"] = new("Slow", new SprintCurve(8.5, 1.9), true),
        ["child"] = new("Child", DemandAthlete.UsualCurve, true, 12),
        ["youth"] = new("Youth", DemandAthlete.UsualCurve, false, 15),
        ["grown"] = new("Grown", DemandAthlete.UsualCurve, false, 16),
        ["back"] = new("Back", DemandAthlete.UsualCurve, false, 24, 70, true),
    };

    public static TheoryData<string> Cases => [.. Blocks.Select(b => b.Split('\n')[0])];

    [Theory]
    [MemberData(nameof(Cases))]
    public void A_session_is_told_what_is_wrong_with_it_in_these_words(string session)
    {
        var expected = Blocks.Single(b => b.Split('\n')[0] == session).TrimEnd();
        Assert.Equal(expected, session + "\n" + Told(session));
    }

    private static string Told(string session)
    {
        var parts = session.TrimStart('#', ' ').Split(" | ");
        var said = parts.Skip(1).Select(p => p.Split('=')).ToLookup(p => p[0], p => p[1]);
        double Number(string name, double usual) => said[name].Select(v => double.Parse(v, System.Globalization.CultureInfo.InvariantCulture)).FirstOrDefault(usual);
        var school = said["school"].Any() ? CoachingSchool.BuiltIn[int.Parse(said["school"].First(), System.Globalization.CultureInfo.InvariantCulture)] : CoachingSchool.BuiltIn[2];
        foreach (var change in said["set"])
        {
            var at = change.Split(':');
            school = school with { Values = new Dictionary<string, SchoolValue>(school.Values) { [at[0]] = new(double.Parse(at[1], System.Globalization.CultureInfo.InvariantCulture), "Own.") } };
        }

        var plan = parts[0].Replace("WARM", Warm, StringComparison.Ordinal).Split(';', StringSplitOptions.TrimEntries).Aggregate(SessionPlan.Empty, (p, l) =>
        {
            var line = ShorthandLine.Read(l).Line ?? throw new ArgumentException(l + ": " + ShorthandLine.Read(l).Problem!.Message);
            return p.Add(line, ExerciseCatalogue.BuiltIn.Find(line.Exercise)?.Family);
        });
        var setting = new ClockSetting((int)Number("athletes", 1), (int)Number("lanes", 1), DemandAthlete.UsualCurve, ExerciseCatalogue.BuiltIn, School: school);
        var context = new CheckContext(plan, SessionClock.Lay(plan, setting), Number("window", 90) * 60, Number("straight", 60), Number("out", 20), [.. said["sore"].Select(r => new Restriction("Ada", r.StartsWith('!'), r.Trim('!')))], ExerciseCatalogue.BuiltIn)
        {
            School = school,
            Setting = said["loose"].Any() ? null : setting,
            Athletes = [.. said["who"].SelectMany(w => w.Split(',')).Select(w => People[w])],
            Cue = said["cue"].FirstOrDefault() ?? "",
            EarlierCues = [.. said["earlier"].SelectMany(e => e.Split(','))],
        };
        var only = said["only"].FirstOrDefault();
        return string.Join("\n", PlanChecks.Judge(context).Where(f => only is null || f.Rule == only).Select(f =>
            $"{f.Severity} {f.Rule}: {f.Said}\n  {f.Why}" + string.Concat(f.Fixes.Select(x => $"\n  > {x.Label}{(x.Lanes is { } l ? $" [{l} lanes]" : "")}: {string.Join("; ", x.Plan.Lines.Select(n => ShorthandPrinter.Print(n)))}"))).DefaultIfEmpty("nothing"));
    }
}
