using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Words of tempo and character with a plain meaning, and the number.</summary>
/// <remarks>Meanings and ranges: <see cref="TempoWords"/>.</remarks>
[Example("\"Andante cantabile\" | C5w", 1)]
[Example("\"Tempo di Minuetto\" meter:3/4 | C5h.", 1, "a dance is a tempo")]
[Example("| C5w", 0)]
public sealed class TempoAndCharacter : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "tempo-words";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Frame;

    /// <inheritdoc/>
    public Reach Reach => Reach.Score;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        // Words for everybody stand in the top part only; words of one part stand in that part.
        foreach (
            var d in context
                .Score.Parts.SelectMany(p =>
                    p.Directions.Where(x => x.Kind == DirectionKind.Words && (p == part || TempoWords.TempoIn(x.Text) is not null))
                )
                .DistinctBy(d => (d.Onset, d.Text))
        )
        {
            var words = TempoWords.In(d.Text).Take(3).ToList();
            if (words.Count == 0)
                continue;
            // The printed number beats the usual range of the word.
            var range =
                words.FirstOrDefault(w => w.Low is not null) is { } w1 && !HasNumber(context, d)
                    ? $" Usual range: {w1.Low} to {w1.High}."
                    : "";
            yield return new Finding(
                Name,
                [part.Id],
                d.MeasureIndex,
                d.MeasureIndex,
                [],
                words.Exists(w => w.Kind is null || w.IsDance) ? Severity.Tell : Severity.Note,
                $"“{d.Text}”",
                $"{words[0].Language}: {string.Join("; ", words.Select(w => w.Meaning))}.{range}"
            );
        }

        foreach (var s in context.Tempo.Signs.Where(s => s.Metronome?.UpperBpm is not null))
            yield return new Finding(
                Name,
                [part.Id],
                s.Measure,
                s.Measure,
                [],
                Severity.Note,
                $"Tempo range {s.Metronome!.Bpm:0.#}–{s.Metronome.UpperBpm:0.#}",
                "Choose inside the printed range: as fast as clean, and even."
            );
    }

    private static bool HasNumber(StudyContext context, Direction word) =>
        context.Tempo.Signs.Any(s =>
            s.Metronome is not null && s.Measure == word.MeasureIndex && Math.Abs((s.Onset - word.Onset).Value) <= 1
        );
}
