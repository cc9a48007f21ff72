using System.Security.Claims;
using System.Threading.RateLimiting;
using MellowStand.Storage;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.RateLimiting;

namespace MellowStand.Server.Security;

/// <summary>The director's password and principal.</summary>
public sealed class Sessions(HouseRepository house, TimeProvider clock)
{
    private const int LeastPassword = 10;
    private readonly PasswordHasher<string> _hasher = new();

    /// <summary>Name of the limit on sign-in tries.</summary>
    public const string SignInLimit = "sign-in";

    /// <summary>True before the director's account is made.</summary>
    public bool IsFirstRun => house.Director() is null;

    /// <summary>Makes the director's account.</summary>
    /// <exception cref="Refusal">There is one, or the name or password does not do.</exception>
    public void MakeDirector(string name, string password)
    {
        if (name.Trim().Length is 0 or > 100)
            throw Refusal.BadRequest("Give your name, at most 100 letters.");
        if (password.Length is < LeastPassword or > 200)
            throw Refusal.BadRequest($"Choose a password of at least {LeastPassword} signs.");
        if (!house.MakeDirector(name.Trim(), _hasher.HashPassword(name.Trim(), password), clock.GetUtcNow()))
            throw Refusal.Conflict("There is a director's account already. Sign in with it.");
    }

    /// <summary>The principal for a name and password.</summary>
    /// <exception cref="Refusal">They do not match.</exception>
    public ClaimsPrincipal SignIn(string name, string password)
    {
        var director = house.Director();
        var matches =
            director is not null
            && string.Equals(director.Name, name.Trim(), StringComparison.Ordinal)
            && _hasher.VerifyHashedPassword(director.Name, director.PasswordHash, password) != PasswordVerificationResult.Failed;
        return matches
            ? Principal(director!.Name)
            : throw new Refusal(StatusCodes.Status401Unauthorized, "Name and password do not match. Check both and try again.");
    }

    /// <summary>A signed-in director.</summary>
    public static ClaimsPrincipal Principal(string name) =>
        new(new ClaimsIdentity([new Claim(ClaimTypes.Name, name)], CookieAuthenticationDefaults.AuthenticationScheme));
}

/// <summary>Ten tries a minute to sign in from one address.</summary>
internal static class SignInLimits
{
    public static void AddSignInLimit(this IServiceCollection services) =>
        services.AddRateLimiter(limits =>
        {
            limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limits.AddPolicy(
                Sessions.SignInLimit,
                context =>
                    RateLimitPartition.GetFixedWindowLimiter(
                        context.Connection.RemoteIpAddress?.ToString() ?? "here",
                        _ => new FixedWindowRateLimiterOptions { PermitLimit = 10, Window = TimeSpan.FromMinutes(1) }
                    )
            );
        });
}
