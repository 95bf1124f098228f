namespace InchBurst.Core.Movement;

/// <summary>A place or a direction in space, as shares of stature.</summary>
/// <param name="X">To the athlete's left.</param>
/// <param name="Y">Up.</param>
/// <param name="Z">The way the chest looks.</param>
public readonly record struct Place(double X, double Y, double Z)
{
    /// <summary>Both added.</summary>
    public static Place operator +(Place a, Place b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    /// <summary>From the second to the first.</summary>
    public static Place operator -(Place a, Place b) => new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    /// <summary>So many times as long.</summary>
    public static Place operator *(Place a, double by) => new(a.X * by, a.Y * by, a.Z * by);
}

/// <summary>A rotation in space, right-handed, as where the three axes come to lie.</summary>
/// <param name="X">Where the first axis comes to lie.</param>
/// <param name="Y">Where the second axis comes to lie.</param>
/// <param name="Z">Where the third axis comes to lie.</param>
public readonly record struct Rotation(Place X, Place Y, Place Z)
{
    /// <summary>No rotation.</summary>
    public static Rotation None { get; } = new(new(1, 0, 0), new(0, 1, 0), new(0, 0, 1));

    /// <summary>A place after the rotation.</summary>
    public Place Of(Place p) => (X * p.X) + (Y * p.Y) + (Z * p.Z);

    /// <summary>First the second rotation, then the first one, as frames follow each other along the body.</summary>
    public static Rotation operator *(Rotation a, Rotation b) => new(a.Of(b.X), a.Of(b.Y), a.Of(b.Z));

    /// <summary>About the axis to the left, in degrees.</summary>
    public static Rotation AboutX(double degrees)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        return new(new(1, 0, 0), new(0, cos, sin), new(0, -sin, cos));
    }

    /// <summary>About the upright, in degrees.</summary>
    public static Rotation AboutY(double degrees)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        return new(new(cos, 0, -sin), new(0, 1, 0), new(sin, 0, cos));
    }

    /// <summary>About the axis forward, in degrees.</summary>
    public static Rotation AboutZ(double degrees)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        return new(new(cos, sin, 0), new(-sin, cos, 0), new(0, 0, 1));
    }
}
