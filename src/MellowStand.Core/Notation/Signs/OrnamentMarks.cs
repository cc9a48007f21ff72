namespace MellowStand.Core.Notation;

/// <summary>The ornaments that are played as more than one note.</summary>
/// <remarks>Names: MusicXML 4.0, element "ornaments".</remarks>
public static class OrnamentMarks
{
    /// <summary>Notes a second of a good player's trill; from memory.</summary>
    public const double TrillNotesPerSecond = 10;

    /// <summary>Two notes in turn.</summary>
    public static IReadOnlySet<string> Trills { get; } = new HashSet<string> { "trill-mark", "shake" };

    /// <summary>Around the note.</summary>
    public static IReadOnlySet<string> Turns { get; } =
        new HashSet<string> { "turn", "delayed-turn", "inverted-turn", "delayed-inverted-turn", "vertical-turn" };

    /// <summary>The note, its neighbour, the note.</summary>
    public static IReadOnlySet<string> Mordents { get; } = new HashSet<string> { "mordent", "inverted-mordent" };

    /// <summary>A way to the next note that is filled: the mark stands where it begins.</summary>
    public static IReadOnlySet<string> Slides { get; } = new HashSet<string> { "glissando-start", "slide-start" };

    /// <summary>All ornaments in the narrow sense.</summary>
    public static IReadOnlySet<string> All { get; } = new HashSet<string>([.. Trills, .. Turns, .. Mordents, "schleifer"]);

    /// <summary>True for a turn that begins with its lower note.</summary>
    public static bool IsInverted(string mark) => mark is "inverted-turn" or "delayed-inverted-turn";
}
