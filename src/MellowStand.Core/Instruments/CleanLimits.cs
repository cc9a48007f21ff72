namespace MellowStand.Core.Instruments;

/// <summary>How many notes a second a player keeps clean and even.</summary>
/// <param name="Tongued">Notes a second that each begin anew: by tongue, by bow, by stick, by finger.</param>
/// <param name="Slurred">Notes a second inside a slur.</param>
public sealed record CleanLimit(double Tongued, double Slurred)
{
    /// <summary>Notes a second up to which the tongue strokes singly; beyond it doubles.</summary>
    public double SinglyTongued { get; init; } = Tongued;
}

/// <summary>Limits of clean playing by level; those of the good school player stand in each instrument's record.</summary>
/// <remarks>Eight tongued notes a second (sixteenths at quarter = 120) and twelve slurred ones are what a good school player on a woodwind
/// keeps even; brass tongue a little slower and slur over partials slower still; a slide is slower; sticks are quicker. An advanced player
/// is a fifth quicker, a trained one two fifths. Flutes and most brass double-tongue from the advanced level on. Common practice, no
/// published source: every school may draw them nearer by what it logs.</remarks>
public static class CleanLimits
{
    private static readonly Dictionary<string, double> Levels = new()
    {
        ["comfortable"] = 1,
        ["advanced"] = 1.2,
        ["extreme"] = 1.4,
    };

    private static readonly Dictionary<string, double> BreathByLevel = new()
    {
        ["comfortable"] = 1,
        ["advanced"] = 1.15,
        ["extreme"] = 1.3,
    };

    private static readonly CleanLimit Unknown = new(8, 12);

    private static readonly Dictionary<string, double> DoublyTongued = new() { ["advanced"] = 11, ["extreme"] = 13 };

    /// <summary>The limit of an instrument in the hands of a level.</summary>
    /// <param name="instrument">The instrument, or null for an unknown one.</param>
    /// <param name="level">One of <see cref="WrittenRanges.Levels"/>.</param>
    public static CleanLimit Of(Instrument? instrument, string level)
    {
        var limit = instrument?.Clean ?? Unknown;
        var times = Levels.GetValueOrDefault(level, 1);
        var single = limit.Tongued * times;
        var doubled = instrument?.DoubleTongues == true ? DoublyTongued.GetValueOrDefault(level) : 0;
        return new CleanLimit(Math.Max(single, doubled), limit.Slurred * times) { SinglyTongued = single };
    }

    /// <summary>How much longer than the house's breath or bow a level plays on one.</summary>
    public static double BreathOf(string level) => BreathByLevel.GetValueOrDefault(level, 1);
}
