namespace MellowStand.Core.Decisions;

/// <summary>What a director said of a difference, or that a mark is theirs alone.</summary>
public enum Verdict
{
    /// <summary>The proposal was taken.</summary>
    Accepted,

    /// <summary>Another reading was taken.</summary>
    Reading,

    /// <summary>The difference stands as printed.</summary>
    Kept,

    /// <summary>A mark of the director's own, on no difference.</summary>
    Free,
}

/// <summary>A decision before it is kept.</summary>
/// <param name="Difference">Id of the difference it settles, or null for a free mark.</param>
/// <param name="Verdict">What was said.</param>
/// <param name="Reading">The reading taken, in words, or null.</param>
/// <param name="Why">The reason.</param>
/// <param name="Changes">What it writes.</param>
public sealed record DecisionDraft(string? Difference, Verdict Verdict, string? Reading, string Why, IReadOnlyList<MarkChange> Changes);

/// <summary>A decision as kept.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Act">Number of the first decision that was made together with it: the act that one undo takes back.</param>
/// <param name="Draft">What was decided.</param>
/// <param name="Person">Who decided.</param>
/// <param name="Made">When, in UTC.</param>
public sealed record Decision(long Id, long Act, DecisionDraft Draft, string Person, string Made)
{
    /// <summary>Id of the difference it settles, or null for a free mark.</summary>
    public string? Difference => Draft.Difference;

    /// <summary>What was said.</summary>
    public Verdict Verdict => Draft.Verdict;

    /// <summary>The reading taken, in words, or null.</summary>
    public string? Reading => Draft.Reading;

    /// <summary>The reason.</summary>
    public string Why => Draft.Why;

    /// <summary>What it writes.</summary>
    public IReadOnlyList<MarkChange> Changes => Draft.Changes;
}
