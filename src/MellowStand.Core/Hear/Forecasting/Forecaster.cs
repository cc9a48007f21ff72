using System.Globalization;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Hear;

/// <summary>Who will be ready: a learning curve that flattens, drawn on to the date, with what is not known about it.</summary>
/// <remarks>A mixture of <see cref="LearnerKind"/>: each kind is laid through the entries and counts as much as it explains them. Three
/// entries are the least that can contradict each other: our own limit.</remarks>
public static class Forecaster
{
    private const int LeastEntries = 3;
    private const int EarlyDays = 3;
    private const int LongestLook = 366;
    private const double Tail = 0.1;

    // What was clean once is clean again, nearly always; a hearing that goes well is not all skill, so that half its noise counts.
    private const double SureEnough = 0.6;
    private const double OnceClean = 0.95;
    private const double LuckOfTheDay = 0.5;

    /// <summary>True when there is enough to tell something: three entries of two days, one of them clean.</summary>
    public static bool CanTell(IReadOnlyCollection<HeardTempo> entries) => Lacks(entries) is null;

    /// <summary>Draws the curve.</summary>
    /// <param name="entries">Tempos in any order.</param>
    /// <param name="goal">Goal in quarters per minute.</param>
    /// <param name="due">The date.</param>
    /// <param name="prior">How common each kind of learner is; the usual one when left out.</param>
    /// <param name="unit">The unit in which its words tell tempos; the quarter when left out.</param>
    public static Forecast Of(
        IReadOnlyCollection<HeardTempo> entries,
        double goal,
        DateOnly due,
        LearnerPrior? prior = null,
        ToldUnit? unit = null
    )
    {
        if (Lacks(entries) is { } lacks)
            return new Forecast(Readiness.CannotTell, entries.Count, null, null, null, null, null, null, lacks);
        var learner = LearnerMixture.Of(entries, goal, due, prior ?? LearnerPrior.Usual);
        var there = entries.Where(e => e.Clean && e.Day <= due && e.QuarterBpm >= goal - 0.5).Select(e => (DateOnly?)e.Day).Min();
        var onTheDay = learner.On(due);
        var chance = 1 - onTheDay.Below(1, LuckOfTheDay);
        if (there is not null)
            chance = Math.Max(chance, OnceClean);
        var ready = there ?? FirstLikely(learner, entries.Min(e => e.Day), due);
        // Nobody is asked for more than the goal.
        var low = Math.Min(onTheDay.Quantile(Tail), 1) * goal;
        var high = onTheDay.Quantile(1 - Tail) * goal;
        var middle = onTheDay.Quantile(0.5) * goal;
        var gain = Gain(learner, entries) * goal;
        return new Forecast(
            Met(chance, ready, due),
            entries.Count,
            Math.Round(chance, 3),
            Round(low),
            Round(high),
            ready,
            Round(gain),
            Round(middle),
            Why(unit ?? ToldUnit.Quarter, entries, goal, due, there, chance, (low, high), gain, ready)
        );
    }

    /// <summary>What is expected day by day, from the first entry to a last day.</summary>
    /// <param name="entries">Tempos in any order.</param>
    /// <param name="goal">Goal in quarters per minute.</param>
    /// <param name="due">The date.</param>
    /// <param name="days">How many days to tell, evenly spread; at least two.</param>
    /// <param name="prior">How common each kind of learner is.</param>
    /// <returns>Empty when nobody can tell.</returns>
    public static IReadOnlyList<FanDay> Fan(
        IReadOnlyCollection<HeardTempo> entries,
        double goal,
        DateOnly due,
        int days,
        LearnerPrior? prior = null
    )
    {
        if (!CanTell(entries))
            return [];
        var learner = LearnerMixture.Of(entries, goal, due, prior ?? LearnerPrior.Usual);
        var first = entries.Max(e => e.Day).DayNumber;
        var last = Math.Max(due.DayNumber, first + 1);
        return
        [
            .. Enumerable
                .Range(0, days)
                .Select(i => first + (int)Math.Round((double)i * (last - first) / (days - 1)))
                .Distinct()
                .Select(DateOnly.FromDayNumber)
                .Select(d => (Day: d, Expected: learner.On(d)))
                .Select(d => new FanDay(
                    d.Day,
                    Round(d.Expected.Quantile(Tail) * goal),
                    Round(d.Expected.Quantile(0.5) * goal),
                    Round(d.Expected.Quantile(1 - Tail) * goal)
                )),
        ];
    }

