using MellowStand.Core.Unify;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What one part prints.</summary>
public sealed record ReadingView(string Part, IReadOnlyList<string> Notes, string Has);

/// <summary>Which reading the rules would take.</summary>
public sealed record ProposalView(string Mark, IReadOnlyList<string> Parts, string Why, string Rule);

/// <summary>One difference.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">Articulation, slur, …</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="FromIndex">Place of the first measure from 0.</param>
/// <param name="ToIndex">Place of the last measure from 0.</param>
/// <param name="Relation">Unison or octave.</param>
/// <param name="Parts">What each part of the line prints.</param>
/// <param name="Proposal">What the rules would decide.</param>
/// <param name="State"><c>open</c>, <c>accepted</c>, <c>other</c>, <c>kept</c> or <c>agreed</c>.</param>
/// <param name="Decision">The decision that settles it, or null.</param>
/// <param name="Rank"><c>difference</c>, or <c>note</c> for one that is likely meant and is not counted.</param>
public sealed record DifferenceView(
    string Id, string Kind, string From, string To, int FromIndex, int ToIndex, string Relation,
    IReadOnlyList<ReadingView> Parts, ProposalView Proposal, string State, long? Decision, string Rank);

/// <summary>A line that parts share.</summary>
public sealed record LineView(IReadOnlyList<string> Parts, string Relation, int FromIndex, int ToIndex, string From, string To, int Notes);

/// <summary>Unify: lines and differences.</summary>
public static class UnifyEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapUnify(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Unify");
        group.MapGet("/unify", Differences);
        group.MapGet("/lines", Lines);
    }

    private static Ok<IEnumerable<DifferenceView>> Differences(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(piece.Differences.Select(d => View(piece, d)));
    }

    private static DifferenceView View(OpenPiece piece, Difference d) => new(
        d.Id, d.Kind, piece.Label(d.From), piece.Label(d.To), d.From, d.To, d.Relation,
        [.. d.Readings.Select(r => new ReadingView(r.Part, r.Notes, r.Has))],
        new ProposalView(d.Proposal.Mark, d.Proposal.Parts, d.Proposal.Why, d.Proposal.Rule),
        piece.StateOf(d), piece.Decisions.FirstOrDefault(x => x.Difference == d.Id)?.Id, d.IsNote ? "note" : "difference");

    private static Ok<IEnumerable<LineView>> Lines(long id, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(piece.Lines.Select(l =>
        {
            var (from, to) = (l.Notes[0][0].MeasureIndex, l.Notes[0][^1].MeasureIndex);
            return new LineView([.. l.Voices.Select(v => v.Part.Id)], l.Relation, from, to, piece.Label(from), piece.Label(to), l.Notes[0].Count);
        }));
    }
}
