using System.Globalization;

namespace MellowStand.Core.Assign;

/// <summary>Minutes to learn a passage.</summary>
/// <param name="Minutes">All sessions together, at least 1.</param>
/// <param name="Why">What they are made of.</param>
public sealed record LearningTime(int Minutes, string Why);

/// <summary>How long it takes to learn a passage: reading its notes, then playing it at each step of the ladder until it is
/// clean.</summary>
/// <remarks>The hotter the passage, the lower it begins, and the more often it is played at a step. Common practice, no published source;
/// the numbers are ours, and a school's own log draws them nearer.</remarks>
public static class LearningMinutes
{
    private const double SecondsToReadANote = 1.5;
    private const double ShareOfGoalAStep = 0.04;
    private const double LowestStart = 0.5;
    private const double EasyStart = 0.85;
    private const double LeastTimes = 3;
    private const double MoreTimesWhenHot = 4;
    private const double MiddleOfTheLadder = 0.8;
    private const double BetweenTries = 1.3;

    /// <summary>The minutes.</summary>
    /// <param name="notes">Notes that are new in it.</param>
    /// <param name="seconds">Seconds of its new measures at the goal tempo.</param>
    /// <param name="heat">Its heat, 0 to 1.</param>
    /// <param name="pace">Minutes that this school takes for what would take one.</param>
    public static LearningTime Of(int notes, double seconds, double heat, double pace = 1)
    {
        var steps = Steps(heat);
        var times = LeastTimes + (MoreTimesWhenHot * heat);
        var playing = steps * times * seconds / MiddleOfTheLadder * BetweenTries;
        var minutes = Math.Max(1, (int)Math.Ceiling(((notes * SecondsToReadANote) + playing) / 60 * pace));
        var drawn = Math.Abs(pace - 1) < 0.05 ? "" : string.Create(CultureInfo.InvariantCulture, $", at this school's pace × {pace:0.0}");
        return new LearningTime(
            minutes,
            string.Create(
                CultureInfo.InvariantCulture,
                $"{notes} {(notes == 1 ? "note" : "notes")}, {FirstRanges.Words(heat)} (heat {heat:0.00}): {steps} steps of the "
                    + $"ladder, each about {times:0} times{drawn}"
            )
        );
    }

    /// <summary>Steps of the ladder from where a passage of such heat begins.</summary>
    /// <param name="heat">0 to 1.</param>
    public static int Steps(double heat) => (int)Math.Ceiling((1 - (EasyStart - ((EasyStart - LowestStart) * heat))) / ShareOfGoalAStep);
}
