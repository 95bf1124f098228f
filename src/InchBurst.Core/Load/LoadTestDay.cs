namespace InchBurst.Core.Load;

/// <summary>A load test as it is proposed: free runs and four loads, gates that show acceleration and top speed.</summary>
public static class LoadTestDay
{
    /// <summary>Runs of each load.</summary>
    public const int RunsOfEach = 2;

    /// <summary>Shares of body mass that are dragged, percent (common practice): up to about half of free speed on most floors.</summary>
    public static IReadOnlyList<double> BodyPercents { get; } = [15, 30, 45, 60];

    /// <summary>Gates in m from the start line.</summary>
    public static IReadOnlyList<double> GatesAt { get; } = [5, 10, 15, 20];

    /// <summary>Loads of the day in kg, the free run first.</summary>
    /// <param name="bodyKilograms">Body mass, kg.</param>
    /// <param name="sledKilograms">The sled alone, kg: no load is lighter.</param>
    public static IReadOnlyList<double> Loads(double bodyKilograms, double sledKilograms) => [0, .. BodyPercents.Select(p => Math.Max(sledKilograms, p / 100 * bodyKilograms)).Distinct()];
}
