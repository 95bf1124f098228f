using System.Text.Json;
using InchBurst.Core.Demand;
using InchBurst.Core.Film;
using InchBurst.Core.Log;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Tests;

/// <summary>Times and lengths from film: worked by hand, by science.md, by chance, and against a drawn runner whose truth is known.</summary>
public class FilmTests
{
    private static FilmClip Clip(double rate = 120, int frames = 121, int width = 640) => new(frames, (frames - 1) / rate, 1 / rate, 1 / rate, width, 360);

    private static FilmFrame At(int number, double rate = 120) => new(number, number / rate, 1 / rate);

    private static FootMark Down(int frame, Side foot, double? x = null) => new(At(frame), foot, true, x is { } at ? new(at, 300) : null);

    private static FootMark Off(int frame, Side foot) => new(At(frame), foot, false);

    // Contacts of 12 and 13 frames, landings 27 frames apart, 1.9 m apart at 100 px a metre.
    private static FilmMarks Run(params FootMark[] more) => new()
    {
        Clip = Clip(),
        Feet = [Down(0, Side.Right, 20), Off(12, Side.Right), Down(27, Side.Left, 210), Off(40, Side.Left), Down(54, Side.Right, 400), Off(66, Side.Right), Down(81, Side.Left, 590), Off(94, Side.Left), .. more],
        Scales = [new(0, new(20, 320), new(520, 320), 5)],
    };

    private static FilmClip ClipAt(double rate, int frames = 61) => FilmClip.Of([.. Enumerable.Range(0, frames).Select(i => i / rate)], 640, 360)!;

    // Phones state up to a screen's rate for films taken faster: common practice.
    [Theory]
    [InlineData(30, 30, true)]
    [InlineData(29.97, 30, true)]
    [InlineData(65.4, 65, true)]
    [InlineData(65.6, 66, false)]
    [InlineData(240, 240, false)]
    public void A_file_that_says_few_frames_a_second_may_be_slow_motion(double rate, int stated, bool may) => Assert.Equal((stated, may), ClipAt(rate) is var clip ? (clip.Stated, clip.MaySlow) : default);

    [Fact]
    public void Slow_play_is_a_quarter_of_the_worlds_speed_and_a_second_clip_is_taken_as_the_first_was()
    {
        // 30 a second said, 240 taken: an eighth already, so it plays twice as fast as the file says.
        var slow = ClipAt(30) with { ShotRate = 240 };
        Assert.Equal(2, slow.SlowPlay, 1e-9);
        Assert.Equal(0.25, ClipAt(30).SlowPlay, 1e-9);
        Assert.Equal((240, null), (ClipAt(29.97).ShotLike(slow).ShotRate, ClipAt(60).ShotLike(slow).ShotRate));
        Assert.Null(ClipAt(31).ShotLike(slow).ShotRate);
        Assert.Null(ClipAt(30).ShotLike(ClipAt(30)).ShotRate);
        var first = System.Text.Json.Nodes.JsonNode.Parse(FilmSight.ClipOf([0, 0.1, 0.2], 64, 36)!)!;
        Assert.Equal((10, true, 1.0), ((int)first["stated"]!, (bool)first["maySlow"]!, (double)first["slowed"]!));
        first["clip"]!["shotRate"] = 80;
        var beside = System.Text.Json.Nodes.JsonNode.Parse(FilmSight.BesideOf(first["clip"]!.ToJsonString(), [0, 0.1, 0.2], 64, 36)!)!;
        Assert.Equal((80, 0.125), ((double)beside["clip"]!["shotRate"]!, (double)beside["slowed"]!));
        Assert.Null(FilmSight.BesideOf(first["clip"]!.ToJsonString(), [0], 64, 36));
        Assert.Throws<System.Text.Json.JsonException>(() => FilmSight.BesideOf("null", [0, 0.1, 0.2], 64, 36));
    }

    [Fact]
    public void A_time_between_two_frames_errs_as_science_says()
    {
        // science.md 11: SD 1/(fps sqrt 6), 3.4 ms at 120; 95% within 0.776 frame.
        Assert.Equal(0.0034, FilmFigure.Deviation(At(3), At(15), Clip()), 4);
        Assert.Equal(1 / (120 * Math.Sqrt(6)), FilmFigure.Deviation(At(3), At(15), Clip()), 9);
        var contact = FilmFigure.Between(At(3), At(15), Clip());
        Assert.Equal(0.1, contact.Value, 9);
        Assert.Equal(0.776 / 120, contact.Within, 5);
    }

