namespace MellowStand.Demo.Compose;

/// <summary>A band piece of 57 measures, made for the demo: lead line and chords, arranged for seventeen parts.</summary>
internal static class BandPiece
{
    private static readonly string[] Chords =
    [
        "Bb",
        "Bb",
        "F/A",
        "Gm",
        "Eb",
        "Bb/D",
        "Eb",
        "F",
        "F7",
        "F7",
        "Bb",
        "Gm",
        "Gm7/F",
        "Eb",
        "F",
        "Bb",
        "Gm",
        "Cm",
        "F",
        "Cm",
        "F7",
        "Db",
        "Ab/C",
        "Bbm",
        "Gb",
        "Db/F",
        "Gb",
        "Ab",
        "Ab",
        "Bbm",
        "F7",
        "F7",
        "Bb",
        "F/C",
        "Bb/D",
        "Eb",
        "F",
        "Bb/F",
        "Eb",
        "F",
        "Bb7",
        "Eb",
        "Bb/D",
        "Cm",
        "Ab",
        "Eb/G",
        "Ab",
        "Bb7",
        "Eb",
        "Eb",
        "Ab",
        "Eb/G",
        "Bb7",
        "Ab",
        "Bb7",
        "Eb",
        "Eb",
    ];

    // The tune, in concert pitch, measure by measure from the pickup on.
    private static readonly string[] Opening =
    [
        "F4e[ G4e]",
        "Bb4q.[ C5e] D5q F5q",
        "C5q.[ Bb4e] A4h",
        "G4e(.) A4e(.) Bb4e(.) C5e(.) D5q(>) Bb4q",
        "Eb5q.[ D5e] C5h",
        "D5q F5q Bb4q.[ C5e]",
        "D5e[ C5e] Bb4e[ A4e] G4h",
        "F4e(.) G4e(.) A4e(.) Bb4e(.) C5q(>) D5q",
        "C5h. F4e[ G4e]",
        "F4e(.) A4e(.) C5e(.) Eb5e(.) D5q(>) C5q",
        "Bb4h. rq",
    ];

    private static readonly string[] Middle =
    [
        "D5h[ C5q Bb4q]",
        "A4q.[ Bb4e] G4h",
        "G4q[ Bb4q Eb5q D5q]",
        "C5h. rq",
        "D5h[ F5q Eb5q]",
        "D5q.[ C5e] Bb4h",
        "C5q[ Eb5q] G4q[ A4q]",
        "A4h. rq",
        "G4e[ A4e Bb4e C5e] D5q[ Eb5q]",
        "C5w",
        "Ab4q.[ Bb4e] Db5q F5q",
        "Eb5q.[ Db5e] C5h",
        "Bb4e(.) C5e(.) Db5e(.) Eb5e(.) F5q(>) Db5q",
        "Gb5q.[ F5e] Eb5h",
        "F5q Ab4q Db5q.[ Eb5e]",
        "Gb5e[ F5e] Eb5e[ Db5e] Bb4h",
        "Ab4e(.) Bb4e(.) C5e(.) Db5e(.) Eb5q(>) F5q",
        "Eb5h. Ab4q",
        "Db5q.[ C5e] Bb4q Ab4q",
        "A4q(-) Bb4q(-) C5q(-) Eb5q(-)",
        "F5e(>) Eb5e C5e(>) Bb4e A4e",
        "Bb4e(.) Bb4e(.) C5e(.) C5e(.) D5q Bb4q",
        "C5e(.) C5e(.) D5e(.) D5e(.) Eb5q C5q",
        "D5e(.) D5e(.) Eb5e(.) Eb5e(.) F5q D5q",
        "Eb5e(.) Eb5e(.) F5e(.) F5e(.) G5q Eb5q",
        "F5q.[ Eb5e] D5q[ C5q]",
        "D5q.[ C5e] Bb4q[ A4q]",
        "G4q(>) A4q(>) Bb4q(>) C5q(>)",
        "D5h(-) C5h(-)",
        "Bb4q(-) C5q(-) D5h(-)",
    ];

    private static readonly string[] Coda =
    [
        "Eb5q.[ F5e] G5q Bb4q",
        "Ab4e[ Bb4e C5e D5e] Eb5h",
        "G5q.[ F5e] Eb5q C5q",
        "D5e[ C5e] Bb4e[ Ab4e] G4h",
        "Ab4q C5q Eb5q F5q",
        "G5h(>) F5h(>)",
        "Eb5e(.) Eb5e(.) Eb5q(>) rq Bb4q(^)",
        "Eb5h.(^)",
    ];

