using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Charts;

/// <summary>How a chart spells a key.</summary>
internal static class Pitches
{
    private static readonly string[] Names = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];

    /// <summary>The name of a key as charts have it.</summary>
    public static string Name(int midi) => $"{Names[midi % 12]}{(midi / 12) - 1}";

    /// <summary>The usual spelling of a key.</summary>
    public static Pitch Usual(int midi) => Pitch.Parse(Name(midi));
}
