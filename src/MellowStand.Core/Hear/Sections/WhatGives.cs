using System.Globalization;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Hear;

/// <summary>A way to have a section ready.</summary>
/// <param name="What"><c>tempo</c>, <c>calendar</c> or <c>passage</c>.</param>
/// <param name="Why">The way with its numbers.</param>
public sealed record SectionGive(string What, string Why);

/// <summary>What gives when a section will not be ready: the tempo, the calendar or the passage, each with its numbers.</summary>
/// <remarks>Common practice, no published source: "what gives: the tempo, the passage, or the calendar?" Eight in ten is called ready:
/// ours.</remarks>
public static class WhatGives
{
    /// <summary>The chance with which a section is called ready.</summary>
    public const double Ready = 0.8;

    private const double LowestGoal = 0.6;
    private const int GoalSteps = 20;
    private const int LongestDelay = 90;
    private const double MuchHotter = 1.3;
    private const double MuchCooler = 0.85;

    /// <summary>The ways; none where the section is ready or nobody can tell.</summary>
    /// <param name="house">The school's answers.</param>
    /// <param name="players">What was heard of each player.</param>
    /// <param name="goal">The goal in quarters a minute.</param>
    /// <param name="due">The date.</param>
    /// <param name="heat">Label and heat of each measure of the passage.</param>
    /// <param name="prior">How common each kind of learner is.</param>
    /// <param name="unit">The unit in which tempos are told; the quarter when left out.</param>
    public static IReadOnlyList<SectionGive> Of(
        House house,
        IReadOnlyList<IReadOnlyCollection<HeardTempo>> players,
        double goal,
        DateOnly due,
        IReadOnlyList<(string Label, double Heat)> heat,
        LearnerPrior prior,
        ToldUnit? unit = null
    )
    {
        double? ChanceAt(double asked, DateOnly day) =>
            SectionReadiness.Of(house, [.. players.Select(p => Forecaster.Of(p, asked, day, prior).Chance)]).Chance;
        if (ChanceAt(goal, due) is not { } now || now >= Ready)
            return [];
        return
        [
            .. new[]
            {
                Tempo(goal, unit ?? ToldUnit.Quarter, g => ChanceAt(g, due)),
                Calendar(due, d => ChanceAt(goal, d)),
                Passage(heat),
            }.OfType<SectionGive>(),
        ];
    }

    private static SectionGive? Tempo(double goal, ToldUnit unit, Func<double, double?> chance)
    {
        for (var i = 1; i <= GoalSteps; i++)
        {
            var slower = Math.Floor(unit.In(goal) * (1 - ((1 - LowestGoal) * i / GoalSteps))) * unit.Quarters.Value;
            if (chance(slower) is { } there && there >= Ready)
                return new SectionGive(
                    "tempo",
                    $"At {unit.Words(slower)} instead of {unit.Number(goal)} the chance is {Chances.Words(there)}."
                );
        }

        return null;
    }

    private static SectionGive? Calendar(DateOnly due, Func<DateOnly, double?> chance)
    {
        if (chance(due.AddDays(LongestDelay)) is not { } last || last < Ready)
            return null;
        var (low, high) = (1, LongestDelay);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = chance(due.AddDays(middle)) >= Ready ? (low, middle) : (middle + 1, high);
        }

        var day = due.AddDays(low);
        return new SectionGive(
            "calendar",
            string.Create(
                CultureInfo.InvariantCulture,
                $"On {day:MMM d}, {low} {(low == 1 ? "day" : "days")} later, the chance is {Chances.Words(chance(day) ?? 0)}."
            )
        );
    }

    // The hottest measures, thinned out or given to the first chair.
    private static SectionGive? Passage(IReadOnlyList<(string Label, double Heat)> heat)
    {
        if (heat.Count < 2)
            return null;
        var mean = heat.Average(h => h.Heat);
        var hot = heat.Where(h => h.Heat > mean * MuchHotter).OrderByDescending(h => h.Heat).Take(2).ToList();
        if (hot.Count == 0)
            return null;
        var rest = heat.Except(hot).Select(h => h.Heat).DefaultIfEmpty().Average();
        if (rest > mean * MuchCooler)
            return null;
        return new SectionGive(
            "passage",
            string.Create(
                CultureInfo.InvariantCulture,
                $"Without measure {string.Join(" and ", hot.Select(h => h.Label))} (given to the first chair, or thinned "
                    + $"out) its heat is {rest:0.00} instead of {mean:0.00}."
            )
        );
    }
}
