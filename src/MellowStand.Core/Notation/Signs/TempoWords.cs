namespace MellowStand.Core.Notation;

/// <summary>A word of tempo or character with its plain meaning.</summary>
/// <param name="Word">As printed, lower case; a stem matches its inflections (<c>rit</c> for rit., ritard., ritardando).</param>
/// <param name="Language">Italian, German, French or English.</param>
/// <param name="Kind">What it asks of the tempo, or null for a word of character only.</param>
/// <param name="Meaning">In plain words.</param>
/// <param name="Low">Slowest usual beats per minute, or null.</param>
/// <param name="High">Fastest usual beats per minute, or null.</param>
public sealed record TempoWord(string Word, string Language, TempoKind? Kind, string Meaning, int? Low = null, int? High = null)
{
    /// <summary>The tempo that a slowing, a quickening or a change without a number leads to, as a share of the one before; else
    /// null.</summary>
    public double? Share { get; init; }

    /// <summary>True for a slowing that is there at once, as ritenuto.</summary>
    public bool IsAtOnce { get; init; }

    /// <summary>True for a return to the first tempo of the piece, whatever came between.</summary>
    public bool IsFirstTempo { get; init; }

    /// <summary>True for the name of a dance or march.</summary>
    public bool IsDance => Meaning.StartsWith("as a ", StringComparison.Ordinal);

    /// <summary>The middle of its usual range, or null.</summary>
    public double? Middle => Low is { } l && High is { } h ? (l + h) / 2.0 : null;
}

