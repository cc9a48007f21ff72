namespace MellowStand.Demo.Compose;

/// <summary>A lyrical and a technical etude for each of thirteen instruments.</summary>
internal static class Etudes
{
    private static readonly string[] Evening =
    [
        "G4q[ A4q B4q]",
        "D5h[ C5q]",
        "B4q.[ A4e] G4q",
        "A4h.",
        "B4q[ C5q D5q]",
        "G5h[ F#5q]",
        "E5q.[ D5e] C5q",
        "D5h.(b)",
        "E5q[ D5q C5q]",
        "B4h[ D5q]",
        "C5q[ B4q A4q]",
        "G4h.(b)",
        "A4q[ B4q C5q]",
        "D5q.[ E5e] F#5q",
        "G5h[ E5q]",
        "D5h.(b)",
        "Eb5q[ D5q C5q]",
        "Bb4h[ G4q]",
        "Ab4q[ Bb4q C5q]",
        "D5h.(b)",
        "G4q[ A4q B4q]",
        "D5h[ E5q]",
        "D5q.[ C5e] A4q",
        "G4h.(f)",
    ];

    private static readonly string[] Harvest =
    [
        "C5h[ B4q A4q]",
        "G4q.[ A4e] C5h",
        "E5h[ D5q C5q]",
        "D5h.(b) rq",
        "F5h[ E5q D5q]",
        "C5q.[ D5e] A4h",
        "B4q[ C5q D5q B4q]",
        "C5h.(b) rq",
        "A4q[ C5q E5q D5q]",
        "C5h[ B4h]",
        "A4q.[ B4e] C5q[ A4q]",
        "G#4h.(b) rq",
        "A4q[ C5q E5q G5q]",
        "F5h[ D5h]",
        "E5q.[ D5e] B4q[ C5q]",
        "A4w(b)",
        "C5h[ B4q A4q]",
        "G4q.[ A4e] C5h",
        "E5q[ F5q] G5q[ E5q]",
        "D5h.(b) rq",
        "F5q(tr) E5q D5q C5q",
        "A4q.[ B4e] C5q[ D5q]",
        "C5h(tr) B4h",
        "C5w(f)",
    ];

    private static readonly string[] Mill =
    [
        "C5s(.) D5s(.) E5s(.) F5s(.) G5e(>) E5e",
        "D5s(.) E5s(.) F5s(.) G5s(.) A5e(>) F5e",
        "G5s[ F5s] E5s[ D5s] C5s[ B4s] A4s[ G4s]",
        "C5e(.) E5e(.) G5e(.) re",
        "A4s C5s E5s A5s G5s E5s C5s A4s",
        "G4s B4s D5s G5s F5s D5s B4s G4s",
        "C5s C#5s D5s D#5s E5s F5s F#5s G5s",
        "G5q(>) re G4e",
        "C5s(.) D5s(.) E5s(.) F5s(.) G5e(>) E5e",
        "D5s(.) E5s(.) F5s(.) G5s(.) A5e(>) F5e",
        "G5s[ F5s] E5s[ D5s] C5s[ B4s] A4s[ G4s]",
        "A4e(.) C5e(.) E5e(.) re",
        "F4s A4s C5s F5s E5s C5s A4s F4s",
        "E4s G4s C5s E5s D5s C5s G4s E4s",
        "D5s[ C#5s] D5s[ E5s] F5s[ E5s] F5s[ D5s]",
        "G4e(>) G5e(>) re G4e",
        "Eb5s D5s Eb5s F5s G5e(>) Eb5e",
        "F5s Eb5s F5s G5s Ab5e(>) F5e",
        "G5s F5s Eb5s D5s C5s D5s Eb5s F5s",
        "G5q re G4e",
        "C5s(.) D5s(.) E5s(.) F5s(.) G5e(>) E5e",
        "D5s(.) E5s(.) F5s(.) G5s(.) A5e(>) B4e",
        "C5s E5s G5s E5s D5s F5s B4s D5s",
        "C5e(>) G4e(>) C5q(>)",
    ];

