using MellowStand.Core.Editions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A decision that the new edition cannot take.</summary>
public sealed record LostDecisionView(long Id, string What, string Why);

/// <summary>A new edition compared with the one on the shelf.</summary>
/// <param name="Changes">What differs, in score order.</param>
/// <param name="Carried">How many decisions carry over.</param>
/// <param name="Lost">Decisions that cannot, and why.</param>
public sealed record EditionPlanView(IReadOnlyList<EditionChange> Changes, int Carried, IReadOnlyList<LostDecisionView> Lost);

/// <summary>New editions of a piece, and parts with two players split in two.</summary>
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
    }

    private static Ok<EditionPlanView> Preview(long id, IFormFile file, EditionService editions, PieceDesk desk)
    {
        _ = desk.Row(id);
        return TypedResults.Ok(View(editions.Plan(id, Upload.Of(file).Score)));
    }

    private static Ok<EditionPlanView> Replace(long id, IFormFile file, EditionService editions, PieceDesk desk)
    {
        _ = desk.Row(id);
        var upload = Upload.Of(file);
        return TypedResults.Ok(View(editions.Replace(id, upload.Name, upload.Bytes, upload.Score, "a new edition was imported")));
    }

    private static Ok<PieceView> Restore(long id, EditionService editions, PieceDesk desk, TimeProvider clock)
    {
        _ = desk.Row(id);
        if (!editions.Restore(id))
            throw Refusal.NotFound("There is no earlier edition of this piece to bring back.");
        return TypedResults.Ok(PieceView.Of(desk.Row(id), desk.Open(id), clock.Today()));
    }

    private static Ok<EditionPlanView> Split(long id, string part, EditionService editions, PieceDesk desk)
    {
        var piece = desk.Open(id);
        var found = piece.Part(part);
        if (found.Notes.All(n => n.Heads.Count < 2) && found.Notes.Where(n => n.Sounds).Select(n => n.Voice).Distinct().Count() < 2)
            throw Refusal.BadRequest($"{found.Name} has one voice and no chords: there is nothing to split.");
        var bytes = PartSplit.Write(piece.Original, part);
        return TypedResults.Ok(
            View(editions.Replace(id, desk.Row(id).FileName, bytes, ScoreReader.Read(bytes), $"{found.Name} was split into two parts"))
        );
    }

    private static EditionPlanView View(EditionPlan plan) =>
        new(plan.Changes, plan.Carried.Count, [.. plan.Lost.Select(l => new LostDecisionView(l.Decision.Id, Words(l.Decision), l.Why))]);

    private static string Words(DecisionRow d) =>
        d.Changes.Count == 0
            ? "a difference kept as printed"
            : string.Join(
                ", ",
                d.Changes.SelectMany(c => c.Added.Select(m => "add " + m).Concat(c.Removed.Select(m => "remove " + m))).Distinct()
            );
}
