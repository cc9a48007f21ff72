using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>The tempo that hands are decided for: the goal of the passage that was handed out, else the tempo as printed.</summary>
/// <remarks>Fingerings are chosen for the goal tempo and written in: common practice, no published source.</remarks>
public sealed class GoalTempos(PassageRepository passages)
{
    /// <summary>Quarters a minute at each measure of a part; of several passages the quickest goal.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="part">The part's id.</param>
    public Func<int, double> Of(OpenPiece piece, string part)
    {
        var goals = passages
            .All(piece.Row.Id)
            .Where(p => p.IsPlaced && p.Place.Parts.Contains(part))
            .Select(p => (From: p.Place.From.Index, To: p.Place.To.Index, Bpm: p.Goal.QuarterBpm))
            .ToList();
        var printed = piece.Layer.Study.Tempo;
        return m => goals.Where(g => g.From <= m && m <= g.To).Select(g => g.Bpm).DefaultIfEmpty(printed.QuarterBpmAt(m)).Max();
    }
}
