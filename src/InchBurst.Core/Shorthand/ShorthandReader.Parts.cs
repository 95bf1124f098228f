using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>What is said about a dose: effort, start, rest.</summary>
internal sealed partial class ShorthandReader
{
    private void ReadEffort()
    {
        effortAt = Now;
        var percents = new List<double> { Percent() };
        var two = false;
        if (Now.Is('-') || Now.IsWord("to"))
        {
            at++;
            percents.Add(Percent());
            two = true;
        }
        else
        {
            while (Now.Is(',') && Next.Kind == TokenKind.Number)
            {
                at++;
                percents.Add(Percent());
            }
        }

        var shape = two ? Effort.ShapeOf(percents[0], percents[1]) : EffortShape.Each;
        if (Now.IsWord("rising", "between"))
        {
            shape = two ? Now.IsWord("rising") ? EffortShape.Rise : EffortShape.Band : shape;
            at++;
        }

        if (percents.Count > 20)
        {
            throw Wrong(Now, "At most 20 efforts on a line.");
        }

        effort = new(percents, shape);
    }

    // in 18 s, in 17-18 s, in 3:45
    private void ReadGoal()
    {
        var first = Now;
        var seconds = GoalSeconds();
        double? most = null;
        if (Now.Is('-') || Now.IsWord("to"))
        {
            at++;
            most = GoalSeconds();
        }

        if (Now.IsWord("s", "sec", "secs", "seconds"))
        {
            at++;
        }
        else if (Now.IsWord("min", "mins", "minutes") && first.Kind == TokenKind.Number)
        {
            at++;
            (seconds, most) = (seconds * 60, most * 60);
        }

        if (most <= seconds)
        {
            throw Wrong(first, "A range of times goes from the quicker to the slower, such as in 17-18 s.");
        }

        goal = new(Within(first, seconds, 0.5, 7200, "The time of a rep"), most is { } slow ? Within(first, slow, 0.5, 7200, "The time of a rep") : null);
    }

    private double GoalSeconds()
    {
        if (Now.Kind is not (TokenKind.Number or TokenKind.Clock))
        {
            throw Wrong(Now, "In what time? Such as in 18 s.");
        }

        var value = Now.Value;
        at++;
        return value;
    }

    // 110% aerobic, 100-110% aerobic: of the speed that the athlete's own test gave.
    private bool ReadAerobic(Token token)
    {
        var two = Next.Is('-') && Later(2).Kind == TokenKind.Number;
        if (!Later(two ? 3 : 1).Is('%') || !Later(two ? 4 : 2).IsWord("aerobic"))
        {
            return false;
        }

        Once("goal", token);
        var (from, to) = (Within(token, token.Value, 30, 200, "A share of the aerobic speed"), two ? Within(Later(2), Later(2).Value, 30, 200, "A share of the aerobic speed") : 0);
        goal = two ? new(AerobicPercent: Math.Max(from, to), LeastPercent: Math.Min(from, to)) : new(AerobicPercent: from);
        at += two ? 5 : 3;
        return true;
    }

    // More than all of what one has is none, but for help.
    private const double MostEffort = 120;

