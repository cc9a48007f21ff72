using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Mends a misprinted pitch: step, alter and octave of the note, and its printed sign.</summary>
/// <remarks>Order of the elements: MusicXML 4.0, type "pitch". The sign is always printed, so that nobody doubts it. Taking the decision
/// back brings the original back.</remarks>
internal static class PitchWriter
{
    public static void Set(XElement note, string text)
    {
        if (note.Element("pitch") is not { } pitch || !Pitch.TryParse(text, out var to))
            return;
        Child(pitch, "step", NoteOrder.AfterStep).Value = to.Step.ToString();
        Child(pitch, "octave", []).Value = to.Octave.ToString(CultureInfo.InvariantCulture);
        if (pitch.Element("alter") is { } there)
        {
            if (to.Alter == 0)
                XmlEdit.Remove(there);
            else
                there.Value = to.Alter.ToString(CultureInfo.InvariantCulture);
        }
        else if (to.Alter != 0)
        {
            XmlEdit.Insert(pitch, new XElement("alter", to.Alter.ToString(CultureInfo.InvariantCulture)), NoteOrder.AfterAlter);
        }

        if (!NoteOrder.Signs.TryGetValue(to.Alter, out var sign))
            return;
        if (note.Element("accidental") is { } printed)
            printed.Value = sign;
        else
            XmlEdit.Insert(note, new XElement("accidental", sign), NoteOrder.AfterAccidental);
    }

    // A lenient file may have left out what the pitch needs.
    private static XElement Child(XElement pitch, string name, IReadOnlyCollection<string> followers)
    {
        if (pitch.Element(name) is { } there)
            return there;
        var made = new XElement(name);
        XmlEdit.Insert(pitch, made, followers);
        return made;
    }
}
