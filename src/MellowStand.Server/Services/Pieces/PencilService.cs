using MellowStand.Core.Decisions;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What is pencilled over the music of a printed page: the hands that Technique chose, and findings that went to the
/// players.</summary>
public sealed class PencilService(QuietRepository quiets, GoalTempos goals)
{
    /// <summary>The signs over some measures of their parts.</summary>
    public IReadOnlyList<MarkChange> Of(OpenPiece piece, Address at)
    {
        var quiet = Quiet.Of(quiets, piece);
        var written = new WrittenIn(piece.Layer.Study, piece.Layer.Decisions);
        var sent = piece
            .Layer.Findings.Where(f => f.To >= at.From.Index && f.From <= at.To.Index && quiet.SaidOf(f)?.State == ReviewStates.Sent)
            .Where(f => written.By(f) is null)
            .ToList();
        return [.. at.Parts.SelectMany(id => Of(piece, piece.Part(id), at, sent))];
    }

    private IEnumerable<MarkChange> Of(OpenPiece piece, Part part, Address at, List<Finding> sent)
    {
        var instrument = piece.Layer.Knowledge.InstrumentOf(part.Id);
        var plan = TechniqueDesk.Solve(
            piece.Layer.Current,
            part,
            at.From.Index,
            at.To.Index,
            piece.Layer.Knowledge.House,
            instrument,
            goals.Of(piece, part.Id),
            piece.Layer.Knowledge.HandsOf(part.Id)
        );
        var hands = plan is null ? [] : Pencil.Hands(plan, instrument!);
        return hands.Concat(Pencil.Findings(piece.Layer.Study, part, sent.Where(f => f.Parts.Contains(part.Id))));
    }
}
