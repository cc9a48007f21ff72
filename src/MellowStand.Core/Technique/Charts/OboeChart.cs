namespace MellowStand.Core.Technique.Charts;

/// <summary>Oboe and English horn.</summary>
/// <remarks>From memory. Above C6 instruments and reeds differ: ask the teacher.</remarks>
internal static class OboeChart
{
    private const string Source =
        "From memory: full conservatory system, for players up to F6; above C♯6 fingerings differ between instruments and "
        + "reeds, ask the teacher.";

    private const string Keys = """
        O1 LT 18 30 thumb 8
        O2 LP 26 12 key 8²
        1 L1 50 24 hole .
        h L1 50 24 half ½ =1
        2 L2 50 44 hole .
        3 L3 50 64 hole .
        Ab L4 76 66 key A♭
        LEb L4 90 66 key E♭
        LF L4 76 80 key F
        B L4 84 92 key B
        Bb L4 96 92 key B♭
        4 R1 50 104 hole .
        5 R2 50 124 hole .
        6 R3 50 144 hole .
        F R3 28 138 key F
        RAb R1 28 98 key A♭
        C R4 70 164 key C
        C# R4 82 164 key C♯
        Eb R4 94 164 key E♭
        """;

    private const string Notes = """
        Bb3 - 1 2 3 Bb 4 5 6 C | left little finger
        B3 - 1 2 3 B 4 5 6 C | left little finger
        C4 - 1 2 3 4 5 6 C
        C#4 - 1 2 3 4 5 6 C#
        D4 - 1 2 3 4 5 6
        Eb4 right 1 2 3 4 5 6 Eb | right little finger | the usual one
        Eb4 left 1 2 3 LEb 4 5 6 | left little finger | the right one comes from C or C♯
        E4 - 1 2 3 4 5
        F4 regular 1 2 3 4 5 F | F key, right ring finger | no neighbour needs the right ring finger
        F4 left 1 2 3 LF 4 5 | left F key | beside D, E♭, C♯, C, B, B♭
        F4 forked 1 2 3 4 6 Eb | forked | there is no left F | -8
        F#4 - 1 2 3 4
        G4 - 1 2 3
        Ab4 left 1 2 3 Ab | left little finger | the usual one
        Ab4 right 1 2 3 RAb | right first finger | the left little finger has low B or B♭
        A4 - 1 2
        Bb4 - 1 2 4
        B4 - 1
        C5 - 1 4 | | | 8
        C#5 - h 2 3 4 5 6 C# | half hole
        D5 - h 2 3 4 5 6 | half hole
        Eb5 right h 2 3 4 5 6 Eb | half hole, right little finger | the usual one
        Eb5 left h 2 3 LEb 4 5 6 | half hole, left little finger | the right one comes from C or C♯
        E5 - O1 1 2 3 4 5
        F5 regular O1 1 2 3 4 5 F | F key, right ring finger | no neighbour needs the right ring finger
        F5 left O1 1 2 3 LF 4 5 | left F key | beside D, E♭, C♯, C, B, B♭
        F5 forked O1 1 2 3 4 6 Eb | forked | there is no left F | -8
        F#5 - O1 1 2 3 4
        G5 - O1 1 2 3
        Ab5 left O1 1 2 3 Ab | left little finger | the usual one
        Ab5 right O1 1 2 3 RAb | right first finger | the left little finger is busy
        A5 - O2 1 2
        Bb5 - O2 1 2 4
        B5 - O2 1
        C6 - O2 1 4
        C#6 - 2 3 4 C#
        D6 - 2 3 C
        Eb6 - 2 3 Ab 5 6 C
        E6 - O1 2 3 Ab 5 6
        F6 - O1 1 2 Ab 5 6
        """;

    private const string Trills = """
        C5 D5 | finger C, trill the left C–D key
        B4 C#5 | finger B, trill the right C♯ trill key
        C5 C#5 | finger C, trill the right C♯ trill key
        C4 C#4 | right little finger rolls from C to C♯: poor, slow
        Bb3 C4 | the left little finger lifts, the right one stays on C
        """;

    /// <summary>The chart.</summary>
    public static FingeringChart Chart { get; } = ChartText.Read("keys", Keys, Notes, Trills, Source);
}
