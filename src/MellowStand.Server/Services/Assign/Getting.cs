using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What a number from outside names, or a refusal in words.</summary>
internal static class Getting
{
    /// <summary>The passage with the number.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static PassageRow Get(this PassageRepository passages, long id) =>
        passages.Find(new PassageId(id)) ?? throw Refusal.NotFound($"There is no passage {id}. Load the list again.");

    /// <summary>The player with the number, who plays now.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static PlayerRow Get(this EnsembleRepository ensemble, long id) =>
        ensemble.Find(new PlayerId(id)) ?? throw Refusal.NotFound("This player is not in the ensemble. Load the page again.");
}
