using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

public sealed class RankingTests
{
    [Fact]
    public void What_stops_the_ensemble_is_read_first_then_what_is_dear_to_miss()
    {
        var order = Ranking.Order([
            Make("no-dynamics", Severity.Warn, 0),
            Make("trill", Severity.Note, 0),
            Make("carried-accidental", Severity.Warn, 9),
            Make("anything", Severity.Stop, 30),
        ]);
        Assert.Equal(["anything", "carried-accidental", "no-dynamics", "trill"], order.Select(f => f.Rule));
    }

    [Fact]
    public void No_warning_is_hidden_because_there_are_many()
    {
        var findings = Enumerable.Range(0, 60).Select(i => Make("carried-accidental", Severity.Warn, i % 4) with { Turn = i }).ToList();
        Assert.Equal(60, Ranking.Shown(findings).Count);
    }

    [Fact]
    public void What_is_only_good_to_know_is_folded()
    {
        Assert.Empty(Ranking.Shown([Make("trill", Severity.Note, 0)]));
    }

    [Fact]
    public void No_two_rules_share_a_rank_or_a_name()
    {
        var ranked = StudyDesk.Rules.Where(r => r.Rank < IStudyRule.Unranked).ToList();
        Assert.Equal(ranked.Count, ranked.Select(r => r.Rank).Distinct().Count());
        Assert.Equal(StudyDesk.Rules.Count, StudyDesk.Rules.Select(r => r.Name).Distinct().Count());
        Assert.Equal("carried-accidental", ranked.MinBy(r => r.Rank)!.Name);
    }

    // Fixed names of the interface, from the design: none may be lost.
    [Fact]
    public void No_fixed_rule_is_missing()
    {
        string[] names =
        [
            "carried-accidental",
            "enharmonic",
            "hidden-key",
            "near-miss",
            "chromatic-run",
            "scale",
            "arpeggio",
            "return",
            "pickup",
            "count-unit",
            "meter-grouping",
            "long-length",
            "rest-count",
            "syncopation",
            "flipped-rhythm",
            "no-dynamics",
            "subito",
            "halfway-level",
            "hairpin-to-nowhere",
            "soft-high-entry",
            "a-tempo-without-slowing",
            "slowing-unresolved",
            "no-slowing-at-end",
            "fermata",
            "lone-mark",
            "pattern-change",
            "slur-across-beams",
            "offbeat-accent",
            "dots-under-slur",
            "two-note-slur",
            "trill",
            "turn",
            "grace",
            "large-leap",
            "no-breath",
            "solo",
        ];
        Assert.Empty(names.Except(StudyDesk.Rules.Select(r => r.Name)));
    }

    [Theory]
    [InlineData("Allegro con brio", TempoKind.Fixed, "quick, cheerful")]
    [InlineData("poco rit.", TempoKind.Slowing, "slowing little by little")]
    [InlineData("Tempo I", TempoKind.Return, "the first tempo again")]
    [InlineData("più mosso", TempoKind.Changed, "faster")]
    [InlineData("Langsamer werden", TempoKind.Slowing, "slowing little by little")]
    [InlineData("très vif", TempoKind.Fixed, "very lively")]
    public void A_tempo_word_says_what_it_asks_for(string text, TempoKind kind, string meaning)
    {
        var word = TempoWords.TempoIn(text)!;
        Assert.Equal((kind, meaning), (word.Kind, word.Meaning));
    }

    [Theory]
    [InlineData("dolce")]
    [InlineData("cantabile")]
    [InlineData("rehearse this")]
    [InlineData("div.")]
    public void A_word_of_character_or_of_nothing_moves_no_tempo(string text) => Assert.Null(TempoWords.TempoIn(text));

    [Fact]
    public void Tempo_ranges_are_ranges() =>
        Assert.All(TempoWords.All.Where(w => w.Low is not null), w => Assert.True(w.Low < w.High, w.Word));

    private static Finding Make(string rule, Severity severity, int measure) =>
        new(rule, ["P1"], measure, measure, [], severity, "x", "why");
}
