using MellowStand.Core.Instruments;

namespace MellowStand.Core.Tests.Instruments;

/// <summary>Instruments as lists of players name them, and the sections they sit in: common practice, no published source.</summary>
public sealed class RosterNameTests
{
    [Theory]
    [InlineData("Bb Clarinet", "clarinet-bb")]
    [InlineData("clarinet", "clarinet-bb")]
    [InlineData("Alto Sax", "alto-sax")]
    [InlineData("Bari Sax", "bari-sax")]
    [InlineData("French Horn", "horn-f")]
    [InlineData("trumpet-bb", "trumpet-bb")]
    [InlineData("Kazoo", null)]
    [InlineData("", null)]
    public void A_name_is_recognised_or_left_open(string name, string? expected) => Assert.Equal(expected, Recognition.Named(name)?.Id);

    [Theory]
    [InlineData("clarinet-bb", "Clarinets")]
    [InlineData("tenor-sax", "Saxophones")]
    [InlineData("euphonium", "Low brass")]
    [InlineData("timpani", "Percussion")]
    [InlineData("xylophone", "Percussion")]
    [InlineData("cello", "Cellos")]
    [InlineData("contrabass", "Basses")]
    [InlineData("oboe", "Oboes")]
    public void An_instrument_sits_in_a_section(string instrument, string section) =>
        Assert.Equal(section, Catalog.Find(instrument)!.Section);

    [Fact]
    public void Who_is_seated_by_hand_sits_nowhere_else()
    {
        Seat[] players = [.. Enumerable.Range(1, 4).Select(i => new Seat("flute", i, "comfortable", null, i))];
        var seats = Seating.Of(
            [("P1", "flute", "1"), ("P2", "flute", "2"), ("P3", "oboe", null)],
            players,
            new Dictionary<string, IReadOnlyList<long>> { ["P3"] = [1, 4] }
        );
        Assert.Equal([1, 4], seats["P3"].Select(s => s.Player));
        Assert.Equal([2], seats["P1"].Select(s => s.Player));
        Assert.Equal([3], seats["P2"].Select(s => s.Player));
    }
}
