using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>Which kind of sound a part has, so that parts are told apart by ear.</summary>
/// <remarks>A name a group of instruments that sound alike; the page makes each of a few partials.</remarks>
public static class Timbres
{
    private static readonly Dictionary<Family, string> Families = new()
    {
        [Family.Woodwind] = "reed",
        [Family.Brass] = "brass",
        [Family.Strings] = "strings",
        [Family.Percussion] = "mallet",
        [Family.Keyboard] = "keyboard",
        [Family.Voice] = "voice",
        [Family.Unknown] = "keyboard",
    };

    private static readonly Dictionary<string, string> Own = new()
    {
        ["piccolo"] = "flute",
        ["flute"] = "flute",
        ["alto-flute"] = "flute",
        ["drums"] = "drum",
    };

    /// <summary>The sound of a part.</summary>
    /// <param name="part">The part.</param>
    /// <param name="instrument">Its instrument, or null.</param>
    public static string Of(Part part, Instrument? instrument)
    {
        if (part.Notes.All(n => n.Kind != NoteKind.Pitched) && part.Notes.Any(n => n.Kind == NoteKind.Unpitched))
            return "drum";
        if (instrument?.IsDoubleReed == true)
            return "double-reed";
        return Own.GetValueOrDefault(instrument?.Id ?? "") ?? Families[instrument?.Family ?? Family.Unknown];
    }
}
