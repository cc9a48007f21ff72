using MellowStand.Core.Instruments;

namespace MellowStand.Core.Unify;

/// <summary>Words that change how a part is played, until another of their group.</summary>
/// <param name="Stem">How it begins, in small letters.</param>
/// <param name="Group">Words of one group replace each other.</param>
/// <param name="Sign">As it is written in.</param>
internal sealed record PlayingWord(string Stem, string Group, string Sign);

/// <summary>The usual words, and who reads them.</summary>
/// <remarks>From memory; common practice, no published source.</remarks>
internal static class PlayingWords
{
    public const string Bow = "bow";
    public const string Mute = "mute";

    /// <summary>The sign of plucked strings.</summary>
    public const string Plucked = "pizz.";

    public const string Desk = "desk";

    // What holds before the first word of a group.
    private static readonly Dictionary<string, string> Usual = new()
    {
        [Bow] = "arco",
        [Mute] = "senza sord.",
        [Desk] = "",
    };

    private static readonly PlayingWord[] Table =
    [
        new("pizz", Bow, "pizz."),
        new("arco", Bow, "arco"),
        new("col legno", Bow, "col legno"),
        new("sul pont", Bow, "sul pont."),
        new("sul tasto", Bow, "sul tasto"),
        new("ord.", Bow, "arco"),
        new("ordinario", Bow, "arco"),
        new("con sord", Mute, "con sord."),
        new("mit dämpfer", Mute, "con sord."),
        new("muted", Mute, "con sord."),
        new("mute on", Mute, "con sord."),
        new("senza sord", Mute, "senza sord."),
        new("ohne dämpfer", Mute, "senza sord."),
        new("mute off", Mute, "senza sord."),
        new("open", Mute, "senza sord."),
        new("solo", Desk, "solo"),
        new("soli", Desk, "soli"),
        new("tutti", Desk, "tutti"),
        new("a 2", Desk, "a 2"),
        new("a2", Desk, "a 2"),
        new("unis", Desk, "unis."),
        new("div", Desk, "div."),
    ];

    /// <summary>The groups.</summary>
    public static IEnumerable<string> Groups => Usual.Keys;

    /// <summary>What holds before the first word of a group.</summary>
    public static string UsualOf(string group) => Usual[group];

    /// <summary>The word that a printed text says, or null.</summary>
    public static PlayingWord? In(string text)
    {
        var words = text.Trim().ToLowerInvariant();
        return Table.FirstOrDefault(w => words.StartsWith(w.Stem, StringComparison.Ordinal) && words.Length <= w.Stem.Length + 12);
    }

    /// <summary>True for a part that words of a group are written for.</summary>
    public static bool AreFor(string group, Family family, Sustain sustain) =>
        group switch
        {
            Bow => sustain == Sustain.Bow,
            Mute => sustain == Sustain.Bow || family == Family.Brass,
            _ => true,
        };
}
