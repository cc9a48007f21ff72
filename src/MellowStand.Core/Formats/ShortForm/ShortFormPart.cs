using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.ShortForm;

/// <summary>One part of the short form: its header and the tokens of its measures.</summary>
internal sealed class ShortFormPart(string id, string name)
{
    public string Id => id;

    public string Name => name;

    public string Abbreviation { get; private set; } = "";

    public string Clef { get; private set; } = "G2";

    public int Program { get; private set; }

    public string? Sound { get; private set; }

    public Transposition Transposition { get; private set; }

    /// <summary>True when the text is in concert pitch and the writer transposes.</summary>
    public bool Concert { get; private set; }

    public List<string> Opening { get; } = [];

    public List<List<string>> Measures { get; } = [];

    public void SetHeader(string key, string value)
    {
        switch (key)
        {
            case "abbr":
                Abbreviation = value.Replace('_', ' ');
                break;
            case "clef":
                Clef = value;
                break;
            case "program":
                Program = int.Parse(value, CultureInfo.InvariantCulture);
                break;
            case "sound":
                Sound = value;
                break;
            case "concert":
                Concert = value == "yes";
                break;
            case "transpose":
                var n = value.Split(',').Select(x => int.Parse(x, CultureInfo.InvariantCulture)).ToArray();
                Transposition = new Transposition(n[0], n[1], n.Length > 2 ? n[2] : 0);
                break;
            default:
                throw new FormatException($"A part has no \"{key}\". Use abbr, clef, program, sound, concert or transpose.");
        }
    }

    /// <summary>Adds a line: what stands before the first bar line is the opening, unless music has begun.</summary>
    public void AddMusic(string line)
    {
        var groups = new List<List<string>> { new() };
        foreach (var token in ShortFormReader.Tokens(line))
        {
            if (token == "|")
                groups.Add([]);
            else
                groups[^1].Add(token);
        }

        if (groups[0].Count > 0)
        {
            if (Measures.Count == 0 && groups.Count > 1)
                Opening.AddRange(groups[0]);
            else
                Measures.Add(groups[0]);
        }

        var rest = groups.Skip(1).ToList();
        if (rest.Count > 0 && rest[^1].Count == 0)
            rest.RemoveAt(rest.Count - 1);
        Measures.AddRange(rest);
    }
}
