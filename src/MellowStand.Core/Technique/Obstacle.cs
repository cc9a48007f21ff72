namespace MellowStand.Core.Technique;

/// <summary>What makes a change awkward: what a recipe is chosen by.</summary>
public enum ObstacleKind
{
    /// <summary>Anything else.</summary>
    Other,

    /// <summary>A finger slides from one key, hole or place to another.</summary>
    Slide,

    /// <summary>Fingers go up while others go down.</summary>
    Crossing,

    /// <summary>A wide leap of pitch.</summary>
    Leap,

    /// <summary>The next note lies so close that it must be heard first.</summary>
    HearFirst,

    /// <summary>The hand goes to another place on the neck.</summary>
    Shift,

    /// <summary>The slide has far to go.</summary>
    Travel,

    /// <summary>One hand strikes twice.</summary>
    Double,
}

/// <summary>Why a change is worth telling.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Words">In a few words.</param>
/// <param name="Weight">How much of a trouble spot it is by itself: at 1 its measure is one, whatever else is in it.</param>
public sealed record Obstacle(ObstacleKind Kind, string Words, double Weight = 0);

/// <summary>How to practice what stays awkward.</summary>
/// <remarks>Common practice, no published source.</remarks>
public static class Remedies
{
    private static readonly Dictionary<ObstacleKind, string> Table = new()
    {
        [ObstacleKind.Slide] = "One pair of notes back and forth, slowly; then the measure from the end backwards.",
        [ObstacleKind.Crossing] = "Only the fingers, without air, until they move together; then two notes back and forth.",
        [ObstacleKind.Leap] = "Sing or play it an octave lower first, then in place, with the air already moving.",
        [ObstacleKind.HearFirst] = "Buzz or sing the note before you play it; leave it and come back.",
        [ObstacleKind.Shift] = "Play the note before and the note after the shift, then only the shift, silently.",
        [ObstacleKind.Travel] = "Move the slide first without sound, arrive early, then add the air.",
        [ObstacleKind.Double] = "The sticking alone on the knee, then on the bars, slowly.",
        [ObstacleKind.Other] = "From one beat to the next beat, ending on it; then the whole measure.",
    };

    /// <summary>The recipe for an obstacle.</summary>
    public static string For(ObstacleKind kind) => Table[kind];
}
