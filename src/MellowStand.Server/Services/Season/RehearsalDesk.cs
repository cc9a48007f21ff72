using MellowStand.Core.Assign;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Plans the rehearsals of the calendar.</summary>
public sealed class RehearsalDesk(
    PassageRepository passages,
    ReadinessService readiness,
    CalendarDesk calendar,
    LearningTimes times,
    TimeProvider clock
)
{
    private const int Most = 40;

    /// <summary>The coming rehearsals with what to rehearse in them.</summary>
    /// <param name="piece">Only passages of this piece; null for all.</param>
    public IReadOnlyList<Rehearsal> Of(long? piece)
    {
        var today = clock.Today();
        var handed = passages.All(piece).Where(p => p.Due >= today).ToList();
        var (ready, heat) = (readiness.Of(handed), times.Of(handed, 1));
        return RehearsalPlanner.Of(
            calendar.Calendar().Rehearsals(today).Take(Most),
            [
                .. handed.Select(p => new RehearsedPassage(
                    p.Id.Value,
                    p.Title,
                    [.. ready[p.Id].Select(r => r.Player.Id.Value)],
                    Need(heat[p.Id], ready[p.Id]),
                    p.Due
                )),
            ]
        );
    }

    // Half its heat, half the chance that it is not there yet; of whom nothing is known counts as even.
    private static double Need(LearningTime time, IReadOnlyList<PlayerReadiness> ready)
    {
        var open = ready.Select(r => 1 - (r.Forecast.Chance ?? 0.5)).DefaultIfEmpty(0.5).Average();
        return (time.Heat + open) / 2;
    }
}
