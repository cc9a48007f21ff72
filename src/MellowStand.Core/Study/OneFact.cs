namespace MellowStand.Core.Study;

/// <summary>The same fact is told once: for several parts with each part's own notes, and not by two rules.</summary>
internal static class OneFact
{
    private const int MostTitles = 3;

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

    /// <summary>The titles of several ways to read a finding, as one.</summary>
    internal static string TitleOf(IReadOnlyList<OwnWords> own)
    {
        var titles = own.Select(o => o.Title).Distinct().ToList();
        return titles.Count <= MostTitles ? string.Join(" / ", titles) : $"{titles[0]}, in each part's own notes";
    }

    /// <summary>The sentences of several ways to read a finding, each with its parts.</summary>
    internal static string WhyOf(IReadOnlyList<OwnWords> own, Func<string, string> nameOf) =>
        own.Count == 1 ? own[0].Why : string.Join(' ', own.Select(o => $"{string.Join(", ", o.Parts.Select(nameOf))}: {o.Why}"));

    private static Finding One(List<Finding> group, Func<string, string> nameOf)
    {
        var own = group
            .GroupBy(f => (f.Title, f.Why))
            .Select(g => new OwnWords([.. g.SelectMany(f => f.Parts).Distinct()], g.Key.Title, g.Key.Why))
            .ToList();
        return group[0] with
        {
            Parts = [.. group.SelectMany(f => f.Parts).Distinct()],
            Notes = [.. group.SelectMany(f => f.Notes)],
            From = group.Min(f => f.From),
            To = group.Max(f => f.To),
            Severity = group.Max(f => f.Severity),
            Title = TitleOf(own),
            Why = WhyOf(own, nameOf),
            Own = own.Count > 1 ? own : [],
        };
    }
}
