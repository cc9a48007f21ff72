using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Scales;

/// <summary>A scale that a sheet holds.</summary>
/// <param name="Wish">What was asked.</param>
/// <param name="Tonic">The written tonic.</param>
/// <param name="Span">Where it lies.</param>
/// <param name="Title">Its name.</param>
public sealed record PlacedScale(ScaleWish Wish, ScaleTonic Tonic, ScaleSpan Span, string Title)
{
    /// <summary>What is not as it was asked: a wider range, fewer octaves; empty where all is.</summary>
    public string Remark { get; init; } = "";

    /// <summary>What stands over the staff.</summary>
    public string Heading => Remark.Length == 0 ? Title : $"{Title} ({Remark})";
}

/// <summary>Writes scales for an instrument as music.</summary>
public static class ScaleSheet
{
    // The lower end of what auditions ask; a chromatic scale is asked quicker. Common practice, no published source.
    private const double UsualBpm = 80;
    private const double ChromaticBpm = 100;

    private static readonly string[] Numbers = ["no octave", "one octave", "two octaves", "three octaves", "four octaves"];

    /// <summary>Where a scale lies on an instrument at a level, or at the next wider one that has an octave of it, which is said; null
    /// where none has.</summary>
    /// <param name="wish">What was asked.</param>
    /// <param name="instrument">The instrument.</param>
    /// <param name="level">One of <see cref="WrittenRanges.Levels"/>.</param>
    /// <param name="range">The range of a level in the player's hands.</param>
    public static PlacedScale? Place(ScaleWish wish, Instrument instrument, string level, Func<string, WrittenRange> range)
    {
        foreach (var wider in WrittenRanges.Levels.SkipWhile(l => l != level))
            if (Place(wish, instrument, range(wider)) is { } placed)
                return placed with { Remark = string.Join("; ", Remarks(wish, placed.Span, level, wider)) };
        return null;
    }

    private static IEnumerable<string> Remarks(ScaleWish wish, ScaleSpan span, string level, string wider)
    {
        if (wider != level)
            yield return $"range of level {wider}";
        if (wish.Octaves > span.Octaves)
            yield return $"{OctavesOf(wish.Octaves.Value)} asked, the range has {OctavesOf(span.Octaves)}";
    }

    private static string OctavesOf(int count) => count < Numbers.Length ? Numbers[count] : $"{count} octaves";

    /// <summary>Where a scale lies on an instrument, or null where the range has not one octave of it.</summary>
    public static PlacedScale? Place(ScaleWish wish, Instrument instrument, WrittenRange range)
    {
        var tonic = wish.WrittenFor(instrument);
        return ScaleSpan.Of(tonic, range, wish.Octaves, wish.Up) is { } span
            ? new PlacedScale(wish, tonic, span, Title(wish.Kind, tonic, span.Octaves))
            : null;
    }

    /// <summary>True where scales make sense: the instrument has pitches.</summary>
    public static bool Has(Instrument instrument) => instrument.Clef != "percussion";

    /// <summary>The music: every scale in measures of its own, with its name, signature, slurs and fingerings.</summary>
    /// <param name="title">Title of the sheet.</param>
    /// <param name="instrument">The instrument.</param>
    /// <param name="scales">The scales, at least one.</param>
    /// <param name="style">How they are written.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="hands">What the player's instrument has, or null for the usual.</param>
    public static XDocument Write(
        string title,
        Instrument instrument,
        IReadOnlyList<PlacedScale> scales,
        ScaleStyle style,
        House house,
        Hands? hands = null
    )
    {
        var part = Part(instrument, scales, style);
        var isQuick = scales.All(s => s.Wish.Kind.IsChromatic);
        var score = new PlainScore(title, [part]) { Tempo = new MetronomeMark(new Fraction(1), isQuick ? ChromaticBpm : UsualBpm) };
        var plain = PlainWriter.Write(score);
        if (style.Fingerings == ScaleFingering.None)
            return plain;
        var signs = ScaleFingerings.Of(plain, instrument, house, hands, style.Fingerings == ScaleFingering.All);
        return PlainWriter.Write(score with { Parts = [ScaleFingerings.Write(part, signs)] });
    }

    /// <summary>What a scale is called, e.g. <c>B♭ harmonic minor, two octaves</c>.</summary>
    public static string Title(ScaleKind kind, ScaleTonic tonic, int octaves) =>
        $"{tonic.Name} {kind.Words}, {OctavesOf(octaves)}";

    /// <summary>The signature of a kind on a tonic: none where it would have more than seven signs or none is wanted.</summary>
    public static KeySignature Signature(ScaleKind kind, ScaleTonic tonic, bool isWanted)
    {
        var fifths = tonic.FifthsOf(kind.Signature);
        if (!isWanted || kind.Signature == ScaleSignature.None || Math.Abs(fifths) > 7)
            return KeySignature.None;
        return new KeySignature(fifths, kind.Signature == ScaleSignature.Minor ? "minor" : "major");
    }

    private static PlainPart Part(Instrument instrument, IReadOnlyList<PlacedScale> scales, ScaleStyle style) =>
        new(instrument.Name, [instrument.Clef], instrument.Transposition, [.. scales.SelectMany(s => Measures(s, style))])
        {
            Program = instrument.Program,
        };

    private static List<PlainMeasure> Measures(PlacedScale scale, ScaleStyle style) =>
        ScaleMeasures.Of(
            ScalePitches.Of(scale.Wish.Kind, scale.Span.Start, scale.Span.Octaves),
            style,
            Signature(scale.Wish.Kind, scale.Tonic, style.HasSignature),
            scale.Heading
        );
}
