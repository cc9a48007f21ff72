using MellowStand.Core.Auditions;
using MellowStand.Core.Hear;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A passage of a candidate.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Entry">The entry it belongs to.</param>
/// <param name="Forecast">What the curve to the date says.</param>
/// <param name="LastClean">The newest clean tempo in quarters a minute, or null.</param>
public sealed record CandidatePassage(PassageRow Passage, EntryRow Entry, Forecast Forecast, double? LastClean);

/// <summary>How far a candidate is for a round.</summary>
/// <param name="Round">The round.</param>
/// <param name="Chance">How likely all is ready.</param>
/// <param name="Passages">What was handed out, the weakest first.</param>
public sealed record CandidateRound(RoundRow Round, CandidateChance Chance, IReadOnlyList<CandidatePassage> Passages);

/// <summary>Who is ready for which round.</summary>
public sealed class CandidateDesk(AuditionRepository auditions, PassageRepository passages, ReadinessService readiness)
{
    /// <summary>Every candidate with every round.</summary>
    public IReadOnlyList<(CandidateRow Candidate, IReadOnlyList<CandidateRound> Rounds)> Of(AuditionRow set)
    {
        var handed = auditions.HandedOut(set.Id);
        var numbers = handed.Select(h => h.Passage).ToHashSet();
        var rows = passages.All().Where(p => numbers.Contains(p.Id)).ToDictionary(p => p.Id);
        var ready = readiness.Of([.. rows.Values]);
        return [.. set.Candidates.Select(c => (c, (IReadOnlyList<CandidateRound>)[.. set.Rounds.Select(r => Round(c, r))]))];

        CandidateRound Round(CandidateRow candidate, RoundRow round)
        {
            var own = handed
                .Where(h => h.Round == round.Id && rows.ContainsKey(h.Passage))
                .Select(h => (Entry: set.Entries.FirstOrDefault(e => e.Id == h.Entry), Passage: rows[h.Passage]))
                .Where(h => h.Entry?.Instrument == candidate.Instrument)
                .Select(h => (h.Entry, h.Passage, Ready: ready[h.Passage.Id].FirstOrDefault(p => p.Player.Id == candidate.Player)))
                .Where(h => h.Ready is not null)
                .Select(h => new CandidatePassage(h.Passage, h.Entry!, h.Ready!.Forecast, h.Ready.LastClean))
                .OrderBy(p => p.Forecast.Chance ?? -1)
                .ToList();
            return new CandidateRound(round, CandidateChances.Of([.. own.Select(p => p.Forecast.Chance)]), own);
        }
    }
}
