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
    public IReadOnlyList<PlayerReadiness> Of(PassageRow passage) => Of([passage], passages.Log(passage.Id))[passage.Id];

    /// <summary>The lines of many passages, in three queries.</summary>
    public IReadOnlyDictionary<long, IReadOnlyList<PlayerReadiness>> Of(IReadOnlyList<PassageRow> handed) =>
        handed.Count == 0 ? new Dictionary<long, IReadOnlyList<PlayerReadiness>>() : Of(handed, passages.Log());

    private Dictionary<long, IReadOnlyList<PlayerReadiness>> Of(IReadOnlyList<PassageRow> handed, IReadOnlyList<LogRow> log)
    {
        var sections = ensemble.Sections().ToDictionary(s => s.Id);
        var players = ensemble
            .Players()
            .Where(p => sections.ContainsKey(p.SectionId))
            .OrderBy(p => sections[p.SectionId].Position)
            .ThenBy(p => p.Chair)
            .ToList();
        var entries = log.ToLookup(l => (l.PassageId, l.PlayerId));
        return handed.ToDictionary(
            p => p.Id,
            p =>
                (IReadOnlyList<PlayerReadiness>)
                    [.. players.Where(x => Has(p, x)).Select(x => Of(p, x, sections[x.SectionId], entries[(p.Id, x.Id)]))]
        );
    }

    private static PlayerReadiness Of(PassageRow passage, PlayerRow player, SectionRow section, IEnumerable<LogRow> log)
    {
        var entries = log.Select(l => new HeardTempo(l.Heard, l.Bpm * Quarters(l.Unit))).ToList();
        var forecast = Forecaster.Of(entries, passage.GoalBpm * Quarters(passage.GoalUnit), passage.Due);
        return new PlayerReadiness(player.Id, player.Name, section.Name, entries.Count, entries.FirstOrDefault()?.QuarterBpm, forecast);
    }

    private static double Quarters(string unit) => BeatUnit.Find(unit)?.Quarters.Value ?? 1;

    // Those named, and those of its sections.
    private static bool Has(PassageRow passage, PlayerRow player) =>
        passage.Players.Contains(player.Id) || passage.Sections.Contains(player.SectionId);
}
