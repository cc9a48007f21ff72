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
