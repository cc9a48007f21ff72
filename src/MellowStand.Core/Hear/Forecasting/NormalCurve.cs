namespace MellowStand.Core.Hear;

/// <summary>The normal distribution with mean 0 and deviation 1.</summary>
internal static class NormalCurve
{
    /// <summary>Its density.</summary>
    public static double Density(double z) => Math.Exp(-z * z / 2) / Math.Sqrt(2 * Math.PI);

    /// <summary>The share below, with an error under 2 × 10⁻⁷.</summary>
    /// <remarks>Abramowitz and Stegun, "Handbook of Mathematical Functions", 7.1.26, cited from memory.</remarks>
    public static double Below(double z)
    {
        var x = Math.Abs(z) / Math.Sqrt(2);
        var t = 1 / (1 + (0.3275911 * x));
        var tail = t * (0.254829592 + (t * (-0.284496736 + (t * (1.421413741 + (t * (-1.453152027 + (t * 1.061405429))))))));
        var half = tail * Math.Exp(-x * x) / 2;
        return z < 0 ? half : 1 - half;
    }
}
