namespace MellowStand.Server.Security;

/// <summary>Answers only under names that are known to be this server's: a page of another name that resolves here may neither read nor
/// change anything.</summary>
/// <remarks>The usual defence against DNS rebinding; common practice, no published source.</remarks>
public sealed class HostCheck(RequestDelegate next, ServerOptions options)
{
    private static readonly string[] Loopback = ["localhost", "127.0.0.1", "[::1]"];

    private readonly HashSet<string> _known = new(Loopback.Concat(options.Hosts), StringComparer.OrdinalIgnoreCase);

    /// <summary>Lets requests for known names pass.</summary>
    /// <exception cref="Refusal">The name is not one of this server's.</exception>
    public Task InvokeAsync(HttpContext context)
    {
        if (!_known.Contains(context.Request.Host.Host))
            throw new Refusal(
                StatusCodes.Status421MisdirectedRequest,
                "This server does not answer under that name. Open it as http://127.0.0.1, or start it with --host NAME."
            );
        return next(context);
    }
}
