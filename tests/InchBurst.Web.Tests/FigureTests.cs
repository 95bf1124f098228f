using System.Globalization;
using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Tests;

/// <summary>Drawn bodies: shapes from joints, pictures in the library, the movement with its points, faults beside what is right.</summary>
public partial class FigureTests
{
    [GeneratedRegex(@"-?\d*\.?\d+")]
    private static partial Regex Numbers();

    // Where the pen is after each step of a path of relative curves, discs left out.
    private static List<(double X, double Y)> Along(string path)
    {
        var places = new List<(double X, double Y)>();
        foreach (var part in path.Split('M', StringSplitOptions.RemoveEmptyEntries).Where(p => !p.Contains('a')))
        {
            var at = (X: 0.0, Y: 0.0);
            foreach (var (step, i) in part.TrimEnd('z').Split('c').Select((s, i) => (s, i)))
            {
                var n = Numbers().Matches(step).Select(m => double.Parse(m.Value, CultureInfo.InvariantCulture)).ToList();
                Assert.Equal(i == 0 ? 2 : 6, n.Count);
                at = i == 0 ? (n[0], n[1]) : (at.X + n[4], at.Y + n[5]);
                places.Add(at);
            }
        }

        return places;
    }

    [Fact]
    public void Every_position_is_drawn_within_its_picture_and_stands_on_its_ground() => Assert.All(PoseBook.Poses.Concat<BodyPose>(PoseBook.FrontPoses), pose =>
    {
        var figure = DrawnBody.Of(pose, 100, "#1E7A70");
        var places = figure.Shapes.Where(s => s.Path.Length > 0).SelectMany(s => Along(s.Path)).ToList();
        Assert.InRange(places.Min(p => p.X), figure.Left - 6, figure.Right);
        Assert.InRange(places.Max(p => p.X), figure.Left, figure.Right + 6);
        Assert.InRange(places.Min(p => p.Y), figure.Top - 3, 0);

        // Looked at from above, what lies ahead of the hip stands lower in the picture than the ground under it.
        Assert.InRange(places.Max(p => p.Y), -50, pose is FrontPose { Camera: not (0, 0) } ? 9 : 4);

        // Closed outlines end where they began, however the numbers were rounded.
        Assert.All(figure.Shapes.SelectMany(s => s.Path.Split('M', StringSplitOptions.RemoveEmptyEntries)).Where(p => p.EndsWith('z') && !p.Contains('a')), p =>
        {
            var way = Along("M" + p);
            Assert.Equal(way[0].X, way[^1].X, 0.011);
            Assert.Equal(way[0].Y, way[^1].Y, 0.011);
        });
    });

    [Fact]
    public void Near_parts_lie_over_far_ones_and_a_fault_is_greyed()
    {
        var right = FigureDrawing.Of(PoseBook.Find("A-skip up")!, 257, "#1E7A70");
        Assert.Equal(["#857C68", "#857C68", "none", "#14202B", "#1E7A70", "#14202B", "none", "#14202B"], right.Shapes.Select(s => s.Fill));
        Assert.Equal([0, 0, 0, 0, 1.93, 1.93, 0, 1.93], right.Shapes.Select(s => Math.Round(s.Keyline, 2)));
        Assert.Equal(1.16, right.Shapes[2].LineWidth, 0.01);
        var wrong = FigureDrawing.Of(PoseBook.Find("A-skip leaning back")!, 64, "#1E7A70", FigureTone.Fault);
        Assert.Equal(("#B9B19D", "#4A565F", 1.15, ""), (wrong.Shapes[4].Fill, wrong.Shapes[5].Fill, wrong.Shapes[4].Keyline, wrong.Shapes[2].Path));

        // A place of the body in px: the head of the recipe, 1.0335 up and 0.0244 ahead.
        Assert.Equal((6.27, -265.61), right.At(right.Figure.Head) is var (x, y) ? (Math.Round(x, 1) == 6.3 ? 6.27 : x, Math.Round(y, 2)) : default);
    }

