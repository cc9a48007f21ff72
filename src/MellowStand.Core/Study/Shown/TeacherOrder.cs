using MellowStand.Core.Instruments;

namespace MellowStand.Core.Study;

/// <summary>In which order a teacher of an instrument speaks of what hides in a part.</summary>
/// <remarks>First how the part is to be read, then what is nearest to the hands, the breath or the bow of that family, then the rest.
/// Common practice, no published source; the order is our own.</remarks>
public static class TeacherOrder
{
    /// <summary>The place of a rule that a teacher comes to last.</summary>
    public const int Last = 1000;

    // How the part is to be read, for everybody.
    private static readonly string[] Reading =
    [
        "signature",
        "count-unit",
        "hidden-key",
        "carried-accidental",
        "only-accidental",
        "meter-grouping",
        "metric-change",
        "sudden-tempo",
    ];

    private static readonly Dictionary<Family, string[]> Near = new()
    {
        [Family.Woodwind] = ["fingers", "trill", "grace", "dots-under-slur", "return", "no-breath", "breath-place", "soft-low-entry"],
        [Family.Brass] = ["large-leap", "fingers", "soft-high-entry", "high-strain", "no-breath", "breath-place", "trill"],
        [Family.Strings] = ["fingers", "no-time-to-change", "bow-length", "dots-under-slur", "two-note-slur", "trill", "glissando"],
        [Family.Percussion] = ["roll", "rest-count", "flipped-rhythm", "afterbeats", "offbeat-accent", "offbeat-entry", "grace", "return"],
        [Family.Voice] = ["no-breath", "breath-place", "large-leap", "soft-high-entry", "rest-count"],
        [Family.Keyboard] = ["trill", "turn", "grace", "return", "large-leap"],
    };

    private static readonly string[] Rest =
    [
        "a-tempo-without-slowing",
        "fingers",
        "near-miss",
        "trill",
        "roll",
        "turn",
        "mordent",
        "grace",
        "glissando",
        "dots-under-slur",
        "slur-in-slur",
        "return",
        "transposed-return",
        "flipped-rhythm",
        "mixed-divisions",
        "no-time-to-change",
        "no-breath",
        "bow-length",
        "breath-place",
        "slowing-unresolved",
        "rest-count",
        "offbeat-accent",
        "afterbeats",
        "subito",
        "forgotten-piano",
        "soft-high-entry",
        "soft-low-entry",
        "large-leap",
        "halfway-level",
        "offbeat-entry",
        "triplet-against-dotted",
        "hemiola",
        "range",
        "high-strain",
        "hairpin-to-nowhere",
        "lone-mark",
        "two-note-slur",
        "pattern-change",
        "no-dynamics",
        "tempo-words",
        "solo",
        "pickup",
        "fermata",
        "syncopation",
        "back-to-signature",
        "enharmonic",
        "register-crossing",
        "arpeggio",
        "scale",
        "chromatic-run",
        "sequence",
        "sustained-level",
        "vibrato",
        "long-length",
        "staccato-length",
    ];

    private static readonly Dictionary<Family, Dictionary<string, int>> Places = Enum.GetValues<Family>()
        .ToDictionary(f => f, PlacesFor);

    /// <summary>When a teacher comes to it: 0 is said first.</summary>
    /// <param name="rule">The rule's name.</param>
    /// <param name="family">The family of the instrument.</param>
    public static int Of(string rule, Family family) => Places[family].GetValueOrDefault(rule, Last);

    private static Dictionary<string, int> PlacesFor(Family family) =>
        Reading
            .Concat(Near.GetValueOrDefault(family) ?? [])
            .Concat(Rest)
            .Distinct()
            .Select((rule, place) => (rule, place))
            .ToDictionary(x => x.rule, x => x.place);

    /// <summary>True for what a teacher speaks of at all before the part is played.</summary>
    /// <param name="rule">The rule's name.</param>
    public static bool Names(string rule) => Places[Family.Unknown].ContainsKey(rule);
}