    private static readonly string[] Wheel =
    [
        "C5e[ E5e] G5e F5e[ D5e] B4e",
        "C5e(.) G4e(.) E4e(.) C5q(>) re",
        "D5e[ F5e] A5e G5e[ E5e] C5e",
        "D5q. G4q.",
        "E5e[ D5e] C5e A4e[ B4e] C5e",
        "D5e(.) B4e(.) G4e(.) F4q(>) re",
        "E4e G4e C5e E5e C5e G4e",
        "D5q.(>) rq.",
        "C5e[ E5e] G5e F5e[ D5e] B4e",
        "C5e(.) G4e(.) E4e(.) C5q(>) re",
        "A4e[ C5e] E5e D5e[ B4e] G#4e",
        "A4q. rq.",
        "F5e E5e D5e C5e B4e A4e",
        "G4e A4e B4e C5e D5e E5e",
        "F5q[ E5e] D5q[ C5e]",
        "B4q.(>) G4q.",
        "Ab4e[ C5e] Eb5e Ab5e[ Eb5e] C5e",
        "Bb4e D5e F5e Bb4e F5e D5e",
        "Eb5e(.) G4e(.) Bb4e(.) Eb5q(>) re",
        "D5q.(>) rq.",
        "C5e[ E5e] G5e F5e[ D5e] B4e",
        "C5e(.) E5e(.) G5e(.) A5q(>) G5e",
        "F5e D5e B4e G4e A4e B4e",
        "C5q.(>) C5q.(f)",
    ];

    private static readonly (string Instrument, string Header, int Diatonic, int Chromatic, int Key, bool First)[] Players =
    [
        ("Flute", "abbr:Fl. program:74", 0, 0, 0, true),
        ("Oboe", "abbr:Ob. program:69", 0, 0, 0, false),
        ("Clarinet", "abbr:Cl. transpose:-1,-2 program:72", -4, -7, -1, false),
        ("Alto Saxophone", "abbr:A._Sx. transpose:-5,-9 program:66", -1, -2, -2, true),
        ("Tenor Saxophone", "abbr:T._Sx. transpose:-1,-2,-1 program:67", 0, 0, 0, false),
        ("Trumpet", "abbr:Tpt. transpose:-1,-2 program:57", -1, -2, -2, false),
        ("Horn", "abbr:Hn. transpose:-4,-7 program:61", -3, -5, 1, false),
        ("Trombone", "abbr:Tbn. clef:F4 program:58", -8, -14, -2, false),
        ("Euphonium", "abbr:Eu. clef:F4 program:59", -10, -17, 1, true),
        ("Tuba", "abbr:Tu. clef:F4 program:59", -15, -26, -2, false),
        ("Violin", "abbr:Vn. program:41", 1, 2, 2, true),
        ("Viola", "abbr:Va. clef:C3 program:42", -4, -7, -1, true),
        ("Cello", "abbr:Vc. clef:F4 program:43", -11, -19, -1, true),
    ];

    public static IEnumerable<(string File, string Text)> All()
    {
        foreach (var p in Players)
        {
            var file = p.Instrument.ToLowerInvariant().Replace(' ', '-');
            var lyrical = p.First ? Evening : Harvest;
            var technical = p.First ? Mill : Wheel;
            yield return (
                $"etude-lyrical-{file}",
                Text(
                    p,
                    p.First ? "Evening Water" : "Harvest Road",
                    lyrical,
                    p.First ? "key:{0} meter:3/4" : "key:{0} meter:4/4",
                    p.First ? 1 : 0,
                    p.First ? "\"Cantabile\" tempo:q=66-76" : "\"Andante cantabile\" tempo:q=72-80"
                )
            );
            yield return (
                $"etude-technical-{file}",
                Text(
                    p,
                    p.First ? "The Mill Race" : "Wheel and Rope",
                    technical,
                    p.First ? "key:{0} meter:2/4" : "key:{0} meter:6/8",
                    0,
                    p.First ? "\"Allegro con brio\" tempo:q=96-112" : "\"Vivace\" tempo:q.=84-96"
                )
            );
        }
    }

    private static string Text(
        (string Instrument, string Header, int Diatonic, int Chromatic, int Key, bool First) p,
        string name,
        string[] measures,
        string opening,
        int keyOfMusic,
        string tempo
    )
    {
        var music = measures.Select(m => Strand.Transpose(m, p.Diatonic, p.Chromatic)).ToList();
        music[0] =
            string.Format(System.Globalization.CultureInfo.InvariantCulture, opening, p.Key + keyOfMusic)
            + " "
            + tempo
            + " !mf "
            + music[0];
        music[8] = "!p !< " + music[8];
        music[12] = "!/ !f " + music[12];
        music[16] = "!p " + music[16];
        music[20] = "\"a tempo\" !mf " + music[20];
        return $"title: {name} ({p.Instrument})\ncomposer: Calla Rowntree\npart \"{p.Instrument}\" {p.Header}\n| "
            + $"{string.Join(" | ", music)}\n";
    }
}
