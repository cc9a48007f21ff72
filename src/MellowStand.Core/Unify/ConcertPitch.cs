using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Written pitches of transposing parts as they sound, and back.</summary>
internal static class ConcertPitch
{
    /// <summary>The sounding pitch of a note's top head, spelled.</summary>
    public static Pitch Of(Part part, Note note) => part.Transposition.Sound(note.Top!.Value);

    /// <summary>What another part must print to sound the same letter and sign, in the octave nearest to what it prints now.</summary>
    public static Pitch WrittenFor(Part part, Note note, Pitch sounding)
    {
        var now = Of(part, note);
        var octaves = (int)Math.Round((now.Midi - sounding.Midi) / 12.0);
        return part.Transposition.Write(sounding with { Octave = sounding.Octave + octaves });
    }
}
