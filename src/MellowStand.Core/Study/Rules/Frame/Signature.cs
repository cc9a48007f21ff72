using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The key signature and the notes it alters, at the start and where it changes.</summary>
/// <remarks>As the part reads it. Source: MusicXML 4.0, element "key".</remarks>
[Example("key:Eb | Eb4w | key:C C4w", 2)]
[Example("| %C5q %C5q %C5h", 0, "a drum has no key")]
public sealed class Signature : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "signature";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Frame;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (!part.Notes.Any(n => n.Kind == NoteKind.Pitched))
            yield break;
        for (var m = 0; m < part.Measures.Count; m++)
        {
            var key = part.Measures[m].Key;
            if (m > 0 && key == part.Measures[m - 1].Key)
                continue;
            var altered = string.Join(", ", key.AlteredSteps.Select(s => s + Pitch.Sign(key.AlterOf(s))));
            var plain = m == 0 ? "" : Plain(part.Measures[m - 1].Key, key);
            var lasts = !part.Measures.Skip(m).Any(x => x.Key != key);
            var hard = Math.Abs(key.Fifths) >= 5 ? " Many sharps or flats: practice the scale first." : "";
            yield return new Finding(
                Name,
                [part.Id],
                m,
                m,
                [],
                Weight(m, key),
                (key.AlteredSteps.Count == 0 ? "No signature" : $"Signature: {altered}") + (plain.Length > 0 ? $"; {plain} again" : ""),
                (m == 0 ? "" : $"The signature changes at measure {context.Label(m)}. ")
                    + (plain.Length > 0 ? $"{plain} {(plain.Contains(',', StringComparison.Ordinal) ? "are" : "is")} natural again. " : "")
                    + (altered.Length == 0 ? "No sharps, no flats." : $"{altered}{(lasts ? " throughout" : "")}.")
                    + hard
            );
        }
    }

    // A change is missed; the first signature is what a teacher names first, where there is one.
    private static Severity Weight(int measure, KeySignature key)
    {
        if (measure > 0)
            return Severity.Warn;
        return key.Fifths == 0 ? Severity.Note : Severity.Tell;
    }

    // Steps that were altered and are not any more: the hand goes on playing them as before.
    private static string Plain(KeySignature before, KeySignature now) =>
        string.Join(", ", before.AlteredSteps.Where(s => now.AlterOf(s) == 0).Select(s => s + "♮"));
}
