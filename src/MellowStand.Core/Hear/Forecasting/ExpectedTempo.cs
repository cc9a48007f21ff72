namespace MellowStand.Core.Hear;

/// <summary>What is expected of a learner on one day: normal distributions, each with its weight; tempos are shares of the goal.</summary>
internal sealed class ExpectedTempo((double Weight, double Mean, double Variance, double Noise)[] parts)
{
    private const double Least = 1e-9;
    private const double Fastest = 4;
    private const int Halvings = 30;

    private readonly double _total = parts.Sum(p => p.Weight);

    /// <summary>The mean.</summary>
    public double Mean => parts.Sum(p => p.Weight * p.Mean) / _total;

    /// <summary>Chance that a hearing lies below a tempo.</summary>
    /// <param name="tempo">The tempo.</param>
    /// <param name="noise">How much of the noise of a hearing counts, 0 to 1.</param>
    public double Below(double tempo, double noise = 1)
    {
        double sum = 0;
        foreach (var p in parts)
            sum += p.Weight * NormalCurve.Below((tempo - p.Mean) / Math.Sqrt(p.Variance + (noise * noise * p.Noise * p.Noise) + Least));
        return sum / _total;
    }

    /// <summary>The tempo below which a share of the hearings lie.</summary>
    public double Quantile(double share)
    {
        var (low, high) = (0.0, Fastest);
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Below(middle) < share ? (middle, high) : (low, middle);
        }

        return (low + high) / 2;
    }
}
