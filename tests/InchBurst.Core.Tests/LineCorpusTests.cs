using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;
using InchBurst.Core.Shorthand;

namespace InchBurst.Core.Tests;

/// <summary>Lines as coaches write them, each with the reading it must have.</summary>
public class LineCorpusTests
{
    private static string Read(string text)
    {
        var (block, problem) = PlanText.ReadOne(text, ShorthandContext.Metric);
        return problem is not null ? "? " + problem.Message : PlanText.PrintOne(block!, ExerciseCatalogue.BuiltIn);
    }

    // A reading may name the exercise that a line without one describes.
    private static bool Same(string read, string meant) => read == meant || (read.EndsWith(" " + meant, StringComparison.Ordinal) && ExerciseCatalogue.BuiltIn.Find(read[..^(meant.Length + 1)]) is not null && char.IsAsciiDigit(meant[0]));

    private static IEnumerable<(string Typed, string Means)> Corpus() =>
        new[] { "lines.tsv", "lines-own.tsv" }.SelectMany(f => File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Files", f))).Where(l => l.Contains('\t', StringComparison.Ordinal)).Select(l => (l.Split('\t')[0], l.Split('\t')[1]));

    // What a habit is said to need is never more than it does: whatever it fits holds that.
    [Fact]
    public void No_habit_that_fits_a_line_is_left_out()
    {
        var lines = Corpus().Select(p => p.Typed).Where((_, i) => i % 4 == 0).Concat(LineHabits.Examples.SelectMany(e => new[] { e.Typed, e.Reads })).Distinct().ToList();
        Assert.All(lines, l => Assert.Empty(LineHabits.LeftOut(l)));
        var tried = lines.ConvertAll(LineHabits.Tried);
        Assert.True(tried.Sum(t => t.Tried) < tried.Sum(t => t.All) / 4);
    }

    [Theory]
    [InlineData("abc", "abc")]
    [InlineData("ab?c", "")]
    [InlineData("abx?cd", "ab cd")]
    [InlineData("ab+cd", "ab cd")]
    [InlineData("(?:sled|vest)s?\\s*pull", "sled|vest pull")]
    [InlineData("(?:sled|\\d)pull", "pull")]
    [InlineData("(?:sled|vest)?pull", "pull")]
    [InlineData("(?<=^.*hill)\\s+(?!down)(?=walk)", "hill walk")]
    [InlineData("(?<!up)(?<name>hill)[a-z]{2}%", "hill %")]
    [InlineData("ab{0,2}cd{2,3}?ef", "cd ef")]
    [InlineData("\\p{L}AB\\.c", "ab.c")]
    [InlineData("(?:ab|cd(?:ef|gh))", "ab|cd")]
    public void What_a_pattern_needs_is_read_from_it(string pattern, string needs) => Assert.Equal(needs, string.Join(' ', HabitNeeds.Of(pattern).Select(n => string.Join('|', n))));

    [Fact]
    public void Every_line_of_the_corpus_is_read_as_it_is_meant()
    {
        var wrong = Corpus().Select(c => (c.Typed, c.Means, Read: Read(c.Typed), Meant: Read(c.Means))).Where(c => c.Read[0] == '?' || !Same(c.Read, c.Meant)).Select(c => $"{c.Typed}\n   read  {c.Read}\n   meant {c.Meant}").ToList();
        Assert.True(wrong.Count == 0, $"{wrong.Count} wrong\n" + string.Join('\n', wrong));
    }

    [Fact]
    public void Every_habit_has_an_example_that_reads_as_its_table_says()
    {
        var wrong = LineHabits.Examples.Select(h => (h.Typed, Read: Read(h.Typed), Meant: Read(h.Reads))).Where(c => c.Read != c.Meant || c.Read[0] == '?').Select(c => $"{c.Typed}\n   read  {c.Read}\n   meant {c.Meant}").ToList();
        Assert.True(wrong.Count == 0, $"{wrong.Count} wrong\n" + string.Join('\n', wrong));
    }

    [Fact]
    public void The_document_of_the_language_shows_every_habit()
    {
        var text = File.ReadAllText(Path.Combine(Repository.Root, "docs/formats.md"));
        Assert.All(LineHabits.Examples, h => Assert.Contains($"| `{h.Typed}` | `{h.Reads}` |", text, StringComparison.Ordinal));
    }

    // What may mean several things, or nothing, is asked or refused; it is never guessed.
    [Theory]
    [InlineData("5-6 x 2", "5-6 x 2 m")]
    [InlineData("hill sprints 5x2", "hill sprints 5x2 m|hill sprints 5x2 x 20 m")]
    [InlineData("4 x 20 m rest 3", "4 x 20 m rest 3 min|4 x 20 m rest 3 s")]
    [InlineData("4 x 20 m rest 20", "4 x 20 m rest 20 s|4 x 20 m rest 20 min")]
    [InlineData("4 x 20 m sled 12", "4 x 20 m sled 12 kg|4 x 20 m sled 12%bm|4 x 20 m sled 12 lb")]
    [InlineData("4 x 20 m 10% slower", "4 x 20 m sled 10% slower|4 x 20 m chain 10% slower|4 x 20 m band 10% slower")]
    [InlineData("4 x 20 m 10% bw", "4 x 20 m sled 10% bw|4 x 20 m vest 10% bw")]
    [InlineData("5 x 15 m 60 kg", "5 x 15 m sled 60 kg|5 x 15 m vest 60 kg|5 x 15 m chain 60 kg")]
    [InlineData("ankel dribble 2 x 10 m", "ankle dribble 2 x 10 m")]
    [InlineData("star waltz 2 x 10 m", "\"star waltz\" 2 x 10 m as drill|\"star waltz\" 2 x 10 m as jumps")]
    [InlineData("front plank 20", "front plank 20 s|front plank 20 min")]
    public void A_doubtful_line_is_asked_about_and_every_answer_is_a_line(string typed, string answers)
    {
        var problem = ShorthandLine.Read(typed).Problem!;
        Assert.StartsWith(answers, string.Join('|', problem.Choices.Select(c => c.In(typed))), StringComparison.Ordinal);
        Assert.InRange(problem.Choices.Count, 2, 9);
        Assert.InRange(problem.Start + problem.Length, 1, typed.Length);
        Assert.All(problem.Choices.Where(c => !c.In(typed).EndsWith("90 min", StringComparison.Ordinal)), c => Assert.Null(ShorthandLine.Read(c.In(typed)).Problem));
    }

    [Theory]
    [InlineData("back squat 3 x 5 RPEs 8", "RPEs")]
    [InlineData("6x10m from different starts", "different")]
    [InlineData("4 x 20 m @95% @90%", "effort")]
    [InlineData("A-skip 2 x 10 m B-skip", "line of its own")]
    [InlineData("4 x 20 m in", "in")]
    [InlineData("4 x 20 m in 5-4 s", "quicker to the slower")]
    [InlineData("4 x 20 m in 0.2 s", "0.5")]
    [InlineData("4 x 20 m in 9000 s", "7200")]
    [InlineData("12 x 15 s 20% aerobic", "aerobic")]
    [InlineData("12 x 15 s 210% aerobic", "aerobic")]
    [InlineData("6 x 20 m rest 1 to 30", "share of the work")]
    [InlineData("5-3 x 20 m", "rises")]
    [InlineData("4 x 20 m rest 3-2 min", "rises")]
    [InlineData("3 x 20-10 m", "rises")]
    [InlineData("4 x 10-20 build + 10 fly", "whole run")]
    public void What_is_not_understood_is_refused_with_the_word_at_fault(string typed, string words) =>
        Assert.Contains(words, ShorthandLine.Read(typed).Problem!.Message, StringComparison.Ordinal);

    [Fact]
    public void A_problem_is_shown_where_it_was_typed_however_the_line_was_rewritten()
    {
        foreach (var (typed, at) in new[] { ("5 reps of 20 m w/ 2 min rest blorp", "blorp"), ("3 sets of 4 x 20 m rest 90s zzz", "zzz"), ("flying 10s x 3 from nowhere", "nowhere"), ("A skips x 2 20m r 90s qqq", "qqq") })
        {
            var problem = ShorthandLine.Read(typed).Problem!;
            Assert.Equal(at, typed.Substring(problem.Start, problem.Length));
        }
    }

    private static readonly string[] Pieces = ["4", "x", "20", "m", "rest", "2:00", "'", "\"", "(", ")", "/", "-", "+", "%", "@", ",", "fly", "flying 10s", "sets of", "reps", "A-skip", "sled", "kg", "bw", "1:1", "r", "w/", "each leg", "from", "3-point", "squat", "gates", "then", "3'", "½", "٣", "\uE100", "for Amara", "on", "off", "build", "back", "down", "\u2033", "x10", "%v", "5,3,1", "…", "\ud83d", "tempo 3-1-1"];

    // Here enough to find what a change breaks; LINES_TYPED=1000000 tries a million.
    [Fact]
    public void Nothing_typed_throws_and_every_problem_lies_in_the_line()
    {
        var count = int.TryParse(Environment.GetEnvironmentVariable("LINES_TYPED"), out var many) ? many : 4000;
        var random = new Random(count == 4000 ? 11 : count);
        var typed = Corpus().Select(c => c.Typed).ToList();
        for (var i = 0; i < count; i++)
        {
            var line = random.Next(2) == 0 ? string.Join(random.Next(3) == 0 ? "" : " ", Enumerable.Range(0, random.Next(1, 9)).Select(_ => Pieces[random.Next(Pieces.Length)])) : Mutated(typed[random.Next(typed.Count)], random);
            var (block, problem) = PlanText.ReadOne(line, ShorthandContext.Metric);
            Assert.True(block is null != problem is null, line);
            if (problem is not null)
            {
                Assert.True(problem.Start >= 0 && problem.Start + problem.Length <= line.Length, line);
                continue;
            }

            // What was read is printed, and what is printed reads the same.
            var printed = PlanText.PrintOne(block!, ExerciseCatalogue.BuiltIn);
            Assert.True(Read(printed) == printed, $"{line}: {printed}: {Read(printed)}");
        }
    }

    // Without the parts of a chain taken whole these took for ever.
    [Theory]
    [InlineData("20 build + ", 35)]
    [InlineData("20 m + ", 50)]
    [InlineData("20-30 ", 60)]
    [InlineData("rest ", 70)]
    [InlineData(" ", 390)]
    [InlineData("80% ", 90)]
    [InlineData("fly 20 m ", 44)]
    public void The_longest_lines_there_are_end(string piece, int times)
    {
        var line = string.Concat(Enumerable.Repeat(piece, times));
        var slow = LineHabits.Slow(line);
        Assert.True(slow.Count == 0, string.Join('\n', slow));
        Assert.NotNull(ShorthandLine.Read(line).Problem);
    }

    private static string Mutated(string line, Random random)
    {
        var at = random.Next(line.Length);
        return random.Next(4) switch
        {
            0 => line.Remove(at, 1),
            1 => line.Insert(at, Pieces[random.Next(Pieces.Length)]),
            2 => line[at..] + " " + line[..at],
            _ => line[..at] + (char)random.Next(32, 0x250) + line[at..],
        };
    }

    [Theory]
    [InlineData("\"log roll\" 2 x 6 as strength", WorkKind.Strength, CountedIn.Reps, "2 x 6 reps", 80)]
    [InlineData("\"log roll\" 3 x 20 m each side as drill", WorkKind.Drill, CountedIn.Metres, "3 x 20 m", 60)]
    [InlineData("\"log roll\" 40 s as mobilise", WorkKind.Mobilise, CountedIn.Seconds, "40 s", 30)]
    [InlineData("\"log roll\" 4 passes @70% as jumps", WorkKind.Jumps, CountedIn.Passes, "4 passes", 70)]
    [InlineData("\"log roll\" 5 min as raise", WorkKind.Raise, CountedIn.Seconds, "5 min", 40)]
    [InlineData("\"log roll\" 2 x 6 as conditioning", WorkKind.Conditioning, CountedIn.Reps, "2 x 6 reps", 70)]
    public void The_line_a_name_is_first_written_in_makes_its_exercise(string typed, WorkKind kind, CountedIn counted, string dose, double effort)
    {
        Assert.True(OwnExercise.IsKindSaid(typed));
        Assert.False(OwnExercise.IsKindSaid("\"log roll\" 2 x 6"));
        var made = OwnExercise.From(ShorthandLine.Read(typed).Line!);
        Assert.Equal(("log roll", kind, counted, dose, effort, typed.Contains("each side", StringComparison.Ordinal)), (made.Name, made.Kind, made.Counted, made.Dose, made.Effort, made.EachSide));

        // Its name alone is that dose from then on.
        var known = new ExerciseCatalogue(ExerciseCatalogue.BuiltIn.All.Append(made));
        Assert.Equal(dose, ShorthandPrinter.Dose(ShorthandLine.Read("log rolls", new(Units.DistanceUnit.Metre, known)).Line!));
    }

    [Theory]
    [InlineData("2-4 x 10-20 m rest 2-3 min", "2 x 10 m rest 3:00")]
    [InlineData("2-3 x 4-5 x 20 m", "2 x 4 x 20 m")]
    [InlineData("squat 3 x 3-5 60-75% max", "squat 3 x 3 reps 60% max")]
    [InlineData("front plank 2 x 20-30 s", "front plank 2 x 20 s")]
    [InlineData("5 x 15 m sled 20-25 kg", "5 x 15 m sled 20 kg")]
    [InlineData("4 x 20 m rest 2:00", "4 x 20 m rest 2:00")]
    public void A_range_is_judged_at_its_harder_end_and_has_an_easier_one(string typed, string easier)
    {
        var line = ShorthandLine.Read(typed).Line!;
        Assert.Equal(easier, ShorthandPrinter.Print(line.Easier()));
        Assert.Equal(typed.Contains('-', StringComparison.Ordinal) && !typed.Contains("kg", StringComparison.Ordinal), line.IsRange);
        Assert.False(line.Easier().IsRange);
        var plan = SessionPlan.Empty.Add(line);
        Assert.Equal(line.IsRange, plan.HasRanges);
        Assert.Equal(easier, ShorthandPrinter.Print(plan.Easier().Lines.Single()));
    }
}