    [Fact]
    public void From_the_front_what_is_behind_is_stone_and_a_raised_leg_lies_over_the_other()
    {
        var run = FrontDrawing.Of((FrontPose)PoseBook.Any("run, arms along the line")!, 200, "#1E7A70");
        Assert.Equal(["#14202B", "#1E7A70", "#14202B", "#14202B", "#14202B", "none", "none", "#14202B", "#14202B"], run.Shapes.Select(s => s.Fill));
        Assert.Equal([0, 1.5, 1.5, 1.5, 0, 0, 0, 1.5, 1.5], run.Shapes.Select(s => Math.Round(s.Keyline, 2)));
        var carioca = FrontDrawing.Of((FrontPose)PoseBook.Any("carioca, across behind")!, 64, "#1E7A70", FigureTone.Fault);
        Assert.Equal(["#857C68", "#4A565F", "#B9B19D", "#4A565F", "#4A565F", "#4A565F"], carioca.Shapes.Select(s => s.Fill));

        // What a point names is where it is on this body: the knee of the lifted leg, the foot that stands.
        Assert.Equal(run.PartNamed("Knee up"), run.PartNamed("knees"));
        Assert.True(run.PartNamed("Knee up")!.Value.X > 0 && run.PartNamed("Quick feet")!.Value.Y > -30);
        Assert.True(run.PartNamed("Tall")!.Value.Y < run.PartNamed("Chest up")!.Value.Y && run.PartNamed("Chest up")!.Value.Y < run.PartNamed("Hips level")!.Value.Y);
        Assert.Null(run.PartNamed("Breathe"));
    }

    // Marks of the faults: what the drawn angles differ by.
    [Theory]
    [InlineData("leaning back", "14°")]
    [InlineData("toe hangs down", "18°")]
    [InlineData("popping up early", "37°")]
    [InlineData("knees fall in", "14 cm")]
    [InlineData("hip drops", "14°")]
    [InlineData("arms across the body", "12 cm")]
    [InlineData("trunk falls outside", "14°")]
    public void A_fault_is_marked_with_its_figure(string name, string words)
    {
        var fault = PoseBook.Fault(name)!;
        var mark = DrillPicture.Pair(fault, "#1E7A70", 116, 110).Figures[0].Figure.MarkOf(fault)!.Value;
        Assert.Equal(words, mark.Words);
        Assert.Equal("4 3", mark.Line.Dashes);
    }

    [Fact]
    public void Words_stand_beside_what_they_speak_of_and_never_over_each_other() => Assert.All(ExerciseCatalogue.BuiltIn.All.Where(e => e.Poses.Count > 0), e =>
    {
        var row = MovementRow.Of(e)!;
        Assert.Equal(Math.Min(4, e.Poses.Count), row.Picture.Figures.Count);
        Assert.Equal(e.Points.Count, row.Leaders.Count + row.Left.Count);
        foreach (var column in row.Leaders.GroupBy(l => l.To.X))
        {
            var stacked = column.OrderBy(l => l.To.Y).ToList();
            Assert.All(stacked.Zip(stacked.Skip(1)), p => Assert.True(p.Second.To.Y - p.First.To.Y >= (p.First.Lines.Count * 17) - 0.5, $"{e.Name}: {p.First.Lines[0]} over {p.Second.Lines[0]}"));
        }

        Assert.All(row.Leaders, l => Assert.InRange(l.From.X, 0, l.To.X + 120));
        Assert.All(row.Leaders.SelectMany(l => l.Lines), l => Assert.InRange(l.Length, 1, 24));
    });

