using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Long notes of a singing part that live by vibrato, on instruments that have one.</summary>
/// <remarks>Notes of two and a half seconds or more, three at least; never on clarinets and horns as a rule. Winds make it with the air,
/// not with the throat. Common practice, no published source; the seconds are ours.</remarks>
[Example("part \"Flute\"\ntempo:q=60 | C5w | D5w | E5w | C5w", 1)]
[Example("part \"Violin\"\ntempo:q=60 | C5w | D5w | E5w | C5w", 1)]
[Example("part \"Flute\"\ntempo:q=120 | C5h D5h | E5h C5h | D5h E5h | C5w", 0, "they are not long")]
[Example("part \"Clarinet\"\ntempo:q=60 | C5w | D5w | E5w | C5w", 0, "a clarinet plays straight")]
public sealed class Vibrato : IStudyRule
{
    private const double Seconds = 2.5;
    private const int Fewest = 3;

    /// <inheritdoc/>
    public string Name => "vibrato";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Breath;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Sustain: not Sustain.Stroke, HasVibrato: true } instrument)
            yield break;
        var plucked = Plucking.Of(part);
        var held = context
            .MelodyOf(part)
            .Notes.Where(n => context.Seconds(n.MeasureIndex, n.SoundingDuration) >= Seconds && !plucked(n.Onset))
            .ToList();
        if (held.Count < Fewest || !context.Tempo.IsKnownAt(held[0].MeasureIndex))
            yield break;
        yield return Finding.At(
            Name,
            part,
            held,
            Severity.Note,
            $"{held.Count} long notes for vibrato",
            instrument.Sustain == Sustain.Bow
                ? "Slow and even, from the arm or the wrist with a loose hand, and the note is straight before it begins."
                : "With the air, never by squeezing the throat: straight first, then slow and even; where the throat is tight, without."
        );
    }
}
