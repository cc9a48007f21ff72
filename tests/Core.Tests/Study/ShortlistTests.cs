using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>What is told at first sight.</summary>
public sealed class ShortlistTests
{
    public static TheoryData<string> Files => NoiseTests.Files;

    [Fact]
    public void One_cause_is_one_entry_with_its_other_places()
    {
        var findings = Enumerable.Range(0, 15).Select(i => Make("large-leap", Severity.Warn, i * 2, $"Leap {i}")).ToList();
        var list = Shortlist.Of(Measures(40), findings);
        Assert.Equal([findings[0]], findings.Where(list.Has));
        Assert.Equal(findings.Skip(1), list.AlsoOf(findings[0]));
    }

    [Fact]
    public void Other_titles_of_a_rule_are_other_entries()
    {
        var findings = Enumerable.Range(0, 4).Select(i => Make("trill", Severity.Tell, i, $"Trill {i}")).ToList();
        Assert.All(findings, f => Assert.True(Shortlist.Of(Measures(12), findings).Has(f)));
    }

    [Fact]
    public void What_stops_the_ensemble_is_told_however_much_there_is()
    {
        var findings = Enumerable.Range(0, 30).Select(i => Make("meter-grouping", Severity.Stop, i % 4, $"Groups {i}")).ToList();
        Assert.All(findings, f => Assert.True(Shortlist.Of(Measures(4), findings).Has(f)));
    }

    [Fact]
    public void A_list_is_never_empty_where_something_is_found()
    {
        var scale = Make("scale", Severity.Note, 2, "C major");
        var unmarked = Make("unmarked", Severity.Note, 1, "Unmarked");
        var list = Shortlist.Of(Measures(8), [unmarked, scale]);
        Assert.True(list.Has(scale));
        Assert.False(list.Has(unmarked));
        Assert.True(Shortlist.Of(Measures(8), [unmarked, scale, Make("pickup", Severity.Note, 0, "Pickup")]).Has(scale));
    }

    [Fact]
    public void What_is_merely_true_waits_where_there_is_better()
    {
        var better = Enumerable.Range(0, 2).Select(i => Make("subito", Severity.Warn, i, $"Sudden {i}")).ToList();
        var scale = Make("scale", Severity.Note, 5, "C major");
        Assert.False(Shortlist.Of(Measures(12), [.. better, scale]).Has(scale));
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void Of_a_measure_of_a_part_one_thing_is_told_at_most(string file)
    {
        var score = ScoreReader.Read(Path.IsPathRooted(file) ? File.ReadAllBytes(file) : Reference.Bytes(file));
        var context = new StudyContext(score, House.Default);
        var findings = StudyDesk.Examine(context, score.Parts, 0, int.MaxValue);
        foreach (var part in score.Parts)
        {
            var list = Shortlist.Of(context, findings, [part.Id]);
            var own = findings.Where(f => f.Parts.Contains(part.Id)).ToList();
            var told = own.Where(f => list.Has(f) && f.Severity < Severity.Stop && !Shortlist.IsFrame(f.Rule)).ToList();
            Assert.Equal(told.Count, told.Select(f => f.From).Distinct().Count());
            Assert.True(told.Count <= score.Measures.Count);
            Assert.True(own.TrueForAll(f => f.Severity == Severity.Note && !TeacherOrder.Names(f.Rule)) || own.Exists(list.Has));
        }
    }

    private static StudyContext Measures(int count) =>
        new(ShortFormReader.Score(string.Join(' ', Enumerable.Repeat("| C5w", count))), House.Default);

    private static Finding Make(string rule, Severity severity, int measure, string title) =>
        new(rule, ["P1"], measure, measure, [], severity, title, "why");
}
