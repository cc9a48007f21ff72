using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A tempo to log.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Player">Who played it.</param>
/// <param name="Unit">Beat unit.</param>
/// <param name="Bpm">Beats per minute.</param>
/// <param name="Heard">The day; today when left out.</param>
/// <param name="Note">What to fix next.</param>
/// <param name="Clean">False for a try that failed; true when left out.</param>
/// <param name="Version">For a correction: the version that was seen.</param>
public sealed record LogRequest(
    long Passage,
    long Player,
    string Unit,
    double Bpm,
    DateOnly? Heard,
    string? Note,
    bool? Clean = null,
    int? Version = null
);

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
    string Section,
    bool Clean,
    int Version
);

/// <summary>Hear: the log.</summary>
public static class LogEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapHear(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/log").WithTags("Hear");
        group.MapPost("", Add);
        group.MapPost("/questions", (LogRequest request, LogDesk desk) => TypedResults.Ok(desk.Questions(desk.Draft(Wish(request)))));
        group.MapPut("/{entry:long}", Edit);
        group.MapDelete("/{entry:long}", Remove);
        group.MapPost("/{entry:long}/restore", Restore);
    }

    /// <summary>An entry as the interface shows it.</summary>
    internal static LogView View(LogLine line) =>
        new(
            line.Row.Id,
            line.Row.Passage.Value,
            line.PassageTitle ?? "a passage taken back",
            line.PieceTitle,
            line.Row.Player.Value,
            line.PlayerName,
            line.Row.Tempo.Unit.Name,
            line.Row.Tempo.Bpm,
            line.Row.Heard,
            line.Row.Note,
            line.Section,
            line.Row.Clean,
            line.Row.Version
        );

    private static Created<LogView> Add(LogRequest request, LogDesk desk, LogRepository log)
    {
        var id = log.Add(desk.Draft(Wish(request)));
        return TypedResults.Created($"/api/log/{id}", View(Find(log, id)));
    }

    // Who played what stays; all else is corrected.
    private static Ok<LogView> Edit(long entry, LogRequest request, LogDesk desk, LogRepository log)
    {
        var there = Find(log, entry).Row;
        var row = desk.Draft(Wish(request) with { Passage = there.Passage.Value, Player = there.Player.Value });
        log.Update(row with { Id = entry, Version = Versions.Seen(request.Version) }).Demand("This entry");
        return TypedResults.Ok(View(Find(log, entry)));
    }

    private static HeardWish Wish(LogRequest r) =>
        new(
            r.Passage,
            r.Player,
            TempoEndpoints.Mark(new TempoView(r.Unit, r.Bpm), "entry"),
            r.Heard,
            r.Note,
            r.Clean ?? true
        );

    private static NoContent Remove(long entry, LogRepository log, TimeProvider clock) =>
        log.Remove(entry, clock.GetUtcNow()) ? TypedResults.NoContent() : throw NoEntry();

    private static NoContent Restore(long entry, LogRepository log) =>
        log.Restore(entry) ? TypedResults.NoContent() : throw Refusal.NotFound("This entry was not taken back, so it cannot be restored.");

    private static LogLine Find(LogRepository log, long entry) => log.Find(entry) ?? throw NoEntry();

    private static Refusal NoEntry() => Refusal.NotFound("This entry is not in the log. Load the page again.");
}
