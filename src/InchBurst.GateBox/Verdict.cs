using System.Globalization;
using InchBurst.Core.Log;
using InchBurst.Core.Units;

namespace InchBurst.GateBox;

/// <summary>A run of one lane as it was stored.</summary>
/// <param name="Run">Its number in the book of the server.</param>
/// <param name="Lane">Lane, from 1; 0 where it is not known.</param>
/// <param name="Gates">How many gates stand.</param>
/// <param name="Passes">Passes by one clock.</param>
/// <param name="Start">What was told of the start.</param>
public sealed record Stored(Guid Run, int Lane, int Gates, IReadOnlyList<GatePass> Passes, GateStart? Start = null);

/// <summary>What was stored, held against what really happened.</summary>
public sealed class Verdict
{
    /// <summary>Times are those of two gates: twice the noise of one, and what two clocks may be off; s.</summary>
    public const double Stated = (2 * Adversary.Noise) + 0.0025;

    // Two moments of one clock to a tenth of a ms.
    private const double StatedReaction = 0.0011;

    private readonly List<string> wrong = [];

    /// <summary>Runs of a lane of which something could be stored.</summary>
    public int Runs { get; private set; }

    /// <summary>Of them, those that were stored.</summary>
    public int Kept { get; private set; }

    /// <summary>Those stored twice, or that nobody ran.</summary>
    public int Doubled { get; private set; }

    /// <summary>Marks within the stated noise.</summary>
    public int Right { get; private set; }

    /// <summary>Of them, those off by an arm that was something else, which the time says itself.</summary>
    public int Off { get; private set; }

    /// <summary>Marks left empty.</summary>
    public int Empty { get; private set; }

    /// <summary>Runs that are asked about.</summary>
    public int Asked { get; private set; }

    /// <summary>Of them, those where the truth is among the answers.</summary>
    public int Among { get; private set; }

    /// <summary>Reactions as they were.</summary>
    public int Reactions { get; private set; }

    /// <summary>What is silently wrong, in words.</summary>
    public IReadOnlyList<string> Wrong => wrong;

    /// <summary>True where nothing is lost, doubled or silently wrong.</summary>
    public bool IsGood => Kept == Runs && Doubled == 0 && wrong.Count == 0;

    /// <summary>In one line.</summary>
    public override string ToString() => string.Create(
        CultureInfo.InvariantCulture,
        $"{Kept} of {Runs} runs stored, {Doubled} doubled; {Right} marks right, {Off} of them off by an arm that was something else and said to be so, {Empty} empty; {Asked} runs asked, in {Among} of them the truth is among the answers; {Reactions} reactions right; {wrong.Count} silently wrong");

    /// <summary>Holds runs against the truth.</summary>
    /// <param name="truths">What happened.</param>
    /// <param name="stored">What was stored.</param>
    /// <param name="marks">Marks of the line.</param>
    public static Verdict Of(IEnumerable<Truth> truths, IEnumerable<Stored> stored, IReadOnlyList<Distance> marks)
    {
        var verdict = new Verdict();
        var book = stored.GroupBy(s => s.Run).ToDictionary(g => g.Key, g => g.ToList());
        foreach (var really in truths.GroupBy(t => (t.Run, t.Lane)))
        {
            List<Stored> found = [.. new[] { really.Key.Run, LaneOf(really.Key.Run, really.Key.Lane) }.Distinct().SelectMany(n => book.GetValueOrDefault(n) ?? []).Where(s => s.Lane == really.Key.Lane)];
            foreach (var seen in found)
            {
                book[seen.Run].Remove(seen);
            }

            if (really.All(t => t.Passes == 0) && found.Count == 0)
            {
                continue;
            }

            verdict.Runs++;
            verdict.Kept += found.Count > 0 ? 1 : 0;
            verdict.Doubled += Math.Max(0, found.Count - 1);
            if (found.Count > 0)
            {
                verdict.Judge(found[0], [.. really], marks);
            }
        }

        // A lane that only something else crossed is stored too; what is left of a runner's lane is one too many.
        verdict.Doubled += book.Values.Sum(l => l.Count(s => s.Lane == 0));
        return verdict;
    }

    /// <summary>The number of another lane of a report, as the server makes it.</summary>
    private static Guid LaneOf(Guid run, int lane)
    {
        var bytes = run.ToByteArray();
        bytes[15] ^= (byte)(lane + 1);
        return new(bytes);
    }

    private void Judge(Stored run, List<Truth> truths, IReadOnlyList<Distance> marks)
    {
        var read = GateFeed.Read(run.Passes, marks, run.Gates);
        double Gap(GateMarks made, Truth truth, int i) => made.Seconds[i] is { } s ? Math.Abs(s - truth.Seconds[i + 1]) : 0;
        bool Is(GateMarks made, Truth truth) => made.Seconds.Select((_, i) => Gap(made, truth, i) <= Stated + made.Within[i]).All(x => x);
        if (read.Problem is not null)
        {
            Asked++;
            Among += read.Choices.Any(c => truths.Exists(t => Is(c, t))) ? 1 : 0;
        }
        else if (!truths.Exists(t => Is(read, t)) || truths.Count > 1)
        {
            string Words(IEnumerable<double?> seconds) => string.Join(' ', seconds.Select(s => s?.ToString("0.000", CultureInfo.InvariantCulture) ?? "-"));
            wrong.Add($"{run.Run}: {Words(read.Seconds)} not {string.Join(" or ", truths.Select(t => Words(t.Seconds.Skip(1).Select(s => (double?)s))))}: {string.Join(", ", truths[0].Faults)}");
        }
        else
        {
            Right += read.Seconds.Count(s => s is not null);
            Off += read.Seconds.Where((_, i) => Gap(read, truths[0], i) > Stated).Count();
            Empty += read.Seconds.Count(s => s is null);
        }

        if (truths is [{ Reaction: { } reaction }])
        {
            if (run.Start?.ReactionSeconds is { } told && Math.Abs(told - reaction) <= StatedReaction)
            {
                Reactions++;
            }
            else
            {
                wrong.Add($"{run.Run}: reaction {run.Start?.ReactionSeconds} not {reaction}");
            }
        }
    }
}
