using InchBurst.Core.Check;
using InchBurst.Core.Clock;
using InchBurst.Core.Demand;
using InchBurst.Core.Make;
using InchBurst.Core.Plan;
using InchBurst.Core.School;
using InchBurst.Core.Shorthand;
using InchBurst.Core.Units;

namespace InchBurst.Core.Season;

/// <summary>What a made session consists of, and what of it is given up first.</summary>
public static partial class SessionMaker
{
    // Main lines with their reps and fewest reps.
    private sealed class Main(SessionAim aim, Func<int, string> text, int reps, int fewest)
    {
        public SessionAim Aim { get; } = aim;

        public int Full { get; } = reps;

        public int Reps { get; set; } = reps;

        public int Fewest { get; } = fewest;

        public string Text => text(Reps);
    }

    private sealed class Parts
    {
        private readonly List<Main> mains = [];
        private readonly List<string> drills = [];
        private string? buildUps;
        private string? stops;
        private string? jumps;
        private int warmUp;
        private int leastWarmUp;
        private bool warmUpCut;
        private readonly List<string> dropped = [];
        private bool fewer;
        private DayKind day;

        public static Parts For(SessionWish wish)
        {
            var school = wish.Setting.School ?? CoachingSchool.Usual;
            var sprints = wish.Aims.Any(a => a is not (SessionAim.Easy or SessionAim.Jumps or SessionAim.Conditioning));
            var top = wish.Aims.Contains(SessionAim.TopSpeed);
            var room = wish.StraightMetres + Math.Min(0, wish.RunOutMetres - Limits.StopFromTopSpeedMetres);
            var build = Math.Clamp(Math.Floor((room - 10) / 5) * 5, 10, 30);
            var least = (int)Math.Ceiling(Math.Max(WarmUpMaker.LeastMinutes, school["warmup.least"]));
            var parts = new Parts
            {
                leastWarmUp = sprints ? least : WarmUpMaker.LeastMinutes,
                warmUp = Math.Clamp(wish.Minutes / 4, sprints ? least : WarmUpMaker.LeastMinutes, 20),
                day = top ? DayKind.TopSpeed : wish.Aims.Contains(SessionAim.Turns) ? DayKind.ChangeOfDirection : sprints ? DayKind.Acceleration : DayKind.Mixed,
            };
            int Reps(int full) => Math.Max(1, (int)Math.Round(full * wish.Size));
            string Metres(double m) => Figures.Number(Math.Min(m, Math.Floor(wish.StraightMetres / 5) * 5));
            foreach (var aim in wish.Aims)
            {
                switch (aim)
                {
                    case SessionAim.TopSpeed:
                        parts.drills.AddRange(["ankle dribble 2 x 10 m", "mini-hurdle run 2 x 1 pass"]);
                        parts.mains.Add(new(aim, n => $"{n} x {Figures.Number(build)} build + 10 fly + 20 m slow @100%", Math.Min(Reps(4), (int)school["reps.flies"]), 1));
                        break;
                    case SessionAim.Acceleration:
                        parts.drills.AddRange(["wall switch one 2 x 5 reps", "A-skip 2 x 15 m"]);
                        parts.mains.Add(new(aim, n => $"{n} x 10 m from falling through 5 m", Reps(3), 1));
                        parts.mains.Add(new(aim, n => $"{n} x {Metres(20)} m from 3-point gates 10,{Metres(20)} m through 5 m", Reps(4), 1));
                        break;
                    case SessionAim.Push:
                        parts.drills.Add("wall switch two 2 x 4 reps");
                        // As the phase says and the school allows; without a phase as heavy as the school pulls.
                        var slower = wish.Aim is { LoadPercent: > 0 } phase ? Math.Min(phase.LoadPercent, school["load.heaviest"]) : 0;
                        var isHeavy = (slower > 0 ? slower : school["load.heaviest"]) >= 25;
                        parts.mains.Add(new(aim, n => $"{n} x {(isHeavy ? 15 : 20)} m sled {(slower > 0 ? $"-{Figures.Number(slower)}%v" : isHeavy ? "strong push" : "keep movement")} from standing", Reps(5), 2));
                        parts.mains.Add(new(aim, n => $"{n} x {(isHeavy ? 15 : 20)} m from standing through 5 m", Reps(2), 1));
                        break;
                    case SessionAim.Jumps:
                        parts.mains.Add(new(aim, n => $"{(top ? "pogo hops" : "broad jump")} {n} x {(top ? "10" : "3")} reps", Reps(3), 1));
                        parts.mains.Add(new(aim, n => $"speed bound {n} x 15 m @85%", Reps(2), 1));
                        break;
                    case SessionAim.Turns:
                        parts.stops = null;
                        parts.mains.Add(new(aim, n => $"stick the stop {n} x 15 m @80% rest walk-back", Reps(3), 2));
                        parts.mains.Add(new(aim, n => $"cut forty-five {n} x 8 + cut 45 + 8 m @80% each side rest walk-back", Reps(3), 1));
                        break;
                    case SessionAim.Conditioning:
                        parts.mains.Add(new(aim, n => $"{n} x {Metres(60)} m @65% rest walk-back in waves", Reps(6), 2));
                        break;
                    case SessionAim.Primer:
                        parts.drills.Add("A-skip 2 x 15 m");
                        parts.mains.Add(new(aim, n => $"{n} x 10 m from falling through 5 m", Math.Max(2, Math.Min(4, (int)(school["week.primer"] / 10))), 2));
                        break;
                    default:
                        parts.drills.AddRange(["A-march 2 x 10 m", "ankle dribble 2 x 10 m", "dead bug 2 x 8 reps each side", "side plank 2 x 20 s each side"]);
                        break;
                }
            }

            if (sprints)
            {
                var to = Math.Min(wish.Aims.Contains(SessionAim.TopSpeed) ? 30 : 20, Math.Floor(room / 5) * 5);
                parts.buildUps = $"build-up 3 x {Figures.Number(Math.Max(10, to))} m @75,{(top ? "85,90" : "80,85")}% rest walk-back";
                parts.stops = wish.Aims.Contains(SessionAim.Turns) || wish.Aims.Contains(SessionAim.Primer) ? null
                    : wish.Aim is { StopMetres: > 0 and <= ShortStopMetres } ? "stop in eight 2 x 15 m @85% rest walk-back" : "stick the stop 2 x 15 m @80% rest walk-back";
                parts.jumps = wish.Aims.Contains(SessionAim.Jumps) || wish.Aims.Contains(SessionAim.Primer) ? null : top ? "pogo hops 2 x 10 reps" : "broad jump 2 x 3 reps";
            }

            if (sprints && wish.Setting.Catalogue.Find(wish.Aim?.Drill) is { } drill)
            {
                parts.drills.RemoveAll(d => d.StartsWith(drill.Name + " ", StringComparison.Ordinal));
                parts.drills.Insert(0, $"{drill.Name} {drill.Dose}");
            }

            return parts;
        }

