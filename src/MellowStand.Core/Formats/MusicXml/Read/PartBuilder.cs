using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Puts what was collected of a part together: moments, ties, slurs, hairpins, levels.</summary>
internal static class PartBuilder
{
    public static Part Build(PartReader reader, IReadOnlyList<MeasureFrame> frames)
    {
        foreach (var note in reader.Notes)
            note.Onset = frames[note.MeasureIndex].Start + note.Offset;
        foreach (var direction in reader.Directions)
            direction.Onset = frames[direction.MeasureIndex].Start + direction.Offset;
        SpanLinker.LinkTies(reader.Notes);
        var notes = reader.Notes.ToArray();
        var header = reader.Content.Header;
        var part = new Part
        {
            Id = reader.Content.Id,
            Name = reader.Content.Name,
            Abbreviation = reader.Content.Abbreviation,
            Sound = header?.Elements("score-instrument").Elements("instrument-sound").FirstOrDefault()?.Value.Trim(),
            MidiProgram = header?.Elements("midi-instrument").Elements("midi-program").FirstOrDefault().Int(),
            Transposition = reader.State.FirstTransposition ?? Transposition.None,
            Clef = reader.State.FirstClef,
            Staves = Math.Max(reader.State.Staves, reader.Notes.Count == 0 ? 1 : reader.Notes.Max(n => n.Staff)),
            Measures = frames.Select(f => Measure(reader, notes, f.Index)).ToArray(),
            Notes = notes,
            Directions = [.. reader.Directions.OrderBy(d => d.Onset)],
            Slurs = SpanLinker.Slurs(reader.SlurSigns),
            Hairpins = SpanLinker.Hairpins(reader.Wedges, frames),
        };
        AttachDynamics(part);
        return part;
    }

    // The notes of a measure are a window on those of the part.
    private static PartMeasure Measure(PartReader reader, Note[] notes, int index)
    {
        var from = index == 0 ? 0 : reader.NotesUpTo[index - 1];
        var (key, meter) = reader.InForce[index];
        return new PartMeasure(index, key, meter, new ArraySegment<Note>(notes, from, reader.NotesUpTo[index] - from));
    }

    // A level printed at a note belongs to the note: decisions and differences speak of notes.
    private static void AttachDynamics(Part part)
    {
        var levels = part.Directions.Where(d => d.Kind == DirectionKind.Dynamic).ToLookup(d => (d.MeasureIndex, d.Offset, d.Staff));
        if (levels.Count == 0)
            return;
        var seen = new HashSet<(int, Fraction, int)>();
        foreach (var note in part.Notes.Where(n => !n.IsGrace))
        {
            var place = (note.MeasureIndex, note.Offset, note.Staff);
            if (levels.Contains(place) && seen.Add(place))
                note.Marks = note.Marks.Union(levels[place].Select(d => new Mark("dynamics", d.Text))).ToArray();
        }
    }
}
