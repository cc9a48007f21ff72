using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The piece begins with a pickup: its count-off, and the last measure that completes it.</summary>
/// <remarks>A one-beat pickup in 4/4 leaves three beats in the last measure and a count-off of three beats. Common
/// practice, no published source.</remarks>
public sealed class Pickup : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "pickup";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
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
