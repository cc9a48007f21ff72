using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A soft entry on a low note of an instrument whose low notes hardly speak softly.</summary>
/// <remarks>Double reeds and saxophones: after a rest of more than a beat, piano or softer, within a third of their lowest note. Common
/// practice, no published source.</remarks>
[Example("part \"Oboe\"\n| !mf C5w | rw | !pp C4w", 1)]
[Example("part \"Oboe\"\n| !mf C5w | rw | !f C4w", 0)]
[Example("part \"Oboe\"\n| !mf C5w | rw | !pp G4w", 0)]
[Example("part \"Clarinet\"\n| !mf C5w | rw | !pp E3w", 0, "a clarinet is at its easiest down there")]
public sealed class SoftLowEntry : IStudyRule
{
    private const int Softest = 3;
    private const int NearBottom = 4;

    /// <inheritdoc/>
    public string Name => "soft-low-entry";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { } instrument || !(instrument.IsDoubleReed || instrument.Kin == Kin.Saxophone))
            yield break;
        var line = context.LevelsOf(part);
        foreach (var note in Entries.Of(context, part))
            if (note.Top!.Value.Midi <= instrument.Low.Midi + NearBottom && line.At(note.Onset) is { Level: <= Softest } level)
                yield return Finding.At(
                    Name,
                    part,
                    [note],
                    Severity.Warn,
                    $"Soft low entry on {note.Top}",
                    $"{note.Top} is a low note that hardly speaks at {level.Sign}: begin it with warm air and a loose jaw, and no softer "
                        + "than it will sound every time."
                );
    }
}
