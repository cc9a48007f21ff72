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
    private const double BestPlace = 4;
    private const double PlaceCounts = 0.6;

    // Nobody hands out a passage across the end of a section, unless it is one or two measures only.
    private const double Across = 12;
    private const int ShortSection = 2;

    /// <summary>The stretches in order.</summary>
    /// <param name="range">The measures.</param>
    /// <param name="longest">At most so many measures a stretch.</param>
    /// <param name="heat">Heat of each measure, 0 to 1.</param>
    /// <param name="place">How well each measure is a beginning.</param>
    public static IReadOnlyList<MeasureRange> Of(MeasureRange range, int longest, Func<int, double> heat, Func<int, CutPlace> place)
    {
        var count = range.Length;
        var (cost, from) = (new double[count + 1], new int[count + 1]);
        var places = Enumerable.Range(range.From, count).Select(place).ToList();
        var sections = Sections(places);
        for (var end = 1; end <= count; end++)
        {
            cost[end] = double.MaxValue;
            double warm = 0;
            for (var begin = end - 1; begin >= Math.Max(0, end - longest); begin--)
            {
                warm += heat(range.From + begin);
                var own =
                    cost[begin]
                    + Cost(end - begin, warm / (end - begin), longest)
                    + (begin == 0 ? 0 : Cut(places[begin]))
                    + (Across * sections.Count(s => s > begin && s < end));
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

    // Places at which a section of more than two measures begins after another such.
    private static List<int> Sections(List<CutPlace> places)
    {
        List<int> begins = [0, .. Enumerable.Range(1, Math.Max(0, places.Count - 1)).Where(i => places[i].IsSection), places.Count];
        return
        [
            .. begins
                .Skip(1)
                .SkipLast(1)
                .Where((b, i) => b - begins[i] > ShortSection && begins[i + 2] - b > ShortSection),
        ];
    }

    private static double Cut(CutPlace place) =>
        place.IsSection ? 0 : PlaceCounts * (BestPlace - Math.Min(BestPlace, place.Weight));

    private static double Cost(int length, double heat, int longest)
    {
        var shortest = Math.Min(CutRequest.Shortest, longest);
        var wish = Math.Clamp(CutRequest.UsualLongest - (Shortening * Math.Min(1, heat * 1.5)), shortest, longest);
        var off = (length - wish) / wish;
        return Each + (LengthCounts * off * off) + (length < shortest ? TooShort * (shortest - length) : 0);
    }
}
