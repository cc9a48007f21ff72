using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>Families of instruments, in score order.</summary>
public enum Family
{
    /// <summary>Flutes, reeds.</summary>
    Woodwind,

    /// <summary>Lip-vibrated instruments.</summary>
    Brass,

    /// <summary>Bowed strings.</summary>
    Strings,

    /// <summary>Mallets, timpani, drums.</summary>
    Percussion,

    /// <summary>Piano, organ, harp, guitar.</summary>
    Keyboard,

    /// <summary>Singers.</summary>
    Voice,

    /// <summary>Not recognised.</summary>
    Unknown,
}

/// <summary>What sustains the tone and sets the length of a phrase.</summary>
public enum Sustain
{
    /// <summary>Breath.</summary>
    Breath,

    /// <summary>Bow.</summary>
    Bow,

    /// <summary>A stroke; nothing sustains it but a roll or pedal.</summary>
    Stroke,
}

/// <summary>What kind of instrument it is, whatever its size and key.</summary>
public enum Kin
{
    /// <summary>Flutes.</summary>
    Flute,

    /// <summary>Oboes.</summary>
    Oboe,

    /// <summary>Bassoons.</summary>
    Bassoon,

    /// <summary>Clarinets.</summary>
    Clarinet,

    /// <summary>Saxophones.</summary>
    Saxophone,

    /// <summary>Horns.</summary>
    Horn,

    /// <summary>Trumpets, cornets, flugelhorns.</summary>
    Trumpet,

    /// <summary>Trombones.</summary>
    Trombone,

    /// <summary>Euphoniums.</summary>
    Euphonium,

    /// <summary>Tubas.</summary>
    Tuba,

    /// <summary>Violins.</summary>
    Violin,

    /// <summary>Violas.</summary>
    Viola,

    /// <summary>Cellos.</summary>
    Cello,

    /// <summary>Double basses.</summary>
    Contrabass,

    /// <summary>Tuned bars and tubes.</summary>
    Mallets,

    /// <summary>Kettledrums.</summary>
    Timpani,

    /// <summary>Everything else that is struck.</summary>
    Drums,

    /// <summary>Piano, organ.</summary>
    Keyboard,

    /// <summary>Harp, guitar.</summary>
    Plucked,

    /// <summary>Singers.</summary>
    Voice,
}

/// <summary>An instrument of the catalog: all that the product knows of it, in one record.</summary>
/// <param name="Id">A stable key, e.g. <c>clarinet-bb</c>.</param>
/// <param name="Name">English name.</param>
/// <param name="Family">Its family.</param>
/// <param name="Kin">What kind it is.</param>
public sealed record Instrument(string Id, string Name, Family Family, Kin Kin)
{
    private readonly IReadOnlyList<string> _names = [];

    /// <summary>Its names and abbreviations, in English, German, Italian and French; lower case, its own name among them.</summary>
    public required IReadOnlyList<string> Names
    {
        get => _names;
        init => _names = [.. value.Append(Name.ToLowerInvariant()).Distinct()];
    }

    /// <summary>Its sounds in MusicXML 4.0's list of standard sounds.</summary>
    public IReadOnlyList<string> Sounds { get; init; } = [];

    /// <summary>Written to sounding.</summary>
    public Transposition Transposition { get; init; } = Transposition.None;

    /// <summary>Ids of the instruments that share its bare name in another key: a clarinet in A.</summary>
    public IReadOnlyList<string> InOtherKeys { get; init; } = [];

    /// <summary>Usual clef.</summary>
    public required string Clef { get; init; }

    /// <summary>General MIDI program from 1.</summary>
    public required int Program { get; init; }

    /// <summary>Written ranges by a player's level.</summary>
    public required InstrumentRanges Ranges { get; init; }

    /// <summary>The section in which it sits, e.g. <c>Low reeds</c>.</summary>
    public required string Section { get; init; }

    /// <summary>Notes a second that a good school player keeps clean; other levels: <see cref="CleanLimits"/>.</summary>
    public required CleanLimit Clean { get; init; }

    /// <summary>True where the tongue can double: no reed is in the mouth, and no slide to wait for.</summary>
    public bool DoubleTongues { get; init; }

    /// <summary>True where players hold more air than they can spend, and breathe out before they breathe in.</summary>
    public bool IsDoubleReed { get; init; }

    /// <summary>False where a straight tone is the usual one.</summary>
    public bool HasVibrato { get; init; } = true;

    /// <summary>What one player's instrument has and another's has not.</summary>
    public IReadOnlyList<InstrumentOption> Options { get; init; } = [];

    /// <summary>How the hands work it, from which its technique and its chart follow; null where the product has none, and does not
    /// guess.</summary>
    public Mechanism? Mechanism { get; init; }

    /// <summary>Breath, bow or stroke.</summary>
    public Sustain Sustain =>
        Family switch
        {
            Family.Woodwind or Family.Brass or Family.Voice => Sustain.Breath,
            Family.Strings => Sustain.Bow,
            _ => Sustain.Stroke,
        };

    /// <summary>Lowest comfortable written pitch of a school player.</summary>
    public Pitch Low => Ranges.Comfortable.Low;

    /// <summary>Highest comfortable written pitch of a school player.</summary>
    public Pitch High => Ranges.Comfortable.High;

    /// <summary>Names in a row, a hyphen for the space inside one.</summary>
    internal static IReadOnlyList<string> Words(string names) => [.. names.Split(' ').Select(n => n.Replace('-', ' '))];
}
