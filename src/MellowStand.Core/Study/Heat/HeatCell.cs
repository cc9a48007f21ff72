namespace MellowStand.Core.Study.Heat;

/// <summary>One reason for the heat of a measure.</summary>
/// <param name="Component">Its name, as in <see cref="HeatWeights"/>.</param>
/// <param name="Amount">0 (nothing) to 1 (as much as counts).</param>
/// <param name="Contribution">What it adds to the heat.</param>
/// <param name="Words">The numbers in words.</param>
public sealed record HeatReason(string Component, double Amount, double Contribution, string Words);

/// <summary>The difficulty of one measure of one part.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Heat">0 (nothing to do) to 1.</param>
/// <param name="Reasons">What it is made of, largest first; only what contributes.</param>
public sealed record HeatCell(string Part, int Measure, double Heat, IReadOnlyList<HeatReason> Reasons);
