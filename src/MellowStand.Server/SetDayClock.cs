namespace MellowStand.Server;

/// <summary>The machine's clock, moved by whole days so that it is a chosen day now: <c>--today 2026-12-31</c>. Demo and tests take their
/// day from it, so that any day of the week, month and year can be tried on any other.</summary>
/// <remarks>Hours go on as they do outside, and midnight comes when it comes: what holds for "today" holds for a set day too.</remarks>
public sealed class SetDayClock : TimeProvider
{
    private readonly TimeSpan _moved;

    private SetDayClock(TimeSpan moved) => _moved = moved;

    /// <summary>The clock on which it is a day now; the machine's own for null.</summary>
    /// <param name="today">The day in local time, or null.</param>
    public static TimeProvider At(DateOnly? today) =>
        today is { } day
            ? new SetDayClock(TimeSpan.FromDays(day.DayNumber - DateOnly.FromDateTime(System.GetLocalNow().DateTime).DayNumber))
            : System;

    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow() => System.GetUtcNow() + _moved;
}
