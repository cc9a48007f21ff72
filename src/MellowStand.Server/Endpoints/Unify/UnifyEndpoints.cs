using MellowStand.Core.Layers;
using MellowStand.Core.Unify;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What one part prints.</summary>
public sealed record ReadingView(string Part, IReadOnlyList<string> Notes, string Has);

/// <summary>Which reading the rules would take.</summary>
/// <param name="Mark">The reading, in words.</param>
/// <param name="Parts">Ids of the parts that would change; none where the difference is meant.</param>
/// <param name="Why">The reason, in a sentence.</param>
/// <param name="Rule">The rule's name.</param>
/// <param name="Sure"><c>sure</c>, <c>likely</c> or <c>yours</c>.</param>
public sealed record ProposalView(string Mark, IReadOnlyList<string> Parts, string Why, string Rule, string Sure);

/// <summary>One difference.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">Articulation, slur, …</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="FromIndex">Place of the first measure from 0.</param>
/// <param name="ToIndex">Place of the last measure from 0.</param>
/// <param name="Relation">Unison, octave, same-rhythm or return.</param>
/// <param name="Parts">What each part of the line prints.</param>
/// <param name="Proposal">What the rules would decide.</param>
/// <param name="State"><c>open</c>, <c>accepted</c>, <c>other</c>, <c>kept</c> or <c>agreed</c>.</param>
/// <param name="Decision">The decision that settles it, or null.</param>
/// <param name="Rank"><c>difference</c>, or <c>note</c> for one that is likely meant and is not counted.</param>
/// <param name="Version">How often its decision has changed; send it with a decision to be told of another's.</param>
/// <param name="Alike">Ids of the open differences that are the same where the music returns.</param>
/// <param name="BuiltOn">Places in the decision list (their numbers) of the decisions that build on the one that settles it.</param>
public sealed record DifferenceView(
    string Id,
    string Kind,
    string From,
    string To,
    int FromIndex,
    int ToIndex,
    string Relation,
    IReadOnlyList<ReadingView> Parts,
    ProposalView Proposal,
    string State,
    long? Decision,
    string Rank,
    int Version,
    IReadOnlyList<string> Alike,
    IReadOnlyList<long> BuiltOn
);

/// <summary>A line that parts share.</summary>
/// <param name="Parts">Ids of its parts; one in a return.</param>
/// <param name="Relation">Unison, octave, same-rhythm or return.</param>
/// <param name="FromIndex">First measure from 0.</param>
/// <param name="ToIndex">Last measure from 0.</param>
/// <param name="From">Its label.</param>
/// <param name="To">Its label.</param>
/// <param name="Notes">Notes in each part.</param>
/// <param name="Leader">The part that leads it.</param>
/// <param name="IsSet">True when the director has set the leader.</param>
/// <param name="Open">Differences in it that wait for a decision.</param>
public sealed record LineView(
    IReadOnlyList<string> Parts,
    string Relation,
    int FromIndex,
    int ToIndex,
    string From,
    string To,
    int Notes,
    string Leader,
    bool IsSet,
    int Open
);

/// <summary>The leader of a line.</summary>
/// <param name="Parts">Ids of the parts of the line.</param>
/// <param name="Leader">The one that leads, or null for the default.</param>
public sealed record LeaderEdit(IReadOnlyList<string>? Parts, string? Leader);

/// <summary>Unify: lines, their leaders, and differences.</summary>
public static class UnifyEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapUnify(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Unify");
        group.MapGet("/unify", Differences).KeepAnswer();
        group.MapGet("/lines", Lines).KeepAnswer();
        group.MapPut("/lines/leader", Lead);
    }

    private static Ok<IEnumerable<DifferenceView>> Differences(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        var states = piece.Layer.Differences.ToDictionary(d => d.Id, d => Words.Of(piece.Layer.StateOf(d)));
        return TypedResults.Ok(piece.Layer.Differences.Select(d => View(piece, d, states)));
    }

    private static DifferenceView View(OpenPiece piece, Difference d, Dictionary<string, string> states)
    {
        var decision = piece.Layer.Settling(d.Id);
        return new DifferenceView(
            d.Id,
            d.Kind,
            piece.Label(d.From),
            piece.Label(d.To),
            d.From,
            d.To,
            d.Relation,
            [.. d.Readings.Select(r => new ReadingView(r.Part, r.Notes, r.Has))],
            new ProposalView(d.Proposal.Mark, d.Proposal.Parts, d.Proposal.Why, d.Proposal.Rule, Words.Of(d.Proposal.Sure)),
            states[d.Id],
            decision?.Id,
            d.IsNote ? "note" : "difference",
            piece.VersionOf(d.Id),
            [.. piece.Layer.Alike.Of(d).Where(a => states[a.Id] == "open").Select(a => a.Id)],
            decision is null ? [] : [.. piece.Layer.BuildingOn(decision)]
        );
    }

    private static Ok<IEnumerable<LineView>> Lines(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        var open = piece.Layer.Differences.Where(d => !d.IsNote && piece.Layer.StateOf(d) == DifferenceState.Open).ToList();
        var order = piece.Layer.Printed.Parts.Select(p => p.Id).ToList();
        return TypedResults.Ok(
            piece.Layer.Lines.Select(l =>
            {
                var (from, to) = l.Measures;
                var parts = l.Voices.Select(v => v.Part.Id).Distinct().ToList();
                var isSet = piece.Layer.Knowledge.Leaders.TryGetValue(UnifyContext.LineKey(parts), out var leader);
                var left = open.Count(d => d.From <= to && d.To >= from && d.Readings.Select(r => r.Part).ToHashSet().SetEquals(parts));
                return new LineView(
                    parts,
                    l.Relation,
                    from,
                    to,
                    piece.Label(from),
                    piece.Label(to),
                    l.Notes[0].Count,
                    leader ?? parts.MinBy(order.IndexOf)!,
                    isSet,
                    left
                );
            })
        );
    }

    private static NoContent Lead(long id, LeaderEdit edit, PieceDesk desk, PieceRepository pieces)
    {
        var piece = desk.Open(id);
        var parts = (edit.Parts ?? []).Select(p => piece.Part(p).Id).ToList();
        if (parts.Count < 2)
            throw Refusal.BadRequest("A line has two parts or more. Send the ids of all its parts.");
        if (edit.Leader is not null && !parts.Contains(edit.Leader))
            throw Refusal.BadRequest("The leader is one of the parts of the line.");
        pieces.Lead(id, piece.Row.Edition, UnifyContext.LineKey(parts), edit.Leader);
        return TypedResults.NoContent();
    }
}
