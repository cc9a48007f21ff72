using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Collects what stands in the measures of one part, measured from each measure's start.</summary>
internal sealed class PartReader : IPartListener
{
    private const int MostWarnings = 50;

    private readonly IReadOnlyList<string> _labels;
    private readonly PartWalk _walk;
    private readonly List<Note> _measureNotes = [];
    private readonly Dictionary<int, int> _octaveShift = [];
    private readonly List<MovedSigns> _moved = [];
    private readonly Dictionary<Mark, Mark[]> _single = [];
    private Note? _lastNote;
    private int _inMeasure;
    private int _signsBefore;

    public PartReader(PartContent content, IReadOnlyList<string> labels)
    {
        (Content, _labels) = (content, labels);
        _walk = new PartWalk(content, Warn);
    }

    public List<string> Warnings { get; } = [];

    public List<Note> Notes { get; } = [];

    public List<Direction> Directions { get; } = [];

    public List<WedgeSign> Wedges { get; } = [];

    public List<SlurSign> SlurSigns { get; } = [];

    public List<(KeySignature Key, Meter Meter)> InForce { get; } = [];

    public List<Fraction> Lengths { get; } = [];

    /// <summary>For each measure how many notes stand up to its end.</summary>
    public List<int> NotesUpTo { get; } = [];

    public PartContent Content { get; }

    /// <summary>How many notes, members of chords and rests the part has.</summary>
    public int NoteCount => _walk.Ordinal;

    /// <summary>How many signs stand above and below its staff.</summary>
    public int SignCount => Directions.Count + Wedges.Count;

    public PartState State => _walk.State;

    /// <summary>Reads the part.</summary>
    public PartReader Read(CancellationToken cancelled = default)
    {
        _walk.Go(this, cancelled);
        return this;
    }

    void IPartListener.Begin(PartWalk walk)
    {
        (_inMeasure, _signsBefore) = (0, SignCount);

        _lastNote = null;
        _measureNotes.Clear();
    }

    void IPartListener.End(PartWalk walk)
    {
        ScoreLimits.Check(SignCount - _signsBefore, ScoreLimits.SignsAMeasure, "signs of one part in a measure");
        PlaceSigns(walk);
        InForce.Add(walk.AtStart);
        Lengths.Add(walk.Furthest);
        Notes.AddRange(InOrder(_measureNotes));
        NotesUpTo.Add(Notes.Count);
    }

    void IPartListener.Note(PartWalk walk, XElement element, NoteReader note)
    {
        ScoreLimits.Check(++_inMeasure, ScoreLimits.NotesAMeasure, "notes and rests of one part in a measure");
        var id = walk.NoteId;
        if (note.ReadsAsRest && !note.IsRest)
            walk.Warn("a note has no readable pitch: it is read as a rest");
        var head = note.Head(id, State.Transposition);
        if (walk.JoinsChord)
        {
            JoinChord(_lastNote!, head!, element, note);
            return;
        }

        var read = Made(walk, id, element, note);
        if (head is not null)
        {
            head.Owner = read;
            read.Heads = head;
        }

        if (note.Notations is not null)
            TakeSlurs(read, element);
        _measureNotes.Add(read);
        _lastNote = read;
    }

    void IPartListener.Attributes(PartWalk walk, XElement element)
    {
        var styles = element.Elements("measure-style").Elements();
        foreach (var style in styles.Where(s => s.Name.LocalName is "multiple-rest" or "measure-repeat" or "beat-repeat" or "slash"))
        {
            var text = $"{style.Name.LocalName} {style.Value.Trim()}".TrimEnd();
            Directions.Add(new Direction(DirectionKind.Sign, text, Content.Id, walk.Measure, walk.Cursor, 1));
        }
    }

    void IPartListener.Direction(PartWalk walk, XElement element)
    {
        var place = DirectionPlace.Of(walk, element);
        var (measure, offset) = (walk.Measure, place.Offset);
        var (directions, wedges) = (Directions.Count, Wedges.Count);
        var staff = Math.Clamp(element.Element("staff").Int() ?? 1, 1, 16);
        foreach (var sign in DirectionReader.Of(element))
            Directions.Add(
                new Direction(sign.Kind, Texts.Short(sign.Text), Content.Id, measure, offset, staff)
                {
                    Metronome = sign.Metronome,
                    Equation = sign.Equation,
                }
            );
        foreach (var type in element.Elements("direction-type").Elements())
        {
            if (type.Name.LocalName == "octave-shift")
                TakeOctaveShift(type, staff);
            else if (type.Name.LocalName == "wedge")
                Wedges.Add(new WedgeSign(Attribute(type, "type", ""), Attribute(type, "number", "1"), measure, offset, staff));
        }

        foreach (var sound in element.Elements("sound"))
            TakeTempo(sound, measure, offset);
        if (place.IsMoved)
            _moved.Add(new MovedSigns(place, directions..Directions.Count, wedges..Wedges.Count));
    }

