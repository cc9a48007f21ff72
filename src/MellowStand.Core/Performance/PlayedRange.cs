using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>Whether repeats in a range are taken.</summary>
public enum Repeats
{
    /// <summary>Each printed measure once; of a repeat's endings only the one that goes on.</summary>
    Once,

    /// <summary>Repeats that lie whole in the range are taken, with their endings; jumps too.</summary>
    Played,
}

/// <summary>The measures of a range in the order in which they are played.</summary>
/// <remarks>A repeat of which only a part lies in the range is not taken: a passage of four measures is practiced once through. Common
/// practice, no published source.</remarks>
public static class PlayedRange
{
    /// <summary>Every playing of the measures between two.</summary>
    /// <param name="score">The score.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="repeats">Whether repeats are taken.</param>
    public static IReadOnlyList<PlayedMeasure> Of(Score score, int from, int to, Repeats repeats)
    {
        var last = Math.Min(to, score.Measures.Count - 1);
        var order = repeats == Repeats.Once ? OnceThrough(score.Measures, from, last) : Whole(score.PlayedOrder, from, last);
        var played = new List<PlayedMeasure>();
        var at = Fraction.Zero;
        foreach (var measure in order.Select(i => score.Measures[i]))
        {
            played.Add(new PlayedMeasure(measure, at));
            at += measure.Length;
        }

        return played;
    }

    /// <summary>Quarters from the start of the first measure to the end of the last.</summary>
    public static Fraction Length(IReadOnlyList<PlayedMeasure> played) =>
        played.Count == 0 ? Fraction.Zero : played[^1].Start + played[^1].Measure.Length;

    // An ending that leads back is left out where the range goes over it: it is played when it is chosen itself.
    private static List<int> OnceThrough(IReadOnlyList<MeasureFrame> frames, int from, int to)
    {
        var once = new List<int>();
        for (var i = from; i <= to; i++)
        {
            var end = i;
            while (end <= to && frames[end].Ending == RepeatEnding.LeadsBack)
                end++;
            if (i > from && end > i && end <= to)
                i = end;
            once.Add(i);
        }

        return once;
    }

    // Once the way leads out of the range, only measures that were not reached yet are still to come.
    private static List<int> Whole(IReadOnlyList<int> order, int from, int to)
    {
        var whole = new List<int>();
        var hasLeft = false;
        var reached = -1;
        foreach (var measure in order.SkipWhile(m => m < from || m > to))
        {
            var isInside = measure >= from && measure <= to;
            hasLeft |= !isInside;
            if (!isInside || (hasLeft && measure <= reached))
                continue;
            whole.Add(measure);
            reached = Math.Max(reached, measure);
        }

        return whole;
    }
}
