using InchBurst.Core.Catalogue;
using InchBurst.Core.Live;
using InchBurst.Core.Units;
using InchBurst.Data.Entities;
using InchBurst.Web.Drawing;
using InchBurst.Web.Pages.Sessions;

namespace InchBurst.Web.Support;

/// <summary>Every rep of an athlete in one cell.</summary>
public sealed record RepsCell(Athlete Athlete, string Name, string Figures, EveryRep Picture, bool SaysStop);

/// <summary>Every rep of a session on the lines run at full effort, cell beside cell.</summary>
public sealed record ReviewReps(IReadOnlyList<RepsCell> Cells, IReadOnlyList<FaultSeen> Signs, IReadOnlyList<string> Lines, int Width)
{
    /// <summary>Things seen that have a sign of their own.</summary>
    public const int MostSigns = 4;

    private const double ARep = 13;

    // Each has a class of its own in the styles.
    private static readonly int[] Widths = [104, 150, 200, 260, 380];

    /// <summary>The cells, by name.</summary>
    /// <param name="lines">Lines whose reps are all of one full effort, each with the reps it asks of an athlete.</param>
    /// <param name="faults">What was seen, the most frequent first.</param>
    /// <param name="stopShare">Where the stop line stands.</param>
    /// <returns>The cells, or null with nothing to set beside each other.</returns>
    public static ReviewReps? Of(IReadOnlyList<(ReviewLine Line, string Dose, Func<Athlete, int> Asked)> lines, IReadOnlyList<FaultSeen> faults, double stopShare)
    {
        var people = lines.SelectMany(l => l.Line.Times.Select(t => t.Athlete)).DistinctBy(a => a.Id).OrderBy(a => a.Name, StringComparer.CurrentCulture).ToList();
        if (people.Count == 0)
        {
            return null;
        }

        var signs = faults.Take(MostSigns).ToList();
        var names = ShortNames.Of(people.Select(a => a.Name));
        var rooms = lines.Select(l => Math.Max(people.Max(l.Asked), l.Line.Times.Max(t => t.Runs.Count))).ToList();
        var wanted = ARep * (rooms.Sum() + lines.Count - 1);
        var width = Widths.FirstOrDefault(w => w >= wanted, Widths[^1]);
        return new(
            [
                .. people.Select(athlete =>
                {
                    var own = lines.Select(l => l.Line.Times.FirstOrDefault(t => t.Athlete.Id == athlete.Id)).ToList();
                    var picture = EveryRep.Draw([.. lines.Select((l, i) => Reps(own[i], rooms[i], l.Asked(athlete), signs))], stopShare, width);
                    return new RepsCell(
                        athlete, names[athlete.Name], string.Join(' ', own.OfType<ReviewTimes>().Select(t => Figures.Split(t.Best.Seconds))), picture, picture.Lines.Any(l => l.Count > 0 && l[^1].SaysStop));
                }),
            ],
            signs, [.. lines.Select(l => l.Dose)], width);
    }

    private static RepsOfOne Reps(ReviewTimes? times, int room, int asked, List<FaultSeen> signs)
    {
        if (times is null)
        {
            return new(room, asked, null, [], [], default);
        }

        var runs = times.Runs.Where(r => r.Meaning.Label == times.Best.Label).ToList();
        return new(
            room, Math.Max(asked - (times.Runs.Count - runs.Count), 0), times.BestBefore, [.. runs.Select(r => r.Meaning.Seconds)],
            [.. runs.Select(r => (IReadOnlyList<int>)[.. signs.Index().Where(s => r.Run.Seen.Any(x => x.Code.Equals(s.Item.Seen.Code, StringComparison.OrdinalIgnoreCase))).Select(s => s.Index)])], runs[0].Run.Method);
    }
}
