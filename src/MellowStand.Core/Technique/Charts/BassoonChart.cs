namespace MellowStand.Core.Technique.Charts;

/// <summary>Bassoon; the contrabassoon is fingered the same in the range of the chart.</summary>
/// <remarks>From memory: German system. From C4 up each bassoon has its own best fingering.</remarks>
internal static class BassoonChart
{
    private const string Source =
        "From memory: German system, up to B♭4. From C4 up bassoons differ, and the contrabassoon has its own high fingerings: "
        + "check with the teacher.";

    private const string Keys = """
        W LT 10 26 thumb w
        fA LT 22 12 key a
        fC LT 22 26 key c
        fD LT 22 40 key d
        tC# LT 10 42 key C♯
        D LT 10 58 key D
        C LT 22 58 key C
        B LT 10 72 key B
        Bb LT 22 72 key B♭
        1 L1 50 24 hole .
        h L1 50 24 half ½ =1
        2 L2 50 44 hole .
        3 L3 50 64 hole .
        D# L4 78 70 key D♯
        C# L4 92 70 key C♯
        rBb RT 16 96 key B♭
        E RT 16 110 thumb E
        rF# RT 16 124 key F♯
        rAb RT 16 138 key A♭
        4 R1 50 104 hole .
        5 R2 50 124 hole .
        6 R3 50 144 hole .
        Br R3 32 134 key B♭
        F R4 76 156 key F
        F# R4 92 156 key F♯
        G# R4 84 172 key A♭
        """;

    private const string Notes = """
        Bb1 - D C B Bb 1 2 3 4 5 6 E F
        B1 - D C B 1 2 3 4 5 6 E F
        C2 - D C 1 2 3 4 5 6 E F
        C#2 - D C 1 2 3 C# 4 5 6 E F
        D2 - D 1 2 3 4 5 6 E F
        Eb2 - D 1 2 3 D# 4 5 6 E F
        E2 - W 1 2 3 4 5 6 E F
        F2 - W 1 2 3 4 5 6 F
        F#2 thumb W 1 2 3 4 5 6 rF# F | right thumb | beside notes with the right little finger
        F#2 little W 1 2 3 4 5 6 F# | right little finger | the thumb comes from E or B♭
        G2 - W 1 2 3 4 5 6 | | | 8
        Ab2 little W 1 2 3 4 5 6 G# | right little finger | the usual one
        Ab2 thumb W 1 2 3 4 5 6 rAb | right thumb | the little finger comes from F or F♯
        A2 - W 1 2 3 4 5
        Bb2 thumb W 1 2 3 4 5 rBb | right thumb | the usual one
        Bb2 ring W 1 2 3 4 5 Br | right ring finger | the thumb comes from F♯, A♭ or E
        B2 - W 1 2 3 4
        C3 - W 1 2 3
        C#3 - W tC# 1 2 3 | left thumb
        D3 - W 1 2
        Eb3 forked W 1 3 4 | forked, with a right finger | the usual one
        Eb3 plain-fork W 1 3 | forked, right hand off | quick, beside D or E: sharper
        E3 - W 1
        F3 - W
        F#3 thumb W h 2 3 4 5 6 rF# F | half hole, right thumb | beside notes with the right little finger
        F#3 little W h 2 3 4 5 6 F# | half hole, right little finger | the thumb comes from E or B♭
        G3 - W h 2 3 4 5 6 | half hole
        Ab3 little h 2 3 4 5 6 G# | half hole, right little finger | the usual one
        Ab3 thumb h 2 3 4 5 6 rAb | half hole, right thumb | the little finger comes from F or F♯
        Ab3 whisper W h 2 3 4 5 6 G# | half hole, whisper key held | soft: darker
        A3 plain 1 2 3 4 5 | thumb off | tongued, or by step from above
        A3 flick fA 1 2 3 4 5 | flick the A key | slurred up from below
        Bb3 plain 1 2 3 4 5 rBb | thumb off | tongued, or by step from above
        Bb3 flick fC 1 2 3 4 5 rBb | flick the C key | slurred up from below
        B3 plain 1 2 3 4 | thumb off | tongued, or by step from above
        B3 flick fC 1 2 3 4 | flick the C key | slurred up from below
        C4 plain 1 2 3 | thumb off | tongued, or by step from above
        C4 flick fC 1 2 3 | flick the C key | slurred up from below
        C#4 - tC# 1 2 3 5 6 F
        D4 plain 1 2 4 | thumb off | tongued, or by step from above
        D4 flick fD 1 2 4 | flick the D key | slurred up from below
        Eb4 - 1 2 D# 4 5 6 F
        E4 - 1 3 4 5 6 E F
        F4 - 1 3 4 5 F
        F#4 - 2 3 4 5 F
        G4 - 2 3 4 F
        Ab4 - 2 3 D# 4 rBb F
        A4 - h 2 3 D# rBb F
        Bb4 - h 2 D# 4 5 F
        """;

    private const string Trills = """
        E2 F#2 | hold E, trill the right thumb on F♯: poor
        Bb1 C2 | the left thumb slides: poor
        Bb1 B1 | the left thumb slides: poor
        F2 G2 | hold F with the right little finger's key lifting: trill the little finger
        Eb3 F3 | hold E♭, trill left first finger and lift the fork
        Bb2 C3 | finger B♭, trill right first and second finger with the thumb held
        """;

    /// <summary>The chart.</summary>
    public static FingeringChart Chart { get; } = ChartText.Read("keys", Keys, Notes, Trills, Source);
}
