namespace MellowStand.Core.Instruments;

/// <summary>A player as the seating sees one.</summary>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Chair">Chair from 1.</param>
/// <param name="Level">One of <see cref="WrittenRanges.Levels"/>.</param>
/// <param name="Options">What their instrument has; null where nothing is said.</param>
public sealed record Seat(string Instrument, int Chair, string Level, IReadOnlySet<string>? Options = null);

/// <summary>Who plays which part.</summary>
/// <remarks>The players of an instrument are dealt over its parts by chair, the first chairs to the first part, as evenly as the numbers
/// allow and the odd ones to the lower parts. Common practice, no published source.</remarks>
public static class Seating
{
    /// <summary>The players of each part; a part whose instrument nobody plays has none.</summary>
    /// <param name="parts">Part id, instrument id (null for an unknown one) and desk number as printed, in score order.</param>
    /// <param name="players">The players of the ensemble.</param>
    public static IReadOnlyDictionary<string, IReadOnlyList<Seat>> Of(
        IReadOnlyList<(string Part, string? Instrument, string? Desk)> parts,
        IEnumerable<Seat> players
    )
    {
        var byInstrument = players.OrderBy(p => p.Chair).ToLookup(p => p.Instrument);
        var seats = new Dictionary<string, IReadOnlyList<Seat>>();
        foreach (var group in parts.GroupBy(p => p.Instrument))
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
