using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Lines of the same rhythm, returns, leaders and what follows from a decision. Common practice, no published source.</summary>
public sealed class RelatedTests
{
    private const string Chords = "| C5q(>) D5e(.) E5e(.) F5q(>) G5q | C5q(>) D5e(.) E5e(.) F5q(>) G5q";

    private static readonly string Thirds = Chords
        .Replace("C5", "E4", StringComparison.Ordinal)
        .Replace("D5", "F4", StringComparison.Ordinal)
        .Replace("E5", "G4", StringComparison.Ordinal)
        .Replace("F5", "A4", StringComparison.Ordinal)
        .Replace("G5", "B4", StringComparison.Ordinal);

    [Fact]
    public void Chordal_parts_of_a_family_are_a_line_of_the_same_rhythm()
    {
        var (lines, differences) = Compare($"part \"Trumpet 1\"\n{Chords}\npart \"Trumpet 2\"\n{Thirds}");
        Assert.Contains(lines, l => l.Relation == "same-rhythm");
        Assert.Empty(differences);
    }

    [Fact]
    public void A_mark_that_one_of_them_lacks_is_told()
    {
        var odd = ReplaceLast(Thirds, "A4q(>)", "A4q");
        var d = Assert.Single(Compare($"part \"Trumpet 1\"\n{Chords}\npart \"Trumpet 2\"\n{odd}").Differences);
        Assert.Equal(("articulation", "same-rhythm", 1), (d.Kind, d.Relation, d.From));
        Assert.Equal(["P2"], d.Proposal.Parts);
    }

    [Fact]
    public void Parts_of_the_same_rhythm_that_are_marked_in_their_own_ways_stay_quiet()
    {
        var plain = Thirds.Replace("(>)", "", StringComparison.Ordinal).Replace("(.)", "(-)", StringComparison.Ordinal);
        Assert.DoesNotContain(
            Compare($"part \"Trumpet 1\"\n{Chords}\npart \"Trumpet 2\"\n{plain}").Differences,
            d => d.Relation == "same-rhythm"
        );
    }

    [Fact]
    public void Families_are_not_compared_by_rhythm() =>
        Assert.DoesNotContain(Compare($"part \"Flute\"\n{Chords}\npart \"Horn\"\n{Thirds}").Lines, l => l.Relation == "same-rhythm");

    private const string Passage =
        "| C5q(>) D5e(.) E5e(.) F5h | G5q(>) A5e(.) B5e(.) C6h | B5q(>) A5e(.) G5e(.) F5h | E5q(>) D5e(.) C5e(.) C5h";

    [Fact]
    public void A_return_that_lost_a_mark_is_a_note_of_lower_rank()
    {
        var music = $"part \"Flute\"\n{Passage} | rw {ReplaceLast(Passage, "B5q(>)", "B5q")}";
        var d = Assert.Single(Compare(music).Differences);
        Assert.Equal(("articulation", "return", true), (d.Kind, d.Relation, d.IsNote));
        Assert.Equal((2, 7), (d.From, d.To));
    }

    [Fact]
    public void An_exact_return_stays_quiet()
    {
        var (lines, differences) = Compare($"part \"Flute\"\n{Passage} | rw {Passage}");
        Assert.Contains(lines, l => l.Relation == "return" && l.Measures == (0, 8));
        Assert.Empty(differences);
    }

    [Fact]
    public void A_pitch_is_settled_by_the_same_music_elsewhere()
    {
        const string flute = "| C5q D5 E5 F5 | G5q A5 B5 C6 | E5h C5 | rw | C5q D5 E5 F5 | G5q A5 B5 C6 | E5h C5";
        var oboe = ReplaceLast(flute, "G5q A5 B5 C6", "G5q A5 Bb5 C6");
        var d = Compare($"part \"Oboe\"\n{oboe}\npart \"Flute\"\n{flute}").Differences.Single(x => x.Kind == "pitch");
        Assert.Equal(("elsewhere", "B♮"), (d.Proposal.Rule, d.Proposal.Mark));
    }

    [Fact]
    public void A_leader_that_was_set_decides()
    {
        var score = ShortFormReader.Score("part \"Flute\"\n| C5q(>) D5q E5q F5q\npart \"Oboe\"\n| C5q D5q E5q F5q");
        var set = new Dictionary<string, string> { [UnifyContext.LineKey(["P2", "P1"])] = "P2" };
        var d = Assert.Single(UnifyDesk.Compare(new UnifyContext(score, House.Default, set)).Differences);
        Assert.Equal(("leader", ""), (d.Proposal.Rule, d.Proposal.Mark));
        Assert.Equal("present", Assert.Single(UnifyDesk.Compare(score, House.Default).Differences).Proposal.Rule);
    }

    [Fact]
    public void The_same_difference_is_known_where_the_music_returns()
    {
        const string flute = "| C5q[ D5q] E5q F5q | rw | C5q[ D5q] E5q F5q | rw | D5q[ E5q] F5q G5q";
        var score = ShortFormReader.Score(
            $"part \"Flute\"\n{flute}\npart "
                + $"\"Oboe\"\n{flute.Replace("[", "", StringComparison.Ordinal).Replace("]", "", StringComparison.Ordinal)}"
        );
        var differences = UnifyDesk.Compare(score, House.Default).Differences.Where(d => d.Kind == "slur").ToList();
        Assert.Equal(3, differences.Count);
        var alike = new AlikeDifferences(score, differences);
        Assert.Equal([differences[1].Id], alike.Of(differences[0]).Select(d => d.Id));
        Assert.Empty(alike.Of(differences[2]));
        Assert.Equal("3.1–3.2", AlikeDifferences.Translate(differences[0], "1.1–1.2", differences[1]));
    }

    [Theory]
    [InlineData("staccato", "", "", "staccato", true)] // takes away what was written
    [InlineData("", "slur", "slur", "", true)] // writes again what was taken away
    [InlineData("dynamics:p", "", "dynamics:f", "", true)] // writes over it
    [InlineData("staccato", "", "accent", "", false)]
    public void A_decision_that_another_builds_on_is_known(
        string addFirst,
        string removeFirst,
        string addThen,
        string removeThen,
        bool expected
    )
    {
        MarkChange Change(string add, string remove) => new("P1", ["P1-1", "P1-2"], Marks(add), Marks(remove));
        Assert.Equal(expected, Dependence.BuildsOn([Change(addThen, removeThen)], [Change(addFirst, removeFirst)]));
        Assert.False(Dependence.BuildsOn([Change(addThen, removeThen) with { Part = "P2" }], [Change(addFirst, removeFirst)]));
        Assert.False(Dependence.BuildsOn([Change(addThen, removeThen) with { Notes = ["P1-9"] }], [Change(addFirst, removeFirst)]));
    }

    private static List<Mark> Marks(string text) => text.Length == 0 ? [] : [Mark.Parse(text)];

    private static string ReplaceLast(string text, string what, string by)
    {
        var at = text.LastIndexOf(what, StringComparison.Ordinal);
        return text[..at] + by + text[(at + what.Length)..];
    }

    private static Comparison Compare(string music) => UnifyDesk.Compare(ShortFormReader.Score(music), House.Default);
}
