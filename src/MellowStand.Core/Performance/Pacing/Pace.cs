using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>A tempo from a moment on.</summary>
/// <param name="At">Quarters from the start of the first measure of the range; negative in the count-off.</param>
/// <param name="Seconds">Seconds from the first click of the count-off.</param>
/// <param name="QuarterBpm">Quarters per minute.</param>
public sealed record PaceStep(Fraction At, double Seconds, double QuarterBpm);

/// <summary>Which moment of the music sounds at which second.</summary>
/// <remarks>Curves are taken in steps of a sixteenth note, each at the tempo of its middle: a Standard MIDI File can say just that, so that
/// what is heard and what is written out are the same.</remarks>
public sealed class Pace
{
    private static readonly Fraction Grid = new(1, 4);

    private readonly List<PaceStep> _steps = [];

    /// <summary>Lays the tempi of the printed score on the measures as they are played.</summary>
    /// <param name="measures">The measures as played.</param>
    /// <param name="shape">The tempi of the printed score.</param>
    /// <param name="holds">Its fermatas.</param>
    /// <param name="quarterBpm">Quarters per minute asked for at the start of the range; later printed tempi keep their ratio to
    /// it.</param>
    /// <param name="countOff">Quarters counted off before the range.</param>
    public Pace(
        IReadOnlyList<PlayedMeasure> measures,
        IReadOnlyList<TempoStretch> shape,
        IReadOnlyList<Hold> holds,
        double quarterBpm,
        Fraction countOff
    )
    {
        Add(-countOff, quarterBpm);
        if (measures.Count == 0)
            return;
        var scale = quarterBpm / BpmAt(shape, measures[0].Measure.Start);
        foreach (var (measure, start) in measures)
        {
            var inside = shape.Where(s => s.To > measure.Start && s.From < measure.End).ToList();
            var held = holds.Where(h => h.To > measure.Start && h.From < measure.End).ToList();
            var cuts = Cuts(measure, inside, held);
            for (var i = 0; i + 1 < cuts.Count; i++)
            {
                var middle = (cuts[i] + cuts[i + 1]) / 2;
                var times = held.Find(h => h.From <= middle && middle < h.To)?.Times ?? 1;
                Add(start + (cuts[i] - measure.Start), BpmAt(inside, middle) * scale / times);
            }
        }
    }

    /// <summary>The tempi in order, the count-off's first.</summary>
    public IReadOnlyList<PaceStep> Steps => _steps;

    /// <summary>Seconds from the first click of the count-off to a moment.</summary>
    /// <param name="at">Quarters from the start of the first measure of the range.</param>
    public double SecondsAt(Fraction at)
    {
        var step = StepAt(at);
        return step.Seconds + ((at - step.At).Value * 60 / step.QuarterBpm);
    }

    /// <summary>Quarters per minute at a moment.</summary>
    /// <param name="at">Quarters from the start of the first measure of the range.</param>
    public double QuarterBpmAt(Fraction at) => StepAt(at).QuarterBpm;

    private PaceStep StepAt(Fraction at)
    {
        var place = _steps.PlaceFrom(s => s.At, at);
        var isExact = place < _steps.Count && _steps[place].At == at;
        return _steps[isExact ? place : Math.Max(0, place - 1)];
    }

    private void Add(Fraction at, double bpm)
    {
        if (_steps.Count == 0)
            _steps.Add(new PaceStep(at, 0, bpm));
        else if (Math.Abs(_steps[^1].QuarterBpm - bpm) > 1e-9)
            _steps.Add(new PaceStep(at, SecondsAt(at), bpm));
    }

    private static List<Fraction> Cuts(MeasureFrame measure, List<TempoStretch> inside, List<Hold> held)
    {
        var cuts = new SortedSet<Fraction> { measure.Start, measure.End };
        foreach (var stretch in inside)
        {
            cuts.Add(stretch.From);
            if (stretch.Begin != stretch.End)
                for (var at = Fraction.Max(measure.Start, stretch.From); at < stretch.To && at < measure.End; at += Grid)
                    cuts.Add(at);
        }

        foreach (var hold in held)
        {
            cuts.Add(hold.From);
            cuts.Add(hold.To);
        }

        return [.. cuts.Where(c => c >= measure.Start && c <= measure.End)];
    }

    private static double BpmAt(IReadOnlyList<TempoStretch> shape, Fraction moment) =>
        shape.FirstOrDefault(s => s.From <= moment && moment < s.To)?.At(moment) ?? TempoLine.Default;
}
