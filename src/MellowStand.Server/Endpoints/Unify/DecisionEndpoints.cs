using MellowStand.Core.Decisions.Errata;
using MellowStand.Core.Decisions;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Signs;
using MellowStand.Core.Technique;
using MellowStand.Core.Unify;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
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
/// <param name="Edition">The edition that was seen; a newer one is told.</param>
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
    bool Alike = false,
    string? Edition = null
);

/// <summary>Many differences to accept at once.</summary>
/// <param name="Kind">The kind, or null for all kinds.</param>
/// <param name="Differences">Ids that were previewed, or null for all sure ones of the kind. What contradicts another of them is left
/// open.</param>
public sealed record DecideAllRequest(string? Kind, IReadOnlyList<string>? Differences);

/// <summary>What a decision changes in one part.</summary>
public sealed record ChangeView(string Part, IReadOnlyList<string> Notes, IReadOnlyList<string> Added, IReadOnlyList<string> Removed);

/// <summary>A decision as made.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Act">The act it was made in: undone together with <c>DELETE …/decisions/acts/{act}</c>.</param>
/// <param name="Changes">What it changes.</param>
/// <param name="Difference">The difference it settles, or null.</param>
/// <param name="Verdict"><c>accepted</c>, <c>reading</c>, <c>kept</c> or <c>free</c>.</param>
/// <param name="Reading">The reading taken, or null.</param>
/// <param name="Why">The reason.</param>
/// <param name="Person">Who decided.</param>
/// <param name="Made">When.</param>
/// <param name="From">Label of the difference's first measure, or null.</param>
/// <param name="To">Label of its last measure, or null.</param>
/// <param name="Errata">What it changes, in words.</param>
/// <param name="BuiltOn">Numbers of the later decisions that build on it.</param>
public sealed record DecisionView(
    long Id,
    long Act,
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
/// <param name="What">E.g. <c>measure 28: staccato on the four eighths</c>.</param>
public sealed record ErratumView(string Part, string Measure, string What);

/// <summary>The layer of decisions.</summary>
public static class DecisionEndpoints
{
    private const int MostNotes = 5000;

    /// <summary>Maps the group.</summary>
    public static void MapDecisions(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}/decisions").WithTags("Decisions");
        group.MapGet("", List).KeepAnswer();
        group.MapPost("", Make);
        group.MapPost("/all", MakeAll);
        group.MapDelete("/{decision:long}", Undo);
        group.MapDelete("/acts/{act:long}", UndoAct);
    }

    /// <summary>Who asks.</summary>
    public static string Person(HttpContext http) => http.User.Identity?.Name ?? "unknown";

    /// <summary>Makes one free decision and answers it.</summary>
    public static Created<DecisionView> MakeFree(long id, HttpContext http, Decide decide, Func<OpenPiece, DecisionDraft> draft)
    {
        var (piece, made) = decide.Make(id, Person(http), p => [draft(p)]);
        return TypedResults.Created($"/api/pieces/{id}/decisions/{made[0].Id}", View(piece, made[0]));
    }

    /// <summary>A decision that only writes marks.</summary>
    public static DecisionDraft FreeDraft(string why, IReadOnlyList<MarkChange> changes) => new(null, Verdict.Free, null, why, changes);

    private static Ok<IEnumerable<DecisionView>> List(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(piece.Layer.Decisions.Select(d => View(piece, d)));
    }

    private static Created<DecisionView> Make(long id, DecisionRequest request, HttpContext http, Decide decide)
    {
        var (piece, made) = decide.Make(id, Person(http), p => Drafts(p, request));
        return TypedResults.Created($"/api/pieces/{id}/decisions/{made[0].Id}", View(piece, made[0]));
    }

    // The differences that were previewed, or every sure one of a kind, as proposed: one act with one undo.
    private static Ok<IEnumerable<DecisionView>> MakeAll(long id, DecideAllRequest request, HttpContext http, Decide decide)
    {
        var (piece, made) = decide.Make(
            id,
            Person(http),
            p =>
            {
                var wanted = p.Layer.Differences.Where(d => Wants(request, d) && IsOpen(p, d));
                var drafts = SureOnes.Together(wanted).Select(d => Accepted(d, null)).ToList();
                return drafts.Count > 0 ? drafts : throw Refusal.BadRequest(NothingSure(request));
            }
        );
        return TypedResults.Ok(made.Select(d => View(piece, d)));
    }

    private static bool Wants(DecideAllRequest request, Difference d) =>
        d is { IsNote: false, Proposal.Parts.Count: > 0 }
        && (request.Kind is null || d.Kind == request.Kind)
        && (request.Differences?.Contains(d.Id) ?? SureOnes.IsSure(d));

    private static string NothingSure(DecideAllRequest request) =>
        request.Differences is null
            ? "There is nothing sure of this kind left to decide. What is left needs your eye: decide it one by one."
            : "None of these is left to decide.";

    private static bool IsOpen(OpenPiece piece, Difference d) => piece.Layer.StateOf(d) == DifferenceState.Open;

    private static NoContent Undo(long id, long decision, Decide decide)
    {
        decide.Undo(id, decision);
        return TypedResults.NoContent();
    }

    private static NoContent UndoAct(long id, long act, Decide decide)
    {
        decide.UndoAct(id, act);
        return TypedResults.NoContent();
    }

    private static List<DecisionDraft> Drafts(OpenPiece piece, DecisionRequest request)
    {
        if (request.Edition is { } seen && seen != piece.Row.Edition)
            throw Refusal.Conflict("Another edition of this piece is on the shelf by now. Load the piece again and decide anew.");
        if (request.Difference is null)
            return [Free(piece, request)];
        var decided =
            piece.Layer.Differences.FirstOrDefault(d => d.Id == request.Difference)
            ?? throw Refusal.NotFound("This difference is not in the piece. Load the list again.");
        CheckVersion(piece, request);
        var first = OnDifference(decided, request);
        if (!request.Alike)
            return [first];
        return [first, .. piece.Layer.Alike.Of(decided).Where(d => IsOpen(piece, d)).Select(d => AlikeOne(decided, first, d, request))];
    }

    private static DecisionDraft AlikeOne(Difference decided, DecisionDraft first, Difference other, DecisionRequest request)
    {
        var translated =
            first.Reading is null || request.Reading is null ? null : AlikeDifferences.Translate(decided, first.Reading, other);
        return OnDifference(other, request with { Difference = other.Id, Reading = translated });
    }

    // Two people may decide at once: the second is told, and nothing of the first is lost.
    private static void CheckVersion(OpenPiece piece, DecisionRequest request)
    {
        var difference = request.Difference!;
        if (piece.Layer.Settling(difference) is not null)
            throw Decide.Settled(piece, difference);
        if (request.Version is { } seen && seen != piece.VersionOf(difference))
            throw Refusal.Conflict(
                "This difference was decided and undone again since you loaded it. Load the list again and decide anew."
            );
    }

    private static DecisionDraft Accepted(Difference d, string? why) =>
        new(d.Id, Verdict.Accepted, d.Proposal.Mark, Reason(why, d.Proposal.Why), d.Changes[d.Proposal.Mark]);

    private static DecisionDraft OnDifference(Difference difference, DecisionRequest request)
    {
        if (request.Keep)
            return new DecisionDraft(difference.Id, Verdict.Kept, null, Reason(request.Why, "kept as printed"), []);
        if (request.Reading is null)
            return Accepted(difference, request.Why);
        var words = difference.Readings.FirstOrDefault(r => r.Part == request.Reading)?.Has ?? request.Reading;
        return difference.Changes.TryGetValue(words, out var changes)
            ? new DecisionDraft(difference.Id, Verdict.Reading, words, Reason(request.Why, "the director's reading"), changes)
            : throw Refusal.BadRequest(
                $"No part of this line reads \"{Names.Clean(words)}\". The readings are "
                    + $"{string.Join(" and ", difference.Changes.Keys.Select(k => $"\"{k}\""))}."
            );
    }

    private static DecisionDraft Free(OpenPiece piece, DecisionRequest request)
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
        return FreeDraft(Reason(request.Why, "written by hand"), PlayerSigns.Replacing(part, request.Notes, add, remove));
    }

    /// <summary>Reads marks as the interface has them.</summary>
    /// <exception cref="Refusal">One of them cannot be written.</exception>
    internal static List<Mark> Marks(IReadOnlyList<string>? names)
    {
        var marks = (names ?? []).Select(Mark.Parse).ToList();
        foreach (var mark in marks)
            if (MarkCatalog.Problem(mark) is { } problem)
                throw Refusal.BadRequest(problem);
        return marks;
    }

    private static string Reason(string? why, string otherwise) => Names.CleanOrNull(why) ?? otherwise;

    /// <summary>A decision as the interface shows it.</summary>
    public static DecisionView View(OpenPiece piece, Decision d)
    {
        var difference = d.Difference is null ? null : piece.Layer.Differences.FirstOrDefault(x => x.Id == d.Difference);
        return new DecisionView(
            d.Id,
            d.Act,
            [
                .. d.Changes.Select(c => new ChangeView(
                    c.Part,
                    c.Notes,
                    [.. c.Added.Select(m => m.ToString())],
                    [.. c.Removed.Select(m => m.ToString())]
                )),
            ],
            d.Difference,
            Words.Of(d.Verdict),
            d.Reading,
            d.Why,
            d.Person,
            d.Made,
            difference is null ? null : piece.Label(difference.From),
            difference is null ? null : piece.Label(difference.To),
            [.. Erratum.Of(piece.Layer.Printed, d.Changes).Select(e => new ErratumView(e.Part, piece.Label(e.Measure), e.What))],
            [.. piece.Layer.BuildingOn(d)]
        );
    }
}
