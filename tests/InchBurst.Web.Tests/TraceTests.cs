using System.Globalization;
using System.Net;
using System.Text;
using InchBurst.Core.Sprint;
using InchBurst.Data;
using InchBurst.Data.Entities;
using Microsoft.EntityFrameworkCore;

namespace InchBurst.Web.Tests;

/// <summary>Traces of radars and lasers: read from the sheets devices write, kept, shown, taken out.</summary>
public sealed class TraceTests
{
    // A sprint that begins after a second; a hundred rows.
    private static string Sheet(string header, char between, char point, double perSpeed = 1, double perTime = 1) => header + string.Join('\n', Enumerable.Range(0, 100).Select(i => i * 0.07).Select(t =>
        string.Create(CultureInfo.InvariantCulture, $"{t / perTime:0.000}{between}{new SprintCurve(8.6, 1.2).SpeedAt(t - 1) / perSpeed:0.0000}").Replace('.', point)));

    [Theory]
    [InlineData("time,speed\n", ',', '.', 1, 1)]
    [InlineData("", ',', '.', 1, 1)]
    [InlineData("Time (s);Speed (km/h)\n", ';', ',', 0.2777777778, 1)]
    [InlineData("T\tVelocity [mph]\n", '\t', '.', 0.44704, 1)]
    [InlineData("time_ms;v\n", ';', '.', 1, 0.001)]
    [InlineData("sep=;\nSeconds;Speed\n", ';', '.', 1, 1)]
    public void Sheets_of_devices_are_read_in_their_units(string header, char between, char point, double perSpeed, double perTime)
    {
        var read = TraceBook.Sheet(Encoding.UTF8.GetBytes(Sheet(header, between, point, perSpeed, perTime)));
        Assert.Equal(("", 100), (read.Wrong, read.Rows.Count));
        var fit = TraceFit.Fit(read.Rows).Fitted!;
        Assert.Equal(8.6, fit.Curve.Mss, 1);
        Assert.Equal(1.0, fit.StartSeconds, 1);
        Assert.Equal(read.Rows.Select(r => Math.Round(r.Speed, 4)), TraceBook.Read(TraceBook.Write(read.Rows)).Select(r => r.Speed), (a, b) => Math.Abs(a - b) < 1e-4);
    }

    [Theory]
    [InlineData("", "The file is empty.")]
    [InlineData("clock;pace\n0;1\n", "Which columns are time and speed? The header says clock, pace.")]
    [InlineData("time;speed\n0.1;1\n0.2;fast\n", "Line 3 has no time and speed: “0.2;fast”.")]
    [InlineData("time;speed\n0.1;1\n0.2\n", "Line 3 has no time and speed")]
    [InlineData("time;speed\n0.1;15\n0.2;15.1\n", "Line 3: 15.1 is faster than anybody runs. If it is km/h or mph, say so in the header")]
    public void What_is_no_trace_is_refused_with_its_line(string sheet, string says) => Assert.Contains(says, TraceBook.Sheet(Encoding.UTF8.GetBytes(sheet)).Wrong);

    [Fact]
    public void Too_much_is_refused()
    {
        Assert.Contains("larger than 1 MB", TraceBook.Sheet(new byte[TraceBook.MostBytes + 1]).Wrong);
        var rows = string.Join('\n', Enumerable.Range(0, TraceFit.MostRows + 1).Select(i => $"{i};1"));
        Assert.Contains($"More than {TraceFit.MostRows} rows", TraceBook.Sheet(Encoding.UTF8.GetBytes(rows)).Wrong);
        Assert.Equal("", TraceBook.Sheet(Encoding.UTF8.GetBytes(rows[..rows.LastIndexOf('\n')])).Wrong);
    }

    [Fact]
    public async Task A_trace_is_fitted_kept_shown_counted_and_taken_out_again()
    {
        await using var house = await TestHouse.OpenAsync();
        var coach = await house.CoachAsync();
        await house.InDbAsync(db => { db.Athletes.AddRange(new Athlete { Name = "Ada Berg", SquadId = 1, MassKilograms = 64, HeightMetres = 1.72 }, new Athlete { Name = "Noor Haddad", SquadId = 1 }); return db.SaveChangesAsync(); });
        var day = (await coach.PageAsync("/Athletes/1/Traces")).QuerySelector("#day")!.GetAttribute("value")!;

        // What cannot be fitted is said beside the field, and what was typed stays.
        var wrong = (await coach.PostAsync("/Athletes/1/Traces", "/Athletes/1/Traces", ("day", "2031-01-01"), ("device", "Laser"), ("rows", "time;speed\n0;0\n0.1;1"))).Page;
        Assert.Equal(["A day up to today, of the last five years.", "A trace needs 20 or more rows of time and speed; this one has 2."], wrong.QuerySelectorAll(".trace-form .wrong").Select(w => w.TextContent));
        Assert.Equal(("time;speed\n0;0\n0.1;1", "Laser"), (wrong.QuerySelector("#rows")!.TextContent, wrong.QuerySelector("#device option[selected]")!.GetAttribute("value")));
        Assert.Contains("paste its rows", (await coach.PostAsync("/Athletes/1/Traces", "/Athletes/1/Traces", ("day", day), ("rows", ""))).Page.QuerySelector("main")!.TextContent);
        Assert.Equal(0, await house.InDbAsync(db => db.SpeedTraces.CountAsync()));

        // Kept, it is shown with its times, and counts towards the athlete's own curve.
        await coach.PostAsync("/Athletes/1/Traces", "/Athletes/1/Traces", ("day", day), ("device", "Laser"), ("rows", Sheet("time;speed\n", ';', '.')));
        var page = await coach.PageAsync("/Athletes/1/Traces?done=1&trace=1");
        Assert.Equal(["8.60", "1.20"], page.QuerySelectorAll(".mech .figure").Take(2).Select(f => f.TextContent.Split(' ')[0]));
        Assert.Equal(5, page.QuerySelectorAll(".mech .figure").Length);
        Assert.Equal(new SprintCurve(8.6, 1.2).TimeTo(20), double.Parse(page.QuerySelectorAll(".splits .big td")[2].TextContent.Split(' ')[0], CultureInfo.InvariantCulture), 1);
        Assert.Contains("laser, by Odalys Brandvold", page.QuerySelector("tr.chosen")!.TextContent);
        Assert.Contains("8.60", (await coach.PageAsync("/Athletes/1/WhatIf")).QuerySelector(".pairs")!.TextContent);

        // Another athlete's is not found; taken out it counts no more, and undone it does again.
        Assert.Equal(HttpStatusCode.NotFound, (await coach.PostAsync("/Athletes/2/Traces", "/Athletes/2/Traces?handler=Remove", ("trace", "1"), ("removed", "true"))).Code);
        Assert.Single(await house.InDbAsync(db => db.SpeedTraces.ToListAsync()));
        await coach.PostAsync("/Athletes/1/Traces", "/Athletes/1/Traces?handler=Remove", ("trace", "1"), ("removed", "true"));
        Assert.NotNull((await coach.PageAsync("/Athletes/1/Traces")).QuerySelector(".empty"));
        Assert.Contains("No curve yet", (await coach.PageAsync("/Athletes/1/WhatIf")).QuerySelector("main")!.TextContent);
        await coach.PostAsync("/Athletes/1/Traces", "/Athletes/1/Traces?handler=Remove", ("trace", "1"), ("removed", "false"));
        Assert.Contains("8.60", (await coach.PageAsync("/Athletes/1/WhatIf")).QuerySelector(".pairs")!.TextContent);
    }
}
