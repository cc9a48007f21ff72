using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;

namespace MellowStand.Server.Services;

/// <summary>From which tempo to which a passage is learnt when nobody says: the window of its slowest part.</summary>
public sealed class WindowTempos
{
    /// <summary>The first tempo and the goal; null where nothing sounds.</summary>
    public (TempoMark Start, TempoMark Goal)? Of(OpenPiece piece, Address place)
    {
        var windows = place
            .Parts.Select(p => piece.Part(p))
            .Select(p =>
                TempoWindows.Of(
                    piece.Layer.Study,
                    p,
                    place.From.Index,
                    place.To.Index,
                    new WhoPlays(piece.Layer.Study.LevelOf(p).Level, piece.Layer.Knowledge.HandsOf(p.Id))
                )
            )
            .Where(w => w is { Start: not null, Goal: not null })
            .ToList();
        if (windows.Count == 0)
            return null;
        var slowest = windows.MinBy(w => w.Goal!.QuarterBpm)!;
        return (slowest.Start!, slowest.Goal!);
    }
}
