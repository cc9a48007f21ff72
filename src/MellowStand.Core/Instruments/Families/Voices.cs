namespace MellowStand.Core.Instruments.Families;

/// <summary>Voices of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Voices
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("soprano", "Soprano", Family.Voice, Kin.Voice)
        {
            Names = Instrument.Words("soprano sopran sopr canto cantus treble trebles mezzo mezzo-soprano"),
            Sounds = ["voice.soprano"],
            Clef = "G2",
            Program = 53,
            Ranges = new("C4 A5"),
            Section = "Sopranos",
            Clean = new(6, 8),
        },
        new("alto", "Alto voice", Family.Voice, Kin.Voice)
        {
            Names = Instrument.Words("altus alto-voice contralto"),
            Sounds = ["voice.alto"],
            Clef = "G2",
            Program = 53,
            Ranges = new("G3 D5"),
            Section = "Altos",
            Clean = new(6, 8),
        },
        new("tenor", "Tenor", Family.Voice, Kin.Voice)
        {
            Names = Instrument.Words("tenor tenore ténor"),
            Sounds = ["voice.tenor"],
            Clef = "G2-8",
            Program = 53,
            Ranges = new("C4 A5"),
            Section = "Tenors",
            Clean = new(6, 8),
        },
        new("bass-voice", "Bass voice", Family.Voice, Kin.Voice)
        {
            Names = Instrument.Words("basso bassus bass-voice baritone-voice"),
            Sounds = ["voice.bass"],
            Clef = "F4",
            Program = 53,
            Ranges = new("E2 E4"),
            Section = "Basses (voice)",
            Clean = new(6, 8),
        },
        new("voice", "Voice", Family.Voice, Kin.Voice)
        {
            Names = Instrument.Words("voice voices voce gesang stimme chant chœur choir chor"),
            Clef = "G2",
            Program = 53,
            Ranges = new("C4 E5"),
            Section = "Voices",
            Clean = new(6, 8),
        },
    ];
}
