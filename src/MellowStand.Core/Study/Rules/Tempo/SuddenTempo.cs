using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>A new tempo that nothing leads to.</summary>
/// <remarks>It goes wrong at every first run-through. A tempo at least an eighth quicker or slower, with no slowing or quickening in the
/// four measures before it and no equation of values. Common practice, no published source.</remarks>
[Example("tempo:q=66 | C5w | C5w | tempo:q=138 C5w", 1)]
[Example("tempo:q=66 | C5w | \"accel.\" C5w | tempo:q=138 C5w", 0, "it is led to")]
[Example("tempo:q=100 | C5w | C5w | tempo:q=104 C5w", 0, "nearly the same")]
[Example("tempo:q=66 | C5w | C5w", 0)]
public sealed class SuddenTempo : IStudyRule
{
    private const int Prepared = 4;
    private const double Much = 1.125;

    /// <inheritdoc/>
    public string Name => "sudden-tempo";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Tempo;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var signs = context.Tempo.Signs;
        foreach (var sign in signs.Where(s => s is { Kind: TempoKind.Fixed, Equation: null, Measure: > 0 }))
        {
            var (before, now) = (context.Tempo.QuarterBpmAt(sign.Measure - 1), context.Tempo.QuarterBpmAt(sign.Measure));
            if (Math.Max(now / before, before / now) < Much || !context.Tempo.IsKnownAt(sign.Measure - 1) || IsPrepared(signs, sign))
                continue;
            var (from, to) = (ToldUnit.At(context, sign.Measure - 1), ToldUnit.At(context, sign.Measure));
            yield return new Finding(
                Name,
                [part.Id],
                sign.Measure,
                sign.Measure,
                [],
                Severity.Warn,
                $"New tempo at once: {to.Words(now)}",
                $"From {from.Words(before)} the tempo changes to {to.Words(now)} at measure {context.Label(sign.Measure)} and nothing "
                    + $"leads there: hear the {(now > before ? "quicker" : "slower")} beat before you play it."
            );
        }
    }

    private static bool IsPrepared(IReadOnlyList<TempoSign> signs, TempoSign sign) =>
        signs.Any(s =>
            s.Kind is TempoKind.Slowing or TempoKind.Quickening && s.Onset < sign.Onset && sign.Measure - s.Measure <= Prepared
        );
}
