using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

public sealed class UnifyTests
{
    private const string Pair = "part \"Flute\"\n| C5q D5q E5q F5q | G5q F5q E5q D5q\npart \"Oboe\"\n";

    [Theory]
    [InlineData("| C5q D5q E5q F5q | G5q F5q E5q D5q", 0, "")]
    [InlineData("| C4q D4q E4q F4q | G4q F4q E4q D4q", 0, "")] // an octave apart is the same line
    [InlineData("| C5q(.) D5q(.) E5q(.) F5q(.) | G5q F5q E5q D5q", 1, "articulation")]
    [InlineData("| C5q[ D5q] E5q F5q | G5q F5q E5q D5q", 1, "slur")]
    [InlineData("| C5q(>) D5q E5q F5q | G5q F5q[ E5q D5q]", 2, "articulation,slur")]
    [InlineData("| E5q F5q G5q A5q | B5q A5q G5q F5q", 0, "")] // other notes: not this line
    public void Finds_what_two_parts_print_differently(string oboe, int count, string kinds)
    {
        var differences = Compare(Pair + oboe);
        Assert.Equal(count, differences.Count);
        Assert.Equal(kinds, string.Join(',', differences.Select(d => d.Kind)));
    }

    [Fact]
    public void Lines_are_found_over_transposition()
    {
        var differences = Compare(
            Pair + "| C5q D5q E5q F5q | G5q F5q E5q D5q\npart \"Clarinet\" transpose:-1,-2 \nkey:D | D5q E5q F#5q G5q | A5q(>) G5q F#5q E5q"
        );
        var difference = Assert.Single(differences);
        Assert.Equal(["P1", "P2", "P3"], difference.Readings.Select(r => r.Part));
        Assert.Equal(["", "", "accent"], difference.Readings.Select(r => r.Has));
        Assert.Equal("unison", difference.Relation);
    }

    [Fact]
    public void Adjacent_notes_of_one_cause_are_one_entry()
    {
        var difference = Assert.Single(Compare(Pair + "| C5q(.) D5q(.) E5q(.) F5q(.) | G5q(.) F5q(.) E5q(.) D5q(.)"));
        Assert.Equal(8, difference.Readings[0].Notes.Count);
        Assert.Equal((0, 1), (difference.From, difference.To));
    }

    [Fact]
    public void A_mark_present_beats_a_mark_forgotten()
    {
        var proposal = Assert.Single(Compare(Pair + "| C5q(>) D5q E5q F5q | G5q F5q E5q D5q")).Proposal;
        Assert.Equal("accent", proposal.Mark);
        Assert.Equal(["P1"], proposal.Parts);
        Assert.Equal("present", proposal.Rule);
    }

    [Fact]
    public void The_leader_of_the_line_decides_between_two_marks()
    {
        var proposal = Assert.Single(Compare("part \"Flute\"\n| C5q(-) D5q E5q F5q\npart \"Oboe\"\n| C5q(.) D5q E5q F5q")).Proposal;
        Assert.Equal("tenuto", proposal.Mark);
        Assert.Equal("leader", proposal.Rule);
    }

    [Theory]
    [InlineData("longer", "longer-slur", "1.1–1.4")]
    [InlineData("shorter", "shorter-slur", "1.1–1.2")]
    [InlineData("edition", "leader", "1.1–1.2")]
    public void Of_two_printed_slurs_the_house_rule_chooses(string rule, string used, string wins)
    {
        var score = ShortFormReader.Score("part \"Flute\"\n| C5q[ D5q] E5q F5q\npart \"Oboe\"\n| C5q[ D5q E5q F5q]");
        var (_, differences) = UnifyDesk.Compare(score, new House(new Dictionary<string, string> { ["two-slurs"] = rule }));
        var proposal = Assert.Single(differences).Proposal;
        Assert.Equal((used, wins), (proposal.Rule, proposal.Mark));
    }

    [Fact]
    public void A_struck_instrument_has_no_separation_to_forget()
    {
        Assert.Empty(Compare("part \"Tuba\" clef:F4\n| C2q(.) G2q(.) C3q(.) G2q(.)\npart \"Timpani\" clef:F4\n| C3q G2q C3q G2q"));
        Assert.Single(Compare("part \"Tuba\" clef:F4\n| C2q(>) G2q C3q G2q\npart \"Timpani\" clef:F4\n| C3q G2q C3q G2q"));
    }

    [Fact]
    public void Three_shared_notes_in_the_middle_of_other_music_are_an_accident() =>
        Assert.Empty(Compare("part \"Flute\"\n| C5q(.) D5q(.) E5q(.) G5q(.) | A5w\npart \"Horn\"\n| C5q D5q E5q F5q | C5w"));

    [Fact]
    public void An_id_depends_on_the_printed_line_alone()
    {
        var alone = Compare(Pair + "| C5q(>) D5q E5q F5q | G5q F5q E5q D5q")[0].Id;
        var among = Compare(Pair + "| C5q(>) D5q E5q F5q | G5q F5q E5q D5q\npart \"Tuba\" clef:F4\n| C2w | G2w")[0].Id;
        Assert.Equal(alone, among);
    }

    private static List<Difference> Compare(string music) =>
        [.. UnifyDesk.Compare(ShortFormReader.Score(music), House.Default).Differences];
}
