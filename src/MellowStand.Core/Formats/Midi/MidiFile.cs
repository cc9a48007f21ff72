using System.Buffers.Binary;
using System.Text;

namespace MellowStand.Core.Formats.Midi;

/// <summary>A Standard MIDI File of format 1: a track of tempos and meters, then a track a part.</summary>
/// <remarks>Source: Standard MIDI Files 1.0 (RP-001), chunk "MThd".</remarks>
internal static class MidiFile
{
    public static byte[] Write(IReadOnlyList<MidiTrack> tracks, int ticksPerQuarter)
    {
        var header = new byte[6];
        BinaryPrimitives.WriteInt16BigEndian(header, 1);
        BinaryPrimitives.WriteInt16BigEndian(header.AsSpan(2), (short)tracks.Count);
        BinaryPrimitives.WriteInt16BigEndian(header.AsSpan(4), (short)ticksPerQuarter);
        return [.. Chunk("MThd", header), .. tracks.SelectMany(t => t.Chunk())];
    }

    internal static byte[] Chunk(string type, byte[] body)
    {
        var length = new byte[4];
        BinaryPrimitives.WriteInt32BigEndian(length, body.Length);
        return [.. Encoding.ASCII.GetBytes(type), .. length, .. body];
    }
}
