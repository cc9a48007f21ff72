namespace MellowStand.Core.Notation;

/// <summary>One time that a measure is played.</summary>
/// <param name="Measure">The printed measure.</param>
/// <param name="Start">Quarters from the start of the performance.</param>
public sealed record PlayedMeasure(MeasureFrame Measure, Fraction Start);

/// <summary>The measures of a score, or of a range of it, in the order and at the times they are played.</summary>
public static class PlayedTimeline
{
    /// <summary>Every playing of the measures between two, repeats taken.</summary>
    /// <param name="score">The score.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    public static IReadOnlyList<PlayedMeasure> Of(Score score, int from = 0, int to = int.MaxValue)
    {
        var played = new List<PlayedMeasure>();
        var at = Fraction.Zero;
        foreach (var measure in score.PlayedOrder.Where(i => i >= from && i <= to).Select(i => score.Measures[i]))
        {
            played.Add(new PlayedMeasure(measure, at));
            at += measure.Length;
        }

        return played;
    }
}
