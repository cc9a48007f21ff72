using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Notation;

public sealed class AddressTests
{
    private static readonly AddressBook Book = new(
        "e1",
        ShortFormReader.Score("part \"Flute\"\n| C5w | D5w | E5w\npart \"Oboe\"\n| C5w | D5w | E5w")
    );

    [Theory]
    [InlineData("P1", "2", "3", "P1 2–3", "measures 2–3")]
    [InlineData("P2,P1", "2", "2", "P2,P1 2–2", "measure 2")]
    [InlineData("P1,P1", null, null, "P1 1–3", "measures 1–3")] // each part once; no measures are all
    [InlineData(null, "3", "", "P1,P2 3–3", "measure 3")] // no parts are all
    public void Is_read_and_printed(string? parts, string? from, string? to, string text, string words)
    {
        var address = Book.Read(parts, from, to);
        Assert.Equal(text, address.ToString());
        Assert.Equal(words, address.Words);
        Assert.Equal("e1", address.Edition);
    }

    [Theory]
    [InlineData("P9", "1", "2", true, "There is no part \"P9\" in this piece. Its parts are P1, P2.")]
    [InlineData("P1", "7", "2", true, "There is no measure \"7\" in this piece. It goes from 1 to 3.")]
    [InlineData("P1", "3", "2", false, "Measure 3 comes after measure 2. Exchange them.")]
    public void What_is_wrong_is_told_in_a_sentence(string parts, string from, string to, bool isUnknown, string sentence)
    {
        var e = Assert.Throws<AddressException>(() => Book.Read(parts, from, to));
        Assert.Equal(sentence, e.Message);
        Assert.Equal(isUnknown, e.IsUnknown);
    }

    [Fact]
    public void Two_are_equal_when_they_say_the_same_and_belong_to_one_edition()
    {
        Assert.Equal(Book.Read("P1,P2", "1", "2"), Book.OfParts(["P1", "P2"], "1", "2"));
        Assert.Equal(Book.Read("P1", "1", "2").GetHashCode(), Book.Read("P1", "1", "2").GetHashCode());
        Assert.NotEqual(Book.Read("P1", "1", "2"), Book.Read("P1", "1", "2") with { Edition = "e2" });
        Assert.NotEqual(Book.Read("P1,P2", "1", "2"), Book.Read("P2,P1", "1", "2"));
    }

    [Theory]
    [InlineData(0, 0, false)]
    [InlineData(0, 1, true)]
    [InlineData(2, 9, true)]
    [InlineData(1, 1, true)]
    public void Meets_what_shares_a_measure(int from, int to, bool meets) => Assert.Equal(meets, Book.Read("P1", "2", "3").Meets(from, to));

    [Theory]
    [InlineData("meter:4/4 | pickup G4q | C5w", 0, "4")] // a pickup counts from where its measure would begin
    [InlineData("meter:4/4 | C5q D5q E5e F5e G5q", 0, "1")]
    [InlineData("meter:6/8 | C5e D5e E5e F5q.", 0, "1")]
    public void The_beat_of_a_note_is_told_in_one_way(string music, int note, string beat)
    {
        var score = ShortFormReader.Score(music);
        var n = score.Parts[0].Notes[note];
        Assert.Equal(beat, Lengths.Mixed(score.Measures[0].BeatsAt(n.Offset) + 1));
    }
}
