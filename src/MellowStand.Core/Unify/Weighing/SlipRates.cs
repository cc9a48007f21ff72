namespace MellowStand.Core.Unify;

/// <summary>How often copyists slip, a note or sign at a time: the weights with which readings are compared.</summary>
/// <param name="Forgotten">A sign that was meant is not printed.</param>
/// <param name="Stray">A sign is printed that was not meant.</param>
/// <param name="Other">Another sign is printed than was meant.</param>
/// <remarks>Forgetting is several times as frequent as adding: common practice, no published source; the numbers are ours.</remarks>
internal sealed record SlipRates(double Forgotten, double Stray, double Other)
{
    // A sign that stands on three notes or more in a row did not get there by a slip of the pen.
    private const int PatternLength = 3;
    private const double StrayPattern = 0.1;

    private static readonly string[] Between = ["+", ", ", " and "];

    private static readonly SlipRates Usual = new(0.05, 0.012, 0.012);

    private static readonly Dictionary<string, SlipRates> Rates = new()
    {
        ["articulation"] = Usual,
        ["slur"] = new(0.05, 0.01, 0.03),
        ["dynamic"] = new(0.06, 0.012, 0.015),
        ["hairpin"] = new(0.05, 0.01, 0.03),
        ["ornament"] = new(0.04, 0.008, 0.01),
        ["breath"] = new(0.1, 0.03, 0.02),
        ["bowing"] = new(0.06, 0.02, 0.02),
        ["pitch"] = new(0.005, 0.005, 0.005),
        ["rhythm"] = new(0.006, 0.006, 0.006),
    };

    /// <summary>The rates of a kind.</summary>
    /// <param name="kind">The kind of difference.</param>
    /// <param name="notes">On how many notes of a part in a row the readings differ.</param>
    public static SlipRates Of(string kind, int notes)
    {
        var rates = Rates.GetValueOrDefault(kind, Usual);
        return notes >= PatternLength ? rates with { Stray = rates.Stray * StrayPattern } : rates;
    }

    /// <summary>How likely a part prints one thing when another is meant; each sign of a reading slips for itself.</summary>
    public double Chance(string printed, string meant)
    {
        if (printed == meant)
            return 1 - Forgotten;
        var (has, wants) = (Signs(printed), Signs(meant));
        var (missing, extra) = (wants.Except(has).Count(), has.Except(wants).Count());
        if (missing > 0 && extra > 0)
            return Other;
        return Math.Pow(Forgotten, Math.Min(missing, 2)) * Math.Pow(Stray, Math.Min(extra, 2));
    }

    private static string[] Signs(string reading) => reading.Split(Between, StringSplitOptions.RemoveEmptyEntries);
}