    [Fact]
    public void Ninety_five_of_a_hundred_true_times_lie_in_the_stated_range()
    {
        var chance = new Random(16);
        const int Runs = 20000;
        var (one, mean) = (0, 0);
        for (var i = 0; i < Runs; i++)
        {
            // A run that begins anywhere between two frames, marked on the first frame that shows each landing and leaving.
            var (start, contact, flight) = (chance.NextDouble(), 0.09 + (0.025 * chance.NextDouble()), 0.12 + (0.025 * chance.NextDouble()));
            int Frame(double t) => (int)Math.Ceiling((t * 120) + start);
            var feet = new List<FootMark>();
            for (var k = 0; k < 5; k++)
            {
                var foot = k % 2 == 0 ? Side.Right : Side.Left;
                feet.Add(new(At(Frame(k * (contact + flight))), foot, true));
                feet.Add(new(At(Frame((k * (contact + flight)) + contact)), foot, false));
            }

            var steps = FilmSteps.Of(new() { Clip = Clip(frames: 200), Feet = feet });
            one += Math.Abs(steps.Steps[0].Contact!.Value.Value - contact) <= steps.Steps[0].Contact!.Value.Within ? 1 : 0;
            mean += Math.Abs(steps.Frequency!.Value.Value - (1 / (contact + flight))) <= steps.Frequency!.Value.Within ? 1 : 0;
        }

        Assert.InRange(one / (double)Runs, 0.945, 0.955);
        Assert.InRange(mean / (double)Runs, 0.945, 0.955);
    }

    [Fact]
    public void Steps_are_worked_as_by_hand()
    {
        var steps = FilmSteps.Of(Run());
        Assert.Empty(steps.Problems);
        Assert.Equal([Side.Right, Side.Left, Side.Right, Side.Left], steps.Steps.Select(s => s.Foot));
        Assert.Equal([0, 27, 54, 81], steps.Steps.Select(s => s.Frame));
        Assert.Equal([100, 108.333, 100, 108.333], steps.Steps.Select(s => Math.Round(s.Contact!.Value.Value * 1000, 3)));
        Assert.Equal([125, 116.667, 125], steps.Steps.Take(3).Select(s => Math.Round(s.Flight!.Value.Value * 1000, 3)));
        Assert.All(steps.Steps.Take(3), s => Assert.Equal(120 / 27.0, s.Frequency!.Value.Value, 9));
        Assert.All(steps.Steps.Take(3), s => Assert.Equal(1.9, s.Length!.Value.Value, 9));
        Assert.Equal((null, null, null), (steps.Steps[3].Flight, steps.Steps[3].Frequency, steps.Steps[3].Length));

        Assert.Equal(3, steps.Counted);
        Assert.Equal((0.1041667, 0.1222222), (Math.Round(steps.Contact!.Value.Value, 7), Math.Round(steps.Flight!.Value.Value, 7)));
        Assert.Equal(FilmFigure.Normal / (120 * Math.Sqrt(6 * 4)), steps.Contact!.Value.Within, 9);
        Assert.Equal(FilmFigure.Normal / (120 * Math.Sqrt(6 * 3)), steps.Flight!.Value.Within, 9);
        Assert.Equal(120 / 27.0, steps.Frequency!.Value.Value, 9);

        // Three steps are one stretch of time with two ends: a third of one step's doubt (science.md 11).
        Assert.Equal(steps.Steps[0].Frequency!.Value.Within / 3, steps.Frequency!.Value.Within, 9);
        Assert.Equal(FilmFigure.Triangle / 120 / Math.Pow(27 / 120.0, 2), steps.Steps[0].Frequency!.Value.Within, 9);

        // Lengths: ends at 1 px each of 640, and the scale's own two ends over its 500 px.
        var way = FilmFigure.Normal * Math.Sqrt(Math.Pow(Math.Sqrt(2) / 100, 2) + Math.Pow(5.7 * Math.Sqrt(2) / 500, 2));
        Assert.Equal((1.9, 8.444444), (Math.Round(steps.Length!.Value.Value, 9), Math.Round(steps.Speed!.Value.Value, 6)));
        Assert.Equal(way / 3, steps.Length!.Value.Within, 9);
        Assert.Equal(8.4444444 * Math.Sqrt(Math.Pow(way / 5.7, 2) + Math.Pow(FilmFigure.Triangle / 120 / (81 / 120.0), 2)), steps.Speed!.Value.Within, 6);
        Assert.Equal(1000 / 120.0, steps.LeftOverRight!.Value.Value * 1000, 6);
        Assert.Equal(FilmFigure.Normal / 120 * Math.Sqrt(2 / 12.0), steps.LeftOverRight!.Value.Within, 9);
    }

