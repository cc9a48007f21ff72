using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Reading;

/// <summary>The unit that a measure is counted in.</summary>
/// <param name="Quarters">Its length in quarters.</param>
/// <param name="IsOfThree">True where it is a dotted value that falls into threes.</param>
public sealed record CountedUnit(Fraction Quarters, bool IsOfThree)
{
    private const double SlowQuarter = 66;
    private const double SlowDotted = 40;
    private const double ShareOfShort = 0.08;

    private static readonly Fraction Short = new(1, 6);

    /// <summary>The unit of a stretch in one meter and tempo: the printed one where the meter can be counted in it; else the beat of the
    /// meter.</summary>
    /// <remarks>6/8 goes in dotted quarters unless it is slow or full of short notes. Common practice, no published source; the bounds are
    /// ours.</remarks>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="measure">A measure of the stretch from 0.</param>
    public static CountedUnit Of(StudyContext context, Part part, int measure)
    {
        var meter = context.Score.Measures[measure].Meter;
        if (meter.IsSenza || meter.Groups.Count != 1)
            return new CountedUnit(meter.BeatUnit, false);
        var unit = meter.Groups[0].Unit;
        var threes = meter.BeatUnit != unit;
        var printed = context.Tempo.MarkAt(measure)?.Unit;
        if (printed == unit || printed == unit / 2 || (threes && printed == unit * 3))
            return new CountedUnit(printed.Value, threes && printed == unit * 3);
        return threes && GoesInThrees(context, part, measure, unit) ? new CountedUnit(unit * 3, true) : new CountedUnit(unit, false);
    }

    /// <summary>True for slow music full of short notes: whoever learns it counts the half of its beat at first.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    public static bool IsHalvedAtFirst(StudyContext context, Part part, int from, int to)
    {
        var meter = context.Score.Measures[from].Meter;
        if (meter.IsSenza || meter.Groups.Count != 1 || meter.BeatUnit != meter.Groups[0].Unit || meter.BeatUnit < 1)
            return false;
        var struck = Struck(context, part, from, to);
        return context.Tempo.IsKnownAt(from)
            && context.Tempo.QuarterBpmAt(from) <= SlowQuarter
            && struck.Count(n => n.Duration > Fraction.Zero && n.Duration <= Short) >= Math.Max(1, ShareOfShort * struck.Count);
    }

    // Compound meter that is slow, or in which most notes are shorter than its lower number, is felt in that number.
    private static bool GoesInThrees(StudyContext context, Part part, int measure, Fraction unit)
    {
        if (context.Tempo.QuarterBpmAt(measure) / (unit * 3).Value < SlowDotted)
            return false;
        if (context.Tempo.MarkAt(measure) is not null)
            return true;
        var (from, to) = Study.Rules.Stretches.OfMeterAndTempo(context).Last(s => s.From <= measure);
        var struck = Struck(context, part, from, to);
        return struck.Count(n => n.Duration > Fraction.Zero && n.Duration < unit) * 2 <= struck.Count;
    }

    private static List<Note> Struck(StudyContext context, Part part, int from, int to) =>
        [.. Enumerable.Range(from, to - from + 1).SelectMany(m => context.MelodyOf(part).ByMeasure[m])];
}
