using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A broken chord, named by its quality.</summary>
/// <remarks>Four notes or more of one chord, at least three different ones, each step to another chord tone; turning back is allowed. The
/// note on the next downbeat belongs to the next chord, unless that is the same one. Chord qualities agree with
/// tests/reference/facts/chords.json (music21 10.5.1).</remarks>
[Example("| C4e E4e G4e C5e G4e E4e C4q", 1)]
[Example("| G4e B4e D5e F5e D5e B4e G4q", 1)]
[Example("| C4e E4e G4e A4e C4h", 0)]
[Example("key:F | C5e A4e D5e Bb4e E5e C5e F5e A5e | G5h F5h", 0, "a scale in thirds is no chord")]
[Example("| C4q E4q G4q C5q | A4q C5q E5q A5q", 2, "a chord for each measure, no seventh over the bar line")]
[Example("| C4q E4q G4q C5q | E5q C5q G4q E4q", 1, "the same chord goes on")]
public sealed class ArpeggioRun : IStudyRule
{
    private const int LeastNotes = 4;

    /// <inheritdoc/>
    public string Name => "arpeggio";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var phrase in context.MelodyOf(part).Phrases())
        {
            var pairs = BrokenThirds.Of(phrase).ToList();
            for (var i = 0; i + LeastNotes <= phrase.Count;)
            {
                if (pairs.Exists(p => p.Holds(i)) || Longest(phrase, i) is not { } found)
                {
                    i++;
                    continue;
                }

                var (count, quality, root) = found;
                var run = phrase.Skip(i).Take(count).ToList();
                var name = $"{ChordRoot.Named(run, root, part.Measures[run[0].MeasureIndex].Key)} {quality.Name}";
                yield return Finding.At(
                    Name,
                    part,
                    run,
                    Severity.Note,
                    $"{name} arpeggio",
                    $"These {count} notes are the chord of {name}: think the chord, not the notes."
                );
                i += count - 1;
            }
        }
    }

    // The longest stretch from here that stays in one chord: in its measure, and on as long as the next measures are of the same chord.
    internal static (int Count, ChordQuality Quality, int Root)? Longest(IReadOnlyList<Note> phrase, int start)
    {
        (int Count, ChordQuality Quality, int Root)? best = null;
        var set = 1 << phrase[start].Top!.Value.PitchClass;
        var lowest = phrase[start];
        for (var end = start + 1; end < phrase.Count; end++)
        {
            var step = Math.Abs(Runs.Semitones(phrase[end - 1], phrase[end]));
            var isNext = phrase[end].MeasureIndex > phrase[end - 1].MeasureIndex;
            if (step is < 3 or > 9 || phrase[end - 1].SoundingDuration > 1 || (isNext && !GoesOn(phrase, start, end, set)))
                break;
            set |= 1 << phrase[end].Top!.Value.PitchClass;
            if (phrase[end].TopSounding < lowest.TopSounding)
                lowest = phrase[end];
            if (int.PopCount(set) > 4)
                break;
            if (end - start + 1 < LeastNotes || int.PopCount(set) < 3)
                continue;
            var classes = Enumerable.Range(0, 12).Where(pc => (set & (1 << pc)) != 0);
            if (Chords.Find(classes, lowest.Top!.Value.PitchClass) is { } chord)
                best = (end - start + 1, chord.Quality, chord.Root);
        }

        return best;
    }

    // The next measure has nothing but notes of the chord that stands, or the first notes lead up to a triad.
    private static bool GoesOn(IReadOnlyList<Note> phrase, int start, int next, int set)
    {
        var here = 0;
        for (var i = next; i < phrase.Count && phrase[i].MeasureIndex == phrase[next].MeasureIndex; i++)
            here |= 1 << phrase[i].Top!.Value.PitchClass;
        return (here & ~set) == 0 || (next - start < LeastNotes && int.PopCount(set | here) == 3);
    }
}
