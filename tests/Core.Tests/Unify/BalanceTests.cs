using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Unify;
using MellowStand.Core.Unify.Balance;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Players × level. The sum of equal incoherent sources is 10·log10(n): acoustics handbooks, values below from memory.</summary>
public sealed class BalanceTests
{
    private const string TuneAndTwo =
        "part \"Flute\"\n| !mf C6q D6 E6 F6 | G6 F6 E6 D6\npart \"Clarinet\"\n| !mf E5w | D5w\npart \"Horn\"\n| !mf C4w | B3w";

    // Handbook values: two equal sources are 3.01 dB louder than one, ten 10 dB, a hundred 20 dB.
    [Theory]
    [InlineData(1, 0)]
    [InlineData(2, 3.0103)]
    [InlineData(4, 6.0206)]
    [InlineData(10, 10)]
    [InlineData(100, 20)]
    public void Equal_players_add_by_power(int players, double expected)
    {
        Assert.Equal(expected, Decibels.OfPlayers(players), 4);
        Assert.Equal(expected, Decibels.Sum(Enumerable.Repeat(0.0, players)), 4);
    }

    [Fact]
    public void A_source_ten_decibels_below_adds_less_than_half_a_decibel() => Assert.Equal(60.41, Decibels.Sum([60, 50]), 2);

    [Fact]
    public void The_highest_line_that_moves_has_the_tune()
    {
        var balances = Of(TuneAndTwo, _ => 1);
        Assert.All(balances, b => Assert.Equal(["P1"], b.Tune.Parts));
        Assert.Equal(3.01, balances[0].Cover, 2); // two of the same level against one
    }

    [Theory]
    [InlineData(1, 1, 0)] // 3 dB above: heard
    [InlineData(1, 4, 1)] // eight against one: 9 dB
    [InlineData(4, 4, 0)]
    public void A_tune_is_covered_by_number(int onTune, int each, int expected)
    {
        var score = ShortFormReader.Score(TuneAndTwo);
        var context = new UnifyContext(score, House.Default);
        var found = BalanceDesk.Covered(context, Of(TuneAndTwo, p => p == "P1" ? onTune : each));
        Assert.Equal(expected, found.Count);
    }

    [Fact]
    public void A_tune_is_covered_by_level_and_the_cures_say_by_how_much()
    {
        var music = TuneAndTwo.Replace("\"Clarinet\"\n| !mf", "\"Clarinet\"\n| !ff", StringComparison.Ordinal);
        var found = Assert.Single(BalanceDesk.Covered(new UnifyContext(ShortFormReader.Score(music), House.Default), Of(music, _ => 1)));
        Assert.Equal((0, 1), (found.From, found.To));
        // Two steps of 5 dB and one player more at mezzo forte: 10·log10(10 + 1) = 10.4.
        Assert.Equal(10.4, found.Cover, 1);
        Assert.Equal("The others one step softer.", found.Cures[0]);
        Assert.Equal("2 more players on the tune.", found.Cures[2]);
    }

    [Fact]
    public void The_house_sets_what_a_step_is()
    {
        var house = new House(new Dictionary<string, string> { ["level-decibels"] = "3" });
        Assert.Equal(6, Decibels.OfLevel(house, 7));
        Assert.Equal(-10, Decibels.OfLevel(House.Default, 3));
    }

    [Fact]
    public void Parts_of_one_line_add_up_and_are_one_tune()
    {
        const string music =
            "part \"Flute\"\n| !mf C6q D6 E6 F6 | G6 F6 E6 D6\npart \"Oboe\"\n| !mf C5q D5 E5 F5 | G5 F5 E5 D5\npart "
            + "\"Horn\"\n| !mf C4w | B3w";
        var balance = Of(music, _ => 2)[0];
        Assert.Equal(["P1", "P2"], balance.Tune.Parts);
        Assert.Equal(4, balance.Tune.Players);
        Assert.Equal(-3.01, balance.Cover, 2);
    }

    [Fact]
    public void The_director_may_name_the_tune()
    {
        var score = ShortFormReader.Score(TuneAndTwo);
        var context = new UnifyContext(score, House.Default);
        var balances = BalanceDesk.Of(context, UnifyDesk.Compare(context).Lines, _ => 1, new HashSet<string> { "P3" });
        Assert.All(balances, b => Assert.Equal(["P3"], b.Tune.Parts));
    }

    [Fact]
    public void A_tune_alone_is_covered_by_nobody()
    {
        var balance = Assert.Single(Of("part \"Flute\"\n| !mf C6q D6 E6 F6", _ => 1));
        Assert.Equal(double.NegativeInfinity, balance.Cover);
    }

    private static IReadOnlyList<MeasureBalance> Of(string music, Func<string, int> players)
    {
        var context = new UnifyContext(ShortFormReader.Score(music), House.Default);
        return BalanceDesk.Of(context, UnifyDesk.Compare(context).Lines, players);
    }
}
