using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A wind part with long stretches of notes that carry no slur and no mark.</summary>
/// <remarks>No slur and no dot means lightly tongued. Eight measures or more. Common practice, no published source.</remarks>
[Example("part \"Flute\"\n| C5w | D5w | E5w | F5w | G5w | F5w | E5w | D5w", 1, "eight measures without slur or mark")]
[Example("part \"Flute\"\n| C5w | D5w | E5w | F5w(-) | G5w | F5w | E5w | D5w", 0, "a mark parts them")]
[Example("part \"Flute\"\n| C5w | D5w | E5w | F5w | G5w | F5w | E5w", 0, "seven are too few")]
[Example("part \"Violin\"\n| C5w | D5w | E5w | F5w | G5w | F5w | E5w | D5w", 0, "a bow is its own mark")]
public sealed class Unmarked : IStudyRule
{
    private const int LeastMeasures = 8;

    /// <inheritdoc/>
    public string Name => "unmarked";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Sustain: Instruments.Sustain.Breath, Family: not Instruments.Family.Voice })
            yield break;
        var inSlur = part
            .Slurs.SelectMany(s => Enumerable.Range(s.From.MeasureIndex, s.To.MeasureIndex - s.From.MeasureIndex + 1))
            .ToHashSet();
        var marked = part.Notes.Where(n => ArticulationMarks.Of(n).Length > 0).Select(n => n.MeasureIndex).ToHashSet();
        var plain = context.MelodyOf(part).Struck.Where(n => !inSlur.Contains(n.MeasureIndex) && !marked.Contains(n.MeasureIndex));
        foreach (var s in Stretches.Of(plain).Where(s => s[^1].MeasureIndex - s[0].MeasureIndex + 1 >= LeastMeasures))
            yield return new Finding(
                Name,
                [part.Id],
                s[0].MeasureIndex,
                s[^1].MeasureIndex,
                [],
                Severity.Note,
                "No slurs, no marks",
                context.InstrumentOf(part)?.Sustain == Instruments.Sustain.Breath
                        ? "Nothing is printed on these notes: lightly tongued, full length."
                        : "Nothing is printed on these notes: separate, full length."
            );
    }
}
