using System.Globalization;
using InchBurst.Core.School;
using InchBurst.Core.Season;

namespace InchBurst.Core.Tests;

/// <summary>Every finding about a week as the coach reads it: what is said, why, and what each one-tap move does. Days as letters, Monday first (see <see cref="Weeks"/>).</summary>
public class WeekTextTests
{
    private static readonly string[] Blocks = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files", "weeks.txt")).ReplaceLineEndings("\n").Split("\n\n", StringSplitOptions.RemoveEmptyEntries);

    public static TheoryData<string> Cases => [.. Blocks.Select(b => b.Split('\n')[0])];

    [Theory]
    [MemberData(nameof(Cases))]
    public void A_week_is_told_what_is_wrong_with_it_in_these_words(string week)
    {
        var expected = Blocks.Single(b => b.Split('\n')[0] == week).TrimEnd();
        Assert.Equal(expected, week + "\n" + Told(week));
    }

    private static string Told(string text)
    {
        var parts = text.TrimStart('#', ' ').Split(" | ");
        var said = parts.Skip(1).Select(p => p.Split('=')).ToLookup(p => p[0], p => p[1]);
        int[] Days(string name) => [.. said[name].SelectMany(v => v.Split(',')).Select(v => int.Parse(v, CultureInfo.InvariantCulture))];
        var school = CoachingSchool.Usual with { Values = CoachingSchool.Usual.Values.ToDictionary(v => v.Key, v => said["set"].Select(s => s.Split(':')).FirstOrDefault(s => s[0] == v.Key) is { } own ? new SchoolValue(double.Parse(own[1], CultureInfo.InvariantCulture), "Own.") : v.Value) };
        var monday = Weeks.Monday;
        var week = Weeks.Week(parts[0], school, said["before"].FirstOrDefault() ?? "-S-T-R-", Days("match")) with
        {
            PlaysLittle = said["little"].Any(),
            OpenFrom = monday.AddDays(Days("today").FirstOrDefault()),
            Slots = [.. Days("slot").Select(d => new OpenSlot(monday.AddDays(d), new(18, 0), 60, "Hall", 2, 60, 20))],
            Closed = [.. Days("off").Select(d => new ClosedDays(monday.AddDays(d), monday.AddDays(d), "Hall closed", true)), .. Days("exam").Select(d => new ClosedDays(monday.AddDays(d), monday.AddDays(d), "School exams", false))],
            Athletes = [.. said["who"].SelectMany(w => w.Split(',')).Select((w, i) => w.Split('/') is var p ? Weeks.Athlete(i + 1, p[0] == "never" ? null : int.Parse(p[0], CultureInfo.InvariantCulture), p.Length > 1 && p[1].Length > 0 ? int.Parse(p[1], CultureInfo.InvariantCulture) : 22, true, p.Length > 2 ? int.Parse(p[2], CultureInfo.InvariantCulture) : null) : null!).DefaultIfEmpty(Weeks.Athlete(1, -1))],
        };
        if (said["missed"].Any())
        {
            week = week with { Sessions = [.. week.Sessions.Select(s => s with { Missed = [.. said["missed"].SelectMany(m => m.Split(','))] })] };
        }

        var only = said["only"].FirstOrDefault();
        string Move(WeekMove m) => $"{m.Label}{(m.SessionId is { } id ? $" [{id}]" : "")}{(m.To is { } to ? $" to {to.ToString("ddd", CultureInfo.InvariantCulture)}" : "")}{(m.AddLine is { } line ? $" + {line}" : "")}{(m.TakesOut ? " out" : "")}{(m.MatchId is { } match ? $" match {match}" : "")}{(m.SuggestOn is { } on ? $" on {on.ToString("ddd", CultureInfo.InvariantCulture)}" : "")}";
        return string.Join("\n", WeekRules.Judge(week).Where(f => only is null || f.Rule == only).Select(f =>
            $"{f.Severity} {f.Rule}{(f.Day is { } day ? $" {day.ToString("ddd", CultureInfo.InvariantCulture)}" : "")}{(f.Athletes.Count > 0 ? $" {string.Join(',', f.Athletes)}" : "")}: {f.Said}\n  {f.Why}" + string.Concat(f.Moves.Select(m => "\n  > " + Move(m)))).DefaultIfEmpty("nothing"));
    }

