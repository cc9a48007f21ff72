namespace MellowStand.Core.Hear;

/// <summary>A tempo at which somebody was heard.</summary>
/// <param name="Day">The day it was heard.</param>
/// <param name="QuarterBpm">Quarters per minute.</param>
/// <param name="Clean">False for a try that failed.</param>
public sealed record HeardTempo(DateOnly Day, double QuarterBpm, bool Clean = true);

/// <summary>What the curve to the date says.</summary>
public enum Readiness
{
    /// <summary>Too few entries to say anything.</summary>
    CannotTell,

    /// <summary>At the goal three days or more before the date, with a chance of six in ten.</summary>
    Early,

    /// <summary>Rather at the goal by the date than not.</summary>
    OnTime,

    /// <summary>Rather not at the goal by the date.</summary>
    Late,
}

/// <summary>A forecast with its reason.</summary>
/// <param name="Readiness">What it says.</param>
/// <param name="Entries">How many entries it rests on, failed tries counted.</param>
/// <param name="Chance">Chance from 0 to 1 that the goal is clean by the date, or null when nobody can tell.</param>
/// <param name="Low">Quarters a minute: in one of ten cases the clean tempo of the date lies below; null when nobody can tell.</param>
/// <param name="High">Quarters a minute: in one of ten cases it lies above.</param>
/// <param name="ReadyOn">The day on which the goal is as likely clean as not, or null when that lies more than a year off.</param>
/// <param name="BpmPerWeek">Gain in quarters a minute a week over the days that were heard, or null.</param>
/// <param name="AtDate">The middle of what is expected on the date in quarters a minute, or null.</param>
/// <param name="Why">One sentence with the numbers.</param>
public sealed record Forecast(
    Readiness Readiness,
    int Entries,
    double? Chance,
    double? Low,
    double? High,
    DateOnly? ReadyOn,
    double? BpmPerWeek,
    double? AtDate,
    string Why
);

/// <summary>What is expected on one day: the fan that a chart draws.</summary>
/// <param name="Day">The day.</param>
/// <param name="Low">In one of ten cases the clean tempo lies below.</param>
/// <param name="Middle">The middle.</param>
/// <param name="High">In one of ten cases it lies above.</param>
public sealed record FanDay(DateOnly Day, double Low, double Middle, double High);
