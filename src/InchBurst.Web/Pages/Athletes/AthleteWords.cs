using InchBurst.Core.Log;
using InchBurst.Core.Plan;
using InchBurst.Data.Entities;

namespace InchBurst.Web.Pages.Athletes;

/// <summary>The words for what is chosen about an athlete.</summary>
public static class AthleteWords
{
    /// <summary>What can be taken out of a time, in words.</summary>
    public static IReadOnlyList<(Adjusts What, string Says)> Adjusts { get; } =
    [
        (Core.Log.Adjusts.Air, "in still air"), (Core.Log.Adjusts.Reaction, "without reaction"), (Core.Log.Adjusts.Hand, "hand as gates"),
    ];

    public static string Group(PlayingGroup group) => group switch
    {
        PlayingGroup.HighMinutes => "high minutes",
        PlayingGroup.LowMinutes => "low minutes",
        _ => "none",
    };

    public static string Of(Availability availability) => availability switch
    {
        Availability.Out => "out",
        Availability.Modified => "modified",
        _ => "in full",
    };

    public static string Of(AthleteSex sex) => sex switch
    {
        AthleteSex.Female => "female",
        AthleteSex.Male => "male",
        _ => "not said",
    };

    public static string Of(StartStance stance) => stance switch
    {
        StartStance.Standing => "standing",
        StartStance.ThreePoint => "three-point",
        StartStance.FourPoint => "four-point",
        StartStance.Blocks => "blocks",
        _ => "not said",
    };

    public static string Of(FrontFoot foot) => foot switch
    {
        FrontFoot.Left => "left",
        FrontFoot.Right => "right",
        _ => "not said",
    };
}
