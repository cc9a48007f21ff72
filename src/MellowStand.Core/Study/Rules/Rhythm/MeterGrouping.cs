using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>An uneven meter and how it is grouped.</summary>
/// <remarks>5/8 and 7/8 are grouped as printed in the signature, or else as beamed by most parts; a beam of four is two groups of two.
/// Where
/// nothing is beamed, the strokes of all parts tell; where they do not, the director decides. Common practice, no published
/// source.</remarks>
public sealed class MeterGrouping : IStudyRule
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

    /// <inheritdoc/>
    public string Name => "meter-grouping";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public int Rank => 5;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        (int From, int To, string Groups, Meter Meter)? open = null;
        foreach (var frame in context.Score.Measures)
        {
            var groups = IsUneven(frame.Meter) ? Grouping(context.Score, frame) : null;
            if (open is { } o && groups == o.Groups && frame.Meter.Equals(o.Meter))
            {
                open = o with { To = frame.Index };
                continue;
            }

            if (open is { } done)
                yield return Make(context, part, done);
            open = groups is null ? null : (frame.Index, frame.Index, groups, frame.Meter);
        }

        if (open is { } last)
            yield return Make(context, part, last);
    }

    private static bool IsUneven(Meter meter) =>
        meter.Groups.Count > 1 || (meter.Groups.Count == 1 && meter.Groups[0] is { Beats: 5 or 7 or 8 or 10 or 11, BeatType: >= 8 });

    private Finding Make(StudyContext context, Part part, (int From, int To, string Groups, Meter Meter) s)
    {
        var unit = s.Meter.Groups[0].BeatType switch
        {
            8 => "eighths",
            16 => "16ths",
            _ => "beats",
        };
        return new Finding(
            Name,
            [part.Id],
            s.From,
            s.To,
            [],
            Severity.Warn,
            $"{Total(s.Meter)} as {s.Groups}",
            $"In {context.Measures(s.From, s.To)} count the {unit} as {s.Groups}, each group one beat."
        );
    }

    private static string Total(Meter meter) =>
        meter.Groups.Count > 1 ? $"{meter.Groups.Sum(g => g.Beats)}/{meter.Groups[0].BeatType}" : meter.ToString();

    private static string? Grouping(Score score, MeasureFrame frame)
    {
        if (frame.Meter.Groups.Count > 1)
            return string.Join('+', frame.Meter.Groups.Select(g => g.Beats));
        var votes = score.Parts.Select(p => OfBeams(p.Measures[frame.Index], frame)).OfType<string>().GroupBy(g => g).ToList();
        return votes.Count > 0 ? votes.MaxBy(g => g.Count())!.Key : OfStrokes(score, frame);
    }

    // The grouping whose first notes are struck in most parts, when it is one only.
    private static string? OfStrokes(Score score, MeasureFrame frame)
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
        return ranked.Count > 1 && (ranked[0].Hits, ranked[0].Misses) == (ranked[1].Hits, ranked[1].Misses)
            ? null
            : string.Join('+', ranked[0].groups);
    }

    private static IEnumerable<int> Starts(int[] groups)
    {
        var at = 0;
        foreach (var group in groups.SkipLast(1))
            yield return at += group;
    }

    // Where a beam begins, a group begins; a group without beams is what is left.
    private static string? OfBeams(PartMeasure measure, MeasureFrame frame)
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
        var groups = cuts.Zip(cuts.Skip(1), (a, b) => (b - a).Numerator).SelectMany(g => g == 4 ? new long[] { 2, 2 } : [g]).ToList();
        return groups.Count > 1 && groups.All(g => g is 2 or 3) ? string.Join('+', groups) : null;
    }
}
