using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Which findings stand in the parts already, written by a decision in force.</summary>
/// <remarks>Told by what the decision writes and why it was made, so that it holds after a new edition too.</remarks>
public sealed class WrittenIn
{
    private readonly StudyContext _study;
    private readonly ILookup<string, Decision> _byReason;

    /// <summary>Looks through the decisions in force.</summary>
    public WrittenIn(StudyContext study, IEnumerable<Decision> decisions) =>
        (_study, _byReason) = (study, decisions.Where(d => d.Verdict == Verdict.Free).ToLookup(d => d.Why));

    /// <summary>The reason of a decision that writes a finding in.</summary>
    public static string ReasonOf(Finding finding) => $"Study: {finding.Title}";

    /// <summary>The decision that writes a finding in, or null.</summary>
    public Decision? By(Finding finding)
    {
        var made = _byReason[ReasonOf(finding)];
        if (!made.Any())
            return null;
        var wanted = Marks(WriteIn.Of(_study, finding)).ToHashSet();
        return wanted.Count == 0 ? null : made.FirstOrDefault(d => wanted.IsSubsetOf(Marks(d.Changes)));
    }

    private static IEnumerable<(string Part, string Note, Mark Mark)> Marks(IEnumerable<MarkChange> changes) =>
        changes.SelectMany(c => c.Notes.SelectMany(n => c.Added.Select(m => (c.Part, n, m))));
}
