using MellowStand.Core.Decisions;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What is pencilled over the music of a printed page: findings that the director sent to the players, fingers among
/// them.</summary>
public sealed class PencilService(QuietRepository quiets)
{
    /// <summary>The signs over some measures of their parts; nothing that the director has not seen.</summary>
    public IReadOnlyList<MarkChange> Of(OpenPiece piece, Address at)
    {
        var quiet = Quiet.Of(quiets, piece);
        var written = new WrittenIn(piece.Layer.Study, piece.Layer.Decisions);
        var sent = piece
            .Layer.Findings.Where(f => f.To >= at.From.Index && f.From <= at.To.Index && quiet.SaidOf(f)?.State == ReviewStates.Sent)
            .Where(f => written.By(f) is null)
            .ToList();
        return
        [
            .. at.Parts.SelectMany(id => Pencil.Findings(piece.Layer.Study, piece.Part(id), sent.Where(f => f.Parts.Contains(id)))),
        ];
    }
}
