using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Two-note slurs, which get rushed, above all with an accent on the first.</summary>
/// <remarks>Two equal notes of a quarter or shorter; two such slurs within two measures, or one with an accent. Common practice, no
/// published source.</remarks>
[Example("| C5e[ D5e] E5e[ F5e] G5h", 1)]
[Example("| C5e(>)[ D5e] E5q G5h", 1)]
[Example("\"Tempo di Minuetto\" meter:3/4 | C5e[ D5e] E5e[ F5e] G5q", 1, "there the second note is lifted")]
[Example("| C5e[ D5e E5e F5e] G5h", 0)]
public sealed class TwoNoteSlur : IStudyRule
{
    private const string Lifted = "lean on the first, let the second go and lift before the next.";

    /// <inheritdoc/>
    public string Name => "two-note-slur";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var pairs = part
            .Slurs.Where(s => !s.From.IsGrace && s.From.Duration == s.To.Duration && s.From.Duration <= 1 && s.From.End == s.To.Onset)
            .ToList();
        var warned = false;
        foreach (var stretch in Stretches.Of(pairs.Select(p => p.From).OrderBy(n => n.Onset)))
        {
            var accented = stretch.Any(ArticulationMarks.IsAccented);
            var isFirst = accented && !warned;
            warned |= accented;
            if (stretch.Count < 2 && !accented)
                continue;
            yield return Finding.At(
                Name,
                part,
                stretch,
                // The same habit is told once a part; its other places are good to know.
                isFirst ? Severity.Warn : Severity.Note,
                accented ? "Two-note slurs with an accent" : "Two-note slurs",
                $"Two-note slurs get rushed{(accented ? ", above all with an accent on the first" : "")}: "
                    + (context.IsDance ? Lifted : "keep both notes their full length.")
            );
        }
    }
}
