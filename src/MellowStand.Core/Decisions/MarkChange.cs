using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions;

/// <summary>What a decision does to one part: marks added to and removed from notes.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Notes">Ids of the notes in score order. A slur or hairpin spans from the first to the last of them; any
/// other mark goes to each of them.</param>
/// <param name="Added">Marks to write.</param>
/// <param name="Removed">Marks to take away; one that is not there is passed over.</param>
public sealed record MarkChange(string Part, IReadOnlyList<string> Notes, IReadOnlyList<Mark> Added, IReadOnlyList<Mark> Removed);
