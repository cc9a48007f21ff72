using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The piece, or a section after a repeat, a double bar or a fermata, begins with a pickup: its count-off, and the measure that
/// completes it.</summary>
/// <remarks>A one-beat pickup in 4/4 leaves three beats in the last measure and a count-off of three beats. Common
/// practice, no published source.</remarks>
[Example("meter:4/4 | C5w | C5w", 0)]
[Example("meter:6/8 pickup | G4e | C5q. C5q. | C5q. C5q", 1)]
[Example("meter:3/4 pickup | G4e A4e | C5h. | C5h", 1)]
public sealed class Pickup : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "pickup";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var finding in AtStart(context, part))
            yield return finding;
        var measures = context.Score.Measures;
        for (var m = 1; m + 1 < measures.Count; m++)
        {
            var (before, pickup) = (measures[m - 1], measures[m]);
            if (pickup.Meter.IsSenza || !IsRestOf(before, pickup) || (m == 1 && before.IsPickup))
                continue;
            var unit = pickup.Meter.BeatUnit;
            yield return new Finding(
                Name,
                [part.Id],
                m,
                m,
                [],
                Severity.Note,
                $"Pickup of {Beats(pickup.Length, unit)} into measure {context.Label(m + 1)}",
                $"Measure {context.Label(m - 1)} has {Beats(before.Length, unit)} and this one the rest of it: the section that begins in "
                    + $"measure {context.Label(m + 1)} is practiced and counted off with its pickup."
            );
        }
    }

    // Two short measures that fill one: the second leads into what follows.
    private static bool IsRestOf(MeasureFrame before, MeasureFrame pickup) =>
        before.Meter.Equals(pickup.Meter)
        && before.Length < before.Meter.Length
        && pickup.Length < pickup.Meter.Length
        && pickup.Length > Fraction.Zero
        && before.Length + pickup.Length == pickup.Meter.Length;

    private IEnumerable<Finding> AtStart(StudyContext context, Part part)
    {
        var first = context.Score.Measures[0];
        if (!first.IsPickup || first.Meter.IsSenza)
            yield break;
        var missing = first.Meter.Length - first.Length;
        var unit = first.Meter.BeatUnit;
        var last = context.Score.Measures[^1];
        var ending =
            last.Length == last.Meter.Length - first.Length && last.Index > 0
                ? $" The last measure has {Beats(last.Length, unit)}, which completes it."
                : "";
        var plays = part.Measures[0].Notes.Any(n => n.Sounds);
        yield return new Finding(
            Name,
            [part.Id],
            0,
            0,
            [],
            Severity.Note,
            $"Pickup of {Beats(first.Length, unit)}",
            $"Count off {Beats(missing, unit)}, then {(plays ? "play" : "wait for")} the pickup; measure "
                + $"{context.Label(Math.Min(1, last.Index))} begins on the next downbeat.{ending}"
        );
    }

    private static string Beats(Fraction length, Fraction unit)
    {
        var beats = length / unit;
        if (beats == 1)
            return "one beat";
        return beats.Denominator == 1 ? $"{beats} beats" : $"{Lengths.Mixed(beats)} beats";
    }
}
