namespace MellowStand.Core.Tests.Unify.Band;

/// <summary>A made-up piece unlike <see cref="BandMaker"/>: choirs that come and go, a trumpet that tongues what the others slur, an oboe
/// short among slurring woodwinds, bowed slurs under phrases, plucked strings beside a short bassoon, a xylophone, soli, divided
/// violins.</summary>
internal sealed class LayerMaker(int seed)
{
    private const int PhraseLength = 4;

    private static readonly int[][] Rhythms =
    [
        [2, 2, 2, 2],
        [4, 2, 2],
        [2, 2, 4],
        [3, 1, 2, 2],
        [2, 1, 1, 2, 2],
        [1, 1, 1, 1, 2, 2],
    ];

    private static readonly int[][] Walks =
    [
        [2, 2, 2, 2],
        [2, 2, 2, 2],
        [4, 2, 2],
    ];

    private static readonly (string Name, string Header, int Octaves)[] Desks =
    [
        ("Flute", "", 1),
        ("Oboe", "", 0),
        ("Clarinet 1", "transpose:-1,-2", 0),
        ("Clarinet 2", "transpose:-1,-2", 0),
        ("Bassoon", "clef:F4", 0),
        ("Alto Saxophone", "transpose:-5,-9", 0),
        ("Trumpet", "transpose:-1,-2", 0),
        ("Horn 1", "transpose:-4,-7", 0),
        ("Horn 2", "transpose:-4,-7", 0),
        ("Euphonium", "clef:F4", -1),
        ("Xylophone", "", 1),
        ("Violin I", "", 1),
        ("Violin II", "", 0),
        ("Cello", "clef:F4", 0),
        ("Double Bass", "clef:F4 transpose:0,0,-1", 0),
    ];

    private static readonly string[] Tune =
    [
        "Flute",
        "Oboe",
        "Clarinet 1",
        "Alto Saxophone",
        "Trumpet",
        "Xylophone",
        "Violin I",
        "Violin II",
    ];
    private static readonly string[] Soli = ["Horn 1", "Horn 2", "Euphonium"];
    private static readonly string[] Bass = ["Bassoon", "Cello", "Double Bass"];

    private readonly Random _random = new(seed);
    private readonly Dictionary<string, string> _bow = new() { ["Cello"] = "arco", ["Double Bass"] = "arco" };

    private enum Texture
    {
        Slurred,
        OboeShort,
        Marcato,
        Choir,
    }

    /// <summary>The clean print.</summary>
    public List<BandPart> Make(int phrases = 8)
    {
        var parts = Desks.Select(d => new BandPart(d.Name, d.Header, d.Octaves, [])).ToList();
        for (var p = 0; p < phrases; p++)
        {
            var texture = p < 4 ? (Texture)p : (Texture)_random.Next(4);
            var level = new[] { "mf", "f", "mp", "p" }[_random.Next(4)];
            var (tune, bass, choir) = (Line(35, Rhythms), Line(21, Walks), Line(28, Rhythms));
            foreach (var part in parts)
                part.Measures.AddRange(Phrase(part.Name, texture, level, tune, bass, choir));
        }

        return parts;
    }

    private List<List<BandNote>> Phrase(
        string name,
        Texture texture,
        string level,
        List<List<BandNote>> tune,
        List<List<BandNote>> bass,
        List<List<BandNote>> choir
    )
    {
        if (texture == Texture.Choir)
            return Soli.Contains(name) ? Begun(Slurred(choir), $"!{level} \"soli\"") : Rests();
        if (Bass.Contains(name))
            return Below(name, texture, level, bass);
        if (!Tune.Contains(name))
            return texture == Texture.Marcato ? Begun(Accented(choir), $"!{level}") : Rests();
        return Begun(Voiced(name, texture, tune), $"!{level}");
    }

