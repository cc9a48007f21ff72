using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Spells lengths as printed values: one value where there is one, else several tied together.</summary>
/// <remarks>Source of the names: MusicXML 4.0, type "note-type-value". Lengths of thirds, fifths and sevenths of a quarter are printed as
/// tuplets
/// of three in the time of two, five and seven in the time of four.</remarks>
internal static class LengthSpelling
{
    private const int MostDots = 2;

    private static readonly (string Type, Fraction Length)[] Types =
    [
        ("long", 16),
        ("breve", 8),
        ("whole", 4),
        ("half", 2),
        ("quarter", 1),
        ("eighth", new(1, 2)),
        ("16th", new(1, 4)),
        ("32nd", new(1, 8)),
        ("64th", new(1, 16)),
        ("128th", new(1, 32)),
    ];

    private static readonly (int Actual, int Normal)[] Tuplets = [(1, 1), (3, 2), (5, 4), (7, 4), (9, 8)];

    /// <summary>The one value that has a length, or null.</summary>
    public static PlainValue? One(Fraction length)
    {
        foreach (var (actual, normal) in Tuplets)
            if (Plain(length * new Fraction(actual, normal)) is { } plain)
                return plain with { Actual = actual, Normal = normal };
        return null;
    }

    /// <summary>Values that together have a length, the longest first; null where no values do.</summary>
    public static IReadOnlyList<(PlainValue Value, Fraction Length)>? Many(Fraction length)
    {
        if (One(length) is { } one)
            return [(one, length)];
        // What is left over whole quarters may be one tuplet note.
        var whole = new Fraction(length.Numerator / length.Denominator);
        if (whole > Fraction.Zero && One(length - whole) is { } over && over.Actual > 1)
            return [.. Many(whole)!, (over, length - whole)];
        var values = new List<(PlainValue, Fraction)>();
        foreach (var (type, each) in Types)
            while (each <= length)
            {
                values.Add((new PlainValue(type), each));
                length -= each;
            }

        if (length == Fraction.Zero)
            return values;
        return One(length) is { } rest ? [.. values, (rest, length)] : null;
    }

    /// <summary>The value of a name, twice as long; null beyond the longest.</summary>
    public static PlainValue? Doubled(PlainValue value)
    {
        var place = Array.FindIndex(Types, t => t.Type == value.Type);
        return place > 0 ? value with { Type = Types[place - 1].Type } : null;
    }

    private static PlainValue? Plain(Fraction length)
    {
        foreach (var (type, each) in Types)
            for (var (dots, sum, add) = (0, each, each / 2); dots <= MostDots; dots++, sum += add, add /= 2)
                if (sum == length)
                    return new PlainValue(type, dots);
        return null;
    }
}
