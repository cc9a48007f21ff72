using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Instruments;
using MellowStand.Core.Study;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>What the director can change about a piece.</summary>
public sealed record PieceEdit(string Title, string Kind, string? EtudeSet, DateOnly? Due);

/// <summary>A corrected instrument.</summary>
public sealed record InstrumentEdit(string Instrument);

/// <summary>The shelf: import, list, one piece, remove and restore.</summary>
public static class PieceEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapPieces(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces").WithTags("Pieces");
        group.MapPost("", Import).DisableAntiforgery();
        group.MapGet("", Shelf);
        group.MapGet("/{id:long}", One);
        group.MapPut("/{id:long}", Update);
        group.MapDelete("/{id:long}", Remove);
        group.MapPost("/{id:long}/restore", Restore);
        group.MapPut("/{id:long}/parts/{part}/instrument", SetInstrument);
        group.MapGet("/{id:long}/order", Order);
        api.MapGet("/instruments", () => TypedResults.Ok(Catalog.All.Select(i => new InstrumentView(i.Id, i.Name, i.Family.ToString())))).WithTags("Pieces");
    }

    /// <summary>An instrument to choose from.</summary>
    public sealed record InstrumentView(string Id, string Name, string Family);

    private static Created<PieceView> Import(
        IFormFile file, [FromForm] string? kind, [FromForm] DateOnly? due, [FromForm] string? etudeSet, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        if (file.Length > ScoreFile.MaxBytes) throw new Refusal(413, "The file is larger than 32 MB. Export the score without pictures and sounds, as MusicXML.");
        using var stream = new MemoryStream();
        file.CopyTo(stream);
        var bytes = stream.ToArray();
        var name = Names.Clean(Path.GetFileName(file.FileName));
        var score = ReadNamed(bytes, name);
        var title = score.Title.Length > 0 ? score.Title : Path.GetFileNameWithoutExtension(name);
        var id = pieces.Add(Names.Clean(title), kind == "etude" ? "etude" : "piece", Names.CleanOrNull(etudeSet), due, name, bytes, clock.GetUtcNow());
        return TypedResults.Created($"/api/pieces/{id}", PieceView.Of(desk.Row(id), desk.Open(id), clock.Today()));
    }

    private static Core.Notation.Score ReadNamed(byte[] bytes, string name)
    {
        try
        {
            return ScoreReader.Read(bytes);
        }
        catch (ScoreFormatException e)
        {
            throw new Refusal(StatusCodes.Status422UnprocessableEntity, $"{name}: {e.Message}");
        }
    }

    private static Ok<IReadOnlyList<ShelfView>> Shelf(ShelfService shelf) => TypedResults.Ok(shelf.List());

    private static Ok<PieceView> One(long id, PieceDesk desk, TimeProvider clock) => TypedResults.Ok(PieceView.Of(desk.Row(id), desk.Open(id), clock.Today()));

    private static Ok<PieceView> Update(long id, PieceEdit edit, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        if (string.IsNullOrWhiteSpace(edit.Title)) throw Refusal.BadRequest("A piece needs a title.");
        if (edit.Kind is not ("piece" or "etude")) throw Refusal.BadRequest("The kind is \"piece\" or \"etude\".");
        pieces.Update(desk.Row(id) with { Title = Names.Clean(edit.Title), Kind = edit.Kind, EtudeSet = Names.CleanOrNull(edit.EtudeSet), Due = edit.Due });
        return One(id, desk, clock);
    }

    private static NoContent Remove(long id, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        _ = desk.Row(id);
        pieces.Remove(id, clock.GetUtcNow());
        desk.Forget(id);
        return TypedResults.NoContent();
    }

    private static Ok<PieceView> Restore(long id, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        if (!pieces.Restore(id)) throw Refusal.NotFound($"Piece {id} was not taken off the shelf, so it cannot be put back.");
        return One(id, desk, clock);
    }

    private static Ok<PieceView> SetInstrument(long id, string part, InstrumentEdit edit, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        _ = desk.Open(id).Part(part);
        if (Catalog.Find(edit.Instrument) is null) throw Refusal.BadRequest($"There is no instrument \"{Names.Clean(edit.Instrument ?? "")}\". Choose one from /api/instruments.");
        pieces.SetInstrument(id, part, edit.Instrument);
        desk.Forget(id);
        return One(id, desk, clock);
    }

    private static Ok<IEnumerable<string>> Order(long id, PieceDesk desk)
    {
        var score = desk.Open(id).Printed;
        return TypedResults.Ok(score.PlayedOrder.Select(i => score.Measures[i].Label));
    }
}