    public static string Text()
    {
        var tune = Tune();
        var parts = new List<ArrangedPart>
        {
            Lead("Flute", "abbr:Fl. program:74 sound:wind.flutes.flute", tune, 1, restFrom: 11, restTo: 14),
            Lead("Oboe", "abbr:Ob. program:69 sound:wind.reed.oboe", tune, 0, restFrom: 11, restTo: 18),
            Lead("Clarinet 1", "abbr:Cl._1 transpose:-1,-2 program:72 concert:yes", tune, 0, 99, 99),
            Harmony("Clarinet 2", "abbr:Cl._2 transpose:-1,-2 program:72 concert:yes", tune, 0),
            Bass("Bass Clarinet", "abbr:B._Cl. transpose:-1,-2,-1 program:72 concert:yes", 46),
            Alto(tune),
            Inner("Tenor Saxophone", "abbr:T._Sx. transpose:-1,-2,-1 program:67 concert:yes", 55),
            Bass("Baritone Saxophone", "abbr:B._Sx. transpose:-5,-9,-1 program:68 concert:yes", 46),
            Lead("Trumpet 1", "abbr:Tpt._1 transpose:-1,-2 program:57 concert:yes", tune, 0, restFrom: 11, restTo: 20),
            Harmony("Trumpet 2", "abbr:Tpt._2 transpose:-1,-2 program:57 concert:yes", tune, 0, restFrom: 11, restTo: 20),
            Inner("Horn in F", "abbr:Hn. transpose:-4,-7 program:61 concert:yes", 60),
            Inner("Trombone", "abbr:Tbn. clef:F4 program:58", 53),
            Lead("Euphonium", "abbr:Euph. clef:F4 program:59", tune, -1, restFrom: 19, restTo: 20),
            Bass("Tuba", "abbr:Tba. clef:F4 program:59", 34),
            Lead("Xylophone", "abbr:Xyl. transpose:0,0,1 program:14 concert:yes", tune, 1, restFrom: 10, restTo: 31),
            Timpani(),
            Snare(),
        };
        foreach (var part in parts)
            Dress(part);
        Careless(parts);
        return "title: Harbor Lanterns\ncomposer: Ines Marlowe-Pratt\n" + string.Concat(parts.Select(p => p.Text));
    }

    private static List<string> Tune()
    {
        var tune = new List<string>(Opening);
        tune.AddRange(Middle);
        // The return, a fourth higher; its seventh measure takes the second ending.
        int[] again = [1, 2, 3, 4, 5, 6, 9, 10];
        tune.AddRange(again.Select(i => Strand.Transpose(Opening[i], 3, 5)));
        tune.AddRange(Coda);
        return tune;
    }

    private static ArrangedPart Lead(string name, string header, List<string> tune, int octaves, int restFrom, int restTo)
    {
        var part = new ArrangedPart(name, header);
        for (var m = 0; m < tune.Count; m++)
            part.Measures.Add(m >= restFrom && m <= restTo ? Silence(m) : Strand.Octave(tune[m], octaves));
        return part;
    }

    private static ArrangedPart Harmony(string name, string header, List<string> tune, int octaves, int restFrom = 99, int restTo = 99)
    {
        var part = new ArrangedPart(name, header);
        for (var m = 0; m < tune.Count; m++)
            part.Measures.Add(
                m >= restFrom && m <= restTo ? Silence(m) : Strand.Octave(Strand.Below(tune[m], Chord.Of(Chords[m])), octaves)
            );
        return part;
    }

    // The alto saxophone sings with the clarinet in the middle and fills in elsewhere.
    private static ArrangedPart Alto(List<string> tune)
    {
        var part = new ArrangedPart("Alto Saxophone", "abbr:A._Sx. transpose:-5,-9 program:66 concert:yes");
        for (var m = 0; m < tune.Count; m++)
        {
            var sings = m is >= 11 and <= 30;
            part.Measures.Add(sings || m >= 41 ? tune[m] : Strand.Below(tune[m], Chord.Of(Chords[m])));
        }

        return part;
    }

