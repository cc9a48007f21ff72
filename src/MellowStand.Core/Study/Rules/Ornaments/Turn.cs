using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

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
        foreach (var note in part.Notes)
        {
            if (TurnShape.Of(context.Score, part, note) is not { } turn)
                continue;
            var (upper, lower) = turn.First.Midi > turn.Main.Midi ? (turn.First, turn.Second) : (turn.Second, turn.First);
            yield return Finding.At(
                Name,
                part,
                [note],
                Severity.Tell,
                $"Turn on {turn.Main.Name}: {upper.Name} above, {lower.Name} below",
                $"The turn plays {turn.First.Name}, {turn.Main.Name}, {turn.Second.Name}, {turn.Main.Name}.{Timing(context, note, turn)}"
            );
        }
    }

    private static string Timing(StudyContext context, Note note, TurnShape turn)
    {
        var beats = turn.Length / context.Score.Measures[note.MeasureIndex].Meter.BeatUnit;
        return beats == new Fraction(3, 2)
            ? $" Half a beat plain, half a beat of a triplet ({turn.First.Name} {turn.Main.Name} {turn.Second.Name}), half a beat plain."
            : "";
    }
}
