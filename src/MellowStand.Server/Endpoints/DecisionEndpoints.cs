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
/// <param name="Version">The version of the difference that was seen; another's decision since then is told.</param>
/// <param name="Alike">True to decide the same wherever the same music returns.</param>
public sealed record DecisionRequest(
    string? Difference = null,
    string? Reading = null,
    bool Keep = false,
    string? Why = null,
    string? Part = null,
    IReadOnlyList<string>? Notes = null,
    IReadOnlyList<string>? Add = null,
    IReadOnlyList<string>? Remove = null,
    int? Version = null,
    bool Alike = false
);

/// <summary>Many differences to accept at once.</summary>
/// <param name="Kind">The kind, or null for all kinds.</param>
/// <param name="Differences">Ids that were previewed, or null for all of the kind.</param>
public sealed record DecideAllRequest(string? Kind, IReadOnlyList<string>? Differences);

/// <summary>What a decision changes in one part.</summary>
public sealed record ChangeView(string Part, IReadOnlyList<string> Notes, IReadOnlyList<string> Added, IReadOnlyList<string> Removed);

/// <summary>A decision as made.</summary>
public sealed record DecisionView(
    long Id,
    IReadOnlyList<ChangeView> Changes,
    string? Difference,
    string Verdict,
    string? Reading,
    string Why,
    string Person,
    string Made,
    string? From,
    string? To,
    IReadOnlyList<ErratumView> Errata,
    IReadOnlyList<long> BuiltOn
);

