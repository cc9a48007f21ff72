using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>An uneven meter and how it is grouped.</summary>
/// <remarks>5/8 and 7/8 are grouped as printed in the signature, or else as beamed by most parts; a beam of four is two groups of two.
/// Where
/// nothing is beamed, the strokes of all parts tell; where they do not, the director decides. Common practice, no published
/// source.</remarks>
[Example("meter:2+3/8 | C5e D5e E5e F5e G5e", 1)]
[Example("meter:6/8 | C5e D5e E5e F5e G5e A5e", 0)]
public sealed class MeterGrouping : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "meter-grouping";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Counting;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        (int From, int To, string Groups, Meter Meter)? open = null;
        foreach (var frame in context.Score.Measures)
        {
            var groups = MeterGroups.Of(context.Score, frame) is { } g ? string.Join('+', g) : null;
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
}
