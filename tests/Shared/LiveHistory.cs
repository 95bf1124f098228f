using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Live;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

/// <summary>One arrival of a command at the session.</summary>
internal sealed record Delivery(LiveCommand Command, string By, bool IsCoach, DateTime At);

/// <summary>What three people with phones do to one session over a network that delays, repeats and loses, told as what arrives and in what order.</summary>
internal sealed class LiveHistory(int seed)
{
    public static readonly DateTime Start = new(2026, 3, 1, 17, 0, 0, DateTimeKind.Utc);
    private static readonly string[] Names = ["Ada Quillfeather", "Bo Tranquist", "Chiamaka Roe", "Dov Maris"];
    private static readonly string[] Seen = ["tight", "heel", "own words", "rose-early"];

    public static SessionPlan Plan { get; } = new[] { "3 x 20 m gates 10,20 rest 2:00", "broad jump 3 log length", "2 x 10 m from half-kneeling each side rest 1:00", "A-skip 2 x 15 m" }
        .Aggregate(SessionPlan.Empty, (p, l) => p.Add(ShorthandLine.Read(l).Line!));

    public static LiveState Fresh { get; } = new()
    {
        Plan = Plan,
        Day = new(2026, 3, 1),
        Lanes = 2,
        Usual = new(TimingMethod.Electronic, StartTrigger.FirstGate, 0),
        People = [.. Names.Select((n, i) => new LivePerson(i + 1, n, i + 1) { Present = i < 3 })],
        State = SessionState.Running,
        StartedAt = Start,
        LineFrom = Start,
        LineId = Plan.Lines.First().Id,
    };

    private readonly Random random = new(seed);
    private int made;

    public static LiveWorld World(Delivery d, ExerciseCatalogue catalogue) => new(d.At, d.By, d.IsCoach, catalogue);

    /// <summary>Lets it happen. Each device goes by what it last heard.</summary>
    /// <param name="arrive">Carries one delivery out and gives what became of it and the session after it, numbered as in the book.</param>
    /// <param name="first">The session as every device knows it at the beginning.</param>
    /// <param name="each">Commands a device makes.</param>
    public async Task RunAsync(Func<Delivery, Task<(LiveStep Step, LiveState Now)>> arrive, LiveState first, int each)
    {
        var devices = new[] { ("Odalys", true), ("Ilse", false), ("Ravi", false) }.Select(d => new Device(d.Item1, d.Item2, first)).ToList();
        var clock = Start.AddMinutes(1);
        while (devices.Any(d => d.Left(each)))
        {
            clock = clock.AddSeconds(random.Next(1, 40));
            var device = devices.Where(d => d.Left(each)).ElementAt(random.Next(devices.Count(d => d.Left(each))));
            if (device.Made < each && (device.Waiting.Count == 0 || random.Next(3) == 0))
            {
                device.Made++;
                device.Waiting.Enqueue(Make(device, clock));
            }
            else if (random.Next(4) > 0)
            {
                // One in four never arrives; of those that do, one in four is answered and nobody hears it.
                var (step, now) = await arrive(new(device.Waiting.Peek(), device.Name, device.IsCoach, clock));
                if (random.Next(4) > 0)
                {
                    device.Acknowledged.Add((device.Waiting.Dequeue(), step));
                    device.View = now;
                }
            }
        }

        Acknowledged = [.. devices.SelectMany(d => d.Acknowledged)];
    }

    /// <summary>Commands whose answer was heard, with it.</summary>
    public IReadOnlyList<(LiveCommand Command, LiveStep Step)> Acknowledged { get; private set; } = [];

