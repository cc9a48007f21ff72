namespace MellowStand.Core.Instruments;

/// <summary>Something that one player's instrument has and another's has not.</summary>
/// <param name="Id">A stable key, e.g. <c>left-f</c>.</param>
/// <param name="Name">What players call it.</param>
/// <param name="Instruments">Ids of the instruments that may have it.</param>
/// <param name="IsUsual">True when an instrument has it where nothing is said.</param>
public sealed record InstrumentOption(string Id, string Name, IReadOnlyList<string> Instruments, bool IsUsual);

/// <summary>Options of players' instruments: keys, valves, strings and feet that change the fingering.</summary>
/// <remarks>What is usual in a school: from memory, common practice, no published source.</remarks>
public static class InstrumentOptions
{
    /// <summary>All options.</summary>
    public static IReadOnlyList<InstrumentOption> All { get; } =
    [
        new("thumb-b-flat", "Thumb B♭ taught", ["flute", "piccolo", "alto-flute"], true),
        new("low-b-foot", "Low B foot", ["flute"], false),
        new("left-f", "Left F key", ["oboe", "english-horn"], true),
        new("low-c", "Keys down to low C", ["bass-clarinet"], false),
        new("left-g-sharp", "Left G♯/D♯ lever", ["clarinet-bb", "clarinet-a", "bass-clarinet"], false),
        new("high-f-sharp", "High F♯ key", ["soprano-sax", "alto-sax", "tenor-sax", "bari-sax"], true),
        new("low-a", "Low A key", ["bari-sax"], true),
        new("b-flat-side", "Double horn", ["horn-f"], true),
        new("fourth-valve", "Fourth valve", ["euphonium", "euphonium-tc", "tuba"], true),
        new("compensating", "Compensating valves", ["euphonium", "euphonium-tc", "tuba"], false),
        new("f-attachment", "F attachment", ["trombone"], false),
        new("second-attachment", "Second valve (G♭, with F: D)", ["bass-trombone"], true),
        new("fifth-string", "Fifth string (low B)", ["contrabass"], false),
        new("fifth-drum", "Fifth kettledrum (20 inches)", ["timpani"], false),
        new("four-mallets", "Plays with four mallets", ["marimba", "vibraphone", "xylophone"], true),
    ];

    /// <summary>The options that an instrument may have.</summary>
    public static IReadOnlyList<InstrumentOption> For(string instrument) => [.. All.Where(o => o.Instruments.Contains(instrument))];

    /// <summary>Ids of what an instrument has where nothing is said.</summary>
    public static IReadOnlySet<string> UsualOf(string instrument) => For(instrument).Where(o => o.IsUsual).Select(o => o.Id).ToHashSet();

    /// <summary>What all of several players have: a part is fingered so that each of them can play it. The usual options where nobody
    /// sits.</summary>
    /// <param name="instrument">Instrument id.</param>
    /// <param name="players">The options of each player; null for a player of whom nothing is said.</param>
    public static IReadOnlySet<string> Shared(string instrument, IEnumerable<IReadOnlySet<string>?> players)
    {
        var usual = UsualOf(instrument);
        HashSet<string>? shared = null;
        foreach (var own in players.Select(p => p ?? usual))
        {
            if (shared is null)
                shared = [.. own];
            else
                shared.IntersectWith(own);
        }

        return shared ?? usual;
    }
}
