using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Two measures of three that sound as three of two.</summary>
/// <remarks>In 3/4 or 3/2: strokes on every second beat across the bar line, none on the second downbeat's neighbours. Common practice, no
/// published source.</remarks>
[Example("meter:3/4 | C5h D5q~ | D5q E5h | C5h.", 1)]
[Example("meter:3/4 | C5h D5q | D5h E5q", 0)]
public sealed class Hemiola : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "hemiola";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Rhythm;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var melody = context.MelodyOf(part);
        for (var m = 0; m + 1 < context.Score.Measures.Count; m++)
        {
            var (a, b) = (context.Score.Measures[m], context.Score.Measures[m + 1]);
            if (!IsThree(a) || !IsThree(b))
                continue;
            var unit = a.Meter.BeatUnit;
            var strokes = melody
                .ByMeasure[m]
                .Concat(melody.ByMeasure[m + 1])
                .Where(n => n.SoundingDuration >= unit * 2)
                .Select(n => (n.Onset - a.Start) / unit)
                .ToList();
            if (!strokes.SequenceEqual([Fraction.Zero, 2, 4]))
                continue;
            yield return Finding.At(
                Name,
                part,
                [.. melody.ByMeasure[m], .. melody.ByMeasure[m + 1]],
                Severity.Warn,
                "Two measures feel like three of two",
                $"In {context.Measures(m, m + 1)} the notes fall on every second beat across the bar line: count on in three."
            );
        }
    }

    private static bool IsThree(MeasureFrame m) =>
        m.Meter.Groups.Count == 1 && m.Meter.Groups[0] is { Beats: 3, BeatType: 2 or 4 } && m.Length == m.Meter.Length;
}
