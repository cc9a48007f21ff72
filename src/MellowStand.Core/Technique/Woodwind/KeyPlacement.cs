namespace MellowStand.Core.Technique.Woodwind;

/// <summary>A fingering of a woodwind's chart, by its name there.</summary>
/// <remarks>What players write: common practice, no published source.</remarks>
/// <param name="Name">The fingering's code in the chart; <see cref="OneWay"/> where a note has one fingering.</param>
public sealed record KeyPlacement(string Name) : Placement(Name)
{
    /// <summary>The code of a note's one fingering: there is nothing to write.</summary>
    public const string OneWay = "only";

    private static readonly Dictionary<string, string> Signs = new()
    {
        ["thumb"] = "T",
        ["one-and-one"] = "1-1",
        ["one-and-two"] = "1-2",
        ["plain-fork"] = "pf",
        ["whisper"] = "w",
        ["lever"] = "lev",
        ["left"] = "L",
        ["right"] = "R",
        ["forked"] = "fk",
        ["regular"] = "reg",
        ["side"] = "S",
        ["bis"] = "bis",
        ["middle"] = "mid",
        ["chromatic"] = "chr",
        ["small"] = "sm",
        ["first"] = "1",
        ["ring"] = "3",
        ["little"] = "lit",
        ["flick"] = "fl",
        ["plain"] = "o",
        ["front"] = "front",
        ["key"] = "key",
        ["palm"] = "palm",
        ["right-hand-down"] = "RH",
        ["resonance"] = "res",
    };

    /// <inheritdoc/>
    public override string Sign => Signs.GetValueOrDefault(Name, Name);

    /// <inheritdoc/>
    public override string Words => Name == OneWay ? "the one fingering" : Name;
}
