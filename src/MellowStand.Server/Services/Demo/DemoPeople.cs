namespace MellowStand.Server.Services;

/// <summary>The made-up players of the demo school.</summary>
internal static class DemoPeople
{
    /// <summary>Section, instrument of the catalog, names by chair.</summary>
    public static IReadOnlyList<(string Section, string Instrument, string[] Names)> Sections { get; } =
    [
        ("Flutes", "flute", ["Maribel Oake", "Tansy Whitlow", "Juno Castellane", "Wren Abiola"]),
        ("Oboes", "oboe", ["Pell Hartigan", "Isolde Quay"]),
        ("Clarinets", "clarinet-bb", ["Corin Ashdown", "Lark Petrosky", "Nadia Fenn", "Otis Vandermeer", "Briar Sato-Lane", "Emrys Dole"]),
        ("Low reeds", "bass-clarinet", ["Hollis Gray-Muir"]),
        ("Saxophones", "alto-sax", ["Ambrose Teller", "Kit Ravensdale", "Solenne Marsh", "Dario Plum", "Ines Okoro-Bell"]),
        ("Trumpets", "trumpet-bb", ["Rafe Lindqvist", "Cass Underhill", "Mina Solberg-Roy", "Teo Larkspur"]),
        ("Horns", "horn-f", ["Ottilie Brandt-Hay", "Fenn Carrow", "Sable Winter"]),
        ("Trombones", "trombone", ["Gus Mallory-Finch", "Yara Stendahl", "Perrin Holloway"]),
        ("Low brass", "tuba", ["Bea Thornquist", "Magnus Ferro", "Lido Crane"]),
        ("Percussion", "drums", ["Zeke Amberley", "Roma Filk", "Dot Hazeldine", "Ari Moonstone"]),
        ("Violins", "violin", ["Elowen Strade", "Hana Birch", "Quill Davenant", "Sunniva Lowe", "Theo Marchbank", "Vesper Noll"]),
        ("Violas", "viola", ["Basil Corrigan-Tey", "Odette Hume"]),
        ("Cellos", "cello", ["Linnet Farrow", "Jory Pemble"]),
        ("Basses", "contrabass", ["Hugo Stillwater"]),
    ];

    /// <summary>What a teacher wants to see later.</summary>
    public static IReadOnlyList<string> Remarks { get; } =
    [
        "even, now with the accents",
        "rushes the two-note slurs",
        "C still natural in the second measure",
        "clean; add the crescendo",
        "tongue and slide not yet together",
    ];
}
