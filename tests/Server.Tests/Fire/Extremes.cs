using System.Globalization;
using System.IO.Compression;
using System.Text;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Files that are as large in one way as a file can be: those over a limit, and those that stand right at it.</summary>
internal static class Extremes
{
    /// <summary>Files over a limit, each with a word of the sentence that refuses it.</summary>
    public static IEnumerable<(string Name, string Says, Func<byte[]> Make)> Over =>
        [
            ("a measure of a billion quarters", "quarters in a measure", () => Score(Measure(1, Note(1_000_000_000)))),
            ("ten thousand long measures", "quarters in all", () => Score(Many(500, i => Measure(i, Note(900))))),
            ("quarters divided into primes", "divisions of a quarter", () => Score(Primes())),
            (
                "default attributes for every note",
                "<!ATTLIST",
                () =>
                    Plain(
                        "<!DOCTYPE score-partwise [<!ATTLIST note a CDATA \""
                            + new string('x', 50_000)
                            + "\">]>"
                            + Text(Score(Many(2000, i => Measure(i, Note(1)))))
                    )
            ),
            (
                "a document type of a megabyte",
                "characters before",
                () =>
                    Plain(
                        "<!DOCTYPE score-partwise [" + Many(20_000, i => $"<!ELEMENT e{i} ANY>") + "]>" + Text(Score(Measure(1, Note(1))))
                    )
            ),
            ("blanks packed four hundredfold", "times its packed size", () => Packed(new string(' ', 40 << 20))),
            (
                "elements packed",
                "times its packed size",
                () => Packed("<score-partwise>" + Many(9_000_000, _ => "<a/>") + "</score-partwise>")
            ),
            ("three million elements", "XML elements", () => Score("<measure number=\"1\">" + Many(3_000_000, _ => "<a/>") + "</measure>")),
            (
                "attributes by the million",
                "XML attributes",
                () => Score("<measure number=\"1\">" + Many(20_000, _ => "<a " + Many(160, k => $"b{k}=\"\" ") + "/>") + "</measure>")
            ),
            ("deep behind comments", "elements inside each other", () => Score(Many(50_000, _ => "<a><!--</a>-->"))),
            ("deep behind characters", "elements inside each other", () => Score(Many(50_000, _ => "<a><![CDATA[</a>]]>"))),
            ("deep behind instructions", "elements inside each other", () => Score(Many(50_000, _ => "<a><?x </a>?>"))),
            ("deep behind quotes", "elements inside each other", () => Score(Many(50_000, _ => "<a b=\"/>\">"))),
            ("deep behind text", "elements inside each other", () => Score(Many(50_000, _ => "<a>/>"))),
            (
                "deep in sixteen bits",
                "elements inside each other",
                () => [0xFF, 0xFE, .. Encoding.Unicode.GetBytes(Whole([Many(50_000, _ => "<a>")]))]
            ),
            (
                "elements a hundred thousand deep",
                "elements inside each other",
                () => Score(Many(100_000, _ => "<a>") + Many(100_000, _ => "</a>"))
            ),
            ("five thousand parts", "parts", () => Parts(5000, Measure(1, Note(1)))),
            ("parts by the million", "parts", () => Plain("<score-partwise>" + Many(1_000_000, _ => "<part/>") + "</score-partwise>")),
            ("measures by the million", "measures", () => Score(Many(1_000_000, _ => "<measure/>"))),
            ("measures of many parts", "measures of all parts", () => Parts(140, Many(1000, _ => "<measure/>"))),
            (
                "two thousand notes in a measure",
                "notes and rests of one part in a measure",
                () => Score(Measure(1, Many(2000, _ => Note(0))))
            ),
            ("half a million notes", "notes and rests", () => Score(Many(400, i => Measure(i, Many(1000, _ => "<note><rest/></note>"))))),
            ("signs in a measure", "signs of one part in a measure", () => Score(Measure(1, Many(600, _ => Words("x"))))),
            ("signs by the hundred thousand", "signs above and below", () => Score(Many(600, i => Measure(i, Many(190, _ => Words("x")))))),
        ];

