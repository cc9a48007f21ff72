using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Walks the measures of one part and collects what stands in them, measured from each measure's start.</summary>
/// <remarks>The cursor moves as MusicXML 4.0 says under "note", "backup" and "forward".</remarks>
internal sealed class PartReader(PartContent content, IReadOnlyList<string> labels)
{
    private readonly PartState _state = new();
    private readonly List<Note> _measureNotes = [];
    private int _ordinal;
    private int _measure;
    private Fraction _cursor;
    private Fraction _furthest;
    private Note? _lastNote;
    private readonly Dictionary<int, int> _octaveShift = [];

    public List<string> Warnings { get; } = [];

    public List<Note> Notes { get; } = [];

    public List<Direction> Directions { get; } = [];

    public List<WedgeSign> Wedges { get; } = [];

    public List<SlurSign> SlurSigns { get; } = [];

    public List<(KeySignature Key, Meter Meter, bool MeterChanged)> InForce { get; } = [];

    public List<Fraction> Lengths { get; } = [];

    public PartContent Content => content;

    public PartState State => _state;

    public void Read()
    {
        for (_measure = 0; _measure < content.Measures.Count; _measure++)
        {
            _cursor = _furthest = Fraction.Zero;
            _lastNote = null;
            _measureNotes.Clear();
            _state.MeterChanged = false;
            (KeySignature, Meter)? atStart = null;
            foreach (var e in content.Measures[_measure]?.Elements() ?? [])
            {
                if (atStart is null && e.Name.LocalName is "note" or "forward")
                    atStart ??= (_state.Key, _state.Meter);
                ReadElement(e);
            }

            var (key, meter) = atStart ?? (_state.Key, _state.Meter);
            InForce.Add((key, meter, _state.MeterChanged));
            Lengths.Add(_furthest);
            Notes.AddRange(InOrder(_measureNotes));
        }
    }

    // Most measures of one voice stand in order already.
    private static List<Note> InOrder(List<Note> notes)
    {
        for (var i = 1; i < notes.Count; i++)
            if (notes[i].Offset < notes[i - 1].Offset)
                return [.. notes.OrderBy(n => n.Offset)];
        return notes;
    }

    private void ReadElement(XElement e)
    {
        switch (e.Name.LocalName)
        {
            case "note":
                ReadNote(e);
                break;
            case "backup":
                Move(-Duration(e.Element("duration")));
                break;
            case "forward":
                Move(Duration(e.Element("duration")));
                break;
            case "attributes":
                _state.Apply(e, Warn);
                ReadMeasureStyle(e);
                break;
            case "direction":
                ReadDirection(e);
                break;
            default:
                break;
        }
    }

    private void ReadMeasureStyle(XElement attributes)
    {
        foreach (
            var style in attributes
                .Elements("measure-style")
                .Elements()
                .Where(s => s.Name.LocalName is "multiple-rest" or "measure-repeat" or "beat-repeat" or "slash")
        )
            Directions.Add(
                new Direction(
                    DirectionKind.Sign,
                    $"{style.Name.LocalName} {style.Value.Trim()}".TrimEnd(),
                    content.Id,
                    _measure,
                    _cursor,
                    1
                )
            );
    }

    private void ReadNote(XElement e)
    {
        var id = NoteReader.IdOf(content.Id, ++_ordinal);
        var read = new NoteReader(e);
        var kind = read.Kind;
        var head = read.Head(id, _state.Transposition);
        if (kind == NoteKind.Pitched && head?.Written is null)
        {
            Warn("a note has no readable pitch: it is read as a rest");
            (kind, head) = (NoteKind.Rest, null);
        }

        if (read.IsChord && _lastNote is { } chord && head is not null)
        {
            JoinChord(chord, head, e, read);
            return;
        }

        var duration = read.Grace is null ? Duration(read.Duration) : Fraction.Zero;
        var note = new Note
        {
            Id = id,
            PartId = content.Id,
            MeasureIndex = _measure,
            Offset = _cursor,
            Duration = duration,
            Kind = kind,
            Voice = read.Voice,
            Staff = read.Staff,
            IsGrace = read.Grace is not null,
            GraceSlash = read.Grace?.Attribute("slash")?.Value == "yes",
            IsCue = read.IsCue,
            Type = read.Type,
            Dots = read.Dots,
            Beam = read.Beam,
            Tuplet = read.Tuplet,
            Lyrics = read.Lyrics ?? [],
            OctaveShift = _octaveShift.GetValueOrDefault(read.Staff),
            Marks = read.Notations is null ? [] : [.. MarkReader.Of(e)],
        };
        if (head is not null)
        {
            head.Owner = note;
            note.Heads = [head];
        }

        if (read.Notations is not null)
            TakeSlurs(note, e);
        _measureNotes.Add(note);
        _lastNote = note;
        if (!note.IsGrace)
            Move(duration);
    }

