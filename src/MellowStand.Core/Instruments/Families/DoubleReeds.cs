namespace MellowStand.Core.Instruments.Families;

/// <summary>Oboes and bassoons of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class DoubleReeds
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("oboe", "Oboe", Family.Woodwind, Kin.Oboe)
        {
            Names = Instrument.Words("ob oboe oboes oboi oboen hautbois hoboe"),
            Sounds = ["wind.reed.oboe"],
            Clef = "G2",
            Program = 69,
            Ranges = new("Bb3 D6", "Bb3 F6", "Bb3 A6"),
            Section = "Oboes",
            Clean = new(7.5, 11),
            IsDoubleReed = true,
            Options = [InstrumentOptions.LeftF],
            Mechanism = new Keyed(KeySystem.Oboe),
        },
        new("english-horn", "English horn", Family.Woodwind, Kin.Oboe)
        {
            Names = Instrument.Words("eh english-horn cor-anglais corno-inglese englischhorn"),
            Sounds = ["wind.reed.english-horn"],
            Transposition = Transpositions.InF,
            Clef = "G2",
            Program = 70,
            Ranges = new("B3 C6", "B3 D6", "Bb3 G6"),
            Section = "Oboes",
            Clean = new(7.5, 11),
            IsDoubleReed = true,
            Options = [InstrumentOptions.LeftF],
            Mechanism = new Keyed(KeySystem.Oboe),
        },
        new("bassoon", "Bassoon", Family.Woodwind, Kin.Bassoon)
        {
            Names = Instrument.Words("bn bsn bassoon bassoons fagotto fagotti fagott fagotte fg fag basson bassons"),
            Sounds = ["wind.reed.bassoon"],
            Clef = "F4",
            Program = 71,
            Ranges = new("Bb1 G4", "Bb1 Bb4", "Bb1 E5"),
            Section = "Bassoons",
            Clean = new(7.5, 11),
            IsDoubleReed = true,
            Mechanism = new Keyed(KeySystem.Bassoon),
        },
        new("contrabassoon", "Contrabassoon", Family.Woodwind, Kin.Bassoon)
        {
            Names = Instrument.Words("cbn cbsn contrabassoon kontrafagott contrafagotto contrebasson"),
            Sounds = ["wind.reed.contrabassoon"],
            Transposition = new(0, 0, -1),
            Clef = "F4",
            Program = 71,
            Ranges = new("Bb1 D4", "Bb1 F4", "A1 Bb4"),
            Section = "Bassoons",
            Clean = new(6.5, 9),
            IsDoubleReed = true,
            Mechanism = new Keyed(KeySystem.Bassoon),
        },
    ];
}
