using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Triplets right beside sixteenths or shorter notes in one measure: the beat is divided by three, then by four.</summary>
/// <remarks>The two kinds stand within one beat of each other, two notes of each at least. Common practice, no published source.</remarks>
[Example("meter:2/4 | C5e3 D5e3 E5e3 F5s G5s F5s E5s | D5h", 1)]
[Example("meter:2/4 | C5e3 D5e3 E5e3 F5e G5e | D5h", 0, "eighths are far from triplets only where they are quick")]
[Example("meter:2/4 | C5e3 D5e3 E5e3 F5q | F5s G5s F5s E5s D5q", 0, "a beat and a bar line apart")]
public sealed class MixedDivisions : IStudyRule
{
    private static readonly Fraction Short = new(1, 4);

    /// <inheritdoc/>
    public string Name => "mixed-divisions";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Rhythm;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Struck;
        var changes = Enumerable
            .Range(1, Math.Max(0, notes.Count - 1))
            .Where(i => IsChange(notes, i))
            .SelectMany(i => new[] { notes[i - 1], notes[i] });
        return Stretches
            .Of(changes)
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    [.. s.Distinct()],
                    Severity.Tell,
                    "Triplets beside short even notes",
                    "The beat is divided by three and then by four: keep the beat, count each kind alone, then one after the other."
                )
            );
    }

    private static bool IsChange(IReadOnlyList<Note> notes, int i)
    {
        var (a, b) = (notes[i - 1], notes[i]);
        if (a.MeasureIndex != b.MeasureIndex || b.Onset != a.End)
            return false;
        return (IsTriplet(notes, i - 2, i - 1) && IsEven(notes, i, i + 1)) || (IsEven(notes, i - 2, i - 1) && IsTriplet(notes, i, i + 1));
    }

    private static bool IsTriplet(IReadOnlyList<Note> notes, int a, int b) => Both(notes, a, b, n => n.Tuplet == (3, 2));

    private static bool IsEven(IReadOnlyList<Note> notes, int a, int b) =>
        Both(notes, a, b, n => n.Tuplet == (1, 1) && n.Duration <= Short);

    private static bool Both(IReadOnlyList<Note> notes, int a, int b, Func<Note, bool> are) =>
        a >= 0 && b < notes.Count && are(notes[a]) && are(notes[b]);
}