    private void TakeSlurs(Note note, XElement e)
    {
        // On one note the end of a slur comes before the start of the next, however the file orders them.
        foreach (var slur in e.Elements("notations").Elements("slur").OrderByDescending(x => x.Attribute("type")?.Value == "stop"))
            SlurSigns.Add(new SlurSign(slur.Attribute("type")?.Value ?? "", slur.Attribute("number")?.Value ?? "1", note));
    }

    private void JoinChord(Note chord, NoteHead head, XElement e, NoteReader read)
    {
        head.Owner = chord;
        chord.Heads = [.. chord.Heads, head];
        if (read.Notations is null)
            return;
        TakeSlurs(chord, e);
        chord.Marks = [.. chord.Marks.Union(MarkReader.Of(e))];
    }

    private void ReadDirection(XElement e)
    {
        // An "offset" moves the sign on the page by a hair; the sign belongs to the moment it is written at.
        var offset = _cursor;
        var staff = Math.Clamp(e.Element("staff").Int() ?? 1, 1, 16);
        foreach (var sign in DirectionReader.Of(e))
            Directions.Add(
                new Direction(sign.Kind, sign.Text, content.Id, _measure, offset, staff)
                {
                    Metronome = sign.Metronome,
                    Equation = sign.Equation,
                }
            );
        foreach (var shift in e.Elements("direction-type").Elements("octave-shift"))
            TakeOctaveShift(shift, staff);
        foreach (var wedge in e.Elements("direction-type").Elements("wedge"))
            Wedges.Add(
                new WedgeSign(wedge.Attribute("type")?.Value ?? "", wedge.Attribute("number")?.Value ?? "1", _measure, offset, staff)
            );
    }

    // "down" prints the notes lower than they sound (8va), "up" higher (8vb): MusicXML 4.0, element "octave-shift".
    private void TakeOctaveShift(XElement shift, int staff)
    {
        var octaves = (Math.Clamp(shift.Attribute("size").Int() ?? 8, 8, 22) - 1) / 7;
        _octaveShift[staff] = shift.Attribute("type")?.Value switch
        {
            "down" => octaves,
            "up" => -octaves,
            "continue" => _octaveShift.GetValueOrDefault(staff),
            _ => 0,
        };
    }

    private Fraction Duration(XElement? text)
    {
        if (text is null)
            return Fraction.Zero;
        if (text.Exact() is { } n && n >= Fraction.Zero)
            return n / _state.Divisions;
        Warn($"the duration \"{PartState.Short(text.Value)}\" makes no sense: it is read as nothing");
        return Fraction.Zero;
    }

    private void Move(Fraction by)
    {
        _cursor += by;
        if (_cursor < Fraction.Zero)
        {
            Warn("the file steps back beyond the bar line: it is read from the bar line");
            _cursor = Fraction.Zero;
        }

        _furthest = Fraction.Max(_furthest, _cursor);
    }

    private void Warn(string what)
    {
        if (Warnings.Count < 50)
            Warnings.Add($"{content.DisplayName}, measure {labels[_measure]}: {what}.");
    }
}

/// <summary>A printed end of a hairpin.</summary>
internal sealed record WedgeSign(string Type, string Number, int Measure, Fraction Offset, int Staff);

/// <summary>A printed end of a slur.</summary>
internal sealed record SlurSign(string Type, string Number, Note Note);
