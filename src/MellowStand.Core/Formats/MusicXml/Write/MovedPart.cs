using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Rewrites the pitches, keys and printed signs of a part so that every note stands elsewhere.</summary>
/// <param name="move">How far, from what is written to what is to be written, at a place of the part.</param>
/// <remarks>A key moves by 7 × semitones − 12 × letters fifths. Printed signs are worked out anew: one is printed where the pitch is
/// not what the key or the measure says.</remarks>
internal sealed class MovedPart(Func<PartWalk, Transposition> move) : IPartListener
{
    private const int MostSigns = 7;

    private readonly Dictionary<(string Staff, Step Step, int Octave), decimal> _state = [];
    private KeySignature _key = KeySignature.None;

    /// <summary>Rewrites the measures of a part.</summary>
    public static void Rewrite(XElement part, Func<PartWalk, Transposition> move)
    {
        var content = new PartContent("", null, null);
        content.Measures.AddRange(part.Elements("measure"));
        new PartWalk(content).Go(new MovedPart(move));
    }

    void IPartListener.Begin(PartWalk walk) => _state.Clear();

    void IPartListener.Attributes(PartWalk walk, XElement element)
    {
        element.Elements("transpose").Remove();
        var by = move(walk);
        foreach (var fifths in element.Elements("key").Elements("fifths"))
        {
            if (fifths.Int() is not { } written)
                continue;
            var moved = InPrint(written + (7 * by.Chromatic) - (12 * by.Diatonic));
            fifths.Value = moved.ToString(CultureInfo.InvariantCulture);
            _key = new KeySignature(moved);
        }
    }

    void IPartListener.Note(PartWalk walk, XElement element, NoteReader note)
    {
        if (note.Written is not { } written || element.Element("pitch") is not { } pitch)
            return;
        var moved = move(walk).Sound(written);
        pitch.Element("step")!.Value = moved.Step.ToString();
        pitch.Element("octave")!.Value = moved.Octave.ToString(CultureInfo.InvariantCulture);
        pitch.Element("alter")?.Remove();
        if (moved.Alter != 0)
            XmlEdit.Insert(pitch, new XElement("alter", moved.Alter.ToString(CultureInfo.InvariantCulture)), NoteOrder.AfterAlter);
        Sign(element, moved);
    }

    // Seven signs are the most that are printed: beyond them the enharmonic key.
    private static int InPrint(int fifths) =>
        fifths switch
        {
            > MostSigns => fifths - 12,
            < -MostSigns => fifths + 12,
            _ => fifths,
        };

    private void Sign(XElement note, Pitch moved)
    {
        note.Elements("accidental").Remove();
        if (note.Elements("tie").Any(t => t.Attribute("type")?.Value == "stop"))
            return;
        var at = (note.Element("staff")?.Value ?? "1", moved.Step, moved.Octave);
        var holds = _state.TryGetValue(at, out var state) ? state : _key.AlterOf(moved.Step);
        if (holds != moved.Alter && NoteOrder.Signs.TryGetValue(moved.Alter, out var sign))
            XmlEdit.Insert(note, new XElement("accidental", sign), NoteOrder.AfterAccidental);
        _state[at] = moved.Alter;
    }
}
