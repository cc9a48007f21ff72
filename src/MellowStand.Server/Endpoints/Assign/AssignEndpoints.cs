using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A passage to hand out.</summary>
/// <param name="Title">A few words; made from the measures when left out.</param>
/// <param name="Parts">Ids of the parts that have it.</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="Start">First tempo.</param>
/// <param name="Goal">Goal tempo.</param>
/// <param name="By">How the ladder climbs.</param>
/// <param name="Value">Size of its steps.</param>
/// <param name="Due">The day to be ready on.</param>
/// <param name="Sections">Sections it is for.</param>
/// <param name="Players">Players it is for.</param>
/// <param name="Note">A word to the players.</param>
/// <param name="Version">For a change: the version that was seen.</param>
public sealed record PassageRequest(
    string? Title,
    IReadOnlyList<string>? Parts,
    string? From,
    string? To,
    TempoView? Start,
    TempoView? Goal,
    string? By,
    double? Value,
    DateOnly Due,
    IReadOnlyList<long>? Sections,
    IReadOnlyList<long>? Players,
    string? Note,
    int? Version = null
);

/// <summary>A tempo step with its date.</summary>
public sealed record DatedStepView(string Unit, double Bpm, DateOnly Due);

/// <summary>A passage as handed out.</summary>
public sealed record PassageView(
    long Id,
    long Piece,
    string PieceTitle,
    string Title,
    IReadOnlyList<string> Parts,
    string From,
    string To,
    int FromIndex,
    int ToIndex,
    TempoView Start,
    TempoView Goal,
    DateOnly Begins,
    DateOnly Due,
    int DaysLeft,
    string Note,
    IReadOnlyList<long> Sections,
    IReadOnlyList<long> Players,
    IReadOnlyList<DatedStepView> Steps,
    bool Placed,
    string Climb,
    double ClimbValue,
    int Version
);

/// <summary>Assign: passages, plans and section sheets.</summary>
public static class AssignEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapAssign(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/passages").WithTags("Assign");
        api.MapGet("/pieces/{id:long}/passages", List).WithTags("Assign");
        api.MapPost("/pieces/{id:long}/passages", Add).WithTags("Assign");
        group.MapGet("", (PassageRepository passages, TimeProvider clock) => TypedResults.Ok(passages.All().Select(p => View(p, clock))));
        group.MapGet("/{passage:long}", One);
        group.MapPut("/{passage:long}", Edit);
        group.MapGet("/{passage:long}/sheet", SheetEndpoints.Sheet);
        api.MapPost("/pieces/{id:long}/passages/questions", Questions).WithTags("Assign");
        group.MapDelete("/{passage:long}", Remove);
        group.MapPost("/{passage:long}/restore", Restore);
    }

    /// <summary>The passage with the number.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static PassageRow Find(PassageRepository passages, long id) =>
        passages.Find(id) ?? throw Refusal.NotFound($"There is no passage {id}. Load the list again.");

    /// <summary>The passage as the interface shows it: told from its row alone.</summary>
    public static PassageView View(PassageRow p, TimeProvider clock) =>
        new(
            p.Id,
            p.PieceId,
            p.PieceTitle,
            p.Title,
            p.Place.Parts,
            p.Place.From.Label,
            p.Place.To.Label,
            p.Place.From.Index,
            p.Place.To.Index,
            new TempoView(p.StartUnit, p.StartBpm),
            new TempoView(p.GoalUnit, p.GoalBpm),
            p.Begins,
            p.Due,
            p.Due.DayNumber - clock.Today().DayNumber,
            p.Note,
            p.Sections,
            p.Players,
            [.. p.Steps.Select(s => new DatedStepView(s.Unit, s.Bpm, s.Due))],
            p.IsPlaced,
            p.Climb,
            p.ClimbValue,
            p.Version
        );

    private static Ok<IEnumerable<PassageView>> List(long id, PassageRepository passages, PieceDesk desk, TimeProvider clock)
    {
        _ = desk.Row(id);
        return TypedResults.Ok(passages.All(id).Select(p => View(p, clock)));
    }

    private static Ok<PassageView> One(long passage, PassageRepository passages, TimeProvider clock) =>
        TypedResults.Ok(View(Find(passages, passage), clock));

    private static Created<PassageView> Add(
        long id,
        PassageRequest request,
        PassageDesk desk,
        PassageRepository passages,
        TimeProvider clock
    )
    {
        var made = passages.Add(desk.Draft(id, request, clock.Today()));
        return TypedResults.Created($"/api/passages/{made}", View(Find(passages, made), clock));
    }

    // The first day stays: what was logged since counts.
    private static Ok<PassageView> Edit(
        long passage,
        PassageRequest request,
        PassageDesk desk,
        PassageRepository passages,
        TimeProvider clock
    )
    {
        var there = Find(passages, passage);
        var row = desk.Draft(there.PieceId, request, there.Begins) with { Id = passage, Version = Versions.Seen(request.Version) };
        passages.Update(row).Demand("This passage");
        return One(passage, passages, clock);
    }

    // Asked before it is handed out; nothing is kept or refused by it.
    private static Ok<IReadOnlyList<string>> Questions(long id, PassageRequest request, PassageDesk desk) =>
        TypedResults.Ok(desk.Questions(id, request));

    private static NoContent Remove(long passage, PassageRepository passages, TimeProvider clock)
    {
        _ = Find(passages, passage);
        passages.Remove(passage, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static Ok<PassageView> Restore(long passage, PassageRepository passages, TimeProvider clock)
    {
        if (!passages.Restore(passage))
            throw Refusal.NotFound("This passage was not taken back, so it cannot be restored.");
        return One(passage, passages, clock);
    }
}
