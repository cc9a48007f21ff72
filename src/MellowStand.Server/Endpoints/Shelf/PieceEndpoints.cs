using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Instruments;
using MellowStand.Core.Study;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>What the director can change about a piece.</summary>
/// <param name="Title">Its title.</param>
/// <param name="Kind"><c>piece</c> or <c>etude</c>.</param>
/// <param name="EtudeSet">The set of an etude, or null.</param>
/// <param name="Due">Concert or audition date, or null.</param>
/// <param name="Version">The version that was seen.</param>
public sealed record PieceEdit(string Title, string Kind, string? EtudeSet, DateOnly? Due, int? Version);

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
        group.MapPost("/preview", Preview).DisableAntiforgery();
        group.MapGet("", Shelf);
        group.MapGet("/{id:long}", One).KeepAnswer(RestsOn.Piece | RestsOn.School | RestsOn.Day);
        group.MapPut("/{id:long}", Update);
        group.MapDelete("/{id:long}", Remove);
        group.MapPost("/{id:long}/restore", Restore);
        group.MapPut("/{id:long}/parts/{part}/instrument", SetInstrument);
        group.MapGet("/{id:long}/order", Order).KeepAnswer();
        api.MapGet("/instruments", () => TypedResults.Ok(Catalog.All.Select(i => new InstrumentView(i.Id, i.Name, i.Family.ToString()))))
            .WithTags("Pieces");
    }

    /// <summary>An instrument to choose from.</summary>
    public sealed record InstrumentView(string Id, string Name, string Family);

    // A large file may be read while the page goes on: the answer is then a job.
    private static Results<Created<PieceView>, Accepted<JobView>> Import(
        IFormFile file,
        [FromForm] string? kind,
        [FromForm] DateOnly? due,
        [FromForm] string? etudeSet,
        [FromForm] string? instruments,
        PieceImport import,
        PieceDesk desk,
        Jobs jobs,
        TimeProvider clock,
        CancellationToken left,
        bool later = false
    )
    {
        var (name, bytes) = Upload.Bytes(file);
        var wish = new ImportWish(name, kind == "etude" ? "etude" : "piece", Names.CleanOrNull(etudeSet), due, Corrections(instruments));
        if (later)
        {
            var job = jobs.Add($"Reading {name}", p => p.Made($"/api/pieces/{import.Keep(wish, bytes, p)}"));
            return TypedResults.Accepted($"/api/jobs/{job.Id}", job);
        }

        var id = import.Keep(wish, bytes, null, left);
        return TypedResults.Created($"/api/pieces/{id}", PieceView.Of(desk.Open(id), clock.Today()));
    }

    // Corrections made before the piece was kept: part=instrument, separated by semicolons.
    private static List<(string Part, string Instrument)> Corrections(string? text) =>
        [
            .. (text ?? "")
                .Split(';', StringSplitOptions.RemoveEmptyEntries)
                .Select(p => p.Split('='))
                .Select(p => (Part: p[0], Instrument: p.Length > 1 ? p[1] : "")),
        ];

    private static Ok<ScorePreview> Preview(IFormFile file, HouseRepository house, CancellationToken left)
    {
        var upload = Upload.Of(file, left);
        return TypedResults.Ok(ScorePreview.Of(upload.Name, upload.Edition.Printed, house.LearnedInstruments()));
    }

    private static Ok<IReadOnlyList<ShelfView>> Shelf(ShelfService shelf, TimeProvider clock) =>
        TypedResults.Ok<IReadOnlyList<ShelfView>>([.. shelf.List().Select(e => ShelfView.Of(e, clock.Today()))]);

    private static Ok<PieceView> One(long id, PieceDesk desk, TimeProvider clock) =>
        TypedResults.Ok(PieceView.Of(desk.Open(id), clock.Today()));

    private static Ok<PieceView> Update(long id, PieceEdit edit, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        if (string.IsNullOrWhiteSpace(edit.Title))
            throw Refusal.BadRequest("A piece needs a title.");
        if (edit.Kind is not ("piece" or "etude"))
            throw Refusal.BadRequest("The kind is \"piece\" or \"etude\".");
        var change = pieces.Update(
            desk.Row(id) with
            {
                Version = Versions.Seen(edit.Version),
                Title = Names.Clean(edit.Title),
                Kind = edit.Kind,
                EtudeSet = Names.CleanOrNull(edit.EtudeSet),
                Due = edit.Due,
            }
        );
        change.Demand("This piece");
        return One(id, desk, clock);
    }

    private static NoContent Remove(long id, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        _ = desk.Row(id);
        pieces.Remove(id, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static Ok<PieceView> Restore(long id, PieceRepository pieces, PieceDesk desk, TimeProvider clock)
    {
        if (!pieces.Restore(id))
            throw Refusal.NotFound($"Piece {id} was not taken off the shelf, so it cannot be put back.");
        return One(id, desk, clock);
    }

    private static Ok<PieceView> SetInstrument(
        long id,
        string part,
        InstrumentEdit edit,
        PieceRepository pieces,
        PieceDesk desk,
        TimeProvider clock
    )
    {
        var piece = desk.Open(id);
        var found = piece.Part(part);
        var instrument = PieceImport.Instrument(edit.Instrument);
        pieces.ChooseInstrument(id, new ChosenInstrument(part, found.Name, instrument, piece.Row.Edition), Recognition.KeyOf(found));
        return One(id, desk, clock);
    }

    private static Ok<IEnumerable<string>> Order(long id, PieceDesk desk)
    {
        var score = desk.Open(id).Layer.Printed;
        return TypedResults.Ok(score.PlayedOrder.Select(i => score.Measures[i].Label));
    }
}
