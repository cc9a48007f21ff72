using MellowStand.Core.Decisions;
using MellowStand.Core.Editions;
using MellowStand.Core.Layers;
using MellowStand.Core.Unify;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Something that a new edition cannot take.</summary>
/// <param name="Kind"><c>decision</c>, <c>passage</c>, <c>dismissal</c>, <c>instrument</c>, <c>leader</c> or <c>seats</c>.</param>
/// <param name="Key">Its number, finding, part or parts.</param>
/// <param name="What">What it is, in words.</param>
/// <param name="Where">Where it stood, in words.</param>
/// <param name="Why">Why it cannot be taken.</param>
public sealed record Unplaced(string Kind, string Key, string What, string Where, string Why);

/// <summary>What a new edition changes, and what becomes of all that lives at an address.</summary>
/// <param name="Changes">What differs.</param>
/// <param name="Decisions">Decisions as they stand in the new edition.</param>
/// <param name="SetAside">Decisions that cannot be carried, with the reason.</param>
/// <param name="Places">All else that can be carried.</param>
/// <param name="Lost">All that cannot be carried, by name.</param>
public sealed record EditionPlan(
    IReadOnlyList<EditionChange> Changes,
    IReadOnlyList<Decision> Decisions,
    IReadOnlyList<(Decision Decision, string Why)> SetAside,
    Places Places,
    IReadOnlyList<Unplaced> Lost
)
{
    /// <summary>How many things are carried.</summary>
    public int Carried =>
        Decisions.Count + Places.Passages.Count + Places.Quiet.Count + Places.Instruments.Count + Places.Leaders.Count + Places.Seats.Count;
}

/// <summary>Puts a new edition in the place of an old one, and takes along whatever lives at an address.</summary>
public sealed class EditionService(EditionRepository editions, PieceDesk desk, TimeProvider clock)
{
    /// <summary>Compares a new edition with the one on the shelf; nothing is kept.</summary>
    public EditionPlan Plan(long id, Edition next) => Plan(desk.Open(id), next);

    /// <summary>Replaces the piece's file; all that can be is carried over, the rest is set aside.</summary>
    /// <exception cref="Refusal">The piece was changed in the same moment.</exception>
    public EditionPlan Replace(long id, string fileName, Edition next, string reason) =>
        desk.Act(
            id,
            piece =>
            {
                var plan = Plan(piece, next);
                var kept = editions.Replace(
                    piece.Row,
                    new NewEdition(fileName, next.Bytes, next.Id, reason, plan.Decisions, plan.SetAside, plan.Places),
                    clock.GetUtcNow()
                );
                return kept ? plan : throw Moved();
            }
        );

    /// <summary>Brings the edition before back, with the decisions it had; all else is carried back.</summary>
    /// <exception cref="Refusal">There is none, or the piece was changed in the same moment.</exception>
    public void Restore(long id) =>
        desk.Act(
            id,
            piece =>
            {
                if (editions.Of(id) is not [var last, ..])
                    throw Refusal.NotFound("There is no earlier edition of this piece to bring back.");
                var old = Edition.Read(editions.Original(last.Id));
                var there = new EditionComparison(old.Printed, piece.Layer.Printed).Map;
                var carry = new Carry(there.Inverse(piece.Layer.Printed.Measures.Count), piece.Layer.Printed, old.Printed, old.Id);
                var (places, _) = Belongings(piece, carry, old.Id, editions.Belongings(id));
                return editions.Restore(piece.Row, last.Id, old.Id, places, clock.GetUtcNow()) ? 0 : throw Moved();
            }
        );

    /// <summary>What waits to be placed by hand: things whose place belongs to an earlier edition.</summary>
    public IReadOnlyList<Unplaced> Waiting(long id)
    {
        var piece = desk.Open(id);
        const string Why = "its place belongs to an earlier edition";
        var there = editions.Belongings(id);
        return
        [
            .. there.SetAside.Select(d => UnplacedThings.Of(d.Decision, d.Why)),
            .. there.Passages.Where(p => !p.IsPlaced).Select(p => UnplacedThings.Of(p, Why)),
            .. there.Quiet.Where(q => q.Place.Edition != piece.Row.Edition).Select(q => UnplacedThings.Of(q, Why)),
            .. there.Instruments.Where(i => i.Edition != piece.Row.Edition).Select(i => UnplacedThings.Of(i, Why)),
            .. there.Leaders.Where(l => l.Edition != piece.Row.Edition).Select(l => UnplacedThings.Of(l.Row, Why)),
            .. there.Seats.Where(s => s.Edition != piece.Row.Edition).Select(s => UnplacedThings.Of(s, Why)),
        ];
    }

    private EditionPlan Plan(OpenPiece piece, Edition next)
    {
        var comparison = new EditionComparison(piece.Layer.Printed, next.Printed);
        var carry = new Carry(comparison.Map, piece.Layer.Printed, next.Printed, next.Id);
        var (decisions, aside) = Decisions(piece, next, carry);
        var (places, lost) = Belongings(piece, carry, next.Id, editions.Belongings(piece.Row.Id));
        return new EditionPlan(
            comparison.Changes,
            decisions,
            aside,
            places,
            [.. aside.Select(d => UnplacedThings.Of(d.Decision, d.Why, Where(piece, d.Decision))), .. lost]
        );
    }

