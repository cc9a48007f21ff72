using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A long crescendo or diminuendo: the level to have reached halfway.</summary>
/// <remarks>Without a level on the way there is nowhere left to go. More than two measures, or two slow ones over three steps or more; and
/// the middle of the written scale: common practice, no published source. Where no target is printed, two steps are assumed.</remarks>
[Example("| !p !< C4w | D4w | E4w | !/ !f F4w", 1, "mp at measure 2")]
[Example("tempo:q=120 | !p !< C4w | D4w | !/ !f E4w", 0, "two measures need no halfway level")]
[Example("tempo:q=60 | !f !> C5w | D5w | !/ !pp E5w", 1, "unless they are slow and go far")]
public sealed class HalfwayLevel : IStudyRule
{
    private const int AssumedSteps = 2;
    private const int ManySteps = 3;
    private const double SlowSeconds = 6;

    /// <inheritdoc/>
    public string Name => "halfway-level";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.Level;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        foreach (var swell in line.Swells)
        {
            var length = swell.To - swell.From;
            var start = line.At(swell.From)?.Level ?? DynamicLevels.Default;
            var target = Target(context, line, swell);
            var end = target?.Level ?? Math.Clamp(start + (swell.Grows ? AssumedSteps : -AssumedSteps), 1, 8);
            if (!IsLong(context, swell, Math.Abs(end - start)))
                continue;
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

    private static bool IsLong(StudyContext context, Swell swell, int steps)
    {
        var (length, two) = (swell.To - swell.From, context.Score.Measures[swell.FromMeasure].Meter.Length * 2);
        return length > two || (length == two && steps >= ManySteps && context.Seconds(swell.FromMeasure, length) >= SlowSeconds);
    }

    private static PrintedLevel? Target(StudyContext context, LevelLine line, Swell swell)
    {
        var next = line.From(swell.To);
        return next is not null && next.Onset - swell.To <= context.Score.Measures[swell.ToMeasure].Meter.Length ? next : null;
    }

    private static IReadOnlyList<string> NoteAt(Part part, Fraction onset) => part.FirstSoundingFrom(onset) is { } note ? [note.Id] : [];
}
