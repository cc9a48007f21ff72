using System.IO.Compression;
using System.Text;
using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Tests.Formats;

/// <summary>Input from outside is hostile: each of these is refused in a sentence.</summary>
public sealed class HostileInputTests
{
    private const string Score =
        "<score-partwise><part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part></part-list><part "
        + "id=\"P1\"><measure number=\"1\"><note><rest/><duration>4</duration></note></measure></part></score-partwise>";

    public static TheoryData<string, byte[]> Refused =>
        new()
        {
            { "empty", [] },
            { "no XML", Encoding.UTF8.GetBytes("hello") },
            { "another XML", Encoding.UTF8.GetBytes("<html/>") },
            { "truncated", Encoding.UTF8.GetBytes(Score[..120]) },
            {
                "external entity",
                Encoding.UTF8.GetBytes(
                    "<!DOCTYPE s [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>" + Score.Replace("Flute", "&x;", StringComparison.Ordinal)
                )
            },
            {
                "external parameter entity",
                Encoding.UTF8.GetBytes("<!DOCTYPE s [<!ENTITY % x SYSTEM \"http://127.0.0.1:9/x\"> %x;]>" + Score)
            },
            { "entity bomb", Encoding.UTF8.GetBytes(Bomb()) },
            { "undeclared entity", Encoding.UTF8.GetBytes(Score.Replace("Flute", "&x;", StringComparison.Ordinal)) },
            { "no part", Encoding.UTF8.GetBytes("<score-partwise><part-list/></score-partwise>") },
            { "no measure", Encoding.UTF8.GetBytes("<score-partwise><part id=\"P1\"/></score-partwise>") },
            { "zip of nothing", Zip() },
            { "zip without a score", Zip(("readme.txt", "hello")) },
            { "path that climbs out", Zip(("../../evil.xml", Score)) },
            { "absolute path", Zip(("/etc/evil.xml", Score)) },
            { "truncated zip", Zip(("score.xml", Score))[..60] },
            { "zip bomb", ZipBomb() },
            { "absurd duration", Encoding.UTF8.GetBytes(Fraught("<divisions>999983</divisions>", "999999937")) },
        };