    // Signs that the file moves are placed when the notes of the measure are known.
    private void PlaceSigns(PartWalk walk)
    {
        if (_moved.Count == 0)
            return;
        var moments = _measureNotes.Select(n => n.Offset).Append(walk.Furthest).ToHashSet();
        foreach (var signs in _moved)
        {
            var at = signs.Place.In(moments, walk.Furthest);
            for (var i = signs.Directions.Start.Value; i < signs.Directions.End.Value; i++)
                Directions[i] = Directions[i] with { Offset = at };
            for (var i = signs.Wedges.Start.Value; i < signs.Wedges.End.Value; i++)
                Wedges[i] = Wedges[i] with { Offset = at };
        }

        _moved.Clear();
    }

    void IPartListener.Sound(PartWalk walk, XElement element) => TakeTempo(element, walk.Measure, walk.Cursor);

    void IPartListener.Barline(PartWalk walk, XElement element)
    {
        if (element.Element("fermata") is null)
            return;
        var at = element.Attribute("location")?.Value == "left" ? Fraction.Zero : walk.Furthest;
        Directions.Add(new Direction(DirectionKind.BarlineFermata, "fermata", Content.Id, walk.Measure, at, 1));
    }

    private void TakeTempo(XElement sound, int measure, Fraction offset)
    {
        if (XmlNumbers.Decimal(sound.Attribute("tempo")?.Value) is not (> 0 and < 10_000 and { } bpm))
            return;
        Directions.Add(
            new Direction(DirectionKind.SoundingTempo, "", Content.Id, measure, offset, 1) { Metronome = new MetronomeMark(1, (double)bpm) }
        );
    }

    private Note Made(PartWalk walk, string id, XElement element, NoteReader read) =>
        new()
        {
            Id = id,
            PartId = Content.Id,
            MeasureIndex = walk.Measure,
            Offset = walk.NoteAt,
            Duration = walk.NoteLength,
            Kind = read.Kind,
            Voice = read.Voice,
            Staff = read.Staff,
            IsGrace = read.Grace is not null,
            GraceSlash = read.Grace?.Attribute("slash")?.Value == "yes",
            IsCue = read.IsCue,
            Type = read.Type,
            Dots = read.Dots,
            Beam = read.Beam,
            Tuplet = read.Tuplet,
            Lyrics = (IReadOnlyList<string>?)read.Lyrics ?? [],
            OctaveShift = _octaveShift.GetValueOrDefault(read.Staff),
            Marks = read.Notations is null ? [] : MarksOf(element),
        };

    // Most notes carry the same one mark as many others: they share it.
    private Mark[] MarksOf(XElement element)
    {
        var marks = MarkReader.Of(element).ToArray();
        if (marks.Length != 1)
            return marks;
        return _single.TryGetValue(marks[0], out var shared) ? shared : _single[marks[0]] = marks;
    }

    // Most measures of one voice stand in order already.
    private static List<Note> InOrder(List<Note> notes)
    {
        for (var i = 1; i < notes.Count; i++)
            if (notes[i].Offset < notes[i - 1].Offset)
                return [.. notes.OrderBy(n => n.Offset)];
        return notes;
    }

    // On one note the end of a slur comes before the start of the next, however the file orders them.
    private void TakeSlurs(Note note, XElement e)
    {
        foreach (var slur in e.Elements("notations").Elements("slur").OrderByDescending(x => Attribute(x, "type", "") == "stop"))
            SlurSigns.Add(new SlurSign(Attribute(slur, "type", ""), Attribute(slur, "number", "1"), note));
    }

    private void JoinChord(Note chord, NoteHead head, XElement e, NoteReader read)
    {
        head.Owner = chord;
        chord.Heads = chord.Heads.Append(head).ToArray();
        if (read.Notations is null)
            return;
        TakeSlurs(chord, e);
        chord.Marks = chord.Marks.Union(MarkReader.Of(e)).ToArray();
    }

    // "down" prints the notes lower than they sound (8va), "up" higher (8vb): MusicXML 4.0, element "octave-shift".
    private void TakeOctaveShift(XElement shift, int staff)
    {
        var octaves = (Math.Clamp(shift.Attribute("size").Int() ?? 8, 8, 22) - 1) / 7;
        _octaveShift[staff] = Attribute(shift, "type", "") switch
        {
            "down" => octaves,
            "up" => -octaves,
            "continue" => _octaveShift.GetValueOrDefault(staff),
            _ => 0,
        };
    }

    private static string Attribute(XElement e, string name, string otherwise) => e.Attribute(name)?.Value ?? otherwise;

    private void Warn(int measure, string what)
    {
        if (Warnings.Count < MostWarnings)
            Warnings.Add($"{Content.DisplayName}, measure {_labels[measure]}: {what}.");
    }
}

/// <summary>Signs of one direction that the file moves: places of its directions and of its hairpin ends in their lists.</summary>
internal sealed record MovedSigns(DirectionPlace Place, Range Directions, Range Wedges);

/// <summary>A printed end of a hairpin.</summary>
internal sealed record WedgeSign(string Type, string Number, int Measure, Fraction Offset, int Staff);

/// <summary>A printed end of a slur.</summary>
internal sealed record SlurSign(string Type, string Number, Note Note);
