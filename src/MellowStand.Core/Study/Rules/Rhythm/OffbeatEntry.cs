using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>An entry off the beat after a long rest.</summary>
/// <remarks>After two measures of rest or more. Common practice, no published source.</remarks>
[Example("| C5w | rw | rw | re C5e D5q E5h", 1)]
[Example("| C5w | rw | rw | C5q C5q D5q E5q", 0, "on the beat")]
public sealed class OffbeatEntry : IStudyRule
{
    private const int LeastMeasures = 2;

    /// <inheritdoc/>
    public string Name => "offbeat-entry";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Struck;
        for (var i = 1; i < notes.Count; i++)
        {
            var meter = context.Score.Measures[notes[i].MeasureIndex].Meter;
            var rest = notes[i].Onset - (notes[i - 1].Onset + notes[i - 1].SoundingDuration);
            if (meter.IsSenza || rest < meter.Length * LeastMeasures || context.IsOnBeat(notes[i]))
                continue;
            yield return Finding.At(
                Name,
                part,
                [notes[i]],
                Severity.Warn,
                $"Entry off the beat, at {context.Beat(notes[i])}",
                $"After the rest the first note stands at beat {context.Beat(notes[i])}, not on a beat: "
                    + $"{(context.InstrumentOf(part)?.Sustain == Instruments.Sustain.Breath ? "breathe on" : "feel")} the beat before it."
            );
        }
    }
}
