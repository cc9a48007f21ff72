using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Courtesy accidentals: the sign that holds already, written in again.</summary>
internal static class AccidentalWriter
{
    public static void Set(XElement note, string sign)
    {
        if (note.Element("accidental") is not null)
            return;
        XmlEdit.Insert(note, new XElement("accidental", new XAttribute("cautionary", "yes"), sign), NoteOrder.AfterAccidental);
    }

    public static void Clear(XElement note, string sign)
    {
        if (note.Element("accidental") is { } there && there.Value.Trim() == sign)
            XmlEdit.Remove(there);
    }
}
