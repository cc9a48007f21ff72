using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>No slowing and no fermata at the end: keep the tempo to the last note.</summary>
/// <remarks>In the last four measures. Common practice, no published source.</remarks>
[Example("| C5w | D5w | E5w | F5w", 1)]
[Example("| C5w | D5w | E5w | F5w(f)", 0)]
[Example("| C5w | D5w | \"rall.\" E5w | F5w", 0)]
public sealed class NoSlowingAtEnd : IStudyRule
{
    private const int EndMeasures = 4;

    /// <inheritdoc/>
    public string Name => "no-slowing-at-end";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Tempo;

    /// <inheritdoc/>
    public Reach Reach => Reach.Score;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var last = context.Score.Measures.Count - 1;
        var since = Math.Max(0, last - EndMeasures + 1);
        if (context.Tempo.Signs.Any(s => s.Kind == TempoKind.Slowing && s.Measure >= since))
            yield break;
        if (context.FermataIn(since, last, context.Score.Measures[last].End + 1))
            yield break;
        yield return new Finding(
            Name,
            [part.Id],
            last,
            last,
            part.Notes.LastOrDefault(n => n.Sounds && n.MeasureIndex == last) is { } n ? [n.Id] : [],
            Severity.Note,
            "Keep the tempo to the last note",
            "No slowing and no fermata is printed at the end: the tempo holds to the last note."
        );
    }
}
