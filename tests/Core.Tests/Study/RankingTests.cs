using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

public sealed class RankingTests
{
    [Fact]
    public void What_stops_the_ensemble_is_read_first_then_what_is_dear_to_miss()
    {
        var order = Ranking.Order(
            Context("Flute"),
            [
                Make("no-dynamics", Severity.Warn, 0),
                Make("trill", Severity.Tell, 0),
                Make("carried-accidental", Severity.Warn, 9),
                Make("anything", Severity.Stop, 30),
            ]
        );
        Assert.Equal(["anything", "carried-accidental", "no-dynamics", "trill"], order.Select(f => f.Rule));
    }

    [Theory]
    [InlineData("Flute", "trill")]
    [InlineData("Trumpet in B♭", "large-leap")]
    [InlineData("Violin", "bow-length")]
    [InlineData("Snare Drum", "rest-count")]
    public void Each_family_hears_first_what_is_nearest_to_its_hands(string part, string first)
    {
        string[] rules = ["trill", "large-leap", "bow-length", "rest-count", "hemiola"];
        var order = Ranking.Order(Context(part), rules.Select(r => Make(r, Severity.Warn, 3)));
        Assert.Equal(first, order[0].Rule);
        Assert.Equal("hemiola", order[^1].Rule);
    }

    [Fact]
    public void Names_of_rules_are_each_used_once_and_a_teacher_knows_only_rules_that_are_there()
    {
        var names = StudyDesk.Rules.Select(r => r.Name).ToList();
        Assert.Equal(names.Count, names.Distinct().Count());
        Assert.All(
            names.Where(n => StudyDesk.RuleOf(n) is not null && !TeacherOrder.Names(n)),
            n => Assert.Equal(TeacherOrder.Last, TeacherOrder.Of(n, Family.Woodwind))
        );
        Assert.Equal("signature", names.MinBy(n => TeacherOrder.Of(n, Family.Brass)));
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

    private static StudyContext Context(string part) =>
        new(ShortFormReader.Score($"part \"{part}\"\n" + string.Join(' ', Enumerable.Repeat("| C5w", 40))), House.Default);
}
