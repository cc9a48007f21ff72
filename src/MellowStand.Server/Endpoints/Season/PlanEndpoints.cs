using System.Text.Json;
using MellowStand.Core.Assign;
using MellowStand.Planning;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A day on which can be practiced.</summary>
/// <param name="Date">The day.</param>
/// <param name="Minutes">Minutes that each player has.</param>
public sealed record PlanDayAsk(DateOnly Date, int Minutes);

/// <summary>A passage to plan.</summary>
/// <param name="Id">Its key, text or number.</param>
/// <param name="Minutes">Minutes of a session.</param>
/// <param name="Sessions">How often it is practiced.</param>
/// <param name="Gap">Calendar days from one session to the next; 1 when left out.</param>
/// <param name="Players">Keys of those who practice it, text or numbers.</param>
/// <param name="Due">The day to have it by.</param>
/// <param name="From">The first day of work, or null for any.</param>
public sealed record PlanPassageAsk(
    JsonElement Id,
    int Minutes,
    int Sessions,
    int? Gap,
    IReadOnlyList<JsonElement>? Players,
    DateOnly Due,
    DateOnly? From
);

/// <summary>What is to be planned.</summary>
/// <param name="Days">The days.</param>
/// <param name="Passages">The passages in the order of the music.</param>
/// <param name="Rule"><c>hardest-first</c> (also when left out), <c>from-start</c> or <c>from-end</c>.</param>
public sealed record PlanAsk(IReadOnlyList<PlanDayAsk>? Days, IReadOnlyList<PlanPassageAsk>? Passages, string? Rule);

/// <summary>A session.</summary>
public sealed record PlannedWork(JsonElement Passage, int Session, int Minutes);

/// <summary>A day with its work.</summary>
public sealed record PlannedDay(DateOnly Date, IReadOnlyList<PlannedWork> Work);

/// <summary>A plan.</summary>
/// <param name="State"><c>optimal</c>, <c>feasible</c> or <c>cannot</c>.</param>
/// <param name="Late">Days that last sessions come after their dates, added up.</param>
/// <param name="Peak">Most minutes of one player on one day.</param>
/// <param name="Bound">No plan has less: of <c>late</c> where that is not proved, else of <c>peak</c>.</param>
/// <param name="Days">The days with their work.</param>
/// <param name="Gives">What gives where something is late or does not fit.</param>
public sealed record PlanView(string State, int Late, int Peak, int Bound, IReadOnlyList<PlannedDay> Days, IReadOnlyList<GiveView> Gives);

/// <summary>Assign: a plan from numbers alone; nothing is kept.</summary>
public static class PlanEndpoints
{
    private const int MostDays = 400;
    private const int MostPassages = 300;
    private const int MostSessions = 120;
    private const int MostMinutes = 600;
    private const int MostPlayers = 1000;
    private const int MostCells = 30_000;
    private const double Seconds = 6;

    private static readonly string[] Rules = ["hardest-first", "from-start", "from-end", "joined"];
    private static readonly SemaphoreSlim Turns = new(1);

    /// <summary>Maps the group.</summary>
    public static void MapPlan(this RouteGroupBuilder api) => api.MapPost("/plan", Plan).WithTags("Assign");

    private static Ok<PlanView> Plan(PlanAsk ask, CancellationToken cancelled)
    {
        var problem = Problem(ask);
        // The solver takes all there is of the machine: one at a time.
        Turns.Wait(cancelled);
        try
        {
            return TypedResults.Ok(View(ask, problem, new Planner(Seconds).Make(problem, null, cancelled)));
        }
        finally
        {
            Turns.Release();
        }
    }

    private static PlanView View(PlanAsk ask, PlanProblem problem, Plan plan)
    {
        var asked = ask.Passages?.ToDictionary(p => Key(p.Id)) ?? [];
        var work = plan.Sessions.ToLookup(s => s.Day, s => new PlannedWork(asked[s.Passage].Id, s.Number, asked[s.Passage].Minutes));
        return new PlanView(
            Words.Of(plan.State),
            plan.Late,
            plan.Peak,
            plan.Bound,
            [.. problem.Days.Select(d => new PlannedDay(d.Date, [.. work[d.Date]]))],
            [.. plan.Gives.Select(g => new GiveView(g.What, g.Why))]
        );
    }

    private static PlanProblem Problem(PlanAsk ask)
    {
        var (days, passages) = (ask.Days ?? [], ask.Passages ?? []);
        if (days.Count > MostDays || passages.Count > MostPassages || (long)days.Count * passages.Count > MostCells)
            throw Refusal.BadRequest(
                $"A plan takes at most {MostDays} days and {MostPassages} passages, and {MostCells} of both multiplied. Plan a part of it."
            );
        if (days.Any(d => d is null) || passages.Any(p => p is null))
            throw Refusal.BadRequest("A day or passage is empty. Leave it out.");
        if (days.Any(d => d.Minutes is < 0 or > MostMinutes * 2))
            throw Refusal.BadRequest($"A day has 0 to {MostMinutes * 2} minutes.");
        if (days.DistinctBy(d => d.Date).Count() != days.Count)
            throw Refusal.BadRequest("A day is listed twice. List each once.");
        if (ask.Rule is { } rule && !Rules.Contains(rule))
            throw Refusal.BadRequest($"The rule is {string.Join(", ", Rules)}.");
        var own = passages.Select(Passage).ToList();
        if (own.DistinctBy(p => p.Id).Count() != own.Count)
            throw Refusal.BadRequest("Two passages have the same id. Give each its own.");
        if (own.Sum(p => (long)p.Players.Count) > (long)MostPlayers * MostPassages)
            throw Refusal.BadRequest($"A passage has at most {MostPlayers} players.");
        return new PlanProblem([.. days.OrderBy(d => d.Date).Select(d => new PlanDay(d.Date, d.Minutes))], own, ask.Rule ?? Rules[0]);
    }

    private static PlanPassage Passage(PlanPassageAsk p)
    {
        var key = Key(p.Id);
        if (p.Minutes is < 1 or > MostMinutes)
            throw Refusal.BadRequest($"Passage {key}: a session has 1 to {MostMinutes} minutes.");
        if (p.Sessions is < 1 or > MostSessions)
            throw Refusal.BadRequest($"Passage {key}: it is practiced 1 to {MostSessions} times.");
        if (p.Gap is < 1 or > MostDays)
            throw Refusal.BadRequest($"Passage {key}: the gap is at least 1 day.");
        if ((p.Players?.Count ?? 0) > MostPlayers)
            throw Refusal.BadRequest($"Passage {key}: it has at most {MostPlayers} players.");
        return new PlanPassage(key, p.Minutes, p.Sessions, p.Gap ?? 1, [.. (p.Players ?? []).Select(Key).Distinct()], p.Due, p.From);
    }

    private static string Key(JsonElement id) =>
        id.ValueKind switch
        {
            JsonValueKind.String => Names.Clean(id.GetString()!),
            JsonValueKind.Number => id.GetRawText(),
            _ => throw Refusal.BadRequest("An id is a text or a number."),
        };
}
