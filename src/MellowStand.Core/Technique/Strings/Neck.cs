namespace MellowStand.Core.Technique.Strings;

/// <summary>Where a finger falls.</summary>
/// <param name="Finger">1 to 4; 5 is the thumb.</param>
/// <param name="Above">Half steps above the hand's place.</param>
/// <param name="Sign">Empty, or <c>h</c> or <c>l</c> where the finger is high or low.</param>
public sealed record FingerPlace(int Finger, int Above, string Sign);

/// <summary>A place of the hand on the neck.</summary>
/// <param name="Name">What it is called: <c>half</c>, <c>1</c>, <c>2</c>, <c>2.5</c>, …, or <c>T</c> with half steps for the thumb.</param>
/// <param name="Offset">Half steps of the first finger (or of the thumb) above the open string.</param>
/// <param name="Fingers">Where the fingers fall.</param>
public sealed record HandPlace(string Name, int Offset, IReadOnlyList<FingerPlace> Fingers)
{
    /// <summary>True where the thumb is on the string.</summary>
    public bool HasThumb => Fingers[0].Finger == Necks.Thumb;
}

/// <summary>A bowed instrument's neck.</summary>
/// <param name="Strings">Letters and sounding keys of the open strings, the lowest first.</param>
/// <param name="Places">Places of the hand, the lowest first.</param>
/// <param name="Harmonic">What a natural harmonic costs where none is written.</param>
public sealed record Neck(IReadOnlyList<(string Letter, int Open)> Strings, IReadOnlyList<HandPlace> Places, double Harmonic)
{
    /// <summary>True where in first position each letter has its finger, as on violin and viola.</summary>
    public bool FollowsLetters { get; init; }
}

/// <summary>The necks of the bowed instruments.</summary>
/// <remarks>Open strings: tests/reference/facts/instruments.json (music21 10.5.1). Hand frames from memory: violin and viola a fourth,
/// cello a minor third (major when extended), bass a whole step, thumb position a fourth or fifth from thumb to third finger. The bass's
/// many small positions (half, 1st, 2nd, 2nd-and-a-half, 3rd …) stand a half step apart; its six large ones are anchored at the fourth, the
/// fifth, the octave and the harmonics above: common practice, no published source.</remarks>
public static class Necks
{
    /// <summary>The number that stands for the thumb.</summary>
    public const int Thumb = 5;

    private static readonly IReadOnlyList<FingerPlace> High =
    [
        new(1, 0, ""),
        new(1, -1, "l"),
        new(2, 1, "l"),
        new(2, 2, "h"),
        new(3, 3, ""),
        new(3, 4, "h"),
        new(4, 5, ""),
        new(4, 4, "l"),
        new(4, 6, "h"),
    ];
    private static readonly IReadOnlyList<FingerPlace> HighHalf =
    [
        new(1, 0, ""),
        new(2, 1, "l"),
        new(2, 2, "h"),
        new(3, 3, ""),
        new(4, 5, ""),
    ];
    private static readonly IReadOnlyList<FingerPlace> Low =
    [
        new(1, 0, ""),
        new(1, -1, "l"),
        new(2, 1, ""),
        new(2, 2, "h"),
        new(3, 2, ""),
        new(3, 3, "h"),
        new(4, 3, ""),
        new(4, 4, "h"),
    ];
    private static readonly IReadOnlyList<FingerPlace> Lowest = [new(1, 0, ""), new(2, 1, ""), new(4, 2, "")];
    private static readonly IReadOnlyList<FingerPlace> OnThumb =
    [
        new(Thumb, 0, ""),
        new(1, 2, ""),
        new(2, 3, "l"),
        new(2, 4, "h"),
        new(3, 5, ""),
        new(3, 6, "h"),
    ];

    private static readonly (string Name, int Offset)[] Diatonic = [("1", 2), ("2", 4), ("3", 5), ("4", 7), ("5", 9), ("6", 11), ("7", 12)];

    // Each half step of the neck: the lower and the raised place of a position have its name.
    private static readonly (string Name, int Offset)[] CelloSteps =
    [
        ("1", 2),
        ("2", 3),
        ("2", 4),
        ("3", 5),
        ("3", 6),
        ("4", 7),
        ("5", 8),
        ("5", 9),
        ("6", 10),
        ("6", 11),
        ("7", 12),
    ];
    private static readonly (string Name, int Offset)[] SmallSteps =
    [
        ("half", 1),
        ("1", 2),
        ("2", 3),
        ("2.5", 4),
        ("3", 5),
        ("3.5", 6),
        ("4", 7),
        ("5", 8),
        ("5.5", 9),
        ("6", 10),
        ("6.5", 11),
        ("7", 12),
    ];
    private static readonly (string Name, int From)[] SixLarge = [("6", 24), ("5", 19), ("4", 12), ("3", 7), ("2", 5), ("1", 1)];

    /// <summary>Violin.</summary>
    public static Neck OfViolin { get; } =
        new([("G", 55), ("D", 62), ("A", 69), ("E", 76)], Small([("8", 14), ("9", 16), ("10", 17), ("11", 19)]), 1.2)
        {
            FollowsLetters = true,
        };

    /// <summary>Viola.</summary>
    public static Neck OfViola { get; } =
        new([("C", 48), ("G", 55), ("D", 62), ("A", 69)], Small([("8", 14)]), 1.2) { FollowsLetters = true };

    /// <summary>Violoncello.</summary>
    public static Neck OfCello { get; } =
        new(
            [("C", 36), ("G", 43), ("D", 50), ("A", 57)],
            [
                new("half", 1, Lowest),
                .. CelloSteps.Select(p => new HandPlace(p.Name, p.Offset, Low)),
                .. Thumbs(7, 8, 9, 10, 11, 12, 14, 16, 17, 19),
            ],
            1.0
        );

    /// <summary>Contrabass, its positions numbered as the house says.</summary>
    /// <param name="fifthString">True with a low B string.</param>
    /// <param name="six">True for six large positions.</param>
    public static Neck OfBass(bool fifthString, bool six) =>
        new(
            [.. fifthString ? [("B", 23)] : Array.Empty<(string, int)>(), ("E", 28), ("A", 33), ("D", 38), ("G", 43)],
            [
                .. SmallSteps.Select(p => new HandPlace(six ? SixLarge.First(x => p.Offset >= x.From).Name : p.Name, p.Offset, Lowest)),
                .. Thumbs(12, 14, 16, 17),
            ],
            0.9
        );

    private static List<HandPlace> Small(IEnumerable<(string Name, int Offset)> higher) =>
        [new("half", 1, HighHalf), .. Diatonic.Concat(higher).Select(p => new HandPlace(p.Name, p.Offset, High))];

    private static IEnumerable<HandPlace> Thumbs(params int[] offsets) => offsets.Select(o => new HandPlace($"T{o}", o, OnThumb));
}
