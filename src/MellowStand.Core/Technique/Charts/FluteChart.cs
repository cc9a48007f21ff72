namespace MellowStand.Core.Technique.Charts;

/// <summary>Flute and piccolo.</summary>
/// <remarks>From memory, the fingerings taught in school; the trill keys' notes above A6 speak differently between instruments.</remarks>
internal static class FluteChart
{
    private const string Source =
        "From memory: Boehm flute with closed G♯, for players up to C7. Tendencies are those of most instruments.";

    private const string Keys = """
        Th LT 20 30 thumb .
        Tb LT 20 48 thumb B♭ =Th
        1 L1 50 24 hole .
        2 L2 50 44 hole .
        3 L3 50 64 hole .
        G# L4 78 74 key G♯
        Bl R1 22 92 key B♭
        4 R1 50 104 hole .
        5 R2 50 124 hole .
        6 R3 50 144 hole .
        tr1 R2 24 114 key tr1
        tr2 R3 24 134 key tr2
        Eb R4 76 156 key E♭
        C# R4 66 176 key C♯
        C R4 80 176 key C
        B R4 94 176 key B
        """;

    private const string Low = """
        B3 - Th 1 2 3 4 5 6 B | | needs a low B foot
        C4 - Th 1 2 3 4 5 6 C | | | -10
        C#4 - Th 1 2 3 4 5 6 C# | | | -8
        D4 - Th 1 2 3 4 5 6
        Eb4 - Th 1 2 3 4 5 6 Eb
        E4 - Th 1 2 3 4 5 Eb
        F4 - Th 1 2 3 4 Eb
        F#4 ring Th 1 2 3 6 Eb | right ring finger | the usual one
        F#4 middle Th 1 2 3 5 Eb | right middle finger | between quick E's, where tone matters less
        G4 - Th 1 2 3 Eb
        Ab4 - Th 1 2 3 G# Eb
        A4 - Th 1 2 Eb
        Bb4 thumb Tb 1 Eb | thumb on the B♭ key | flat keys without a B♮ near, set early
        Bb4 one-and-one Th 1 4 Eb | first finger of each hand | a B♮ is near
        Bb4 lever Th 1 Bl Eb | side lever, right first finger | chromatic between A and B♮
        B4 - Th 1 Eb
        C5 - 1 Eb
        C#5 - Eb | | | 12
        """;

    private const string Middle = """
        D5 - Th 2 3 4 5 6
        Eb5 - Th 2 3 4 5 6 Eb
        """;

    private const string High = """
        D6 - Th 2 3 Eb
        Eb6 - Th 1 2 3 G# 4 5 6 Eb
        E6 - Th 1 2 4 5 Eb | | | 10
        F6 - Th 1 3 4 Eb
        F#6 ring Th 1 3 6 Eb | right ring finger | the usual one | 10
        F#6 middle Th 1 3 5 Eb | right middle finger | quick, and soft
        G6 - 1 2 3 Eb
        Ab6 - 2 3 G# Eb | | | 15
        A6 - Th 2 4 Eb
        Bb6 - Th 4 tr1
        B6 - Th 1 3 tr2
        C7 - 1 2 3 G# 4
        """;

    private const string Trills = """
        C5 D5 | finger C, trill the first trill key
        C#5 D5 | finger C♯, trill the first trill key
        C#5 D#5 | finger C♯, trill both trill keys
        B4 C#5 | finger B, trill thumb and first finger together
        Bb4 C5 | finger the thumb B♭, trill the thumb
        Bb5 C6 | finger the thumb B♭, trill the thumb
        Ab4 Bb4 | finger A♭ with the thumb on its B♭ key, trill the left second and ring fingers together
        Ab5 Bb5 | finger A♭ with the thumb on its B♭ key, trill the left second and ring fingers together
        F4 F#4 | finger F with the right ring finger down, trill the right first finger
        F5 F#5 | finger F with the right ring finger down, trill the right first finger
        B5 C#6 | finger B, trill thumb and first finger together
        C6 D6 | finger C, trill the first trill key
        C#6 D6 | finger C♯, trill the first trill key
        C#6 D#6 | finger C♯, trill both trill keys
        Eb6 F6 | finger E♭, trill left second and right first finger, slowly
        G6 A6 | finger G, trill both trill keys
        """;

    // From E on the second octave is fingered like the first.
    private static string Notes => string.Join('\n', Low, Middle, ChartShift.Up(Low, 12, "", from: 64), High);

    /// <summary>The chart.</summary>
    public static FingeringChart Chart { get; } = ChartText.Read("keys", Keys, Notes, Trills, Source);
}
