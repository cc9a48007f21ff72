using MellowStand.Core.Tempo;

namespace MellowStand.Core.Assign;

/// <summary>A tempo step with the date to reach it by.</summary>
/// <param name="Mark">Unit and beats per minute.</param>
/// <param name="By">The date.</param>
public sealed record DatedStep(TempoMark Mark, DateOnly By);

/// <summary>Lays the steps of a ladder on the days to a date.</summary>
public static class PassagePlan
{
    /// <summary>Steps by date; the goal is due on the last day.</summary>
    /// <param name="start">The first tempo.</param>
    /// <param name="goal">The goal.</param>
    /// <param name="by">How the ladder climbs.</param>
    /// <param name="value">The size of its steps.</param>
    /// <param name="today">The first day of work.</param>
    /// <param name="due">The day to be ready on.</param>
    /// <exception cref="LadderException">The request makes no sense, or the date is past.</exception>
    public static IReadOnlyList<DatedStep> Of(TempoMark start, TempoMark goal, LadderBy by, double value, DateOnly today, DateOnly due)
    {
        if (due < today)
            throw new LadderException($"The date {due:yyyy-MM-dd} is past. Choose today or a later day.");
        var days = Math.Min(due.DayNumber - today.DayNumber + 1, 366);
        return [.. Ladder.Climb(start, goal, by, value, days).Select(s => new DatedStep(s.Mark, today.AddDays(s.Day - 1)))];
    }
}
