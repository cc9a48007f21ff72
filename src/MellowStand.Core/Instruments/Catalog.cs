using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>The instruments that the product knows. A new one is one more row.</summary>
/// <remarks>Transpositions and General MIDI programs agree with tests/reference/facts/instruments.json (music21 10.5.1).
/// Names in four languages and comfortable written ranges are from memory; ranges are those of a school player of about
/// four years.</remarks>
public static class Catalog
{
    private static readonly Transposition InC = Transposition.None;
    private static readonly Transposition InBb = new(-1, -2, 0);
    private static readonly Transposition InBbOctave = new(-1, -2, -1);
    private static readonly Transposition InEbLow = new(-5, -9, 0);
    private static readonly Transposition InEbLowOctave = new(-5, -9, -1);
    private static readonly Transposition InEbHigh = new(2, 3, 0);
    private static readonly Transposition InF = new(-4, -7, 0);
    private static readonly Transposition InA = new(-2, -3, 0);

    /// <summary>All instruments in score order.</summary>
    public static IReadOnlyList<Instrument> All { get; } =
    [
        Row(
            "piccolo",
            "Piccolo",
            Family.Woodwind,
            new(0, 0, 1),
            "G2",
            73,
            "D4",
            "Bb6",
            "pic picc piccolo ottavino petite-flûte kleine-flöte"
        ),
        Row(
            "flute",
            "Flute",
            Family.Woodwind,
            InC,
            "G2",
            74,
            "C4",
            "Bb6",
            "fl flute flutes flauto flauti flöte flöten flûte flûtes grosse-flöte"
        ),
        Row(
            "alto-flute",
            "Alto flute",
            Family.Woodwind,
            new(-3, -5, 0),
            "G2",
            74,
            "C4",
            "G6",
            "alto-flute altflöte flauto-contralto flûte-alto"
        ),
        Row("oboe", "Oboe", Family.Woodwind, InC, "G2", 69, "Bb3", "D6", "ob oboe oboes oboi oboen hautbois hoboe"),
        Row(
            "english-horn",
            "English horn",
            Family.Woodwind,
            InF,
            "G2",
            70,
            "B3",
            "C6",
            "eh english-horn cor-anglais corno-inglese englischhorn"
        ),
        Row(
            "bassoon",
            "Bassoon",
            Family.Woodwind,
            InC,
            "F4",
            71,
            "Bb1",
            "G4",
            "bn bsn bassoon bassoons fagotto fagotti fagott fagotte fg fag basson bassons"
        ),
        Row(
            "contrabassoon",
            "Contrabassoon",
            Family.Woodwind,
            new(0, 0, -1),
            "F4",
            71,
            "Bb1",
            "D4",
            "cbn cbsn contrabassoon kontrafagott contrafagotto contrebasson"
        ),
        Row(
            "clarinet-eb",
            "Clarinet in E♭",
            Family.Woodwind,
            InEbHigh,
            "G2",
            72,
            "E3",
            "C6",
            "eb-clarinet clarinet-in-eb es-klarinette clarinetto-piccolo petite-clarinette"
        ),
        Row(
            "clarinet-bb",
            "Clarinet",
            Family.Woodwind,
            InBb,
            "G2",
            72,
            "E3",
            "C6",
            "cl clar clarinet clarinets clarinetto clarinetti klarinette klarinetten klar clarinette clarinettes bb-clarinet"
        ),
        Row(
            "clarinet-a",
            "Clarinet in A",
            Family.Woodwind,
            InA,
            "G2",
            72,
            "E3",
            "C6",
            "clarinet-in-a a-clarinet a-klarinette clarinette-en-la clarinetto-in-la"
        ),
        Row(
            "alto-clarinet",
            "Alto clarinet",
            Family.Woodwind,
            InEbLow,
            "G2",
            72,
            "E3",
            "C6",
            "alto-clarinet altklarinette clarinetto-contralto clarinette-alto"
        ),
        Row(
            "bass-clarinet",
            "Bass clarinet",
            Family.Woodwind,
            InBbOctave,
            "G2",
            72,
            "E3",
            "C6",
            "bcl bass-clarinet bs-cl bassklarinette clarinetto-basso clarinette-basse"
        ),
        Row(
            "contra-clarinet",
            "Contrabass clarinet",
            Family.Woodwind,
            new(-1, -2, -2),
            "G2",
            72,
            "E3",
            "C5",
            "contrabass-clarinet contra-clarinet kontrabassklarinette"
        ),
        Row(
            "soprano-sax",
            "Soprano saxophone",
            Family.Woodwind,
            InBb,
            "G2",
            65,
            "Bb3",
            "D6",
            "soprano-sax soprano-saxophone sopransaxophon sassofono-soprano saxophone-soprano"
        ),
        Row(
            "alto-sax",
            "Alto saxophone",
            Family.Woodwind,
            InEbLow,
            "G2",
            66,
            "Bb3",
            "D6",
            "asx alto-sax alto-saxophone a-sax altsax altsaxophon sassofono-contralto saxophone-alto sax-alto saxophone sax"
        ),
        Row(
            "tenor-sax",
            "Tenor saxophone",
            Family.Woodwind,
            InBbOctave,
            "G2",
            67,
            "Bb3",
            "D6",
            "tsx tenor-sax tenor-saxophone t-sax tenorsax tenorsaxophon sassofono-tenore saxophone-ténor"
        ),
        Row(
            "bari-sax",
            "Baritone saxophone",
            Family.Woodwind,
            InEbLowOctave,
            "G2",
            68,
            "Bb3",
            "C6",
            "bsx bari-sax baritone-sax baritone-saxophone b-sax baritonsax baritonsaxophon sassofono-baritono saxophone-baryton"
        ),
        Row(
            "horn-f",
            "Horn",
            Family.Brass,
            InF,
            "G2",
            61,
            "G3",
            "G5",
            "hn hrn horn horns french-horn f-horn horn-in-f corno corni hörner waldhorn cor cors"
        ),
        Row(
            "trumpet-bb",
            "Trumpet",
            Family.Brass,
            InBb,
            "G2",
            57,
            "G3",
            "A5",
            "tpt trp trpt trumpet trumpets bb-trumpet tromba trombe trompete trompeten trompette trompettes"
        ),
        Row(
            "trumpet-c",
            "Trumpet in C",
            Family.Brass,
            InC,
            "G2",
            57,
            "G3",
            "G5",
            "trumpet-in-c c-trumpet c-trompete tromba-in-do trompette-en-ut"
        ),
        Row("cornet", "Cornet", Family.Brass, InBb, "G2", 57, "G3", "A5", "cor-net cornet cornets crt kornett cornetta cornet-à-pistons"),
        Row("flugelhorn", "Flugelhorn", Family.Brass, InBb, "G2", 57, "G3", "G5", "flugelhorn flügelhorn flicorno bugle flgh"),
        Row(
            "trombone",
            "Trombone",
            Family.Brass,
            InC,
            "F4",
            58,
            "E2",
            "F4",
            "tbn trb tbne trombone trombones tromboni posaune posaunen pos"
        ),
        Row(
            "bass-trombone",
            "Bass trombone",
            Family.Brass,
            InC,
            "F4",
            58,
            "Bb1",
            "D4",
            "bass-trombone b-tbn bassposaune trombone-basso trombone-basse"
        ),
        Row(
            "euphonium",
            "Euphonium",
            Family.Brass,
            InC,
            "F4",
            59,
            "E2",
            "F4",
            "euph euphonium eufonio baritone baritone-horn bariton tenorhorn"
        ),
        Row(
            "euphonium-tc",
            "Euphonium (treble clef)",
            Family.Brass,
            InBbOctave,
            "G2",
            59,
            "G3",
            "G5",
            "euphonium-tc baritone-tc euphonium-treble-clef baritone-treble-clef baritone-t-c euphonium-t-c"
        ),
        Row("tuba", "Tuba", Family.Brass, InC, "F4", 59, "F1", "Bb3", "tba tuba tubas bass-tuba basstuba tuben"),
        Row(
            "violin",
            "Violin",
            Family.Strings,
            InC,
            "G2",
            41,
            "G3",
            "B5",
            "vn vln vl violin violins violino violini violine violinen geige geigen violon violons"
        ),
        Row("viola", "Viola", Family.Strings, InC, "C3", 42, "C3", "E5", "va vla viola violas viole bratsche bratschen alto altos"),
        Row(
            "cello",
            "Violoncello",
            Family.Strings,
            InC,
            "F4",
            43,
            "C2",
            "A4",
            "vc vlc vcl cello cellos celli violoncello violoncelli violoncelle violoncelles"
        ),
        Row(
            "contrabass",
            "Contrabass",
            Family.Strings,
            new(0, 0, -1),
            "F4",
            44,
            "E2",
            "A3",
            "cb db kb contrabass double-bass doublebass basses string-bass bass kontrabass contrabbasso contrabbassi "
                + "contrebasse contrebasses"
        ),
        Row(
            "glockenspiel",
            "Glockenspiel",
            Family.Percussion,
            new(0, 0, 2),
            "G2",
            10,
            "G3",
            "C6",
            "glock glsp glockenspiel bells orchestra-bells campanelli jeu-de-timbres"
        ),
        Row("xylophone", "Xylophone", Family.Percussion, new(0, 0, 1), "G2", 14, "F3", "C7", "xyl xylo xylophone xylophon silofono"),
        Row("marimba", "Marimba", Family.Percussion, InC, "G2", 13, "C3", "C6", "mar mrb marimba marimbaphon"),
        Row(
            "vibraphone",
            "Vibraphone",
            Family.Percussion,
            InC,
            "G2",
            12,
            "F3",
            "F6",
            "vib vibes vibraphone vibraphon vibrafono mallets mallet-percussion"
        ),
        Row(
            "chimes",
            "Chimes",
            Family.Percussion,
            InC,
            "G2",
            15,
            "C4",
            "F5",
            "chimes tubular-bells röhrenglocken campane cloches-tubulaires"
        ),
        Row("timpani", "Timpani", Family.Percussion, InC, "F4", 48, "E2", "G3", "timp timpani pauken timbales kettledrums"),
        Row(
            "drums",
            "Percussion",
            Family.Percussion,
            InC,
            "percussion",
            1,
            "C3",
            "C6",
            "perc percussion drums snare snare-drum sd bass-drum bd cymbals cymbal triangle tambourine drumset schlagzeug "
                + "schlagwerk percussioni batteria batterie percussions tamburo kleine-trommel grosse-trommel becken "
                + "crash-cymbals suspended-cymbal"
        ),
        Row("harp", "Harp", Family.Keyboard, InC, "G2", 47, "C1", "G7", "hp hrp harp arpa harfe harpe"),
        Row("piano", "Piano", Family.Keyboard, InC, "G2", 1, "A0", "C8", "pno pf piano pianoforte klavier keyboard keyboards"),
        Row("organ", "Organ", Family.Keyboard, InC, "G2", 20, "C2", "C7", "org organ organo orgel orgue"),
        Row("guitar", "Guitar", Family.Keyboard, new(0, 0, -1), "G2", 25, "E3", "E6", "gtr guitar guitars chitarra gitarre guitare"),
        Row(
            "soprano",
            "Soprano",
            Family.Voice,
            InC,
            "G2",
            53,
            "C4",
            "A5",
            "soprano sopran sopr canto cantus treble trebles mezzo mezzo-soprano"
        ),
        Row("alto", "Alto voice", Family.Voice, InC, "G2", 53, "G3", "D5", "altus alto-voice contralto"),
        Row("tenor", "Tenor", Family.Voice, InC, "G2-8", 53, "C4", "A5", "tenor tenore ténor"),
        Row("bass-voice", "Bass voice", Family.Voice, InC, "F4", 53, "E2", "E4", "basso bassus bass-voice baritone-voice"),
        Row("voice", "Voice", Family.Voice, InC, "G2", 53, "C4", "E5", "voice voices voce gesang stimme chant chœur choir chor"),
    ];

    /// <summary>The instrument with the id, or null.</summary>
    public static Instrument? Find(string? id) => All.FirstOrDefault(i => i.Id == id);

    private static Instrument Row(
        string id,
        string name,
        Family family,
        Transposition transposition,
        string clef,
        int program,
        string low,
        string high,
        string names
    )
    {
        var sustain = family switch
        {
            Family.Woodwind or Family.Brass or Family.Voice => Sustain.Breath,
            Family.Strings => Sustain.Bow,
            _ => Sustain.Stroke,
        };
        var all = names.Split(' ').Select(n => n.Replace('-', ' ')).Append(name.ToLowerInvariant()).Distinct().ToList();
        return new Instrument(id, name, family, transposition, clef, program, sustain, Pitch.Parse(low), Pitch.Parse(high), all);
    }
}
