using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.ShortForm;

/// <summary>Writes the measures of one part of the short form, keeping what is in force.</summary>
internal sealed class ShortFormMeasureWriter(ShortFormPart part)
{
    /// <summary>Divisions of a quarter: room for 32nds and triplet sixteenths.</summary>
    private const int Divisions = 24;

    private readonly AccidentalMemory _signs = new();
    private readonly Dictionary<int, int> _openTies = [];
    private string _value = "q";
    private KeySignature _key = KeySignature.None;
    private Meter _meter = Meter.CommonTime;
    private int _openSlurs;
    private bool _opensGlissando;
    private bool _wroteClef;

    public void Fill(XElement measure, IReadOnlyList<string> tokens, bool isFirst, bool isLast)
    {
        _signs.Clear();
        var attributes = new XElement("attributes");
        var beamed = new List<BeamNote>();
        var at = Fraction.Zero;
        XElement? rightBar = null;
        if (isFirst)
            attributes.Add(new XElement("divisions", Divisions));
        var newKey = isFirst;
        var newMeter = isFirst;
        var body = new List<XElement>();
        foreach (var token in tokens)
        {
            if (token.StartsWith("key:", StringComparison.Ordinal))
                (_key, newKey) = (KeyOf(token[4..]), true);
            else if (token.StartsWith("meter:", StringComparison.Ordinal))
                (_meter, newMeter) = (MeterOf(token[6..]), true);
            else if (ShortFormToken.Read(token, ref _value) is { } note)
            {
                foreach (var e in NoteElements(note))
                {
                    body.Add(e);
                    if (e.Element("chord") is null && note.Pitches.Count > 0 && !note.Grace)
                        beamed.Add(new BeamNote(e, note.Type, note.Duration, at));
                }

                at += note.Duration;
            }
            else if (ShortFormSigns.RightBar(token) is { } right)
                rightBar = Merge(rightBar, right);
            else
                body.Add(
                    ShortFormSigns.Read(token)
                        ?? throw new FormatException(
                            $"\"{token}\" is not understood in {part.Name}, measure {measure.Attribute("number")?.Value}."
                        )
                );
        }

        if (newKey)
            attributes.Add(KeyElement());
        if (newMeter)
            attributes.Add(MeterElement());
        if (!_wroteClef)
            attributes.Add(ClefElement());
        if (!_wroteClef && part.Transposition != Transposition.None)
            attributes.Add(TransposeElement());
        _wroteClef = true;
        BeamWriter.Write(beamed, _meter);
        measure.Add(body.Where(e => e.Name.LocalName == "barline"));
        if (attributes.HasElements)
            measure.Add(attributes);
        measure.Add(body.Where(e => e.Name.LocalName != "barline"));
        if (rightBar is null && isLast)
            rightBar = new XElement("barline", new XAttribute("location", "right"), new XElement("bar-style", "light-heavy"));
        if (rightBar is not null)
            measure.Add(rightBar);
    }

    private static XElement Merge(XElement? bar, XElement right)
    {
        if (bar is null)
            return right;
        foreach (var e in right.Elements().ToList())
        {
            if (e.Name.LocalName == "ending")
                XmlEdit.Insert(bar, new XElement(e), ["repeat"]);
            else if (bar.Element(e.Name) is null)
                XmlEdit.Insert(bar, new XElement(e), e.Name.LocalName == "bar-style" ? ["ending", "repeat"] : []);
        }

        return bar;
    }

    private IEnumerable<XElement> NoteElements(ShortNote note)
    {
        if (note.Pitches.Count == 0)
        {
            yield return Finish(new XElement("note", new XElement("rest")), note, null, first: true);
            yield break;
        }

        for (var i = 0; i < note.Pitches.Count; i++)
        {
            var pitch = part.Concert && !note.Unpitched ? part.Transposition.Write(note.Pitches[i]) : note.Pitches[i];
            var e = new XElement("note");
            if (note.Grace)
                e.Add(new XElement("grace"));
            if (i > 0)
                e.Add(new XElement("chord"));
            e.Add(note.Unpitched ? Unpitched(pitch) : PitchElement(pitch));
            yield return Finish(e, note, note.Unpitched ? null : pitch, first: i == 0);
        }
    }

    private XElement Finish(XElement e, ShortNote note, Pitch? pitch, bool first)
    {
        if (!note.Grace)
            e.Add(new XElement("duration", Units(note.Duration)));
        var (start, stop) = Ties(note, pitch);
        if (stop)
            e.Add(new XElement("tie", new XAttribute("type", "stop")));
        if (start)
            e.Add(new XElement("tie", new XAttribute("type", "start")));
        e.Add(new XElement("voice", 1), new XElement("type", note.Type), Enumerable.Range(0, note.Dots).Select(_ => new XElement("dot")));
        if (pitch is { } p && !stop && _signs.For(p, WrittenKey) is { } sign)
            e.Add(new XElement("accidental", sign));
        if (pitch is { } tied && stop)
            _signs.Forget(tied);
        if (note.Triplet)
            e.Add(new XElement("time-modification", new XElement("actual-notes", 3), new XElement("normal-notes", 2)));
        Notations(e, note, start, stop, first);
        return e;
    }

