using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A mordent and its neighbour.</summary>
/// <remarks>The sign without a stroke goes to the note above, the one with a stroke to the note below: MusicXML 4.0, elements
/// "inverted-mordent" and "mordent".</remarks>
[Example("| C5q(mordent) D5q E5h", 1)]
[Example("| C5q D5q E5h", 0)]
public sealed class Mordent : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "mordent";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from note in part.Notes
        where note.Top is not null && (note.Has("mordent") || note.Has("inverted-mordent"))
        let other = Neighbours.Of(part, note, note.Has("mordent") ? -1 : 1)
        select Finding.At(
            Name,
            part,
            [note],
            Severity.Tell,
            $"Mordent {note.Top!.Value.Name}–{other.Name}",
            $"On the beat and quick: {note.Top.Value.Name}, {other.Name}, {note.Top.Value.Name}."
        );
}
