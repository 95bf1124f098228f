using InchBurst.Core.Check;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Rest;
using InchBurst.Core.Units;
using InchBurst.Data;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;

namespace InchBurst.Web.Support;

/// <summary>A row of the queue.</summary>
public sealed record QueueRow(Athlete Athlete, Turn Turn, string Note);

/// <summary>The run just saved and what it says.</summary>
public sealed record SavedRun(Run Run, Athlete Athlete, RunMeaning? Meaning, IReadOnlyList<string> Splits, int Rep, double? ShareOfToday);

/// <summary>What was typed and is not stored yet, with the doubts about it.</summary>
public sealed record TypedMarks(IReadOnlyList<string> Texts, IReadOnlyList<MarkDoubt> Doubts);

/// <summary>Everything the trackside screen draws.</summary>
public sealed record LiveView(
    LiveSession Live,
    Club Club,
    IReadOnlyList<Athlete> Squad,
    PlanLine? Line,
    PlanLine? Before,
    PlanLine? After,
    IReadOnlyList<QueueRow> Queue,
    QueueRow? OnLine,
    IReadOnlyList<Distance> Marks,
    LaneDrawing? LaneWide,
    LaneDrawing? LaneNarrow,
    SessionStrip Strip,
    SavedRun? Last,
    TypedMarks? Typed,
    Guid ClientId,
    DateTime Now,
    string? Toast,
    long? Undone)
{
    public TrainingSession Session => Live.Session;

    public bool AsksTimes => Marks.Count > 0;

    public string ItemName(PlanLine line) => BuilderMaker.Capital(line.Exercise ?? (line.Shape is RunShape { Fly: { } fly } ? $"Fly {Figures.Number(fly.To - fly.From, 1)}" : line.Kind.Name()));
}

/// <summary>Puts the trackside picture together.</summary>
public sealed class LiveMaker(TracksideBook book, SquadBook squads, ResultsBook results, BuilderMaker builder, SchoolBook schools, Desk desk)
{
    public async Task<LiveView?> MakeAsync(int sessionId, TypedMarks? typed = null, Guid? clientId = null, string? toast = null, long? undone = null)
    {
        if (await book.LoadAsync(sessionId) is not { } live)
        {
            return null;
        }

        var session = live.Session;
        var club = await desk.ClubAsync();
        var now = desk.UtcNow;
        var lines = live.Plan.Lines.ToList();
        var at = Math.Max(0, lines.FindIndex(l => l.Id == session.CurrentLineId));
        var line = lines.Count > 0 ? lines[at] : null;
        var queue = line is null ? [] : Queue(live, line, now, await schools.OfAsync(session));
        var called = queue.FirstOrDefault(q => q.Athlete.Id == session.CalledAthleteId && q.Turn.State is TurnState.Ready or TurnState.Resting);
        var onLine = called ?? queue.FirstOrDefault(q => q.Turn.State is TurnState.Ready or TurnState.Resting);
        var (setting, _, _) = await builder.SettingAsync(session);
        var present = live.Attendance.Count(a => a.Present);
        var timeline = SessionClock.Lay(live.Plan, present > 0 ? setting with { Athletes = present } : setting);
        return new(
            live, club, await squads.AthletesAsync(session.SquadId), line,
            at > 0 ? lines[at - 1] : null, at + 1 < lines.Count ? lines[at + 1] : null,
            queue, onLine, line?.ExpectedMarks ?? [],
            line is null ? null : LaneDrawing.Draw(line, 840, session.StraightMetres, club.DistanceUnit),
            line is null ? null : LaneDrawing.Draw(line, 358, session.StraightMetres, club.DistanceUnit, 6),
            SessionStrip.Draw(live.Plan, timeline, session.WindowMinutes * 60, 560, 74, null),
            await LastAsync(live, club), typed, clientId ?? Guid.NewGuid(), now, toast, undone);
    }

    /// <summary>The running order of a line for those who are here and whom the line is for.</summary>
    public static IReadOnlyList<QueueRow> Queue(LiveSession live, PlanLine line, DateTime now, CoachingSchool school)
    {
        var here = live.Attendance.Where(a => a.Present && BuilderMaker.IsFor(live.Plan, line, a.Athlete!)).ToDictionary(a => a.AthleteId);
        var rest = RestRules.Between(line, school).Seconds;
        var runners = here.Values.Select(a =>
        {
            var runs = live.Runs.Where(r => r.AthleteId == a.AthleteId).ToList();
            return new Runner(
                a.AthleteId, a.Order, runs.Count(r => r.LineId == line.Id && r.Outcome != RunOutcome.Again),
                runs.LastOrDefault(r => r.Outcome != RunOutcome.Skipped)?.FinishedAt, a.DoneReason is not null);
        });
        return
        [
            .. RunningOrder.Now(runners, line.TotalReps, line.Reps, rest, line.Rest?.SetSeconds ?? rest, now)
                .Select(t => new QueueRow(here[t.AthleteId].Athlete!, t, here[t.AthleteId].DoneReason ?? "")),
        ];
    }

    private async Task<SavedRun?> LastAsync(LiveSession live, Club club)
    {
        if (live.Runs.Count == 0)
        {
            return null;
        }

        var run = live.Runs[^1];
        var athlete = live.Attendance.FirstOrDefault(a => a.AthleteId == run.AthleteId)?.Athlete;
        if (athlete is null)
        {
            return null;
        }

        var rep = live.Runs.Count(r => r.AthleteId == run.AthleteId && r.LineId == run.LineId && r.Outcome != RunOutcome.Again);
        if (run.Marks.Count == 0)
        {
            return new(run, athlete, null, [], rep, null);
        }

        var logged = run.ToLogged();
        var meaning = RunMeaning.Against(logged, await results.BestBeforeAsync(run));
        var splits = logged.Segments.Count < 2 ? [] : logged.Segments.Select(s => $"{Figures.Number(s.FromMetres, 1)}–{Figures.Number(s.ToMetres, 1)} m  {Figures.Split(s.Seconds)}  {Figures.SpeedNumber(s.MeanSpeed, club.SpeedUnit)}").ToList();
        var today = live.Runs.Where(r => r.AthleteId == run.AthleteId && r.LineId == run.LineId && r.Marks.Count > 0).Select(r => RunMeaning.Against(r.ToLogged(), null)).Where(m => m.Label == meaning.Label).Select(m => m.Seconds).ToList();
        return new(run, athlete, meaning, splits, rep, DropOff.LastAgainstBest(today));
    }
}