    private static ArrangedPart Bass(string name, string header, int centre)
    {
        var part = new ArrangedPart(name, header);
        for (var m = 0; m < Chords.Length; m++)
        {
            var chord = Chord.Of(Chords[m]);
            var low = Strand.Spell(Chord.At(chord.Bass, centre));
            var fifth = Strand.Spell(Chord.At(chord.Fifth, centre + 2));
            part.Measures.Add(
                m switch
                {
                    0 => "rq",
                    31 => $"{low}q(>) {low}q.(>)",
                    56 => $"{low}h.(^)",
                    10 or 20 => $"{low}w",
                    >= 11 and < 20 => $"{low}h[ {fifth}h]",
                    >= 21 and <= 30 => $"{low}q(-) {low}q {fifth}q(-) {low}q",
                    >= 32 and <= 37 => $"{low}e(.) {low}e(.) {low}e(.) {low}e(.) {fifth}q(.) {low}q(.)",
                    38 => $"{low}q(>) {low}q(>) {fifth}q(>) {low}q(>)",
                    39 or 40 => $"{low}h(-) {fifth}h(-)",
                    55 => $"{low}e(.) {low}e(.) {low}q(>) rq {fifth}q(^)",
                    _ => $"{low}q(.) rq {fifth}q(.) {low}q(.)",
                }
            );
        }

        return part;
    }

    private static ArrangedPart Inner(string name, string header, int centre)
    {
        var part = new ArrangedPart(name, header);
        for (var m = 0; m < Chords.Length; m++)
        {
            var chord = Chord.Of(Chords[m]);
            var a = Strand.Spell(chord.Near(centre));
            var b = Strand.Spell(chord.Near(centre - 4));
            part.Measures.Add(
                m switch
                {
                    0 => "rq",
                    31 => $"{a}q(>) {a}q.(>)",
                    56 => $"{a}h.(^)",
                    10 or 20 => $"{a}w",
                    >= 11 and < 20 => $"{a}h[ {b}h]",
                    >= 21 and <= 30 => $"rq {a}e(.) {a}e(.) rq {b}e(.) {b}e(.)",
                    >= 32 and <= 37 => $"{a}q {a}q {b}q {a}q",
                    38 => $"{a}q(>) {b}q(>) {a}q(>) {b}q(>)",
                    39 or 40 => $"{a}h(-) {b}h(-)",
                    55 => $"{a}e(.) {a}e(.) {a}q(>) rq {b}q(^)",
                    _ => $"re {a}e(.) re {a}e(.) {b}q(>) {a}q",
                }
            );
        }

        return part;
    }

    private static ArrangedPart Timpani()
    {
        var part = new ArrangedPart("Timpani", "abbr:Timp. clef:F4 program:48");
        for (var m = 0; m < Chords.Length; m++)
        {
            var late = m >= 41;
            var (tonic, dominant) = late ? ("Eb3", "Bb2") : ("Bb2", "F2");
            part.Measures.Add(
                m switch
                {
                    10 or 20 => $"{(m == 10 ? tonic : dominant)}h.(tr) rq",
                    38 => $"{tonic}q(>) {tonic}q(>) {tonic}q(>) {tonic}q(>)",
                    39 or 40 => $"{dominant}w(tr)",
                    55 => $"{tonic}e {tonic}e {tonic}q(>) rq {dominant}q(^)",
                    56 => $"{tonic}h.(^)",
                    > 0 and < 10 when m % 2 == 1 => $"{tonic}q rq {dominant}q {tonic}q",
                    >= 41 when m % 2 == 1 => $"{tonic}q rq {dominant}q {tonic}q",
                    _ => Silence(m),
                }
            );
        }

        return part;
    }

    private static ArrangedPart Snare()
    {
        var part = new ArrangedPart("Snare Drum", "abbr:S.D. clef:percussion program:1");
        for (var m = 0; m < Chords.Length; m++)
        {
            part.Measures.Add(
                m switch
                {
                    0 => "rq",
                    >= 10 and <= 20 => "rw",
                    31 => "%C5e(>) %C5e %C5e(>) %C5e %C5e",
                    38 => "%C5q(>) %C5q(>) %C5q(>) %C5q(>)",
                    39 or 40 => "%C5w(tremolo:3)",
                    55 => "%C5e %C5e %C5q(>) rq %C5q(^)",
                    56 => "%C5h.(^)",
                    >= 32 and <= 37 => "%C5e %C5s %C5s %C5e %C5e %C5s %C5s %C5s %C5s %C5q(>)",
                    _ => m % 4 == 0 ? "%C5q(>) %C5e %C5e %C5s %C5s %C5s %C5s %C5q" : "%C5q(>) %C5e %C5e %C5q(>) %C5e %C5e",
                }
            );
        }

        return part;
    }

    private static string Silence(int m) =>
        m switch
        {
            0 => "rq",
            31 => "rq rq.",
            56 => "rh.",
            _ => "rw",
        };

