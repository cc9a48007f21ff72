namespace MellowStand.Core.Assign;

/// <summary>What a day of the calendar is.</summary>
public enum CalendarKind
{
    /// <summary>Nobody practices.</summary>
    Off,

    /// <summary>The ensemble meets.</summary>
    Rehearsal,

    /// <summary>A concert, a festival, an audition: nothing is practiced at home.</summary>
    Concert,

    /// <summary>Other minutes than usual.</summary>
    Minutes,
}

/// <summary>An entry of the calendar.</summary>
/// <param name="From">Its first day.</param>
/// <param name="To">Its last day, not before the first.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Minutes">Length of a rehearsal, or practice minutes of a day with other minutes; 0 for the other kinds.</param>
public sealed record CalendarEntry(DateOnly From, DateOnly To, CalendarKind Kind, int Minutes)
{
    /// <summary>True when a day lies in it.</summary>
    public bool Holds(DateOnly day) => day >= From && day <= To;
}

/// <summary>When a school practices.</summary>
/// <param name="Minutes">Minutes a day at home.</param>
/// <param name="RestDays">Days of the week without practice.</param>
/// <param name="RunDays">Last days before a date that are kept for runs.</param>
/// <param name="Entries">Days off, rehearsals, concerts, days with other minutes.</param>
public sealed record PracticeCalendar(
    int Minutes,
    IReadOnlyCollection<DayOfWeek> RestDays,
    int RunDays,
    IReadOnlyList<CalendarEntry> Entries
)
{
    /// <summary>Twenty minutes a day, Sundays off, three days for runs.</summary>
    /// <remarks>Common practice, no published source.</remarks>
    public static PracticeCalendar Usual { get; } = new(20, [DayOfWeek.Sunday], 3, []);

    /// <summary>Minutes on a day: 0 when nobody practices.</summary>
    public int MinutesOn(DateOnly day)
    {
        var entries = Entries.Where(e => e.Holds(day)).ToList();
        if (entries.Exists(e => e.Kind is CalendarKind.Off or CalendarKind.Concert))
            return 0;
        if (entries.FindLast(e => e.Kind == CalendarKind.Minutes) is { } own)
            return own.Minutes;
        return RestDays.Contains(day.DayOfWeek) ? 0 : Minutes;
    }

    /// <summary>The days from one to another, with their minutes.</summary>
    public IReadOnlyList<PlanDay> Days(DateOnly from, DateOnly to) =>
        [
            .. Enumerable
                .Range(0, Math.Max(0, to.DayNumber - from.DayNumber + 1))
                .Select(i => from.AddDays(i))
                .Select(d => new PlanDay(d, MinutesOn(d))),
        ];

    /// <summary>The last day to learn a passage on: its own date, and before the days of runs.</summary>
    /// <param name="due">The date of the passage.</param>
    /// <param name="concert">The date of its piece, or null.</param>
    public DateOnly LastDay(DateOnly due, DateOnly? concert) =>
        concert is { } day && day.AddDays(-RunDays) < due ? day.AddDays(-RunDays) : due;

    /// <summary>The rehearsals from a day on, by date.</summary>
    public IEnumerable<(DateOnly Date, int Minutes)> Rehearsals(DateOnly from) =>
        Entries
            .Where(e => e.Kind == CalendarKind.Rehearsal)
            .SelectMany(e => Enumerable.Range(0, e.To.DayNumber - e.From.DayNumber + 1).Select(i => (Date: e.From.AddDays(i), e.Minutes)))
            .Where(r => r.Date >= from && !Entries.Any(e => e.Kind == CalendarKind.Off && e.Holds(r.Date)))
            .OrderBy(r => r.Date);
}
