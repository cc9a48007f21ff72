using MellowStand.Core.HouseRules;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A switch of the house with the answer in force.</summary>
public sealed record HouseRuleView(string Name, string Question, IReadOnlyList<HouseChoice> Choices, string Default, string Choice);

/// <summary>A chosen answer.</summary>
public sealed record HouseRuleEdit(string Choice);

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
        var house = repository.House();
        return [.. HouseRuleCatalog.All.Select(r => new HouseRuleView(r.Name, r.Question, r.Choices, r.Default, house[r.Name]))];
    }

    private static Ok<IReadOnlyList<HouseRuleView>> Choose(string rule, HouseRuleEdit edit, HouseRepository house)
    {
        var known = HouseRuleCatalog.Find(rule) ?? throw Refusal.NotFound("There is no such house rule. Load the page again.");
        if (!known.Choices.Any(c => c.Key == edit.Choice))
            throw Refusal.BadRequest(
                $"\"{Names.Clean(edit.Choice ?? "")}\" is no answer to this question. Choose one of "
                    + $"{string.Join(", ", known.Choices.Select(c => c.Key))}."
            );
        house.Choose(rule, edit.Choice);
        return TypedResults.Ok(All(house));
    }
}
