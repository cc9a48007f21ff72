using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>A key in the usual order of learning.</summary>
/// <param name="Concert">The sounding tonic.</param>
/// <param name="Written">The tonic that the instrument reads.</param>
/// <param name="Signs">The written signature in words.</param>
public sealed record OrderedKey(ScaleTonic Concert, ScaleTonic Written, string Signs);

/// <summary>In which order keys are usually learnt: flats for band, sharps for strings.</summary>
/// <remarks>A proposal only. Band begins on concert B♭ and goes on in flats, since most of its instruments are built in flats; strings
/// begin
/// on D, whose open strings ring, and go on in sharps; others go round the circle from C. Common practice, no published source.</remarks>
public static class KeyOrders
{
    private static readonly string[] Band = "Bb Eb F Ab C Db G Gb D A E B".Split(' ');
    private static readonly string[] Strings = "D G A C E F Bb B Eb Ab F# Db".Split(' ');
    private static readonly string[] Circle = "C G F D Bb A Eb E Ab B Db F#".Split(' ');

    /// <summary>The keys of an instrument for a kind of scale, easiest first.</summary>
    public static IReadOnlyList<OrderedKey> Of(Instrument instrument, ScaleKind kind) =>
        [
            .. Tonics(instrument.Family)
                .Select(t => ScaleTonic.TryParse(t, out var major) ? major : throw new InvalidOperationException(t))
                .Select(t => Concert(t, kind))
                .Select(t => new ScaleWish(kind, t) { IsConcert = true })
                .Select(w => new OrderedKey(w.Tonic, w.WrittenFor(instrument), Signs(kind, w.WrittenFor(instrument)))),
        ];

    private static string[] Tonics(Family family) =>
        family switch
        {
            Family.Woodwind or Family.Brass => Band,
            Family.Strings => Strings,
            _ => Circle,
        };

    // The minor keys follow their relative majors, so that a signature that is known comes back.
    private static ScaleTonic Concert(ScaleTonic major, ScaleKind kind) =>
        kind.Signature == ScaleSignature.Minor ? ScaleTonic.Of(major.In(4).Transpose(-2, -3)).Simplest(kind) : major;

    private static string Signs(ScaleKind kind, ScaleTonic written) => ScaleSheet.Signature(kind, written, true).CountName;
}
