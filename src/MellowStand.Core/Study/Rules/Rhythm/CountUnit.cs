using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>The unit to count is not the meter's lower number.</summary>
/// <remarks>Slow music with many 32nds or 16th triplets is counted in eighths at first (quarter = 58 is eighth = 116); 6/8, 9/8 and 12/8 in
/// dotted quarters unless they are slow; a quick 3/4 in one. The printed beat unit says it before all else; a word alone says it only
/// together with the note values (<see cref="CountedUnit"/>). Common practice, no published source; the bounds are ours.</remarks>
[Example("tempo:q=58 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", 1, "[check] quarter = 58 is eighth = 116.")]
[Example("tempo:q=58 | C5q D5q E5q F5q", 0, "slow, but no short notes")]
[Example("tempo:q=96 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", 0)]
[Example("meter:6/8 tempo:q.=80 | C5e D5e E5e F5q.", 1)]
[Example("meter:6/8 tempo:e=66 | C5e D5e E5e F5q.", 0, "slow: in six")]
[Example("meter:3/4 tempo:q=184 | C5q D5q E5q", 1)]
[Example("meter:4/4 tempo:q=120 | C5q D5q E5q F5q", 0)]
public sealed class CountUnit : IStudyRule
{
    private const double QuickThree = 168;

    /// <inheritdoc/>
    public string Name => "count-unit";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var (from, to) in Stretches.OfMeterAndTempo(context))
        {
            var meter = context.Score.Measures[from].Meter;
            var isPlayed = Enumerable.Range(from, to - from + 1).Any(m => context.MelodyOf(part).ByMeasure[m].Any());
            // One measure of another meter is no unit to settle in: its change is told.
            var isLone = from == to && context.Score.Measures.Count > 1;
            if (meter.IsSenza || meter.Groups.Count != 1 || !isPlayed || isLone)
                continue;
            if (Told(context, part, from, to, meter) is var (title, why))
                yield return new Finding(Name, [part.Id], from, to, [], Severity.Tell, title, why);
        }
    }

    private static (string Title, string Why)? Told(StudyContext context, Part part, int from, int to, Meter meter)
    {
        var (unit, quarter) = (meter.Groups[0].Unit, context.Tempo.QuarterBpmAt(from));
        var counted = CountedUnit.Of(context, part, from);
        var tempo = $"{Lengths.Value(counted.Quarters)} = {quarter / counted.Quarters.Value:0.#}";
        if (counted.IsOfThree)
            return (
                $"Count in {Lengths.Value(counted.Quarters)}s",
                $"{meter} goes in {meter.Beats.Count}: {tempo} is the beat, not {Lengths.Value(unit)} = {quarter / unit.Value:0.#}."
            );
        if (meter.Groups[0] is { Beats: 3, BeatType: 4 } && quarter >= QuickThree)
            return (
                "Count in one",
                $"Quarter = {quarter:0.#} is too quick to beat: dotted half = {quarter / 3:0.#} is the beat."
            );
        if (counted.Quarters != unit)
            return (
                $"Count in {Lengths.Value(counted.Quarters)}s",
                $"The printed beat is the {Lengths.Value(counted.Quarters)}, not the {Lengths.Value(unit)}: {tempo}."
            );
        if (CountedUnit.IsHalvedAtFirst(context, part, from, to))
            return (
                "Count in eighths",
                $"The music is slow and full of short notes: count eighths at first, quarter = {quarter:0.#} is eighth = {quarter * 2:0.#}."
            );
        return null;
    }
}
