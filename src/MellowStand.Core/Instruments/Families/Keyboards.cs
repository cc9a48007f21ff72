namespace MellowStand.Core.Instruments.Families;

/// <summary>Keyboards and plucked strings of the catalog, in score order.</summary>
/// <remarks>Sources: <see cref="Catalog"/>.</remarks>
internal static class Keyboards
{
    public static IReadOnlyList<Instrument> All { get; } =
    [
        new("harp", "Harp", Family.Keyboard, Kin.Plucked)
        {
            Names = Instrument.Words("hp hrp harp arpa harfe harpe"),
            Clef = "G2",
            Program = 47,
            Ranges = new("C1 G7"),
            Section = "Harp",
            Clean = new(10, 10),
        },
        new("piano", "Piano", Family.Keyboard, Kin.Keyboard)
        {
            Names = Instrument.Words("pno pf piano pianoforte klavier keyboard keyboards"),
            Sounds = ["keyboard.piano"],
            Clef = "G2",
            Program = 1,
            Ranges = new("A0 C8"),
            Section = "Keyboards",
            Clean = new(10, 10),
        },
        new("organ", "Organ", Family.Keyboard, Kin.Keyboard)
        {
            Names = Instrument.Words("org organ organo orgel orgue"),
            Clef = "G2",
            Program = 20,
            Ranges = new("C2 C7"),
            Section = "Keyboards",
            Clean = new(10, 10),
        },
        new("guitar", "Guitar", Family.Keyboard, Kin.Plucked)
        {
            Names = Instrument.Words("gtr guitar guitars chitarra gitarre guitare"),
            Transposition = new(0, 0, -1),
            Clef = "G2",
            Program = 25,
            Ranges = new("E3 E6"),
            Section = "Guitars",
            Clean = new(10, 10),
        },
    ];
}
