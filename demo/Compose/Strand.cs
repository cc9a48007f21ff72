using System.Globalization;
using System.Text.RegularExpressions;
using MellowStand.Core.Notation;

namespace MellowStand.Demo.Compose;

/// <summary>Ways to turn one line of the short form into another: higher, lower, thinner, without marks.</summary>
internal static partial class Strand
{
    /// <summary>Moves every pitch by letters and semitones.</summary>
    public static string Transpose(string music, int diatonic, int chromatic) =>
        PitchToken()
            .Replace(music, m => m.Groups["lead"].Value + Spell(Pitch.Parse(m.Groups["pitch"].Value).Transpose(diatonic, chromatic)));

    /// <summary>Moves every pitch by octaves.</summary>
    public static string Octave(string music, int octaves) => Transpose(music, 7 * octaves, 12 * octaves);

    /// <summary>The same rhythm with the chord tone at least a minor third below each note.</summary>
    public static string Below(string music, Chord chord) =>
        PitchToken().Replace(music, m => m.Groups["lead"].Value + Spell(chord.ToneBelow(Pitch.Parse(m.Groups["pitch"].Value))));

    /// <summary>Without the marks in brackets and without slurs.</summary>
    public static string Plain(string music) => Marks().Replace(music, "");

    public static string Spell(Pitch p)
    {
        var sign = p.Alter switch
        {
            1 => "#",
            -1 => "b",
            2 => "x",
            -2 => "bb",
            _ => "",
        };
        return string.Create(CultureInfo.InvariantCulture, $"{p.Step}{sign}{p.Octave}");
    }

    [GeneratedRegex(@"(?<lead>(^|[\s<,]|g:))(?<pitch>[A-G][#bx]*\d)")]
    private static partial Regex PitchToken();

    [GeneratedRegex(@"\([^)]*\)|[\[\]]")]
    private static partial Regex Marks();
}

/// <summary>A chord by name, e.g. <c>Bb</c>, <c>Gm</c>, <c>F7</c>, <c>Bb/D</c>.</summary>
internal sealed record Chord(IReadOnlyList<Pitch> Tones, Pitch Bass)
{
    public static Chord Of(string name)
    {
        var pieces = name.Split('/');
        var root = RootOf(pieces[0]);
        var kind = pieces[0][Strand.Spell(root)[..^1].Length..];
        (int D, int C)[] steps = kind switch
        {
            "m" => [(0, 0), (2, 3), (4, 7)],
            "7" => [(0, 0), (2, 4), (4, 7), (6, 10)],
            "m7" => [(0, 0), (2, 3), (4, 7), (6, 10)],
            _ => [(0, 0), (2, 4), (4, 7)],
        };
        var tones = steps.Select(s => root.Transpose(s.D, s.C)).ToList();
        return new Chord(tones, pieces.Length > 1 ? RootOf(pieces[1]) : root);
    }

    public Pitch Root => Tones[0];

    public Pitch Fifth => Tones[2];

    /// <summary>The highest chord tone at least a minor third below a pitch.</summary>
    public Pitch ToneBelow(Pitch top) => Candidates().Where(p => p.Midi <= top.Midi - 3).MaxBy(p => p.Midi);

    /// <summary>The chord tone nearest to a key number.</summary>
    public Pitch Near(int midi) => Candidates().MinBy(p => (Math.Abs(p.Midi - midi), p.Midi));

    /// <summary>A tone put into the octave that lies nearest to a key number.</summary>
    public static Pitch At(Pitch tone, int midi) =>
        Enumerable.Range(0, 9).Select(o => tone with { Octave = o }).MinBy(p => Math.Abs(p.Midi - midi));

    private IEnumerable<Pitch> Candidates() => Tones.SelectMany(t => Enumerable.Range(0, 9).Select(o => t with { Octave = o }));

    private static Pitch RootOf(string text)
    {
        var length = text.Length > 1 && text[1] is 'b' or '#' ? 2 : 1;
        return Pitch.Parse(text[..length] + "4");
    }
}

/// <summary>A part being arranged: header and one text a measure.</summary>
internal sealed class ArrangedPart(string name, string header)
{
    public string Name => name;

    public List<string> Measures { get; } = [];

    public string Text => $"part \"{name}\" {header}\n| {string.Join(" | ", Measures)}\n";

    /// <summary>Changes a measure, as a careless edition would.</summary>
    public void Edit(int measure, string from, string to)
    {
        if (!Measures[measure].Contains(from, StringComparison.Ordinal))
            throw new InvalidOperationException($"{name}, measure {measure} has no \"{from}\": {Measures[measure]}");
        Measures[measure] = Measures[measure].Replace(from, to, StringComparison.Ordinal);
    }
}
