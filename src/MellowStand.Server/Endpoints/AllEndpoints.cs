using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>All addresses of the server.</summary>
public static class AllEndpoints
{
    /// <summary>Maps every group of endpoints.</summary>
    public static void MapAll(this WebApplication app)
    {
        app.MapGet("/healthz", () => TypedResults.Ok(new Health("ready"))).WithTags("Health");
        app.MapOpenApi("/openapi/{documentName}.json");
        app.MapSession();
        var api = app.MapGroup("/api").RequireAuthorization().AddEndpointFilter(WholeBodies.Check);
        api.MapPieces();
        api.MapEditions();
        api.MapNotes();
        api.MapStudy();
        api.MapUnify();
        api.MapBows();
        api.MapBalance();
        api.MapDecisions();
        api.MapMarks();
        api.MapSeats();
        api.MapLetters();
        api.MapExport();
        api.MapPrints();
        api.MapMidi();
        api.MapTables();
        api.MapTechnique();
        api.MapCharts();
        api.MapTempo();
        api.MapPerformance();
        api.MapWindow();
        api.MapVariants();
        api.MapPaths();
        api.MapAssign();
        api.MapCut();
        api.MapPlan();
        api.MapCalendar();
        api.MapSeason();
        api.MapHear();
        api.MapReadiness();
        api.MapForecast();
        api.MapTests();
        api.MapScales();
        api.MapAuditions();
        api.MapSharedRemarks();
        api.MapEnsemble();
        api.MapRoster();
        api.MapRecords();
        api.MapHouseRules();
        api.MapJobs();
        api.MapFallback(Unknown);
        app.MapFallbackToFile("index.html");
    }

    private static ProblemHttpResult Unknown() =>
        TypedResults.Problem("There is nothing at this address. The addresses are listed in /openapi/v1.json.", statusCode: 404);

    /// <summary>The server's state.</summary>
    public sealed record Health(string Status);
}
