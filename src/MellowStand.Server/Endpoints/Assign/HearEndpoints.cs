using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A clean tempo to log.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Player">Who played it.</param>
/// <param name="Unit">Beat unit.</param>
/// <param name="Bpm">Clean beats per minute.</param>
/// <param name="Heard">The day; today when left out.</param>
/// <param name="Note">What to fix next.</param>
public sealed record LogRequest(long Passage, long Player, string Unit, double Bpm, DateOnly? Heard, string? Note);

/// <summary>A log entry.</summary>
public sealed record LogView(
    long Id,
    long Passage,
    string PassageTitle,
    string PieceTitle,
    long Player,
    string PlayerName,
    string Unit,
    double Bpm,
    DateOnly Heard,
    string Note,
    string Section
);

/// <summary>What the line to the date says of a player.</summary>
/// <param name="Player">The player.</param>
/// <param name="Name">Their name.</param>
/// <param name="Section">Their section.</param>
/// <param name="State"><c>early</c>, <c>on-time</c>, <c>late</c> or <c>cannot-tell</c>.</param>
/// <param name="Entries">How many entries it rests on.</param>
/// <param name="LastQuarterBpm">The newest clean tempo in quarters a minute, or null.</param>
/// <param name="ReadyOn">The day the line meets the goal, or null.</param>
/// <param name="PerWeek">Gain a week, or null.</param>
/// <param name="AtDate">Tempo on the date, or null.</param>
/// <param name="Why">The reason with its numbers.</param>
public sealed record ReadyView(
    long Player,
    string Name,
    string Section,
    string State,
    int Entries,
    double? LastQuarterBpm,
    DateOnly? ReadyOn,
    double? PerWeek,
    double? AtDate,
    string Why
);

/// <summary>Hear: the log and who will be ready.</summary>
public static class HearEndpoints
{
    private static readonly Dictionary<Core.Hear.Readiness, string> States = new()
    {
        [Core.Hear.Readiness.CannotTell] = "cannot-tell",
        [Core.Hear.Readiness.Early] = "early",
        [Core.Hear.Readiness.OnTime] = "on-time",
        [Core.Hear.Readiness.Late] = "late",
    };

    /// <summary>Maps the group.</summary>
    public static void MapHear(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/log").WithTags("Hear");
        group.MapPost("", Add);
        group.MapDelete("/{entry:long}", Remove);
        group.MapPost("/{entry:long}/restore", Restore);
        api.MapGet("/passages/{passage:long}/readiness", Readiness).WithTags("Hear");
    }

    private static Created<LogView> Add(LogRequest request, PassageRepository passages, EnsembleRepository ensemble, TimeProvider clock)
    {
        _ = AssignEndpoints.Find(passages, request.Passage);
        if (!ensemble.Players().Any(p => p.Id == request.Player))
            throw Refusal.NotFound("This player is not in the ensemble. Load the page again.");
        var mark = TempoEndpoints.Mark(new TempoView(request.Unit, request.Bpm), "entry");
        if (!double.IsFinite(mark.Bpm) || mark.Bpm is <= 0 or > 1000)
            throw new LadderException("A clean tempo is more than 0 and at most 1000 beats a minute.");
        var heard = request.Heard ?? clock.Today();
        if (heard > clock.Today())
            throw Refusal.BadRequest("A passage cannot be heard on a future date. Choose today or an earlier day.");
        var id = passages.AddLog(request.Passage, request.Player, mark.Unit.Name, mark.Bpm, heard, Names.CleanOrNull(request.Note) ?? "");
        return TypedResults.Created(
            $"/api/log/{id}",
            RecordEndpoints.Views(passages, ensemble, passages.Log(request.Passage).Where(l => l.Id == id))[0]
        );
    }

    private static NoContent Remove(long entry, PassageRepository passages, TimeProvider clock) =>
        passages.RemoveLog(entry, clock.GetUtcNow())
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This entry is not in the log. Load the page again.");

    private static NoContent Restore(long entry, PassageRepository passages) =>
        passages.RestoreLog(entry)
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This entry was not taken back, so it cannot be restored.");

    private static Ok<IEnumerable<ReadyView>> Readiness(long passage, PassageRepository passages, ReadinessService readiness) =>
        TypedResults.Ok(readiness.Of(AssignEndpoints.Find(passages, passage)).Select(View));

    /// <summary>What the line to the date says of a player, as the interface shows it.</summary>
    internal static ReadyView View(PlayerReadiness r) =>
        new(
            r.PlayerId,
            r.Player,
            r.Section,
            States[r.Readiness],
            r.Entries,
            r.LastQuarterBpm,
            r.Forecast.ReadyOn,
            r.Forecast.BpmPerWeek,
            r.Forecast.AtDate,
            r.Forecast.Why
        );
}