    private double Percent()
    {
        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now, "How hard, in percent? Such as @95%.");
        }

        if (!asWritten && Now.Value > MostEffort && exercise?.Does == Motion.Lift && !Next.Is('%'))
        {
            var (typed, end) = (Now.Text, Now.Start + Now.Length);
            throw Doubtful(Now, $"{typed} what?", ["kg", "lb"], unit => (end, 0, " " + unit), unit => $"{typed} {unit}");
        }

        var value = Within(Now, Now.Value, 0, MostEffort, "Effort in percent");
        at++;
        if (Now.Is('%'))
        {
            at++;
        }

        return value;
    }

    private void ReadStart()
    {
        var token = Now;
        if (token.Kind != TokenKind.Word || !Starts.TryGetValue(token.Text, out var position))
        {
            // "half kneeling" and "3 point" are typed as often as their hyphened forms.
            var joined = $"{token.Text}-{Next.Text}";
            if (token.Kind is not (TokenKind.Word or TokenKind.Number) || !Starts.TryGetValue(joined, out position))
            {
                throw token.Kind == TokenKind.Word
                    ? Unknown(token, Starts.Keys, "start")
                    : Wrong(token, "From which start? Such as from standing, 3-point, blocks or falling.");
            }

            at++;
        }

        at++;
        var side = ReadSide();
        Distance? runIn = null;
        if (position == StartPosition.Moving && Now.Kind == TokenKind.Number)
        {
            runIn = ReadDistance("How long is the run-in?", 0.5, 60);
        }

        start = new(position, side, runIn);
    }

    private void ReadRest()
    {
        if (Now.IsWord("walk-back") || (Now.IsWord("walk") && Next.IsWord("back")))
        {
            at += Now.IsWord("walk-back") ? 1 : 2;
            double? after = null;
            if (Now.Is('+'))
            {
                at++;
                after = Duration("How long after the walk back?");
            }

            rest = new LineRest(after, WalkBack: true) with { SetSeconds = SetRest() };
            return;
        }

        if (Now.IsWord("every"))
        {
            at++;
            var between = Now;
            rest = new() { EverySeconds = Within(between, Duration("A start every how long?"), 1, 3600, "The time between starts in seconds"), SetSeconds = SetRest() };
            return;
        }

        if (Now.Kind == TokenKind.Number && Next.IsWord("to") && Later(2).Kind == TokenKind.Number && !(Later(3).Kind == TokenKind.Word && TimeUnits.ContainsKey(Later(3).Text)))
        {
            // Rest in proportion to the work: 1 to 2 is twice as long.
            shareAt = Now;
            rest = new() { OfWork = Within(Now, Later(2).Value / Math.Max(0.1, Now.Value), 0.1, 20, "Rest as a share of the work") };
            at += 3;
            rest = rest with { SetSeconds = SetRest() };
            return;
        }

        if (Now.IsWord("onlysets"))
        {
            at++;
            rest = new(SetSeconds: Duration("How long is the rest between sets?"));
            return;
        }

        var first = Now;
        var seconds = Duration("How long is the rest?");
        if (Now.IsWord("between") && Next.IsWord("sets"))
        {
            at += 2;
            rest = new(SetSeconds: seconds);
            return;
        }

        if (Now.Is('-') || Now.IsWord("to"))
        {
            // Less rest is the harder end.
            at++;
            var most = Duration("How long is the rest at most?");
            rest = most > seconds ? new(seconds, SetRest()) { MostSeconds = most } : throw Wrong(first, "A band of rests rises, such as 2:00-3:00.");
            return;
        }

        if (!Now.Is('/') && !Now.IsWord("andsets"))
        {
            rest = new(seconds);
            return;
        }

        at++;
        if (Now.Kind == TokenKind.Number && Next.Kind == TokenKind.Word && DistanceUnits.ContainsKey(Next.Text))
        {
            rest = new(seconds, Per: ReadDistance("For each how many metres?", 1, 100));
            if (Now.Is('/'))
            {
                at++;
                rest = rest with { SetSeconds = Duration("How long is the rest between sets?") };
            }

            return;
        }

        rest = new(seconds, Duration("How long is the rest between sets?"));
    }

    // Rest between sets behind a stroke, or null.
    private double? SetRest()
    {
        if (!Now.Is('/') && !Now.IsWord("andsets"))
        {
            return null;
        }

        at++;
        return Duration("How long is the rest between sets?");
    }

    private double Duration(string question)
    {
        var token = Now;
        if (token.Kind == TokenKind.Clock)
        {
            at++;
            return Within(token, token.Value, 0, 3600, "Rest in seconds");
        }

        if (token.Kind != TokenKind.Number)
        {
            throw token.Kind == TokenKind.Word ? Unknown(token, ["walk-back"], "rest") : Wrong(token, question + " Such as 2:00, 90 s or walk-back.");
        }

        at++;
        if (Now.Kind == TokenKind.Word && TimeUnits.TryGetValue(Now.Text, out var seconds))
        {
            at++;
            return Within(token, token.Value * seconds, 0, 3600, "Rest in seconds");
        }

        // The unit may be said once: 2-3 min.
        if ((Now.Is('-') || Now.IsWord("to")) && Next.Kind == TokenKind.Number && Later(2).Kind == TokenKind.Word && TimeUnits.TryGetValue(Later(2).Text, out var later))
        {
            return Within(token, token.Value * later, 0, 3600, "Rest in seconds");
        }

        // Nobody rests for half an hour between runs: so many are seconds.
        return token.Value is >= LeastBareSeconds and <= MostBareSeconds ? token.Value : throw Unitless(token);
    }

    private const double LeastBareSeconds = 30;
    private const double MostBareSeconds = 600;
}
