using InchBurst.Core.Catalogue;
using InchBurst.Core.Plan;

namespace InchBurst.Web.Drawing;

/// <summary>A step of a ladder.</summary>
public sealed record LadderStep(double X, double Y, double Width, string Name, IReadOnlyList<string> Words, double Effort, bool Here, WorkKind Kind);

/// <summary>The path from the easiest to the hardest exercise, each step as high as its effort.</summary>
public sealed record LadderDrawing(double Width, double Height, double FloorY, IReadOnlyList<LadderStep> Steps, string Path)
{
    public static LadderDrawing Draw(IReadOnlyList<Exercise> ladder, string here, double width)
    {
        const double Top = 18;
        const double Floor = 150;
        var gap = 10.0;
        var step = (width - (gap * (ladder.Count - 1))) / ladder.Count;
        var steps = new List<LadderStep>();
        var path = new System.Text.StringBuilder();
        for (var i = 0; i < ladder.Count; i++)
        {
            var e = ladder[i];
            var x = i * (step + gap);
            var y = Floor - ((Floor - Top) * e.Effort / 110);
            steps.Add(new(x, y, step, e.Name, Wrap(e.Name, (int)(step / 7.6)), e.Effort, e.Name == here, e.Kind));
            path.Append(System.Globalization.CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{x + (step / 2):0.#} {y:0.#}");
        }

        return new(width, Floor + 12 + (17 * steps.Max(s => s.Words.Count)) + 6, Floor, steps, path.ToString());
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
