using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A part that is alone: nobody else plays, or it is marked solo.</summary>
/// <remarks>Read from the score: a measure or more in which every other part rests. A solo piano is fuller than an accompanying piano.
/// Common practice, no published source.</remarks>
[Example("part \"Flute\"\n| C5w | D5w | E5w\npart \"Oboe\"\n| C5w | rw | E5w", 1)]
[Example("part \"Flute\"\n| C5w | D5w\npart \"Oboe\"\n| C5w | B4w", 0)]
[Example("| C5w | D5w", 0, "one part alone is no solo")]
public sealed class Solo : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "solo";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Sharing;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.Score.Parts.Count < 2)
            yield break;
        var from = -1;
        for (var m = 0; m <= context.Score.Measures.Count; m++)
        {
            var alone =
                m < context.Score.Measures.Count
                && context.MelodyOf(part).ByMeasure[m].Any()
                && !context.Score.Parts.Any(p => p != part && p.Measures[m].Notes.Any(n => n.Sounds && !n.IsCue));
            if (alone && from < 0)
                from = m;
            if (alone || from < 0)
                continue;
            yield return new Finding(
                Name,
                [part.Id],
                from,
                m - 1,
                [.. context.MelodyOf(part).ByMeasure[from].Take(1).Select(n => n.Id)],
                Severity.Note,
                $"Alone in {context.Measures(from, m - 1)}",
                $"Nobody else plays: be fuller than the printed "
                    + $"dynamic{(m < context.Score.Measures.Count ? ", and swell into the join" : "")}."
            );
            from = -1;
        }

        foreach (var d in part.Directions.Where(d => d.Kind == DirectionKind.Words && IsSolo(d.Text)))
            yield return new Finding(
                Name,
                [part.Id],
                d.MeasureIndex,
                d.MeasureIndex,
                part.FirstSoundingFrom(d.Onset) is { } n ? [n.Id] : [],
                Severity.Note,
                "Solo",
                "Marked solo: a solo piano is fuller than an accompanying piano."
            );
    }

    private static bool IsSolo(string text) => text.Trim().TrimEnd('.').Equals("solo", StringComparison.OrdinalIgnoreCase);
}
