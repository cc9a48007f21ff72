using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A crescendo or diminuendo of more than two measures: the level to have reached halfway.</summary>
/// <remarks>Without a level on the way there is nowhere left to go. More than two measures, and the middle of the written
/// scale: common practice, no published source. Where no target is printed, two steps are assumed.</remarks>
[Example("| !p !< C4w | D4w | E4w | !/ !f F4w", 1, "mp at measure 2")]
[Example("| !p !< C4w | D4w | !/ !f E4w", 0, "two measures need no halfway level")]
public sealed class HalfwayLevel : IStudyRule
{
    private const int AssumedSteps = 2;

    /// <inheritdoc/>
    public string Name => "halfway-level";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public int Rank => 15;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.Level;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        foreach (var swell in line.Swells)
        {
            var length = swell.To - swell.From;
            if (length <= context.Score.Measures[swell.FromMeasure].Meter.Length * 2)
                continue;
            var start = line.At(swell.From)?.Level ?? DynamicLevels.Default;
            var target = Target(context, line, swell);
            var end = target?.Level ?? Math.Clamp(start + (swell.Grows ? AssumedSteps : -AssumedSteps), 1, 8);
            if (line.Levels.Any(l => l.Onset > swell.From && l.Onset < swell.To) || (end > start) != swell.Grows || end == start)
                continue;
            var half = swell.From + (length / 2);
            var measure = context.Score.Measures.Last(m => m.Start <= half);
            var level = DynamicLevels.SignOf(swell.Grows ? start + ((end - start) / 2) : start - ((start - end) / 2));
            var word = swell.Grows ? "crescendo" : "diminuendo";
            yield return new Finding(
                Name,
                [part.Id],
                swell.FromMeasure,
                swell.ToMeasure,
                NoteAt(part, half),
                // Over one step there is no halfway that a player could hear.
                Math.Abs(end - start) > 1
                    ? Severity.Warn
                    : Severity.Note,
                $"Long {word}: {level} at measure {measure.Label}",
                $"The {word} from measure {context.Label(swell.FromMeasure)} to {context.Label(swell.ToMeasure)} goes from "
                    + $"{DynamicLevels.SignOf(start)} to "
                    + $"{DynamicLevels.SignOf(end)}{(target is null ? " (no target is printed)" : "")}: be no "
                    + $"{(swell.Grows ? "louder" : "softer")} than {level} halfway, at measure {measure.Label}."
            )
            {
                Level = level,
            };
        }
    }

    private static PrintedLevel? Target(StudyContext context, LevelLine line, Swell swell)
    {
        var next = line.From(swell.To);
        return next is not null && next.Onset - swell.To <= context.Score.Measures[swell.ToMeasure].Meter.Length ? next : null;
    }

    private static IReadOnlyList<string> NoteAt(Part part, Fraction onset) => part.FirstSoundingFrom(onset) is { } note ? [note.Id] : [];
}
