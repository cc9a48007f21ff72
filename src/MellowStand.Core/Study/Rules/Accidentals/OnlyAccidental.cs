using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The one note of a whole part that is not as the signature says.</summary>
/// <remarks>Nothing warns the hand before it, and nothing like it comes again. Common practice, no published source.</remarks>
[Example("key:C | C5q D5q E5q F5q | G5q A5q B5q C6q | C6q B5q A5q F#5q | G5h E5h | F5h D5h | C5w", 1)]
[Example("key:C | C5q D5q E5q F#5q | G5q A5q B5q C6q | C6q B5q A5q F#5q | G5h E5h | F5h D5h | C5w", 0, "two of them")]
[Example("key:C | C5q F#5q G5h", 0, "too short to surprise")]
public sealed class OnlyAccidental : IStudyRule
{
    private const int LeastNotes = 12;

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
        if (heads.Count < LeastNotes || heads.Where(h => IsAltered(part, h)).Take(2).ToList() is not [var only])
            yield break;
        var name = only.Written!.Value;
        var said = name.Alter == 0 ? name.Step + "♮" : name.Name;
        yield return Finding.At(
            Name,
            part,
            [only.Owner],
            Severity.Warn,
            $"{said}: the only accidental",
            $"This {said} is the only note of the part that is not as the signature says: nothing warns of it before."
        );
    }

    private static bool IsAltered(Part part, NoteHead head) =>
        head.Written!.Value is var p && p.Alter != part.Measures[head.Owner.MeasureIndex].Key.AlterOf(p.Step);
}
