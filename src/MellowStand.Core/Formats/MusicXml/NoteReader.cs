using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>One <c>note</c> element as a notehead or rest.</summary>
/// <remarks>Source: MusicXML 4.0, element "note".</remarks>
internal static class NoteReader
{
    public static NoteHead? Head(XElement e, string id, Transposition transposition)
    {
        var (start, stop) = Ties(e);
        if (e.Element("pitch") is { } pitch && Pitch(pitch) is { } written)
            return new NoteHead(id, written, written.Midi + transposition.Semitones, e.Element("accidental")?.Value.Trim(), start, stop);
        return e.Element("rest") is null ? new NoteHead(id, null, null, null, start, stop) : null;
    }

    public static NoteKind Kind(XElement e) =>
        e.Element("rest") is not null ? NoteKind.Rest
        : e.Element("pitch") is not null ? NoteKind.Pitched
        : NoteKind.Unpitched;

    public static (int Actual, int Normal) Tuplet(XElement e)
    {
        if (e.Element("time-modification") is not { } modification) return (1, 1);
        return (Math.Clamp(modification.Element("actual-notes").Int() ?? 1, 1, 1000), Math.Clamp(modification.Element("normal-notes").Int() ?? 1, 1, 1000));
    }

    private static Pitch? Pitch(XElement e)
    {
        if (!Enum.TryParse<Step>(e.Element("step")?.Value.Trim(), out var step) || !Enum.IsDefined(step)) return null;
        if (e.Element("octave").Int() is not { } octave) return null;
        var alter = e.Element("alter") is { } a ? a.Decimal() ?? 0 : 0;
        return new Pitch(step, Math.Clamp(alter, -4, 4), Math.Clamp(octave, -1, 12));
    }

    private static (bool Start, bool Stop) Ties(XElement e)
    {
        bool start = false, stop = false;
        foreach (var tie in e.Elements("tie")) Take(tie, ref start, ref stop);
        if (start || stop) return (start, stop);
        foreach (var tied in e.Elements("notations").Elements("tied")) Take(tied, ref start, ref stop);
        return (start, stop);
    }

    private static void Take(XElement e, ref bool start, ref bool stop)
    {
        var type = e.Attribute("type")?.Value;
        start |= type == "start";
        stop |= type == "stop";
    }

    public static string IdOf(string partId, int ordinal) => string.Create(CultureInfo.InvariantCulture, $"{partId}-n{ordinal}");
}
