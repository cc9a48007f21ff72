using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A soft entry on a high note.</summary>
/// <remarks>The scary ones: lift the note before it in the mind, breathe early. After a rest of more than a beat, piano or softer, within a
/// fourth of the top of the comfortable range or above it; what is plucked speaks at once. Common practice, no published source.</remarks>
[Example("part \"Flute\"\n| !p C5w | rw | A6w", 1)]
[Example("part \"Flute\"\n| !f C5w | rw | A6w", 0)]
[Example("part \"Flute\"\n| !p C5w | rw | C5w", 0)]
[Example("part \"Flute\"\n| !p F6q G6q A6h", 1, "at the very start")]
public sealed class SoftHighEntry : IStudyRule
{
    private const int Softest = 3;
    private const int NearTop = 5;

    /// <inheritdoc/>
    public string Name => "soft-high-entry";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Dynamics;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Family: not (Instruments.Family.Percussion or Instruments.Family.Keyboard) } instrument)
            yield break;
        var line = context.LevelsOf(part);
        var plucked = Plucking.Of(part);
        foreach (var note in Entries.Of(context, part).Where(n => !plucked(n.Onset)))
        {
            if (
                note.Top!.Value.Midi < instrument.High.Midi - NearTop
                || line.At(note.Onset) is not { } level
                || level.Level > Softest
            )
                continue;
            yield return Finding.At(
                Name,
                part,
                [note],
                Severity.Warn,
                $"Soft high entry on {note.Top}",
                $"{note.Top} enters {level.Sign} after a rest: hear it first, "
                    + (
                        instrument.Sustain == Instruments.Sustain.Bow
                            ? "have the finger down early, and come in with a moving bow."
                            : "breathe early, and come in with a moving breath."
                    )
            );
        }
    }
}
