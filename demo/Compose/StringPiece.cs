namespace MellowStand.Demo.Compose;

/// <summary>A piece for string orchestra of 44 measures, made for the demo.</summary>
internal static class StringPiece
{
    private static readonly string[] First =
    [
        "D5h[ E5q]",
        "F5q[ E5q D5q]",
        "C#5h[ A4q]",
        "D5h.",
        "F5q.[ G5e] A5q",
        "G5q[ F5q E5q]",
        "D5q(-) E5q(-) C#5q(-)",
        "D5h.",
    ];

    private static readonly string[] Answer =
    [
        "A5h[ G5q]",
        "F5q[ E5q F5q]",
        "G5h[ Bb5q]",
        "A5h.",
        "Bb5q[ A5q G5q]",
        "F5h[ D5q]",
        "E5e(.) F5e(.) G5e(.) F5e(.) E5e(.) D5e(.)",
        "C#5h rq",
    ];

    private static readonly string[] Quick =
    [
        "D5e(.) D5e(.) F5e(.) F5e(.) A5q(>)",
        "G5e(.) G5e(.) Bb5e(.) A5e(.) G5q(>)",
        "F5e[ E5e] D5e[ E5e] F5q",
        "E5q(>) A4h",
        "D5e(.) D5e(.) F5e(.) F5e(.) A5q(>)",
        "Bb5e[ A5e] G5e[ F5e] E5q",
        "F5q[ E5q] D5q",
        "E5h.",
    ];

    private static readonly string[] Chords1 = ["Dm", "Bb", "A", "Dm", "F", "C", "A7", "Dm"];
    private static readonly string[] Chords2 = ["F", "Bb", "Gm", "F", "Gm", "Dm", "C", "A"];
    private static readonly string[] Chords3 = ["Dm", "Gm", "Dm", "A", "Dm", "Gm", "Bb", "A7"];
    private static readonly string[] End = ["D5q[ F5q A5q]", "G5h[ E5q]", "C#5h.", "D5h.(f)"];

    public static string Text()
    {
        var tune = First
            .Concat(First.Take(6))
            .Concat(["E5q(-) F5q(-) C#5q(-)", "D5h rq"])
            .Concat(Answer)
            .Concat(Quick)
            .Concat(First)
            .Concat(End)
            .ToList();
        var chords = Chords1
            .Concat(Chords1)
            .Concat(Chords2)
            .Concat(Chords3)
            .Concat(Chords1)
            .Concat(["Dm", "C", "A7", "Dm"])
            .Select(Chord.Of)
            .ToList();
        var parts = new List<ArrangedPart>
        {
            new("Violin 1", "abbr:Vn._1 program:41"),
            new("Violin 2", "abbr:Vn._2 program:41"),
            new("Viola", "abbr:Va. clef:C3 program:42"),
            new("Violoncello", "abbr:Vc. clef:F4 program:43"),
            new("Contrabass", "abbr:Cb. clef:F4 transpose:0,0,-1 program:44 concert:yes"),
        };
        for (var m = 0; m < tune.Count; m++)
            Score(parts, m, tune[m], chords[m]);
        for (var p = 0; p < parts.Count; p++)
            Dress(parts[p], first: p == 0);
        Careless(parts);
        return "title: The Slow Ferry\ncomposer: Tobias Wrenfield\n" + string.Concat(parts.Select(p => p.Text));
    }

    private static void Score(List<ArrangedPart> parts, int m, string tune, Chord chord)
    {
        var quick = m is >= 24 and < 32;
        var low = Strand.Spell(Chord.At(chord.Bass, 48));
        var fifth = Strand.Spell(chord.Near(55));
        var inner = Strand.Spell(chord.Near(60));
        var other = Strand.Spell(chord.Near(64));
        parts[0].Measures.Add(tune);
        parts[1].Measures.Add(quick || m is >= 16 and < 20 ? tune : Strand.Below(tune, chord));
        parts[2]
            .Measures.Add(
                (quick, m % 4) switch
                {
                    (true, _) => Strand.Octave(tune, -1),
                    (_, 3) => $"{inner}h.",
                    _ => $"rq {inner}q(-) {other}q(-)",
                }
            );
        parts[3]
            .Measures.Add(
                (quick, m) switch
                {
                    (true, _) => Strand.Octave(tune, -2),
                    (_, >= 32 and < 39) => Strand.Octave(tune, -1),
                    _ => $"{low}h[ {fifth}q]",
                }
            );
        var deep = Strand.Spell(Chord.At(chord.Bass, 36));
        parts[4]
            .Measures.Add(
                (quick, m) switch
                {
                    (true, _) => $"{deep}q rh",
                    (_, 43) => $"{deep}h.(f)",
                    _ => $"{deep}h.",
                }
            );
    }

    private static void Dress(ArrangedPart part, bool first)
    {
        var m = part.Measures;
        void Before(int i, string signs) => m[i] = signs + " " + m[i];
        Before(0, "key:-1 meter:3/4");
        Before(0, "!p");
        Before(8, "!mp !<");
        Before(15, "!/");
        Before(16, "reh:A !mf");
        Before(24, "reh:B !f");
        Before(32, "reh:C !p");
        Before(40, "!> ");
        Before(43, "!/ !pp");
        if (!first)
            return;
        Before(0, "\"Andante, like water\" tempo:q=84");
        Before(24, "\"Più mosso\" tempo:q=112");
        Before(31, "\"rall.\"");
        Before(32, "\"Tempo I\" tempo:q=84");
    }

    private static void Careless(List<ArrangedPart> parts)
    {
        parts[1].Edit(16, "[", "");
        parts[1].Edit(16, "]", "");
        parts[1].Edit(25, "(.)", "");
        parts[2].Edit(24, "(>)", "");
        parts[2].Edit(26, "F4e[ E4e] D4e[ E4e]", "F4e[ E4e D4e E4e]");
        parts[3].Edit(28, "(.)", "");
        parts[3].Edit(37, "G4q[ F4q E4q]", "G4q[ F4q] E4q");
    }
}
