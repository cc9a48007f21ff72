using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>With another section's line on a second staff.</summary>
/// <remarks>Play along with another section's line once one's own notes are right. Common practice, no published source.</remarks>
public sealed class WithLine : IRecipe
{
    /// <inheritdoc/>
    public string Name => "with-line";

    /// <inheritdoc/>
    public string Title => "With the other line";

    /// <inheritdoc/>
    public string Why => "What the others play while you do: hear it, sing it, then play against it.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (passage.Other is not { } other)
            return null;
        var found = passage.Count("shared-rhythm", "answer", "syncopation", "offbeat-entry", "hemiola");
        return new Suit(Math.Min(0.38, 0.2 + (0.06 * found)), other.Name.Length > 0 ? other.Name : other.Id);
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [passage.Music, PracticeRangeReader.Read(passage.Study, passage.Other!, passage.From, passage.To)];
}
