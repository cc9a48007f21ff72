using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>One mark that stands alone: a lone tenuto, a lone accent.</summary>
/// <remarks>No other of its kind within eight measures; a part with more than three such has a habit. Common practice, no published
/// source.</remarks>
[Example("| C5q D5q(-) E5q F5q | G5w | C5w", 1)]
[Example("| C5q(-) D5q(-) E5q(-) F5q | G5w", 0)]
public sealed class LoneMark : IStudyRule
{
    private const int Window = 8;
    private const int MostLone = 3;

    /// <inheritdoc/>
    public string Name => "lone-mark";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var name in ArticulationMarks.Names)
        {
            var marked = context.MelodyOf(part).Struck.Where(n => n.Has(name)).ToList();
            var lone = marked.Where(n => !marked.Exists(m => m != n && Math.Abs(m.MeasureIndex - n.MeasureIndex) <= Window)).ToList();
            if (lone.Count > MostLone)
                continue;
            foreach (var note in lone)
                yield return Finding.At(
                    Name,
                    part,
                    [note],
                    Severity.Warn,
                    $"A lone {ArticulationMarks.Word(name)}",
                    $"The {ArticulationMarks.Word(name)} at beat {context.Beat(note)} is the only one far and wide: it is meant "
                        + $"for this note, and easily missed."
                );
        }
    }
}
