using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A run by half steps.</summary>
/// <remarks>Five notes or more, so that the hand can trust it. Common practice, no published source.</remarks>
[Example("| C4s C#4s D4s D#4s E4q F4q G4q", 1)]
[Example("| C4s C#4s D4s D#4s F4q F4q G4q", 0, "four notes are no run")]
[Example("| C5s B4s Bb4s A4s Ab4s G4e. G4h", 1)]
public sealed class ChromaticRun : IStudyRule
{
    internal const int LeastNotes = 5;

    /// <inheritdoc/>
    public string Name => "chromatic-run";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        from phrase in context.MelodyOf(part).Phrases()
        from run in Runs.Of(phrase, (semitones, _) => Math.Abs(semitones) == 1)
        where run.Count >= LeastNotes
        select Finding.At(
            Name,
            part,
            [.. run],
            Severity.Note,
            $"Chromatic, {run[0].Top!.Value.Name} to {run[^1].Top!.Value.Name}",
            $"Every half step {(Runs.Semitones(run[0], run[1]) > 0 ? "up" : "down")} from {run[0].Top} to {run[^1].Top}, "
                + $"{run.Count} notes, none skipped."
        );
}
