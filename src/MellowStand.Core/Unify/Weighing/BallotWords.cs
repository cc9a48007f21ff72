namespace MellowStand.Core.Unify;

/// <summary>What the print of a line says for a reading, in a sentence.</summary>
internal static class BallotWords
{
    public static string OfPrint(UnifyContext context, IReadOnlyList<Reading> readings, string best)
    {
        var with = readings.Count(r => r.Has == best);
        var all = readings.Count;
        if (best.Length == 0)
            return all - with == 1
                ? $"Only {Names(context, readings.Where(r => r.Has.Length > 0))} prints it, against {Parts(with)} without: a stray mark."
                : $"{with} of {all} parts print nothing here.";
        var others = readings.Where(r => r.Has != best).ToList();
        if (others.Any(r => r.Has.Length > 0))
            return with > 1 ? $"{with} of {all} parts agree." : $"{Names(context, readings.Where(r => r.Has == best))} prints it so.";
        if (with > others.Count)
            return $"{with} of {all} parts print it; it is missing in {Names(context, others)}.";
        var those = readings.Where(r => r.Has == best).ToList();
        return $"A mark that is printed beats one that is missing: {Names(context, those)} {(those.Count == 1 ? "prints" : "print")} it.";
    }

    /// <summary>Names of parts, the first two at most.</summary>
    public static string Names(UnifyContext context, IEnumerable<Reading> readings)
    {
        var names = readings.Select(r => context.NameOf(r.Part)).Distinct().ToList();
        return names.Count switch
        {
            1 => names[0],
            2 => $"{names[0]} and {names[1]}",
            _ => $"{names[0]} and {names.Count - 1} other parts",
        };
    }

    private static string Parts(int count) => count == 1 ? "one part" : $"{count} parts";
}