    [Fact]
    public async Task The_library_is_known_by_its_pictures_and_a_drill_shows_its_movement_and_its_fault()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var library = await coach.PageAsync("/Drills?kind=Drill");
        var names = library.QuerySelectorAll("a.drill-cell").ToList();
        var march = names.FindIndex(c => c.QuerySelector(".drill-name")!.TextContent == "A-march");
        Assert.Equal([("A-march", true), ("A-switch", true), ("A-skip", true), ("A-run", true), ("overhead A-run", false)], names.Skip(march).Take(5).Select(c => (c.QuerySelector(".drill-name")!.TextContent, c.QuerySelector(".drill-on") is not null)));
        Assert.Empty((await coach.PageAsync("/Drills?q=A-march")).QuerySelectorAll(".drill-on"));
        var cell = library.QuerySelectorAll("a.drill-cell").Single(c => c.QuerySelector(".drill-name")!.TextContent == "A-skip");
        var address = cell.QuerySelector("img")!.GetAttribute("src")!;
        var picture = XDocument.Parse(await coach.TextAsync(address));
        Assert.Equal("svg", picture.Root!.Name.LocalName);
        Assert.InRange(picture.Descendants().Count(e => e.Name.LocalName == "path"), 6, 12);
        Assert.DoesNotContain(picture.Descendants(), e => e.Name.LocalName is "script" or "style" or "image");
        Assert.Contains("side shuffle", (await coach.PageAsync("/Drills?q=shuffle")).QuerySelectorAll(".drill-cell:has(img) .drill-name").Select(n => n.TextContent));

