using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A phrase longer than a breath that has places to breathe: which ones serve.</summary>
/// <remarks>The joints that part the music most, evenly: <see cref="BreathPlan"/>. For double reeds each place is one to breathe out too.
/// Common practice, no published source.</remarks>
[Example("part \"Flute\"\ntempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q] | C5q[ D5q E5q F5q | G5q F5q E5q D5q]", 1)]
[Example("part \"Flute\"\ntempo:q=120 | C5q D5q E5h | rw", 0, "it fits one breath")]
public sealed class BreathPlace : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "breath-place";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Breath;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.BreathMark;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Sustain: Instruments.Sustain.Breath } instrument)
            yield break;
        var allowance = Breath.Seconds(context);
        foreach (var phrase in BreathPhrase.Of(context.MelodyOf(part)))
        {
            var (first, last) = (phrase.Notes[0], phrase.Notes[^1]);
            var quarter = context.Seconds(first.MeasureIndex, 1);
            var joints = BreathPlan.Choose(
                phrase.Places(context.JointsOf(part)),
                first.Onset,
                last.Onset + last.SoundingDuration,
                quarter,
                allowance
            );
            var chosen = joints.Select(j => j.Before).ToList();
            if (chosen.Count == 0)
                continue;
            var out2 = instrument?.IsDoubleReed == true ? " Breathe out first: old air is spent, not lacking." : "";
            var places = string.Join(
                ", ",
                chosen.Select(n => $"{n.Top!.Value.Name} ({context.Label(n.MeasureIndex)}, beat {context.Beat(n)})")
            );
            yield return Finding.At(
                Name,
                part,
                chosen,
                Severity.Tell,
                $"Breathe after {chosen[0].Top!.Value.Name}, measure {context.Label(chosen[0].MeasureIndex)}",
                $"The phrase is {context.Seconds(phrase.Notes[0].MeasureIndex, phrase.Quarters):0} seconds long. "
                    + $"Breathe after {places}.{out2}{context.IfTempo(phrase.Notes[0].MeasureIndex)}"
            ) with
            {
                Brief = places,
            };
        }
    }
}
