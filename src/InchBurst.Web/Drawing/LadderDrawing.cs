using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Web.Drawing;

/// <summary>A step of a ladder, with the body that stands on it; none where no position shows the exercise.</summary>
public sealed record LadderStep(double X, double Y, double Width, string Name, IReadOnlyList<string> Words, double Effort, bool Here, WorkKind Kind, DrillPicture? Body);

/// <summary>The path from the easiest to the hardest exercise, each step as high as its effort.</summary>
public sealed record LadderDrawing(double Width, double Height, double FloorY, IReadOnlyList<LadderStep> Steps)
{
    private const double Full = 110;

    public static LadderDrawing Draw(IReadOnlyList<Exercise> ladder, string here, double width)
    {
        const double Stature = 78;
        var bodies = ladder.Select(e => DrillPicture.Row(e, Stature, 1)).ToList();

        // Whoever stands on a full step, arms up or off the ground, is not cut off.
        const double Steps = 96;
        var floor = Math.Ceiling(ladder.Zip(bodies).Max(s => (s.Second?.GroundY ?? 0) + (Steps * s.First.Effort / Full)));
        var gap = 10.0;
        var step = (width - (gap * (ladder.Count - 1))) / ladder.Count;
        var steps = new List<LadderStep>();
        for (var i = 0; i < ladder.Count; i++)
        {
            var e = ladder[i];
            var x = i * (step + gap);
            var y = floor - (Steps * e.Effort / Full);
            var body = bodies[i] is { } b ? b with { GroundY = y, Figures = [.. b.Figures.Select(f => f with { X = f.X - (b.Width / 2) + x + (step / 2) })] } : null;
            steps.Add(new(x, y, step, e.Name, Wrap(e.Name, (int)(step / 7.6)), e.Effort, e.Name == here, e.Kind, body));
        }

        return new(width, floor + 12 + (17 * steps.Max(s => s.Words.Count)) + 6, floor, steps);
    }

    private static List<string> Wrap(string name, int letters)
    {
        var lines = new List<string> { "" };
        foreach (var word in name.Split(' '))
        {
            if (lines[^1].Length > 0 && lines[^1].Length + 1 + word.Length > Math.Max(letters, 6))
            {
                lines.Add(word);
            }
            else
            {
                lines[^1] = lines[^1].Length == 0 ? word : lines[^1] + " " + word;
            }
        }

        return lines;
    }
}
