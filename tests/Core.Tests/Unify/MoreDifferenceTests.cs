using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Each kind of difference: must find, must stay quiet, edge. Common practice, no published source.</summary>
public sealed class MoreDifferenceTests
{
    private const string Line = "!mf C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h";

    [Theory]
    [InlineData("dynamic", "C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)] // missing
    [InlineData("dynamic", "!f C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)] // another level
    [InlineData("dynamic", "!mf C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 0)]
    [InlineData("dynamic", "!mf C5q D5q E5q F5q | !mf G5q A5q G5q F5q | E5q D5q C5h", 0)] // printed again, the level in force is the same
    [InlineData("dynamic", "!mf C5q D5q E5q F5q | !p G5q A5q G5q F5q | E5q D5q C5h", 1)]
    [InlineData("dynamic", "!mf C5q D5q !sfz E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)] // one note only
    [InlineData("hairpin", "!mf C5q !< D5q E5q F5q | !/ G5q A5q G5q F5q | E5q D5q C5h", 1)]
    [InlineData("pitch", "!mf C5q D5q Eb5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)]
    [InlineData("pitch", "!mf C5q D5q E5q F5q | G5q Ab5q G5q F5q | E5q D5q C5h", 1)]
    [InlineData("pitch", "!mf C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q Cb5h", 1)] // the last note
    [InlineData("pitch", "!mf C#5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)] // the first
    [InlineData("rhythm", "!mf C5q. D5e E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)] // dotted against even
    [InlineData("rhythm", "!mf C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5q r", 1)] // held against short
    [InlineData("rhythm", "!mf C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5q C5q", 1)] // repeated against held
    [InlineData("ornament", "!mf C5q D5q E5q(tr) F5q | G5q A5q G5q F5q | E5q D5q C5h", 1)]
    [InlineData("breath", "!mf C5q D5q E5q F5q(b) | G5q A5q G5q F5q | E5q D5q C5h", 1)]
    [InlineData("bowing", "!mf C5q(d) D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h", 0)] // winds have no bow
    public void Finds_what_two_parts_print_differently(string kind, string oboe, int expected)
    {
        var differences = Compare($"part \"Flute\"\n| {Line}\npart \"Oboe\"\n| {oboe}");
        var told = string.Join(" / ", differences.Select(d => $"{d.Kind} {d.From}: {string.Join(" | ", d.Readings.Select(r => r.Has))}"));
        Assert.True(differences.Count == expected && differences.All(d => d.Kind == kind), told);
    }

    [Fact]
    public void Bowings_are_compared_between_string_sections_and_breaths_are_not()
    {
        var differences = Compare(
            $"part \"Violin 1\"\n| {Line}\npart \"Violin 2\"\n| "
                + $"{Line.Replace("D5q E5q F5q |", "D5q(u) E5q F5q(b) |", StringComparison.Ordinal)}"
        );
        Assert.Equal("bowing", Assert.Single(differences).Kind);
    }

    [Fact]
    public void Levels_that_stay_a_step_apart_are_balance_and_told_as_a_note()
    {
        var difference = Assert.Single(
            Compare(
                "part \"Flute\"\n| !f C5q D5q E5q F5q | !mf G5q A5q G5q F5q\npart \"Oboe\"\n| !mf C5q D5q E5q F5q | !mp G5q A5q G5q F5q"
            ),
            d => d.From == 0
        );
        Assert.True(difference.IsNote);
    }

    [Fact]
    public void A_misprint_goes_by_what_most_parts_have_and_is_mended_over_transposition()
    {
        var text =
            "part \"Flute\"\n| C5q D5q E5q F5q | G5q F5q E5q D5q\npart \"Oboe\"\n| C5q D5q E5q F5q | G5q F5q E5q D5q\npart "
            + "\"Clarinet\" transpose:-1,-2\nkey:D | D5q E5q Fn5q G5q | A5q G5q F#5q E5q";
        var difference = Assert.Single(Compare(text));
        Assert.Equal(("pitch", "E♮", "most"), (difference.Kind, difference.Proposal.Mark, difference.Proposal.Rule));
        var document = ShortFormReader.Document(text);
        new DecisionWriter(ScoreDocument.Of(document)).Apply(difference.Changes[difference.Proposal.Mark]);
        var mended = ScoreReader.Read(ScoreDocument.Of(document));
        Assert.Equal("F♯5", mended.Parts[2].Notes[2].Top.ToString());
        Assert.Empty(UnifyDesk.Compare(mended, House.Default).Differences);
    }

    [Theory]
    [InlineData("dynamic", "| C5q D5q E5q F5q | G5w")]
    [InlineData("hairpin", "| !p C5q !< D5q E5q F5q | !/ G5w")]
    [InlineData("ornament", "| !p C5q D5q E5q(tr) F5q | G5w")]
    [InlineData("articulation", "| !p C5q(>) D5q E5q F5q | G5w")]
    [InlineData("slur", "| !p C5q[ D5q E5q F5q] | G5w")]
    public void Accepting_a_proposal_makes_the_line_agree(string kind, string oboe)
    {
        var text =
            $"part \"Flute\"\n| !p C5q D5q E5q F5q | G5w\npart \"Oboe\"\n{oboe}\npart \"Horn in F\" transpose:-4,-7\nkey:G | !p "
            + $"G5q A5q B5q C6q | D6w";
        var document = ShortFormReader.Document(text);
        var differences = UnifyDesk.Compare(ShortFormReader.Score(text), House.Default).Differences;
        var difference = Assert.Single(differences);
        Assert.Equal(kind, difference.Kind);
        new DecisionWriter(ScoreDocument.Of(document)).Apply(difference.Changes[difference.Proposal.Mark]);
        Assert.Empty(UnifyDesk.Compare(ScoreReader.Read(ScoreDocument.Of(document)), House.Default).Differences);
    }

    private static List<Difference> Compare(string music) =>
        [.. UnifyDesk.Compare(ShortFormReader.Score(music), House.Default).Differences];
}