/// <summary>A change in words, as it is read out to a section.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Measure">Label of the first measure.</param>
/// <param name="What">E.g. <c>measure 28: add staccato to 4 notes</c>.</param>
public sealed record ErratumView(string Part, string Measure, string What);

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
        group.MapPost("/all", DecideAll);
        group.MapDelete("/{decision:long}", Undo);
    }

    private static Ok<IEnumerable<DecisionView>> List(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(piece.Decisions.Select(d => View(piece, d)));
    }

    private static Created<DecisionView> Decide(
        long id,
        DecisionRequest request,
        HttpContext http,
        PieceDesk desk,
        DecisionRepository decisions,
        TimeProvider clock
    )
    {
        var piece = desk.Open(id);
        var (verdict, reading, why, changes) = request.Difference is { } difference
            ? OnDifference(piece, difference, request)
            : Free(piece, request);
        var person = http.User.Identity?.Name ?? "unknown";
        CheckVersion(piece, request, decisions, id);
        var made = decisions.Add(id, request.Difference, verdict, reading, why, person, changes, clock.GetUtcNow());
        if (made is null)
            throw Settled(decisions, id, request.Difference);
        if (request.Alike && request.Difference is not null)
            DecideAlike(id, piece, request, person, decisions, clock);
        desk.Forget(id);
        var open = desk.Open(id);
        return TypedResults.Created($"/api/pieces/{id}/decisions/{made}", View(open, open.Decisions.First(d => d.Id == made)));
    }

    // Two people may decide at once: the second is told, and nothing of the first is lost.
    private static void CheckVersion(OpenPiece piece, DecisionRequest request, DecisionRepository decisions, long id)
    {
        if (request.Difference is not { } difference || request.Version is not { } seen || seen == piece.VersionOf(difference))
            return;
        if (decisions.InForce(id).Any(d => d.Difference == difference))
            throw Settled(decisions, id, difference);
        throw Refusal.Conflict("This difference was decided and undone again since you loaded it. Load the list again and decide anew.");
    }

    private static Refusal Settled(DecisionRepository decisions, long id, string? difference)
    {
        var other = decisions.InForce(id).FirstOrDefault(d => d.Difference == difference);
        return Refusal.Conflict(
            $"This difference was settled already by {other?.Person ?? "somebody"} ({other?.Verdict}). Undo that decision first "
                + $"to decide anew."
        );
    }

    private static void DecideAlike(
        long id,
        OpenPiece piece,
        DecisionRequest request,
        string person,
        DecisionRepository decisions,
        TimeProvider clock
    )
    {
        var decided = piece.Differences.First(d => d.Id == request.Difference);
        var words = OnDifference(piece, decided.Id, request).Reading;
        foreach (var other in piece.Alike.Of(decided).Where(d => piece.StateOf(d) == "open"))
        {
            var translated = words is null ? null : AlikeDifferences.Translate(decided, words, other);
            var (verdict, reading, why, changes) = OnDifference(
                piece,
                other.Id,
                request with
                {
                    Difference = other.Id,
                    Reading = request.Reading is null ? null : translated,
                }
            );
            decisions.Add(id, other.Id, verdict, reading, why, person, changes, clock.GetUtcNow());
        }
    }

    // Every open difference of a kind as proposed, or only those that were previewed.
    private static Ok<IEnumerable<DecisionView>> DecideAll(
        long id,
        DecideAllRequest request,
        HttpContext http,
        PieceDesk desk,
        DecisionRepository decisions,
        TimeProvider clock
    )
    {
        var piece = desk.Open(id);
        var wanted = piece
            .Differences.Where(d =>
                !d.IsNote
                && piece.StateOf(d) == "open"
                && (request.Kind is null || d.Kind == request.Kind)
                && (request.Differences is null || request.Differences.Contains(d.Id))
            )
            .ToList();
        if (wanted.Count == 0)
            throw Refusal.BadRequest("There is nothing of this kind left to decide.");
        var person = http.User.Identity?.Name ?? "unknown";
        var made = wanted
            .Select(d =>
                decisions.Add(id, d.Id, "accepted", d.Proposal.Mark, d.Proposal.Why, person, d.Changes[d.Proposal.Mark], clock.GetUtcNow())
            )
            .OfType<long>()
            .ToHashSet();
        desk.Forget(id);
        var open = desk.Open(id);
        return TypedResults.Ok(open.Decisions.Where(d => made.Contains(d.Id)).Select(d => View(open, d)));
    }

    private static NoContent Undo(long id, long decision, PieceDesk desk, DecisionRepository decisions, TimeProvider clock)
    {
        _ = desk.Row(id);
        if (!decisions.Undo(id, decision, clock.GetUtcNow()))
            throw Refusal.NotFound($"Decision {decision} is not in force, so there is nothing to undo.");
        desk.Forget(id);
        return TypedResults.NoContent();
    }

    private static (string Verdict, string? Reading, string Why, IReadOnlyList<MarkChange> Changes) OnDifference(
        OpenPiece piece,
        string id,
        DecisionRequest request
    )
    {
        var difference =
            piece.Differences.FirstOrDefault(d => d.Id == id)
            ?? throw Refusal.NotFound("This difference is not in the piece. Load the list again.");
        if (request.Keep)
            return ("kept", null, Reason(request.Why, "kept as printed"), []);
        if (request.Reading is null)
            return (
                "accepted",
                difference.Proposal.Mark,
                Reason(request.Why, difference.Proposal.Why),
                difference.Changes[difference.Proposal.Mark]
            );
        var words = difference.Readings.FirstOrDefault(r => r.Part == request.Reading)?.Has ?? request.Reading;
        return difference.Changes.TryGetValue(words, out var changes)
            ? ("reading", words, Reason(request.Why, "the director's reading"), changes)
            : throw Refusal.BadRequest(
                $"No part of this line reads \"{Names.Clean(words)}\". The readings are "
                    + $"{string.Join(" and ", difference.Changes.Keys.Select(k => $"\"{k}\""))}."
            );
    }

    private static (string Verdict, string? Reading, string Why, IReadOnlyList<MarkChange> Changes) Free(
        OpenPiece piece,
        DecisionRequest request
    )
    {
        if (request.Part is null || request.Notes is not { Count: > 0 })
            throw Refusal.BadRequest(
                "A decision names a difference, or a part and its notes. Send {difference} or {part, notes, add, remove}."
            );
        if (request.Notes.Count > MostNotes)
            throw Refusal.BadRequest($"At most {MostNotes} notes go into one decision. Split it.");
        var part = piece.Part(request.Part);
        var known = part.Notes.SelectMany(n => n.Heads.Select(h => h.Id).Append(n.Id)).ToHashSet();
        if (request.Notes.FirstOrDefault(n => !known.Contains(n)) is { } unknown)
            throw Refusal.BadRequest($"There is no note \"{Names.Clean(unknown)}\" in {part.Name}. Take ids from /notes.");
        var add = Marks(request.Add);
        var remove = Marks(request.Remove);
        if (add.Count + remove.Count == 0)
            throw Refusal.BadRequest("The decision adds and removes nothing. Name at least one mark.");
        return ("free", null, Reason(request.Why, "written by hand"), [new MarkChange(part.Id, request.Notes, add, remove)]);
    }

    private static List<Mark> Marks(IReadOnlyList<string>? names)
    {
        var marks = (names ?? []).Select(Mark.Parse).ToList();
        foreach (var mark in marks)
            if (MarkCatalog.Problem(mark) is { } problem)
                throw Refusal.BadRequest(problem);
        return marks;
    }

    private static string Reason(string? why, string otherwise) => Names.CleanOrNull(why) ?? otherwise;

    /// <summary>A decision as the interface shows it.</summary>
    public static DecisionView View(OpenPiece piece, DecisionRow d)
    {
        var difference = piece.Differences.FirstOrDefault(x => x.Id == d.Difference);
        return new DecisionView(
            d.Id,
            [
                .. d.Changes.Select(c => new ChangeView(
                    c.Part,
                    c.Notes,
                    [.. c.Added.Select(m => m.ToString())],
                    [.. c.Removed.Select(m => m.ToString())]
                )),
            ],
            d.Difference,
            d.Verdict,
            d.Reading,
            d.Why,
            d.Person,
            d.Made,
            difference is null ? null : piece.Label(difference.From),
            difference is null ? null : piece.Label(difference.To),
            [.. d.Changes.Select(c => Erratum(piece, c)).OfType<ErratumView>()],
            [.. piece.BuildingOn(d)]
        );
    }

    private static ErratumView? Erratum(OpenPiece piece, MarkChange change)
    {
        if (piece.Printed.FindPart(change.Part) is not { } part)
            return null;
        var places = part
            .Notes.Where(n => change.Notes.Contains(n.Id) || n.Heads.Any(h => change.Notes.Contains(h.Id)))
            .Select(n => n.MeasureIndex)
            .ToList();
        if (places.Count == 0)
            return null;
        var where =
            places[0] == places[^1] ? $"measure {piece.Label(places[0])}" : $"measures {piece.Label(places[0])}–{piece.Label(places[^1])}";
        var spans = change.Added.Concat(change.Removed).Any(m => MarkCatalog.IsSpan(m.Name));
        var ends = part.Notes.Where(n => n.Id == change.Notes[0] || n.Id == change.Notes[^1]).ToList();
        var count =
            change.Notes.Count == 1 ? ""
            : spans && ends.Count > 1 ? $" from beat {piece.Study.Beat(ends[0])} to beat {piece.Study.Beat(ends[^1])}"
            : $" ({change.Notes.Count} notes)";
        var words = change.Added.Select(m => $"add {m}").Concat(change.Removed.Select(m => $"take away {m}"));
        return new ErratumView(change.Part, piece.Label(places[0]), $"{where}: {string.Join(", ", words)}{count}");
    }
}
