using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Triplets next to dotted-eighth–sixteenth.</summary>
/// <remarks>The two melt into each other; each has its own short note. Within one beat of each other. Common practice, no published
/// source.</remarks>
[Example("| C5e3 D5e3 E5e3 F5e. G5s A5h", 1)]
[Example("| C5e3 D5e3 E5e3 F5e G5e A5h", 0)]
public sealed class TripletAndDotted : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "triplet-against-dotted";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Rhythm;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Struck;
        var found = new List<Note>();
        for (var i = 1; i < notes.Count; i++)
        {
            var (a, b) = (notes[i - 1], notes[i]);
            if (b.Onset - a.End >= 1 || !(IsTriplet(a) && IsDotted(notes, i) || IsTriplet(b) && IsDotted(notes, i - 2)))
                continue;
            found.AddRange([a, b]);
        }

        return Stretches
            .Of(found)
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    [.. s.Distinct()],
                    Severity.Warn,
                    "Triplet beside dotted figure",
                    "The short note of the dotted figure is a sixteenth, later and shorter than the last of a triplet: keep the two apart."
                )
            );
    }

    private static bool IsTriplet(Note n) => n.Tuplet == (3, 2);

    private static bool IsDotted(IReadOnlyList<Note> notes, int i) =>
        i >= 0
        && i + 1 < notes.Count
        && notes[i].Duration == new Fraction(3, 4)
        && notes[i + 1].Duration == new Fraction(1, 4)
        && notes[i + 1].Onset == notes[i].End;
}
