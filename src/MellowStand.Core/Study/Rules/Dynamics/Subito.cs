using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The level jumps by two steps or more with nothing that leads there.</summary>
/// <remarks>A forte, then a piano on the next note. No swell may touch the jump, and no rest of a beat may stand before
/// it. Two steps on the scale pp–p–mp–mf–f–ff are ours; common practice, no published source, for the trap.</remarks>
[Example("| !f C4s D4s E4s F4s !p G4s* A4s B4s C5s C5h", 1)]
[Example("| !f C4q D4q !> E4q D4q | !/ !p C4w", 0, "a diminuendo leads there")]
[Example("| !f C4w | rw | !p C4w", 0, "a rest stands between")]
[Example("| !mf C4w | !f C4w", 0, "one step is no jump")]
[Example("| !p C4h !< D4h | !/ !p E4w", 0)]
[Example("| !p C4h !< D4h | !/ !ff E4w", 0, "grows into it")]
public sealed class Subito : IStudyRule
{
    private const int LeastSteps = 2;

    /// <inheritdoc/>
    public string Name => "subito";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public int Rank => 8;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var line = context.LevelsOf(part);
        for (var i = 1; i < line.Levels.Count; i++)
        {
            var (before, now) = (line.Levels[i - 1], line.Levels[i]);
            var steps = now.Level - before.Level;
            if (Math.Abs(steps) < LeastSteps || now.Onset == before.Onset)
                continue;
            if (line.Swells.Any(s => s.From < now.Onset && s.To > before.Onset && s.Grows == steps > 0))
                continue;
            if (part.FirstSoundingFrom(now.Onset) is not { } note || !JustBefore.Sounds(context, part, note))
                continue;
            yield return new Finding(
                Name,
                [part.Id],
                now.Measure,
                now.Measure,
                [note.Id],
                Math.Abs(steps) > LeastSteps ? Severity.Warn : Severity.Note,
                $"Sudden {now.Sign} after {before.Sign}",
                $"The dynamic goes from {before.Sign} (measure {context.Label(before.Measure)}) straight to {now.Sign} at beat "
                    + $"{context.Beat(note)}: no swell leads there, so the change is on that very note."
            );
        }
    }
}
