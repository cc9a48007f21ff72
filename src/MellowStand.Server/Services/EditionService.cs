using MellowStand.Core.Decisions;
using MellowStand.Core.Editions;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What a new edition changes, and what becomes of each decision.</summary>
/// <param name="Changes">What differs.</param>
/// <param name="Carried">Decisions as they stand in the new edition.</param>
/// <param name="Lost">Decisions that cannot be carried, with the reason.</param>
public sealed record EditionPlan(
    IReadOnlyList<EditionChange> Changes,
    IReadOnlyList<CarriedDecision> Carried,
    IReadOnlyList<(DecisionRow Decision, string Why)> Lost
);

/// <summary>Puts a new edition in the place of an old one.</summary>
public sealed class EditionService(EditionRepository editions, PieceDesk desk, TimeProvider clock)
{
    /// <summary>Compares a new edition with the one on the shelf.</summary>
    public EditionPlan Plan(long id, Score next)
    {
        var piece = desk.Open(id);
        var comparison = new EditionComparison(piece.Printed, next);
        var differences = new Lazy<IReadOnlyList<Difference>>(() => UnifyDesk.Compare(next, piece.House).Differences);
        var carried = new List<CarriedDecision>();
        var lost = new List<(DecisionRow, string)>();
        foreach (var decision in piece.Decisions)
        {
            var (changes, reason) = comparison.Carry(decision.Changes);
            if (changes is null)
                lost.Add((decision, reason!));
            else if (decision.Difference is null)
                carried.Add(new CarriedDecision(decision, null, changes));
            else
                Settle(piece, decision, changes, comparison, differences.Value, carried, lost);
        }

        return new EditionPlan(comparison.Changes, carried, lost);
    }

    /// <summary>Replaces the piece's file; decisions that can be are carried over.</summary>
    public EditionPlan Replace(long id, string fileName, byte[] bytes, Score next, string reason)
    {
        var plan = Plan(id, next);
        editions.Replace(id, fileName, bytes, reason, plan.Carried, clock.GetUtcNow());
        desk.Forget(id);
        return plan;
    }

    /// <summary>Brings the edition before back.</summary>
    /// <returns>False when there is none.</returns>
    public bool Restore(long id)
    {
        var done = editions.Restore(id, clock.GetUtcNow());
        desk.Forget(id);
        return done;
    }

    // A decision settles the same disagreement in the new edition, or stands as a free mark where the edition agrees by itself.
    private static void Settle(
        OpenPiece piece,
        DecisionRow decision,
        IReadOnlyList<MarkChange> changes,
        EditionComparison comparison,
        IReadOnlyList<Difference> next,
        List<CarriedDecision> carried,
        List<(DecisionRow, string)> lost
    )
    {
        var old = piece.Differences.FirstOrDefault(d => d.Id == decision.Difference);
        var notes = old?.Readings.SelectMany(r => r.Notes).Select(comparison.NoteIn).OfType<string>().ToHashSet() ?? [];
        var same = next.FirstOrDefault(d => d.Kind == old?.Kind && d.Readings.SelectMany(r => r.Notes).ToHashSet().SetEquals(notes));
        if (same is not null && carried.All(c => c.Difference != same.Id))
            carried.Add(new CarriedDecision(decision, same.Id, changes));
        else if (changes.Count > 0)
            carried.Add(new CarriedDecision(decision with { Verdict = "free" }, null, changes));
        else
            lost.Add((decision, "the new edition has no such difference any more"));
    }
}
