namespace MellowStand.Server.Security;

/// <summary>Refuses changes that another site's page asks for.</summary>
public sealed class OriginCheck(RequestDelegate next)
{
    /// <summary>Lets reads and same-origin changes pass.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        var method = context.Request.Method;
        var changes = !HttpMethods.IsGet(method) && !HttpMethods.IsHead(method) && !HttpMethods.IsOptions(method);
        var origin = context.Request.Headers.Origin.ToString();
        // A page of the same name over another scheme is another page: RFC 6454, section 5.
        var own = $"{context.Request.Scheme}://{context.Request.Host.Value}";
        var foreign = origin.Length > 0 && !string.Equals(origin, own, StringComparison.OrdinalIgnoreCase);
        var crossSite = context.Request.Headers["Sec-Fetch-Site"].ToString() is "cross-site";
        if (changes && (foreign || crossSite))
            throw new Refusal(
                StatusCodes.Status403Forbidden,
                "Changes are taken only from this product's own page. Open it and try there."
            );
        return next(context);
    }
}
