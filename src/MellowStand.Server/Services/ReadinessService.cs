using System.Collections.Concurrent;
using System.Security.Cryptography;
using System.Text;
using MellowStand.Core.Hear;
using MellowStand.Core.Reading;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>How far a player is with a passage.</summary>
/// <param name="Player">The player.</param>
/// <param name="Section">Their section.</param>
/// <param name="Heard">What was heard, the newest first, in quarters a minute.</param>
/// <param name="Prior">How common each kind of learner is in their section.</param>
/// <param name="Forecast">What the curve to the date says.</param>
public sealed record PlayerReadiness(
    PlayerRow Player,
    SectionRow Section,
    IReadOnlyList<HeardTempo> Heard,
    LearnerPrior Prior,
    Forecast Forecast
)
{
    /// <summary>What the curve to the date says.</summary>
    public Readiness Readiness => Forecast.Readiness;

    /// <summary>The newest clean tempo in quarters a minute, or null.</summary>
    public double? LastClean => Heard.FirstOrDefault(h => h.Clean)?.QuarterBpm;
}

/// <summary>Forecasts for the players who have a passage. A forecast is worked out once for what it rests on.</summary>
public sealed class ReadinessService(PassageRepository passages, LogRepository log, EnsembleRepository ensemble)
{
    private const int MostKept = 20_000;

    private readonly ConcurrentDictionary<string, Forecast> _forecasts = new();
    private readonly ConcurrentDictionary<string, LearnerPrior> _priors = new();

    /// <summary>One line a player, in the order of sections and chairs.</summary>
    public IReadOnlyList<PlayerReadiness> Of(PassageRow passage) => Of([passage])[passage.Id];

    /// <summary>The lines of many passages.</summary>
    public IReadOnlyDictionary<PassageId, IReadOnlyList<PlayerReadiness>> Of(IReadOnlyList<PassageRow> handed)
    {
        if (handed.Count == 0)
            return new Dictionary<PassageId, IReadOnlyList<PlayerReadiness>>();
        var sections = ensemble.Sections().ToDictionary(s => s.Id);
        var players = ensemble.InOrder();
        var entries = log.All().ToLookup(l => (l.Passage, l.Player), LogDesk.Heard);
        var ofSection = players.ToLookup(p => p.SectionId);
        var all = passages.All();
        var priors = new Dictionary<SectionId, (string Key, LearnerPrior Prior)>();
        return handed.ToDictionary(
            p => p.Id,
            p =>
                (IReadOnlyList<PlayerReadiness>)
                    [
                        .. players
                            .Where(p.IsFor)
                            .Select(x => Of(p, x, sections[x.SectionId], [.. entries[(p.Id, x.Id)]], PriorOf(x.SectionId))),
                    ]
        );

        (string Key, LearnerPrior Prior) PriorOf(SectionId section) =>
            priors.TryGetValue(section, out var known) ? known : priors[section] = Prior(ofSection[section], all, entries);
    }

    // What a section has shown in all its passages.
    private (string Key, LearnerPrior Prior) Prior(
        IEnumerable<PlayerRow> section,
        IReadOnlyList<PassageRow> all,
        ILookup<(PassageId Passage, PlayerId Player), HeardTempo> entries
    )
    {
        var heard = section
            .SelectMany(p => all.Select(a => new LearnerHistory([.. entries[(a.Id, p.Id)]], a.Goal.QuarterBpm, a.Due)))
            .Where(h => Forecaster.CanTell(h.Entries))
            .ToList();
        var key = Short(string.Join('/', heard.Select(KeyOf)));
        return (key, Keep(_priors, key, () => LearnerPrior.Learn(heard)));
    }

    private PlayerReadiness Of(
        PassageRow passage,
        PlayerRow player,
        SectionRow section,
        IReadOnlyList<HeardTempo> heard,
        (string Key, LearnerPrior Prior) prior
    )
    {
        var (goal, unit) = (passage.Goal.QuarterBpm, new ToldUnit(passage.Goal.Unit.Quarters));
        var own = KeyOf(new LearnerHistory(heard, goal, passage.Due));
        var key = $"{passage.Goal.Unit.Name} {own} {(Forecaster.CanTell(heard) ? prior.Key : "")}";
        var forecast = Keep(_forecasts, key, () => Forecaster.Of(heard, goal, passage.Due, prior.Prior, unit));
        return new PlayerReadiness(player, section, heard, prior.Prior, forecast);
    }

    private static string KeyOf(LearnerHistory h) =>
        $"{h.Goal} {h.Due.DayNumber} {string.Join(',', h.Entries.Select(e => $"{e.Day.DayNumber}:{e.QuarterBpm}{(e.Clean ? "" : "x")}"))}";

    // What a whole section has shown is long, and stands in the key of each of its forecasts.
    private static string Short(string text) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(text)));

    private static T Keep<T>(ConcurrentDictionary<string, T> kept, string key, Func<T> make)
    {
        if (kept.Count > MostKept)
            kept.Clear();
        return kept.GetOrAdd(key, _ => make());
    }
}
