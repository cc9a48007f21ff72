using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Long high playing without a rest.</summary>
/// <remarks>Brass: sixteen seconds or more above the upper quarter of the comfortable range with no rest of a measure. Rest at least as
/// much as you play. Common practice, no published source; the bound is ours.</remarks>
[Example("part \"Trumpet\" transpose:-1,-2\ntempo:q=60 | F5w | G5w | F5w | G5w | F5w", 1)]
[Example("part \"Trumpet\" transpose:-1,-2\ntempo:q=60 | C5w | D5w | C5w | D5w | C5w", 0, "the middle of the range")]
public sealed class HighStrain : IStudyRule
{
    private const double LeastSeconds = 16;

    /// <inheritdoc/>
    public string Name => "high-strain";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Range;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Family: Instruments.Family.Brass } instrument)
            yield break;
        var bound = instrument.High.Midi - ((instrument.High.Midi - instrument.Low.Midi) / 4);
        foreach (var s in Stretches.Of(context.MelodyOf(part).Notes.Where(n => n.Top!.Value.Midi >= bound)))
        {
            var seconds = s.Sum(n => context.Seconds(n.MeasureIndex, n.SoundingDuration));
            if (seconds < LeastSeconds)
                continue;
            yield return Finding.At(
                Name,
                part,
                s,
                context.AtTempo(s[0].MeasureIndex, Severity.Warn),
                $"High for {seconds:0} seconds",
                $"{context.Measures(s[0].MeasureIndex, s[^1].MeasureIndex)}: {seconds:0} seconds of sound at the top of the "
                    + $"range. Rest at least as much as you play, and share the part.{context.IfTempo(s[0].MeasureIndex)}"
            );
        }
    }
}
