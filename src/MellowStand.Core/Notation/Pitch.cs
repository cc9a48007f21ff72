using System.Globalization;

namespace MellowStand.Core.Notation;

/// <summary>The letter of a pitch, in the order of the staff.</summary>
public enum Step
{
    /// <summary>C, the first step of an octave.</summary>
    C,

    /// <summary>D.</summary>
    D,

    /// <summary>E.</summary>
    E,

    /// <summary>F.</summary>
    F,

    /// <summary>G.</summary>
    G,

    /// <summary>A.</summary>
    A,

    /// <summary>B, the last step of an octave.</summary>
    B,
}

/// <summary>A spelled pitch: letter, alteration in semitones (quarter tones as halves) and octave (middle C is C4).</summary>
/// <remarks>Octave numbers and MIDI 60 = C4: MusicXML 4.0, element "octave"; scientific pitch notation.</remarks>
public readonly record struct Pitch
{
    private static readonly int[] Semitones = [0, 2, 4, 5, 7, 9, 11];

    // A score holds one of these at every notehead: kept small, in hundredths of a semitone.
    private readonly sbyte _step;
    private readonly sbyte _octave;
    private readonly short _cents;

    /// <summary>Spells a pitch.</summary>
    /// <param name="step">The letter.</param>
    /// <param name="alter">Semitones, to a hundredth.</param>
    /// <param name="octave">Middle C is C4.</param>
    public Pitch(Step step, decimal alter, int octave)
    {
        Step = step;
        Alter = alter;
        Octave = octave;
    }

    /// <summary>The letter.</summary>
    public Step Step
    {
        get => (Step)_step;
        init => _step = (sbyte)value;
    }

    /// <summary>Alteration in semitones, to a hundredth.</summary>
    public decimal Alter
    {
        get => _cents % 100 == 0 ? _cents / 100 : _cents / 100m;
        init => _cents = (short)Math.Round(Math.Clamp(value * 100, short.MinValue, short.MaxValue));
    }

    /// <summary>The octave; middle C is C4.</summary>
    public int Octave
    {
        get => _octave;
        init => _octave = (sbyte)Math.Clamp(value, sbyte.MinValue, sbyte.MaxValue);
    }

    /// <summary>MIDI key number of the pitch, quarter tones rounded down to the key below.</summary>
    public int Midi => (12 * (Octave + 1)) + Semitones[(int)Step] + FloorOfAlter;

    private int FloorOfAlter => (_cents - (((_cents % 100) + 100) % 100)) / 100;

    /// <summary>Semitones above C within the octave, 0 to 11.</summary>
    public int PitchClass => ((Midi % 12) + 12) % 12;

    /// <summary>Steps of the staff above C0: neighbours differ by one, whatever their alteration.</summary>
    public int Diatonic => (7 * Octave) + (int)Step;

    /// <summary>Letter and sign without the octave, e.g. <c>F♯</c>.</summary>
    public string Name => Step + Sign(Alter);

    /// <summary>The printed sign of an alteration: <c>♯ ♭ 𝄪 𝄫</c>, empty for natural.</summary>
    public static string Sign(decimal alter) =>
        alter switch
        {
            0 => "",
            1 => "♯",
            -1 => "♭",
            2 => "𝄪",
            -2 => "𝄫",
            _ => alter.ToString("+0.##;-0.##", CultureInfo.InvariantCulture),
        };

    /// <summary>The same sounding distance up or down, spelled by counted letters.</summary>
    /// <param name="diatonic">Letters to move (a third is 2).</param>
    /// <param name="chromatic">Semitones to move (a minor third is 3).</param>
    public Pitch Transpose(int diatonic, int chromatic)
    {
        var place = Diatonic + diatonic;
        var octave = (int)Math.Floor(place / 7.0);
        var step = (Step)(place - (7 * octave));
        var natural = (12 * (octave + 1)) + Semitones[(int)step];
        var exact = (12 * (Octave + 1)) + Semitones[(int)Step] + Alter + chromatic;
        return new Pitch(step, exact - natural, octave);
    }

    /// <summary>Reads <c>F#4</c>, <c>Bb3</c>, <c>Cx5</c>, <c>Dbb2</c>; <c>n</c> says natural.</summary>
    /// <returns>False when the text is no pitch; never throws.</returns>
    public static bool TryParse(string text, out Pitch pitch)
    {
        pitch = default;
        if (text.Length < 2 || !Enum.TryParse<Step>(text[..1], out var step))
            return false;
        var i = 1;
        var alter = 0;
        for (; i < text.Length && "#bxn".Contains(text[i], StringComparison.Ordinal); i++)
            alter += text[i] switch
            {
                '#' => 1,
                'b' => -1,
                'x' => 2,
                _ => 0,
            };
        if (!int.TryParse(text[i..], NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var octave))
            return false;
        pitch = new Pitch(step, alter, octave);
        return true;
    }

    /// <summary>Reads a pitch that is known to be one, as in our own tables.</summary>
    /// <exception cref="FormatException">The text is no pitch.</exception>
    public static Pitch Parse(string text) => TryParse(text, out var pitch) ? pitch : throw new FormatException($"\"{text}\" is no pitch.");

    /// <summary>Letter, sign and octave, e.g. <c>F♯4</c>.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Name}{Octave}");
}
