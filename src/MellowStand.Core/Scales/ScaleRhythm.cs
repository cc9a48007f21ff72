using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>The notes of a scale.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Length">Length of each in quarters.</param>
public sealed record ScaleRhythm(string Name, Fraction Length);

/// <summary>All rhythms; dotted and other ones are practice recipes on the music.</summary>
public static class ScaleRhythms
{
    /// <summary>Every rhythm, the slowest first.</summary>
    public static IReadOnlyList<ScaleRhythm> All { get; } =
    [new("quarters", new Fraction(1)), new("eighths", new(1, 2)), new("triplets", new(1, 3)), new("sixteenths", new(1, 4))];

    /// <summary>The rhythm with the name, or null.</summary>
    public static ScaleRhythm? Find(string? name) => All.FirstOrDefault(r => r.Name == name);
}
