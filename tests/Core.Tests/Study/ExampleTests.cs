using System.Reflection;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>Each rule on the music that it carries itself: what it must find, where it must stay quiet, its edge. Traps of trade practice
/// and the values marked [check] there: common practice, no published source.</summary>
public sealed class ExampleTests
{
    private const int Least = 2;

    public static TheoryData<string> Rules => [.. StudyDesk.Rules.Select(r => r.Name)];

    public static TheoryData<string, string, int> All
    {
        get
        {
            var all = new TheoryData<string, string, int>();
            foreach (var rule in StudyDesk.Rules)
                foreach (var example in Of(rule))
                    all.Add(rule.Name, example.Music, example.Finds);
            return all;
        }
    }

    [Theory]
    [MemberData(nameof(All))]
    public void A_rule_finds_what_its_example_says(string rule, string music, int finds)
    {
        var found = Find(rule, music);
        Assert.True(
            finds == found.Count,
            $"{found.Count} for {finds}: {string.Join(" / ", found.Select(f => $"{f.From}–{f.To} {f.Title}"))}"
        );
    }

    [Theory]
    [MemberData(nameof(Rules))]
    public void A_rule_shows_what_it_finds_and_where_it_stays_quiet(string rule)
    {
        var examples = Of(StudyDesk.Rules.Single(r => r.Name == rule)).ToList();
        Assert.True(examples.Count >= Least, $"{rule} has {examples.Count} examples.");
        Assert.Contains(examples, e => e.Finds > 0);
        Assert.Contains(examples, e => e.Finds == 0);
        Assert.Equal(examples.Count, examples.Select(e => e.Music).Distinct().Count());
    }

    private static IEnumerable<ExampleAttribute> Of(IStudyRule rule) => rule.GetType().GetCustomAttributes<ExampleAttribute>();

    private static IEnumerable<Finding> FindingsOf(string music)
    {
        var score = ShortFormReader.Score(music);
        return StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, int.MaxValue);
    }

    private static List<Finding> Find(string rule, string music) => [.. FindingsOf(music).Where(f => f.Rule == rule)];
}
