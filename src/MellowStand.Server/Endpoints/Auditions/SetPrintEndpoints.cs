using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What to print of a set.</summary>
/// <param name="Paper"><c>A4</c> or <c>Letter</c>.</param>
public sealed record SetPrintRequest(string? Paper);

/// <summary>The style sheet, the part letters and the sheets with their practice paths of a whole set, in one act.</summary>
public static class SetPrintEndpoints
{
    /// <summary>Maps the route under a set.</summary>
    public static void MapSetPrints(this RouteGroupBuilder sets) => sets.MapPost("/{set:long}/prints", Make);

    private static Accepted<JobView> Make(
        long set,
        SetPrintRequest request,
        HttpContext http,
        AuditionDesk desk,
        AuditionRepository auditions,
        PieceDesk pieces,
        PdfPrinter printer,
        MadePrints prints,
        Jobs jobs
    )
    {
        var row = desk.Find(set);
        var paper = PrintEndpoints.Paper(request.Paper);
        var open = pieces.Open(row.Entries.Select(e => e.Piece));
        var letters = row.Entries.Where(e => open.ContainsKey(e.Piece)).Select(e => Letter(e, open[e.Piece], paper));
        var handed = auditions.HandedOut(set).DistinctBy(h => h.Passage).Select(h => Sheet(row, h.Entry, h.Passage, paper));
        return PrintEndpoints.Start(
            row.Name,
            "for players",
            [new PageToPrint("Style sheet", $"/audition/{set}/style?paper={paper}"), .. letters, .. handed],
            http,
            printer,
            prints,
            jobs
        );
    }

    private static PageToPrint Letter(EntryRow entry, OpenPiece piece, string paper) =>
        new(
            PrintEndpoints.FileName($"{AuditionViews.NameOf(entry.Instrument)} {entry.Kind} letter"),
            $"/piece/{piece.Row.Id}/letter/{Uri.EscapeDataString(piece.Layer.Current.Parts[0].Id)}?paper={paper}"
        );

    private static PageToPrint Sheet(AuditionRow set, long entry, PassageId passage, string paper)
    {
        var own = set.Entries.First(e => e.Id == entry);
        return new PageToPrint(
            PrintEndpoints.FileName($"{AuditionViews.NameOf(own.Instrument)} {own.Kind} practice {passage.Value}"),
            $"/sheet/{passage.Value}?paper={paper}"
        );
    }
}
