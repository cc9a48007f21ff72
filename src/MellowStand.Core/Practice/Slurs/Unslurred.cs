using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>No slurs.</summary>
/// <remarks>Without slurs first, then add them. Common practice, no published source.</remarks>
public sealed class Unslurred : IRecipe
{
    /// <inheritdoc/>
    public string Name => "unslurred";

    /// <inheritdoc/>
    public string Title => "No slurs";

    /// <inheritdoc/>
    public string Why => "Every note begun anew: each one is in its place before they are joined.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var slurs = passage.Part.Slurs.Count(s => s.From.MeasureIndex >= passage.From && s.To.MeasureIndex <= passage.To);
        if (slurs == 0)
            return null;
        var found = passage.Count("slur-across-beams", "two-note-slur", "dots-under-slur", "pattern-change");
        return new Suit(Math.Min(0.8, 0.3 + (0.15 * found)), Amounts.Of((slurs, "slur"), (found, "easily missed slur")));
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) => [Voices.ChangeNotes(passage.Music, MarksOut.Unslurred)];
}
