using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A leap of an octave or more.</summary>
/// <remarks>Practice it an octave smaller first; brass players hear it before they play. Larger than an octave in quick notes is often
/// missed. Common practice, no published source.</remarks>
[Example("| C4q C5q D5h", 1)]
[Example("| C4q B4q D5h", 0)]
public sealed class LargeLeap : IStudyRule
{
    private const int Least = 12;
    private const int Wide = 15;

    /// <inheritdoc/>
    public string Name => "large-leap";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Range;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is { Family: Instruments.Family.Keyboard })
            yield break;
        var notes = context.MelodyOf(part).Notes;
        var leaps = Enumerable.Range(1, Math.Max(0, notes.Count - 1)).Where(i => Leaps(notes[i - 1], notes[i])).ToList();
        var places = leaps.ToDictionary(i => notes[i]);
        foreach (var stretch in Stretches.Of(leaps.Select(i => notes[i])))
        {
            var widest = stretch.Select(n => places[n]).MaxBy(i => Math.Abs(Runs.Semitones(notes[i - 1], notes[i])));
            var (a, b) = (notes[widest - 1], notes[widest]);
            var size = Math.Abs(Runs.Semitones(a, b));
            var all = stretch.SelectMany(n => new[] { notes[places[n] - 1], n }).Distinct().ToList();
            yield return Finding.At(
                Name,
                part,
                all,
                size >= Wide && a.SoundingDuration <= 1 ? Severity.Warn : Severity.Note,
                stretch.Count == 1 ? $"Leap from {a.Top} to {b.Top}" : $"{stretch.Count} large leaps",
                $"{Sentences.Capital(Intervals.Name(size))} from {a.Top} to {b.Top}: practice it an octave smaller first, and hear the "
                    + $"second note before playing it."
            );
        }
    }

    private static bool Leaps(Note a, Note b) => Math.Abs(Runs.Semitones(a, b)) >= Least && b.Onset - (a.Onset + a.SoundingDuration) < 1;
}
