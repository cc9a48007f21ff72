using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The unit to count is not the meter's lower number.</summary>
/// <remarks>Slow music with many 32nds or 16th triplets is counted in eighths at first (quarter = 58 is eighth = 116); 6/8, 9/8 and 12/8 in
/// dotted quarters unless they are slow; a quick 3/4 in one. The printed beat unit says it before all else; a word alone says it only
/// together with the note values. Common practice, no published source; the bounds are ours.</remarks>
[Example("tempo:q=58 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", 1, "[check] quarter = 58 is eighth = 116.")]
[Example("tempo:q=58 | C5q D5q E5q F5q", 0, "slow, but no short notes")]
[Example("tempo:q=96 | C5t D5t E5t F5t G5t F5t E5t D5t C5q D5q E5q", 0)]
[Example("meter:6/8 tempo:q.=80 | C5e D5e E5e F5q.", 1)]
[Example("meter:6/8 tempo:e=66 | C5e D5e E5e F5q.", 0, "slow: in six")]
[Example("meter:3/4 tempo:q=184 | C5q D5q E5q", 1)]
[Example("meter:4/4 tempo:q=120 | C5q D5q E5q F5q", 0)]
public sealed class CountUnit : IStudyRule
{
    private const double SlowQuarter = 66;
    private const double SlowDotted = 40;
    private const double QuickThree = 168;
    private const double ShareOfShort = 0.08;

    private static readonly Fraction Short = new(1, 6);

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
            if (meter.IsSenza || meter.Groups.Count != 1)
                continue;
            var quarter = context.Tempo.QuarterBpmAt(from);
            var unit = meter.Groups[0].Unit;
            var struck = Enumerable.Range(from, to - from + 1).SelectMany(m => context.MelodyOf(part).ByMeasure[m]).ToList();
            if (struck.Count == 0)
                continue;
            var printed = context.Tempo.MarkAt(from)?.Unit;
            if (meter.IsCompound || (meter.Groups[0] is { Beats: 3, BeatType: 8 }))
            {
                var dotted = quarter / (unit * 3).Value;
                if (printed == unit * 3 || (printed != unit && dotted >= SlowDotted && !(printed is null && IsFullOfShort(struck, unit))))
                    yield return Make(
                        part,
                        from,
                        to,
                        $"Count in {Lengths.Value(unit * 3)}s",
                        $"{meter} goes in {meter.Beats.Count}: {Lengths.Value(unit * 3)} = {dotted:0.#} is the beat, not "
                            + $"{Lengths.Value(unit)} = {quarter / unit.Value:0.#}."
                    );
            }
            else if (meter.Groups[0] is { Beats: 3, BeatType: 4 } && quarter >= QuickThree)
                yield return Make(
                    part,
                    from,
                    to,
                    "Count in one",
                    $"Quarter = {quarter:0.#} is too quick to beat: dotted half = {quarter / 3:0.#} is the beat."
                );
            else if (printed is { } half && half == unit / 2)
                yield return Make(
                    part,
                    from,
                    to,
                    $"Count in {Lengths.Value(half)}s",
                    $"The printed beat is the {Lengths.Value(half)}, not the {Lengths.Value(unit)}: "
                        + $"{Lengths.Value(half)} = {quarter / half.Value:0.#}."
                );
            else if (
                unit >= 1
                && context.Tempo.IsKnownAt(from)
                && quarter <= SlowQuarter
                && struck.Count(IsShort) >= ShareOfShort * struck.Count
            )
                yield return Make(
                    part,
                    from,
                    to,
                    "Count in eighths",
                    $"The music is slow and full of short notes: count eighths at first, quarter = {quarter:0.#} is eighth = "
                        + $"{quarter * 2:0.#}."
                );
        }
    }

    // Compound meter in which most notes are shorter than its lower number is felt in that number.
    private static bool IsFullOfShort(List<Note> struck, Fraction unit) =>
        struck.Count(n => n.Duration > Fraction.Zero && n.Duration < unit) * 2 > struck.Count;

    private static bool IsShort(Note n) => n.Duration > Fraction.Zero && n.Duration <= Short;

    private Finding Make(Part part, int from, int to, string title, string why) =>
        new(Name, [part.Id], from, to, [], Severity.Note, title, why);
}
