using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Accents off the beat, or on the beat in groups against the meter.</summary>
/// <remarks>Think of the accent as a new downbeat; accents that come every three beats in four, or every two in three, group the music
/// against its bar lines. Common practice, no published source.</remarks>
[Example("| C5e D5e(>) E5q F5h", 1)]
[Example("| C5e(>) D5e E5q(>) F5h", 0)]
public sealed class OffbeatAccent : IStudyRule
{
    private const int LeastGroups = 3;
    private const int ManyAccents = 4;

    /// <inheritdoc/>
    public string Name => "offbeat-accent";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        OffTheBeat(context, part).Concat(AgainstTheMeter(context, part));

    private IEnumerable<Finding> AgainstTheMeter(StudyContext context, Part part)
    {
        var accents = context.MelodyOf(part).Struck.Where(n => ArticulationMarks.IsAccented(n) && IsOnBeat(context, n)).ToList();
        for (var i = 0; i + LeastGroups < accents.Count; i++)
        {
            var meter = context.Score.Measures[accents[i].MeasureIndex].Meter;
            var group = accents[i + 1].Onset - accents[i].Onset;
            var last = i + 1;
            while (last + 1 < accents.Count && accents[last + 1].Onset - accents[last].Onset == group)
                last++;
            var fits = (meter.Length / group).Denominator == 1 || (group / meter.Length).Denominator == 1;
            if (last - i < LeastGroups || fits || group <= meter.BeatUnit || group >= meter.Length * 2)
                continue;
            yield return Finding.At(
                Name,
                part,
                accents.GetRange(i, last - i + 1),
                Severity.Note,
                $"Accents every {Lengths.Mixed(group / meter.BeatUnit)} beats",
                $"In {meter} the accents come every {Lengths.Mixed(group / meter.BeatUnit)} beats, {last - i + 1} times: the groups go "
                    + $"over the bar line, so count the beat and feel the groups."
            );
            i = last - 1;
        }
    }

    private static bool IsOnBeat(StudyContext context, Note n) =>
        !context.Score.Measures[n.MeasureIndex].Meter.IsSenza && context.IsOnBeat(n);

    // Accents off the beat in measure after measure are the rhythm of the part.
    private static bool IsSubject(List<Note> stretch) =>
        stretch.Select(n => n.MeasureIndex).Distinct().Count() is var measures
        && (measures >= LeastGroups || (measures >= 2 && stretch.Count >= ManyAccents));

    private IEnumerable<Finding> OffTheBeat(StudyContext context, Part part) =>
        from stretch in Stretches.Of(
            context
                .MelodyOf(part)
                .Struck.Where(n =>
                    ArticulationMarks.IsAccented(n) && !context.Score.Measures[n.MeasureIndex].Meter.IsSenza && !context.IsOnBeat(n)
                )
        )
        select Finding.At(
            Name,
            part,
            stretch,
            IsSubject(stretch) ? Severity.Warn : Severity.Note,
            stretch.Count == 1 ? $"Accent off the beat, at {context.Beat(stretch[0])}" : $"{stretch.Count} accents off the beat",
            $"The accent stands between the beats ({context.Label(stretch[0].MeasureIndex)}, beat {context.Beat(stretch[0])}): "
                + $"practice it as a new downbeat, then put it back."
        );
}
