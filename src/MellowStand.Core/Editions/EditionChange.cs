using MellowStand.Core.Notation;

namespace MellowStand.Core.Editions;

/// <summary>What differs between two editions of a piece at one address.</summary>
/// <param name="Kind"><c>part-added</c>, <c>part-removed</c>, <c>part-renamed</c>, <c>part-split</c>, <c>measure-added</c>,
/// <c>measure-removed</c>, <c>pitch</c>, <c>rhythm</c>,
/// <c>marks</c> or <c>slurs</c>.</param>
/// <param name="Part">The part's name, or empty for all parts.</param>
/// <param name="Measure">Label of the measure in the new edition; in the old one for a removed measure; empty for a part.</param>
/// <param name="What">One sentence.</param>
public sealed record EditionChange(string Kind, string Part, string Measure, string What)
{
    /// <summary>The same for the same change, however it is said.</summary>
    public string Id => Identity.Of($"{Kind}|{Part}|{Measure}");
}
