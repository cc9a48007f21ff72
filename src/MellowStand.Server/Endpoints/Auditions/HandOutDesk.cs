using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Hands out what a round asks: passages cut from phrases, and a run-through before the day.</summary>
/// <remarks>One musical section at a time with its pickup, the hardest early, the last days for runs: common practice, no published
/// source. The days of the sessions are the season plan's.</remarks>
public sealed class HandOutDesk(
    AuditionRepository auditions,
    PassageRepository passages,
    CalendarRepository calendar,
    PassageDesk desk,
    CutDesk cutter,
    PassageTempos tempos,
    PieceDesk pieces,
    TimeProvider clock
)
{
    private const int RunDays = 21;
    private const int Longest = 12;

    /// <summary>Hands out a round; what was handed out for an earlier one counts for this one too.</summary>
    /// <returns>Numbers of the new passages, and how many earlier ones count too.</returns>
    /// <exception cref="Refusal">Nobody auditions, the day is past, or there is nothing to hand out.</exception>
    public (IReadOnlyList<long> Made, int Linked) HandOut(AuditionRow set, RoundRow round)
    {
        var today = clock.Today();
        if (round.Held <= today)
            throw Refusal.Conflict($"{round.Name} is on {round.Held:yyyy-MM-dd}, which is past. Set its date, then hand out.");
        var ready = round.Held.AddDays(-calendar.Practice().RunDays);
        var due = ready > today ? ready : round.Held;
        var there = auditions.HandedOut(set.Id);
        var handed = there.Select(h => h.Passage).ToHashSet();
        var rows = passages.All().Where(p => handed.Contains(p.Id) && p.IsPlaced).ToDictionary(p => p.Id);
        var drafts = new List<(long Entry, PassageRow Row)>();
        var linked = new List<(long Entry, long Passage)>();
        foreach (var entry in set.Entries)
        {
            var players = set.Candidates.Where(c => c.Instrument == entry.Instrument).Select(c => c.Player).ToList();
            if (players.Count == 0 || entry.Asked.FirstOrDefault(a => a.Round == round.Id) is not { } asked)
                continue;
            var own = there.Where(h => h.Entry == entry.Id && rows.ContainsKey(h.Passage)).Select(h => (h.Round, rows[h.Passage])).ToList();
            Of(entry, asked, players, due, round, own, drafts, linked);
        }

        if (drafts.Count == 0 && linked.Count == 0)
            throw Refusal.Conflict($"{round.Name} asks nothing of anybody yet. Choose who auditions, and which measures the round asks.");
        return (Keep(round, drafts, linked), linked.Count);
    }

    private IReadOnlyList<long> Keep(RoundRow round, List<(long Entry, PassageRow Row)> drafts, List<(long Entry, long Passage)> linked)
    {
        var made = passages.AddMany([.. drafts.Select(d => d.Row)]);
        auditions.HandedOut(round.Id, [.. linked, .. drafts.Zip(made, (d, id) => (d.Entry, id))]);
        return made;
    }

    private void Of(
        EntryRow entry,
        AskedRow asked,
        List<long> players,
        DateOnly due,
        RoundRow round,
        List<(long Round, PassageRow Row)> there,
        List<(long Entry, PassageRow Row)> drafts,
        List<(long Entry, long Passage)> linked
    )
    {
        var piece = pieces.Open(entry.Piece);
        if (EntryCounts.Range(piece, asked) is not { } range)
            throw Refusal.Conflict(
                $"{round.Name} asks measures {asked.From}–{asked.To} of {piece.Row.Title}, which are not there. Mend them in the set first."
            );
        var part = piece.Layer.Current.Parts[0].Id;
        var (_, cut) = cutter.Cut(entry.Piece, [part], piece.Label(range.From), piece.Label(range.To), Longest);
        foreach (var p in cut)
        {
            var old = there.Where(t => t.Row.Place.From.Index <= p.Range.From && t.Row.Place.To.Index >= p.Range.To).ToList();
            linked.AddRange(old.Select(o => (entry.Id, o.Row.Id)));
            if (Without(old, players) is { Count: > 0 } missing)
                drafts.Add((entry.Id, Passage(entry, piece, p.Range.From, p.Range.To, due, missing, null)));
        }

        // Each round has a run-through of its own, once.
        var runs = there.Where(t => t.Round == round.Id && (t.Row.Place.From.Index, t.Row.Place.To.Index) == range).ToList();
        if (cut.Count > 1 && Without(runs, players) is { Count: > 0 } who)
        {
            var kind = Core.Auditions.EntryKinds.Find(entry.Kind)?.Words ?? entry.Kind;
            drafts.Add((entry.Id, Passage(entry, piece, range.From, range.To, round.Held, who, $"Run-through: {kind}, {round.Name}")));
        }
    }

    private static List<long> Without(List<(long Round, PassageRow Row)> there, List<long> players) =>
        [.. players.Where(p => !there.Exists(t => t.Row.Players.Contains(p)))];

    private PassageRow Passage(EntryRow entry, OpenPiece piece, int from, int to, DateOnly due, List<long> players, string? runThrough)
    {
        var place = piece.Book.At([piece.Layer.Current.Parts[0].Id], from, to);
        var window = tempos.Of(piece, place);
        var goal = Goal(entry, piece, from, window?.Goal);
        var start = window?.Start is { } s && s.QuarterBpm <= goal.QuarterBpm ? s : goal;
        var today = clock.Today();
        var begins = due.AddDays(-RunDays);
        return desk.Draft(
            entry.Piece,
            new PassageRequest(
                runThrough,
                place.Parts,
                place.From.Label,
                place.To.Label,
                View(runThrough is null ? start : goal),
                View(goal),
                null,
                null,
                due,
                [],
                players,
                runThrough is null ? null : "Once from the first note to the last, no stop: as on the day."
            ),
            runThrough is null || begins < today ? today : begins
        );
    }

    // As fast as clean inside what the notice allows; without a notice as the window has it.
    private static TempoMark Goal(EntryRow entry, OpenPiece piece, int from, TempoMark? window)
    {
        var asked = EntryCounts.Tempo(piece, entry, from);
        if (entry.Slowest is not { } slowest)
            return window ?? asked;
        var quickest = Math.Max(slowest, entry.Quickest ?? slowest);
        var clean = (window?.QuarterBpm ?? asked.QuarterBpm) / asked.Unit.Quarters.Value;
        return asked with { Bpm = Math.Round(Math.Clamp(clean, slowest, quickest)) };
    }

    private static TempoView View(TempoMark mark) => new(mark.Unit.Name, mark.Bpm);
}
