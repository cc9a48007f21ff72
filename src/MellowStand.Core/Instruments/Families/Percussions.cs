namespace MellowStand.Core.Instruments.Families;

/// <summary>Percussion of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Percussions
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("glockenspiel", "Glockenspiel", Family.Percussion, Kin.Mallets)
        {
            Names = Instrument.Words("glock glsp glockenspiel bells orchestra-bells campanelli jeu-de-timbres"),
            Sounds = ["pitched-percussion.glockenspiel"],
            Transposition = new(0, 0, 2),
            Clef = "G2",
            Program = 10,
            Ranges = new("G3 C6", "G3 C6", "F3 E6"),
            Section = "Percussion",
            Clean = new(10, 10),
            Mechanism = new StruckBars(),
        },
        new("xylophone", "Xylophone", Family.Percussion, Kin.Mallets)
        {
            Names = Instrument.Words("xyl xylo xylophone xylophon silofono"),
            Sounds = ["pitched-percussion.xylophone"],
            Transposition = new(0, 0, 1),
            Clef = "G2",
            Program = 14,
            Ranges = new("F3 C7", "F3 C7", "F3 C7"),
            Section = "Percussion",
            Clean = new(10, 10),
            Options = [InstrumentOptions.FourMallets],
            Mechanism = new StruckBars(),
        },
        new("marimba", "Marimba", Family.Percussion, Kin.Mallets)
        {
            Names = Instrument.Words("mar mrb marimba marimbaphon"),
            Sounds = ["pitched-percussion.marimba"],
            Clef = "G2",
            Program = 13,
            Ranges = new("C3 C6", "A2 C6", "C2 C7"),
            Section = "Percussion",
            Clean = new(10, 10),
            Options = [InstrumentOptions.FourMallets],
            Mechanism = new StruckBars(),
        },
        new("vibraphone", "Vibraphone", Family.Percussion, Kin.Mallets)
        {
            Names = Instrument.Words("vib vibes vibraphone vibraphon vibrafono mallets mallet-percussion"),
            Sounds = ["pitched-percussion.vibraphone"],
            Clef = "G2",
            Program = 12,
            Ranges = new("F3 F6"),
            Section = "Percussion",
            Clean = new(10, 10),
            Options = [InstrumentOptions.FourMallets],
            Mechanism = new StruckBars(),
        },
        new("chimes", "Chimes", Family.Percussion, Kin.Mallets)
        {
            Names = Instrument.Words("chimes tubular-bells röhrenglocken campane cloches-tubulaires"),
            Clef = "G2",
            Program = 15,
            Ranges = new("C4 F5"),
            Section = "Percussion",
            Clean = new(4, 4),
            Mechanism = new StruckBars(),
        },
        new("timpani", "Timpani", Family.Percussion, Kin.Timpani)
        {
            Names = Instrument.Words("timp timpani pauken timbales kettledrums"),
            Sounds = ["drum.timpani"],
            Clef = "F4",
            Program = 48,
            Ranges = new("E2 G3", "D2 A3", "C2 C4"),
            Section = "Percussion",
            Clean = new(9, 9),
            Options = [InstrumentOptions.FifthDrum],
            Mechanism = new StruckBars(),
        },
        new("drums", "Percussion", Family.Percussion, Kin.Drums)
        {
            Names = Instrument.Words(
                "perc percussion drums snare snare-drum sd bass-drum bd cymbals cymbal triangle tambourine drumset "
                    + "schlagzeug schlagwerk percussioni batteria batterie percussions tamburo kleine-trommel "
                    + "grosse-trommel becken crash-cymbals suspended-cymbal"
            ),
            Sounds = ["drum.snare-drum"],
            Clef = "percussion",
            Program = 1,
            Ranges = new("C3 C6"),
            Section = "Percussion",
            Clean = new(12, 12),
            Mechanism = new StruckSkins(),
        },
    ];
}
