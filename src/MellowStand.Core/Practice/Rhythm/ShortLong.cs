using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Equal quick notes in pairs: Short–long.</summary>
/// <remarks>Dotted rhythms long–short, then short–long, then even. Common practice, no published source.</remarks>
public sealed class ShortLong : IRecipe
{
    private const double Fits = 0.44;

    private static readonly Fraction First = new(1, 2);

    /// <inheritdoc/>
    public string Name => "short-long";

    /// <inheritdoc/>
    public string Title => "Short–long";

    /// <inheritdoc/>
    public string Why => "The other way round, so that every change is quick once.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage) => Dotted.Suits(passage, Fits);

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) => [Dotted.Of(passage, First)];
}
