using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A loud or a soft level that must hold for a long time.</summary>
/// <remarks>Eight measures or more of forte or louder with nothing printed in between: no dip; or of piano or softer: the line is shaped
/// inside it. Common practice, no published source.</remarks>
[Example("| !f C5w | C5w | C5w | C5w | C5w | C5w | C5w | C5w", 1)]
[Example("| !p C5w | C5w | C5w | C5w | C5w | C5w | C5w | C5w", 1, "piano is held as well")]
[Example("| !f C5w | C5w | C5w | !mp C5w | C5w | C5w | C5w | C5w", 0)]
public sealed class SustainedLevel : IStudyRule
{
    private const int LeastMeasures = 8;
    private const int Loud = 6;
    private const int Soft = 3;

    /// <inheritdoc/>
    public string Name => "sustained-level";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        for (var i = 0; i < line.Levels.Count; i++)
        {
            var level = line.Levels[i];
            if (level.Level is < Loud and > Soft)
                continue;
            var end = i + 1 < line.Levels.Count ? line.Levels[i + 1].Measure : context.Score.Measures.Count;
            if (line.Swells.FirstOrDefault(s => s.From > level.Onset && s.FromMeasure < end) is { } swell)
                end = swell.FromMeasure;
            var last = Enumerable
                .Range(level.Measure, Math.Max(0, end - level.Measure))
                .LastOrDefault(m => context.MelodyOf(part).ByMeasure[m].Any(), -1);
            if (last - level.Measure + 1 < LeastMeasures)
                continue;
            yield return new Finding(
                Name,
                [part.Id],
                level.Measure,
                last,
                [],
                Severity.Note,
                $"{level.Sign} from {context.Label(level.Measure)} to {context.Label(last)}",
                $"Stay {level.Sign} all the way to measure {context.Label(last)}: "
                    + (level.Level >= Loud ? "no dip." : "shape the line inside it, never out of it.")
            );
        }
    }
}
