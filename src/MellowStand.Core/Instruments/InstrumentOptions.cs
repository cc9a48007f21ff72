namespace MellowStand.Core.Instruments;

/// <summary>Something that one player's instrument has and another's has not.</summary>
/// <param name="Id">A stable key, e.g. <c>left-f</c>.</param>
/// <param name="Name">What players call it.</param>
/// <param name="IsUsual">True when an instrument has it where nothing is said.</param>
public sealed record InstrumentOption(string Id, string Name, bool IsUsual);

/// <summary>Options of players' instruments: keys, valves, strings and feet that change the fingering. Which instrument may have which
/// stands in its record.</summary>
/// <remarks>What is usual in a school: from memory, common practice, no published source.</remarks>
public static class InstrumentOptions
{
    /// <summary>Thumb B♭ taught.</summary>
    public static InstrumentOption ThumbBFlat { get; } = new("thumb-b-flat", "Thumb B♭ taught", true);

    /// <summary>Low B foot.</summary>
    public static InstrumentOption LowBFoot { get; } = new("low-b-foot", "Low B foot", false);

    /// <summary>Left F key.</summary>
    public static InstrumentOption LeftF { get; } = new("left-f", "Left F key", true);

    /// <summary>Keys down to low C.</summary>
    public static InstrumentOption LowC { get; } = new("low-c", "Keys down to low C", false);

    /// <summary>Left G♯/D♯ lever.</summary>
    public static InstrumentOption LeftGSharp { get; } = new("left-g-sharp", "Left G♯/D♯ lever", false);

    /// <summary>High F♯ key.</summary>
    public static InstrumentOption HighFSharp { get; } = new("high-f-sharp", "High F♯ key", true);

    /// <summary>Low A key.</summary>
    public static InstrumentOption LowA { get; } = new("low-a", "Low A key", true);

    /// <summary>Double horn.</summary>
    public static InstrumentOption BFlatSide { get; } = new("b-flat-side", "Double horn", true);

    /// <summary>Fourth valve.</summary>
    public static InstrumentOption FourthValve { get; } = new("fourth-valve", "Fourth valve", true);

    /// <summary>Compensating valves.</summary>
    public static InstrumentOption Compensating { get; } = new("compensating", "Compensating valves", false);

    /// <summary>F attachment.</summary>
    public static InstrumentOption FAttachment { get; } = new("f-attachment", "F attachment", false);

    /// <summary>Second valve (G♭, with F: D).</summary>
    public static InstrumentOption SecondAttachment { get; } = new("second-attachment", "Second valve (G♭, with F: D)", true);

    /// <summary>Fifth string (low B).</summary>
    public static InstrumentOption FifthString { get; } = new("fifth-string", "Fifth string (low B)", false);

    /// <summary>Fifth kettledrum (20 inches).</summary>
    public static InstrumentOption FifthDrum { get; } = new("fifth-drum", "Fifth kettledrum (20 inches)", false);

    /// <summary>Plays with four mallets.</summary>
    public static InstrumentOption FourMallets { get; } = new("four-mallets", "Plays with four mallets", true);

    /// <summary>The options that an instrument may have; none for one that is not in the catalog.</summary>
    public static IReadOnlyList<InstrumentOption> For(string instrument) => Catalog.Find(instrument)?.Options ?? [];

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