    [Fact]
    public void The_moment_and_the_foot_of_a_frame_follow_from_the_marks()
    {
        var steps = FilmSteps.Of(Run());
        Assert.Equal([FilmMoment.FootDown, FilmMoment.MidStance, FilmMoment.FootOff, FilmMoment.Flight, FilmMoment.FootDown], new[] { 0, 11, 12, 13, 27 }.Select(steps.MomentOf));
        Assert.Equal([Side.Right, Side.Right, Side.Right, null, Side.Left, Side.Left, null], new[] { 0, 5, 12, 20, 27, 40, 41 }.Select(steps.FootOf));
        var begun = FilmSteps.Of(new() { Clip = Clip(), Feet = [Off(5, Side.Left), Down(20, Side.Right)] });
        Assert.Equal([FilmMoment.MidStance, FilmMoment.FootOff, FilmMoment.Flight, FilmMoment.MidStance], new[] { 0, 5, 19, 100 }.Select(begun.MomentOf));
        Assert.Single(begun.Steps);
        Assert.Null(begun.Contact);
    }

    [Fact]
    public void Marks_that_cannot_be_a_run_are_told_and_not_counted()
    {
        // A landing of the right is missing between two of the left.
        var twice = FilmSteps.Of(new() { Clip = Clip(), Feet = [Down(0, Side.Right), Down(27, Side.Left), Down(81, Side.Left), Down(108, Side.Right)] });
        Assert.Contains("left foot lands twice in a row, on frames 27 and 81", Assert.Single(twice.Problems));
        Assert.Equal(2, twice.Counted);
        Assert.Equal(120 / 27.0, twice.Frequency!.Value.Value, 9);
        Assert.Null(twice.Steps[1].Frequency);

        var both = FilmSteps.Of(new() { Clip = Clip(), Feet = [Down(0, Side.Right), Down(20, Side.Left), Off(25, Side.Right), Off(40, Side.Left)] });
        Assert.Contains("Both feet are down on frame 20", Assert.Single(both.Problems));
        Assert.Null(both.Steps[0].Flight);

        // One foot leaves on the very frame on which the other lands: no flight, no fault.
        var touch = FilmSteps.Of(new() { Clip = Clip(), Feet = [Down(0, Side.Right), Down(20, Side.Left), Off(20, Side.Right), Off(40, Side.Left)] });
        Assert.Empty(touch.Problems);
        Assert.Null(touch.Steps[0].Flight);

        // A leaving that was not marked is no fault, and the next one belongs to the next contact.
        var open = FilmSteps.Of(new() { Clip = Clip(), Feet = [Down(0, Side.Right), Down(27, Side.Left), Off(40, Side.Left), Down(54, Side.Right), Off(66, Side.Right)] });
        Assert.Empty(open.Problems);
        Assert.Equal([false, true, true], open.Steps.Select(s => s.Contact is not null));

        // Hops on one leg are counted as hops.
        var hops = FilmSteps.Of(new() { Clip = Clip(), Feet = [Down(0, Side.Left), Off(20, Side.Left), Down(50, Side.Left), Off(70, Side.Left), Down(100, Side.Left)] });
        Assert.Empty(hops.Problems);
        Assert.Equal((2, 2.4), (hops.Counted, Math.Round(hops.Frequency!.Value.Value, 9)));
        Assert.Null(hops.LeftOverRight);
    }

