using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Hands out what a round asks: passages cut from phrases, and a run-through before the day.</summary>
/// <remarks>One musical section at a time with its pickup, the hardest early, the last days for runs: common practice, no published
/// source. The days of the sessions are the season plan's.</remarks>
public sealed class HandOutDesk(
    AuditionRepository auditions,
    PassageRepository passages,
    CalendarRepository calendar,
    PassageDesk desk,
    CutDesk cutter,
    WindowTempos tempos,
    PieceDesk pieces,
    TimeProvider clock
)
{
    private const int RunDays = 21;
    private const int Longest = 12;

    /// <summary>Hands out a round as one act; what was handed out for an earlier one counts for this one too.</summary>
    /// <returns>Numbers of the new passages, and how many earlier ones count too.</returns>
    /// <exception cref="Refusal">Nobody auditions, the day is past, or there is nothing to hand out.</exception>
    public (IReadOnlyList<PassageId> Made, int Linked) HandOut(AuditionRow set, RoundRow round)
    {
        var today = clock.Today();
        if (round.Held <= today)
            throw Refusal.Conflict($"{round.Name} is on {round.Held:yyyy-MM-dd}, which is past. Set its date, then hand out.");
        var ready = round.Held.AddDays(-calendar.Practice().RunDays);
        var there = auditions.HandedOut(set.Id);
        var rows = passages.All().Where(p => p.IsPlaced).ToDictionary(p => p.Id);
        _ = pieces.Open(set.Entries.Select(e => e.Piece));
        var work = set
            .Entries.Select(e => new ForEntry(
                e,
                round,
                ready > today ? ready : round.Held,
                [.. set.Candidates.Where(c => c.Instrument == e.Instrument).Select(c => c.Player)],
                [.. there.Where(h => h.Entry == e.Id && rows.ContainsKey(h.Passage)).Select(h => (h, rows[h.Passage]))]
            ))
            .Where(w => w.Players.Count > 0)
            .Select(Of)
            .ToList();
        var drafts = work.SelectMany(w => w.Drafts).ToList();
        var linked = work.SelectMany(w => w.Linked).Distinct().ToList();
        if (drafts.Count == 0 && linked.Count == 0)
            throw Refusal.Conflict($"{round.Name} asks nothing of anybody yet. Choose who auditions, and which measures the round asks.");
        IReadOnlyList<PassageId> made = [];
        auditions.HandOut(
            round.Id,
            () =>
            {
                made = passages.AddMany([.. drafts.Select(d => d.Row)]);
                return [.. linked, .. drafts.Zip(made, (d, id) => new HandedRow(d.Entry, round.Id, id, d.IsRun))];
            }
        );
        return (made, linked.Count);
    }

    private (List<Draft> Drafts, List<HandedRow> Linked) Of(ForEntry work)
    {
        var (entry, round) = (work.Entry, work.Round);
        if (entry.Asked.FirstOrDefault(a => a.Round == round.Id) is not { } asked)
            return ([], []);
        var piece = pieces.Open(entry.Piece);
        if (EntryCounts.Range(piece, asked) is not { } range)
            throw Refusal.Conflict(
                $"{round.Name} asks measures {asked.From}–{asked.To} of {piece.Row.Title}, which are not there. "
                    + "Mend them in the set first."
            );
        var part = piece.Layer.Current.Parts[0].Id;
        var (_, cut) = cutter.Cut(entry.Piece, [part], piece.Label(range.From), piece.Label(range.To), Longest);
        var (drafts, linked) = (new List<Draft>(), new List<HandedRow>());
        foreach (var p in cut)
        {
            var old = work.Covering(p.Range.From, p.Range.To);
            linked.AddRange(old.Select(o => new HandedRow(entry.Id, round.Id, o.Id, false)));
            if (work.Without(old) is { Count: > 0 } missing)
                drafts.Add(new Draft(entry.Id, Passage(entry, piece, p.Range.From, p.Range.To, work.Due, missing, null), false));
        }

        // Each round has a run-through of its own, once.
        if (cut.Count > 1 && work.Without(work.Runs) is { Count: > 0 } who)
        {
            var kind = Core.Auditions.EntryKinds.Find(entry.Kind)?.Words ?? entry.Kind;
            var title = $"Run-through: {kind}, {round.Name}";
            drafts.Add(new Draft(entry.Id, Passage(entry, piece, range.From, range.To, round.Held, who, title), true));
        }

        return (drafts, linked);
    }

    private PassageRow Passage(EntryRow entry, OpenPiece piece, int from, int to, DateOnly due, List<PlayerId> players, string? runThrough)
    {
        var place = piece.Book.At([piece.Layer.Current.Parts[0].Id], from, to);
        var window = tempos.Of(piece, place);
        var goal = Goal(entry, piece, from, window?.Goal);
        var start = window?.Start is { } s && s.QuarterBpm <= goal.QuarterBpm ? s : goal;
        var today = clock.Today();
        var begins = due.AddDays(-RunDays);
        return desk.Draft(
            entry.Piece,
            new PassageWish(place.Parts, place.From.Label, place.To.Label, due)
            {
                Title = runThrough,
                Tempos = (runThrough is null ? start : goal, goal),
                Players = players,
                Note = runThrough is null ? null : "Once from the first note to the last, no stop: as on the day.",
            },
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

    // A passage to keep.
    private sealed record Draft(long Entry, PassageRow Row, bool IsRun);

    // What an entry needs for a round, and what of it is there already.
    private sealed record ForEntry(
        EntryRow Entry,
        RoundRow Round,
        DateOnly Due,
        List<PlayerId> Players,
        List<(HandedRow Handed, PassageRow Row)> There
    )
    {
        /// <summary>Run-throughs of this round.</summary>
        public List<PassageRow> Runs => [.. There.Where(t => t.Handed.IsRun && t.Handed.Round == Round.Id).Select(t => t.Row)];

        /// <summary>Passages that hold all of a range; a run-through teaches no part of it.</summary>
        public List<PassageRow> Covering(int from, int to) =>
            [
                .. There
                    .Where(t => !t.Handed.IsRun && t.Row.Place.From.Index <= from && t.Row.Place.To.Index >= to)
                    .Select(t => t.Row)
                    .DistinctBy(r => r.Id),
            ];

        /// <summary>Players who have none of these passages.</summary>
        public List<PlayerId> Without(List<PassageRow> passages) => [.. Players.Where(p => !passages.Exists(r => r.Players.Contains(p)))];
    }
}
