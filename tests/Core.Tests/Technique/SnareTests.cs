using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Sticking of unpitched parts by the logic of the rudiments: common practice, no published source.</summary>
public sealed class SnareTests
{
    [Theory]
    [InlineData("alternate", "%C5s %C5s %C5s %C5s %C5q", "RLRLR")]
    [InlineData("alternate", "%C5e %C5s %C5s %C5q", "RLRL")]
    [InlineData("right-leads", "%C5e %C5s %C5s %C5q", "RRLR")] // the right hand has the beat's even parts
    [InlineData("right-leads", "%C5s %C5e %C5s %C5q", "RLLR")] // the second and fourth sixteenths are the left hand's
    [InlineData("right-leads", "%C5s %C5s %C5s %C5s %C5q", "RLRLR")]
    public void Hands_fall_as_they_are_taught(string rule, string music, string hands)
    {
        var plan = Solve($"meter:2/4 tempo:q=80 | {music}", House.Default.With("mallets", rule));
        Assert.Equal(hands, string.Concat(plan.Solution.Choices.Select(c => c.Way.Code)));
    }

    [Fact]
    public void A_flam_has_its_grace_in_the_other_hand()
    {
        var plan = Solve("meter:2/4 | g:%C5 %C5q %C5q", House.Default);
        Assert.NotEqual(plan.Solution.Choices[0].Way.Code, plan.Solution.Choices[1].Way.Code);
    }

    [Fact]
    public void A_roll_leaves_either_hand_free()
    {
        var plan = Solve("meter:4/4 tempo:q=60 | %C5h(tremolo:3) %C5q %C5q", House.Default);
        Assert.Contains("16 single strokes", plan.Solution.Choices[0].Why, StringComparison.Ordinal);
        Assert.Equal(0, plan.Solution.StepCosts[1], 0.001);
    }

    private static TechniquePlan Solve(string music, House house)
    {
        var score = ShortFormReader.Score($"part \"Snare Drum\" clef:percussion\n{music}");
        return TechniqueDesk.Solve(score, score.Parts[0], 0, score.Measures.Count - 1, house, Catalog.Find("drums"), _ => 80)!;
    }
}
