using InchBurst.Core.Movement;

namespace InchBurst.Core.Film;

/// <summary>Where an angle should lie.</summary>
/// <param name="Kind">Which angle.</param>
/// <param name="Low">Least, degrees.</param>
/// <param name="High">Most, degrees.</param>
/// <param name="Under">What is seen when it is clearly less, as an observation's code; null where that is no fault.</param>
/// <param name="Over">The same for more.</param>
public sealed record GoalAngle(FilmAngleKind Kind, double Low, double High, string? Under = null, string? Over = null);

/// <summary>
/// How a body should look at a moment of a phase. Ranges are common practice, set by eye around the drawn position; no study stands behind their ends.
/// </summary>
/// <param name="Phase">Part of the run.</param>
/// <param name="Moment">Moment of the step.</param>
/// <param name="Pose">The drawn position.</param>
/// <param name="Angles">Where its angles should lie.</param>
public sealed record FilmGoal(FilmPhase Phase, FilmMoment Moment, string Pose, IReadOnlyList<GoalAngle> Angles)
{
    /// <summary>Every goal.</summary>
    public static IReadOnlyList<FilmGoal> All { get; } =
    [
        new(FilmPhase.Upright, FilmMoment.FootDown, "upright touch-down",
        [
            new(FilmAngleKind.Trunk, 0, 10), new(FilmAngleKind.ShinAhead, -4, 9, null, "reached"), new(FilmAngleKind.Reach, 6, 24, null, "reached"),
            new(FilmAngleKind.Split, 5, 32, null, "late-recovery"), new(FilmAngleKind.Knee, 148, 170, "sat"),
        ]),
        new(FilmPhase.Upright, FilmMoment.MidStance, "upright mid-stance",
            [new(FilmAngleKind.Trunk, 0, 12), new(FilmAngleKind.Split, 18, 60), new(FilmAngleKind.Knee, 140, 168, "sat")]),
        new(FilmPhase.Upright, FilmMoment.FootOff, "upright toe-off",
            [new(FilmAngleKind.Trunk, 0, 14), new(FilmAngleKind.Split, 75, 108), new(FilmAngleKind.FrontThigh, 55, 90), new(FilmAngleKind.Knee, 148, 176)]),
        new(FilmPhase.Upright, FilmMoment.Flight, "upright mid-flight", [new(FilmAngleKind.Trunk, 0, 12), new(FilmAngleKind.Split, 50, 100)]),
        new(FilmPhase.Start, FilmMoment.MidStance, "three-point start", [new(FilmAngleKind.ShinLean, 30, 62, "shins-up"), new(FilmAngleKind.Knee, 75, 115)]),
        new(FilmPhase.Drive, FilmMoment.FootOff, "drive step 1",
        [
            new(FilmAngleKind.Trunk, 32, 58, "popped-up"), new(FilmAngleKind.ShinLean, 38, 64), new(FilmAngleKind.Split, 82, 120, "short-push"),
            new(FilmAngleKind.Knee, 152, 180, "short-push"),
        ]),
        new(FilmPhase.Rise, FilmMoment.FootOff, "long acceleration",
            [new(FilmAngleKind.Trunk, 12, 32, "popped-up"), new(FilmAngleKind.ShinLean, 32, 58), new(FilmAngleKind.Split, 78, 115), new(FilmAngleKind.Knee, 150, 180, "short-push")]),
        new(FilmPhase.Slowing, FilmMoment.FootDown, "stop", [new(FilmAngleKind.Trunk, -15, 6), new(FilmAngleKind.ShinAhead, 0, 26), new(FilmAngleKind.Knee, 105, 145, null, "stopped-tall")]),
    ];

    /// <summary>The goal of a moment, or null where none is set.</summary>
    /// <param name="phase">Part of the run.</param>
    /// <param name="moment">Moment of the step.</param>
    public static FilmGoal? For(FilmPhase phase, FilmMoment moment) => All.FirstOrDefault(g => g.Phase == phase && g.Moment == moment);

    /// <summary>The moments a phase is judged at.</summary>
    /// <param name="phase">Part of the run.</param>
    public static IReadOnlyList<FilmMoment> Moments(FilmPhase phase) => [.. All.Where(g => g.Phase == phase).Select(g => g.Moment)];

    /// <summary>The drawn position.</summary>
    public Pose Position() => PoseBook.Find(Pose)!;
}
