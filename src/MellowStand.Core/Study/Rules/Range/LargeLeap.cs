using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A leap of an octave or more.</summary>
/// <remarks>Practice it an octave smaller first, brass players hear it before they play; on strings it is a crossing. Larger than an octave
/// in quick notes is often missed. Common practice, no published source.</remarks>
[Example("| C4q C5q D5h", 1)]
[Example("| C4q B4q D5h", 0)]
public sealed class LargeLeap : IStudyRule
{
    private const int Least = 12;
    private const int Wide = 15;

    private static readonly Dictionary<Family, string> Ways = new()
    {
        [Family.Strings] = "the arm goes to the new string before the bow moves, and the finger is there before it sounds",
        [Family.Percussion] = "look at the second bar before the stick leaves the first",
        [Family.Voice] = "hear the second note before you sing it, on the vowel of the first",
    };

    /// <inheritdoc/>
    public string Name => "large-leap";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Range;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is { Family: Family.Keyboard })
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
                Weight(context, part, a, size),
                stretch.Count == 1 ? $"Leap from {a.Top} to {b.Top}" : $"{stretch.Count} large leaps",
                $"{Sentences.Capital(Intervals.Name(size))} from {a.Top} to {b.Top}: {Advice(context.FamilyOf(part))}."
            );
        }
    }

    private static string Advice(Family family) =>
        Ways.GetValueOrDefault(family, "practice it an octave smaller first, and hear the second note before playing it");

    // A wide leap in quick notes is missed; on a brass instrument every quick octave is.
    private static Severity Weight(StudyContext context, Part part, Note a, int size)
    {
        if (size >= Wide && a.SoundingDuration <= 1)
            return Severity.Warn;
        var isQuick = context.Seconds(a.MeasureIndex, a.SoundingDuration) <= 1;
        return isQuick && context.FamilyOf(part) == Family.Brass ? Severity.Tell : Severity.Note;
    }

    private static bool Leaps(Note a, Note b) => Math.Abs(Runs.Semitones(a, b)) >= Least && b.Onset - (a.Onset + a.SoundingDuration) < 1;
}