    // What a week costs, worked out by hand from the stated prices: 10 an overdue athlete and day, 30 a missing wish, 1 for 20 m, 15 around the match, 2 a session, 15 moved and 10 more when dropped.
    [Theory]
    [InlineData("-S-T-R-", "", 0, 0, 0, 0, 6, 0)]
    [InlineData("-S-T---", "", 0, 30, 4, 0, 4, 0)]
    [InlineData("-------", "", 0, 150, 13, 0, 0, 0)]
    [InlineData("---T---", "", 0, 90, 9, 0, 2, 0)]
    [InlineData("-------", "who=-6", 60, 150, 13, 0, 0, 0)]
    [InlineData("--T----", "who=-6", 10, 90, 9, 0, 2, 0)]
    [InlineData("--T----", "who=-6,-1,-9", 30, 90, 9, 0, 2, 0)]
    [InlineData("-S-T-R-", "match=6", 0, 0, 0, 0, 6, 0)]
    [InlineData("-S-T---", "match=6", 0, 30, 4, 15, 4, 0)]
    [InlineData("-S-T-P-", "match=6", 0, 30, 2, 0, 6, 0)]
    [InlineData("-S-T---", "match=6|set=week.primer:0", 0, 30, 4, 0, 4, 0)]
    [InlineData("-S-T---", "match=-1|little=yes", 0, 60, 4, 15, 4, 0)]
    [InlineData("ES-T---", "match=-1|little=yes", 0, 60, 4, 15, 6, 0)]
    [InlineData("TS-----", "match=-1|little=yes", 0, 60, 4, 0, 4, 0)]
    [InlineData("-S-T-R-", "plan=S:1,T:3,R:5", 0, 0, 0, 0, 6, 0)]
    [InlineData("S--T-R-", "plan=S:1,T:3,R:5", 0, 0, 0, 0, 6, 15)]
    [InlineData("---T-R-", "plan=S:1,T:3,R:5", 0, 30, 5, 0, 4, 25)]
    public void A_week_costs_what_is_stated(string letters, string more, int overdue, int wishes, int metres, int match, int sessions, int changes)
    {
        var said = more.Split('|', StringSplitOptions.RemoveEmptyEntries).Select(p => p.Split('=')).ToDictionary(p => p[0], p => p[1]);
        var school = said.TryGetValue("set", out var set) ? Weeks.School((set.Split(':')[0], double.Parse(set.Split(':')[1], CultureInfo.InvariantCulture))) : CoachingSchool.Usual;
        var week = Weeks.Week(letters, school, matches: [.. said.GetValueOrDefault("match", "").Split(',', StringSplitOptions.RemoveEmptyEntries).Select(m => int.Parse(m, CultureInfo.InvariantCulture))]) with
        {
            PlaysLittle = said.ContainsKey("little"),
            Athletes = [.. said.GetValueOrDefault("who", "3").Split(',').Select((w, i) => Weeks.Athlete(i + 1, int.Parse(w, CultureInfo.InvariantCulture)))],
        };
        var planned = Enumerable.Range(0, 7).Select(d => (string?)(said.GetValueOrDefault("plan", "").Split(',').FirstOrDefault(p => p.EndsWith($":{d}", StringComparison.Ordinal))?[..1] ?? "")).ToList();
        var chosen = letters.Select(l => l == '-' ? "" : l.ToString()).ToList();
        Assert.Equal(new WeekScore(overdue, wishes, metres, match, sessions, changes), WeekScore.Of(week.Grid(), week.Numbers, planned, chosen));
        Assert.Equal(overdue + wishes + metres + match + sessions + changes, WeekScore.Of(week.Grid(), week.Numbers, planned, chosen).Total);
    }
}
