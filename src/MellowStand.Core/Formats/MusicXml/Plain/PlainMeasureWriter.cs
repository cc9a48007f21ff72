using System.Globalization;
using System.Numerics;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Writes the measures of one plain part, keeping what is in force.</summary>
internal sealed class PlainMeasureWriter
{
    private readonly PlainPart _part;
    private readonly long _divisions;
    private readonly PlainNoteWriter _notes;
    private KeySignature? _key;
    private Meter? _meter;

    public PlainMeasureWriter(PlainPart part)
    {
        _part = part;
        _divisions = Divisions(part);
        _notes = new PlainNoteWriter(part.Clefs.Count, Units);
    }

    public XElement Write(PlainMeasure measure, int number, bool isLast)
    {
        var label = measure.Label ?? number.ToString(CultureInfo.InvariantCulture);
        var element = new XElement("measure", new XAttribute("number", label));
        if (measure.IsImplicit)
            element.Add(new XAttribute("implicit", "yes"));
        if (measure.BeginsRepeat)
            element.Add(Barline("left", "heavy-light", "forward"));
        if (Attributes(measure) is { HasElements: true } attributes)
            element.Add(attributes);
        _notes.BeginMeasure();
        var length = measure.Length;
        for (var v = 0; v < measure.Voices.Count; v++)
        {
            if (v > 0)
                element.Add(new XElement("backup", new XElement("duration", Units(measure.Voices[v - 1].Length))));
            Voice(element, measure, v);
        }

        if (measure.Voices.Count > 0 && measure.Voices[^1].Length < length)
            element.Add(new XElement("forward", new XElement("duration", Units(length - measure.Voices[^1].Length))));
        if (measure.EndsRepeat)
            element.Add(Barline("right", "light-heavy", "backward"));
        else if (isLast)
            element.Add(Barline("right", "light-heavy", null));
        else if (measure.EndsSection)
            element.Add(Barline("right", "light-light", null));
        return element;
    }

    private void Voice(XElement element, PlainMeasure measure, int v)
    {
        var at = Fraction.Zero;
        var signs = v == 0 ? measure.Signs.OrderBy(s => s.Offset).ToList() : [];
        var beamed = new List<BeamNote>();
        var struck = new List<(XElement, Fraction)>();
        foreach (var note in measure.Voices[v].Notes)
        {
            foreach (var sign in signs.Where(s => s.Offset <= at && !note.IsGrace).ToList())
            {
                element.Add(PlainSigns.Of(sign));
                signs.Remove(sign);
            }

            foreach (var (written, type, length) in _notes.Write(note, v, measure))
            {
                element.Add(written);
                if (note.Sounds && !note.IsGrace && written.Element("chord") is null)
                    beamed.Add(new BeamNote(written, type, length, at));
                if (written.Element("chord") is not null || note.IsGrace)
                    continue;
                struck.Add((written, length));
                at += length;
            }
        }

        element.Add(signs.Select(PlainSigns.Of));
        BeamWriter.Write(beamed, measure.Meter);
        TupletWriter.Write(struck);
    }

    private XElement Attributes(PlainMeasure measure)
    {
        var attributes = new XElement("attributes");
        var isFirst = _meter is null;
        if (isFirst)
            attributes.Add(new XElement("divisions", _divisions));
        if (measure.Key != _key)
            attributes.Add(Key(measure.Key));
        var meter = Fitting(measure);
        if (!meter.Equals(_meter))
            attributes.Add(Time(meter));
        if (isFirst && _part.Clefs.Count > 1)
            attributes.Add(new XElement("staves", _part.Clefs.Count));
        if (isFirst)
            attributes.Add(_part.Clefs.Select(Clef));
        if (isFirst && _part.Transposition != Transposition.None)
            attributes.Add(Transpose(_part.Transposition));
        (_key, _meter) = (measure.Key, meter);
        return attributes;
    }

    // A measure that does not hold its meter tells what it holds, so that it adds up; what is not counted may be short.
    private static Meter Fitting(PlainMeasure measure)
    {
        var length = measure.Length;
        if (measure.Meter.IsSenza || length == measure.Meter.Length || (measure.IsImplicit && length < measure.Meter.Length))
            return measure.Meter;
        var beats = length / 4;
        return BitOperations.IsPow2(beats.Denominator) ? Whole(beats, measure.Meter.Groups[0].BeatType) : measure.Meter;
    }

    // At least in the beats of the meter: two of 4/4 is 2/4, not 1/2.
    private static Meter Whole(Fraction whole, int beatType)
    {
        var type = Math.Max(whole.Denominator, beatType);
        return Meter.Of((int)(whole * new Fraction(type)).Numerator, (int)type);
    }

    private static XElement Key(KeySignature key)
    {
        var element = new XElement("key", new XElement("fifths", Math.Clamp(key.Fifths, -7, 7)));
        if (key.Mode is not null)
            element.Add(new XElement("mode", key.Mode));
        return element;
    }

    private static XElement Time(Meter meter)
    {
        if (meter.IsSenza)
            return new XElement("time", new XElement("senza-misura"));
        var time = new XElement("time");
        if (meter.Symbol is "common" or "cut" && meter.Groups.Count == 1)
            time.Add(new XAttribute("symbol", meter.Symbol));
        var isOneType = meter.Groups.All(g => g.BeatType == meter.Groups[0].BeatType);
        if (isOneType)
            time.Add(
                new XElement("beats", string.Join('+', meter.Groups.Select(g => g.Beats))),
                new XElement("beat-type", meter.Groups[0].BeatType)
            );
        else
            time.Add(meter.Groups.SelectMany(g => new[] { new XElement("beats", g.Beats), new XElement("beat-type", g.BeatType) }));
        return time;
    }

    private XElement Clef(string clef, int staff)
    {
        var element =
            clef == "percussion"
                ? new XElement("clef", new XElement("sign", "percussion"))
                : new XElement("clef", new XElement("sign", clef[..1]), new XElement("line", clef[1..2]));
        if (clef.Length > 2 && clef[2..] is "+1" or "-1" or "+2" or "-2")
            element.Add(new XElement("clef-octave-change", clef[2..].TrimStart('+')));
        if (_part.Clefs.Count > 1)
            element.Add(new XAttribute("number", staff + 1));
        return element;
    }

    private static XElement Transpose(Transposition t)
    {
        var element = new XElement("transpose", new XElement("diatonic", t.Diatonic), new XElement("chromatic", t.Chromatic));
        if (t.Octaves != 0)
            element.Add(new XElement("octave-change", t.Octaves));
        return element;
    }

    private static XElement Barline(string location, string style, string? repeat)
    {
        var barline = new XElement("barline", new XAttribute("location", location), new XElement("bar-style", style));
        if (repeat is not null)
            barline.Add(new XElement("repeat", new XAttribute("direction", repeat)));
        return barline;
    }

    private long Units(Fraction length) => (length * new Fraction(_divisions)).Numerator;

    private static long Divisions(PlainPart part)
    {
        var divisions = 1L;
        var lengths = part
            .Measures.SelectMany(m => m.Voices)
            .SelectMany(v => v.Notes)
            .Select(n => n.Length)
            .Distinct()
            .SelectMany(l => LengthSpelling.Many(l)?.Select(p => p.Length.Denominator).Append(l.Denominator) ?? [l.Denominator]);
        foreach (var d in lengths.Concat(part.Measures.Select(m => m.Length.Denominator)).Distinct())
            divisions = divisions / (long)BigInteger.GreatestCommonDivisor(divisions, d) * d;
        return divisions;
    }
}
