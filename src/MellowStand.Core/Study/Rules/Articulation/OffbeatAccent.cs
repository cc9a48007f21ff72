using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Accents off the beat.</summary>
/// <remarks>Think of the accent as a new downbeat. Common practice, no published source.</remarks>
public sealed class OffbeatAccent : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "offbeat-accent";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from stretch in Stretches.Of(
            context
                .MelodyOf(part)
                .Struck.Where(n =>
                    ArticulationMarks.IsAccented(n) && !context.Score.Measures[n.MeasureIndex].Meter.IsSenza && !context.IsOnBeat(n)
                )
        )
        select Finding.At(
            Name,
            part,
            stretch,
            Severity.Note,
            stretch.Count == 1 ? $"Accent off the beat, at {context.Beat(stretch[0])}" : $"{stretch.Count} accents off the beat",
            $"The accent stands between the beats ({context.Label(stretch[0].MeasureIndex)}, beat {context.Beat(stretch[0])}): "
                + $"practise it as a new downbeat, then put it back."
        );
}
