using System.Globalization;
using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace InchBurst.Browser.Tests;

/// <summary>Film in the browser: a drawn runner whose truth is known (tools/clip.mjs) is opened, stepped and marked by keys and by touch; figures hold the truth, and nothing goes over the network.</summary>
public sealed class FilmBrowserTests
{
    private const int Fps = 120;
    private static readonly string Clips = Path.Combine(Repository.Root, "tests/InchBurst.Browser.Tests/Clips");
    private static readonly JsonElement Truth = JsonDocument.Parse(File.ReadAllText(Path.Combine(Clips, "runner.json"))).RootElement;

    private static double N(JsonElement of, string name) => of.GetProperty(name).GetDouble();

    private static void Open(Chromium page)
    {
        page.Go("/Athletes/8/Film");
        page.Driver.FindElement(By.Id("film-file")).SendKeys(Path.Combine(Clips, "runner.mp4"));
        page.Find(".film[data-open]");
        page.UntilText("[data-s=frame]", "frame 0");
    }

    // The number of the frame that is really on the screen: eight squares drawn into the clip.
    private static long Seen(Chromium page) => (long)page.Driver.ExecuteScript("""
        const v = document.querySelector('.film-stage video'), c = document.createElement('canvas');
        [c.width, c.height] = [v.videoWidth, v.videoHeight];
        const pen = c.getContext('2d');
        pen.drawImage(v, 0, 0);
        let n = 0;
        for (let bit = 0; bit < 8; bit++) if (pen.getImageData(c.width - 32 - bit * 32, 32, 1, 1).data[0] > 127) n |= 1 << bit;
        return n;
        """)!;

    private static void Step(Chromium page, int from, int to)
    {
        var (key, far) = to > from ? (".", Keys.PageDown) : (",", Keys.PageUp);
        page.Keys(string.Concat(Enumerable.Repeat(far, Math.Abs(to - from) / 10)) + string.Concat(Enumerable.Repeat(key, Math.Abs(to - from) % 10)));
        page.UntilText("[data-s=frame]", $"frame {to}");
    }

    // A place of the picture is marked by a finger or the mouse.
    private static void Mark(Chromium page, JsonElement at)
    {
        var box = (IReadOnlyDictionary<string, object>)page.Driver.ExecuteScript("""
            const v = document.querySelector('.film-stage video'), b = v.getBoundingClientRect(), k = Math.min(b.width / v.videoWidth, b.height / v.videoHeight);
            return { x: b.left + (b.width - v.videoWidth * k) / 2, y: b.top + (b.height - v.videoHeight * k) / 2, k };
            """)!;
        double Of(string name) => Convert.ToDouble(box[name], CultureInfo.InvariantCulture);
        var pointer = new PointerInputDevice(PointerKind.Mouse);
        var (x, y) = ((int)Math.Round(Of("x") + (N(at, "x") * Of("k"))), (int)Math.Round(Of("y") + (N(at, "y") * Of("k"))));
        page.Driver.PerformActions([new ActionSequence(pointer).AddAction(pointer.CreatePointerMove(CoordinateOrigin.Viewport, x, y, TimeSpan.Zero)).AddAction(pointer.CreatePointerDown(MouseButton.Left)).AddAction(pointer.CreatePointerUp(MouseButton.Left))]);
    }

    private static int FrameOf(double seconds) => (int)Math.Ceiling(seconds * Fps);

    private static double Number(string text) => double.Parse(text.Split(' ', '°')[0].Replace('−', '-'), CultureInfo.InvariantCulture);

    [Fact]
    public void A_clip_is_marked_and_its_figures_hold_the_truth_with_nothing_sent()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        Open(page);
        Assert.Contains("120 a second", page.Text("[data-s=camera]"));
        page.Driver.ExecuteScript("performance.clearResourceTimings()");

        // Each key shows the next frame, and really that one.
        Assert.Equal(0, Seen(page));
        Step(page, 0, 3);
        Assert.Equal(3, Seen(page));
        Step(page, 3, 27);
        Assert.Equal(27, Seen(page));
        Step(page, 27, 26);
        Assert.Equal(26, Seen(page));

        // The scale: two cones, six metres apart.
        page.Type("[data-scale-metres]", "6" + Keys.Tab);
        page.Driver.ExecuteScript("document.activeElement.blur()");
        page.Keys("s");
        Mark(page, Truth.GetProperty("scale").GetProperty("from"));
        Mark(page, Truth.GetProperty("scale").GetProperty("to"));
        page.UntilText("[data-s=scale]", "6.00 m =");

        var at = 26;
        foreach (var step in Truth.GetProperty("steps").EnumerateArray())
        {
            var (down, off) = (FrameOf(N(step, "down")), FrameOf(N(step, "off")));
            Step(page, at, down);
            page.Keys("d");
            Mark(page, step.GetProperty("toe"));
            Step(page, down, off);
            page.Keys("u");
            at = off;
        }

