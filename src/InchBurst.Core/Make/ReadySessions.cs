using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Make;

/// <summary>A session ready to use and to change.</summary>
/// <param name="Name">Name.</param>
/// <param name="For">Whom it suits, in one sentence.</param>
/// <param name="Minutes">Window it is written for, minutes.</param>
/// <param name="Text">The session as text.</param>
public sealed record ReadySession(string Name, string For, int Minutes, string Text)
{
    /// <summary>True for a day of tests, which has a protocol.</summary>
    public bool IsTesting { get; init; }

    /// <summary>The session as a plan.</summary>
    public SessionPlan Plan => PlanText.Read(Text, ShorthandContext.Metric).Plan;
}

/// <summary>The shelf: sessions that follow the order of the job (common practice).</summary>
public static class ReadySessions
{
    /// <summary>All ready sessions.</summary>
    public static IReadOnlyList<ReadySession> All { get; } =
    [
        new("Acceleration day", "First steps and the push, with full rest.", 60, """
            Warm-up:
            raise 4 min @45%
            hip bridge 1 x 10 reps
            walking lunge with turn 1 x 15 m
            straight-leg kick walk 1 x 15 m
            snap-down landing 1 x 5 reps

            Drills:
            wall switch one 2 x 5 reps
            wall switch two 2 x 4 reps
            A-skip 2 x 15 m

            Build-ups:
            build-up 3 x 20 m @70,80,90% rest walk-back

            Starts:
            3 x 10 m from falling through 5 m rest 1:00
            4 x 10 m from 3-point gates 5,10 m through 5 m rest 1:30

            Acceleration:
            3 x 20 m from 3-point gates 10,20 m rest 2:30

            Jumps and throws:
            broad jump 3 x 3 reps

            Slow down:
            stick the stop 3 x 15 m @80% rest walk-back

            Cool-down:
            cool-down 5 min
            """),
        new("Top-speed day", "Flying tens with full rest, for those used to full speed.", 60, """
            Warm-up:
            raise 4 min @45%
            single-leg bridge 1 x 8 reps each side
            leg swing forwards 1 x 10 reps each side
            straight-leg skip 1 x 15 m
            pogo hops 1 x 10 reps

            Drills:
            ankle dribble 2 x 10 m
            calf dribble 2 x 15 m
            straight-leg run 2 x 20 m

            Build-ups:
            build-up 3 x 30 m @75,85,90% rest walk-back

            Max velocity:
            4 x 20 build + 10 fly + 20 m slow @100% rest 4:00

            Jumps and throws:
            pogo hops 2 x 10 reps

            Cool-down:
            cool-down 5 min
            """),
        new("Forty minutes in season", "A team between matches: a little of each, nothing left stiff.", 40, """
            Warm-up:
            raise 4 min @45%
            hip bridge 1 x 10 reps
            leg swing forwards 1 x 10 reps each side
            side lunge shift 1 x 6 reps each side
            snap-down landing 1 x 5 reps

            Drills:
            A-skip 2 x 15 m

            Build-ups:
            build-up 2 x 20 m @75,85% rest walk-back

            Acceleration:
            3 x 10 m from standing through 5 m rest 1:00

            Max velocity:
            2 x 20 build + 10 fly + 20 m slow @95% rest 3:00

            Turn:
            cut forty-five 2 x 8 + cut 45 + 8 m @80% each side rest walk-back

            Cool-down:
            cool-down 4 min
            """),
        new("Back to speed, step one", "After a break, once the clinician has said running is fine. Nothing above 80%.", 40, """
            Warm-up:
            raise 6 min @45%
            hip bridge 1 x 10 reps
            leg swing forwards 1 x 10 reps each side
            straight-leg kick walk 1 x 15 m

            Drills:
            A-march 2 x 10 m
            ankle dribble 2 x 10 m

            Build-ups:
            build-up 4 x 40 m @60,65,70,75% rest walk-back
            build-up 3 x 30 m @75,80,80% rest walk-back

            Cool-down:
            cool-down 5 min
            """),
        new("Back to speed, step two", "When step one was easy on two days and the clinician agrees. Up to 90%.", 45, """
            Warm-up:
            raise 6 min @45%
            single-leg bridge 1 x 8 reps each side
            leg swing forwards 1 x 10 reps each side
            straight-leg skip 1 x 15 m

            Drills:
            A-skip 2 x 15 m
            calf dribble 2 x 15 m

            Build-ups:
            build-up 3 x 30 m @70,80,85% rest walk-back

            Easy flies:
            3 x 30 build + 10 fly + 20 m slow @85,88,90% rest 3:00

            Cool-down:
            cool-down 5 min
            """),
        new("On your own", "One athlete, a straight and a phone.", 45, """
            Warm-up:
            raise 5 min @45%
            hip bridge 1 x 10 reps
            walking lunge with turn 1 x 15 m
            straight-leg kick walk 1 x 15 m
            pogo hops 1 x 10 reps

            Drills:
            A-skip 2 x 15 m

            Build-ups:
            build-up 3 x 30 m @75,85,90% rest walk-back

            Acceleration:
            4 x 20 m from standing rest 2:00

            Pair, 3 rounds, rest 1:30:
            broad jump 3 reps
            pogo hops 10 reps

            Cool-down:
            cool-down 5 min
            """),
        new("Young athletes", "Short, playful, no loads; plenty of rest.", 45, """
            Warm-up:
            raise 5 min @45%
            side shuffle 1 x 20 m each side
            leg swing forwards 1 x 10 reps each side
            straight-leg kick walk 1 x 15 m
            snap-down landing 1 x 5 reps

            Drills:
            A-march 2 x 10 m
            A-skip 2 x 15 m

            Build-ups:
            build-up 2 x 20 m @75,85% rest walk-back

            Starts:
            3 x 10 m from falling through 5 m rest 1:00
            3 x 10 m from prone through 5 m rest 1:00

            Slow down:
            stick the stop 3 x 15 m @80% rest walk-back

            Cool-down:
            walk and breathe 2 min
            """),
        new("Testing day", "Sprint, flying ten, jump and turn, measured the same way every time.", 75, """
            Warm-up:
            raise 5 min @45%
            single-leg bridge 1 x 8 reps each side
            leg swing forwards 1 x 10 reps each side
            walking lunge with turn 1 x 15 m
            snap-down landing 1 x 5 reps

            Build-ups:
            build-up 3 x 30 m @75,85,95% rest 1:30

            Jump:
            broad jump 3 x 1 reps rest 1:00 log length

            Sprint:
            3 x 30 m from 3-point gates 5,10,20,30 m rest 4:00

            Flying:
            2 x 20 build + 10 fly + 20 m slow rest 5:00

            Turn:
            five-ten-five 2 x 5 + turn 180 right + 10 + turn 180 left + 5 m rest 3:00 log time

            Cool-down:
            cool-down 5 min
            """) { IsTesting = true },
    ];
}
