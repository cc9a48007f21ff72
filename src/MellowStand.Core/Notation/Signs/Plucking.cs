namespace MellowStand.Core.Notation;

/// <summary>Where a bowed part is plucked.</summary>
public static class Plucking
{
    /// <summary>True for a moment (quarters from the start of the score) between "pizz." and "arco".</summary>
    /// <param name="part">The part.</param>
    public static Func<Fraction, bool> Of(Part part)
    {
        var signs = part
            .Directions.Where(d => d.Kind == DirectionKind.Words)
            .Select(d => (d.Onset, Text: d.Text.ToLowerInvariant()))
            .Where(d => d.Text.Contains("pizz", StringComparison.Ordinal) || d.Text.Contains("arco", StringComparison.Ordinal))
            .OrderBy(d => d.Onset)
            .ToList();
        return onset => signs.LastOrDefault(s => s.Onset <= onset).Text?.Contains("pizz", StringComparison.Ordinal) ?? false;
    }
}
