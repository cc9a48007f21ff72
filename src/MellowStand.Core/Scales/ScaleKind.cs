namespace MellowStand.Core.Scales;

/// <summary>A degree of a scale or arpeggio above its tonic.</summary>
/// <param name="Letters">Letters above the tonic: a third is 2.</param>
/// <param name="Semitones">Semitones above the tonic: a minor third is 3.</param>
public readonly record struct Degree(int Letters, int Semitones);

/// <summary>What a scale's signature follows.</summary>
public enum ScaleSignature
{
    /// <summary>The major key of its tonic.</summary>
    Major,

    /// <summary>The minor key of its tonic.</summary>
    Minor,

    /// <summary>The major key that the chord leads to, a fifth below its root.</summary>
    Dominant,

    /// <summary>None: every sign is printed at its note.</summary>
    None,
}

/// <summary>A kind of scale or arpeggio.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Words">In words, after the tonic: <c>harmonic minor</c>.</param>
/// <param name="Signature">What its signature follows.</param>
/// <param name="Up">Degrees of one octave upwards, without the upper tonic; empty for the chromatic scale.</param>
/// <param name="Down">Degrees of one octave where it comes down otherwise than it went up; null for the same.</param>
public sealed record ScaleKind(
    string Name,
    string Words,
    ScaleSignature Signature,
    IReadOnlyList<Degree> Up,
    IReadOnlyList<Degree>? Down = null
)
{
    /// <summary>True for broken chords.</summary>
    public bool IsChord => Up.Count is 3 or 4;

    /// <summary>True for the scale of all twelve notes.</summary>
    public bool IsChromatic => Up.Count == 0;
}

/// <summary>All kinds of scales. A new one is one more row.</summary>
/// <remarks>Degrees agree with tests/reference/facts/scales.json and chords.json (music21 10.5.1). The melodic minor comes down as the
/// natural minor: common practice, no published source.</remarks>
public static class ScaleKinds
{
    private const string Natural = "0.0 1.2 2.3 3.5 4.7 5.8 6.10";

    /// <summary>Every kind, scales first.</summary>
    public static IReadOnlyList<ScaleKind> All { get; } =
    [
        Row("major", "major", ScaleSignature.Major, "0.0 1.2 2.4 3.5 4.7 5.9 6.11"),
        Row("natural-minor", "natural minor", ScaleSignature.Minor, Natural),
        Row("harmonic-minor", "harmonic minor", ScaleSignature.Minor, "0.0 1.2 2.3 3.5 4.7 5.8 6.11"),
        Row("melodic-minor", "melodic minor", ScaleSignature.Minor, "0.0 1.2 2.3 3.5 4.7 5.9 6.11", Natural),
        Row("chromatic", "chromatic", ScaleSignature.None, ""),
        Row("major-arpeggio", "major arpeggio", ScaleSignature.Major, "0.0 2.4 4.7"),
        Row("minor-arpeggio", "minor arpeggio", ScaleSignature.Minor, "0.0 2.3 4.7"),
        Row("dominant-seventh", "dominant seventh", ScaleSignature.Dominant, "0.0 2.4 4.7 6.10"),
        Row("diminished-seventh", "diminished seventh", ScaleSignature.None, "0.0 2.3 4.6 6.9"),
    ];

    /// <summary>The kind with the name, or null.</summary>
    public static ScaleKind? Find(string? name) => All.FirstOrDefault(k => k.Name == name);

    private static ScaleKind Row(string name, string words, ScaleSignature signature, string up, string? down = null) =>
        new(name, words, signature, Degrees(up), down is null ? null : Degrees(down));

    private static IReadOnlyList<Degree> Degrees(string text) =>
        [
            .. text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(d => d.Split('.'))
                .Select(d => new Degree(int.Parse(d[0], null), int.Parse(d[1], null))),
        ];
}
