using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Writes the notes of one plain part: a length that no single value has is written as several, tied.</summary>
/// <remarks>Source: MusicXML 4.0, element "note". A sound without pitch stands on the middle line.</remarks>
internal sealed class PlainNoteWriter(int staves, Func<Fraction, long> units)
{
    private static readonly HashSet<MarkForm> Written = [MarkForm.Articulation, MarkForm.Technical, MarkForm.Ornament, MarkForm.Plain];

    private readonly Dictionary<int, AccidentalMemory> _signs = [];
    private readonly Dictionary<(int Voice, int Key), bool> _openTies = [];
    private readonly Dictionary<int, Stack<int>> _openSlurs = [];

    /// <summary>Accidentals hold to the bar line.</summary>
    public void BeginMeasure()
    {
        foreach (var memory in _signs.Values)
            memory.Clear();
    }

    /// <summary>The elements of a note with the type and length of each.</summary>
    public IEnumerable<(XElement Element, string Type, Fraction Length)> Write(PlainNote note, int voice, PlainMeasure measure)
    {
        var staff = measure.Voices[voice].Staff;
        if (note.IsGrace)
        {
            foreach (
                var element in Heads(
                    note,
                    new Piece(note.Value ?? new PlainValue("eighth"), Fraction.Zero, true, true),
                    voice,
                    staff,
                    measure
                )
            )
                yield return (element, "", Fraction.Zero);
            yield break;
        }

        var values = note.Value is { } own ? [(own, note.Length)] : LengthSpelling.Many(note.Length) ?? [(new PlainValue(""), note.Length)];
        for (var i = 0; i < values.Count; i++)
        {
            var piece = new Piece(values[i].Item1, values[i].Item2, i == 0, i == values.Count - 1);
            foreach (var element in Heads(note, piece, voice, staff, measure))
                yield return (element, piece.Value.Type, piece.Length);
        }
    }

    private IEnumerable<XElement> Heads(PlainNote note, Piece piece, int voice, int staff, PlainMeasure measure)
    {
        if (!note.Sounds)
        {
            yield return Finish(new XElement("note", new XElement("rest")), note, piece, null, voice, staff, measure);
            yield break;
        }

        for (var i = 0; i < note.Heads.Count; i++)
        {
            var element = new XElement("note");
            if (note.IsGrace)
                element.Add(note.HasSlash ? new XElement("grace", new XAttribute("slash", "yes")) : new XElement("grace"));
            if (i > 0)
                element.Add(new XElement("chord"));
            element.Add(note.Heads[i].Written is { } pitch ? PitchOf(pitch) : Unpitched());
            yield return Finish(element, note, piece, note.Heads[i], voice, staff, measure);
        }
    }

    private XElement Finish(XElement e, PlainNote note, Piece piece, PlainHead? head, int voice, int staff, PlainMeasure measure)
    {
        if (!note.IsGrace)
            e.Add(new XElement("duration", units(piece.Length)));
        var key = head?.Written?.Midi ?? -1;
        var stops = head is not null && _openTies.Remove((voice, key));
        var starts = head is not null && (head.TiesOn || !piece.IsLast);
        if (starts)
            _openTies[(voice, key)] = true;
        if (stops)
            e.Add(new XElement("tie", new XAttribute("type", "stop")));
        if (starts)
            e.Add(new XElement("tie", new XAttribute("type", "start")));
        e.Add(new XElement("voice", voice + 1));
        if (piece.Value.Type.Length > 0)
            e.Add(new XElement("type", piece.Value.Type));
        e.Add(Enumerable.Range(0, piece.Value.Dots).Select(_ => new XElement("dot")));
        if (head?.Written is { } pitch && Sign(pitch, stops, staff, measure.Key) is { } sign)
            e.Add(new XElement("accidental", sign));
        if (piece.Value.Actual != piece.Value.Normal)
            e.Add(
                new XElement(
                    "time-modification",
                    new XElement("actual-notes", piece.Value.Actual),
                    new XElement("normal-notes", piece.Value.Normal)
                )
            );
        if (staves > 1)
            e.Add(new XElement("staff", staff));
        Notations(e, note, piece, starts, stops, voice);
        if (note.Lyric is { } word && piece.IsFirst && e.Element("chord") is null)
            e.Add(new XElement("lyric", new XElement("syllabic", "single"), new XElement("text", word)));
        return e;
    }

    private string? Sign(Pitch pitch, bool isTiedOver, int staff, KeySignature key)
    {
        if (!_signs.TryGetValue(staff, out var memory))
            _signs[staff] = memory = new AccidentalMemory();
        if (!isTiedOver)
            return memory.For(pitch, key);
        memory.Forget(pitch);
        return null;
    }

    private void Notations(XElement e, PlainNote note, Piece piece, bool tiesOn, bool isTiedOver, int voice)
    {
        var notations = new XElement("notations");
        if (isTiedOver)
            notations.Add(new XElement("tied", new XAttribute("type", "stop")));
        if (tiesOn)
            notations.Add(new XElement("tied", new XAttribute("type", "start")));
        var isTop = e.Element("chord") is null;
        if (isTop)
            Slurs(notations, note, piece, voice);
        if (notations.HasElements)
            AddBefore(e, notations);
        if (!isTop || !piece.IsFirst)
            return;
        foreach (var mark in note.Marks)
            if (MarkCatalog.FormOf(mark.Name) is { } form && Written.Contains(form) && MarkCatalog.Problem(mark) is null)
                NotationWriter.Add(e, form, mark);
            else if (
                mark is { Name: "accidental-mark-below", Value: { } below }
                && e.Element("notations")?.Element("ornaments") is { } group
            )
                group.Add(new XElement("accidental-mark", new XAttribute("placement", "below"), below));
    }

    private static void AddBefore(XElement e, XElement notations) => XmlEdit.Insert(e, notations, ["lyric"]);

    private void Slurs(XElement notations, PlainNote note, Piece piece, int voice)
    {
        if (!_openSlurs.TryGetValue(voice, out var open))
            _openSlurs[voice] = open = new Stack<int>();
        for (var i = 0; i < note.SlurEnds && piece.IsLast && open.Count > 0; i++)
            notations.Add(Slur("stop", open.Pop()));
        for (var i = 0; i < note.SlurStarts && piece.IsFirst && Free(open) is { } number; i++)
        {
            open.Push(number);
            notations.Add(Slur("start", number));
        }
    }

    // MusicXML numbers sixteen slurs at once.
    private static int? Free(Stack<int> open)
    {
        for (var number = 1; number <= 16; number++)
            if (!open.Contains(number))
                return number;
        return null;
    }

    private static XElement Slur(string type, int number) => new("slur", new XAttribute("type", type), new XAttribute("number", number));

    private static XElement PitchOf(Pitch p)
    {
        var e = new XElement("pitch", new XElement("step", p.Step.ToString()));
        if (p.Alter != 0)
            e.Add(new XElement("alter", p.Alter));
        e.Add(new XElement("octave", p.Octave));
        return e;
    }

    private static XElement Unpitched() => new("unpitched", new XElement("display-step", "B"), new XElement("display-octave", 4));

    // One printed value of a note.
    private sealed record Piece(PlainValue Value, Fraction Length, bool IsFirst, bool IsLast);
}
