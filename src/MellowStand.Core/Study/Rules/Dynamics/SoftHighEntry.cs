using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A soft entry on a high note.</summary>
/// <remarks>The scary ones: lift the note before it in the mind, breathe early. After a rest of a beat or more, piano or softer, within a
/// fourth of the top of the comfortable range or above it. Common practice, no published source.</remarks>
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
    public int Rank => 13;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Family: not (Instruments.Family.Percussion or Instruments.Family.Keyboard) } instrument)
            yield break;
        var line = context.LevelsOf(part);
        var notes = context.MelodyOf(part).Notes;
        for (var i = 0; i < notes.Count; i++)
        {
            var unit = context.Score.Measures[notes[i].MeasureIndex].Meter.BeatUnit;
            if (i > 0 && notes[i].Onset - (notes[i - 1].Onset + notes[i - 1].SoundingDuration) < unit)
                continue;
            if (
                notes[i].Top!.Value.Midi < instrument.High.Midi - NearTop
                || line.At(notes[i].Onset) is not { } level
                || level.Level > Softest
            )
                continue;
            yield return Finding.At(
                Name,
                part,
                [notes[i]],
                Severity.Warn,
                $"Soft high entry on {notes[i].Top}",
                $"{notes[i].Top} enters {level.Sign} after a rest: hear it first, breathe early, and come in with a moving "
                    + $"{(instrument.Sustain == Instruments.Sustain.Bow ? "bow" : "breath")}."
            );
        }
    }
}
