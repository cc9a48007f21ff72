using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>A change is made only to what its maker has seen: two directors never overwrite each other unawares.</summary>
internal static class Versions
{
    /// <summary>The version that a change was made on.</summary>
    /// <exception cref="Refusal">None was sent.</exception>
    public static int Seen(int? version) =>
        version
        ?? throw new Refusal(
            StatusCodes.Status428PreconditionRequired,
            "Send the version that you saw with the change, as it was answered, so that nobody's change is lost."
        );

    /// <summary>Lets a change pass that was kept.</summary>
    /// <param name="change">What became of it.</param>
    /// <param name="what">What was to be changed, e.g. <c>This player</c>.</param>
    /// <exception cref="Refusal">It is gone, or was changed by somebody else.</exception>
    public static void Demand(this Change change, string what)
    {
        if (change == Change.Gone)
            throw Refusal.NotFound($"{what} is not there any more. Load the page again.");
        if (change == Change.Stale)
            throw Refusal.Conflict(
                $"{what} was changed by somebody else since you loaded it. Load it again, and make your change on what stands now."
            );
    }
}
