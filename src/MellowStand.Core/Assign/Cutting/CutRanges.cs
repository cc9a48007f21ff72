namespace MellowStand.Core.Assign;

/// <summary>Divides measures at the best beginnings: hard stretches short, easy ones long.</summary>
/// <remarks>The least sum over all divisions (dynamic programming, Bellman, from memory).</remarks>
internal static class CutRanges
{
    private const double LengthCounts = 2;
    private const double Each = 0.5;
    private const double TooShort = 0.8;
    private const double Shortening = 12;

    // A cut at the best of places costs nothing, one in the middle of a line much.
    private const double BestPlace = 3;
    private const double PlaceCounts = 0.5;

    // Letters and new tempos are sections of the music: nobody hands out a passage across one.
    private const double Section = -4;

    /// <summary>The stretches in order.</summary>
    /// <param name="range">The measures.</param>
    /// <param name="longest">At most so many measures a stretch.</param>
    /// <param name="heat">Heat of each measure, 0 to 1.</param>
    /// <param name="place">How well each measure is a beginning.</param>
    public static IReadOnlyList<MeasureRange> Of(MeasureRange range, int longest, Func<int, double> heat, Func<int, CutPlace> place)
    {
        var count = range.Length;
        var (cost, from) = (new double[count + 1], new int[count + 1]);
        for (var end = 1; end <= count; end++)
        {
            cost[end] = double.MaxValue;
            double warm = 0;
            for (var begin = end - 1; begin >= Math.Max(0, end - longest); begin--)
            {
                warm += heat(range.From + begin);
                var own =
                    cost[begin] + Cost(end - begin, warm / (end - begin), longest) + (begin == 0 ? 0 : Cut(place(range.From + begin)));
                if (own < cost[end])
                    (cost[end], from[end]) = (own, begin);
            }
        }

        var found = new List<MeasureRange>();
        for (var end = count; end > 0; end = from[end])
            found.Add(new MeasureRange(range.From + from[end], range.From + end - 1));
        found.Reverse();
        return found;
    }

    private static double Cut(CutPlace place) => place.IsSection ? Section : PlaceCounts * (BestPlace - Math.Min(BestPlace, place.Weight));

    private static double Cost(int length, double heat, int longest)
    {
        var wish = Math.Clamp(CutRequest.UsualLongest - (Shortening * Math.Min(1, heat * 1.5)), CutRequest.Shortest, longest);
        var off = (length - wish) / wish;
        return Each + (LengthCounts * off * off) + (length < CutRequest.Shortest ? TooShort * (CutRequest.Shortest - length) : 0);
    }
}
