using MellowStand.Server.Security;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Parts to print.</summary>
/// <param name="Parts">Their ids; null for all.</param>
/// <param name="Paper"><c>A4</c> or <c>Letter</c>.</param>
/// <param name="Cues">True for cues before entries after long rests.</param>
public sealed record PrintRequest(IReadOnlyList<string>? Parts, string? Paper, bool Cues = false);

/// <summary>All parts as PDFs in one act.</summary>
public static class PrintEndpoints
{
    private static readonly string[] Papers = ["A4", "Letter"];

    /// <summary>Maps the group.</summary>
    public static void MapPrints(this RouteGroupBuilder api)
    {
        api.MapPost("/pieces/{id:long}/prints", Make).WithTags("Export");
        api.MapGet("/prints/{key}.zip", Fetch).Produces<string>(200, "application/zip").WithTags("Export");
    }

    private static Accepted<JobView> Make(
        long id,
        PrintRequest request,
        HttpContext http,
        PieceDesk desk,
        PdfPrinter printer,
        MadePrints prints,
        Jobs jobs
    )
    {
        var piece = desk.Open(id);
        var paper = Paper(request.Paper);
        var pages = piece
            .Book.OfParts(request.Parts ?? [.. piece.Layer.Current.Parts.Select(p => p.Id)], null, null)
            .Parts.Select(p => new PageToPrint(
                FileName(piece.Layer.Study.NameOf(p)),
                $"/piece/{id}/part/{Uri.EscapeDataString(p)}?paper={paper}{(request.Cues ? "&cues=true" : "")}"
            ))
            .ToList();
        return Start(piece.Row.Title, "parts", pages, http, printer, prints, jobs);
    }

    /// <summary>The paper to print on.</summary>
    /// <exception cref="Refusal">It is none of ours.</exception>
    internal static string Paper(string? paper) =>
        Papers.Contains(paper ?? Papers[0]) ? paper ?? Papers[0] : throw Refusal.BadRequest("The paper is A4 or Letter.");

    /// <summary>Begins to print pages into one zip, as a job.</summary>
    /// <param name="title">What is printed.</param>
    /// <param name="what">What the zip holds of it, e.g. <c>parts</c>.</param>
    /// <param name="pages">The pages.</param>
    /// <param name="http">Whose sign-in the pages are opened with.</param>
    /// <param name="printer">The printer.</param>
    /// <param name="prints">Where the zip is kept.</param>
    /// <param name="jobs">The jobs.</param>
    internal static Accepted<JobView> Start(
        string title,
        string what,
        IReadOnlyList<PageToPrint> pages,
        HttpContext http,
        PdfPrinter printer,
        MadePrints prints,
        Jobs jobs
    )
    {
        if (Browser.Path is null)
            throw Refusal.Conflict(
                "No Chromium is installed on the server's machine, so it cannot make PDFs. Print from the page instead."
            );
        var cookie = http.Request.Cookies[SignInCookie.Name];
        var name = $"{FileName(title)} {what}.zip";
        var job = jobs.Add(
            $"Printing {title}",
            progress =>
            {
                var zip = printer.Zip(pages, cookie, progress).GetAwaiter().GetResult();
                progress.Made($"/api/prints/{prints.Keep(name, zip)}.zip");
            }
        );
        return TypedResults.Accepted($"/api/jobs/{job.Id}", job);
    }

    private static FileContentHttpResult Fetch(string key, MadePrints prints) =>
        prints.Find(key) is { } made
            ? TypedResults.File(made.Zip, "application/zip", made.Name)
            : throw Refusal.NotFound("This print is not kept any more. Make it again.");

    /// <summary>A name as a file may have it: no path comes from a name.</summary>
    internal static string FileName(string name) =>
        string.Concat(name.Select(c => char.IsLetterOrDigit(c) || c is ' ' or '-' or '.' ? c : '_')).Trim(' ', '.');
}
