using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The player changes to the bow, to plucking or a mute, and the music leaves no time for it.</summary>
/// <remarks>Less than a second between the last note before the word and the first one after it. Common practice, no published source; the
/// second is ours.</remarks>
[Example("part \"Violin\"\ntempo:q=100 | \"pizz.\" C5q D5 E5 F5 | \"arco\" G5w", 1)]
[Example("part \"Violin\"\ntempo:q=100 | \"pizz.\" C5q D5 E5 F5 | rw | \"arco\" G5w", 0, "a measure of rest is time enough")]
[Example("part \"Violin\"\ntempo:q=100 | \"arco\" C5q D5 E5 F5", 0, "at the start nothing is changed")]
public sealed class NoTimeToChange : IStudyRule
{
    private const double Seconds = 1;

    private static readonly (string Word, string Change)[] Changes =
    [
        ("arco", "the bow"),
        ("pizz", "plucking"),
        ("senza sord", "playing without mute"),
        ("mute off", "playing without mute"),
        ("con sord", "the mute"),
        ("mute on", "the mute"),
    ];

    /// <inheritdoc/>
    public string Name => "no-time-to-change";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public int Rank => 11;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Struck;
        foreach (var word in part.Directions.Where(d => d.Kind == DirectionKind.Words))
        {
            if (Array.Find(Changes, c => word.Text.Contains(c.Word, StringComparison.OrdinalIgnoreCase)).Change is not { } change)
                continue;
            var next = notes.PlaceFrom(n => n.Onset, word.Onset);
            if (next == 0 || next == notes.Count)
                continue;
            var (before, after) = (notes[next - 1], notes[next]);
            var time = context.Seconds(after.MeasureIndex, after.Onset - before.Onset - before.SoundingDuration);
            if (time >= Seconds)
                continue;
            yield return Finding.At(
                Name,
                part,
                [after],
                Severity.Warn,
                $"“{word.Text}” with no time for it",
                $"There is no rest before {change} in measure {context.Label(after.MeasureIndex)}: leave a note out, or divide the section."
            );
        }
    }
}
