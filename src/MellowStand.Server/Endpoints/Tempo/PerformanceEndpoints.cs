using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>An address at a tempo as exact sound in time.</summary>
public static class PerformanceEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapPerformance(this RouteGroupBuilder api) =>
        api.MapPost("/pieces/{id:long}/performance", Perform).WithTags("Tempo");

    private static Ok<PerformanceView> Perform(long id, PerformanceRequestView request, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(Performing.View(piece.Layer.Study, Performing.Perform(piece.Layer, request)));
    }
}