    private void Notations(XElement e, ShortNote note, bool start, bool stop, bool first)
    {
        var notations = new XElement("notations");
        if (stop)
            notations.Add(new XElement("tied", new XAttribute("type", "stop")));
        if (start)
            notations.Add(new XElement("tied", new XAttribute("type", "start")));
        if (first)
        {
            Glissando(notations, note);
            for (var i = 0; i < note.SlurStops && _openSlurs > 0; i++)
                notations.Add(Slur("stop", _openSlurs--));
            for (var i = 0; i < note.SlurStarts; i++)
                notations.Add(Slur("start", ++_openSlurs));
        }

        if (notations.HasElements)
            e.Add(notations);
        if (!first)
            return;
        foreach (var mark in note.Marks.Where(m => m.Name != "glissando-start"))
            if (MarkCatalog.FormOf(mark.Name) is { } form)
                NotationWriter.Add(e, form, mark);
            else
                throw new FormatException($"\"{mark}\" is no mark.");
    }

    // It goes to the next note.
    private void Glissando(XElement notations, ShortNote note)
    {
        if (_opensGlissando)
            notations.Add(new XElement("glissando", new XAttribute("type", "stop"), new XAttribute("number", 1)));
        _opensGlissando = note.Marks.Any(m => m.Name == "glissando-start");
        if (_opensGlissando)
            notations.Add(new XElement("glissando", new XAttribute("type", "start"), new XAttribute("number", 1)));
    }

    private static XElement Slur(string type, int number) => new("slur", new XAttribute("type", type), new XAttribute("number", number));

    private (bool Start, bool Stop) Ties(ShortNote note, Pitch? pitch)
    {
        if (pitch is not { } p)
            return (false, false);
        var stop = _openTies.Remove(p.Midi);
        if (note.TieStart)
            _openTies[p.Midi] = 1;
        return (note.TieStart, stop);
    }

    private KeySignature WrittenKey => part.Concert ? _key.Written(part.Transposition) : _key;

    private static XElement PitchElement(Pitch p)
    {
        var e = new XElement("pitch", new XElement("step", p.Step.ToString()));
        if (p.Alter != 0)
            e.Add(new XElement("alter", p.Alter));
        e.Add(new XElement("octave", p.Octave));
        return e;
    }

    private static XElement Unpitched(Pitch p) =>
        new("unpitched", new XElement("display-step", p.Step.ToString()), new XElement("display-octave", p.Octave));

    private static long Units(Fraction duration)
    {
        var units = duration * Divisions;
        return units.Denominator == 1
            ? units.Numerator
            : throw new FormatException($"A length of {duration} quarters is too fine for the short form.");
    }

    private XElement KeyElement() => new("key", new XElement("fifths", WrittenKey.Fifths));

    private XElement MeterElement() =>
        new(
            "time",
            _meter.Groups.Select(g => g.BeatType).Distinct().Count() == 1 && _meter.Groups.Count > 1
                ?
                [
                    new XElement("beats", string.Join('+', _meter.Groups.Select(g => g.Beats))),
                    new XElement("beat-type", _meter.Groups[0].BeatType),
                ]
                : _meter.Groups.SelectMany(g => new[] { new XElement("beats", g.Beats), new XElement("beat-type", g.BeatType) })
        );

    private XElement ClefElement() =>
        part.Clef == "percussion"
            ? new XElement("clef", new XElement("sign", "percussion"))
            : new XElement("clef", new XElement("sign", part.Clef[..1]), new XElement("line", part.Clef[1..]));

    private XElement TransposeElement()
    {
        var t = part.Transposition;
        var e = new XElement("transpose", new XElement("diatonic", t.Diatonic), new XElement("chromatic", t.Chromatic));
        if (t.Octaves != 0)
            e.Add(new XElement("octave-change", t.Octaves));
        return e;
    }

    private static KeySignature KeyOf(string text)
    {
        if (int.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var fifths))
            return new KeySignature(fifths);
        if (!Pitch.TryParse(text.TrimEnd('m') + "4", out var tonic))
            throw new FormatException($"\"{text}\" is no key.");
        var major = Enumerable.Range(-9, 19).First(f => KeySignature.TonicName(f) == tonic.Name);
        return text.EndsWith('m') ? new KeySignature(major - 3, "minor") : new KeySignature(major);
    }

    private static Meter MeterOf(string text)
    {
        var pieces = text.Split('/');
        var type = int.Parse(pieces[1], CultureInfo.InvariantCulture);
        return new Meter([.. pieces[0].Split('+').Select(b => new MeterGroup(int.Parse(b, CultureInfo.InvariantCulture), type))]);
    }
}
