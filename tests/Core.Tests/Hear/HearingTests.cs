using MellowStand.Core.Hear;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Tests.Hear;

/// <summary>What is asked back, what a test comes to, and whether a section is ready.</summary>
public sealed class HearingTests
{
    private static readonly DateOnly Day = new(2031, 3, 10);
    private static readonly PassageTempos Passage = new(66, 104, Day.AddDays(14), ToldUnit.Quarter);

    [Theory]
    [InlineData(400, "against a goal of 104")]
    [InlineData(20, "begins at 66")]
    [InlineData(100, "was clean at 70 last: now 100")]
    public void Nonsense_is_asked_back(double bpm, string expected) =>
        Assert.Contains(Ask(Heard(bpm), Heard(70, -3)), q => q.Contains(expected, StringComparison.Ordinal));

    [Fact]
    public void A_second_Enter_is_asked_back_and_a_better_tempo_is_not()
    {
        Assert.Contains(Ask(Heard(72), Heard(72)), q => q.Contains("just so already", StringComparison.Ordinal));
        Assert.Empty(Ask(Heard(76), Heard(72)));
        Assert.Empty(Ask(Heard(72) with { Clean = false }, Heard(72)));
    }

    [Fact]
    public void A_day_after_the_date_is_asked_back() =>
        Assert.Contains(Ask(Heard(72, 20)), q => q.Contains("was due on", StringComparison.Ordinal));

    [Theory]
    [InlineData(false, false, "does not have this passage")]
    [InlineData(true, false, "plays another instrument")]
    public void A_part_of_another_instrument_is_asked_back(bool has, bool plays, string expected) =>
        Assert.Contains(
            expected,
            Assert.Single(LogQuestions.Of(new NewEntry("Ada", Heard(72), has, plays), Passage, [])),
            StringComparison.Ordinal
        );

    // 2 × 4 + 1 × 5 of 15 is 86.7 percent (by hand).
    [Fact]
    public void A_test_comes_to_its_weighted_share()
    {
        List<TestWeight> weights = [new("notes", 2), new("tone", 1)];
        Assert.Equal(86.7, TestScore.Percent(weights, new Dictionary<string, int> { ["notes"] = 4, ["tone"] = 5 }));
        Assert.Null(TestScore.Percent(weights, new Dictionary<string, int> { ["notes"] = 4 }));
        Assert.Null(TestScore.Percent([], new Dictionary<string, int>()));
    }

    [Fact]
    public void Three_things_to_fix_are_enough_the_heaviest_loss_first()
    {
        List<TestWeight> weights = [new("notes", 3), new("rhythm", 1), new("tone", 1), new("pulse", 2), new("style", 1)];
        var marks = new Dictionary<string, int>
        {
            ["notes"] = 4,
            ["rhythm"] = 0,
            ["tone"] = 5,
            ["pulse"] = 3,
            ["style"] = 4,
        };
        Assert.Equal(["rhythm", "pulse", "notes"], TestScore.Weakest(weights, marks));
    }

    // Ten players with nine in ten each: all of them 0.9^10 = 0.349, at most one missing 0.736 (binomial, by hand).
    [Theory]
    [InlineData("none", 0, 0.349)]
    [InlineData("one", 1, 0.736)]
    [InlineData("one-in-ten", 1, 0.736)]
    [InlineData("one-in-five", 2, 0.93)]
    public void A_section_is_ready_but_for_whom_the_house_lets_miss(string rule, int mayMiss, double chance)
    {
        var section = SectionReadiness.Of(House.Default.With("section-ready", rule), [.. Enumerable.Repeat((double?)0.9, 10)]);
        Assert.Equal(mayMiss, section.MayMiss);
        Assert.Equal(chance, section.Chance!.Value, 3);
    }

    [Fact]
    public void Of_whom_nothing_is_known_counts_as_the_others_and_nobody_heard_is_no_chance()
    {
        var section = SectionReadiness.Of(House.Default.With("section-ready", "none"), [0.5, null]);
        Assert.Equal((0.25, 2, 1), (section.Chance!.Value, section.Players, section.Told));
        Assert.Null(SectionReadiness.Of(House.Default, [null, null]).Chance);
        Assert.Null(SectionReadiness.Of(House.Default, []).Chance);
    }

    [Fact]
    public void When_a_section_is_late_tempo_calendar_and_passage_are_told_with_their_numbers()
    {
        IReadOnlyCollection<HeardTempo> Player(double at) =>
            [Heard(at, -14), Heard(at + 5, -10), Heard(at + 10, -6), Heard(at + 14, -2), Heard(at + 16, 0)];
        var gives = WhatGives.Of(
            House.Default,
            [Player(66), Player(68), Player(70)],
            104,
            Day.AddDays(7),
            [("25", 0.2), ("26", 0.9), ("27", 0.2)],
            LearnerPrior.Usual
        );
        Assert.Contains(gives, g => g.What == "tempo" && g.Why.Contains("instead of 104", StringComparison.Ordinal));
        Assert.Contains(gives, g => g.What == "passage" && g.Why.Contains("measure 26", StringComparison.Ordinal));
        var ready = WhatGives.Of(House.Default, [Player(100)], 104, Day.AddDays(7), [], LearnerPrior.Usual);
        Assert.Empty(ready);
    }

    private static HeardTempo Heard(double bpm, int days = 0) => new(Day.AddDays(days), bpm);

    private static IReadOnlyList<string> Ask(HeardTempo heard, params HeardTempo[] before) =>
        LogQuestions.Of(new NewEntry("Ada", heard, true, true), Passage, before);
}
