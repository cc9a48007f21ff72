using System.Net.Http.Headers;
using System.Text;

namespace MellowStand.Server.Security;

/// <summary>Refuses bodies in a character set that is not known, before anything tries to read them.</summary>
public sealed class CharsetCheck(RequestDelegate next)
{
    /// <summary>Lets bodies pass whose characters can be read.</summary>
    /// <exception cref="Refusal">The character set is not known.</exception>
    public Task InvokeAsync(HttpContext context)
    {
        if (
            MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type)
            && type.CharSet is { Length: > 0 } name
            && !IsKnown(name)
        )
            throw new Refusal(
                StatusCodes.Status415UnsupportedMediaType,
                $"The character set \"{Services.Names.Clean(name)}\" is not known. Send the request in UTF-8."
            );
        return next(context);
    }

    private static bool IsKnown(string name)
    {
        try
        {
            return Encoding.GetEncoding(name.Trim('"')) is not null;
        }
        catch (ArgumentException)
        {
            return false;
        }
    }
}
