using MellowStand.Core.Hear;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>The season of the made-up school: rehearsals, a holiday, a playing test half marked, a remark, and a plan in force.</summary>
public sealed class DemoSeason(
    CalendarRepository calendar,
    EnsembleRepository ensemble,
    LogRepository log,
    TestRepository tests,
    RemarkRepository remarks,
    SeasonRepository seasons,
    SeasonDesk desk,
    ReadinessService readiness,
    PassageRepository passages,
    TimeProvider clock
)
{
    private const int Weeks = 8;
    private const double PlanSeconds = 0.6;

    private static readonly (DayOfWeek Day, TimeOnly Starts, int Minutes)[] Rehearsals =
    [
        (DayOfWeek.Tuesday, new TimeOnly(15, 30), 75),
        (DayOfWeek.Thursday, new TimeOnly(15, 30), 60),
    ];

    /// <summary>Fills it in.</summary>
    /// <param name="concert">The day of the concert.</param>
    public void Fill(DateOnly concert)
    {
        var today = clock.Today();
        FillCalendar(today, concert);
        if (passages.All() is [var passage, ..])
        {
            Miss(passage, today);
            Test(passage, today);
        }

        var plan = desk.Draft(null, CancellationToken.None, PlanSeconds);
        seasons.Keep(plan, null);
    }

    private void FillCalendar(DateOnly today, DateOnly concert)
    {
        var days = Enumerable.Range(0, Weeks * 7).Select(i => today.AddDays(i)).ToList();
        var meetings = days.SelectMany(d =>
            Rehearsals
                .Where(r => r.Day == d.DayOfWeek && d < concert)
                .Select(r => new CalendarRow(0, d, d, "rehearsal", r.Minutes, "Rehearsal", r.Starts))
        );
        calendar.Add([
            .. meetings,
            new CalendarRow(0, today.AddDays(17), today.AddDays(20), "off", 0, "Autumn break"),
            new CalendarRow(0, concert, concert, "concert", 0, "Harbor concert", new TimeOnly(19, 0)),
        ]);
        if (ensemble.Sections().FirstOrDefault(s => s.Name == "Low brass") is { } low)
            calendar.Minutes("section", low.Id.Value, 15);
    }

    // Every fifth player was asked for one step more, and missed it.
    private void Miss(PassageRow passage, DateOnly today)
    {
        foreach (var r in readiness.Of(passage).Where((r, i) => i % 5 == 1 && r.LastClean is not null))
            log.Add(
                new LogRow(
                    0,
                    passage.Id,
                    r.Player.Id,
                    new TempoMark(BeatUnit.Quarter, Math.Round(r.LastClean!.Value * 1.08)),
                    today.AddDays(-2),
                    "",
                    false
                )
            );
    }

    private void Test(PassageRow passage, DateOnly today)
    {
        var weights = TestCriteria
            .All.Where(c => !c.IsForScales)
            .Select(c => KeyValuePair.Create(c.Name, c.Name is "notes" or "rhythm" ? 2 : 1))
            .ToList();
        var test = tests.Add(
            new TestRow(
                0,
                passage.Id,
                $"Test: {passage.Title}",
                passage.Goal with { Bpm = Math.Round(passage.Goal.Bpm * 0.8) },
                today.AddDays(-3),
                weights,
                []
            )
        );
        var players = readiness.Of(passage).Select(r => r.Player).ToList();
        foreach (var (player, n) in players.Take(players.Count / 2).Select((p, n) => (p, n)))
            tests.Mark(
                test,
                new TestGradesRow(
                    player.Id,
                    weights.Select((w, i) => (w.Key, Mark: 3 + ((n + i) % 3))).ToDictionary(m => m.Key, m => m.Mark),
                    "",
                    0
                )
            );
        remarks.Add(
            new SharedRemarkRow(0, passage.Id, [.. players.Select(p => p.Id)], "Breathe together before the pickup.", today.AddDays(-3))
        );
    }
}
