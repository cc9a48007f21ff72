using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>The tonic of a scale: a letter with at most one sign.</summary>
/// <param name="Step">The letter.</param>
/// <param name="Alter">-1, 0 or 1.</param>
public readonly record struct ScaleTonic(Step Step, int Alter)
{
    // Where the letters stand on the circle of fifths, counted from C.
    private static readonly int[] Places = [0, 2, 4, -1, 1, 3, 5];

    /// <summary>Letter and sign, e.g. <c>B♭</c>.</summary>
    public string Name => Step + Pitch.Sign(Alter);

    /// <summary>Letter and sign as an address has it, e.g. <c>Bb</c>.</summary>
    public string Key =>
        Step
        + (
            Alter switch
            {
                1 => "#",
                -1 => "b",
                _ => "",
            }
        );

    /// <summary>Sharps of its major key, or flats when negative; more than seven have no signature.</summary>
    public int MajorFifths => Places[(int)Step] + (7 * Alter);

    /// <summary>Semitones above C, 0 to 11.</summary>
    public int PitchClass => In(4).PitchClass;

    /// <summary>Reads <c>Bb</c>, <c>F#</c>, <c>C</c>; a printed sign (<c>B♭</c>) is read too.</summary>
    /// <returns>False when the text is no tonic; never throws.</returns>
    public static bool TryParse(string? text, out ScaleTonic tonic)
    {
        tonic = default;
        var plain = (text ?? "").Trim().Replace('♭', 'b').Replace('♯', '#');
        if (
            plain.Length is < 1 or > 2
            || char.ToUpperInvariant(plain[0]) is < 'A' or > 'G'
            || !Pitch.TryParse(plain[..1].ToUpperInvariant() + plain[1..] + "4", out var pitch)
        )
            return false;
        if (plain.Length == 2 && plain[1] is not ('b' or '#'))
            return false;
        tonic = Of(pitch);
        return true;
    }

    /// <summary>The tonic of a pitch.</summary>
    public static ScaleTonic Of(Pitch pitch) => new(pitch.Step, (int)pitch.Alter);

    /// <summary>The pitch in an octave.</summary>
    public Pitch In(int octave) => new(Step, Alter, octave);

    /// <summary>Sharps of the signature that a kind of scale has on it, or flats when negative.</summary>
    public int FifthsOf(ScaleSignature signature) =>
        signature switch
        {
            ScaleSignature.Minor => MajorFifths - 3,
            ScaleSignature.Dominant => MajorFifths - 1,
            ScaleSignature.None => 0,
            _ => MajorFifths,
        };

    /// <summary>The spelling of the same sound whose key has the fewest signs; its own where two have as many.</summary>
    /// <param name="kind">What is played on it: a chromatic scale goes by the major key, a diminished seventh by the minor key that it
    /// leads
    /// to.</param>
    public ScaleTonic Simplest(ScaleKind kind)
    {
        var own = this;
        return Enum.GetValues<Step>()
            .SelectMany(s => new[] { 0, -1, 1 }.Select(a => new ScaleTonic(s, a)))
            .Where(t => t.PitchClass == own.PitchClass)
            .OrderBy(t => Math.Abs(t.Weight(kind)))
            .ThenBy(t => t != own)
            .First();
    }

    private int Weight(ScaleKind kind) =>
        kind switch
        {
            { IsChromatic: true } => MajorFifths,
            // Leads to the minor key a semitone above its root: that is five places down the circle, and minor three more.
            { Signature: ScaleSignature.None } => MajorFifths - 8,
            _ => FifthsOf(kind.Signature),
        };
}