        var drill = await coach.PageAsync("/Drills/A-skip");
        Assert.Equal("Thigh to hip height", drill.QuerySelectorAll("svg.figures text")[0].TextContent);
        Assert.Equal(4, drill.QuerySelectorAll("section svg.figures[role=img]")[0].QuerySelectorAll("g[transform]").Length);
        Assert.Contains("shoulders behind hips", drill.QuerySelector(".fault-pair svg")!.GetAttribute("aria-label"), StringComparison.Ordinal);
        Assert.Contains("14°", drill.QuerySelector(".fault-pair")!.TextContent, StringComparison.Ordinal);
        // It moves only when asked; then all its frames come, one of them shown.
        Assert.Empty(drill.QuerySelector("[data-stage]")!.Children);
        var moving = XDocument.Parse(await coach.TextAsync("/Drills/A-skip" + drill.QuerySelector("[data-moving]")!.GetAttribute("data-moving")));
        var frames = moving.Descendants().Where(e => e.Attribute("data-frame") is not null).ToList();
        Assert.Equal((24, 23), (frames.Count, frames.Count(f => f.Attribute("display")?.Value == "none")));
        Assert.Equal("0.8", moving.Root!.Attribute("data-seconds")!.Value);
        Assert.NotEqual(frames[3].Elements().First().ToString(), frames[9].Elements().First().ToString());
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Drills/cut%20ninety?handler=Moving")).Code);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Drills/water%20break?handler=Picture")).Code);
        Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Drills?handler=Pose&name=flying")).Code);
        Assert.Equal(HttpStatusCode.OK, (await coach.GetAsync("/Drills?handler=Pose&name=stop")).Code);
        Assert.Empty((await coach.PageAsync("/Drills/water%20break")).QuerySelectorAll("svg.figures"));

        Assert.Equal("1.48", XDocument.Parse(await coach.TextAsync("/Drills/carioca?handler=Moving")).Root!.Attribute("data-seconds")!.Value);

        // From the easiest to the hardest each stands on a step as high as its effort.
        var steps = drill.QuerySelectorAll("svg.ladder a").Select(a => (Name: a.GetAttribute("aria-label"), Top: double.Parse(a.QuerySelectorAll("rect")[1].GetAttribute("y")!, CultureInfo.InvariantCulture), Stands: a.QuerySelector("g[transform]")!.GetAttribute("transform")!)).ToList();
        Assert.Equal(["A-march", "A-switch", "A-skip", "A-run", "overhead A-run"], steps.Select(s => s.Name));
        Assert.All(steps, s => Assert.EndsWith(string.Create(CultureInfo.InvariantCulture, $" {s.Top:0.##})"), s.Stands, StringComparison.Ordinal));
        Assert.True(steps[0].Top > steps[2].Top && steps[2].Top > steps[3].Top);

        // What goes sideways is seen from the front, in a row like the others, and its fault beside what is right.
        Assert.Equal(3, (await coach.PageAsync("/Drills/carioca")).QuerySelector("section svg.figures[role=img]")!.QuerySelectorAll("g[transform]").Length);
        Assert.Contains("14 cm", (await coach.PageAsync("/Drills/lateral%20jump")).QuerySelector(".fault-pair")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_own_exercise_chooses_a_position_and_a_known_one_keeps_its_own()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        (string, string)[] own = [("of", ""), ("Input.Name", "quay hop"), ("Input.Kind", "Jumps"), ("Input.Family", "own"), ("Input.Counted", "Reps"), ("Input.Dose", "3 x 4"), ("Input.Effort", "90"), ("Input.SecondsEach", "2"), ("Input.Contacts", "1"), ("Input.For", "Springs."), ("Input.Pose", "hop")];
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", own)).Code);
        Assert.Equal("1  hop", (await coach.PageAsync("/Drills/quay%20hop")).QuerySelector("svg.figures text")!.TextContent.Replace('\u00a0', ' '));
        var form = await coach.PageAsync("/Drills/Edit?of=quay%20hop");
        Assert.Equal("hop", form.QuerySelector("[name='Input.Pose'][checked]")!.GetAttribute("value"));
        Assert.Equal(PoseBook.Poses.Count() + PoseBook.FrontPoses.Count() + 2, form.QuerySelectorAll("[name='Input.Pose']").Length);

        // What has several positions keeps them when something else is changed, with what stands beside them.
        var wall = await coach.PageAsync("/Drills/Edit?of=wall%20switch%20two");
        Assert.Equal("as it is", wall.QuerySelector("[name='Input.Pose'][checked]")!.GetAttribute("value"));
        (string, string) Kept(string name) => (name, wall.QuerySelector($"[name='{name}']") is { } f ? (f as AngleSharp.Html.Dom.IHtmlSelectElement)?.Value ?? (f as AngleSharp.Html.Dom.IHtmlTextAreaElement)?.Value ?? f.GetAttribute("value") ?? "" : "");
        (string, string)[] again = [("of", "wall switch two"), Kept("opened"), .. new[] { "Name", "Kind", "Family", "Counted", "Dose", "Effort", "Movement", "SecondsEach", "Contacts", "Also", "For", "Points", "Faults", "Easier", "Harder", "Kit" }.Select(n => Kept("Input." + n)), ("Input.Pose", "as it is")];
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Drills/Edit?of=wall%20switch%20two", "/Drills/Edit", again)).Code);
        Assert.Equal(["1  wall hold", "2  wall switch"], (await coach.PageAsync("/Drills/wall%20switch%20two")).QuerySelectorAll("section svg.figures").First().QuerySelectorAll("text").Select(t => t.TextContent.Replace('\u00a0', ' ')).Where(t => char.IsDigit(t[0])));
        Assert.Contains("M", await coach.TextAsync("/Drills/wall%20switch%20two?handler=Picture"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_own_exercise_is_posed_and_drawn_by_what_was_posed()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        async Task<JsonElement> PosedAsync(string query) => JsonDocument.Parse(await coach.TextAsync("/Drills/Edit?handler=Posed&kind=Jumps&" + query)).RootElement;
        JsonElement Handle(JsonElement desk, PoseJoint joint) => desk.GetProperty("handles").EnumerateArray().Single(h => h.GetProperty("joint").GetInt32() == (int)joint);
        double X(JsonElement handle) => handle.GetProperty("x").GetDouble();
        double Y(JsonElement handle) => handle.GetProperty("y").GetDouble();

        // From a picture: every joint can be taken hold of where it is drawn, and says what it stands at.
        var desk = await PosedAsync("pose=stand");
        Assert.Equal(17, desk.GetProperty("handles").GetArrayLength());
        var (hip, head) = (Handle(desk, PoseJoint.Hip), Handle(desk, PoseJoint.Head));
        Assert.Equal((PoseDesk.Width / 2, "hips", "0 cm up"), (X(hip), hip.GetProperty("name").GetString(), hip.GetProperty("says").GetString()));
        Assert.InRange(Y(hip) - Y(head), 100, 140);
        Assert.Equal(OwnPose.Write(PoseBook.Find("stand")!), desk.GetProperty("pose").GetString());

        // A knee pulled up and forward, a name, the sides changed, something else to stand on: each is answered, nothing is kept.
        var pose = Uri.EscapeDataString(desk.GetProperty("pose").GetString()!);
        var pulled = await PosedAsync(string.Create(CultureInfo.InvariantCulture, $"pose={pose}&joint=NearKnee&x={X(hip) + 70}&y={Y(hip)}&name=knee%20up"));

        // A level thigh, and the degree the trunk leans.
        Assert.Equal("91° bent at the hip", Handle(pulled, PoseJoint.NearKnee).GetProperty("says").GetString());
        Assert.Equal("knee up", pulled.GetProperty("name").GetString());
        var turned = await PosedAsync($"pose={Uri.EscapeDataString(pulled.GetProperty("pose").GetString()!)}&isMirrored=true&on=Near&isRounded=true");
        Assert.Equal(("91° bent at the hip", "Far", true), (Handle(turned, PoseJoint.FarKnee).GetProperty("says").GetString(), turned.GetProperty("on").GetString(), turned.GetProperty("isRounded").GetBoolean()));
        var keyed = await PosedAsync($"pose={pose}&joint=FarAnkle&to=500");
        Assert.Equal("140° bent at the knee", (await PosedAsync($"pose={pose}&joint=FarAnkle&to=140") is var k ? Handle(k, PoseJoint.FarAnkle) : default).GetProperty("says").GetString());
        Assert.InRange(Handle(keyed, PoseJoint.FarAnkle).GetProperty("stands").GetDouble(), 0, 145);
        foreach (var wrong in new[] { "pose=flying", "pose=carioca,%20feet%20apart" })
        {
            Assert.Equal(HttpStatusCode.NotFound, (await coach.GetAsync("/Drills/Edit?handler=Posed&kind=Jumps&" + wrong)).Code);
        }

        foreach (var wrong in new[] { "joint=99&to=1", "joint=NearKnee&to=NaN", "on=Wings", "on=99", "joint=NearKnee&x=left&y=1" })
        {
            Assert.Equal(HttpStatusCode.BadRequest, (await coach.GetAsync($"/Drills/Edit?handler=Posed&kind=Jumps&pose=stand&{wrong}")).Code);
        }

        // Kept with its exercise: in its row, its picture, in motion, and in the form when it is opened again.
        var (up, down) = (pulled.GetProperty("pose").GetString()!, OwnPose.Write(PoseBook.Find("squat")! with { Name = "low" }));
        (string, string)[] Form(string own, string name = "quay spring") => [("of", ""), ("Input.Name", name), ("Input.Kind", "Jumps"), ("Input.Family", "own"), ("Input.Counted", "Reps"), ("Input.Dose", "3 x 4"), ("Input.Effort", "90"), ("Input.SecondsEach", "2"), ("Input.Contacts", "1"), ("Input.For", "Springs."), ("Input.Pose", "as you posed it"), ("Input.Own", own)];
        Assert.Equal(HttpStatusCode.Redirect, (await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Form($"{up}\r\n{down}\r\n"))).Code);
        var page = await coach.PageAsync("/Drills/quay%20spring");
        Assert.Equal(["1  knee up", "2  low"], page.QuerySelectorAll("svg.figures text").Select(t => t.TextContent.Replace('\u00a0', ' ')));
        Assert.Equal("1.8", XDocument.Parse(await coach.TextAsync("/Drills/quay%20spring?handler=Moving")).Root!.Attribute("data-seconds")!.Value);
        Assert.NotNull((await coach.PageAsync("/Drills?q=quay%20spring")).QuerySelector(".drill-cell img"));
        var form = await coach.PageAsync("/Drills/Edit?of=quay%20spring");
        Assert.Equal("as you posed it", form.QuerySelector("[name='Input.Pose'][checked]")!.GetAttribute("value"));
        // The foot that carried it was lifted: what is kept stands on the other one.
        Assert.Equal([OwnPose.Write(PoseHand.Grounded(OwnPose.Read(up)!)), down], form.QuerySelector("[name='Input.Own']")!.TextContent.Trim().Split('\n'));

        // A body under the ground is lifted onto it before it is kept.
        var low = OwnPose.Write(PoseBook.Find("stand")! with { Support = InchBurst.Core.Movement.Support.Seat });
        await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Form(low, "quay sit"));
        var kept = OwnPose.Read((await coach.PageAsync("/Drills/Edit?of=quay%20sit")).QuerySelector("[name='Input.Own']")!.TextContent.Trim())!;
        Assert.InRange(SideFigure.Of(kept).Lowest, -0.001, 0.001);

        // What cannot be kept is said beside it, with what was posed still there.
        foreach (var (own, words) in new[] { ("", "Pose a position, or choose"), (string.Join('\n', Enumerable.Repeat(up, 5)), "At most 4 positions."), ($"{up}\nown: 1 2 3", "One of these positions could not be read.") })
        {
            var refused = await coach.PostAsync("/Drills/Edit", "/Drills/Edit", Form(own, "quay other"));
            Assert.Equal(HttpStatusCode.OK, refused.Code);
            var told = refused.Page;
            Assert.Contains(words, told.QuerySelector("[data-valmsg-for='Input.Own']")!.TextContent, StringComparison.Ordinal);
            Assert.Equal(own, told.QuerySelector("[name='Input.Own']")!.TextContent.Trim().ReplaceLineEndings("\n"));
            Assert.True(told.QuerySelector("details.poses")!.HasAttribute("open"));
        }
    }

    [Fact]
    public async Task The_card_and_the_tiles_trackside_show_what_is_meant()
    {
        await using var house = await TestHouse.OpenAsync(demo: true);
        var coach = await house.CoachAsync();
        var lines = (await coach.PageAsync("/Sessions/49/Card")).QuerySelectorAll(".card-lines li").DistinctBy(l => l.QuerySelector("b")!.TextContent).ToDictionary(l => l.QuerySelector("b")!.TextContent, l => l.QuerySelectorAll("svg.drill-figure-own").Length);
        Assert.Equal(1, lines["Ankle dribble"]);
        Assert.Contains(lines, l => l.Value == 0);

        // On the paper a row of what there is to be learnt, never a body twice.
        var drawn = (await coach.PageAsync("/Sessions/49/Sheet")).QuerySelectorAll(".sheet-figures figure").Select(f => (Name: f.TextContent.Trim(), Paths: f.QuerySelectorAll("svg path").Length)).ToList();
        Assert.Contains("A-skip", drawn.Select(d => d.Name));
        Assert.InRange(drawn.Count, 5, 9);
        Assert.Equal(drawn.Count, drawn.Select(d => d.Name).Distinct().Count());
        Assert.All(drawn, d => Assert.True(d.Paths > 4));

        const string live = "/Sessions/49/Trackside";
        await coach.PostAsync(live, live + "?handler=Start", [.. (await coach.PageAsync(live)).QuerySelectorAll("[name=here][checked]").Select(h => ("here", h.GetAttribute("value")!))]);
        var tiles = (await coach.PageAsync(live + "?line=5")).QuerySelectorAll(".t-tile");
        var reached = tiles.Single(t => t.QuerySelector("b")!.TextContent == "Reached in front").QuerySelector("svg.t-fault")!;
        Assert.Equal("true", reached.GetAttribute("aria-hidden"));
        Assert.Contains(reached.QuerySelectorAll("path"), p => p.GetAttribute("stroke-dasharray") == "4 3");
        Assert.Empty(reached.QuerySelectorAll("text"));
        Assert.Null(tiles.Single(t => t.QuerySelector("b")!.TextContent == "Slipped").QuerySelector("svg"));
    }
}
