using InchBurst.Core.Catalogue;
using InchBurst.Core.Demand;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>Reps as they come in.</summary>
public static partial class LiveSteps
{
    private static LiveStep Save(LiveState state, SaveRep save, LiveWorld world)
    {
        if (state.Plan.Line(save.Line) is not { } line || state.Person(save.Athlete) is not { } person)
        {
            return Missing(state);
        }

        if (world.IsTaken)
        {
            return Taken(state);
        }

        var kept = Kept(state, save.Client);
        if (kept?.AthleteId == save.Athlete)
        {
            return new(state, LiveAnswer.Known) { Run = kept.Id };
        }

        var timing = state.TimingOf(line.Id);
        var demand = LineDemand.Of(line, world.Catalogue);
        var expected = LineMarks.Expected(demand);
        var texts = Spread(save.Marks);
        var marks = expected.Count == 0 ? new MarkReading([], []) : MarkEntry.Read(texts, expected, MarkContext.Of(demand, timing.StartBehindGateMetres, world.Facts.BestSpeed) with { Mode = timing.Entry, Part = save.Part, Ranges = world.Facts.Ranges });
        var boxes = expected.Count - (timing.Entry == EntryMode.ZoneOnly && expected.Count > 1 ? 1 : 0);
        var (measured, about) = Measured(line.AskedMeasures, save.Measures, boxes, world);
        if (kept is not null)
        {
            // A run that somebody moved to another athlete since keeps its figures; other figures under its number are another rep.
            return kept.Readings.Select(r => r.Marks).Append(kept.What.Marks).Any(m => m.SequenceEqual(marks.Marks)) && (marks.Marks.Count > 0 || measured.TrueForAll(kept.Measures.Contains)) ? new(state, LiveAnswer.Known) { Run = kept.Id } : Taken(state);
        }

        List<MarkDoubt> doubts = [.. marks.Doubts, .. about];

        var typedFigures = measured.Count;
        if (measured.All(m => m.Kind != MeasureKind.Load) && world.Facts.LoadKilograms is { } taken)
        {
            // What was on the sled is kept with the run: as typed, else as the line gives it.
            var (typed, doubt, message) = string.IsNullOrWhiteSpace(save.Load) ? (new Measured(MeasureKind.Load, taken), null, "") : Measures.Read(save.Load, MeasureKind.Load, world.DistanceUnit, world.MassUnit);
            if (doubt is { } kind)
            {
                doubts.Add(new(kind, 0, message));
            }

            if (typed is { } load)
            {
                measured.Add(load);
            }
        }

        // A line that asks for a time and a heart rate may be given either alone.
        if (typedFigures > 0 && save.Marks.All(string.IsNullOrWhiteSpace))
        {
            (marks, doubts) = (new([], []), about);
        }
        else if (expected.Count == 0 && typedFigures == 0 && doubts.Count == 0)
        {
            doubts.Add(new(DoubtKind.Impossible, 0, "Type a figure first."));
        }

        if (doubts.Any(d => d.Kind == DoubtKind.Impossible) || (doubts.Count > 0 && !save.Overrule))
        {
            return Ask([.. doubts.OrderBy(d => d.Kind)]);
        }

        if (!save.Overrule && UsedFor(state, save) is { } used && (used.AthleteId != save.Athlete || used.LineId != save.Line))
        {
            return Ask([new(DoubtKind.Unlikely, 0, "What the gates reported is in the book for somebody else already. Save it here too?")]);
        }

        var outcome = marks.Marks.Count > 0 ? RunOutcome.Timed : RunOutcome.Measured;
        var seen = save.Part == PartFilled.Stopped ? [.. save.Seen, "stopped early"] : save.Seen;
        return Log(state, save with { Seen = seen }, person, demand, outcome, marks, measured, world) with { Texts = texts };

        LiveStep Ask(IReadOnlyList<MarkDoubt> what) => new(state, what.Any(d => d.Kind == DoubtKind.Impossible) ? LiveAnswer.Refused : LiveAnswer.Asked) { Doubts = what, Texts = texts };
    }

    private static LiveStep Outcome(LiveState state, RepOutcome outcome, LiveWorld world)
    {
        if (outcome.What is RunOutcome.Timed or RunOutcome.Measured || !Enum.IsDefined(outcome.What) || state.Plan.Line(outcome.Line) is not { } line || state.Person(outcome.Athlete) is not { } person)
        {
            return Missing(state);
        }

        return world.IsTaken ? Taken(state) : Kept(state, outcome.Client) is { } kept
            ? kept.AthleteId == outcome.Athlete || kept.Outcome == outcome.What ? new(state, LiveAnswer.Known) { Run = kept.Id } : Taken(state)
            : Log(state, outcome.What == RunOutcome.Skipped ? outcome with { Gate = null } : outcome, person, LineDemand.Of(line, world.Catalogue), outcome.What, new([], []), [], world);
    }

