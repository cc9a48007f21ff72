using MellowStand.Core.Formats;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>MusicXML out: the marked score, a part, a range; and the slices that the page engraves.</summary>
public static class ExportEndpoints
{
    /// <summary>The registered media type of MusicXML.</summary>
    public const string MusicXml = "application/vnd.recordare.musicxml+xml";

    /// <summary>The registered media type of compressed MusicXML.</summary>
    public const string PackedMusicXml = "application/vnd.recordare.musicxml";

    private const int MostCells = 600;

    /// <summary>Maps the group.</summary>
    public static void MapExport(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Export");
        group.MapGet("/export.musicxml", Export).Produces<string>(200, MusicXml);
        group.MapGet("/export.mxl", Packed).Produces<string>(200, PackedMusicXml);
        group.MapGet("/slice.musicxml", Slice).KeepAnswer().Produces<string>(200, MusicXml);
        group.MapGet("/pencil.musicxml", Pencilled).KeepAnswer().Produces<string>(200, MusicXml);
    }

    private static FileContentHttpResult Export(
        long id,
        PieceDesk desk,
        PieceStateRepository states,
        string? part = null,
        string? from = null,
        string? to = null,
        bool original = false
    )
    {
        if (original)
            return Original(desk.Row(id), states);
        var piece = desk.Open(id);
        var name = $"{piece.Row.Title}.musicxml";
        return TypedResults.File(
            ScoreExport.Write(piece.Layer.Edition.Source, piece.Layer.Changes, RangeOf(piece, part, from, to)),
            MusicXml,
            name
        );
    }

    // Without opening the piece: what came in goes out again, whatever became of it.
    private static FileContentHttpResult Original(PieceRow row, PieceStateRepository states)
    {
        var bytes = states.Original(row.Id)!;
        return TypedResults.File(bytes, ScoreFormats.Of(bytes).MediaType, row.FileName);
    }

    private static FileContentHttpResult Packed(long id, PieceDesk desk, string? part = null, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var plain = ScoreExport.Write(piece.Layer.Edition.Source, piece.Layer.Changes, RangeOf(piece, part, from, to));
        return TypedResults.File(PackedScore.Of(plain), PackedMusicXml, $"{desk.Row(id).Title}.mxl");
    }

    private static FileContentHttpResult Slice(
        long id,
        PieceDesk desk,
        string part,
        string? from = null,
        string? to = null,
        bool concert = false,
        bool paper = false,
        bool cues = false,
        bool remind = false
    )
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(part, from, to);
        var cells = at.Parts.Count * at.Measures;
        if (cells > MostCells)
            throw Refusal.BadRequest(
                $"A slice holds at most {MostCells} measures of all its parts together; this one has {cells}. Select less."
            );
        return TypedResults.File(paper ? piece.Layer.Paper(at, cues, remind) : piece.Layer.Slice(at, concert), MusicXml);
    }

    // The same to play from, with what a teacher would pencil in.
    private static FileContentHttpResult Pencilled(
        long id,
        PieceDesk desk,
        PencilService pencils,
        string part,
        string? from = null,
        string? to = null,
        bool remind = false
    )
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(part, from, to);
        if (at.Parts.Count * at.Measures > MostCells)
            throw Refusal.BadRequest($"A slice holds at most {MostCells} measures of all its parts together. Select less.");
        return TypedResults.File(piece.Layer.Paper(at, false, remind, pencils.Of(piece, at)), MusicXml);
    }

    // Without measures a part is given whole, and without parts all of them.
    private static ExportRange RangeOf(OpenPiece piece, string? part, string? from, string? to)
    {
        if (string.IsNullOrEmpty(part) && string.IsNullOrEmpty(from) && string.IsNullOrEmpty(to))
            return new ExportRange();
        var at = piece.Book.Read(part, from, to);
        return new ExportRange(string.IsNullOrEmpty(part) ? null : at.Parts, at.From.Index, at.To.Index);
    }
}
