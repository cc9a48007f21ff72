using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>The graces again, the trills not yet.</summary>
/// <remarks>Skeleton, then graces, then trills, then all. Common practice, no published source.</remarks>
public sealed class GracesBack : IRecipe
{
    /// <inheritdoc/>
    public string Name => "graces-back";

    /// <inheritdoc/>
    public string Title => "Graces back";

    /// <inheritdoc/>
    public string Why => "The skeleton with its grace notes: they must not move the main note from its beat.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var graces = passage.Notes.Count(n => n.IsGrace);
        return graces == 0 ? null : new Suit(Math.Min(0.9, 0.65 + (0.05 * graces)), Amounts.Of((graces, "grace note")));
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [Voices.ChangeNotes(passage.Music, n => MarksOut.Without(n, MarksOut.Ornaments))];
}