        public SessionPlan Plan(SessionWish wish)
        {
            var context = new ShorthandContext(DistanceUnit.Metre, wish.Setting.Catalogue);
            PlanLine Line(string text) => ShorthandLine.ReadOwn(text, context).Line ?? throw new InvalidOperationException($"Not shorthand: {text}");
            var plan = SessionPlan.Empty.Add(WarmUpMaker.Make(new(warmUp, day, false, warmUp < 14, wish.Setting, wish.Seed)));
            void Add(string title, params IEnumerable<string> texts)
            {
                var lines = texts.Select(Line).ToList();
                plan = lines.Count > 0 ? plan.Add(new PlanBlock(0, title, lines)) : plan;
            }

            Add("Drills", drills);
            Add("Build-ups", buildUps is null ? [] : [buildUps]);
            foreach (var pinned in wish.Pinned)
            {
                plan = plan.Add(pinned with { Id = 0 });
            }

            foreach (var aim in mains.GroupBy(m => m.Aim).OrderBy(g => OrderOf(g.Key)))
            {
                Add(NameOf(aim.Key), aim.Select(m => m.Text));
            }

            Add("Jumps", jumps is null ? [] : [jumps]);
            Add("Slow down", stops is null ? [] : [stops]);
            Add("Cool-down", "cool-down 5 min");
            return plan;
        }

        // What needs fresh legs first; easy running last.
        private static int OrderOf(SessionAim aim) => aim switch
        {
            SessionAim.TopSpeed => 0,
            SessionAim.Acceleration or SessionAim.Primer => 1,
            SessionAim.Push => 2,
            SessionAim.Turns => 3,
            SessionAim.Jumps => 4,
            _ => 5,
        };

        // Reps go before rest does: what is beside the aim first, then reps from where there are most.
        public bool Less(Finding? grave)
        {
            // What ends a warm-up may be full already, so that it counts for less than it lasts.
            if (grave is { Rule: "warm-up" } && warmUp < WarmUpMaker.MostMinutes)
            {
                warmUp++;
                leastWarmUp = Math.Max(leastWarmUp, warmUp);
                return true;
            }

            if (grave is not { Rule: "volume" or "runs" or "contacts" })
            {
                if (!warmUpCut && warmUp > leastWarmUp)
                {
                    (warmUp, warmUpCut) = (leastWarmUp, true);
                    return true;
                }

                if (jumps is not null)
                {
                    jumps = null;
                    dropped.Add("no jumps");
                    return true;
                }

                if (drills.Count > 1)
                {
                    drills.RemoveAt(drills.Count - 1);
                    dropped.Add("fewer drills");
                    return true;
                }
            }

            var most = mains.Where(m => m.Reps > m.Fewest).OrderByDescending(m => (double)m.Reps / m.Full).ThenByDescending(m => OrderOf(m.Aim)).FirstOrDefault();
            if (most is not null)
            {
                most.Reps--;
                fewer = true;
                return true;
            }

            if (stops is not null)
            {
                stops = null;
                dropped.Add("no work on stopping");
                return true;
            }

            if (mains.GroupBy(m => m.Aim).Any(g => g.Count() > 1))
            {
                mains.Remove(mains.GroupBy(m => m.Aim).First(g => g.Count() > 1).First());
                return fewer = true;
            }

            return false;
        }

        public string GivenUp()
        {
            var reps = fewer ? [$"reps down to {string.Join(" and ", mains.Where(m => m.Reps < m.Full).Select(m => $"{m.Reps} of {m.Full}").DefaultIfEmpty("one kind of start"))}"] : Array.Empty<string>();
            return string.Join("; ", reps.Concat(dropped.Distinct()));
        }
    }
}
