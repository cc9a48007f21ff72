namespace MellowStand.Core.Instruments;

/// <summary>Systems of keys: each has a chart of its own.</summary>
public enum KeySystem
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
}

/// <summary>How an instrument is worked by the hands.</summary>
public abstract record Mechanism;

/// <summary>Keys and holes.</summary>
/// <param name="System">The system, which names the chart.</param>
/// <param name="Lowest">Lowest written key of the instrument; null for that of the chart.</param>
public sealed record Keyed(KeySystem System, int? Lowest = null) : Mechanism;

/// <summary>Valves on one tube.</summary>
/// <param name="Open">Sounding key of the open tube's fundamental.</param>
/// <param name="Most">Three or four valves.</param>
/// <remarks>Harmonic series under the transpositions: the trumpet's written C4 sounds B♭3 and is its second partial.</remarks>
public sealed record Valved(int Open, int Most) : Mechanism;

/// <summary>The horn, single in F or double.</summary>
public sealed record HornValves : Mechanism;

/// <summary>A slide.</summary>
/// <param name="HasAttachment">True where the F attachment belongs to it.</param>
public sealed record Slid(bool HasAttachment) : Mechanism;

/// <summary>A bowed neck; its strings are those of its <see cref="Kin"/>.</summary>
public sealed record Bowed : Mechanism;

/// <summary>Tuned bars, tubes and kettles struck by sticks.</summary>
public sealed record StruckBars : Mechanism;

/// <summary>Drums and cymbals struck by sticks.</summary>
public sealed record StruckSkins : Mechanism;
