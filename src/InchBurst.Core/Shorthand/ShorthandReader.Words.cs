using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>What a word opens, and what is only said to the athlete.</summary>
internal sealed partial class ShorthandReader
{
    private void ReadWord(Token token)
    {
        if (token.IsWord("from"))
        {
            Once("start", token);
            at++;
            ReadStart();
        }
        else if (token.IsWord("rest"))
        {
            Once("rest", token);
            at++;
            ReadRest();
        }
        else if (token.IsWord("gates", "gate"))
        {
            Once("gates", token);
            at++;
            gates = ReadGates();
        }
        else if (token.IsWord("through"))
        {
            Once("through", token);
            at++;
            through = ReadDistance("How far past the line?", 0.5, 60);
        }
        else if (token.IsWord("each", "per") && Next.IsWord("side", "leg"))
        {
            eachSide = true;
            at += 2;
        }
        else if (token.IsWord("in") && Next.IsWord("waves"))
        {
            inWaves = true;
            at += 2;
        }
        else if ((exerciseName is not null || Next.Kind == TokenKind.Name) && BodyParts.FirstOrDefault(p => IsHere(p)) is { } part)
        {
            // Where a stretch is felt, or what a lift works: said to the athlete.
            SayAlso(part, token);
            at += part.Split(' ').Length;
            if (Now.IsWord("and") && BodyParts.Any(p => p.Split(' ').Select((w, i) => Later(i + 1).IsWord(w)).All(here => here)))
            {
                at++;
            }
        }
        else if (token.IsWord("steep", "gentle", "slight") && (said.Contains("dose") || (Next.Kind == TokenKind.Name && Next.Exercise!.UsualLoad is { Kind: LoadKind.Uphill or LoadKind.Downhill }) || Next.IsWord("uphill", "downhill")))
        {
            SayAlso(token.Text.ToLowerInvariant(), token);
            at++;
        }
        else if (token.IsWord("in") && Next.IsWord("pairs", "twos", "threes", "fours"))
        {
            SayAlso($"in {Next.Text.ToLowerInvariant()}", token);
            at += 2;
        }
        else if (token.IsWord("in") && Next.Kind is TokenKind.Number or TokenKind.Clock)
        {
            Once("goal", token);
            at++;
            ReadGoal();
        }
        else if (token.IsWord("for") && Next.IsWord(Aims))
        {
            SayAlso($"for {Next.Text.ToLowerInvariant()}", token);
            at += 2;
        }
        else if (token.IsWord("for"))
        {
            Once("for", token);
            at++;
            who = ReadWho();
        }
        else if (token.IsWord("cue"))
        {
            if (cue is null || isCueTyped)
            {
                Once("cue", token);
            }

            at++;
            if (Now.Kind != TokenKind.Quoted)
            {
                throw Wrong(Now, "Put the cue in quotation marks: cue \"push the ground away\".");
            }

            isCueTyped = true;
            SayAlso(Text(Now, LongestCue, "A cue"), token);
            at++;
        }
        else if (token.IsWord("log"))
        {
            Once("log", token);
            at++;
            log = ReadLog();
        }
        else if (token.IsWord("as"))
        {
            Once("kind", token);
            at++;
            kind = ReadKind();
        }
        else if (EffortWords.TryGetValue(token.Text, out var percent))
        {
            var word = new Effort([percent], Word: token.Text.ToLowerInvariant());
            at++;
            if (effort is { Word: null })
            {
                AgreeWith(word, token);
                return;
            }

            Once("effort", token);
            effort = word;
        }
        else if (token.IsWord("slow") && exercise is { Counted: CountedIn.Reps })
        {
            SayAlso("slow", token);
            at++;
        }
        else if (Loads.TryGetValue(token.Text, out var loadKind))
        {
            if (load is not { Unit: LoadUnit.None } again || again.Kind != loadKind)
            {
                Once("load", token);
            }

            at++;
            load = ReadLoad(loadKind, token);
        }
        else if (BandWords.TryGetValue(token.Text, out var pull) && (load ?? exercise?.UsualLoad) is { Kind: LoadKind.Sled or LoadKind.Chain or LoadKind.Band or LoadKind.Partner } pulled && (load is null || load.Unit == LoadUnit.None))
        {
            said.Add("load");
            at++;
            load = pulled with { Amount = 0, Unit = pull, Least = null };
        }
        else if (BandWords.TryGetValue(token.Text, out var weight) && load is null && (exercise ?? (Next.Kind == TokenKind.Name ? Next.Exercise : null))?.Does is Motion.Lift or Motion.Carry)
        {
            Once("load", token);
            at++;
            load = new(LoadKind.Lift, 0, weight);
        }
        else if (token.IsWord("tempo") && Next.Kind == TokenKind.Word && Next.Text.All(c => char.IsAsciiDigit(c) || c == '-'))
        {
            // Down, hold, up in seconds: said to the athlete.
            SayAlso($"tempo {Next.Text}", token);
            at += 2;
        }
        else if (token.IsWord("usual") && Next.Kind == TokenKind.Number)
        {
            // So many times the usual dose.
            Once("dose", token);
            at++;
            usualTimes = Whole(Now, 1, 100, "Reps");
            at++;
        }
        else if (token.IsWord("timesthen") && Next.Kind == TokenKind.Number)
        {
            ReadTimesThen();
        }
        else if (token.IsWord("x"))
        {
            throw Wrong(token, "A number must stand on both sides of the x.");
        }
        else if (exerciseName is null && !said.Contains("dose"))
        {
            OwnExercise();
        }
        else
        {
            throw exerciseName is not null && CatalogueMatch() is { } second ? Wrong(token, $"“{second.Exercise.Name}” is a second piece of work; put it on a line of its own.") : Unknown(token);
        }
    }

