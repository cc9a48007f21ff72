using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique;

/// <summary>What a part's own name says of the instrument: "Trombone with F attachment" has one.</summary>
/// <remarks>Common practice, no published source.</remarks>
public static class NamedOptions
{
    private static readonly (string Words, string Option)[] Table =
    [
        ("f attachment", "f-attachment"),
        ("f-attachment", "f-attachment"),
        ("trigger", "f-attachment"),
        ("double horn", "b-flat-side"),
        ("4-valve", "fourth-valve"),
        ("four valves", "fourth-valve"),
        ("compensating", "compensating"),
        ("5-string", "fifth-string"),
        ("five string", "fifth-string"),
        ("low c", "low-c"),
        ("low a", "low-a"),
        ("four mallets", "four-mallets"),
    ];

    /// <summary>Hands with what the part's name adds; null stays null where it adds nothing.</summary>
    /// <param name="hands">What the players of the part have, or null.</param>
    /// <param name="part">The part.</param>
    /// <param name="instrument">Its instrument, or null.</param>
    public static Hands? With(Hands? hands, Part part, Instrument? instrument)
    {
        if (instrument is null)
            return hands;
        var name = part.Name.ToLowerInvariant();
        var possible = InstrumentOptions.For(instrument.Id).Select(o => o.Id).ToHashSet();
        var named = Table
            .Where(t => possible.Contains(t.Option) && name.Contains(t.Words, StringComparison.Ordinal))
            .Select(t => t.Option)
            .ToList();
        if (named.Count == 0)
            return hands;
        var own = hands ?? Hands.Usual(instrument.Id);
        return own with { Options = own.Options.Union(named).ToHashSet() };
    }
}
