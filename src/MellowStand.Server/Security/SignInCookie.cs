using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;

namespace MellowStand.Server.Security;

/// <summary>The sign-in cookie and the keys that seal it.</summary>
internal static class SignInCookie
{
    /// <summary>Name of the cookie.</summary>
    public const string Name = "mellow-stand";

    public static void Configure(CookieAuthenticationOptions cookie)
    {
        cookie.Cookie.Name = Name;
        cookie.Cookie.HttpOnly = true;
        cookie.Cookie.SameSite = SameSiteMode.Strict;
        cookie.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        cookie.ExpireTimeSpan = Sessions.Longest;
        cookie.SlidingExpiration = false;
        // The browser drops a cookie by its own clock, whatever day it is set to be here.
        cookie.TimeProvider = TimeProvider.System;
        cookie.Events.OnValidatePrincipal = StillGoesOn;
        cookie.Events.OnRedirectToLogin = Status(StatusCodes.Status401Unauthorized);
        cookie.Events.OnRedirectToAccessDenied = Status(StatusCodes.Status403Forbidden);
    }

    public static void AddDataProtectionKeys(this IServiceCollection services)
    {
        services.AddDataProtection().SetApplicationName("mellow-stand");
        services
            .AddOptions<Microsoft.AspNetCore.DataProtection.KeyManagement.KeyManagementOptions>()
            .Configure<ServerOptions, ILoggerFactory>(
                (keys, options, logs) =>
                    keys.XmlRepository = new Microsoft.AspNetCore.DataProtection.Repositories.FileSystemXmlRepository(
                        Directory.CreateDirectory(Path.Combine(options.Data, "keys")),
                        logs
                    )
            );
    }

    private static async Task StillGoesOn(CookieValidatePrincipalContext context)
    {
        if (context.Principal is { } who && context.HttpContext.RequestServices.GetRequiredService<Sessions>().GoesOn(who))
            return;
        context.RejectPrincipal();
        await context.HttpContext.SignOutAsync().ConfigureAwait(false);
    }

    private static Func<RedirectContext<CookieAuthenticationOptions>, Task> Status(int status) =>
        context =>
        {
            context.Response.StatusCode = status;
            return Task.CompletedTask;
        };
}
