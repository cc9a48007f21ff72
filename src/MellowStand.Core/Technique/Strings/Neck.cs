namespace MellowStand.Core.Technique.Strings;

/// <summary>Where a finger falls.</summary>
/// <param name="Finger">1 to 4; 5 is the thumb.</param>
/// <param name="Above">Half steps above the hand's place.</param>
/// <param name="Lie">How it lies.</param>
public sealed record FingerPlace(int Finger, int Above, Lie Lie = Lie.Plain);

/// <summary>A place of the hand on the neck.</summary>
/// <param name="Name">What it is called in codes: <c>half</c>, <c>1</c>, <c>2</c>, <c>2.5</c>, …, or <c>T</c> with half steps for the
/// thumb; lower and upper places of one position share its name.</param>
/// <param name="Words">What it is called in words: <c>upper 2nd position</c>.</param>
/// <param name="Offset">Half steps of the first finger (or of the thumb) above the open string.</param>
/// <param name="Stay">What a note costs there because the place is another than home: where it is taught later, and lies less
/// well.</param>
/// <param name="Fingers">Where the fingers fall.</param>
public sealed record HandPlace(string Name, string Words, int Offset, double Stay, IReadOnlyList<FingerPlace> Fingers)
{
    /// <summary>True where the thumb is on the string.</summary>
    public bool HasThumb { get; } = Fingers[0].Finger == Necks.Thumb;

    /// <summary>What it is to come there.</summary>
    public Obstacle Comes { get; } = new(ObstacleKind.Shift, $"shift to {Words}");
}

/// <summary>A bowed instrument's neck.</summary>
/// <param name="Strings">Letters and sounding keys of the open strings, the lowest first.</param>
/// <param name="Places">Places of the hand, the lowest first.</param>
/// <param name="Harmonic">What the octave's natural harmonic costs where none is written and a leap leads to it.</param>
public sealed record Neck(IReadOnlyList<(string Letter, int Open)> Strings, IReadOnlyList<HandPlace> Places, double Harmonic)
{
    /// <summary>True where in first position each letter has its finger, as on violin and viola.</summary>
    public bool FollowsLetters { get; init; }

    /// <summary>The first position.</summary>
    public HandPlace FirstPosition { get; } = Places.First(p => p.Name == Necks.First);
}

/// <summary>The necks of the bowed instruments.</summary>
/// <remarks>Open strings: tests/reference/facts/instruments.json (music21 10.5.1). Hand frames from memory: violin and viola a fourth;
/// cello a minor third, opened forward (two, three and four) or back (one) a major third, and three fingers above the fourth position; bass
/// a whole step; thumb position a fourth or fifth from thumb to third finger. The bass's many small positions (half, 1st, 2nd,
/// 2nd-and-a-half, 3rd …) stand a half step apart; its six large ones are anchored at the fourth, the fifth, the octave and the harmonics
/// above: common practice, no published source. What it costs to stay in a place is ours: first position is home, third and fourth are
/// learnt next, second and the high ones later.</remarks>
public static class Necks
{
    /// <summary>The number that stands for the thumb.</summary>
    public const int Thumb = 5;

    /// <summary>The name of the first position.</summary>
    public const string First = "1";

    private static readonly IReadOnlyList<FingerPlace> Small =
    [
        new(1, 0),
        new(1, -1, Lie.Low),
        new(2, 1, Lie.Low),
        new(2, 2, Lie.High),
        new(3, 3),
        new(3, 2, Lie.Low),
        new(3, 4, Lie.High),
        new(4, 5),
        new(4, 4, Lie.Low),
        new(4, 6, Lie.High),
    ];
    private static readonly IReadOnlyList<FingerPlace> SmallHalf =
    [
        new(1, 0),
        new(2, 1, Lie.Low),
        new(2, 2, Lie.High),
        new(3, 3),
        new(4, 5),
        new(4, 4, Lie.Low),
    ];
    private static readonly IReadOnlyList<FingerPlace> Cello =
    [
        new(1, 0),
        new(1, -1, Lie.Back),
        new(2, 1),
        new(2, 2, Lie.Forward),
        new(3, 2),
        new(3, 3, Lie.Forward),
        new(4, 3),
        new(4, 4, Lie.Forward),
    ];
    private static readonly IReadOnlyList<FingerPlace> CelloHalf =
    [
        new(1, 0),
        new(2, 1),
        new(2, 2, Lie.Forward),
        new(3, 2),
        new(3, 3, Lie.Forward),
        new(4, 3),
        new(4, 4, Lie.Forward),
    ];
    private static readonly IReadOnlyList<FingerPlace> CelloUpper =
    [
        new(1, 0),
        new(2, 1, Lie.Low),
        new(2, 2, Lie.High),
        new(3, 3),
        new(3, 4, Lie.High),
    ];
    private static readonly IReadOnlyList<FingerPlace> Bass = [new(1, 0), new(2, 1), new(4, 2)];
    private static readonly IReadOnlyList<FingerPlace> BassUpper = [new(1, 0), new(2, 1), new(3, 2)];
    private static readonly IReadOnlyList<FingerPlace> OnThumb =
    [
        new(Thumb, 0),
        new(1, 2),
        new(2, 3, Lie.Low),
        new(2, 4, Lie.High),
        new(3, 5),
        new(3, 6, Lie.High),
    ];

