namespace MellowStand.Core.Assign;

/// <summary>Which part of the time to the date belongs to each passage of a piece, when they are learnt one after the other.</summary>
/// <remarks>Common practice, no published source: sections are taken one after the other, early, then joined. The shares are ours: by the
/// minutes that are left to practice, over the first three quarters of the time, so that there is some left to join them.</remarks>
internal static class PassageTurns
{
    private const double ForTurns = 0.75;

    /// <summary>The first day of a passage, and the day to which its sessions are spread.</summary>
    /// <param name="item">The item.</param>
    /// <param name="all">All items of the plan.</param>
    /// <param name="begins">The first day on which it could be practiced.</param>
    public static (DateOnly From, DateOnly Until) Of(SeasonItem item, IReadOnlyList<SeasonItem> all, DateOnly begins)
    {
        var passages = all.Where(i => i.Passage.Piece == item.Passage.Piece && i.Players.Any(item.Players.Contains))
            .GroupBy(i => (i.Passage.Measure, i.Passage.Id))
            .OrderBy(g => g.Key)
            .Select(g => (g.Key.Id, Minutes: g.Max(i => i.Minutes * i.Sessions)))
            .ToList();
        double total = passages.Sum(p => p.Minutes);
        double before = passages.TakeWhile(p => p.Id != item.Passage.Id).Sum(p => p.Minutes);
        double own = passages.First(p => p.Id == item.Passage.Id).Minutes;
        var days = (item.Passage.Due.DayNumber - begins.DayNumber) * ForTurns;
        return (begins.AddDays((int)(days * before / total)), begins.AddDays((int)Math.Ceiling(days * (before + own) / total)));
    }
}
