using InchBurst.Core.Units;

namespace InchBurst.Core.Film;

/// <summary>What is wrong with a clip, or with what was marked on it, each said plainly.</summary>
public static class FilmChecks
{
    /// <summary>Fewest frames a second at which contact times of sprinting are worth reading: a frame is then a tenth of one (common practice).</summary>
    public const double LeastRate = 100;

    // A sprinter's step lasts 0.2 to 0.3 s, and nobody runs with fewer than 2 a second (common practice).
    private const double OneStep = 0.3;
    private const double FewestSteps = 2;

    /// <summary>Everything to be said, the gravest first.</summary>
    /// <param name="marks">The marks.</param>
    /// <param name="steps">Their steps.</param>
    /// <param name="scale">Their scale, or null.</param>
    public static IEnumerable<string> Of(FilmMarks marks, FilmSteps steps, FilmScale? scale)
    {
        var clip = marks.Clip;
        foreach (var problem in steps.Problems)
        {
            yield return problem;
        }

        foreach (var (first, second) in marks.Lines.OrderBy(l => l.At.Metres).Zip(marks.Lines.OrderBy(l => l.At.Metres).Skip(1)).Where(p => p.Second.Frame.Number <= p.First.Frame.Number))
        {
            yield return $"The line at {Words(second.At)} is passed no later than the one at {Words(first.At)}: one of the two frames is wrong.";
        }

        if (steps.Frequency is { } hz && hz.Value < FewestSteps && clip.ShotRate is null)
        {
            yield return $"{Figures.Exact(hz.Value, 1)} steps a second is no running: is this slow motion? Say how many frames a second the camera took.";
        }

        if (clip.Seconds * clip.Slowed < OneStep)
        {
            yield return $"The clip is {Figures.Exact(clip.Seconds * clip.Slowed, 2)} s long: one step with its contact takes about {Figures.Exact(OneStep, 1)} s.";
        }

        if (!clip.IsSteady)
        {
            yield return $"Frames come {Figures.Number(clip.ShortestGap * clip.Slowed * 1000, 1)} to {Figures.Number(clip.LongestGap * clip.Slowed * 1000, 1)} ms apart (variable frame rate): each time is taken from the file's own clock, and its doubt from the gap before its frame.";
        }

        if (clip.TrueRate < LeastRate && steps.Contact is not null)
        {
            yield return $"At {Figures.Number(clip.TrueRate)} frames a second one frame is {Figures.Number(clip.Frame * 1000)} ms, a third of a sprinter's contact or so: read times over several steps, not single contacts.";
        }

        if (scale is { CameraMoved: true })
        {
            yield return $"The camera moved: the same mark lies {Figures.Number(scale.Moved)} px off on another frame. Times stand; lengths and speeds are not read.";
        }

        if (scale is { CheckedOn: 1 } && steps.Length is not null)
        {
            yield return "Lengths hold only while the camera stands still: mark the scale once more on a late frame to check it.";
        }

        if (scale is { IsShort: true })
        {
            yield return $"The scale is only {Figures.Number(scale.Mark.Pixels)} px long in the picture: its own two marks cost {Figures.Number(FilmFigure.Normal * Math.Sqrt(2) * FilmScale.MarkPixels(clip) / scale.Mark.Pixels * 100, 1)}% of every length. Take two marks further apart.";
        }

        var landings = steps.Contacts.Where(c => c is { Down: not null, At: not null }).ToList();
        if (scale is not null && landings.Count > 1 && scale.Askew(landings[0].At!.Value, landings[^1].At!.Value) is > FilmScale.MostAskew and var askew)
        {
            yield return $"The scale lies {Figures.Number(askew)}° askew of the way the runner goes: a length along the lane cannot be read off it. Mark two things along the lane.";
        }
    }

    private static string Words(Distance at) => $"{Figures.Number(at.Amount, 2)} {at.Symbol}";
}
