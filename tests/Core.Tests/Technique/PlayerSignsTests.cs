using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Technique;

/// <summary>What players write over a note: common practice, no published source.</summary>
public sealed class PlayerSignsTests
{
    [Theory]
    [InlineData("thumb", Family.Woodwind, "T", "other-technical:T")]
    [InlineData("bis", Family.Woodwind, "bis", "other-technical:bis")]
    [InlineData("left", Family.Woodwind, "L", "other-technical:L")]
    [InlineData("1-2", Family.Brass, "12", "fingering:12")]
    [InlineData("2-4", Family.Brass, "24", "fingering:24")]
    [InlineData("Bb:1", Family.Brass, "T1", "fingering:T1")]
    [InlineData("F1", Family.Brass, "F1", "fingering:F1")]
    [InlineData("A2h", Family.Strings, "2", "fingering:2")]
    [InlineData("D2h@3", Family.Strings, "2", "fingering:2")]
    [InlineData("E0", Family.Strings, "0", "open-string")]
    [InlineData("R", Family.Percussion, "R", "other-technical:R")]
    public void A_choice_is_written_as_its_players_write_it(string code, Family family, string sign, string mark)
    {
        Assert.Equal(sign, PlayerSigns.Of(code, family));
        var written = Assert.Single(PlayerSigns.Marks(code, family));
        Assert.Equal(mark, written.ToString());
        Assert.Null(MarkCatalog.Problem(written));
    }
}

/// <summary>Choices in players' words: common practice, no published source.</summary>
public sealed class ChoiceWordsTests
{
    [Theory]
    [InlineData("violin", "A3", "3 on A")]
    [InlineData("violin", "A2h@3", "high 2 on A, 3rd position")]
    [InlineData("violin", "E0", "open E")]
    [InlineData("violin", "D0+A1", "open D with 1 on A")]
    [InlineData("violin", "A1@half", "1 on A, half position")]
    [InlineData("contrabass", "G1@2.5", "1 on G, 2½ position")]
    [InlineData("cello", "A3@T12", "3 on A, thumb position")]
    [InlineData("cello", "AT@T12", "thumb on A, thumb position")]
    [InlineData("cello", "A3o@12", "harmonic on A")]
    [InlineData("trumpet-bb", "0", "open")]
    [InlineData("trumpet-bb", "1-3", "valves 1-3")]
    [InlineData("horn-f", "Bb:1", "B♭ side, valve 1")]
    [InlineData("trombone", "3", "3rd position")]
    [InlineData("bass-trombone", "F1", "F valve, 1st position")]
    [InlineData("bass-trombone", "D4", "both valves, 4th position")]
    [InlineData("marimba", "L+R", "left and right")]
    [InlineData("flute", "one-and-one", "one-and-one")]
    [InlineData("flute", "only", "the one fingering")]
    public void A_choice_is_said_as_its_players_say_it(string instrument, string code, string words) =>
        Assert.Equal(words, ChoiceWords.Of(code, Catalog.Find(instrument)!));
}
