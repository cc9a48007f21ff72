using MellowStand.Core.Assign;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>The school's calendar as the planner needs it.</summary>
public sealed class CalendarDesk(CalendarRepository calendar, EnsembleRepository ensemble)
{
    private static readonly Dictionary<string, CalendarKind> Kinds = new()
    {
        ["off"] = CalendarKind.Off,
        ["rehearsal"] = CalendarKind.Rehearsal,
        ["concert"] = CalendarKind.Concert,
        ["minutes"] = CalendarKind.Minutes,
    };

    /// <summary>Names of the kinds.</summary>
    public static IReadOnlyCollection<string> KindNames => Kinds.Keys;

    /// <summary>The calendar.</summary>
    public PracticeCalendar Calendar()
    {
        var practice = calendar.Practice();
        return new PracticeCalendar(
            practice.Minutes,
            [.. practice.RestDays.Select(d => (DayOfWeek)d)],
            practice.RunDays,
            [.. calendar.Entries().Select(e => new CalendarEntry(e.First, e.Last, Kinds[e.Kind], e.Minutes))]
        );
    }

    /// <summary>Players with other minutes than the school, as a share of a day: their own, else those of their section.</summary>
    public IReadOnlyDictionary<PlayerId, double> Shares()
    {
        var (usual, own) = ((double)Math.Max(1, calendar.Practice().Minutes), calendar.Minutes());
        return ensemble
            .Players()
            .Select(p => (p.Id, Minutes: Own(own, p)))
            .Where(p => p.Minutes is not null)
            .ToDictionary(p => p.Id, p => p.Minutes!.Value / usual);
    }

    private static int? Own(IReadOnlyDictionary<(string, long), int> own, PlayerRow player) =>
        own.TryGetValue(("player", player.Id.Value), out var minutes) || own.TryGetValue(("section", player.SectionId.Value), out minutes)
            ? minutes
            : null;
}
