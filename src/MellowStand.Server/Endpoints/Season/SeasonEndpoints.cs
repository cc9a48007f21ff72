using System.Globalization;
using MellowStand.Core.Assign;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>The season's plan, or null where none was made.</summary>
public sealed record SeasonView(SeasonPlanView? Plan);

/// <summary>Puts a plan in force.</summary>
/// <param name="Seen">The plan in force that was seen; null for none.</param>
public sealed record KeepPlan(long? Seen);

/// <summary>Moves a session.</summary>
/// <param name="Day">The day.</param>
/// <param name="ByHand">True when it stays there in the plans to come; true when left out.</param>
/// <param name="Version">The version of the plan that was seen.</param>
public sealed record MoveSession(DateOnly Day, bool? ByHand, int? Version);

/// <summary>Some minutes of a rehearsal.</summary>
public sealed record RehearsalSlotView(
    int Starts,
    int Minutes,
    IReadOnlyList<long> Passages,
    IReadOnlyList<string> Titles,
    int Playing,
    bool Sectional
);

/// <summary>A rehearsal with what to rehearse in it.</summary>
public sealed record RehearsalView(DateOnly Date, int Minutes, IReadOnlyList<RehearsalSlotView> Slots, int Idle, string Why);

/// <summary>Assign: the plan of the season, from the dates backwards.</summary>
public static class SeasonEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapSeason(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/season").WithTags("Assign");
        group
            .MapGet("", (SeasonRepository seasons, SeasonViews views) => TypedResults.Ok(new SeasonView(Current(seasons, views))))
            .KeepAnswer(Rests.Readiness);
        group.MapPost("/draft", Draft);
        group
            .MapGet(
                "/plans/{plan:long}",
                (long plan, SeasonRepository seasons, SeasonViews views) => TypedResults.Ok(views.Of(Find(seasons, plan)))
            )
            .KeepAnswer(Rests.Readiness);
        group.MapPost("/plans/{plan:long}/keep", Keep);
        group.MapDelete("/plans/{plan:long}", Undo);
        group.MapPut("/sessions/{session:long}", Move);
        group.MapGet("/sections/{section:long}.ics", OfSection).KeepAnswer(Rests.Readiness).Produces<string>(200, "text/calendar");
        group.MapGet("/players/{player:long}.ics", OfPlayer).KeepAnswer(Rests.Readiness).Produces<string>(200, "text/calendar");
        api.MapGet("/rehearsals", Rehearsals).KeepAnswer(Rests.Readiness).WithTags("Assign");
    }

    private static SeasonPlanView? Current(SeasonRepository seasons, SeasonViews views) =>
        seasons.Current() is { } plan ? views.Of(plan) : null;

    private static SeasonPlanRow Find(SeasonRepository seasons, long id) =>
        seasons.Find(id) ?? throw Refusal.NotFound($"There is no plan {id} any more. Make one anew.");

    private static Accepted<JobView> Draft(SeasonDesk desk, Jobs jobs)
    {
        var job = jobs.Add(
            "Planning the season",
            progress =>
            {
                var id = desk.Draft(s => progress.Report(s.Step, s.Steps, s.Words), progress.Cancelled);
                progress.Made($"/api/season/plans/{id}");
            }
        );
        return TypedResults.Accepted($"/api/jobs/{job.Id}", job);
    }

    private static Ok<SeasonView> Keep(long plan, KeepPlan keep, SeasonRepository seasons, SeasonViews views)
    {
        if (Find(seasons, plan).Proved == "cannot")
            throw Refusal.Conflict("This plan cannot be done, so it cannot be kept. Take one of the changes that give, and plan again.");
        seasons.Keep(plan, keep.Seen).Demand("The plan in force");
        return TypedResults.Ok(new SeasonView(Current(seasons, views)));
    }

    private static Ok<SeasonView> Undo(long plan, SeasonRepository seasons, SeasonViews views) =>
        seasons.Undo(plan)
            ? TypedResults.Ok(new SeasonView(Current(seasons, views)))
            : throw Refusal.NotFound("This plan is not in force. Load the page again.");

    private static Ok<SeasonView> Move(
        long session,
        MoveSession move,
        SeasonRepository seasons,
        SeasonViews views,
        CalendarDesk calendar,
        TimeProvider clock
    )
    {
        var item =
            seasons.Current()?.Items.FirstOrDefault(i => i.Sessions.Any(s => s.Id == session))
            ?? throw Refusal.NotFound("This session is not in the plan any more. Load the page again.");
        var isBack = move.ByHand == false;
        if (!isBack && move.Day < clock.Today())
            throw Refusal.BadRequest("This day is past. Choose today or a later one.");
        if (!isBack && calendar.Calendar().MinutesOn(move.Day) == 0)
            throw Refusal.BadRequest(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"Nobody practices on {move.Day:MMM d}. Choose another day, or change the calendar."
                )
            );
        if (item.Sessions.Any(s => s.Id != session && s.Day == move.Day))
            throw Refusal.Conflict("It is practiced on this day already. Choose another day.");
        seasons.Move(session, move.Day, move.ByHand ?? true, Versions.Seen(move.Version)).Demand("The plan");
        return TypedResults.Ok(new SeasonView(Current(seasons, views)));
    }

    private static FileContentHttpResult OfSection(long section, SeasonRepository seasons, SeasonViews views, EnsembleRepository ensemble)
    {
        var name =
            ensemble.Sections().FirstOrDefault(s => s.Id.Value == section)?.Name
            ?? throw Refusal.NotFound("This section is not in the ensemble.");
        return File(name, Current(seasons, views), i => i.Sections.Contains(section));
    }

    private static FileContentHttpResult OfPlayer(long player, SeasonRepository seasons, SeasonViews views, EnsembleRepository ensemble)
    {
        var name =
            ensemble.Find(new PlayerId(player))?.Name ?? throw Refusal.NotFound("This player is not in the ensemble.");
        return File(name, Current(seasons, views), i => i.Players.Contains(player));
    }

    private static FileContentHttpResult File(string name, SeasonPlanView? plan, Func<SeasonItemView, bool> which)
    {
        var events = (plan?.Items ?? [])
            .Where(which)
            .SelectMany(i =>
                i.Sessions.Select(s => new WrittenEvent(
                    $"session-{s.Id}@mellow-stand",
                    s.Day,
                    s.Day,
                    string.Create(CultureInfo.InvariantCulture, $"{i.Title}: {s.Tempo.Unit} = {s.Tempo.Bpm:0.#}, {i.Minutes} minutes"),
                    $"{i.PieceTitle}, measures {i.From}–{i.To}"
                ))
            );
        return TypedResults.File(IcalFiles.Write($"Practice: {name}", events), "text/calendar", "Practice.ics");
    }

    private static Ok<IReadOnlyList<RehearsalView>> Rehearsals(RehearsalDesk desk, long? piece = null) =>
        TypedResults.Ok<IReadOnlyList<RehearsalView>>([.. desk.Of(piece).Select(View)]);

    private static RehearsalView View(Rehearsal r) =>
        new(
            r.Date,
            r.Minutes,
            [
                .. r.Slots.Select(s => new RehearsalSlotView(
                    s.Starts,
                    s.Minutes,
                    [.. s.Passages.Select(p => p.Id)],
                    [.. s.Passages.Select(p => p.Title)],
                    s.Playing,
                    s.IsSectional
                )),
            ],
            r.Idle,
            r.Why
        );
}
