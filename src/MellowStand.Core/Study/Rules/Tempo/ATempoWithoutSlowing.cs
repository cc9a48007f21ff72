using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>An <c>a tempo</c> with nothing before it that left the tempo.</summary>
/// <remarks>Slow down in the measure before, or the return has nothing to come back to. A fermata counts as leaving the
/// tempo. Common practice, no published source.</remarks>
[Example("| C4 D4 E4 F4 | \"a tempo\" G4 F4 E4 D4", 1)]
[Example("| C4 D4 E4 F4 | \"rit.\" G4 F4 E4 D4 | \"a tempo\" C4w", 0)]
[Example("| \"poco accel.\" C4 D4 E4 F4 | \"a tempo\" C4w", 0)]
[Example("| C4 D4 E4 F4(f) | \"a tempo\" C4w", 0, "a fermata leaves the tempo too")]
[Example("| \"rit.\" C4w | \"a tempo\" C4w | C4w | \"a tempo\" C4w", 1, "the second has nothing before it")]
[Example("| C4w | D4w", 0)]
public sealed class ATempoWithoutSlowing : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "a-tempo-without-slowing";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Tempo;

    /// <inheritdoc/>
    public Reach Reach => Reach.Score;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var signs = context.Tempo.Signs;
        for (var i = 0; i < signs.Count; i++)
        {
            if (signs[i].Kind != TempoKind.Return)
                continue;
            var left =
                signs
                    .Take(i)
                    .Reverse()
                    .TakeWhile(s => s.Kind != TempoKind.Return)
                    .Any(s => s.Kind is TempoKind.Slowing or TempoKind.Quickening or TempoKind.Changed)
                || ChangedTempo(signs, i)
                || FermataBefore(context, signs[i]);
            if (left)
                continue;
            var before = Math.Max(0, signs[i].Measure - 1);
            yield return new Finding(
                Name,
                [part.Id],
                signs[i].Measure,
                signs[i].Measure,
                FirstNoteFrom(part, signs[i]),
                Severity.Warn,
                $"“{signs[i].Text}” with no slowing before it",
                $"Nothing slows before measure {context.Label(signs[i].Measure)}: hold back in measure {context.Label(before)}, "
                    + $"so that there is a tempo to return to."
            );
        }
    }

    private static IReadOnlyList<string> FirstNoteFrom(Part part, TempoSign sign) =>
        part.FirstSoundingFrom(sign.Onset) is { } note && note.MeasureIndex == sign.Measure ? [note.Id] : [];

    // "Tempo I" after another tempo is a change of its own.
    private static bool ChangedTempo(IReadOnlyList<TempoSign> signs, int i) =>
        signs.Take(i).Count(s => s.Kind == TempoKind.Fixed) > 1
        && signs.Take(i).Last().Kind == TempoKind.Fixed
        && !signs[i].Text.Contains("a tempo", StringComparison.OrdinalIgnoreCase);

    private static bool FermataBefore(StudyContext context, TempoSign sign) =>
        context.FermataIn(Math.Max(0, sign.Measure - 1), sign.Measure, sign.Onset);
}
