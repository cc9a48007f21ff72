namespace MellowStand.Core.Instruments.Families;

/// <summary>Flutes of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Flutes
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("piccolo", "Piccolo", Family.Woodwind, Kin.Flute)
        {
            Names = Instrument.Words("pic picc piccolo ottavino petite-flûte kleine-flöte"),
            Sounds = ["wind.flutes.flute.piccolo"],
            Transposition = new(0, 0, 1),
            Clef = "G2",
            Program = 73,
            Ranges = new("D4 Bb6", "D4 B6", "D4 C7"),
            Section = "Flutes",
            Clean = new(8, 12),
            DoubleTongues = true,
            Options = [InstrumentOptions.ThumbBFlat],
            Mechanism = new Keyed(KeySystem.Flute),
        },
        new("flute", "Flute", Family.Woodwind, Kin.Flute)
        {
            Names = Instrument.Words("fl flute flutes flauto flauti flöte flöten flûte flûtes grosse-flöte"),
            Sounds = ["wind.flutes.flute"],
            Clef = "G2",
            Program = 74,
            Ranges = new("C4 Bb6", "C4 C7", "B3 D7"),
            Section = "Flutes",
            Clean = new(8, 12),
            DoubleTongues = true,
            Options = [InstrumentOptions.ThumbBFlat, InstrumentOptions.LowBFoot],
            Mechanism = new Keyed(KeySystem.Flute),
        },
        new("alto-flute", "Alto flute", Family.Woodwind, Kin.Flute)
        {
            Names = Instrument.Words("alto-flute altflöte flauto-contralto flûte-alto"),
            Transposition = new(-3, -5, 0),
            Clef = "G2",
            Program = 74,
            Ranges = new("C4 G6", "C4 A6", "C4 C7"),
            Section = "Flutes",
            Clean = new(8, 12),
            DoubleTongues = true,
            Options = [InstrumentOptions.ThumbBFlat],
            Mechanism = new Keyed(KeySystem.Flute),
        },
    ];
}
