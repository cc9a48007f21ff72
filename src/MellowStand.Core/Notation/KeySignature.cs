using System.Globalization;

namespace MellowStand.Core.Notation;

/// <summary>A key signature: a place on the circle of fifths, or a list of altered letters.</summary>
/// <param name="Fifths">Sharps, or flats when negative.</param>
/// <param name="Mode">The printed mode (<c>major</c>, <c>minor</c>, …) or null.</param>
/// <param name="Custom">Altered letters of a signature outside the circle of fifths, or null.</param>
/// <remarks>Source: MusicXML 4.0, element "key".</remarks>
public sealed record KeySignature(int Fifths, string? Mode = null, IReadOnlyDictionary<Step, decimal>? Custom = null)
{
    private static readonly Step[] OrderOfSharps = [Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B];

    /// <summary>No sharps, no flats.</summary>
    public static KeySignature None { get; } = new(0);

    /// <summary>Semitones by which the signature alters a letter, in every octave.</summary>
    public decimal AlterOf(Step step)
    {
        if (Custom is not null)
            return Custom.TryGetValue(step, out var alter) ? alter : 0;
        var place = Array.IndexOf(OrderOfSharps, step);
        var sharps = CountFrom(Fifths, place);
        var flats = CountFrom(-Fifths, 6 - place);
        return sharps - flats;
    }

    /// <summary>The letters it alters, in the order of the signature.</summary>
    public IReadOnlyList<Step> AlteredSteps
    {
        get
        {
            if (Custom is not null)
                return [.. Custom.Keys];
            return Fifths >= 0 ? [.. OrderOfSharps.Take(Fifths)] : [.. OrderOfSharps.Reverse().Take(-Fifths)];
        }
    }

    /// <summary>The tonic's name for the printed mode; major when none is printed, e.g. <c>E♭ major</c>.</summary>
    public string Name
    {
        get
        {
            if (Custom is not null)
                return "own signature";
            var minor = string.Equals(Mode, "minor", StringComparison.OrdinalIgnoreCase);
            return TonicName(minor ? Fifths + 3 : Fifths) + (minor ? " minor" : " major");
        }
    }

    /// <summary>Short words for the strip, e.g. <c>3 flats</c>.</summary>
    public string CountName =>
        Math.Abs(Fifths) switch
        {
            0 => "no signs",
            1 => Fifths > 0 ? "1 sharp" : "1 flat",
            var n => n.ToString(CultureInfo.InvariantCulture) + (Fifths > 0 ? " sharps" : " flats"),
        };

    /// <summary>The letter with its sign at a place on the circle of fifths counted from C.</summary>
    public static string TonicName(int fifths)
    {
        var place = fifths + 1;
        var wrapped = ((place % 7) + 7) % 7;
        var alter = (place - wrapped) / 7;
        return OrderOfSharps[wrapped] + Pitch.Sign(alter);
    }

    /// <summary>The signature as a transposing instrument reads it.</summary>
    public KeySignature Written(Transposition transposition)
    {
        if (Custom is not null)
            return this;
        var fifths = Fifths + ((-transposition.Chromatic * 7) + (transposition.Diatonic * 12));
        return this with { Fifths = fifths };
    }

    private static int CountFrom(int count, int place) => count <= place ? 0 : ((count - place - 1) / 7) + 1;
}
