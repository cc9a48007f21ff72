namespace MellowStand.Core.Instruments;

/// <summary>How many notes a second a player keeps clean and even.</summary>
/// <param name="Tongued">Notes a second that each begin anew: by tongue, by bow, by stick, by finger.</param>
/// <param name="Slurred">Notes a second inside a slur.</param>
public sealed record CleanLimit(double Tongued, double Slurred)
{
    /// <summary>Notes a second up to which the tongue strokes singly; beyond it doubles.</summary>
    public double SinglyTongued { get; init; } = Tongued;
}

/// <summary>Limits of clean playing by instrument and level.</summary>
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

    private static readonly Dictionary<Family, CleanLimit> Families = new()
    {
        [Family.Woodwind] = new(8, 12),
        [Family.Brass] = new(7.5, 9),
        [Family.Strings] = new(9, 11),
        [Family.Percussion] = new(10, 10),
        [Family.Keyboard] = new(10, 10),
        [Family.Voice] = new(6, 8),
        [Family.Unknown] = new(8, 12),
    };

    // Instruments that are slower or quicker than their family.
    private static readonly Dictionary<string, CleanLimit> Own = new()
    {
        ["oboe"] = new(7.5, 11),
        ["english-horn"] = new(7.5, 11),
        ["bassoon"] = new(7.5, 11),
        ["contrabassoon"] = new(6.5, 9),
        ["bass-clarinet"] = new(7, 11),
        ["contra-clarinet"] = new(6, 9),
        ["bari-sax"] = new(7, 11),
        ["trumpet-bb"] = new(8, 10),
        ["trumpet-c"] = new(8, 10),
        ["cornet"] = new(8, 10),
        ["trombone"] = new(6.5, 6.5),
        ["bass-trombone"] = new(6, 6),
        ["tuba"] = new(6.5, 8),
        ["contrabass"] = new(7, 8),
        ["drums"] = new(12, 12),
        ["timpani"] = new(9, 9),
        ["chimes"] = new(4, 4),
    };

    // Without a reed in the mouth the tongue can double; a slide is no quicker for it.
    private static readonly HashSet<string> Doubles =
    [
        "flute",
        "piccolo",
        "alto-flute",
        "trumpet-bb",
        "trumpet-c",
        "cornet",
        "flugelhorn",
        "horn-f",
        "euphonium",
        "euphonium-tc",
    ];

    private static readonly Dictionary<string, double> DoublyTongued = new() { ["advanced"] = 11, ["extreme"] = 13 };

    /// <summary>The limit of an instrument in the hands of a level.</summary>
    /// <param name="instrument">The instrument, or null for an unknown one.</param>
    /// <param name="level">One of <see cref="WrittenRanges.Levels"/>.</param>
    public static CleanLimit Of(Instrument? instrument, string level)
    {
        var limit = Own.GetValueOrDefault(instrument?.Id ?? "") ?? Families[instrument?.Family ?? Family.Unknown];
        var times = Levels.GetValueOrDefault(level, 1);
        var single = limit.Tongued * times;
        var doubled = Doubles.Contains(instrument?.Id ?? "") ? DoublyTongued.GetValueOrDefault(level) : 0;
        return new CleanLimit(Math.Max(single, doubled), limit.Slurred * times) { SinglyTongued = single };
    }

    /// <summary>How much longer than the house's breath or bow a level plays on one.</summary>
    public static double BreathOf(string level) => BreathByLevel.GetValueOrDefault(level, 1);
}