    [Fact]
    public void A_clip_is_what_its_frames_are()
    {
        Assert.Null(FilmClip.Of([0], 640, 360));
        Assert.Null(FilmClip.Of([0, 0.1, 0.1], 640, 360));
        Assert.Null(FilmClip.Of([0, 0.1], 0, 360));
        Assert.Null(FilmClip.Of([0, 0.1], 640, 0));
        var even = FilmClip.Of([.. Enumerable.Range(0, 121).Select(i => 2 + (i / 120.0))], 640, 360)!;
        Assert.Equal((121, true), (even.Frames, even.IsSteady));
        Assert.Equal((120, 1, 0.008333333), (Math.Round(even.Rate, 6), even.Slowed, Math.Round(even.Frame, 9)));
        Assert.Equal("120 frames a second, one frame = 8.3 ms", even.Words);
        Assert.Equal("30 frames a second, one frame = 33.4 ms", (even with { Frames = 31, Seconds = 1.001 }).Words);

        // Whole milliseconds, as Matroska keeps them, are even; what a phone drops is not.
        var rounded = FilmClip.Of([.. Enumerable.Range(0, 121).Select(i => Math.Round(i / 120.0, 3))], 640, 360)!;
        Assert.True(rounded.IsSteady);
        Assert.Equal(5 / 120.0, new FilmFrame(5, 0.042, 0.009).At(rounded), 9);
        var dropped = FilmClip.Of([.. Enumerable.Range(0, 121).Where(i => i != 60).Select(i => i / 120.0)], 640, 360)!;
        Assert.False(dropped.IsSteady);
        Assert.Equal((0.042, 0.009), (new FilmFrame(5, 0.042, 0.009).At(dropped), new FilmFrame(5, 0.042, 0.009).Doubt(dropped)));

        // Filmed at 240, stored as 30: eight times as slow.
        var slow = Clip(30) with { ShotRate = 240 };
        Assert.Equal((0.125, 0.1), (slow.Slowed, At(24, 30).At(slow)));
        Assert.Equal(1 / 240.0, At(24, 30).Doubt(slow), 12);
        Assert.Equal(0.5, new FilmFrame(24, 4, 0.1).At(slow with { LongestGap = 0.2 }), 12);
        Assert.Equal(0.0125, new FilmFrame(24, 4, 0.1).Doubt(slow with { LongestGap = 0.2 }), 12);
    }

    [Fact]
    public void A_scale_says_what_it_is_worth()
    {
        var marks = Run();
        var scale = FilmScale.Of(marks)!;
        Assert.Equal((100, false, false, 1), (scale.PixelsPerMetre, scale.CameraMoved, scale.IsShort, scale.CheckedOn));
        Assert.Null(FilmScale.Of(marks with { Scales = [] }));

        // A place off the scale's own line counts by how far along it lies.
        Assert.Equal(2, scale.Along(new(220, 100)), 9);
        Assert.Equal(1.2, scale.Distance(new(220, 100), new(100, 350)).Value, 9);

        // Three px of 640 are what a finger does; more is a camera that moved, and nothing is measured.
        FilmMarks Again(double by, int frame = 100) => marks with { Scales = [new(frame, new(20 + by, 320), new(520 + by, 320), 5), .. marks.Scales] };
        Assert.NotNull(FilmSteps.Of(Again(3)).Speed);
        Assert.False(FilmScale.Of(Again(3))!.CameraMoved);
        Assert.True(FilmScale.Of(Again(3.1))!.CameraMoved);
        var moved = FilmSteps.Of(Again(40));
        Assert.Equal((null, null), (moved.Speed, moved.Length));
        Assert.NotNull(moved.Frequency);
        Assert.Equal(20, FilmScale.Of(Again(3))!.Mark.From.X);

        // science.md 11: a length beside the plane of the scale errs by offset over distance.
        var beside = FilmSteps.Of(marks with { CameraMetres = 20, BesideMetres = 1 });
        Assert.Equal(FilmSteps.Of(marks).Length!.Value.Within + (1.9 / 20), beside.Length!.Value.Within, 9);
        Assert.Equal((90, 45, 0), (Math.Round(scale.Askew(new(0, 0), new(0, 50))), Math.Round(scale.Askew(new(0, 0), new(-50, 50))), Math.Round(scale.Askew(new(50, 5), new(0, 5)))));
        Assert.Equal((1, 2.88), (FilmScale.MarkPixels(Clip(width: 320)), FilmScale.MarkPixels(Clip(width: 1920))));
        Assert.True(FilmScale.Of(marks with { Scales = [new(0, new(0, 0), new(95.9, 0), 1)] })!.IsShort);
        Assert.False(FilmScale.Of(marks with { Scales = [new(0, new(0, 0), new(96, 0), 1)] })!.IsShort);
    }

    [Fact]
    public void Lines_are_times_of_a_run()
    {
        FilmMarks Lines(params (int Frame, double At)[] lines) => Run() with { Lines = [.. lines.Select(l => new LineMark(At(l.Frame), new(l.At, DistanceUnit.Metre)))] };
        string Said(FilmMarks marks) => string.Join(' ', FilmSight.TimesOf(marks).Select(t => $"{t.At}:{t.Seconds}"));
        Assert.Equal("10 m:0.55 20 m:0.975", Said(Lines((102, 10), (36, 0), (153, 20)) with { Clip = Clip(frames: 200) }));

        // Where the first line is none of the start, nothing is known of it: its time is 0 and a zone is timed.
        Assert.Equal("10 m:0 20 m:0.4333", Said(Lines((10, 10), (62, 20))));
        Assert.Equal("", Said(Lines((10, 10))));
        Assert.Equal("", Said(Lines((10, 10), (10, 20))));
        Assert.Equal("", Said(Lines((10, 10), (9, 20), (40, 30))));
        Assert.Equal("", Said(Lines((10, 10), (20, 10))));
    }

