using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Finds the elements of a part again by note id and by moment.</summary>
internal sealed class PartIndex
{
    private readonly Dictionary<string, PlacedElement> _notes = [];
    private readonly List<PlacedElement> _directions = [];

    public PartIndex(PartContent content)
    {
        Content = content;
        var ordinal = 0;
        var divisions = new Fraction(1);
        for (var m = 0; m < content.Measures.Count; m++)
        {
            var cursor = Fraction.Zero;
            var chordAt = Fraction.Zero;
            foreach (var e in content.Measures[m]?.Elements() ?? [])
            {
                var length = (e.Element("duration").Exact() ?? Fraction.Zero) / divisions;
                switch (e.Name.LocalName)
                {
                    case "attributes" when e.Element("divisions").Int() is > 0 and { } d:
                        divisions = d;
                        break;
                    case "backup":
                        cursor = Fraction.Max(cursor - length, Fraction.Zero);
                        break;
                    case "forward":
                        cursor += length;
                        break;
                    case "direction":
                        _directions.Add(new PlacedElement(e, m, cursor));
                        break;
                    case "note":
                        var inChord = e.Element("chord") is not null;
                        if (!inChord)
                            chordAt = cursor;
                        _notes[NoteReader.IdOf(content.Id, ++ordinal)] = new PlacedElement(e, m, chordAt);
                        if (!inChord && e.Element("grace") is null)
                            cursor += length;
                        break;
                    default:
                        break;
                }
            }
        }
    }

    public PartContent Content { get; }

    public IEnumerable<KeyValuePair<string, PlacedElement>> Notes => _notes;

    public PlacedElement? Note(string id) => _notes.GetValueOrDefault(id);

    /// <summary>Directions at the moment of a note, on its staff.</summary>
    public IEnumerable<XElement> DirectionsAt(PlacedElement note) =>
        _directions
            .Where(d =>
                d.Measure == note.Measure
                && d.Offset == note.Offset
                && StaffOf(d.Element) == StaffOf(note.Element)
                && d.Element.Parent is not null
            )
            .Select(d => d.Element);

    public IEnumerable<PlacedElement> Directions => _directions.Where(d => d.Element.Parent is not null);

    public static int StaffOf(XElement e) => e.Element("staff").Int() ?? 1;
}

/// <summary>An element with its place: measure from 0 and quarters from the start of the measure.</summary>
internal sealed record PlacedElement(XElement Element, int Measure, Fraction Offset);
