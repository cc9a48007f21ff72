using MellowStand.Core.Instruments;

namespace MellowStand.Core.Scales;

/// <summary>How a scale is asked for.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Tonic">The tonic.</param>
public sealed record ScaleWish(ScaleKind Kind, ScaleTonic Tonic)
{
    /// <summary>True when the tonic is the one that sounds.</summary>
    public bool IsConcert { get; init; }

    /// <summary>Octaves, or null for all that the instrument has.</summary>
    public int? Octaves { get; init; }

    /// <summary>Octaves above the lowest tonic of the range at which it begins.</summary>
    public int Up { get; init; }

    /// <summary>The tonic that an instrument reads; a concert tonic takes the spelling with the fewest signs.</summary>
    public ScaleTonic WrittenFor(Instrument instrument) =>
        IsConcert ? ScaleTonic.Of(Within(instrument.Transposition.Write(Tonic.In(4)))).Simplest(Kind) : Tonic;

    // A transposed tonic may carry two signs: the same sound with one.
    private static Notation.Pitch Within(Notation.Pitch pitch) =>
        Math.Abs(pitch.Alter) <= 1 ? pitch : pitch.Transpose(Math.Sign(pitch.Alter), 0);
}

/// <summary>How all scales of a sheet are written.</summary>
/// <param name="Rhythm">One of <see cref="ScaleRhythms.All"/>.</param>
/// <param name="Slurring">One of <see cref="ScaleSlurs.All"/>.</param>
/// <param name="HasSignature">False to print every sign at its note.</param>
/// <param name="Fingerings">Which fingerings are written in.</param>
public sealed record ScaleStyle(ScaleRhythm Rhythm, ScaleSlurring Slurring, bool HasSignature, ScaleFingering Fingerings)
{
    /// <summary>Quarters, tongued, with a signature and the fingerings that need a choice.</summary>
    public static ScaleStyle Usual { get; } = new(ScaleRhythms.All[0], ScaleSlurs.All[0], true, ScaleFingering.Chosen);
}

/// <summary>Which fingerings are written into a scale.</summary>
public enum ScaleFingering
{
    /// <summary>Only where a choice is better written in.</summary>
    Chosen,

    /// <summary>At every note that has more than one.</summary>
    All,

    /// <summary>None.</summary>
    None,
}
