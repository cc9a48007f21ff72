using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify.Bows;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What is not ideal about a stroke.</summary>
public sealed record BowCostView(string Name, double Cost);

/// <summary>A stroke of a string part.</summary>
/// <param name="Notes">Ids of its notes.</param>
/// <param name="Measure">Label of its measure.</param>
/// <param name="Index">Place of its measure from 0.</param>
/// <param name="Beat">Its beat in words.</param>
/// <param name="Direction"><c>down</c> or <c>up</c>.</param>
/// <param name="Join"><c>turn</c>, <c>hook</c> or <c>retake</c>.</param>
/// <param name="Marked">True where the sign is written in.</param>
/// <param name="Printed">True where the edition prints it.</param>
/// <param name="Costs">What is not ideal, by name.</param>
/// <param name="OtherCost">What the whole would cost more with the other direction here.</param>
/// <param name="Share">Share of the bow that it takes.</param>
/// <param name="From">Place on the bow where it begins: 0 frog, 1 tip.</param>
/// <param name="To">Place where it ends.</param>
/// <param name="Trouble">Null, <c>runs-out</c> or <c>piles-up</c>.</param>
/// <param name="Advice">What to do.</param>
/// <param name="Where">Where on the bow, how much of it and at which speed, in words.</param>
/// <param name="Against">What speaks against the other direction; empty where it works both ways.</param>
public sealed record StrokeView(
    IReadOnlyList<string> Notes,
    string Measure,
    int Index,
    string Beat,
    string Direction,
    string Join,
    bool Marked,
    bool Printed,
    IReadOnlyList<BowCostView> Costs,
    double OtherCost,
    double Share,
    double From,
    double To,
    string? Trouble,
    string Advice,
    string Where,
    IReadOnlyList<string> Against
);

/// <summary>The bowing of a part.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Cost">What the whole part costs.</param>
/// <param name="Strokes">The strokes of the range.</param>
public sealed record BowingView(string Part, double Cost, IReadOnlyList<StrokeView> Strokes);

/// <summary>Unify: bows.</summary>
public static class BowEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapBows(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}/bowing").WithTags("Unify");
        group.MapGet("", Bowing).KeepAnswer();
        group.MapPost("/mark", Mark);
    }

    // The second bowing turns the first stroke of the range that is free, and what follows from it.
    private static Ok<IEnumerable<BowingView>> Bowing(
        long id,
        PieceDesk desk,
        string? part = null,
        string? from = null,
        string? to = null,
        bool second = false
    )
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        return TypedResults.Ok(
            Plans(piece, part, second, at)
                .Select(p => new BowingView(
                    p.Part,
                    p.Cost,
                    [
                        .. BowSpending
                            .Of(p, piece.Layer.Knowledge.House)
                            .Where(s => Inside(s.Choice, first, last))
                            .Select(s => View(piece, s)),
                    ]
                ))
        );
    }

    // Written into every planned part of the range, as one decision.
    private static Created<DecisionView> Mark(
        long id,
        HttpContext http,
        Decide decide,
        string? part = null,
        string? from = null,
        string? to = null,
        bool second = false
    ) =>
        DecisionEndpoints.MakeFree(
            id,
            http,
            decide,
            piece =>
            {
                var at = piece.Book.Read(null, from, to);
                var changes = Plans(piece, part, second, at).SelectMany(p => Signs(p, at)).ToList();
                if (changes.Count == 0)
                    throw Refusal.BadRequest("No stroke here needs a sign. Choose string parts and measures in which they play.");
                return DecisionEndpoints.FreeDraft("Bowing as proposed", changes);
            }
        );

    private static IEnumerable<MarkChange> Signs(BowPlan plan, Address at) =>
        plan
            .Choices.Where(c => c.Marked && Inside(c, at.From.Index, at.To.Index))
            .GroupBy(c => c.Direction)
            .Select(g => new MarkChange(
                plan.Part,
                [.. g.Select(c => c.Stroke.First.Id)],
                [new Mark(g.Key == BowDirection.Down ? "down-bow" : "up-bow")],
                []
            ));

    private static IEnumerable<BowPlan> Plans(OpenPiece piece, string? part, bool second, Address at)
    {
        var wanted = part?.Split(',').Select(p => piece.Part(p).Id).ToHashSet();
        var plans = piece.Layer.Bows.Where(p => wanted is null || wanted.Contains(p.Part));
        bool IsIn(Stroke s) => s.First.MeasureIndex >= at.From.Index && s.First.MeasureIndex <= at.To.Index;
        return second ? plans.Select(p => BowDesk.Second(piece.Layer.Current, piece.Part(p.Part), p, IsIn)) : plans;
    }

    private static bool Inside(BowChoice c, int first, int last) =>
        c.Stroke.First.MeasureIndex >= first && c.Stroke.First.MeasureIndex <= last;

    private static StrokeView View(OpenPiece piece, BowSpend s)
    {
        var first = s.Choice.Stroke.First;
        return new StrokeView(
            [.. s.Choice.Stroke.Notes.Select(n => n.Id)],
            piece.Label(first.MeasureIndex),
            first.MeasureIndex,
            piece.Layer.Study.Beat(first),
            s.Choice.Direction.ToString().ToLowerInvariant(),
            Words.Of(s.Choice.Join),
            s.Choice.Marked,
            s.Choice.Stroke.Printed is not null,
            [.. s.Choice.Costs.Select(c => new BowCostView(c.Name, c.Cost))],
            s.Choice.OtherCost,
            s.Share,
            s.From,
            s.To,
            s.Trouble,
            s.Advice,
            BowWords.Of(s),
            [.. s.Choice.Against.Select(c => c.Name)]
        );
    }
}
