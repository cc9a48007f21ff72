using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A remark for many.</summary>
/// <param name="Players">Whom it reaches; all who have the passage when left out.</param>
/// <param name="Words">The remark.</param>
public sealed record SharedRemarkRequest(IReadOnlyList<long>? Players, string? Words);

/// <summary>A remark that was said to many.</summary>
public sealed record SharedRemarkView(long Id, long Passage, IReadOnlyList<long> Players, string Words, DateOnly Said);

/// <summary>Hear: the same remark for many, written once.</summary>
public static class SharedRemarkEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapSharedRemarks(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/remarks").WithTags("Hear");
        api.MapGet(
                "/passages/{passage:long}/remarks",
                (long passage, RemarkRepository remarks) =>
                    TypedResults.Ok(remarks.All().Where(r => r.Passage.Value == passage).Select(View))
            )
            .KeepAnswer(Rests.Records)
            .WithTags("Hear");
        api.MapPost("/passages/{passage:long}/remarks", Add).WithTags("Hear");
        group.MapDelete("/{remark:long}", Remove);
        group.MapPost("/{remark:long}/restore", Restore);
    }

    /// <summary>The remark as the interface shows it.</summary>
    internal static SharedRemarkView View(SharedRemarkRow r) => new(r.Id, r.Passage.Value, r.Players.Values(), r.Words, r.Said);

    private static Created<SharedRemarkView> Add(
        long passage,
        SharedRemarkRequest request,
        PassageRepository passages,
        EnsembleRepository ensemble,
        RemarkRepository remarks,
        TimeProvider clock
    )
    {
        var handed = passages.Get(passage);
        var has = ensemble.InOrder().Where(handed.IsFor).Select(p => p.Id).ToList();
        var words = Names.CleanOrNull(request.Words) ?? throw Refusal.BadRequest("The remark is empty. Write it first.");
        var players = request.Players is { Count: > 0 } some ? [.. some.Distinct().Players()] : has;
        if (players.Except(has).Any())
            throw Refusal.NotFound("Somebody of them does not have this passage. Load the page again.");
        if (players.Count == 0)
            throw Refusal.Conflict("Nobody has this passage yet, so the remark reaches nobody. Hand it out first.");
        var row = new SharedRemarkRow(0, handed.Id, players, words, clock.Today());
        var id = remarks.Add(row);
        return TypedResults.Created($"/api/remarks/{id}", View(row with { Id = id }));
    }

    private static NoContent Remove(long remark, RemarkRepository remarks, TimeProvider clock) =>
        remarks.Remove(remark, clock.GetUtcNow())
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This remark is not there any more. Load the page again.");

    private static NoContent Restore(long remark, RemarkRepository remarks) =>
        remarks.Restore(remark)
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This remark was not taken back, so it cannot be restored.");
}
