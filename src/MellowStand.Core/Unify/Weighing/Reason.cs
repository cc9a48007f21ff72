namespace MellowStand.Core.Unify;

/// <summary>Something that speaks for a reading, beside what the parts of the line print.</summary>
/// <param name="For">The reading, in words; null where it speaks for leaving all as printed.</param>
/// <param name="Weight">As a natural logarithm of how many times likelier it makes the reading.</param>
/// <param name="Rule">The rule's name, as in <see cref="Proposal"/>.</param>
/// <param name="Words">The reason in a sentence.</param>
internal sealed record Reason(string? For, double Weight, string Rule, string Words);
