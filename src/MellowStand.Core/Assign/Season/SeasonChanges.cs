using System.Globalization;

namespace MellowStand.Core.Assign;

/// <summary>An item of a plan as it was kept.</summary>
/// <param name="Key">Passage and band.</param>
/// <param name="Title">The title of the passage.</param>
/// <param name="Band">How its players go along.</param>
/// <param name="Players">Their numbers.</param>
/// <param name="Days">Days of its sessions.</param>
public sealed record KeptItem(string Key, string Title, Band Band, IReadOnlyList<long> Players, IReadOnlyList<DateOnly> Days);

/// <summary>What a new plan changes, in sentences: nothing is moved in silence.</summary>
public static class SeasonChanges
{
    /// <summary>One sentence for each passage and band that changes, and none where nothing does.</summary>
    /// <param name="before">The plan in force.</param>
    /// <param name="after">The new one.</param>
    /// <param name="today">Sessions before this day are done, and not compared.</param>
    public static IReadOnlyList<string> Of(IReadOnlyList<KeptItem> before, IReadOnlyList<KeptItem> after, DateOnly today)
    {
        var old = before.ToDictionary(i => i.Key);
        var told = after.Select(i => Change(old.GetValueOrDefault(i.Key), i, today)).OfType<string>().ToList();
        var gone = before.Where(b => b.Days.Any(d => d >= today) && after.All(a => a.Key != b.Key));
        return [.. told, .. gone.Select(b => $"{Name(b)}: no sessions any more.")];
    }

    private static string? Change(KeptItem? before, KeptItem after, DateOnly today)
    {
        var (days, was) = (Coming(after, today), before is null ? [] : Coming(before, today));
        if (before is null)
            return days.Count == 0 ? null : $"{Name(after)}: {Sessions(days.Count)} from {Date(days[0])} to {Date(days[^1])}, new.";
        if (days.SequenceEqual(was))
            return after.Players.Order().SequenceEqual(before.Players.Order()) ? null : $"{Name(after)}: other players, the same days.";
        if (days.Count != was.Count)
            return $"{Name(after)}: {Sessions(days.Count)} instead of {was.Count}{Until(days)}.";
        return $"{Name(after)}: {Moved(days, was)} of {Sessions(days.Count)} on other days{Until(days)}.";
    }

    private static List<DateOnly> Coming(KeptItem item, DateOnly today) => [.. item.Days.Where(d => d >= today).Order()];

    private static int Moved(List<DateOnly> days, List<DateOnly> was) => days.Except(was).Count();

    private static string Until(List<DateOnly> days) => days.Count == 0 ? "" : $", the last on {Date(days[^1])}";

    private static string Name(KeptItem item) =>
        $"{item.Title}, {item.Players.Count} {(item.Players.Count == 1 ? "player" : "players")} {BandWords.Of(item.Band)}";

    private static string Sessions(int n) => string.Create(CultureInfo.InvariantCulture, $"{n} {(n == 1 ? "session" : "sessions")}");

    private static string Date(DateOnly day) => day.ToString("MMM d", CultureInfo.InvariantCulture);
}
