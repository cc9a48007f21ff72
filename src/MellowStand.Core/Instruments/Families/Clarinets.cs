namespace MellowStand.Core.Instruments.Families;

/// <summary>Clarinets of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Clarinets
{
    // Lowest written keys.
    private const int LowE = 52;
    private const int LowEFlat = 51;
    private const int LowC = 48;

    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("clarinet-eb", "Clarinet in E♭", Family.Woodwind, Kin.Clarinet)
        {
            Names = Instrument.Words("eb-clarinet clarinet-in-eb es-klarinette clarinetto-piccolo petite-clarinette"),
            Sounds = ["wind.reed.clarinet.eflat"],
            Transposition = Transpositions.InEbHigh,
            InOtherKeys = ["clarinet-bb", "clarinet-a"],
            Clef = "G2",
            Program = 72,
            Ranges = new("E3 C6", "E3 E6", "E3 G6"),
            Section = "Clarinets",
            Clean = new(8, 12),
            HasVibrato = false,
            Mechanism = new Keyed(KeySystem.Clarinet, LowE),
        },
        new("clarinet-bb", "Clarinet", Family.Woodwind, Kin.Clarinet)
        {
            Names = Instrument.Words(
                "cl clar clarinet clarinets clarinetto clarinetti klarinette klarinetten klar clarinette clarinettes "
                    + "bb-clarinet"
            ),
            Sounds = ["wind.reed.clarinet", "wind.reed.clarinet.bflat"],
            Transposition = Transpositions.InBb,
            InOtherKeys = ["clarinet-a", "clarinet-eb"],
            Clef = "G2",
            Program = 72,
            Ranges = new("E3 C6", "E3 F6", "E3 C7"),
            Section = "Clarinets",
            Clean = new(8, 12),
            HasVibrato = false,
            Options = [InstrumentOptions.LeftGSharp],
            Mechanism = new Keyed(KeySystem.Clarinet, LowE),
        },
        new("clarinet-a", "Clarinet in A", Family.Woodwind, Kin.Clarinet)
        {
            Names = Instrument.Words("clarinet-in-a a-clarinet a-klarinette clarinette-en-la clarinetto-in-la"),
            Sounds = ["wind.reed.clarinet.a"],
            Transposition = Transpositions.InA,
            InOtherKeys = ["clarinet-bb", "clarinet-eb"],
            Clef = "G2",
            Program = 72,
            Ranges = new("E3 C6", "E3 F6", "E3 C7"),
            Section = "Clarinets",
            Clean = new(8, 12),
            HasVibrato = false,
            Options = [InstrumentOptions.LeftGSharp],
            Mechanism = new Keyed(KeySystem.Clarinet, LowE),
        },
        new("alto-clarinet", "Alto clarinet", Family.Woodwind, Kin.Clarinet)
        {
            Names = Instrument.Words("alto-clarinet altklarinette clarinetto-contralto clarinette-alto"),
            Transposition = Transpositions.InEbLow,
            Clef = "G2",
            Program = 72,
            Ranges = new("E3 C6", "E3 D6", "Eb3 G6"),
            Section = "Low reeds",
            Clean = new(8, 12),
            HasVibrato = false,
            Mechanism = new Keyed(KeySystem.Clarinet, LowEFlat),
        },
        new("bass-clarinet", "Bass clarinet", Family.Woodwind, Kin.Clarinet)
        {
            Names = Instrument.Words("bcl bass-clarinet bs-cl bassklarinette clarinetto-basso clarinette-basse"),
            Sounds = ["wind.reed.clarinet.bass"],
            Transposition = Transpositions.InBbOctave,
            Clef = "G2",
            Program = 72,
            Ranges = new("E3 C6", "Eb3 D6", "C3 G6"),
            Section = "Low reeds",
            Clean = new(7, 11),
            HasVibrato = false,
            Options = [InstrumentOptions.LowC, InstrumentOptions.LeftGSharp],
            Mechanism = new Keyed(KeySystem.Clarinet, LowEFlat),
        },
        new("contra-clarinet", "Contrabass clarinet", Family.Woodwind, Kin.Clarinet)
        {
            Names = Instrument.Words("contrabass-clarinet contra-clarinet kontrabassklarinette"),
            Transposition = new(-1, -2, -2),
            Clef = "G2",
            Program = 72,
            Ranges = new("E3 C5", "Eb3 G5", "C3 C6"),
            Section = "Low reeds",
            Clean = new(6, 9),
            HasVibrato = false,
            Mechanism = new Keyed(KeySystem.Clarinet, LowC),
        },
    ];
}
