using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Reading;

/// <summary>A moment at which something new is printed: a double bar, a repeat, a key, a meter, a tempo, a letter.</summary>
/// <param name="Onset">Quarters from the start of the score.</param>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Reason">What is new, and how much it parts the music.</param>
/// <param name="BeginsSection">True where a section of the music begins: nothing that is learnt as one goes over it.</param>
public sealed record SectionMoment(Fraction Onset, int Measure, JointReason Reason, bool BeginsSection);

/// <summary>The moments of a part at which something new is printed, in order.</summary>
/// <remarks>Weights by hand; that a change of what is printed parts the music is the rule of change of Lerdahl and Jackendoff, "A
/// Generative Theory of Tonal Music" (1983), grouping preference rule 3, from memory.</remarks>
internal static class SectionMoments
{
    private static readonly HashSet<string> Forces = new(StringComparer.OrdinalIgnoreCase) { "solo", "soli", "tutti" };
    private static readonly JointReason NewCharacter = new("a new character", 2);
    private static readonly JointReason NewMeter = new("a new meter", 2);
    private static readonly JointReason NewKey = new("a new key", 3.5);
    private static readonly JointReason NewTempo = new("a new tempo", 4);
    private static readonly JointReason Back = new("the tempo of before", 4);
    private static readonly JointReason DoubleBar = new("a double bar", 5);
    private static readonly JointReason NextEnding = new("another ending", 4);
    private static readonly JointReason Repeat = new("a repeat sign", 5);

    public static IReadOnlyList<SectionMoment> Of(StudyContext context, Part part) =>
        [
            .. context
                .Score.Measures.Skip(1)
                .SelectMany(m => OfFrame(context.Score, part, m))
                .Concat(OfTempo(context))
                .Concat(OfWords(part))
                .OrderBy(m => m.Onset),
        ];

    private static IEnumerable<SectionMoment> OfFrame(Score score, Part part, MeasureFrame frame)
    {
        if (frame.Opens == BarSign.Double)
            yield return new(frame.Start, frame.Index, DoubleBar, true);
        if (AfterEnding(score, frame) is { } ending)
            yield return ending;
        else if (frame.Opens == BarSign.Repeat)
            yield return new(frame.Start, frame.Index, Repeat, true);
        if (frame.Rehearsal is { } mark)
            yield return new(frame.Start, frame.Index, new($"letter {mark}", 4), true);
        if (part.Measures[frame.Index].Key.Fifths != part.Measures[frame.Index - 1].Key.Fifths)
            yield return new(frame.Start, frame.Index, NewKey, true);
        if (frame.Meter != score.Measures[frame.Index - 1].Meter)
            yield return new(frame.Start, frame.Index, NewMeter, false);
    }

    // The next ending belongs to the section that is repeated; after the last one the music goes on.
    private static SectionMoment? AfterEnding(Score score, MeasureFrame frame)
    {
        var before = score.Measures[frame.Index - 1].Ending;
        if (before == RepeatEnding.LeadsBack && frame.Ending != RepeatEnding.None)
            return new(frame.Start, frame.Index, NextEnding, false);
        return before == RepeatEnding.GoesOn && frame.Ending == RepeatEnding.None
            ? new SectionMoment(frame.Start, frame.Index, Repeat, true)
            : null;
    }

    // Solo and tutti part the music for whoever plays; a word of character is only another colour.
    private static IEnumerable<SectionMoment> OfWords(Part part) =>
        part.Directions.Where(d => d.Kind == DirectionKind.Words && d.Onset > Fraction.Zero)
            .Select(OfWord)
            .OfType<SectionMoment>();

    private static SectionMoment? OfWord(Direction d)
    {
        if (Forces.Contains(d.Text.Trim().TrimEnd('.')))
            return new SectionMoment(d.Onset, d.MeasureIndex, new(d.Text.Trim(), 4), true);
        return TempoWords.In(d.Text).Any() && TempoWords.TempoIn(d.Text) is null
            ? new SectionMoment(d.Onset, d.MeasureIndex, NewCharacter, false)
            : null;
    }

    private static IEnumerable<SectionMoment> OfTempo(StudyContext context) =>
        context
            .Tempo.Signs.Where(s => s.Onset > Fraction.Zero)
            .Select(s =>
                s.Kind switch
                {
                    TempoKind.Fixed or TempoKind.Changed => new SectionMoment(s.Onset, s.Measure, NewTempo, true),
                    TempoKind.Return => new SectionMoment(s.Onset, s.Measure, Back, false),
                    _ => null,
                }
            )
            .OfType<SectionMoment>();
}
