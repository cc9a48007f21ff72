namespace MellowStand.Core.Unify;

/// <summary>The same parts with another rhythm, or other marks, twice in a measure or in two measures that follow each other are one
/// figure: one entry.</summary>
internal static class FigureCauses
{
    /// <summary>Joins those whose parts go together in the same way; for marks, with the same marks.</summary>
    public static IEnumerable<Difference> Merge(IEnumerable<Difference> differences, bool sameReadings)
    {
        foreach (var same in differences.GroupBy(d => (d.Relation, sameReadings ? WithReadings(d) : Parted(d))))
        {
            Difference? open = null;
            foreach (var d in same.OrderBy(d => d.From).ThenBy(d => d.To))
            {
                if (open is not null && d.From <= open.To)
                {
                    open = Joined(open, d);
                    continue;
                }

                if (open is not null)
                    yield return open;
                open = d;
            }

            if (open is not null)
                yield return open;
        }
    }

    // Which parts go together, whatever they have.
    private static string Parted(Difference d) =>
        string.Join('|', d.Readings.GroupBy(r => r.Has).Select(g => string.Join(' ', g.Select(r => r.Part))).Order(StringComparer.Ordinal));

    private static string WithReadings(Difference d) => string.Join('|', d.Readings.Select(r => $"{r.Part}={r.Has}"));

    private static Difference Joined(Difference first, Difference then)
    {
        if (first.Readings.SelectMany(r => r.Notes).Intersect(then.Readings.SelectMany(r => r.Notes)).Any())
            return first;
        var words = first
            .Readings.Zip(then.Readings)
            .DistinctBy(p => p.First.Has)
            .ToDictionary(
                p => p.First.Has,
                p => (p.Second.Has, Both: p.First.Has == p.Second.Has ? p.First.Has : $"{p.First.Has}, {p.Second.Has}")
            );
        var readings = first
            .Readings.Zip(then.Readings)
            .Select(p => p.First with { Notes = [.. p.First.Notes, .. p.Second.Notes], Has = words[p.First.Has].Both })
            .ToList();
        return first with
        {
            To = then.To,
            Readings = readings,
            // No surer than the less sure of the two; where they disagree, the director decides.
            Proposal = (first.Proposal with { Mark = words[first.Proposal.Mark].Both }).AtMost(
                words[first.Proposal.Mark].Has == then.Proposal.Mark ? then.Proposal.Sure : Sureness.Yours
            ),
            Changes = words.ToDictionary(
                w => w.Value.Both,
                w => (IReadOnlyList<Decisions.MarkChange>)[.. first.Changes[w.Key], .. then.Changes[w.Value.Has]]
            ),
        };
    }
}