        // Feet take turns by themselves, and every figure holds the truth within what it says of itself.
        page.Look(() => Assert.Equal(["1right", "2left", "3right", "4left", "5right"], page.Driver.FindElements(By.CssSelector("[data-steps] .film-go")).Select(b => b.Text)));
        var sum = page.Text("[data-s=sum]");
        void Holds(double truth, string unit)
        {
            var words = sum.Split(' ');
            var i = Array.FindIndex(words, w => w.TrimEnd('.', ',') == unit);
            Assert.InRange(truth, Number(words[i - 3]) - Number(words[i - 1]), Number(words[i - 3]) + Number(words[i - 1]));
        }

        Holds(N(Truth, "speed"), "m/s");
        Holds(N(Truth, "frequency"), "Hz");
        Holds(N(Truth, "length"), "m");
        Holds(101.6, "ms");
        Assert.Contains("inside one frame, so no difference", sum);
        Assert.Equal("8.3 ms", page.Driver.FindElement(By.CssSelector(".film-camera [data-s=clip]")).GetDomProperty("textContent")![^6..]);

        // Lines passed by the chest.
        foreach (var line in Truth.GetProperty("lines").EnumerateArray())
        {
            Step(page, at, at = FrameOf(N(line, "seconds")));
            page.Keys("l");
            page.Type("[data-line]", N(line, "metres").ToString(CultureInfo.InvariantCulture) + Keys.Enter);
            page.Driver.ExecuteScript("document.activeElement.blur()");
        }

        page.Look(() => Assert.Equal(2, page.Driver.FindElements(By.CssSelector("[data-splits] li")).Count));
        Assert.InRange(Number(page.Text("[data-splits] .figure")), 0.5 - 0.007, 0.5 + 0.007);

        // A body where it was drawn: its angles are those it was drawn with.
        var body = Truth.GetProperty("body");
        Step(page, at, body.GetProperty("frame").GetInt32());
        page.Keys("++");
        page.Keys("j");
        string[] order = ["Head", "Shoulder", "Hip", "NearKnee", "NearAnkle", "NearToe", "FarKnee", "FarAnkle", "FarToe", "NearElbow", "NearHand", "FarElbow", "FarHand"];
        for (var i = 0; i < order.Length; i++)
        {
            page.UntilText("[data-ask] b", $"({i + 1} of 13)");
            Mark(page, body.GetProperty("joints").GetProperty(order[i]));
        }

        page.UntilText("[data-joints-here]", "13 of 13");
        var gauges = page.Driver.FindElements(By.CssSelector(".film-gauge")).ToDictionary(g => g.FindElement(By.CssSelector(".name")).Text, g => (Is: Number(g.FindElement(By.TagName("b")).Text), Within: Number(g.GetDomAttribute("title")!.Split(' ')[1])));
        foreach (var (name, truth) in new[] { ("Trunk lean", "trunk"), ("Shin ahead", "shin"), ("Thigh split", "split"), ("Knee inside", "knee") })
        {
            Assert.InRange(N(body, truth), gauges[name].Is - gauges[name].Within - 0.5, gauges[name].Is + gauges[name].Within + 0.5);
        }

        // Nothing of all this went over the network.
        Assert.Equal(0L, (long)page.Driver.ExecuteScript("return performance.getEntriesByType('resource').filter((r) => !r.name.startsWith('blob:')).length")!);

        // Undo takes one joint back, and a page that was left has the marks again with its clip.
        page.Keys("z");
        page.UntilText("[data-joints-here]", "12 of 13");
        Open(page);
        page.UntilText("[data-said]", "here again");
        page.Look(() => Assert.Equal(5, page.Driver.FindElements(By.CssSelector("[data-steps] .film-go")).Count));

        // Saved, the figures are kept and the film is not.
        page.Click(".film-head .btn-primary");
        page.UntilText(".toast-bar", "The film stayed here");
        Assert.StartsWith("10", page.Driver.FindElements(By.CssSelector(".film-kept td.num"))[0].Text, StringComparison.Ordinal);
        Assert.NotEmpty(page.Driver.FindElements(By.CssSelector(".film-figures figure svg")));

