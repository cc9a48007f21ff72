using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The beat unit changes, and no equation tells how the old one becomes the new one.</summary>
/// <remarks>From a simple meter to a compound one, or between beat types, without a new metronome mark. Common practice, no published
/// source.</remarks>
[Example("meter:2/4 | C5h | meter:6/8 D5h.", 1)]
[Example("meter:2/4 | C5h | meter:6/8 tempo:q=q. D5h.", 0)]
[Example("meter:2/4 | C5h | meter:3/4 D5h.", 0, "the beat stays")]
public sealed class MetricChange : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "metric-change";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var measures = context.Score.Measures;
        for (var m = 1; m < measures.Count; m++)
        {
            var (a, b) = (measures[m - 1].Meter, measures[m].Meter);
            if (
                a.IsSenza
                || b.IsSenza
                || a.BeatUnit == b.BeatUnit
                || context.Tempo.Signs.Any(s => s.Measure == m && s.Kind == TempoKind.Fixed)
            )
                continue;
            if (a.Groups.Count > 1 || b.Groups.Count > 1)
                continue;
            yield return new Finding(
                Name,
                [part.Id],
                m,
                m,
                [],
                Severity.Warn,
                $"{a} becomes {b} with no equation",
                $"Nothing says whether the beat or the smaller note stays the same at measure {context.Label(m)}: decide and write it in."
            );
        }
    }
}
