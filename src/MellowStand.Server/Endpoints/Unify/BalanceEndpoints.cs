using MellowStand.Core.Unify.Balance;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>The balance of a measure.</summary>
/// <param name="Measure">Its label.</param>
/// <param name="Index">Its place from 0.</param>
/// <param name="Tune">Ids of the parts that have the tune.</param>
/// <param name="Players">Players on it.</param>
/// <param name="Decibels">How loud the tune is, against one player at mezzo forte.</param>
/// <param name="Cover">How far all the others together are above it in decibels; null where it is alone.</param>
/// <param name="Rest">Players of the others.</param>
public sealed record BalanceView(
    string Measure,
    int Index,
    IReadOnlyList<string> Tune,
    int Players,
    double Decibels,
    double? Cover,
    int Rest
);

/// <summary>Measures in which the tune is covered.</summary>
public sealed record CoveredView(
    string From,
    string To,
    int FromIndex,
    int ToIndex,
    IReadOnlyList<string> Tune,
    double Cover,
    string Why,
    IReadOnlyList<string> Cures
);

/// <summary>Balance of a range.</summary>
/// <param name="Measures">Measure by measure.</param>
/// <param name="Covered">Where the tune is covered.</param>
/// <param name="Guessed">Names of the parts that nobody is seated for: one player is assumed.</param>
public sealed record BalanceAnswer(IReadOnlyList<BalanceView> Measures, IReadOnlyList<CoveredView> Covered, IReadOnlyList<string> Guessed);

/// <summary>Unify: balance.</summary>
public static class BalanceEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapBalance(this RouteGroupBuilder api) =>
        api.MapGroup("/pieces/{id:long}/balance").WithTags("Unify").MapGet("", Balance).KeepAnswer();

    // The tune: parts that the director names; without them the highest line that moves.
    private static Ok<BalanceAnswer> Balance(long id, PieceDesk desk, string? tune = null, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        var named = tune?.Split(',').Select(p => piece.Part(p).Id).ToHashSet();
        var context = piece.Layer.Sections;
        var all = BalanceDesk
            .Of(context, piece.Layer.CurrentLines, p => Math.Max(1, piece.Layer.Knowledge.Seats[p].Count), named)
            .Where(b => b.Measure >= first && b.Measure <= last)
            .ToList();
        return TypedResults.Ok(
            new BalanceAnswer(
                [
                    .. all.Select(b => new BalanceView(
                        piece.Label(b.Measure),
                        b.Measure,
                        b.Tune.Parts,
                        b.Tune.Players,
                        Math.Round(b.Tune.Decibels, 1),
                        double.IsFinite(b.Cover) ? Math.Round(b.Cover, 1) : null,
                        b.RestPlayers
                    )),
                ],
                [
                    .. BalanceDesk
                        .Covered(context, all)
                        .Select(c => new CoveredView(
                            piece.Label(c.From),
                            piece.Label(c.To),
                            c.From,
                            c.To,
                            c.Tune,
                            c.Cover,
                            c.Why,
                            c.Cures
                        )),
                ],
                [.. piece.Layer.Current.Parts.Where(p => piece.Layer.Knowledge.Seats[p.Id].Count == 0).Select(p => p.Name)]
            )
        );
    }
}
