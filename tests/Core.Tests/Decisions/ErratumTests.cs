using MellowStand.Core.Decisions;
using MellowStand.Core.Decisions.Errata;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Decisions;

/// <summary>Errata as a person writes them: no tokens, no fractions of a beat.</summary>
public sealed class ErratumTests
{
    private const string Music =
        "part \"Clarinet 2\"\nmeter:4/4 | C5q D5q E5q F5q | "
        + "G5e A5e G5e F5e E5h | C5e3 D5e3 E5e3 F5s G5s A5s B5s C6q C6q | meter:6/8 C5q D5e E5e F5e G5e";

    [Theory]
    [InlineData("5-8", "staccato", "", "measure 2: staccato on the four eighths")]
    [InlineData("6", "accent", "", "measure 2: accent on the second eighth of beat 1")]
    [InlineData(
        "6 8",
        "accent",
        "staccato",
        "measure 2: accent instead of staccato on two eighths, the second eighth of beat 1 and the second eighth of beat 2"
    )]
    [InlineData("1 3", "", "tenuto", "measure 1: no tenuto on two quarters, beats 1 and 3")]
    [InlineData("1-4", "staccato", "", "measure 1: staccato on every note")]
    [InlineData("11", "tenuto", "", "measure 3: tenuto on the second triplet eighth of beat 1")]
    [InlineData("14", "strong-accent", "", "measure 3: marcato on the second sixteenth of beat 2")]
    [InlineData("1", "dynamics:mf", "dynamics:f", "measure 1: mf instead of f at beat 1")]
    [InlineData("2", "words:dolce", "", "measure 1: “dolce” at beat 2")]
    [InlineData("2", "pitch:Eb5", "", "measure 1: beat 2: the note is E♭5")]
    [InlineData("1 2", "rhythm:3/2 1/2", "", "measure 1: two quarters, beats 1 and 2: the rhythm is dotted quarter, eighth")]
    [InlineData("1 3", "slur", "", "measure 1: slur from beat 1 to beat 3")]
    [InlineData("3 5", "crescendo", "", "measures 1–2: crescendo from beat 3 to beat 1 of measure 2")]
    [InlineData("20", "accent", "", "measure 4: accent on the third eighth of beat 1")] // 6/8: the dotted quarter is the beat
    public void A_change_reads_as_a_person_writes_it(string notes, string added, string removed, string expected)
    {
        var score = ShortFormReader.Score(Music);
        var change = new MarkChange("P1", [.. Ids(notes)], Marks(added), Marks(removed));
        Assert.Equal(expected, Assert.Single(Erratum.Of(score, [change])).What);
    }

    [Fact]
    public void Slurs_that_replace_each_other_are_one_line()
    {
        var score = ShortFormReader.Score(Music);
        var slur = new Mark("slur");
        MarkChange[] changes = [new("P1", ["P1-n1", "P1-n4"], [], [slur]), new("P1", ["P1-n1", "P1-n2"], [slur], [])];
        Assert.Equal(
            "measure 1: slur from beat 1 to beat 2, instead of slur from beat 1 to beat 4",
            Assert.Single(Erratum.Of(score, changes)).What
        );
    }

    [Fact]
    public void Every_mark_has_words_without_a_hyphen_or_a_colon()
    {
        foreach (var name in MarkCatalog.Names)
            Assert.DoesNotContain(MarkWords.Of(new Mark(name)), c => c == ':');
        Assert.Equal(
            ["marcato", "up bow", "finger 2"],
            new[] { "strong-accent", "up-bow", "fingering:2" }.Select(m => MarkWords.Of(Mark.Parse(m)))
        );
    }

    private static IEnumerable<string> Ids(string notes)
    {
        if (notes.Split('-') is [var from, var to])
            return Enumerable.Range(At(from), At(to) - At(from) + 1).Select(i => $"P1-n{i}");
        return notes.Split(' ').Select(n => $"P1-n{n}");
    }

    private static int At(string number) => int.Parse(number, System.Globalization.CultureInfo.InvariantCulture);

    private static List<Mark> Marks(string text) => text.Length == 0 ? [] : [Mark.Parse(text)];
}
