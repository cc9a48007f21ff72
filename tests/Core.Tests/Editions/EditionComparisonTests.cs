using MellowStand.Core.Formats;
using MellowStand.Core.Decisions;
using MellowStand.Core.Editions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Editions;

public sealed class EditionComparisonTests
{
    private const string Before =
        "part \"Flute\"\n| C5q D5q E5q F5q | G5h A5h | B5q A5q G5q F5q | E5w\npart \"Oboe\"\n| C5w | G4w | D5w | C5w";

    [Theory]
    [InlineData("E5q F5q | G5h", "E5q F#5q | G5h", "pitch", "Flute, measure 1: F5 is F♯5.")]
    [InlineData("| G5h A5h |", "| G5h. A5q |", "rhythm", "Flute, measure 2: the rhythm is another.")]
    [InlineData("C5q D5q", "C5q(.) D5q", "marks", "Flute, measure 1: staccato is new.")]
    [InlineData("C5q D5q", "C5q[ D5q]", "slurs", "Flute, measure 1: a slur is new or ends elsewhere.")]
    [InlineData("| E5w\npart", "| E5w | E5w\npart", "measure-added", "Measure 5 is new.")]
    public void Tells_what_changed_and_where(string was, string now, string kind, string what)
    {
        var comparison = Compare(Before, Before.Replace(was, now, StringComparison.Ordinal));
        Assert.Contains(comparison.Changes, c => c.Kind == kind && c.What == what);
    }

    [Fact]
    public void The_same_edition_changes_nothing_and_carries_everything()
    {
        var comparison = Compare(Before, Before);
        Assert.Empty(comparison.Changes);
        Assert.Equal("P1-n7", comparison.Map.Notes["P1-n7"]);
    }

    [Fact]
    public void A_decision_moves_with_its_note_when_measures_are_put_in_before_it()
    {
        var after = Before
            .Replace("part \"Flute\"\n|", "part \"Flute\"\n| rw | rw |", StringComparison.Ordinal)
            .Replace("part \"Oboe\"\n|", "part \"Oboe\"\n| rw | rw |", StringComparison.Ordinal);
        var carried = Carry(Before, after).Of([new MarkChange("P1", ["P1-n5", "P1-n6"], [new Mark("slur")], [])]);
        Assert.Equal(["P1-n7", "P1-n8"], Assert.Single(carried.Value!).Notes);
    }

    [Fact]
    public void A_decision_on_a_note_that_is_gone_says_so()
    {
        var carried = Carry(Before, Before.Replace("| G5h A5h |", "| G5w |", StringComparison.Ordinal))
            .Of([new MarkChange("P1", ["P1-n6"], [new Mark("accent")], [])]);
        Assert.Null(carried.Value);
        Assert.Equal("a note of Flute, measure 2, is not in the new edition", carried.Reason);
    }

    [Fact]
    public void A_part_is_the_same_part_under_another_id()
    {
        var swapped = "part \"Piccolo\"\n| rw | rw | rw | rw\n" + Before;
        var comparison = Compare(Before, swapped);
        Assert.Equal("P2-n1", comparison.Map.Notes["P1-n1"]);
        Assert.Equal("Piccolo is new.", Assert.Single(comparison.Changes).What);
    }

    /// <summary>The reference scores compared with themselves: no change, every note found again.</summary>
    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void A_real_score_equals_itself(string file)
    {
        var score = ScoreReader.Read(Reference.Bytes(file));
        var comparison = new EditionComparison(score, ScoreReader.Read(Reference.Bytes(file)));
        Assert.Empty(comparison.Changes);
        Assert.All(
            score.Parts.SelectMany(p => p.Notes).SelectMany(n => n.Heads.Select(h => h.Id).Append(n.Id)),
            id => Assert.Equal(id, comparison.Map.Notes[id])
        );
    }

    [Fact]
    public void A_part_of_two_players_is_split_by_voice_and_by_chord()
    {
        var music = "part \"Clarinet 1.2.\"\n| <C5,E5>q D5q <E5,G5>h | <C5,E5>w";
        var split = ScoreReader.Read(PartSplit.Write(ScoreFormats.Read(ScoreExport.Serialize(ShortFormReader.Document(music))), "P1"));
        Assert.Equal(["Clarinet 1", "Clarinet 2"], split.Parts.Select(p => p.Name));
        Assert.Equal(["E5", "D5", "G5", "E5"], split.Parts[0].Notes.Select(n => n.Heads.Single().Written.ToString()));
        Assert.Equal(["C5", "D5", "E5", "C5"], split.Parts[1].Notes.Select(n => n.Heads.Single().Written.ToString()));
    }

    /// <summary>Two voices on a staff, from the suite: each player keeps one voice, at the same moments.</summary>
    [Fact]
    public void Two_voices_on_a_staff_become_two_parts()
    {
        var original = Reference.Bytes("suite/42a-MultiVoice-TwoVoicesOnStaff-Lyrics.xml");
        var before = ScoreReader.Read(original).Parts[0];
        var split = ScoreReader.Read(PartSplit.Write(ScoreFormats.Read(original), before.Id));
        var all = before.Notes.Where(n => n.Sounds).Select(n => (n.Onset, n.TopSounding)).Order();
        Assert.Equal(all, split.Parts.Take(2).SelectMany(p => p.Notes).Where(n => n.Sounds).Select(n => (n.Onset, n.TopSounding)).Order());
        Assert.All(split.Parts.Take(2), p => Assert.Single(p.Notes.Where(n => n.Sounds).Select(n => n.Voice).Distinct()));
    }

    private static EditionComparison Compare(string before, string after) =>
        new(ShortFormReader.Score(before), ShortFormReader.Score(after));

    private static Carry Carry(string before, string after)
    {
        var (was, now) = (ShortFormReader.Score(before), ShortFormReader.Score(after));
        return new Carry(new EditionComparison(was, now).Map, was, now, "new");
    }
}
