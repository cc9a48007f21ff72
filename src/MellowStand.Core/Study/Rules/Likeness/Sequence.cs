using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A figure that climbs or falls measure by measure.</summary>
/// <remarks>Three measures or more with the same rhythm and the same letters apart, each moved by the same number of letters. Common
/// practice, no published source.</remarks>
[Example("| C5e D5e E5e C5e C5h | D5e E5e F5e D5e D5h | E5e F5e G5e E5e E5h | C5w", 1)]
[Example("| C5e D5e E5e C5e C5h | D5e E5e F5e D5e D5h | G5e F5e E5e D5e C5h", 0)]
public sealed class Sequence : IStudyRule
{
    private const int LeastMeasures = 3;
    private const int LeastNotes = 3;

    /// <inheritdoc/>
    public string Name => "sequence";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var shapes = part.Measures.Select(Shape).ToList();
        for (var m = 0; m < shapes.Count;)
        {
            var last = m;
            int? step = null;
            while (
                last + 1 < shapes.Count
                && shapes[m] is { } here
                && shapes[last + 1] is { } next
                && next.Letters == here.Letters
                && Moves(next.Base - shapes[last]!.Value.Base, ref step)
            )
                last++;
            if (last - m + 1 >= LeastMeasures)
            {
                yield return new Finding(
                    Name,
                    [part.Id],
                    m,
                    last,
                    [],
                    Severity.Note,
                    $"Sequence {(step > 0 ? "up" : "down")}, {context.Measures(m, last)}",
                    $"The figure of measure {context.Label(m)} comes {last - m + 1} times, each time "
                        + $"{Intervals.Letters(Math.Abs(step!.Value))} {(step > 0 ? "higher" : "lower")}."
                );
            }

            m = Math.Max(last, m + 1);
        }
    }

    private static (string Letters, int Base)? Shape(PartMeasure measure)
    {
        var notes = measure.Notes.Where(n => n.Top is not null && !n.IsGrace && !n.IsCue).ToList();
        if (notes.Count < LeastNotes)
            return null;
        var start = notes[0].Top!.Value.Diatonic;
        return (string.Join(' ', notes.Select(n => $"{n.Offset}:{n.Duration}:{n.Top!.Value.Diatonic - start}")), start);
    }

    private static bool Moves(int by, ref int? step)
    {
        step ??= by;
        return by != 0 && by == step;
    }
}