    // What is printed in every part: form, dynamics, tempo words in the first.
    private static void Dress(ArrangedPart part)
    {
        var m = part.Measures;
        void Before(int i, string signs) => m[i] = signs + " " + m[i];
        void After(int i, string signs) => m[i] = m[i] + " " + signs;
        Before(0, "key:Bb meter:4/4 pickup");
        Before(1, "{: reh:A");
        Before(7, "ending:1");
        After(8, ":} end:1");
        Before(9, "ending:2");
        After(10, "end:2");
        Before(11, "reh:B");
        Before(21, "reh:C");
        Before(31, "meter:2+3/8");
        Before(32, "meter:4/4 reh:D");
        Before(41, "key:Eb reh:E");
        Before(49, "reh:F");
        if (part.Name == "Flute")
        {
            Before(0, "\"With lantern light\" tempo:q=104");
            Before(21, "\"a tempo\"");
            Before(39, "\"rit.\"");
            Before(41, "\"a tempo\"");
        }

        var silent = part.Name is "Snare Drum";
        Before(silent || part.Name == "Timpani" ? 1 : 0, part.Name == "Tuba" ? "" : "!f");
        if (!m[11].Contains("rw", StringComparison.Ordinal))
            Before(11, part.Name is "Clarinet 1" or "Alto Saxophone" ? "!mp" : "!p");
        if (!m[21].Contains("rw", StringComparison.Ordinal))
            Before(21, "!f");
        Before(32, "!p !<");
        Before(38, "!/ !ff");
        Before(41, "!f");
        Before(49, "!mf");
        Before(54, "!ff");
    }

    // What editions get wrong: marks forgotten, slurs of other lengths, a wrong sign.
    private static void Careless(List<ArrangedPart> parts)
    {
        ArrangedPart P(string name) => parts.First(p => p.Name == name);
        P("Oboe").Edit(3, "G4e(.) A4e(.) Bb4e(.) C5e(.)", "G4e A4e Bb4e C5e");
        P("Trumpet 1").Edit(1, "Bb4q.[ C5e]", "Bb4q. C5e");
        P("Euphonium").Edit(3, "D4q(>)", "D4q");
        P("Clarinet 1").Edit(6, "D5e[ C5e] Bb4e[ A4e]", "D5e[ C5e Bb4e A4e]");
        P("Xylophone").Edit(7, "C6q(>)", "C6q");
        P("Flute").Edit(9, "F5e(.) A5e(.) C6e(.) Eb6e(.)", "F5e(-) A5e(-) C6e(-) Eb6e(-)");
        P("Alto Saxophone").Edit(13, "G4q[ Bb4q Eb5q D5q]", "G4q[ Bb4q] Eb5q[ D5q]");
        P("Alto Saxophone").Edit(17, "C5q[ Eb5q] G4q[ A4q]", "C5q[ Eb5q G4q A4q]");
        P("Flute").Edit(19, "G5e[ A5e Bb5e C6e]", "G5e A5e Bb5e C6e");
        P("Oboe").Edit(21, "Ab4q.[ Bb4e]", "Ab4q. Bb4e");
        P("Trumpet 1").Edit(23, "F5q(>)", "F5q");
        P("Trumpet 1").Edit(24, "Gb5q.[ F5e]", "G5q.[ F5e]");
        P("Clarinet 1").Edit(27, "Ab4e(.) Bb4e(.) C5e(.) Db5e(.)", "Ab4e Bb4e C5e Db5e");
        P("Alto Saxophone").Edit(29, "Db5q.[ C5e]", "Db5q.[ C5e Bb4q]");
        P("Alto Saxophone").Edit(29, "C5e Bb4q] Bb4q", "C5e Bb4q]");
        P("Bass Clarinet").Edit(33, "(.)", "");
        P("Tuba").Edit(38, "(>)", "");
        P("Tuba").Edit(15, "[", "");
        P("Tuba").Edit(15, "]", "");
        P("Baritone Saxophone").Edit(22, "(-)", "");
        P("Euphonium").Edit(34, "(.)", "");
        P("Oboe").Edit(43, "(.)", "(staccatissimo)");
        P("Euphonium").Edit(44, "[", "");
        P("Euphonium").Edit(44, "]", "");
        P("Xylophone").Edit(50, "[", "");
        P("Xylophone").Edit(50, "]", "");
        P("Flute").Edit(54, "(>)", "(-)");
        P("Bass Clarinet").Edit(55, "q(>)", "q");
        P("Oboe").Edit(32, "!p", "!mp");
        P("Trumpet 1").Edit(49, "!mf", "!f");
    }
}
