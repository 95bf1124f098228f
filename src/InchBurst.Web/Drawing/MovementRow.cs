using InchBurst.Core.Catalogue;
using InchBurst.Core.Movement;

namespace InchBurst.Web.Drawing;

/// <summary>A coaching point beside the body: from a dot on it to its words.</summary>
/// <param name="From">The dot, in px.</param>
/// <param name="To">Where the words begin.</param>
/// <param name="Lines">The words in lines.</param>
public sealed record PointLeader((double X, double Y) From, (double X, double Y) To, IReadOnlyList<string> Lines);

/// <summary>The positions of an exercise in a row, with its coaching points anchored to the body.</summary>
/// <param name="Picture">The bodies.</param>
/// <param name="Leaders">The points that name a part of the body.</param>
/// <param name="Names">What each position is called, with the middle of its place in px.</param>
/// <param name="Left">Points that name no part.</param>
public sealed record MovementRow(DrillPicture Picture, IReadOnlyList<PointLeader> Leaders, IReadOnlyList<(double X, string Name)> Names, IReadOnlyList<string> Left)
{
    private const double Stature = 230;
    private const double TextRoom = 158;
    private const double LineHeight = 17;
    private const double Gap = 8;
    private const int LongestLine = 19;
    private const int Most = 4;

    // The name stands under the middle of its body and is not cut off at the edge: half the width of a letter, and of what stands before it.
    private const double LetterHalf = 3.4;
    private const int NumberLetters = 3;

    /// <summary>The row of an exercise; null where no position shows it.</summary>
    /// <param name="exercise">The exercise.</param>
    public static MovementRow? Of(Exercise exercise)
    {
        if (DrillPicture.Row(exercise, Stature, Most) is not { } tight)
        {
            return null;
        }

        // Each body stands at the left of its place, and its words to the right.
        var count = tight.Figures.Count;
        var pitch = (tight.Width / count) + TextRoom;
        var placed = tight.Figures.Select((f, i) => f with { X = f.X + (i * TextRoom) }).ToList();
        var picture = tight with { Width = pitch * count, Figures = placed };
        var leaders = new List<PointLeader>();
        var left = new List<string>();
        foreach (var (point, i) in exercise.Points.Select((p, i) => (p, i)))
        {
            var at = placed[i % count];
            if (at.Figure.PartNamed(point) is not { } place)
            {
                left.Add(point);
                continue;
            }

            var (x, y) = place;
            leaders.Add(new((Math.Round(at.X + x, 1), Math.Round(tight.GroundY + y, 1)), (Math.Round((pitch * (i % count)) + (tight.Width / count) + Gap, 1), 0), Wrapped(point)));
        }

        return new(picture, [.. leaders.GroupBy(l => l.To.X).SelectMany(g => Stacked([.. g.OrderBy(l => l.From.Y)], tight.GroundY))], [.. placed.Select((f, i) => (Math.Round(Math.Max(f.X + ((f.Figure.Left + f.Figure.Right) / 2), (f.Figure.Position.Name.Length + NumberLetters) * LetterHalf), 1), f.Figure.Position.Name))], left);
    }

    // Words stand at the height of what they speak of, pushed apart where they would lie over each other, and above the ground.
    private static IEnumerable<PointLeader> Stacked(IReadOnlyList<PointLeader> leaders, double ground)
    {
        var free = LineHeight;
        var places = new List<double>();
        foreach (var leader in leaders)
        {
            var y = Math.Max(free, leader.From.Y);
            places.Add(y);
            free = y + (leader.Lines.Count * LineHeight) + Gap;
        }

        var over = Math.Max(0, free - Gap - ground);
        return leaders.Select((l, i) => l with { To = (l.To.X, Math.Round(Math.Max(LineHeight, places[i] - over), 1)) });
    }

    private static List<string> Wrapped(string text)
    {
        var lines = new List<string> { "" };
        foreach (var word in text.Split(' '))
        {
            if (lines[^1].Length > 0 && lines[^1].Length + word.Length + 1 > LongestLine)
            {
                lines.Add("");
            }

            lines[^1] = lines[^1].Length == 0 ? word : $"{lines[^1]} {word}";
        }

        return lines;
    }
}
