namespace InchBurst.Core.Plan;

/// <summary>The heart rates a line is to be done in.</summary>
/// <param name="Least">Least, beats a minute, 30 to 250.</param>
/// <param name="Most">Most, beats a minute, not below the least.</param>
public sealed record HeartBand(int Least, int Most)
{
    /// <summary>Slowest rate taken.</summary>
    public const int Slowest = 30;

    /// <summary>Fastest rate taken.</summary>
    public const int Fastest = 250;

    /// <summary>As it is written, such as "130–150".</summary>
    public override string ToString() => Least == Most ? $"{Least}" : $"{Least}–{Most}";
}