    [Fact]
    public void A_reading_from_film_goes_after_gates_and_before_a_watch()
    {
        Reading Of(TimingMethod method, double seconds) => new(method.ToString(), method, StartTrigger.FirstGate, [new(new(20, DistanceUnit.Metre), seconds)], DateTime.UnixEpoch);
        foreach (var (methods, stands) in new (TimingMethod[], TimingMethod)[]
        {
            ([TimingMethod.Hand, TimingMethod.Film], TimingMethod.Film), ([TimingMethod.Film, TimingMethod.Hand], TimingMethod.Film), ([TimingMethod.Film, TimingMethod.Electronic], TimingMethod.Electronic),
            ([TimingMethod.Hand, TimingMethod.Film, TimingMethod.Electronic], TimingMethod.Electronic), ([TimingMethod.Hand, TimingMethod.Hand], TimingMethod.Hand),
        })
        {
            var rep = Readings.Combine([.. methods.Select(m => Of(m, m == TimingMethod.Hand ? 3.0 : m == TimingMethod.Film ? 3.2 : 3.4))]);
            Assert.Equal((stands, (string?)null), (rep.Method, rep.Conflict));
            Assert.Equal(stands == TimingMethod.Hand ? 3.0 : stands == TimingMethod.Film ? 3.2 : 3.4, rep.Marks[0].Seconds);
        }

        Assert.NotNull(Readings.Combine([Of(TimingMethod.Film, 3.0), Of(TimingMethod.Film, 3.1)]).Conflict);
    }

    [Fact]
    public void Two_clips_differ_by_more_than_they_leave_open_or_not()
    {
        FilmFigure F(double value, double within) => new(value, within);
        FilmSteps Steps(FilmFigure? contact, FilmFigure? hz, FilmFigure? speed) => new() { Contacts = [], Steps = [], Contact = contact, Frequency = hz, Speed = speed };
        var (then, now) = (Steps(F(0.110, 0.003), F(4.2, 0.03), F(8.00, 0.06)), Steps(F(0.1051, 0.004), F(4.3, 0.04), F(8.11, 0.08)));
        Assert.Equal(
            [new FilmChange("Contact", "110 ms", "105 ms", "−5 ± 5 ms", false), new("Step frequency", "4.20 Hz", "4.30 Hz", "+0.10 ± 0.05 Hz", true), new("Speed", "8.00 m/s", "8.11 m/s", "+0.11 ± 0.10 m/s", true)],
            FilmChange.Between(then, now, SpeedReading.MetresPerSecond));
        Assert.Equal(new FilmChange("Speed", "28.8 km/h", "29.2 km/h", "+0.4 ± 0.4 km/h", true), FilmChange.Between(then, now, SpeedReading.KilometresPerHour)[2]);
        Assert.Single(FilmChange.Between(then, Steps(F(0.1, 0.0001), null, null), SpeedReading.MetresPerSecond));
        Assert.Equal("−10 ± 3 ms", FilmChange.Between(then, Steps(F(0.1, 0.0001), null, null), SpeedReading.MetresPerSecond)[0].Text);
        Assert.Equal("0 ± 4 ms", FilmChange.Between(then, Steps(F(0.1104, 0.003), null, null), SpeedReading.MetresPerSecond)[0].Text);
        Assert.Empty(FilmChange.Between(then, Steps(null, null, null), SpeedReading.MetresPerSecond));
    }

