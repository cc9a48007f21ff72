using MellowStand.Core.Notation;

namespace MellowStand.Core.Editions;

/// <summary>Which measure of the old edition is which of the new one.</summary>
/// <remarks>The longest common subsequence of equal measures anchors the rest; between two anchors measures of the same label are
/// paired, and all of them in order where their number is the same. Method: Hunt and McIlroy's idea of difference by common
/// subsequence, in its plain table form.</remarks>
internal static class MeasureAlignment
{
    /// <summary>For each old measure the place of the new one, or null when it is gone.</summary>
    public static int?[] Of(
        IReadOnlyList<string> before,
        IReadOnlyList<string> after,
        IReadOnlyList<MeasureFrame> oldFrames,
        IReadOnlyList<MeasureFrame> newFrames
    )
    {
        var map = new int?[before.Count];
        foreach (var (i, k) in Common(before, after))
            map[i] = k;
        var from = 0;
        var to = 0;
        for (var i = 0; i <= before.Count; i++)
        {
            if (i < before.Count && map[i] is null)
                continue;
            var end = i < before.Count ? map[i]!.Value : after.Count;
            Between(map, from, i, to, end, oldFrames, newFrames);
            (from, to) = (i + 1, end + 1);
        }

        return map;
    }

    private static void Between(
        int?[] map,
        int from,
        int fromEnd,
        int to,
        int toEnd,
        IReadOnlyList<MeasureFrame> oldFrames,
        IReadOnlyList<MeasureFrame> newFrames
    )
    {
        if (fromEnd - from == toEnd - to)
        {
            for (var k = 0; k < fromEnd - from; k++)
                map[from + k] = to + k;
            return;
        }

        var next = to;
        for (var i = from; i < fromEnd; i++)
        {
            var same = Enumerable.Range(next, Math.Max(0, toEnd - next)).FirstOrDefault(k => newFrames[k].Label == oldFrames[i].Label, -1);
            if (same < 0)
                continue;
            map[i] = same;
            next = same + 1;
        }
    }

    private static IEnumerable<(int Old, int New)> Common(IReadOnlyList<string> a, IReadOnlyList<string> b)
    {
        var start = 0;
        while (start < a.Count && start < b.Count && a[start] == b[start])
            yield return (start, start++);
        var tail = 0;
        while (tail < a.Count - start && tail < b.Count - start && a[^(tail + 1)] == b[^(tail + 1)])
            tail++;
        for (var k = tail; k > 0; k--)
            yield return (a.Count - k, b.Count - k);
        var (rows, columns) = (a.Count - start - tail, b.Count - start - tail);
        var best = new int[rows + 1, columns + 1];
        for (var i = rows - 1; i >= 0; i--)
        {
            for (var k = columns - 1; k >= 0; k--)
                best[i, k] = a[start + i] == b[start + k] ? best[i + 1, k + 1] + 1 : Math.Max(best[i + 1, k], best[i, k + 1]);
        }

        for (int i = 0, k = 0; i < rows && k < columns; )
        {
            if (a[start + i] == b[start + k])
                yield return (start + i++, start + k++);
            else if (best[i + 1, k] >= best[i, k + 1])
                i++;
            else
                k++;
        }
    }
}
