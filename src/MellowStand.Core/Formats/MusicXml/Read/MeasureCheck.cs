using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Warnings for measures that hold more or less than their meter.</summary>
internal static class MeasureCheck
{
    private const int Most = 40;

    public static IEnumerable<string> Warnings(ScoreDocument document, List<PartReader> readers, List<MeasureFrame> frames)
    {
        var all = readers.SelectMany(r => frames.Select(f => Warning(document, r, f))).OfType<string>().ToList();
        return all.Count <= Most ? all : all.Take(Most).Append($"{all.Count - Most} more measures hold more or less than their meter.");
    }

    private static string? Warning(ScoreDocument document, PartReader reader, MeasureFrame frame)
    {
        var meter = reader.InForce[frame.Index].Meter;
        var held = reader.Lengths[frame.Index];
        if (meter.IsSenza || held == Fraction.Zero || held == meter.Length)
            return null;
        var split = document.MeasureHeads[frame.Index].Attribute("implicit")?.Value == "yes" || frame.Index == 0;
        if (held < meter.Length && (split || frame.Index == LastIndex(document)))
            return null;
        var unit = meter.Groups[0].Unit;
        return $"{reader.Content.DisplayName}, measure {frame.Label} holds {Lengths.Mixed(held / unit)} beats of "
            + $"{Lengths.Mixed(meter.Length / unit)}: read as printed.";
    }

    private static int LastIndex(ScoreDocument document) => document.MeasureHeads.Count - 1;
}
