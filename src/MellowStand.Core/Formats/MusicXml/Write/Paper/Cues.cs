using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>A note or rest of a cue, as the part that reads it has it written.</summary>
/// <param name="Pitch">Its written pitch; null for a rest.</param>
/// <param name="Sign">The accidental to print, or null.</param>
/// <param name="Source">The note that is played elsewhere.</param>
public sealed record CueNote(Pitch? Pitch, string? Sign, Note Source);

/// <summary>A measure of a cue.</summary>
/// <param name="From">Name of the part that plays it, told in its first measure; else null.</param>
/// <param name="Notes">Its notes and rests, which fill the measure.</param>
public sealed record CueBar(string? From, IReadOnlyList<CueNote> Notes);

/// <summary>Chooses what leads into each entry after a long rest: the highest line that moves through the last measures before
/// it.</summary>
/// <remarks>Two measures after eight or more of rest. Common practice, no published source.</remarks>
public static class Cues
{
    private const int LeastRest = 8;
    private const int Length = 2;
    private const int LeastNotes = 2;

    // B4, the middle line of the treble staff.
    private const int MiddleOfTheStaff = 71;

    /// <summary>The cues of a part, by measure from 0.</summary>
    /// <param name="score">The score.</param>
    /// <param name="part">The part that rests.</param>
    public static IReadOnlyDictionary<int, CueBar> Of(Score score, Part part)
    {
        var cues = new Dictionary<int, CueBar>();
        if (part.Staves > 1 || !part.Notes.Any(n => n.Heads.Any(h => h.Written is not null)))
            return cues;
        var rest = 0;
        for (var m = 0; m < score.Measures.Count; m++)
        {
            if (!Plays(part, m))
            {
                rest++;
                continue;
            }

            if (rest >= LeastRest && Source(score, part, m - Length) is { } source)
                foreach (var (measure, bar) in Bars(score, part, source, m - Length))
                    cues[measure] = bar;
            rest = 0;
        }

        return cues;
    }

    private static bool Plays(Part part, int measure) => part.Measures[measure].Notes.Any(n => n.Sounds && !n.IsCue);

    private static Part? Source(Score score, Part part, int from) =>
        score
            .Parts.Where(p => p != part && p.Staves == 1)
            .Select(p => (Part: p, Lines: Enumerable.Range(from, Length).Select(m => Line(score, p, m)).ToList()))
            .Where(x => x.Lines.TrueForAll(l => l is not null))
            .Select(x => (x.Part, Notes: x.Lines.SelectMany(l => l!).Where(n => n.Sounds).ToList()))
            .Where(x => x.Notes.Count >= LeastNotes && x.Notes.TrueForAll(n => n.TopSounding is not null))
            .OrderByDescending(x => x.Notes.Average(n => n.TopSounding!.Value))
            .Select(x => x.Part)
            .FirstOrDefault();

    // One voice that fills the measure by itself, or null.
    private static List<Note>? Line(Score score, Part part, int measure)
    {
        var all = part.Measures[measure].Notes.Where(n => !n.IsGrace && !n.IsCue).ToList();
        if (all.Count == 0)
            return null;
        var line = all.Where(n => n.Voice == all[0].Voice).ToList();
        var end = Fraction.Zero;
        foreach (var note in line)
        {
            if (note.Offset != end || note.Type is null)
                return null;
            end += note.Duration;
        }

        return end == score.Measures[measure].Length ? line : null;
    }

    // The whole cue lies in one octave, as its line does.
    private static IEnumerable<(int Measure, CueBar Bar)> Bars(Score score, Part part, Part source, int from)
    {
        var lines = Enumerable.Range(from, Length).Select(m => (Measure: m, Notes: Line(score, source, m)!)).ToList();
        var octaves = OctavesInto(part, lines.SelectMany(l => l.Notes));
        return lines.Select(l => (l.Measure, Bar(part, source, l.Measure, l.Notes, octaves, l.Measure == from)));
    }

    private static CueBar Bar(Part part, Part source, int measure, List<Note> line, int octaves, bool isFirst)
    {
        var key = part.Measures[measure].Key;
        var state = new Dictionary<(Step, int), decimal>();
        var notes = line.Select(n =>
            {
                if (n.Top is not { } written || !n.Sounds)
                    return new CueNote(null, null, n);
                var pitch = part.Transposition.Write(source.Transposition.Sound(written)).Transpose(7 * octaves, 12 * octaves);
                return new CueNote(pitch, SignOf(pitch, key, state), n);
            })
            .ToList();
        return new CueBar(isFirst ? source.Name : null, notes);
    }

    // A cue is written where its reader's own notes lie.
    private static int OctavesInto(Part part, IEnumerable<Note> line)
    {
        var own = part.Notes.SelectMany(n => n.Heads).Select(h => h.Written?.Midi).OfType<int>().DefaultIfEmpty(MiddleOfTheStaff);
        var cue = line.Where(n => n.Sounds)
            .Select(n => n.TopSounding - part.Transposition.Semitones)
            .OfType<int>()
            .DefaultIfEmpty(MiddleOfTheStaff);
        return (int)Math.Round((own.Average() - cue.Average()) / 12, MidpointRounding.AwayFromZero);
    }

    private static string? SignOf(Pitch pitch, KeySignature key, Dictionary<(Step, int), decimal> state)
    {
        var before = state.GetValueOrDefault((pitch.Step, pitch.Octave), key.AlterOf(pitch.Step));
        state[(pitch.Step, pitch.Octave)] = pitch.Alter;
        if (before == pitch.Alter)
            return null;
        return pitch.Alter switch
        {
            0 => "natural",
            1 => "sharp",
            -1 => "flat",
            2 => "double-sharp",
            -2 => "flat-flat",
            _ => null,
        };
    }
}
