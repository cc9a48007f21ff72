namespace MellowStand.Core.Editions;

/// <summary>Where parts, measures and notes of one edition stand in another.</summary>
/// <param name="Parts">Part id to the ids in the other edition: one, two after a split; a part that is gone is not in it.</param>
/// <param name="Measures">For each measure its place in the other edition, or null when it is gone.</param>
/// <param name="Notes">Id of a notehead or rest to its id in the other edition; one that is gone is not in it.</param>
public sealed record EditionMap(
    IReadOnlyDictionary<string, IReadOnlyList<string>> Parts,
    IReadOnlyList<int?> Measures,
    IReadOnlyDictionary<string, string> Notes
)
{
    /// <summary>The way back.</summary>
    /// <param name="measures">How many measures the other edition has.</param>
    public EditionMap Inverse(int measures)
    {
        var back = new int?[measures];
        for (var i = 0; i < Measures.Count; i++)
            if (Measures[i] is { } there)
                back[there] = i;
        var parts = Parts
            .SelectMany(p => p.Value.Select(v => (There: v, Here: p.Key)))
            .GroupBy(x => x.There)
            .ToDictionary(g => g.Key, g => (IReadOnlyList<string>)[.. g.Select(x => x.Here).Distinct()]);
        return new EditionMap(parts, back, Notes.GroupBy(n => n.Value).ToDictionary(g => g.Key, g => g.First().Key));
    }
}
