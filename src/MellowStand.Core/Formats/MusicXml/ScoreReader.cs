using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Reads a MusicXML document into a <see cref="Score"/>.</summary>
/// <remarks>Source: MusicXML 4.0. What is odd is read as printed and told in a warning; only a file that is no score is refused.</remarks>
public static class ScoreReader
{
    /// <summary>Reads the bytes of a .musicxml, .xml or .mxl file.</summary>
    /// <exception cref="ScoreFormatException">The file is no score, is damaged, or is not safe.</exception>
    public static Score Read(byte[] bytes) => Read(ScoreDocument.Of(ScoreFile.Load(bytes, keepWhiteSpace: false)));

    /// <summary>Reads a loaded document.</summary>
    /// <exception cref="ScoreFormatException">The document's numbers are beyond reading.</exception>
    public static Score Read(ScoreDocument document)
    {
        try
        {
            return ReadChecked(document);
        }
        catch (OverflowException e)
        {
            throw new ScoreFormatException(
                "The score's durations are too large or too finely divided to be read exactly. Export the score again.",
                e
            );
        }
    }

    private static Score ReadChecked(ScoreDocument document)
    {
        var labels = MeasureLabels.Of(document.MeasureHeads);
        var readers = document.Parts.Select(p => new PartReader(p, labels)).ToList();
        foreach (var reader in readers)
            reader.Read();

        var warnings = new List<string>(document.Warnings);
        warnings.AddRange(readers.SelectMany(r => r.Warnings));
        var frames = Frames(document, readers, labels);
        warnings.AddRange(MeasureCheck.Warnings(document, readers, frames));
        var (order, orderWarnings) = PlayedOrder.Of(RepeatReader.Of(document));
        warnings.AddRange(orderWarnings);

        return new Score
        {
            Title = Title(document.Xml.Root!),
            Composer = Composer(document.Xml.Root!),
            Measures = frames,
            Parts = [.. readers.Select(r => Build(r, frames))],
            PlayedOrder = order,
            Warnings = warnings,
        };
    }

    private static List<MeasureFrame> Frames(ScoreDocument document, List<PartReader> readers, IReadOnlyList<string> labels)
    {
        var frames = new List<MeasureFrame>(labels.Count);
        var start = Fraction.Zero;
        var rehearsals = new Dictionary<int, string>();
        foreach (var mark in readers.SelectMany(r => r.Directions).Where(d => d.Kind == DirectionKind.Rehearsal))
            rehearsals.TryAdd(mark.MeasureIndex, mark.Text);
        for (var i = 0; i < labels.Count; i++)
        {
            var meter = readers[0].InForce[i].Meter;
            var content = readers.Aggregate(Fraction.Zero, (max, r) => Fraction.Max(max, r.Lengths[i]));
            var length = content > Fraction.Zero ? content : meter.Length;
            var isImplicit = document.MeasureHeads[i].Attribute("implicit")?.Value == "yes";
            var isPickup = length < meter.Length && (i == 0 || isImplicit);
            frames.Add(new MeasureFrame(i, labels[i], start, length, meter, isPickup, rehearsals.GetValueOrDefault(i)));
            start += length;
        }

        return frames;
    }

    private static Part Build(PartReader reader, List<MeasureFrame> frames)
    {
        foreach (var note in reader.Notes)
            note.Onset = frames[note.MeasureIndex].Start + note.Offset;
        foreach (var direction in reader.Directions)
            direction.Onset = frames[direction.MeasureIndex].Start + direction.Offset;
        SpanLinker.LinkTies(reader.Notes);
        var byMeasure = reader.Notes.ToLookup(n => n.MeasureIndex);
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
            Measures =
            [
                .. frames.Select(f => new PartMeasure(
                    f.Index,
                    reader.InForce[f.Index].Key,
                    reader.InForce[f.Index].Meter,
                    [.. byMeasure[f.Index]]
                )),
            ],
            Notes = reader.Notes,
            Directions = [.. reader.Directions.OrderBy(d => d.Onset)],
            Slurs = SpanLinker.Slurs(reader.SlurSigns),
            Hairpins = SpanLinker.Hairpins(reader.Wedges, frames),
        };
        AttachDynamics(part);
        return part;
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
                note.Marks = [.. note.Marks.Union(levels[place].Select(d => new Mark("dynamics", d.Text)))];
        }
    }

    private static string Title(XElement root)
    {
        var title = root.Element("work")?.Element("work-title")?.Value ?? root.Element("movement-title")?.Value;
        if (string.IsNullOrWhiteSpace(title))
            title = root.Element("movement-title")?.Value;
        if (string.IsNullOrWhiteSpace(title))
        {
            title = root.Elements("credit")
                .FirstOrDefault(c => c.Elements("credit-type").Any(t => t.Value.Trim() == "title"))
                ?.Element("credit-words")
                ?.Value;
        }

        return string.Join(' ', (title ?? "").Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
    }

    private static string? Composer(XElement root) =>
        root.Element("identification")?.Elements("creator").FirstOrDefault(c => c.Attribute("type")?.Value == "composer")?.Value.Trim();
}
