namespace MellowStand.Core.Performance;

/// <summary>Games that move the pulse from the click into the player.</summary>
/// <remarks>The metronome is not in the recording, so the tempo must be in the body. Common practice, no published source.</remarks>
public enum ClickGame
{
    /// <summary>Every click.</summary>
    None,

    /// <summary>So many measures with the click, so many without.</summary>
    SilentMeasures,

    /// <summary>Only halfway between the beats.</summary>
    OffBeat,

    /// <summary>Only the first click of every so many measures' group: one measure with the click, the others without.</summary>
    EveryNth,

    /// <summary>Softer from measure to measure, until nothing is left.</summary>
    FadeOut,
}

/// <summary>How a passage is clicked.</summary>
/// <param name="Subdivision">Clicks a beat, from 1.</param>
/// <param name="Game">The game.</param>
/// <param name="On">Measures with the click (silent measures), every so many measures (every nth), or measures until nothing is left
/// (fade out).</param>
/// <param name="Off">Measures without (silent measures).</param>
public sealed record ClickPlan(int Subdivision = 1, ClickGame Game = ClickGame.None, int On = 2, int Off = 2)
{
    /// <summary>Every beat, nothing else.</summary>
    public static ClickPlan Plain { get; } = new();

    /// <summary>How loud the clicks of a measure are, 0 (silent) to 1. The count-off is always heard.</summary>
    /// <param name="measure">Its place among the measures that are played, from 0; a pickup counts with the measure after it.</param>
    public double LevelIn(int measure) =>
        Game switch
        {
            ClickGame.SilentMeasures => measure % (On + Off) < On ? 1 : 0,
            ClickGame.EveryNth => measure % On == 0 ? 1 : 0,
            ClickGame.FadeOut => Math.Max(0, 1 - ((double)measure / On)),
            _ => 1,
        };
}
