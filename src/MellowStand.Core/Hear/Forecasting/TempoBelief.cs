namespace MellowStand.Core.Hear;

/// <summary>What is believed of a learner's tempo at first and on the date: a normal distribution of two numbers, as shares of the
/// goal.</summary>
/// <remarks>Updated entry by entry. A tempo heard clean is a measurement with noise (Kalman, 1960); a try that failed, or a goal that was
/// met, tells only on which side the learner stands, and is taken in by its first two moments (assumed density filtering with a probit;
/// Rasmussen and Williams, "Gaussian Processes for Machine Learning", section 3.9). Both sources cited from memory.</remarks>
/// <param name="First">Mean of the tempo at the first entry.</param>
/// <param name="Last">Mean of the tempo on the date.</param>
/// <param name="FirstVariance">Variance of the first.</param>
/// <param name="Covariance">Covariance of both.</param>
/// <param name="LastVariance">Variance of the last.</param>
internal readonly record struct TempoBelief(double First, double Last, double FirstVariance, double Covariance, double LastVariance)
{
    private const double LeastChance = 1e-12;

    /// <summary>Mean of the tempo where so much of the way is left.</summary>
    public double Mean(double left) => (left * First) + ((1 - left) * Last);

    /// <summary>Variance of the tempo there, without the noise of a hearing.</summary>
    public double Variance(double left) =>
        (left * left * FirstVariance) + (2 * left * (1 - left) * Covariance) + ((1 - left) * (1 - left) * LastVariance);

    /// <summary>After a tempo was heard; and how likely that was.</summary>
    public (TempoBelief After, double Likelihood) Heard(double left, double tempo, double noise)
    {
        var spread = Variance(left) + (noise * noise);
        var off = tempo - Mean(left);
        return (Moved(left, off / spread, 1 / spread), Math.Exp(-off * off / (2 * spread)) / Math.Sqrt(2 * Math.PI * spread));
    }

    /// <summary>After a hearing that told only the side: below or above a tempo.</summary>
    public (TempoBelief After, double Likelihood) Beside(double left, double tempo, double noise, bool above)
    {
        var spread = Math.Sqrt(Variance(left) + (noise * noise));
        var sign = above ? 1 : -1;
        var z = sign * (Mean(left) - tempo) / spread;
        var chance = Math.Max(LeastChance, NormalCurve.Below(z));
        var ratio = NormalCurve.Density(z) / chance;
        return (Moved(left, sign * ratio / spread, Math.Max(0, ratio * (z + ratio)) / (spread * spread)), chance);
    }

    // A change of mean by "shift" and of variance by "shrink", both along the tempo at the moment.
    private TempoBelief Moved(double left, double shift, double shrink)
    {
        var a = (left * FirstVariance) + ((1 - left) * Covariance);
        var b = (left * Covariance) + ((1 - left) * LastVariance);
        return new TempoBelief(
            First + (a * shift),
            Last + (b * shift),
            FirstVariance - (a * a * shrink),
            Covariance - (a * b * shrink),
            LastVariance - (b * b * shrink)
        );
    }
}
