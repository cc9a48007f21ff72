using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Technique: the best way over the whole passage.</summary>
public static class TechniqueEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapTechnique(this RouteGroupBuilder api)
    {
        api.MapGet("/pieces/{id:long}/technique", Plan).WithTags("Technique");
        api.MapPost("/pieces/{id:long}/technique/mark", Mark).WithTags("Technique");
    }

    // Every choice that a player would not make by default, as one decision.
    private static Created<DecisionView> Mark(
        long id,
        string part,
        HttpContext http,
        PieceDesk desk,
        DecisionRepository decisions,
        TimeProvider clock,
        string? from = null,
        string? to = null
    )
    {
        var piece = desk.Open(id);
        var (plan, instrument) = Solve(piece, part, from, to);
        var changes = plan
            .Solution.Choices.Where(c => c.Marked)
            .SelectMany(c =>
                TechniqueDesk
                    .HeadsOf(plan.Passage.Steps[c.Place], c.Way.Code)
                    .Select(h => new MarkChange(piece.Part(part).Id, [h.Note], PlayerSigns.Marks(h.Code, instrument.Family), []))
            )
            .ToList();
        if (changes.Count == 0)
            throw Refusal.BadRequest("Nothing here needs to be written in: every choice is the one that players make by default.");
        var made = decisions
            .Add(
                id,
                null,
                "free",
                null,
                $"Technique: {instrument.Name.ToLowerInvariant()}, decided in the passage",
                http.User.Identity?.Name ?? "unknown",
                changes,
                clock.GetUtcNow()
            )!
            .Value;
        desk.Forget(id);
        var open = desk.Open(id);
        return TypedResults.Created(
            $"/api/pieces/{id}/decisions/{made}",
            DecisionEndpoints.View(open, open.Decisions.First(d => d.Id == made))
        );
    }

    private static (TechniquePlan Plan, Instrument Instrument) Solve(OpenPiece piece, string part, string? from, string? to)
    {
        var found = piece.Part(part);
        var (first, last) = piece.Range(from, to);
        var instrument = piece.Instruments[found.Id].Instrument;
        var plan =
            TechniqueDesk.Solve(
                piece.Current,
                found,
                first,
                last,
                piece.House,
                instrument,
                piece.Study.Tempo.QuarterBpmAt,
                piece.HandsOf(found.Id)
            )
            ?? throw Refusal.NotFound(
                $"There is no chart for {instrument?.Name ?? "an instrument that is not known"}, and the product does not "
                    + $"guess. Correct the instrument under Parts and files, or decide by hand."
            );
        return (plan, instrument!);
    }

    private static Ok<TechniqueView> Plan(long id, string part, PieceDesk desk, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var (plan, instrument) = Solve(piece, part, from, to);
        return TypedResults.Ok(TechniqueViews.Of(piece, plan, instrument));
    }
}
