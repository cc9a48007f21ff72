using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Notes between the beats while the beats are rests.</summary>
/// <remarks>Two measures or more in which every note stands off the beat and follows a rest on it: whoever has the beat is listened to.
/// Common practice, no published source.</remarks>
[Example("meter:2/4 | re C5e re C5e | re D5e re D5e | C5h", 1)]
[Example("meter:2/4 | C5e C5e C5e C5e | re D5e re D5e | C5h", 0, "one measure")]
[Example("meter:2/4 | rq C5q | rq D5q | C5h", 0, "on the second beat")]
public sealed class Afterbeats : IStudyRule
{
    private const int LeastMeasures = 2;

    /// <inheritdoc/>
    public string Name => "afterbeats";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Rhythm;

    /// <inheritdoc/>
    public WritesIn WritesIn => WritesIn.CountingLine;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var melody = context.MelodyOf(part);
        var measures = Enumerable
            .Range(0, part.Measures.Count)
            .Select(m => melody.ByMeasure[m].ToList())
            .Where(notes => notes.Count > 0 && !context.Score.Measures[notes[0].MeasureIndex].Meter.IsSenza)
            .Where(notes => notes.TrueForAll(n => IsAfter(context, part, n)));
        return Stretches
            .Of(measures.SelectMany(n => n))
            .Where(s => s[^1].MeasureIndex - s[0].MeasureIndex + 1 >= LeastMeasures)
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    s,
                    Severity.Tell,
                    "Between the beats",
                    "The beats are rests and the notes stand between them: listen to whoever has the beat, and play short and light."
                )
            );
    }

    private static bool IsAfter(StudyContext context, Part part, Note note) =>
        !context.IsOnBeat(note)
        && part.Measures[note.MeasureIndex].Notes.Any(r => r.Kind == NoteKind.Rest && r.End == note.Onset && context.IsOnBeat(r));
}
