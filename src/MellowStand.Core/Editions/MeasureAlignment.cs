using MellowStand.Core.Notation;

namespace MellowStand.Core.Editions;

/// <summary>Which measure of the old edition is which of the new one.</summary>
/// <remarks>The longest common subsequence of equal measures anchors the rest; between two anchors measures of the same label are
/// paired, and all of them in order where their number is the same, if they are akin. Method: Hunt and McIlroy's idea of difference by
/// common
/// subsequence, in its plain table form.</remarks>
internal static class MeasureAlignment
{
    /// <summary>For each old measure the place of the new one, or null when it is gone.</summary>
    public static int?[] Of(
        IReadOnlyList<string> before,
        IReadOnlyList<string> after,
        IReadOnlyList<MeasureFrame> oldFrames,
        IReadOnlyList<MeasureFrame> newFrames,
        Func<int, int, bool> akin
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
            Between(map, (from, i), (to, end), oldFrames, newFrames, akin);
            (from, to) = (i + 1, end + 1);
        }

        return map;
    }

    // Measures that only take each other's place are not the same: what stood in the one must not point at the other.
    private static void Between(
        int?[] map,
        (int Start, int End) old,
        (int Start, int End) now,
        IReadOnlyList<MeasureFrame> oldFrames,
        IReadOnlyList<MeasureFrame> newFrames,
        Func<int, int, bool> akin
    )
    {
        var inOrder = old.End - old.Start == now.End - now.Start;
        var next = now.Start;
        for (var i = old.Start; i < old.End; i++)
        {
            var same = inOrder
                ? now.Start + i - old.Start
                : Enumerable.Range(next, Math.Max(0, now.End - next)).FirstOrDefault(k => newFrames[k].Label == oldFrames[i].Label, -1);
            if (same < next || !akin(i, same))
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

        for (int i = 0, k = 0; i < rows && k < columns;)
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
