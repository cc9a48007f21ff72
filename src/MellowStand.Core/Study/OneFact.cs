namespace MellowStand.Core.Study;

/// <summary>The same fact is told once: for several parts with each part's own notes, and not by two rules.</summary>
internal static class OneFact
{
    // What a hidden key says of a note need not be said of the note again.
    private static readonly string[] SaidByHiddenKey = ["carried-accidental", "back-to-signature", "enharmonic"];

    /// <summary>Findings that a wider one says already are only notes.</summary>
    public static IEnumerable<Finding> Once(IEnumerable<Finding> found)
    {
        var all = found.ToList();
        var said = all.Where(f => f.Rule == "hidden-key").SelectMany(f => f.Notes).ToHashSet();
        return said.Count == 0
            ? all
            : all.Select(f =>
                SaidByHiddenKey.Contains(f.Rule) && f.Severity == Severity.Warn && f.Notes.All(n => said.Contains(n))
                    ? f with
                    {
                        Severity = Severity.Note,
                    }
                    : f
            );
    }

    /// <summary>One finding for all parts that share it: a remark that belongs to five parts is written once and reaches five.</summary>
    public static IEnumerable<Finding> Told(IEnumerable<Finding> findings, Func<string, string> nameOf)
    {
        foreach (var group in findings.GroupBy(KeyOf).Select(g => g.ToList()))
            yield return group.Count == 1 ? group[0] : One(group, nameOf);
    }

    private static (string, int, int, string, string) KeyOf(Finding f) =>
        f.Fact is null ? (f.Rule, f.From, f.To, f.Title, f.Why) : (f.Rule, -1, -1, f.Fact, "");

    private static Finding One(List<Finding> group, Func<string, string> nameOf)
    {
        var titles = group.Select(f => f.Title).Distinct().ToList();
        var whys = group.GroupBy(f => f.Why).ToList();
        var why =
            whys.Count == 1
                ? whys[0].Key
                : string.Join(' ', whys.Select(w => $"{string.Join(", ", w.SelectMany(f => f.Parts).Distinct().Select(nameOf))}: {w.Key}"));
        return group[0] with
        {
            Parts = [.. group.SelectMany(f => f.Parts).Distinct()],
            Notes = [.. group.SelectMany(f => f.Notes)],
            From = group.Min(f => f.From),
            To = group.Max(f => f.To),
            Severity = group.Max(f => f.Severity),
            Title = titles.Count <= 3 ? string.Join(" / ", titles) : $"{titles[0]}, in each part's own notes",
            Why = why,
        };
    }
}
