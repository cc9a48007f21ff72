namespace MellowStand.Core.Tests.Unify.Band;

/// <summary>A made-up piece for band and strings in five voices of composition, each doubled by several parts: a tune, the same tune in
/// thirds, a counter tune that meets them now and then with marks of its own, off-beat chords, and a bass. Strings bow in pairs where winds
/// phrase, for whole phrases.</summary>
internal sealed class BandMaker(int seed)
{
    private const int PhraseLength = 4;

    private static readonly int[][] Rhythms =
    [
        [2, 2, 2, 2],
        [1, 1, 2, 1, 1, 2],
        [3, 1, 2, 2],
        [4, 2, 2],
        [1, 1, 1, 1, 1, 1, 1, 1],
        [2, 1, 1, 4],
        [6, 2],
    ];

    private static readonly int[][] BassRhythms =
    [
        [2, 2, 2, 2],
        [4, 4],
        [4, 2, 2],
        [2, 2, 4],
    ];

    private readonly Random _random = new(seed);

    private static readonly (string Name, string Header, int Octaves, int Voice)[] Desks =
    [
        ("Flute 1", "", 1, 0),
        ("Flute 2", "", 1, 1),
        ("Oboe", "", 0, 0),
        ("Bassoon", "clef:F4", 0, 4),
        ("Clarinet 1", "transpose:-1,-2", 0, 0),
        ("Clarinet 2", "transpose:-1,-2", 0, 1),
        ("Clarinet 3", "transpose:-1,-2", 0, 2),
        ("Bass Clarinet", "transpose:-1,-2,-1", 0, 4),
        ("Alto Saxophone", "transpose:-5,-9", 0, 2),
        ("Tenor Saxophone", "transpose:-1,-2,-1", 0, 2),
        ("Trumpet 1", "transpose:-1,-2", 0, 0),
        ("Trumpet 2", "transpose:-1,-2", 0, 1),
        ("Horn 1", "transpose:-4,-7", 0, 2),
        ("Horn 2", "transpose:-4,-7", 0, 3),
        ("Horn 3", "transpose:-4,-7", 0, 5),
        ("Trombone 1", "clef:F4", 0, 3),
        ("Trombone 2", "clef:F4", 0, 5),
        ("Euphonium", "clef:F4", -1, 2),
        ("Tuba", "clef:F4", -1, 4),
        ("Violin 1", "", 0, 0),
        ("Violin 2", "", 0, 1),
        ("Viola", "clef:C3", 0, 2),
        ("Cello", "clef:F4", 0, 4),
        ("Double Bass", "clef:F4 transpose:0,0,-1", 0, 4),
    ];

    private static readonly string[] Thin =
    [
        "Flute 1",
        "Clarinet 1",
        "Flute 2",
        "Clarinet 2",
        "Alto Saxophone",
        "Horn 1",
        "Bassoon",
        "Tuba",
    ];

    /// <summary>The clean print.</summary>
    /// <param name="phrases">Phrases of four measures.</param>
    /// <param name="thin">True for two parts on each of the tune, the thirds, the counter tune and the bass.</param>
    public List<BandPart> Make(int phrases = 8, bool thin = false)
    {
        var voices = Enumerable.Range(0, 6).Select(_ => new List<List<BandNote>>()).ToList();
        var bowed = new List<bool>();
        var first = new List<List<List<BandNote>>>();
        for (var p = 0; p < phrases; p++)
        {
            var again = p % 4 is 1 or 3 && p > 0 ? first : null;
            var phrase = again ?? Phrase(p);
            if (p % 4 == 0)
                first = phrase;
            for (var v = 0; v < 6; v++)
                voices[v].AddRange(phrase[v]);
            bowed.AddRange(Enumerable.Repeat(p % 3 == 2, PhraseLength));
        }

        return
        [
            .. Desks
                .Where(d => !thin || Thin.Contains(d.Name))
                .Select(d => new BandPart(
                    d.Name,
                    d.Header,
                    d.Octaves,
                    [.. voices[d.Voice].Select((m, i) => IsBowed(d.Name) && bowed[i] ? Bowed(m) : [.. m])]
                )),
        ];
    }

    private static bool IsBowed(string name) => name.StartsWith("Viol", StringComparison.Ordinal) || name is "Cello" or "Double Bass";

