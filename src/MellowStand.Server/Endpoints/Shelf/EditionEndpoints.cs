using MellowStand.Core.Editions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Layers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A new edition compared with the one on the shelf.</summary>
/// <param name="Changes">What differs, in score order.</param>
/// <param name="Carried">How many things carry over: decisions, passages, dismissed findings, chosen instruments, leaders.</param>
/// <param name="Lost">What cannot, by name, and why; it is kept and can be placed by hand.</param>
public sealed record EditionPlanView(IReadOnlyList<EditionChange> Changes, CarriedView Carried, IReadOnlyList<Unplaced> Lost)
{
    /// <summary>Builds the view of a plan.</summary>
    public static EditionPlanView Of(EditionPlan plan) =>
        new(
            plan.Changes,
            new CarriedView(
                plan.Carried,
                plan.Decisions.Count,
                plan.Places.Passages.Count,
                plan.Places.Quiet.Count,
                plan.Places.Instruments.Count,
                plan.Places.Leaders.Count
            ),
            plan.Lost
        );
}

/// <summary>How much a new edition takes over.</summary>
public sealed record CarriedView(int All, int Decisions, int Passages, int Dismissals, int Instruments, int Leaders);

/// <summary>Where to place something.</summary>
/// <param name="Parts">Ids of the parts; for a line of several, in the order in which it is told.</param>
/// <param name="From">Label of the first measure, or null for the first.</param>
/// <param name="To">Label of the last measure, or null for the last.</param>
public sealed record PlaceRequest(IReadOnlyList<string>? Parts, string? From, string? To);

/// <summary>New editions of a piece, parts with two players split in two, and what waits to be placed.</summary>
public static class EditionEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapEditions(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Editions");
        group.MapGet("/editions", (long id, PieceDesk desk, EditionRepository editions) => TypedResults.Ok(editions.Of(desk.Row(id).Id)));
        group.MapPost("/editions/preview", Preview).DisableAntiforgery();
        group.MapPost("/editions", Replace).DisableAntiforgery();
        group.MapPost("/editions/restore", Restore);
        group.MapPost("/parts/{part}/split", Split);
        group.MapGet("/unplaced", (long id, EditionService editions) => TypedResults.Ok(editions.Waiting(id)));
        group.MapPut("/unplaced/{kind}/{key}", Place);
        group.MapDelete("/unplaced/{kind}/{key}", Drop);
    }

    private static Ok<EditionPlanView> Preview(long id, IFormFile file, EditionService editions, PieceDesk desk, CancellationToken left)
    {
        _ = desk.Row(id);
        return TypedResults.Ok(EditionPlanView.Of(editions.Plan(id, Upload.Of(file, left).Edition)));
    }

    private static Ok<EditionPlanView> Replace(long id, IFormFile file, EditionService editions, PieceDesk desk, CancellationToken left)
    {
        _ = desk.Row(id);
        var upload = Upload.Of(file, left);
        return TypedResults.Ok(EditionPlanView.Of(editions.Replace(id, upload.Name, upload.Edition, "a new edition was imported")));
    }

    private static Ok<PieceView> Restore(long id, EditionService editions, PieceDesk desk, TimeProvider clock)
    {
        editions.Restore(id);
        return TypedResults.Ok(PieceView.Of(desk.Open(id), clock.Today()));
    }

    private static Ok<EditionPlanView> Split(long id, string part, EditionService editions, PieceDesk desk)
    {
        var piece = desk.Open(id);
        var found = piece.Part(part);
        if (PartSplit.Problem(found, piece.Layer.Knowledge.InstrumentOf(part)) is { } problem)
            throw Refusal.BadRequest(problem);
        var edition = Edition.Read(PartSplit.Write(piece.Layer.Edition.Source, part));
        return TypedResults.Ok(
            EditionPlanView.Of(editions.Replace(id, piece.Row.FileName, edition, $"{found.Name} was split into two parts"))
        );
    }

    private static NoContent Place(long id, string kind, string key, PlaceRequest request, HttpContext http, PlaceByHand hand)
    {
        hand.Place(id, kind, key, request.Parts ?? [], request.From, request.To, DecisionEndpoints.Person(http));
        return TypedResults.NoContent();
    }

    private static NoContent Drop(long id, string kind, string key, EditionRepository editions, PieceDesk desk, TimeProvider clock) =>
        editions.Drop(desk.Row(id), kind, key, clock.GetUtcNow())
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This does not wait to be placed any more. Load the page again.");
}
