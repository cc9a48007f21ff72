namespace MellowStand.Core.Technique.Charts;

/// <summary>The clarinet family: one chart for all sizes; the lowest keys only where an instrument has them.</summary>
/// <remarks>From memory: Boehm system, seventeen keys and six rings.</remarks>
internal static class ClarinetChart
{
    private const string Source =
        "From memory: Boehm clarinet, seventeen keys, up to G6; low E♭ to C on the instruments that have them. Above C♯6 "
        + "fingerings differ between instruments.";

    private const string Keys = """
        Reg LP 14 22 key 12
        Th LT 20 42 thumb .
        Gs L2 34 10 key G♯
        A L1 66 10 key A
        1 L1 50 24 hole .
        2 L2 50 44 hole .
        3 L3 50 64 hole .
        Sl L3 32 66 key B♭
        C# L4 78 62 key C♯
        LG# L4 94 62 key G♯
        LE L4 72 78 key E
        LF# L4 84 78 key F♯
        LF L4 96 78 key F
        s4 R1 20 74 key s4
        s3 R1 20 84 key s3
        s2 R1 20 94 key s2
        s1 R1 20 104 key s1
        4 R1 50 104 hole .
        5 R2 50 124 hole .
        6 R3 50 144 hole .
        Sr R3 32 136 key B
        RF R4 70 160 key F
        RG# R4 86 160 key G♯
        RE R4 70 176 key E
        RF# R4 86 176 key F♯
        lEb R4 98 170 key E♭
        lD RT 20 150 key D
        lC# RT 20 160 key C♯
        lC RT 20 170 key C
        """;

    private const string Lowest = """
        C3 - Th 1 2 3 4 5 6 RE lC | | instruments down to C
        C#3 - Th 1 2 3 4 5 6 RE lC# | | instruments down to C
        D3 - Th 1 2 3 4 5 6 RE lD | | instruments down to C
        Eb3 - Th 1 2 3 4 5 6 RE lEb | | instruments down to E♭
        """;

    private const string Chalumeau = """
        E3 left Th 1 2 3 LE 4 5 6 | left little finger | the usual one
        E3 right Th 1 2 3 4 5 6 RE | right little finger | before and after what is left
        F3 right Th 1 2 3 4 5 6 RF | right little finger | the usual one
        F3 left Th 1 2 3 LF 4 5 6 | left little finger | beside A♭/E♭
        F#3 left Th 1 2 3 LF# 4 5 6 | left little finger | the usual one
        F#3 right Th 1 2 3 4 5 6 RF# | right little finger | beside a left E or B
        G3 - Th 1 2 3 4 5 6
        Ab3 only Th 1 2 3 4 5 6 RG# | right little finger
        Ab3 left Th 1 2 3 LG# 4 5 6 | left lever | beside a right C, C♯ or B
        A3 - Th 1 2 3 4 5
        Bb3 - Th 1 2 3 4
        B3 middle Th 1 2 3 5 | right middle finger | the usual one
        B3 chromatic Th 1 2 3 4 Sr | right ring finger on the small key | chromatic beside B♭
        C4 - Th 1 2 3
        C#4 - Th 1 2 3 C#
        D4 - Th 1 2
        Eb4 side Th 1 2 s1 | side key, right first finger | the usual one
        Eb4 small Th 1 2 Sl | left ring finger on the small key | between fingers of the left hand
        Eb4 one-and-one Th 1 4 | first finger of each hand | arpeggios with B♭ or F
        E4 - Th 1
        F4 - Th
        """;

    private const string Throat = """
        F#4 first 1 | left first finger | the usual one
        F#4 thumb Th s2 s1 | thumb and two side keys | chromatic between F and F♯
        G4 plain | open | |
        G4 right-hand-down 4 5 6 | open, right hand down | before the break
        G4 resonance 2 3 4 5 | open, with fingers of both hands | long notes: darker and lower | 5
        Ab4 plain Gs | | | 10
        Ab4 right-hand-down Gs 4 5 6 | right hand down | before the break
        Ab4 resonance Gs 2 3 4 | with fingers of both hands | long notes
        A4 plain A | | | 10
        A4 right-hand-down A 4 5 6 | right hand down | before the break
        A4 resonance A 2 3 5 6 | with fingers of both hands | long notes
        Bb4 plain Reg A | throat B♭ | | 15
        Bb4 right-hand-down Reg A 4 5 6 | right hand down | before the break
        Bb4 resonance Reg A 3 5 6 | with fingers of both hands | long notes
        Bb4 side A s3 | A key and third side key | trills and quick turns with A: clear
        """;

    private const string Altissimo = """
        C#6 - Reg Th 2 3 4 5
        D6 - Reg Th 2 3 4 RG#
        Eb6 - Reg Th 2 3 4 Sr RG#
        E6 - Reg Th 2 3 RG#
        F6 - Reg Th 2 3 C# RG#
        F#6 - Reg Th 2 RG#
        G6 - Reg Th 2 4 5 RG#
        """;

    private const string Trills = """
        G4 A4 | finger G, trill the third and fourth side keys
        Ab4 Bb4 | finger G♯, trill the third side key
        A4 Bb4 | finger A, trill the third side key
        A4 B4 | finger A, trill the third and fourth side keys
        Bb4 C5 | finger B♭, trill the third and fourth side keys
        F4 G4 | finger F, trill the second side key
        F#4 G#4 | finger F♯, trill the G♯ key
        B5 C#6 | finger B, trill the third and fourth side keys
        C6 D6 | finger C, trill the two lower side keys
        """;

    // The clarinet overblows the twelfth: from E the same fingers give B with the register key.
    private static string Notes => string.Join('\n', Lowest, Chalumeau, Throat, ChartShift.Up(Chalumeau, 19, "Reg", from: 52), Altissimo);

    /// <summary>The chart.</summary>
    public static FingeringChart Chart { get; } = ChartText.Read("keys", Keys, Notes, Trills, Source);
}
