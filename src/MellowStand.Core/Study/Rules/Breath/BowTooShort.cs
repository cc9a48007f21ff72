using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A slur or a held note that is longer than one bow.</summary>
/// <remarks>Seconds of a bow by level: <see cref="BowLength"/>. The change goes after the note nearest to the middle of a slur; under a
/// single note the stand partners change apart. Common practice, no published source.</remarks>
[Example("part \"Violin\"\ntempo:q=60 | !mf C5q[ D5 E5 F5 | G5w]", 1, "eight seconds for five")]
[Example("part \"Violin\"\ntempo:q=60 | !pp C5q[ D5 E5 F5 | G5w]", 0, "softly the bow lasts")]
[Example("part \"Violin\"\ntempo:q=60 | !ff C5w", 1, "one loud note of four seconds")]
[Example("part \"Violin\"\ntempo:q=60 | !mf C5q[ D5 E5 F5] | G5w", 0, "two bows")]
[Example("part \"Violin\"\ntempo:q=120 | !mf C5q[ D5 E5 F5 | G5w]", 0)]
[Example("part \"Flute\"\ntempo:q=60 | !mf C5q[ D5 E5 F5 | G5w]", 0, "breath, not bow")]
public sealed class BowTooShort : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "bow-length";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Breath;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Sustain: Sustain.Bow })
            yield break;
        foreach (var stroke in Strokes(part, context.MelodyOf(part)))
        {
            var (first, last) = (stroke[0], stroke[^1]);
            var seconds = context.Seconds(first.MeasureIndex, last.Onset + last.SoundingDuration - first.Onset);
            var level = context.LevelsOf(part).At(first.Onset)?.Level ?? DynamicLevels.Default;
            var bow = BowLength.Seconds(context.House, level);
            if (seconds <= bow)
                continue;
            yield return Finding.At(
                Name,
                part,
                stroke,
                context.AtTempo(first.MeasureIndex, Severity.Warn),
                $"One bow for {seconds:0.#} seconds",
                $"At {DynamicLevels.SignOf(level)} a whole bow lasts about {bow:0.#} seconds. "
                    + Cure(context, stroke)
                    + context.IfTempo(first.MeasureIndex)
            );
        }
    }

    private static string Cure(StudyContext context, List<Note> stroke)
    {
        if (stroke.Count == 1)
            return "Stand partners change apart from each other, so that nobody hears it.";
        var middle = (stroke[0].Onset + stroke[^1].Onset + stroke[^1].SoundingDuration) / 2;
        var before = stroke.SkipLast(1).MinBy(n => Math.Abs((n.Onset + n.SoundingDuration - middle).Value))!;
        return $"Change after {before.Top!.Value.Name} on beat {context.Beat(before)} of measure "
            + $"{context.Label(before.MeasureIndex)}, or save the bow from the first note on.";
    }

    private static IEnumerable<List<Note>> Strokes(Part part, Melody melody)
    {
        var next = 0;
        foreach (var slur in part.Slurs.OrderBy(s => s.From.Onset))
        {
            for (; next < melody.Notes.Count && melody.Notes[next].Onset < slur.From.Onset; next++)
                yield return [melody.Notes[next]];
            var stroke = new List<Note>();
            for (; next < melody.Notes.Count && melody.Notes[next].Onset <= slur.To.Onset; next++)
                stroke.Add(melody.Notes[next]);
            if (stroke.Count > 0)
                yield return stroke;
        }

        for (; next < melody.Notes.Count; next++)
            yield return [melody.Notes[next]];
    }
}