/// <summary>The usual words of tempo and character.</summary>
/// <remarks>Meanings and ranges from memory: the ranges are those printed on metronomes, which overlap and differ from maker to maker;
/// the printed number always wins over the word. How far a ritardando or a meno mosso goes is taste: the shares are ours, for a first
/// hearing.
/// Common practice, no published source.</remarks>
public static class TempoWords
{
    // Longer stems stand before the shorter ones that they contain.
    private static readonly TempoWord[] Table =
    [
        Back("a tempo", "Italian", "back to the tempo before"),
        Back("tempo primo", "Italian", "the first tempo again") with
        {
            IsFirstTempo = true,
        },
        Back("tempo i", "Italian", "the first tempo again") with
        {
            IsFirstTempo = true,
        },
        Back("tempo 1", "Italian", "the first tempo again") with
        {
            IsFirstTempo = true,
        },
        Back("in tempo", "Italian", "in strict time again"),
        Back("im zeitmaß", "German", "in time again"),
        Back("au mouvement", "French", "back to the tempo"),
        Slow("ritenuto", "Italian", "held back at once", 0.8) with
        {
            IsAtOnce = true,
        },
        Slow("riten", "Italian", "held back at once", 0.8) with
        {
            IsAtOnce = true,
        },
        Slow("rit", "Italian", "slowing little by little"),
        Slow("rall", "Italian", "slowing little by little"),
        Slow("allarg", "Italian", "broadening: slower and usually louder", 0.75),
        Slow("slent", "Italian", "slowing"),
        Slow("calando", "Italian", "slower and softer"),
        Slow("morendo", "Italian", "dying away", 0.65),
        Slow("perdend", "Italian", "dying away", 0.65),
        Slow("smorz", "Italian", "fading away"),
        Other("meno mosso", "Italian", "slower", 0.85),
        Other("poco meno", "Italian", "a little slower", 0.92),
        Other("più lento", "Italian", "slower", 0.8),
        Other("piu lento", "Italian", "slower", 0.8),
        Other("slower", "English", "slower", 0.85),
        Slow("slowing", "English", "slowing"),
        Slow("broaden", "English", "broader", 0.75),
        Slow("slow down", "English", "slowing"),
        Slow("langsamer werd", "German", "slowing little by little"),
        Other("langsamer", "German", "slower", 0.85),
        Slow("zurückhalt", "German", "held back", 0.8),
        Slow("breiter", "German", "broader", 0.75),
        Slow("cédez", "French", "give way: slower"),
        Slow("ralentir", "French", "slowing"),
        Slow("retenu", "French", "held back", 0.8) with
        {
            IsAtOnce = true,
        },
        Other("moins vite", "French", "less fast", 0.9),
        Quick("accel", "Italian", "faster little by little"),
        Quick("stringendo", "Italian", "pressing on"),
        Quick("string.", "Italian", "pressing on"),
        Other("più mosso", "Italian", "faster", 1.15),
        Other("piu mosso", "Italian", "faster", 1.15),
        Quick("affrett", "Italian", "hurrying"),
        Other("faster", "English", "faster", 1.15),
        Quick("schneller werd", "German", "faster little by little"),
        Other("schneller", "German", "faster", 1.15),
        Quick("beschleun", "German", "speeding up"),
        Quick("animez", "French", "livelier"),
        Quick("pressez", "French", "pressing on"),
        Other("plus vite", "French", "faster", 1.15),
        Steady("prestissimo", "Italian", "as fast as possible", 192, 208),
        Steady("presto", "Italian", "very fast", 168, 192),
        Steady("vivacissimo", "Italian", "very lively", 168, 184),
        Steady("vivace", "Italian", "lively", 140, 168),
        Steady("vivo", "Italian", "lively", 140, 168),
        Steady("allegretto", "Italian", "fairly quick, lighter than allegro", 100, 116),
        Steady("allegro", "Italian", "quick, cheerful", 116, 148),
        Steady("con moto", "Italian", "with movement", 92, 112),
        Steady("moderato", "Italian", "moderate", 92, 108),
        Steady("andantino", "Italian", "a little quicker than andante", 80, 92),
        Steady("andante", "Italian", "walking", 69, 84),
        Steady("adagietto", "Italian", "a little quicker than adagio", 64, 72),
        Steady("adagio", "Italian", "slow, at ease", 54, 66),
        Steady("larghetto", "Italian", "fairly broad", 56, 66),
        Steady("larghissimo", "Italian", "very broad", 20, 40),
        Steady("largo", "Italian", "broad", 44, 56),
        Steady("lento", "Italian", "slow", 46, 58),
        Steady("grave", "Italian", "heavy, solemn", 36, 48),
        Steady("alla marcia", "Italian", "as a march", 104, 120),
        Steady("marcia", "Italian", "as a march", 104, 120),
        Steady("maestoso", "Italian", "stately", 76, 92),
        Steady("langsam", "German", "slow", 48, 60),
        Steady("sehr schnell", "German", "very fast", 160, 184),
        Steady("schnell", "German", "fast", 132, 160),
        Steady("lebhaft", "German", "lively", 120, 144),
        Steady("mäßig", "German", "moderate", 88, 104),
        Steady("gehend", "German", "walking", 69, 84),
        Steady("ruhig", "German", "calm", 60, 76),
        Steady("marschmäßig", "German", "as a march", 104, 120),
        Steady("lentement", "French", "slow", 46, 60),
        Steady("modéré", "French", "moderate", 88, 108),
        Steady("très vif", "French", "very lively", 152, 176),
        Steady("vif", "French", "lively", 132, 160),
        Steady("animé", "French", "lively", 120, 144),
        Steady("march", "English", "as a march", 104, 120),
        Steady("minuet", "Italian", "as a minuet: a stately dance in three", 100, 126),
        Steady("menuet", "French", "as a minuet: a stately dance in three", 100, 126),
        Steady("polacca", "Italian", "as a polonaise: a proud dance in three", 88, 104),
        Steady("polonaise", "French", "as a polonaise: a proud dance in three", 88, 104),
        Steady("waltz", "English", "as a waltz: a turning dance in three, felt in one", 150, 180),
        Steady("valse", "French", "as a waltz: a turning dance in three, felt in one", 150, 180),
        Steady("walzer", "German", "as a waltz: a turning dance in three, felt in one", 150, 180),
        Steady("mazurka", "Italian", "as a mazurka: a dance in three with a weight on the second or third beat", 126, 150),
        Steady("sarabande", "French", "as a sarabande: a slow, grave dance in three", 60, 72),
        Steady("gavotte", "French", "as a gavotte: a moderate dance that begins on the half measure", 132, 152),
        Steady("polka", "English", "as a polka: a lively dance in two", 104, 120),
        Steady("bolero", "Italian", "as a bolero: a dance in three over an even rhythm", 72, 84),
        Steady("moderately", "English", "moderate", 92, 108),
        Steady("slowly", "English", "slow", 50, 66),
        Steady("lively", "English", "lively", 126, 152),
        Steady("brightly", "English", "bright and quick", 120, 144),
        Steady("fast", "English", "fast", 132, 160),
        Mood("cantabile", "Italian", "singing"),
        Mood("dolce", "Italian", "sweetly"),
        Mood("espressivo", "Italian", "with expression"),
        Mood("espress", "Italian", "with expression"),
        Mood("leggiero", "Italian", "lightly"),
        Mood("leggero", "Italian", "lightly"),
        Mood("energico", "Italian", "with energy"),
        Mood("lirico", "Italian", "lyrically, singing"),
        Mood("pesante", "Italian", "heavily"),
        Mood("sostenuto", "Italian", "sustained"),
        Mood("legato", "Italian", "connected"),
        Mood("marcato", "Italian", "marked"),
        Mood("tranquillo", "Italian", "calmly"),
        Mood("con brio", "Italian", "with spirit"),
        Mood("con fuoco", "Italian", "with fire"),
        Mood("spiritoso", "Italian", "with spirit"),
        Mood("scherzando", "Italian", "playfully"),
        Mood("giocoso", "Italian", "merrily"),
        Mood("grazioso", "Italian", "gracefully"),
        Mood("agitato", "Italian", "restlessly"),
        Mood("misterioso", "Italian", "mysteriously"),
        Mood("semplice", "Italian", "simply"),
        Mood("ausdrucksvoll", "German", "with expression"),
        Mood("zart", "German", "tenderly"),
        Mood("innig", "German", "heartfelt"),
        Mood("gesangvoll", "German", "singing"),
        Mood("doux", "French", "gently"),
        Mood("expressif", "French", "with expression"),
        Mood("léger", "French", "lightly"),
        Mood("chanté", "French", "singing"),
        Mood("rubato", "Italian", "with freedom in the pulse"),
    ];

