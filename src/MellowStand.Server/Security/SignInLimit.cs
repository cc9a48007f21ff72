using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace MellowStand.Server.Security;

/// <summary>Ten tries a minute to sign in from one address.</summary>
internal static class SignInLimit
{
    /// <summary>Name of the limit.</summary>
    public const string Name = "sign-in";

    private const int Tries = 10;

    public static void AddSignInLimit(this IServiceCollection services) =>
        services.AddRateLimiter(limits =>
        {
            limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limits.AddPolicy(
                Name,
                context =>
                    RateLimitPartition.GetFixedWindowLimiter(
                        context.Connection.RemoteIpAddress?.ToString() ?? "here",
                        _ => new FixedWindowRateLimiterOptions { PermitLimit = Tries, Window = TimeSpan.FromMinutes(1) }
                    )
            );
        });
}
