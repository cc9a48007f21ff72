using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Notation;

/// <summary>Tempos as they are written in words. Common practice, no published source.</summary>
public sealed class MetronomeTextTests
{
    [Theory]
    [InlineData("♩ = 170–200", "1", 170, 200.0)]
    [InlineData("Allegro (♩=96)", "1", 96, null)]
    [InlineData("♩. = 80", "3/2", 80, null)]
    [InlineData("dotted quarter = 80", "3/2", 80, null)]
    [InlineData("Quarter note = 60 to 72", "1", 60, 72.0)]
    [InlineData("half note = ca. 88", "2", 88, null)]
    [InlineData("q = 92-100", "1", 92, 100.0)]
    [InlineData("e = 126", "1/2", 126, null)]
    [InlineData("about 96", null, 96, null)]
    [InlineData("M.M. 72", null, 72, null)]
    [InlineData("ca. 60–66", null, 60, 66.0)]
    [InlineData("Tempo: 120", null, 120, null)]
    public void A_tempo_in_words_is_read(string text, string? unit, double low, double? high)
    {
        var read = MetronomeText.Read(text);
        Assert.NotNull(read);
        Assert.Equal((unit, low, high), (read.Unit?.ToString(), read.Bpm, read.UpperBpm));
    }

    [Theory]
    [InlineData("Allegro")]
    [InlineData("a 2")]
    [InlineData("1 (2) & 3 4")]
    [InlineData("measures 96 to 120")]
    [InlineData("about 8 players")]
    [InlineData("♩ = ♪")]
    [InlineData("♩ = 4")]
    [InlineData("ca. 2 minutes")]
    [InlineData("ca. 45:00")]
    [InlineData("Tempo I")]
    [InlineData("half = 1000")]
    public void Other_numbers_are_no_tempo(string text) => Assert.Null(MetronomeText.Read(text));
}
