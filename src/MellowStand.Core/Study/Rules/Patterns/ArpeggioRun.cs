using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A broken chord, named by its quality.</summary>
/// <remarks>Four notes or more of one chord, at least three different ones, each step to another chord tone; turning back is allowed. Chord
/// qualities agree with tests/reference/facts/chords.json (music21 10.5.1).</remarks>
[Example("| C4e E4e G4e C5e G4e E4e C4q", 1)]
[Example("| G4e B4e D5e F5e D5e B4e G4q", 1)]
[Example("| C4e E4e G4e A4e C4h", 0)]
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
            for (var i = 0; i + LeastNotes <= phrase.Count;)
            {
                if (Longest(phrase, i) is not { } found)
                {
                    i++;
                    continue;
                }

                var (count, quality, root) = found;
                var run = phrase.Skip(i).Take(count).ToList();
                var name = $"{Spelling.Of(root, part.Measures[run[0].MeasureIndex].Key)} {quality.Name}";
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

    // The longest stretch from here that stays in one chord.
    internal static (int Count, ChordQuality Quality, int Root)? Longest(IReadOnlyList<Note> phrase, int start)
    {
        (int, ChordQuality, int)? best = null;
        var set = 1 << phrase[start].Top!.Value.PitchClass;
        var lowest = phrase[start];
        for (var end = start + 1; end < phrase.Count; end++)
        {
            var step = Math.Abs(Runs.Semitones(phrase[end - 1], phrase[end]));
            if (step is < 3 or > 9 || phrase[end - 1].SoundingDuration > 1)
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
}
