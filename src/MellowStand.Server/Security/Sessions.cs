using System.Buffers.Text;
using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using MellowStand.Storage;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace MellowStand.Server.Security;

/// <summary>The director's password, and who is signed in: a session ends in the database, whatever cookies are left.</summary>
public sealed class Sessions(HouseRepository house, SessionRepository sessions, TimeProvider clock)
{
    /// <summary>How long one holds.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(14);

    private const int TokenBytes = 32;
    private const string Token = "session";

    private readonly PasswordHasher<string> _hasher = new();
    private readonly Lazy<string> _nobody = new(() => new PasswordHasher<string>().HashPassword("", Guid.NewGuid().ToString()));

    /// <summary>True before the director's account is made.</summary>
    public bool IsFirstRun => house.Director() is null;

    /// <summary>Makes the director's account.</summary>
    /// <exception cref="Refusal">There is one, or the name or password does not do.</exception>
    public void MakeDirector(string name, string password)
    {
        if (name.Trim().Length is 0 or > 100)
            throw Refusal.BadRequest("Give your name, at most 100 characters.");
        CheckNew(password, name);
        if (!house.MakeDirector(name.Trim(), _hasher.HashPassword(name.Trim(), password), clock.GetUtcNow()))
            throw Refusal.Conflict("There is a director's account already. Sign in with it.");
    }

    /// <summary>Begins a session for a name and password.</summary>
    /// <exception cref="Refusal">They do not match.</exception>
    public ClaimsPrincipal SignIn(string name, string password)
    {
        if (!Matches(name, password))
            throw new Refusal(StatusCodes.Status401Unauthorized, "Name and password do not match. Check both and try again.");
        var token = Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(TokenBytes));
        var now = clock.GetUtcNow();
        sessions.Begin(HashOf(token), name.Trim(), now, now - Longest);
        return Principal(name.Trim(), new Claim(Token, token));
    }

    /// <summary>Changes the password; every session ends, this one too.</summary>
    /// <exception cref="Refusal">The present password is wrong, or the new one does not do.</exception>
    public void ChangePassword(string name, string present, string next)
    {
        if (!Matches(name, present))
            throw new Refusal(StatusCodes.Status403Forbidden, "The present password does not match. Nothing was changed.");
        CheckNew(next, name);
        sessions.ChangePassword(_hasher.HashPassword(name, next));
    }

    /// <summary>True while the session of a cookie goes on.</summary>
    public bool GoesOn(ClaimsPrincipal who) =>
        who.FindFirstValue(Token) is { } token && sessions.GoesOn(HashOf(token), clock.GetUtcNow() - Longest);

    /// <summary>Ends the session of a cookie.</summary>
    public void End(ClaimsPrincipal who)
    {
        if (who.FindFirstValue(Token) is { } token)
            sessions.End(HashOf(token));
    }

    /// <summary>A signed-in director.</summary>
    public static ClaimsPrincipal Principal(string name, params Claim[] more) =>
        new(new ClaimsIdentity([new Claim(ClaimTypes.Name, name), .. more], CookieAuthenticationDefaults.AuthenticationScheme));

    // A wrong name takes as long as a wrong password: a hash is checked whoever asks.
    private bool Matches(string name, string password)
    {
        var director = house.Director();
        var known = director is not null && string.Equals(director.Name, name.Trim(), StringComparison.Ordinal);
        var hash = known ? director!.PasswordHash : _nobody.Value;
        return _hasher.VerifyHashedPassword(name.Trim(), hash, password) != PasswordVerificationResult.Failed && known;
    }

    private static void CheckNew(string password, string name)
    {
        if (Passwords.Problem(password, name) is { } problem)
            throw Refusal.BadRequest(problem);
    }

    private static string HashOf(string token) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}
