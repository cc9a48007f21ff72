using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Storage;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Data.Sqlite;

namespace MellowStand.Server;

/// <summary>Every error as problem+json with a sentence that tells what, where and how to mend.</summary>
public sealed class ProblemSentences(ILogger<ProblemSentences> log) : IExceptionHandler
{
    // ENOSPC of Linux, as .NET carries it.
    private const int DiskFull = 28;

    private const string FullSentence = "The disk is full, so nothing was kept. Make room and try again.";

    /// <inheritdoc/>
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, sentence) = Of(exception);
        if (status >= 500)
            log.LogError(exception, "Unhandled error at {Path}", httpContext.Request.Path);
        await Write(httpContext, status, sentence).ConfigureAwait(false);
        return true;
    }

    /// <summary>Status and sentence of an exception.</summary>
    public static (int Status, string Sentence) Of(Exception exception) =>
        exception switch
        {
            Refusal r => (r.Status, r.Message),
            AddressException { IsUnknown: true } a => (StatusCodes.Status404NotFound, a.Message),
            AddressException a => (StatusCodes.Status400BadRequest, a.Message),
            ScoreFormatException s => (StatusCodes.Status422UnprocessableEntity, s.Message),
            LadderException l => (StatusCodes.Status400BadRequest, l.Message),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => (
                StatusCodes.Status413PayloadTooLarge,
                "The upload is larger than 32 MB. Export the score without pictures and sounds, as MusicXML."
            ),
            BadHttpRequestException b => (b.StatusCode, $"The request cannot be read: {Plain(b)} Mend it and send it again."),
            GoneException g => (StatusCodes.Status409Conflict, $"{g.Message} Load the page again."),
            SqliteException s => OfStorage(s),
            OverflowException => (
                StatusCodes.Status422UnprocessableEntity,
                "The score's durations are too long or too finely divided to be worked out exactly here. Export the score again."
            ),
            IOException { HResult: DiskFull } => (StatusCodes.Status507InsufficientStorage, FullSentence),
            OperationCanceledException => (StatusCodes.Status499ClientClosedRequest, "Nobody waited for the answer any more."),
            InvalidDataException => (StatusCodes.Status400BadRequest, "The upload is damaged or too large. Choose the file again."),
            _ => (StatusCodes.Status500InternalServerError, "Something went wrong in the server; nothing was changed. The log tells more."),
        };

    // Result codes: https://www.sqlite.org/rescode.html
    private static (int Status, string Sentence) OfStorage(SqliteException e) =>
        e.SqliteErrorCode switch
        {
            // 15: two that open the log in the same moment give way to each other for ten seconds, then one gives up.
            5 or 6 or 15 => (
                StatusCodes.Status503ServiceUnavailable,
                "The database was busy for too long, so nothing was kept. Wait a moment and try again."
            ),
            8 or 14 => (
                StatusCodes.Status507InsufficientStorage,
                "The data folder cannot be written, so nothing was kept. Mend its permissions and try again."
            ),
            10 or 13 => (StatusCodes.Status507InsufficientStorage, FullSentence),
            19 => (
                StatusCodes.Status409Conflict,
                "What this belongs to was changed or removed in the same moment, so nothing was kept. Load the page again."
            ),
            _ => (StatusCodes.Status500InternalServerError, "The database could not do this; nothing was changed. The log tells more."),
        };

    /// <summary>The same form for statuses that no handler explained.</summary>
    public static Task ForStatus(StatusCodeContext context)
    {
        var status = context.HttpContext.Response.StatusCode;
        var sentence = status switch
        {
            401 => "You are not signed in. Sign in and try again.",
            403 => "This is not allowed from here.",
            404 => "There is nothing at this address. Check it, or start from the shelf.",
            405 => "This address does not take such a request.",
            415 => "This address does not take such a content type.",
            429 => "Too many tries. Wait a minute and try again.",
            _ => ReasonPhrases.GetReasonPhrase(status) + ".",
        };
        return Write(context.HttpContext, status, sentence);
    }

    private static Task Write(HttpContext context, int status, string sentence)
    {
        context.Response.StatusCode = status;
        var problem = new ProblemDetails
        {
            Status = status,
            Title = ReasonPhrases.GetReasonPhrase(status),
            Detail = sentence,
        };
        return context.Response.WriteAsJsonAsync(problem, options: null, contentType: "application/problem+json");
    }

    private static string Plain(BadHttpRequestException e)
    {
        var text = (e.InnerException as System.Text.Json.JsonException)?.Path is { } path
            ? $"the value at {path} has the wrong form."
            : e.Message;
        return text.EndsWith('.') ? text : text + ".";
    }
}
