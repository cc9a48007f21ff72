using MellowStand.Core.Study;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What the director says of a finding before players read it.</summary>
/// <param name="State"><c>sent</c>: players read it; <c>held</c>: it is kept from them.</param>
/// <param name="Words">What players read instead of its own words; null for its own.</param>
public sealed record ReviewRequest(string? State, string? Words = null);

/// <summary>The same said of many findings, as one act.</summary>
/// <param name="Findings">Their ids.</param>
/// <param name="State"><c>sent</c>, <c>held</c>, or null to forget.</param>
public sealed record ReviewManyRequest(IReadOnlyList<string>? Findings, string? State);

/// <summary>Study: findings go to players only as the director left them.</summary>
internal static class ReviewEndpoints
{
    public static NoContent Review(
        long id,
        string finding,
        ReviewRequest request,
        PieceDesk desk,
        QuietRepository quiets,
        TimeProvider clock
    )
    {
        var piece = desk.Open(id);
        var said = Said(piece, StudyEndpoints.Find(piece, finding), Known(request.State), Names.CleanOrNull(request.Words));
        quiets.Review(id, [said], clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    public static NoContent ReviewMany(long id, ReviewManyRequest request, PieceDesk desk, QuietRepository quiets, TimeProvider clock)
    {
        var piece = desk.Open(id);
        var before = Quiet.Of(quiets, piece);
        var found = (request.Findings ?? []).Select(f => StudyEndpoints.Find(piece, f)).ToList();
        if (found.Count == 0)
            throw Refusal.BadRequest("Name at least one finding.");
        if (request.State is null)
            quiets.Forget(id, [.. found.Select(f => f.Id)]);
        else
            quiets.Review(id, [.. found.Select(f => Said(piece, f, Known(request.State), before.SaidOf(f)?.Words))], clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    public static NoContent Forget(long id, string finding, PieceDesk desk, QuietRepository quiets)
    {
        _ = desk.Row(id);
        return quiets.Recall(id, finding) ? TypedResults.NoContent() : throw Refusal.NotFound("Nothing was said of this finding.");
    }

    /// <summary>What is said of a finding, as it is kept.</summary>
    public static ReviewedFinding Said(OpenPiece piece, Finding f, string state, string? words) =>
        new(f.Id, f.Title, f.Key, piece.Book.At(f.Parts, f.From, f.To), state, words);

    private static string Known(string? state) =>
        state is ReviewStates.Sent or ReviewStates.Held
            ? state
            : throw Refusal.BadRequest("A finding is \"sent\" to players or \"held\" back from them.");
}
