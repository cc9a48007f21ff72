using MellowStand.Core.Hear;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A tempo that was heard, as a director says it.</summary>
/// <param name="Passage">Number of the passage.</param>
/// <param name="Player">Number of the player.</param>
/// <param name="Tempo">The tempo.</param>
/// <param name="Heard">The day; today for null.</param>
/// <param name="Note">What to fix next, or null.</param>
/// <param name="Clean">False for a try that failed.</param>
public sealed record HeardWish(long Passage, long Player, TempoMark Tempo, DateOnly? Heard, string? Note, bool Clean);

/// <summary>Makes an entry of the log out of what a director says, and asks back where that looks like a slip.</summary>
public sealed class LogDesk(
    PassageRepository passages,
    LogRepository log,
    EnsembleRepository ensemble,
    PieceDesk desk,
    TimeProvider clock
)
{
    private const double Fastest = 1000;

    /// <summary>The entry as it would be kept.</summary>
    /// <exception cref="Refusal">Passage, player, tempo or day make no sense.</exception>
    public LogRow Draft(HeardWish wish)
    {
        var passage = passages.Get(wish.Passage).Id;
        var player = ensemble.Get(wish.Player).Id;
        if (!double.IsFinite(wish.Tempo.Bpm) || wish.Tempo.Bpm is <= 0 or > Fastest)
            throw new LadderException($"A clean tempo is more than 0 and at most {Fastest} beats a minute.");
        var heard = wish.Heard ?? clock.Today();
        if (heard > clock.Today())
            throw Refusal.BadRequest("A passage cannot be heard on a future date. Choose today or an earlier day.");
        return new LogRow(0, passage, player, wish.Tempo, heard, Names.CleanOrNull(wish.Note) ?? "", wish.Clean);
    }

    /// <summary>What looks like a slip, each as a question; empty where nothing does.</summary>
    /// <param name="row">The entry.</param>
    /// <param name="but">An entry that is corrected, and not compared; null for none.</param>
    public IReadOnlyList<string> Questions(LogRow row, long? but = null)
    {
        var passage = passages.Get(row.Passage.Value);
        var player = ensemble.Get(row.Player.Value);
        var before = log.Of(row.Passage, row.Player).Where(l => l.Id != but).Select(l => Heard(l)).ToList();
        return LogQuestions.Of(
            new NewEntry(player.Name, Heard(row), passage.IsFor(player), Plays(passage, player)),
            new PassageTempos(passage.Start.QuarterBpm, passage.Goal.QuarterBpm, passage.Due, new(passage.Goal.Unit.Quarters)),
            before
        );
    }

    /// <summary>What was heard, as forecasts take it.</summary>
    public static HeardTempo Heard(LogRow row) => new(row.Heard, row.Tempo.QuarterBpm, row.Clean);

    // By seat or by instrument; a player without an instrument may play anything.
    private bool Plays(PassageRow passage, PlayerRow player)
    {
        if (player.Instrument is null || !passage.IsPlaced)
            return true;
        var knowledge = desk.Open(passage.PieceId).Layer.Knowledge;
        return passage.Place.Parts.Any(p =>
            knowledge.InstrumentOf(p)?.Id == player.Instrument || knowledge.Seats[p].Any(s => s.Player == player.Id.Value)
        );
    }
}
