using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>Two measures at a time, into the downbeat after them.</summary>
/// <remarks>Common practice, no published source.</remarks>
public sealed class TwoMeasures : IRecipe
{
    /// <inheritdoc/>
    public string Name => "two-measures";

    /// <inheritdoc/>
    public string Title => "Two measures at a time";

    /// <inheritdoc/>
    public string Why => "Two measures fit into the memory at once: join them before a third is begun.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage) =>
        passage.Measures < 3 || !passage.Line.Any() ? null : new Suit(0.3, $"{passage.Measures} measures in pairs");

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [
            ChunkedMusic.Of(
                passage.Music,
                Enumerable.Range(0, (passage.Measures + 1) / 2).Select(i => ToTheDownbeat.Chunk(passage, i * 2, 2))
            ),
        ];
}
