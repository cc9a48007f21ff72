namespace MellowStand.Core.Auditions;

/// <summary>A kind of audition piece.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Words">In words.</param>
/// <param name="Hints">Words of titles and file names that speak for it, lower case.</param>
public sealed record EntryKind(string Name, string Words, IReadOnlyList<string> Hints);

/// <summary>All kinds of audition pieces, in the order in which they are usually played.</summary>
/// <remarks>One lyrical and one technical etude, excerpts, scales: common practice, no published source; the hints are tempo and character
/// words, from memory.</remarks>
public static class EntryKinds
{
    /// <summary>Every kind.</summary>
    public static IReadOnlyList<EntryKind> All { get; } =
    [
        new(
            "lyrical",
            "lyrical etude",
            [.. "lyrical lyric slow cantabile adagio andante largo lento larghetto espressivo song air aria melody".Split(' ')]
        ),
        new(
            "technical",
            "technical etude",
            [.. "technical tech technique quick fast allegro presto vivace vivo study velocity agitato marcato dance march".Split(' ')]
        ),
        new("excerpt", "excerpt", [.. "excerpt excerpts orchestral passage solo".Split(' ')]),
        new("scales", "scales", [.. "scale scales arpeggio arpeggios chromatic".Split(' ')]),
    ];

    /// <summary>The kind with the name, or null.</summary>
    public static EntryKind? Find(string? name) => All.FirstOrDefault(k => k.Name == name);

    /// <summary>Its place in the usual order; unknown ones come last.</summary>
    public static int PlaceOf(string name)
    {
        var place = All.Select(k => k.Name).ToList().IndexOf(name);
        return place < 0 ? All.Count : place;
    }
}
