using MellowStand.Core.HouseRules;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A switch of the house with the answer in force.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Question">What it asks.</param>
/// <param name="Choices">The answers.</param>
/// <param name="Default">The answer where none was chosen.</param>
/// <param name="Choice">The answer in force.</param>
/// <param name="Version">How often an answer was chosen.</param>
public sealed record HouseRuleView(
    string Name,
    string Question,
    IReadOnlyList<HouseChoice> Choices,
    string Default,
    string Choice,
    int Version
);

/// <summary>A chosen answer.</summary>
/// <param name="Choice">The answer.</param>
/// <param name="Version">The version that was seen; left out, the answer is chosen whatever others did.</param>
public sealed record HouseRuleEdit(string Choice, int? Version = null);

/// <summary>House rules.</summary>
public static class HouseRuleEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapHouseRules(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/house-rules").WithTags("House rules");
        group.MapGet("", (HouseRepository house) => TypedResults.Ok(All(house)));
        group.MapPut("/{rule}", Choose);
    }

    private static IReadOnlyList<HouseRuleView> All(HouseRepository repository)
    {
        var (house, versions) = (repository.House(), repository.Versions());
        return
        [
            .. HouseRuleCatalog.All.Select(r => new HouseRuleView(
                r.Name,
                r.Question,
                r.Choices,
                r.Default,
                house[r.Name],
                versions.GetValueOrDefault(r.Name)
            )),
        ];
    }

    private static Ok<IReadOnlyList<HouseRuleView>> Choose(string rule, HouseRuleEdit edit, HouseRepository house)
    {
        var known = HouseRuleCatalog.Find(rule) ?? throw Refusal.NotFound("There is no such house rule. Load the page again.");
        if (!known.Choices.Any(c => c.Key == edit.Choice))
            throw Refusal.BadRequest(
                $"\"{Names.Clean(edit.Choice ?? "")}\" is no answer to this question. Choose one of "
                    + $"{string.Join(", ", known.Choices.Select(c => c.Key))}."
            );
        house.Choose(rule, edit.Choice, edit.Version).Demand("This house rule");
        return TypedResults.Ok(All(house));
    }
}
