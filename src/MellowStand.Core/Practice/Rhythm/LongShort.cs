using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Equal quick notes in pairs: Long–short.</summary>
/// <remarks>Dotted rhythms long–short, then short–long, then even. Common practice, no published source.</remarks>
public sealed class LongShort : IRecipe
{
    private const double Fits = 0.45;

    private static readonly Fraction First = new(3, 2);

    /// <inheritdoc/>
    public string Name => "long-short";

    /// <inheritdoc/>
    public string Title => "Long–short";

    /// <inheritdoc/>
    public string Why => "The first of each pair holds, the second is quick: the fingers learn to move at once.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage) => Dotted.Suits(passage, Fits);

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) => [Dotted.Of(passage, First)];
}
