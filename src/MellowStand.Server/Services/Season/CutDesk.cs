using MellowStand.Core.Assign;
using MellowStand.Core.Notation;

namespace MellowStand.Server.Services;

/// <summary>Cuts a piece into passages.</summary>
public sealed class CutDesk(PieceDesk desk, LearningTimes times)
{
    private const int MostMeasures = 64;

    /// <summary>The proposed passages in the order of the measures.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="parts">Ids of the parts; null or empty for all.</param>
    /// <param name="from">Label of the first measure, or null.</param>
    /// <param name="to">Label of the last measure, or null.</param>
    /// <param name="longest">At most so many measures a passage, or null.</param>
    /// <exception cref="Refusal">The longest makes no sense.</exception>
    public (OpenPiece Piece, IReadOnlyList<CutPassage> Passages) Cut(
        long id,
        IReadOnlyList<string>? parts,
        string? from,
        string? to,
        int? longest
    )
    {
        if (longest is < 1 or > MostMeasures)
            throw Refusal.BadRequest($"A passage has 1 to {MostMeasures} measures. Ask for 4 to 16, as is usual.");
        var piece = desk.Open(id);
        IReadOnlyList<string> which = parts is { Count: > 0 } ? parts : [.. piece.Layer.Current.Parts.Select(p => p.Id)];
        var place = piece.Book.OfParts(which, from, to);
        var range = new MeasureRange(place.From.Index, place.To.Index);
        var request = new CutRequest(place.Parts, range, longest ?? CutRequest.UsualLongest, times.Pace());
        return (piece, Cutter.Cut(piece.Layer.Study, piece.Layer.Heat, piece.Layer.CurrentLines, request));
    }
}
