using MellowStand.Core.Decisions;

namespace MellowStand.Core.Unify;

/// <summary>Which proposals can be taken together.</summary>
public static class SureOnes
{
    /// <summary>True for a difference whose proposal may be taken unseen.</summary>
    public static bool IsSure(Difference difference) =>
        difference is { IsNote: false, Proposal: { Sure: Sureness.Sure, Parts.Count: > 0 } };

    /// <summary>Those of some differences that do not contradict each other: one that takes away what another writes, or writes over it, is
    /// left for the director.</summary>
    /// <param name="differences">In score order; of two that contradict each other the first stays.</param>
    public static List<Difference> Together(IEnumerable<Difference> differences)
    {
        var taken = new List<Difference>();
        var byPart = new Dictionary<string, List<MarkChange>>();
        foreach (var d in differences)
        {
            var changes = d.Changes[d.Proposal.Mark];
            if (changes.Any(c => byPart.TryGetValue(c.Part, out var there) && Dependence.BuildsOn([c], there)))
                continue;
            taken.Add(d);
            foreach (var c in changes)
            {
                if (!byPart.TryGetValue(c.Part, out var there))
                    byPart[c.Part] = there = [];
                there.Add(c);
            }
        }

        return taken;
    }
}
