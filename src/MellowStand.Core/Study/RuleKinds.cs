namespace MellowStand.Core.Study;

/// <summary>The kind of thing a rule looks for: what the list of findings is filtered by.</summary>
public static class RuleKinds
{
    private static readonly Dictionary<string, string> Kinds = Build(
        ("frame", "signature tempo-words form"),
        ("counting", "pickup count-unit meter-grouping long-length rest-count offbeat-entry metric-change"),
        ("accidentals", "carried-accidental enharmonic back-to-signature hidden-key"),
        ("patterns", "near-miss chromatic-run scale arpeggio chord-name sequence"),
        ("returns", "return transposed-return mirror"),
        ("rhythm", "syncopation flipped-rhythm hemiola triplet-against-dotted"),
        ("tempo", "a-tempo-without-slowing slowing-unresolved no-slowing-at-end fermata"),
        ("dynamics", "no-dynamics subito halfway-level hairpin-to-nowhere soft-high-entry sustained-level forgotten-piano"),
        (
            "articulation",
            "lone-mark pattern-change slur-across-beams offbeat-accent dots-under-slur two-note-slur staccato-length unmarked"
        ),
        ("ornaments", "trill turn mordent grace"),
        ("breath", "no-breath breath-place bow-length"),
        ("range", "large-leap range high-strain register-crossing"),
        ("sharing", "solo shared-line shared-rhythm answer")
    );

    /// <summary>The kinds, in the order in which a director looks.</summary>
    public static IReadOnlyList<string> All { get; } = [.. Kinds.Values.Distinct()];

    /// <summary>The kind of a rule; <c>other</c> for one that has none.</summary>
    public static string Of(string rule) => Kinds.GetValueOrDefault(rule, "other");

    private static Dictionary<string, string> Build(params (string Kind, string Rules)[] rows) =>
        rows.SelectMany(r => r.Rules.Split(' ').Select(rule => (rule, r.Kind))).ToDictionary(x => x.rule, x => x.Kind);
}
