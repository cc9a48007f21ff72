using MellowStand.Core.Practice;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>How a passage is practiced at one step of its ladder.</summary>
/// <param name="Unit">Beat unit of the step.</param>
/// <param name="Bpm">Its beats per minute.</param>
/// <param name="Due">Its day.</param>
/// <param name="Recipes">The ways to practice, in order; none for the music as printed.</param>
/// <param name="Advice">What to leave out or to add; empty where nothing changes.</param>
public sealed record PathStepView(string Unit, double Bpm, DateOnly Due, IReadOnlyList<VariantView> Recipes, string Advice);

/// <summary>A practice path.</summary>
/// <param name="Steps">One entry a step of the ladder.</param>
/// <param name="Offers">Every way that suits the passage, best first.</param>
/// <param name="IsOwn">True where a director changed what the house would say.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record PathView(IReadOnlyList<PathStepView> Steps, IReadOnlyList<VariantView> Offers, bool IsOwn, int Version);

/// <summary>A practice path to keep.</summary>
/// <param name="Steps">Names of the recipes of each step; null gives it back to the house.</param>
/// <param name="Version">The version that was seen.</param>
public sealed record PathRequest(IReadOnlyList<IReadOnlyList<string>>? Steps, int? Version);

/// <summary>Practice paths: which ways to practice at which step of the ladder on which day, handed out with the passage.</summary>
public static class PathEndpoints
{
    private const int MostAStep = 6;

    /// <summary>Maps the group.</summary>
    public static void MapPaths(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/passages/{passage:long}/path").WithTags("Practice");
        group.MapGet("", Get);
        group.MapPut("", Keep);
    }

    /// <summary>The path of a passage, as a director changed it or as the house would say.</summary>
    internal static PathView Of(OpenPiece piece, PassageRow row, PracticeRow own)
    {
        var offers = RecipeTable.For(VariantEndpoints.PassageOf(piece, row.Place));
        var views = offers.ToDictionary(o => o.Recipe.Name, VariantEndpoints.View);
        var house = PracticePath.Of(offers, piece.Layer.Knowledge.House, row.Steps.Count);
        var advice = Core.Assign.StepAdvice.Of(piece.Layer.Study, row.Place, row.Steps.Count);
        // A ladder that has grown since is the house's where the director has said nothing.
        IReadOnlyList<string> At(int step) => own.Steps is { } steps && step < steps.Count ? steps[step] : house[step].Recipes;
        return new PathView(
            [
                .. row.Steps.Select(
                    (s, i) => new PathStepView(
                        s.Mark.Unit.Name,
                        s.Mark.Bpm,
                        s.Due,
                        [.. At(i).Where(views.ContainsKey).Select(r => views[r])],
                        advice[i]
                    )
                ),
            ],
            [.. views.Values],
            own.Steps is not null,
            own.Version
        );
    }

    private static Ok<PathView> Get(long passage, PassageRepository passages, PracticeRepository practice, PieceDesk desk)
    {
        var row = SheetEndpoints.Placed(passages.Get(passage));
        return TypedResults.Ok(Of(desk.Open(row.PieceId), row, practice.Of(row.Id)));
    }

    private static Ok<PathView> Keep(
        long passage,
        PathRequest request,
        PassageRepository passages,
        PracticeRepository practice,
        PieceDesk desk
    )
    {
        var row = SheetEndpoints.Placed(passages.Get(passage));
        Check(request.Steps, row.Steps.Count);
        practice.Keep(row.Id, request.Steps, Versions.Seen(request.Version)).Demand("This practice path");
        return TypedResults.Ok(Of(desk.Open(row.PieceId), row, practice.Of(row.Id)));
    }

    private static void Check(IReadOnlyList<IReadOnlyList<string>>? steps, int count)
    {
        if (steps is null)
            return;
        if (steps.Count != count)
            throw Refusal.BadRequest(
                $"The ladder of this passage has {count} steps, and the path has {steps.Count}. Load the passage again."
            );
        if (steps.Any(s => s is null || s.Count > MostAStep || s.Distinct().Count() < s.Count))
            throw Refusal.BadRequest($"A step has at most {MostAStep} ways to practice, each once.");
        if (steps.SelectMany(s => s).Any(r => r is null))
            throw Refusal.BadRequest("A recipe without a name cannot be kept. Leave it out.");
        foreach (var name in steps.SelectMany(s => s))
            _ = VariantEndpoints.Known(name);
    }
}
