using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>The notes of a scale.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Lengths">Their lengths in quarters, over and over; together whole beats, so that none crosses a bar line.</param>
public sealed record ScaleRhythm(string Name, IReadOnlyList<Fraction> Lengths);

/// <summary>All rhythms. A new one is one more row.</summary>
/// <remarks>Even notes, and the patterns that school years ask for: common practice, no published source. Others are practice recipes on
/// the music.</remarks>
public static class ScaleRhythms
{
    /// <summary>Every rhythm, even ones first.</summary>
    public static IReadOnlyList<ScaleRhythm> All { get; } =
    [
        new("quarters", [new Fraction(1)]),
        new("eighths", [new Fraction(1, 2)]),
        new("triplets", [new Fraction(1, 3)]),
        new("sixteenths", [new Fraction(1, 4)]),
        new("quarter-two-eighths", [new Fraction(1), new Fraction(1, 2), new Fraction(1, 2)]),
        new("dotted-quarters", [new Fraction(3, 2), new Fraction(1, 2)]),
        new("dotted-eighths", [new Fraction(3, 4), new Fraction(1, 4)]),
        new("eighth-two-sixteenths", [new Fraction(1, 2), new Fraction(1, 4), new Fraction(1, 4)]),
    ];

    /// <summary>The rhythm with the name, or null.</summary>
    public static ScaleRhythm? Find(string? name) => All.FirstOrDefault(r => r.Name == name);
}