    // A fourth is what a bass hand spans there.
    private static readonly IReadOnlyList<FingerPlace> OnBassThumb = [.. OnThumb.Where(f => f.Above <= 5)];

    private static readonly (string Name, int Offset, double Stay)[] Diatonic =
    [
        (First, 2, 0),
        ("2", 4, 0.2),
        ("3", 5, 0.1),
        ("4", 7, 0.17),
        ("5", 9, 0.12),
        ("6", 11, 0.18),
        ("7", 12, 0.16),
    ];

    // Each half step of the neck: the lower and the upper place of a position have its name.
    private static readonly (string Name, string Side, int Offset, double Stay)[] CelloSteps =
    [
        (First, "", 2, 0),
        ("2", "lower ", 3, 0.18),
        ("2", "upper ", 4, 0.18),
        ("3", "", 5, 0.1),
        ("3", "upper ", 6, 0.16),
        ("4", "", 7, 0.07),
        ("5", "lower ", 8, 0.14),
        ("5", "", 9, 0.14),
        ("6", "lower ", 10, 0.14),
        ("6", "", 11, 0.16),
        ("7", "", 12, 0.16),
    ];
    private const int CelloNeckEnds = 8;

    private static readonly (string Name, int Offset, double Stay)[] SmallSteps =
    [
        ("half", 1, 0.02),
        (First, 2, 0),
        ("2", 3, 0.12),
        ("2.5", 4, 0.12),
        ("3", 5, 0.09),
        ("3.5", 6, 0.12),
        ("4", 7, 0.1),
        ("5", 8, 0.12),
        ("5.5", 9, 0.12),
        ("6", 10, 0.12),
        ("6.5", 11, 0.14),
        ("7", 12, 0.14),
    ];
    private const int BassNeckEnds = 10;
    private const int OctaveAbove = 12;

    private static readonly (string Name, int From)[] SixLarge = [("6", 24), ("5", 19), ("4", 12), ("3", 7), ("2", 5), (First, 1)];

    /// <summary>Violin.</summary>
    public static Neck OfViolin { get; } =
        new([("G", 55), ("D", 62), ("A", 69), ("E", 76)], Framed([("8", 14, 0.2), ("9", 16, 0.2), ("10", 17, 0.2), ("11", 19, 0.2)]), 1.2)
        {
            FollowsLetters = true,
        };

    /// <summary>Viola.</summary>
    public static Neck OfViola { get; } =
        new([("C", 48), ("G", 55), ("D", 62), ("A", 69)], Framed([("8", 14, 0.2)]), 1.2) { FollowsLetters = true };

    /// <summary>Violoncello.</summary>
    public static Neck OfCello { get; } =
        new(
            [("C", 36), ("G", 43), ("D", 50), ("A", 57)],
            [
                Place("half", 1, 0.12, CelloHalf),
                .. CelloSteps.Select(p => Place(p.Name, p.Offset, p.Stay, p.Offset < CelloNeckEnds ? Cello : CelloUpper, p.Side)),
                .. Thumbs(OnThumb, 7, 8, 9, 10, 11, 12, 14, 16, 17, 19),
            ],
            0.1
        );

    /// <summary>Contrabass, its positions numbered as the house says.</summary>
    /// <param name="fifthString">True with a low B string.</param>
    /// <param name="six">True for six large positions.</param>
    public static Neck OfBass(bool fifthString, bool six) =>
        new(
            [.. fifthString ? [("B", 23)] : Array.Empty<(string, int)>(), ("E", 28), ("A", 33), ("D", 38), ("G", 43)],
            [
                .. SmallSteps.Select(p =>
                    Place(
                        six ? SixLarge.First(x => p.Offset >= x.From).Name : p.Name,
                        p.Offset,
                        p.Stay,
                        p.Offset < BassNeckEnds ? Bass : BassUpper
                    )
                ),
                .. Thumbs(OnBassThumb, 12, 14, 16, 17),
            ],
            0.1
        );

    private static List<HandPlace> Framed(IEnumerable<(string Name, int Offset, double Stay)> higher) =>
        [Place("half", 1, 0.15, SmallHalf), .. Diatonic.Concat(higher).Select(p => Place(p.Name, p.Offset, p.Stay, Small))];

    // At the octave's harmonic the thumb has its home.
    private static IEnumerable<HandPlace> Thumbs(IReadOnlyList<FingerPlace> fingers, params int[] offsets) =>
        offsets.Select(o => new HandPlace($"T{o}", "thumb position", o, o == OctaveAbove ? 0.06 : 0.16, fingers));

    private static HandPlace Place(string name, int offset, double stay, IReadOnlyList<FingerPlace> fingers, string side = "") =>
        new(name, name == "half" ? "half position" : $"{side}{Placement.Ordinal(name)} position", offset, stay, fingers);
}
