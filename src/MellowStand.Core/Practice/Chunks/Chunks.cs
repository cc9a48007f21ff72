using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>Pieces of a passage one after another, each to be repeated until it is sure.</summary>
internal static class ChunkedMusic
{
    /// <summary>The chunks as one part: each between repeat signs, its ties and slurs cut at its ends.</summary>
    public static PlainPart Of(PlainPart part, IEnumerable<IReadOnlyList<PlainMeasure>> chunks) =>
        part with
        {
            Measures = [.. chunks.Where(c => c.Count > 0).SelectMany(Repeated)],
        };

    private static IEnumerable<PlainMeasure> Repeated(IReadOnlyList<PlainMeasure> chunk)
    {
        var tidy = PlainTidy.Of(chunk);
        return tidy.Select(
            (m, i) =>
                m with
                {
                    Label = null,
                    IsImplicit = i == 0 && m.IsImplicit && m.Length < m.Meter.Length,
                    BeginsRepeat = i == 0,
                    EndsRepeat = i == tidy.Count - 1,
                }
        );
    }
}
