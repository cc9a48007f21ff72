using MellowStand.Core.Decisions;
using MellowStand.Core.Layers;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>The one way in which decisions are made and undone: drafted on the piece as it stands, tried, then kept in one transaction or
/// refused in words.</summary>
public sealed class Decide(PieceDesk desk, DecisionRepository decisions, TimeProvider clock, ILogger<Decide> log)
{
    /// <summary>Makes decisions as one act.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="person">Who decides.</param>
    /// <param name="draft">What is decided, on the piece as it stands; it may refuse.</param>
    /// <returns>The piece with the decisions, and the decisions.</returns>
    /// <exception cref="Refusal">One of the differences is settled already.</exception>
    public (OpenPiece Piece, IReadOnlyList<Decision> Made) Make(
        long id,
        string person,
        Func<OpenPiece, IReadOnlyList<DecisionDraft>> draft
    ) =>
        desk.Act(
            id,
            piece =>
            {
                var drafts = draft(piece);
                Layer? next = null;
                var (made, why) = decisions.Add(piece.Row, drafts, person, clock.GetUtcNow(), d => next = Tried(piece.Layer, d));
                return why switch
                {
                    NotKept.Settled => throw Settled(piece, drafts.First(d => d.Difference is not null).Difference!),
                    NotKept.Moved => throw Refusal.Conflict(
                        "The piece was changed in the same moment. Load the list again and decide anew."
                    ),
                    _ => (desk.Keep(id, next!), made),
                };
            }
        );

    /// <summary>Undoes a decision; it stays in the records.</summary>
    /// <exception cref="Refusal">It is not in force.</exception>
    public void Undo(long id, long decision) =>
        Take(
            id,
            d => d.Id != decision,
            now => decisions.Undo(id, decision, now),
            $"Decision {decision} is not in force, so there is nothing to undo."
        );

    /// <summary>Undoes what is left in force of an act.</summary>
    /// <exception cref="Refusal">Nothing of it is in force.</exception>
    public void UndoAct(long id, long act) =>
        Take(
            id,
            d => d.Act != act,
            now => decisions.UndoAct(id, act, now) > 0,
            $"Nothing of act {act} is in force, so there is nothing to undo."
        );

    /// <summary>The sentence for a difference that somebody has settled.</summary>
    public static Refusal Settled(OpenPiece piece, string difference)
    {
        var other = piece.Layer.Settling(difference);
        return Refusal.Conflict(
            $"This difference was settled already by {other?.Person ?? "somebody"} ({Words.Of(other?.Verdict)}). Undo that "
                + $"decision first to decide anew."
        );
    }

    private void Take(long id, Func<Decision, bool> stays, Func<DateTimeOffset, bool> undo, string otherwise) =>
        desk.Act(
            id,
            piece =>
            {
                if (!undo(clock.GetUtcNow()))
                    throw Refusal.NotFound(otherwise);
                return desk.Keep(
                    id,
                    Layer.Of(piece.Layer.Edition, piece.Layer.Knowledge, [.. piece.Layer.Decisions.Where(stays)], piece.Layer)
                );
            }
        );

    // What cannot be written or read again is found out before it is kept.
    private Layer Tried(Layer before, IReadOnlyList<Decision> made)
    {
        try
        {
            var next = Layer.Of(before.Edition, before.Knowledge, [.. before.Decisions, .. made], before);
            next.TryOut(made);
            return next;
        }
#pragma warning disable CA1031 // Whatever stands in the way of writing it, it is not kept.
        catch (Exception e)
#pragma warning restore CA1031
        {
            log.LogWarning(e, "A decision that cannot be written was refused");
            throw new Refusal(
                StatusCodes.Status422UnprocessableEntity,
                "This cannot be written into the score as its file stands, so nothing was kept. Mend the file and bring it as a "
                    + "new edition, or "
                    + "decide otherwise."
            );
        }
    }
}