    private List<List<BandNote>> Voiced(string name, Texture texture, List<List<BandNote>> tune) =>
        (name, texture) switch
        {
            ("Xylophone", Texture.Marcato) => Accented(tune),
            ("Xylophone", _) => Copied(tune),
            (_, Texture.Marcato) => Accented(tune),
            ("Trumpet", _) => Accented(tune),
            ("Oboe", Texture.OboeShort) => Short(tune),
            ("Violin I", _) => Paired(tune),
            ("Violin II", _) => Divided(Paired(tune)),
            _ => Slurred(tune),
        };

    // The bassoon is short, and the strings pluck or are short with it.
    private List<List<BandNote>> Below(string name, Texture texture, string level, List<List<BandNote>> bass)
    {
        if (name == "Bassoon")
            return Begun(Short(bass), $"!{level}");
        var bow = texture == Texture.Marcato ? "arco" : "pizz.";
        var word = _bow[name] == bow ? "" : $" \"{bow}\"";
        _bow[name] = bow;
        return Begun(bow == "arco" ? Short(bass) : Copied(bass), $"!{level}{word}");
    }

    private List<List<BandNote>> Line(int around, int[][] rhythms)
    {
        var at = around;
        return
        [
            .. Enumerable
                .Range(0, PhraseLength)
                .Select(m =>
                {
                    var rhythm = m == PhraseLength - 1 ? [6] : rhythms[_random.Next(rhythms.Length)];
                    var notes = rhythm.Select(length => new BandNote(at = Next(at, around), length)).ToList();
                    return m == PhraseLength - 1 ? [.. notes, new BandNote(null, 2)] : notes;
                }),
        ];
    }

    private int Next(int at, int around) => Math.Clamp(at + new[] { -2, -1, -1, 1, 1, 2, 3, -3 }[_random.Next(8)], around - 4, around + 5);

    private static List<List<BandNote>> Rests() => [.. Enumerable.Range(0, PhraseLength).Select(_ => new List<BandNote> { new(null, 8) })];

    private static List<List<BandNote>> Copied(List<List<BandNote>> line) => [.. line.Select(m => m.ToList())];

    private static List<List<BandNote>> Accented(List<List<BandNote>> line) =>
        Each(line, (n, i) => n.Eighths >= 2 && i % 2 == 0 ? n with { Marks = ">" } : n);

    private static List<List<BandNote>> Short(List<List<BandNote>> line) =>
        Each(line, (n, _) => n.Eighths <= 2 ? n with { Marks = "." } : n);

    private static List<List<BandNote>> Each(List<List<BandNote>> line, Func<BandNote, int, BandNote> to) =>
        [.. line.Select(m => m.Select((n, i) => n.Step is null ? n : to(n, i)).ToList())];

    private static List<List<BandNote>> Slurred(List<List<BandNote>> line)
    {
        var slurred = Copied(line);
        foreach (var measure in slurred)
            if (measure.FindLastIndex(n => n.Step is not null) is > 0 and var last)
                Slur(measure, 0, last);
        return slurred;
    }

    private static List<List<BandNote>> Paired(List<List<BandNote>> line)
    {
        var paired = Copied(line);
        foreach (var measure in paired)
            for (var i = 0; i + 1 < measure.Count; i += 2)
                if (measure[i + 1].Step is not null)
                    Slur(measure, i, i + 1);
        return paired;
    }

    // Now and then a third below.
    private static List<List<BandNote>> Divided(List<List<BandNote>> line) =>
        [.. line.Select((m, k) => m.Select((n, i) => k == 1 && i == 0 && n.Step is not null ? n with { Below = 2 } : n).ToList())];

    private static void Slur(List<BandNote> measure, int from, int to)
    {
        measure[from] = measure[from] with { SlurStart = true };
        measure[to] = measure[to] with { SlurStop = true };
    }

    private static List<List<BandNote>> Begun(List<List<BandNote>> line, string signs)
    {
        line[0][0] = line[0][0] with { Before = signs };
        return line;
    }
}
