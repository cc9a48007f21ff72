using System.Text;

namespace MellowStand.Core.Formats.Midi;

/// <summary>The events of one track of a Standard MIDI File, in ticks from its start.</summary>
/// <remarks>Source: Standard MIDI Files 1.0 (RP-001), chunk "MTrk".</remarks>
internal sealed class MidiTrack
{
    private readonly List<(long Tick, int Rank, byte[] Bytes)> _events = [];

    /// <summary>A note; an off stands before an on of the same tick, so that a repeated note is struck again.</summary>
    public void Note(long from, long to, int channel, int key, int velocity)
    {
        Add(from, 2, (byte)(0x90 | channel), (byte)key, (byte)velocity);
        Add(Math.Max(to, from + 1), 0, (byte)(0x80 | channel), (byte)key, 64);
    }

    public void Program(int channel, int program) => Add(0, 1, (byte)(0xC0 | channel), (byte)program);

    public void Name(string name) => Meta(0, 0x03, Encoding.UTF8.GetBytes(name.Length > 100 ? name[..100] : name));

    public void Tempo(long tick, double quarterBpm)
    {
        var micros = (int)Math.Clamp(Math.Round(60_000_000 / quarterBpm), 1, 0xFFFFFF);
        Meta(tick, 0x51, [(byte)(micros >> 16), (byte)(micros >> 8), (byte)micros]);
    }

    public void Meter(long tick, int beats, int beatType)
    {
        // The format can say only beat types that are powers of two.
        var power = (int)Math.Round(Math.Log2(beatType));
        Meta(tick, 0x58, [(byte)Math.Clamp(beats, 1, 255), (byte)Math.Clamp(power, 0, 7), 24, 8]);
    }

    public void Marker(long tick, string text) => Meta(tick, 0x06, Encoding.UTF8.GetBytes(text.Length > 100 ? text[..100] : text));

    public byte[] Chunk()
    {
        using var body = new MemoryStream();
        var now = 0L;
        foreach (var (tick, _, bytes) in _events.OrderBy(e => e.Tick).ThenBy(e => e.Rank))
        {
            Variable(body, tick - now);
            body.Write(bytes);
            now = tick;
        }

        body.Write([0x00, 0xFF, 0x2F, 0x00]);
        return MidiFile.Chunk("MTrk", body.ToArray());
    }

    private void Add(long tick, int rank, params byte[] bytes) => _events.Add((tick, rank, bytes));

    private void Meta(long tick, byte type, byte[] data)
    {
        using var bytes = new MemoryStream();
        bytes.Write([0xFF, type]);
        Variable(bytes, data.Length);
        bytes.Write(data);
        _events.Add((tick, 1, bytes.ToArray()));
    }

    // Seven bits a byte, the highest first, all but the last marked.
    private static void Variable(MemoryStream stream, long value)
    {
        Span<byte> digits = stackalloc byte[9];
        var n = 0;
        do
        {
            digits[n++] = (byte)(value & 0x7F);
            value >>= 7;
        } while (value > 0);
        while (n-- > 0)
            stream.WriteByte((byte)(digits[n] | (n > 0 ? 0x80 : 0)));
    }
}
