using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Rewrites a cut so that transposing parts stand at concert pitch, one above the other: for the eye, never for the file that
/// goes out.</summary>
/// <remarks>Octave transpositions stay as printed, as in a conductor's score at concert pitch.</remarks>
internal static class ConcertPitchCut
{
    public static void Rewrite(XElement root)
    {
        foreach (var part in root.Elements("part").Where(p => p.Descendants("transpose").Any()))
            MovedPart.Rewrite(part, walk => walk.State.Transposition with { Octaves = 0 });
    }
}
