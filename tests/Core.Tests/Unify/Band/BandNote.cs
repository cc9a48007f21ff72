using System.Globalization;

namespace MellowStand.Core.Tests.Unify.Band;

/// <summary>A note of the made-up band, before it is written in the short form.</summary>
/// <param name="Step">Letters above C0 in C major; null for a rest.</param>
/// <param name="Eighths">Length in eighths.</param>
internal sealed record BandNote(int? Step, int Eighths)
{
    private static readonly Dictionary<int, string> Values = new()
    {
        [1] = "e",
        [2] = "q",
        [3] = "q.",
        [4] = "h",
        [6] = "h.",
        [8] = "w",
    };

    private static readonly string[] Signs = ["b", "", "#"];

    public string Marks { get; init; } = "";

    public bool SlurStart { get; init; }

    public bool SlurStop { get; init; }

    /// <summary>Signs before the note, as the short form writes them.</summary>
    public string Before { get; init; } = "";

    public int Alter { get; init; }

    /// <summary>Another note below it in a double stop or divided desk, in letters; null for none.</summary>
    public int? Below { get; init; }

    private static string Name(int step, int alter, int octaves) =>
        "CDEFGAB"[step % 7] + Signs[alter + 1] + ((step / 7) + octaves).ToString(CultureInfo.InvariantCulture);

    public string Text(int octaves)
    {
        var pitch = Step is { } s ? Name(s, Alter, octaves) : "r";
        if (Step is { } top && Below is { } below)
            pitch = $"<{Name(top - below, 0, octaves)},{pitch}>";
        var marks = Marks.Length > 0 ? $"({Marks})" : "";
        return $"{Before} {pitch}{Values[Eighths]}{marks}{(SlurStop ? "]" : "")}{(SlurStart ? "[" : "")}".Trim();
    }
}

/// <summary>A part of the band.</summary>
/// <param name="Name">As printed.</param>
/// <param name="Header">Transposition and clef in the short form.</param>
/// <param name="Octaves">From the voice's octave.</param>
/// <param name="Measures">Its measures.</param>
internal sealed record BandPart(string Name, string Header, int Octaves, List<List<BandNote>> Measures)
{
    public string Text =>
        $"part \"{Name}\" {Header} concert:yes\n| "
        + string.Join(" | ", Measures.Select(m => string.Join(' ', m.Select(n => n.Text(Octaves)))));
}
