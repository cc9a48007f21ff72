namespace MellowStand.Core.Instruments.Families;

/// <summary>Bowed strings of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class BowedStrings
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("violin", "Violin", Family.Strings, Kin.Violin)
        {
            Names = Instrument.Words("vn vln vl violin violins violino violini violine violinen geige geigen violon violons"),
            Sounds = ["strings.violin"],
            Clef = "G2",
            Program = 41,
            Ranges = new("G3 B5", "G3 E6", "G3 B7"),
            Section = "Violins",
            Clean = new(9, 11),
            Mechanism = new Bowed(),
        },
        new("viola", "Viola", Family.Strings, Kin.Viola)
        {
            Names = Instrument.Words("va vla viola violas viole bratsche bratschen alto altos"),
            Sounds = ["strings.viola"],
            Clef = "C3",
            Program = 42,
            Ranges = new("C3 E5", "C3 A5", "C3 D6"),
            Section = "Violas",
            Clean = new(9, 11),
            Mechanism = new Bowed(),
        },
        new("cello", "Violoncello", Family.Strings, Kin.Cello)
        {
            Names = Instrument.Words("vc vlc vcl cello cellos celli violoncello violoncelli violoncelle violoncelles"),
            Sounds = ["strings.cello"],
            Clef = "F4",
            Program = 43,
            Ranges = new("C2 A4", "C2 D5", "C2 A5"),
            Section = "Cellos",
            Clean = new(9, 11),
            Mechanism = new Bowed(),
        },
        new("contrabass", "Contrabass", Family.Strings, Kin.Contrabass)
        {
            Names = Instrument.Words(
                "cb db kb contrabass double-bass doublebass basses string-bass bass kontrabass contrabbasso "
                    + "contrabbassi contrebasse contrebasses"
            ),
            Sounds = ["strings.contrabass"],
            Transposition = new(0, 0, -1),
            Clef = "F4",
            Program = 44,
            Ranges = new("E2 D4", "E2 F4", "C2 G4"),
            Section = "Basses",
            Clean = new(7, 8),
            Options = [InstrumentOptions.FifthString],
            Mechanism = new Bowed(),
        },
    ];
}
