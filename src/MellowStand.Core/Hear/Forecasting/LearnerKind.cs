namespace MellowStand.Core.Hear;

/// <summary>One kind of learner: how the clean tempo goes from the first entry to the date, and how much single hearings differ.</summary>
/// <remarks>The curve is exponential: gains shrink from week to week by a factor that belongs to the kind. Heathcote, Brown and Mewhort,
/// "The power law repealed: the case for an exponential law of practice", Psychonomic Bulletin and Review 7 (2000), cited from memory.
/// Learners who begin late or stop are the same curve held still before or after a day; a steady one is its limit. All times are shares
/// of the stretch from the first entry to the date, so that a week and a season are judged alike; tempos are shares of the
/// goal.</remarks>
/// <param name="Pace">After such a share of the stretch the gain of a week has shrunk to 1/e.</param>
/// <param name="Begins">Where the gain begins, as a share of the stretch.</param>
/// <param name="Stops">Where it stops, or null for those who go on.</param>
/// <param name="Noise">Standard deviation of a single hearing, as a share of the goal.</param>
/// <param name="Weight">How common the kind is, before anything was heard.</param>
internal sealed record LearnerKind(double Pace, double Begins, double? Stops, double Noise, double Weight)
{
    // A player begins at about two thirds of the goal, and one who goes on is about there on the date: whoever set the date meant it so.
    // Both
    // spreads are wide, since entries say more than we do.
    private const double Start = 0.65;
    private const double StartSpread = 0.2;
    private const double OnTheDay = 0.98;
    private const double SpreadOnTheDay = 0.16;

    // Where most of the time is still to come, more can be reached than was asked.
    private const double MoreWithTime = 0.14;
    private const double MostIsHeard = 0.4;

    // Paces and weights are ours, and hold what the calibration test asks of them.
    private static readonly (double Value, double Weight)[] Paces = [(0.13, 0.2), (0.3, 0.2), (0.8, 0.2), (8, 0.4)];
    private static readonly (double Value, double Weight)[] Beginnings = [(0, 0.7), (0.2, 0.15), (0.4, 0.15)];
    private static readonly (double? Value, double Weight)[] Ends = [(null, 0.72), (0.2, 0.07), (0.35, 0.07), (0.5, 0.07), (0.7, 0.07)];
    private static readonly (double Value, double Weight)[] Noises = [(0.012, 0.25), (0.025, 0.35), (0.05, 0.25), (0.09, 0.15)];

    /// <summary>Every kind, the weights adding up to one.</summary>
    public static IReadOnlyList<LearnerKind> All { get; } =
        Tidy(
            from pace in Paces
            from begin in Beginnings
            from end in Ends
            where end.Value is null || end.Value > begin.Value
            from noise in Noises
            select new LearnerKind(pace.Value, begin.Value, end.Value, noise.Value, pace.Weight * begin.Weight * end.Weight * noise.Weight)
        );

    /// <summary>What is believed of such a learner before anything was heard.</summary>
    /// <param name="heard">Where the newest entry stands, as a share of the stretch.</param>
    public static TempoBelief Fresh(double heard)
    {
        var open = Math.Max(0, MostIsHeard - heard) / MostIsHeard;
        return new TempoBelief(Start, OnTheDay + (MoreWithTime * open), StartSpread * StartSpread, 0, SpreadOnTheDay * SpreadOnTheDay);
    }

    /// <summary>How much of the way from the first entry to the date is left on a moment: 1 at first, 0 on the date, below 0 after
    /// it.</summary>
    /// <param name="share">The moment as a share of the stretch.</param>
    public double Left(double share)
    {
        var worked = Math.Max(0, Math.Min(share, Stops ?? double.MaxValue) - Begins);
        var whole = Math.Exp(-(1 - Begins) / Pace);
        return (Math.Exp(-worked / Pace) - whole) / (1 - whole);
    }

    private static LearnerKind[] Tidy(IEnumerable<LearnerKind> kinds)
    {
        var all = kinds.ToList();
        var total = all.Sum(k => k.Weight);
        return [.. all.Select(k => k with { Weight = k.Weight / total })];
    }
}
