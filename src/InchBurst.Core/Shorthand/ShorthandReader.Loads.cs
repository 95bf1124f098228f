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

        if (loadKind is LoadKind.Sled or LoadKind.Chain or LoadKind.Vest && Now.Kind == TokenKind.Number && !IsAmount() && Next.Kind != TokenKind.Times && !Next.Is('-') && !(Next.Kind == TokenKind.Word && (DistanceUnits.ContainsKey(Next.Text) || TimeUnits.ContainsKey(Next.Text))))
        {
            throw Doubtful(Now, $"How heavy? {Now.Text} what?", loadKind == LoadKind.Vest ? ["kg", "lb", "%bm"] : ["kg", "%bm", "lb"], unit => (Now.Start + Now.Length, 0, unit[0] == '%' ? unit : " " + unit), unit => $"{Now.Text} {(unit == "%bm" ? "% of body mass" : unit)}");
        }

        // How much is left open, and logged as it was.
        if (!Now.Is('-') && !Now.Is('+') && (loadKind is LoadKind.Parachute or LoadKind.Band or LoadKind.Partner || !IsAmount()))
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
        var value = token.Value == 0 ? 0 : token.Value * sign;
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

            if (loadKind == LoadKind.Tow)
            {
                // Of help the percent can only be how much faster.
                return new(loadKind, Within(token, value, 0.5, 30, "A change of speed in percent"), LoadUnit.PercentSpeed);
            }

            if (loadKind is LoadKind.Uphill or LoadKind.Downhill)
            {
                return new(loadKind, Within(token, Math.Abs(value), 0.1, 60, "A slope in percent"), LoadUnit.PercentGrade);
            }

            var percent = tokens[at - 1];
            throw Doubtful(token, $"{token.Text}% of what?", loadKind == LoadKind.Vest ? ["bodyweight"] : ["bodyweight", "slower"], word => (percent.Start + percent.Length, 0, " " + word), word => word == "slower" ? $"{token.Text}% slower" : $"{token.Text}% of body mass");
        }

        throw Wrong(token, LoadQuestion(loadKind));
    }

    // A number with a unit of loads behind it.
    private bool IsAmount() => Now.Kind == TokenKind.Number && (Next.Is('%') || Next.Is('°') || Next.IsWord("kg", "kilos", "lb", "lbs", "deg", "degree", "degrees"));

    /// <summary>What is lifted, as a share of the most or in kilograms: true when the number at hand is that.</summary>
    private bool ReadLift(Token token)
    {
        if (said.Contains("dose") && Next.Kind == TokenKind.Times && Later(2).Kind == TokenKind.Number && Later(3).IsWord("kg", "lb"))
        {
            // Two dumbbells of 20 kg each.
            Once("load", token);
            var (pieces, each, isPound) = (Whole(token, 1, 4, "Pieces"), Later(2), Later(3).IsWord("lb"));
            massAt = each;
            load = new(LoadKind.Lift, Within(each, each.Value, isPound ? 1 : 0.5, isPound ? 900 : 400, isPound ? "A load in lb" : "A load in kg"), isPound ? LoadUnit.Pound : LoadUnit.Kilogram) { Pieces = pieces };
            at += 4;
            return true;
        }

        var two = Next.Is('-') && Later(2).Kind == TokenKind.Number;
        var unit = Later(two ? 3 : 1);
        if (unit.Is('%') && Later(two ? 4 : 2).IsWord("max"))
        {
            Once("load", token);
            var (from, to) = (Within(token, token.Value, 1, 120, "A share of the maximum"), two ? Within(Later(2), Later(2).Value, 1, 120, "A share of the maximum") : 0);
            load = new(LoadKind.Lift, two ? Math.Max(from, to) : from, LoadUnit.PercentMaximum) { Least = two ? Math.Min(from, to) : null };
            at += two ? 5 : 3;
            return true;
        }

        if (unit.Is('%') && Later(two ? 4 : 2).IsWord("bm") && load is null or { Unit: LoadUnit.None })
        {
            if (((load ?? exercise?.UsualLoad)?.Kind ?? (IsHeld() ? LoadKind.Lift : null)) is not { } carried)
            {
                throw Doubtful(token, $"{token.Text}% of body mass on what?", ["sled", "vest"], word => (token.Start, 0, word + " "));
            }

            double Share(Token t) => Within(t, t.Value, 1, 200, "A load in percent of body mass");
            var (one, other) = (Share(token), two ? Share(Later(2)) : 0);
            load = new(carried, Math.Max(one, other), LoadUnit.PercentBodyMass) { Least = two ? Math.Min(one, other) : null };
            at += two ? 5 : 3;
            return true;
        }

        if (!two && (load is null ? exercise?.UsualLoad : load.Unit == LoadUnit.None ? load : null) is { Kind: LoadKind.Uphill or LoadKind.Downhill } slope && (unit.Is('%') || unit.IsWord("deg", "degree", "degrees")))
        {
            said.Add("load");
            load = slope with { Amount = Within(token, token.Value, 0.1, unit.Is('%') ? 60 : 30, "A slope"), Unit = unit.Is('%') ? LoadUnit.PercentGrade : LoadUnit.Degree };
            at += 2;
            return true;
        }

        if (!unit.IsWord("kg", "lb"))
        {
            return false;
        }

        var pound = unit.IsWord("lb");
        double Mass(Token t) => Within(t, t.Value, pound ? 1 : 0.5, pound ? 900 : 400, pound ? "A load in lb" : "A load in kg");
        var (least, most) = (Mass(token), two ? Mass(Later(2)) : 0);
        var amount = two ? Math.Max(least, most) : least;
        if (load is { Kind: LoadKind.Sled or LoadKind.Chain or LoadKind.Vest, Unit: LoadUnit.None } || (load is null && exercise?.UsualLoad?.Kind is LoadKind.Sled or LoadKind.Chain or LoadKind.Vest))
        {
            said.Add("load");
            load = (load ?? exercise!.UsualLoad!) with { Amount = amount, Unit = pound ? LoadUnit.Pound : LoadUnit.Kilogram, Least = two ? Math.Min(least, most) : null };
        }
        else
        {
            Once("load", token);
            massAt = token;
            load = new(LoadKind.Lift, amount, pound ? LoadUnit.Pound : LoadUnit.Kilogram) { Least = two ? Math.Min(least, most) : null };
        }

        at += two ? 4 : 2;
        return true;
    }

    // What is lifted, jumped, thrown or carried with is in the hands or on the shoulders.
    private bool IsHeld() => exercise is { Does: Motion.Lift or Motion.Jump or Motion.Throw or Motion.Hold or Motion.Carry or Motion.Walk };

    private static readonly string[] StillMoves = ["as", "heavy", "as", "still", "moves"];

    private static string LoadQuestion(LoadKind kind) => kind switch
    {
        LoadKind.Uphill or LoadKind.Downhill => "How steep? Such as uphill 5% or downhill 2deg.",
        LoadKind.Tow => "How much faster? Such as tow +5%v.",
        _ => "How heavy? Such as sled 12 kg, sled 20%bm or sled -10%v.",
    };
}
