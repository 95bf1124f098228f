using InchBurst.Core.Film;
using InchBurst.Core.Movement;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;

namespace InchBurst.Data.Demo;

/// <summary>Figures as if they had been read off two clips of the demo's sprinter, five weeks apart.</summary>
internal static class DemoFilm
{
    private const int Rate = 120;
    private const double PixelsPerMetre = 150;
    private static readonly FilmClip Clip = new(200, 199.0 / Rate, 1.0 / Rate, 1.0 / Rate, 1280, 720);

    /// <summary>Two readings: earlier with the leg left behind and long contacts, later with both mended in part.</summary>
    /// <param name="athlete">Whose they are.</param>
    /// <param name="today">The day the demo is made.</param>
    public static IEnumerable<FilmReading> Of(Athlete athlete, DateOnly today) =>
        new[] { (Days: -37, Pose: "left behind", Contact: 14, Step: 29, Metres: 1.83), (Days: -9, Pose: "upright touch-down", Contact: 13, Step: 28, Metres: 1.88) }.Select(c =>
        {
            var day = today.AddDays(c.Days);
            var row = new FilmReading { AthleteId = athlete.Id, Day = day, By = "demo", At = day.ToDateTime(new(18, 30), DateTimeKind.Utc), Version = 1 };
            FilmBook.Fill(row, Marks(c.Pose, c.Contact, c.Step, c.Metres));
            return row;
        });

    private static FilmMarks Marks(string pose, int contact, int step, double metres)
    {
        FilmFrame At(int number) => new(number, number / (double)Rate, 1.0 / Rate);
        Side Foot(int i) => i % 2 == 0 ? Side.Left : Side.Right;
        Spot Toe(int i) => new(100 + (i * metres * PixelsPerMetre), 640);

        // The third landing is in the middle of the picture: the body is marked there, the left leg being the far one.
        var (figure, landing) = (SideFigure.Of(PoseBook.Find(pose)!.Mirrored()), Toe(2));
        Spot Px(Spot s) => new(Math.Round(landing.X + ((s.X - figure.Far.Toe.X) * 1.72 * PixelsPerMetre), 1), Math.Round(640 - (s.Y * 1.72 * PixelsPerMetre), 1));
        return new()
        {
            Clip = Clip,
            Feet = [.. Enumerable.Range(0, 5).SelectMany(i => new FootMark[] { new(At(8 + (i * step)), Foot(i), true, Toe(i)), new(At(8 + (i * step) + contact + (i % 3 == 1 ? 1 : 0)), Foot(i), false) })],
            Scales = [new(0, new(100, 660), new(1150, 660), 7), new(190, new(101, 660), new(1150, 660), 7)],
            Bodies =
            [
                new(8 + (2 * step), FilmPhase.Upright, FilmMoment.FootDown, new Dictionary<FilmJoint, Spot>
                {
                    [FilmJoint.Head] = Px(figure.Head), [FilmJoint.Shoulder] = Px(figure.Shoulder), [FilmJoint.Hip] = Px(figure.Hip),
                    [FilmJoint.NearKnee] = Px(figure.Near.Knee), [FilmJoint.NearAnkle] = Px(figure.Near.Ankle), [FilmJoint.NearToe] = Px(figure.Near.Toe),
                    [FilmJoint.FarKnee] = Px(figure.Far.Knee), [FilmJoint.FarAnkle] = Px(figure.Far.Ankle), [FilmJoint.FarToe] = Px(figure.Far.Toe),
                    [FilmJoint.NearElbow] = Px(figure.NearArm.Elbow), [FilmJoint.NearHand] = Px(figure.NearArm.Hand), [FilmJoint.FarElbow] = Px(figure.FarArm.Elbow), [FilmJoint.FarHand] = Px(figure.FarArm.Hand),
                }),
            ],
        };
    }
}
