using MellowStand.Server.Security;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Who is signed in.</summary>
/// <param name="Name">The director's name, or null.</param>
/// <param name="FirstRun">True before the director's account is made.</param>
/// <param name="Demo">True in the demo.</param>
/// <param name="School">Which school's data these are; null while nobody is signed in.</param>
/// <param name="Today">The day that it is at the server; pages count from it.</param>
public sealed record SessionView(string? Name, bool FirstRun, bool Demo, string? School, DateOnly Today);

/// <summary>Name and password.</summary>
public sealed record Credentials(string Name, string Password);

/// <summary>A new password.</summary>
/// <param name="Present">The password so far.</param>
/// <param name="Next">The new one.</param>
public sealed record PasswordEdit(string Present, string Next);

/// <summary>Sign-in, sign-out and the first run.</summary>
public static class SessionEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapSession(this WebApplication app)
    {
        var group = app.MapGroup("/api/session").WithTags("Session");
        group.MapGet("", View);
        group.MapPost("", SignIn).RequireRateLimiting(SignInLimit.Name);
        group.MapPost("/first-run", FirstRun).RequireRateLimiting(SignInLimit.Name);
        group.MapDelete("", (Delegate)SignOut);
        group.MapPut("/password", ChangePassword).RequireRateLimiting(SignInLimit.Name).RequireAuthorization();
    }

    private static Ok<SessionView> View(
        HttpContext http,
        Sessions sessions,
        SessionRepository kept,
        ServerOptions options,
        TimeProvider clock
    )
    {
        var name = http.User.Identity?.Name;
        var isFirstRun = !options.Demo && sessions.IsFirstRun;
        return TypedResults.Ok(new SessionView(name, isFirstRun, options.Demo, name is null ? null : kept.SchoolMark(), clock.Today()));
    }

    private static async Task<Ok<SessionView>> SignIn(
        Credentials credentials,
        HttpContext http,
        Sessions sessions,
        ServerOptions options,
        TimeProvider clock
    )
    {
        var principal = sessions.SignIn(credentials.Name ?? "", credentials.Password ?? "");
        await http.SignInAsync(principal);
        return TypedResults.Ok(new SessionView(principal.Identity!.Name, false, options.Demo, null, clock.Today()));
    }

    private static Task<Ok<SessionView>> FirstRun(
        Credentials credentials,
        HttpContext http,
        Sessions sessions,
        ServerOptions options,
        TimeProvider clock
    )
    {
        sessions.MakeDirector(credentials.Name ?? "", credentials.Password ?? "");
        return SignIn(credentials, http, sessions, options, clock);
    }

    // All sessions end; whoever changed it is signed in anew.
    private static async Task<Ok<SessionView>> ChangePassword(
        PasswordEdit edit,
        HttpContext http,
        Sessions sessions,
        ServerOptions options,
        TimeProvider clock
    )
    {
        var name = http.User.Identity?.Name ?? "";
        sessions.ChangePassword(name, edit.Present ?? "", edit.Next ?? "");
        return await SignIn(new Credentials(name, edit.Next!), http, sessions, options, clock);
    }

    private static async Task<NoContent> SignOut(HttpContext http, Sessions sessions)
    {
        sessions.End(http.User);
        await http.SignOutAsync();
        return TypedResults.NoContent();
    }
}
