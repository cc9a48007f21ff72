namespace MellowStand.Core.Study;

/// <summary>Intervals in words.</summary>
internal static class Intervals
{
    private static readonly string[] Names =
    [
        "a unison",
        "a half step",
        "a whole step",
        "a minor third",
        "a major third",
        "a fourth",
        "a tritone",
        "a fifth",
        "a minor sixth",
        "a major sixth",
        "a minor seventh",
        "a major seventh",
        "an octave",
    ];

    private static readonly string[] Ordinals =
    [
        "a unison",
        "a second",
        "a third",
        "a fourth",
        "a fifth",
        "a sixth",
        "a seventh",
        "an octave",
    ];

    /// <summary>An interval of so many semitones.</summary>
    public static string Name(int semitones) =>
        semitones switch
        {
            <= 12 => Names[semitones],
            < 24 => "an octave and " + Names[semitones - 12],
            24 => "two octaves",
            _ => "more than two octaves",
        };

    /// <summary>An interval of so many letters.</summary>
    public static string Letters(int letters) => letters < Ordinals.Length ? Ordinals[letters] : "more than an octave";
}