    /// <summary>All words.</summary>
    public static IReadOnlyList<TempoWord> All => Table;

    /// <summary>The words that a printed text holds, in the order of the table: tempo first, then character.</summary>
    public static IEnumerable<TempoWord> In(string text)
    {
        var words = text.ToLowerInvariant();
        return Table.Where(w => StartsAWord(words, w.Word));
    }

    /// <summary>The first word of a text that asks something of the tempo, or null.</summary>
    public static TempoWord? TempoIn(string text) => In(text).FirstOrDefault(w => w.Kind is not null);

    private static bool StartsAWord(string text, string word)
    {
        for (var i = text.IndexOf(word, StringComparison.Ordinal); i >= 0; i = text.IndexOf(word, i + 1, StringComparison.Ordinal))
            if (i == 0 || !char.IsLetter(text[i - 1]))
                return true;
        return false;
    }

    private static TempoWord Back(string word, string language, string meaning) => new(word, language, TempoKind.Return, meaning);

    private static TempoWord Slow(string word, string language, string meaning, double share = 0.7) =>
        new(word, language, TempoKind.Slowing, meaning) { Share = share };

    private static TempoWord Quick(string word, string language, string meaning) =>
        new(word, language, TempoKind.Quickening, meaning) { Share = 1.3 };

    private static TempoWord Other(string word, string language, string meaning, double share) =>
        new(word, language, TempoKind.Changed, meaning) { Share = share };

    private static TempoWord Steady(string word, string language, string meaning, int low, int high) =>
        new(word, language, TempoKind.Fixed, meaning, low, high);

    private static TempoWord Mood(string word, string language, string meaning) => new(word, language, null, meaning);
}