    /// <summary>Files right at the limits: each is read, and every station answers.</summary>
    public static IEnumerable<(string Name, Func<byte[]> Make)> At =>
        [
            ("a hundred measures of a thousand quarters", () => Score(Many(100, i => Measure(i, Note(1000))))),
            ("six thousand measures of one number", () => Score(Many(6000, _ => Measure(1, Note(4))))),
            ("a hundred and fifty parts", () => Parts(150, Many(600, i => Measure(i, Note(4))))),
            ("sixteen parts of six thousand measures", () => Parts(16, Many(6000, i => Measure(i, Note(4, i))))),
            ("a unison of a hundred and fifty parts", () => Parts(150, Many(100, i => Measure(i, Many(12, k => Note(1, (i * 7) + k)))))),
            ("one part of all the notes", () => Score(Many(6000, i => Measure(i, Fine + Many(33, k => Note(1, (i * 5) + (k * 3))))))),
            ("measures of fifteen hundred notes", () => Score(Many(150, i => Measure(i, Fine + Many(990, k => Note(1, k)))))),
            (
                "slurs that never end",
                () => Score(Many(200, i => Measure(i, Fine + Many(900, k => Note(1, k, "<notations><slur type=\"start\"/></notations>")))))
            ),
            (
                "slurs that all begin first",
                () =>
                    Score(
                        Many(100, i => Measure(i, Fine + Many(900, k => Note(1, k, "<notations><slur type=\"start\"/></notations>"))))
                            + Many(100, i => Measure(i, Fine + Many(900, k => Note(1, k, "<notations><slur type=\"stop\"/></notations>"))))
                    )
            ),
            ("ties that never end", () => Score(Many(200, i => Measure(i, Fine + Many(900, _ => Note(1, 3, "<tie type=\"start\"/>")))))),
            (
                "ends of ties",
                () => Score(Many(200, i => Measure(i, Fine + Many(900, _ => Note(1, 3, "<tie type=\"stop\"/><tie type=\"start\"/>")))))
            ),
            ("hairpins that never end", () => Score(Many(300, i => Measure(i, Many(190, _ => Wedge("crescendo")) + Note(4))))),
            (
                "hairpins that all begin first",
                () =>
                    Score(
                        Many(150, i => Measure(i, Many(190, _ => Wedge("crescendo")) + Note(4)))
                            + Many(150, i => Measure(i, Many(190, _ => Wedge("stop")) + Note(4)))
                    )
            ),
            ("graces", () => Score(Many(150, i => Measure(i, Many(1300, k => Grace(k)) + Note(4))))),
            (
                "chords of fifteen hundred heads",
                () => Score(Many(100, i => Measure(i, Note(4) + Many(1400, k => Note(4, k, "", "<chord/>")))))
            ),
            (
                "voices by the thousand",
                () =>
                    Score(
                        Many(
                            50,
                            i => Measure(i, Many(1400, k => Note(4, k, $"<voice>{k}</voice>") + "<backup><duration>4</duration></backup>"))
                        )
                    )
            ),
            ("words", () => Score(Many(300, i => Measure(i, Many(190, k => Words($"poco rit. {k}")) + Note(4))))),
            ("a word of twenty megabytes", () => Score(Measure(1, Words(new string('x', 20 << 20)) + Note(4)))),
            (
                "a name of twenty megabytes",
                () =>
                    Plain(
                        $"<score-partwise><part-list><score-part "
                            + $"id=\"P1\"><part-name>{new string('x', 20 << 20)}</part-name></score-part></part-list><part "
                            + $"id=\"P1\">{Measure(1, Note(4))}</part></score-partwise>"
                    )
            ),
            (
                "repeats of repeats",
                () =>
                    Score(
                        Many(
                            6000,
                            i =>
                                Measure(
                                    i,
                                    "<barline location=\"left\"><repeat direction=\"forward\"/></barline>"
                                        + Note(4)
                                        + "<barline location=\"right\"><repeat direction=\"backward\" times=\"99\"/></barline>"
                                )
                        )
                    )
            ),
            (
                "meters of many groups",
                () =>
                    Score(
                        Many(
                            1000,
                            i =>
                                Measure(
                                    i,
                                    $"<attributes><time><beats>{Many(16, _ => "9+")}1</beats><beat-type>256</beat-type></time></attributes>"
                                        + Note(4)
                                )
                        )
                    )
            ),
            (
                "repeated marks",
                () =>
                    Score(
                        Many(
                            300,
                            i =>
                                Measure(
                                    i,
                                    Many(
                                        100,
                                        k =>
                                            Note(
                                                1,
                                                k,
                                                "<notations><articulations><staccato/><accent/><tenuto/></articulations></notations>"
                                            )
                                    )
                                )
                        )
                    )
            ),
            ("two million elements", () => Score("<measure number=\"1\">" + Note(4) + Many(1_990_000, _ => "<a/>") + "</measure>")),
        ];

    private const string Fine = "<attributes><divisions>16</divisions></attributes>";

    private static byte[] Score(string measures) => Plain(Whole([measures]));

    private static byte[] Parts(int count, string measures) => Plain(Whole(Enumerable.Repeat(measures, count)));

    private static string Whole(IEnumerable<string> parts)
    {
        var (list, music) = (new StringBuilder(), new StringBuilder());
        foreach (var (i, measures) in parts.Index())
        {
            list.Append(CultureInfo.InvariantCulture, $"<score-part id=\"P{i + 1}\"><part-name>Violin</part-name></score-part>");
            music.Append(CultureInfo.InvariantCulture, $"<part id=\"P{i + 1}\">").Append(measures).Append("</part>");
        }

        return $"<score-partwise><part-list>{list}</part-list>{music}</score-partwise>";
    }

    private static string Measure(int number, string content) => $"<measure number=\"{number}\">{content}</measure>";

    private static string Note(int duration, int place = 0, string more = "", string before = "") =>
        $"<note>{before}<pitch><step>{"CDEFGAB"[place % 7]}</step><octave>{4 + (place / 7 % 2)}</octave></pitch>"
        + $"<duration>{duration}</duration>{more}</note>";

    private static string Grace(int place) => $"<note><grace/><pitch><step>{"CDEFGAB"[place % 7]}</step><octave>5</octave></pitch></note>";

    private static string Words(string words) => $"<direction><direction-type><words>{words}</words></direction-type></direction>";

    private static string Wedge(string type) => $"<direction><direction-type><wedge type=\"{type}\"/></direction-type></direction>";

    private static string Primes() =>
        Many(
            40,
            i =>
                Measure(
                    i,
                    $"<attributes><divisions>{new[] { 999_983, 999_979, 999_961, 999_959 }[i % 4]}</divisions></attributes>"
                        + Note(4_000_001 + i)
                )
        );

    private static string Many(int count, Func<int, string> make)
    {
        var text = new StringBuilder();
        for (var i = 0; i < count; i++)
            text.Append(make(i));
        return text.ToString();
    }

    private static byte[] Plain(string text) => Encoding.UTF8.GetBytes(text);

    private static string Text(byte[] bytes) => Encoding.UTF8.GetString(bytes);

    private static byte[] Packed(string text)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        using (var entry = zip.CreateEntry("score.xml", CompressionLevel.SmallestSize).Open())
            entry.Write(Encoding.UTF8.GetBytes(text));
        return stream.ToArray();
    }
}
