using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A decision to make: on a difference, or a free mark.</summary>
/// <param name="Difference">The difference it settles.</param>
/// <param name="Reading">Another reading than the proposed one: a part's id, or the words of the reading.</param>
/// <param name="Keep">True to let the difference stand.</param>
/// <param name="Why">The reason.</param>
/// <param name="Part">For a free mark: the part.</param>
/// <param name="Notes">For a free mark: ids of the notes; the first and last for a slur or hairpin.</param>
/// <param name="Add">Marks to write, e.g. <c>staccato</c>, <c>slur</c>, <c>mf</c>, <c>fingering:2</c>, <c>words:dolce</c>.</param>
/// <param name="Remove">Marks to take away.</param>
public sealed record DecisionRequest(
    string? Difference = null, string? Reading = null, bool Keep = false, string? Why = null,
    string? Part = null, IReadOnlyList<string>? Notes = null, IReadOnlyList<string>? Add = null, IReadOnlyList<string>? Remove = null);

/// <summary>What a decision changes in one part.</summary>
public sealed record ChangeView(string Part, IReadOnlyList<string> Notes, IReadOnlyList<string> Added, IReadOnlyList<string> Removed);

/// <summary>A decision as made.</summary>
public sealed record DecisionView(long Id, IReadOnlyList<ChangeView> Changes, string? Difference, string Verdict, string? Reading, string Why, string Person, string Made, string? From, string? To);

/// <summary>The layer of decisions.</summary>
public static class DecisionEndpoints
{
    private const int MostNotes = 5000;

    /// <summary>Maps the group.</summary>
    public static void MapDecisions(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}/decisions").WithTags("Decisions");
        group.MapGet("", List);
        group.MapPost("", Decide);
        group.MapDelete("/{decision:long}", Undo);
    }

    private static Ok<IEnumerable<DecisionView>> List(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(piece.Decisions.Select(d => View(piece, d)));
    }

    private static Created<DecisionView> Decide(long id, DecisionRequest request, HttpContext http, PieceDesk desk, DecisionRepository decisions, TimeProvider clock)
    {
        var piece = desk.Open(id);
        var (verdict, reading, why, changes) = request.Difference is { } difference ? OnDifference(piece, difference, request) : Free(piece, request);
        var person = http.User.Identity?.Name ?? "unknown";
        var made = decisions.Add(id, request.Difference, verdict, reading, why, person, changes, clock.GetUtcNow());
        if (made is null)
        {
            var other = decisions.InForce(id).FirstOrDefault(d => d.Difference == request.Difference);
            throw Refusal.Conflict($"This difference was settled already by {other?.Person ?? "somebody"} ({other?.Verdict}). Undo that decision first to decide anew.");
        }

        desk.Forget(id);
        var open = desk.Open(id);
        return TypedResults.Created($"/api/pieces/{id}/decisions/{made}", View(open, open.Decisions.First(d => d.Id == made)));
    }

    private static NoContent Undo(long id, long decision, PieceDesk desk, DecisionRepository decisions, TimeProvider clock)
    {
        _ = desk.Row(id);
        if (!decisions.Undo(id, decision, clock.GetUtcNow())) throw Refusal.NotFound($"Decision {decision} is not in force, so there is nothing to undo.");
        desk.Forget(id);
        return TypedResults.NoContent();
    }

    private static (string Verdict, string? Reading, string Why, IReadOnlyList<MarkChange> Changes) OnDifference(OpenPiece piece, string id, DecisionRequest request)
    {
        var difference = piece.Differences.FirstOrDefault(d => d.Id == id)
            ?? throw Refusal.NotFound("This difference is not in the piece. Load the list again.");
        if (request.Keep) return ("kept", null, Reason(request.Why, "kept as printed"), []);
        if (request.Reading is null) return ("accepted", difference.Proposal.Mark, Reason(request.Why, difference.Proposal.Why), difference.Changes[difference.Proposal.Mark]);
        var words = difference.Readings.FirstOrDefault(r => r.Part == request.Reading)?.Has ?? request.Reading;
        return difference.Changes.TryGetValue(words, out var changes)
            ? ("reading", words, Reason(request.Why, "the director's reading"), changes)
            : throw Refusal.BadRequest($"No part of this line reads \"{Names.Clean(words)}\". The readings are {string.Join(" and ", difference.Changes.Keys.Select(k => $"\"{k}\""))}.");
    }

    private static (string Verdict, string? Reading, string Why, IReadOnlyList<MarkChange> Changes) Free(OpenPiece piece, DecisionRequest request)
    {
        if (request.Part is null || request.Notes is not { Count: > 0 })
            throw Refusal.BadRequest("A decision names a difference, or a part and its notes. Send {difference} or {part, notes, add, remove}.");
        if (request.Notes.Count > MostNotes) throw Refusal.BadRequest($"At most {MostNotes} notes go into one decision. Split it.");
        var part = piece.Part(request.Part);
        var known = part.Notes.SelectMany(n => n.Heads.Select(h => h.Id).Append(n.Id)).ToHashSet();
        if (request.Notes.FirstOrDefault(n => !known.Contains(n)) is { } unknown)
            throw Refusal.BadRequest($"There is no note \"{Names.Clean(unknown)}\" in {part.Name}. Take ids from /notes.");
        var add = Marks(request.Add);
        var remove = Marks(request.Remove);
        if (add.Count + remove.Count == 0) throw Refusal.BadRequest("The decision adds and removes nothing. Name at least one mark.");
        return ("free", null, Reason(request.Why, "written by hand"), [new MarkChange(part.Id, request.Notes, add, remove)]);
    }

    private static List<Mark> Marks(IReadOnlyList<string>? names)
    {
        var marks = (names ?? []).Select(Mark.Parse).ToList();
        foreach (var mark in marks)
            if (MarkCatalog.Problem(mark) is { } problem) throw Refusal.BadRequest(problem);
        return marks;
    }

    private static string Reason(string? why, string otherwise) => Names.CleanOrNull(why) ?? otherwise;

    /// <summary>A decision as the interface shows it.</summary>
    public static DecisionView View(OpenPiece piece, DecisionRow d)
    {
        var difference = piece.Differences.FirstOrDefault(x => x.Id == d.Difference);
        return new DecisionView(
            d.Id, [.. d.Changes.Select(c => new ChangeView(c.Part, c.Notes, [.. c.Added.Select(m => m.ToString())], [.. c.Removed.Select(m => m.ToString())]))],
            d.Difference, d.Verdict, d.Reading, d.Why, d.Person, d.Made, difference is null ? null : piece.Label(difference.From), difference is null ? null : piece.Label(difference.To));
    }
}
