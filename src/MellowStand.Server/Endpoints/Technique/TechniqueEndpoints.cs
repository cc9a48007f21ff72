using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Server.Answers;
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
        api.MapGet("/pieces/{id:long}/technique", Plan).KeepAnswer(RestsOn.Piece | RestsOn.School | RestsOn.Passages).WithTags("Technique");
        api.MapPost("/pieces/{id:long}/technique/mark", Mark).WithTags("Technique");
    }

    // Every choice that a player would not make by default, as one decision.
    private static Created<DecisionView> Mark(
        long id,
        string part,
        HttpContext http,
        Decide decide,
        GoalTempos goals,
        string? from = null,
        string? to = null
    ) =>
        DecisionEndpoints.MakeFree(
            id,
            http,
            decide,
            piece =>
            {
                var (plan, instrument) = Solve(piece, goals, part, from, to);
                var changes = plan
                    .Solution.Choices.Where(c => c.Marked)
                    .SelectMany(c => TechniqueDesk.MarksOf(plan, c))
                    .Select(h => new MarkChange(piece.Part(part).Id, [h.Note], h.Marks, []))
                    .ToList();
                if (changes.Count == 0)
                    throw Refusal.BadRequest("Nothing here needs to be written in: every note has its usual fingering.");
                return DecisionEndpoints.FreeDraft($"Technique: {instrument.Name.ToLowerInvariant()}, decided in the passage", changes);
            }
        );

    // Decided for the goal: what works today only would be changed again later.
    private static (TechniquePlan Plan, Instrument Instrument) Solve(
        OpenPiece piece,
        GoalTempos goals,
        string part,
        string? from,
        string? to
    )
    {
        var found = piece.Part(part);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        var instrument = piece.Layer.Knowledge.Instruments[found.Id].Instrument;
        var plan =
            TechniqueDesk.Solve(
                piece.Layer.Current,
                found,
                first,
                last,
                piece.Layer.Knowledge.House,
                instrument,
                goals.Of(piece, found.Id),
                piece.Layer.Knowledge.HandsOf(found.Id)
            )
            ?? throw Refusal.NotFound(
                $"There is no chart for {instrument?.Name ?? "an instrument that is not known"}, and the product does not "
                    + $"guess. Correct the instrument under Parts and files, or decide by hand."
            );
        return (plan, instrument!);
    }

    private static Ok<TechniqueView> Plan(long id, string part, PieceDesk desk, GoalTempos goals, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var (plan, instrument) = Solve(piece, goals, part, from, to);
        return TypedResults.Ok(TechniqueViews.Of(piece, plan, instrument));
    }
}
