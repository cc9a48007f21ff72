using System.Text.Json;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Notation;

public sealed class NotationTests
{
    [Theory]
    [InlineData(2, 4, "1/2")]
    [InlineData(-6, 4, "-3/2")]
    [InlineData(3, -6, "-1/2")]
    [InlineData(8, 4, "2")]
    public void A_fraction_is_kept_in_lowest_terms(int n, int d, string text) => Assert.Equal(text, new Fraction(n, d).ToString());

    [SeededProperty]
    public bool Adding_and_taking_away_comes_back(short a, byte b, short c, byte d)
    {
        var x = new Fraction(a, b + 1);
        var y = new Fraction(c, d + 1);
        return x + y - y == x && (y == Fraction.Zero || x * y / y == x) && Fraction.TryParse(x.ToString(), out var again) && again == x;
    }

    [Fact]
    public void Three_triplet_eighths_are_one_quarter() =>
        Assert.Equal(new Fraction(1), new Fraction(1, 3) + new Fraction(1, 3) + new Fraction(1, 3));

    // MIDI 60 = C4: MIDI 1.0 key numbers as MusicXML counts octaves.
    [Theory]
    [InlineData("C4", 60)]
    [InlineData("A4", 69)]
    [InlineData("B#3", 60)]
    [InlineData("Cb4", 59)]
    [InlineData("Fx4", 67)]
    [InlineData("Ebb4", 62)]
    public void A_pitch_has_its_key_number(string pitch, int midi) => Assert.Equal(midi, Pitch.Parse(pitch).Midi);

    [Theory]
    [InlineData("C4", -1, -2, "Bb3")]
    [InlineData("F#4", -4, -7, "B3")]
    [InlineData("C5", -5, -9, "Eb4")]
    [InlineData("B3", 1, 2, "C#4")]
    public void Transposing_keeps_the_spelling(string from, int diatonic, int chromatic, string to) =>
        Assert.Equal(Pitch.Parse(to), Pitch.Parse(from).Transpose(diatonic, chromatic));

    // Spelled scales and signatures: tests/reference/facts/scales.json (music21 10.5.1).
    [Fact]
    public void Signatures_alter_the_letters_of_their_scale()
    {
        using var scales = JsonDocument.Parse(Reference.Bytes("facts/scales.json"));
        foreach (
            var scale in scales.RootElement.EnumerateArray().Where(s => s.GetProperty("mode").GetString() is "major" or "natural minor")
        )
        {
            var key = new KeySignature(
                scale.GetProperty("fifths").GetInt32(),
                scale.GetProperty("mode").GetString() == "major" ? "major" : "minor"
            );
            var names = scale
                .GetProperty("names")
                .EnumerateArray()
                .Select(n => Pitch.Parse(n.GetString()!.Replace('-', 'b') + "4"))
                .ToList();
            Assert.All(names, p => Assert.Equal(p.Alter, key.AlterOf(p.Step)));
            Assert.StartsWith(names[0].Name + " ", key.Name, StringComparison.Ordinal);
        }
    }

    // Transpositions: tests/reference/facts/instruments.json (music21 10.5.1).
    [Fact]
    public void The_catalog_transposes_as_the_facts_say()
    {
        using var facts = JsonDocument.Parse(Reference.Bytes("facts/instruments.json"));
        foreach (var fact in facts.RootElement.EnumerateArray())
        {
            var name = fact.GetProperty("instrument").GetString()!;
            // The facts have the contrabassoon at written pitch; every player's handbook says an octave below.
            if (name == "Contrabassoon")
                continue;
            var found = Catalog.All.SingleOrDefault(i => string.Equals(i.Name, name, StringComparison.OrdinalIgnoreCase));
            Assert.True(found is not null, $"{name} is not in the catalog");
            Assert.Equal(fact.GetProperty("soundingMinusWrittenSemitones").GetInt32(), found.Transposition.Semitones);
        }
    }

    [Theory]
    [InlineData("2nd Bb Clar.", "clarinet-bb")]
    [InlineData("Cl. 2", "clarinet-bb")]
    [InlineData("Hn. in F 1.3.", "horn-f")]
    [InlineData("Tpt.", "trumpet-bb")]
    [InlineData("Vc.", "cello")]
    [InlineData("Kontrabass", "contrabass")]
    [InlineData("Altsax", "alto-sax")]
    [InlineData("Violino I.", "violin")]
    [InlineData("Bass Clarinet", "bass-clarinet")]
    [InlineData("Bass Trombone", "bass-trombone")]
    [InlineData("Snare Drum", "drums")]
    [InlineData("Posaune 1", "trombone")]
    [InlineData("Flûte", "flute")]
    [InlineData("Theremin", null)]
    public void A_part_is_recognised_by_its_name(string name, string? id)
    {
        var part = new Part
        {
            Id = "P1",
            Name = name,
            Transposition = Transposition.None,
            Measures = [],
            Notes = [],
            Directions = [],
            Slurs = [],
            Hairpins = [],
        };
        Assert.Equal(id, Recognition.Of(part).Instrument?.Id);
    }

    [Fact]
    public void A_clarinet_that_sounds_a_third_lower_is_in_A()
    {
        var part = new Part
        {
            Id = "P1",
            Name = "Clarinet 1",
            Transposition = new(-2, -3, 0),
            Measures = [],
            Notes = [],
            Directions = [],
            Slurs = [],
            Hairpins = [],
        };
        Assert.Equal("clarinet-a", Recognition.Of(part).Instrument?.Id);
    }
}
