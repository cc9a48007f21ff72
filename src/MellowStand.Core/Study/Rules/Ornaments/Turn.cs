using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A turn: its upper and lower note, and its timing.</summary>
/// <remarks>A sign under it alters the lower note, one above it the upper. On a note of one and a half beats: half a beat plain, half a
/// beat of a triplet (upper, main, lower), half a beat plain. Common practice, no published source.</remarks>
[Example("| C5q.(turn) D5e E5h", 1)]
[Example("| C5q. D5e E5h", 0)]
public sealed class Turn : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "turn";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var note in part.Notes.Where(n => OrnamentMarks.Turns.Any(n.Has) && n.Top is not null))
        {
            var inverted = note.Marks.Any(m => OrnamentMarks.IsInverted(m.Name));
            var (main, upper, lower) = (note.Top!.Value, Neighbours.Of(part, note, 1), Neighbours.Of(part, note, -1));
            var order = inverted
                ? $"{lower.Name}, {main.Name}, {upper.Name}, {main.Name}"
                : $"{upper.Name}, {main.Name}, {lower.Name}, {main.Name}";
            var beats = note.SoundingDuration / context.Score.Measures[note.MeasureIndex].Meter.BeatUnit;
            var timing =
                beats == new Fraction(3, 2)
                    ? $" Half a beat plain, half a beat of a triplet "
                        + $"({(inverted ? $"{lower.Name} {main.Name} {upper.Name}" : $"{upper.Name} {main.Name} {lower.Name}")})"
                        + ", half a beat plain."
                    : "";
            yield return Finding.At(
                Name,
                part,
                [note],
                Severity.Note,
                $"Turn on {main.Name}: {upper.Name} above, {lower.Name} below",
                $"The turn plays {order}.{timing}"
            );
        }
    }
}