        // With its own clip these figures are gone on with; another clip's would be new ones, never written over them.
        string Film() => page.Driver.FindElement(By.CssSelector("#film-form [name=film]")).GetDomProperty("value")!;
        var film = Film();
        Assert.NotEqual("", film);
        page.Driver.FindElement(By.Id("film-file")).SendKeys(Path.Combine(Clips, "runner.mp4"));
        page.Find(".film[data-open]");
        page.Look(() => Assert.Equal(5, page.Driver.FindElements(By.CssSelector("[data-steps] .film-go")).Count));
        Assert.Equal(film, Film());
        page.Driver.ExecuteScript("const f = document.querySelector('.film'), m = JSON.parse(f.dataset.marks); m.clip.frames = 99; f.dataset.marks = JSON.stringify(m); delete f.dataset.open;");
        page.Driver.FindElement(By.Id("film-file")).SendKeys(Path.Combine(Clips, "runner.mp4"));
        page.Find(".film[data-open]");
        page.Look(() => Assert.Equal("", Film()));
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void By_thumb_on_a_phone_and_by_keys_alone()
    {
        using var app = new TestApp(demo: true);
        using var page = new Chromium(app);
        page.EnterDemo();
        page.Resize(390, 844, touch: true);
        Open(page);
        Assert.DoesNotContain(page.Driver.FindElements(By.CssSelector(".film-keys button, .film-nearer button, .film-tabs button")), b => b.Displayed && (b.Size.Height < 44 || b.Size.Width < 44));
        for (var i = 0; i < 4; i++)
        {
            page.Click("[data-do=on]");
        }

        page.UntilText("[data-s=frame]", "frame 4");
        page.Click("[data-do=down]");
        page.UntilText("[data-s=here]", "right foot down, step 1");
        Assert.Equal(4, Seen(page));
        page.Click("[data-do=turn]");
        page.UntilText("[data-s=here]", "left foot down, step 1");
        page.Click("[data-do=undo]");
        page.UntilText("[data-s=here]", "right foot down, step 1");
        page.Driver.ExecuteScript("window.scrollTo(0, 400)");
        page.Click("[data-tab=clip]");
        Assert.True(page.Find("[data-rate]").Displayed);

        // Slow motion: one frame is then an eighth of it. The device remembers it for clips that say the same.
        page.Find("[data-rate]").Clear();
        page.Type("[data-rate]", "960" + Keys.Tab);
        page.UntilText(".film-camera [data-s=clip]", "960 frames a second, one frame = 1 ms");
        page.Find("[data-rate]").Clear();
        page.Type("[data-rate]", "5" + Keys.Tab);
        page.UntilText("[data-wrong=rate]", "From 10 to 2000");

        // Without a finger: a crosshair by the arrows, placed by Enter; Escape leaves.
        page.Resize(1280, 800);
        page.Driver.ExecuteScript("document.activeElement.blur()");
        page.Keys("j" + Keys.ArrowRight + Keys.ArrowRight + Keys.Enter);
        page.UntilText("[data-joints-here]", "1 of 13");
        page.UntilText("[data-ask] b", "shoulders");
        page.Keys(Keys.Escape);
        page.Look(() => Assert.DoesNotContain(page.Driver.FindElements(By.CssSelector("[data-ask]")), e => e.Displayed));

        // A second frame of the same clip beside it, tied: both go on together. Leaving gives the clip back.
        page.Click("[data-beside-do=same]");
        page.UntilText("[data-where]", "frame 4");
        page.Press(".film-beside-bar button", b => b.GetDomAttribute("data-beside-do") == "on");
        page.UntilText("[data-where]", "frame 5");
        page.Click("[data-tie]");
        page.Driver.ExecuteScript("document.activeElement.blur()");
        page.Keys("..");
        page.UntilText("[data-s=frame]", "frame 6");
        page.UntilText("[data-where]", "frame 7");

        // Another clip beside it that says the same rate is taken to be shot as fast: tied, a frame on here is a frame on there.
        page.Driver.FindElement(By.CssSelector("[data-beside-file]")).SendKeys(Path.Combine(Clips, "runner.mp4"));
        page.UntilText("[data-where]", "frame 0");
        page.Until(d => d.FindElement(By.CssSelector("[data-tie]")).GetDomAttribute("aria-pressed") == "false" ? d : null);
        page.Click("[data-tie]");
        page.Driver.ExecuteScript("document.activeElement.blur()");
        page.Keys("..");
        page.UntilText("[data-s=frame]", "frame 8");
        page.UntilText("[data-where]", "frame 2");

        // Leaving gives both back, also where the browser keeps the page to come back to: nothing can be read of them any more.
        string Read(object address) => (string)page.Driver.ExecuteAsyncScript("const [address, done] = arguments; const v = document.createElement('video'); v.onloadedmetadata = () => done('there'); v.onerror = () => done('gone'); v.src = address;", address)!;
        var addresses = (IReadOnlyList<object>)page.Driver.ExecuteScript("return [...document.querySelectorAll('video')].map((v) => v.src).filter((s) => s)")!;
        Assert.Equal(["there", "there"], addresses.Select(Read));
        page.Driver.ExecuteScript("window.dispatchEvent(new PageTransitionEvent('pagehide', { persisted: true }))");
        Assert.Equal(["gone", "gone"], addresses.Select(Read));

        // What is no clip is refused in words.
        page.Driver.FindElement(By.Id("film-file")).SendKeys(Path.Combine(Clips, "runner.json"));
        page.UntilText("[data-wrong=clip]", "The frames of this file cannot be read");
        Assert.Equal(0L, (long)page.Driver.ExecuteScript("return [...document.querySelectorAll('video')].filter((v) => v.getAttribute('src') && v.closest('.film-stage')).length")!);
        Assert.Empty(page.Complaints(wasCut: true));
    }
}
