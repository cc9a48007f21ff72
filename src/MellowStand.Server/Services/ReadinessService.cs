using MellowStand.Core.Hear;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>How far a player is with a passage.</summary>
public sealed record PlayerReadiness(long PlayerId, string Player, string Section, int Entries, double? LastQuarterBpm, Forecast Forecast)
{
    /// <summary>What the line to the date says.</summary>
    public Readiness Readiness => Forecast.Readiness;
}

/// <summary>Forecasts for the players who have a passage.</summary>
public sealed class ReadinessService(PassageRepository passages, EnsembleRepository ensemble)
{
    /// <summary>One line a player, in the order of sections and chairs.</summary>
    public IReadOnlyList<PlayerReadiness> Of(PassageRow passage)
    {
        var sections = ensemble.Sections().ToDictionary(s => s.Id);
        var log = passages.Log(passage.Id).ToLookup(l => l.PlayerId);
        var goal = passage.GoalBpm * (BeatUnit.Find(passage.GoalUnit)?.Quarters.Value ?? 1);
        return
        [
            .. Players(passage)
                .OrderBy(p => sections[p.SectionId].Position)
                .ThenBy(p => p.Chair)
                .Select(p =>
                {
                    var entries = log[p.Id]
                        .Select(l => new CleanTempo(l.Heard, l.Bpm * (BeatUnit.Find(l.Unit)?.Quarters.Value ?? 1)))
                        .ToList();
                    var forecast = Forecaster.Of(entries, goal, passage.Due);
                    return new PlayerReadiness(
                        p.Id,
                        p.Name,
                        sections[p.SectionId].Name,
                        entries.Count,
                        entries.FirstOrDefault()?.QuarterBpm,
                        forecast
                    );
                }),
        ];
    }

    /// <summary>The players a passage is for: those named and those of its sections.</summary>
    public IEnumerable<PlayerRow> Players(PassageRow passage) =>
        ensemble.Players().Where(p => passage.Players.Contains(p.Id) || passage.Sections.Contains(p.SectionId));
}
