using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A figure of long and short that flips: eighth–quarter, then quarter–eighth.</summary>
/// <remarks>Two neighbouring beats of the same two values in the other order. Common practice, no published source.</remarks>
[Example("meter:6/8 | C5e D5q E5q F5e", 1)]
[Example("meter:6/8 | C5q D5e E5q F5e", 0)]
public sealed class FlippedRhythm : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "flipped-rhythm";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Rhythm;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var notes = context.MelodyOf(part).Struck;
        var flips = new List<Note>();
        for (var i = 0; i + 3 < notes.Count; i++)
        {
            var (a, b, c, d) = (notes[i], notes[i + 1], notes[i + 2], notes[i + 3]);
            if (a.Duration == b.Duration || a.Duration != d.Duration || b.Duration != c.Duration)
                continue;
            if (
                !context.IsOnBeat(a)
                || !context.IsOnBeat(c)
                || b.Onset != a.End
                || c.Onset != b.End
                || d.Onset != c.End
                || context.IsOnBeat(b)
            )
                continue;
            flips.AddRange([a, b, c, d]);
        }

        foreach (var stretch in Stretches.Of(flips))
            yield return Finding.At(
                Name,
                part,
                stretch,
                Severity.Warn,
                "The rhythm flips",
                $"At beat {context.Beat(stretch[2])} of measure {context.Label(stretch[2].MeasureIndex)} the long and the short "
                    + $"note change places."
            );
    }
}