    [Fact]
    public void Marks_go_through_text_and_what_cannot_be_is_refused()
    {
        var marks = Run() with { Lines = [new(At(9), new(10, DistanceUnit.Yard))], Bodies = [new(27, FilmPhase.Rise, FilmMoment.FootDown, new Dictionary<FilmJoint, Spot> { [FilmJoint.FarToe] = new(3, 4.5) })], CameraMetres = 12, Speed = SpeedReading.MilesPerHour };
        var back = FilmMarks.Read(marks.Write());
        Assert.Equal(marks.Write(), back.Write());
        Assert.Equal(marks.Feet, back.Feet);
        Assert.Equal(new Spot(3, 4.5), back.Bodies[0].Joints[FilmJoint.FarToe]);
        Assert.Equal((10, DistanceUnit.Yard, SpeedReading.MilesPerHour), (back.Lines[0].At.Amount, back.Lines[0].At.Unit, back.Speed));
        FilmMarks[] wrong =
        [
            marks with { Clip = marks.Clip with { ShotRate = 9 } }, marks with { Clip = marks.Clip with { ShotRate = 2001 } }, marks with { Clip = marks.Clip with { Frames = 1 } }, marks with { Clip = marks.Clip with { Seconds = 0 } },
            marks with { Feet = [Down(121, Side.Left)] }, marks with { Feet = [Down(1, Side.Left, 641)] }, marks with { Feet = [Down(-1, Side.Left)] }, marks with { Lines = [new(At(121), new(1, DistanceUnit.Metre))] },
            marks with { Lines = [new(At(1), new(1001, DistanceUnit.Metre))] }, marks with { Scales = [new(0, new(1, 1), new(1, 1), 2)] }, marks with { Scales = [new(0, new(1, 1), new(9, 1), 0)] },
            marks with { Scales = [new(0, new(-1, 1), new(9, 1), 2)] }, marks with { Scales = [new(121, new(1, 1), new(9, 1), 2)] }, marks with { CameraMetres = 0 }, marks with { BesideMetres = -1 },
            marks with { Bodies = [new(121, FilmPhase.Rise, FilmMoment.Flight, new Dictionary<FilmJoint, Spot>())] }, marks with { Bodies = [new(1, FilmPhase.Rise, FilmMoment.Flight, new Dictionary<FilmJoint, Spot> { [FilmJoint.Hip] = new(1, 361) })] },
        ];
        Assert.All(wrong, w => Assert.Throws<JsonException>(() => FilmMarks.Read(w.Write())));
        Assert.Throws<JsonException>(() => FilmMarks.Read("{}"));
        Assert.Throws<JsonException>(() => FilmMarks.Read("null"));
        FilmMarks[] right = [marks with { Clip = marks.Clip with { ShotRate = 10 } }, marks with { Clip = marks.Clip with { ShotRate = 2000 } }, marks with { Feet = [Down(120, Side.Left, 640)] }, marks with { Lines = [new(At(1), new(0, DistanceUnit.Metre))] }];
        Assert.All(right, r => Assert.Equal(r.Write(), FilmMarks.Read(r.Write()).Write()));
    }

    [Fact]
    public void A_drawn_runner_is_measured_as_it_was_drawn()
    {
        using var truth = JsonDocument.Parse(File.ReadAllText(Path.Combine(Repository.Root, "tests/InchBurst.Browser.Tests/Clips/runner.json")));
        var of = truth.RootElement;
        double N(string name) => of.GetProperty(name).GetDouble();
        Spot Place(JsonElement at) => new(at.GetProperty("x").GetDouble(), at.GetProperty("y").GetDouble());
        var feet = of.GetProperty("steps").EnumerateArray().SelectMany(s =>
        {
            var foot = s.GetProperty("foot").GetString() == "left" ? Side.Left : Side.Right;
            FootMark Mark(string end, bool isDown) => new(At((int)Math.Ceiling(s.GetProperty(end).GetDouble() * 120)), foot, isDown, isDown ? Place(s.GetProperty("toe")) : null);
            return new[] { Mark("down", true), Mark("off", false) };
        }).ToList();
        var scale = of.GetProperty("scale");
        var steps = FilmSteps.Of(new()
        {
            Clip = new(150, 149 / 120.0, 1 / 120.0, 1 / 120.0, 1280, 720),
            Feet = feet,
            Scales = [new(0, Place(scale.GetProperty("from")), Place(scale.GetProperty("to")), 6)],
        });
        void Holds(double is_, FilmFigure? said) => Assert.InRange(is_, said!.Value.Value - said.Value.Within, said.Value.Value + said.Value.Within);
        Holds(N("speed"), steps.Speed);
        Holds(N("frequency"), steps.Frequency);
        Holds(N("length"), steps.Length);
        Assert.All(steps.Steps, s => Holds(s.Foot == Side.Left ? 0.098 : 0.104, s.Contact));
        Assert.All(steps.Steps.SkipLast(1), s => Holds((1 / 4.2) - (s.Foot == Side.Left ? 0.098 : 0.104), s.Flight));
        Assert.True(steps.Speed!.Value.Within < 0.15);
    }
}
