using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.ShortForm;

/// <summary>Music as a line of text, for tests, benchmarks and the demo; docs/short-form.md tells it whole.</summary>
/// <example><c>key:G meter:3/4 | !p G4q A4 B4[ | C5]h(.) r</c></example>
public static partial class ShortFormReader
{
    /// <summary>Reads text into a score, through the same reader as a user's file.</summary>
    /// <exception cref="FormatException">A word is not understood; the message names it.</exception>
    public static Score Score(string text) => ScoreReader.Read(ScoreDocument.Of(Document(text)));

    /// <summary>Reads text into MusicXML.</summary>
    /// <exception cref="FormatException">A word is not understood; the message names it.</exception>
    public static XDocument Document(string text)
    {
        var title = "";
        var composer = "";
        var parts = new List<ShortFormPart>();
        foreach (var raw in text.Split('\n'))
        {
            var line = raw.Trim();
            if (line.Length == 0 || line[0] == ';')
                continue;
            if (line.StartsWith("title:", StringComparison.Ordinal))
                title = line[6..].Trim();
            else if (line.StartsWith("composer:", StringComparison.Ordinal))
                composer = line[9..].Trim();
            else if (line.StartsWith("part ", StringComparison.Ordinal))
                parts.Add(Header(line[5..], parts.Count + 1));
            else
            {
                if (parts.Count == 0)
                    parts.Add(new ShortFormPart("P1", "Part"));
                parts[^1].AddMusic(line);
            }
        }

        return ShortFormWriter.Write(title, composer, parts);
    }

    /// <summary>Ids of the notes that carry a star, in order: what a test expects to be found.</summary>
    public static IReadOnlyList<string> Stars(string text)
    {
        var ids = new List<string>();
        var part = 0;
        var ordinal = 0;
        var value = "q";
        foreach (var line in text.Split('\n').Select(l => l.Trim()))
        {
            if (line.StartsWith("part ", StringComparison.Ordinal))
            {
                part++;
                ordinal = 0;
                continue;
            }

            foreach (var token in Tokens(line).Where(t => t != "|"))
            {
                if (ShortFormToken.Read(token, ref value) is not { } note)
                    continue;
                if (note.Star)
                    ids.Add(string.Create(CultureInfo.InvariantCulture, $"P{Math.Max(part, 1)}-n{ordinal + 1}"));
                ordinal += Math.Max(1, note.Pitches.Count);
            }
        }

        return ids;
    }

    internal static IEnumerable<string> Tokens(string line) => Token().Matches(line).Select(m => m.Value);

    private static ShortFormPart Header(string line, int number)
    {
        var name = QuotedName().Match(line);
        var part = new ShortFormPart($"P{number}", name.Success ? name.Groups[1].Value : $"Part {number}");
        foreach (var token in line[name.Length..].Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var (key, value) = (
                token[..token.IndexOf(':', StringComparison.Ordinal)],
                token[(token.IndexOf(':', StringComparison.Ordinal) + 1)..]
            );
            part.SetHeader(key, value);
        }

        return part;
    }

    [GeneratedRegex("^\"([^\"]*)\"")]
    private static partial Regex QuotedName();

    [GeneratedRegex("\"[^\"]*\"|\\||[^\\s|]+")]
    private static partial Regex Token();
}
