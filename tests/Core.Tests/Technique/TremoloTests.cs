using System.Text;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Tremolos between two notes, as MusicXML 4.0 has them: element "tremolo" with type start and stop, and a time modification of
/// two in the time of one.</summary>
public sealed class TremoloTests
{
    [Theory]
    [InlineData("G4", "B4", "fair")] // two fingers lift together
    [InlineData("A4", "B4", "good")]
    [InlineData("B4", "A4", "good")]
    public void A_tremolo_between_two_notes_has_its_fingering(string first, string second, string quality)
    {
        var text = Encoding.UTF8.GetString(
            ScoreExport.Serialize(ShortFormReader.Document($"part \"Flute\"\nmeter:4/4 | {first}h(tremolo:3) {second}h(tremolo:3)"))
        );
        var at = text.IndexOf("<tremolo", StringComparison.Ordinal);
        text =
            text[..at]
            + "<tremolo type=\"start\""
            + text[(at + 8)..].Replace("<tremolo", "<tremolo type=\"stop\"", StringComparison.Ordinal);
        text = text.Replace(
            "<type>half</type>",
            "<type>whole</type><time-modification><actual-notes>2</actual-notes><normal-notes>1</normal-notes></time-modification>",
            StringComparison.Ordinal
        );
        text = text.Replace("type=\"start\" type=\"single\"", "type=\"start\"", StringComparison.Ordinal)
            .Replace("type=\"stop\" type=\"single\"", "type=\"stop\"", StringComparison.Ordinal);
        var score = ScoreReader.Read(Encoding.UTF8.GetBytes(text));
        var plan = TechniqueDesk.Solve(score, score.Parts[0], 0, 0, House.Default, Catalog.Find("flute"), _ => 96)!;
        var tremolo = Assert.Single(plan.Trills);
        Assert.Equal(second, tremolo.Upper.ToString());
        Assert.Equal(quality, tremolo.Advice.Quality);
    }

    [Fact]
    public void A_slide_that_must_hurry_says_how_fast()
    {
        var plan = RuleOfThumbTests.Solve("Trombone", "key:C tempo:q=120 | Bb2e E2e Bb2e E2e");
        Assert.Contains(plan.Solution.Choices, c => c.Why.Contains("6 positions from 1, 24 a second", StringComparison.Ordinal));
    }
}
