using System.Globalization;
using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Sprint;

namespace InchBurst.Core.Tests;

/// <summary>What each line asks, written out whole and read by eye: the way over the ground, what stands where, pace, room, contacts, tissues, sums, the trial it compares in.</summary>
public class DemandTextTests
{
    private static readonly string[] Blocks = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Files", "demand.txt")).ReplaceLineEndings("\n").Split("\n\n", StringSplitOptions.RemoveEmptyEntries);

    // Field athletes at either end (Samozino et al. 2016 give 7 to 10 m/s, 0.9 to 1.6 s).
    private static readonly Dictionary<string, DemandAthlete> People = new()
    {
        ["usual"] = DemandAthlete.Usual,
        ["quick"] = new(new SprintCurve(10, 1.1), 80),
        ["child"] = new(new SprintCurve(6.5, 1.3), 40, true),
    };

    public static TheoryData<string> Cases => [.. Blocks.Select(b => b.Split('\n')[0])];

    [Theory]
    [MemberData(nameof(Cases))]
    public void A_line_asks_this(string line)
    {
        var expected = Blocks.Single(b => b.Split('\n')[0] == line).TrimEnd();
        Assert.Equal(expected, line + "\n" + Told(line));
    }

    private static string Told(string header)
    {
        var parts = header.TrimStart('#', ' ').Split(" | ");
        var said = parts.Skip(1).Select(p => p.Split('=')).ToDictionary(p => p[0], p => p[1]);
        double Number(string name, double usual) => said.TryGetValue(name, out var v) ? double.Parse(v, CultureInfo.InvariantCulture) : usual;
        T Choice<T>(string name, T usual)
            where T : struct => said.TryGetValue(name, out var v) ? Enum.Parse<T>(v) : usual;

        var reading = ShorthandLine.Read(parts[0]);
        var line = reading.Line ?? throw new ArgumentException(parts[0] + ": " + reading.Problem!.Message);
        var demand = LineDemand.Of(line, ExerciseCatalogue.BuiltIn, People[said.GetValueOrDefault("who", "usual")]);
        var behind = Number("behind", 0);
        var trial = Trial.Of(demand, Choice("method", TimingMethod.Electronic), Choice("trigger", StartTrigger.FirstGate), behind, said.ContainsKey("side") ? Choice("side", Side.Left) : null);
        var flags = new[]
        {
            (demand.IsFull, "full"), (demand.IsFullSprint, "full sprint"), (demand.HasSprint, "sprint"), (demand.IsHardSprint, "hard"), (demand.IsAssisted, "helped"), (demand.IsResisted, "held back"),
            (demand.IsJumping, "jumps"), (demand.IsTopSpeed, "top speed"), (demand.TeachesStopping, "stops"), (demand.Warms, "warms"), (demand.RaisesPulse, "raises"), (demand.IsBuildUp, "build-up"), (demand.Queues, "queues"),
        };
        var told = new List<string>
        {
            $"{demand.Movement} {N(demand.HardestEffort)}%{(demand.FullRep is { } full ? $" full from rep {full + 1}" : "")}: {string.Join(", ", flags.Where(f => f.Item1).Select(f => f.Item2))}; {demand.Tissues}; contacts {N(demand.ShortContacts)} short {N(demand.LongContacts)} long; kit {demand.Kit}",
        };
        if (demand.Course is { } course)
        {
            told.Add($"way {N(course.Metres)} m, intent {N(course.IntentMetres)} to {N(course.IntentEnd)}, far {N(course.FarMetres)}{(course.LeavesTheLine ? ", beside the line" : "")}, {course.SharpTurns} sharp: {string.Join("; ", course.Legs.Select(l => $"{l.Movement} {l.Role} ({N(l.From.X)},{N(l.From.Y)})-({N(l.To.X)},{N(l.To.Y)}) faces {N(l.FacingDegrees)}"))}");
            told.AddRange(course.Turns.Select(t => $"turn at {N(t.AtMetres)} ({N(t.At.X)},{N(t.At.Y)}) {N(t.Degrees)} {t.Side} {(t.IsCut ? "cut " : "")}changes {N(t.ChangeDegrees)}"));
            told.Add("set out: " + string.Join("; ", SettingOut.Of(demand, behind).Select(p => $"{p.What} {N(p.Metres)}{(p.SideMetres == 0 ? "" : "," + N(p.SideMetres))}")));
            var pace = demand.PaceAt(demand.HardestEffort);
            told.Add($"pace {N(pace.Seconds)} s, clear {N(pace.ClearSeconds)}, peak {N(pace.PeakSpeed)} ({N(demand.PeakShare * 100)}%), stops in {N(demand.StopMetres)} m; {string.Join(" ", pace.Legs.Select(l => $"{N(l.EntrySpeed)}>{N(l.PeakSpeed)}>{N(l.ExitSpeed)}"))}; every third of the way {string.Join(" ", Enumerable.Range(1, 3).Select(i => N(pace.TimeAt(course.Metres * i / 3))))}; over 70% {N(pace.MetresAbove(0.7))} m");
            told.Add($"marks {string.Join(" ", LineMarks.Expected(demand).Select(m => $"{m}={N(demand.ExpectedSeconds(m.Metres, behind))}"))}{(LineMarks.Zone(demand) is var (from, to) ? $" zone {from} to {to}" : "")}");
            told.Add($"trial {trial.StartKey ?? "none"} / {trial.FlyingKey} / {Trial.CourseWords(trial.Course)} / {trial.Words} / {trial.FlyingWords}{(trial.IsFree ? " / free" : "")}{(trial.IsAssisted ? " / helped" : "")}{(trial.IsFromRest ? "" : " / not from rest")}");
        }
        else
        {
            told.Add($"still {N(demand.StillSeconds)} s");
        }

        var sum = Volume.Of(demand) + Volume.Of(demand, 2);
        told.Add($"three rounds {N(sum.Metres)} m, sprint {N(sum.SprintMetres)}, top {N(sum.TopSpeedMetres)}, turning {N(sum.TurnMetres)}, light {N(sum.LightMetres)}, heavy {N(sum.HeavyMetres)}, helped {N(sum.AssistedMetres)}, bounds {N(sum.BoundMetres)}, full {N(sum.FullMetres)}; {sum.Reps} reps, contacts {N(sum.ShortContacts)} {N(sum.LongContacts)} of jumps {N(sum.JumpContacts)}");
        return string.Join("\n", told.Select(t => "  " + t));
    }

    private static string N(double value) => (Math.Round(value, 2) + 0.0).ToString("0.##", CultureInfo.InvariantCulture);
}
