using System.Net;

namespace MellowStand.Server.Security;

/// <summary>In the demo, and on loopback only, takes whoever comes as the demo director.</summary>
public sealed class DemoDirector(RequestDelegate next, ServerOptions options)
{
    /// <summary>Signs the demo director in where nobody is.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        var remote = context.Connection.RemoteIpAddress;
        // The test host has no remote address; it is this process itself.
        var loopback = remote is null || IPAddress.IsLoopback(remote);
        if (options.Demo && loopback && context.User.Identity?.IsAuthenticated != true)
            context.User = Sessions.Principal(DemoName);
        return next(context);
    }

    /// <summary>The made-up director of the demo.</summary>
    public const string DemoName = "Orla Fennimore";
}
