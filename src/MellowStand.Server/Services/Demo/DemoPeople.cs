using MellowStand.Core.Instruments;

namespace MellowStand.Server.Services;

/// <summary>The made-up players of the demo school.</summary>
internal static class DemoPeople
{
    /// <summary>Section, instrument of the catalog where a player has no other, names by chair; another instrument stands after a
    /// colon.</summary>
    public static IReadOnlyList<(string Section, string Instrument, string[] Names)> Sections { get; } =
    [
        ("Flutes", "flute", ["Maribel Oake", "Tansy Whitlow", "Juno Castellane", "Wren Abiola"]),
        ("Oboes", "oboe", ["Pell Hartigan", "Isolde Quay"]),
        ("Clarinets", "clarinet-bb", ["Corin Ashdown", "Lark Petrosky", "Nadia Fenn", "Otis Vandermeer", "Briar Sato-Lane", "Emrys Dole"]),
        ("Low reeds", "bass-clarinet", ["Hollis Gray-Muir"]),
        (
            "Saxophones",
            "alto-sax",
            ["Ambrose Teller", "Kit Ravensdale", "Solenne Marsh", "Dario Plum:tenor-sax", "Ines Okoro-Bell:bari-sax"]
        ),
        ("Trumpets", "trumpet-bb", ["Rafe Lindqvist", "Cass Underhill", "Mina Solberg-Roy", "Teo Larkspur"]),
        ("Horns", "horn-f", ["Ottilie Brandt-Hay", "Fenn Carrow", "Sable Winter"]),
        ("Trombones", "trombone", ["Gus Mallory-Finch", "Yara Stendahl", "Perrin Holloway"]),
        ("Low brass", "tuba", ["Bea Thornquist", "Magnus Ferro:euphonium", "Lido Crane"]),
        ("Percussion", "drums", ["Zeke Amberley", "Roma Filk:timpani", "Dot Hazeldine:xylophone", "Ari Moonstone"]),
        ("Violins", "violin", ["Elowen Strade", "Hana Birch", "Quill Davenant", "Sunniva Lowe", "Theo Marchbank", "Vesper Noll"]),
        ("Violas", "viola", ["Basil Corrigan-Tey", "Odette Hume"]),
        ("Cellos", "cello", ["Linnet Farrow", "Jory Pemble"]),
        ("Basses", "contrabass", ["Hugo Stillwater"]),
    ];

    /// <summary>What a teacher wants to see later: what every player may hear, and what only some families can be told.</summary>
    public static IReadOnlyList<string> RemarksFor(Family family) => [.. ForAll, .. Own.GetValueOrDefault(family, [])];

    private static readonly string[] ForAll = ["even, now with the accents", "rushes the two-note slurs", "clean; add the crescendo"];

    private static readonly Dictionary<Family, string[]> Own = new()
    {
        [Family.Woodwind] = ["cracks over the break; slower there", "breath before the long note"],
        [Family.Brass] = ["attack still late after the rest", "keep the air going through the slur"],
        [Family.Strings] = ["bow runs out in the second measure", "shift earlier, on the slur"],
        [Family.Percussion] = ["sticking turns round in the second measure", "softer strokes, same height"],
    };
}