    // What a skip or a jump is done for is said to the athlete; nobody is called so.
    private static readonly string[] Aims = ["height", "distance", "length", "speed", "quality", "form", "technique", "rhythm", "posture", "power", "fun", "contact"];

    // So many times, and a time behind a comma: what is held lasts so long, and behind anything else it is the rest.
    private void ReadTimesThen()
    {
        Once("dose", Next);
        at++;
        var count = Now;
        var times = Whole(Now, 1, 100, "Reps");
        at++;
        if (exercise?.Counted == CountedIn.Seconds)
        {
            reps = times;
            Dose();
            return;
        }

        if (exercise?.Counted == CountedIn.Metres && Now.Kind == TokenKind.Number && Next.Kind == TokenKind.Word && TimeUnits.TryGetValue(Next.Text, out var unit) && Now.Value * unit <= LongestBurst)
        {
            // So short a time is as often what is run as the rest.
            var time = Now;
            var end = Next.Start + Next.Length;
            throw Doubtful(time with { Length = end - time.Start }, $"{time.Text} {Next.Text} of work, or of rest?", ["of work", "of rest"], w => w == "of work" ? (count.Start + count.Length, end - count.Start - count.Length, $" x {time.Text} {Next.Text}") : (time.Start, 0, "rest "));
        }

        usualTimes = times;
        Once("rest", Now);
        ReadRest();
    }

    // Bursts last so long at most, s (own rule).
    private const double LongestBurst = 20;

    private bool IsHere(string words) => words.Split(' ').Select((w, i) => Later(i).IsWord(w)).All(here => here);

    // Longer names before the shorter ones within them.
    private static readonly string[] BodyParts =
        ["hip flexors", "hip flexor", "lower back", "upper back", "hamstrings", "hamstring", "quads", "quad", "calves", "calf", "glutes", "glute", "groin", "groins", "adductors", "hips", "ankles", "shoulders", "achilles"];

    // What is said to the athlete beside the parts of the line; several are one cue.
    private void SayAlso(string words, Token token)
    {
        if (cue is null && !isCueTyped)
        {
            Once("cue", token);
        }

        cue = cue is null ? words : $"{cue}, {words}";
        cue = cue.Length <= LongestCue ? cue : throw Wrong(token, $"A cue has at most {LongestCue} characters.");
    }

    // A cue is written once; what is said beside it joins it, before and behind.
    private bool isCueTyped;

    private const int LongestCue = 120;

    // A word and percents beside each other: the percents stand, unless the two contradict each other.
    private void AgreeWith(Effort? word, Token token)
    {
        if (word is not null && effort!.Percents.Min(p => Math.Abs(p - word.Percents[0])) > MostApart)
        {
            throw Wrong(token, $"“{word.Word}” and {ShorthandPrinter.EffortText(effort)[1..]} say different things; leave one of them out.");
        }
    }

    private const double MostApart = 20;
}
