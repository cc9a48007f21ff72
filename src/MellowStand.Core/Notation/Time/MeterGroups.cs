namespace MellowStand.Core.Notation;

/// <summary>How the beats of an uneven meter are grouped.</summary>
/// <remarks>5/8 and 7/8 are grouped as printed in the signature, or else as beamed by most parts; a beam of four is two groups of two.
/// Where
/// nothing is beamed, the strokes of all parts tell. Common practice, no published source.</remarks>
public static class MeterGroups
{
    private static readonly Dictionary<int, int[][]> Usual = new()
    {
        [5] =
        [
            [2, 3],
            [3, 2],
        ],
        [7] =
        [
            [2, 2, 3],
            [3, 2, 2],
            [2, 3, 2],
        ],
        [8] =
        [
            [3, 3, 2],
            [3, 2, 3],
            [2, 3, 3],
            [2, 2, 2, 2],
        ],
        [10] =
        [
            [3, 3, 2, 2],
            [2, 2, 3, 3],
            [3, 2, 3, 2],
            [2, 3, 2, 3],
        ],
        [11] =
        [
            [3, 3, 3, 2],
            [2, 3, 3, 3],
            [3, 2, 3, 3],
            [3, 3, 2, 3],
        ],
    };

    /// <summary>True for a meter whose beats are not all alike: 5/8, 7/8, 3+2/8.</summary>
    public static bool IsUneven(Meter meter) =>
        meter.Groups.Count > 1 || (meter.Groups.Count == 1 && meter.Groups[0] is { Beats: 5 or 7 or 8 or 10 or 11, BeatType: >= 8 });

    /// <summary>Lengths of the groups in units of the meter's lower number; null in an even meter, and where nothing tells.</summary>
    public static IReadOnlyList<int>? Of(Score score, MeasureFrame frame)
    {
        if (!IsUneven(frame.Meter))
            return null;
        if (frame.Meter.Groups.Count > 1)
            return [.. frame.Meter.Groups.Select(g => g.Beats)];
        var votes = score
            .Parts.Select(p => OfBeams(p.Measures[frame.Index], frame))
            .OfType<int[]>()
            .GroupBy(g => string.Join('+', g))
            .ToList();
        return votes.Count > 0 ? votes.MaxBy(g => g.Count())!.First() : OfStrokes(score, frame);
    }

    /// <summary>Lengths of the groups in quarters, so that they can be clicked: where nothing in the measure tells them, as the nearest
    /// measure
    /// of the same meter before or after it, else the usual grouping; null in an even meter.</summary>
    public static IReadOnlyList<Fraction>? LengthsOf(Score score, MeasureFrame frame)
    {
        if (!IsUneven(frame.Meter))
            return null;
        if (frame.Meter.Groups.Count > 1)
            return [.. frame.Meter.Groups.Select(g => g.Length)];
        var before = score.Measures.Take(frame.Index + 1).Reverse();
        var groups =
            before
                .Concat(score.Measures.Skip(frame.Index + 1))
                .Where(m => m.Meter.Equals(frame.Meter))
                .Select(m => Of(score, m))
                .FirstOrDefault(g => g is not null)
            ?? Usual[frame.Meter.Groups[0].Beats][0];
        return [.. groups.Select(g => frame.Meter.Groups[0].Unit * g)];
    }

    // The grouping whose first notes are struck in most parts, when it is one only.
    private static int[]? OfStrokes(Score score, MeasureFrame frame)
    {
        var unit = frame.Meter.Groups[0].Unit;
        var struck = score
            .Parts.SelectMany(p => p.Measures[frame.Index].Notes.Where(n => n.Sounds && !n.IsGrace && !n.IsTieContinuation))
            .Select(n => n.Offset / unit)
            .Where(o => o.Denominator == 1 && o > Fraction.Zero)
            .GroupBy(o => (int)o.Numerator)
            .ToDictionary(g => g.Key, g => g.Count());
        if (struck.Count == 0)
            return null;
        var ranked = Usual[frame.Meter.Groups[0].Beats]
            .Select(groups =>
                (groups, Hits: Starts(groups).Sum(s => struck.GetValueOrDefault(s)), Misses: struck.Keys.Except(Starts(groups)).Count())
            )
            .OrderByDescending(x => x.Hits)
            .ThenBy(x => x.Misses)
            .ToList();
        return ranked.Count > 1 && (ranked[0].Hits, ranked[0].Misses) == (ranked[1].Hits, ranked[1].Misses) ? null : ranked[0].groups;
    }

    private static IEnumerable<int> Starts(int[] groups)
    {
        var at = 0;
        foreach (var group in groups.SkipLast(1))
            yield return at += group;
    }

    // Where a beam begins, a group begins; a group without beams is what is left.
    private static int[]? OfBeams(PartMeasure measure, MeasureFrame frame)
    {
        var unit = frame.Meter.Groups[0].Unit;
        var starts = measure.Notes.Where(n => n.Beam == "begin" && !n.IsGrace).Select(n => n.Offset / unit).ToList();
        var ends = measure.Notes.Where(n => n.Beam == "end" && !n.IsGrace).Select(n => (n.Offset + n.Duration) / unit).ToList();
        if (starts.Count == 0)
            return null;
        var total = new Fraction(frame.Meter.Groups[0].Beats);
        var cuts = starts
            .Concat(ends)
            .Append(Fraction.Zero)
            .Append(total)
            .Where(c => c.Denominator == 1 && c >= Fraction.Zero && c <= total)
            .Distinct()
            .Order()
            .ToList();
        var groups = cuts.Zip(cuts.Skip(1), (a, b) => (int)(b - a).Numerator).SelectMany(g => g == 4 ? new[] { 2, 2 } : [g]).ToArray();
        return groups.Length > 1 && groups.All(g => g is 2 or 3) ? groups : null;
    }
}
