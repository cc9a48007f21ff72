namespace MellowStand.Core.Instruments.Families;

/// <summary>Brass instruments of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Brasses
{
    // Sounding fundamentals of open tubes: the trumpet in B♭ and in C, the euphonium, the tuba.
    private const int InBbTube = 46;
    private const int InCTube = 48;
    private const int LowBbTube = 34;
    private const int LowestBbTube = 22;

    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("horn-f", "Horn", Family.Brass, Kin.Horn)
        {
            Names = Instrument.Words("hn hrn horn horns french-horn f-horn horn-in-f corno corni hörner waldhorn cor cors"),
            Sounds = ["brass.french-horn"],
            Transposition = Transpositions.InF,
            Clef = "G2",
            Program = 61,
            Ranges = new("G3 G5", "C3 A5", "F2 C6"),
            Section = "Horns",
            Clean = new(7.5, 9),
            DoubleTongues = true,
            HasVibrato = false,
            Options = [InstrumentOptions.BFlatSide],
            Mechanism = new HornValves(),
        },
        new("trumpet-bb", "Trumpet", Family.Brass, Kin.Trumpet)
        {
            Names = Instrument.Words("tpt trp trpt trumpet trumpets bb-trumpet tromba trombe trompete trompeten trompette trompettes"),
            Sounds = ["brass.trumpet", "brass.trumpet.bflat"],
            Transposition = Transpositions.InBb,
            InOtherKeys = ["trumpet-c"],
            Clef = "G2",
            Program = 57,
            Ranges = new("G3 A5", "F#3 C6", "F#3 F6"),
            Section = "Trumpets",
            Clean = new(8, 10),
            DoubleTongues = true,
            Mechanism = new Valved(InBbTube, 3),
        },
        new("trumpet-c", "Trumpet in C", Family.Brass, Kin.Trumpet)
        {
            Names = Instrument.Words("trumpet-in-c c-trumpet c-trompete tromba-in-do trompette-en-ut"),
            Sounds = ["brass.trumpet.c"],
            InOtherKeys = ["trumpet-bb"],
            Clef = "G2",
            Program = 57,
            Ranges = new("G3 G5", "F#3 Bb5", "F#3 D6"),
            Section = "Trumpets",
            Clean = new(8, 10),
            DoubleTongues = true,
            Mechanism = new Valved(InCTube, 3),
        },
        new("cornet", "Cornet", Family.Brass, Kin.Trumpet)
        {
            Names = Instrument.Words("cor-net cornet cornets crt kornett cornetta cornet-à-pistons"),
            Sounds = ["brass.cornet"],
            Transposition = Transpositions.InBb,
            Clef = "G2",
            Program = 57,
            Ranges = new("G3 A5", "F#3 C6", "F#3 E6"),
            Section = "Trumpets",
            Clean = new(8, 10),
            DoubleTongues = true,
            Mechanism = new Valved(InBbTube, 3),
        },
        new("flugelhorn", "Flugelhorn", Family.Brass, Kin.Trumpet)
        {
            Names = Instrument.Words("flugelhorn flügelhorn flicorno bugle flgh"),
            Transposition = Transpositions.InBb,
            Clef = "G2",
            Program = 57,
            Ranges = new("G3 G5", "F#3 A5", "F#3 C6"),
            Section = "Trumpets",
            Clean = new(7.5, 9),
            DoubleTongues = true,
            Mechanism = new Valved(InBbTube, 3),
        },
        new("trombone", "Trombone", Family.Brass, Kin.Trombone)
        {
            Names = Instrument.Words("tbn trb tbne trombone trombones tromboni posaune posaunen pos"),
            Sounds = ["brass.trombone", "brass.trombone.tenor"],
            Clef = "F4",
            Program = 58,
            Ranges = new("E2 F4", "E2 Bb4", "E1 D5"),
            Section = "Trombones",
            Clean = new(6.5, 6.5),
            Options = [InstrumentOptions.FAttachment],
            Mechanism = new Slid(false),
        },
        new("bass-trombone", "Bass trombone", Family.Brass, Kin.Trombone)
        {
            Names = Instrument.Words("bass-trombone b-tbn bassposaune trombone-basso trombone-basse"),
            Sounds = ["brass.trombone.bass"],
            Clef = "F4",
            Program = 58,
            Ranges = new("Bb1 D4", "E1 F4", "B0 Bb4"),
            Section = "Trombones",
            Clean = new(6, 6),
            Options = [InstrumentOptions.SecondAttachment],
            Mechanism = new Slid(true),
        },
        new("euphonium", "Euphonium", Family.Brass, Kin.Euphonium)
        {
            Names = Instrument.Words("euph euphonium eufonio baritone baritone-horn bariton tenorhorn"),
            Sounds = ["brass.euphonium"],
            InOtherKeys = ["euphonium-tc"],
            Clef = "F4",
            Program = 59,
            Ranges = new("E2 F4", "E2 Bb4", "E1 D5"),
            Section = "Low brass",
            Clean = new(7.5, 9),
            DoubleTongues = true,
            Options = [InstrumentOptions.FourthValve, InstrumentOptions.Compensating],
            Mechanism = new Valved(LowBbTube, 4),
        },
        new("euphonium-tc", "Euphonium (treble clef)", Family.Brass, Kin.Euphonium)
        {
            Names = Instrument.Words("euphonium-tc baritone-tc euphonium-treble-clef baritone-treble-clef baritone-t-c euphonium-t-c"),
            Transposition = Transpositions.InBbOctave,
            InOtherKeys = ["euphonium"],
            Clef = "G2",
            Program = 59,
            Ranges = new("G3 G5", "F#3 C6", "F#2 E6"),
            Section = "Low brass",
            Clean = new(7.5, 9),
            DoubleTongues = true,
            Options = [InstrumentOptions.FourthValve, InstrumentOptions.Compensating],
            Mechanism = new Valved(LowBbTube, 4),
        },
        new("tuba", "Tuba", Family.Brass, Kin.Tuba)
        {
            Names = Instrument.Words("tba tuba tubas bass-tuba basstuba tuben"),
            Sounds = ["brass.tuba"],
            Clef = "F4",
            Program = 59,
            Ranges = new("F1 Bb3", "D1 F4", "B0 Bb4"),
            Section = "Low brass",
            Clean = new(6.5, 8),
            Options = [InstrumentOptions.FourthValve, InstrumentOptions.Compensating],
            Mechanism = new Valved(LowestBbTube, 4),
        },
    ];
}
