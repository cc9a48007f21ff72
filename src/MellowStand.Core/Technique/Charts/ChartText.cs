using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Charts;

/// <summary>Reads charts from the tables in which they are kept.</summary>
/// <remarks>A key: <c>id finger x y shape [label] [=place]</c>. A note: <c>pitch code keys… | name | when | cents</c>, all but the first
/// column may be missing; a code <c>-</c> is a note's only fingering. A trill: <c>lower upper | how</c>. Lines that are empty are passed
/// over.</remarks>
internal static class ChartText
{
    /// <summary>Reads a chart.</summary>
    public static FingeringChart Read(string kind, string keys, string notes, string trills, string source)
    {
        var table = Lines(keys).Select(Key).ToList();
        var read = Lines(notes)
            .Select(l => Note(l, table))
            .GroupBy(n => n.Pitch.Midi)
            .OrderBy(g => g.Key)
            .Select(g => new ChartNote(g.First().Pitch, [.. g.Select(n => n.Fingering)]))
            .ToList();
        return new FingeringChart(kind, table, read, [.. Lines(trills).Select(Trill)], source);
    }

    private static string[] Lines(string text) => text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    private static ChartKey Key(string line)
    {
        var words = line.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var label = words.Skip(5).FirstOrDefault(w => !w.StartsWith('=')) ?? words[0];
        var place = words.Skip(5).FirstOrDefault(w => w.StartsWith('='))?[1..] ?? words[0];
        return new ChartKey(words[0], label == "." ? "" : label, words[1], Number(words[2]), Number(words[3]), words[4], place);
    }

    private static (Pitch Pitch, Fingering Fingering) Note(string line, List<ChartKey> keys)
    {
        var columns = line.Split('|', StringSplitOptions.TrimEntries);
        var words = columns[0].Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var pressed = words.Skip(2).ToList();
        if (pressed.FirstOrDefault(k => keys.All(x => x.Id != k)) is { } unknown)
            throw new FormatException($"The chart has no key \"{unknown}\" in: {line}");
        string Column(int i) => columns.Length > i ? columns[i] : "";
        var cents = Column(3).Length > 0 ? Number(Column(3)) : (double?)null;
        return (Pitch.Parse(words[0]), new Fingering(words[1] == "-" ? "only" : words[1], pressed, Column(1), Column(2), cents));
    }

    private static ChartTrill Trill(string line)
    {
        var columns = line.Split('|', StringSplitOptions.TrimEntries);
        var words = columns[0].Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return new ChartTrill(Pitch.Parse(words[0]).Midi, Pitch.Parse(words[1]).Midi, columns[1]);
    }

    private static int Number(string text) => int.Parse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture);
}
