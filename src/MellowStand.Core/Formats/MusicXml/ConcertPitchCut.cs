using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Rewrites a cut so that transposing parts stand at concert pitch, one above the other: for the eye, never for the file that
/// goes out.</summary>
/// <remarks>Octave transpositions stay as printed, as in a conductor's score at concert pitch. A key moves by 7 × semitones − 12 × letters
/// fifths. Printed signs are worked out anew:
/// one is printed where the pitch is not what the key or the measure says.</remarks>
internal static class ConcertPitchCut
{
    private static readonly Dictionary<decimal, string> Signs = new()
    {
        [0] = "natural",
        [1] = "sharp",
        [-1] = "flat",
        [2] = "double-sharp",
        [-2] = "flat-flat",
    };

    private static readonly string[] AfterAccidental =
    [
        "time-modification",
        "stem",
        "notehead",
        "notehead-text",
        "staff",
        "beam",
        "notations",
        "lyric",
        "play",
        "listen",
    ];

    private static readonly string[] AfterAlter = ["octave"];

    public static void Rewrite(XElement root)
    {
        foreach (var part in root.Elements("part").Where(p => p.Descendants("transpose").Any()))
            new PartAtConcertPitch().Rewrite(part);
    }

    private sealed class PartAtConcertPitch
    {
        private readonly Dictionary<(string Staff, string Step, int Octave), decimal> _state = [];
        private Transposition _by;
        private KeySignature _key = new(0);

        public void Rewrite(XElement part)
        {
            foreach (var measure in part.Elements("measure"))
            {
                _state.Clear();
                foreach (var e in measure.Elements().ToList())
                {
                    if (e.Name.LocalName == "attributes")
                        Attributes(e);
                    else if (e.Name.LocalName == "note" && e.Element("pitch") is not null)
                        Note(e);
                }
            }
        }

        private void Attributes(XElement attributes)
        {
            if (attributes.Element("transpose") is { } transpose)
            {
                _by = new Transposition(Number(transpose, "diatonic"), Number(transpose, "chromatic"), 0);
                transpose.Remove();
            }

            foreach (var fifths in attributes.Elements("key").Elements("fifths"))
            {
                var moved = int.Parse(fifths.Value, CultureInfo.InvariantCulture) + (7 * _by.Chromatic) - (12 * _by.Diatonic);
                // Seven signs are the most that are printed: beyond them the enharmonic key.
                moved +=
                    moved > 7 ? -12
                    : moved < -7 ? 12
                    : 0;
                fifths.Value = moved.ToString(CultureInfo.InvariantCulture);
                _key = new KeySignature(moved);
            }
        }

        private void Note(XElement note)
        {
            var pitch = note.Element("pitch")!;
            var written = new Pitch(
                Enum.Parse<Step>(pitch.Element("step")!.Value),
                decimal.Parse(pitch.Element("alter")?.Value ?? "0", CultureInfo.InvariantCulture),
                Number(pitch, "octave")
            );
            var sounding = _by.Sound(written);
            pitch.Element("step")!.Value = sounding.Step.ToString();
            pitch.Element("octave")!.Value = sounding.Octave.ToString(CultureInfo.InvariantCulture);
            pitch.Element("alter")?.Remove();
            if (sounding.Alter != 0)
                XmlEdit.Insert(pitch, new XElement("alter", sounding.Alter.ToString(CultureInfo.InvariantCulture)), AfterAlter);
            Sign(note, sounding);
        }

        private void Sign(XElement note, Pitch sounding)
        {
            note.Elements("accidental").Remove();
            var at = (note.Element("staff")?.Value ?? "1", sounding.Step.ToString(), sounding.Octave);
            var holds = _state.TryGetValue(at, out var state) ? state : _key.AlterOf(sounding.Step);
            var isTied = note.Elements("tie").Any(t => t.Attribute("type")?.Value == "stop");
            if (!isTied && holds != sounding.Alter && Signs.TryGetValue(sounding.Alter, out var sign))
                XmlEdit.Insert(note, new XElement("accidental", sign), AfterAccidental);
            if (!isTied)
                _state[at] = sounding.Alter;
        }

        private static int Number(XElement parent, string name) =>
            int.Parse(parent.Element(name)?.Value.Trim() ?? "0", CultureInfo.InvariantCulture);
    }
}
