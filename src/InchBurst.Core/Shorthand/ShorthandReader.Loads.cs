using InchBurst.Core.Plan;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Loads with their amounts.</summary>
internal sealed partial class ShorthandReader
{
    private LineLoad ReadLoad(LoadKind loadKind, Token word)
    {
        if (loadKind is LoadKind.Sled or LoadKind.Chain && Now.Kind == TokenKind.Word && at + 1 < tokens.Count && AimWords.TryGetValue(Now.Text + " " + tokens[at + 1].Text, out var aim))
        {
            at += 2;
            return new(loadKind, 0, aim);
        }

        if (loadKind is LoadKind.Band or LoadKind.Partner or LoadKind.Sled or LoadKind.Chain && Now.Kind == TokenKind.Word && BandWords.TryGetValue(Now.Text, out var band))
        {
            at++;
            return new(loadKind, 0, band);
        }

        // "As heavy as still moves", and a sled of which nothing is said: read, and asked about by the checks.
        if (loadKind is LoadKind.Sled or LoadKind.Chain && StillMoves.Select((w, i) => at + i < tokens.Count && tokens[at + i].IsWord(w)).All(is_ => is_))
        {
            at += StillMoves.Length;
            return new(loadKind, 0, LoadUnit.Heavy);
        }

        if (loadKind is LoadKind.Sled or LoadKind.Chain && (Now.Kind is TokenKind.End or TokenKind.Word || (Now.Kind == TokenKind.Number && Next.Kind == TokenKind.Times)))
        {
            return new(loadKind, 0, LoadUnit.None);
        }

        if (loadKind is LoadKind.Parachute or LoadKind.Band or LoadKind.Partner && !Now.Is('-') && !Now.Is('+'))
        {
            return new(loadKind, 0, LoadUnit.None);
        }

        var sign = Now.Is('-') ? -1 : 1;
        if (Now.Is('-') || Now.Is('+'))
        {
            at++;
        }

        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now.Kind == TokenKind.End ? Now : word, LoadQuestion(loadKind));
        }

        var token = Now;
        var value = token.Value * sign;
        at++;
        if (Now.IsWord("kg", "kilos"))
        {
            at++;
            return new(loadKind, Within(token, value, 0.5, 400, "A load in kg"), LoadUnit.Kilogram);
        }

        if (Now.IsWord("lb", "lbs"))
        {
            at++;
            return new(loadKind, Within(token, value, 1, 900, "A load in lb"), LoadUnit.Pound);
        }

        if (Now.IsWord("deg", "degree", "degrees") || Now.Is('°'))
        {
            at++;
            return new(loadKind, Within(token, Math.Abs(value), 0.1, 30, "A slope in degrees"), LoadUnit.Degree);
        }

        if (Now.Is('%'))
        {
            at++;
            if (Now.IsWord("bm", "bw"))
            {
                at++;
                return new(loadKind, Within(token, value, 1, 200, "A load in percent of body mass"), LoadUnit.PercentBodyMass);
            }

            if (Now.IsWord("v"))
            {
                at++;
                return new(loadKind, Within(token, value, -90, 30, "A change of speed in percent"), LoadUnit.PercentSpeed);
            }

            if (loadKind is LoadKind.Uphill or LoadKind.Downhill)
            {
                return new(loadKind, Within(token, Math.Abs(value), 0.1, 60, "A slope in percent"), LoadUnit.PercentGrade);
            }
        }

        throw Wrong(token, LoadQuestion(loadKind));
    }

    private static readonly string[] StillMoves = ["as", "heavy", "as", "still", "moves"];

    private static string LoadQuestion(LoadKind kind) => kind switch
    {
        LoadKind.Uphill or LoadKind.Downhill => "How steep? Such as uphill 5% or downhill 2deg.",
        LoadKind.Tow => "How much faster? Such as tow +5%v.",
        _ => "How heavy? Such as sled 12 kg, sled 20%bm or sled -10%v.",
    };
}
