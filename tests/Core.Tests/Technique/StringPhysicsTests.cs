using System.Globalization;
using System.Text.Json;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Necks against the physics of a string: its frequency is that of the open string over the part that sounds. Source: f =
/// (1/2L)·√(T/μ), so that f goes with 1/L; MIDI 69 is 440 Hz (MIDI 1.0, tuning of the key numbers).</summary>
public sealed class StringPhysicsTests
{
    private const double Cent = 1 / 1200.0;

    public static TheoryData<string> Bowed => ["violin", "viola", "cello", "contrabass"];

    [Theory]
    [MemberData(nameof(Bowed))]
    public void Every_stop_sounds_its_note(string id)
    {
        var instrument = Catalog.Find(id)!;
        foreach (var (note, fingering, open) in Fingerings(instrument))
        {
            var halfSteps = int.Parse(fingering.Keys[2], CultureInfo.InvariantCulture);
            if (fingering.Code.Contains('o', StringComparison.Ordinal))
                continue;
            var sounding = Hertz(open) / Math.Pow(2, -halfSteps / 12.0);
            Assert.True(
                Math.Abs(Math.Log2(sounding / Hertz(note.Written.Midi + instrument.Transposition.Semitones))) < Cent,
                $"{fingering.Code} does not sound {note.Written}"
            );
        }
    }

    /// <summary>A node at a half, a third, a quarter of the string gives the second, third, fourth partial.</summary>
    [Theory]
    [MemberData(nameof(Bowed))]
    public void Every_harmonic_sounds_its_note(string id)
    {
        var instrument = Catalog.Find(id)!;
        var seen = 0;
        foreach (var (note, fingering, open) in Fingerings(instrument).Where(f => f.Fingering.Code.Contains('o', StringComparison.Ordinal)))
        {
            var touched = 1 - Math.Pow(2, -int.Parse(fingering.Keys[2], CultureInfo.InvariantCulture) / 12.0);
            var partial = Math.Round(1 / touched);
            Assert.True(Math.Abs((1 / touched) - partial) < 0.05, $"{fingering.Code} is no node");
            Assert.True(
                Math.Abs(Math.Log2(partial * Hertz(open) / Hertz(note.Written.Midi + instrument.Transposition.Semitones))) < 3 * Cent,
                $"{fingering.Code} does not sound {note.Written}"
            );
            seen++;
        }

        Assert.True(seen >= 2, "too few harmonics");
    }

    [Theory]
    [MemberData(nameof(Bowed))]
    public void Open_strings_are_a_fifth_apart_and_the_basses_a_fourth(string id)
    {
        var opens = Fingerings(Catalog.Find(id)!)
            .Where(f => f.Fingering.Code.EndsWith('0') && f.Fingering.Code.Length == 2)
            .Select(f => f.Open)
            .Distinct()
            .Order()
            .ToList();
        Assert.Equal(4, opens.Count);
        Assert.All(opens.Zip(opens.Skip(1)), p => Assert.Equal(id == "contrabass" ? 5 : 7, p.Second - p.First));
    }

    /// <summary>Source: tests/reference/facts/instruments.json (music21 10.5.1), column "strings": sounding keys.</summary>
    [Theory]
    [InlineData("violin", "Violin")]
    [InlineData("viola", "Viola")]
    [InlineData("cello", "Violoncello")]
    [InlineData("contrabass", "Contrabass")]
    public void Open_strings_are_those_of_the_reference(string id, string name)
    {
        var rows = JsonDocument.Parse(Reference.Bytes("facts/instruments.json")).RootElement.EnumerateArray();
        var strings = rows.First(r => r.GetProperty("instrument").GetString() == name)
            .GetProperty("strings")
            .EnumerateArray()
            .Select(s => s.GetInt32());
        Assert.Equal(strings, Fingerings(Catalog.Find(id)!).Where(f => f.Fingering.Keys[2] == "0").Select(f => f.Open).Distinct().Order());
    }

    [Theory]
    [MemberData(nameof(Bowed))]
    public void A_hand_spans_no_more_than_its_frame(string id)
    {
        // From a first finger drawn back to a stretched fourth, or from the thumb to a stretched third finger.
        const int Most = 7;
        foreach (
            var place in Fingerings(Catalog.Find(id)!)
                .Where(f => f.Fingering.Keys[2] != "0" && !f.Fingering.Code.Contains('o', StringComparison.Ordinal))
                .GroupBy(f =>
                    (f.Fingering.Keys[0], f.Fingering.Code.Contains('@', StringComparison.Ordinal) ? f.Fingering.Code.Split('@')[1] : "1")
                )
        )
        {
            var stops = place.Select(f => int.Parse(f.Fingering.Keys[2], CultureInfo.InvariantCulture)).ToList();
            Assert.InRange(stops.Max() - stops.Min(), 0, Most);
        }
    }

    private static IEnumerable<(ChartNote Note, Fingering Fingering, int Open)> Fingerings(Instrument instrument)
    {
        var chart = TechniqueCatalog.Of(instrument)!.Chart!.Value;
        var opens = chart
            .Notes.SelectMany(n =>
                n.Fingerings.Where(f => f.Keys[2] == "0")
                    .Select(f => (Letter: f.Keys[0], Key: n.Written.Midi + instrument.Transposition.Semitones))
            )
            .ToDictionary(o => o.Letter, o => o.Key);
        return chart.Notes.SelectMany(n => n.Fingerings.Select(f => (n, f, opens[f.Keys[0]])));
    }

    private static double Hertz(int key) => 440 * Math.Pow(2, (key - 69) / 12.0);
}
