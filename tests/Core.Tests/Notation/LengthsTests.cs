using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Notation;

/// <summary>Lengths in words. Note values: MusicXML 4.0, type "note-type-value", in quarters.</summary>
public sealed class LengthsTests
{
    [Theory]
    [InlineData(1, 8, "32nd")]
    [InlineData(1, 4, "16th")]
    [InlineData(1, 2, "eighth")]
    [InlineData(3, 4, "dotted eighth")]
    [InlineData(1, 1, "quarter")]
    [InlineData(3, 2, "dotted quarter")]
    [InlineData(2, 1, "half")]
    [InlineData(3, 1, "dotted half")]
    [InlineData(4, 1, "whole")]
    [InlineData(6, 1, "dotted whole")]
    [InlineData(1, 3, "triplet eighth")]
    [InlineData(5, 4, "5/4 quarters")] // tied: no single value has it
    public void A_length_has_its_note_value(long n, long d, string word) => Assert.Equal(word, Lengths.Value(new Fraction(n, d)));

    [Theory]
    [InlineData(0, 1, "0")]
    [InlineData(2, 1, "2")]
    [InlineData(5, 2, "2½")]
    [InlineData(1, 2, "½")]
    [InlineData(7, 4, "1¾")]
    [InlineData(4, 3, "1⅓")]
    [InlineData(9, 8, "1 1/8")]
    [InlineData(1, 8, "1/8")]
    public void A_mixed_number_is_printed_as_print_has_it(long n, long d, string word) =>
        Assert.Equal(word, Lengths.Mixed(new Fraction(n, d)));
}

/// <summary>Neighbours of ornaments: the next letter in the signature, changed by a sign at the ornament or earlier in the measure (common
/// practice; MusicXML 4.0, element "accidental-mark").</summary>
public sealed class NeighboursTests
{
    [Theory]
    [InlineData("key:C | E5w", 1, "F5")]
    [InlineData("key:D | E5w", 1, "F♯5")]
    [InlineData("key:Eb | D5w", 1, "E♭5")]
    [InlineData("key:Eb | F5w", -1, "E♭5")]
    [InlineData("key:C | B4w", 1, "C5")]
    [InlineData("key:C | C5w", -1, "B4")]
    [InlineData("key:C | F#5q E5h.", 1, "F♯5")] // a sign earlier in the measure holds
    [InlineData("key:C | F#4q E5h.", 1, "F5")] // not at another octave
    public void A_neighbour_is_spelled_in_the_key_in_force(string music, int direction, string expected)
    {
        var part = MellowStand.Core.Formats.ShortForm.ShortFormReader.Score($"part \"Flute\"\n{music}").Parts[0];
        Assert.Equal(expected, Neighbours.Of(part, part.Notes[^1], direction).ToString());
    }
}
