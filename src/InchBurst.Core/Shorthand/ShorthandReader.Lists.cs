using InchBurst.Core.Plan;
using InchBurst.Core.Units;
using static InchBurst.Core.Shorthand.ShorthandWords;

namespace InchBurst.Core.Shorthand;

/// <summary>Gates, people, measures and kinds.</summary>
internal sealed partial class ShorthandReader
{
    private List<Distance> ReadGates()
    {
        if (Now.IsWord("every") && Next.Kind == TokenKind.Number)
        {
            lastGate = Next;
            at++;
            gatesEvery = ReadDistance("A gate every how many metres?", 1, 100);
            return [];
        }

        var numbers = new List<(Token Number, DistanceUnit? Unit)>();
        while (Now.Kind == TokenKind.Number)
        {
            var number = Now;
            at++;
            DistanceUnit? unit = null;
            if (Now.Kind == TokenKind.Word && DistanceUnits.TryGetValue(Now.Text, out var written))
            {
                unit = written;
                at++;
            }

            numbers.Add((number, unit));
            if (Now.Is(',') && Next.Kind == TokenKind.Number)
            {
                at++;
            }
        }

        if (numbers.Count == 0)
        {
            throw Wrong(Now, "Where do the gates stand? Such as gates 10,20,30.");
        }

        if (numbers.Count > MostGates)
        {
            throw Wrong(numbers[MostGates].Number, $"At most {MostGates} gates.");
        }

        lastGate = numbers[^1].Number;
        var unitAhead = numbers[^1].Unit ?? ShapeUnit();
        var found = new Distance[numbers.Count];
        for (var i = numbers.Count - 1; i >= 0; i--)
        {
            unitAhead = numbers[i].Unit ?? unitAhead;
            found[i] = Metres(numbers[i].Number, unitAhead);
        }

        for (var i = 1; i < found.Length; i++)
        {
            if (found[i].Metres <= found[i - 1].Metres)
            {
                throw Wrong(numbers[i].Number, "Name the gates from the start outwards.");
            }
        }

        return [.. found];
    }

    private const int MostGates = 16;
    private Distance? gatesEvery;

    private DistanceUnit ShapeUnit() => shape is RunShape run ? run.Segments[0].Length.Unit : context.DefaultUnit;

    private Distance ReadDistance(string question, double least, double most)
    {
        if (Now.Kind != TokenKind.Number)
        {
            throw Wrong(Now, question);
        }

        var token = Now;
        at++;
        var unit = ShapeUnit();
        if (Now.Kind == TokenKind.Word && DistanceUnits.TryGetValue(Now.Text, out var written))
        {
            unit = written;
            at++;
        }

        Within(token, token.Value, least, most, "This distance");
        return new(token.Value, unit);
    }

    private List<string> ReadWho()
    {
        var names = new List<string>();
        while (true)
        {
            var words = new List<Token>();
            if (Now.Kind == TokenKind.Quoted)
            {
                names.Add(Text(Now, 80, "A name"));
                at++;
            }
            else
            {
                while ((Now.Kind == TokenKind.Word && !IsKeyword(Now) && !(Now.IsWord("and") && words.Count > 0)) || (Now.Kind == TokenKind.Number && words.Count > 0 && words[^1].IsWord("group", "team", "lane", "squad")))
                {
                    words.Add(Now);
                    at++;
                }

                if (words.Count == 0)
                {
                    throw Wrong(Now, "For whom? Such as for low minutes, or names with commas between.");
                }

                var name = string.Join(' ', words.Select(w => w.Text));
                names.Add(Groups.FirstOrDefault(g => g.Equals(name, StringComparison.OrdinalIgnoreCase)) ?? name);
            }

            if (!(Now.Is(',') || Now.IsWord("and") || Now.Is('&')) || Next.Kind is not (TokenKind.Word or TokenKind.Quoted))
            {
                return names;
            }

            at++;
        }
    }

    private List<MeasureKind> ReadLog()
    {
        var asked = new List<MeasureKind>();
        while (true)
        {
            var token = Now;
            var rule = Measures.All.FirstOrDefault(m => m.Word.Split(' ') is [var first, .. var more] && token.IsWord(first) && (more.Length == 0 || Next.IsWord(more[0])));
            if (rule is null)
            {
                throw token.Kind == TokenKind.Word
                    ? Unknown(token, Measures.All.Select(m => m.Word), "measure")
                    : Wrong(token, $"Log what? {string.Join(", ", Measures.All.Select(m => m.Word))}.");
            }

            at += rule.Word.Contains(' ') ? 2 : 1;
            if (rule.Kind == MeasureKind.HeartRate && Now.Kind == TokenKind.Number)
            {
                heart = ReadHeart();
            }

            if (!asked.Contains(rule.Kind))
            {
                asked.Add(rule.Kind);
            }

            if (!(Now.Is(',') || Now.Is('+')) || Next.Kind != TokenKind.Word || !Measures.All.Any(m => Next.IsWord(m.Word.Split(' ')[0])))
            {
                return asked;
            }

            at++;
        }
    }

    private HeartBand ReadHeart()
    {
        var first = Now;
        int Rate()
        {
            var token = Now;
            if (token.Kind != TokenKind.Number || token.Value != Math.Floor(token.Value) || token.Value is < HeartBand.Slowest or > HeartBand.Fastest)
            {
                throw Wrong(token, $"A heart rate is a whole number from {HeartBand.Slowest} to {HeartBand.Fastest}, such as 130-150.");
            }

            at++;
            return (int)token.Value;
        }

        var least = Rate();
        var most = least;
        if (Now.Is('-') || Now.IsWord("to"))
        {
            at++;
            most = Rate();
        }

        if (most < least)
        {
            throw Wrong(first, $"A band of heart rates rises: {most}-{least}.");
        }

        at += Now.IsWord("bpm") ? 1 : 0;
        return new(least, most);
    }

    private WorkKind ReadKind()
    {
        var token = Now;
        foreach (var candidate in WorkKinds.All)
        {
            if (token.IsWord(candidate.Word()))
            {
                at++;
                return candidate;
            }

            if (candidate.Word().Split('-') is [var first, var second] && token.IsWord(first) && Next.IsWord(second))
            {
                at += 2;
                return candidate;
            }
        }

        throw token.Kind == TokenKind.Word
            ? Unknown(token, WorkKinds.All.Select(k => k.Word()), "kind of work")
            : Wrong(token, "As what? Such as as acceleration, as jumps or as conditioning.");
    }
}
