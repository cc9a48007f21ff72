using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A run along a major or minor scale.</summary>
/// <remarks>Six notes or more in neighbouring letters, all of one scale; the printed key is preferred, then the one that begins on the
/// run's lower end. Scales agree with tests/reference/facts/scales.json (music21 10.5.1).</remarks>
[Example("key:G | G4e A4e B4e C5e D5e E5e F#5e G5e", 1)]
[Example("key:C | C4e D4e E4e F4e G4e E4e C4q", 0, "five notes are no scale")]
[Example("key:C | A4e B4e C5e D5e E5e F5e G#5e A5e", 1, "harmonic minor, with its wide step")]
public sealed class ScaleRun : IStudyRule
{
    private const int LeastNotes = 6;

    /// <inheritdoc/>
    public string Name => "scale";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var phrase in context.MelodyOf(part).Phrases())
        {
            foreach (var run in Runs.Of(phrase, (semitones, letters) => Math.Abs(letters) == 1 && Math.Abs(semitones) is 1 or 2 or 3))
            {
                if (run.Count < LeastNotes || Scales.Fitting(run, part.Measures[run[0].MeasureIndex].Key) is not { } scale)
                    continue;
                yield return Finding.At(
                    Name,
                    part,
                    [.. run],
                    Severity.Note,
                    $"{scale.Name} scale",
                    $"{run.Count} notes {(Runs.Semitones(run[0], run[1]) > 0 ? "up" : "down")} the scale of {scale.Name}, "
                        + $"{run[0].Top} to {run[^1].Top}."
                );
            }
        }
    }
}