    private List<List<List<BandNote>>> Phrase(int number)
    {
        var level = new[] { "mf", "f", "p", "mp", "ff" }[_random.Next(5)];
        var tune = Tune(35, Rhythms);
        var thirds = tune.Select(m => m.Select(n => n with { Step = n.Step - 2 }).ToList()).ToList();
        var counter = Tune(28, Rhythms);
        // The counter tune meets the main one for some notes, with marks of its own.
        if (number % 2 == 1)
            counter[2] = [.. tune[2].Select(n => n with { Step = n.Step - 7 })];
        var chords = Chords(26);
        var low = chords.Select(m => m.Select(n => n with { Step = n.Step - 2 }).ToList()).ToList();
        var bass = Tune(14, BassRhythms);
        List<List<List<BandNote>>> all = [tune, thirds, counter, chords, bass, low];
        var character = _random.Next(3);
        var own = _random.Next(3);
        int CharacterOf(int voice) =>
            voice switch
            {
                0 or 1 => character,
                3 or 5 => 3,
                _ => (own + voice) % 3,
            };
        for (var v = 0; v < 6; v++)
            Marked(all[v], CharacterOf(v));
        if (number % 3 == 1)
            for (var v = 0; v < 6; v++)
                Hairpin(all[v]);
        foreach (var v in all)
            Before(v[0], $"!{(v == tune || v == thirds ? level : Softer(level))}");
        return all;
    }

    private static string Softer(string level) =>
        level switch
        {
            "ff" => "f",
            "f" => "mf",
            "mf" => "mp",
            _ => "p",
        };

    private List<List<BandNote>> Tune(int around, int[][] rhythms)
    {
        var at = around + _random.Next(-2, 3);
        var measures = new List<List<BandNote>>();
        for (var m = 0; m < PhraseLength; m++)
        {
            var last = m == PhraseLength - 1;
            var rhythm = last ? [4, 2] : rhythms[_random.Next(rhythms.Length)];
            var notes = new List<BandNote>();
            foreach (var length in rhythm)
            {
                at = Math.Clamp(at + new[] { -2, -1, -1, 1, 1, 2, 3, -3 }[_random.Next(8)], around - 5, around + 6);
                notes.Add(new BandNote(at, length));
            }

            if (last)
                notes.Add(new BandNote(null, 2));
            measures.Add(notes);
        }

        return measures;
    }

    private List<List<BandNote>> Chords(int around) =>
        [
            .. Enumerable
                .Range(0, PhraseLength)
                .Select(_ =>
                {
                    var root = around + _random.Next(0, 4);
                    return new List<BandNote> { new(null, 2), new(root, 2), new(null, 2), new(root, 1), new(root + 1, 1) };
                }),
        ];

    // 0: separated eighths; 1: slurred in pairs with an accent on the downbeat; 2: phrased by the measure; 3: chords.
    private static void Marked(List<List<BandNote>> phrase, int character)
    {
        foreach (var measure in phrase)
        {
            var sounding = Enumerable.Range(0, measure.Count).Where(i => measure[i].Step is not null).ToList();
            foreach (var i in sounding)
            {
                if (character is 0 or 3 && measure[i].Eighths == 1)
                    measure[i] = measure[i] with { Marks = "." };
                else if (character == 3)
                    measure[i] = measure[i] with { Marks = ">" };
                else if (character == 1 && i == 0)
                    measure[i] = measure[i] with { Marks = ">" };
                else if (character == 0 && measure[i].Eighths >= 4)
                    measure[i] = measure[i] with { Marks = "-" };
            }

            if (character == 2 && sounding.Count > 1)
                Slur(measure, sounding[0], sounding[^1]);
            if (character == 1)
                Pairs(measure);
        }
    }

    private static void Pairs(List<BandNote> measure)
    {
        for (var i = 0; i + 1 < measure.Count; i += 2)
            if (measure[i].Step is not null && measure[i + 1].Step is not null && measure[i].Eighths <= 2)
                Slur(measure, i, i + 1);
    }

    private static void Slur(List<BandNote> measure, int from, int to)
    {
        measure[from] = measure[from] with { SlurStart = true };
        measure[to] = measure[to] with { SlurStop = true };
    }

    private static List<BandNote> Bowed(List<BandNote> measure)
    {
        if (!measure.Any(n => n.SlurStart))
            return [.. measure];
        var bowed = measure.Select(n => n with { SlurStart = false, SlurStop = false }).ToList();
        Pairs(bowed);
        return bowed;
    }

    private static void Hairpin(List<List<BandNote>> phrase)
    {
        var start = phrase[1].FindIndex(n => n.Step is not null);
        var end = phrase[2].FindIndex(n => n.Step is not null);
        phrase[1][start] = phrase[1][start] with { Before = "!<" };
        phrase[2][end] = phrase[2][end] with { Before = "!/" };
    }

    private static void Before(List<BandNote> measure, string sign)
    {
        var i = measure.FindIndex(n => n.Step is not null);
        measure[i] = measure[i] with { Before = $"{sign} {measure[i].Before}".Trim() };
    }
}
