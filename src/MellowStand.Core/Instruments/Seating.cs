namespace MellowStand.Core.Instruments;

/// <summary>A player as the seating sees one.</summary>
/// <param name="Instrument">Instrument id of the catalog, or null where none is said.</param>
/// <param name="Chair">Chair from 1.</param>
/// <param name="Level">One of <see cref="WrittenRanges.Levels"/>.</param>
/// <param name="Options">What their instrument has; null where nothing is said.</param>
/// <param name="Player">Number of the player, or 0.</param>
public sealed record Seat(string? Instrument, int Chair, string Level, IReadOnlySet<string>? Options = null, long Player = 0);

/// <summary>Who plays which part.</summary>
/// <remarks>The players of an instrument are dealt over its parts by chair, the first chairs to the first part, as evenly as the numbers
/// allow and the odd ones to the lower parts. Common practice, no published source. A part that the director seated by hand has just those
/// players, and they sit nowhere else by chair.</remarks>
public static class Seating
{
    /// <summary>The players of each part; a part whose instrument nobody plays has none.</summary>
    /// <param name="parts">Part id, instrument id (null for an unknown one) and desk number as printed, in score order.</param>
    /// <param name="players">The players of the ensemble.</param>
    /// <param name="byHand">Part id to the numbers of the players that the director seated there.</param>
    public static IReadOnlyDictionary<string, IReadOnlyList<Seat>> Of(
        IReadOnlyList<(string Part, string? Instrument, string? Desk)> parts,
        IReadOnlyCollection<Seat> players,
        IReadOnlyDictionary<string, IReadOnlyList<long>>? byHand = null
    )
    {
        var hand = byHand ?? new Dictionary<string, IReadOnlyList<long>>();
        var placed = hand.Values.SelectMany(p => p).ToHashSet();
        var byInstrument = players
            .Where(p => p.Instrument is not null && !placed.Contains(p.Player))
            .OrderBy(p => p.Chair)
            .ToLookup(p => p.Instrument);
        var seats = hand.ToDictionary(
            h => h.Key,
            h => (IReadOnlyList<Seat>)[.. players.Where(p => h.Value.Contains(p.Player)).OrderBy(p => p.Chair)]
        );
        foreach (var group in parts.Where(p => !hand.ContainsKey(p.Part)).GroupBy(p => p.Instrument))
        {
            var own = group.OrderBy(p => p.Desk, StringComparer.Ordinal).ToList();
            var all = group.Key is null ? [] : byInstrument[group.Key].ToList();
            for (var i = 0; i < own.Count; i++)
                seats[own[i].Part] =
                [
                    .. all.Skip(all.Count * i / own.Count).Take((all.Count * (i + 1) / own.Count) - (all.Count * i / own.Count)),
                ];
        }

        return seats;
    }

    /// <summary>The level that all of them reach: the lowest; null when nobody sits there.</summary>
    public static string? Least(IEnumerable<Seat> seats) =>
        seats.Select(s => s.Level).OrderBy(l => Array.IndexOf([.. WrittenRanges.Levels], l)).FirstOrDefault();
}
