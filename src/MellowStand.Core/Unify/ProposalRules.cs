using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Which of several readings wins.</summary>
/// <remarks>A leader that the director has set decides everything. Without one, in this order: a mark present beats a mark forgotten; the
/// longer of two printed slurs (house rule); the first part of the line; the reading of most parts; the reading of the same music
/// elsewhere; the level that the balance asks for. Common practice, no published source.</remarks>
internal static class ProposalRules
{
    public static Proposal ForMarks(UnifyContext context, IReadOnlyList<Reading> readings)
    {
        if (ByLeaderThatWasSet(context, readings) is { } set)
            return set;
        var leader = context.LeaderOf(readings);
        var leaderHas = readings.First(r => r.Part == leader).Has;
        var printed = readings.Select(r => r.Has).Where(h => h.Length > 0).Distinct().ToList();
        if (printed.Count == 1)
            return Make(
                readings,
                printed[0],
                "present",
                $"A mark that is printed beats one that is missing: {Names(context, readings, printed[0])} {Verb(readings, printed[0])} it."
            );
        if (leaderHas.Length > 0)
            return Make(readings, leaderHas, "leader", $"{context.NameOf(leader)} leads the line, and its reading decides.");
        var most = readings.Where(r => r.Has.Length > 0).GroupBy(r => r.Has).MaxBy(g => g.Count())!;
        return Make(
            readings,
            most.Key,
            "most",
            $"{context.NameOf(leader)}, which leads, prints nothing here; {most.Count()} of the others agree."
        );
    }

    /// <summary>Levels: as marks; where the leader prints none and the others are even, what the balance asks for.</summary>
    /// <param name="context">What the rules share.</param>
    /// <param name="readings">What each part has.</param>
    /// <param name="isOnTop">True where the line sounds above all other parts, so that it must be heard.</param>
    public static Proposal ForLevels(UnifyContext context, IReadOnlyList<Reading> readings, bool isOnTop)
    {
        var usual = ForMarks(context, readings);
        if (usual.Rule != "most")
            return usual;
        var groups = readings.Where(r => r.Has.Length > 0).GroupBy(r => r.Has).OrderByDescending(g => g.Count()).ToList();
        var even = groups
            .Where(g => g.Count() == groups[0].Count() && DynamicLevels.LevelAfter(g.Key) is not null)
            .Select(g => g.Key)
            .ToList();
        if (even.Count < 2)
            return usual;
        var asked = isOnTop ? even.MaxBy(DynamicLevels.LevelAfter)! : even.MinBy(DynamicLevels.LevelAfter)!;
        var where = isOnTop ? "The line is on top here and must be heard: the louder" : "Other parts sound above the line: the softer";
        return Make(readings, asked, "balance", $"{where} of {string.Join(" and ", even)}, as the balance asks.");
    }

    public static Proposal ForSlurs(UnifyContext context, IReadOnlyList<Reading> readings, Dictionary<string, int> lengths)
    {
        if (ByLeaderThatWasSet(context, readings) is { } set)
            return set;
        var printed = readings.Select(r => r.Has).Where(h => h.Length > 0).Distinct().ToList();
        if (printed.Count == 1)
            return Make(
                readings,
                printed[0],
                "present",
                $"A slur that is printed beats one that is missing: {Names(context, readings, printed[0])} {Verb(readings, printed[0])} it."
            );
        var rule = context.House["two-slurs"];
        if (rule == "edition")
        {
            var leader = context.LeaderOf([.. readings.Where(r => r.Has.Length > 0)]);
            return Make(
                readings,
                readings.First(r => r.Part == leader).Has,
                "leader",
                $"By the house rule the edition stands, and {context.NameOf(leader)} leads the line."
            );
        }

        var ordered = printed
            .OrderByDescending(p => rule == "longer" ? lengths[p] : -lengths[p])
            .ThenByDescending(p => readings.Count(r => r.Has == p))
            .ThenBy(p => Array.FindIndex([.. readings], r => r.Has == p))
            .ToList();
        return Make(
            readings,
            ordered[0],
            rule + "-slur",
            $"By the house rule the {rule} of two printed slurs wins, as in {Names(context, readings, ordered[0])}."
        );
    }

    /// <summary>A pitch: what most parts have; where they are even, what they have where the same music stands elsewhere; else the
    /// leader.</summary>
    /// <param name="context">What the rules share.</param>
    /// <param name="readings">What each part has.</param>
    /// <param name="elsewhere">What the parts have where the same music comes again, in words.</param>
    public static Proposal ForPitches(UnifyContext context, IReadOnlyList<Reading> readings, IReadOnlyCollection<string> elsewhere)
    {
        if (ByLeaderThatWasSet(context, readings) is { } set)
            return set;
        var groups = readings.GroupBy(r => r.Has).OrderByDescending(g => g.Count()).ToList();
        if (groups.Count > 1 && groups[0].Count() > groups[1].Count())
            return Make(
                readings,
                groups[0].Key,
                "most",
                $"{groups[0].Count()} of {readings.Count} parts have {groups[0].Key}: the other is a misprint, or the worst "
                    + $"mistake to come."
            );
        if (elsewhere.Distinct().Count() == 1 && groups.Any(g => g.Key == elsewhere.First()))
            return Make(readings, elsewhere.First(), "elsewhere", $"Where the same music comes again it is {elsewhere.First()}.");
        return ByLeaderOrMost(context, readings);
    }

    /// <summary>What most parts have where that is clear, otherwise the leader of the line.</summary>
    public static Proposal ByLeaderOrMost(UnifyContext context, IReadOnlyList<Reading> readings)
    {
        if (ByLeaderThatWasSet(context, readings) is { } set)
            return set;
        var groups = readings.GroupBy(r => r.Has).OrderByDescending(g => g.Count()).ToList();
        if (groups[0].Count() > readings.Count / 2)
            return Make(readings, groups[0].Key, "most", $"{groups[0].Count()} of {readings.Count} parts agree.");
        var leader = context.LeaderOf(readings);
        return Make(
            readings,
            readings.First(r => r.Part == leader).Has,
            "leader",
            $"{context.NameOf(leader)} leads the line, and its reading decides."
        );
    }

    private static Proposal? ByLeaderThatWasSet(UnifyContext context, IReadOnlyList<Reading> readings) =>
        context.SetLeaderOf(readings) is { } leader
            ? Make(readings, readings.First(r => r.Part == leader).Has, "leader", $"{context.NameOf(leader)} was set to lead this line.")
            : null;

    private static Proposal Make(IReadOnlyList<Reading> readings, string wins, string rule, string why) =>
        new(wins, [.. readings.Where(r => r.Has != wins).Select(r => r.Part)], why, rule);

    private static string Names(UnifyContext context, IReadOnlyList<Reading> readings, string has)
    {
        var names = readings.Where(r => r.Has == has).Select(r => context.NameOf(r.Part)).Distinct().ToList();
        return names.Count switch
        {
            1 => names[0],
            2 => $"{names[0]} and {names[1]}",
            _ => $"{names[0]} and {names.Count - 1} other parts",
        };
    }

    private static string Verb(IReadOnlyList<Reading> readings, string has) =>
        readings.Where(r => r.Has == has).Select(r => r.Part).Distinct().Count() == 1 ? "prints" : "print";
}
