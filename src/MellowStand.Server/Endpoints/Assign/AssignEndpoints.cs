using MellowStand.Server.Answers;
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
        api.MapGet("/pieces/{id:long}/passages", List).KeepAnswer(Rests.Handed).WithTags("Assign");
        api.MapPost("/pieces/{id:long}/passages", Add).WithTags("Assign");
        group
            .MapGet("", (PassageRepository passages, TimeProvider clock) => TypedResults.Ok(passages.All().Select(p => View(p, clock))))
            .KeepAnswer(Rests.Handed);
        group.MapGet("/{passage:long}", One).KeepAnswer(Rests.Handed);
        group.MapPut("/{passage:long}", Edit);
        group.MapGet("/{passage:long}/sheet", SheetEndpoints.Sheet).KeepAnswer(Rests.Readiness);
        api.MapPost("/pieces/{id:long}/passages/questions", Questions).WithTags("Assign");
        group.MapDelete("/{passage:long}", Remove);
        group.MapPost("/{passage:long}/restore", Restore);
    }

    /// <summary>The passage as the interface shows it: told from its row alone.</summary>
    public static PassageView View(PassageRow p, TimeProvider clock) =>
        new(
            p.Id.Value,
            p.PieceId,
            p.PieceTitle,
            p.Title,
            p.Place.Parts,
            p.Place.From.Label,
            p.Place.To.Label,
            p.Place.From.Index,
            p.Place.To.Index,
            TempoEndpoints.View(p.Start),
            TempoEndpoints.View(p.Goal),
            p.Begins,
            p.Due,
            p.Due.DayNumber - clock.Today().DayNumber,
            p.Note,
            p.Sections.Values(),
            p.Players.Values(),
            [.. p.Steps.Select(s => new DatedStepView(s.Mark.Unit.Name, s.Mark.Bpm, s.Due))],
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
        TypedResults.Ok(View(passages.Get(passage), clock));

    private static Created<PassageView> Add(
        long id,
        PassageRequest request,
        PassageDesk desk,
        PassageRepository passages,
        TimeProvider clock
    )
    {
        var made = passages.Add(desk.Draft(id, Wish(request), clock.Today()));
        return TypedResults.Created($"/api/passages/{made}", View(passages.Get(made.Value), clock));
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
        var there = passages.Get(passage);
        var row = desk.Draft(there.PieceId, Wish(request), there.Begins) with { Id = there.Id, Version = Versions.Seen(request.Version) };
        passages.Update(row).Demand("This passage");
        return One(passage, passages, clock);
    }

    // Asked before it is handed out; nothing is kept or refused by it.
    private static Ok<IReadOnlyList<string>> Questions(long id, PassageRequest request, PassageDesk desk) =>
        TypedResults.Ok(desk.Questions(id, HalfFilled(request)));

    /// <summary>What is asked, read.</summary>
    /// <exception cref="Core.Tempo.LadderException">One tempo is named without the other, or a word is unknown.</exception>
    internal static PassageWish Wish(PassageRequest r) =>
        new(r.Parts ?? [], r.From, r.To, r.Due)
        {
            Title = r.Title,
            Tempos =
                r.Start is null && r.Goal is null
                    ? null
                    : (TempoEndpoints.Mark(r.Start, "start"), TempoEndpoints.Mark(r.Goal, "goal")),
            By = r.By is null ? Core.Tempo.LadderBy.Step : Core.Tempo.LadderWords.Read(r.By),
            Value = r.Value,
            Sections = (r.Sections ?? []).Sections(),
            Players = (r.Players ?? []).Players(),
            Note = r.Note,
        };

    // While it is typed, a tempo may not be one yet.
    private static PassageWish HalfFilled(PassageRequest request)
    {
        try
        {
            return Wish(request);
        }
        catch (Core.Tempo.LadderException)
        {
            return Wish(request with { Start = null, Goal = null, By = null });
        }
    }

    private static NoContent Remove(long passage, PassageRepository passages, TimeProvider clock)
    {
        passages.Remove(passages.Get(passage).Id, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static Ok<PassageView> Restore(long passage, PassageRepository passages, TimeProvider clock)
    {
        if (!passages.Restore(new PassageId(passage)))
            throw Refusal.NotFound("This passage was not taken back, so it cannot be restored.");
        return One(passage, passages, clock);
    }
}
