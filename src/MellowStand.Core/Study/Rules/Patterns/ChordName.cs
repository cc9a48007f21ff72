using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A measure whose notes are plainly one chord: its name and its notes.</summary>
/// <remarks>A mallet player reads by chords. For instruments that play chords or are struck; the notes of all parts in the measure must
/// make the chord. Chord qualities agree with tests/reference/facts/chords.json (music21 10.5.1).</remarks>
[Example("part \"Marimba\"\n| <C4,E4>q <G4,C5>q <E4,G4>h", 1)]
[Example("part \"Marimba\"\n| C4q D4q E4q F4q", 0, "no chord")]
public sealed class ChordName : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "chord-name";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Family: Instruments.Family.Percussion or Instruments.Family.Keyboard })
            yield break;
        foreach (var measure in part.Measures)
        {
            var notes = measure.Notes.Where(n => n.Top is not null && !n.IsGrace).ToList();
            var pitches = notes.SelectMany(n => n.Heads).Select(h => h.Written).OfType<Pitch>().ToList();
            if (pitches.Count < 3)
                continue;
            var classes = pitches.Select(p => p.PitchClass).Distinct().ToList();
            var low = pitches.MinBy(p => p.Midi).PitchClass;
            if (classes.Count < 3 || Chords.Find(classes, low) is not { } chord)
                continue;
            var tones = string.Join(" ", chord.Quality.Tones.Select(t => Spelling.Of(chord.Root + t, measure.Key)));
            yield return Finding.At(
                Name,
                part,
                notes,
                Severity.Note,
                $"{Spelling.Of(chord.Root, measure.Key)}{chord.Quality.Sign}",
                $"Everything in this measure is {Spelling.Of(chord.Root, measure.Key)} {chord.Quality.Name}: {tones}."
            );
        }
    }
}
