using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>What is said about a dose: effort, start, rest.</summary>
internal sealed partial class ShorthandReader
{
    private void ReadEffort()
    {
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

    private double Percent()
    {
        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now, "How hard, in percent? Such as @95%.");
        }

        var value = Within(Now, Now.Value, 0, 120, "Effort in percent");
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
            rest = new(WalkBack: true);
            return;
        }

        if (Now.Kind == TokenKind.Number && Next.IsWord("to") && Later(2).Kind == TokenKind.Number && shape is TimedShape work)
        {
            // Rest in proportion to the work: 1 to 2 is twice as long.
            rest = new(Within(Now, Math.Round(work.Seconds * Later(2).Value / Math.Max(1, Now.Value)), 0, 3600, "Rest in seconds"));
            at += 3;
            return;
        }

        var first = Now;
        var seconds = Duration("How long is the rest?");
        if (Now.Is('-') || Now.IsWord("to"))
        {
            // Less rest is the harder end.
            at++;
            var most = Duration("How long is the rest at most?");
            rest = most > seconds ? new(seconds) { MostSeconds = most } : throw Wrong(first, "A band of rests rises, such as 2:00-3:00.");
            return;
        }

        if (!Now.Is('/'))
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

        throw Unitless(token);
    }
}