    // A decision settles the same disagreement in the new edition, or stands as a free mark where the edition agrees by itself.
    private static (List<Decision> Carried, List<(Decision Decision, string Why)> SetAside) Decisions(
        OpenPiece piece,
        Edition next,
        Carry carry
    )
    {
        var known = piece.Layer.Knowledge;
        var differences = new Lazy<ILookup<string, Difference>>(() =>
            UnifyDesk.Compare(next.Printed, known.House).Differences.ToLookup(d => d.Kind)
        );
        var settled = new HashSet<string>();
        var carried = new List<Decision>();
        var aside = new List<(Decision Decision, string Why)>();
        foreach (var decision in piece.Layer.Decisions)
        {
            var (changes, reason) = carry.Of(decision.Changes);
            var same = decision.Difference is null ? null : Same(piece, decision.Difference, carry, differences.Value);
            var draft = decision.Draft with { Changes = changes ?? [], Difference = same?.Id };
            if (changes is null)
                aside.Add((decision, reason!));
            else if (decision.Difference is null || (same is not null && settled.Add(same.Id)))
                carried.Add(decision with { Draft = draft });
            else if (changes.Count > 0)
                carried.Add(decision with { Draft = draft with { Difference = null, Verdict = Verdict.Free } });
            else
                aside.Add((decision, "the new edition has no such difference any more"));
        }

        return (carried, aside);
    }

    // A difference that was kept changes no note: its own measures tell where it stands.
    private static string? Where(OpenPiece piece, Decision decision)
    {
        var d = decision.Difference is null ? null : piece.Layer.Differences.FirstOrDefault(x => x.Id == decision.Difference);
        return d is null ? null : piece.Book.At([.. d.Readings.Select(r => r.Part).Distinct()], d.From, d.To).Words;
    }

    private static Difference? Same(OpenPiece piece, string difference, Carry carry, ILookup<string, Difference> next)
    {
        if (piece.Layer.Differences.FirstOrDefault(d => d.Id == difference) is not { } old)
            return null;
        var notes = old.Readings.SelectMany(r => r.Notes).Select(carry.NoteIn).OfType<string>().ToHashSet();
        return next[old.Kind].FirstOrDefault(d => d.Readings.SelectMany(r => r.Notes).ToHashSet().SetEquals(notes));
    }

    // What belongs to the edition on the shelf is carried; what waits from the edition that takes over is in place again by itself.
    private static (Places Places, List<Unplaced> Lost) Belongings(OpenPiece piece, Carry carry, string edition, Belongings there)
    {
        var lost = new List<Unplaced>();
        var here = piece.Row.Edition;
        T? Or<T>(Carried<T> carried, Func<string, Unplaced> tell)
            where T : class
        {
            if (carried.Value is null)
                lost.Add(tell(carried.Reason!));
            return carried.Value;
        }

        var passages = there
            .Passages.Where(p => p.Place.Edition == here)
            .Select(p => (p.Id, Place: Or(carry.Of(p.Place), why => UnplacedThings.Of(p, why))))
            .Where(p => p.Place is not null)
            .Select(p => (p.Id, p.Place!))
            .ToList();
        var quiet = there
            .Quiet.Where(q => q.Place.Edition == here && q.Key is not null)
            .Select(q => (Was: q, Key: Or(carry.Of(q.Key!), why => UnplacedThings.Of(q, why)), carry.Of(q.Place).Value))
            .Where(q => q is { Key: not null, Value: not null })
            .Select(q => (q.Was.Finding, q.Was with { Finding = q.Key!.Id, Key = q.Key, Place = q.Value! }))
            .ToList();
        var instruments = there
            .Instruments.Where(i => i.Edition == here)
            .SelectMany(i =>
                (Or(carry.AllOfPart(i.Part), why => UnplacedThings.Of(i, why)) ?? []).Select(p =>
                    (i.Part, i with { Part = p, Edition = edition })
                )
            )
            .ToList();
        var leaders = there
            .Leaders.Where(l => l.Edition == here)
            .Select(l => (l.Row, Now: Or(carry.OfLine(l.Row.Parts, l.Row.Leader), why => UnplacedThings.Of(l.Row, why))))
            .Where(l => l.Now is not null)
            .Select(l => (l.Row, new LeaderRow(l.Now!.Parts, l.Now.Leader)))
            .ToList();
        var seats = there
            .Seats.Where(s => s.Edition == here)
            .SelectMany(s =>
                (Or(carry.AllOfPart(s.Part), why => UnplacedThings.Of(s, why)) ?? []).Select(p =>
                    (s.Part, s with { Part = p, Edition = edition })
                )
            )
            .ToList();
        return (new Places(passages, quiet, instruments, leaders, seats), lost);
    }

    private static Refusal Moved() =>
        Refusal.Conflict("The piece was changed in the same moment. Look at the plan again, then use the edition.");
}
