using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A note whose name stops a beginner: A♯, G♭, E♯, B♯, C♭, F♭, and double signs.</summary>
/// <remarks>What stands in the signature belongs to the scale and is read by its own name. Told once a part and name, with all its places:
/// the other name is the one that the hand knows. Common practice, no published source.</remarks>
[Example("key:C | A#4 B4 C5 D5", 1)]
[Example("key:F | Bb4 C5 D5 E5", 0)]
[Example("key:Db | Gb4 Ab4 Bb4 C5", 0, "G flat stands in the signature")]
[Example("key:C | E#4 F#4 Cb5 Bb4", 2)]
[Example("key:C | Fx4 G#4 A4 B4", 1, "a double sharp")]
[Example("key:C | A#4 B4 A#4 B4 | A#4 B4 C5 D5", 1, "one entry with all its places")]
public sealed class Enharmonic : IStudyRule
{
    private static readonly HashSet<string> Stoppers = ["A♯", "G♭", "E♯", "B♯", "C♭", "F♭"];

    /// <inheritdoc/>
    public string Name => "enharmonic";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Accidentals;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from note in part.Notes
        where !note.IsCue
        from head in note.Heads
        where head.Written is { } p && head.TiedFrom is null && (Stoppers.Contains(p.Name) || Math.Abs(p.Alter) == 2)
        where part.Measures[note.MeasureIndex].Key.AlterOf(head.Written!.Value.Step) != head.Written!.Value.Alter
        group note by head.Written!.Value with
        {
            Octave = 4,
        } into places
        let other = Spelling.Enharmonic(places.Key)
        let again = places.Count() > 1 ? $", {places.Count()} times from measure {context.Label(places.First().MeasureIndex)} on" : ""
        select Finding.At(
            Name,
            part,
            [.. places],
            Severity.Note,
            $"{places.Key.Name} is {other}",
            $"{places.Key.Name} is played as {other}{again}: write the easier name in."
        );
}
