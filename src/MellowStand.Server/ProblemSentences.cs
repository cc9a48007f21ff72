using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;

namespace MellowStand.Server;

/// <summary>Every error as problem+json with a sentence that tells what, where and how to mend.</summary>
public sealed class ProblemSentences(ILogger<ProblemSentences> log) : IExceptionHandler
{
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
            InvalidDataException => (StatusCodes.Status400BadRequest, "The upload is damaged or too large. Choose the file again."),
            _ => (StatusCodes.Status500InternalServerError, "Something went wrong in the server; nothing was changed. The log tells more."),
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
