using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>A phrase longer than a breath, with no place to breathe.</summary>
/// <remarks>Places to breathe: printed breath marks, rests, and the joints of the line (<see cref="Joints"/>). The allowance of seconds is
/// a house rule; the window of tempo is told, from where the phrase fits to where its quick notes are still clean. Common practice, no
/// published source.</remarks>
[Example("part \"Flute\"\ntempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q D5q]", 1)]
[Example(
    "part \"Flute\"\ntempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q] | C5q[ D5q E5q F5q | G5q F5q E5q D5q]",
    0,
    "between the slurs"
)]
[Example("part \"Flute\"\ntempo:q=160 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q D5q]", 0, "quick enough")]
[Example(
    "part \"Violin\"\ntempo:q=60 | C5q[ D5q E5q F5q | G5q F5q E5q D5q | C5q D5q E5q F5q | G5q F5q E5q D5q]",
    0,
    "a bow breathes for itself"
)]
public sealed class NoBreath : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "no-breath";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Breath;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Sustain: Sustain.Breath })
            yield break;
        var allowance = Breath.Seconds(context);
        foreach (var phrase in BreathPhrase.Of(context.MelodyOf(part)))
        {
            var first = phrase.Notes[0].MeasureIndex;
            if (context.Seconds(first, phrase.Quarters) <= allowance)
                continue;
            foreach (var (from, to) in phrase.Stretches(context.JointsOf(part)))
            {
                var seconds = context.Seconds(from.MeasureIndex, to.Onset + to.SoundingDuration - from.Onset);
                if (seconds <= allowance)
                    continue;
                var slowest = (to.Onset + to.SoundingDuration - from.Onset).Value * 60 / allowance;
                var unit = ToldUnit.At(context, from.MeasureIndex);
                var quickest = CleanTempo.Of(
                    part,
                    [.. phrase.Notes.Where(n => n.Onset >= from.Onset && n.Onset <= to.Onset)],
                    CleanLimits.Of(context.InstrumentOf(part), context.LevelOf(part).Level)
                );
                var cure = Company.Cure(context, part, from.MeasureIndex, to.MeasureIndex);
                yield return new Finding(
                    Name,
                    [part.Id],
                    from.MeasureIndex,
                    to.MeasureIndex,
                    [from.Id, to.Id],
                    context.AtTempo(first, Severity.Warn),
                    $"No place to breathe for {seconds:0} seconds",
                    $"From beat {context.Beat(from)} of measure {context.Label(from.MeasureIndex)} the line goes on for "
                        + $"{seconds:0.#} seconds; one breath lasts about {allowance:0}. "
                        + $"{Window(unit, slowest, quickest, cure)}{context.IfTempo(first)}"
                );
            }
        }
    }

    private static string Window(ToldUnit unit, double slowest, double quickest, string cure)
    {
        var from = $"It fits from {Lengths.Value(unit.Quarters)} = {Math.Ceiling(unit.In(slowest)):0} on";
        if (slowest > quickest)
            return $"{from}, but its quick notes are clean to about {Math.Floor(unit.In(quickest)):0} only: no tempo serves both. "
                + $"{char.ToUpperInvariant(cure[0])}{cure[1..]}, or decide a breath.";
        return $"{from}{(double.IsFinite(quickest) ? $" and is clean to about {Math.Floor(unit.In(quickest)):0}" : "")}; else {cure}, or "
            + "decide a breath.";
    }
}
