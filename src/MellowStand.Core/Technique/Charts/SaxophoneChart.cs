namespace MellowStand.Core.Technique.Charts;

/// <summary>Saxophones: one chart for all sizes.</summary>
/// <remarks>From memory. Altissimo (above F♯6) differs between instruments and is left out.</remarks>
internal static class SaxophoneChart
{
    private const string Source =
        "From memory: modern saxophones of all sizes, up to F♯6. Altissimo differs between instruments and is not in the chart: "
        + "ask the teacher.";

    private const string Keys = """
        O LT 20 30 thumb 8
        A LT 20 48 key A
        ff L1 34 12 key F
        1 L1 50 24 hole .
        bis L1 64 33 key B♭ =1
        2 L2 50 44 hole .
        3 L3 50 64 hole .
        pD LP 80 10 key D
        pEb LP 92 20 key E♭
        pF LP 80 28 key F
        G# L4 78 72 key G♯
        C# L4 78 86 key C♯
        B L4 92 82 key B
        Bb L4 92 94 key B♭
        sE RP 24 84 key E
        sC RP 24 96 key C
        sBb RP 24 108 key B♭
        4 R1 50 104 hole .
        5 R2 50 124 hole .
        6 R3 50 144 hole .
        F# R3 28 140 key F♯
        hF# R2 28 126 key F♯²
        Eb R4 78 158 key E♭
        C R4 78 174 key C
        """;

    private const string Low = """
        Bb3 - 1 2 3 Bb 4 5 6 C
        B3 - 1 2 3 B 4 5 6 C
        C4 - 1 2 3 4 5 6 C
        C#4 - 1 2 3 C# 4 5 6 C
        D4 - 1 2 3 4 5 6 | | | 10
        Eb4 - 1 2 3 4 5 6 Eb
        E4 - 1 2 3 4 5
        F4 - 1 2 3 4
        F#4 middle 1 2 3 5 | right middle finger | the usual one
        F#4 chromatic 1 2 3 4 F# | F♯ key, right ring finger | chromatic between F and G
        G4 - 1 2 3
        Ab4 - 1 2 3 G#
        A4 - 1 2
        Bb4 side 1 2 sBb | side key | chromatic, and where B♮ or C is next
        Bb4 bis 1 bis | bis, left first finger on two keys | flat keys with no B♮ or C next to it
        Bb4 one-and-one 1 4 | first finger of each hand | arpeggios with D or F
        Bb4 one-and-two 1 5 | left first and right middle finger | beside F♯ and E
        B4 - 1
        C5 middle 2 | left middle finger | the usual one
        C5 side 1 sC | side key | quick B–C–B, never a long note
        C#5 - | open | | -12
        """;

    private const string High = """
        D6 - O pD
        Eb6 - O pD pEb
        E6 palm O pD pEb sE | palm and side keys | the usual one
        E6 front O ff 2 3 | front E | from below the palm keys, in fast work
        F6 palm O pD pEb pF sE | palm keys | the usual one
        F6 front O ff 2 | front F | from below the break of the palm keys, in fast work
        F#6 key O pD pEb pF sE hF# | high F♯ key | the usual one
        F#6 front O ff 2 sBb | front F with side B♭ | without a high F♯ key
        """;

    private const string Trills = """
        C5 D5 | finger middle C, trill the palm D key
        C#5 D5 | finger C♯, trill the palm D key
        C#5 D#5 | finger C♯, trill palm D and E♭
        B4 C#5 | finger B, trill left first finger and the side C: poor
        C#6 D#6 | finger C♯ with the octave key, trill palm D and E♭
        D6 E6 | finger D, trill the side E
        Bb3 B3 | the left little finger rolls on the table: poor
        Bb3 C4 | the left little finger lifts, the right one stays on C
        """;

    // The second octave is fingered like the first, from D on, with the octave key.
    private static string Notes =>
        Low + "\n" + "A3 - A 1 2 3 Bb 4 5 6 C | | baritone with low A" + "\n" + ChartShift.Up(Low, 12, "O", from: 62) + "\n" + High;

    /// <summary>The chart.</summary>
    public static FingeringChart Chart { get; } = ChartText.Read("keys", Keys, Notes, Trills, Source);
}
