using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A part that is alone: nobody else plays, or it is marked solo.</summary>
/// <remarks>Read from the score: a measure or more in which every other part rests. A solo piano is fuller than an accompanying piano. It
/// swells into the others where the print does not say otherwise. Common practice, no published source.</remarks>
[Example("part \"Flute\"\n| C5w | D5w | E5w\npart \"Oboe\"\n| C5w | rw | E5w", 1)]
[Example("part \"Flute\"\n| C5w | D5w\npart \"Oboe\"\n| C5w | B4w", 0)]
[Example("| \"Solo\" !p C5w | D5w", 1, "an excerpt that says so")]
[Example("| C5w | \"soli\" D5w", 1)]
[Example("| C5w | D5w", 0, "one part alone is no solo")]
public sealed class Solo : IStudyRule
{
    // Pianissimo: what is printed so soft does not swell.
    private const int Softest = 2;

    private static readonly Dictionary<string, (string Title, string Why)> Marked = new()
    {
        ["solo"] = ("Solo", "Marked solo: a solo piano is fuller than an accompanying piano."),
        ["soli"] = ("Soli", "Marked soli: these parts carry the music together, fuller than the printed dynamic, until tutti."),
        ["soli a 2"] = ("Soli", "Marked soli: both players carry the music together, fuller than the printed dynamic, until tutti."),
    };

    /// <inheritdoc/>
    public string Name => "solo";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Sharing;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var alone in context.Score.Parts.Count < 2 ? [] : Alone(context, part))
            yield return alone;
        foreach (var d in part.Directions.Where(d => d.Kind == DirectionKind.Words))
            if (Marked.TryGetValue(d.Text.Trim().TrimEnd('.').ToLowerInvariant(), out var marked))
                yield return new Finding(
                    Name,
                    [part.Id],
                    d.MeasureIndex,
                    d.MeasureIndex,
                    part.FirstSoundingFrom(d.Onset) is { } n ? [n.Id] : [],
                    Severity.Tell,
                    marked.Title,
                    marked.Why
                );
    }

    // A swell leads into the others only where the print does not say otherwise.
    private static string Join(StudyContext context, Part part, int measure)
    {
        if (measure >= part.Measures.Count || context.MelodyOf(part).ByMeasure[measure].FirstOrDefault() is not { } first)
            return "";
        var line = context.LevelsOf(part);
        var start = context.Score.Measures[measure].Start;
        var (before, now) = (line.At(start - new Fraction(1, 64)), line.At(first.Onset));
        if (now is not null && now.Level < (before?.Level ?? now.Level))
            return $", and come down to {now.Sign} where the others join";
        var fades = line.Swells.Any(s => !s.Grows && s.From < start && s.To > start - 1);
        return fades || now is { Level: <= Softest } ? "" : ", and swell into the join";
    }

    private IEnumerable<Finding> Alone(StudyContext context, Part part)
    {
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
                $"Nobody else plays: be fuller than the printed dynamic{Join(context, part, m)}."
            );
            from = -1;
        }
    }
}
