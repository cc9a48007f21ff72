using System.Globalization;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A mark or remark of the director's own, for several parts at once.</summary>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="FromBeat">Beat in it from 1, e.g. 2.5; null for the whole measure.</param>
/// <param name="To">Label of the last measure; null with a beat for the one note there.</param>
/// <param name="ToBeat">Beat in it; null for all of it.</param>
/// <param name="Add">Marks to write, e.g. <c>staccato</c>, <c>dynamics:mf</c>, <c>words:dolce</c>, <c>remark:breathe late</c>.</param>
/// <param name="Remove">Marks to take away.</param>
/// <param name="Why">The reason.</param>
public sealed record FreeMarkRequest(
    IReadOnlyList<string>? Parts,
    string? From,
    double? FromBeat = null,
    string? To = null,
    double? ToBeat = null,
    IReadOnlyList<string>? Add = null,
    IReadOnlyList<string>? Remove = null,
    string? Why = null
);

/// <summary>A word of the director to the players of some parts.</summary>
/// <param name="Decision">The decision that wrote it; undone with it.</param>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="Measure">Label of its measure.</param>
/// <param name="Index">Its measure from 0.</param>
/// <param name="Where">Its place in the measure, e.g. <c>beat 2</c>.</param>
/// <param name="Words">The words.</param>
public sealed record RemarkView(long Decision, IReadOnlyList<string> Parts, string Measure, int Index, string Where, string Words);

/// <summary>Free marks and remarks, from any station.</summary>
public static class MarkEndpoints
{
    // Beats are given as decimals; thirds and sixteenths of a beat are told apart.
    private const int Grain = 48;

    /// <summary>Maps the group.</summary>
    public static void MapMarks(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Decisions");
        group.MapPost("/marks", Make);
        group.MapGet("/remarks", List).KeepAnswer();
    }

    /// <summary>The remarks of a piece in order, as the interface shows them.</summary>
    public static IEnumerable<RemarkView> Of(OpenPiece piece) =>
        Remarks
            .Of(piece.Layer.Printed, piece.Layer.Decisions)
            .Select(r => new RemarkView(r.Decision, r.Parts, piece.Label(r.Measure), r.Measure, r.Where, r.Words));

    private static Ok<IEnumerable<RemarkView>> List(long id, PieceDesk desk, string? part = null, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(part, from, to);
        return TypedResults.Ok(Of(piece).Where(r => at.Meets(r.Index, r.Index) && at.HasAny(r.Parts)));
    }

    private static Created<DecisionView> Make(long id, FreeMarkRequest request, HttpContext http, Decide decide) =>
        DecisionEndpoints.MakeFree(id, http, decide, piece => Draft(piece, request));

    private static DecisionDraft Draft(OpenPiece piece, FreeMarkRequest request)
    {
        if (request.Parts is not { Count: > 0 })
            throw Refusal.BadRequest("Choose at least one part to write into.");
        var place = piece.Book.OfParts(request.Parts, request.From, request.To ?? request.From);
        var (add, remove) = (DecisionEndpoints.Marks(request.Add), DecisionEndpoints.Marks(request.Remove));
        if (add.Count + remove.Count == 0)
            throw Refusal.BadRequest("Choose a mark to add or to take away, or write a remark.");
        var from = new BeatPlace(place.From.Index, Beat(request.FromBeat));
        BeatPlace? to = request.To is null && request.FromBeat is not null ? null : new BeatPlace(place.To.Index, Beat(request.ToBeat));
        var (changes, without) = FreeMarks.Of(piece.Layer.Current, place.Parts, from, to, add, remove);
        if (changes.Count == 0)
            throw Refusal.BadRequest(Nothing(piece, place, without));
        return DecisionEndpoints.FreeDraft(Names.CleanOrNull(request.Why) ?? "written by hand", changes);
    }

    private static string Nothing(OpenPiece piece, Address place, IReadOnlyList<string> without) =>
        $"{string.Join(" and ", without.Select(piece.Layer.Study.NameOf))} "
        + $"{(without.Count == 1 ? "has" : "have")} no note to write it on in {place.Words}. A slur or hairpin needs two. "
        + "Choose other measures or beats.";

    private static Fraction? Beat(double? beat) =>
        beat switch
        {
            null => null,
            >= 1 and <= 64 => new Fraction((int)Math.Round(beat.Value * Grain), Grain),
            _ => throw Refusal.BadRequest(
                $"There is no beat {beat.Value.ToString(CultureInfo.InvariantCulture)}. Beats count from 1; the offbeat after 2 is 2.5."
            ),
        };
}
