namespace MellowStand.Core.Formats.Midi;

/// <summary>A click of a click-only file.</summary>
/// <param name="Seconds">Seconds from the start.</param>
/// <param name="Accent">True on a downbeat.</param>
public sealed record MidiClick(double Seconds, bool Accent);

/// <summary>Writes clicks as a Standard MIDI File that any player sounds.</summary>
/// <remarks>Keys 76 and 77 of channel 10 are General MIDI's high and low wood block.</remarks>
public static class ClickMidi
{
    private const int TicksPerQuarter = 480;
    private const int HighWoodBlock = 76;
    private const int LowWoodBlock = 77;

    /// <summary>The file's bytes.</summary>
    /// <param name="title">Name of the track.</param>
    /// <param name="clicks">The clicks in order.</param>
    /// <param name="quarterBpm">Quarters per minute that the file states.</param>
    public static byte[] Write(string title, IEnumerable<MidiClick> clicks, double quarterBpm)
    {
        var track = new MidiTrack();
        track.Name(title);
        track.Tempo(0, quarterBpm);
        foreach (var click in clicks)
        {
            var tick = (long)Math.Round(click.Seconds * quarterBpm / 60 * TicksPerQuarter);
            track.Note(tick, tick + 60, 9, click.Accent ? HighWoodBlock : LowWoodBlock, click.Accent ? 112 : 84);
        }

        return MidiFile.Write([track], TicksPerQuarter);
    }
}
