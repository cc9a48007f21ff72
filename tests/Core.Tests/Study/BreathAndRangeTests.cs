using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>Breath, bow and range against who plays. Common practice, no published source; allowances are house rules.</summary>
public sealed class BreathAndRangeTests
{
    private const string LongPhrase = "part \"Flute\"\ntempo:q=60 | C5q[ D5 E5 F5 | G5q F5 E5 D5 | C5q D5 E5 F5]";

    [Fact]
    public void A_phrase_of_plain_quarters_has_no_upper_end_that_matters()
    {
        var why = Assert.Single(Find("no-breath", LongPhrase)).Why;
        Assert.Contains("fits from quarter = 72 on and is clean to about 720", why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("", "", "clean to about 120")] // tongued sixteenths
    [InlineData("[", "]", "clean to about 180")] // slurred ones
    public void Quick_notes_set_the_upper_end(string begin, string end, string expected)
    {
        var line = string.Join(' ', Enumerable.Repeat("C5s D5s E5s F5s", 3));
        var why = Assert
            .Single(
                Find(
                    "no-breath",
                    $"part \"Flute\"\ntempo:q=60 | C5s{begin} D5s E5s F5s {line} | C5s D5s E5s F5s {line} | {line} C5s D5s E5s F5s{end}"
                )
            )
            .Why;
        Assert.Contains(expected, why, StringComparison.Ordinal);
    }

    [Fact]
    public void Where_breath_and_cleanness_exclude_each_other_no_tempo_serves()
    {
        var line = string.Join(' ', Enumerable.Repeat("C5s D5s E5s F5s", 4));
        var music = $"part \"Flute\"\ntempo:q=60 | C5s[ {string.Join(" | ", Enumerable.Repeat(line, 9))} | C5s]";
        Assert.Contains("no tempo serves both", Assert.Single(Find("no-breath", music)).Why, StringComparison.Ordinal);
    }

    [Fact]
    public void The_change_of_bow_goes_near_the_middle()
    {
        var why = Assert.Single(Find("bow-length", "part \"Violin\"\ntempo:q=60 | !mf C5q[ D5 E5 F5 | G5w]")).Why;
        Assert.Contains("Change after F on beat 4 of measure 1", why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(null, 1)] // the house: comfortable
    [InlineData("comfortable", 1)]
    [InlineData("advanced", 0)]
    public void Range_is_asked_of_the_players(string? level, int expected) =>
        Assert.Equal(expected, Find("range", "part \"Trumpet\" transpose:-1,-2\n| A5q B5 C6 B5", level).Count);

    [Fact]
    public void Range_names_whose_it_is() =>
        Assert.Contains(
            "which all players of this part have",
            Assert.Single(Find("range", "part \"Trumpet\" transpose:-1,-2\n| C6w", "comfortable")).Why,
            StringComparison.Ordinal
        );

    [Fact]
    public void Players_are_dealt_over_the_parts_by_chair()
    {
        var seats = Seating.Of(
            [("P1", "trumpet-bb", "1"), ("P2", "trumpet-bb", "2"), ("P3", "flute", null), ("P4", "tuba", null)],
            [Player(2), Player(1), Player(3, "advanced"), Player(5), Player(4), new Seat("flute", 1, "extreme")]
        );
        Assert.Equal([1, 2], seats["P1"].Select(s => s.Chair));
        Assert.Equal([3, 4, 5], seats["P2"].Select(s => s.Chair));
        Assert.Equal("comfortable", Seating.Least(seats["P2"]));
        Assert.Equal("extreme", Seating.Least(seats["P3"]));
        Assert.Null(Seating.Least(seats["P4"]));
    }

    [Theory]
    [InlineData("P1 P2 P3", 2, "0 1 1")]
    [InlineData("P1 P2", 5, "2 3")]
    [InlineData("P1", 0, "0")]
    public void Odd_players_strengthen_the_lower_parts(string parts, int players, string expected)
    {
        var all = parts.Split(' ').Select((p, i) => (p, (string?)"flute", (string?)$"{i + 1}")).ToList();
        var seats = Seating.Of(all, [.. Enumerable.Range(1, players).Select(i => new Seat("flute", i, "comfortable"))]);
        Assert.Equal(expected, string.Join(' ', parts.Split(' ').Select(p => seats[p].Count)));
    }

    private static Seat Player(int chair, string level = "comfortable") => new("trumpet-bb", chair, level);

    private static List<Finding> Find(string rule, string music, string? level = null)
    {
        var score = ShortFormReader.Score(music);
        var context = new StudyContext(score, House.Default, null, _ => level);
        return [.. StudyDesk.Rules.Single(r => r.Name == rule).Examine(context, score.Parts[0])];
    }
}
