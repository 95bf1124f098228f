using InchBurst.Core.Plan;

namespace InchBurst.Core.Clock;

/// <summary>When a running session will end.</summary>
/// <param name="FinishSeconds">Predicted end from the start of the session, s.</param>
/// <param name="BehindSeconds">Seconds behind the plan; negative when ahead.</param>
/// <param name="OverSeconds">Seconds past the window; 0 or less when it fits.</param>
public sealed record Forecast(double FinishSeconds, double BehindSeconds, double OverSeconds)
{
    /// <summary>Looks ahead with the same share left of each line that is on.</summary>
    /// <param name="timeline">The session as planned.</param>
    /// <param name="lineId">Number of the line that is on.</param>
    /// <param name="round">Round of its block, from 0.</param>
    /// <param name="leftOfLine">Share of the line still to do, 0 to 1.</param>
    /// <param name="elapsedSeconds">Time since the session began, s.</param>
    /// <param name="windowSeconds">Time available, s.</param>
    public static Forecast Of(SessionTimeline timeline, int lineId, int round, double leftOfLine, double elapsedSeconds, double windowSeconds) => Of(timeline, lineId, round, _ => leftOfLine, elapsedSeconds, windowSeconds);

    /// <summary>Looks ahead from where the session is: what is left of the lines that are on, and the lines after them as planned.</summary>
    /// <param name="timeline">The session as planned.</param>
    /// <param name="lineId">Number of the line that is on.</param>
    /// <param name="round">Round of its block, from 0.</param>
    /// <param name="leftOf">Share of a line still to do, 0 to 1; more when extra reps are run. Asked of the line that is on and of those beside it.</param>
    /// <param name="elapsedSeconds">Time since the session began, s.</param>
    /// <param name="windowSeconds">Time available, s.</param>
    public static Forecast Of(SessionTimeline timeline, int lineId, int round, Func<PlanLine, double> leftOf, double elapsedSeconds, double windowSeconds)
    {
        var on = timeline.Items.FirstOrDefault(i => i.Line.Id == lineId && i.Round == round) ?? timeline.Items.FirstOrDefault(i => i.Line.Id == lineId);
        var left = 0.0;
        if (on is not null)
        {
            var beside = timeline.Beside(on).ToList();
            left = beside.Max(i => leftOf(i.Line) * i.Seconds) + timeline.TotalSeconds - beside.Max(i => i.EndSeconds);
        }

        var finish = elapsedSeconds + left;
        return new(finish, finish - timeline.TotalSeconds, finish - windowSeconds);
    }
}
