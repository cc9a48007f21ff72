namespace MellowStand.Core.Instruments.Families;

/// <summary>Saxophones of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Saxophones
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("soprano-sax", "Soprano saxophone", Family.Woodwind, Kin.Saxophone)
        {
            Names = Instrument.Words("soprano-sax soprano-saxophone sopransaxophon sassofono-soprano saxophone-soprano"),
            Sounds = ["wind.reed.saxophone.soprano"],
            Transposition = Transpositions.InBb,
            Clef = "G2",
            Program = 65,
            Ranges = new("Bb3 D6", "Bb3 F6", "Bb3 G6"),
            Section = "Saxophones",
            Clean = new(8, 12),
            Options = [InstrumentOptions.HighFSharp],
            Mechanism = new Keyed(KeySystem.Saxophone),
        },
        new("alto-sax", "Alto saxophone", Family.Woodwind, Kin.Saxophone)
        {
            Names = Instrument.Words(
                "asx alto-sax alto-saxophone a-sax altsax altsaxophon sassofono-contralto saxophone-alto sax-alto "
                    + "saxophone sax"
            ),
            Sounds = ["wind.reed.saxophone.alto"],
            Transposition = Transpositions.InEbLow,
            Clef = "G2",
            Program = 66,
            Ranges = new("Bb3 D6", "Bb3 F6", "Bb3 C7"),
            Section = "Saxophones",
            Clean = new(8, 12),
            Options = [InstrumentOptions.HighFSharp],
            Mechanism = new Keyed(KeySystem.Saxophone),
        },
        new("tenor-sax", "Tenor saxophone", Family.Woodwind, Kin.Saxophone)
        {
            Names = Instrument.Words("tsx tenor-sax tenor-saxophone t-sax tenorsax tenorsaxophon sassofono-tenore saxophone-ténor"),
            Sounds = ["wind.reed.saxophone.tenor"],
            Transposition = Transpositions.InBbOctave,
            Clef = "G2",
            Program = 67,
            Ranges = new("Bb3 D6", "Bb3 F6", "Bb3 C7"),
            Section = "Saxophones",
            Clean = new(8, 12),
            Options = [InstrumentOptions.HighFSharp],
            Mechanism = new Keyed(KeySystem.Saxophone),
        },
        new("bari-sax", "Baritone saxophone", Family.Woodwind, Kin.Saxophone)
        {
            Names = Instrument.Words(
                "bsx bari-sax baritone-sax baritone-saxophone b-sax baritonsax baritonsaxophon sassofono-baritono "
                    + "saxophone-baryton"
            ),
            Sounds = ["wind.reed.saxophone.baritone"],
            Transposition = Transpositions.InEbLowOctave,
            Clef = "G2",
            Program = 68,
            Ranges = new("Bb3 C6", "Bb3 F6", "A3 G6"),
            Section = "Saxophones",
            Clean = new(7, 11),
            Options = [InstrumentOptions.HighFSharp, InstrumentOptions.LowA],
            Mechanism = new Keyed(KeySystem.Saxophone),
        },
    ];
}