    [Theory]
    [MemberData(nameof(Refused))]
    public void Is_refused_in_a_sentence(string what, byte[] bytes)
    {
        if (what == "absurd duration")
        {
            // Large but exact: reading must end in a score or in a sentence, never in another exception.
            try
            {
                ScoreReader.Read(bytes);
            }
            catch (ScoreFormatException) { }
            return;
        }

        var e = Assert.Throws<ScoreFormatException>(() => ScoreReader.Read(bytes));
        Assert.EndsWith(".", e.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("Exception", e.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_document_type_line_alone_is_normal()
    {
        var bytes = Encoding.UTF8.GetBytes(
            "<!DOCTYPE score-partwise PUBLIC \"-//Recordare//DTD MusicXML 4.0 Partwise//EN\" \"http://www.musicxml.org/dtds/partwise.dtd\">"
                + Score
        );
        Assert.Single(ScoreReader.Read(bytes).Parts);
    }

    [Fact]
    public void Timewise_and_partwise_say_the_same()
    {
        const string Timewise =
            "<score-timewise><part-list><score-part id=\"P1\"><part-name>Flute</part-name></score-part></part-list><measure "
            + "number=\"7\"><part id=\"P1\"><note><rest/><duration>4</duration></note></part></measure></score-timewise>";
        var score = ScoreReader.Read(
            Encoding
                .Unicode.GetPreamble()
                .Concat(Encoding.Unicode.GetBytes("<?xml version=\"1.0\" encoding=\"UTF-16\"?>" + Timewise))
                .ToArray()
        );
        Assert.Equal("7", score.Measures.Single().Label);
        Assert.Single(score.Parts[0].Notes);
    }

    // Twenty thousand mutated files; the seed is printed when one breaks the reader.
    [Fact]
    public void Twenty_thousand_mutated_files_never_break_the_reader()
    {
        const int Seed = 20311;
        var random = new Random(Seed);
        var seeds = Reference
            .Files("suite")
            .Where(f => f.EndsWith(".xml", StringComparison.Ordinal))
            .Select(Reference.Bytes)
            .Where(b => b.Length < 9000)
            .ToArray();
        for (var i = 0; i < 20_000; i++)
        {
            var bytes = Mutate(random, seeds);
            try
            {
                ScoreReader.Read(bytes);
            }
            catch (ScoreFormatException) { }
            catch (Exception e)
            {
                Assert.Fail($"Seed {Seed}, file {i}: {e.GetType().Name} {e.Message}\n{Encoding.UTF8.GetString(bytes)}");
            }
        }
    }

    private static byte[] Mutate(Random random, byte[][] seeds)
    {
        var text = Encoding.Latin1.GetString(seeds[random.Next(seeds.Length)]);
        for (var k = random.Next(1, 4); k > 0; k--)
        {
            var at = random.Next(text.Length - 1);
            var length = random.Next(1, Math.Min(60, text.Length - at));
            text = random.Next(6) switch
            {
                0 => text.Remove(at, length),
                1 => text.Insert(at, text.Substring(random.Next(text.Length - length), length)),
                2 => text[..at] + (char)random.Next(32, 255) + text[(at + 1)..],
                3 => ReplaceNumber(random, text),
                4 => ReplaceElement(random, text),
                _ => text.Insert(at, random.Next().ToString(System.Globalization.CultureInfo.InvariantCulture)),
            };
            if (text.Length < 40)
                break;
        }

        return Encoding.Latin1.GetBytes(text);
    }

    private static string ReplaceNumber(Random random, string text)
    {
        string[] numbers = ["0", "-1", "99999999999999999999", "1e9", "2147483647", "0.333333333", "NaN", "", "-0", "4/4"];
        var match = System.Text.RegularExpressions.Regex.Match(text[random.Next(text.Length)..], @">(\d+)<");
        return match.Success ? text.Replace(match.Value, ">" + numbers[random.Next(numbers.Length)] + "<", StringComparison.Ordinal) : text;
    }

    private static string ReplaceElement(Random random, string text)
    {
        string[] names = ["note", "measure", "chord", "backup", "forward", "grace", "attributes", "part", "repeat", "ending", "direction"];
        return text.Replace("<" + names[random.Next(names.Length)], "<" + names[random.Next(names.Length)], StringComparison.Ordinal);
    }

    private static string Fraught(string attributes, string duration) =>
        Score
            .Replace("<note>", $"<attributes>{attributes}</attributes><note>", StringComparison.Ordinal)
            .Replace("<duration>4<", $"<duration>{duration}<", StringComparison.Ordinal);

    private static string Bomb()
    {
        var bomb = new StringBuilder("<!DOCTYPE s [<!ENTITY a0 \"lol\">");
        for (var i = 1; i < 12; i++)
            bomb.Append($"<!ENTITY a{i} \"").Append(string.Concat(Enumerable.Repeat($"&a{i - 1};", 10))).Append("\">");
        return bomb.Append("]>").Append(Score.Replace("Flute", "&a11;", StringComparison.Ordinal)).ToString();
    }

    private static byte[] Zip(params (string Name, string Text)[] files)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create))
        {
            foreach (var (name, text) in files)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(Encoding.UTF8.GetBytes(text));
            }
        }

        return stream.ToArray();
    }

    private static byte[] ZipBomb()
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create))
        {
            using var entry = zip.CreateEntry("score.xml", CompressionLevel.Fastest).Open();
            var blanks = new byte[1024 * 1024];
            Array.Fill(blanks, (byte)' ');
            for (var i = 0; i < (ScoreLimits.UnpackedBytes / blanks.Length) + 2; i++)
                entry.Write(blanks);
        }

        return stream.ToArray();
    }
}
