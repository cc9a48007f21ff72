using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What the school knows of who plays a passage: their level, and how fast they were heard clean in this piece.</summary>
public sealed class WhoPlaysDesk(EnsembleRepository ensemble, PassageRepository passages, LogRepository log)
{
    /// <summary>The part that a player sits in; the first part where nobody is named or they sit in none.</summary>
    /// <exception cref="Refusal">There is no such player.</exception>
    public string PartOf(OpenPiece piece, long? player)
    {
        if (player is { } number)
            _ = ensemble.Get(number);
        return piece.Layer.Knowledge.Seats.FirstOrDefault(s => s.Value.Any(p => p.Player == player)).Key ?? piece.Layer.Current.Parts[0].Id;
    }

    /// <summary>Who plays a range of one part.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="place">The part and range.</param>
    /// <param name="player">One player, or null for all who sit there.</param>
    /// <exception cref="Refusal">There is no such player.</exception>
    public WhoPlays Of(OpenPiece piece, Address place, long? player)
    {
        var part = piece.Part(place.Parts[0]);
        var hands = piece.Layer.Knowledge.HandsOf(part.Id);
        if (player is not { } number)
            return new WhoPlays(piece.Layer.Study.LevelOf(part).Level, hands);
        var who = ensemble.Get(number);
        var own = log.All().Where(l => l.Player == who.Id && l.Clean).ToLookup(l => l.Passage);
        var heard = passages.All(piece.Row.Id).Where(p => p.IsPlaced && p.Place.Parts.Contains(part.Id) && own[p.Id].Any()).ToList();
        return new WhoPlays(
            who.Level,
            hands,
            PlayerNearness.Of([.. heard.Select(p => Heard(piece, part, p, own[p.Id], new WhoPlays(who.Level, hands)))]),
            LastClean(heard, place, own)
        );
    }

    private static CleanAndComputed Heard(OpenPiece piece, Part part, PassageRow passage, IEnumerable<LogRow> heard, WhoPlays anyone)
    {
        var window = TempoWindows.Of(piece.Layer.Study, part, passage.Place.From.Index, passage.Place.To.Index, anyone);
        return new CleanAndComputed(heard.Max(l => l.Tempo.QuarterBpm), window.Fastest?.QuarterBpm ?? 0);
    }

    // The newest entry of a passage that holds the whole range.
    private static double? LastClean(List<PassageRow> heard, Address place, ILookup<PassageId, LogRow> own) =>
        heard
            .Where(p => p.Place.From.Index <= place.From.Index && p.Place.To.Index >= place.To.Index)
            .SelectMany(p => own[p.Id])
            .OrderByDescending(l => l.Heard)
            .ThenByDescending(l => l.Id)
            .Select(l => (double?)l.Tempo.QuarterBpm)
            .FirstOrDefault();
}
