using System.Text.Json;
using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;

namespace InchBurst.Core.Live;

/// <summary>What a command changed in a session, as values that stand for themselves: put on a session that has them already, they change nothing.</summary>
public sealed record LiveChange
{
    /// <summary>How far the session has got.</summary>
    public SessionState State { get; init; }

    /// <summary>When the clock began, UTC.</summary>
    public DateTime? StartedAt { get; init; }

    /// <summary>When it ended, UTC.</summary>
    public DateTime? EndedAt { get; init; }

    /// <summary>The line that is on.</summary>
    public int? LineId { get; init; }

    /// <summary>Round of its block, from 1.</summary>
    public int Round { get; init; } = 1;

    /// <summary>When the line came on, UTC.</summary>
    public DateTime? LineFrom { get; init; }

    /// <summary>Athlete called to the line.</summary>
    public int? Called { get; init; }

    /// <summary>Lanes in use.</summary>
    public int Lanes { get; init; } = 1;

    /// <summary>The plan, where it changed.</summary>
    public SessionPlan? Plan { get; init; }

    /// <summary>How lines are timed, where that changed.</summary>
    public IReadOnlyDictionary<int, LineTiming>? Timings { get; init; }

    /// <summary>How a line is timed that was not set itself, where that changed.</summary>
    public LineTiming? Usual { get; init; }

    /// <summary>People who changed or came.</summary>
    public IReadOnlyList<LivePerson> People { get; init; } = [];

    /// <summary>Runs that changed or came.</summary>
    public IReadOnlyList<LiveRun> Runs { get; init; } = [];

    /// <summary>True when more changed than runs and the running order, so that a screen has other things to draw than those.</summary>
    public bool IsWide { get; init; }

    /// <summary>What changed from one state of a session to a later one.</summary>
    /// <param name="before">Before.</param>
    /// <param name="after">After.</param>
    public static LiveChange Between(LiveState before, LiveState after)
    {
        var was = before.Runs.ToDictionary(r => r.Id);
        var runs = after.Runs.Where(r => !ReferenceEquals(was.GetValueOrDefault(r.Id), r)).ToList();
        var people = after.People.Except(before.People).ToList();
        var plan = ReferenceEquals(before.Plan, after.Plan) ? null : after.Plan;
        var timings = ReferenceEquals(before.Timings, after.Timings) ? null : after.Timings;
        return new()
        {
            State = after.State,
            StartedAt = after.StartedAt,
            EndedAt = after.EndedAt,
            LineId = after.LineId,
            Round = after.Round,
            LineFrom = after.LineFrom,
            Called = after.Called,
            Lanes = after.Lanes,
            Plan = plan,
            Timings = timings,
            Usual = before.Usual == after.Usual ? null : after.Usual,
            People = people,
            Runs = runs,
            IsWide = plan is not null || timings is not null || before.Usual != after.Usual
                || (before.State, before.StartedAt, before.LineId, before.Round, before.LineFrom, before.Lanes) != (after.State, after.StartedAt, after.LineId, after.Round, after.LineFrom, after.Lanes)
                || people.Any(p => before.Person(p.AthleteId)?.Present != p.Present)
                || runs.Any(r => r.Conflict is not null || was.GetValueOrDefault(r.Id)?.Conflict is not null),
        };
    }

    /// <summary>A session with the change.</summary>
    /// <param name="state">A session from before it, or one that has it already.</param>
    public LiveState On(LiveState state)
    {
        var (people, runs) = (People.ToDictionary(p => p.AthleteId), Runs.ToDictionary(r => r.Id));
        var (here, there) = (state.People.Select(p => p.AthleteId).ToHashSet(), state.Runs.Select(r => r.Id).ToHashSet());
        return state with
        {
            State = State,
            StartedAt = StartedAt,
            EndedAt = EndedAt,
            LineId = LineId,
            Round = Round,
            LineFrom = LineFrom,
            Called = Called,
            Lanes = Lanes,
            Plan = Plan ?? state.Plan,
            Timings = Timings ?? state.Timings,
            Usual = Usual ?? state.Usual,
            People = people.Count == 0 ? state.People : [.. state.People.Select(p => people.GetValueOrDefault(p.AthleteId, p)).Concat(People.Where(p => !here.Contains(p.AthleteId))).OrderBy(p => p.Order)],
            Runs = runs.Count == 0 ? state.Runs : [.. state.Runs.Select(r => runs.GetValueOrDefault(r.Id, r)), .. Runs.Where(r => !there.Contains(r.Id))],
        };
    }

    /// <summary>As text.</summary>
    public string Write() => JsonSerializer.Serialize(this, LiveJsonContext.Default.LiveChange);

    /// <summary>From text.</summary>
    /// <param name="json">Text made by <see cref="Write"/>.</param>
    /// <exception cref="JsonException">The text is no change.</exception>
    public static LiveChange Read(string json) => JsonRead.Document(json, LiveReader.Change);
}
