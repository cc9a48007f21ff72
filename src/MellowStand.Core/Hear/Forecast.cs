using System.Globalization;

namespace MellowStand.Core.Hear;

/// <summary>A tempo heard clean.</summary>
/// <param name="Day">The day it was heard.</param>
/// <param name="QuarterBpm">Quarters per minute.</param>
public sealed record CleanTempo(DateOnly Day, double QuarterBpm);

/// <summary>What the line to the date says.</summary>
public enum Readiness
{
    /// <summary>Too few entries to say anything.</summary>
    CannotTell,

    /// <summary>At the goal three days or more before the date.</summary>
    Early,

    /// <summary>At the goal by the date.</summary>
    OnTime,

    /// <summary>Not at the goal by the date.</summary>
    Late,
}

/// <summary>A forecast with its reason.</summary>
/// <param name="Readiness">What it says.</param>
/// <param name="Entries">How many entries it rests on.</param>
/// <param name="ReadyOn">The day the line meets the goal, or null when it does not within a year.</param>
/// <param name="BpmPerWeek">Gain in quarters per minute a week, or null.</param>
/// <param name="AtDate">The tempo the line has on the date, or null.</param>
/// <param name="Why">One sentence with the numbers.</param>
public sealed record Forecast(Readiness Readiness, int Entries, DateOnly? ReadyOn, double? BpmPerWeek, double? AtDate, string Why);

/// <summary>Who will be ready: a straight line through the clean tempos, drawn on to the date.</summary>
/// <remarks>Ordinary least squares over the days (any textbook of statistics); a goal once reached clean is reached. Three
/// entries are the least that can contradict each other: our own limit.</remarks>
public static class Forecaster
{
    private const int LeastEntries = 3;
    private const int EarlyDays = 3;

    /// <summary>Draws the line.</summary>
    /// <param name="entries">Clean tempos in any order.</param>
    /// <param name="goal">Goal in quarters per minute.</param>
    /// <param name="due">The date.</param>
    public static Forecast Of(IReadOnlyCollection<CleanTempo> entries, double goal, DateOnly due)
    {
        var sorted = entries.OrderBy(e => e.Day).ToList();
        var n = sorted.Count;
        if (n < LeastEntries)
            return new Forecast(
                Readiness.CannotTell,
                n,
                null,
                null,
                null,
                $"{Count(n)} so far: with fewer than {LeastEntries} nobody can tell."
            );
        if (sorted.FirstOrDefault(e => e.QuarterBpm >= goal - 0.5) is { } there)
            return Reached(n, there, due);
        var (slope, atZero, origin) = Fit(sorted);
        if (slope is null)
            return new Forecast(Readiness.CannotTell, n, null, null, null, $"{Count(n)}, all of one day: hear it again on another day.");
        var atDate = atZero + (slope.Value * (due.DayNumber - origin));
        var perWeek = Math.Round(slope.Value * 7, 1);
        if (slope <= 1e-6)
            return new Forecast(
                Readiness.Late,
                n,
                null,
                perWeek,
                Round(atDate),
                $"{Count(n)}, and the clean tempo does not climb: the goal is quarter = {Number(goal)}."
            );
        var days = Math.Ceiling((goal - atZero) / slope.Value);
        var ready = days is > 0 and < 366 ? DateOnly.FromDayNumber(origin + (int)days) : (DateOnly?)null;

        return new Forecast(
            Met(ready, due),
            n,
            ready,
            perWeek,
            Round(atDate),
            $"{Count(n)}, gaining {Number(perWeek)} a week: quarter = {Number(Math.Round(atDate))} on {Date(due)} against a goal of "
                + $"{Number(goal)}{(ready is null ? "" : $"; the goal is reached on {Date(ready.Value)}")}."
        );
    }

    private static Readiness Met(DateOnly? ready, DateOnly due) =>
        ready switch
        {
            null => Readiness.Late,
            { } day when day > due => Readiness.Late,
            { } day when due.DayNumber - day.DayNumber >= EarlyDays => Readiness.Early,
            _ => Readiness.OnTime,
        };

    private static Forecast Reached(int n, CleanTempo there, DateOnly due)
    {
        return new Forecast(
            Met(there.Day, due),
            n,
            there.Day,
            null,
            there.QuarterBpm,
            $"{Count(n)}: the goal was clean on {Date(there.Day)}."
        );
    }

    private static (double? Slope, double AtOrigin, int Origin) Fit(List<CleanTempo> entries)
    {
        var origin = entries[0].Day.DayNumber;
        var xs = entries.Select(e => (double)(e.Day.DayNumber - origin)).ToList();
        var meanX = xs.Average();
        var meanY = entries.Average(e => e.QuarterBpm);
        var spread = xs.Sum(x => (x - meanX) * (x - meanX));
        if (spread == 0)
            return (null, meanY, origin);
        var slope = xs.Zip(entries, (x, e) => (x - meanX) * (e.QuarterBpm - meanY)).Sum() / spread;
        return (slope, meanY - (slope * meanX), origin);
    }

    private static double Round(double bpm) => Math.Round(bpm, 1);

    private static string Count(int n) =>
        n switch
        {
            0 => "No entry",
            1 => "1 entry",
            _ => n.ToString(CultureInfo.InvariantCulture) + " entries",
        };

    private static string Number(double n) => n.ToString("0.#", CultureInfo.InvariantCulture);

    private static string Date(DateOnly d) => d.ToString("MMM d", CultureInfo.InvariantCulture);
}
