using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The player changes to the bow, to plucking or a mute, and the music leaves no time for it.</summary>
/// <remarks>Less than a second between the last note before the word and the first one after it. Common practice, no published source; the
/// second is ours.</remarks>
[Example("part \"Violin\"\ntempo:q=100 | \"pizz.\" C5q D5 E5 F5 | \"arco\" G5w", 1)]
[Example("part \"Violin\"\ntempo:q=100 | \"pizz.\" C5q D5 E5 F5 | rw | \"arco\" G5w", 0, "a measure of rest is time enough")]
[Example("part \"Violin\"\ntempo:q=100 | \"arco\" C5q D5 E5 F5", 0, "at the start nothing is changed")]
[Example("part \"Violin\"\ntempo:q=100 | C5q D5 E5 F5 | \"arco\" G5w", 0, "it is bowed already")]
[Example("part \"Violin\"\ntempo:q=100 | \"con sord.\" C5q D5 E5 F5 | \"con sord.\" G5w", 0, "the mute is on already")]
public sealed class NoTimeToChange : IStudyRule
{
    private const double Seconds = 1;

    // What a word puts the hands to, and whether that is another way than the usual one.
    private static readonly (string Word, string Group, bool IsUsual, string Change)[] Changes =
    [
        ("arco", "bow", true, "the bow"),
        ("pizz", "bow", false, "plucking"),
        ("senza sord", "mute", true, "playing without mute"),
        ("mute off", "mute", true, "playing without mute"),
        ("con sord", "mute", false, "the mute"),
        ("mute on", "mute", false, "the mute"),
    ];

    /// <inheritdoc/>
    public string Name => "no-time-to-change";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Struck;
        var isUsual = new Dictionary<string, bool>();
        foreach (var word in part.Directions.Where(d => d.Kind == DirectionKind.Words))
        {
            var (text, group, usual, change) = Array.Find(Changes, c => word.Text.Contains(c.Word, StringComparison.OrdinalIgnoreCase));
            if (text is null || isUsual.GetValueOrDefault(group, true) == usual)
                continue;
            isUsual[group] = usual;
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
