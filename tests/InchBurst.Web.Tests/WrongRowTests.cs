using InchBurst.Data.Files;
using InchBurst.Data.Files.Csv;

namespace InchBurst.Web.Tests;

/// <summary>Wrong rows of sheets: each is judged on the same club, which judging does not change.</summary>
public sealed class WrongRowTests(PeopleHouse people) : IClassFixture<PeopleHouse>
{
    /// <summary>Rows as people's sheets have them, and what is said of them: line, column, words. A good row stands beside each.</summary>
    public static TheoryData<string, string, int, string, string> WrongRows => new()
    {
        { "times", "Name;Date;Distance;Time\nAda Berg;14.3.2026;30 m;4,52\nAda Berg;14.3.2026;30 m;fast", 3, "Time", "“fast” is no time" },
        { "times", "Name;Date;Distance;Time\nAda Berg;14.3.2026;30;4,52\nAda Berg;31.2.2026;30;4,60", 3, "Day", "is no day" },
        { "times", "Name;Date;Distance;Time\nAda Berg;14.3.2026;30;4,52\nAda Berg;14.3.2026;-30;4,60", 3, "Distance", "is no distance" },
        { "times", "Name;Date;Distance;Time\nAda Berg;14.3.2026;30;4,52\n;14.3.2026;30;4,60", 3, "Athlete", "No name" },
        { "times", "Name;Date;Distance;Time\nAda Berg;14.3.2026;30;4,52\nXerxes Quill;14.3.2026;30;4,60", 3, "Athlete", "Who is Xerxes Quill" },
        { "times", "Name;Date;Distance;Time\nAda Berg;14.3.2026;30;4,52\nAda Berg;14.3.2026;30;1,52", 3, "Time", "quicker than anybody" },
        { "times", "Name;Date;Distance;Time;Attempt\nAda Berg;14.3.2026;30;4,52;1\nAda Berg;14.3.2026;10;4,60;2\nAda Berg;14.3.2026;20;4,10;2", 3, "Time", "is not later than" },
        { "times", "Name;Date;Distance;Time;Attempt\nAda Berg;14.3.2026;30;4,52;1\nAda Berg;14.3.2026;30;4,60;soon", 3, "Attempt", "is no attempt" },
        { "times", "Name;Date;Distance;Time;Effort\nAda Berg;14.3.2026;30;4,52;95\nAda Berg;14.3.2026;30;4,60;300", 3, "Effort, %", "is no effort" },
        { "times", "Name;Distance;Time\nAda Berg;30;4,52", 2, "Day", "No day" },
        { "wide", "Name;Date;30 m;30 m (2)\nAda Berg;14.3.2026;4,52;4,49\nNoor Haddad;14.3.2026;4,61;oops", 3, "30 m (2)", "“oops” is no time" },
        { "athletes", "Name;Born;Height;Weight\nIlse Vos;2009;172;61,5\n;2009;172;61", 3, "Name", "No name" },
        { "athletes", "Name;Born;Height;Weight\nIlse Vos;2009;172;61,5\nIda Vos;1809;172;61", 3, "Birth year", "is no birth year" },
        { "athletes", "Name;Born;Height;Weight\nIlse Vos;2009;172;61,5\nIda Vos;2009;17;61", 3, "Height, cm", "is no height" },
        { "athletes", "Name;Born;Height;Weight\nIlse Vos;2009;172;61,5\nIda Vos;2009;172;610", 3, "Body mass, kg", "is no body mass" },
        { "athletes", "Name;Sex\nIlse Vos;f\nIda Vos;q", 3, "Sex", "neither" },
        { "athletes", "Name;Squad\nIlse Vos;Sprinters\nIda Vos;Throwers", 3, "Squad", "no squad" },
        { "athletes", "Name;Consent\nIlse Vos;2026-01-02\nIda Vos;soon", 3, "Consent", "is no day" },
        { "fixtures", "Date;Title;Start\n14.3.2027;Harbour;18:30\n15.3.2027;;18:30", 3, "Title", "No title" },
        { "fixtures", "Date;Title;Start\n14.3.2027;Harbour;18:30\n15.3.2027;Quay;late", 3, "Start", "no time of day" },
        { "fixtures", "Date;Title;Until\n14.3.2027;Harbour;14.3.2027\n15.3.2027;Quay;1.3.2027", 3, "Last day", "before the first" },
        { "fixtures", "Date;Title;Type\n14.3.2027;Harbour;match\n15.3.2027;Quay;party", 3, "Kind", "none of match" },
        { "minutes", "Player;Date;Min\nAda Berg;14.3.2026;60\nNoor Haddad;14.3.2026;900", 3, "Minutes", "number of minutes" },
        { "minutes", "Player;Date;Min\nAda Berg;14.3.2026;60\nNoor Haddad;14.4.2026;60", 3, "Day", "no match on" },
        { "minutes", "Player;Date;Min\nAda Berg;14.3.2026;60\nNoor Haddad;14.3.2026;", 3, "Minutes", "No minutes" },
        { "measures", "Name;Date;Exercise;Value;Unit;Measure\nAda Berg;14.3.2026;broad jump;231;cm;length\nAda Berg;14.3.2026;broad jump;far;cm;length", 3, "Value", "“far” is no value" },
        { "measures", "Name;Date;Exercise;Value;Unit;Measure\nAda Berg;14.3.2026;broad jump;231;cm;length\nAda Berg;14.3.2026;broad jump;231;;length", 3, "Value", "Say its unit" },
        { "measures", "Name;Date;Exercise;Value;Unit;Measure\nAda Berg;14.3.2026;broad jump;231;cm;length\nAda Berg;14.3.2026;broad jump;231;kg;length", 3, "Unit", "does not measure a length" },
        { "measures", "Name;Date;Exercise;Value;Unit;Measure\nAda Berg;14.3.2026;broad jump;231;cm;length\nAda Berg;14.3.2026;broad jump;231;cm;span", 3, "Measure", "is none of" },
        { "measures", "Name;Date;Exercise;Value;Unit;Measure\nAda Berg;14.3.2026;broad jump;231;cm;length\nAda Berg;14.3.2026;;231;cm;length", 3, "Work", "No work" },
        { "sessions", "Date;Name;Plan\n14.3.2027;Speed;4 x 30 m\n15.3.2027;Speed;4 x sideways zorb", 3, "Plan", "Line 1" },
        { "sessions", "Date;Name;Lanes\n14.3.2027;Speed;4\n15.3.2027;Speed;99", 3, "Lanes", "number of lanes" },
        { "sessions", "Date;Name;Surface\n14.3.2027;Speed;grass\n15.3.2027;Speed;ice", 3, "Surface", "none of" },
        { "sessions", "Date;Name;Surface\n14.3.2027;Speed;grass\n14.3.2027;Speed;track", 3, "Name", "Two sessions of one day" },
        { "attendance", "Name;Date;Session;RPE\nAda Berg;14.3.2026;Speed;7\nAda Berg;14.3.2026;Tempo;7", 3, "Session", "Bring the sessions in first" },
        { "attendance", "Name;Date;Session;RPE\nAda Berg;14.3.2026;Speed;7\nNoor Haddad;14.3.2026;Speed;17", 3, "Rating", "is no rating" },
        { "attendance", "Name;Date;Session;Present\nAda Berg;14.3.2026;Speed;yes\nNoor Haddad;14.3.2026;Speed;perhaps", 3, "Present", "neither yes nor no" },
        { "times", "Name;Date;Distance;Time;Squad\nAda Berg;14.3.2026;30;4,52;Sprinters\nAda Berg;14.3.2026;30;4,60;Throwers", 3, "Squad", "no squad" },
        { "times", "Name;Date;Distance;Time;Side\nAda Berg;14.3.2026;30;4,52;left\nAda Berg;14.3.2026;30;4,60;middle", 3, "Side", "none of" },
        { "times", "Name;Date;Distance;Time;Session;Work\nAda Berg;14.3.2026;30;4,52;Test;3 x 30 m\nAda Berg;14.3.2026;30;4,60;Speed;3 x 30 m", 3, "Work", "has no line" },
        { "times", "Name;Date;Distance;Time;Finished\nAda Berg;14.3.2026;30;4,52;2026-03-14T10:00:00Z\nAda Berg;14.3.2026;30;4,60;noon", 3, "Finished", "no moment" },
        { "lifts", "Name;Date;Exercise;Load;Reps\nAda Berg;14.3.2026;squat;92,5;3\nAda Berg;14.3.2026;squat;heavy;3", 3, "Load, kg", "is no load" },
        { "lifts", "Name;Date;Exercise;Load;Reps\nAda Berg;14.3.2026;squat;92,5;3\nAda Berg;14.3.2026;;92,5;3", 3, "Lift", "No lift" },
        { "lifts", "Name;Date;Exercise;Load;Reps\nAda Berg;14.3.2026;squat;92,5;3\nAda Berg;14.3.2026;squat;92,5;40", 3, "Reps", "number of reps" },
    };

    [Theory]
    [MemberData(nameof(WrongRows))]
    public async Task A_wrong_row_is_named_with_line_and_column_and_the_right_one_comes_in(string kind, string text, int line, string column, string words)
    {
        var plan = await FilesTests.JudgeAsync(people.House, kind, text);
        var problem = Assert.Single(plan.Problems);
        Assert.Equal((line, column), (problem.Line, problem.Column));
        Assert.Contains(words, problem.Words);
        Assert.Equal(text.Contains(";Distance;", StringComparison.Ordinal) && !text.Contains("Date", StringComparison.Ordinal) ? 0 : kind == "wide" ? 3 : 1, plan.Count(RowFate.New));
    }
}
