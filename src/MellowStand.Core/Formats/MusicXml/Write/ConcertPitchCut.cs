using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Rewrites a cut so that transposing parts stand at concert pitch, one above the other: for the eye, never for the file that
/// goes out.</summary>
/// <remarks>Octave transpositions stay as printed, as in a conductor's score at concert pitch. A key moves by 7 × semitones − 12 × letters
/// fifths. Printed signs are worked out anew: one is printed where the pitch is not what the key or the measure says.</remarks>
internal static class ConcertPitchCut
{
    private const int MostSigns = 7;

    public static void Rewrite(XElement root)
    {
        foreach (var part in root.Elements("part").Where(p => p.Descendants("transpose").Any()))
        {
            var content = new PartContent("", null, null);
            content.Measures.AddRange(part.Elements("measure"));
            new PartWalk(content).Go(new PartAtConcertPitch());
        }
    }

    private sealed class PartAtConcertPitch : IPartListener
    {
        private readonly Dictionary<(string Staff, Step Step, int Octave), decimal> _state = [];
        private KeySignature _key = KeySignature.None;

        void IPartListener.Begin(PartWalk walk) => _state.Clear();

        void IPartListener.Attributes(PartWalk walk, XElement element)
        {
            element.Elements("transpose").Remove();
            var by = Of(walk);
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
            var sounding = Of(walk).Sound(written);
            pitch.Element("step")!.Value = sounding.Step.ToString();
            pitch.Element("octave")!.Value = sounding.Octave.ToString(CultureInfo.InvariantCulture);
            pitch.Element("alter")?.Remove();
            if (sounding.Alter != 0)
                XmlEdit.Insert(pitch, new XElement("alter", sounding.Alter.ToString(CultureInfo.InvariantCulture)), NoteOrder.AfterAlter);
            Sign(element, sounding);
        }

        // Octaves stay as printed.
        private static Transposition Of(PartWalk walk) => walk.State.Transposition with { Octaves = 0 };

        // Seven signs are the most that are printed: beyond them the enharmonic key.
        private static int InPrint(int fifths) =>
            fifths switch
            {
                > MostSigns => fifths - 12,
                < -MostSigns => fifths + 12,
                _ => fifths,
            };

        private void Sign(XElement note, Pitch sounding)
        {
            note.Elements("accidental").Remove();
            if (note.Elements("tie").Any(t => t.Attribute("type")?.Value == "stop"))
                return;
            var at = (note.Element("staff")?.Value ?? "1", sounding.Step, sounding.Octave);
            var holds = _state.TryGetValue(at, out var state) ? state : _key.AlterOf(sounding.Step);
            if (holds != sounding.Alter && NoteOrder.Signs.TryGetValue(sounding.Alter, out var sign))
                XmlEdit.Insert(note, new XElement("accidental", sign), NoteOrder.AfterAccidental);
            _state[at] = sounding.Alter;
        }
    }
}