    private static string? Lacks(IReadOnlyCollection<HeardTempo> entries)
    {
        if (entries.Count < LeastEntries)
            return $"{Count(entries.Count)} so far: with fewer than {LeastEntries} nobody can tell.";
        if (entries.Select(e => e.Day).Distinct().Count() == 1)
            return $"{Count(entries.Count)}, all of one day: hear it again on another day.";
        return entries.Any(e => e.Clean)
            ? null
            : $"{Count(entries.Count)}, none of them clean: find a tempo at which it is clean, then nobody has to guess.";
    }

    // The first day on which the goal is as likely clean as not.
    private static DateOnly? FirstLikely(LearnerMixture learner, DateOnly first, DateOnly due)
    {
        var (low, high) = (first.DayNumber, Math.Max(first.DayNumber, due.DayNumber) + LongestLook);
        if (NotThere(learner, high) > 0.5)
            return null;
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (NotThere(learner, middle) <= 0.5)
                high = middle;
            else
                low = middle + 1;
        }

        return DateOnly.FromDayNumber(low);
    }

    private static double NotThere(LearnerMixture learner, int day) => learner.On(DateOnly.FromDayNumber(day)).Below(1, LuckOfTheDay);

    private static double Gain(LearnerMixture learner, IReadOnlyCollection<HeardTempo> entries)
    {
        var (first, last) = (entries.Min(e => e.Day), entries.Max(e => e.Day));
        return (learner.On(last).Mean - learner.On(first).Mean) * 7 / (last.DayNumber - first.DayNumber);
    }

    private static Readiness Met(double chance, DateOnly? ready, DateOnly due)
    {
        if (chance < 0.5)
            return Readiness.Late;
        return chance >= SureEnough && ready is { } day && due.DayNumber - day.DayNumber >= EarlyDays ? Readiness.Early : Readiness.OnTime;
    }

    private static string Why(
        ToldUnit unit,
        IReadOnlyCollection<HeardTempo> entries,
        double goal,
        DateOnly due,
        DateOnly? there,
        double chance,
        (double Low, double High) span,
        double gain,
        DateOnly? ready
    )
    {
        var failed = entries.Count(e => !e.Clean);
        var heard = failed == 0 ? Count(entries.Count) : $"{Count(entries.Count)}, {failed} of them not clean";
        if (there is { } day)
            return $"{heard}: the goal was clean on {Date(day)}.";
        var climbs = gain < 0.1 ? "and the clean tempo does not climb" : $"gaining {unit.Number(gain)} a week";
        var reached = ready is { } on ? $"; the goal is as likely clean as not on {Date(on)}" : "";
        return $"{heard}, {climbs}: {unit.Whole(span.Low)} to {Math.Round(unit.In(span.High))} on "
            + $"{Date(due)} in eight of ten "
            + $"cases against a goal of {unit.Number(goal)}, a chance of {Chances.Words(chance)}{reached}.";
    }

    private static double Round(double bpm) => Math.Round(bpm, 1);

    private static string Count(int n) =>
        n switch
        {
            0 => "No entry",
            1 => "1 entry",
            _ => n.ToString(CultureInfo.InvariantCulture) + " entries",
        };

    private static string Date(DateOnly d) => d.ToString("MMM d", CultureInfo.InvariantCulture);
}
