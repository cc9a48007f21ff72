using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>Each rule: must find, must stay quiet, edge. Traps of trade practice: common practice, no published source.</summary>
public sealed class RuleTests
{
    [Theory]
    [InlineData("key:G | F#4 G4 F#4 A4", 0)] // the signature already says so
    [InlineData("key:C | F#4 G4 F#4* A4", 1)]
    [InlineData("key:C | F#4 G4 F#5 A4", 0)] // another octave prints its own sign
    [InlineData("key:C | F#4 G4 | F#4 A4", 0)] // the bar line ends it, and the writer prints it again
    [InlineData("key:C | C4h F#4h~ | F#4h* G4h", 1)] // a tie carries it over the bar line
    [InlineData("key:C | C4h F#4h~ | F#4q* G4 F#4 A4", 1)] // for the tied note alone
    [InlineData("key:G | Fn4 G4 Fn4* A4", 1)] // a natural holds too
    [InlineData("key:Eb | En4 F4 En4* En4*", 2)]
    public void Carried_accidental(string music, int expected)
    {
        var found = Find("carried-accidental", music);
        Assert.Equal(ShortFormReader.Stars(music), found.SelectMany(f => f.Notes));
        Assert.Equal(expected, found.Sum(f => f.Notes.Count));
    }

    // [check] A one-beat pickup in 4/4: count-off of three beats, three beats in the last measure.
    [Fact]
    public void Pickup_counts_off_what_is_missing()
    {
        var found = Assert.Single(Find("pickup", "meter:4/4 pickup | G4q | C5w | C5h."));
        Assert.Equal("Pickup of one beat", found.Title);
        Assert.StartsWith("Count off 3 beats", found.Why, StringComparison.Ordinal);
        Assert.Contains("3 beats, which completes it", found.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("| !p !< C4w | D4w | E4w | !/ !f F4w", "mp at measure 2")]
    [InlineData("| !p !< C4w | D4w | !/ !f E4w", null)] // two measures need no halfway level
    [InlineData("| !ff !> C4w | D4w | E4w | F4w | !/ !p G4w", "mf at measure 3")]
    [InlineData("| !p \"cresc.\" C4w | D4w | E4w | !f F4w", "mp at measure 2")]
    [InlineData("| !p !< C4w | !mp D4w | E4w | !/ !f F4w", null)] // a level on the way is printed
    [InlineData("| !p !< C4w | D4w | E4w | !/ F4w", "mp at measure 2")] // no target: two steps are assumed
    public void Halfway_level(string music, string? expected)
    {
        var found = Find("halfway-level", music);
        if (expected is null)
            Assert.Empty(found);
        else
            Assert.EndsWith(expected, Assert.Single(found).Title, StringComparison.Ordinal);
    }

    [Fact]
    public void A_remark_that_belongs_to_two_parts_is_written_once()
    {
        var found = Find("no-dynamics", "part \"Flute\"\n| C5w\npart \"Oboe\"\n| C5w\npart \"Horn\"\n| !p C5w");
        Assert.Equal(["P1", "P2"], Assert.Single(found).Parts);
    }

    [Fact]
    public void Every_rule_has_a_name_of_its_own_and_a_page_of_reasons()
    {
        Assert.Equal(StudyDesk.Rules.Count, StudyDesk.Rules.Select(r => r.Name).Distinct().Count());
        Assert.All(StudyDesk.Rules, r => Assert.Matches("^[a-z]+(-[a-z]+)*$", r.Name));
    }

    private static List<Finding> Find(string rule, string music)
    {
        var score = ShortFormReader.Score(music);
        var context = new StudyContext(score, House.Default);
        return [.. StudyDesk.Examine(context, score.Parts, 0, int.MaxValue).Where(f => f.Rule == rule)];
    }
}
