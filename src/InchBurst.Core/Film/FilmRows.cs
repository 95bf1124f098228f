using InchBurst.Core.Movement;

namespace InchBurst.Core.Film;

/// <summary>A step as a row.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Foot">"left" or "right".</param>
/// <param name="Frame">Frame of the landing.</param>
/// <param name="Contact">Contact, ms, or a dash.</param>
/// <param name="Flight">Flight, ms, or a dash.</param>
/// <param name="Frequency">Steps a second, or a dash.</param>
/// <param name="Length">Length, m, or a dash.</param>
public sealed record FilmRow(int Number, string Foot, int Frame, string Contact, string Flight, string Frequency, string Length);

/// <summary>A foot on the ground on the timeline.</summary>
/// <param name="Foot">"left" or "right".</param>
/// <param name="Down">First frame, or null where the clip began on it.</param>
/// <param name="Off">First frame clear of the ground, or null where it is not marked.</param>
/// <param name="Text">Its length in ms, or empty.</param>
public sealed record FilmBar(string Foot, int? Down, int? Off, string Text);

/// <summary>Air between two contacts on the timeline.</summary>
/// <param name="From">First frame.</param>
/// <param name="To">Frame of the landing.</param>
/// <param name="Text">Its length in ms.</param>
public sealed record FilmAir(int From, int To, string Text);

/// <summary>An angle as it is read: on the picture and on its gauge.</summary>
/// <param name="Name">"Shin ahead".</param>
/// <param name="Text">"15°".</param>
/// <param name="Degrees">The angle.</param>
/// <param name="Within">Half width of its range, degrees.</param>
/// <param name="Low">Least of the goal, or null where none is set.</param>
/// <param name="High">Most of the goal.</param>
/// <param name="Word">"in", "out", "on the edge", or empty without a goal.</param>
/// <param name="Corner">Where it is drawn, px.</param>
/// <param name="From">Where its first line goes, px.</param>
/// <param name="To">Where its second line goes, px.</param>
public sealed record FilmGauge(string Name, string Text, double Degrees, double Within, double? Low, double? High, string Word, Spot Corner, Spot From, Spot To);

/// <summary>A stretch between two lines.</summary>
/// <param name="Name">"0 to 10 m".</param>
/// <param name="Seconds">Its time with its doubt: "1.083 ± 0.006".</param>
/// <param name="Speed">Mean speed over it with its unit.</param>
public sealed record FilmSplit(string Name, string Seconds, string Speed);

/// <summary>A goal laid over the picture.</summary>
/// <param name="Pose">Name of the drawn position.</param>
/// <param name="Hip">Where its hip comes to lie, px.</param>
/// <param name="Stature">How tall it is drawn, px.</param>
/// <param name="RunsRight">True where it goes to the right.</param>
public sealed record FilmGoalOver(string Pose, Spot Hip, double Stature, bool RunsRight);

/// <summary>One thing to work on.</summary>
/// <param name="Says">"Reached in front, leg left behind".</param>
/// <param name="Codes">What was seen, as observations' codes.</param>
/// <param name="Drills">Exercises that answer it, at most three.</param>
public sealed record FilmSuggestion(string Says, IReadOnlyList<string> Codes, IReadOnlyList<string> Drills);

/// <summary>A clip that was opened, with what is to be known of its rate.</summary>
/// <param name="Clip">The clip.</param>
/// <param name="Stated">Whole frames a second the file says.</param>
/// <param name="MaySlow">True where it says so few that it may be slow motion.</param>
/// <param name="Slowed">Seconds of the world in one second of the file.</param>
public sealed record FilmOpened(FilmClip Clip, int Stated, bool MaySlow, double Slowed)
{
    /// <summary>What is to be known of a clip.</summary>
    /// <param name="clip">The clip.</param>
    public static FilmOpened Of(FilmClip clip) => new(clip, clip.Stated, clip.MaySlow, clip.Slowed);
}