    // Nothing of it is stored, so nothing may say that it is.
    private static LiveStep Taken(LiveState state) => new(state, LiveAnswer.Refused) { Doubts = [new(DoubtKind.Impossible, 0, "This was sent under the number of another rep, so it is not stored. Save it once more.")] };

    // A whole run may be typed into one box, and a box may be left empty: both come down to one text a mark.
    private static string[] Spread(IReadOnlyList<string> marks)
    {
        var filled = marks.Select((text, i) => (Text: (text ?? "").Trim(), Index: i)).Where(t => t.Text.Length > 0).ToList();
        return filled is [{ Index: 0 } only] && only.Text.Any(char.IsWhiteSpace) ? only.Text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries) : [.. marks.Select(m => m ?? "")];
    }

    private static (List<Measured> Values, List<MarkDoubt> Doubts) Measured(IReadOnlyList<MeasureKind> asked, IReadOnlyList<string> texts, int boxes, LiveWorld world)
    {
        var (values, doubts) = (new List<Measured>(), new List<MarkDoubt>());
        for (var i = 0; i < Math.Min(asked.Count, texts.Count); i++)
        {
            if (string.IsNullOrWhiteSpace(texts[i]))
            {
                continue;
            }

            var (value, doubt, message) = Measures.Read(texts[i], asked[i], world.DistanceUnit, world.MassUnit);
            if (doubt is { } kind)
            {
                doubts.Add(new(kind, boxes + i, message));
            }

            if (value is { } known)
            {
                values.Add(known);
            }
        }

        return (values, doubts);
    }

    // The run that was made of a command, or that holds a reading made of it.
    private static LiveRun? Kept(LiveState state, Guid client) => state.Runs.FirstOrDefault(r => r.Id == client) ?? state.Runs.FirstOrDefault(r => r.Readings.Any(x => x.Id == client));

    private static LiveRun? UsedFor(LiveState state, RepCommand rep) =>
        rep.Gate is { } number && state.Gates.FirstOrDefault(g => g.Number == number) is { UsedFor: { } run } ? state.Runs.FirstOrDefault(r => r.Id == run && !r.IsTakenBack) : null;

    private static List<LiveGate> Used(IReadOnlyList<LiveGate> gates, int number, Guid run) => [.. gates.Select(g => g.Number == number && g.UsedFor is null ? g with { UsedFor = run } : g)];

    // A rep that is in the book already gets a second reading instead of a second run.
    private static LiveStep Log(LiveState state, RepCommand rep, LivePerson person, LineDemand demand, RunOutcome outcome, MarkReading marks, IReadOnlyList<Measured> measured, LiveWorld world)
    {
        if (UsedFor(state, rep) is { } used && used.AthleteId == rep.Athlete && used.LineId == rep.Line)
        {
            return new(state, LiveAnswer.Known) { Run = used.Id };
        }

        var timing = state.TimingOf(rep.Line);
        var watch = (rep as SaveRep)?.Watch ?? WatchFrom.None;
        timing = timing with
        {
            // Only what gates really reported is electronic where the line is timed by hand, and what was tapped is by hand where it is timed by gates.
            Method = rep.Gate is { } by && state.Gates.Any(g => g.Number == by) ? TimingMethod.Electronic : watch == WatchFrom.None ? timing.Method : TimingMethod.Hand,
            Trigger = marks.ZoneOnly ? StartTrigger.ZoneLine : watch == WatchFrom.Go ? StartTrigger.Gun : watch == WatchFrom.Move ? StartTrigger.FirstMove : timing.Trigger == StartTrigger.ZoneLine ? StartTrigger.FirstGate : timing.Trigger,
            StartBehindGateMetres = watch == WatchFrom.None ? timing.StartBehindGateMetres : 0,
            StartSaid = watch != WatchFrom.None || timing.StartSaid,
        };
        var reaction = (rep as SaveRep)?.Reaction ?? (rep is SaveRep { Gate: { } told } ? state.Gates.FirstOrDefault(g => g.Number == told)?.Start?.ReactionSeconds : null);
        var claimed = rep.Rep is > 0 and <= MostRep ? rep.Rep : null;
        var seen = CleanSeen(rep.Seen);
        LiveRun run;
        if (outcome != RunOutcome.Again && claimed is not null && state.Counted(rep.Athlete, rep.Line).FirstOrDefault(r => r.Rep == claimed) is { } there)
        {
            run = Join(there with { What = there.What with { ReactionSeconds = there.What.ReactionSeconds ?? reaction }, Seen = [.. there.Seen.Union(seen).Take(MostSeen)], Measures = [.. there.Measures, .. measured.Where(m => there.Measures.All(k => k.Kind != m.Kind))] }, new(rep.Client, world.By, timing.Method, timing.Trigger, marks.Marks, rep.At ?? world.Now));
            state = state.With(run);
        }
        else
        {
            var number = outcome == RunOutcome.Again ? 0 : claimed ?? state.NextRep(rep.Athlete, rep.Line);
            run = new()
            {
                Id = rep.Client,
                AthleteId = rep.Athlete,
                LineId = rep.Line,
                Rep = number,
                Outcome = outcome,
                FinishedAt = Finished(state, rep, world.Now),
                By = world.By,
                Seen = [.. seen.Take(MostSeen)],
                Measures = measured,
                What = LiveEntry.Run(demand, timing, rep.Side, state.Day, demand.EffortOfTurn(claimed ?? state.NextRep(rep.Athlete, rep.Line)), marks.Marks) with { ReactionSeconds = reaction },
            };
            state = state with { Runs = [.. state.Runs, run] };
        }

        // A called athlete has had their turn.
        state = Uncalled(state, person);
        var step = Stored(rep.Gate is { } gate ? state with { Gates = Used(state.Gates, gate, run.Id) } : state) with { Run = run.Id };
        return HoldIfSeen(step, person, seen);
    }

    private static LiveRun Join(LiveRun run, LiveReading own)
    {
        // "No time" beside a time adds nothing; still it is remembered, so that sending it again does not make a run of it.
        if (own.Marks.Count == 0)
        {
            return run with { Readings = [.. run.Readings, own] };
        }

        LiveReading[] first = run.What.Marks.Count > 0 && run.Told.Count == 0 ? [new(run.Id, run.By, run.What.Method, run.What.Trigger, run.What.Marks, run.FinishedAt)] : [];
        run = run with { Readings = [.. run.Readings, .. first, own] };
        return run.Picked.Length > 0 ? run with { Conflict = "A new reading came after one was picked. Pick again." } : Combined(run) with { Outcome = RunOutcome.Timed };
    }

    // What its readings come down to while nobody has picked.
    private static LiveRun Combined(LiveRun run)
    {
        var combined = Readings.Combine([.. run.Told.Select(r => r.Reading)]);
        return run with { Conflict = combined.Conflict, Picked = "", What = run.What with { Method = combined.Method, Trigger = combined.Trigger, Marks = combined.Marks } };
    }

    // A device's word for when a run ended is taken when it can be: within the session and not from the future.
    private static DateTime Finished(LiveState state, RepCommand rep, DateTime now) => rep.At is { } said && said <= now && said >= (state.StartedAt ?? now).AddMinutes(-1) ? said : now;

    private static List<string> CleanSeen(IEnumerable<string> seen) => [.. seen.Select(s => Words(s)).OfType<string>().Distinct()];

    private static LiveStep Note(LiveState state, NoteSeen note)
    {
        if (state.Run(note.Run) is not { IsTakenBack: false } run || Words(note.Code) is not { } words)
        {
            return Missing(state);
        }

        if (!note.On)
        {
            return Stored(state.With(run with { Seen = [.. run.Seen.Where(s => s != words)] })) with { Run = run.Id };
        }

        var step = Stored(run.Seen.Contains(words) || run.Seen.Count >= MostSeen ? state : state.With(run with { Seen = [.. run.Seen, words] })) with { Run = run.Id };
        return state.Person(run.AthleteId) is { } person ? HoldIfSeen(step, person, [words]) : step;
    }

    // The pain seen on a run is no less noted than pain that was said.
    private static LiveStep HoldIfSeen(LiveStep step, LivePerson person, IReadOnlyList<string> seen)
    {
        if (person.HeldReason is not null || seen.Select(Observations.Find).FirstOrDefault(o => o is { StopsFullEfforts: true }) is not { } sign)
        {
            return step;
        }

        var held = Hold(step.State, step.State.Person(person.AthleteId)!, sign.Says.ToLowerInvariant());
        return step with { State = held.State, Events = [.. step.Events, .. held.Events], Said = held.Said };
    }

    private static bool IsPain(LiveRun run) => run.Seen.Any(code => Observations.Find(code) is { StopsFullEfforts: true });
}
