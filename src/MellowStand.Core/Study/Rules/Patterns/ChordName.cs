using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A measure whose notes are plainly one chord: its name and its notes.</summary>
/// <remarks>A mallet player reads by chords. For instruments that play chords or are struck; the notes of all parts in the measure must
/// make the chord. Chord qualities agree with tests/reference/facts/chords.json (music21 10.5.1).</remarks>
[Example("part \"Marimba\"\n| <C4,E4>q <G4,C5>q <E4,G4>h", 1)]
[Example("part \"Marimba\"\n| <F4,A4,C5>h <G4,B4,D5>h", 2, "a chord for each half")]
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
            if (Named(part, measure, notes, "measure") is { } whole)
            {
                yield return whole;
                continue;
            }

            // Harmony moves by half measures too: what is struck together in a half is named where each half is a chord.
            var half = measure.Meter.Length / 2;
            var halves = new[] { notes.Where(n => n.Offset < half).ToList(), notes.Where(n => n.Offset >= half).ToList() };
            var named = halves.Select(h => Named(part, measure, h, "half measure")).OfType<Finding>().ToList();
            if (named.Count == halves.Length)
                foreach (var finding in named)
                    yield return finding;
        }
    }

    private Finding? Named(Part part, PartMeasure measure, List<Note> notes, string where)
    {
        var pitches = notes.SelectMany(n => n.Heads).Select(h => h.Written).OfType<Pitch>().ToList();
        var classes = pitches.Select(p => p.PitchClass).Distinct().ToList();
        if (classes.Count < 3 || Chords.Find(classes, pitches.MinBy(p => p.Midi).PitchClass) is not { } chord)
            return null;
        var tones = string.Join(" ", chord.Quality.Tones.Select(t => Spelling.Of(chord.Root + t, measure.Key)));
        var root = ChordRoot.Named(notes, chord.Root, measure.Key);
        return Finding.At(
            Name,
            part,
            notes,
            Severity.Note,
            $"{root}{chord.Quality.Sign}",
            $"Everything in this {where} is {root} {chord.Quality.Name}: {tones}."
        );
    }
}
