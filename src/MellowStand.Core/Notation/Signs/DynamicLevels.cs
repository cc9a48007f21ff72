namespace MellowStand.Core.Notation;

/// <summary>Written dynamic levels on a common scale, and the signs that strike one note only.</summary>
/// <remarks>The order of levels: MusicXML 4.0, element "dynamics". One step between neighbours is a convention of
/// ours; nobody has a published loudness for mezzo forte.</remarks>
public static class DynamicLevels
{
    private static readonly string[] Scale = ["pppp", "ppp", "pp", "p", "mp", "mf", "f", "ff", "fff", "ffff"];

    // An accent sign keeps the level that follows it: fp is loud once, then p.
    private static readonly Dictionary<string, string?> After = new()
    {
        ["fp"] = "p",
        ["sfp"] = "p",
        ["sfpp"] = "pp",
        ["pf"] = "f",
        ["sf"] = null,
        ["sfz"] = null,
        ["sffz"] = null,
        ["fz"] = null,
        ["rf"] = null,
        ["rfz"] = null,
        ["sfzp"] = "p",
        ["n"] = "pppp",
    };

    /// <summary>The level assumed where none is printed: start from mezzo forte.</summary>
    /// <remarks>Common practice, no published source.</remarks>
    public static int Default => 5;

    /// <summary>True for any sign this table knows.</summary>
    public static bool IsLevel(string sign) => Array.IndexOf(Scale, sign) >= 0 || After.ContainsKey(sign);

    /// <summary>The level that holds after a sign (0 = pppp … 9 = ffff), or null when it strikes one note only.</summary>
    public static int? LevelAfter(string sign)
    {
        if (After.TryGetValue(sign, out var level))
            return level is null ? null : Array.IndexOf(Scale, level);
        var place = Array.IndexOf(Scale, sign);
        return place < 0 ? null : place;
    }

    /// <summary>True for a sign that is loud once and soft after: fp, sfp and their like.</summary>
    public static bool IsStrikeThenLevel(string sign) => sign.Contains('f', StringComparison.Ordinal) && sign.EndsWith('p');

    /// <summary>The sign of a level, kept inside the scale.</summary>
    public static string SignOf(int level) => Scale[Math.Clamp(level, 0, Scale.Length - 1)];
}