    private LiveCommand Make(Device device, DateTime at)
    {
        var view = device.View;
        var athlete = random.Next(1, 5);
        var line = view.Plan.Lines.ElementAt(random.Next(4)).Id;
        var run = view.Runs.Count == 0 ? 0 : view.Runs[random.Next(view.Runs.Count)].Number;
        var client = new Guid(seed, (short)(made >> 8), (short)++made, 1, 2, 3, 4, 5, 6, 7, 8);
        LiveCommand command = random.Next(24) switch
        {
            < 9 => Save(view, athlete, line),
            9 => new RepOutcome(athlete, line, (RunOutcome)random.Next(1, 4)) { Rep = view.NextRep(athlete, line), Seen = Some() },
            10 => new NoteSeen(run, Seen[random.Next(Seen.Length)], random.Next(3) > 0),
            11 => new PickReading(run, view.Run(run)?.Told is { Count: > 0 } told && random.Next(2) == 0 ? $"{told[^1].Number}" : random.Next(2) == 0 ? "mean" : "two"),
            12 => new CallAthlete(athlete),
            13 => new GoToLine(line, random.Next(3)),
            14 => new StopForToday(athlete, random.Next(2) == 0 ? null : "drop-off"),
            15 => random.Next(2) == 0 ? new GoOn(athlete) : new GoLater(athlete),
            16 => random.Next(2) == 0 ? new Arrive(athlete) : new DoOther(athlete, line, random.Next(2) == 0 ? "" : "wall drill"),
            17 => new HoldBack(athlete, random.Next(2) == 0 ? null : "calf"),
            18 => new AllowFull(athlete, random.Next(4) == 0 ? " " : "Dr Maris", view.Person(athlete)!.Holds),
            19 => new SetTiming(line, (TimingMethod)random.Next(2), (StartTrigger)random.Next(4), (EntryMode)random.Next(3), new[] { "", "0,5", "far" }[random.Next(3)]),
            20 => new ChangeReps(line, random.Next(2) == 0 ? 1 : -1),
            21 => new UndoRun(run, random.Next(3) == 0, view.Run(run)?.Readings is [.., { IsTakenBack: true } gone] ? gone.Number : null),
            22 => random.Next(2) == 0 ? new MoveRun(run, athlete) : new SwapRuns(run, view.Runs.Count == 0 ? 0 : view.Runs[random.Next(view.Runs.Count)].Number),
            _ when random.Next(6) == 0 => random.Next(2) == 0 ? new EndSession() : new ReopenSession(),
            _ => new CorrectRun(run, view.Run(run)?.What.Marks is { Count: > 0 } marks ? [.. marks.Select(m => m with { Seconds = Math.Round(m.Seconds + 0.1, 2) })] : []),
        };
        return command with { Client = client, At = at };
    }

    private SaveRep Save(LiveState view, int athlete, int line)
    {
        var time = 1.7 + (random.Next(40) / 100.0);
        string Text(double s) => s.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture);
        return new(athlete, line)
        {
            Rep = random.Next(8) == 0 ? null : Math.Max(1, view.NextRep(athlete, line) - random.Next(2)),
            Side = random.Next(2) == 0 ? null : (Side)random.Next(2),
            Marks = random.Next(6) switch { 0 => [Text(time)], 1 => [], 2 => [$"{Text(time)} {Text(time + 1.3)}"], _ => [Text(time), Text(time + 1.3)] },
            Measures = random.Next(3) > 0 ? [$"{random.Next(180, 260)} cm"] : [],
            Overrule = random.Next(2) == 0,
            Part = (PartFilled)random.Next(4),
            Seen = Some(),
            Gate = random.Next(6) == 0 && view.Gates.Count > 0 ? view.Gates[random.Next(view.Gates.Count)].Number : null,
        };
    }

    private string[] Some() => random.Next(4) == 0 ? [Seen[random.Next(Seen.Length)]] : [];

    private sealed class Device(string name, bool isCoach, LiveState view)
    {
        public string Name { get; } = name;

        public bool IsCoach { get; } = isCoach;

        public LiveState View { get; set; } = view;

        public int Made { get; set; }

        public Queue<LiveCommand> Waiting { get; } = new();

        public List<(LiveCommand, LiveStep)> Acknowledged { get; } = [];

        public bool Left(int each) => Made < each || Waiting.Count > 0;
    }
}
