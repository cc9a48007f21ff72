using System.Buffers.Binary;
using MellowStand.Core.Formats.Midi;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Formats;

/// <summary>Standard MIDI Files byte by byte. Source: Standard MIDI Files 1.0 (RP-001); a reading by @tonejs/midi is in
/// tests/e2e.</summary>
public sealed class MidiTests
{
    [Fact]
    public void A_file_has_a_header_a_conductor_track_and_a_track_a_part()
    {
        var bytes = Write("part \"Flute\" program:74\n| C5q\npart \"Tuba\" program:59\n| C3q");
        Assert.Equal("MThd"u8.ToArray(), bytes[..4]);
        Assert.Equal([0, 0, 0, 6, 0, 1, 0, 3], bytes[4..12]);
        Assert.Equal(3, Count(bytes, "MTrk"u8.ToArray()));
    }

    // 96 a minute is 625,000 microseconds a quarter: FF 51 03 09 89 68.
    [Fact]
    public void The_tempo_is_told_in_microseconds_a_quarter() =>
        Assert.Equal(1, Count(Write("tempo:q=96 | C5w"), [0xFF, 0x51, 0x03, 0x09, 0x89, 0x68]));

    [Fact]
    public void A_metric_change_keeps_the_beat()
    {
        var score = ShortFormReader.Score("meter:2/4 tempo:q=80 | C5h | meter:6/8 tempo:q=q. C5h.");
        Assert.Equal(120, new TempoLine(score).QuarterBpmAt(1));
    }

    // 6/8 is 6 over the third power of two: FF 58 04 06 03.
    [Fact]
    public void The_meter_is_told() => Assert.Equal(1, Count(Write("meter:6/8 | C5h. | C5h."), [0xFF, 0x58, 0x04, 0x06, 0x03]));

    [Fact]
    public void Repeats_are_played()
    {
        // On of C5: 90 48.
        Assert.Equal(2, Count(Write("| {: C5w :} | D5w"), [0x90, 0x48]));
        Assert.Equal(1, Count(Write("| {: C5w :} | D5w"), [0x90, 0x4A]));
    }

    [Fact]
    public void A_tie_is_one_note_and_a_transposing_part_sounds_where_it_sounds()
    {
        var bytes = Write("part \"Clarinet\" transpose:-1,-2\n| C5h~ C5h | D5w");
        Assert.Equal(1, Count(bytes, [0x90, 0x46]));
        Assert.Equal(1, Count(bytes, [0x90, 0x48]));
    }

    [Fact]
    public void Twenty_parts_do_not_land_on_the_drum_channel()
    {
        var text = string.Join('\n', Enumerable.Range(1, 20).Select(i => $"part \"Flute {i}\" program:74\n| C5w"));
        Assert.Equal(0, Count(Write(text), [0x99, 0x48]));
        Assert.Equal(0, Count(Write(text), [0xC9, 73]));
    }

    [Fact]
    public void A_click_file_has_a_stroke_a_click()
    {
        var bytes = ScoreMidi.Clicks(Perform(ShortFormReader.Score("meter:3/4 tempo:q=120 | C5h.")));
        Assert.Equal(2, Count(bytes, [0x99, 76]));
        Assert.Equal(4, Count(bytes, [0x99, 77]));
        Assert.Equal(480, BinaryPrimitives.ReadInt16BigEndian(bytes.AsSpan(12)));
    }

    private static byte[] Write(string music)
    {
        var score = ShortFormReader.Score(music);
        return ScoreMidi.Music(score, Perform(score), score.Parts, p => p.MidiProgram);
    }

    private static PerformedRange Perform(Score score)
    {
        var tempo = new TempoLine(score);
        return new Performer(score, tempo, House.Default, p => new LevelLine(score, p)).Perform(
            new PerformanceRequest(
                [.. score.Parts.Select(p => p.Id)],
                0,
                int.MaxValue,
                new TempoMark(BeatUnit.Find("quarter")!, tempo.QuarterBpmAt(0))
            )
            {
                Repeats = Repeats.Played,
            }
        );
    }

    private static int Count(byte[] bytes, byte[] wanted)
    {
        var n = 0;
        for (var i = 0; i + wanted.Length <= bytes.Length; i++)
            if (bytes.AsSpan(i, wanted.Length).SequenceEqual(wanted))
                n++;
        return n;
    }
}
