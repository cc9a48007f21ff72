using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>What one part prints where the parts of a line differ.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Notes">Ids of its notes in question.</param>
/// <param name="Has">What it prints, in words; empty when it prints nothing.</param>
public sealed record Reading(string Part, IReadOnlyList<string> Notes, string Has);

/// <summary>Which reading to take, and why.</summary>
/// <param name="Mark">The winning reading, in words.</param>
/// <param name="Parts">Ids of the parts that would change.</param>
/// <param name="Why">The rule used, in a sentence.</param>
/// <param name="Rule">The rule's name: <c>leader</c>, <c>present</c>, <c>longer-slur</c>, <c>most</c>, <c>pattern</c>, <c>elsewhere</c>,
/// <c>balance</c>, <c>around</c>, <c>newest</c>, <c>meant</c>.</param>
/// <param name="Sure">How sure it is.</param>
public sealed record Proposal(string Mark, IReadOnlyList<string> Parts, string Why, string Rule, Sureness Sure)
{
    /// <summary>The same, but no surer than that.</summary>
    /// <param name="most">How sure it may be at most.</param>
    public Proposal AtMost(Sureness most) => Sure < most ? this with { Sure = most } : this;
}

/// <summary>One disagreement within a line.</summary>
/// <param name="Id">The same as long as the printed score is the same.</param>
/// <param name="Kind"><c>articulation</c>, <c>slur</c>, …</param>
/// <param name="Relation"><c>unison</c>, <c>octave</c>, <c>same-rhythm</c> or <c>return</c>.</param>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Readings">One entry a part of the line, in score order.</param>
/// <param name="Proposal">What the rules would decide.</param>
/// <param name="Changes">For each reading (by its words) the changes that write it into the whole line.</param>
public sealed record Difference(
    string Id,
    string Kind,
    string Relation,
    int From,
    int To,
    IReadOnlyList<Reading> Readings,
    Proposal Proposal,
    IReadOnlyDictionary<string, IReadOnlyList<MarkChange>> Changes
)
{
    /// <summary>True for a difference that is likely meant: told with a lower rank, and not counted.</summary>
    public bool IsNote { get; init; }

    /// <summary>For an entry that tells of a layer of the music, the part that has it.</summary>
    internal string? LayerOf { get; init; }

    /// <summary>What stands behind it, so that one cause is told once however many lines it crosses.</summary>
    internal IReadOnlyList<string> Causes { get; init; } = [];

    /// <summary>For a difference of levels, what was compared.</summary>
    internal LevelMismatch? Levels { get; init; }

    /// <summary>The id of a difference: its kind and the notes it is about, whatever they have and however it is said.</summary>
    public static string IdOf(string kind, IEnumerable<Reading> readings) =>
        Identity.Of(
            kind + "|" + string.Join('|', readings.Select(r => $"{r.Part}:{string.Join(',', r.Notes)}").Order(StringComparer.Ordinal))
        );

    /// <summary>The id of editions of this program that made it from the readings' words too; kept to find old decisions again.</summary>
    public string FormerId =>
        Identity.Of(Kind + "|" + string.Join('|', Readings.Select(r => $"{r.Part}:{string.Join(',', r.Notes)}={r.Has}")));
}
