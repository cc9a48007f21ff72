using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>An uneven meter and how it is grouped.</summary>
/// <remarks>5/8 and 7/8 are grouped as printed in the signature, or else as beamed by most parts. Common practice, no published
/// source.</remarks>
public sealed class MeterGrouping : IStudyRule
{
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
        return votes.Count == 0 ? null : votes.MaxBy(g => g.Count())!.Key;
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
        var groups = cuts.Zip(cuts.Skip(1), (a, b) => (b - a).Numerator).ToList();
        return groups.Count > 1 && groups.All(g => g is >= 2 and <= 4) ? string.Join('+', groups) : null;
    }
}
