namespace MellowStand.Core.Assign;

/// <summary>A passage that wants rehearsing.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Title">Its title.</param>
/// <param name="Players">Numbers of those who play in it.</param>
/// <param name="Need">How much it needs, 0 to 1: heat, and the chance that it is not ready.</param>
/// <param name="Due">Its date.</param>
public sealed record RehearsedPassage(long Id, string Title, IReadOnlyList<long> Players, double Need, DateOnly Due);

/// <summary>Some minutes of a rehearsal.</summary>
/// <param name="Starts">Minutes from its beginning.</param>
/// <param name="Minutes">How long.</param>
/// <param name="Passages">What is rehearsed: one passage, or several at once in sectionals.</param>
/// <param name="Playing">How many play.</param>
public sealed record RehearsalSlot(int Starts, int Minutes, IReadOnlyList<RehearsedPassage> Passages, int Playing)
{
    /// <summary>True where sections work apart at the same time.</summary>
    public bool IsSectional => Passages.Count > 1;
}

/// <summary>A rehearsal.</summary>
/// <param name="Date">The day.</param>
/// <param name="Minutes">Its length.</param>
/// <param name="Slots">What is done, in order.</param>
/// <param name="Idle">Minutes that players wait between their first and last passage, all players together.</param>
/// <param name="Why">The order in words.</param>
public sealed record Rehearsal(DateOnly Date, int Minutes, IReadOnlyList<RehearsalSlot> Slots, int Idle, string Why);

/// <summary>Which passages in which rehearsal, for how many minutes, in an order that lets most players play most of the time.</summary>
/// <remarks>Common practice, no published source: what needs it most comes often; who has finished may leave; sections that share no player
/// work at the same time. The order is the best of all where there are few passages.</remarks>
public static class RehearsalPlanner
{
    private const int WarmUp = 10;
    private const int LeastSlot = 5;
    private const int LongestSlot = 15;
    private const int MostSlots = 6;
    private const double DoneCounts = 0.65;

    /// <summary>The rehearsals in order.</summary>
    /// <param name="rehearsals">Dates and minutes.</param>
    /// <param name="passages">What is to be rehearsed.</param>
    public static IReadOnlyList<Rehearsal> Of(
        IEnumerable<(DateOnly Date, int Minutes)> rehearsals,
        IReadOnlyList<RehearsedPassage> passages
    )
    {
        var need = passages.ToDictionary(p => p.Id, p => p.Need);
        var all = passages.SelectMany(p => p.Players).Distinct().Count();
        var plan = new List<Rehearsal>();
        foreach (var (date, minutes) in rehearsals)
        {
            var open = passages.Where(p => p.Due >= date && p.Players.Count > 0).ToList();
            var chosen = Choose(open, need, minutes - WarmUp);
            foreach (var (passage, _) in chosen)
                need[passage.Id] *= 1 - DoneCounts;
            var slots = Order(Pair(chosen));
            plan.Add(new Rehearsal(date, minutes, Timed(slots), Idle(slots), Why(slots, all)));
        }

        return plan;
    }

    // The neediest first; minutes by need.
    private static List<(RehearsedPassage Passage, int Minutes)> Choose(
        List<RehearsedPassage> open,
        Dictionary<long, double> need,
        int minutes
    )
    {
        var most = open.Select(p => need[p.Id]).DefaultIfEmpty().Max();
        var chosen = new List<(RehearsedPassage, int)>();
        foreach (var passage in open.OrderByDescending(p => need[p.Id]).ThenBy(p => p.Due).ThenBy(p => p.Id))
        {
            var share = most <= 0 ? 0 : need[passage.Id] / most;
            var own = Math.Min(minutes, LeastSlot + (int)Math.Round((LongestSlot - LeastSlot) * share));
            if (own < LeastSlot || chosen.Count == MostSlots + 2)
                break;
            chosen.Add((passage, own));
            minutes -= own;
        }

        return chosen;
    }

    // Two passages without a common player go at the same time, where each alone would leave most players waiting.
    private static List<Slot> Pair(List<(RehearsedPassage Passage, int Minutes)> chosen)
    {
        var slots = new List<Slot>();
        var all = chosen.SelectMany(c => c.Passage.Players).Distinct().Count();
        foreach (var (passage, minutes) in chosen)
        {
            var partner = slots.FindIndex(s =>
                s.Passages.Count == 1 && !s.Players.Overlaps(passage.Players) && Math.Max(s.Players.Count, passage.Players.Count) * 2 <= all
            );
            if (partner >= 0)
                slots[partner] = slots[partner].With(passage, minutes);
            else
                slots.Add(new Slot([passage], minutes));
        }

        return slots;
    }

    private static List<Slot> Order(List<Slot> slots)
    {
        if (slots.Count > MostSlots)
            return [.. slots.OrderByDescending(s => s.Players.Count)];
        return Permutations(slots).MinBy(o => (Idle(o), -o.FirstOrDefault()?.Players.Count ?? 0)) ?? slots;
    }

    // Minutes between the first and the last passage of each player in which they do not play.
    private static int Idle(List<Slot> slots)
    {
        var idle = 0;
        foreach (var player in slots.SelectMany(s => s.Players).Distinct())
        {
            var (first, last) = (slots.FindIndex(s => s.Players.Contains(player)), slots.FindLastIndex(s => s.Players.Contains(player)));
            for (var i = first; i <= last; i++)
                idle += slots[i].Players.Contains(player) ? 0 : slots[i].Minutes;
        }

        return idle;
    }

    private static IEnumerable<List<Slot>> Permutations(List<Slot> slots)
    {
        if (slots.Count <= 1)
        {
            yield return [.. slots];
            yield break;
        }

        foreach (var first in slots)
            foreach (var rest in Permutations([.. slots.Where(s => s != first)]))
                yield return [first, .. rest];
    }

    private static List<RehearsalSlot> Timed(List<Slot> slots)
    {
        var starts = WarmUp;
        var timed = new List<RehearsalSlot>();
        foreach (var slot in slots)
        {
            timed.Add(new RehearsalSlot(starts, slot.Minutes, slot.Passages, slot.Players.Count));
            starts += slot.Minutes;
        }

        return timed;
    }

    private static string Why(List<Slot> slots, int all)
    {
        if (slots.Count == 0)
            return "Nothing is open: run the pieces through.";
        var minutes = slots.Sum(s => s.Minutes);
        var played = slots.Sum(s => s.Minutes * s.Players.Count);
        var share = all == 0 || minutes == 0 ? 0 : Math.Round(100.0 * played / (minutes * all));
        return $"{WarmUp} minutes to warm up and tune. Players play {share:0} percent of the rest, and wait "
            + $"{Idle(slots)} player minutes in between.";
    }

    private sealed record Slot(IReadOnlyList<RehearsedPassage> Passages, int Minutes)
    {
        public HashSet<long> Players { get; } = [.. Passages.SelectMany(p => p.Players)];

        public Slot With(RehearsedPassage passage, int minutes) => new([.. Passages, passage], Math.Max(Minutes, minutes));
    }
}
