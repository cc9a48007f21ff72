using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A slowing after which no tempo comes again.</summary>
/// <remarks>Not near the end of the piece, where the slowing is the end, and not before a fermata. Common practice, no published
/// source.</remarks>
[Example("| C5w | \"rit.\" D5w | E5w | F5w | G5w | A5w | B5w | C6w", 1)]
[Example("| C5w | \"rit.\" D5w | \"a tempo\" E5w | F5w | G5w | A5w | B5w | C6w", 0)]
[Example("| C5w | D5w | E5w | \"rit.\" F5w | G5w", 0, "the end itself")]
public sealed class SlowingUnresolved : IStudyRule
{
    private const int EndMeasures = 4;

    /// <inheritdoc/>
    public string Name => "slowing-unresolved";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Tempo;

    // A slowing word with a number is a new tempo.
    private static bool HasNumber(IReadOnlyList<TempoSign> signs, TempoSign slowing) =>
        signs.Any(s => s.Metronome is not null && s.Onset >= slowing.Onset && s.Onset - slowing.Onset <= 1);

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var signs = context.Tempo.Signs;
        for (var i = 0; i < signs.Count; i++)
        {
            if (signs[i].Kind != TempoKind.Slowing || HasNumber(signs, signs[i]))
                continue;
            var next = signs.Skip(i + 1).FirstOrDefault(s => s.Onset > signs[i].Onset);
            if (next is { Kind: not TempoKind.Slowing })
                continue;
            if (next is not null && next.Measure - signs[i].Measure <= 2)
                continue;
            var last = context.Score.Measures.Count - 1;
            if (next is null && last - signs[i].Measure < EndMeasures)
                continue;
            yield return new Finding(
                Name,
                [part.Id],
                signs[i].Measure,
                signs[i].Measure,
                part.FirstSoundingFrom(signs[i].Onset) is { } n && n.MeasureIndex == signs[i].Measure ? [n.Id] : [],
                Severity.Warn,
                $"“{signs[i].Text}” is never resolved",
                $"After “{signs[i].Text}” in measure {context.Label(signs[i].Measure)} no tempo comes again: decide where it "
                    + $"goes on, and at what speed."
            );
        }
    }
}
