using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A player at a part.</summary>
public sealed record SeatedView(long Player, string Name);

/// <summary>Who plays a part.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Players">The players, by chair.</param>
/// <param name="ByHand">True where the director said so; else the chairs decide.</param>
public sealed record SeatsView(string Part, IReadOnlyList<SeatedView> Players, bool ByHand);

/// <summary>Who plays a part from now on.</summary>
/// <param name="Players">Numbers of the players; null leaves it to the chairs.</param>
public sealed record SeatsRequest(IReadOnlyList<long>? Players);

/// <summary>Who plays which part of a piece.</summary>
public static class SeatEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapSeats(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Pieces");
        group.MapGet("/seats", Seats);
        group.MapPut("/parts/{part}/players", Seat);
    }

    private static Ok<IEnumerable<SeatsView>> Seats(long id, PieceDesk desk, EnsembleRepository ensemble) =>
        TypedResults.Ok(View(desk.Open(id), ensemble));

    private static Ok<IEnumerable<SeatsView>> Seat(
        long id,
        string part,
        SeatsRequest request,
        PieceDesk desk,
        SeatRepository seats,
        EnsembleRepository ensemble
    )
    {
        var piece = desk.Open(id);
        var found = piece.Part(part);
        var players = (request.Players ?? []).Distinct().ToList();
        if (players.Except(ensemble.Players().Select(p => p.Id.Value)).Any())
            throw Refusal.NotFound("A player is not in the ensemble any more. Load the page again.");
        seats.Seat(id, new SeatRow(found.Id, found.Name, players, piece.Row.Edition), request.Players is null);
        return Seats(id, desk, ensemble);
    }

    private static IEnumerable<SeatsView> View(OpenPiece piece, EnsembleRepository ensemble)
    {
        var names = ensemble.Players().ToDictionary(p => p.Id.Value, p => p.Name);
        return piece.Layer.Printed.Parts.Select(p => new SeatsView(
            p.Id,
            [
                .. piece
                    .Layer.Knowledge.Seats[p.Id]
                    .Where(s => names.ContainsKey(s.Player))
                    .Select(s => new SeatedView(s.Player, names[s.Player])),
            ],
            piece.Layer.Knowledge.IsSeatedByHand(p.Id)
        ));
    }
}
