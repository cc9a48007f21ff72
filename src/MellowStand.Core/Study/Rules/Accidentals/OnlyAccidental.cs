using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The one note of a whole part that is not as the signature says, or two or three different ones in one measure.</summary>
/// <remarks>Nothing warns the hand before it, and nothing like it comes again. Common practice, no published source.</remarks>
[Example("key:C | C5q D5q E5q F5q | G5q A5q B5q C6q | C6q B5q A5q F#5q | G5h E5h | F5h D5h | C5w", 1)]
[Example("key:C | C5q D5q E5q F#5q | G5q A5q B5q C6q | C6q B5q A5q F#5q | G5h E5h | F5h D5h | C5w", 0, "two of them")]
[Example("key:C | C5q D5q E5q F5q | G5q A5q B5q C6q | G5q Ab5q G5q F#5q | G5h E5h | F5h D5h | C5w", 1, "two in one measure")]
[Example("key:C | C5q F#5q G5h", 0, "too short to surprise")]
public sealed class OnlyAccidental : IStudyRule
{
    private const int LeastNotes = 12;
    private const int Most = 3;

    /// <inheritdoc/>
    public string Name => "only-accidental";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Accidentals;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CourtesyAccidental;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var heads = part
            .Notes.Where(n => !n.IsCue)
            .SelectMany(n => n.Heads)
            .Where(h => h.Written is not null && h.TiedFrom is null)
            .ToList();
        if (heads.Count < LeastNotes)
            yield break;
        var altered = heads.Where(h => IsAltered(part, h)).Take(Most + 1).ToList();
        if (altered.Count is 0 or > Most || altered.Exists(h => h.Owner.MeasureIndex != altered[0].Owner.MeasureIndex))
            yield break;
        var names = altered.Select(Said).Distinct().ToList();
        if (names.Count < altered.Count)
            yield break;
        var said = names.Count == 1 ? names[0] : $"{string.Join(", ", names.SkipLast(1))} and {names[^1]}";
        yield return Finding.At(
            Name,
            part,
            [.. altered.Select(h => h.Owner).Distinct()],
            Severity.Warn,
            names.Count == 1 ? $"{said}: the only accidental" : $"{said}: the only accidentals",
            names.Count == 1
                ? $"This {said} is the only note of the part that is not as the signature says: nothing warns of it before."
                : $"{said} are the only notes of the part that are not as the signature says: nothing warns of them before."
        );
    }

    private static string Said(NoteHead head) =>
        head.Written!.Value is { Alter: 0 } plain ? plain.Step + "♮" : head.Written!.Value.Name;

    private static bool IsAltered(Part part, NoteHead head) =>
        head.Written!.Value is var p && p.Alter != part.Measures[head.Owner.MeasureIndex].Key.AlterOf(p.Step);
}
