using MellowStand.Core.Hear;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Makes an entry of the log out of what a director asks, and asks back where that looks like a slip.</summary>
public sealed class LogDesk(
    PassageRepository passages,
    LogRepository log,
    EnsembleRepository ensemble,
    ReadinessService readiness,
    PieceDesk desk,
    TimeProvider clock
)
{
    private const double Fastest = 1000;

    /// <summary>The entry as it would be kept.</summary>
    /// <exception cref="Refusal">Passage, player, tempo or day make no sense.</exception>
    public LogRow Draft(LogRequest request)
    {
        _ = AssignEndpoints.Find(passages, request.Passage);
        _ = Player(request.Player);
        var mark = TempoEndpoints.Mark(new TempoView(request.Unit, request.Bpm), "entry");
        if (!double.IsFinite(mark.Bpm) || mark.Bpm is <= 0 or > Fastest)
            throw new LadderException($"A clean tempo is more than 0 and at most {Fastest} beats a minute.");
        var heard = request.Heard ?? clock.Today();
        if (heard > clock.Today())
            throw Refusal.BadRequest("A passage cannot be heard on a future date. Choose today or an earlier day.");
        return new LogRow(
            0,
            request.Passage,
            request.Player,
            mark.Unit.Name,
            mark.Bpm,
            heard,
            Names.CleanOrNull(request.Note) ?? "",
            request.Clean ?? true
        );
    }

    /// <summary>What looks like a slip, each as a question; empty where nothing does.</summary>
    /// <param name="row">The entry.</param>
    /// <param name="but">An entry that is corrected, and not compared; null for none.</param>
    public IReadOnlyList<string> Questions(LogRow row, long? but = null)
    {
        var passage = AssignEndpoints.Find(passages, row.PassageId);
        var player = Player(row.PlayerId);
        var own = readiness.Of(passage).FirstOrDefault(r => r.Player.Id == row.PlayerId);
        var before = log.All(row.PassageId)
            .Where(l => l.PlayerId == row.PlayerId && l.Id != but)
            .Select(l => new HeardTempo(l.Heard, l.Bpm * ReadinessService.Quarters(l.Unit), l.Clean))
            .ToList();
        return LogQuestions.Of(
            new NewEntry(
                player.Name,
                new HeardTempo(row.Heard, row.Bpm * ReadinessService.Quarters(row.Unit), row.Clean),
                own is not null,
                Plays(passage, player)
            ),
            new LoggedPassage(passage.StartBpm * ReadinessService.Quarters(passage.StartUnit), ReadinessService.Goal(passage), passage.Due),
            before
        );
    }

    private PlayerRow Player(long id) =>
        ensemble.Players().FirstOrDefault(p => p.Id == id)
        ?? throw Refusal.NotFound("This player is not in the ensemble. Load the page again.");

    // By seat or by instrument; a player without an instrument may play anything.
    private bool Plays(PassageRow passage, PlayerRow player)
    {
        if (player.Instrument is null || !passage.IsPlaced)
            return true;
        var knowledge = desk.Open(passage.PieceId).Layer.Knowledge;
        return passage.Place.Parts.Any(p =>
            knowledge.InstrumentOf(p)?.Id == player.Instrument || knowledge.Seats[p].Any(s => s.Player == player.Id)
        );
    }
}
